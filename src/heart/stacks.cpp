#include "stacks.hpp"

#include <algorithm>

namespace heart {

namespace {

// Where a piece lies along a longer one that it shares the carrier with, in shares of that.
struct Interval {
    double low, high;
};

Interval along_of(const Piece& target, double target_length, const Piece& source, double source_length) {
    double at = target.share_of(source.point_at(0.5)), half = source_length / 2 / std::max(target_length, NOUGHT);
    return {at - half, at + half};
}

double lap_of(const Piece& arc) { return TURN / std::max(std::fabs(arc.sweep), NOUGHT); }

// Length that both cover, measured along the longer.
double shared_length(const Piece& longer, double length, const Piece& shorter, double shorter_length) {
    auto [low, high] = along_of(longer, length, shorter, shorter_length);
    auto within = [](double a, double b) { return std::max(0.0, std::min(b, 1.0) - std::max(a, 0.0)); };
    double total = within(low, high);
    if (longer.is_arc) {
        // On a circle the shorter may reach the longer from either side.
        double lap = lap_of(longer);
        total += within(low - lap, high - lap) + within(low + lap, high + lap);
    }
    return total * length;
}

bool lies_on(const Piece& longer, const Piece& shorter, double tolerance) {
    // The middle tells most apart.
    for (double share : {0.5, 0.0, 1.0}) {
        P point = shorter.point_at(share);
        if (norm(point - longer.point_at(longer.share_of(point))) > tolerance) return false;
    }
    return true;
}

// The union of overlapping intervals on a circle, the first one kept in place; false where it is all of the circle.
bool united(const std::vector<Interval>& parts, double lap, double slack, Interval& all) {
    all = parts[0];
    for (bool grown = true; grown;) {
        grown = false;
        for (const Interval& part : parts)
            for (double by : {-lap, 0.0, lap}) {
                double x = part.low + by, y = part.high + by;
                bool touches = x <= all.high + slack && y >= all.low - slack;
                if (!touches || (x >= all.low - slack && y <= all.high + slack)) continue;
                all = {std::min(all.low, x), std::max(all.high, y)}, grown = true;
                if (all.high - all.low >= lap - slack) return false;
            }
    }
    return true;
}

Stack spread(const Near& near, const int* begin, const int* end, double tolerance) {
    const Piece& keeper = near.curves[*begin];
    double length = near.lengths()[*begin];
    std::vector<Interval> parts;
    bool alike = true;
    for (const int* m = begin; m != end; ++m) {
        double own = near.lengths()[*m];
        parts.push_back(along_of(keeper, length, near.curves[*m], own));
        alike &= std::fabs(own - length) <= 1e-6 * std::max(1.0, own);
    }
    Interval all = parts[0];
    Stack stack;
    if (keeper.is_arc) {
        stack.whole = !united(parts, TURN / std::fabs(keeper.sweep), tolerance / length, all);
        if (stack.whole) all = {0, 1};
    } else {
        for (const Interval& part : parts) all = {std::min(all.low, part.low), std::max(all.high, part.high)};
    }
    stack.low = all.low, stack.high = all.high;
    stack.alike = alike && !stack.whole && all.low >= -ROUNDING && all.high <= 1 + ROUNDING;
    return stack;
}

// Keepers grown over all of their stack, of those that grow: where each comes from, and the pieces. One that comes to
// more than half a turn gives two pieces, the second halves behind all first ones.
struct Grown {
    std::vector<int> source;
    Pieces pieces;
    size_t firsts = 0;
};

Grown stretched(const Pieces& curves, const Stacks& found, const std::vector<int>& chosen) {
    Grown grown, halves;
    for (int k : chosen) {
        const Stack& stack = found.all[k];
        int source = *found.members.begin(k);
        const Piece& keeper = curves[source];
        double size = std::fabs(keeper.sweep);
        double low = stack.whole ? 0 : std::min(stack.low, 0.0),
               high = stack.whole ? lap_of(keeper) : std::max(stack.high, 1.0);
        if (!stack.whole && (high - low - 1) * keeper.length() <= ROUNDING) continue;
        bool halved = stack.whole || size * (high - low) > PI + ROUNDING;
        double half = halved ? (low + high) / 2 : high;
        P start = low == 0 ? keeper.start : keeper.point_at(low),
          between = half == 1 ? keeper.end : keeper.point_at(half);
        auto piece = [&](P a, P b, double share) {
            return Piece::from_bulge(a, b, std::tan(keeper.sweep * share / 4), keeper.owner);
        };
        grown.source.push_back(source), grown.pieces.push_back(piece(start, between, half - low));
        if (!halved) continue;
        // A whole circle ends where it begins, to the bit.
        P stop = stack.whole ? start : high == 1 ? keeper.end : keeper.point_at(high);
        halves.source.push_back(source), halves.pieces.push_back(piece(between, stop, high - half));
    }
    grown.firsts = grown.source.size();
    grown.source.insert(grown.source.end(), halves.source.begin(), halves.source.end());
    grown.pieces.insert(grown.pieces.end(), halves.pieces.begin(), halves.pieces.end());
    return grown;
}

}  // namespace

Stacks stacks(const Near& near, double tolerance) {
    const auto& lengths = near.lengths();
    Links links(near.count());
    std::vector<int> members;
    for (auto [i, j] : near.pairs()) {
        if (near.curves[i].is_arc != near.curves[j].is_arc) continue;
        if (lengths[j] > lengths[i]) std::swap(i, j);
        const Piece &longer = near.curves[i], &shorter = near.curves[j];
        if (!lies_on(longer, shorter, tolerance)) continue;
        if (shared_length(longer, lengths[i], shorter, lengths[j]) <= std::max(10 * tolerance, ROUNDING)) continue;
        links.link(i, j);
        members.insert(members.end(), {i, j});
    }
    std::sort(members.begin(), members.end(), [&](int a, int b) {
        int one = links.lead(a), other = links.lead(b);
        if (one != other) return one < other;
        return lengths[a] != lengths[b] ? lengths[a] > lengths[b] : a < b;
    });
    members.erase(std::unique(members.begin(), members.end()), members.end());
    Stacks found;
    for (size_t begin = 0, end; begin < members.size(); begin = end) {
        for (end = begin; end < members.size() && links.lead(members[end]) == links.lead(members[begin]); ++end) {
        }
        found.all.push_back(spread(near, &members[begin], &members[begin] + (end - begin), tolerance));
        found.members.first.push_back(static_cast<int>(end));
    }
    found.members.entries = std::move(members);
    return found;
}

Joined unstacked(const Near& near, const std::vector<double>& order, const Stacks& found,
                 const std::vector<int>& chosen, const std::vector<int>& other) {
    Flags gone(near.count(), 0);
    for (int member : found.members.entries) gone[member] = 1;
    for (size_t k = 0; k < found.all.size(); ++k) gone[*found.members.begin(static_cast<int>(k))] = 0;
    for (int k : other) gone[found.members.begin(k)[0]] = 1, gone[found.members.begin(k)[1]] = 0;
    Grown grown = stretched(near.curves, found, chosen);
    for (int k : grown.source) gone[k] = 1;
    std::vector<int> keep;
    std::vector<double> orders;
    for (int k = 0; k < near.count(); ++k)
        if (!gone[k]) keep.push_back(k), orders.push_back(order[k]);
    // The second half of a keeper follows the first.
    for (size_t k = 0; k < grown.source.size(); ++k)
        orders.push_back(order[grown.source[k]] + (k < grown.firsts ? 0 : 1.0 / 1024));
    return {near.changed(keep, grown.pieces), std::move(orders)};
}

}  // namespace heart
