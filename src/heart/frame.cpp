#include "frame.hpp"

#include <array>

namespace heart {

namespace {

// Pieces up to which it does not matter how their boxes lie.
constexpr size_t FEW = 200;
// Directions that are told apart, of a quarter of a turn.
constexpr int WAYS = 90;
// Share of the area of all boxes to which a frame must bring it.
constexpr double SMALLER = 0.25;

// Area of the box round a line in a frame along a direction (of length one).
double area(const Piece& line, P along) {
    P chord = line.end - line.start;
    return std::fabs(dot(along, chord) * cross(along, chord));
}

}  // namespace

Frame Frame::of(const Pieces& pieces) {
    Frame frame;
    if (pieces.size() <= FEW) return frame;
    std::array<double, WAYS> running{};
    std::array<const Piece*, WAYS> largest{};
    double before = 0, after = 0;
    for (const Piece& piece : pieces) {
        double own = piece.is_arc ? 0 : area(piece, frame.along_);
        if (!(own > 0)) continue;
        P chord = piece.end - piece.start;
        int way = static_cast<int>(std::fmod(turned(std::atan2(chord.y, chord.x)), PI / 2) / (PI / 2) * WAYS) % WAYS;
        if (!largest[way] || own > area(*largest[way], frame.along_)) largest[way] = &piece;
        running[way] += own, before += own;
    }
    int way = static_cast<int>(std::max_element(running.begin(), running.end()) - running.begin());
    if (!largest[way]) return frame;
    P along = largest[way]->tangent_at(0);
    for (const Piece& piece : pieces)
        if (!piece.is_arc) after += area(piece, along);
    if (after < SMALLER * before) frame.along_ = along, frame.turned_ = true;
    return frame;
}

Box Frame::box(const Piece& piece) const {
    if (!turned_) return piece.bounds();
    Piece laid = piece;
    laid.start = into(piece.start), laid.end = into(piece.end), laid.centre = into(piece.centre);
    laid.start_angle -= std::atan2(along_.y, along_.x);
    return laid.bounds();
}

std::vector<Box> Frame::boxes(const Pieces& pieces, double margin) const {
    std::vector<Box> found;
    found.reserve(pieces.size());
    for (const Piece& piece : pieces) found.push_back(box(piece).grown(margin / 2));
    return found;
}

}  // namespace heart
