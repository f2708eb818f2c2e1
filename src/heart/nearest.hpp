// How far lines and arcs lie from the nearest of others. Cost: log n a piece or place, and what is found.
#pragma once

#include <limits>

#include "boxes.hpp"
#include "frame.hpp"

namespace heart {

// Where a piece lies farthest from all others, as far as places on it were looked at: the share of its length and the
// distance; between these places it is farther by at most `more`.
struct Farthest {
    double share = 0, distance = 0, more = 0;
};

// The shortest way from a place on one piece to one on another; of no length where they meet; exact.
struct Way {
    P from, to;
    double distance = std::numeric_limits<double>::infinity();
};
Way way_between(const Piece& one, const Piece& other);

class Nearest {
public:
    struct Beside {
        int point, piece;
        double distance;
    };

    explicit Nearest(Pieces pieces);

    // Places on the piece lie at most `step` mm apart, or a share 1 / `most` of its length where that is more; they are
    // looked at only where what lies between others is not known to be nearer. The distance is infinite where there is
    // nothing.
    Farthest farthest(const Piece& of, double step, int most) const;
    // The least distance of a piece to any of these, infinite beyond the reach.
    double within(const Piece& of, double reach) const;
    // The shortest way from any of the pieces to any of these.
    Way shortest(const Pieces& of) const;
    // All pairs of a point and a piece that are at most the reach apart.
    std::vector<Beside> beside(const std::vector<P>& points, double reach) const;

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
