"""Faces and edges of a solid as they can be picked and measured."""

from __future__ import annotations

from typing import Any

import numpy as np
from OCP.BRep import BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve, BRepAdaptor_Surface
from OCP.BRepExtrema import BRepExtrema_DistShapeShape
from OCP.BRepGProp import BRepGProp
from OCP.GeomAbs import GeomAbs_Circle, GeomAbs_Cylinder, GeomAbs_Line, GeomAbs_Plane
from OCP.gp import gp_Pnt, gp_Vec
from OCP.GProp import GProp_GProps
from OCP.TopAbs import TopAbs_FORWARD, TopAbs_REVERSED
from OCP.TopExp import TopExp_Explorer
from OCP.TopoDS import TopoDS

from syntaxa.form.kernel.library import EDGE, Shape
from syntaxa.form.kernel.measuring import kind_of, length_of
from syntaxa.form.kernel.names import Named
from syntaxa.form.kernel.rounding import edge_in_words
from syntaxa.form.model import Details, EdgeDetail, FaceDetail, Frame, Space
from syntaxa.form.refusal import KernelError
from syntaxa.geometry.types import Floats

#: Sine of the angle between two faces below which they are tangent.
_TANGENT = 1e-6


def details_of(named: Named) -> Details:
    """All faces and edges."""
    live = set(named.true_edges)
    faces = tuple(_face(named, k) for k in range(len(named.faces)))
    return Details(faces, tuple(_edge(named, k) if k in live else None for k in range(len(named.edges))))


def apart(one: Shape, other: Shape) -> float:
    """The least distance between two parts (mm)."""
    found = BRepExtrema_DistShapeShape(one, other)
    if not found.IsDone():
        raise KernelError("The distance between these two could not be found.")
    return float(found.Value())


def bend_of(named: Named, k: int) -> int:
    """1 where an edge is convex, -1 where it is concave, 0 where the faces beside it are tangent."""
    edge = named.edges[k]
    first, second = (named.faces[f] for f in named.sides[k])
    curve = BRepAdaptor_Curve(edge)
    at = (curve.FirstParameter() + curve.LastParameter()) / 2
    place, along = gp_Pnt(), gp_Vec()
    curve.D1(at, place, along)
    way = np.array([along.X(), along.Y(), along.Z()])
    way /= max(float(np.linalg.norm(way)), 1e-300)
    if _runs_against(first, edge):
        way = -way
    one, other = _normal(first, edge, at), _normal(second, edge, at)
    # Into the first face, square to the edge: the second falls away from there where the edge is convex.
    side = float(np.cross(one, way) @ other)
    return 0 if abs(side) < _TANGENT else 1 if side < 0 else -1


def is_upright(named: Named, k: int) -> bool:
    """Whether an edge is straight and runs along z."""
    curve = BRepAdaptor_Curve(named.edges[k])
    return bool(curve.GetType() == GeomAbs_Line and abs(abs(curve.Line().Direction().Z()) - 1.0) < _TANGENT)


def _normal(face: Shape, edge: Shape, at: float) -> Floats:
    """The direction out of the body beside an edge, (3,)."""
    flat = BRep_Tool.CurveOnSurface_s(edge, face, 0.0, 0.0)
    uv = flat.Value(at)
    place, du, dv = gp_Pnt(), gp_Vec(), gp_Vec()
    BRepAdaptor_Surface(face).D1(uv.X(), uv.Y(), place, du, dv)
    out = du.Crossed(dv)
    n = np.array([out.X(), out.Y(), out.Z()])
    n /= max(float(np.linalg.norm(n)), 1e-300)
    return -n if face.Orientation() == TopAbs_REVERSED else n


def _runs_against(face: Shape, edge: Shape) -> bool:
    """Whether the outline of a face runs against an edge, seen from outside the body."""
    reversed_face: bool = face.Orientation() == TopAbs_REVERSED
    explorer = TopExp_Explorer(face.Oriented(TopAbs_FORWARD), EDGE)
    while explorer.More():
        one = TopoDS.Edge(explorer.Current())
        if one.IsSame(edge):
            return bool((one.Orientation() == TopAbs_REVERSED) != reversed_face)
        explorer.Next()
    return reversed_face


def _face(named: Named, k: int) -> FaceDetail:
    face = named.faces[k]
    surface = BRepAdaptor_Surface(face)
    found = GProp_GProps()
    BRepGProp.SurfaceProperties_s(face, found)
    name, kind, area = named.face_name(k), kind_of(face), float(found.Mass())
    if surface.GetType() == GeomAbs_Plane:
        return FaceDetail(name, kind, area, frame=_frame(surface.Plane(), face.Orientation() == TopAbs_REVERSED))
    if surface.GetType() == GeomAbs_Cylinder:
        round_ = surface.Cylinder()
        line = round_.Axis()
        return FaceDetail(
            name, kind, area, axis=(_space(line.Location()), _space(line.Direction())), radius=round_.Radius()
        )
    return FaceDetail(name, kind, area)


def _frame(plane: Any, turned_over: bool) -> Frame:
    """The frame of a flat face that looks out of the body."""
    place = plane.Position()
    x, y = _space(place.XDirection()), _space(place.YDirection())
    inwards = turned_over == plane.Direct()
    return Frame(_space(place.Location()), x, (-y[0], -y[1], -y[2]) if inwards else y)


def _edge(named: Named, k: int) -> EdgeDetail:
    edge, key = named.edges[k], named.key(k)
    curve = BRepAdaptor_Curve(edge)
    ends = _space(curve.Value(curve.FirstParameter())), _space(curve.Value(curve.LastParameter()))
    kind, radius, centre = "other", 0.0, None
    if curve.GetType() == GeomAbs_Line:
        kind = "line"
    elif curve.GetType() == GeomAbs_Circle:
        kind, radius, centre = "circle", curve.Circle().Radius(), _space(curve.Circle().Location())
    says = edge_in_words(key.origin, key.faces)
    return EdgeDetail(key, kind, length_of(edge), ends, bend_of(named, k), radius, centre, says)


def _space(at: Any) -> Space:
    return at.X(), at.Y(), at.Z()
