// Lines and arcs of at most half a turn: what `syntaxa.geometry.arrays.CurveArray` holds, one by one.
//
// Glossary: a *carrier* is the endless line or full circle that a piece lies on; *bulge* is the tangent of a quarter of
// the sweep; a *share* is a part of the length, outside 0..1 beyond an end. End 2k is the start of piece k, 2k + 1 its
// end.
#pragma once

#include <algorithm>
#include <cstdint>
#include <vector>

#include "plane.hpp"

namespace heart {

// mm; an arc that leaves its chord by less is a line.
constexpr double FLAT_SAGITTA = 1e-10;

struct Box {
    double low_x, low_y, high_x, high_y;

    bool touches(const Box& o) const {
        return low_x <= o.high_x && o.low_x <= high_x && low_y <= o.high_y && o.low_y <= high_y;
    }
    bool holds(P p) const { return low_x <= p.x && p.x <= high_x && low_y <= p.y && p.y <= high_y; }
    static Box about(P p, double reach) { return {p.x - reach, p.y - reach, p.x + reach, p.y + reach}; }
    // Distance of two boxes, 0 where they touch.
    double away_from(const Box& o) const {
        return norm(
            {std::max({low_x - o.high_x, 0.0, o.low_x - high_x}), std::max({low_y - o.high_y, 0.0, o.low_y - high_y})});
    }
    Box grown(double by) const { return {low_x - by, low_y - by, high_x + by, high_y + by}; }
};

// Whether a share of a length is one of a place on it, or beyond an end by no more than a slack.
inline bool is_within(double share, double slack) { return share >= -slack && share <= 1 + slack; }

struct Piece {
    P start, end;
    double bulge = 0;
    int64_t owner = 0;
    bool is_arc = false;
    P centre;
    double radius = 0, start_angle = 0, sweep = 0;

    static Piece from_bulge(P start, P end, double bulge, int64_t owner);

    double length() const { return is_arc ? radius * std::fabs(sweep) : norm(end - start); }
    P point_at(double share) const;
    // Unit direction of travel at a share of the length.
    P tangent_at(double share) const;
    Box bounds() const;
    // Share of the length at which the carrier comes nearest to a point; what is open of an arc's circle is shared
    // evenly between its ends.
    double share_of(P point) const;
    P nearest(P point) const { return point_at(clip(share_of(point), 0.0, 1.0)); }
    double distance_to(P point) const { return norm(point - nearest(point)); }
    // Contribution to the area of the loops that it bounds, about an origin (Green's theorem); exact.
    double signed_area(P origin) const;
    // The same for the first moments of these areas, about the origin.
    P signed_moment(P origin) const;
    P end_point(int last) const { return last ? end : start; }
};

inline P Piece::point_at(double share) const {
    if (!is_arc) return along(start, end - start, share);
    double angle = start_angle + sweep * share;
    return along(centre, P{std::cos(angle), std::sin(angle)}, radius);
}

inline P Piece::tangent_at(double share) const {
    if (is_arc) {
        double angle = start_angle + sweep * share, sign = sweep < 0 ? -1.0 : 1.0;
        return {-std::sin(angle) * sign, std::cos(angle) * sign};
    }
    P chord = end - start;
    double size = std::max(norm(chord), NOUGHT);
    return {chord.x / size, chord.y / size};
}

inline Box Piece::bounds() const {
    Box box{std::min(start.x, end.x), std::min(start.y, end.y), std::max(start.x, end.x), std::max(start.y, end.y)};
    if (!is_arc) return box;
    double first = sweep >= 0 ? start_angle : start_angle + sweep, size = std::fabs(sweep);
    constexpr P ways[] = {{1, 0}, {0, 1}, {-1, 0}, {0, -1}};
    for (int quarter = 0; quarter < 4; ++quarter) {
        if (turned(quarter * PI / 2 - first) > size) continue;
        P tip = centre + ways[quarter] * radius;
        box = {std::min(box.low_x, tip.x), std::min(box.low_y, tip.y), std::max(box.high_x, tip.x),
               std::max(box.high_y, tip.y)};
    }
    return box;
}

inline double Piece::share_of(P point) const {
    if (!is_arc) {
        P chord = end - start;
        return dot(point - start, chord) / std::max(dot(chord, chord), NOUGHT);
    }
    P spoke = point - centre;
    double size = std::fabs(sweep);
    double way = turned((std::atan2(spoke.y, spoke.x) - start_angle) * (sweep < 0 ? -1.0 : 1.0));
    return (way > PI + size / 2 ? way - TURN : way) / size;
}

using Pieces = std::vector<Piece>;

// About where they lie: far from the origin products would swallow differences.
P middle_of(const Pieces& curves);

inline P end_of(const Pieces& c, int end) { return c[end / 2].end_point(end % 2); }

// Direction in which a piece runs on beyond an end.
inline P leaving(const Pieces& c, int end) {
    double last = end % 2;
    return c[end / 2].tangent_at(last) * (2 * last - 1);
}

}  // namespace heart
