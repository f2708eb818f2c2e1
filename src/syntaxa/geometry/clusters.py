"""Points that are one point: clusters within a radius, and the smallest circle around a few points."""

from __future__ import annotations

import random
from collections.abc import Sequence

import numpy as np

from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import spread
from syntaxa.geometry.tolerances import HAIR, NOUGHT
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import norm

#: Direction along which points are sorted; nothing that is drawn lies along it.
_SLANT = (0.8191, 0.5736)

#: Links up to which passing the lowest number along is quicker than a sparse graph, and rounds that it may take.
_FEW_LINKS = 3000
_MOST_ROUNDS = 8

#: Points up to which the order does not matter for the time that the smallest circle takes.
_FEW_POINTS = 8

#: Points looked at in the sorted row, for each that is asked for, from which a tree is quicker.
_CROWD = 24


def cluster_labels(points: Floats, radius: float) -> tuple[int, Ints]:
    """Number of clusters and the label of each point (n, 2); points within the radius (mm) are linked."""
    if not len(points):
        return 0, np.empty(0, dtype=np.int64)
    first, second, _ = pairs_within(points, np.arange(len(points)), radius)
    return linked(first, second, len(points))


def linked(first: Ints, second: Ints, count: int) -> tuple[int, Ints]:
    """Number of groups of `count` things of which pairs are linked; the label of each, in the order of the things."""
    if len(first) <= _FEW_LINKS:
        lowest = _lowest_linked(first, second, count)
        if lowest is not None:
            own = lowest == np.arange(count)
            return int(own.sum()), (np.cumsum(own) - 1)[lowest]
    # What is dear to load is loaded when so much is linked.
    from scipy.sparse import coo_matrix
    from scipy.sparse.csgraph import connected_components

    graph = coo_matrix((np.ones(len(first), dtype=np.int8), (first, second)), shape=(count, count))
    groups, labels = connected_components(graph, directed=False)
    return int(groups), labels.astype(np.int64)


def _lowest_linked(first: Ints, second: Ints, count: int) -> Ints | None:
    """The lowest thing that each is linked with; None where that takes too many rounds."""
    lowest = np.arange(count)
    for _ in range(_MOST_ROUNDS):
        one, two = lowest[first], lowest[second]
        if (one == two).all():
            return lowest
        np.minimum.at(lowest, np.maximum(one, two), np.minimum(one, two))
        while ((further := lowest[lowest]) != lowest).any():
            lowest = further
    return None


def pairs_within(points: Floats, wanted: Ints, radius: float) -> tuple[Ints, Ints, Floats]:
    """(wanted point, other point, distance) of all that are at most the radius (mm) apart; wanted is an index.

    Where the radius is small beside the spaces between points, a sorted row of them is quicker than a tree.
    """
    slanted = points[:, 0] * _SLANT[0] + points[:, 1] * _SLANT[1]
    order = np.argsort(slanted)
    row = slanted[order]
    # Looked up in rising order: anything else costs several times as much.
    wanted = order if len(wanted) == len(points) else wanted[np.argsort(slanted[wanted])]
    begin = np.searchsorted(row, slanted[wanted] - radius, side="left")
    sizes = np.searchsorted(row, slanted[wanted] + radius, side="right") - begin
    if sizes.sum() > _CROWD * len(wanted):
        from scipy.spatial import cKDTree

        tree = cKDTree(points.take(wanted, axis=0))
        near = tree.sparse_distance_matrix(cKDTree(points), radius, output_type="coo_matrix")
        first, second = wanted[near.row], near.col.astype(np.int64)
    else:
        first = np.repeat(wanted, sizes)
        second = order[spread(begin, sizes)]
    other = np.flatnonzero(first != second)
    first, second = first[other], second[other]
    distance = norm(points.take(first, axis=0) - points.take(second, axis=0))
    close = np.flatnonzero(distance <= radius)
    return first[close], second[close], distance[close]


def smallest_circle(points: Sequence[Point]) -> tuple[Point, float]:
    """Centre and radius (mm) of the smallest circle around some points.

    Point by point: one that lies outside the circle so far lies on the rim of the next. In expectation that is linear
    in the points where they come in random order (Welzl, "Smallest enclosing disks", 1991, in its iterative form).
    """
    mixed = list(points)
    if len(mixed) > _FEW_POINTS:
        # Always the same order, so that the same points always give the same circle.
        random.Random(len(mixed)).shuffle(mixed)
    centre, radius = mixed[0], 0.0
    for i, p in enumerate(mixed):
        if _outside(p, centre, radius):
            centre, radius = p, 0.0
            for j in range(i):
                if _outside(mixed[j], centre, radius):
                    centre, radius = _on_two(mixed[:j], p, mixed[j])
    return centre, radius


def _on_two(points: Sequence[Point], one: Point, two: Point) -> tuple[Point, float]:
    """The smallest circle around points that has two others on its rim."""
    centre, radius = one.toward(two, 0.5), one.distance_to(two) / 2
    for p in points:
        if _outside(p, centre, radius):
            found = _circumcentre(one, two, p)
            if found is None:
                # On a line the two that lie farthest apart hold the third.
                ends = max(((one, two), (one, p), (two, p)), key=lambda pair: pair[0].distance_to(pair[1]))
                centre, radius = ends[0].toward(ends[1], 0.5), ends[0].distance_to(ends[1]) / 2
            else:
                centre, radius = found, found.distance_to(one)
    return centre, radius


def _outside(p: Point, centre: Point, radius: float) -> bool:
    return p.distance_to(centre) > radius * (1 + HAIR) + NOUGHT


def _circumcentre(a: Point, b: Point, c: Point) -> Point | None:
    u, v = b - a, c - a
    twice = 2 * u.cross(v)
    if abs(twice) < NOUGHT:
        return None
    uu, vv = u.dot(u), v.dot(v)
    return Point(a.x + (v.y * uu - u.y * vv) / twice, a.y + (u.x * vv - v.x * uu) / twice)
