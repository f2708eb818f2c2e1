"""Ellipses and splines as runs of tangent arcs (biarcs), all intervals at once.

A biarc joins two points with given tangents by two arcs that are tangent to each other; every interval
whose biarcs leave the curve by more than the tolerance is halved. Cost: linear in the arcs that come out.
"""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.shapes import EllipseArc, Spline
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats

Rows = list[tuple[float, float, float, float, float]]

_SAMPLES = 10
_MOST_ROUNDS = 24
_MOST_PIECES = 200_000


#: Shapes whose runs are kept: a job asks for those of one spline a dozen times.
_KEPT = 20_000


def arc_run(shape: EllipseArc | Spline, tolerance: float) -> Rows:
    """Rows (x0, y0, x1, y1, bulge), end to end, that stay within the tolerance (mm) of the shape."""
    return list(_run_of(shape, tolerance))


@lru_cache(maxsize=_KEPT)
def _run_of(shape: EllipseArc | Spline, tolerance: float) -> tuple[tuple[float, float, float, float, float], ...]:
    if isinstance(shape, Spline):
        breaks = shape.breaks
        breaks = np.unique(np.concatenate([breaks, (breaks[1:] + breaks[:-1]) / 2]))
    else:
        count = max(2, int(np.ceil(abs(shape.sweep) / (np.pi / 4))))
        breaks = shape.start_parameter + shape.sweep * np.arange(count + 1) / count
    # Tangents point the way of travel, which may be against the parameter.
    way = 1.0 if breaks[-1] > breaks[0] else -1.0
    return tuple(_biarcs(shape.points, lambda t: way * shape.derivatives(t), breaks, tolerance))


def _biarcs(
    points: Callable[[Floats], Floats], slopes: Callable[[Floats], Floats], breaks: Floats, tolerance: float
) -> Rows:
    low, high = breaks[:-1], breaks[1:]
    done: list[tuple[float, tuple[float, ...], tuple[float, ...]]] = []
    for turn in range(_MOST_ROUNDS):
        first, last = points(low), points(high)
        joint, bulge_in, bulge_out = _joint(first, _unit(slopes(low)), last, _unit(slopes(high)))
        good = _error(points, low, high, (first, joint, bulge_in), (joint, last, bulge_out)) <= tolerance
        # A curve with spikes that no arc follows is not cut up for ever.
        good |= turn == _MOST_ROUNDS - 1 or len(low) > _MOST_PIECES
        done += [
            (
                float(low[k]),
                (*first[k].tolist(), *joint[k].tolist(), float(bulge_in[k])),
                (*joint[k].tolist(), *last[k].tolist(), float(bulge_out[k])),
            )
            for k in np.flatnonzero(good)
        ]
        low, high = low[~good], high[~good]
        if not len(low):
            break
        middle = (low + high) / 2
        low, high = np.concatenate([low, middle]), np.concatenate([middle, high])
    done.sort(key=lambda piece: piece[0] * (1 if breaks[-1] > breaks[0] else -1))
    return [row for _, *pair in done for row in pair if row[:2] != row[2:4]]  # type: ignore[misc]


def _unit(vectors: Floats) -> Floats:
    return np.asarray(vectors / np.maximum(np.hypot(*vectors.T), NOUGHT)[:, None])


def _joint(first: Floats, leaving: Floats, last: Floats, arriving: Floats) -> tuple[Floats, Floats, Floats]:
    """The joint of the biarcs with equal tangent lengths, (n, 2), and both bulges (n,)."""
    chord = last - first
    both = leaving + arriving
    along = (chord * both).sum(axis=1)
    spread = 2 * (1 - (leaving * arriving).sum(axis=1))
    square = (chord * chord).sum(axis=1)
    parallel = spread < 1e-10
    root = np.sqrt(np.maximum(along**2 + spread * square, 0.0))
    ahead = np.where(np.abs(along) < NOUGHT, NOUGHT, 2 * along)
    reach = np.where(parallel, square / ahead, (root - along) / np.where(parallel, 1.0, spread))
    joint = (first + last + reach[:, None] * (leaving - arriving)) / 2
    return joint, _bulge(leaving, joint - first), _bulge(last - joint, arriving)


def _bulge(a: Floats, b: Floats) -> Floats:
    """Tangent of half the turn from direction a to direction b, which is a quarter of the sweep."""
    turn = np.arctan2(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0], (a * b).sum(axis=1))
    return np.asarray(np.tan(turn / 2))


def _error(
    points: Callable[[Floats], Floats],
    low: Floats,
    high: Floats,
    one: tuple[Floats, Floats, Floats],
    two: tuple[Floats, Floats, Floats],
) -> Floats:
    """Largest distance (n,) of samples of the curve from the nearer of its two arcs."""
    owner = np.zeros(len(low), dtype=np.int64)
    inner = np.arange(1, _SAMPLES) / _SAMPLES
    # All at once: asking a spline for a point takes as long as for a hundred.
    samples = points((low[:, None] + (high - low)[:, None] * inner).ravel())
    each = np.repeat(np.arange(len(low)), len(inner))
    arcs = (CurveArray.from_bulges(a, b, bulge, owner).take(each) for a, b, bulge in (one, two))
    away = np.minimum(*(arc.distances_to(samples) for arc in arcs))
    return np.asarray(away.reshape(len(low), -1).max(axis=1))
