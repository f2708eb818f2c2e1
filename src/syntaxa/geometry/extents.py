"""Extents of curves, exact for every kind.

The box of a curve is that of its ends and of the places where it runs level or upright: at quarters for circles, in
closed form for ellipses, at the roots of the derivative for splines. Lines and arcs are done all at once in arrays.
Cost: linear in the curves; a spline of n control points takes the roots of n polynomials of its degree.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterable, Sequence
from functools import lru_cache

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Box, Floats

#: Shapes whose numbers are gathered at once: whoever waits for the interpreter meanwhile waits a millisecond.
_A_BLOCK = 2_000

#: Splines and ellipses whose extents are remembered.
_KEPT = 20_000


def bounds(shape: Shape) -> Box:
    """Extents (xmin, ymin, xmax, ymax) in mm, exact."""
    if isinstance(shape, Line):
        a, b = shape.start, shape.end
        return min(a.x, b.x), min(a.y, b.y), max(a.x, b.x), max(a.y, b.y)
    if isinstance(shape, Circle):
        c, r = shape.centre, shape.radius
        return c.x - r, c.y - r, c.x + r, c.y + r
    if isinstance(shape, EllipseArc | Spline):
        return _smooth_bounds(shape)
    return _box(boxes_of([shape])[0])


def boxes_of(shapes: Iterable[Shape]) -> Floats:
    """Extents of many shapes, (n, 4): xmin, ymin, xmax, ymax; exact."""
    listed = list(shapes)
    blocks = [_block(listed[first : first + _A_BLOCK]) for first in range(0, len(listed), _A_BLOCK)]
    return np.concatenate(blocks) if blocks else np.empty((0, 4))


def _block(listed: Sequence[Shape]) -> Floats:
    boxes = np.empty((len(listed), 4))
    lines: list[tuple[int, Line]] = []
    arcs: list[tuple[int, Arc]] = []
    bent: list[int] = []
    for k, shape in enumerate(listed):
        if isinstance(shape, Line):
            lines.append((k, shape))
        elif isinstance(shape, Arc):
            arcs.append((k, shape))
        elif isinstance(shape, Polyline):
            bent.append(k)
        else:
            boxes[k] = bounds(shape)
    if lines:
        ends = np.array([(s.start.x, s.start.y, s.end.x, s.end.y) for _, s in lines])
        both = np.hstack([np.minimum(ends[:, :2], ends[:, 2:]), np.maximum(ends[:, :2], ends[:, 2:])])
        boxes[[k for k, _ in lines]] = both
    if arcs:
        boxes[[k for k, _ in arcs]] = _arc_boxes([arc for _, arc in arcs])
    if bent:
        boxes[bent] = _polyline_boxes([p for k in bent if isinstance(p := listed[k], Polyline)])
    return boxes


def extents(shapes: Iterable[Shape]) -> Box | None:
    """The box round all shapes; None for none."""
    boxes = boxes_of(shapes)
    if not len(boxes):
        return None
    low, high = boxes[:, :2].min(axis=0), boxes[:, 2:].max(axis=0)
    return _box(np.concatenate([low, high]))


def _box(row: Floats) -> Box:
    a, b, c, d = row.tolist()
    return a, b, c, d


def _arc_boxes(arcs: list[Arc]) -> Floats:
    table = np.array([(*a.centre, a.radius, a.start_angle, a.sweep) for a in arcs])
    centre, radius, first, sweep = table[:, :2], table[:, 2], table[:, 3], table[:, 4]
    ends = [centre + radius[:, None] * np.column_stack([np.cos(t), np.sin(t)]) for t in (first, first + sweep)]
    low, high = np.minimum(*ends), np.maximum(*ends)
    begin = np.where(sweep >= 0, first, first + sweep)
    for quarter, (ux, uy) in enumerate(((1, 0), (0, 1), (-1, 0), (0, -1))):
        reached = np.flatnonzero((quarter * np.pi / 2 - begin) % TURN <= np.abs(sweep))
        tip = centre[reached] + radius[reached, None] * np.array([ux, uy])
        low[reached], high[reached] = np.minimum(low[reached], tip), np.maximum(high[reached], tip)
    return np.hstack([low, high])


def _polyline_boxes(shapes: list[Polyline]) -> Floats:
    sizes = np.array([len(s.vertices) for s in shapes])
    first = np.cumsum(sizes) - sizes
    points = np.array([(p.x, p.y) for s in shapes for p in s.vertices])
    low, high = np.minimum.reduceat(points, first), np.maximum.reduceat(points, first)
    bulge = np.array([b for s in shapes for b in s.bulges], dtype=np.float64)
    if bulge.any():
        following = np.arange(len(points)) + 1
        following[first + sizes - 1] = first
        owner = np.repeat(np.arange(len(shapes)), sizes)
        open_end = np.array([not s.closed for s in shapes])
        bulge[(first + sizes - 1)[open_end]] = 0.0
        bent = np.flatnonzero(bulge)
        pieces = CurveArray.from_bulges(points[bent], points[following[bent]], bulge[bent], owner[bent])
        boxes = pieces.bounds()
        np.minimum.at(low, pieces.owner, boxes[:, :2])
        np.maximum.at(high, pieces.owner, boxes[:, 2:])
    return np.hstack([low, high])


@lru_cache(maxsize=_KEPT)
def _smooth_bounds(shape: EllipseArc | Spline) -> Box:
    turns = _ellipse_turns(shape) if isinstance(shape, EllipseArc) else _spline_turns(shape)
    points = shape.points(np.array(turns))
    return _box(np.concatenate([points.min(axis=0), points.max(axis=0)]))


def _ellipse_turns(shape: EllipseArc) -> list[float]:
    """Parameters of its ends and of where it runs level or upright: x' = 0 where tan t = minor.x / major.x."""
    begin = shape.start_parameter if shape.sweep >= 0 else shape.start_parameter + shape.sweep
    turns = [shape.start_parameter, shape.start_parameter + shape.sweep]
    for major, minor in zip(shape.major, shape.minor, strict=True):
        level = math.atan2(minor, major)
        turns += [t for t in (level, level + math.pi) if (t - begin) % TURN <= abs(shape.sweep)]
    return turns


def _spline_turns(shape: Spline) -> list[float]:
    """Parameters of its ends, corners and of where it runs level or upright."""
    from scipy.interpolate import PPoly

    turns: list[float] = shape.breaks.tolist()
    points = np.array([[*p] for p in shape.control_points])
    weights = np.array(shape.weights) if shape.weights else np.ones(len(points))
    knots = np.array(shape.knots)
    x, y, w = (
        PPoly.from_spline((knots, row, shape.degree)) for row in np.vstack([points.T * weights, weights[None, :]])
    )
    first, last = shape.domain
    for k, (begin, end) in enumerate(itertools.pairwise(shape.knots)):
        if end <= begin or end <= first or begin >= last:
            continue
        below = w.c[:, k]
        for own in (x.c[:, k], y.c[:, k]):
            # The sign of a quotient's slope is that of u' w - u w'.
            slope = np.polysub(np.polymul(np.polyder(own), below), np.polymul(own, np.polyder(below)))
            turns += [begin + r for r in _real_roots(slope, end - begin)]
    return turns


def _real_roots(polynomial: Floats, end: float) -> list[float]:
    """Real roots between 0 and an end; one that is only nearly real counts, for it costs nothing to look there."""
    scale = np.abs(polynomial * end ** np.arange(len(polynomial) - 1, -1, -1))
    if not len(scale) or scale.max() == 0.0:
        return []
    # Leading terms that are rounding would make roots of their own.
    kept = np.flatnonzero(scale > 1e-14 * scale.max())
    roots = np.roots(polynomial[kept[0] :])
    near = roots[np.abs(roots.imag) <= 1e-6 * end].real
    within = near[(near > -ROUNDING * end) & (near < end * (1 + ROUNDING))]
    return [float(r) for r in np.clip(within, 0.0, end)]
