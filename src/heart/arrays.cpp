#include "arrays.hpp"

namespace heart {

Pieces pieces(py::handle curves) {
    auto start = attribute<double>(curves, "start"), end = attribute<double>(curves, "end");
    auto bulge = attribute<double>(curves, "bulge"), radius = attribute<double>(curves, "radius");
    auto centre = attribute<double>(curves, "centre"), angle = attribute<double>(curves, "start_angle");
    auto sweep = attribute<double>(curves, "sweep");
    auto owner = attribute<int64_t>(curves, "owner");
    auto is_arc = attribute<bool>(curves, "is_arc");
    py::ssize_t count = bulge.size();
    for (const auto* pair : {&start, &end, &centre})
        refuse_unless(pair->size() == 2 * count, "columns of unlike lengths");
    for (const auto* column : {&radius, &angle, &sweep})
        refuse_unless(column->size() == count, "columns of unlike lengths");
    refuse_unless(owner.size() == count && is_arc.size() == count, "columns of unlike lengths");
    const double *s = start.data(), *e = end.data(), *c = centre.data();
    Pieces made(count);
    for (py::ssize_t k = 0; k < count; ++k)
        made[k] = {{s[2 * k], s[2 * k + 1]}, {e[2 * k], e[2 * k + 1]}, bulge.data()[k],
                   owner.data()[k],          is_arc.data()[k],         {c[2 * k], c[2 * k + 1]},
                   radius.data()[k],         angle.data()[k],          sweep.data()[k]};
    return made;
}

py::tuple columns(const Pieces& from) {
    return py::make_tuple(places(from, [](const Piece& p) { return p.start; }),
                          places(from, [](const Piece& p) { return p.end; }),
                          column<double>(from, [](const Piece& p) { return p.bulge; }),
                          column<int64_t>(from, [](const Piece& p) { return p.owner; }),
                          column<bool>(from, [](const Piece& p) { return p.is_arc; }),
                          places(from, [](const Piece& p) { return p.centre; }),
                          column<double>(from, [](const Piece& p) { return p.radius; }),
                          column<double>(from, [](const Piece& p) { return p.start_angle; }),
                          column<double>(from, [](const Piece& p) { return p.sweep; }));
}

Edges edges(py::handle from) {
    Edges made;
    made.vertices = points(attribute<double>(from, "vertices"));
    auto vertices = static_cast<int64_t>(made.vertices.size());
    made.curves = pieces(from.attr("curves"));
    made.tail = indices(attribute<int64_t>(from, "tail"), vertices);
    made.head = indices(attribute<int64_t>(from, "head"), vertices);
    made.piece = values<int>(attribute<int64_t>(from, "piece"));
    made.low = values<double>(attribute<double>(from, "low"));
    made.high = values<double>(attribute<double>(from, "high"));
    for (size_t size : {made.curves.size(), made.head.size(), made.piece.size(), made.low.size(), made.high.size()})
        refuse_unless(size == made.tail.size(), "columns of unlike lengths");
    return made;
}

py::tuple columns(const Edges& from) {
    return py::make_tuple(columns(from.curves), ints(from.tail), ints(from.head), ints(from.piece), floats(from.low),
                          floats(from.high), places(from.vertices));
}

py::tuple columns(const std::vector<Contact>& met) {
    return py::make_tuple(column<int64_t>(met, [](const Contact& c) { return c.first; }),
                          column<int64_t>(met, [](const Contact& c) { return c.second; }),
                          places(met, [](const Contact& c) { return c.point; }),
                          column<int64_t>(met, [](const Contact& c) { return c.end; }),
                          column<double>(met, [](const Contact& c) { return c.first_share; }),
                          column<double>(met, [](const Contact& c) { return c.second_share; }));
}

Joints joints(py::handle from, int ends) {
    auto first = values<int>(attribute<int64_t>(from, "first"));
    auto own = indices(attribute<int64_t>(from, "ends"), ends);
    auto place = points(attribute<double>(from, "place"));
    auto gap = attribute<double>(from, "gap"), side = attribute<double>(from, "side"),
         along = attribute<double>(from, "along");
    auto share = attribute<double>(from, "share"), bulge = attribute<double>(from, "bulge");
    auto inside = attribute<int64_t>(from, "inside");
    auto bridge = attribute<bool>(from, "bridge");
    refuse_unless(first.size() == place.size() + 1 && first.back() == static_cast<int>(own.size()),
                  "joints of unlike lengths");
    Joints made;
    for (size_t k = 0; k < place.size(); ++k) {
        refuse_unless(inside.data()[k] < ends / 2, "a joint on no piece");
        Joint joint{
            place[k],        gap.data()[k],    side.data()[k], along.data()[k], static_cast<int>(inside.data()[k]),
            share.data()[k], bridge.data()[k], bulge.data()[k]};
        made.add(joint, own.data() + first[k], own.data() + first[k + 1]);
    }
    return made;
}

py::tuple columns(const Joints& from) {
    auto number = [&](double Joint::* which) {
        return column<double>(from.all, [which](const Joint& j) { return j.*which; });
    };
    return py::make_tuple(ints(from.ends.first), ints(from.ends.entries),
                          places(from.all, [](const Joint& j) { return j.place; }), number(&Joint::gap),
                          number(&Joint::side), number(&Joint::along),
                          column<int64_t>(from.all, [](const Joint& j) { return j.inside; }), number(&Joint::share),
                          column<bool>(from.all, [](const Joint& j) { return j.bridge; }), number(&Joint::bulge));
}

}  // namespace heart
