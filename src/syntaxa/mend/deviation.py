"""How far the result lies from what was received, and the other way round: measured, not assumed.

For every curve of one side the largest distance to the nearest curve of the other is looked for at places along it, as
close to each other as it takes; how much larger it can be between two of them is the stated bound. Both ways together
are the Hausdorff distance of the two drawings. Cost: n log n in the places.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa import heart
from syntaxa.drawing.model import Curve
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.points import Point
from syntaxa.mend.pieces import pieces_of
from syntaxa.watching import still_wanted

#: mm; places along a curve need not lie closer, nor be more than `_MOST` on a piece.
_STEP = 0.1
_MOST = 4000

#: mm; what is less is rounding, and told as nothing.
_ROUNDED = 1e-6

#: Pieces that are measured between two looks at whether anyone still wants it.
_A_BLOCK = 5000


@dataclass(frozen=True, slots=True)
class Far:
    """Where a curve lies farthest from the other side: its id, the place and the distance (mm)."""

    curve: str
    place: Point
    distance: float


@dataclass(frozen=True, slots=True)
class Deviation:
    """Both ways, a row a curve, farthest first; between the places looked at it may be more by the bound (mm).

    kept     from the received curves to the result: large where something was dropped
    made     from the result to the received curves: large where something was added or moved
    """

    kept: tuple[Far, ...]
    made: tuple[Far, ...]
    bound: float

    @property
    def largest(self) -> float:
        """The Hausdorff distance (mm), to the bound."""
        return max((side[0].distance for side in (self.kept, self.made) if side), default=0.0)


def deviation(before: Sequence[Curve], after: Sequence[Curve], fit: float = 1e-3) -> Deviation:
    """The deviation between two lots of curves; splines and ellipses are taken as arcs to `fit` (mm)."""
    received, result = (pieces_of(curves, fit) for curves in (before, after))
    kept, one = _one_way(received.curves, received.ids, result.curves)
    made, two = _one_way(result.curves, result.ids, received.curves)
    return Deviation(kept, made, max(one, two))


def largest(found: Deviation, count: int) -> list[tuple[Far, bool]]:
    """The largest deviations of both sides, each with whether it is one of the result."""
    rows = [*((far, False) for far in found.kept), *((far, True) for far in found.made)]
    return sorted(rows, key=lambda row: -row[0].distance)[:count]


def _one_way(curves: CurveArray, ids: tuple[str, ...], other: CurveArray) -> tuple[tuple[Far, ...], float]:
    if not len(curves):
        return (), 0.0
    nearest = heart.Nearest(other)
    parts = []
    for first in range(0, len(curves), _A_BLOCK):
        still_wanted()
        parts.append(nearest.farthest(curves.take(np.arange(first, min(first + _A_BLOCK, len(curves)))), _STEP, _MOST))
    share, away, more = (np.concatenate(column) for column in zip(*parts, strict=True))
    away[away < _ROUNDED] = 0.0
    order = np.lexsort((-away, curves.owner))
    worst = order[np.unique(curves.owner[order], return_index=True)[1]]
    worst = worst[np.argsort(-away[worst], kind="stable")]
    places = curves.take(worst).points_at(share[worst]).tolist()
    rows = [
        Far(ids[owner], Point(*place), distance)
        for owner, place, distance in zip(curves.owner[worst].tolist(), places, away[worst].tolist(), strict=True)
    ]
    return tuple(rows), max(float(more.max()), _ROUNDED)
