// Ends that should meet: which belong together, and where they meet.
//
// Glossary: settled ends at one place are one *node*; an open end is a node of its own. An open end looks for partners
// within the gap tolerance: other nodes first, then the inside of a curve. Ends that belong together form a *joint*.
//
// Along its own carrier a joint may take an end by the whole gap tolerance, sideways by half of it. Two open ends meet
// where their carriers meet, or touch, if both can go there, so that corners stay sharp, tangents true and arcs on
// their circles; else in the middle. Cost: n log n for the neighbours, then linear in the open ends; in a crowd that is
// wider than the gap, the pairs of its ends that lie within it: in which order they go together hangs on all of them.
#pragma once

#include <vector>

#include "ends.hpp"

namespace heart {

// What `syntaxa.mend.joints.Joints` holds, one by one.
struct Joint {
    P place;
    double gap = 0, side = 0, along = 0;
    int inside = -1;
    double share = 0;
    bool bridge = false;
    double bulge = 0;
};

struct Joints {
    std::vector<Joint> all;
    Rows ends{{0}, {}};

    int count() const { return static_cast<int>(all.size()); }
    int lead(int joint) const { return *ends.begin(joint); }
    void add(const Joint& joint, const int* begin, const int* end);
    void add(const Joints& others);
};

// How far an end goes to a place: off its carrier, and along it (mm, below 0 where it shortens).
struct Travel {
    double side, along;
};
Travel travel(const Pieces& curves, int end, P place);

// All joints within the gap tolerance.
Joints find_joints(const Near& near, const EndState& state, double gap);

// The joints with how far each takes anything sideways and along.
void measure(const Near& near, Joints& joints);

// The pieces with their ends drawn to the joints; `order` sorts the pieces of one owner.
struct Joined {
    Near near;
    std::vector<double> order;
};
Joined joined(const Near& near, const std::vector<double>& order, const Joints& joints);

}  // namespace heart
