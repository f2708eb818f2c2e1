// Curves that lie on each other: duplicates and overlaps on one line or one circle.
//
// Glossary: pieces whose carriers agree within the merge tolerance and that share some length form a *stack*; it is
// replaced by its longest piece (the *keeper*), stretched along the carrier to cover all of it.
#pragma once

#include <vector>

#include "near.hpp"

namespace heart {

// What `syntaxa.mend.overlaps.Stacks` holds, one by one.
struct Stack {
    double low = 0, high = 1;
    bool whole = false, alike = false;
};

struct Stacks {
    std::vector<Stack> all;
    Rows members{{0}, {}};
};

Stacks stacks(const Near& near, double tolerance);

// Keepers grown over all of their stack: where each comes from, and the pieces; of those that grow. One that comes to more
// than half a turn gives two pieces, the second halves behind all first ones.
struct Grown {
    std::vector<int> source;
    Pieces pieces;
};
Grown stretched(const Pieces& curves, const Stacks& found, const std::vector<int>& chosen);

}  // namespace heart
