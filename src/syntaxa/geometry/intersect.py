"""Where lines and arcs meet, for many pairs at once.

Cost: n log n for the candidate pairs (their bounding boxes), then linear in the candidates.
Tangency within the tolerance counts as one contact at the foot of the shortest distance.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats, Ints


@dataclass(frozen=True, slots=True)
class Contacts:
    """m contacts: piece indices first and second (m,), points (m, 2), and where they lie on both (shares, (m,)).

    end   (m,) int; which end of the first lies on the second (0 its start, 1 its end), -1 where both pass through
    """

    first: Ints
    second: Ints
    points: Floats
    end: Ints
    first_parameter: Floats
    second_parameter: Floats

    @property
    def crossing(self) -> Bools:
        """Where both pieces pass through, (m,) bool."""
        return np.asarray(self.end < 0)

    def take(self, index: Ints | Bools) -> Contacts:
        """The contacts at an index or mask."""
        rows = np.flatnonzero(index) if index.dtype == bool else index
        return Contacts(*(getattr(self, name).take(rows, axis=0) for name in self.__slots__))


def candidate_pairs(curves: CurveArray, margin: float) -> tuple[Ints, Ints]:
    """Index pairs i < j of pieces that may come within the margin (mm) of each other: all that do, and a few more."""
    return heart.near_pairs(curves, margin)


def candidates_between(curves: CurveArray, others: CurveArray, margin: float) -> tuple[Ints, Ints]:
    """Index pairs (piece, one of the others) that may come within the margin (mm) of each other: all that do, and a
    few more; in the order of the pieces.
    """
    return heart.near_pairs_between(curves, others, margin)


def contacts(curves: CurveArray, tolerance: float, pairs: tuple[Ints, Ints] | None = None) -> Contacts:
    """All places where two pieces meet within the tolerance (mm), except along shared carriers.

    pairs   the candidates, where they are known; a crossing at an end of either piece is told as that end's contact
    """
    i, j = candidate_pairs(curves, tolerance) if pairs is None else pairs
    return Contacts(*heart.contacts(curves, i, j, tolerance))


def carrier_crossings(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> tuple[Floats, Floats]:
    """The at most two points where the carriers of i and j meet, each (m, 2), nan where they do not."""
    return heart.carrier_crossings(curves, i, j, tolerance)
