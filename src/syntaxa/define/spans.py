"""What a dimension spans in its sketch, and how its lines lie for a place of its text (ISO 129-1, from memory).

Everything is in mm; gaps, overshoots and arrowheads have sizes on paper, so whoever draws the lines adds them.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from syntaxa.define.model import Measure
from syntaxa.define.picking import crossing
from syntaxa.define.sketching import Model
from syntaxa.define.unknowns import QUARTER, TURN, Round, Spot, Straight
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.shapes import Arc, Line
from syntaxa.geometry.tolerances import ROUNDING

#: A half turn; text is read from below or from the right, so its direction lies above minus a quarter turn.
_HALF = math.pi


@dataclass(frozen=True, slots=True)
class Straightly:
    """From a to b, measured in a direction (radians)."""

    a: Point
    b: Point
    way: float


@dataclass(frozen=True, slots=True)
class Roundly:
    """A circle or arc by its radius, or across it; an arc is there from a direction on by a signed sweep (radians)."""

    centre: Point
    radius: float
    across: bool
    start: float = 0.0
    sweep: float = TURN

    def has(self, way: float) -> bool:
        """Whether there is anything of it in a direction."""
        turn = (way - self.start) * math.copysign(1.0, self.sweep) % TURN
        return turn <= abs(self.sweep) + ROUNDING


@dataclass(frozen=True, slots=True)
class Sweeping:
    """An angle at a vertex, from a direction on by a signed sweep (radians).

    ends   one point on each side, from which helping lines start
    turns  whether the opposite sector is as good: that of two lines, where the text decides
    """

    vertex: Point
    start: float
    sweep: float
    ends: tuple[Point, Point]
    turns: bool


Span = Straightly | Roundly | Sweeping


@dataclass(frozen=True, slots=True)
class Figure:
    """The lines of a dimension.

    helpers  from what is measured to the dimension line
    line     the dimension line
    arrows   where a head stands, and the direction in which it points (radians)
    text     where the text stands, and its line of writing (radians), read from below or from the right
    """

    helpers: tuple[Line, ...]
    line: Line | Arc
    arrows: tuple[tuple[Point, float], ...]
    text: Point
    writing: float


def span_of(model: Model, measure: Measure) -> Span:
    """What a dimension spans as the system stands; raises GoneError where its things are no longer there."""
    s, things = model.system, [model.thing(n) for n in measure.things]

    def at(spot: Spot) -> Point:
        return Point(s.x[spot.x], s.x[spot.y])

    one, two = things[0], things[-1]
    if isinstance(one, Round) and measure.kind in ("sweep", "arc length"):
        ends = (at(one.a), at(one.b)) if one.a is not None and one.b is not None else (at(one.c), at(one.c))
        return Sweeping(at(one.c), s.x[one.ta], s.x[one.tb] - s.x[one.ta], ends, turns=False)
    if isinstance(one, Round):
        centre, radius, across = at(one.c), s.x[one.r], measure.kind == "diameter"
        if one.a is None:
            return Roundly(centre, radius, across)
        return Roundly(centre, radius, across, s.x[one.ta], s.x[one.tb] - s.x[one.ta])
    if isinstance(one, Straight) and isinstance(two, Straight) and measure.kind == "angle":
        return _sector(s.x[one.t], s.x[two.t], (at(one.a), at(one.b)), (at(two.a), at(two.b)), measure.angle)
    if isinstance(one, Straight):
        return Straightly(at(one.a), at(one.b), s.x[one.t])
    if isinstance(one, Spot) and isinstance(two, Straight):
        foot = at(one) + Vector(math.sin(s.x[two.t]), -math.cos(s.x[two.t])) * s.side(one, two)
        return Straightly(at(one), foot, s.x[two.t] + QUARTER)
    if not (isinstance(one, Spot) and isinstance(two, Spot)):
        raise TypeError(f"{measure.kind} spans nothing.")
    a, b = at(one), at(two)
    ways = {"distance x": 0.0, "distance y": QUARTER, "along": measure.angle}
    return Straightly(a, b, ways[measure.kind] if measure.kind in ways else (b - a).angle)


def _sector(
    t: float, u: float, one: tuple[Point, Point], two: tuple[Point, Point], flip: float
) -> Sweeping | Straightly:
    sweep = math.remainder(u - t + flip, TURN)
    if abs(math.sin(u - t)) <= ROUNDING:
        return Straightly(one[0], two[0], t + QUARTER)
    vertex = crossing(one[0], t, two[0], u)
    # With a flip one of the two runs towards the vertex; the sector is that in which the lines themselves are.
    middle = one[0].toward(one[1], 0.5)
    start = t if (middle - vertex).dot(Vector(math.cos(t), math.sin(t))) >= 0 else t + _HALF
    ends = max(one, key=vertex.distance_to), max(two, key=vertex.distance_to)
    return Sweeping(vertex, start, sweep, ends, turns=True)


def figure(span: Span, place: Point) -> Figure:
    """The lines of a dimension whose text stands at a place."""
    if isinstance(span, Straightly):
        return _straight(span, place)
    if isinstance(span, Roundly):
        return _round(span, place)
    return _sweeping(span, place)


def _straight(span: Straightly, place: Point) -> Figure:
    along, off = Vector(math.cos(span.way), math.sin(span.way)), Vector(-math.sin(span.way), math.cos(span.way))
    feet = [p + off * (place - p).dot(off) for p in (span.a, span.b)]
    size = (feet[1] - feet[0]).dot(along)
    at = (place - feet[0]).dot(along)
    low, high = min(0.0, size, at), max(0.0, size, at)
    line = Line(feet[0] + along * low, feet[0] + along * high)
    outward = span.way if size >= 0 else span.way + _HALF
    arrows = ((feet[0], outward + _HALF), (feet[1], outward))
    helpers = tuple(Line(p, f) for p, f in zip((span.a, span.b), feet, strict=True) if p.distance_to(f) > ROUNDING)
    return Figure(helpers, line, arrows, feet[0] + along * at, readable(span.way))


def _round(span: Roundly, place: Point) -> Figure:
    away = place - span.centre
    way = away.angle if away.length > ROUNDING else QUARTER / 2
    rim = polar(span.centre, span.radius, way)
    far = max(away.length, span.radius)
    start = polar(span.centre, span.radius, way + _HALF) if span.across else span.centre
    arrows = ((rim, way), (start, way + _HALF)) if span.across else ((rim, way),)
    return Figure((), Line(start, polar(span.centre, far, way)), arrows, place, readable(way))


def _sweeping(span: Sweeping, place: Point) -> Figure:
    away = place - span.vertex
    radius = max(away.length, ROUNDING)
    start = span.start
    middle = start + span.sweep / 2
    if span.turns and away.dot(Vector(math.cos(middle), math.sin(middle))) < 0:
        start += _HALF
    arc = Arc(span.vertex, radius, start, span.sweep)
    arrows = ((arc.start, start - math.copysign(QUARTER, span.sweep)),
              (arc.end, start + span.sweep + math.copysign(QUARTER, span.sweep)))  # fmt: skip
    helpers = []
    for end, way in zip(span.ends, (start, start + span.sweep), strict=True):
        out = polar(span.vertex, radius, way)
        reach = (end - span.vertex).dot(Vector(math.cos(way), math.sin(way)))
        if reach < radius - ROUNDING:
            helpers.append(Line(polar(span.vertex, max(reach, 0.0), way), out))
    return Figure(tuple(helpers), arc, arrows, place, readable(away.angle - QUARTER))


def followed(before: Span, after: Span, place: Point) -> Point:
    """Where a text stands after what it measures has moved: as far from its middle, its rim or its vertex as before."""
    if isinstance(before, Straightly) and isinstance(after, Straightly):
        return place + (after.a.toward(after.b, 0.5) - before.a.toward(before.b, 0.5))
    if isinstance(before, Roundly) and isinstance(after, Roundly):
        away = place - before.centre
        out = away * ((after.radius - before.radius) / away.length) if away.length > ROUNDING else Vector(0.0, 0.0)
        return place + (after.centre - before.centre) + out
    if isinstance(before, Sweeping) and isinstance(after, Sweeping):
        return place + (after.vertex - before.vertex)
    return place


def usual_place(span: Span, middle: Point, away: float) -> Point:
    """Where a text stands that nobody has placed: beside what is measured, away from the middle of the sketch (mm)."""
    if isinstance(span, Straightly):
        amid, off = span.a.toward(span.b, 0.5), Vector(-math.sin(span.way), math.cos(span.way))
        outward = off if (amid - middle).dot(off) >= 0 else -off
        farther = max((p - amid).dot(outward) for p in (span.a, span.b))
        return amid + outward * (farther + away)
    if isinstance(span, Roundly):
        way = (span.centre - middle).angle if span.centre.distance_to(middle) > span.radius else QUARTER / 2
        return polar(span.centre, span.radius + away, way)
    return polar(span.vertex, 1.5 * away, span.start + span.sweep / 2)


def readable(way: float) -> float:
    """A line of writing along a direction that is read from below or from the right (radians)."""
    turned = math.remainder(way, TURN)
    if turned > QUARTER + ROUNDING:
        return turned - _HALF
    return turned + _HALF if turned <= -QUARTER + ROUNDING else turned
