#include "curves.hpp"

#include <algorithm>

namespace heart {

Piece Piece::from_bulge(P start, P end, double bulge, int64_t owner) {
    Piece piece;
    piece.start = start, piece.end = end, piece.owner = owner;
    P chord = end - start;
    piece.is_arc = std::fabs(bulge) * norm(chord) > 2 * FLAT_SAGITTA;
    if (!piece.is_arc) return piece;
    piece.bulge = bulge;
    double lift = (1 - bulge * bulge) / (4 * bulge);
    piece.centre = middle(start, end) + P{-chord.y * lift, chord.x * lift};
    P spoke = start - piece.centre;
    piece.radius = std::hypot(spoke.x, spoke.y);
    piece.start_angle = std::atan2(spoke.y, spoke.x);
    piece.sweep = 4 * std::atan(bulge);
    return piece;
}

P Piece::point_at(double share) const {
    if (!is_arc) return along(start, end - start, share);
    double angle = start_angle + sweep * share;
    return along(centre, P{std::cos(angle), std::sin(angle)}, radius);
}

P Piece::tangent_at(double share) const {
    if (is_arc) {
        double angle = start_angle + sweep * share, sign = sweep < 0 ? -1.0 : 1.0;
        return {-std::sin(angle) * sign, std::cos(angle) * sign};
    }
    P chord = end - start;
    double size = std::max(norm(chord), NOUGHT);
    return {chord.x / size, chord.y / size};
}

Box Piece::bounds() const {
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

double Piece::share_of(P point) const {
    if (!is_arc) {
        P chord = end - start;
        return dot(point - start, chord) / std::max(dot(chord, chord), NOUGHT);
    }
    P spoke = point - centre;
    double size = std::fabs(sweep);
    double way = turned((std::atan2(spoke.y, spoke.x) - start_angle) * (sweep < 0 ? -1.0 : 1.0));
    return (way > PI + size / 2 ? way - TURN : way) / size;
}

double Piece::signed_area(P origin) const {
    double triangle = 0.5 * cross(start - origin, end - origin);
    if (!is_arc) return triangle;
    double size = std::fabs(sweep), square = 0.5 * radius * radius;
    // sin(x) ~ x cancels for shallow arcs; the series is exact to double precision there.
    double segment = size < 1e-3 ? square * size * size * size / 6 * (1 - size * size / 20) : square * (size - std::sin(size));
    return triangle + std::copysign(segment, sweep);
}

}  // namespace heart
