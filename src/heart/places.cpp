#include "places.hpp"

#include <algorithm>

namespace heart {

namespace {

// Radians; where carriers meet at less than this, a hair's breadth sideways moves their crossing far along.
constexpr double FLAT = 0.05;
// Share of its length by which a piece may be shortened.
constexpr double SHORTER = 0.45;
// mm; arcs whose centres and radii differ by less are of one circle.
constexpr double ONE_CIRCLE = 1e-7;

// Where a line and a circle touch or miss each other by a little, half way between the two.
P line_touches(const Piece& line, const Piece& arc) {
    P way = line.end - line.start, unit = way * (1 / std::max(norm(way), NOUGHT));
    P foot = along(line.start, unit, dot(arc.centre - line.start, unit)), spoke = foot - arc.centre;
    double far = norm(spoke);
    return far > 0 ? middle(foot, along(arc.centre, spoke, arc.radius / far)) : NOWHERE;
}

// The same for two circles, on the line of their centres: circles beside each other touch between, one in the other
// beyond the smaller.
P circles_touch(const Piece& one, const Piece& other) {
    P between = other.centre - one.centre;
    double apart = norm(between), r = one.radius, s = other.radius;
    if (!(apart > 1e-3 * std::min(r, s))) return NOWHERE;
    bool beside = std::fabs(apart - (r + s)) < std::fabs(apart - std::fabs(r - s));
    double at_one = beside || r > s ? r : -r;
    double at_other = beside ? apart - s : r > s ? apart + s : apart - s;
    return along(one.centre, between * (1 / apart), (at_one + at_other) / 2);
}

// Where two pieces touch; NOWHERE for two lines and for circles about one centre.
P touching_place(const Piece& one, const Piece& other) {
    if (one.is_arc && other.is_arc) return circles_touch(one, other);
    if (one.is_arc) return line_touches(other, one);
    if (other.is_arc) return line_touches(one, other);
    return NOWHERE;
}

}  // namespace

Travel travel(const Pieces& curves, int end, P place) {
    const Piece& own = curves[end / 2];
    double share = own.share_of(place), along = (end % 2 ? share - 1 : -share) * own.length();
    if (!own.is_arc) {
        P chord = own.end - own.start;
        return {std::fabs(cross(place - own.start, chord)) / std::max(norm(chord), NOUGHT), along};
    }
    double side = std::fabs(norm(place - own.centre) - own.radius);
    double away = norm(place - end_of(curves, end)), straight = std::sqrt(std::max(away * away - side * side, 0.0));
    // Off a small circle, a step is not as long as the arc that it spans from the centre.
    if (side > TANGENT && std::fabs(along) > straight) along = std::copysign(straight, along);
    return {side, along};
}

bool may_go(const Near& near, int end, P place, double gap) {
    auto [side, along] = travel(near.curves, end, place);
    return side <= gap / 2 + SLACK && std::fabs(along) <= gap + SLACK && along >= -SHORTER * near.lengths()[end / 2];
}

bool share_circle(const Piece& one, const Piece& other) {
    return one.is_arc && other.is_arc && std::fabs(one.radius - other.radius) <= ONE_CIRCLE &&
           norm(one.centre - other.centre) <= ONE_CIRCLE;
}

P met(const Near& near, int one, int other, double gap) {
    const Piece &i = near.curves[one / 2], &j = near.curves[other / 2];
    P here = near.end(one), there = near.end(other), place = middle(here, there);
    if (share_circle(i, j)) place = i.point_at(i.share_of(place));
    if (one / 2 == other / 2) return place;
    auto both_may = [&](P to) { return may_go(near, one, to, gap) && may_go(near, other, to, gap); };
    P out = leaving(near.curves, one), back = leaving(near.curves, other);
    double best = INF, most = (std::fabs(cross(out, back)) < FLAT ? gap / 2 : gap) + SLACK;
    for (P crossing : carrier_crossings(i, j, TANGENT)) {
        if (!known(crossing)) continue;
        double away = std::max(norm(crossing - here), norm(crossing - there));
        if (away < best && away <= most && both_may(crossing)) place = crossing, best = away;
    }
    if (dot(out, back) < -std::cos(SHALLOW)) {
        P touch = touching_place(i, j);
        if (known(touch) && both_may(touch)) place = touch;
    }
    return place;
}

Joint met_inside(const Near& near, int end, const Passing& target, double gap) {
    const Piece& across = near.curves[target.piece];
    P here = near.end(end), foot = across.point_at(target.share);
    // The foot is the nearest place on the target; what lies there straight ahead is reached along the carrier.
    bool reached = target.distance <= gap / 2 + SLACK || may_go(near, end, foot, gap);
    Joint joint{reached ? foot : middle(here, foot), target.distance};
    joint.inside = target.piece, joint.share = target.share;
    bool flat = std::fabs(cross(leaving(near.curves, end), across.tangent_at(target.share))) < SHALLOW;
    double best = INF, most = (flat ? gap / 2 : gap) + SLACK;
    for (P crossing : carrier_crossings(near.curves[end / 2], across, TANGENT)) {
        if (!known(crossing)) continue;
        double where = across.share_of(crossing), away = norm(crossing - here);
        if (away >= best || away > most || where < 0 || where > 1 || !may_go(near, end, crossing, gap)) continue;
        joint.place = crossing, joint.share = where, best = away;
    }
    return joint;
}

}  // namespace heart
