#include "cells.hpp"

#include <algorithm>
#include <cmath>
#include <tuple>

namespace heart {

namespace {

// Side of a cell, in radii: its diagonal is shorter than one.
constexpr double SIDE = 0.7;
// Cells on each side in which points within a radius may lie.
constexpr int AROUND = 2;

struct Celled {
    double column, row;
    int number;

    bool operator<(const Celled& o) const {
        return std::tie(column, row, number) < std::tie(o.column, o.row, o.number);
    }
    bool beside(const Celled& o) const { return column == o.column && row == o.row; }
};

class Cells {
public:
    Cells(const std::vector<P>& points, double radius, Links& links) : points_(points), radius_(radius), links_(links) {
        // Without a radius a cell is a place.
        auto cell = [&](double at) { return radius > 0 ? std::floor(at / (SIDE * radius)) : at; };
        for (int k = 0; k < static_cast<int>(points.size()); ++k)
            if (!std::isnan(points[k].x + points[k].y)) row_.push_back({cell(points[k].x), cell(points[k].y), k});
        std::sort(row_.begin(), row_.end());
    }

    void link() {
        const Celled* end = row_.data() + row_.size();
        for (const Celled* first = row_.data(); first != end;) {
            const Celled* last = first;
            for (; last != end && last->beside(*first); ++last) links_.link(first->number, last->number);
            for (int right = 0; right <= AROUND; ++right)
                for (int up = right ? -AROUND : 1; up <= AROUND; ++up) meet(first, last, right, up);
            first = last;
        }
    }

private:
    // Links a cell with another one if any two of their points are near enough.
    void meet(const Celled* first, const Celled* last, int right, int up) {
        Celled wanted{first->column + right, first->row + up, -1};
        auto other = std::lower_bound(row_.begin(), row_.end(), wanted);
        if (other == row_.end() || !other->beside(wanted) || links_.lead(first->number) == links_.lead(other->number))
            return;
        for (; other != row_.end() && other->beside(wanted); ++other)
            for (const Celled* own = first; own != last; ++own)
                if (norm(points_[own->number] - points_[other->number]) <= radius_)
                    return links_.link(own->number, other->number);
    }

    const std::vector<P>& points_;
    const double radius_;
    Links& links_;
    std::vector<Celled> row_;
};

}  // namespace

void link_by_cells(const std::vector<P>& points, double radius, Links& links) { Cells(points, radius, links).link(); }

}  // namespace heart
