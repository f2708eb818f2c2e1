"""How far lines and arcs lie from each other: least distances, and how far one strays from another; exact.

Cost: linear in the pairs.
"""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex
from syntaxa.geometry.tolerances import HAIR, NOUGHT
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import along, cross, dot, norm, vectors


def least_distances(a: CurveArray, b: CurveArray) -> Floats:
    """Least distance of each piece of a to the same piece of b, (n,) mm; 0 where they meet.

    It is reached at an end of either, where they cross, or, with an arc, where the line to its centre (of two arcs, the
    line of centres) goes through both.
    """
    best = np.minimum.reduce(
        [b.distances_to(a.start), b.distances_to(a.end), a.distances_to(b.start), a.distances_to(b.end)]
    )
    lines = np.flatnonzero(~a.is_arc & ~b.is_arc)
    best[lines[_lines_cross(a.take(lines), b.take(lines))]] = 0.0
    for one, other in ((a, b), (b, a)):
        k = np.flatnonzero(~one.is_arc & other.is_arc)
        if len(k):
            best[k] = np.minimum(best[k], _line_and_arc(one.take(k), other.take(k)))
    k = np.flatnonzero(a.is_arc & b.is_arc)
    if len(k):
        best[k] = np.minimum(best[k], _arc_and_arc(a.take(k), b.take(k)))
    return np.asarray(best)


def _within(pieces: CurveArray, points: Floats) -> Bools:
    """Whether points on the carriers lie within the pieces, (n,)."""
    share = pieces.parameters_of(points)
    return np.asarray((share >= -HAIR) & (share <= 1 + HAIR))


def _lines_cross(a: CurveArray, b: CurveArray) -> Bools:
    path, other, between = a.end - a.start, b.end - b.start, b.start - a.start
    product = cross(path, other)
    safe = np.where(product == 0, 1.0, product)
    s, t = cross(between, other) / safe, cross(between, path) / safe
    return np.asarray((product != 0) & (s >= 0) & (s <= 1) & (t >= 0) & (t <= 1))


def _line_and_arc(line: CurveArray, arc: CurveArray) -> Floats:
    share = np.clip(line.parameters_of(arc.centre), 0.0, 1.0)
    foot = line.points_at(share)
    spoke = foot - arc.centre
    away = norm(spoke)
    rim = along(arc.centre, spoke, arc.radius / np.maximum(away, NOUGHT))
    found = np.where(_within(arc, rim), np.abs(away - arc.radius), np.inf)
    path = line.end - line.start
    unit = path / np.maximum(norm(path), NOUGHT)[:, None]
    # The foot on the endless line, for chords that only begin within the circle.
    base = along(line.start, unit, dot(arc.centre - line.start, unit))
    square = arc.radius**2 - dot(base - arc.centre, base - arc.centre)
    for sign in (-1.0, 1.0):
        place = along(base, unit, sign * np.sqrt(np.maximum(square, 0.0)))
        # A line without a length has no chord.
        meets = (square >= 0) & (norm(path) > 0) & _within(line, place) & _within(arc, place)
        found = np.where(meets, 0.0, found)
    return found


def _arc_and_arc(a: CurveArray, b: CurveArray) -> Floats:
    between = b.centre - a.centre
    apart = norm(between)
    unit = between / np.maximum(apart, NOUGHT)[:, None]
    found = np.full(len(a), np.inf)
    for s in (-1.0, 1.0):
        for t in (-1.0, 1.0):
            p, q = along(a.centre, unit, s * a.radius), along(b.centre, unit, t * b.radius)
            fine = (apart > HAIR) & _within(a, p) & _within(b, q)
            found = np.where(fine, np.minimum(found, norm(p - q)), found)
    ahead = (apart**2 + a.radius**2 - b.radius**2) / np.where(apart > HAIR, 2 * apart, 1.0)
    square = a.radius**2 - ahead**2
    base, normal = along(a.centre, unit, ahead), vectors(-unit[:, 1], unit[:, 0])
    for sign in (-1.0, 1.0):
        place = along(base, normal, sign * np.sqrt(np.maximum(square, 0.0)))
        fine = (square >= 0) & (apart > HAIR) & _within(a, place) & _within(b, place)
        found = np.where(fine, 0.0, found)
    return found


def nearest_within(pieces: CurveArray, others: CurveArray, reach: float) -> tuple[Floats, Ints]:
    """(least distance of each piece to all others, (n,) mm, which of them), inf and -1 where none is within the
    reach.
    """
    boxes = pieces.bounds() + np.array([-reach, -reach, reach, reach])
    row, other = BoxIndex(others.bounds()).around(boxes)
    apart = least_distances(pieces.take(row), others.take(other))
    best, which = np.full(len(pieces), np.inf), np.full(len(pieces), -1, dtype=np.int64)
    # The nearest is written last.
    order = np.argsort(-apart, kind="stable")
    best[row[order]], which[row[order]] = apart[order], other[order]
    beyond = best > reach
    best[beyond], which[beyond] = np.inf, -1
    return best, which
