// What `CurveArray` asks for: measures of lines and arcs, each for itself.
#include "arrays.hpp"

namespace heart {

namespace {

// A number of each piece.
template <class Part>
py::array_t<double> numbers(py::handle curves, Part&& part) {
    return column<double>(pieces(curves), part);
}

// Something of each piece and of what is given for it.
template <class Given, class Part>
auto with(const Pieces& own, const std::vector<Given>& given, Part&& part) {
    refuse_unless(given.size() == own.size(), "one is wanted for each piece");
    std::vector<decltype(part(own[0], given[0]))> made;
    made.reserve(own.size());
    for (size_t k = 0; k < own.size(); ++k) made.push_back(part(own[k], given[k]));
    return made;
}

P point_of(const Array<double>& array) {
    refuse_unless(array.size() == 2, "a point is wanted as (2,)");
    return {array.data()[0], array.data()[1]};
}

}  // namespace

void bind_curves(py::module_& module) {
    module.def("from_bulges", [](const Array<double>& start, const Array<double>& end, const Array<double>& bulge,
                                 const Array<int64_t>& owner) {
        auto from = points(start), to = points(end);
        refuse_unless(from.size() == to.size() && bulge.size() == owner.size() &&
                          static_cast<py::ssize_t>(from.size()) == bulge.size(),
                      "columns of unlike lengths");
        Pieces made;
        made.reserve(from.size());
        for (size_t k = 0; k < from.size(); ++k)
            made.push_back(Piece::from_bulge(from[k], to[k], bulge.data()[k], owner.data()[k]));
        return columns(made);
    });
    module.def("lengths", [](py::handle curves) { return numbers(curves, [](const Piece& p) { return p.length(); }); });
    module.def("points_at", [](py::handle curves, const Array<double>& share) {
        return places(
            with(pieces(curves), values<double>(share), [](const Piece& p, double s) { return p.point_at(s); }));
    });
    module.def("tangents_at", [](py::handle curves, const Array<double>& share) {
        return places(
            with(pieces(curves), values<double>(share), [](const Piece& p, double s) { return p.tangent_at(s); }));
    });
    module.def("shares_of", [](py::handle curves, const Array<double>& of) {
        return floats(with(pieces(curves), points(of), [](const Piece& p, P point) { return p.share_of(point); }));
    });
    module.def("distances_to", [](py::handle curves, const Array<double>& of) {
        return floats(with(pieces(curves), points(of), [](const Piece& p, P point) { return p.distance_to(point); }));
    });
    module.def("bounds", [](py::handle curves) {
        std::vector<Box> found;
        for (const Piece& piece : pieces(curves)) found.push_back(piece.bounds());
        return box_rows(found);
    });
    module.def("signed_areas", [](py::handle curves) {
        Pieces own = pieces(curves);
        P origin = middle_of(own);
        return column<double>(own, [origin](const Piece& p) { return p.signed_area(origin); });
    });
    module.def("signed_moments", [](py::handle curves, const Array<double>& about) {
        P origin = point_of(about);
        return places(pieces(curves), [origin](const Piece& p) { return p.signed_moment(origin); });
    });
}

}  // namespace heart
