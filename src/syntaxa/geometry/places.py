"""Places on curves that people mean when they point: ends, middles, centres, quadrants, and where curves meet."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Sequence
from typing import Literal

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.intersect import contacts
from syntaxa.geometry.points import Point, polar
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import HAIR, ROUNDING
from syntaxa.geometry.types import Floats
from syntaxa.geometry.vectors import norm

PlaceKind = Literal["end", "middle", "centre", "quadrant", "crossing", "perpendicular", "tangent", "nearest"]

#: mm; runs of arcs that stand for ellipses and splines, and how near two curves must come to meet.
_FIT, _MEET = 1e-4, 1e-6


def places_of(shape: Shape) -> Iterator[tuple[PlaceKind, Point]]:
    """The places of one curve; a polyline has those of its pieces."""
    if isinstance(shape, Polyline):
        for piece in shape.segments():
            yield from places_of(piece)
        return
    if not shape.is_closed:
        yield "end", shape.start
        yield "end", shape.end
    if isinstance(shape, Line):
        yield "middle", shape.start.toward(shape.end, 0.5)
    elif isinstance(shape, Arc | Circle):
        yield "centre", shape.centre
        if isinstance(shape, Arc):
            yield "middle", polar(shape.centre, shape.radius, shape.start_angle + shape.sweep / 2)
        for angle in _quadrants(shape):
            yield "quadrant", polar(shape.centre, shape.radius, angle)
    elif isinstance(shape, EllipseArc):
        yield "centre", shape.centre
    elif shape.is_closed:
        yield "end", shape.start


def pieces_near(shape: Shape, box: tuple[float, float, float, float]) -> list[Shape]:
    """The pieces of a polyline whose boxes meet a box, or the shape itself where it is none."""
    if not isinstance(shape, Polyline):
        return [shape]
    points = np.array([(p.x, p.y) for p in shape.vertices])
    following = np.roll(points, -1, axis=0)
    bulges = np.array(shape.bulges)
    if not shape.closed:
        points, following, bulges = points[:-1], following[:-1], bulges[:-1]
    bounds = CurveArray.from_bulges(points, following, bulges, np.zeros(len(points), dtype=np.int64)).bounds()
    meets = (bounds[:, 0] <= box[2]) & (bounds[:, 2] >= box[0]) & (bounds[:, 1] <= box[3]) & (bounds[:, 3] >= box[1])
    pieces: list[Shape] = []
    for k in np.flatnonzero(meets).tolist():
        a, b = shape.vertices[k], shape.vertices[(k + 1) % len(shape.vertices)]
        if a != b:
            pieces.append(Arc.from_bulge(a, b, shape.bulges[k]) if abs(shape.bulges[k]) > HAIR else Line(a, b))
    return pieces


def meeting_places(shapes: Sequence[Shape]) -> list[Point]:
    """Where any two of some curves meet; the cost grows with the square of their number."""
    rows = [(row, k) for k, shape in enumerate(shapes) for row in rows_of(shape, _FIT)]
    if len(rows) < 2:
        return []
    curves = CurveArray.from_rows((row for row, _ in rows), (owner for _, owner in rows))
    found = contacts(curves, _MEET)
    apart = curves.owner[found.first] != curves.owner[found.second]
    return [Point(x, y) for x, y in found.points[apart].tolist()]


def places_from(shape: Shape, base: Point) -> Iterator[tuple[PlaceKind, Point]]:
    """Where a line from a base would meet a curve at a right angle, or touch it."""
    rows = rows_of(shape, _FIT)
    pieces = CurveArray.from_rows(rows, itertools.repeat(0, len(rows)))
    for k in range(len(pieces)):
        one = pieces.take(np.array([k]))
        if not one.is_arc[0]:
            yield from (
                ("perpendicular", p) for p in _on(one, [one.points_at(one.parameters_of(np.array([[*base]])))[0]])
            )
            continue
        centre, radius = Point(*one.centre[0].tolist()), float(one.radius[0])
        away = base - centre
        if away.length < _MEET:
            continue
        feet = [polar(centre, radius, away.angle + half) for half in (0.0, math.pi)]
        yield from (("perpendicular", p) for p in _on(one, [np.array([*p]) for p in feet]))
        if away.length > radius and not isinstance(shape, EllipseArc | Spline):
            lean = math.acos(radius / away.length)
            touch = [polar(centre, radius, away.angle + turn) for turn in (-lean, lean)]
            yield from (("tangent", p) for p in _on(one, [np.array([*p]) for p in touch]))


def _on(piece: CurveArray, places: Sequence[Floats]) -> Iterator[Point]:
    """Those of some places that lie on a piece between its ends."""
    for place in places:
        share = float(piece.parameters_of(place[None, :])[0])
        if -ROUNDING <= share <= 1 + ROUNDING:
            yield Point(*place.tolist())


def nearest_on(shape: Shape, point: Point) -> Point:
    """The place on a curve that is nearest to a point; of ellipses and splines to a ten-thousandth of a millimetre."""
    rows = rows_of(shape, _FIT)
    pieces = CurveArray.from_rows(rows, itertools.repeat(0, len(rows)))
    here = np.tile([*point], (len(rows), 1))
    places = pieces.points_at(np.clip(pieces.parameters_of(here), 0.0, 1.0))
    return Point(*places[int(np.argmin(norm(places - here)))].tolist())


def thinned(places: Sequence[Point], apart: float) -> list[Point]:
    """Places without those that are nearer than `apart` (mm) to one before them."""
    kept: list[Point] = []
    for place in places:
        if all(place.distance_to(k) > apart for k in kept):
            kept.append(place)
    return kept


def _quadrants(shape: Arc | Circle) -> Iterator[float]:
    first, sweep = (0.0, TURN) if isinstance(shape, Circle) else (shape.start_angle, shape.sweep)
    low = first if sweep >= 0 else first + sweep
    for angle in itertools.islice(itertools.count(0.0, math.pi / 2), 4):
        if (angle - low) % TURN <= abs(sweep) + HAIR:
            yield angle
