// The pieces drawn to their joints: ends moved, curves that are met off their carrier cut there and bent, bridges.
#include <algorithm>
#include <cmath>

#include "joints.hpp"

namespace heart {

namespace {

// A piece with new ends: an arc stays on its circle if it can, else passes through its old middle.
Piece reshaped(const Piece& piece, P start, P end) {
    if (!piece.is_arc) return Piece::from_bulge(start, end, piece.bulge, piece.owner);
    double first = piece.share_of(start), last = piece.share_of(end);
    double off = std::max(norm(piece.point_at(first) - start), norm(piece.point_at(last) - end));
    if (off <= ON) return Piece::from_bulge(start, end, std::tan(piece.sweep * (last - first) / 4), piece.owner);
    P top = piece.point_at(0.5), a = top - start, b = end - top;
    return Piece::from_bulge(start, end, std::tan(std::atan2(cross(a, b), dot(a, b)) / 2), piece.owner);
}

// A part of a piece between two shares of it.
Piece part(const Piece& piece, double low, double high) {
    return Piece::from_bulge(piece.point_at(low), piece.point_at(high), std::tan(piece.sweep * (high - low) / 4),
                             piece.owner);
}

struct Stop {
    int piece;
    double share;
    P place;
};

// The pieces as their ends were drawn, and what is new instead of some of them or besides.
class Work {
public:
    Work(const Near& near, const std::vector<double>& order, const Joints& joints)
        : near_(near), order_(order), joints_(joints), moved_(near.curves), changed_(near.count(), 0) {}

    Joined done() {
        move_ends();
        auto stops = stops_off_carriers();
        std::vector<char> cut(near_.count(), 0);
        for (const Stop& stop : stops) cut[stop.piece] = 1;
        std::vector<int> keep;
        std::vector<double> order;
        for (int k = 0; k < near_.count(); ++k)
            if (!changed_[k] && !cut[k]) keep.push_back(k), order.push_back(order_[k]);
        for (int k = 0; k < near_.count(); ++k)
            if (changed_[k] && !cut[k]) add(moved_[k], order_[k]);
        bend(stops);
        put_bridges();
        order.insert(order.end(), fresh_order_.begin(), fresh_order_.end());
        return {near_.changed(keep, fresh_), std::move(order)};
    }

private:
    void add(const Piece& piece, double order) { fresh_.push_back(piece), fresh_order_.push_back(order); }

    void move_ends() {
        std::vector<P> ends = near_.ends();
        for (int k = 0; k < joints_.count(); ++k)
            for (const int* e = joints_.ends.begin(k); !joints_.all[k].bridge && e != joints_.ends.end(k); ++e) {
                ends[*e] = joints_.all[k].place;
                changed_[*e / 2] |= near_.end(*e) != ends[*e];
            }
        for (int k = 0; k < near_.count(); ++k)
            if (changed_[k]) moved_[k] = reshaped(near_.curves[k], ends[2 * k], ends[2 * k + 1]);
    }

    std::vector<Stop> stops_off_carriers() const {
        std::vector<Stop> stops;
        for (const Joint& joint : joints_.all)
            if (joint.inside >= 0 && moved_[joint.inside].distance_to(joint.place) > ON)
                stops.push_back({joint.inside, joint.share, joint.place});
        std::stable_sort(stops.begin(), stops.end(), [](const Stop& a, const Stop& b) {
            return a.piece < b.piece || (a.piece == b.piece && a.share < b.share);
        });
        return stops;
    }

    // Pieces that are met off their carrier are cut there and bent to the place: one part more than there are stops.
    void bend(const std::vector<Stop>& stops) {
        for (size_t begin = 0, end; begin < stops.size(); begin = end) {
            end = begin;
            while (end < stops.size() && stops[end].piece == stops[begin].piece) ++end;
            const Piece& whole = moved_[stops[begin].piece];
            for (size_t k = begin; k <= end; ++k) {
                bool from_start = k == begin, to_end = k == end;
                Piece plain = part(whole, from_start ? 0 : stops[k - 1].share, to_end ? 1 : stops[k].share);
                P start = from_start ? whole.start : stops[k - 1].place, stop = to_end ? whole.end : stops[k].place;
                add(reshaped(plain, start, stop),
                    order_[stops[begin].piece] + static_cast<double>(k - begin + 1) / 1024);
            }
        }
    }

    void put_bridges() {
        for (int k = 0; k < joints_.count(); ++k) {
            const Joint& joint = joints_.all[k];
            if (!joint.bridge) continue;
            int end = joints_.lead(k);
            const Piece& own = moved_[end / 2];
            add(Piece::from_bulge(own.end_point(end % 2), joint.place, joint.bulge, own.owner),
                order_[end / 2] + (end % 2 ? 0.999 : -0.999));
        }
    }

    const Near& near_;
    const std::vector<double>& order_;
    const Joints& joints_;
    Pieces moved_;
    std::vector<char> changed_;
    Pieces fresh_;
    std::vector<double> fresh_order_;
};

}  // namespace

Joined joined(const Near& near, const std::vector<double>& order, const Joints& joints) {
    return Work(near, order, joints).done();
}

}  // namespace heart
