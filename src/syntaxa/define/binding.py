"""Dimensions of the drawing bound to what they measure: ends, lines, centres and rounds of the sketches.

An angle is bound to the sector that its text is in. What is bound to nothing says why.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import msgspec
import numpy as np

from syntaxa.define.model import Measure, Named, Place
from syntaxa.define.picking import crossing, flip_at
from syntaxa.define.sketching import SAME, Model, model_of
from syntaxa.define.unknowns import QUARTER, Element, Round, Spot, Straight
from syntaxa.drawing.annotations import Dimension
from syntaxa.drawing.state import State
from syntaxa.geometry.points import Point, Vector
from syntaxa.later import Later
from syntaxa.measure.clues.dimensions import shown_text
from syntaxa.measure.disagreements import text_unit, written

spatial = Later("scipy.spatial")

#: mm; how far a definition point may lie from what it measures.
REACH = 0.25

#: mm, and radians; what is written and what is drawn differ by no more where they agree: less is left by drawing.
_AGREES = 0.05
_AGREES_ANGLE = 1e-3

#: Radians; directions that differ by less are one.
_ONE_WAY = 1e-4


@dataclass(frozen=True)
class Bound:
    """Dimensions that are bound, in the order of the drawing, and sentences about those that are not."""

    measures: tuple[Measure, ...]
    loose: tuple[str, ...] = field(default=())


def bind(state: State) -> Bound:
    """The dimensions of all drawings, as d1, d2... in their order; those that are bound to nothing count."""
    finders = [_Finder(s.name, model_of(s.curves)) for s in state.profiles() if s.curves]
    made: list[Measure] = []
    loose: list[str] = []
    number = 0
    for taken in state.taken:
        to_mm = state.placement_of(taken).transform
        placed = [a.transformed(to_mm) for a in taken.drawing.annotations if isinstance(a, Dimension)]
        per = text_unit(placed)
        for one in placed:
            number += 1
            best = min(
                (found for f in finders for found in f.found(f"d{number}", one)), key=lambda pair: pair[0], default=None
            )
            if best is None:
                loose.append(f"d{number} ({one.measures}) measures nothing that is in a sketch.")
            else:
                made.append(_with_words(best[1], one, per))
    return Bound(tuple(made), tuple(loose))


def disagrees(measure: Measure, drawn_value: float) -> bool:
    """Whether what is written is not what is drawn (mm or radians)."""
    if measure.written is None or measure.shows:
        return False
    return abs(measure.written - drawn_value) > (_AGREES_ANGLE if measure.is_angle else _AGREES)


def _with_words(measure: Measure, one: Dimension, per: float) -> Measure:
    """With what is written; a text that shows the measured value writes that, and not what was rounded for it."""
    value = one.measured if one.measurement is None else one.measurement
    shows = not one.text or "<>" in one.text
    if not shows:
        said = written(one, per)
        value = None if said is None else math.radians(said[0]) if measure.is_angle else said[0]
    elif value is not None and one.measured is not None:
        # What the file stored may be of before it was changed: then it says something of its own.
        shows = abs(value - one.measured) <= (_AGREES_ANGLE if measure.is_angle else _AGREES)
    grown = math.radians(1.0) if measure.is_angle else per
    return msgspec.structs.replace(
        measure,
        written=value,
        shows=shows,
        text=shown_text(one),
        plus=None if one.plus is None else one.plus * grown,
        minus=None if one.minus is None else one.minus * grown,
        place=_on_its_line(one),
    )


def _on_its_line(one: Dimension) -> tuple[float, float]:
    """Where the text stands, on the dimension line: a file says where its middle is, which lies beside the line."""
    at = one.place
    if one.measures in ("linear", "aligned") and len(one.points) >= 3:
        along = (
            one.along if one.measures == "linear" and one.along is not None else (one.points[2] - one.points[1]).angle
        )
        across = Vector(-math.sin(along), math.cos(along))
        at = at + across * (one.points[0] - at).dot(across)
    return at.x, at.y


#: (how well it fits in mm, what it is)
_Fit = tuple[float, Measure]


class _Finder:
    """What dimensions may be bound to in one sketch."""

    def __init__(self, sketch: str, model: Model) -> None:
        self._sketch, self._model, self._x = sketch, model, model.system.x
        self._names: list[Named] = []
        places: list[tuple[float, float]] = []
        for piece, thing in zip(model.pieces, model.things, strict=True):
            for place, spot in _places(thing):
                self._names.append(piece.name.at(place))
                places.append((self._x[spot.x], self._x[spot.y]))
        self._tree = spatial.cKDTree(np.array(places).reshape(-1, 2))

    def found(self, name: str, one: Dimension) -> Iterator[_Fit]:
        """What a dimension may be, with how well it fits."""
        find = {"linear": self._linear, "aligned": self._linear, "radius": self._round, "diameter": self._round,
                "ordinate": self._ordinate, "angular": self._angular,
                "arc length": self._arc_length}.get(one.measures)  # fmt: skip
        if find is None or len(one.points) < 2:
            return
        for off, kind, things, angle in find(one):
            yield off, Measure(name, self._sketch, kind, tuple(things), angle)

    def _near(self, p: Point) -> tuple[float, Named] | None:
        """The nearest end or centre; an end where both are as near."""
        if not self._names:
            return None
        near = self._tree.query_ball_point((p.x, p.y), REACH)
        rows = [(float(np.hypot(*(self._tree.data[k] - (p.x, p.y)))), self._names[k]) for k in near]
        return min(rows, key=lambda r: (round(r[0], 6), r[1].place == "centre", r[1]), default=None)

    def _at(self, name: Named) -> Point:
        spot = self._model.thing(name)
        return Point(self._x[spot.x], self._x[spot.y])  # type: ignore[union-attr]

    def _linear(self, one: Dimension) -> Iterator[tuple[float, str, Sequence[Named], float]]:
        ends = [self._near(p) for p in one.points[1:3]]
        if len(ends) < 2 or ends[0] is None or ends[1] is None:
            return
        off, (a, b) = ends[0][0] + ends[1][0], (ends[0][1], ends[1][1])
        p, q = self._at(a), self._at(b)
        if p.distance_to(q) <= REACH:
            return
        along = one.along if one.measures == "linear" else None
        turned = None if along is None else abs(math.remainder((q - p).angle - along, math.pi))
        level = along is not None and abs(math.remainder(along, QUARTER)) <= _ONE_WAY
        if along is None or (turned is not None and turned <= _ONE_WAY and not level):
            # Some programs write an aligned one as a linear one that is turned along.
            line = self._line_between(p, q)
            yield (off, "length", (line,), 0.0) if line else (off, "distance", (a, b), 0.0)
            return
        if level:
            yield off, ("distance x", "distance y")[round(along / QUARTER) % 2], (a, b), 0.0
        else:
            yield off, "along", (a, b), along

    def _line_between(self, p: Point, q: Point) -> Named | None:
        for piece, thing in zip(self._model.pieces, self._model.things, strict=True):
            if isinstance(thing, Straight):
                ends = [Point(self._x[s.x], self._x[s.y]) for s in (thing.a, thing.b)]
                if min(max(p.distance_to(a), q.distance_to(b)) for a, b in (ends, ends[::-1])) <= SAME:
                    return piece.name
        return None

    def _round(self, one: Dimension) -> Iterator[tuple[float, str, Sequence[Named], float]]:
        a, b = one.points[0], one.points[-1]
        whole = one.measures == "diameter"
        centre, size = (a.toward(b, 0.5), a.distance_to(b) / 2) if whole else (a, a.distance_to(b))
        for piece, thing in zip(self._model.pieces, self._model.things, strict=True):
            if isinstance(thing, Round):
                c, r = Point(self._x[thing.c.x], self._x[thing.c.y]), self._x[thing.r]
                off = max(c.distance_to(centre), abs(r - size))
                # Where only the rim is met, it is the best that can be said.
                rim = abs(c.distance_to(b) - r)
                if off <= REACH or (not whole and rim <= REACH / 2):
                    yield min(off, REACH + rim), one.measures, (piece.name,), 0.0

    def _arc_length(self, one: Dimension) -> Iterator[tuple[float, str, Sequence[Named], float]]:
        """By both ends and the centre (DXF reference, ARC_DIMENSION)."""
        if len(one.points) < 4:
            return
        wanted = (*one.points[1:3], one.points[3])
        for piece, thing in zip(self._model.pieces, self._model.things, strict=True):
            if isinstance(thing, Round) and thing.a is not None and thing.b is not None:
                a, b, c = (Point(self._x[s.x], self._x[s.y]) for s in (thing.a, thing.b, thing.c))
                ends = min(max(a.distance_to(p), b.distance_to(q)) for p, q in (wanted[:2], wanted[1::-1]))
                off = max(ends, c.distance_to(wanted[2]))
                if off <= REACH:
                    yield off, "arc length", (piece.name,), 0.0

    def _ordinate(self, one: Dimension) -> Iterator[tuple[float, str, Sequence[Named], float]]:
        zero, place = self._near(one.points[0]), self._near(one.points[1])
        if zero is None or place is None or zero[1] == place[1]:
            return
        upward = one.along is not None and abs(math.remainder(one.along, math.pi)) > QUARTER / 2
        yield zero[0] + place[0], ("distance x", "distance y")[upward], (zero[1], place[1]), 0.0

    def _angular(self, one: Dimension) -> Iterator[tuple[float, str, Sequence[Named], float]]:
        sides = _sides(one)
        if sides is None:
            return
        (first, second), arc = sides
        mine, other = self._carrier(*first), self._carrier(*second)
        if mine is None or other is None or mine[1] == other[1]:
            return
        one_line, two_line = self._model.thing(mine[1]), self._model.thing(other[1])
        t, u = self._x[one_line.t], self._x[two_line.t]  # type: ignore[union-attr]
        if abs(math.sin(u - t)) < _ONE_WAY:
            return
        vertex = crossing(self._start(mine[1]), t, self._start(other[1]), u)
        yield mine[0] + other[0], "angle", (mine[1], other[1]), flip_at(vertex, t, u, arc)

    def _start(self, name: Named) -> Point:
        return self._at(name.at("start"))

    def _carrier(self, a: Point, b: Point) -> tuple[float, Named] | None:
        """The line on which two points lie: of several the one with an end nearest to one of them."""
        best: tuple[float, float, Named] | None = None
        s = self._model.system
        for piece, thing in zip(self._model.pieces, self._model.things, strict=True):
            if not isinstance(thing, Straight):
                continue
            t, ax, ay = s.x[thing.t], s.x[thing.a.x], s.x[thing.a.y]
            off = max(abs((p.y - ay) * math.cos(t) - (p.x - ax) * math.sin(t)) for p in (a, b))
            ends = [Point(s.x[e.x], s.x[e.y]) for e in (thing.a, thing.b)]
            row = off, min(p.distance_to(e) for p in (a, b) for e in ends), piece.name
            if off <= REACH and (best is None or (row[1], row[0]) < (best[1], best[0])):
                best = row
        return None if best is None else (best[0], best[2])


def _places(thing: Element | None) -> Iterator[tuple[Place, Spot]]:
    if thing is None:
        return
    if thing.a is not None and thing.b is not None:
        yield "start", thing.a
        yield "end", thing.b
    if isinstance(thing, Round):
        yield "centre", thing.c


def _sides(one: Dimension) -> tuple[tuple[tuple[Point, Point], tuple[Point, Point]], Point] | None:
    """The two sides of an angle, and a place on its arc (DXF reference, DIMENSION)."""
    p = one.points
    if one.angle_by == "sides":
        return ((p[1], p[2]), (p[3], p[0])), p[4]
    if one.angle_by == "vertex":
        return ((p[3], p[1]), (p[3], p[2])), p[0]
    return None
