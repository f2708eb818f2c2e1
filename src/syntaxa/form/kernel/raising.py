"""Regions raised along the normal of their plane, or turned about a line of it, with names for all that comes of it.

Edges are made from the exact spans and share their vertices, so that nothing has to be sewn or mended afterwards.
"""

from __future__ import annotations

import math
from collections import Counter
from typing import Any

from OCP.BRep import BRep_Builder, BRep_Tool
from OCP.BRepBuilderAPI import (
    BRepBuilderAPI_MakeEdge,
    BRepBuilderAPI_MakeFace,
    BRepBuilderAPI_MakeVertex,
    BRepBuilderAPI_MakeWire,
)  # fmt: skip
from OCP.BRepPrimAPI import BRepPrimAPI_MakePrism, BRepPrimAPI_MakeRevol
from OCP.gp import gp_Ax1, gp_Trsf
from OCP.TopoDS import TopoDS

from syntaxa.form.kernel.curves import Stretched, direction, plane, point, stretched, vector, within
from syntaxa.form.kernel.library import EDGE, VERTEX, Shape, beside
from syntaxa.form.kernel.names import Named
from syntaxa.form.kernel.placing import placed_by
from syntaxa.form.model import Frame, Loop, Profile, Span
from syntaxa.form.refusal import KernelError
from syntaxa.geometry.shapes import TURN
from syntaxa.geometry.tolerances import HAIR

#: mm; a region touches the line that it is turned about, and crosses it from here on.
_ON_AXIS = 1e-6

#: Both ends get shapes of their own: as one shape in two places, one of them would lose its name in a STEP file.
_COPIED = True

#: Share by which the tolerance of a vertex is larger than what its edges miss it by.
_COVERED = 1.01


class Outlined:
    """A profile as a face on a plane, with the edge of each span and the vertex of each key."""

    def __init__(self, profile: Profile, frame: Frame) -> None:
        _refuse_touching(profile)
        self._frame = frame
        #: What the face itself goes by: a curve of its outline, and never a number.
        self.name = min(span.name for span in profile.loops[0])
        self.edges: list[tuple[Shape, Span]] = []
        self.vertices: dict[str, Shape] = {}
        wires = [self._wire(loop) for loop in profile.loops]
        maker = BRepBuilderAPI_MakeFace(plane(frame), wires[0], True)
        for wire in wires[1:]:
            maker.Add(wire)
        if not maker.IsDone():
            raise KernelError(f"The region in {profile.sketch} does not make a face.")
        self.face = maker.Face()

    def _wire(self, loop: Loop) -> Shape:
        maker = BRepBuilderAPI_MakeWire()
        for span in loop:
            made = stretched(span, self._frame)
            tail, head = self._vertex(span.tail, span.start), self._vertex(span.head, span.end)
            edge = _edge(made, *((head, tail) if made.back else (tail, head)), span)
            self.edges.append((edge, span))
            maker.Add(TopoDS.Edge(edge.Reversed()) if made.back else edge)
            if not maker.IsDone():
                raise KernelError(f"The curve {span.name} does not join the one before it.", str(maker.Error()))
        return maker.Wire()

    def _vertex(self, key: str, place: tuple[float, float]) -> Shape:
        if key not in self.vertices:
            self.vertices[key] = BRepBuilderAPI_MakeVertex(point(self._frame.point(*place))).Vertex()
        return self.vertices[key]


def _refuse_touching(profile: Profile) -> None:
    """Raises KernelError where an outline passes through a place twice: a solid would touch itself along a line."""
    times = Counter(span.tail for loop in profile.loops for span in loop)
    for loop in profile.loops:
        for span in loop:
            if times[span.tail] > 1:
                x, y = span.start
                raise KernelError(
                    f"A region of {profile.sketch} touches itself at {x:.3f}, {y:.3f}: "
                    "a solid would have no thickness there.",
                    suggestion="Part the curves there, or leave that region out.",
                )


def _edge(made: Stretched, first: Shape, last: Shape, span: Span) -> Shape:
    """An edge between two vertices, whose tolerance covers what the curve misses them by."""
    for vertex, at in ((first, made.low), (last, made.high)):
        miss = BRep_Tool.Pnt_s(vertex).Distance(made.curve.Value(at))
        if miss > BRep_Tool.Tolerance_s(vertex):
            BRep_Builder().UpdateVertex(vertex, miss * _COVERED)
    maker = BRepBuilderAPI_MakeEdge(made.curve, first, last, made.low, made.high)
    if not maker.IsDone():
        raise KernelError(f"The curve {span.name} is too short, or bent too much, to be an edge.", str(maker.Error()))
    return maker.Edge()


def prism(profile: Profile, frame: Frame, low: float, high: float, feature: str) -> Named:
    """A region raised from one height over its plane to another (mm), low < high."""
    base = Outlined(profile, frame.moved(low))
    maker = BRepPrimAPI_MakePrism(base.face, vector(frame.normal, high - low), _COPIED)
    out = Named(maker.Shape())
    out.name_face(maker.FirstShape(), (feature, "low", base.name))
    out.name_face(maker.LastShape(), (feature, "high", base.name))
    _name(out, base, maker, (feature, "side", "rise"), ("low", "high"))
    return out


def turned(
    profile: Profile,
    frame: Frame,
    axis: tuple[tuple[float, float], tuple[float, float]],
    sweep: tuple[float, float],
    feature: str,
) -> Named:
    """A region turned about the line between two points of its plane, from one angle to another (radians)."""
    (ax, ay), (bx, by) = axis
    length = math.hypot(bx - ax, by - ay)
    along = direction(within(frame, (bx - ax) / length, (by - ay) / length))
    line = gp_Ax1(point(frame.point(ax, ay)), along)
    _refuse_crossing(profile, axis)
    base = Outlined(profile, frame)
    first, angle = sweep[0], sweep[1] - sweep[0]
    full = abs(angle) >= TURN - HAIR
    maker = BRepPrimAPI_MakeRevol(base.face, line) if full else BRepPrimAPI_MakeRevol(base.face, line, angle, _COPIED)
    out = Named(maker.Shape())
    if not full:
        out.name_face(maker.FirstShape(), (feature, "first", base.name))
        out.name_face(maker.LastShape(), (feature, "last", base.name))
    _name(out, base, maker, (feature, "round", "ring"), () if full else ("first", "last"))
    if full:
        _name_discs(out, base, feature)
    return _spun(out, line, first) if first and not full else out


def _refuse_crossing(profile: Profile, axis: tuple[tuple[float, float], tuple[float, float]]) -> None:
    """Raises KernelError where a region lies on both sides of the line that it is turned about."""
    (ax, ay), (bx, by) = axis
    length = math.hypot(bx - ax, by - ay)
    sides = [
        ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / length
        for loop in profile.region.loops
        for x, y, _ in loop.tolist()
    ]
    if min(sides) < -_ON_AXIS and max(sides) > _ON_AXIS:
        raise KernelError(
            f"The line crosses the region of {profile.sketch} that is to be turned about it.",
            suggestion="Choose a line along its edge or beside it.",
        )


def _spun(named: Named, line: Any, angle: float) -> Named:
    """Turned on as a whole."""
    by = gp_Trsf()
    by.SetRotation(line, angle)
    return placed_by(named, by)


def _name(out: Named, base: Outlined, maker: Any, parts: tuple[str, str, str], caps: tuple[str, ...]) -> None:
    """Names sides and what rises from vertices, by what the edges and vertices of the base touch in the solid.

    What the kernel says was generated is the same, but says nothing of edges square to the axis of a full turn.
    """
    feature, side, rise = parts
    base_edges = set()
    for edge, span in base.edges:
        k = out.edges.find(maker.FirstShape(edge) if caps else edge)
        if k < 0:
            continue
        base_edges.add(k)
        for f in out.sides[k]:
            out.face_names.setdefault(f, (feature, side, span.name))
        if caps:
            out.edge_names.setdefault(k, (feature, caps[0], span.name))
            out.name_edge(maker.LastShape(edge), (feature, caps[1], span.name))
    leaving = beside(out.shape, VERTEX, EDGE, out.vertices, out.edges)
    for key, vertex in base.vertices.items():
        v = out.vertices.find(maker.FirstShape(vertex) if caps else vertex)
        for k in leaving[v] if v >= 0 else ():
            if k not in base_edges:
                out.edge_names.setdefault(k, (feature, rise, key))


def _name_discs(out: Named, base: Outlined, feature: str) -> None:
    """Names the discs of a full turn by the rings at their rims."""
    ends = {span.name: {span.tail, span.head} for _, span in base.edges}
    known = {name[2] for name in out.face_names.values()}
    for f in range(len(out.faces)):
        if f in out.face_names:
            continue
        rims = {out.edge_names[e][2] for e, side in enumerate(out.sides) if f in side and e in out.edge_names}
        fits = [name for name, both in ends.items() if name not in known and rims and rims <= both]
        if len(fits) == 1:
            out.face_names[f] = (feature, "round", fits[0])
            known.add(fits[0])
