"""Dragging: a point goes where it is pulled as far as everything that holds lets it, and the rest follows.

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
from syntaxa.define.unknowns import Spot
from syntaxa.errors import DefineError
from syntaxa.geometry.points import Point
from syntaxa.geometry.tolerances import HAIR, ROUNDING
from syntaxa.geometry.types import Floats

#: How many times as much it costs to leave the hand behind as to move anything else.
_PULL = 1e8

#: How many times as much it costs to move the lowest point at the left as any other.
_ANCHOR = 1e4

#: The leash, as a share of the size of the sketch, and the shortest stride, as a share of the leash.
_LEASH = 0.05
_SHORTEST = 1 / 64

_MOST_STRIDES = 400


class Dragging:
    """A point in the hand: the system is stated once, and every stride is solved from the one before."""

    def __init__(self, stated: Stated, values: Mapping[str, float], name: Named, x: Floats | None = None) -> None:
        """From where the sketch stands, or from unknowns of its own; raises DefineError where it is no point."""
        self._model = stated.model(values, x)
        spot = self._model.thing(name)
        if not isinstance(spot, Spot):
            raise DefineError(f"{name} is no point.", suggestion="Drag an end or a centre.")
        self._spot, self._own = spot, len(stated.bare.system.x)
        self._leash = max(_LEASH * _size(self._model), 1e-3)
        s = self._model.system
        #: All unknowns, as far as the hand has come.
        self._x = np.array(s.x)
        # A sketch whose place nothing holds would drift after the hand: its lowest point at the left is loath to move.
        anchor = min(s.spots, key=lambda p: s.x[p.x] + s.x[p.y])
        for axis in anchor if anchor != spot else ():
            s.weight[axis] *= _ANCHOR
        for axis in spot:
            s.weight[axis] *= _PULL
        self._equations = Equations(s)

    def to(self, place: Point) -> Floats:
        """The unknowns of the sketch with the point pulled to a place (mm), as far as it goes."""
        stride = self._leash
        for _ in range(_MOST_STRIDES):
            left = np.array([place.x, place.y]) - self._x[list(self._spot)]
            far = float(np.hypot(*left))
            if far <= HAIR:
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
        aim[list(self._spot)] += step
        done = solved_from(self._equations, aim)
        if not done.holds or not same_way(self._model, self._x, done.x):
            return None
        return done.x


def dragged(stated: Stated, values: Mapping[str, float], name: Named, to: Point, x: Floats | None = None) -> Floats:
    """All unknowns of the sketch with a point pulled to a place (mm); raises DefineError where it is no point."""
    return Dragging(stated, values, name, x).to(to)


def _nearer(now: Floats, there: Floats, spot: Spot, to: Point) -> bool:
    """Whether the point moved, and no farther away; straight off the way that it can go, distance hardly shows it."""
    (x, y), (u, v) = now[list(spot)], there[list(spot)]
    return math.hypot(u - x, v - y) > ROUNDING and math.hypot(to.x - u, to.y - v) <= math.hypot(to.x - x, to.y - y)


def _size(model: Model) -> float:
    spots = np.array(model.system.spots, dtype=np.int64).reshape(-1, 2)
    x = np.array(model.system.x)[spots]
    return float(np.hypot(*np.ptp(x, axis=0))) if len(x) else 1.0
