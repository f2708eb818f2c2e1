"""The exact area that one region has beyond another, by Green's theorem over the clipped outlines.

Cost: n log n in the pieces plus what they cross.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from syntaxa.cut.offsets.chains import Chains
from syntaxa.cut.offsets.netting import cut_where_they_meet
from syntaxa.cut.offsets.offsetting import MERGE
from syntaxa.cut.offsets.raw import Raw
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.inside import crossed_edges
from syntaxa.geometry.nearest import points_beside
from syntaxa.geometry.types import Bools, Floats
from syntaxa.geometry.vectors import dot

#: How near outlines that run along each other lie, in merges.
_ALONG = 4


def area_beyond(one: Sequence[Floats], other: Sequence[Floats], merge: float = MERGE) -> float:
    """Area of a region without another (mm2); loops of both have their region on the left.

    What bounds the difference is what of the first outline lies outside the other region, and what of the other outline
    lies inside the first, turned round; where both run along each other it counts only if they run opposite ways.
    """
    if not one:
        return 0.0
    a, b = Chains.of(one).pieces, Chains.of(other).pieces if other else CurveArray.none()
    if not len(b):
        return float(a.signed_areas().sum())
    both = CurveArray.joined([a, b])
    nothing = np.zeros(0, dtype=np.int64)
    raw = Raw(both, np.zeros(len(both), dtype=np.int64), nothing, nothing, nothing)
    edges = cut_where_they_meet(raw, merge)
    middle = both.take(edges.piece).points_at((edges.low + edges.high) / 2)
    of_one = edges.piece < len(a)
    within = np.where(of_one, _inside(b, middle), _inside(a, middle))
    way = edges.curves.tangents_at(np.full(len(edges), 0.5))
    shared, same_way = (np.zeros(len(edges), dtype=bool) for _ in range(2))
    for mine, its in ((of_one, b), (~of_one, a)):
        k = np.flatnonzero(mine)
        shared[k], same_way[k] = _along(its, middle[k], way[k], _ALONG * merge)
    area = edges.curves.signed_areas()
    kept = of_one & np.where(shared, ~same_way, ~within)
    turned = ~of_one & ~shared & within
    return float(area[kept].sum() - area[turned].sum())


def _inside(region: CurveArray, points: Floats) -> Bools:
    row, _ = crossed_edges(region, points)
    return np.asarray(np.bincount(row, minlength=len(points)) % 2 == 1)


def _along(outline: CurveArray, points: Floats, way: Floats, within: float) -> tuple[Bools, Bools]:
    """Which points lie on an outline, and which of them where it runs the way that is given."""
    on, same = np.zeros(len(points), dtype=bool), np.zeros(len(points), dtype=bool)
    row, piece, _ = points_beside(outline, points, within)
    target = outline.take(piece)
    tangent = target.tangents_at(np.clip(target.parameters_of(points[row]), 0.0, 1.0))
    on[row] = True
    same[row[dot(tangent, way[row]) > 0]] = True
    return on, same
