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

namespace {

// Area between an arc and its chord. sin(x) ~ x cancels for shallow arcs; the series is exact to double precision
// there.
double segment_of(const Piece& arc) {
    double size = std::fabs(arc.sweep), square = 0.5 * arc.radius * arc.radius;
    return square * (size < 1e-3 ? size * size * size / 6 * (1 - size * size / 20) : size - std::sin(size));
}

}  // namespace

double Piece::signed_area(P origin) const {
    double triangle = 0.5 * cross(start - origin, end - origin);
    return is_arc ? triangle + std::copysign(segment_of(*this), sweep) : triangle;
}

// The chord's triangle and the segment beyond it, whose centroid lies 4 r sin^3(a/2) / (3 (a - sin a)) from the centre
// (any handbook of plane areas).
P Piece::signed_moment(P origin) const {
    P a = start - origin, b = end - origin, triangle = (a + b) * (cross(a, b) / 6);
    if (!is_arc) return triangle;
    double half = std::sin(std::fabs(sweep) / 2), lever = 2.0 / 3.0 * radius * radius * radius * half * half * half;
    double top = start_angle + sweep / 2;
    P segment = P{std::cos(top), std::sin(top)} * lever + (centre - origin) * segment_of(*this);
    return triangle + segment * (sweep < 0 ? -1.0 : 1.0);
}

P middle_of(const Pieces& curves) {
    P middle;
    for (const Piece& piece : curves) middle = middle + piece.start * (1.0 / static_cast<double>(curves.size()));
    return middle;
}

}  // namespace heart
