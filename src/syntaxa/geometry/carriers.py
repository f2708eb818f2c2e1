"""The curves that pieces lie on, by one parameter: the place and slope at it, the nearest place, and where two meet.

Of a line the parameter is the share of its length, of arcs, circles and ellipses the angle, of a spline its own.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.points import Vector
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Spline
from syntaxa.geometry.tolerances import HAIR, NOUGHT
from syntaxa.geometry.types import Floats

#: Rounds after which Newton's method has long been at rest, or never will be.
_ROUNDS = 30

#: Places on a spline that are looked at before the nearest is refined, for each of its control points, and at least.
_LOOKS, _FEWEST_LOOKS = 20, 200

#: Sine of the angle below which two curves touch instead of crossing.
_TOUCHING = 1e-6


@dataclass(frozen=True, slots=True)
class Carrier:
    """A curve without its ends: place and slope (2,) at a parameter, and the parameter near which a place lies."""

    point: Callable[[float], Floats]
    slope: Callable[[float], Floats]
    guess: Callable[[Floats], float]
    low: float = -math.inf
    high: float = math.inf

    def nearest(self, place: Floats) -> float:
        """The parameter of the nearest place, refined by the Gauss-Newton method from a guess."""
        t = self.guess(place)
        for _ in range(_ROUNDS):
            slope = self.slope(t)
            step = float((self.point(t) - place) @ slope / max(float(slope @ slope), NOUGHT))
            t = min(max(t - step, self.low), self.high)
            if abs(step) < HAIR * max(1.0, abs(t)):
                break
        return t


def carrier_of(shape: Line | Arc | Circle | EllipseArc | Spline) -> Carrier:
    """The carrier of a shape."""
    if isinstance(shape, Line):
        start, along = np.array([*shape.start]), np.array([*(shape.end - shape.start)])
        square = max(float(along @ along), NOUGHT)
        return Carrier(lambda t: start + t * along, lambda _t: along, lambda p: float((p - start) @ along / square))
    if isinstance(shape, Spline):
        low, high = shape.domain
        return Carrier(*_rows(shape.points, shape.derivatives), lambda p: _nearest_look(shape, p), low, high)
    oval = EllipseArc(shape.centre, _spoke(shape), 1.0, 0.0, 0.0) if not isinstance(shape, EllipseArc) else shape
    centre, major, minor = np.array([*oval.centre]), np.array([*oval.major]), np.array([*oval.minor])

    def angle(place: Floats) -> float:
        off = place - centre
        return math.atan2(float(off @ minor / (minor @ minor)), float(off @ major / (major @ major)))

    return Carrier(*_rows(oval.points, oval.derivatives), angle)


def meeting(one: Carrier, other: Carrier, near: Floats, within: float) -> Floats:
    """Where two curves cross near a place; where they touch or do not meet within so many mm, a place on the other."""
    s, t = one.nearest(near), other.nearest(near)
    for _ in range(_ROUNDS):
        gap = one.point(s) - other.point(t)
        u, v = one.slope(s), other.slope(t)
        cross = float(u[0] * v[1] - u[1] * v[0])
        # A curve of no length has no slope, and touches wherever it is.
        if abs(cross) <= _TOUCHING * math.hypot(*u) * math.hypot(*v):
            return other.point(other.nearest(near))
        ds, dt = (float(gap[1] * w[0] - gap[0] * w[1]) / cross for w in (v, u))
        s, t = s + ds, t + dt
        if max(abs(ds), abs(dt)) < HAIR:
            break
    found = other.point(t)
    return found if math.hypot(*(found - near)) <= within else near


def _spoke(shape: Arc | Circle) -> Vector:
    return Vector(shape.radius, 0.0)


def _rows(
    points: Callable[[Floats], Floats], slopes: Callable[[Floats], Floats]
) -> tuple[Callable[[float], Floats], Callable[[float], Floats]]:
    """Functions of one parameter, of functions of many."""
    return lambda t: points(np.array([t]))[0], lambda t: slopes(np.array([t]))[0]


def _nearest_look(shape: Spline, place: Floats) -> float:
    looks = np.linspace(*shape.domain, max(_FEWEST_LOOKS, _LOOKS * len(shape.control_points)))
    off = shape.points(looks) - place
    return float(looks[int((off * off).sum(axis=1).argmin())])
