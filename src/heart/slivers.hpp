// Faces thinner than the tolerance: the space between two runs of the same line, drawn twice and not quite alike.
//
// A thin face is closed by taking away one of its edges, one that lies within the tolerance of the rest of the face all
// along. The face next to it takes its place, nothing that stays is moved.
// Cost: n log n in the edges of thin faces for each round; a round looks only where the one before took something.
#pragma once

#include <functional>
#include <memory>
#include <vector>

#include "arrangement.hpp"

namespace heart {

// An edge that runs beside others of a face, and the widest space between.
struct Twin {
    int edge;
    double width;
    std::shared_ptr<const std::vector<int>> face;

    std::vector<int> beside() const;
};

// Which edges go (m,) so that every face thinner than the tolerance has lost one. `total` is the length
// of each owner: of two edges that could go, that of the shorter curve goes. `accept` is asked for each; an edge that
// it refuses stays.
Flags thin_edges(const Edges& edges, double tolerance, const std::vector<double>& total,
                 const std::function<bool(const Twin&)>& accept);

}  // namespace heart
