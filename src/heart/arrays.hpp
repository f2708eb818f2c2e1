// NumPy arrays to what the heart works on, and back. Whatever comes in is checked for its length and its range.
#pragma once

#include <pybind11/numpy.h>
#include <pybind11/pybind11.h>

#include <string>
#include <vector>

#include "arrangement.hpp"
#include "joints.hpp"

namespace heart {

namespace py = pybind11;

template <class T>
using Array = py::array_t<T, py::array::c_style | py::array::forcecast>;

inline void refuse_unless(bool good, const char* what) {
    if (!good) throw py::value_error(what);
}

template <class T>
Array<T> attribute(py::handle object, const char* name) {
    auto found = Array<T>::ensure(object.attr(name));
    if (!found) throw py::error_already_set();
    return found;
}

template <class T, class From>
std::vector<T> values(const Array<From>& array) {
    const From* data = array.data();
    return std::vector<T>(data, data + array.size());
}

// Numbers below a count.
inline std::vector<int> indices(const Array<int64_t>& array, int64_t count) {
    for (int64_t k = 0; k < array.size(); ++k)
        if (array.data()[k] < 0 || array.data()[k] >= count) throw py::index_error("an index is out of range");
    return values<int>(array);
}

inline std::vector<P> points(const Array<double>& array) {
    refuse_unless(array.ndim() == 2 && array.shape(1) == 2, "points are wanted as (n, 2)");
    std::vector<P> found(array.shape(0));
    for (size_t k = 0; k < found.size(); ++k) found[k] = {array.data()[2 * k], array.data()[2 * k + 1]};
    return found;
}

template <class To, class From>
py::array_t<To> array_of(const std::vector<From>& from) {
    py::array_t<To> made(static_cast<py::ssize_t>(from.size()));
    To* data = made.mutable_data();
    for (size_t k = 0; k < from.size(); ++k) data[k] = static_cast<To>(from[k]);
    return made;
}

inline py::array_t<int64_t> ints(const std::vector<int>& from) { return array_of<int64_t>(from); }
inline py::array_t<double> floats(const std::vector<double>& from) { return array_of<double>(from); }
inline py::array_t<bool> bools(const Flags& from) { return array_of<bool>(from); }

// A column of the same length as some rows, made by a function of each.
template <class To, class From, class Part>
py::array_t<To> column(const std::vector<From>& from, Part&& part) {
    py::array_t<To> made(static_cast<py::ssize_t>(from.size()));
    To* data = made.mutable_data();
    for (size_t k = 0; k < from.size(); ++k) data[k] = static_cast<To>(part(from[k]));
    return made;
}

// The same with points, (n, 2).
template <class From, class Part>
py::array_t<double> places(const std::vector<From>& from, Part&& part) {
    py::array_t<double> made({static_cast<py::ssize_t>(from.size()), static_cast<py::ssize_t>(2)});
    double* data = made.mutable_data();
    for (size_t k = 0; k < from.size(); ++k) {
        P p = part(from[k]);
        data[2 * k] = p.x, data[2 * k + 1] = p.y;
    }
    return made;
}

inline py::array_t<double> places(const std::vector<P>& from) {
    return places(from, [](P p) { return p; });
}

inline py::array_t<double> box_rows(const std::vector<Box>& from) {
    py::array_t<double> made({static_cast<py::ssize_t>(from.size()), static_cast<py::ssize_t>(4)});
    double* to = made.mutable_data();
    for (const Box& box : from)
        for (double value : {box.low_x, box.low_y, box.high_x, box.high_y}) *to++ = value;
    return made;
}

// Runs with other threads free to go on.
template <class Work>
auto aside(Work&& work) {
    py::gil_scoped_release release;
    return work();
}

// A `CurveArray` as pieces, and pieces as the columns of one.
Pieces pieces(py::handle curves);
py::tuple columns(const Pieces& pieces);

// An `Edges`, and its columns: (curves, tail, head, piece, low, high, vertices).
Edges edges(py::handle edges);
py::tuple columns(const Edges& edges);

// The columns of a `Contacts`.
py::tuple columns(const std::vector<Contact>& met);

// A `Joints`, and its columns.
Joints joints(py::handle joints, int ends);
py::tuple columns(const Joints& joints);

void bind_curves(py::module_& module);
void bind_geometry(py::module_& module);
void bind_mending(py::module_& module);
void bind_faces(py::module_& module);

}  // namespace heart
