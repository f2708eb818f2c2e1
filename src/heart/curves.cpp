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

double Piece::signed_area(P origin) const {
    double triangle = 0.5 * cross(start - origin, end - origin);
    if (!is_arc) return triangle;
    double size = std::fabs(sweep), square = 0.5 * radius * radius;
    // sin(x) ~ x cancels for shallow arcs; the series is exact to double precision there.
    double segment = size < 1e-3 ? square * size * size * size / 6 * (1 - size * size / 20) : square * (size - std::sin(size));
    return triangle + std::copysign(segment, sweep);
}

}  // namespace heart
