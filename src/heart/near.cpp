#include "near.hpp"

#include <algorithm>

namespace heart {

namespace {

// Margin of the boxes, in merge tolerances: enough to find what the labels link.
constexpr double MARGIN = 4;
// Share of new pieces from which it is cheaper to begin anew.
constexpr double MOSTLY = 0.3;

// Whether a line has all of another piece on one side of it, further away than the margin.
bool line_keeps_off(const Piece& line, const Piece& other, double margin) {
    P path = line.end - line.start;
    double room = margin * norm(path);
    int left = 0, right = 0;
    auto look = [&](P point) {
        double side = cross(path, point - line.start);
        left += side > room, right += side < -room;
    };
    if (!other.is_arc) {
        look(other.start), look(other.end);
        return left == 2 || right == 2;
    }
    Box box = other.bounds();
    for (double x : {box.low_x, box.high_x})
        for (double y : {box.low_y, box.high_y}) look({x, y});
    return left == 4 || right == 4;
}

// Whether all of another piece lies within the circle of an arc or beyond it, further away than the margin.
bool arc_keeps_off(const Piece& arc, const Piece& other, double margin) {
    if (other.is_arc) {
        double apart = norm(other.centre - arc.centre);
        return apart + other.radius < arc.radius - margin || std::fabs(apart - other.radius) > arc.radius + margin;
    }
    double farthest = std::max(norm(other.start - arc.centre), norm(other.end - arc.centre));
    return farthest < arc.radius - margin || other.distance_to(arc.centre) > arc.radius + margin;
}

// Cheap: of long slanted lines, of circles in circles, all boxes overlap.
bool may_meet(const Piece& one, const Piece& other, double margin) {
    auto keeps_off = [&](const Piece& a, const Piece& b) {
        return a.is_arc ? arc_keeps_off(a, b, margin) : line_keeps_off(a, b, margin);
    };
    return !keeps_off(one, other) && !keeps_off(other, one);
}

// Of pieces whose boxes touch those that may meet.
template <class Boxes>
Pairs met_among(const Boxes& boxes, const Pieces& pieces, double margin) {
    Pairs found;
    boxes.pairs([&](int i, int j) {
        if (may_meet(pieces[i], pieces[j], margin)) found.emplace_back(i, j);
    });
    return found;
}

}  // namespace

Pairs near_pairs(const Pieces& pieces, double margin) {
    return met_among(Tree(Frame::of(pieces).boxes(pieces, margin)), pieces, margin);
}

Pairs near_pairs(const Pieces& pieces, const Pieces& others, double margin) {
    Frame frame = Frame::of(others);
    Tree tree(frame.boxes(others, margin));
    auto boxes = frame.boxes(pieces, margin);
    Pairs found;
    for (int i = 0; i < static_cast<int>(pieces.size()); ++i) {
        size_t first = found.size();
        tree.around(boxes[i], [&](int j) {
            if (may_meet(pieces[i], others[j], margin)) found.emplace_back(i, j);
        });
        std::sort(found.begin() + first, found.end());
    }
    return found;
}

std::vector<Box> Near::boxes_of(const Pieces& pieces) const { return frame().boxes(pieces, MARGIN * merge); }

const Frame& Near::frame() const {
    if (!frame_) frame_ = Frame::of(curves);
    return *frame_;
}

const Layers& Near::boxes() const {
    if (!boxes_) boxes_ = Layers(boxes_of(curves));
    return *boxes_;
}

const Pairs& Near::pairs() const {
    if (!pairs_) pairs_ = met_among(boxes(), curves, MARGIN * merge);
    return *pairs_;
}

const std::vector<Contact>& Near::contacts() const {
    if (!contacts_) {
        std::vector<Contact> found;
        heart::contacts(curves, pairs(), merge, false, found);
        contacts_ = std::move(found);
    }
    return *contacts_;
}

const std::vector<double>& Near::lengths() const {
    if (!lengths_) {
        std::vector<double> found;
        found.reserve(curves.size());
        for (const Piece& piece : curves) found.push_back(piece.length());
        lengths_ = std::move(found);
    }
    return *lengths_;
}

const std::vector<P>& Near::ends() const {
    if (!ends_) {
        std::vector<P> found;
        found.reserve(2 * curves.size());
        for (const Piece& piece : curves) found.push_back(piece.start), found.push_back(piece.end);
        ends_ = std::move(found);
    }
    return *ends_;
}

const Row& Near::row() const {
    if (!row_) row_ = in_a_row(ends());
    return *row_;
}

const Labels& Near::labels() const {
    if (!labels_) labels_ = clusters(ends(), row(), 2 * merge);
    return *labels_;
}

Near Near::changed(const std::vector<int>& keep, const Pieces& fresh) const {
    Pieces all;
    all.reserve(keep.size() + fresh.size());
    std::vector<int> number(curves.size(), -1);
    for (int k : keep) {
        number[k] = static_cast<int>(all.size());
        all.push_back(curves[k]);
    }
    all.insert(all.end(), fresh.begin(), fresh.end());
    Near now(std::move(all), merge);
    if (fresh.size() <= MOSTLY * now.curves.size()) carry(now, number, keep, fresh);
    return now;
}

void Near::carry(Near& now, const std::vector<int>& number, const std::vector<int>& keep, const Pieces& fresh) const {
    auto new_boxes = boxes_of(fresh);
    int kept = static_cast<int>(keep.size());
    Pairs same, added;
    for (auto [i, j] : pairs())
        if (number[i] >= 0 && number[j] >= 0) same.emplace_back(number[i], number[j]);
    Layers layers = boxes().changed(number, new_boxes);
    for (int k = 0; k < static_cast<int>(fresh.size()); ++k)
        layers.around(new_boxes[k], [&](int other) {
            if (other < kept + k && may_meet(now.curves[other], fresh[k], MARGIN * merge))
                added.emplace_back(other, kept + k);
        });
    now.frame_ = frame(), now.boxes_ = std::move(layers);
    if (contacts_) {
        std::vector<Contact> left;
        for (Contact contact : *contacts_) {
            contact.first = number[contact.first], contact.second = number[contact.second];
            if (contact.first >= 0 && contact.second >= 0) left.push_back(contact);
        }
        heart::contacts(now.curves, added, merge, false, left);
        now.contacts_ = std::move(left);
    }
    if (labels_) now.labels_ = labels_with(now, keep, added);
    same.insert(same.end(), added.begin(), added.end());
    now.pairs_ = std::move(same);
}

// The labels of the ends that stay, and of those of new pieces: of what they touch, or new ones.
Labels Near::labels_with(const Near& now, const std::vector<int>& keep, const Pairs& added) const {
    int ends = 2 * now.count(), kept = static_cast<int>(keep.size());
    std::vector<int> label(ends);
    for (int k = 0; k < kept; ++k)
        for (int last : {0, 1}) label[2 * k + last] = labels_->of[2 * keep[k] + last];
    for (int e = 2 * kept; e < ends; ++e) label[e] = labels_->count + e - 2 * kept;
    Links links(labels_->count + ends - 2 * kept);
    auto link = [&](int i, int j) {
        for (int one : {2 * i, 2 * i + 1})
            for (int two : {2 * j, 2 * j + 1})
                if (norm(now.end(one) - now.end(two)) <= 2 * merge) links.link(label[one], label[two]);
    };
    for (auto [i, j] : added) link(i, j);
    // A crumb may have both its ends at one place.
    for (int k = kept; k < now.count(); ++k) link(k, k);
    Labels found;
    std::vector<int> name(labels_->count + ends - 2 * kept, -1);
    found.of.resize(ends);
    for (int e = 0; e < ends; ++e) {
        int& own = name[links.lead(label[e])];
        if (own < 0) own = found.count++;
        found.of[e] = own;
    }
    return found;
}

}  // namespace heart
