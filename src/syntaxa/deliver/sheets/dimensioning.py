"""Dimensions on paper (ISO 129-1, from memory): laid out so that no text lies on a line or on another text.

Short ones lie nearer than long ones, level and upright ones outside of the view, round ones where there is room.
What was placed by hand stays there as long as it has room at
the scale of the sheet.

Cost: n log n in the lines of the view, times the few places that are tried.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import numpy as np
import shapely

from syntaxa.define.spans import Figure, Roundly, Span, Straightly, Sweeping, figure, usual_place
from syntaxa.deliver.pages.model import Filled, Mark, Pen, Stroke, Words, width_of
from syntaxa.deliver.sheets.contents import NARROW, Dimensioned, Pointed, moved_span
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.shapes import Circle, Line, Polyline
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box

#: mm: height of text, an arrowhead and half its width, the gap before a helping line and what it goes on beyond.
HEIGHT, HEAD, HALF_HEAD, GAP, BEYOND = 3.5, 3.0, 0.45, 1.0, 2.0

#: mm: the first row of dimensions outside of a view, the next, how many rows are tried, and text over its line.
FIRST, ROW, _ROWS, OVER = 10.0, 7.5, 14, 0.9

#: Directions that are tried for round ones (radians), and mm beyond the rim.
_WAYS = tuple(math.radians(d) for d in (45, 135, 225, 315, 20, 160, 200, 340, 70, 110, 250, 290))
_OUT = (8.0, 14.0, 22.0, 32.0)

#: mm: radius of the ring round a number of a list, and of the dot at what it is about (ISO 6433, from memory).
RING, _DOT = 4.5, 0.6

#: mm: how fine lines are looked at, room round a text, and how far a text that was put by hand is pushed at a time.
_FINE, _ROOM, _PUSH = 0.2, 0.5, 5.0

LAYER = "dimensions"


@dataclass
class Room:
    """What is taken on the paper around a view."""

    box: Box
    lines: shapely.STRtree
    texts: list[shapely.Polygon] = field(default_factory=list)
    dims: list[shapely.LineString] = field(default_factory=list)

    @classmethod
    def of(cls, marks: Sequence[Mark], box: Box) -> Room:
        """Of the lines of a view, on paper."""
        runs = [m.shape.flattened(_FINE) for m in marks if isinstance(m, Stroke)]
        return cls(box, shapely.STRtree([shapely.LineString(r) for r in runs if len(r) > 1]))

    def clashes(self, drawn: Figure, frame: shapely.Polygon) -> bool:
        """Whether a text would lie on something, or its line on a text."""
        if len(self.lines.query(frame, predicate="intersects")):
            return True
        own = _line_of(drawn)
        return (
            any(frame.intersects(t) or own.intersects(t) for t in self.texts)
            or any(frame.intersects(d) for d in self.dims)
            or any(_overlies(own, d) for d in self.dims)
        )

    def take(self, drawn: Figure, frame: shapely.Polygon) -> None:
        """A dimension was put there."""
        self.texts.append(frame)
        self.dims.append(_line_of(drawn))
        self.dims += [shapely.LineString([[*h.start], [*h.end]]) for h in drawn.helpers]


def dimension_marks(dimensions: Sequence[Dimensioned], by: Transform, room: Room) -> tuple[list[Mark], list[str]]:
    """(lines and words on paper, names of those for which no free place was found and that lie where they can)."""
    marks: list[Mark] = []
    crowded: list[str] = []
    for one in sorted(dimensions, key=lambda d: (d.place is None, _size(d.span), d.name)):
        span = moved_span(one.span, by)
        own = [] if one.place is None else list(_along(span, by.point(one.place)))
        places = [*own, *_places(span, room.box)]
        found = None
        for place in places:
            drawn = _lines(span, place, one.text)
            frame = _room_of(span, drawn, one.text)
            if not room.clashes(drawn, frame):
                found = drawn, frame
                break
        if found is None:
            drawn = _lines(span, places[0] if own else places[-1], one.text)
            found = drawn, _room_of(span, drawn, one.text)
            crowded.append(one.name)
        room.take(*found)
        marks += _ringed(found[0], one.text) if _has_ring(span) else drawing_of(found[0], one.text)
    return marks, crowded


def _has_ring(span: Span | Pointed) -> bool:
    return isinstance(span, Pointed) and span.ring


def _lines(span: Span | Pointed, place: Point, text: str) -> Figure:
    """The lines of a dimension, or that from a place to the words about it."""
    if not isinstance(span, Pointed):
        return figure(span, place)
    way = span.at - place
    if span.ring:
        return Figure((), Line(span.at, place + way * (RING / max(way.length, RING))), (), place, 0.0)
    # The words stand on a shelf that runs on from the line, away from the place.
    wide = width_of(text, HEIGHT) + 2 * _ROOM
    side = 1.0 if way.x <= 0 else -1.0
    shelf = Line(place, Point(place.x + side * wide, place.y))
    amid = Point(place.x + side * wide / 2, place.y)
    return Figure((Line(span.at, place),), shelf, ((span.at, way.angle),), amid, 0.0)


def _room_of(span: Span | Pointed, drawn: Figure, text: str) -> shapely.Polygon:
    if _has_ring(span):
        return shapely.Point(*drawn.text).buffer(RING + _ROOM, quad_segs=4)
    return _frame(drawn, text)


def _ringed(drawn: Figure, text: str) -> Iterator[Mark]:
    """A number in a ring, with a line to a dot."""
    pen = Pen(NARROW)
    yield Stroke(drawn.line, pen, LAYER)
    yield Stroke(Circle(drawn.text, RING), pen, LAYER)
    yield Filled((Circle(drawn.line.start, _DOT),), 0, LAYER)
    yield Words(text, Point(drawn.text.x, drawn.text.y - HEIGHT / 2), HEIGHT, 0.0, "centre", 0, LAYER)


def _size(span: Span | Pointed) -> float:
    if isinstance(span, Straightly):
        return span.a.distance_to(span.b)
    return span.radius if isinstance(span, Roundly) else 0.0


def _places(span: Span | Pointed, box: Box) -> Iterator[Point]:
    """Places for the text, the best first."""
    middle = Point((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)
    if isinstance(span, Pointed):
        yield from _about(span, box, middle)
    elif isinstance(span, Straightly):
        yield from _beside(span, box, middle)
    elif isinstance(span, Roundly):
        ways = sorted(
            (span.start + span.sweep / 2, *(w for w in _WAYS if span.has(w))) if abs(span.sweep) < math.tau else _WAYS,
            key=lambda w: abs(math.remainder(w - (span.centre - middle).angle, math.tau)),
        )
        for out in _OUT:
            for way in ways:
                yield polar(span.centre, span.radius + out, way)
    elif isinstance(span, Sweeping):
        for out in (12.0, 18.0, 26.0, 36.0):
            yield polar(span.vertex, out, span.start + span.sweep / 2)


def _about(span: Pointed, box: Box, middle: Point) -> Iterator[Point]:
    """Places for words about a place: near it, or outside of the view for the numbers of a list."""
    turn = (span.at - middle).angle if span.at.distance_to(middle) > _FINE else math.pi / 4
    ways = sorted(_WAYS, key=lambda w: abs(math.remainder(w - turn, math.tau)))
    for out in (FIRST, FIRST + 2 * ROW, *(_OUT if not span.ring else ())):
        for way in ways:
            far = _leaving(span.at, way, box) if span.ring else 0.0
            yield polar(span.at, far + out, way)


def _leaving(at: Point, way: float, box: Box) -> float:
    """How far it is from a place within a box to its edge (mm)."""
    c, s = math.cos(way), math.sin(way)
    x = (box[2] - at.x if c > 0 else box[0] - at.x) / c if abs(c) > 1e-9 else math.inf
    y = (box[3] - at.y if s > 0 else box[1] - at.y) / s if abs(s) > 1e-9 else math.inf
    return max(min(x, y), 0.0)


def _along(span: Span | Pointed, place: Point) -> Iterator[Point]:
    """Where a text was put by hand, and what it may be pushed to: along its line, or round its rim."""
    if not isinstance(span, Roundly) or span.has((place - span.centre).angle):
        yield place
    if isinstance(span, Pointed):
        return
    for k in range(1, 7):
        for side in (1, -1):
            if isinstance(span, Straightly):
                yield polar(place, side * k * _PUSH, span.way)
            else:
                middle = span.centre if isinstance(span, Roundly) else span.vertex
                away = place - middle
                way = away.angle + side * k * _PUSH / max(away.length, _PUSH)
                if isinstance(span, Sweeping) or span.has(way):
                    yield polar(middle, away.length, way)


def _beside(span: Straightly, box: Box, middle: Point) -> Iterator[Point]:
    """Rows outside of the view for what is level or upright; beside itself for what slants."""
    amid = span.a.toward(span.b, 0.5)
    level, upright = abs(math.sin(span.way)) < 1e-6, abs(math.cos(span.way)) < 1e-6
    for k in range(_ROWS):
        away = FIRST + k * ROW
        if level:
            below, above = Point(amid.x, box[1] - away), Point(amid.x, box[3] + away)
            yield from (below, above) if amid.y <= middle.y else (above, below)
        elif upright:
            left, right = Point(box[0] - away, amid.y), Point(box[2] + away, amid.y)
            yield from (right, left) if amid.x >= middle.x else (left, right)
        else:
            yield usual_place(span, middle, away)


# ---------------------------------------------------------------------- as it is drawn


def _frame(drawn: Figure, text: str) -> shapely.Polygon:
    """The room of a text."""
    wide, high = width_of(text, HEIGHT) / 2 + _ROOM, HEIGHT + _ROOM
    foot = _foot(drawn)
    turned = Transform.rotating(drawn.writing).then(Transform.moving(Vector(foot.x, foot.y)))
    corners = [(-wide, -_ROOM / 2), (wide, -_ROOM / 2), (wide, high), (-wide, high)]
    return shapely.Polygon([(p.x, p.y) for p in (turned.point(Point(*c)) for c in corners)])


def _foot(drawn: Figure) -> Point:
    """Where the middle of a text's baseline is: a little over its line."""
    return polar(drawn.text, OVER, drawn.writing + math.pi / 2)


def _line_of(drawn: Figure) -> shapely.LineString:
    shape = drawn.line
    run = np.array([[*shape.start], [*shape.end]]) if isinstance(shape, Line) else shape.flattened(_FINE)
    return shapely.LineString(run)


def _overlies(one: shapely.LineString, other: shapely.LineString) -> bool:
    """Whether two lines lie on each other for some length."""
    return bool(one.distance(other) < _ROOM and one.buffer(_ROOM).intersection(other).length > 2 * HEAD)


def drawing_of(drawn: Figure, text: str) -> Iterator[Mark]:
    """Helping lines, line, heads and text of a dimension."""
    pen = Pen(NARROW)
    for helper in drawn.helpers:
        step = helper.end - helper.start
        if step.length > GAP:
            unit = step * (1 / step.length)
            yield Stroke(Line(helper.start + unit * GAP, helper.end + unit * BEYOND), pen, LAYER)
    yield Stroke(drawn.line, pen, LAYER)
    # Where there is no room between them the heads point from outside.
    outside = len(drawn.arrows) > 1 and drawn.line.length < 3 * HEAD
    for tip, way in drawn.arrows:
        pointing = way + math.pi if outside else way
        yield head(tip, pointing)
        if outside:
            yield Stroke(Line(polar(tip, -2 * HEAD, pointing), tip), pen, LAYER)
    yield Words(text, _foot(drawn), HEIGHT, drawn.writing, "centre", 0, LAYER)


def head(tip: Point, way: float) -> Filled:
    """An arrowhead at a place that points in a direction (radians)."""
    base, side = polar(tip, -HEAD, way), polar(Point(0.0, 0.0), HALF_HEAD, way + math.pi / 2)
    across = Vector(side.x, side.y)
    return Filled((Polyline((tip, base + across, base + -across), (0.0,) * 3, True),), 0, LAYER)
