// The bounded faces of an arrangement, what lies in what, and what is told of each.
// Cost: n log n, and the crossings of a ray to the right for each group.
#pragma once

#include <vector>

#include "arrangement.hpp"

namespace heart {

// A crossing of a ray to the right, from a point, with a line or arc, and where it is.
struct Crossed {
    int ray, edge;
    double x;
};

// A piece that rises from low to high counts low and not high, so that a ray through a shared end counts once; an arc
// is taken as its rising and falling parts. Exact for lines and arcs.
std::vector<Crossed> crossed_edges(const Pieces& curves, const std::vector<P>& points);

// The faces of an arrangement without its bridges, and the outsides of what hangs together.
// `outer` and `outsides` are cycles, `component` is that of each cycle, `parent` the face that each outside lies in, or
// -1.
struct Faces {
    std::vector<int> outer, outsides, component, parent;
};

// The edges that are no bridges, their cycles, and the faces.
struct Core {
    std::vector<int> edges;
    Cycles cycles;
    Faces faces;
};
Core core_of(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices);

// What is told of the faces: their cycles (the outer one first), area, perimeter, centroid, box, the owners that bound
// each (rising), and how many faces it lies in.
struct Figures {
    Rows cycles, owners;
    std::vector<double> area, perimeter;
    std::vector<P> centroid;
    std::vector<Box> box;
    std::vector<int> depth;
};
Figures figures_of(const Pieces& curves, const Cycles& cycles, const Faces& faces);

}  // namespace heart
