// Points of the plane and the few small numbers that stand for rounding.
#pragma once

#include <cmath>

namespace heart {

constexpr double PI = 3.141592653589793238462643383279502884;
constexpr double TURN = 2 * PI;

// Keeps a division from being one by nought; no length or area that means anything is so small.
constexpr double NOUGHT = 1e-300;
// What rounding leaves between two places (mm), or between two parameters or angles, that are one.
constexpr double ROUNDING = 1e-9;
// The same where hardly anything was computed.
constexpr double HAIR = 1e-12;

struct P {
    double x = 0, y = 0;

    bool operator==(const P& o) const { return x == o.x && y == o.y; }
    bool operator!=(const P& o) const { return !(*this == o); }
};

inline P operator+(P a, P b) { return {a.x + b.x, a.y + b.y}; }
inline P operator-(P a, P b) { return {a.x - b.x, a.y - b.y}; }
inline P operator*(P a, double f) { return {a.x * f, a.y * f}; }
inline P operator-(P a) { return {-a.x, -a.y}; }

inline double dot(P a, P b) { return a.x * b.x + a.y * b.y; }
// Positive where b is to the left of a.
inline double cross(P a, P b) { return a.x * b.y - a.y * b.x; }
inline double norm(P a) { return std::sqrt(a.x * a.x + a.y * a.y); }
inline P along(P base, P direction, double by) { return base + direction * by; }
inline P middle(P a, P b) { return {(a.x + b.x) / 2, (a.y + b.y) / 2}; }

const P NOWHERE{std::nan(""), std::nan("")};
inline bool known(P a) { return !std::isnan(a.x); }

// An angle in 0 .. one turn.
inline double turned(double angle) {
    double left = std::fmod(angle, TURN);
    return left < 0 ? left + TURN : left;
}

// What is no number would upset every sorting.
inline double sortable(double value) { return std::isnan(value) ? 0.0 : value; }

inline double clip(double value, double low, double high) { return value < low ? low : value > high ? high : value; }

}  // namespace heart
