#include "boxes.hpp"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

namespace heart {

namespace {

// Indices of the boxes such that neighbours in the row are neighbours in the plane: slices from left to right, each
// from low to high.
std::vector<int> tiled(const std::vector<Box>& boxes, int room) {
    int count = static_cast<int>(boxes.size());
    std::vector<std::pair<double, int>> row(count);
    for (int k = 0; k < count; ++k) row[k] = {sortable(boxes[k].low_x + boxes[k].high_x), k};
    std::sort(row.begin(), row.end());
    int tiles = (count + room - 1) / room;
    int slice = std::max(room, room * static_cast<int>(std::ceil(std::sqrt(static_cast<double>(tiles)))));
    for (int begin = 0; begin < count; begin += slice) {
        auto first = row.begin() + begin, last = row.begin() + std::min(begin + slice, count);
        for (auto it = first; it != last; ++it)
            it->first = sortable(boxes[it->second].low_y + boxes[it->second].high_y);
        std::sort(first, last);
    }
    std::vector<int> order(count);
    for (int k = 0; k < count; ++k) order[k] = row[k].second;
    return order;
}

Box around_all(const Box* first, const Box* last) {
    // Begun with nothing, so that a box that is no number adds nothing.
    constexpr double INF = std::numeric_limits<double>::infinity();
    Box box{INF, INF, -INF, -INF};
    for (; first != last; ++first)
        box = {std::min(box.low_x, first->low_x), std::min(box.low_y, first->low_y),
               std::max(box.high_x, first->high_x), std::max(box.high_y, first->high_y)};
    return box;
}

}  // namespace

Tree::Tree(const std::vector<Box>& boxes) : number_(tiled(boxes, ROOM)) {
    int count = static_cast<int>(boxes.size());
    leaves_.reserve(count);
    for (int k : number_) leaves_.push_back(boxes[k]);
    for (int begin = 0; begin < count; begin += ROOM) {
        int size = std::min(ROOM, count - begin);
        nodes_.push_back({around_all(&leaves_[begin], &leaves_[begin] + size), begin, size});
    }
    levels_ = 1;
    for (int begin = 0, end = static_cast<int>(nodes_.size()); end - begin > 1;
         begin = end, end = static_cast<int>(nodes_.size())) {
        ++levels_;
        for (int k = begin; k < end; k += ROOM) {
            int size = std::min(ROOM, end - k);
            std::vector<Box> below;
            for (int n = k; n < k + size; ++n) below.push_back(nodes_[n].box);
            nodes_.push_back({around_all(below.data(), below.data() + size), k, size});
        }
    }
}

Layers::Layers(const std::vector<Box>& boxes) : count_(static_cast<int>(boxes.size())) {
    std::vector<int> every(boxes.size());
    std::iota(every.begin(), every.end(), 0);
    layers_.push_back({std::make_shared<const Tree>(boxes), std::move(every)});
}

Layers Layers::changed(const std::vector<int>& number, const std::vector<Box>& fresh) const {
    Layers now;
    for (const Layer& layer : layers_) {
        Layer kept{layer.tree, layer.number};
        for (int& k : kept.number) k = k >= 0 ? number[k] : -1;
        now.layers_.push_back(std::move(kept));
    }
    for (int k : number) now.count_ += k >= 0;
    if (!fresh.empty()) {
        std::vector<int> behind(fresh.size());
        std::iota(behind.begin(), behind.end(), now.count_);
        now.layers_.push_back({std::make_shared<const Tree>(fresh), std::move(behind)});
        now.count_ += static_cast<int>(fresh.size());
    }
    return now;
}

}  // namespace heart
