// What the passes of `syntaxa.mend` ask for: neighbourhoods, stacks, joints.
#include "arrays.hpp"
#include "ends.hpp"
#include "joints.hpp"
#include "near.hpp"
#include "stacks.hpp"

namespace heart {

namespace {

EndState state_of(const Near& near, const Array<bool>& settled, const Array<bool>& tail) {
    refuse_unless(settled.size() == 2 * near.count() && tail.size() == 2 * near.count(), "a state of other ends");
    return {values<char>(settled), values<char>(tail)};
}

void bind_near(py::module_& module) {
    py::class_<Near>(module, "Near")
        .def(py::init([](py::handle curves, double merge) { return Near(pieces(curves), merge); }))
        .def("curves", [](const Near& near) { return columns(near.curves); })
        .def("lengths", [](const Near& near) { return floats(near.lengths()); })
        .def("labels", [](const Near& near) { return ints(near.labels().of); })
        .def("contacts",
             [](const Near& near) {
                 aside([&] { near.contacts(); });
                 return columns(near.contacts());
             })
        .def("changed", [](const Near& near, const Array<int64_t>& keep, py::handle curves) {
            auto kept = indices(keep, near.count());
            Pieces fresh = pieces(curves);
            return aside([&] { return near.changed(kept, fresh); });
        });
}

void bind_stacks(py::module_& module) {
    module.def("stacks", [](const Near& near, double tolerance) {
        Stacks found = aside([&] { return stacks(near, tolerance); });
        return py::make_tuple(ints(found.members.first), ints(found.members.entries),
                              column<double>(found.all, [](const Stack& s) { return s.low; }),
                              column<double>(found.all, [](const Stack& s) { return s.high; }),
                              column<bool>(found.all, [](const Stack& s) { return s.whole; }),
                              column<bool>(found.all, [](const Stack& s) { return s.alike; }));
    });
    module.def("unstacked", [](const Near& near, const Array<double>& order, py::handle of,
                               const Array<int64_t>& chosen, const Array<int64_t>& other) {
        refuse_unless(order.size() == near.count(), "an order of other pieces");
        Stacks found;
        auto low = attribute<double>(of, "low"), high = attribute<double>(of, "high");
        auto whole = attribute<bool>(of, "whole");
        for (py::ssize_t k = 0; k < low.size(); ++k)
            found.all.push_back({low.data()[k], high.data()[k], whole.data()[k], false});
        found.members = {values<int>(attribute<int64_t>(of, "first")),
                         indices(attribute<int64_t>(of, "members"), near.count())};
        auto count = static_cast<int64_t>(found.all.size());
        auto grow = indices(chosen, count), second = indices(other, count);
        auto places = values<double>(order);
        Joined done = aside([&] { return unstacked(near, places, found, grow, second); });
        return py::make_tuple(std::move(done.near), floats(done.order));
    });
}

void bind_ends(py::module_& module) {
    module.def("end_states", [](const Near& near, double reach) {
        EndState state = aside([&] { return end_states(near, reach); });
        return py::make_tuple(bools(state.settled), bools(state.tail));
    });
    module.def("specks",
               [](const Near& near, double longest) { return ints(aside([&] { return specks(near, longest); })); });
    module.def("sound", [](const Near& near, const Array<bool>& settled, const Array<bool>& tail) {
        return bools(sound(near, state_of(near, settled, tail)));
    });
    module.def("nearest_ends", [](const Near& near, const Array<bool>& settled, const Array<bool>& tail, double limit) {
        EndState state = state_of(near, settled, tail);
        Partners found = aside([&] { return nearest_ends(near, state, limit); });
        return py::make_tuple(ints(found.ends), floats(found.to_partner), floats(found.left), floats(found.right));
    });
    module.def(
        "nearest_curves", [](const Near& near, double limit, double clear, const Array<int64_t>& ends,
                             const Array<double>& to_partner, const Array<double>& left, const Array<double>& right) {
            Partners found{indices(ends, 2 * near.count()), values<double>(to_partner), values<double>(left),
                           values<double>(right)};
            size_t count = found.ends.size();
            refuse_unless(found.to_partner.size() == count && found.left.size() == count && found.right.size() == count,
                          "distances of other ends");
            aside([&] { nearest_curves(near, limit, clear, found); });
            return py::make_tuple(floats(found.to_partner), floats(found.left), floats(found.right));
        });
}

void bind_joints(py::module_& module) {
    module.def("find_joints", [](const Near& near, const Array<bool>& settled, const Array<bool>& tail, double gap) {
        EndState state = state_of(near, settled, tail);
        Joints found = aside([&] { return find_joints(near, state, gap); });
        return columns(found);
    });
    module.def("measured", [](const Near& near, py::handle of) {
        Joints own = joints(of, 2 * near.count());
        measure(near, own);
        return columns(own);
    });
    module.def("joined", [](const Near& near, const Array<double>& order, py::handle of) {
        refuse_unless(order.size() == near.count(), "an order of other pieces");
        Joints own = joints(of, 2 * near.count());
        auto places = values<double>(order);
        Joined done = aside([&] { return joined(near, places, own); });
        return py::make_tuple(std::move(done.near), floats(done.order));
    });
}

}  // namespace

void bind_mending(py::module_& module) {
    bind_near(module);
    bind_stacks(module);
    bind_ends(module);
    bind_joints(module);
}

}  // namespace heart
