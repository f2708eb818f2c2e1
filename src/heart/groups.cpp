#include "groups.hpp"

#include <algorithm>
#include <numeric>
#include <random>

#include "cells.hpp"

namespace heart {

namespace {

// Direction along which points are sorted; nothing that is drawn lies along it.
constexpr P SLANT{0.8191, 0.5736};
// Points looked at in the sorted row, for each, from which a tree or cells are quicker.
constexpr int64_t CROWD = 24;
// Points up to which the order does not matter for the time that the smallest circle takes.
constexpr size_t FEW_POINTS = 8;

std::vector<Box> spots(const std::vector<P>& points) {
    std::vector<Box> boxes;
    boxes.reserve(points.size());
    for (P p : points) boxes.push_back(Box::about(p, 0));
    return boxes;
}

// Links what the row tells; false where too many lie beside each other in it.
bool linked_along(const std::vector<P>& points, const Row& row, double radius, Links& links) {
    int64_t left = CROWD * static_cast<int64_t>(row.size());
    for (size_t k = 0; k < row.size(); ++k) {
        P here = points[row[k].number];
        for (size_t n = k + 1; n < row.size() && row[n].at - row[k].at <= radius; ++n) {
            P there = points[row[n].number];
            if (--left < 0) return false;
            if (norm(here - there) <= radius) links.link(row[k].number, row[n].number);
            // What lies beyond is compared with the one that lies at the very same place.
            if (here == there) break;
        }
    }
    return true;
}

// The same for pairs of wanted points and others.
bool found_along(const std::vector<P>& points, const Row& row, const std::vector<int>& wanted, double radius,
                 std::vector<Close>& found) {
    std::vector<char> asked(points.size(), 0);
    for (int k : wanted) asked[k] = 1;
    int64_t left = CROWD * static_cast<int64_t>(wanted.size());
    int count = static_cast<int>(row.size());
    for (int k = 0; k < count; ++k) {
        int own = row[k].number;
        if (!asked[own]) continue;
        auto look = [&](int n) {
            double distance = norm(points[own] - points[row[n].number]);
            if (distance <= radius) found.push_back({own, row[n].number, distance});
            return --left >= 0;
        };
        for (int n = k - 1; n >= 0 && row[k].at - row[n].at <= radius; --n)
            if (!look(n)) return false;
        for (int n = k + 1; n < count && row[n].at - row[k].at <= radius; ++n)
            if (!look(n)) return false;
    }
    return true;
}

bool outside(P p, const Circle& circle) { return norm(p - circle.centre) > circle.radius * (1 + HAIR) + NOUGHT; }

Circle on_three(P a, P b, P c) {
    P u = b - a, v = c - a;
    double twice = 2 * cross(u, v);
    if (std::fabs(twice) < NOUGHT) {
        // On a line the two that lie farthest apart hold the third.
        P ends[3][2] = {{a, b}, {a, c}, {b, c}};
        auto* far =
            std::max_element(ends, ends + 3, [](auto& x, auto& y) { return norm(x[0] - x[1]) < norm(y[0] - y[1]); });
        return {middle((*far)[0], (*far)[1]), norm((*far)[0] - (*far)[1]) / 2};
    }
    double uu = dot(u, u), vv = dot(v, v);
    P centre{a.x + (v.y * uu - u.y * vv) / twice, a.y + (u.x * vv - v.x * uu) / twice};
    return {centre, norm(centre - a)};
}

Circle on_two(const std::vector<P>& points, size_t count, P one, P two) {
    Circle circle{middle(one, two), norm(one - two) / 2};
    for (size_t k = 0; k < count; ++k)
        if (outside(points[k], circle)) circle = on_three(one, two, points[k]);
    return circle;
}

}  // namespace

Links::Links(int count) : lead_(count) { std::iota(lead_.begin(), lead_.end(), 0); }

int Links::lead(int thing) {
    while (lead_[thing] != thing) thing = lead_[thing] = lead_[lead_[thing]];
    return thing;
}

void Links::link(int one, int other) {
    one = lead(one), other = lead(other);
    if (one < other)
        lead_[other] = one;
    else
        lead_[one] = other;
}

std::vector<int> Links::labels(int& count) {
    std::vector<int> label(lead_.size());
    count = 0;
    for (int k = 0; k < static_cast<int>(label.size()); ++k) {
        int own = lead(k);
        label[k] = own == k ? count++ : label[own];
    }
    return label;
}

Row in_a_row(const std::vector<P>& points) {
    Row row(points.size());
    for (size_t k = 0; k < points.size(); ++k) row[k] = {sortable(dot(points[k], SLANT)), static_cast<int>(k)};
    std::sort(row.begin(), row.end());
    return row;
}

Labels clusters(const std::vector<P>& points, const Row& row, double radius) {
    Labels found;
    Links links(static_cast<int>(points.size()));
    if (!linked_along(points, row, radius, links)) link_by_cells(points, radius, links);
    found.of = links.labels(found.count);
    return found;
}

std::vector<Close> pairs_within(const std::vector<P>& points, const Row& row, const std::vector<int>& wanted,
                                double radius) {
    std::vector<Close> found;
    if (wanted.empty() || found_along(points, row, wanted, radius, found)) return found;
    found.clear();
    Tree tree(spots(points));
    for (int k : wanted)
        tree.around(Box::about(points[k], radius), [&](int n) {
            double distance = norm(points[k] - points[n]);
            if (n != k && distance <= radius) found.push_back({k, n, distance});
        });
    return found;
}

// Point by point: one that lies outside the circle so far lies on the rim of the next. In expectation that is linear in
// the points where they come in random order (Welzl, "Smallest enclosing disks", 1991, in its iterative form).
Circle smallest_circle(std::vector<P> points) {
    // Always the same order, so that the same points always give the same circle.
    if (points.size() > FEW_POINTS) std::shuffle(points.begin(), points.end(), std::mt19937(points.size()));
    Circle circle{points[0], 0};
    for (size_t i = 0; i < points.size(); ++i) {
        if (!outside(points[i], circle)) continue;
        circle = {points[i], 0};
        for (size_t j = 0; j < i; ++j)
            if (outside(points[j], circle)) circle = on_two(points, j, points[i], points[j]);
    }
    return circle;
}

Rows grouped(const std::vector<int>& label, int count) {
    Rows rows;
    rows.first.assign(count + 1, 0);
    for (int k : label) ++rows.first[k + 1];
    std::partial_sum(rows.first.begin(), rows.first.end(), rows.first.begin());
    rows.entries.resize(label.size());
    std::vector<int> next(rows.first.begin(), rows.first.end() - 1);
    for (int k = 0; k < static_cast<int>(label.size()); ++k) rows.entries[next[label[k]]++] = k;
    return rows;
}

}  // namespace heart
