#include "slivers.hpp"

#include <algorithm>
#include <numeric>
#include <set>
#include <tuple>
#include <unordered_map>

namespace heart {

namespace {

constexpr int SAMPLES = 9;
// Sides of a face up to which all of them are measured against each other.
constexpr int FEW = 16;
// Cosine of the angle off the straight way across up to which a side lies opposite.
constexpr double FACING = 0.85;
// Share of the tolerance up to which a face is so thin that the direction does not matter.
constexpr double TIP = 0.3;
constexpr int MOST_ROUNDS = 40;

std::vector<int> each_once(const std::vector<int>& some) {
    std::vector<int> left;
    std::set<int> seen;
    for (int k : some)
        if (seen.insert(k).second) left.push_back(k);
    return left;
}

double sample(int k) { return (k + 1.0) / (SAMPLES + 1.0); }

// A half-edge on the rim of a thin face.
struct Side {
    int half, edge, face, beyond;
    double width = INF;
};

// The space from each side of a face straight across to another side of the same face.
class Widths {
public:
    Widths(const Edges& edges, std::vector<Side>& sides, double tolerance)
        : edges_(edges), sides_(sides), tolerance_(tolerance) {}

    // The sides of a face follow each other from begin to end. How wide it is beyond the tolerance is not found out.
    void measure(int begin, int end) {
        bool few = end - begin <= FEW;
        std::vector<Box> boxes;
        for (int k = begin; !few && k < end; ++k) boxes.push_back(curve(k).bounds());
        Tree tree(boxes);
        for (int k = begin; k < end; ++k) {
            double widest = 0;
            // Begun in the middle, where a face that is too wide shows it first.
            for (int n = 0; n < SAMPLES && widest <= tolerance_; ++n) {
                double share = sample((SAMPLES / 2 + 2 * n) % SAMPLES);
                Look look{curve(k).point_at(share), inward(k, share), INF};
                if (few)
                    for (int other = begin; other < end; ++other) see(look, k, other);
                else
                    tree.around(Box::about(look.here, tolerance_), [&](int other) { see(look, k, begin + other); });
                widest = std::max(widest, look.nearest);
            }
            sides_[k].width = widest;
        }
    }

private:
    struct Look {
        P here, inward;
        double nearest;
    };

    const Piece& curve(int side) const { return edges_.curves[sides_[side].edge]; }

    // The face lies to the left of its sides.
    P inward(int side, double share) const {
        P way = curve(side).tangent_at(share);
        double turn = sides_[side].half % 2 ? -1.0 : 1.0;
        return {-way.y * turn, way.x * turn};
    }

    void see(Look& look, int own, int other) const {
        if (other == own) return;
        P apart = curve(other).nearest(look.here) - look.here;
        double distance = norm(apart);
        // What is near but not straight across is the next side round a corner: a small hole is no thin face. Only at
        // the tips of a face, where it is much thinner than the tolerance, the two cannot be told apart.
        if (dot(apart, look.inward) >= FACING * distance || distance <= TIP * tolerance_)
            look.nearest = std::min(look.nearest, distance);
    }

    const Edges& edges_;
    std::vector<Side>& sides_;
    const double tolerance_;
};

class Work {
public:
    Work(const Edges& edges, double tolerance, const std::vector<double>& total,
         const std::function<bool(const Twin&)>& accept)
        : edges_(edges), tolerance_(tolerance), total_(total), accept_(accept), gone_(edges.count(), 0) {}

    Flags done() {
        std::vector<int> active(edges_.count());
        std::iota(active.begin(), active.end(), 0);
        for (int round = 0; round < MOST_ROUNDS; ++round) {
            auto lost = one_round(active);
            if (lost.empty()) break;
            for (int e : lost) gone_[e] = 1;
            active = concerned(active, lost);
        }
        drop_left_hanging();
        return std::move(gone_);
    }

private:
    // Only the groups that have lost something can have a new thin face.
    std::vector<int> concerned(const std::vector<int>& active, const std::vector<int>& lost) const {
        Links links(static_cast<int>(edges_.vertices.size()));
        for (int e : active) links.link(edges_.tail[e], edges_.head[e]);
        std::set<int> touched;
        for (int e : lost) touched.insert(links.lead(edges_.tail[e]));
        std::vector<int> left;
        for (int e : active)
            if (!gone_[e] && touched.count(links.lead(edges_.tail[e]))) left.push_back(e);
        return left;
    }

    // The sides of all thin faces, face by face; `thin` tells of each cycle whether it is one.
    std::vector<Side> thin_sides(const std::vector<int>& active, Flags& thin, std::vector<double>& area) const {
        Pieces curves;
        std::vector<int> tail, head;
        for (int e : active)
            curves.push_back(edges_.curves[e]), tail.push_back(edges_.tail[e]), head.push_back(edges_.head[e]);
        Cycles cycles = cycles_of(curves, tail, head, static_cast<int>(edges_.vertices.size()));
        // What hangs inside a face bounds nothing: it has the face on both sides.
        auto bounds = [&](int half) { return cycles.label[half] != cycles.label[half ^ 1]; };
        std::vector<double> perimeter(cycles.count(), 0);
        for (int h = 0; h < static_cast<int>(cycles.label.size()); ++h)
            if (bounds(h)) perimeter[cycles.label[h]] += curves[h / 2].length();
        area = cycles.area;
        thin.assign(cycles.count(), 0);
        for (int c = 0; c < cycles.count(); ++c)
            thin[c] = area[c] > -HAIR && area[c] <= tolerance_ / 2 * perimeter[c] && perimeter[c] > 0;
        std::vector<Side> sides;
        for (int h = 0; h < static_cast<int>(cycles.label.size()); ++h)
            if (thin[cycles.label[h]] && bounds(h))
                sides.push_back({h, active[h / 2], cycles.label[h], cycles.label[h ^ 1]});
        std::stable_sort(sides.begin(), sides.end(), [](const Side& a, const Side& b) { return a.face < b.face; });
        return sides;
    }

    // Edges lost in this round; what else of their faces lies beside the rest is added to the twins.
    std::vector<int> one_round(const std::vector<int>& active) {
        Flags thin;
        std::vector<double> area;
        auto sides = thin_sides(active, thin, area);
        std::unordered_map<int, std::shared_ptr<std::vector<int>>> faces;
        Widths widths(edges_, sides, tolerance_);
        int count = static_cast<int>(sides.size());
        for (int begin = 0, end; begin < count; begin = end) {
            auto face = std::make_shared<std::vector<int>>();
            for (end = begin; end < count && sides[end].face == sides[begin].face; ++end)
                face->push_back(sides[end].edge);
            widths.measure(begin, end);
            faces[sides[begin].face] = std::move(face);
        }
        // The thinnest face first, and in it the edge that is best to lose.
        auto key = [&](const Side& s) {
            int64_t owner = edges_.curves[s.edge].owner;
            return std::make_tuple(area[s.face], s.face, total_[owner], owner, s.width, s.edge, s.half);
        };
        std::sort(sides.begin(), sides.end(), [&](const Side& a, const Side& b) { return key(a) < key(b); });
        std::vector<int> lost;
        std::set<int> touched;
        for (const Side& side : sides) {
            if (side.width > tolerance_) continue;
            Twin twin{side.edge, side.width, faces[side.face]};
            if (refused_.count(side.edge) || touched.count(side.face)) {
                if (twins_.emplace(side.edge, twin).second) met_.push_back(side.edge);
                continue;
            }
            if (touched.count(side.beyond)) {
                // It gets its best choice in the next round, not the second best in this one.
                touched.insert(side.face);
                continue;
            }
            if (!accept_(twin)) {
                refused_.insert(side.edge);
                continue;
            }
            // A face of real width can lose its other thin neighbours, too.
            touched.insert(side.face);
            if (thin[side.beyond]) touched.insert(side.beyond);
            lost.push_back(side.edge);
        }
        return lost;
    }

    // Of a run drawn twice one edge was lost; what is left of that run and hangs now goes, too. In waves: what goes can
    // let the next edges hang.
    void drop_left_hanging() {
        std::vector<int> degree(edges_.vertices.size(), 0);
        for (int e = 0; e < edges_.count(); ++e)
            if (!gone_[e]) ++degree[edges_.tail[e]], ++degree[edges_.head[e]];
        std::unordered_map<int, std::vector<int>> at;
        std::vector<int> wave;
        for (int e : met_) {
            if (gone_[e] || refused_.count(e)) continue;
            for (int v : {edges_.tail[e], edges_.head[e]}) at[v].push_back(e);
            if (std::min(degree[edges_.tail[e]], degree[edges_.head[e]]) == 1) wave.push_back(e);
        }
        while (!wave.empty()) {
            std::vector<int> following;
            for (int e : wave) {
                if (gone_[e] || !lies_beside(e) || !accept_(twins_.at(e))) continue;
                gone_[e] = 1;
                for (int v : {edges_.tail[e], edges_.head[e]})
                    if (--degree[v] == 1) following.insert(following.end(), at[v].begin(), at[v].end());
            }
            wave = each_once(following);
        }
    }

    // Whether an edge lies within the tolerance of what is left of its face all along.
    bool lies_beside(int edge) const {
        for (int k = 0; k < SAMPLES; ++k) {
            P here = edges_.curves[edge].point_at(sample(k));
            const auto& face = *twins_.at(edge).face;
            bool close = std::any_of(face.begin(), face.end(), [&](int e) {
                return e != edge && !gone_[e] && edges_.curves[e].distance_to(here) <= tolerance_;
            });
            if (!close) return false;
        }
        return true;
    }

    const Edges& edges_;
    const double tolerance_;
    const std::vector<double>& total_;
    const std::function<bool(const Twin&)>& accept_;
    Flags gone_;
    std::set<int> refused_;
    std::unordered_map<int, Twin> twins_;
    std::vector<int> met_;
};

}  // namespace

std::vector<int> Twin::beside() const {
    std::vector<int> others;
    for (int e : *face)
        if (e != edge) others.push_back(e);
    return others;
}

Flags thin_edges(const Edges& edges, double tolerance, const std::vector<double>& total,
                 const std::function<bool(const Twin&)>& accept) {
    return Work(edges, tolerance, total, accept).done();
}

}  // namespace heart
