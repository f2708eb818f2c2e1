"""Figures of solids: exact to rounding for planes, cylinders, cones, spheres and tori, and to 1e-10 else."""

from __future__ import annotations

from collections import Counter
from typing import Any

from OCP.Bnd import Bnd_Box
from OCP.BRep import BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve, BRepAdaptor_Surface
from OCP.BRepBndLib import BRepBndLib
from OCP.BRepCheck import BRepCheck_Analyzer
from OCP.BRepGProp import BRepGProp
from OCP.GeomAbs import (
    GeomAbs_BezierCurve,
    GeomAbs_BSplineCurve,
    GeomAbs_Cone,
    GeomAbs_Cylinder,
    GeomAbs_OtherCurve,
    GeomAbs_Plane,
    GeomAbs_Sphere,
    GeomAbs_Torus,
)  # fmt: skip
from OCP.GProp import GProp_GProps

from syntaxa.form.kernel.library import EDGE, FACE, SOLID, Index, Shape
from syntaxa.form.model import Figures, Space

_KINDS = {
    GeomAbs_Plane: "plane", GeomAbs_Cylinder: "cylinder", GeomAbs_Cone: "cone", GeomAbs_Sphere: "sphere",
    GeomAbs_Torus: "torus",
}  # fmt: skip
_SPLINES = (GeomAbs_BSplineCurve, GeomAbs_BezierCurve, GeomAbs_OtherCurve)

#: What the adaptive rule is asked for: over free surfaces and tori beside splines the finer one takes minutes.
_FINE, _COARSE, _AREA = 1e-10, 1e-6, 1e-9


def volume_properties(shape: Shape) -> Any:
    """Volume, centroid and inertia as the kernel tells them.

    The plain Gauss rule is off by 3e-4 where a spline bounds a plane; there the adaptive Gauss-Kronrod rule is right to
    1e-12. The overload with a wanted error alone is wrong by several percent on such solids.
    """
    found = GProp_GProps()
    if not _has_splines(shape):
        BRepGProp.VolumeProperties_s(shape, found)
        return found
    hard = any(kind_of(face) in ("torus", "other") for face in Index(shape, FACE))
    BRepGProp.VolumePropertiesGK_s(shape, found, _COARSE if hard else _FINE, True, False, True, True)
    return found


def volume_of(shape: Shape) -> float:
    """mm3, by the plain rule: enough to tell whether something was made of it."""
    found = GProp_GProps()
    BRepGProp.VolumeProperties_s(shape, found)
    return float(found.Mass())


def area_of(shape: Shape) -> float:
    """mm2."""
    found = GProp_GProps()
    if _has_splines(shape):
        BRepGProp.SurfaceProperties_s(shape, found, _AREA)
    else:
        BRepGProp.SurfaceProperties_s(shape, found)
    return float(found.Mass())


def length_of(edge: Shape) -> float:
    """mm."""
    found = GProp_GProps()
    BRepGProp.LinearProperties_s(edge, found)
    return float(found.Mass())


def kind_of(face: Shape) -> str:
    """plane, cylinder, cone, sphere, torus or other."""
    return _KINDS.get(BRepAdaptor_Surface(face).GetType(), "other")


def is_valid(shape: Shape) -> bool:
    """Whether the kernel finds nothing wrong with it."""
    return bool(BRepCheck_Analyzer(shape).IsValid())


def solids_in(shape: Shape) -> list[Shape]:
    """The solids of a shape."""
    return list(Index(shape, SOLID))


def box_of(shape: Shape) -> tuple[Space, Space]:
    """Lowest and highest x, y and z (mm), tight."""
    box = Bnd_Box()
    BRepBndLib.AddOptimal_s(shape, box, False, False)
    low, high = box.CornerMin(), box.CornerMax()
    return (low.X(), low.Y(), low.Z()), (high.X(), high.Y(), high.Z())


def figures_of(shape: Shape, edges: int) -> Figures:
    """Everything that is told of a solid that has so many edges between two faces."""
    found = volume_properties(shape)
    centre, inertia = found.CentreOfMass(), found.MatrixOfInertia()
    low, high = box_of(shape)
    rows = [(inertia.Value(r, 1), inertia.Value(r, 2), inertia.Value(r, 3)) for r in (1, 2, 3)]
    faces = Counter(kind_of(face) for face in Index(shape, FACE))
    return Figures(
        volume=found.Mass(),
        area=area_of(shape),
        centroid=(centre.X(), centre.Y(), centre.Z()),
        box=(*low, *high),
        inertia=(rows[0], rows[1], rows[2]),
        faces=tuple(sorted(faces.items())),
        edges=edges,
        valid=is_valid(shape),
        lumps=len(solids_in(shape)),
    )


def _has_splines(shape: Shape) -> bool:
    return any(
        not BRep_Tool.Degenerated_s(edge) and BRepAdaptor_Curve(edge).GetType() in _SPLINES
        for edge in Index(shape, EDGE)
    )
