// Where lines and arcs meet. Tangency within the tolerance counts as one contact at the foot of the shortest distance.
#pragma once

#include <array>
#include <vector>

#include "boxes.hpp"
#include "curves.hpp"

namespace heart {

// The at most two points where the carriers of two pieces meet, NOWHERE where they do not.
std::array<P, 2> carrier_crossings(const Piece& one, const Piece& other, double tolerance);

// Pieces first and second meet at a point, which lies on both at these shares. `end` is the end of the first that lies
// on the second (0 its start, 1 its end), -1 where both pass through.
struct Contact {
    int first, second;
    P point;
    int end;
    double first_share, second_share;
};

// All places where two pieces of a pair meet within the tolerance, except along shared carriers; `at_ends` says whether
// ends that lie on an end are told: of those at one place there are as many as pairs.
void contacts(const Pieces& curves, const Pairs& pairs, double tolerance, bool at_ends, std::vector<Contact>& found);

}  // namespace heart
