#include "meeting.hpp"

#include <algorithm>

namespace heart {

namespace {

P line_line(const Piece& one, const Piece& other) {
    P path = one.end - one.start, beside = other.end - other.start;
    double product = cross(path, beside);
    if (std::fabs(product) <= HAIR * norm(path) * norm(beside)) return NOWHERE;
    return along(one.start, path, cross(other.start - one.start, beside) / product);
}

// Half the chord from its square; 0 where the carriers only touch, nan where they miss.
double half_chord(double square, bool touching) {
    return touching ? 0.0 : square >= 0 ? std::sqrt(square) : std::nan("");
}

std::array<P, 2> both_sides(P foot, P way, double half) {
    if (half == 0) return {foot, NOWHERE};
    return {foot - way * half, foot + way * half};
}

std::array<P, 2> line_arc(const Piece& line, const Piece& arc, double tolerance) {
    P path = line.end - line.start, unit = path * (1 / std::max(norm(path), NOUGHT));
    P to_centre = arc.centre - line.start;
    P foot = along(line.start, unit, dot(to_centre, unit));
    double height = std::fabs(cross(unit, to_centre));
    bool touching = std::fabs(height - arc.radius) <= tolerance;
    return both_sides(foot, unit, half_chord(arc.radius * arc.radius - height * height, touching));
}

std::array<P, 2> arc_arc(const Piece& one, const Piece& other, double tolerance) {
    P between = other.centre - one.centre;
    double distance = norm(between), r = one.radius, s = other.radius;
    if (distance <= std::min(tolerance, 1e-3 * std::min(r, s))) return {NOWHERE, NOWHERE};
    P unit = between * (1 / distance);
    double ahead = (distance * distance + r * r - s * s) / (2 * distance);
    bool touching = std::fabs(distance - (r + s)) <= tolerance || std::fabs(distance - std::fabs(r - s)) <= tolerance;
    double half = half_chord(r * r - ahead * ahead, touching);
    P foot = along(one.centre, unit, touching ? std::copysign(r, ahead) : ahead);
    return both_sides(foot, {-unit.y, unit.x}, half);
}

struct Pass {
    const Pieces& curves;
    double tolerance;
    bool at_ends;
    std::vector<Contact>& found;

    void crossings(int i, int j) {
        const Piece &one = curves[i], &other = curves[j];
        auto places = carrier_crossings(one, other, tolerance);
        if (!known(places[0]) && !known(places[1])) return;
        double slack = tolerance / std::max(one.length(), NOUGHT), more = tolerance / std::max(other.length(), NOUGHT);
        for (P place : places) {
            if (!known(place)) continue;
            // A crossing at an end is told as that end's contact.
            bool through = true;
            for (P end : {one.start, one.end, other.start, other.end}) through &= norm(end - place) > 0.5 * tolerance;
            if (!through) continue;
            double share = one.share_of(place);
            if (!is_within(share, slack)) continue;
            double beyond = other.share_of(place);
            if (!is_within(beyond, more)) continue;
            found.push_back({i, j, place, -1, clip(share, 0, 1), clip(beyond, 0, 1)});
        }
    }

    bool on_end(P point, const Piece& of) const {
        return norm(point - of.start) <= tolerance || norm(point - of.end) <= tolerance;
    }

    void ends_on(int of, int on) {
        Box box = curves[on].bounds().grown(tolerance);
        for (int last : {0, 1}) {
            P point = curves[of].end_point(last);
            if (!box.holds(point) || (!at_ends && on_end(point, curves[on]))) continue;
            double share = clip(curves[on].share_of(point), 0.0, 1.0);
            if (norm(point - curves[on].point_at(share)) <= tolerance)
                found.push_back({of, on, point, last, static_cast<double>(last), share});
        }
    }
};

}  // namespace

std::array<P, 2> carrier_crossings(const Piece& one, const Piece& other, double tolerance) {
    if (one.is_arc && other.is_arc) return arc_arc(one, other, tolerance);
    if (one.is_arc) return line_arc(other, one, tolerance);
    if (other.is_arc) return line_arc(one, other, tolerance);
    return {line_line(one, other), NOWHERE};
}

void contacts(const Pieces& curves, const Pairs& pairs, double tolerance, bool at_ends, std::vector<Contact>& found) {
    Pass pass{curves, tolerance, at_ends, found};
    for (auto [i, j] : pairs) {
        pass.crossings(i, j);
        pass.ends_on(i, j);
        pass.ends_on(j, i);
    }
}

}  // namespace heart
