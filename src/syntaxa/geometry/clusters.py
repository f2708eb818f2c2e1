"""Points that are one point: clusters within a radius, and the smallest circle around a few points."""

from __future__ import annotations

import itertools

import numpy as np
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components
from scipy.spatial import cKDTree

from syntaxa.geometry.arrays import Ints
from syntaxa.geometry.points import Point
from syntaxa.geometry.transform import Floats


def cluster_labels(points: Floats, radius: float) -> tuple[int, Ints]:
    """Number of clusters and the label of each point (n, 2); points within the radius (mm) are linked."""
    if not len(points):
        return 0, np.empty(0, dtype=np.int64)
    pairs = cKDTree(points).query_pairs(radius, output_type="ndarray")
    graph = coo_matrix((np.ones(len(pairs)), (pairs[:, 0], pairs[:, 1])), shape=(len(points),) * 2)
    count, labels = connected_components(graph, directed=False)
    return int(count), labels.astype(np.int64)


def smallest_circle(points: list[Point]) -> tuple[Point, float]:
    """Centre and radius (mm) of the smallest circle around a few points; tries every pair and triple."""
    if len(points) == 1:
        return points[0], 0.0
    centres = [a.toward(b, 0.5) for a, b in itertools.combinations(points, 2)]
    centres += [c for three in itertools.combinations(points, 3) if (c := _circumcentre(*three))]
    # One of these is the centre; the farthest point from the right one is the nearest of all.
    return min(((c, max(c.distance_to(p) for p in points)) for c in centres), key=lambda circle: circle[1])


def _circumcentre(a: Point, b: Point, c: Point) -> Point | None:
    u, v = b - a, c - a
    twice = 2 * u.cross(v)
    if abs(twice) < 1e-300:
        return None
    uu, vv = u.dot(u), v.dot(v)
    return Point(a.x + (v.y * uu - u.y * vv) / twice, a.y + (u.x * vv - v.x * uu) / twice)
