"""How far lines and arcs lie from the nearest of others; exact, and without looking at every pair.

Cost: n log n, and what is found.
"""

from __future__ import annotations

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Floats, Ints


def nearest_within(pieces: CurveArray, others: CurveArray, reach: float) -> Floats:
    """Least distance of each piece to all others, (n,) mm; inf where none is within the reach."""
    return heart.Nearest(others).within(pieces, reach)


def shortest_way(pieces: CurveArray, others: CurveArray) -> tuple[float, Point, Point]:
    """The least distance (mm) of any piece to any other, 0 where they meet, and a place on each where it is taken."""
    distance, *places = heart.Nearest(others).shortest(pieces)
    return distance, Point(*places[:2]), Point(*places[2:])


def points_beside(pieces: CurveArray, points: Floats, reach: float) -> tuple[Ints, Ints, Floats]:
    """Pairs of a point and a piece at most the reach (mm) apart: (row of the points, piece, distance), each (k,)."""
    return heart.Nearest(pieces).beside(points, reach)
