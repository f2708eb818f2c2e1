"""DXF entities to shapes: object coordinates to world coordinates, laid flat on the XY plane.

Angles of arcs and bulges turn round where the extrusion points down (0, 0, -1), as the DXF reference
defines object coordinates ("arbitrary axis algorithm"). What is tilted out of the plane is refused as off-plane,
or, where that is wanted, seen from above.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable, Iterable
from typing import cast

from ezdxf import path as paths
from ezdxf.entities import DXFGraphic
from ezdxf.entities import Spline as SplineEntity
from ezdxf.math import Vec3

from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline, Shape, Spline, ellipse_from_conjugates
from syntaxa.geometry.tolerances import HAIR, ROUNDING
from syntaxa.intake.dxf.plain import arc_between, swept
from syntaxa.intake.gather import LARGEST
from syntaxa.intake.model import OFF_PLANE
from syntaxa.intake.outlines import Run, shapes_of

#: A normal this close to the Z axis lies on it: sine of the angle between them.
_UPRIGHT = 1e-3


class Unreadable(Exception):  # noqa: N818  it is an answer, not an error
    """Says why an entity cannot become a shape."""


class Degenerate(Unreadable):
    """The entity has no size."""


class OffPlane(Unreadable):
    """The entity is tilted out of the drawing plane."""


def shapes_from(entity: DXFGraphic, flatten: bool) -> list[Shape]:
    """The shapes of a supported entity, mostly one; raises Unreadable with the reason in words."""
    try:
        return [CONVERTERS[entity.dxftype()](entity)]
    except OffPlane:
        if not flatten:
            raise
        return _seen_from_above(entity)


#: Where each kind keeps its heights.
_HEIGHTS = {"LINE": ("start", "end"), "ARC": ("center",), "CIRCLE": ("center",), "ELLIPSE": ("center",),
            "SOLID": ("vtx0",), "TRACE": ("vtx0",)}  # fmt: skip


def height_of(entity: DXFGraphic) -> float:
    """How far an entity lies above or below the plane at most, where that can be told."""
    kind = entity.dxftype()
    heights = [abs(Vec3(entity.dxf.get(name)).z) for name in _HEIGHTS.get(kind, ())]
    if kind == "LWPOLYLINE":
        heights.append(abs(float(entity.dxf.get("elevation", 0.0))))
    elif kind == "POLYLINE":
        heights += [abs(Vec3(v.dxf.location).z) for v in entity.vertices]  # type: ignore[attr-defined]
    return max((float(h) for h in heights if math.isfinite(h)), default=0.0)


def tilt_of(entity: DXFGraphic) -> float:
    """How steeply an entity stands out of the drawing plane, radians; 0 where it lies in it or beside it."""
    places = _places_of(entity)
    if places:
        rise = max(p.z for p in places) - min(p.z for p in places)
        span = math.hypot(*(max(p[k] for p in places) - min(p[k] for p in places) for k in (0, 1)))
        tilt = math.atan2(rise, span)
    else:
        normal = Vec3(entity.dxf.get("extrusion", (0, 0, 1))).normalize()
        tilt = math.asin(min(math.hypot(normal.x, normal.y), 1.0))
    return tilt if tilt > _UPRIGHT else 0.0


def _places_of(entity: DXFGraphic) -> list[Vec3]:
    """Where a kind goes that has heights of its own at each place; nothing for the others."""
    if entity.dxftype() == "LINE":
        return [Vec3(entity.dxf.start), Vec3(entity.dxf.end)]
    if entity.dxftype() == "SPLINE":
        return [Vec3(p) for p in cast(SplineEntity, entity).construction_tool().control_points]
    if entity.dxftype() == "POLYLINE" and entity.is_3d_polyline:  # type: ignore[attr-defined]
        return [Vec3(v.dxf.location) for v in entity.vertices]  # type: ignore[attr-defined]
    return []


def _seen_from_above(entity: DXFGraphic) -> list[Shape]:
    path = paths.make_path(entity)
    run = Run(point_of(path.start))
    for command in path.commands():
        end = point_of(command.end)
        if command.type is paths.Command.CURVE4_TO:
            run.curve_to(point_of(command.ctrl1), point_of(command.ctrl2), end)  # type: ignore[union-attr]
        elif command.type is paths.Command.CURVE3_TO:
            run.quadratic_to(point_of(command.ctrl), end)  # type: ignore[union-attr]
        else:
            run.line_to(end)
    shapes = shapes_of(run, ROUNDING)
    if not shapes:
        raise Degenerate("It has no length.")
    return shapes


def point_of(place: Vec3) -> Point:
    """A place seen from above; raises Unreadable for coordinates that a drawing cannot hold."""
    if not all(math.isfinite(v) and abs(v) <= LARGEST for v in (place.x, place.y)):
        raise Unreadable("Its coordinates are not numbers that a drawing can hold.")
    return Point(place.x, place.y)


def _sense(entity: DXFGraphic) -> float:
    """1 where the entity's plane faces up, -1 where it faces down."""
    normal = Vec3(entity.dxf.get("extrusion", (0, 0, 1))).normalize()
    if math.hypot(normal.x, normal.y) > _UPRIGHT:
        raise OffPlane(OFF_PLANE)
    return math.copysign(1.0, normal.z)


def _positive(value: float) -> float:
    if not math.isfinite(value) or value <= 0 or value > LARGEST:
        raise Degenerate("It has no size.")
    return float(value)


def _line(entity: DXFGraphic) -> Shape:
    start, end = point_of(entity.dxf.start), point_of(entity.dxf.end)
    if start == end:
        raise Degenerate("It has no length.")
    return Line(start, end)


def _circle(entity: DXFGraphic) -> Shape:
    _sense(entity)
    centre = point_of(entity.ocs().to_wcs(entity.dxf.center))
    return Circle(centre, _positive(abs(entity.dxf.radius)))


def _arc(entity: DXFGraphic) -> Shape:
    sense = _sense(entity)
    centre = point_of(entity.ocs().to_wcs(entity.dxf.center))
    radius = _positive(abs(entity.dxf.radius))
    return arc_between(centre, radius, float(entity.dxf.start_angle), float(entity.dxf.end_angle), sense)


def _ellipse(entity: DXFGraphic) -> Shape:
    sense = _sense(entity)
    centre, major = point_of(entity.dxf.center), point_of(entity.dxf.major_axis)
    ratio = float(entity.dxf.ratio)
    _positive(math.hypot(*major))
    if not 0 < abs(ratio) <= 1e6:
        raise Degenerate("It has no width.")
    first, last = float(entity.dxf.start_param), float(entity.dxf.end_param)
    sweep = swept(first, last)
    u = Vector(major.x, major.y)
    v = Vector(-major.y * ratio * sense, major.x * ratio * sense)
    ellipse = ellipse_from_conjugates(centre, u, v, first, sweep)
    if abs(ellipse.ratio - 1) < ROUNDING:
        radius = ellipse.major.length
        if ellipse.is_closed:
            return Circle(centre, radius)
        return Arc(centre, radius, ellipse.major.angle + ellipse.start_parameter, ellipse.sweep)
    return ellipse


def _spline(entity: DXFGraphic) -> Shape:
    tool = cast(SplineEntity, entity).construction_tool()
    points = tuple(point_of(p) for p in tool.control_points)
    weights = tuple(float(w) for w in tool.weights())
    knots = tuple(float(k) for k in tool.knots())
    degree = int(tool.order) - 1
    if len(points) <= degree or len(knots) != len(points) + degree + 1 or knots[degree] >= knots[-degree - 1]:
        raise Unreadable("Its knots and control points do not agree.")
    if not all(math.isfinite(v) for v in (*knots, *weights)) or any(a > b for a, b in itertools.pairwise(knots)):
        raise Unreadable("Its knots and control points do not agree.")
    if weights and not all(w > 0 for w in weights):
        raise Unreadable("Its weights make no sense.")
    equal = not weights or max(weights) - min(weights) < HAIR
    if len(set(points)) < 2:
        raise Degenerate("It has no length.")
    return Spline(degree, points, knots, () if equal else weights)


def _corners(entity: DXFGraphic) -> Shape:
    """The outline of a SOLID or TRACE: its third and fourth corner stand crosswise in the file."""
    _sense(entity)
    ocs = entity.ocs()
    corners = [point_of(ocs.to_wcs(Vec3(entity.dxf.get(f"vtx{k}", entity.dxf.get("vtx2"))))) for k in (0, 1, 3, 2)]
    return polyline_of([(p, 0.0) for p in corners], True)


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
        return polyline_of([(point_of(p), 0.0) for p, _ in rows], closed)
    return _from_vertices(entity, rows, closed)


def _from_vertices(entity: DXFGraphic, rows: Iterable[tuple[Vec3, float]], closed: bool) -> Shape:
    sense, ocs = _sense(entity), entity.ocs()
    return polyline_of([(point_of(ocs.to_wcs(p)), sense * bulge) for p, bulge in rows], closed)


def polyline_of(rows: list[tuple[Point, float]], closed: bool) -> Shape:
    """A polyline from vertices and bulges, without pieces that have no length; raises Degenerate where none is left."""
    kept: list[tuple[Point, float]] = []
    for point, bulge in rows:
        if not math.isfinite(bulge) or abs(bulge) > LARGEST:
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
        raise Degenerate("It has no length.")
    return Polyline(tuple(p for p, _ in kept), tuple(b for _, b in kept), closed)


CONVERTERS: dict[str, Callable[[DXFGraphic], Shape]] = {
    "LINE": _line,
    "CIRCLE": _circle,
    "ARC": _arc,
    "ELLIPSE": _ellipse,
    "SPLINE": _spline,
    "LWPOLYLINE": _lwpolyline,
    "POLYLINE": _polyline,
    "SOLID": _corners,
    "TRACE": _corners,
}
