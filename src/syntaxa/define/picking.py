"""The dimension that picked things have, by where its text would stand: one tool, no choosing of kinds.

A line has its length, a circle its diameter, an arc its radius; two points, centres or parallel lines have a distance,
along the line between them or along an axis where the text stands beside them that way; two other lines have an angle,
in the sector that the text is in.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

from syntaxa.define.model import Measure, Named
from syntaxa.define.sketching import Model
from syntaxa.define.unknowns import Round, Spot, Straight, Thing
from syntaxa.geometry.points import Point
from syntaxa.geometry.tolerances import ROUNDING

#: Radians; lines that differ by less are parallel.
_PARALLEL = 1e-6


def measure_of(model: Model, sketch: str, picks: Sequence[Named], place: Point) -> Measure | None:
    """The dimension of one or two picked things whose text stands at a place (mm); None where they have none."""
    things = [model.thing(n) for n in picks]
    made = _of_one(model, picks[0], things[0], place) if len(picks) == 1 else _of_two(model, picks, things, place)
    if made is None:
        return None
    kind, names, angle = made
    return Measure("", sketch, kind, names, angle, use="live", place=(place.x, place.y))


_Made = tuple[str, tuple[Named, ...], float]


def _of_one(model: Model, name: Named, thing: Thing, place: Point) -> _Made | None:
    if isinstance(thing, Round):
        return ("diameter" if thing.a is None else "radius"), (name,), 0.0
    if isinstance(thing, Straight):
        kind = _between(_at(model, thing.a), _at(model, thing.b), place)
        return ("length", (name,), 0.0) if kind == "distance" else (kind, (name.at("start"), name.at("end")), 0.0)
    return None


def _of_two(model: Model, picks: Sequence[Named], things: Sequence[Thing], place: Point) -> _Made | None:
    rows = [(n.at("centre"), t.c) if isinstance(t, Round) else (n, t) for n, t in zip(picks, things, strict=True)]
    (n, one), (m, two) = rows
    if isinstance(one, Straight) and isinstance(two, Straight):
        return _of_lines(model, (n, one), (m, two), place)
    if isinstance(one, Straight) and isinstance(two, Spot):
        return "offset", (m, n), 0.0
    if isinstance(one, Spot) and isinstance(two, Straight):
        return "offset", (n, m), 0.0
    if isinstance(one, Spot) and isinstance(two, Spot) and one != two:
        return _between(_at(model, one), _at(model, two), place), (n, m), 0.0
    return None


def _of_lines(model: Model, one: tuple[Named, Straight], two: tuple[Named, Straight], place: Point) -> _Made | None:
    (n, first), (m, second) = one, two
    x = model.system.x
    if abs(math.sin(x[second.t] - x[first.t])) <= _PARALLEL:
        return ("offset", (m.at("start"), n), 0.0) if first.t != second.t else None
    vertex = crossing(_at(model, first.a), x[first.t], _at(model, second.a), x[second.t])
    return "angle", (n, m), flip_at(vertex, x[first.t], x[second.t], place)


def crossing(p: Point, t: float, q: Point, u: float) -> Point:
    """Where two carriers that are not parallel cross; t and u are their directions (radians)."""
    far = ((q.x - p.x) * math.sin(u) - (q.y - p.y) * math.cos(u)) / math.sin(u - t)
    return Point(p.x + far * math.cos(t), p.y + far * math.sin(t))


def flip_at(vertex: Point, t: float, u: float, place: Point) -> float:
    """The flip of the angle from direction t to u in whose sector a place lies: half a turn, or none (radians)."""
    way, across = place - vertex, math.sin(u - t)
    back_one = (way.x * math.sin(u) - way.y * math.cos(u)) / across < 0
    back_two = (way.y * math.cos(t) - way.x * math.sin(t)) / across < 0
    return math.pi if back_one != back_two else 0.0


def _between(p: Point, q: Point, place: Point) -> str:
    """Along an axis where the text stands above or beside the two points, and they do not lie along an axis anyhow."""
    beside = [min(a, b) <= c <= max(a, b) for a, b, c in ((p.x, q.x, place.x), (p.y, q.y, place.y))]
    if min(abs(q.x - p.x), abs(q.y - p.y)) <= ROUNDING * max(1.0, p.distance_to(q)) or beside[0] == beside[1]:
        return "distance"
    return "distance x" if beside[0] else "distance y"


def _at(model: Model, spot: Spot) -> Point:
    return Point(model.system.x[spot.x], model.system.x[spot.y])
