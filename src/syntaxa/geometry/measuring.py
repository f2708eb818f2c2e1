"""What can be measured on curves: distances, angles, areas. Exact for lines and arcs, else to `FIT` mm.

Source of the formulas: plane analytic geometry (any textbook); areas by Green's theorem.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.fitting import Rows
from syntaxa.geometry.nearest import shortest_way
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Circle, Line, Shape
from syntaxa.geometry.tolerances import ROUNDING

#: mm; arc runs that stand for ellipses and splines stay this near to them.
FIT = 1e-5


def least_distance(one: Shape, other: Shape) -> tuple[float, Point, Point]:
    """The shortest distance (mm) between two curves, and a point of each where it is taken."""
    distance, from_, to = shortest_way(_pieces(one), _pieces(other))
    # What only rounding keeps apart meets.
    return (0.0, from_, from_) if distance <= ROUNDING else (distance, from_, to)


def point_distance(p: Point, shape: Shape) -> tuple[float, Point]:
    """The shortest distance (mm) from a point to a curve, and the point of the curve."""
    pieces = _pieces(shape)
    here = np.repeat(np.array([[*p]]), len(pieces), axis=0)
    share = np.clip(pieces.parameters_of(here), 0.0, 1.0)
    feet = pieces.points_at(share)
    away = np.hypot(*(feet - here).T)
    best = int(away.argmin())
    return float(away[best]), Point(*feet[best].tolist())


def angle_between(one: Line, other: Line) -> float:
    """The angle (radians, 0 to pi/2) between two lines; 0 where they are parallel."""
    u, v = one.end - one.start, other.end - other.start
    return math.atan2(abs(u.cross(v)), abs(u.dot(v)))


def enclosed_area(shapes: Sequence[Shape]) -> float | None:
    """Area (mm2) that curves enclose which together make one closed run; None where they do not."""
    if not shapes:
        return None
    if len(shapes) == 1:
        only = shapes[0]
        if isinstance(only, Circle):
            return math.pi * only.radius**2
        if not only.is_closed:
            return None
    rows = [row for shape in shapes for row in rows_of(shape, FIT)]
    ordered = _in_order(rows)
    if ordered is None:
        return None
    return abs(float(CurveArray.from_rows(ordered, [0] * len(ordered)).signed_areas().sum()))


def _in_order(rows: Rows) -> Rows | None:
    """Rows turned and ordered so that each begins where the last ended (to 1e-6 mm), and the last closes the first.

    None where they are not one closed run. Cost: n log n for what agrees, then linear.
    """
    ends = np.array([p for row in rows for p in (row[:2], row[2:4])])
    count, label = cluster_labels(ends, 1e-6)
    if (np.bincount(label, minlength=count) != 2).any():
        return None
    first, at = grouped(label, count)
    places, pairs = label.tolist(), at.tolist()
    begin = end = 0
    run = []
    while True:
        a, b, c, d, bulge = rows[end // 2]
        run.append((a, b, c, d, bulge) if end % 2 == 0 else (c, d, a, b, -bulge))
        one, other = pairs[first[places[end ^ 1]] : first[places[end ^ 1]] + 2]
        end = other if one == end ^ 1 else one
        if end == begin:
            return run if len(run) == len(rows) else None


def _pieces(shape: Shape) -> CurveArray:
    rows = rows_of(shape, FIT)
    return CurveArray.from_rows(rows, [0] * len(rows))
