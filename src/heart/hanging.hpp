// Chains of edges that hang on a profile by one end, and those that stand free.
#pragma once

#include <vector>

#include "arrangement.hpp"

namespace heart {

// The edges of each chain, from its branching out; its free end, where that is, and its length.
struct Chains {
    Rows edges{{0}, {}};
    std::vector<int> loose;
    std::vector<P> place;
    std::vector<double> length;

    int count() const { return static_cast<int>(loose.size()); }
    void add(std::vector<int> own, int vertex, P at, double size);
};

// Runs of edges, up to `longest` mm, from a branching to a free end; free-standing ones are left alone.
// `held` tells which vertices lie on the inside of some edge.
Chains hanging_chains(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices,
                      double longest, const Flags& held);

// Runs of whole pieces, up to `longest` mm, that hang by one end, whatever they cross on their way. A run that ends
// just behind what it crosses is no dead end: it ran past a corner. Vertices are the labels of ends.
Chains hanging_pieces(const Near& near, const EndState& state, double longest);

// Connected groups of edges that bound nothing, each with whether nothing else touches it.
struct OpenGroups {
    Rows edges{{0}, {}};
    Flags free;
};
OpenGroups open_groups(const std::vector<int>& tail, const std::vector<int>& head, int vertices);

}  // namespace heart
