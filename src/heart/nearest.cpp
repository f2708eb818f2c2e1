#include "nearest.hpp"

#include "meeting.hpp"

namespace heart {

namespace {

// mm; what lies nearer than this lies there.
constexpr double THERE = ROUNDING;
// mm; so little more is not looked for.
constexpr double HARDLY = 1e-7;

// Share of a step at which it is given up to find where one piece goes on as another.
constexpr double FINER = 1.0 / 1024;

// Whether all places from one point to another on an arc about nearly the same centre lie beside a second arc.
bool spans(const Piece& arc, P from, P between, P to) {
    auto within = [&](P point) { return is_within(arc.share_of(point), THERE / arc.length()); };
    return within(from) && within(between) && within(to);
}

constexpr double NOTHING = std::numeric_limits<double>::infinity();

}  // namespace

// Begins at an end of either; or, with an arc, on the line from its centre to the nearest place on the other.
Way way_between(const Piece& one, const Piece& other) {
    // A piece without a length has no carrier.
    if (one.start != one.end && other.start != other.end)
        for (P place : carrier_crossings(one, other, 0))
            if (known(place) && is_within(one.share_of(place), HAIR) && is_within(other.share_of(place), HAIR))
                return {place, place, 0};
    Way best;
    auto shorter = [&](P from, P to) {
        double distance = norm(to - from);
        if (distance < best.distance) best = {from, to, distance};
    };
    for (int last : {0, 1}) shorter(one.end_point(last), other.nearest(one.end_point(last)));
    for (int last : {0, 1}) shorter(one.nearest(other.end_point(last)), other.end_point(last));
    if (one.is_arc) {
        P foot = other.nearest(one.centre);
        shorter(one.nearest(foot), foot);
    }
    if (other.is_arc) {
        P foot = one.nearest(other.centre);
        shorter(foot, other.nearest(foot));
    }
    return best;
}

Nearest::Nearest(Pieces pieces)
    : pieces_(std::move(pieces)), frame_(Frame::of(pieces_)), tree_(frame_.boxes(pieces_, 0)) {}

Nearest::Found Nearest::nearest(P point, int guess) const {
    Found best{guess, guess < 0 ? NOTHING : pieces_[guess].distance_to(point)};
    tree_.toward(
        Box::about(frame_.into(point), 0), [&] { return best.distance <= THERE ? -1 : best.distance; },
        [&](int piece) {
            double distance = pieces_[piece].distance_to(point);
            if (distance < best.distance) best = {piece, distance};
        });
    return best;
}

// How far a part of a piece may lie from the others. A place on it is no farther than either end and the way from
// there; and no part of a line is farther from another line than its ends are, for that distance is convex; nor one of
// an arc, beside another arc, than the radii and centres differ.
double Nearest::at_most(const Piece& of, const Part& part) const {
    P low = of.point_at(part.low), high = of.point_at(part.high);
    double most = (part.at_low.distance + part.at_high.distance + (part.high - part.low) * of.length()) / 2;
    for (int k : {part.at_low.piece, part.at_high.piece}) {
        if (k < 0) break;
        const Piece& near = pieces_[k];
        if (!of.is_arc && !near.is_arc)
            most = std::min(most, std::max(near.distance_to(low), near.distance_to(high)));
        else if (of.is_arc && near.is_arc) {
            double apart = norm(of.centre - near.centre);
            if (2 * apart < of.radius && spans(near, low, of.point_at((part.low + part.high) / 2), high))
                most = std::min(most, std::fabs(of.radius - near.radius) + apart + THERE);
        }
        if (part.at_low.piece == part.at_high.piece) break;
    }
    return most;
}

Farthest Nearest::farthest(const Piece& of, double step, int most) const {
    if (pieces_.empty()) return {0, NOTHING, 0};
    Found low = nearest(of.point_at(0), -1), high = nearest(of.point_at(1), low.piece);
    // What is no number is near nothing.
    if (low.piece < 0 || high.piece < 0) return {0, NOTHING, 0};
    Farthest far = high.distance > low.distance ? Farthest{1, high.distance} : Farthest{0, low.distance};
    double least = std::max(step / std::max(of.length(), NOUGHT), 1.0 / most), top = 0;
    std::vector<Part> parts{{0, 1, low, high}};
    while (!parts.empty()) {
        Part part = parts.back();
        parts.pop_back();
        double bound = at_most(of, part);
        double enough = part.at_low.piece == part.at_high.piece ? least : least * FINER;
        if (bound <= far.distance + HARDLY || part.high - part.low <= enough) {
            top = std::max(top, bound);
            continue;
        }
        double share = (part.low + part.high) / 2;
        Found between = nearest(of.point_at(share), part.at_low.piece);
        if (between.distance > far.distance) far.share = share, far.distance = between.distance;
        parts.push_back({share, part.high, between, part.at_high});
        parts.push_back({part.low, share, part.at_low, between});
    }
    far.more = std::max(0.0, top - far.distance);
    return far;
}

double Nearest::within(const Piece& of, double reach) const {
    double best = NOTHING;
    tree_.toward(
        frame_.box(of), [&] { return best == 0 ? -1 : std::min(best, reach); },
        [&](int piece) {
            double distance = way_between(of, pieces_[piece]).distance;
            if (distance <= reach) best = std::min(best, distance);
        });
    return best;
}

Way Nearest::shortest(const Pieces& of) const {
    Way best;
    for (const Piece& one : of)
        tree_.toward(
            frame_.box(one), [&] { return best.distance == 0 ? -1 : best.distance; },
            [&](int piece) {
                Way way = way_between(one, pieces_[piece]);
                if (way.distance < best.distance) best = way;
            });
    return best;
}

std::vector<Nearest::Beside> Nearest::beside(const std::vector<P>& points, double reach) const {
    std::vector<Beside> found;
    for (int k = 0; k < static_cast<int>(points.size()); ++k) {
        tree_.around(Box::about(frame_.into(points[k]), reach), [&](int piece) {
            double distance = pieces_[piece].distance_to(points[k]);
            if (distance <= reach) found.push_back({k, piece, distance});
        });
    }
    return found;
}

}  // namespace heart
