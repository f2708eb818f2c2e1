// Who is near whom among the pieces: worked out once, when it is asked for, and carried along when some of the pieces
// go or change. Cost: n log n, and the pairs of boxes that overlap: all of them where long lines run many ways, so such
// a pair costs little more than a look.
#pragma once

#include <optional>
#include <vector>

#include "boxes.hpp"
#include "curves.hpp"
#include "frame.hpp"
#include "groups.hpp"
#include "meeting.hpp"

namespace heart {

// Index pairs i < j of pieces that come within the margin of each other; some that do not may be among them.
Pairs near_pairs(const Pieces& pieces, double margin);
// Pairs of a piece and one of others that may come within the margin of each other, in the order of the pieces.
Pairs near_pairs(const Pieces& pieces, const Pieces& others, double margin);

class Near {
public:
    Near(Pieces curves, double merge) : curves(std::move(curves)), merge(merge) {}

    const Pieces curves;
    const double merge;

    int count() const { return static_cast<int>(curves.size()); }
    P end(int e) const { return end_of(curves, e); }
    // Calls found(piece) for each piece whose box comes within reach of a point.
    template <class Found>
    void around(P point, double reach, Found&& found) const {
        boxes().around(Box::about(frame().into(point), reach), found);
    }
    // Pieces that come near each other, i < j; some that do not may be among them.
    const Pairs& pairs() const;
    // Where pieces meet, but for ends at ends, which the labels tell.
    const std::vector<Contact>& contacts() const;
    const std::vector<double>& lengths() const;
    const std::vector<P>& ends() const;
    const Row& row() const;
    // The place that each end lies at: ends that agree share one.
    const Labels& labels() const;

    // The pieces kept (rising) with new ones behind them, and what is known already.
    Near changed(const std::vector<int>& keep, const Pieces& fresh) const;

private:
    const Frame& frame() const;
    const Layers& boxes() const;
    std::vector<Box> boxes_of(const Pieces& pieces) const;
    void carry(Near& now, const std::vector<int>& number, const std::vector<int>& keep, const Pieces& fresh) const;
    Labels labels_with(const Near& now, const std::vector<int>& keep, const Pairs& added) const;

    mutable std::optional<Frame> frame_;
    mutable std::optional<Layers> boxes_;
    mutable std::optional<Pairs> pairs_;
    mutable std::optional<std::vector<Contact>> contacts_;
    mutable std::optional<std::vector<double>> lengths_;
    mutable std::optional<std::vector<P>> ends_;
    mutable std::optional<Row> row_;
    mutable std::optional<Labels> labels_;
};

}  // namespace heart
