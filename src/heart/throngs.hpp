// Very many ends that all lie within the gap tolerance of each other: a star whose spokes miss their centre.
#pragma once

#include <vector>

#include "ends.hpp"

namespace heart {

// Crowds of open ends that fit into the gap as a whole, each with all the ends among them, those nearest to its middle
// first. Nothing else is within the gap of them, and in whatever order they are put together, it is one group: none of
// their pairs is looked at. Cost: n log n.
std::vector<std::vector<int>> throngs(const Near& near, const EndState& state, double gap);

}  // namespace heart
