"""Splines as cubic Bezier curves: exact for polynomials of up to the third degree, else within a tolerance.

Source: conversion from power to Bernstein form, and cubic Hermite interpolation, whose error falls with the fourth
power of the step (any textbook of numerical analysis).
"""

from __future__ import annotations

from functools import lru_cache

import numpy as np

from syntaxa.geometry.shapes import Spline
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats

#: Places in each span at which the deviation is measured.
_SAMPLES = 16

_MOST_ROUNDS = 16


def is_cubic(shape: Spline) -> bool:
    """Whether cubic Bezier curves hold the spline exactly."""
    return shape.degree <= 3 and len(set(shape.weights)) <= 1


@lru_cache(maxsize=2000)
def cubics_of(shape: Spline, tolerance: float) -> tuple[Floats, float]:
    """Control points (n, 4, 2) of cubics end to end, and how far (mm) they lie off: 0 where they are exact."""
    if is_cubic(shape):
        return _exact(shape), 0.0
    return _fitted(shape, tolerance)


def _exact(shape: Spline) -> Floats:
    from scipy.interpolate import PPoly

    points = np.array([[*p] for p in shape.control_points])
    rows = [PPoly.from_spline((np.array(shape.knots), axis, shape.degree)) for axis in points.T]
    first, last = shape.domain
    knots = np.array(shape.knots)
    spans = np.flatnonzero((np.diff(knots) > 0) & (knots[:-1] >= first) & (knots[1:] <= last))
    step = np.diff(knots)[spans]
    power = np.zeros((len(spans), 4, 2))
    for axis, row in enumerate(rows):
        rising = row.c[::-1, spans].T
        power[:, : rising.shape[1], axis] = rising * step[:, None] ** np.arange(rising.shape[1])
    a, b, c, d = (power[:, k] for k in range(4))
    controls = np.stack([a, a + b / 3, a + 2 * b / 3 + c / 3, a + b + c + d], axis=1)
    return _linked(controls)


def _fitted(shape: Spline, tolerance: float) -> tuple[Floats, float]:
    """Cubics with the ends and slopes of the spline; what lies too far off is halved."""
    # Beside a corner the slope is that of its own side.
    breaks = shape.breaks
    low, high = breaks[:-1], breaks[1:]
    done: list[tuple[float, Floats]] = []
    worst = 0.0
    share = (np.arange(_SAMPLES) + 0.5) / _SAMPLES
    for turn in range(_MOST_ROUNDS):
        inset = ROUNDING * (high - low)
        start, end = shape.points(low), shape.points(high)
        reach = (high - low)[:, None] / 3
        leaving, arriving = shape.derivatives(low + inset), shape.derivatives(high - inset)
        controls = np.stack([start, start + leaving * reach, end - arriving * reach, end], axis=1)
        at = low[:, None] + (high - low)[:, None] * share
        truth = shape.points(at.ravel()).reshape(len(low), _SAMPLES, 2)
        away = np.hypot(*np.moveaxis(truth - _evaluated(controls, share), -1, 0)).max(axis=1)
        good = (away <= tolerance) | (turn == _MOST_ROUNDS - 1)
        worst = max(worst, float(away[good].max(initial=0.0)))
        done += zip(low[good].tolist(), controls[good], strict=True)
        low, high = low[~good], high[~good]
        if not len(low):
            break
        middle = (low + high) / 2
        low, high = np.concatenate([low, middle]), np.concatenate([middle, high])
    done.sort(key=lambda span: span[0])
    return _linked(np.array([controls for _, controls in done])), worst


def _evaluated(controls: Floats, share: Floats) -> Floats:
    t, s = share, 1 - share
    basis = np.stack([s**3, 3 * s * s * t, 3 * s * t * t, t**3])
    return np.asarray(np.einsum("kt,nkd->ntd", basis, controls))


def _linked(controls: Floats) -> Floats:
    """Each start set to the end before it, bit for bit."""
    controls[1:, 0] = controls[:-1, 3]
    return controls
