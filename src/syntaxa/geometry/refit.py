"""Facets back to true lines and arcs: which runs of short straight pieces were one arc or one line.

Glossary: a *facet* is a straight piece that stands for part of an arc; its *sagitta* is how far it leaves the arc. A
run of vertices is accepted as one arc through its first and last vertex if every vertex lies near it, no facet leaves
it by more than the sagitta allowed, it turns the same way throughout, and no facet turns so far that it may be the side
of a real polygon.

Cost: n log n; each run is found by doubling and bisection, and an arc through two points has one free parameter, which
least squares give in closed form.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.types import Floats

#: Fewest facets that make an arc: any three points lie on a circle.
_FEWEST = 3

#: Radians; a facet that turns further may be the side of an octagon.
SIDE_OF_A_POLYGON = 0.7

#: Radians; an arc that turns less in all is too flat to be told from a bent line.
_LEAST_TURN = 0.02

#: Vertices by which the start of a closed run is moved to a corner at most.
_NO_CORNER = 1e-9


@dataclass(frozen=True, slots=True)
class RefitLimits:
    """vertex: mm, how far a vertex may lie off; sagitta: mm, how far a facet may leave its arc."""

    vertex: float
    sagitta: float


def refit(points: Floats, closed: bool, limits: RefitLimits) -> tuple[list[int], list[float]]:
    """Vertices that stay (indices, ascending along the run) and the bulge of the piece that leaves each.

    points  (n, 2) mm, no two neighbours alike; a closed run does not repeat its first. Where it is open, the last
            index is the last vertex, with a bulge of 0 that means nothing. No vertex is moved.
    """
    if len(points) < 2:
        return list(range(len(points))), [0.0] * len(points)
    if not closed:
        stops, bulges = _greedy(points, limits)
        return stops, [*bulges, 0.0]
    whole = _as_circle(points, limits)
    if whole is not None:
        return whole
    start = _corner(points)
    around = np.vstack([np.roll(points, -start, axis=0), points[start]])
    stops, bulges = _greedy(around, limits)
    # What begins at the start may go on beyond it: the last and the first piece are tried as one.
    if len(stops) > 3:
        first, last = stops[1], stops[-2]
        joined = np.vstack([around[last:-1], around[: first + 1]])
        bulge = _as_one(joined, limits)
        if bulge is not None and (bulge == 0.0) == (bulges[0] == 0.0):
            stops, bulges = stops[1:-1], [*bulges[1:-1], bulge]
            index = [(s + start) % len(points) for s in stops]
            return _ascending(index, bulges)
    index = [(s + start) % len(points) for s in stops[:-1]]
    return _ascending(index, bulges)


def _ascending(index: list[int], bulges: list[float]) -> tuple[list[int], list[float]]:
    turn = int(np.argmin(index))
    return index[turn:] + index[:turn], bulges[turn:] + bulges[:turn]


def _greedy(points: Floats, limits: RefitLimits) -> tuple[list[int], list[float]]:
    """From each stop the longest run that is one line or one arc."""
    stops, bulges = [0], []
    here, last = 0, len(points) - 1
    while here < last:
        reach, bulge = _longest(points, here, limits)
        stops.append(reach)
        bulges.append(bulge)
        here = reach
    return stops, bulges


def _longest(points: Floats, here: int, limits: RefitLimits) -> tuple[int, float]:
    """Doubling, then bisection; a run of two pieces is tried as a line, of three and more as an arc as well."""
    last = len(points) - 1
    best, bulge = here + 1, 0.0
    if here + 2 <= last:
        straight = _as_one(points[here : here + 3], limits)
        if straight is not None:
            best, bulge = here + 2, straight
    step, beyond = _FEWEST, None
    while True:
        reach = min(here + step, last)
        if reach <= best:
            break
        found = _as_one(points[here : reach + 1], limits)
        if found is None:
            beyond = reach
            break
        best, bulge = reach, found
        if reach == last:
            break
        step *= 2
    while beyond is not None and beyond - best > 1:
        middle = (best + beyond) // 2
        found = _as_one(points[here : middle + 1], limits)
        if found is None:
            beyond = middle
        else:
            best, bulge = middle, found
    return best, bulge


def _as_one(points: Floats, limits: RefitLimits) -> float | None:
    """The bulge of the one line (0) or arc through the first and last of some vertices that fits all; None for none."""
    chord = points[-1] - points[0]
    length = math.hypot(*chord)
    if length < HAIR:
        return None
    along = chord / length
    offset = points - (points[0] + points[-1]) / 2
    x, y = offset @ along, offset[:, 1] * along[0] - offset[:, 0] * along[1]
    if np.abs(y).max() <= limits.vertex:
        # Straight; a way that doubles back on itself is neither a line nor an arc.
        return 0.0 if (np.diff(x) > -limits.vertex).all() else None
    if len(points) <= _FEWEST:
        return None
    return _as_arc(x, y, length / 2, limits)


def _as_arc(x: Floats, y: Floats, half: float, limits: RefitLimits) -> float | None:
    """The same for an arc through (-half, 0) and (half, 0): its centre lies at (0, c)."""
    square = float((y * y).sum())
    c = float((y * (x * x + y * y - half * half)).sum()) / (2 * square)
    radius = math.hypot(c, half)
    if np.abs(np.hypot(x, y - c) - radius).max() > limits.vertex:
        return None
    middle = np.hypot((x[1:] + x[:-1]) / 2, (y[1:] + y[:-1]) / 2 - c)
    if (radius - middle).max() > limits.sagitta:
        return None
    steps = np.diff(np.unwrap(np.arctan2(y - c, x)))
    turn = float(steps.sum())
    same_way = (steps > 0).all() or (steps < 0).all()
    if not same_way or np.abs(steps).max() > SIDE_OF_A_POLYGON or not _LEAST_TURN <= abs(turn) < 2 * math.pi - 1e-6:
        return None
    return math.tan(turn / 4)


def _as_circle(points: Floats, limits: RefitLimits) -> tuple[list[int], list[float]] | None:
    """Two half arcs, if all vertices of a closed run lie on one circle; None if they do not."""
    count = len(points)
    if count < 2 * _FEWEST + 2:
        return None
    half = count // 2
    bulges = [_as_one(points[: half + 1], limits), _as_one(np.vstack([points[half:], points[:1]]), limits)]
    if bulges[0] is None or bulges[1] is None or not all(b is not None and abs(b) > 0.2 for b in bulges):
        return None
    radii = [_radius(points[0], points[half], float(b)) for b in bulges if b is not None]
    if abs(radii[0] - radii[1]) > 4 * limits.vertex or bulges[0] * bulges[1] < 0:
        return None
    return [0, half], [float(bulges[0]), float(bulges[1])]


def _radius(a: Floats, b: Floats, bulge: float) -> float:
    return float(math.hypot(*(b - a)) * (1 + bulge * bulge) / (4 * abs(bulge)))


def _corner(points: Floats) -> int:
    """The vertex of a closed run at which it turns or changes its step most, where some piece is likely to begin."""
    ahead = np.roll(points, -1, axis=0) - points
    behind = np.roll(ahead, 1, axis=0)
    turn = np.abs(np.arctan2(behind[:, 0] * ahead[:, 1] - behind[:, 1] * ahead[:, 0], (behind * ahead).sum(axis=1)))
    length = np.hypot(*ahead.T)
    change = np.abs(np.log(np.maximum(length, _NO_CORNER) / np.maximum(np.roll(length, 1), _NO_CORNER)))
    return int((turn + 0.5 * change).argmax())
