// Curves that lie on each other: duplicates and overlaps on one line or one circle.
//
// Glossary: pieces whose carriers agree within the merge tolerance and that share some length form a *stack*; it is
// replaced by its longest piece (the *keeper*), stretched along the carrier to cover all of it.
#pragma once

#include <vector>

#include "joints.hpp"

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

// The pieces with all stacks cut down to their keepers, those of the chosen ones grown; of the stacks in `other` the
// second member is kept instead.
Joined unstacked(const Near& near, const std::vector<double>& order, const Stacks& found,
                 const std::vector<int>& chosen, const std::vector<int>& other);

}  // namespace heart
