"""Points that are one point: clusters within a radius, and the smallest circle around a few points."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from syntaxa import heart
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Floats, Ints


def cluster_labels(points: Floats, radius: float) -> tuple[int, Ints]:
    """Number of clusters and the label of each point (n, 2); points within the radius (mm) are linked."""
    return heart.clusters(points, radius)


def linked(first: Ints, second: Ints, count: int) -> tuple[int, Ints]:
    """Number of groups of `count` things of which pairs are linked; the label of each, in the order of the things."""
    return heart.linked(first, second, count)


def smallest_circle(points: Sequence[Point]) -> tuple[Point, float]:
    """Centre and radius (mm) of the smallest circle around some points.

    In expectation linear in the points (Welzl, "Smallest enclosing disks", 1991); the same points give the same circle.
    """
    x, y, radius = heart.smallest_circle(np.array([[*p] for p in points]))
    return Point(x, y), radius
