"""Which circles are holes.

Cost: n log n, and for each circle the contours that it lies in.
"""

from __future__ import annotations

import numpy as np
import shapely

from syntaxa.deliver.plan import plan_of
from syntaxa.drawing.state import State
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.inside import contains
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Circle, Shape
from syntaxa.geometry.tolerances import Tolerances

#: mm by which a contour has to be larger than what lies in it.
_LARGER = 1e-6


def holes_of(state: State) -> list[tuple[Circle, str]]:
    """Every circle that goes out and is a hole, with its sketch; from left to right, upwards.

    A hole lies in an outline that lies in nothing or in a hole, whatever sketches they are in. Where there are circles
    only and none lies in another, each is one: a pattern to be drilled.
    """
    circles = [(c.shape, s.name) for s in state.profiles() for c in s.curves if isinstance(c.shape, Circle)]
    if not circles:
        return []
    contours = [s for part in plan_of(state, "none").placed() for s in part.shapes if s.is_closed]
    depths = _depths([c for c, _ in circles], contours)
    alone = not any(depths) and all(isinstance(s, Circle) for s in contours)
    found = [row for row, depth in zip(circles, depths, strict=True) if alone or depth % 2]
    return sorted(found, key=lambda row: (row[0].centre.x, row[0].centre.y, row[0].radius))


def _depths(circles: list[Circle], contours: list[Shape]) -> list[int]:
    """In how many contours each circle lies."""
    arrays = [CurveArray.from_rows(rows, [0] * len(rows)) for rows in (rows_of(s, Tolerances().fit) for s in contours)]
    tree = shapely.STRtree([shapely.box(*bounds(s)) for s in contours])
    found = []
    for circle in circles:
        x0, y0, x1, y1 = bounds(circle)
        room = shapely.box(x0 - _LARGER, y0 - _LARGER, x1 + _LARGER, y1 + _LARGER)
        around = tree.query(room, predicate="covered_by").tolist()
        found.append(sum(contains(arrays[k], np.array([*circle.centre])) for k in around))
    return found
