"""Extents of curves, exact for every kind.

The box of a curve is that of its ends and of the places where it runs level or upright: at quarters for circles, in
closed form for ellipses, at the roots of the derivative for splines. Lines and arcs are done all at once in arrays.
Cost: linear in the curves; a spline of n control points takes the roots of n polynomials of its degree.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from functools import lru_cache

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Bools, Box, Floats

#: Shapes whose numbers are gathered at once: whoever waits for the interpreter meanwhile waits a millisecond.
_A_BLOCK = 2_000

#: Share of the largest coefficient of a polynomial below which one is rounding.
_ROUNDED = 1e-14

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
    slopes, begin, width = _slopes(shape)
    rising, span = slopes.reshape(len(slopes), -1), np.repeat(np.arange(len(width)), 2)
    turns: list[float] = shape.breaks.tolist()
    for k in np.flatnonzero(_may_vanish(rising)):
        turns += (begin[span[k]] + width[span[k]] * _real_roots(rising[:, k])).tolist()
    return turns


def _slopes(shape: Spline) -> tuple[Floats, Floats, Floats]:
    """Polynomials (degree + 1, n, 2) that vanish where x and y of its n spans do not change, and where these begin and
    how wide they are (n,); highest powers first, of a parameter that goes from 0 to 1 in each.
    """
    spline = shape.homogeneous()
    knots = np.array(shape.knots)
    first, last = shape.domain
    begin, end = knots[:-1], knots[1:]
    used = np.flatnonzero((end > begin) & (end > first) & (begin < last))
    width = (end - begin)[used]
    powers = np.arange(shape.degree, -1, -1, dtype=np.float64)
    # Taylor's series at the beginning of each span.
    orders = range(shape.degree, -1, -1)
    spans: Floats = np.stack([spline(begin[used], nu=p) * (width**p / math.factorial(p))[:, None] for p in orders])
    own, below = spans[..., :2], spans[..., 2:]
    steep = own[:-1] * powers[:-1, None, None]
    if not shape.weights:
        return steep, begin[used], width
    # The sign of a quotient's slope is that of u' w - u w'.
    return _product(steep, below) - _product(own, below[:-1] * powers[:-1, None, None]), begin[used], width


def _product(one: Floats, other: Floats) -> Floats:
    """Polynomials multiplied, power by power."""
    found = np.zeros((len(one) + len(other) - 1, *np.broadcast_shapes(one.shape[1:], other.shape[1:])))
    for k, row in enumerate(one):
        found[k : k + len(other)] += row * other
    return found


def _may_vanish(polynomials: Floats) -> Bools:
    """Which polynomials (degree + 1, n) may have a root from 0 to 1: not those whose Bernstein coefficients, between
    whose least and largest all of their values lie, have one sign.
    """
    degree = len(polynomials) - 1
    bernstein = np.array(
        [[math.comb(k, power) / math.comb(degree, power) for power in range(degree, -1, -1)] for k in range(degree + 1)]
    )
    values = bernstein @ polynomials
    hair = _ROUNDED * np.abs(polynomials).max(axis=0)
    return np.asarray((values.min(axis=0) <= hair) & (values.max(axis=0) >= -hair) & (hair > 0))


def _real_roots(polynomial: Floats) -> Floats:
    """Real roots from 0 to 1; one that is only nearly real counts, for it costs nothing to look there."""
    # Leading terms that are rounding would make roots of their own.
    size = np.abs(polynomial)
    kept = polynomial[np.argmax(size > _ROUNDED * size.max()) :]
    if len(kept) == 3:
        a, b, c = kept.tolist()
        half = -0.5 * (b + math.copysign(math.sqrt(max(b * b - 4 * a * c, 0.0)), b))
        near = np.array([half / a, c / half if half else 0.0])
    else:
        roots = np.roots(kept)
        near = roots[np.abs(roots.imag) <= 1e-6].real
    return np.asarray(np.clip(near[(near > -ROUNDING) & (near < 1 + ROUNDING)], 0.0, 1.0))
