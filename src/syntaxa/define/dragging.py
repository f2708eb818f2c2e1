"""Dragging: a point or a curve goes where it is pulled as far as everything that holds lets it, and the rest follows.

It is pulled on a short leash, stride by stride, each solved from the one before. A stride that would turn a line or an
arc over is made shorter, and where none is short enough the point stays: nothing flips, ever.
"""

from __future__ import annotations

import math
from collections.abc import Mapping

import numpy as np

from syntaxa.define.equations import Equations
from syntaxa.define.model import Named
from syntaxa.define.settling import Stated, same_way
from syntaxa.define.sketching import Model
from syntaxa.define.solving import solved_from
from syntaxa.define.unknowns import Spot, Thing
from syntaxa.geometry.points import Point
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: How many times as much it costs to leave the hand behind as to move anything else.
_PULL = 1e8

#: How many times as much it costs to move the lowest point at the left as any other.
_ANCHOR = 1e4

#: The leash, as a share of the size of the sketch, and the shortest stride, as a share of the leash.
_LEASH = 0.05
_SHORTEST = 1 / 64

_MOST_STRIDES = 400

#: mm; a point that is so near is where the hand is.
_AT_HAND = 1e-6

#: Share of the size of a part by which points on its two sides may differ and still lie alike.
_ALIKE = 1e-3


class Dragging:
    """A point in the hand: the system is stated once, and every stride is solved from the one before."""

    def __init__(
        self, stated: Stated, values: Mapping[str, float], name: Named, x: Floats | None = None, *, both: bool = False
    ) -> None:
        """From where the sketch stands, or from unknowns of its own; a curve is led by the first of its ends.

        both  the points that lie like it on the other sides of the middle of its part go the other way as much
        """
        self._model = stated.model(values, x)
        thing = self._model.thing(name)
        #: What is led: a point, or of a curve its ends, all by one step; of a circle its centre.
        spots = led(thing)
        spot = spots[0]
        self._spot, self._own = spot, len(stated.bare.system.x)
        self._leash = max(_LEASH * _size(self._model), 1e-3)
        s = self._model.system
        #: All unknowns, as far as the hand has come.
        self._x = np.array(s.x)
        self._pulled = [*((p, 1.0, 1.0) for p in spots), *(_keep_alike(self._model, spot) if both else ())]
        # A sketch whose place nothing holds would drift after the hand: its lowest point at the left is loath to move.
        anchor = min(s.spots, key=lambda p: s.x[p.x] + s.x[p.y])
        for axis in anchor if all(anchor != p for p, _, _ in self._pulled) else ():
            s.weight[axis] *= _ANCHOR
        for pulled, _, _ in self._pulled:
            for axis in pulled:
                s.weight[axis] *= _PULL
        self._equations = Equations(s)

    def to(self, place: Point) -> Floats:
        """The unknowns of the sketch with the point pulled to a place (mm), as far as it goes."""
        stride = self._leash
        for _ in range(_MOST_STRIDES):
            left = np.array([place.x, place.y]) - self._x[list(self._spot)]
            far = float(np.hypot(*left))
            if far <= _AT_HAND:
                break
            there = self._stride(left * min(1.0, stride / far))
            if there is not None and _nearer(self._x, there, self._spot, place):
                self._x, stride = there, min(2 * stride, self._leash)
            elif stride > self._leash * _SHORTEST:
                stride /= 2
            else:
                break
        return self._x[: self._own]

    def _stride(self, step: Floats) -> Floats | None:
        """All unknowns after one stride; None where it does not hold or turns something over."""
        aim = self._x.copy()
        for pulled, across, up in self._pulled:
            aim[list(pulled)] += step * (across, up)
        done = solved_from(self._equations, aim)
        if not done.holds or not same_way(self._model, self._x, done.x):
            return None
        return done.x


def dragged(
    stated: Stated, values: Mapping[str, float], name: Named, to: Point, x: Floats | None = None, *, both: bool = False
) -> Floats:
    """All unknowns of the sketch with a point pulled to a place (mm); a curve by the first of its ends."""
    return Dragging(stated, values, name, x, both=both).to(to)


def led(thing: Thing) -> list[Spot]:
    """The points by which a thing is led: itself, the ends of a curve, or the centre of a circle."""
    if isinstance(thing, Spot):
        return [thing]
    ends = [p for p in (thing.a, thing.b) if p is not None]
    return ends or [thing.c]  # type: ignore[union-attr]


def _keep_alike(model: Model, spot: Spot) -> list[tuple[Spot, float, float]]:
    """The points that lie like one on the other sides of the middle of its part, with how they go when it goes.

    They are bound to it; and where all of the part is alike on both sides, all of it is bound to stay so.
    """
    s = model.system
    part = _part_of(model, spot)
    places = np.array([[s.x[p.x], s.x[p.y]] for p in part])
    low, high = places.min(axis=0), places.max(axis=0)
    near = _ALIKE * max(float(np.hypot(*(high - low))), 1.0)
    found = []
    for across, up in ((-1.0, 1.0), (1.0, -1.0)):
        wanted = np.where(np.array([across, up]) < 0, low + high - places, places)
        away, other = spatial.cKDTree(places).query(wanted)
        whole = bool((away <= near).all())
        for k, p in enumerate(part):
            q = part[int(other[k])]
            if whole and p == q:
                s.total({p[int(up < 0)]: 1.0}, s.x[p[int(up < 0)]])
            if away[k] > near or p == q or not (whole or spot in (p, q)):
                continue
            if p == spot:
                found.append((q, across, up))
            if p < q or not whole:
                for axis, sign in ((0, -across), (1, -up)):
                    s.total({p[axis]: 1.0, q[axis]: sign}, s.x[p[axis]] + sign * s.x[q[axis]])
    return found


def _part_of(model: Model, spot: Spot) -> list[Spot]:
    """The points that hang together with one by the ends of curves; all of the sketch for one that stands alone."""
    beside: dict[Spot, set[Spot]] = {}
    for thing in model.things:
        ends = [p for p in (thing.a, thing.b) if p is not None] if thing is not None else []
        for p in ends:
            beside.setdefault(p, set()).update(ends)
    seen, waiting = {spot}, [spot]
    while waiting:
        fresh = beside.get(waiting.pop(), set()) - seen
        seen |= fresh
        waiting += sorted(fresh)
    return sorted(seen) if len(seen) > 1 else list(model.system.spots)


def _nearer(now: Floats, there: Floats, spot: Spot, to: Point) -> bool:
    """Whether the point moved, and no farther away; straight off the way that it can go, distance hardly shows it."""
    (x, y), (u, v) = now[list(spot)], there[list(spot)]
    return math.hypot(u - x, v - y) > ROUNDING and math.hypot(to.x - u, to.y - v) <= math.hypot(to.x - x, to.y - y)


def _size(model: Model) -> float:
    spots = np.array(model.system.spots, dtype=np.int64).reshape(-1, 2)
    x = np.array(model.system.x)[spots]
    return float(np.hypot(*np.ptp(x, axis=0))) if len(x) else 1.0
