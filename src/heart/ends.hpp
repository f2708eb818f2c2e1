// What is at each end of a piece, and what it may have been meant to meet.
//
// Glossary: an end is *settled* where another end or a curve already is; a *tail* is an end that has run across another
// curve just before; all others are *open*.
#pragma once

#include <limits>
#include <vector>

#include "near.hpp"

namespace heart {

// Radians; a curve crossed at less than this runs beside the end, it does not stop it.
constexpr double SHALLOW = 0.26;
// mm; a place nearer to a piece than this lies on it.
constexpr double ON = 1e-8;
// mm added to every limit, so that a gap of exactly the tolerance still closes.
constexpr double SLACK = 1e-9;
constexpr double INF = std::numeric_limits<double>::infinity();

using Flags = std::vector<char>;

struct EndState {
    Flags settled, tail;

    bool open(int end) const { return !settled[end] && !tail[end]; }
    std::vector<int> open_ends() const;
};

// What is at each end; a tail is at most `reach` mm long.
EndState end_states(const Near& near, double reach);

// Pieces of whole curves up to `longest` mm long in all, that touch no other end: of a curve of several pieces, those
// that are no longer for themselves.
std::vector<int> specks(const Near& near, double longest);

// Which pieces hang together, end to end, with nothing that has an open end or a tail.
Flags sound(const Near& near, const EndState& state);

// Pairs of a wanted end and another end within the limit; two wanted ends are told both ways.
std::vector<Close> end_pairs(const Near& near, const std::vector<int>& wanted, double limit);

// A piece that passes a point within a limit, between its ends; `share` is where on it.
struct Passing {
    int piece;
    double distance, share;
};

// Calls found(passing) for each piece that passes an end within the limit.
template <class Found>
void passing(const Near& near, int end, double limit, Found&& found) {
    P point = near.end(end);
    double reach = limit + SLACK;
    near.around(point, reach, [&](int piece) {
        if (piece == end / 2) return;
        double share = near.curves[piece].share_of(point);
        if (share <= 0 || share >= 1) return;
        double distance = norm(point - near.curves[piece].point_at(share));
        if (distance <= reach) found(Passing{piece, distance, share});
    });
}

// Distances (mm) from each open end, inf where there is nothing within the limit: to the nearest end or curve that it
// may have been meant to meet, and to the nearest that runs along beside it, to its left and to its right.
struct Partners {
    std::vector<int> ends;
    std::vector<double> to_partner, left, right;

    double& beside(size_t k, bool on_left) { return on_left ? left[k] : right[k]; }
};

// To other ends.
Partners nearest_ends(const Near& near, const EndState& state, double limit);
// Ends that are further off than `clear` are measured to the curves as well.
void nearest_curves(const Near& near, double limit, double clear, Partners& found);

}  // namespace heart
