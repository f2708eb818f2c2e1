#include "throngs.hpp"

#include <algorithm>
#include <tuple>

namespace heart {

namespace {

// Open ends from which a crowd is one; fewer are as quickly put together pair by pair.
constexpr int MANY = 16;

// Ends that may belong to a throng, and what is near them: where very many open ends lie side by side in the row.
std::vector<int> side_by_side(const Near& near, const EndState& state, double reach) {
    const Row& row = near.row();
    std::vector<int> found;
    std::vector<size_t> open;
    for (size_t k = 0; k < row.size(); ++k)
        if (state.open(row[k].number)) open.push_back(k);
    size_t next = 0;
    for (size_t k = 0; k + MANY <= open.size(); ++k) {
        double first = row[open[k]].at, last = row[open[k + MANY - 1]].at;
        if (last - first > reach) continue;
        // Others of it may lie in front of these or behind them, what is near it before and beyond those.
        while (next < row.size() && row[next].at < last - 2 * reach) ++next;
        for (; next < row.size() && row[next].at <= first + 2 * reach; ++next) found.push_back(row[next].number);
    }
    return found;
}

// Ends in the order of their distance from a place, whatever the order in which their curves came.
void sort_from(P centre, const Near& near, std::vector<int>& ends) {
    auto key = [&](int e) { return std::make_tuple(norm(near.end(e) - centre), near.end(e).x, near.end(e).y, e); };
    std::sort(ends.begin(), ends.end(), [&](int one, int other) { return key(one) < key(other); });
}

}  // namespace

std::vector<std::vector<int>> throngs(const Near& near, const EndState& state, double gap) {
    std::vector<int> ends = side_by_side(near, state, gap + SLACK);
    std::vector<P> places;
    for (int e : ends) places.push_back(near.end(e));
    std::vector<std::vector<int>> found;
    if (ends.empty()) return found;
    Labels labels = clusters(places, in_a_row(places), gap + SLACK);
    Rows crowds = grouped(labels.of, labels.count);
    for (int crowd = 0; crowd < labels.count; ++crowd) {
        std::vector<int> own;
        std::vector<P> at;
        for (const int* k = crowds.begin(crowd); k != crowds.end(crowd); ++k)
            own.push_back(ends[*k]), at.push_back(places[*k]);
        if (std::count_if(own.begin(), own.end(), [&](int e) { return state.open(e); }) < MANY) continue;
        Circle circle = smallest_circle(at);
        if (circle.radius > gap / 2 + SLACK) continue;
        sort_from(circle.centre, near, own);
        found.push_back(std::move(own));
    }
    return found;
}

}  // namespace heart
