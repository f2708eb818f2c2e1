// Which bounding boxes touch: a packed tree, filled by sorting into tiles (Leutenegger, Lopez and Edgington,
// "STR: a simple and efficient algorithm for R-tree packing", 1997), and trees laid over each other where boxes go and
// come. Cost: n log n to build; log n and what is found for each question.
#pragma once

#include <memory>
#include <utility>
#include <vector>

#include "curves.hpp"

namespace heart {

using Pair = std::pair<int, int>;
using Pairs = std::vector<Pair>;

class Tree {
public:
    explicit Tree(const std::vector<Box>& boxes);

    // Calls found(index) for each box that touches the wanted one.
    template <class Found>
    void around(const Box& wanted, Found&& found) const;
    // Calls visit(index) for boxes, near ones first, as long as they are no farther from a place than bound() says.
    template <class Bound, class Visit>
    void toward(const Box& place, Bound&& bound, Visit&& visit) const {
        if (!nodes_.empty()) go_toward(place, static_cast<int>(nodes_.size()) - 1, levels_ - 1, bound, visit);
    }
    // Calls found(i, j) for each two boxes that touch, i < j.
    template <class Found>
    void pairs(Found&& found) const {
        int root = static_cast<int>(nodes_.size()) - 1;
        if (root >= 0) join(root, root, levels_ - 1, found);
    }

private:
    struct Node {
        Box box;
        int first, count;
    };
    static constexpr int ROOM = 8;

    template <class Bound, class Visit>
    void go_toward(const Box& place, int node, int level, Bound&& bound, Visit&& visit) const;
    template <class Found>
    void join(int one, int other, int level, Found&& found) const;

    std::vector<Box> leaves_;
    std::vector<int> number_;
    // Levels from the leaves' parents upwards; the last node is the root.
    std::vector<Node> nodes_;
    int levels_ = 0;
};

template <class Found>
void Tree::around(const Box& wanted, Found&& found) const {
    if (nodes_.empty()) return;
    struct Visit {
        int node, level;
    };
    Visit stack[128];
    int top = 0;
    stack[top++] = {static_cast<int>(nodes_.size()) - 1, levels_ - 1};
    while (top) {
        Visit visit = stack[--top];
        const Node& node = nodes_[visit.node];
        if (!node.box.touches(wanted)) continue;
        for (int k = node.first; k < node.first + node.count; ++k) {
            if (visit.level) {
                stack[top++] = {k, visit.level - 1};
            } else if (leaves_[k].touches(wanted)) {
                found(number_[k]);
            }
        }
    }
}

template <class Bound, class Visit>
void Tree::go_toward(const Box& place, int node, int level, Bound&& bound, Visit&& visit) const {
    struct Below {
        double away;
        int number;
    };
    Below below[ROOM];
    int count = 0;
    for (int k = nodes_[node].first; k < nodes_[node].first + nodes_[node].count; ++k) {
        Below next{(level ? nodes_[k].box : leaves_[k]).away_from(place), k};
        int at = count++;
        for (; at > 0 && next.away < below[at - 1].away; --at) below[at] = below[at - 1];
        below[at] = next;
    }
    for (int k = 0; k < count; ++k) {
        if (below[k].away > bound()) return;
        if (level)
            go_toward(place, below[k].number, level - 1, bound, visit);
        else
            visit(number_[below[k].number]);
    }
}

// Pairs of what lies in one node with what lies in another, or in the same one, of the same level.
template <class Found>
void Tree::join(int one, int other, int level, Found&& found) const {
    const Node &a = nodes_[one], &b = nodes_[other];
    for (int k = a.first; k < a.first + a.count; ++k) {
        const Box& box = level ? nodes_[k].box : leaves_[k];
        if (!box.touches(b.box)) continue;
        for (int n = one == other ? k + (level == 0) : b.first; n < b.first + b.count; ++n) {
            if (!box.touches(level ? nodes_[n].box : leaves_[n])) continue;
            if (level)
                join(k, n, level - 1, found);
            else
                found(std::min(number_[k], number_[n]), std::max(number_[k], number_[n]));
        }
    }
}

// Boxes of which some go and others come: what is there is kept, what is new is laid over it.
class Layers {
public:
    explicit Layers(const std::vector<Box>& boxes);
    // The boxes by their new numbers, -1 for those that go, and new ones numbered behind them.
    Layers changed(const std::vector<int>& number, const std::vector<Box>& fresh) const;

    template <class Found>
    void around(const Box& wanted, Found&& found) const {
        for (const Layer& layer : layers_)
            layer.tree->around(wanted, [&](int k) {
                if (layer.number[k] >= 0) found(layer.number[k]);
            });
    }
    // Calls found(i, j) for each two that touch, i < j; of boxes that nothing has been laid over.
    template <class Found>
    void pairs(Found&& found) const {
        layers_.front().tree->pairs(found);
    }

private:
    struct Layer {
        std::shared_ptr<const Tree> tree;
        std::vector<int> number;
    };
    Layers() = default;

    std::vector<Layer> layers_;
    int count_ = 0;
};

}  // namespace heart
