"""The lines of a view of a solid: what is seen and what is hidden, as shapes on the plane of the view.

The exact algorithm gives true lines, circles and ellipses. It can take for ever where round holes graze each other:
whoever calls it gives it a limit, and has the one by triangles behind it.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np
from OCP.BRep import BRep_Builder
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.BRepLib import BRepLib
from OCP.BRepMesh import BRepMesh_IncrementalMesh
from OCP.GCPnts import GCPnts_TangentialDeflection
from OCP.GeomAbs import GeomAbs_Circle, GeomAbs_Ellipse, GeomAbs_Line
from OCP.gp import gp_Ax2, gp_Dir, gp_Pnt
from OCP.HLRAlgo import HLRAlgo_Projector
from OCP.HLRBRep import HLRBRep_Algo, HLRBRep_HLRToShape, HLRBRep_PolyAlgo, HLRBRep_PolyHLRToShape
from OCP.TopoDS import TopoDS_Compound

from syntaxa.form.kernel.library import EDGE, Index, Shape
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline
from syntaxa.geometry.shapes import Shape as Drawn2d
from syntaxa.geometry.tolerances import ROUNDING

ViewOf = Literal["front", "back", "top", "bottom", "right", "left", "isometric"]

#: Direction from the thing to the eye, and direction to the right.
_EYES: dict[ViewOf, tuple[tuple[int, int, int], tuple[int, int, int]]] = {
    "front": ((0, -1, 0), (1, 0, 0)), "back": ((0, 1, 0), (-1, 0, 0)), "top": ((0, 0, 1), (1, 0, 0)),
    "bottom": ((0, 0, -1), (1, 0, 0)), "right": ((1, 0, 0), (0, 1, 0)), "left": ((-1, 0, 0), (0, -1, 0)),
    "isometric": ((1, -1, 1), (1, 1, 0)),
}  # fmt: skip

#: mm and radians within which curves that are none of ours go out as runs of points.
_FINE, _BEND = 0.005, 0.1


@dataclass(frozen=True, slots=True)
class Drawn:
    """A curve of a view, x to the right and y up (mm): an edge, or the outline of a round face; seen or hidden."""

    shape: Drawn2d
    visible: bool


def eye_and_right(view: ViewOf) -> tuple[tuple[int, int, int], tuple[int, int, int]]:
    """The direction to the eye of a view, and that to its right."""
    return _EYES[view]


def lines_of_view(shape: Shape, view: ViewOf, exact: bool = True) -> list[Drawn]:
    """Sharp edges and outlines of a solid, without the joints of tangent faces."""
    eye, right = _EYES[view]
    axes = gp_Ax2(gp_Pnt(0, 0, 0), gp_Dir(*map(float, eye)), gp_Dir(*map(float, right)))
    to = _exactly(shape, axes) if exact else _by_triangles(shape, axes)
    kinds = (
        (True, to.VCompound), (True, to.OutLineVCompound), (False, to.HCompound), (False, to.OutLineHCompound),
    )  # fmt: skip
    return [Drawn(s, visible) for visible, get in kinds for s in _shapes(get())]


def together(shapes: Sequence[Shape]) -> Shape:
    """Several shapes as one that is looked at."""
    made, builder = TopoDS_Compound(), BRep_Builder()
    builder.MakeCompound(made)
    for shape in shapes:
        builder.Add(made, shape)
    return made


def _exactly(shape: Shape, axes: Any) -> Any:
    algorithm = HLRBRep_Algo()
    algorithm.Add(shape, None, 0)
    algorithm.Projector(HLRAlgo_Projector(axes))
    algorithm.Update()
    algorithm.Hide()
    return HLRBRep_HLRToShape(algorithm)


def _by_triangles(shape: Shape, axes: Any) -> Any:
    BRepMesh_IncrementalMesh(shape, 0.02, False, 0.2, False)
    algorithm = HLRBRep_PolyAlgo()
    algorithm.Projector(HLRAlgo_Projector(axes))
    algorithm.Load(shape)
    algorithm.Update()
    to = HLRBRep_PolyHLRToShape()
    to.Update(algorithm)
    return to


def _shapes(compound: Any) -> Iterator[Drawn2d]:
    if compound is None or compound.IsNull():
        return
    BRepLib.BuildCurves3d_s(compound)
    for edge in Index(compound, EDGE):
        found = _shape_of(edge)
        if found is not None:
            yield found


def _shape_of(edge: Shape) -> Drawn2d | None:
    """An edge that lies in the plane z = 0 as a shape of ours; None where it has no length."""
    curve = BRepAdaptor_Curve(edge)
    first, last = curve.FirstParameter(), curve.LastParameter()
    start, end = _flat(curve.Value(first)), _flat(curve.Value(last))
    kind = curve.GetType()
    if kind == GeomAbs_Line:
        return Line(start, end) if start.distance_to(end) > ROUNDING else None
    if kind == GeomAbs_Circle:
        circle = curve.Circle()
        centre, sign = _flat(circle.Location()), math.copysign(1.0, circle.Axis().Direction().Z())
        if last - first >= TURN - ROUNDING:
            return Circle(centre, circle.Radius())
        return Arc(centre, circle.Radius(), (start - centre).angle, sign * (last - first))
    if kind == GeomAbs_Ellipse:
        oval = curve.Ellipse()
        along, sign = oval.XAxis().Direction(), math.copysign(1.0, oval.Axis().Direction().Z())
        major = Vector(along.X() * oval.MajorRadius(), along.Y() * oval.MajorRadius())
        ratio = oval.MinorRadius() / oval.MajorRadius()
        return EllipseArc(_flat(oval.Location()), major, ratio, sign * first, sign * (last - first))
    run = GCPnts_TangentialDeflection(curve, _BEND, _FINE)
    points = [_flat(run.Value(k)) for k in range(1, run.NbPoints() + 1)]
    if _is_straight(points):
        return Line(start, end) if start.distance_to(end) > ROUNDING else None
    return Polyline(tuple(points), (0.0,) * len(points), False)


def _flat(at: Any) -> Point:
    return Point(at.X(), at.Y())


def _is_straight(points: list[Point]) -> bool:
    p = np.array([[*q] for q in points])
    chord = p[-1] - p[0]
    length = float(np.hypot(*chord))
    return length > 0 and float(np.abs((p - p[0]) @ np.array([-chord[1], chord[0]]) / length).max()) < ROUNDING * 100
