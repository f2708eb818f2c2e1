// The compiled heart: what is done to lines and arcs by the thousand. `heart.pyi` tells what Python sees of it.
#include <malloc.h>

#include "arrays.hpp"

PYBIND11_MODULE(heart, module) {
    module.doc() =
        "Lines and arcs by the thousand: what lies near what, where they meet, and the passes of the healing.";
    module.def("give_back_memory", [] {
        pybind11::gil_scoped_release release;
        malloc_trim(0);
    });
    module.attr("FLAT_SAGITTA") = heart::FLAT_SAGITTA;
    heart::bind_curves(module);
    heart::bind_geometry(module);
    heart::bind_mending(module);
    heart::bind_faces(module);
}
