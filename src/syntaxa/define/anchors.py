"""Where on the drawing a constraint shows: beside the middle of each curve that it is about, or at each point."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.define.model import Constraint, Named
from syntaxa.define.sketching import Piece, pieces_of
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Shape

#: Radians; where on the rim of a circle its marks stand.
_ON_RIM = math.pi / 4


@dataclass(frozen=True, slots=True)
class Anchor:
    """A thing that a constraint is about: where it is (mm), and the way off it (a unit vector).

    key, kind  of the constraint
    size       mm, of the curve; 0 for a point
    """

    key: str
    kind: str
    place: Point
    off: Vector
    size: float


def anchors(curves: Sequence[Curve], constraints: Iterable[Constraint]) -> list[Anchor]:
    """Of all constraints; what is no longer there has none."""
    pieces = {p.name: p for p in pieces_of(curves)}
    return [
        Anchor(c.key, c.kind, *found)
        for c in constraints
        for name in c.things
        if (piece := pieces.get(name.at(""))) is not None
        for found in _of(piece, name)
    ]


def held_by(curves: Sequence[Curve], constraints: Iterable[Constraint]) -> dict[str, list[Constraint]]:
    """By the ids of curves, the constraints that are about them or places on them."""
    curve_of = {p.name: curves[p.curve].id for p in pieces_of(curves)}
    found: dict[str, list[Constraint]] = {}
    for constraint in constraints:
        for curve in {curve_of.get(n.at("")) for n in constraint.things}:
            if curve is not None:
                found.setdefault(curve, []).append(constraint)
    return found


def _of(piece: Piece, name: Named) -> Iterator[tuple[Point, Vector, float]]:
    shape = piece.shape
    if name.place == "centre":
        if isinstance(shape, Arc | Circle | EllipseArc):
            yield shape.centre, Vector(math.cos(_ON_RIM), math.sin(_ON_RIM)), 0.0
        return
    if name.place:
        at = shape.start if name.place == "start" else shape.end
        yield at, Vector(math.cos(_ON_RIM), math.sin(_ON_RIM)), 0.0
        return
    yield (*_middle(shape), shape.length)


def _middle(shape: Shape) -> tuple[Point, Vector]:
    """The middle of a curve, and the way off it."""
    if isinstance(shape, Line):
        return shape.start.toward(shape.end, 0.5), _left(shape.end - shape.start)
    if isinstance(shape, Circle | Arc):
        way = _ON_RIM if isinstance(shape, Circle) else shape.start_angle + shape.sweep / 2
        return polar(shape.centre, shape.radius, way), Vector(math.cos(way), math.sin(way))
    points = shape.flattened(max(shape.length, 1e-6) / 50)
    at = int(np.argmin(np.abs(np.cumsum(np.hypot(*np.diff(points, axis=0).T)) - shape.length / 2)))
    step = points[at + 1] - points[at]
    return Point(*points[at].tolist()), _left(Vector(*step.tolist()))


def _left(way: Vector) -> Vector:
    size = way.length
    return Vector(-way.y / size, way.x / size) if size > 0 else Vector(0.0, 1.0)
