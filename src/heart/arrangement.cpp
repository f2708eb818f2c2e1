#include "arrangement.hpp"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <tuple>

namespace heart {

namespace {

// The vertex of each end and then of each crossing, and where the vertices are.
struct Vertices {
    std::vector<int> label;
    std::vector<P> places;
};

Vertices vertices_of(const Near& near, const std::vector<Contact>& through) {
    std::vector<P> points = near.ends();
    for (const Contact& met : through) points.push_back(met.point);
    Labels labels = through.empty() ? near.labels() : clusters(points, in_a_row(points), 2 * near.merge);
    Vertices found{labels.of, std::vector<P>(labels.count, NOWHERE)};
    // The first point of a cluster places it, and ends come first: what was right stays where it is.
    for (size_t k = 0; k < points.size(); ++k) {
        P& place = found.places[labels.of[k]];
        if (!known(place)) place = points[k];
    }
    return found;
}

// The edges that are left when those with the same ends and the same middle count once.
std::vector<int> one_of_each(const Edges& edges, double merge) {
    auto key = [&](int k) {
        return std::make_pair(std::min(edges.tail[k], edges.head[k]), std::max(edges.tail[k], edges.head[k]));
    };
    std::vector<int> order(edges.count());
    std::iota(order.begin(), order.end(), 0);
    std::sort(order.begin(), order.end(),
              [&](int a, int b) { return std::make_pair(key(a), a) < std::make_pair(key(b), b); });
    std::vector<int> doubled;
    Flags keep(edges.count(), 1);
    for (size_t k = 0; k < order.size(); ++k) {
        bool same =
            (k && key(order[k - 1]) == key(order[k])) || (k + 1 < order.size() && key(order[k + 1]) == key(order[k]));
        if (same) doubled.push_back(order[k]), keep[order[k]] = 0;
    }
    std::sort(doubled.begin(), doubled.end());
    std::vector<P> middles;
    for (int k : doubled) middles.push_back(edges.curves[k].point_at(0.5));
    Labels labels = clusters(middles, in_a_row(middles), 2 * merge);
    std::map<std::tuple<int, int, int>, int> seen;
    for (size_t k = 0; k < doubled.size(); ++k) {
        auto [low, high] = key(doubled[k]);
        keep[doubled[k]] = seen.emplace(std::make_tuple(low, high, labels.of[k]), 0).second;
    }
    std::vector<int> left;
    for (int k = 0; k < edges.count(); ++k)
        if (keep[k]) left.push_back(k);
    return left;
}

// Direction in which a half-edge leaves, taken at a small distance from its vertex: tangent pieces leave in one
// direction; a little way out their curvature has parted them.
double angle_of(const Piece& piece, bool against, double distance) {
    double sign = against ? -1.0 : 1.0;
    P tangent = piece.tangent_at(against ? 1.0 : 0.0) * sign;
    double bend = 0;
    if (piece.is_arc)
        bend =
            std::copysign(std::asin(clip(distance / std::max(2 * piece.radius, NOUGHT), 0.0, 1.0)), piece.sweep) * sign;
    return turned(std::atan2(tangent.y, tangent.x) + bend);
}

std::vector<int> following(const Pieces& curves, const std::vector<int>& origin, int vertices) {
    Rows leaving = grouped(origin, vertices);
    std::vector<double> reach(vertices, INF);
    for (size_t k = 0; k < curves.size(); ++k) {
        double chord = norm(curves[k].end - curves[k].start);
        for (int v : {origin[2 * k], origin[2 * k + 1]}) reach[v] = std::min(reach[v], chord);
    }
    std::vector<std::pair<double, int>> fan;
    std::vector<int> before(origin.size());
    for (int v = 0; v < vertices; ++v) {
        int *first = leaving.entries.data() + leaving.first[v], size = leaving.size(v);
        // Where only two leave, the other one is the next whatever their directions.
        if (size >= 3) {
            fan.clear();
            for (int k = 0; k < size; ++k)
                fan.emplace_back(angle_of(curves[first[k] / 2], first[k] % 2, 0.3 * reach[v]), first[k]);
            std::sort(fan.begin(), fan.end());
            for (int k = 0; k < size; ++k) first[k] = fan[k].second;
        }
        for (int k = 0; k < size; ++k) before[first[k]] = first[k ? k - 1 : size - 1];
    }
    std::vector<int> next(origin.size());
    for (size_t h = 0; h < origin.size(); ++h) next[h] = before[h ^ 1];
    return next;
}

}  // namespace

void Edges::add(const Piece& curve, int from, int to, int of, double begin, double end) {
    curves.push_back(curve);
    tail.push_back(from), head.push_back(to), piece.push_back(of), low.push_back(begin), high.push_back(end);
}

Edges Edges::taken(const std::vector<int>& index) const {
    Edges left;
    left.vertices = vertices;
    for (int k : index) left.add(curves[k], tail[k], head[k], piece[k], low[k], high[k]);
    return left;
}

std::vector<int> Edges::degrees() const {
    std::vector<int> degree(vertices.size(), 0);
    for (int k = 0; k < count(); ++k) ++degree[tail[k]], ++degree[head[k]];
    return degree;
}

Edges edges_between(const Pieces& curves, const std::vector<int>& owner, const std::vector<double>& share,
                    const std::vector<int>& label, std::vector<P> vertices) {
    std::vector<int> order(owner.size());
    std::iota(order.begin(), order.end(), 0);
    std::sort(order.begin(), order.end(), [&](int a, int b) {
        return std::make_tuple(owner[a], share[a], a) < std::make_tuple(owner[b], share[b], b);
    });
    Edges edges;
    edges.vertices = std::move(vertices);
    for (size_t k = 1; k < order.size(); ++k) {
        int here = order[k - 1], there = order[k];
        if (owner[here] != owner[there] || label[here] == label[there]) continue;
        const Piece& source = curves[owner[here]];
        double low = share[here], high = share[there];
        double bulge = low == 0 && high == 1 ? source.bulge : std::tan(source.sweep * (high - low) / 4);
        Piece part = Piece::from_bulge(edges.vertices[label[here]], edges.vertices[label[there]], bulge, source.owner);
        edges.add(part, label[here], label[there], owner[here], low, high);
    }
    return edges;
}

Split split_at_contacts(const Near& near) {
    std::vector<Contact> on_inside, through;
    for (const Contact& met : near.contacts()) {
        // An end that lies on an end is no cut; a crossing is a vertex of its own unless an end is there.
        double away = std::min(met.second_share, 1 - met.second_share) * near.lengths()[met.second];
        if (met.end < 0)
            through.push_back(met);
        else if (away > near.merge)
            on_inside.push_back(met);
    }
    Vertices vertices = vertices_of(near, through);
    int ends = 2 * near.count();
    std::vector<int> owner, at;
    std::vector<double> share;
    auto stop = [&](int piece, double where, int vertex) {
        owner.push_back(piece), share.push_back(where), at.push_back(vertex);
    };
    for (int k = 0; k < near.count(); ++k) stop(k, 0, vertices.label[2 * k]), stop(k, 1, vertices.label[2 * k + 1]);
    for (const Contact& met : on_inside) stop(met.second, met.second_share, vertices.label[2 * met.first + met.end]);
    std::vector<char> has_end(vertices.places.size(), 0);
    for (int e = 0; e < ends; ++e) has_end[vertices.label[e]] = 1;
    Split split;
    for (size_t k = 0; k < through.size(); ++k) {
        const Contact& met = through[k];
        int vertex = vertices.label[ends + k];
        stop(met.first, met.first_share, vertex), stop(met.second, met.second_share, vertex);
        if (!has_end[vertex]) split.crossings.push_back({met.first, met.second, met.point, vertex});
    }
    Edges edges = edges_between(near.curves, owner, share, at, std::move(vertices.places));
    auto left = one_of_each(edges, near.merge);
    split.edges = static_cast<int>(left.size()) == edges.count() ? std::move(edges) : edges.taken(left);
    return split;
}

// Low-link numbers without recursion (R. E. Tarjan, "A note on finding the bridges of a graph", Information Processing
// Letters 2, 1974).
Flags bridges(const std::vector<int>& tail, const std::vector<int>& head, int vertices) {
    int edges = static_cast<int>(tail.size());
    std::vector<int> origin(2 * edges);
    for (int k = 0; k < edges; ++k) origin[2 * k] = tail[k], origin[2 * k + 1] = head[k];
    Rows leaving = grouped(origin, vertices);
    struct Visit {
        int vertex, arrived, next;
    };
    std::vector<int> number(vertices, -1), low(vertices, 0);
    std::vector<Visit> stack;
    Flags found(edges, 0);
    int clock = 0;
    auto enter = [&](int vertex, int arrived) {
        number[vertex] = low[vertex] = clock++;
        stack.push_back({vertex, arrived, leaving.first[vertex]});
    };
    for (int root = 0; root < vertices; ++root) {
        if (number[root] >= 0) continue;
        enter(root, -1);
        while (!stack.empty()) {
            Visit& visit = stack.back();
            if (visit.next < leaving.first[visit.vertex + 1]) {
                int half = leaving.entries[visit.next++], other = origin[half ^ 1];
                if (half / 2 == visit.arrived) continue;
                if (number[other] < 0)
                    enter(other, half / 2);
                else
                    low[visit.vertex] = std::min(low[visit.vertex], number[other]);
                continue;
            }
            Visit done = visit;
            stack.pop_back();
            if (stack.empty()) continue;
            int parent = stack.back().vertex;
            low[parent] = std::min(low[parent], low[done.vertex]);
            if (low[done.vertex] > number[parent]) found[done.arrived] = 1;
        }
    }
    return found;
}

Cycles cycles_of(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices) {
    int halves = 2 * static_cast<int>(curves.size());
    std::vector<int> origin(halves);
    for (size_t k = 0; k < curves.size(); ++k) origin[2 * k] = tail[k], origin[2 * k + 1] = head[k];
    P centre = middle_of(curves);
    Cycles found{following(curves, origin, vertices), std::vector<int>(halves, -1), {}, {}};
    for (int begin = 0; begin < halves; ++begin) {
        if (found.label[begin] >= 0) continue;
        double area = 0, perimeter = 0;
        for (int h = begin; found.label[h] < 0; h = found.following[h]) {
            found.label[h] = found.count();
            // Taken about the middle: far from the origin the products would swallow the differences.
            double part = curves[h / 2].signed_area(centre);
            area += h % 2 ? -part : part, perimeter += curves[h / 2].length();
        }
        found.area.push_back(area), found.perimeter.push_back(perimeter);
    }
    return found;
}

Rows walks(const Cycles& cycles) {
    Rows rows{{0}, {}};
    std::vector<char> seen(cycles.label.size(), 0);
    for (int begin = 0; begin < static_cast<int>(cycles.label.size()); ++begin) {
        if (seen[begin]) continue;
        for (int h = begin; !seen[h]; h = cycles.following[h]) seen[h] = 1, rows.entries.push_back(h);
        rows.first.push_back(static_cast<int>(rows.entries.size()));
    }
    return rows;
}

Left what_is_left(const Near& near, const std::vector<double>& order, const Edges& edges) {
    auto degree = edges.degrees();
    if (std::none_of(degree.begin(), degree.end(), [](int d) { return d == 1; }))
        return {false, Near({}, near.merge), {}};
    std::vector<int> row(edges.count());
    std::iota(row.begin(), row.end(), 0);
    std::sort(row.begin(), row.end(), [&](int a, int b) {
        return std::make_tuple(edges.piece[a], edges.low[a], a) < std::make_tuple(edges.piece[b], edges.low[b], b);
    });
    std::vector<int> keep;
    Pieces parts;
    std::vector<double> places, orders;
    for (size_t begin = 0, end; begin < row.size(); begin = end) {
        int first = row[begin], piece = edges.piece[first];
        for (end = begin + 1;
             end < row.size() && edges.piece[row[end]] == piece && edges.low[row[end]] == edges.high[row[end - 1]];)
            ++end;
        int last = row[end - 1];
        double low = edges.low[first], high = edges.high[last];
        if (low == 0 && high == 1) {
            keep.push_back(piece), orders.push_back(order[piece]);
            continue;
        }
        const Piece& source = near.curves[piece];
        parts.push_back(Piece::from_bulge(edges.vertices[edges.tail[first]], edges.vertices[edges.head[last]],
                                          std::tan(source.sweep * (high - low) / 4), source.owner));
        places.push_back(order[piece] + low / 1024);
    }
    if (static_cast<int>(keep.size()) == near.count()) return {false, Near({}, near.merge), {}};
    orders.insert(orders.end(), places.begin(), places.end());
    return {true, near.changed(keep, parts), std::move(orders)};
}

}  // namespace heart
