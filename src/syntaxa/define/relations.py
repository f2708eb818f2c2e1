"""Constraints by kind: the ties and rows that each adds. Signs are read off as drawn, once, when it is added."""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable, Sequence
from typing import Any

from syntaxa.define.unknowns import QUARTER, TURN, Element, Round, Spot, Straight, System

#: mm or radians; a number that is given is no sign.
_PLAIN = 1e-12


def _level(quarter: int) -> Callable[..., None]:
    def one(s: System, line: Straight) -> None:
        by = quarter * QUARTER
        s.tie(line.t, shift=by + round((s.x[line.t] - by) / math.pi) * math.pi)

    return one


def _in_line(axis: int) -> Callable[..., None]:
    def two(s: System, p: Spot, q: Spot) -> None:
        s.tie(q[axis], p[axis])

    return two


def _turned(quarter: int) -> Callable[..., None]:
    def lines(s: System, one: Straight, two: Straight) -> None:
        s.tie(two.t, one.t, 1.0, s.turned(two.t, one.t, quarter * QUARTER, math.pi))

    return lines


def _collinear(s: System, one: Straight, two: Straight) -> None:
    _turned(0)(s, one, two)
    s.ray(one.a, two.a, one.t, QUARTER)


def _on(s: System, p: Spot, thing: Straight | Round) -> None:
    if isinstance(thing, Straight):
        s.ray(thing.a, p, thing.t, QUARTER)
        return
    t = s.rims[p, thing.r] = s.direction(thing.c, p)
    s.ray(thing.c, p, t, 0.0, thing.r)
    s.ray(thing.c, p, t, QUARTER)


def _heading(thing: Element, spot: Spot) -> tuple[int, float]:
    """(unknown, shift) of the direction of a curve at an end of it; raises ValueError where it has none."""
    if isinstance(thing, Straight):
        return thing.t, 0.0
    if isinstance(thing, Round):
        return (thing.ta if spot == thing.a else thing.tb), thing.turn * QUARTER
    return thing.t, (thing.ta if spot == thing.a else thing.tb)


def shared_end(one: Element, two: Element) -> Spot | None:
    """The end that two curves have in common."""
    mine = [p for p in (one.a, one.b) if p is not None]
    return next((p for p in mine if p in (two.a, two.b)), None)


def _tangent(s: System, one: Element, two: Element) -> None:
    """At the end that they share, or at the end of a line that was put on a round; else anywhere.

    Where a line ends on a round that it touches, touching alone would be singular: it would say twice where its end is.
    """
    at = shared_end(one, two)
    if at is not None:
        (t, by), (u, more) = _heading(one, at), _heading(two, at)
        s.tie(t, u, 1.0, s.turned(t, u, more - by, math.pi))
    elif isinstance(one, Straight) and isinstance(two, Round):
        rim = next((s.rims[p, two.r] for p in (one.a, one.b) if (p, two.r) in s.rims), None)
        if rim is not None:
            s.tie(rim, one.t, 1.0, s.turned(rim, one.t, QUARTER, math.pi))
            return
        s.ray(one.a, two.c, one.t, QUARTER, two.r, math.copysign(1.0, s.side(two.c, one)))
    elif isinstance(one, Round) and isinstance(two, Straight):
        _tangent(s, two, one)
    elif isinstance(one, Round) and isinstance(two, Round):
        _touching(s, one, two)
    else:
        raise ValueError("A curve that keeps its form is tangent at its ends only.")


def _touching(s: System, one: Round, two: Round) -> None:
    apart, r, q = s.apart(one.c, two.c), s.x[one.r], s.x[two.r]
    k, m = min(((1.0, 1.0), (1.0, -1.0), (-1.0, 1.0)), key=lambda w: abs(w[0] * r + w[1] * q - apart))
    t = s.direction(one.c, two.c)
    s.ray(one.c, two.c, t, 0.0, one.r, k, two.r, m)
    s.ray(one.c, two.c, t, QUARTER)


def _equal(s: System, one: Straight | Round, two: Straight | Round) -> None:
    if isinstance(one, Straight) and isinstance(two, Straight):
        s.tie(s.length(two), s.length(one))
    elif isinstance(one, Round) and isinstance(two, Round):
        s.tie(two.r, one.r)
    else:
        raise TypeError("A line and a circle have no size in common.")


def _concentric(s: System, one: Round, two: Round) -> None:
    s.same(two.c, one.c)


def _midpoint(s: System, p: Spot, line: Straight) -> None:
    for axis in (0, 1):
        s.total({p[axis]: 2.0, line.a[axis]: -1.0, line.b[axis]: -1.0})


def _symmetric(s: System, p: Spot, q: Spot, axis: Straight) -> None:
    away = s.unknown(s.side(p, axis), 1e-3)
    s.ray(axis.a, p, axis.t, QUARTER, away)
    s.ray(axis.a, q, axis.t, QUARTER, away, -1.0)
    s.ray(p, q, axis.t, 0.0)


def _centred(axis: int) -> Callable[..., None]:
    """A point midway between two others along an axis; or two points as far out on either side."""

    def midway(s: System, *spots: Spot) -> None:
        *inner, a, b = spots
        terms: dict[int, float] = {}
        for spot, size in ((a, -1.0), (b, -1.0), *((p, 2.0 / len(inner)) for p in inner)):
            terms[spot[axis]] = terms.get(spot[axis], 0.0) + size
        s.total(terms)

    return midway


def _fixed(s: System, p: Spot) -> None:
    for k in p:
        s.tie(k, shift=s.x[k])


def _ring(s: System, spots: Sequence[Spot], centre: Spot) -> None:
    """Points on a circle about a centre, the whole turn shared equally between them."""
    r = s.unknown(s.apart(spots[0], centre), 1e-3)
    (ax, ay), (bx, by) = ((s.x[p.x] - s.x[centre.x], s.x[p.y] - s.x[centre.y]) for p in spots[:2])
    step = math.copysign(TURN / len(spots), ax * by - ay * bx)
    before = -1
    for spot in spots:
        t = s.direction(centre, spot)
        s.ray(centre, spot, t, 0.0, r)
        s.ray(centre, spot, t, QUARTER)
        if before >= 0:
            s.tie(t, before, 1.0, s.turned(t, before, step))
        before = t


def _row(s: System, spots: Sequence[Spot]) -> None:
    """Equal steps from each point to the next."""
    for axis in (0, 1):
        step = s.unknown((s.x[spots[-1][axis]] - s.x[spots[0][axis]]) / (len(spots) - 1), 1e-3)
        for a, b in itertools.pairwise(spots):
            s.total({b[axis]: 1.0, a[axis]: -1.0, step: -1.0})


# ---------------------------------------------------------------------- with a value


def _distance(s: System, value: float, p: Spot, q: Spot) -> None:
    t = s.direction(p, q)
    s.ray(p, q, t, 0.0, number=value)
    s.ray(p, q, t, QUARTER)


def _across(axis: int) -> Callable[..., None]:
    def apart(s: System, value: float, p: Spot, q: Spot) -> None:
        s.tie(q[axis], p[axis], 1.0, math.copysign(value, s.x[q[axis]] - s.x[p[axis]]))

    return apart


def _along(s: System, value: float, p: Spot, q: Spot, angle: float) -> None:
    c, n = math.cos(angle), math.sin(angle)
    way = (s.x[q.x] - s.x[p.x]) * c + (s.x[q.y] - s.x[p.y]) * n
    terms = {k: v for k, v in ((q.x, c), (p.x, -c), (q.y, n), (p.y, -n)) if abs(v) > _PLAIN}
    s.total(terms, math.copysign(value, way))


def _offset(s: System, value: float, p: Spot, line: Straight) -> None:
    s.ray(line.a, p, line.t, QUARTER, number=math.copysign(value, s.side(p, line)))


def _angle(s: System, value: float, one: Straight, two: Straight, flip: float) -> None:
    """From one to two; flip is half a turn where just one of them runs towards the vertex."""
    drawn = math.remainder(s.x[two.t] - s.x[one.t] + flip, TURN)
    signed = math.copysign(value, drawn)
    s.tie(two.t, one.t, 1.0, s.turned(two.t, one.t, signed - flip))


#: What holds: each takes the system and the things that it is about.
HOLDS: dict[str, Callable[..., None]] = {
    "coincident": lambda s, p, q: s.same(q, p), "level": _level(0), "upright": _level(1), "parallel": _turned(0),
    "perpendicular": _turned(1), "tangent": _tangent, "collinear": _collinear, "concentric": _concentric,
    "equal length": _equal, "equal radius": _equal, "symmetric": _symmetric, "on": _on, "midpoint": _midpoint,
    "level points": _in_line(1), "upright points": _in_line(0), "ring": lambda s, *p: _ring(s, p[:-1], p[-1]),
    "row": lambda s, *p: _row(s, p), "fixed": _fixed, "centred x": _centred(0), "centred y": _centred(1),
}  # fmt: skip

#: What is measured: each takes the system, the value (mm or radians), and the things that it is about.
MEASURES: dict[str, Callable[..., None]] = {
    "distance": _distance, "distance x": _across(0), "distance y": _across(1), "offset": _offset,
    "length": lambda s, value, line: s.tie(s.length(line), shift=value),
    "radius": lambda s, value, c: s.tie(c.r, shift=value),
    "diameter": lambda s, value, c: s.tie(c.r, shift=value / 2),
    "sweep": lambda s, value, c: s.tie(c.tb, c.ta, 1.0, c.turn * value),
}  # fmt: skip


def add(s: System, number: int, kind: str, things: Sequence[Any], value: float = 0.0, angle: float = 0.0) -> None:
    """Adds a constraint of a number; angle is the direction of "along", or the flip of "angle" (radians)."""
    s.source = number
    try:
        if kind in HOLDS:
            HOLDS[kind](s, *things)
        elif kind == "along":
            _along(s, value, things[0], things[1], angle)
        elif kind == "angle":
            _angle(s, value, things[0], things[1], angle)
        else:
            MEASURES[kind](s, value, *things)
    finally:
        s.source = -1


def drawn(s: System, kind: str, things: Sequence[Any], angle: float = 0.0) -> float:
    """What a dimension measures as the system stands (mm or radians)."""
    x = s.x
    if kind == "distance":
        return s.apart(things[0], things[1])
    if kind in ("distance x", "distance y"):
        axis = int(kind.endswith("y"))
        return float(abs(x[things[1][axis]] - x[things[0][axis]]))
    if kind == "along":
        p, q = things
        return float(abs((x[q.x] - x[p.x]) * math.cos(angle) + (x[q.y] - x[p.y]) * math.sin(angle)))
    if kind == "offset":
        return abs(s.side(things[0], things[1]))
    if kind == "length":
        return s.apart(things[0].a, things[0].b)
    if kind in ("radius", "diameter"):
        return float(x[things[0].r] * (2 if kind == "diameter" else 1))
    if kind in ("sweep", "arc length"):
        sweep = float(abs(x[things[0].tb] - x[things[0].ta]))
        return sweep if kind == "sweep" else sweep * float(x[things[0].r])
    return abs(math.remainder(x[things[1].t] - x[things[0].t] + angle, TURN))
