// The planar arrangement of lines and true arcs: vertices, edges, half-edges and faces.
//
// Glossary: a *vertex* is a place where ends meet or pieces cross; an *edge* is what lies between two vertices of a
// piece that follow each other; half-edge 2k runs along edge k, 2k + 1 against it; half-edges that follow each other
// with the same face on their left form a *cycle*; a *bridge* is an edge with the same face on both sides. Cost: n log
// n in the pieces plus their crossings.
#pragma once

#include <vector>

#include "ends.hpp"

namespace heart {

struct Edges {
    Pieces curves;
    std::vector<int> tail, head, piece;
    std::vector<double> low, high;
    std::vector<P> vertices;

    int count() const { return static_cast<int>(tail.size()); }
    void add(const Piece& curve, int from, int to, int of, double begin, double end);
    Edges taken(const std::vector<int>& index) const;
    // Number of edge ends at each vertex.
    std::vector<int> degrees() const;
};

// Edges between places (owner, share of it, vertex) that follow each other along a piece.
Edges edges_between(const Pieces& curves, const std::vector<int>& owner, const std::vector<double>& share,
                    const std::vector<int>& label, std::vector<P> vertices);

// Where two pieces pass through each other, and the vertex there.
struct Crossing {
    int first, second;
    P point;
    int vertex;
};

struct Split {
    Edges edges;
    std::vector<Crossing> crossings;
};

// All pieces cut where they meet, ends that agree made one vertex; twins dropped.
Split split_at_contacts(const Near& near);

// Which edges bound nothing.
Flags bridges(const std::vector<int>& tail, const std::vector<int>& head, int vertices);

struct Cycles {
    std::vector<int> following, label;
    // Positive for outer contours of faces, negative round the outside of what hangs together.
    std::vector<double> area, perimeter;

    int count() const { return static_cast<int>(area.size()); }
};

Cycles cycles_of(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices);

// The half-edges of each cycle in order, from its lowest one on.
Rows walks(const Cycles& cycles);

// The pieces, cut down to what the edges cover of them; `less` is false where that is all of them, or no end is open.
struct Left {
    bool less = false;
    Near near;
    std::vector<double> order;
};
Left what_is_left(const Near& near, const std::vector<double>& order, const Edges& edges);

}  // namespace heart
