"""Runs of rows (x, y, bulge): the plain form of an open or closed run of lines and arcs.

A closed run of n rows has n pieces, the last leads back to the first row; an open run of n rows has n - 1.
"""

from __future__ import annotations

import math

import numpy as np

from syntaxa.geometry.arrays import FLAT_SAGITTA, CurveArray
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Polyline
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats


def ends_of_rows(rows: Floats, closed: bool) -> tuple[Floats, Floats]:
    """The rows that the pieces of a run begin at, and those that they lead to."""
    if not closed:
        return rows[:-1], rows[1:]
    return rows, np.concatenate((rows[1:], rows[:1]))


def reversed_rows(rows: Floats, closed: bool = True) -> Floats:
    """A run the other way round."""
    flipped = rows[::-1].copy()
    flipped[:-1, 2] = -flipped[1:, 2]
    flipped[-1, 2] = -rows[-1, 2] if closed else 0.0
    return flipped


def pieces_of_rows(rows: Floats, closed: bool) -> CurveArray:
    """The pieces of a run, (n or n - 1)."""
    start, end = ends_of_rows(rows, closed)
    return CurveArray.from_bulges(start[:, :2], end[:, :2], start[:, 2], np.zeros(len(start), dtype=np.int64))


def shape_of_rows(rows: Floats, closed: bool) -> Line | Arc | Circle | Polyline:
    """The simplest shape that is the run: a line, arc or circle where it is one, else a polyline."""
    pieces = pieces_of_rows(rows, closed)
    if not closed and len(pieces) == 1 and not pieces.is_arc[0]:
        return Line(_point(rows[0]), _point(rows[1]))
    if pieces.is_arc.all() and len(pieces) and _on_one_circle(pieces):
        centre, radius = _point(pieces.centre[0]), float(pieces.radius[0])
        if closed:
            return Circle(centre, radius)
        return Arc(centre, radius, float(pieces.start_angle[0]), float(pieces.sweep.sum()))
    return Polyline(tuple(_point(row) for row in rows), tuple(float(b) for b in rows[:, 2]), closed)


def merged_rows(rows: Floats, closed: bool, merge: float, angle: float) -> Floats:
    """The run without the vertices in the middle of a line or arc (within `merge` mm and `angle` radians)."""
    if len(rows) < 3:
        return rows
    pieces = pieces_of_rows(rows, closed)
    if closed:
        # Begin at a true corner, so that no merged piece runs over the first vertex.
        corners = [k for k in range(len(rows)) if not _continues(pieces, k - 1, k, merge, angle)]
        if not corners:
            return _two_halves(pieces)
        rows = np.roll(rows, -corners[0], axis=0)
        pieces = pieces_of_rows(rows, True)
    kept: list[list[float]] = []
    sweep = 0.0
    for k in range(len(pieces)):
        size = abs(float(pieces.sweep[k]))
        if kept and k and _continues(pieces, k - 1, k, merge, angle) and sweep + size <= math.pi + ROUNDING:
            sweep += size
            kept[-1][2] = math.copysign(math.tan(sweep / 4), pieces.bulge[k]) if pieces.is_arc[k] else 0.0
        else:
            sweep = size
            kept.append([*rows[k, :2].tolist(), float(pieces.bulge[k])])
    if not closed:
        kept.append([*rows[-1, :2].tolist(), 0.0])
    return np.array(kept)


def _two_halves(circle: CurveArray) -> Floats:
    """The rows of a circle that came in more pieces than two."""
    start, centre = circle.start[0], circle.centre[0]
    bulge = math.copysign(1.0, circle.bulge[0])
    return np.array([[*start, bulge], [*(2 * centre - start), bulge]])


def _continues(pieces: CurveArray, before: int, after: int, merge: float, angle: float) -> bool:
    """Whether the piece after goes on along the carrier of the piece before."""
    if pieces.is_arc[before] != pieces.is_arc[after]:
        return False
    if pieces.is_arc[before]:
        same_way = pieces.sweep[before] * pieces.sweep[after] > 0
        return bool(same_way) and _same_circle(pieces, before, after, merge)
    a, b = pieces.end[before] - pieces.start[before], pieces.end[after] - pieces.start[after]
    cross, along = float(a[0] * b[1] - a[1] * b[0]), float(a @ b)
    size = math.hypot(*a) * math.hypot(*b)
    total = math.hypot(*(a + b))
    return along > 0 and abs(cross) <= angle * size and abs(cross) <= merge * total


def _same_circle(pieces: CurveArray, i: int, j: int, merge: float) -> bool:
    apart = math.hypot(*(pieces.centre[i] - pieces.centre[j]))
    return apart <= merge and abs(float(pieces.radius[i] - pieces.radius[j])) <= merge


def _on_one_circle(pieces: CurveArray) -> bool:
    slack = max(ROUNDING * float(pieces.radius.max()), 10 * FLAT_SAGITTA)
    same = all(_same_circle(pieces, 0, k, slack) for k in range(1, len(pieces)))
    one_way = bool((pieces.sweep > 0).all() or (pieces.sweep < 0).all())
    return same and one_way and abs(float(pieces.sweep.sum())) <= TURN + ROUNDING


def _point(row: Floats) -> Point:
    return Point(float(row[0]), float(row[1]))
