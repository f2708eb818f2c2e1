#include "joints.hpp"

#include <algorithm>
#include <set>
#include <tuple>
#include <unordered_map>
#include <unordered_set>

#include "places.hpp"
#include "throngs.hpp"

namespace heart {

namespace {

// The pass over one drawing: what is at each end, the nodes, and which pieces were sound.
class Search {
public:
    Search(const Near& near, const EndState& state, double gap)
        : near_(near),
          state_(state),
          gap_(gap),
          node_(nodes()),
          members_(grouped(node_, 2 * near.count())),
          whole_(sound(near, state)) {}

    Joints found() {
        Joints joints = drawn_on(of_ends());
        spare_sound(joints);
        Flags taken(2 * near_.count(), 0);
        auto take = [&](const Joints& some) {
            for (int e : some.ends.entries) taken[e] = 1;
        };
        take(joints);
        Joints inside;
        for (int e : state_.open_ends()) {
            if (taken[e]) continue;
            Passing target = nearest(e, [](int) { return true; });
            if (target.piece >= 0) inside.add(met_inside(near_, e, target, gap_), &e, &e + 1);
        }
        spare_sound(inside);
        take(inside);
        joints.add(inside);
        joints.add(bridges(joints, taken));
        measure(near_, joints);
        return joints;
    }

private:
    // The node of each end, named by its first end: settled ends at one place share one.
    std::vector<int> nodes() const {
        const Labels& labels = near_.labels();
        std::vector<int> first(labels.count, -1), node(2 * near_.count());
        for (int e = 0; e < 2 * near_.count(); ++e) {
            node[e] = e;
            if (!state_.settled[e]) continue;
            int& lead = first[labels.of[e]];
            if (lead < 0) lead = e;
            node[e] = lead;
        }
        return node;
    }

    // Joints of open ends with other ends: plain couples each for itself, crowds that fit into the gap whole, others
    // nearest first.
    Joints of_ends() {
        auto groups = throngs(near_, state_, gap_);
        auto close = end_pairs(near_, open_beyond(groups), gap_);
        Links links(2 * near_.count());
        for (const Close& c : close) links.link(node_[c.wanted], node_[c.other]);
        std::vector<int> size(2 * near_.count(), 0);
        Flags counted(2 * near_.count(), 0);
        for (const Close& c : close)
            for (int node : {node_[c.wanted], node_[c.other]})
                if (!counted[node]) counted[node] = 1, ++size[links.lead(node)];
        std::vector<Pair> couples;
        std::vector<Close> crowd;
        for (const Close& c : close) {
            int one = node_[c.wanted], other = node_[c.other];
            if (size[links.lead(one)] == 2)
                couples.emplace_back(std::min(one, other), std::max(one, other));
            else
                crowd.push_back(c);
        }
        std::sort(couples.begin(), couples.end());
        couples.erase(std::unique(couples.begin(), couples.end()), couples.end());
        Joints joints;
        for (auto [one, other] : couples) couple(one, other, joints);
        for (auto& group : crowded(crowd)) groups.push_back(std::move(group));
        auto lowest = [](const std::vector<int>& group) { return *std::min_element(group.begin(), group.end()); };
        std::sort(groups.begin(), groups.end(), [&](auto& one, auto& other) { return lowest(one) < lowest(other); });
        for (const auto& group : groups) gather(group, joints);
        return joints;
    }

    // Open ends that are in none of the groups.
    std::vector<int> open_beyond(const std::vector<std::vector<int>>& groups) const {
        std::vector<int> open = state_.open_ends();
        if (groups.empty()) return open;
        Flags grouped(2 * near_.count(), 0);
        for (const auto& group : groups)
            for (int e : group) grouped[e] = 1;
        open.erase(std::remove_if(open.begin(), open.end(), [&](int e) { return grouped[e]; }), open.end());
        return open;
    }

    // A joint of two nodes: at the settled one, where the carriers meet, or in the middle.
    void couple(int one, int other, Joints& joints) {
        P here = near_.end(one), there = near_.end(other), place = middle(here, there);
        bool held = state_.settled[one], kept = state_.settled[other];
        if (!held && !kept)
            place = met(near_, one, other, gap_);
        else if (held && may_go(near_, other, here, gap_))
            place = here;
        else if (kept && may_go(near_, one, there, gap_))
            place = there;
        couple_.assign(members_.begin(one), members_.end(one));
        couple_.insert(couple_.end(), members_.begin(other), members_.end(other));
        add(place, couple_, joints);
    }

    // The gap is the width of the smallest circle around the ends, which is what has to fit into the tolerance.
    void add(P place, const std::vector<int>& ends, Joints& joints) {
        Joint joint{place};
        joint.gap = ends.size() == 2 ? norm(near_.end(ends[0]) - near_.end(ends[1]))
                                     : 2 * smallest_circle(distinct_places(ends)).radius;
        joints.add(joint, ends.data(), ends.data() + ends.size());
    }

    // Ends grouped nearest first, no group wider than the gap tolerance allows.
    std::vector<std::vector<int>> crowded(std::vector<Close> close) {
        // Where distances are alike it must not matter in which order the curves came.
        auto key = [&](const Close& c) {
            P a = near_.end(c.wanted), b = near_.end(c.other);
            return std::make_tuple(c.distance, std::max(std::fabs(a.x - b.x), std::fabs(a.y - b.y)), a.x + a.y,
                                   c.wanted, c.other);
        };
        std::sort(close.begin(), close.end(), [&](const Close& a, const Close& b) { return key(a) < key(b); });
        std::unordered_map<int, int> group_of;
        std::vector<std::vector<int>> ends, inside;
        // Groups that are too wide together: they only grow, and so stay it.
        std::vector<std::unordered_set<int>> too_wide;
        auto group = [&](int node) {
            auto [it, fresh] = group_of.try_emplace(node, static_cast<int>(ends.size()));
            if (!fresh) return it->second;
            ends.emplace_back(members_.begin(node), members_.end(node)), inside.push_back({node});
            too_wide.emplace_back();
            return it->second;
        };
        for (const Close& c : close) {
            int mine = group(node_[c.wanted]), theirs = group(node_[c.other]);
            if (mine == theirs || too_wide[mine].count(theirs)) continue;
            std::vector<int> both = ends[mine];
            both.insert(both.end(), ends[theirs].begin(), ends[theirs].end());
            if (smallest_circle(distinct_places(both)).radius > gap_ / 2 + SLACK) {
                too_wide[mine].insert(theirs), too_wide[theirs].insert(mine);
                continue;
            }
            ends[mine] = std::move(both);
            for (int node : inside[theirs]) group_of[node] = mine;
            inside[mine].insert(inside[mine].end(), inside[theirs].begin(), inside[theirs].end());
            ends[theirs].clear(), inside[theirs].clear();
            for (int other : too_wide[theirs]) too_wide[other].insert(mine), too_wide[mine].insert(other);
        }
        std::vector<std::vector<int>> groups;
        for (size_t k = 0; k < ends.size(); ++k)
            if (inside[k].size() > 1) groups.push_back(std::move(ends[k]));
        return groups;
    }

    std::vector<P> distinct_places(const std::vector<int>& ends) const {
        std::vector<P> places;
        std::set<std::pair<double, double>> seen;
        for (int e : ends) {
            P place = near_.end(e);
            if (seen.emplace(place.x, place.y).second) places.push_back(place);
        }
        return places;
    }

    // A joint of a crowd: at a settled end if all can reach it, else in the middle of them all.
    void gather(const std::vector<int>& group, Joints& joints) {
        auto fixed = std::find_if(group.begin(), group.end(), [&](int e) { return state_.settled[e]; });
        if (fixed != group.end() && all_may_come(group, near_.end(*fixed)))
            return add(near_.end(*fixed), group, joints);
        P place = smallest_circle(distinct_places(group)).centre;
        const Piece& lead = near_.curves[group[0] / 2];
        bool on_one =
            std::all_of(group.begin(), group.end(), [&](int e) { return share_circle(near_.curves[e / 2], lead); });
        add(on_one ? lead.point_at(lead.share_of(place)) : place, group, joints);
    }

    bool all_may_come(const std::vector<int>& group, P to) const {
        return std::all_of(group.begin(), group.end(), [&](int e) {
            return norm(near_.end(e) - to) <= gap_ / 2 + SLACK || (!state_.settled[e] && may_go(near_, e, to, gap_));
        });
    }

    // The nearest piece that passes an end, of those that may be; its number is -1 where there is none.
    template <class May>
    Passing nearest(int end, May&& may) const {
        Passing best{-1, INF, 0};
        passing(near_, end, gap_, [&](const Passing& p) {
            bool nearer = p.distance < best.distance || (p.distance == best.distance && p.piece < best.piece);
            if (nearer && may(p.piece)) best = p;
        });
        return best;
    }

    // The joints, those of ends that all leave one way drawn on to the curve before which they stop, if it is near: two
    // runs of one line that end together have not found what they should meet; only each other.
    Joints drawn_on(Joints joints) const {
        for (int k = 0; k < joints.count(); ++k) {
            if (!leave_one_way(joints, k)) continue;
            const int *begin = joints.ends.begin(k), *end = joints.ends.end(k);
            auto others = [&](int piece) { return std::none_of(begin, end, [&](int e) { return e / 2 == piece; }); };
            Passing target = nearest(*begin, others);
            if (target.piece < 0) continue;
            Joint to = met_inside(near_, *begin, target, gap_);
            bool all = std::all_of(begin, end, [&](int e) { return may_go(near_, e, to.place, gap_); });
            if (!all || near_.curves[to.inside].distance_to(to.place) > gap_ / 2 + SLACK) continue;
            Joint& joint = joints.all[k];
            joint.place = to.place, joint.inside = to.inside, joint.share = to.share;
        }
        return joints;
    }

    // Whether no end of a joint is settled and all their curves leave in about the same direction.
    bool leave_one_way(const Joints& joints, int joint) const {
        P lead = leaving(near_.curves, joints.lead(joint));
        return std::all_of(joints.ends.begin(joint), joints.ends.end(joint), [&](int e) {
            return !state_.settled[e] && dot(leaving(near_.curves, e), lead) > std::cos(SHALLOW);
        });
    }

    // Drops joints that would move or bend what was sound: what lies beside it may come to it, no more.
    void spare_sound(Joints& joints) const {
        Joints left;
        for (int k = 0; k < joints.count(); ++k) {
            const Joint& joint = joints.all[k];
            bool moves = std::any_of(joints.ends.begin(k), joints.ends.end(k),
                                     [&](int e) { return whole_[e / 2] && norm(near_.end(e) - joint.place) > ON; });
            moves |=
                joint.inside >= 0 && whole_[joint.inside] && near_.curves[joint.inside].distance_to(joint.place) > ON;
            if (!moves) left.add(joint, joints.ends.begin(k), joints.ends.end(k));
        }
        joints = std::move(left);
    }

    // Short lines for ends whose partners have already gone elsewhere, from the end to where they went.
    Joints bridges(const Joints& joints, const Flags& taken) const {
        std::vector<int> goal;
        std::vector<P> points;
        for (int k = 0; k < joints.count(); ++k)
            for (const int* e = joints.ends.begin(k); e != joints.ends.end(k); ++e)
                goal.push_back(k), points.push_back(near_.end(*e));
        std::vector<int> stranded, wanted;
        for (int e : state_.open_ends()) {
            if (taken[e]) continue;
            wanted.push_back(static_cast<int>(points.size()));
            stranded.push_back(e), points.push_back(near_.end(e));
        }
        Joints found;
        if (stranded.empty()) return found;
        int gone = static_cast<int>(goal.size());
        std::vector<std::pair<double, int>> best(stranded.size(), {INF, -1});
        for (auto [one, two, _] : pairs_within(points, in_a_row(points), wanted, gap_ + SLACK)) {
            int end = stranded[one - gone];
            if (two >= gone || end / 2 == joints.ends.entries[two] / 2) continue;
            std::pair<double, int> there{norm(joints.all[goal[two]].place - near_.end(end)), goal[two]};
            best[one - gone] = std::min(best[one - gone], there);
        }
        for (size_t k = 0; k < stranded.size(); ++k) {
            if (best[k].second < 0) continue;
            Joint joint{joints.all[best[k].second].place, best[k].first};
            joint.bridge = true;
            found.add(joint, &stranded[k], &stranded[k] + 1);
        }
        return found;
    }

    const Near& near_;
    const EndState& state_;
    const double gap_;
    const std::vector<int> node_;
    const Rows members_;
    const Flags whole_;
    std::vector<int> couple_;
};

}  // namespace

void Joints::add(const Joint& joint, const int* begin, const int* end) {
    all.push_back(joint);
    ends.entries.insert(ends.entries.end(), begin, end);
    ends.first.push_back(static_cast<int>(ends.entries.size()));
}

void Joints::add(const Joints& others) {
    for (int k = 0; k < others.count(); ++k) add(others.all[k], others.ends.begin(k), others.ends.end(k));
}

Joints find_joints(const Near& near, const EndState& state, double gap) { return Search(near, state, gap).found(); }

void measure(const Near& near, Joints& joints) {
    for (int k = 0; k < joints.count(); ++k) {
        Joint& joint = joints.all[k];
        joint.side = joint.along = 0;
        for (const int* e = joints.ends.begin(k); !joint.bridge && e != joints.ends.end(k); ++e) {
            auto [side, along] = travel(near.curves, *e, joint.place);
            joint.side = std::max(joint.side, side), joint.along = std::max(joint.along, std::fabs(along));
        }
        if (joint.inside >= 0) joint.side = std::max(joint.side, near.curves[joint.inside].distance_to(joint.place));
        // What is left of an exact crossing is rounding.
        if (joint.side <= ON) joint.side = 0;
    }
}

}  // namespace heart
