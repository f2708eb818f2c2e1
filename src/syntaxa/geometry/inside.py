"""What lies inside a loop of lines and arcs: a ray to the right crosses the loop an odd number of times.

Cost: n log n for n pieces and as many points.
"""

from __future__ import annotations

import numpy as np

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats, Ints


def crossed_edges(curves: CurveArray, points: Floats) -> tuple[Ints, Ints]:
    """Pairs (row of the points (n, 2), piece) for each crossing of a ray to the right with a line or arc.

    A piece that rises from low to high counts low and not high, so that a ray through a shared end counts once;
    an arc is taken as its rising and falling parts. Exact for lines and arcs.
    """
    ray, piece, _ = heart.crossed_edges(curves, points)
    return ray, piece


def contains(loop: CurveArray, point: Floats) -> bool:
    """Whether a closed loop of lines and arcs winds round a point."""
    return len(crossed_edges(loop, point[None, :])[0]) % 2 == 1


def point_inside(loops: CurveArray) -> Floats | None:
    """A point (2,) well inside what some loops enclose, an outer one and its holes; None where they enclose nothing.

    The middle of the widest stretch at one of a few heights: nothing else is asked of it than that it is inside.
    """
    box = loops.bounds()
    if not len(box):
        return None
    low, high = float(box[:, 1].min()), float(box[:, 3].max())
    left = float(box[:, 0].min()) - 1.0
    heights = low + _HEIGHTS * (high - low)
    row, _, at = heart.crossed_edges(loops, np.column_stack([np.full(len(heights), left), heights]))
    best: tuple[float, Floats] | None = None
    for k, y in enumerate(heights):
        xs = np.sort(at[row == k])
        if len(xs) < 2 or len(xs) % 2:
            continue
        widths = xs[1::2] - xs[::2]
        widest = int(widths.argmax())
        if best is None or widths[widest] > best[0]:
            best = float(widths[widest]), np.array([(xs[2 * widest] + xs[2 * widest + 1]) / 2, y])
    return None if best is None or best[0] <= 0 else best[1]


def cells_inside(loops: CurveArray, corner: Floats, cell: float, shape: tuple[int, int]) -> Bools:
    """Which cells (rows, columns) from a lower left corner (2,) have their middle in what some closed loops enclose.

    Cost: the crossings of the rows' middles with the loops, and the cells.
    """
    rows, columns = shape
    heights = corner[1] + (np.arange(rows) + 0.5) * cell
    row, _, at = heart.crossed_edges(loops, np.column_stack([np.full(rows, -np.inf), heights]))
    first = np.clip(np.ceil((at - corner[0]) / cell - 0.5), 0, columns).astype(np.int64)
    turned = np.bincount(row * (columns + 1) + first, minlength=rows * (columns + 1)).reshape(rows, columns + 1)
    return np.asarray(np.cumsum(turned, axis=1)[:, :columns] % 2 == 1)


#: Shares of the height that are tried; odd ones, so that none runs along an edge of a plain drawing.
_HEIGHTS = np.array([0.4713, 0.2371, 0.7389, 0.1137, 0.8917, 0.5923, 0.3511])
