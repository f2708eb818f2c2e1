// What `syntaxa.geometry` asks for.
#include "arrays.hpp"
#include "boxes.hpp"
#include "faces.hpp"
#include "groups.hpp"
#include "meeting.hpp"
#include "near.hpp"
#include "nearest.hpp"

namespace heart {

namespace {

std::vector<Box> boxes(const Array<double>& array) {
    refuse_unless(array.ndim() == 2 && array.shape(1) == 4, "boxes are wanted as (n, 4)");
    std::vector<Box> found(array.shape(0));
    const double* d = array.data();
    for (size_t k = 0; k < found.size(); ++k, d += 4) found[k] = {d[0], d[1], d[2], d[3]};
    return found;
}

py::tuple pair_columns(const Pairs& pairs) {
    return py::make_tuple(column<int64_t>(pairs, [](const Pair& p) { return p.first; }),
                          column<int64_t>(pairs, [](const Pair& p) { return p.second; }));
}

Pairs pairs_of(const Array<int64_t>& i, const Array<int64_t>& j, int64_t count) {
    auto first = indices(i, count), second = indices(j, count);
    refuse_unless(first.size() == second.size(), "pairs of unlike lengths");
    Pairs pairs(first.size());
    for (size_t k = 0; k < pairs.size(); ++k) pairs[k] = {first[k], second[k]};
    return pairs;
}

void bind_boxes(py::module_& module) {
    py::class_<Tree>(module, "Tree")
        .def(py::init([](const Array<double>& some) { return Tree(boxes(some)); }))
        .def("pairs",
             [](const Tree& tree) {
                 Pairs found;
                 aside([&] { tree.pairs([&](int i, int j) { found.emplace_back(i, j); }); });
                 return pair_columns(found);
             })
        .def("around", [](const Tree& tree, const Array<double>& wanted) {
            Pairs found;
            auto asked = boxes(wanted);
            {
                py::gil_scoped_release release;
                for (int row = 0; row < static_cast<int>(asked.size()); ++row)
                    tree.around(asked[row], [&](int k) { found.emplace_back(row, k); });
            }
            return pair_columns(found);
        });
}

// What is found for each piece, one by one.
template <class Result, class Work>
std::vector<Result> for_each_of(py::handle curves, Work&& work) {
    Pieces of = pieces(curves);
    std::vector<Result> found;
    found.reserve(of.size());
    aside([&] {
        for (const Piece& piece : of) found.push_back(work(piece));
    });
    return found;
}

void bind_nearest(py::module_& module) {
    using Beside = Nearest::Beside;
    py::class_<Nearest>(module, "Nearest")
        .def(py::init([](py::handle curves) { return Nearest(pieces(curves)); }))
        .def("farthest",
             [](const Nearest& nearest, py::handle curves, double step, int most) {
                 refuse_unless(step > 0 && most > 0, "a step of nothing");
                 auto found =
                     for_each_of<Farthest>(curves, [&](const Piece& of) { return nearest.farthest(of, step, most); });
                 return py::make_tuple(column<double>(found, [](const Farthest& f) { return f.share; }),
                                       column<double>(found, [](const Farthest& f) { return f.distance; }),
                                       column<double>(found, [](const Farthest& f) { return f.more; }));
             })
        .def("within",
             [](const Nearest& nearest, py::handle curves, double reach) {
                 return floats(for_each_of<double>(curves, [&](const Piece& of) { return nearest.within(of, reach); }));
             })
        .def("shortest",
             [](const Nearest& nearest, py::handle curves) {
                 Pieces of = pieces(curves);
                 Way way = aside([&] { return nearest.shortest(of); });
                 return py::make_tuple(way.distance, way.from.x, way.from.y, way.to.x, way.to.y);
             })
        .def("beside", [](const Nearest& nearest, const Array<double>& some, double reach) {
            auto own = points(some);
            auto found = aside([&] { return nearest.beside(own, reach); });
            return py::make_tuple(column<int64_t>(found, [](const Beside& b) { return b.point; }),
                                  column<int64_t>(found, [](const Beside& b) { return b.piece; }),
                                  column<double>(found, [](const Beside& b) { return b.distance; }));
        });
}

void bind_groups(py::module_& module) {
    module.def("clusters", [](const Array<double>& some, double radius) {
        auto own = points(some);
        Labels found = clusters(own, in_a_row(own), radius);
        return py::make_tuple(found.count, ints(found.of));
    });
    module.def("linked", [](const Array<int64_t>& first, const Array<int64_t>& second, int count) {
        Links links(count);
        for (auto [one, other] : pairs_of(first, second, count)) links.link(one, other);
        int groups = 0;
        auto label = links.labels(groups);
        return py::make_tuple(groups, ints(label));
    });
    module.def("smallest_circle", [](const Array<double>& some) {
        refuse_unless(some.size() > 0, "there is no circle around nothing");
        Circle circle = smallest_circle(points(some));
        return py::make_tuple(circle.centre.x, circle.centre.y, circle.radius);
    });
}

void bind_meeting(py::module_& module) {
    module.def("contacts", [](py::handle curves, const Array<int64_t>& i, const Array<int64_t>& j, double tolerance) {
        Pieces own = pieces(curves);
        std::vector<Contact> found;
        contacts(own, pairs_of(i, j, static_cast<int64_t>(own.size())), tolerance, true, found);
        return columns(found);
    });
    module.def("near_pairs", [](py::handle curves, double margin) {
        Pieces own = pieces(curves);
        return pair_columns(aside([&] { return near_pairs(own, margin); }));
    });
    module.def("near_pairs_between", [](py::handle curves, py::handle others, double margin) {
        Pieces own = pieces(curves), other = pieces(others);
        return pair_columns(aside([&] { return near_pairs(own, other, margin); }));
    });
    module.def("carrier_crossings",
               [](py::handle curves, const Array<int64_t>& i, const Array<int64_t>& j, double tolerance) {
                   Pieces own = pieces(curves);
                   std::vector<std::array<P, 2>> found;
                   for (auto [one, other] : pairs_of(i, j, static_cast<int64_t>(own.size())))
                       found.push_back(carrier_crossings(own[one], own[other], tolerance));
                   return py::make_tuple(places(found, [](const auto& both) { return both[0]; }),
                                         places(found, [](const auto& both) { return both[1]; }));
               });
    module.def("crossed_edges", [](py::handle curves, const Array<double>& from) {
        auto found = crossed_edges(pieces(curves), points(from));
        return py::make_tuple(column<int64_t>(found, [](const Crossed& c) { return c.ray; }),
                              column<int64_t>(found, [](const Crossed& c) { return c.edge; }),
                              column<double>(found, [](const Crossed& c) { return c.x; }));
    });
}

}  // namespace

void bind_geometry(py::module_& module) {
    bind_boxes(module);
    bind_nearest(module);
    bind_groups(module);
    bind_meeting(module);
}

}  // namespace heart
