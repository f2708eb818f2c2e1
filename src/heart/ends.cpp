#include "ends.hpp"

#include <algorithm>

namespace heart {

namespace {

// Radians; carriers that meet at less than this touch.
constexpr double TOUCHING = 1e-5;

// Ends at which another end or a curve already is.
Flags settled_ends(const Near& near) {
    const Labels& labels = near.labels();
    std::vector<int> at(labels.count, 0);
    for (int label : labels.of) ++at[label];
    Flags settled(labels.of.size(), 0);
    for (size_t e = 0; e < settled.size(); ++e) settled[e] = at[labels.of[e]] > 1;
    for (const Contact& met : near.contacts())
        if (met.end >= 0) settled[2 * met.first + met.end] = 1;
    return settled;
}

// Acute angle at which two pieces pass a point.
double angle_between(const Piece& one, const Piece& other, P point) {
    P a = one.tangent_at(clip(one.share_of(point), 0.0, 1.0)),
      b = other.tangent_at(clip(other.share_of(point), 0.0, 1.0));
    return std::asin(clip(std::fabs(cross(a, b)), 0.0, 1.0));
}

}  // namespace

std::vector<int> EndState::open_ends() const {
    std::vector<int> found;
    for (int e = 0; e < static_cast<int>(settled.size()); ++e)
        if (open(e)) found.push_back(e);
    return found;
}

EndState end_states(const Near& near, double reach) {
    const auto& lengths = near.lengths();
    int ends = 2 * near.count();
    EndState state{settled_ends(near), Flags(ends, 0)};
    auto ran_past = [&](int piece, double share) {
        for (int last : {0, 1}) {
            double away = (last ? 1 - share : share) * lengths[piece];
            if (away > 2 * near.merge && away <= std::min(reach, 0.45 * lengths[piece]))
                state.tail[2 * piece + last] = 1;
        }
    };
    for (const Contact& met : near.contacts()) {
        if (met.end >= 0) {
            // An end on the inside of a piece is a corner that the piece ran past, at any angle.
            ran_past(met.second, met.second_share);
            continue;
        }
        double angle = angle_between(near.curves[met.first], near.curves[met.second], met.point);
        if (angle <= SHALLOW && angle >= TOUCHING) continue;
        ran_past(met.first, met.first_share);
        ran_past(met.second, met.second_share);
    }
    for (int e = 0; e < ends; ++e) state.tail[e] = state.tail[e] && !state.settled[e];
    return state;
}

std::vector<int> specks(const Near& near, double longest) {
    int owners = 0;
    for (const Piece& piece : near.curves) owners = std::max(owners, static_cast<int>(piece.owner) + 1);
    std::vector<double> total(owners, 0);
    std::vector<int> parts(owners, 0), small;
    for (int k = 0; k < near.count(); ++k)
        total[near.curves[k].owner] += near.lengths()[k], ++parts[near.curves[k].owner];
    for (int k = 0; k < near.count(); ++k)
        if (total[near.curves[k].owner] <= longest) small.push_back(k);
    if (small.empty()) return small;
    Flags settled = settled_ends(near);
    small.erase(std::remove_if(small.begin(), small.end(),
                               [&](int k) {
                                   if (parts[near.curves[k].owner] > 1) return near.lengths()[k] > longest;
                                   return settled[2 * k] || settled[2 * k + 1];
                               }),
                small.end());
    return small;
}

Flags sound(const Near& near, const EndState& state) {
    const Labels& labels = near.labels();
    Links links(labels.count);
    for (int k = 0; k < near.count(); ++k) links.link(labels.of[2 * k], labels.of[2 * k + 1]);
    Flags broken(labels.count, 0);
    for (int e = 0; e < 2 * near.count(); ++e)
        if (!state.settled[e]) broken[links.lead(labels.of[e])] = 1;
    Flags whole(near.count());
    for (int k = 0; k < near.count(); ++k) whole[k] = !broken[links.lead(labels.of[2 * k])];
    return whole;
}

std::vector<Close> end_pairs(const Near& near, const std::vector<int>& wanted, double limit) {
    auto found = pairs_within(near.ends(), near.row(), wanted, limit + SLACK);
    const auto& lengths = near.lengths();
    found.erase(std::remove_if(
                    found.begin(), found.end(),
                    [&](const Close& c) { return c.wanted / 2 == c.other / 2 && lengths[c.wanted / 2] <= 4 * limit; }),
                found.end());
    return found;
}

Partners nearest_ends(const Near& near, const EndState& state, double limit) {
    Partners found;
    found.ends = state.open_ends();
    size_t count = found.ends.size();
    found.to_partner.assign(count, INF), found.left.assign(count, INF), found.right.assign(count, INF);
    std::vector<int> number(2 * near.count(), -1);
    for (size_t k = 0; k < count; ++k) number[found.ends[k]] = static_cast<int>(k);
    for (auto [end, other, distance] : end_pairs(near, found.ends, limit)) {
        P out = leaving(near.curves, end), way = near.end(other) - near.end(end);
        bool one_way = dot(out, leaving(near.curves, other)) > std::cos(SHALLOW) && distance > near.merge;
        double aside = cross(out, way);
        size_t k = number[end];
        // Two that leave one way were never meant to meet: the lines of a hatch at the edge that they end at.
        double& nearest = one_way ? found.beside(k, aside > 0) : found.to_partner[k];
        if (!one_way)
            nearest = std::min(nearest, distance);
        else if (std::fabs(dot(way, out)) < 0.5 * distance)
            nearest = std::min(nearest, std::fabs(aside));
    }
    return found;
}

void nearest_curves(const Near& near, double limit, double clear, Partners& found) {
    for (size_t k = 0; k < found.ends.size(); ++k) {
        if (!(found.to_partner[k] > clear)) continue;
        P end = near.end(found.ends[k]), out = leaving(near.curves, found.ends[k]);
        passing(near, found.ends[k], std::min(found.to_partner[k], limit), [&](const Passing& met) {
            const Piece& piece = near.curves[met.piece];
            bool runs_along = std::fabs(cross(out, piece.tangent_at(met.share))) < std::sin(SHALLOW);
            bool on_left = cross(out, piece.point_at(met.share) - end) > 0;
            double& nearest = runs_along ? found.beside(k, on_left) : found.to_partner[k];
            nearest = std::min(nearest, met.distance);
        });
    }
}

}  // namespace heart
