"""Where lines and arcs meet, for many pairs at once.

Cost: n log n for the candidate pairs (an STR tree over bounding boxes), then linear in the candidates.
Tangency within the tolerance counts as one contact at the foot of the shortest distance.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
import shapely

from syntaxa.geometry.arrays import Bools, CurveArray, Ints
from syntaxa.geometry.transform import Floats


@dataclass(frozen=True, slots=True)
class Contacts:
    """m contacts: piece indices first and second (m,), points (m, 2), and crossing (m,) bool.

    `crossing` is False where an end of one lies on the other rather than both passing through.
    """

    first: Ints
    second: Ints
    points: Floats
    crossing: Bools


def candidate_pairs(curves: CurveArray, margin: float) -> tuple[Ints, Ints]:
    """Index pairs i < j whose bounding boxes, grown by the margin (mm), touch."""
    box = curves.bounds()
    half = margin / 2
    boxes = shapely.box(box[:, 0] - half, box[:, 1] - half, box[:, 2] + half, box[:, 3] + half)
    first, second = shapely.STRtree(boxes).query(boxes)
    ahead = first < second
    return first[ahead], second[ahead]


def contacts(curves: CurveArray, tolerance: float) -> Contacts:
    """All places where two pieces meet within the tolerance (mm), except along shared carriers."""
    if not len(curves):
        empty = np.empty(0, dtype=np.int64)
        return Contacts(empty, empty, np.empty((0, 2)), np.empty(0, dtype=bool))
    i, j = candidate_pairs(curves, tolerance)
    found = [_crossings(curves, i, j, tolerance), _ends_on(curves, i, j, tolerance), _ends_on(curves, j, i, tolerance)]
    return Contacts(
        np.concatenate([f[0] for f in found]),
        np.concatenate([f[1] for f in found]),
        np.concatenate([f[2] for f in found]),
        np.concatenate([np.full(len(f[0]), k == 0) for k, f in enumerate(found)]),
    )


def carrier_crossings(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> tuple[Floats, Floats]:
    """The at most two points where the carriers of i and j meet, each (m, 2), nan where they do not."""
    first, second = np.full((len(i), 2), np.nan), np.full((len(i), 2), np.nan)
    arc_i, arc_j = curves.is_arc[i], curves.is_arc[j]
    both_lines, both_arcs = ~arc_i & ~arc_j, arc_i & arc_j
    first[both_lines] = _line_line(curves, i[both_lines], j[both_lines])
    first[both_arcs], second[both_arcs] = _arc_arc(curves, i[both_arcs], j[both_arcs], tolerance)
    for mask, line, arc in ((~arc_i & arc_j, i, j), (arc_i & ~arc_j, j, i)):
        first[mask], second[mask] = _line_arc(curves, line[mask], arc[mask], tolerance)
    return first, second


def _crossings(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> tuple[Ints, Ints, Floats]:
    parts = []
    for points in carrier_crossings(curves, i, j, tolerance):
        met = ~np.isnan(points[:, 0])
        a, b, p = i[met], j[met], points[met]
        inside = _within(curves, a, p, tolerance) & _within(curves, b, p, tolerance)
        parts.append((a[inside], b[inside], p[inside]))
    return (
        np.concatenate([part[0] for part in parts]),
        np.concatenate([part[1] for part in parts]),
        np.concatenate([part[2] for part in parts]),
    )


def _within(curves: CurveArray, index: Ints, points: Floats, tolerance: float) -> Bools:
    """Whether points on carriers lie on the pieces themselves, ends included."""
    taken = curves.take(index)
    share = taken.shares_of(points)
    slack = tolerance / np.maximum(taken.lengths(), 1e-300)
    return np.asarray((share >= -slack) & (share <= 1 + slack))


def _ends_on(curves: CurveArray, of: Ints, on: Ints, tolerance: float) -> tuple[Ints, Ints, Floats]:
    """Ends of pieces `of` that lie on pieces `on`; the contact is the end itself."""
    target = curves.take(on)
    found = []
    for ends in (curves.start, curves.end):
        points = ends[of]
        touch = target.distances_to(points) <= tolerance
        found.append((of[touch], on[touch], points[touch]))
    return tuple(np.concatenate([f[k] for f in found]) for k in range(3))  # type: ignore[return-value]


def _cross(a: Floats, b: Floats) -> Floats:
    return np.asarray(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0])


def _line_line(curves: CurveArray, i: Ints, j: Ints) -> Floats:
    along, other = curves.end[i] - curves.start[i], curves.end[j] - curves.start[j]
    cross = _cross(along, other)
    size = np.hypot(*along.T) * np.hypot(*other.T)
    parallel = np.abs(cross) <= 1e-12 * size
    share = _cross(curves.start[j] - curves.start[i], other) / np.where(parallel, np.nan, cross)
    return np.asarray(curves.start[i] + along * share[:, None])


def _roots(square: Floats, touching: Bools) -> Floats:
    """Half chord from its square; 0 where the carriers only touch, nan where they miss."""
    return np.where(touching, 0.0, np.sqrt(np.where(square >= 0, square, np.nan)))


def _line_arc(curves: CurveArray, line: Ints, arc: Ints, tolerance: float) -> tuple[Floats, Floats]:
    along = curves.end[line] - curves.start[line]
    unit = along / np.maximum(np.hypot(*along.T), 1e-300)[:, None]
    to_centre = curves.centre[arc] - curves.start[line]
    foot = curves.start[line] + unit * (to_centre * unit).sum(axis=1)[:, None]
    height, radius = np.abs(_cross(unit, to_centre)), curves.radius[arc]
    half = _roots(radius**2 - height**2, np.abs(height - radius) <= tolerance)[:, None]
    second = foot + unit * half
    second[half[:, 0] == 0] = np.nan
    return foot - unit * half, second


def _arc_arc(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> tuple[Floats, Floats]:
    between = curves.centre[j] - curves.centre[i]
    distance = np.hypot(*between.T)
    r, s = curves.radius[i], curves.radius[j]
    concentric = distance <= np.minimum(tolerance, 1e-3 * np.minimum(r, s))
    distance = np.where(concentric, np.nan, distance)
    unit = between / distance[:, None]
    along = (distance**2 + r**2 - s**2) / (2 * distance)
    touching = (np.abs(distance - (r + s)) <= tolerance) | (np.abs(distance - np.abs(r - s)) <= tolerance)
    half = _roots(r**2 - along**2, touching)[:, None]
    along = np.where(touching, np.copysign(r, along), along)
    foot = curves.centre[i] + unit * along[:, None]
    normal = np.column_stack([-unit[:, 1], unit[:, 0]])
    second = foot + normal * half
    second[half[:, 0] == 0] = np.nan
    return foot - normal * half, second
