// Points in square cells so small that all of one cell are near each other: what hangs together in a crowd is found
// without looking at its pairs.
#pragma once

#include "groups.hpp"

namespace heart {

// Links points that are at most the radius apart. Cost: n log n, and the pairs of points in neighbouring cells of which
// none are linked.
void link_by_cells(const std::vector<P>& points, double radius, Links& links);

}  // namespace heart
