"""The tools of the Draw menu: what each asks for, and the step that comes of it."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from syntaxa.app.words import tr
from syntaxa.drawing.codec import encoded
from syntaxa.drawing.model import Curve, extents_of
from syntaxa.drawing.quantities import degrees_in, factor_in, length_in
from syntaxa.drawing.step import Step
from syntaxa.errors import MendError, SyntaxaError
from syntaxa.geometry.construct import arc_from, arc_through, circle_on
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline, Shape
from syntaxa.geometry.transform import Transform
from syntaxa.mend.by_hand import (
    CutCurve,
    DrawCurves,
    JoinCurves,
    LockCurves,
    MapCurves,
    OffsetCurves,
    RoundCorner,
)


@dataclass(frozen=True, slots=True)
class Given:
    """What a tool was given: points (mm), the typed value, the selected curves, the sketch to draw in.

    at   the curve that was clicked at each point, where one was near
    """

    points: tuple[Point, ...]
    value: float
    curves: tuple[Curve, ...]
    sketch: str
    at: tuple[Curve | None, ...]

    @property
    def ids(self) -> tuple[str, ...]:
        """Ids of the selected curves."""
        return tuple(c.id for c in self.curves)


@dataclass(frozen=True, slots=True)
class DrawTool:
    """A tool of the Draw menu.

    prompts   what is clicked, one after the other
    value     name of the value that is typed, and how it is read; a typed value can stand for the last point
    selected  how many curves must be selected at the least
    stands_for_point  whether the value can be typed instead of the last point
    many      whether points are asked for until Return, the last prompt again and again
    """

    key: str
    title: str
    make: Callable[[Given], Step]
    prompts: tuple[str, ...] = ()
    value: str = ""
    reads: Callable[[str, str], float] = length_in
    plain: str = ""
    selected: int = 0
    many: bool = False
    stands_for_point: bool = False

    def prompt(self, number: int) -> str:
        """What is wanted as the point of this number, from 0; empty where no more are."""
        if number < len(self.prompts):
            return self.prompts[number]
        return self.prompts[-1] if self.many else ""


def _draw(given: Given, shape: Shape | None, what: str, construction: bool = False) -> DrawCurves:
    if shape is None:
        raise MendError(tr("Those points lie on one line."), suggestion=tr("Take three that do not."))
    if not shape.length > _NO_LENGTH:
        raise MendError(tr("That would be {0} without length.", what), suggestion=tr("Take points that lie apart."))
    return DrawCurves((encoded(shape),), given.sketch, what, construction)


def _tangent(given: Given) -> DrawCurves:
    start, end = given.points
    curve = given.at[0]
    if curve is None:
        raise MendError(
            tr("There is no curve at the first point."), suggestion=tr("Click the end that it is to leave.")
        )
    shape = curve.shape
    last = shape.end.distance_to(start) <= shape.start.distance_to(start)
    place = shape.end if last else shape.start
    points = shape.flattened(max(shape.length * 1e-4, 1e-6))
    before = Point(*points[-2].tolist()) if last else Point(*points[1].tolist())
    direction = place - before
    if isinstance(shape, Arc):
        angle = shape.start_angle + (shape.sweep if last else 0.0)
        way = math.copysign(math.pi / 2, shape.sweep) * (1 if last else -1)
        direction = Vector(math.cos(angle + way), math.sin(angle + way))
    arc = arc_from(place, direction, end)
    if arc is None:
        raise MendError(
            tr("That point lies straight behind the end; no arc leads there."), suggestion=tr("Click beside it.")
        )
    return _draw(given, arc, tr("a tangent arc"))


def _circle(given: Given) -> DrawCurves:
    centre = given.points[0]
    radius = given.value if len(given.points) < 2 else centre.distance_to(given.points[1])
    if not radius > 0:
        raise MendError(tr("A circle needs a radius above 0."), suggestion=tr("Type one, or click beside the centre."))
    return _draw(given, Circle(centre, radius), tr("a circle"))


def _rectangle(given: Given) -> DrawCurves:
    a, b = given.points
    if min(abs(a.x - b.x), abs(a.y - b.y)) <= _NO_LENGTH:
        raise MendError(tr("That would be a rectangle without area."), suggestion=tr("Take corners that lie across."))
    corners = (a, Point(b.x, a.y), b, Point(a.x, b.y))
    return _draw(given, Polyline(corners, (0.0,) * 4, True), tr("a rectangle"))


def _polyline(given: Given) -> DrawCurves:
    points = [p for k, p in enumerate(given.points) if not k or p != given.points[k - 1]]
    closed = len(points) > 3 and points[0].distance_to(points[-1]) <= _NO_LENGTH
    if closed:
        points.pop()
    if len(points) < 2:
        raise MendError(tr("A polyline needs two points at least."), suggestion=tr("Click or type another."))
    what = tr("a closed polyline") if closed else tr("a polyline")
    return _draw(given, Polyline(tuple(points), (0.0,) * len(points), closed), what)


def _nearest_ends(one: Shape, two: Shape) -> tuple[Point, Point]:
    pairs = [(a, b) for a in (one.start, one.end) for b in (two.start, two.end)]
    return min(pairs, key=lambda pair: pair[0].distance_to(pair[1]))


def _bridge(given: Given) -> DrawCurves:
    return _draw(given, Line(*_nearest_ends(given.curves[0].shape, given.curves[1].shape)), tr("a line across the gap"))


def _midline(given: Given) -> DrawCurves:
    a, b = given.curves[0].shape, given.curves[1].shape
    straight = a.start.distance_to(b.start) + a.end.distance_to(b.end)
    ends = (b.start, b.end) if straight <= a.start.distance_to(b.end) + a.end.distance_to(b.start) else (b.end, b.start)
    line = Line(a.start.toward(ends[0], 0.5), a.end.toward(ends[1], 0.5))
    return _draw(given, line, tr("a midpoint line"), construction=True)


def _centre_mark(given: Given) -> DrawCurves:
    marks: list[Shape] = []
    for curve in given.curves:
        if isinstance(curve.shape, Arc | Circle):
            reach = 1.2 * curve.shape.radius
            for angle in (0.0, math.pi / 2):
                ends = (polar(curve.shape.centre, reach, angle + turn) for turn in (math.pi, 0.0))
                marks.append(Line(*ends))
    if not marks:
        raise MendError(tr("No circle or arc is selected."), suggestion=tr("Select one first."))
    return DrawCurves(tuple(encoded(m) for m in marks), given.sketch, tr("a centre mark"), construction=True)


def _cut(way: str) -> Callable[[Given], CutCurve]:
    def make(given: Given) -> CutCurve:
        curve = given.at[0]
        if curve is None:
            raise MendError(tr("There is no curve there."), suggestion=tr("Click nearer to one."))
        return CutCurve(curve.id, given.points[0].x, given.points[0].y, way)

    return make


def _corner(way: str) -> Callable[[Given], RoundCorner]:
    return lambda given: RoundCorner((given.curves[0].id, given.curves[1].id), given.value, way)


def _about(centre: Point, by: Transform) -> Transform:
    return Transform.moving(Point(0, 0) - centre).then(by).then(Transform.moving(centre - Point(0, 0)))


def _map(given: Given, by: Transform, what: str, copies: int = 0) -> MapCurves:
    return MapCurves(given.ids, (by.a, by.b, by.c, by.d, by.e, by.f), what, copies)


def _move(given: Given) -> MapCurves:
    return _map(given, Transform.moving(given.points[1] - given.points[0]), tr("Move curves"))


def _turn(given: Given) -> MapCurves:
    by = _about(given.points[0], Transform.rotating(math.radians(given.value)))
    return _map(given, by, tr("Turn curves by {0:g}°", given.value))


def _scale(given: Given) -> MapCurves:
    return _map(
        given, _about(given.points[0], Transform.scaling(given.value)), tr("Scale curves by {0:g}", given.value)
    )


def _sized(side: int, what: str) -> Callable[[Given], MapCurves]:
    """Scales what is selected to a width (side 0) or a height (1), in proportion."""

    def make(given: Given) -> MapCurves:
        box = extents_of(given.curves)
        now = box[2 + side] - box[side] if box is not None else 0.0
        if not now > _NO_LENGTH:
            raise MendError(tr("What is selected has no {0}.", what), suggestion=tr("Scale it by a factor."))
        if not given.value > 0:
            raise MendError(tr("A {0} must be above 0.", what), suggestion=tr("Type another."))
        by = _about(given.points[0], Transform.scaling(given.value / now))
        says = tr("Scale curves to {0:.9g} mm wide" if side == 0 else "Scale curves to {0:.9g} mm high", given.value)
        return _map(given, by, says)

    return make


def _mirror(given: Given) -> MapCurves:
    a, b = given.points
    angle = (b - a).angle
    flip = Transform.rotating(-angle).then(Transform.scaling(1, -1)).then(Transform.rotating(angle))
    return _map(given, _about(a, flip), tr("Mirror curves"))


def _array(given: Given) -> MapCurves:
    step = given.points[1] - given.points[0]
    count = round(given.value)
    if count < 1:
        raise MendError(tr("An array needs one copy at least."), suggestion=tr("Type how many."))
    return _map(given, Transform.moving(step), tr("Array of {0} copies", count), count)


def _number(text: str, unit: str) -> float:
    del unit
    return factor_in(text)


def _degrees(text: str, unit: str) -> float:
    del unit
    return degrees_in(text)


#: mm; nothing shorter is drawn.
_NO_LENGTH = 1e-9

TWO = (tr("From"), tr("To"))
THREE = (tr("Start"), tr("Through"), tr("End"))

TOOLS: tuple[DrawTool, ...] = (
    DrawTool("line", tr("Line"), lambda g: _draw(g, Line(*g.points), tr("a line")), TWO),
    DrawTool("polyline", tr("Polyline"), _polyline, (tr("From"), tr("Next point, or Return")), many=True),
    DrawTool("rectangle", tr("Rectangle"), _rectangle, (tr("One corner"), tr("The corner across"))),
    DrawTool("arc", tr("Arc by three points"), lambda g: _draw(g, arc_through(*g.points), tr("an arc")), THREE),
    DrawTool("tangent", tr("Arc tangent to an end"), _tangent, (tr("End of a curve"), tr("To"))),
    DrawTool(
        "circle", tr("Circle by its centre"), _circle, (tr("Centre"), tr("On it")), tr("Radius"), stands_for_point=True
    ),
    DrawTool("diameter", tr("Circle by two ends"), lambda g: _draw(g, circle_on(*g.points), tr("a circle")), TWO),
    DrawTool(
        "guide", tr("Construction line"), lambda g: _draw(g, Line(*g.points), tr("a construction line"), True), TWO
    ),
    DrawTool("midline", tr("Midpoint line of two curves"), _midline, selected=2),
    DrawTool("mark", tr("Centre mark"), _centre_mark, selected=1),
    DrawTool("bridge", tr("Close the gap of two curves"), _bridge, selected=2),
    DrawTool("trim", tr("Trim"), _cut("trim"), (tr("Part to take out"),)),
    DrawTool("extend", tr("Extend to the next curve"), _cut("extend"), (tr("End to draw on"),)),
    DrawTool("split", tr("Split"), _cut("split"), (tr("Where"),)),
    DrawTool("join", tr("Join"), lambda g: JoinCurves(g.ids), selected=2),
    DrawTool("fillet", tr("Fillet"), _corner("fillet"), value=tr("Radius"), plain="2", selected=2),
    DrawTool("chamfer", tr("Chamfer"), _corner("chamfer"), value=tr("Setback"), plain="2", selected=2),
    DrawTool(
        "offset", tr("Offset"), lambda g: OffsetCurves(g.ids, g.value), value=tr("Distance"), plain="2", selected=1
    ),
    DrawTool(
        "offset_both",
        tr("Offset to both sides"),
        lambda g: OffsetCurves(g.ids, g.value, True),
        (),
        tr("Distance"),
        plain="2",
        selected=1,
    ),
    DrawTool("move", tr("Move"), _move, TWO, selected=1),
    DrawTool("turn", tr("Turn about a point"), _turn, (tr("Centre"),), tr("Angle in °"), _degrees, "90", 1),
    DrawTool("scale", tr("Scale about a point"), _scale, (tr("Centre"),), tr("Factor"), _number, "2", 1),
    *(
        DrawTool(
            what,
            tr("Scale to a {0} about a point", what),
            _sized(k, what),
            (tr("Centre"),),
            what.title(),
            length_in,
            "100",
            1,
        )
        for k, what in enumerate(("width", "height"))
    ),
    DrawTool("mirror", tr("Mirror"), _mirror, (tr("One point of the line"), tr("Another")), selected=1),
    DrawTool("array", tr("Array"), _array, TWO, tr("Copies"), _number, "3", 1),
    DrawTool("lock", tr("Lock curves"), lambda g: LockCurves(g.ids), selected=1),
    DrawTool("unlock", tr("Unlock curves"), lambda g: LockCurves(g.ids, False), selected=1),
)

BY_KEY = {tool.key: tool for tool in TOOLS}


def typed_point(text: str, unit: str, before: Sequence[Point]) -> Point | None:
    """A point from "x, y", "@dx, dy" from the last one, or "length < angle" from it; None where it is none."""
    try:
        if "<" in text and before:
            far, _, angle = text.partition("<")
            return polar(before[-1], length_in(far, unit), math.radians(degrees_in(angle)))
        relative = text.strip().startswith("@")
        x, y = (length_in(part, unit) for part in text.strip().lstrip("@").split(","))
    except (ValueError, SyntaxaError):
        return None
    return Point(before[-1].x + x, before[-1].y + y) if relative and before else Point(x, y)
