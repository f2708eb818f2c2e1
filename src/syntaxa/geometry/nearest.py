"""How far lines and arcs lie from the nearest of others; exact, and without looking at every pair.

Cost: n log n, and what is found.
"""

from __future__ import annotations

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Floats, Ints


def least_distances(a: CurveArray, b: CurveArray) -> Floats:
    """Least distance of each piece of a to the same piece of b, (n,) mm; 0 where they meet."""
    return heart.distances_between(a, b)


def nearest_within(pieces: CurveArray, others: CurveArray, reach: float) -> Floats:
    """Least distance of each piece to all others, (n,) mm; inf where none is within the reach."""
    return heart.Nearest(others).within(pieces, reach)


def nearest_pair(pieces: CurveArray, others: CurveArray) -> tuple[int, int, float]:
    """The piece and the other that lie nearest to each other, and how far apart (mm), 0 where they meet."""
    return heart.Nearest(others).least(pieces)


def points_beside(pieces: CurveArray, points: Floats, reach: float) -> tuple[Ints, Ints, Floats]:
    """Pairs of a point and a piece at most the reach (mm) apart: (row of the points, piece, distance), each (k,)."""
    return heart.Nearest(pieces).beside(points, reach)
