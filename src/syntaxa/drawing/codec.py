"""Shapes and curves as plain data, for steps and the clipboard: lists of numbers behind the name of their kind."""

from __future__ import annotations

import math
from collections.abc import Callable

import msgspec

from syntaxa.drawing.model import Curve, Style
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline

#: Numbers in one row each: (kind, degree or closed, numbers...), see `encoded`.
PlainShape = tuple[str, tuple[float, ...], tuple[float, ...], tuple[float, ...]]


class PlainCurve(msgspec.Struct, frozen=True, omit_defaults=True):
    """A curve as data; lengths in mm."""

    id: str
    shape: PlainShape
    layer: str
    colour: int | None = None
    line_type: str = ""


def encoded(shape: Shape) -> PlainShape:
    """A shape as its kind and up to three rows of numbers."""
    if isinstance(shape, Line):
        return "line", (*shape.start, *shape.end), (), ()
    if isinstance(shape, Circle):
        return "circle", (*shape.centre, shape.radius), (), ()
    if isinstance(shape, Arc):
        return "arc", (*shape.centre, shape.radius, shape.start_angle, shape.sweep), (), ()
    if isinstance(shape, EllipseArc):
        return "ellipse", (*shape.centre, *shape.major, shape.ratio, shape.start_parameter, shape.sweep), (), ()
    if isinstance(shape, Polyline):
        return "polyline", tuple(v for p in shape.vertices for v in p), shape.bulges, (float(shape.closed),)
    points = tuple(v for p in shape.control_points for v in p)
    return "spline", points, shape.knots, (float(shape.degree), *shape.weights)


def decoded(plain: PlainShape) -> Shape:
    """The shape again; raises ValueError for data that are none."""
    kind, a, b, c = plain
    if not all(math.isfinite(v) for row in (a, b, c) for v in row):
        raise ValueError(kind)
    try:
        return _MAKERS[kind](a, b, c)
    except (KeyError, TypeError, IndexError) as error:
        raise ValueError(kind) from error


def _points(numbers: tuple[float, ...]) -> tuple[Point, ...]:
    return tuple(Point(x, y) for x, y in zip(numbers[::2], numbers[1::2], strict=True))


def _spline(a: tuple[float, ...], b: tuple[float, ...], c: tuple[float, ...]) -> Spline:
    points, degree = _points(a), int(c[0])
    if len(b) != len(points) + degree + 1 or not 0 < degree < len(points):
        raise ValueError("spline")
    return Spline(degree, points, b, c[1:])


_MAKERS: dict[str, Callable[..., Shape]] = {
    "line": lambda a, *_: Line(Point(*a[:2]), Point(*a[2:])),
    "circle": lambda a, *_: Circle(Point(*a[:2]), a[2]),
    "arc": lambda a, *_: Arc(Point(*a[:2]), *a[2:]),
    "ellipse": lambda a, *_: EllipseArc(Point(*a[:2]), Vector(*a[2:4]), *a[4:]),
    "polyline": lambda a, b, c: Polyline(_points(a), b, bool(c[0])),
    "spline": _spline,
}


def plain_of(curve: Curve) -> PlainCurve:
    """A curve as data."""
    return PlainCurve(curve.id, encoded(curve.shape), curve.layer, curve.style.colour, curve.style.line_type)


def curve_of(plain: PlainCurve) -> Curve:
    """The curve again; raises ValueError for data that are none."""
    return Curve(plain.id, decoded(plain.shape), plain.layer, Style(plain.colour, plain.line_type))
