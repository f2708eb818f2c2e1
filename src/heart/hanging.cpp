#include "hanging.hpp"

#include <algorithm>

namespace heart {

void Chains::add(std::vector<int> own, int vertex, P at, double size) {
    edges.entries.insert(edges.entries.end(), own.begin(), own.end());
    edges.first.push_back(static_cast<int>(edges.entries.size()));
    loose.push_back(vertex), place.push_back(at), length.push_back(size);
}

Chains hanging_chains(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices,
                      double longest, const Flags& held) {
    int edges = static_cast<int>(tail.size());
    std::vector<int> degree(vertices, 0), end(2 * edges);
    for (int k = 0; k < edges; ++k) {
        end[2 * k] = tail[k], end[2 * k + 1] = head[k];
        ++degree[tail[k]], ++degree[head[k]];
    }
    for (int v = 0; v < vertices; ++v)
        if (!held.empty() && held[v]) degree[v] += 2;
    Rows leaving = grouped(end, vertices);
    Chains found;
    std::vector<int> walk;
    for (int begin = 0; begin < 2 * edges; ++begin) {
        if (degree[end[begin]] != 1) continue;
        walk.clear();
        double length = 0;
        int half = begin, here = end[begin];
        do {
            walk.push_back(half / 2);
            length += curves[half / 2].length();
            here = end[half ^ 1];
            if (degree[here] != 2 || length > longest) break;
            // On along the other one of the two that meet here.
            half = leaving.begin(here)[0] == (half ^ 1) ? leaving.begin(here)[1] : leaving.begin(here)[0];
        } while (half != begin);
        if (degree[here] < 3 || length > longest || here == end[begin]) continue;
        found.add({walk.rbegin(), walk.rend()}, end[begin], end_of(curves, begin), length);
    }
    return found;
}

Chains hanging_pieces(const Near& near, const EndState& state, double longest) {
    const Labels& labels = near.labels();
    std::vector<int> tail(near.count()), head(near.count());
    for (int k = 0; k < near.count(); ++k) tail[k] = labels.of[2 * k], head[k] = labels.of[2 * k + 1];
    Flags held(labels.count, 0), free(labels.count, 0);
    for (const Contact& met : near.contacts()) {
        double away = std::min(met.second_share, 1 - met.second_share) * near.lengths()[met.second];
        if (met.end >= 0 && away > 2 * near.merge) held[labels.of[2 * met.first + met.end]] = 1;
    }
    for (int e : state.open_ends()) free[labels.of[e]] = 1;
    Chains all = hanging_chains(near.curves, tail, head, labels.count, longest, held), found;
    for (int k = 0; k < all.count(); ++k) {
        if (!free[all.loose[k]]) continue;
        found.add({all.edges.begin(k), all.edges.end(k)}, all.loose[k], all.place[k], all.length[k]);
    }
    return found;
}

OpenGroups open_groups(const std::vector<int>& tail, const std::vector<int>& head, int vertices) {
    Flags loose = bridges(tail, head, vertices);
    Links own(vertices), whole(vertices);
    std::vector<int> edges_of(vertices, 0), open, label;
    int count = static_cast<int>(tail.size());
    for (int k = 0; k < count; ++k) {
        whole.link(tail[k], head[k]);
        if (loose[k]) own.link(tail[k], head[k]), open.push_back(k);
    }
    for (int k = 0; k < count; ++k) ++edges_of[whole.lead(tail[k])];
    std::vector<int> number(vertices, -1);
    int groups = 0;
    // In the order of their lowest vertices.
    for (int v = 0; v < vertices; ++v)
        if (own.lead(v) == v) number[v] = groups++;
    for (int k : open) label.push_back(number[own.lead(tail[k])]);
    Rows rows = grouped(label, groups);
    OpenGroups found;
    for (int g = 0; g < groups; ++g) {
        if (!rows.size(g)) continue;
        for (const int* k = rows.begin(g); k != rows.end(g); ++k) found.edges.entries.push_back(open[*k]);
        found.edges.first.push_back(static_cast<int>(found.edges.entries.size()));
        int lead = whole.lead(tail[open[*rows.begin(g)]]);
        found.free.push_back(edges_of[lead] == rows.size(g));
    }
    return found;
}

}  // namespace heart
