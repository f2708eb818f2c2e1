"""Squaring up: what is nearly horizontal, vertical, equal or concentric made exactly so, within a stated tolerance.

Glossary: lines that are nearly level, end to end, hang together in one *course*; all places of a course get one
height. The same upright. Nothing moves by more than the tolerance, or its course is left alone; what is held stays, and
the rest of its course comes to it.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.clusters import cluster_labels, linked
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.shapes import Arc, Circle, Polyline
from syntaxa.geometry.types import Bools, Floats
from syntaxa.mend.vertices import Vertices

#: Radians; a line that is off by more is meant to slope.
_SLOPE = 0.06

#: mm; places that agree to this are level already.
_LEVEL = 1e-9


def levelled(vertices: Vertices, within: float) -> tuple[dict[str, Curve], list[float]]:
    """(curves that change by id, how far each place moves, mm): nearly level and upright lines made so."""
    goals = vertices.places.copy()
    for axis in (0, 1):
        goals[:, axis] = _evened(vertices, axis, within)
    away = np.abs(goals - vertices.places).max(axis=1)
    moved = np.flatnonzero(away > _LEVEL)
    places = {k: (x, y) for k, (x, y) in zip(moved.tolist(), goals[moved].tolist(), strict=True)}
    return vertices.moved(places, {}) if places else {}, away[moved].tolist()


def _evened(vertices: Vertices, axis: int, within: float) -> Floats:
    """One coordinate of all places, the same along each course."""
    curves = vertices.pieces.curves
    way = np.abs(curves.end - curves.start)
    across, along = way[:, axis], way[:, 1 - axis]
    level = ~curves.is_arc & (across <= within) & (across <= math.tan(_SLOPE) * along)
    piece = np.flatnonzero(level)
    one, two = vertices.label[2 * piece], vertices.label[2 * piece + 1]
    count, course = linked(one, two, vertices.count)
    values = vertices.places[:, axis].copy()
    low, high = np.full(count, np.inf), np.full(count, -np.inf)
    np.minimum.at(low, course, values)
    np.maximum.at(high, course, values)
    for k in np.flatnonzero((high - low > _LEVEL) & (high - low <= within)).tolist():
        members = np.flatnonzero(course == k)
        values[members] = _goal(values[members], vertices.held[members])
        if np.abs(values[members] - vertices.places[members, axis]).max() > within:
            values[members] = vertices.places[members, axis]
    # What is held cannot move.
    values[vertices.held] = vertices.places[vertices.held, axis]
    return values


def _goal(values: Floats, held: Bools) -> float:
    """What most of a course has already, or what is held of it; else its middle."""
    fixed = values[held] if held.any() else values
    ordered = np.sort(fixed)
    return float(ordered[(len(ordered) - 1) // 2])


def made_equal(curves: Sequence[Curve], within: float) -> tuple[dict[str, Curve], list[float]]:
    """(circles that change by id, how far each does, mm): nearly equal radii made equal."""
    order = sorted((c for c in _circles(curves) if not c[0].locked), key=lambda c: (c[1].radius, c[0].id))
    anew: dict[str, Curve] = {}
    off: list[float] = []
    for group in _runs([circle.radius for _, circle in order], within):
        goal = _most_common([order[k][1].radius for k in group])
        for curve, circle in (order[k] for k in group):
            if abs(circle.radius - goal) > _LEVEL:
                anew[curve.id] = replace(curve, shape=Circle(circle.centre, goal))
                off.append(abs(circle.radius - goal))
    return anew, off


def _circles(curves: Sequence[Curve]) -> list[tuple[Curve, Circle]]:
    return [(c, c.shape) for c in curves if isinstance(c.shape, Circle)]


def _runs(values: list[float], within: float) -> list[range]:
    """Runs of sorted values of which the first and last are no further apart than that."""
    runs, begin = [], 0
    for k in range(1, len(values) + 1):
        if k == len(values) or values[k] - values[begin] > within:
            runs.append(range(begin, k))
            begin = k
    return [run for run in runs if len(run) > 1]


def _most_common(values: list[float]) -> float:
    rounded = [round(v, 6) for v in values]
    goal = max(sorted(set(rounded)), key=rounded.count)
    return next(v for v, r in zip(values, rounded, strict=True) if r == goal)


def concentric(curves: Sequence[Curve], within: float) -> tuple[dict[str, Curve], list[float]]:
    """(circles that change by id, how far each moves, mm): centres that nearly agree made one.

    Arcs stay where they are, for they join something: circles come to them, else to the largest circle.
    """
    free = _circles(curves)
    fixed = [centre for c in curves for centre in _centres_of_arcs(c)]
    if not free:
        return {}, []
    centres = np.array([[*circle.centre] for _, circle in free] + [[*p] for p in fixed])
    count, label = cluster_labels(centres, within)
    first, members_of = grouped(label, count)
    anew: dict[str, Curve] = {}
    off: list[float] = []
    for k in np.flatnonzero(np.diff(first) > 1).tolist():
        members = members_of[first[k] : first[k + 1]]
        if float(np.ptp(centres[members], axis=0).max()) > within:
            continue
        goal = _anchor(members.tolist(), free, fixed)
        for curve, circle in (free[m] for m in members.tolist() if m < len(free)):
            far = circle.centre.distance_to(goal)
            if far > _LEVEL and not curve.locked:
                anew[curve.id] = replace(curve, shape=Circle(goal, circle.radius))
                off.append(far)
    return anew, off


def _anchor(members: list[int], free: list[tuple[Curve, Circle]], fixed: list[Point]) -> Point:
    """The centre that the others come to."""
    arcs = [m for m in members if m >= len(free)]
    if arcs:
        return fixed[arcs[0] - len(free)]
    locked = [m for m in members if free[m][0].locked]
    lead = max(locked or members, key=lambda m: (free[m][1].radius, free[m][0].id))
    return free[lead][1].centre


def _centres_of_arcs(curve: Curve) -> list[Point]:
    """Centres of the arcs of a curve."""
    shape = curve.shape
    if isinstance(shape, Arc):
        return [shape.centre]
    if isinstance(shape, Polyline):
        return [part.centre for part in shape.segments() if isinstance(part, Arc)]
    return []
