"""DXF entities to shapes: object coordinates to world coordinates, projected on the XY plane.

Angles of arcs and bulges turn round where the extrusion points down (0, 0, -1), as the DXF reference
defines object coordinates ("arbitrary axis algorithm").
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable

from ezdxf.entities import DXFGraphic
from ezdxf.math import Vec3

from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Polyline, Shape, Spline, ellipse_from_conjugates

#: In the file's own numbers; nothing that is drawn is larger.
_LARGEST = 1e9

#: A normal this close to the Z axis lies on it.
_UPRIGHT = 1e-6


class Unreadable(Exception):  # noqa: N818  it is an answer, not an error
    """Says why an entity cannot become a shape."""


def shape_of(entity: DXFGraphic) -> Shape:
    """The shape of a supported entity; raises Unreadable with the reason in words."""
    return CONVERTERS[entity.dxftype()](entity)


def _point(place: Vec3) -> Point:
    if not all(math.isfinite(v) and abs(v) <= _LARGEST for v in (place.x, place.y)):
        raise Unreadable("Its coordinates are not numbers that a drawing can hold.")
    return Point(place.x, place.y)


def _sense(entity: DXFGraphic) -> float:
    """1 where the entity's plane faces up, -1 where it faces down."""
    normal = Vec3(entity.dxf.get("extrusion", (0, 0, 1))).normalize()
    if abs(abs(normal.z) - 1) > _UPRIGHT:
        raise Unreadable("It is tilted out of the drawing plane.")
    return math.copysign(1.0, normal.z)


def _positive(value: float) -> float:
    if not math.isfinite(value) or value <= 0 or value > _LARGEST:
        raise Unreadable("It has no size.")
    return float(value)


def _line(entity: DXFGraphic) -> Shape:
    start, end = _point(entity.dxf.start), _point(entity.dxf.end)
    if start == end:
        raise Unreadable("It has no length.")
    return Line(start, end)


def _circle(entity: DXFGraphic) -> Shape:
    _sense(entity)
    centre = _point(entity.ocs().to_wcs(entity.dxf.center))
    return Circle(centre, _positive(abs(entity.dxf.radius)))


def _arc(entity: DXFGraphic) -> Shape:
    sense = _sense(entity)
    centre = _point(entity.ocs().to_wcs(entity.dxf.center))
    radius = _positive(abs(entity.dxf.radius))
    first, last = math.radians(entity.dxf.start_angle), math.radians(entity.dxf.end_angle)
    sweep = (last - first) % TURN
    if sweep < 1e-12:
        return Circle(centre, radius)
    # Seen from below, angles run from the negative X axis the other way.
    start = first if sense > 0 else math.pi - first
    return Arc(centre, radius, start, sense * sweep)


def _ellipse(entity: DXFGraphic) -> Shape:
    sense = _sense(entity)
    centre, major = _point(entity.dxf.center), _point(entity.dxf.major_axis)
    ratio = float(entity.dxf.ratio)
    _positive(math.hypot(*major))
    if not 0 < abs(ratio) <= 1e6:
        raise Unreadable("It has no width.")
    first, last = float(entity.dxf.start_param), float(entity.dxf.end_param)
    sweep = (last - first) % TURN or TURN
    u = Vector(major.x, major.y)
    v = Vector(-major.y * ratio * sense, major.x * ratio * sense)
    ellipse = ellipse_from_conjugates(centre, u, v, first, sweep)
    if abs(ellipse.ratio - 1) < 1e-9:
        radius = ellipse.major.length
        if ellipse.is_closed:
            return Circle(centre, radius)
        return Arc(centre, radius, ellipse.major.angle + ellipse.start_parameter, ellipse.sweep)
    return ellipse


def _spline(entity: DXFGraphic) -> Shape:
    tool = entity.construction_tool()  # type: ignore[attr-defined]
    points = tuple(_point(p) for p in tool.control_points)
    weights = tuple(float(w) for w in tool.weights())
    knots = tuple(float(k) for k in tool.knots())
    degree = int(tool.order) - 1
    if len(points) <= degree or len(knots) != len(points) + degree + 1 or knots[degree] >= knots[-degree - 1]:
        raise Unreadable("Its knots and control points do not agree.")
    equal = not weights or max(weights) - min(weights) < 1e-12
    spline = Spline(degree, points, knots, () if equal else weights)
    if len(set(points)) < 2:
        raise Unreadable("It has no length.")
    return spline


def _lwpolyline(entity: DXFGraphic) -> Shape:
    rows = [(Vec3(x, y, 0), float(bulge)) for x, y, bulge in entity.get_points("xyb")]  # type: ignore[attr-defined]
    return _from_vertices(entity, rows, bool(entity.closed))  # type: ignore[attr-defined]


def _polyline(entity: DXFGraphic) -> Shape:
    if entity.is_poly_face_mesh or entity.is_polygon_mesh:  # type: ignore[attr-defined]
        raise Unreadable("It is a mesh.")
    # Flag 16 marks control points of a fitted curve; the curve itself has its own vertices.
    vertices = [v for v in entity.vertices if not v.dxf.get("flags", 0) & 16]  # type: ignore[attr-defined]
    rows = [(Vec3(v.dxf.location), float(v.dxf.get("bulge", 0.0))) for v in vertices]
    closed = bool(entity.is_closed)  # type: ignore[attr-defined]
    if entity.is_3d_polyline:  # type: ignore[attr-defined]
        return _polyline_of([(_point(p), 0.0) for p, _ in rows], closed)
    return _from_vertices(entity, rows, closed)


def _from_vertices(entity: DXFGraphic, rows: Iterable[tuple[Vec3, float]], closed: bool) -> Shape:
    sense, ocs = _sense(entity), entity.ocs()
    return _polyline_of([(_point(ocs.to_wcs(p)), sense * bulge) for p, bulge in rows], closed)


def _polyline_of(rows: list[tuple[Point, float]], closed: bool) -> Shape:
    kept: list[tuple[Point, float]] = []
    for point, bulge in rows:
        if not math.isfinite(bulge):
            raise Unreadable("Its coordinates are not numbers that a drawing can hold.")
        if kept and kept[-1][0] == point:
            kept[-1] = (point, bulge)
        else:
            kept.append((point, bulge))
    if closed and len(kept) > 1 and kept[0][0] == kept[-1][0]:
        kept.pop()
    elif not closed and len(kept) > 2 and kept[0][0] == kept[-1][0]:
        # Drawn closed without the flag: the same outline.
        kept.pop()
        closed = True
    if len(kept) < 2:
        raise Unreadable("It has no length.")
    return Polyline(tuple(p for p, _ in kept), tuple(b for _, b in kept), closed)


CONVERTERS: dict[str, Callable[[DXFGraphic], Shape]] = {
    "LINE": _line,
    "CIRCLE": _circle,
    "ARC": _arc,
    "ELLIPSE": _ellipse,
    "SPLINE": _spline,
    "LWPOLYLINE": _lwpolyline,
    "POLYLINE": _polyline,
}
