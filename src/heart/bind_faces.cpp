// What the arrangement, its thin faces and loose chains, and the regions are made of.
#include "arrays.hpp"
#include "faces.hpp"
#include "hanging.hpp"
#include "slivers.hpp"

namespace heart {

namespace {

// The graph of an arrangement alone.
struct Graph {
    std::vector<int> tail, head;
    int vertices;

    Graph(const Array<int64_t>& from, const Array<int64_t>& to, int count)
        : tail(indices(from, count)), head(indices(to, count)), vertices(count) {
        refuse_unless(tail.size() == head.size(), "columns of unlike lengths");
    }
};

Cycles cycles_from(py::handle cycles) {
    Cycles own;
    own.area = values<double>(attribute<double>(cycles, "area"));
    own.perimeter = values<double>(attribute<double>(cycles, "perimeter"));
    auto following = attribute<int64_t>(cycles, "following");
    own.following = indices(following, following.size());
    own.label = indices(attribute<int64_t>(cycles, "label"), own.count());
    refuse_unless(own.label.size() == own.following.size(), "columns of unlike lengths");
    return own;
}

py::tuple columns_of(const Chains& chains) {
    return py::make_tuple(ints(chains.edges.first), ints(chains.edges.entries), ints(chains.loose), floats(chains.length));
}

void bind_arrangement(py::module_& module) {
    module.def("split_at_contacts", [](const Near& near) {
        Split split;
        {
            py::gil_scoped_release release;
            split = split_at_contacts(near);
        }
        return py::make_tuple(columns(split.edges), column<int64_t>(split.crossings, [](const Crossing& c) { return c.first; }),
                              column<int64_t>(split.crossings, [](const Crossing& c) { return c.second; }),
                              places(split.crossings, [](const Crossing& c) { return c.point; }),
                              column<int64_t>(split.crossings, [](const Crossing& c) { return c.vertex; }));
    });
    module.def("edges_between", [](py::handle curves, const Array<int64_t>& owner, const Array<double>& share,
                                   const Array<int64_t>& label, const Array<double>& vertices) {
        Pieces own = pieces(curves);
        auto where = points(vertices);
        auto of = indices(owner, static_cast<int64_t>(own.size())), at = indices(label, static_cast<int64_t>(where.size()));
        refuse_unless(of.size() == at.size() && share.size() == owner.size(), "columns of unlike lengths");
        return columns(edges_between(own, of, values<double>(share), at, std::move(where)));
    });
    module.def("bridges", [](const Array<int64_t>& tail, const Array<int64_t>& head, int vertices) {
        Graph graph(tail, head, vertices);
        return bools(bridges(graph.tail, graph.head, vertices));
    });
    module.def("cycles", [](py::handle curves, const Array<int64_t>& tail, const Array<int64_t>& head, int vertices) {
        Pieces own = pieces(curves);
        Graph graph(tail, head, vertices);
        refuse_unless(graph.tail.size() == own.size(), "columns of unlike lengths");
        Cycles found;
        {
            py::gil_scoped_release release;
            found = cycles_of(own, graph.tail, graph.head, vertices);
        }
        return py::make_tuple(ints(found.following), ints(found.label), floats(found.area), floats(found.perimeter));
    });
    module.def("walks", [](py::handle cycles) {
        Rows found = walks(cycles_from(cycles));
        return py::make_tuple(ints(found.first), ints(found.entries));
    });
    module.def("what_is_left", [](const Near& near, const Array<double>& order, py::handle of) -> py::object {
        refuse_unless(order.size() == near.count(), "an order of other pieces");
        Edges own = edges(of);
        for (int piece : own.piece) refuse_unless(piece >= 0 && piece < near.count(), "an edge of no piece");
        Left left = what_is_left(near, values<double>(order), own);
        if (!left.less) return py::none();
        return py::make_tuple(std::move(left.near), floats(left.order));
    });
}

void bind_slivers(py::module_& module) {
    module.def("thin_edges", [](py::handle of, double tolerance, const Array<int64_t>& weight, py::object accept) {
        Edges own = edges(of);
        refuse_unless(weight.size() == own.count(), "a weight for each edge is wanted");
        std::vector<Twin> told;
        std::function<bool(const Twin&)> all = [&](const Twin& twin) {
            told.push_back(twin);
            return true;
        };
        std::function<bool(const Twin&)> asked = [&](const Twin& twin) {
            return accept(twin.edge, ints(twin.beside()), twin.width).cast<bool>();
        };
        Flags gone = thin_edges(own, tolerance, values<int>(weight), accept.is_none() ? all : asked);
        py::list twins;
        for (const Twin& twin : told) twins.append(py::make_tuple(twin.edge, ints(twin.beside()), twin.width));
        return py::make_tuple(bools(gone), twins);
    });
}

void bind_hanging(py::module_& module) {
    module.def("hanging_chains", [](py::handle curves, const Array<int64_t>& tail, const Array<int64_t>& head, int vertices,
                                    double longest) {
        Pieces own = pieces(curves);
        Graph graph(tail, head, vertices);
        refuse_unless(graph.tail.size() == own.size(), "columns of unlike lengths");
        return columns_of(hanging_chains(own, graph.tail, graph.head, vertices, longest, {}));
    });
    module.def("hanging_pieces", [](const Near& near, const Array<bool>& settled, const Array<bool>& tail, double longest) {
        refuse_unless(settled.size() == 2 * near.count() && tail.size() == settled.size(), "a state of other ends");
        return columns_of(hanging_pieces(near, {values<char>(settled), values<char>(tail)}, longest));
    });
    module.def("open_groups", [](const Array<int64_t>& tail, const Array<int64_t>& head, int vertices) {
        Graph graph(tail, head, vertices);
        OpenGroups found = open_groups(graph.tail, graph.head, vertices);
        return py::make_tuple(ints(found.edges.first), ints(found.edges.entries), bools(found.free));
    });
}

void bind_regions(py::module_& module) {
    module.def("faces", [](py::handle curves, const Array<int64_t>& tail, const Array<int64_t>& head, int vertices,
                           py::handle cycles) {
        Pieces own = pieces(curves);
        Graph graph(tail, head, vertices);
        Faces found = faces_of(own, graph.tail, graph.head, vertices, cycles_from(cycles));
        return py::make_tuple(ints(found.outer), ints(found.outsides), ints(found.component), ints(found.parent));
    });
    module.def("figures", [](py::handle curves, py::handle cycles, py::handle of) {
        Cycles own = cycles_from(cycles);
        Faces faces{indices(attribute<int64_t>(of, "outer"), own.count()), indices(attribute<int64_t>(of, "outsides"), own.count()),
                    values<int>(attribute<int64_t>(of, "component")), values<int>(attribute<int64_t>(of, "parent"))};
        Figures told = figures_of(pieces(curves), own, faces);
        py::array_t<double> boxes({static_cast<py::ssize_t>(told.box.size()), static_cast<py::ssize_t>(4)});
        double* to = boxes.mutable_data();
        for (const Box& box : told.box)
            for (double value : {box.low_x, box.low_y, box.high_x, box.high_y}) *to++ = value;
        return py::make_tuple(ints(told.cycles.first), ints(told.cycles.entries), floats(told.area), floats(told.perimeter),
                              places(told.centroid), boxes, ints(told.depth), ints(told.owners.first), ints(told.owners.entries));
    });
}

}  // namespace

void bind_faces(py::module_& module) {
    bind_arrangement(module);
    bind_slivers(module);
    bind_hanging(module);
    bind_regions(module);
}

}  // namespace heart
