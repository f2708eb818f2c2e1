// What the arrangement, its thin faces and loose chains, and the regions are made of.
#include <unordered_map>

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

py::tuple columns_of(const Cycles& cycles) {
    return py::make_tuple(ints(cycles.following), ints(cycles.label), floats(cycles.area), floats(cycles.perimeter));
}

py::tuple columns_of(const Chains& chains) {
    return py::make_tuple(ints(chains.edges.first), ints(chains.edges.entries), places(chains.place),
                          floats(chains.length));
}

void bind_arrangement(py::module_& module) {
    module.def("split_at_contacts", [](const Near& near) {
        Split split = aside([&] { return split_at_contacts(near); });
        return py::make_tuple(columns(split.edges),
                              column<int64_t>(split.crossings, [](const Crossing& c) { return c.first; }),
                              column<int64_t>(split.crossings, [](const Crossing& c) { return c.second; }),
                              places(split.crossings, [](const Crossing& c) { return c.point; }),
                              column<int64_t>(split.crossings, [](const Crossing& c) { return c.vertex; }));
    });
    module.def("edges_between", [](py::handle curves, const Array<int64_t>& owner, const Array<double>& share,
                                   const Array<int64_t>& label, const Array<double>& vertices) {
        Pieces own = pieces(curves);
        auto where = points(vertices);
        auto of = indices(owner, static_cast<int64_t>(own.size())),
             at = indices(label, static_cast<int64_t>(where.size()));
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
        Cycles found = aside([&] { return cycles_of(own, graph.tail, graph.head, vertices); });
        return columns_of(found);
    });
    module.def("outlines", [](py::handle curves, py::handle cycles) {
        Pieces own = pieces(curves);
        Cycles around = cycles_from(cycles);
        refuse_unless(around.label.size() == 2 * own.size(), "cycles of other edges");
        Rows rows = walks(around);
        py::array_t<double> made({static_cast<py::ssize_t>(rows.entries.size()), static_cast<py::ssize_t>(3)});
        double* to = made.mutable_data();
        for (int half : rows.entries) {
            const Piece& piece = own[half / 2];
            P begin = piece.end_point(half % 2);
            *to++ = begin.x, *to++ = begin.y, *to++ = half % 2 ? -piece.bulge : piece.bulge;
        }
        return py::make_tuple(ints(rows.first), made);
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
    module.def("thin_edges", [](py::handle of, double tolerance, const Array<double>& total, py::object accept) {
        Edges own = edges(of);
        for (const Piece& piece : own.curves)
            refuse_unless(piece.owner >= 0 && piece.owner < total.size(), "a length for each owner is wanted");
        std::vector<Twin> told;
        std::function<bool(const Twin&)> all = [&](const Twin& twin) {
            told.push_back(twin);
            return true;
        };
        std::function<bool(const Twin&)> asked = [&](const Twin& twin) {
            return accept(twin.edge, ints(twin.beside()), twin.width).cast<bool>();
        };
        Flags gone = thin_edges(own, tolerance, values<double>(total), accept.is_none() ? all : asked);
        // Twins of one face share what they tell of it.
        std::unordered_map<const void*, int> number;
        std::vector<int> face;
        Rows sides{{0}, {}};
        for (const Twin& twin : told) {
            auto [it, fresh] = number.try_emplace(twin.face.get(), static_cast<int>(number.size()));
            face.push_back(it->second);
            if (!fresh) continue;
            sides.entries.insert(sides.entries.end(), twin.face->begin(), twin.face->end());
            sides.first.push_back(static_cast<int>(sides.entries.size()));
        }
        return py::make_tuple(bools(gone), column<int64_t>(told, [](const Twin& t) { return t.edge; }),
                              column<double>(told, [](const Twin& t) { return t.width; }), ints(face),
                              ints(sides.first), ints(sides.entries));
    });
}

void bind_hanging(py::module_& module) {
    module.def("hanging_chains", [](py::handle curves, const Array<int64_t>& tail, const Array<int64_t>& head,
                                    int vertices, double longest) {
        Pieces own = pieces(curves);
        Graph graph(tail, head, vertices);
        refuse_unless(graph.tail.size() == own.size(), "columns of unlike lengths");
        return columns_of(hanging_chains(own, graph.tail, graph.head, vertices, longest, {}));
    });
    module.def(
        "hanging_pieces", [](const Near& near, const Array<bool>& settled, const Array<bool>& tail, double longest) {
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
    module.def("faces", [](py::handle curves, const Array<int64_t>& tail, const Array<int64_t>& head, int vertices) {
        Pieces own = pieces(curves);
        Graph graph(tail, head, vertices);
        refuse_unless(graph.tail.size() == own.size(), "columns of unlike lengths");
        Core core = aside([&] { return core_of(own, graph.tail, graph.head, vertices); });
        return py::make_tuple(ints(core.edges), columns_of(core.cycles), ints(core.faces.outer),
                              ints(core.faces.outsides), ints(core.faces.component), ints(core.faces.parent));
    });
    module.def("figures", [](py::handle curves, py::handle cycles, py::handle of) {
        Cycles own = cycles_from(cycles);
        Faces faces{indices(attribute<int64_t>(of, "outer"), own.count()),
                    indices(attribute<int64_t>(of, "outsides"), own.count()),
                    values<int>(attribute<int64_t>(of, "component")), values<int>(attribute<int64_t>(of, "parent"))};
        Figures told = figures_of(pieces(curves), own, faces);
        return py::make_tuple(ints(told.cycles.first), ints(told.cycles.entries), floats(told.area),
                              floats(told.perimeter), places(told.centroid), box_rows(told.box), ints(told.depth),
                              ints(told.owners.first), ints(told.owners.entries));
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
