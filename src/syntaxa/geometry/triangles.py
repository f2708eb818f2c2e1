"""Triangles in space: cleaning them, and the profile curves that a level plane cuts out of them.

Cost: n log n in the triangles (joining the cut edges sorts their ends).
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from syntaxa.geometry.chaining import one_after_the_other, walks
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line, Polyline
from syntaxa.geometry.tolerances import HAIR, ROUNDING
from syntaxa.geometry.types import Floats

UpAxis = Literal["x", "y", "z"]

#: For each axis that points up, the axes that become x and y: a turn of the three, so that nothing is mirrored.
_PLANE = {"x": (1, 2, 0), "y": (2, 0, 1), "z": (0, 1, 2)}


@dataclass(frozen=True, eq=False)
class Mesh:
    """Triangles (n, 3, 3) float in the file's own numbers, with the name that the file gives them."""

    name: str
    triangles: Floats


@dataclass(frozen=True, slots=True)
class Cleaned:
    """Triangles that are left, and how many were dropped for which reason."""

    triangles: Floats
    small: int
    doubled: int


def turned_up(triangles: Floats, up: UpAxis) -> Floats:
    """The triangles with the chosen axis as z."""
    return triangles[:, :, list(_PLANE[up])]


def cleaned(triangles: Floats, least_area: float) -> Cleaned:
    """Without triangles of no more than an area, and without those that stand twice (in any order of corners)."""
    a, b, c = triangles[:, 0], triangles[:, 1], triangles[:, 2]
    area = 0.5 * np.linalg.norm(np.cross(b - a, c - a), axis=1)
    large = area > least_area
    kept = triangles[large]
    if not len(kept):
        return Cleaned(kept, int((~large).sum()), 0)
    order = np.lexsort(kept.transpose(2, 0, 1)[::-1], axis=1) if len(kept) else np.empty((0, 3), dtype=np.int64)
    sorted_corners = np.take_along_axis(kept, order[:, :, None], axis=1).reshape(len(kept), 9)
    _, first = np.unique(sorted_corners, axis=0, return_index=True)
    return Cleaned(kept[np.sort(first)], int((~large).sum()), len(kept) - len(first))


def section(triangles: Floats, height: float) -> list[Line | Polyline]:
    """Where the plane z = height cuts the triangles (n, 3, 3): closed outlines, and open runs where they have holes."""
    segments = _cut(triangles, height)
    return _chained(segments)


def outline(triangles: Floats) -> list[Line | Polyline]:
    """The border of triangles (n, 3, 3) seen from above: the edges that only one of them has."""
    corners = triangles[:, :, :2]
    a, b = corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0]
    normal = a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]
    # All counter-clockwise, so that two neighbours run along their edge in opposite directions.
    corners = np.where((normal < 0)[:, None, None], corners[:, ::-1], corners)
    segments = np.concatenate([np.hstack([corners[:, k], corners[:, (k + 1) % 3]]) for k in range(3)])
    there = {tuple(row) for row in segments.tolist()}
    alone = [row for row in segments.tolist() if (row[2], row[3], row[0], row[1]) not in there]
    return _chained(np.array(alone, dtype=np.float64).reshape(-1, 4))


def _cut(triangles: Floats, height: float) -> Floats:
    """Segments (m, 4) from below to above the plane, each with the solid on the same side."""
    z = triangles[:, :, 2] - height
    # A corner on the plane counts as below it (at the very top as above): no edge is cut twice and none is missed.
    above = z >= 0 if z.max(initial=-1.0) <= 0 else z > 0
    crossing = above.any(axis=1) & ~above.all(axis=1)
    corners, z, above = triangles[crossing], z[crossing], above[crossing]
    alone = np.where(above.sum(axis=1) == 1, above.argmax(axis=1), (~above).argmax(axis=1))
    rows = np.arange(len(corners))
    ends = []
    for step in (1, 2):
        other = (alone + step) % 3
        # Always from the lower to the upper corner, so that two triangles find the same point of their edge.
        upper = np.where(above[rows, alone], alone, other)
        lower = np.where(above[rows, alone], other, alone)
        low, high = corners[rows, lower], corners[rows, upper]
        share = -z[rows, lower] / (z[rows, upper] - z[rows, lower])
        ends.append(low[:, :2] + (high - low)[:, :2] * share[:, None])
    swap = ~above[rows, alone]
    first = np.where(swap[:, None], ends[1], ends[0])
    second = np.where(swap[:, None], ends[0], ends[1])
    segments = np.hstack([first, second])
    return np.asarray(segments[np.hypot(*(second - first).T) > 0])


def _chained(segments: Floats) -> list[Line | Polyline]:
    if not len(segments):
        return []
    size = float(np.ptp(segments.reshape(-1, 2), axis=0).max())
    cell = max(size * ROUNDING, HAIR)
    ends = np.round(segments.reshape(-1, 2) / cell).astype(np.int64)
    _, node = np.unique(ends, axis=0, return_inverse=True)
    node = node.reshape(-1, 2)
    places = one_after_the_other(node[:, 0].tolist(), node[:, 1].tolist())
    shapes: list[Line | Polyline] = []
    for walk, _ in walks(places):
        run = [end // 2 for end in walk]
        closed = node[run[-1], 1] == node[run[0], 0]
        points = [Point(*segments[k, :2].tolist()) for k in run]
        if not closed:
            points.append(Point(*segments[run[-1], 2:].tolist()))
        shapes.append(_run_shape(_straightened(points, bool(closed)), bool(closed)))
    return shapes


def _straightened(points: list[Point], closed: bool) -> list[Point]:
    """Without the vertices that triangulation puts in the middle of a straight edge."""
    kept: list[Point] = []
    count = len(points)
    for k, point in enumerate(points):
        if not closed and k in (0, count - 1):
            kept.append(point)
            continue
        before = kept[-1] if kept else points[k - 1]
        along, onward = point - before, points[(k + 1) % count] - point
        size = along.length * onward.length
        if abs(along.cross(onward)) > ROUNDING * size or along.dot(onward) < 0:
            kept.append(point)
    return kept


def _run_shape(points: list[Point], closed: bool) -> Line | Polyline:
    if len(points) == 2:
        return Line(points[0], points[1])
    return Polyline(tuple(points), (0.0,) * len(points), closed)
