// How boxes are laid round pieces: along the axes, or along lines that all run the same slanted way.
#pragma once

#include <vector>

#include "curves.hpp"

namespace heart {

// A turned system of axes about the origin. Of the lines of a hatch all boxes overlap, unless they lie along the lines.
class Frame {
public:
    // The frame in which the boxes round the pieces are by far smaller; along the axes where there is none.
    static Frame of(const Pieces& pieces);

    Box box(const Piece& piece) const;
    // The boxes of pieces; two of them touch where the pieces come within the margin of each other.
    std::vector<Box> boxes(const Pieces& pieces, double margin) const;
    P into(P point) const { return turned_ ? P{dot(along_, point), cross(along_, point)} : point; }

private:
    P along_{1, 0};
    bool turned_ = false;
};

}  // namespace heart
