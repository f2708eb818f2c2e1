// Where ends may meet.
#pragma once

#include "joints.hpp"

namespace heart {

// mm; carriers that miss each other by less are meant to be tangent.
constexpr double TANGENT = 1e-6;

// Whether an end may be taken to a place.
bool may_go(const Near& near, int end, P place, double gap);

// Where two open ends meet: where they run on into each other, there where their carriers touch; else where their
// carriers cross; each if both ends may go there. Else in the middle.
P met(const Near& near, int one, int other, double gap);

// Whether two pieces are arcs of one circle.
bool share_circle(const Piece& one, const Piece& other);

// A joint of an end with the inside of a piece: where it would hit it, else at the foot, else half way there.
Joint met_inside(const Near& near, int end, const Passing& target, double gap);

}  // namespace heart
