"""Dragging: a point goes where it is pulled as far as everything that holds lets it, and the rest follows.

It is pulled on a short leash, stride by stride, each solved from the one before. A stride that would turn a line or an
arc over is made shorter, and where none is short enough the point stays: nothing flips, ever.
"""

from __future__ import annotations

import math
from collections.abc import Mapping

import numpy as np

from syntaxa.define.model import Named
from syntaxa.define.settling import Stated, same_way
from syntaxa.define.sketching import Model
from syntaxa.define.solving import solved
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


def dragged(stated: Stated, values: Mapping[str, float], name: Named, to: Point, x: Floats | None = None) -> Floats:
    """All unknowns of the sketch with a point pulled to a place (mm); raises DefineError where it is no point."""
    model = stated.model(values, x)
    spot = model.thing(name)
    if not isinstance(spot, Spot):
        raise DefineError(f"{name} is no point.", suggestion="Drag an end or a centre.")
    own = len(stated.bare.system.x)
    now = np.array(model.system.x[:own])
    leash = max(_LEASH * _size(model), 1e-3)
    stride = leash
    for _ in range(_MOST_STRIDES):
        left = np.array([to.x, to.y]) - now[list(spot)]
        far = float(np.hypot(*left))
        if far <= HAIR:
            break
        there = _stride(stated, values, spot, now, left * min(1.0, stride / far))
        if there is not None and _nearer(now, there, spot, to):
            now, stride = there, min(2 * stride, leash)
        elif stride > leash * _SHORTEST:
            stride /= 2
        else:
            break
    return now


def _stride(stated: Stated, values: Mapping[str, float], spot: Spot, x: Floats, step: Floats) -> Floats | None:
    """The unknowns after one stride; None where it does not hold or turns something over."""
    model = stated.model(values, x)
    s = model.system
    before = np.array(s.x)
    # A sketch whose place nothing holds would drift after the hand: its lowest point at the left is loath to move.
    anchor = min(s.spots, key=lambda p: before[p.x] + before[p.y])
    if anchor != spot:
        for axis in anchor:
            s.weight[axis] *= _ANCHOR
    for k, axis in enumerate(spot):
        s.x[axis] += float(step[k])
        s.weight[axis] *= _PULL
    done = solved(s)
    if not done.holds or not same_way(model, before, done.x):
        return None
    return np.asarray(done.x[: len(x)])


def _nearer(now: Floats, there: Floats, spot: Spot, to: Point) -> bool:
    """Whether the point moved, and no farther away; straight off the way that it can go, distance hardly shows it."""
    (x, y), (u, v) = now[list(spot)], there[list(spot)]
    return math.hypot(u - x, v - y) > ROUNDING and math.hypot(to.x - u, to.y - v) <= math.hypot(to.x - x, to.y - y)


def _size(model: Model) -> float:
    spots = np.array(model.system.spots, dtype=np.int64).reshape(-1, 2)
    x = np.array(model.system.x)[spots]
    return float(np.hypot(*np.ptp(x, axis=0))) if len(x) else 1.0
