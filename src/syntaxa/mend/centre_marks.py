"""Marks of centres: crosses of equal arms in the middle of circles. They are signs, and nothing about them is mended.

A mark is two lines of one length that cut each other in half at right angles, or four arms that leave one place so,
within a circle or an arc's circle and near its centre. Cost: n log n in the lines and circles.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.types import Floats, Ints
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: Share of the radius by which a mark may miss the centre, and of their length by which arms may differ.
_NEAR, _EQUAL = 0.1, 0.02

#: Sine of the angle by which arms may miss the square.
_SQUARE = 0.02


def without_marks(curves: Sequence[Curve]) -> tuple[list[Curve], list[Curve]]:
    """(curves without the marks of centres, those marks)."""
    marks = centre_marks(curves)
    if not marks:
        return list(curves), []
    return [c for c in curves if c.id not in marks], [c for c in curves if c.id in marks]


def centre_marks(curves: Sequence[Curve]) -> set[str]:
    """Ids of the lines that mark centres."""
    centres = np.array([(*p, r) for c in curves for p, r in _centres(c)]).reshape(-1, 3)
    lines = [c for c in curves if isinstance(c.shape, Line)]
    if not len(centres) or len(lines) < 2:
        return set()
    ends = np.array([(*c.shape.start, *c.shape.end) for c in lines])
    way = ends[:, 2:] - ends[:, :2]
    length = np.hypot(way[:, 0], way[:, 1])
    found: set[int] = set()
    middles = (ends[:, :2] + ends[:, 2:]) / 2
    # Whole lines by their middles; arms by the end at which they meet, then as if they went on behind it.
    found |= _crosses(middles, way, length / 2, np.arange(len(lines)), centres, 2)
    both = np.vstack([ends[:, :2], ends[:, 2:]])
    found |= _crosses(both, np.vstack([way, -way]), np.tile(length, 2), np.tile(np.arange(len(lines)), 2), centres, 4)
    return {lines[k].id for k in found}


def _crosses(places: Floats, way: Floats, arm: Floats, line: Ints, centres: Floats, arms: int) -> set[int]:
    """Lines of which as many as a cross takes meet at one place near a centre, within its circle."""
    distance, nearest = spatial.cKDTree(centres[:, :2]).query(places)
    radius = centres[nearest, 2]
    good = np.flatnonzero((distance <= _NEAR * radius) & (arm + distance < radius) & (arm > 0))
    if len(good) < arms:
        return set()
    found: set[int] = set()
    slack = _EQUAL * float(arm[good].max())
    for members in spatial.cKDTree(places[good]).query_ball_point(places[good], slack):
        index = good[members]
        own = index[np.abs(arm[index] - arm[index[0]]) <= _EQUAL * arm[index[0]]]
        if len(own) == arms and len(members) == arms and _square(way[own], arms):
            found.update(int(line[k]) for k in own)
    return found


def _square(way: Floats, arms: int) -> bool:
    """Whether ways are at right angles: two of them, or four that leave one place all round."""
    unit = way / np.hypot(way[:, 0], way[:, 1])[:, None]
    if arms == 2:
        return bool(abs(float(unit[0] @ unit[1])) < _SQUARE)
    around = np.sort(np.arctan2(unit[:, 1], unit[:, 0]))
    steps = np.diff(np.append(around, around[0] + 2 * np.pi))
    return bool((np.abs(steps - np.pi / 2) < _SQUARE).all())


def _centres(curve: Curve) -> Iterable[tuple[tuple[float, float], float]]:
    """Centres and radii of a circle, an arc, or the arcs of a polyline that goes round."""
    shape = curve.shape
    if isinstance(shape, Circle | Arc):
        yield (shape.centre.x, shape.centre.y), shape.radius
    elif isinstance(shape, Polyline) and any(shape.bulges):
        for part in shape.segments():
            if isinstance(part, Arc):
                yield (part.centre.x, part.centre.y), part.radius
