// How far lines and arcs lie from the nearest of others.
#pragma once

#include "boxes.hpp"
#include "frame.hpp"

namespace heart {

// Where a piece lies farthest from all others, as far as places on it were looked at: the share of its length and the
// distance; between these places it is farther by at most `more`.
struct Farthest {
    double share = 0, distance = 0, more = 0;
};

class Nearest {
public:
    explicit Nearest(Pieces pieces);

    // Places on the piece lie at most `step` mm apart, or a share 1 / `most` of its length where that is more; they are
    // looked at only where what lies between others is not known to be nearer. The distance is infinite where there is
    // nothing. Cost: log n a place.
    Farthest farthest(const Piece& of, double step, int most) const;

private:
    struct Found {
        int piece = -1;
        double distance = 0;
    };
    // A part of a piece, from one share to another, and what is nearest to both.
    struct Part {
        double low, high;
        Found at_low, at_high;
    };

    Found nearest(P point, int guess) const;
    double at_most(const Piece& of, const Part& part) const;

    const Pieces pieces_;
    const Frame frame_;
    const Tree tree_;
};

}  // namespace heart
