// What hangs together: linked things, points that are one point, the smallest circle around some points.
#pragma once

#include <vector>

#include "boxes.hpp"
#include "plane.hpp"

namespace heart {

// Things of which pairs are linked; by halving paths (Tarjan and van Leeuwen 1984), the lowest of a group leads it.
class Links {
public:
    explicit Links(int count);
    int lead(int thing);
    void link(int one, int other);
    // The label of each thing, in the order in which groups are met, and how many groups there are.
    std::vector<int> labels(int& count);

private:
    std::vector<int> lead_;
};

// Points in the order along a slant on which nothing that is drawn lies: near ones stand near each other in the row.
struct Placed {
    double at;
    int number;

    bool operator<(const Placed& o) const { return at < o.at || (at == o.at && number < o.number); }
};
using Row = std::vector<Placed>;
Row in_a_row(const std::vector<P>& points);

struct Labels {
    int count = 0;
    std::vector<int> of;
};

// Points within the radius of each other are of one cluster.
Labels clusters(const std::vector<P>& points, const Row& row, double radius);

struct Close {
    int wanted, other;
    double distance;
};

// All pairs of a wanted point (an index) and another point that are at most the radius apart.
std::vector<Close> pairs_within(const std::vector<P>& points, const Row& row, const std::vector<int>& wanted,
                                double radius);

struct Circle {
    P centre;
    double radius = 0;
};

// The smallest circle around some points, of which there is at least one.
Circle smallest_circle(std::vector<P> points);

// Rows of different lengths: those of row k are entries[first[k]] to entries[first[k + 1] - 1].
struct Rows {
    std::vector<int> first, entries;

    const int* begin(int k) const { return entries.data() + first[k]; }
    const int* end(int k) const { return entries.data() + first[k + 1]; }
    int size(int k) const { return first[k + 1] - first[k]; }
};

// Where each of `count` labels is found, rising; by counting.
Rows grouped(const std::vector<int>& label, int count);

}  // namespace heart
