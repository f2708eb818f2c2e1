"""What lies inside a loop of lines and arcs: a ray to the right crosses the loop an odd number of times.

Cost: n log n for n pieces and as many points.
"""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.ragged import spread
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats, Ints


def crossed_edges(curves: CurveArray, points: Floats) -> tuple[Ints, Ints]:
    """Pairs (row of the points (n, 2), piece) for each crossing of a ray to the right with a line or arc.

    A piece that rises from low to high counts low and not high, so that a ray through a shared end counts once;
    an arc is taken as its rising and falling parts. Exact for lines and arcs.
    """
    ray, owner, _ = _crossed_at(curves, points)
    return ray, owner


def _crossed_at(curves: CurveArray, points: Floats) -> tuple[Ints, Ints, Floats]:
    """The same pairs, each with where it is (x)."""
    parts, low, high, side = _monotone_parts(curves)
    x, y = points[:, 0], points[:, 1]
    ray, part = _at_height(low, high, y)
    height = y[ray]
    owner = parts[part]
    start, end, centre, radius = (getattr(curves, name)[owner] for name in ("start", "end", "centre", "radius"))
    rise = end[:, 1] - start[:, 1]
    share = (height - start[:, 1]) / np.where(rise == 0, 1.0, rise)
    on_line = start[:, 0] + (end[:, 0] - start[:, 0]) * share
    half = np.sqrt(np.maximum(radius**2 - (height - centre[:, 1]) ** 2, 0.0))
    at = np.where(curves.is_arc[owner], centre[:, 0] + side[part] * half, on_line)
    right_of = at > x[ray]
    return ray[right_of], owner[right_of], at[right_of]


def _at_height(low: Floats, high: Floats, heights: Floats) -> tuple[Ints, Ints]:
    """Pairs (row of the heights, interval) with low <= height < high; the intervals are sorted into as many strips."""
    base = float(low.min(initial=np.inf))
    strips = 2 * len(heights)
    size = max((float(high.max(initial=-np.inf)) - base) / max(strips, 1), NOUGHT)
    begin, end = (np.clip((edge - base) / size, 0, strips).astype(np.int64) for edge in (low, high))
    count = end - begin + 1
    interval = np.repeat(np.arange(len(low)), count)
    strip = spread(begin, count)
    order = np.argsort(strip, kind="stable")
    strip, interval = strip[order], interval[order]
    wanted = np.clip((heights - base) / size, -1, strips + 1).astype(np.int64)
    first = np.searchsorted(strip, wanted, side="left")
    sizes = np.searchsorted(strip, wanted, side="right") - first
    row = np.repeat(np.arange(len(heights)), sizes)
    found = interval[spread(first, sizes)]
    hit = np.flatnonzero((low[found] <= heights[row]) & (heights[row] < high[found]))
    return row[hit], found[hit]


def _monotone_parts(curves: CurveArray) -> tuple[Ints, Floats, Floats, Floats]:
    """(piece, lowest y, highest y, side) of parts that only rise or only fall; side -1 or 1 of the centre, for arcs."""
    tops = []
    for quarter in (1, 3):
        first = np.where(curves.sweep >= 0, curves.start_angle, curves.start_angle + curves.sweep)
        away = (quarter * np.pi / 2 - first) % (2 * np.pi)
        inside = curves.is_arc & (away > 0) & (away < np.abs(curves.sweep))
        tip = curves.centre[:, 1] + np.where(quarter == 1, 1.0, -1.0) * curves.radius
        share = np.where(curves.sweep >= 0, away, np.abs(curves.sweep) - away) / np.maximum(
            np.abs(curves.sweep), NOUGHT
        )
        tops.append((np.flatnonzero(inside), share[inside], tip[inside]))
    every = np.arange(len(curves))
    owner = np.concatenate([every, every, *(t[0] for t in tops)])
    share = np.concatenate([np.zeros(len(every)), np.ones(len(every)), *(t[1] for t in tops)])
    height = np.concatenate([curves.start[:, 1], curves.end[:, 1], *(t[2] for t in tops)])
    order = np.lexsort((share, owner))
    owner, share, height = owner[order], share[order], height[order]
    follows = np.flatnonzero(owner[1:] == owner[:-1])
    parts = owner[follows]
    middle = curves.take(parts).points_at((share[follows] + share[follows + 1]) / 2)
    side = np.where(middle[:, 0] >= curves.centre[parts, 0], 1.0, -1.0)
    a, b = height[follows], height[follows + 1]
    return parts, np.minimum(a, b), np.maximum(a, b), side


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
    row, _, at = _crossed_at(loops, np.column_stack([np.full(len(heights), left), heights]))
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


#: Shares of the height that are tried; odd ones, so that none runs along an edge of a plain drawing.
_HEIGHTS = np.array([0.4713, 0.2371, 0.7389, 0.1137, 0.8917, 0.5923, 0.3511])
