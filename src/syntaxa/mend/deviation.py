"""How far the result lies from what was received, and the other way round: measured, not assumed.

For every curve of one side the largest distance to the nearest curve of the other is looked for at places along it;
between two places it can be larger by at most half of the step, which is the stated bound. Both ways together are the
Hausdorff distance of the two drawings. Cost: n log n in the places.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Floats
from syntaxa.mend.pieces import pieces_of
from syntaxa.watching import still_wanted

#: mm; places along a curve lie no further apart, unless that would be more than `_MOST` on a piece.
_STEP = 0.5
_MOST = 4000

#: How much wider is looked where nothing was found near.
_WIDER = 8.0


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


def deviation(before: Sequence[Curve], after: Sequence[Curve], near: float, fit: float = 1e-3) -> Deviation:
    """The deviation between two lots of curves; `near` (mm) is how far off most of them are at the most."""
    received, result = (pieces_of(curves, fit) for curves in (before, after))
    kept, one = _one_way(received.curves, received.ids, result.curves, near)
    made, two = _one_way(result.curves, result.ids, received.curves, near)
    return Deviation(kept, made, max(one, two))


def largest(found: Deviation, count: int) -> list[tuple[Far, bool]]:
    """The largest deviations of both sides, each with whether it is one of the result."""
    rows = [*((far, False) for far in found.kept), *((far, True) for far in found.made)]
    return sorted(rows, key=lambda row: -row[0].distance)[:count]


def _one_way(curves: CurveArray, ids: tuple[str, ...], other: CurveArray, near: float) -> tuple[tuple[Far, ...], float]:
    if not len(curves):
        return (), 0.0
    lengths = curves.lengths()
    counts = np.clip(np.ceil(lengths / _STEP), 1, _MOST).astype(np.int64) + 1
    piece = np.repeat(np.arange(len(curves)), counts)
    nth = np.arange(len(piece)) - np.repeat(np.cumsum(counts) - counts, counts)
    places = curves.take(piece).points_at(nth / np.repeat(counts - 1, counts))
    away = _distances(places, other, max(near, 1e-3))
    owner = curves.owner[piece]
    order = np.lexsort((-away, owner))
    first = order[np.unique(owner[order], return_index=True)[1]]
    rows = [
        Far(ids[int(owner[k])], Point(*places[k].tolist()), float(away[k])) for k in first[np.argsort(-away[first])]
    ]
    return tuple(rows), float((lengths / (counts - 1)).max() / 2)


def _distances(places: Floats, other: CurveArray, near: float) -> Floats:
    """Distance (n,) mm of each place to the nearest of the other curves, inf where there are none."""
    best = np.full(len(places), np.inf)
    if not len(other):
        return best
    boxes = BoxIndex(other.bounds())
    extent = np.concatenate([places, other.start, other.end])
    most = float(np.ptp(extent, axis=0).sum()) + 1.0
    left, reach = np.arange(len(places)), near
    while len(left):
        still_wanted()
        row, piece = boxes.near(places.take(left, axis=0), reach)
        found = other.take(piece).distances_to(places.take(left[row], axis=0))
        np.minimum.at(best, left[row], found)
        # Within the reach the box of the nearest cannot have been missed.
        left = left[best[left] > reach]
        if reach > most:
            break
        reach *= _WIDER
    return best
