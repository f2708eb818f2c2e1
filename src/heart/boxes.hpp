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
    // Index pairs i < j that touch.
    Pairs pairs() const;

private:
    struct Node {
        Box box;
        int first, count;
    };
    static constexpr int ROOM = 8;

    void join(int one, int other, int level, Pairs& found) const;

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
    // Index pairs i < j that touch; of boxes that nothing has been laid over.
    Pairs pairs() const { return layers_.front().tree->pairs(); }

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
