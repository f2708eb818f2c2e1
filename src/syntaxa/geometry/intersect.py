"""Where lines and arcs meet, for many pairs at once.

Cost: n log n for the candidate pairs (their bounding boxes in cells), then linear in the candidates.
Tangency within the tolerance counts as one contact at the foot of the shortest distance.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex
from syntaxa.geometry.tolerances import HAIR, NOUGHT
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import along, cross, dot, norm


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

    def renumbered(self, number: Ints) -> Contacts:
        """The contacts of the pieces that stay, by their new numbers (n,), -1 for those that go."""
        first, second = number[self.first], number[self.second]
        stay = np.flatnonzero((first >= 0) & (second >= 0))
        left = self.take(stay)
        return Contacts(first[stay], second[stay], left.points, left.end, left.first_parameter, left.second_parameter)

    @classmethod
    def joined(cls, parts: Sequence[Contacts]) -> Contacts:
        """All contacts of several lots."""
        return cls(*(np.concatenate([getattr(part, name) for part in parts]) for name in cls.__slots__))


def boxes_of(curves: CurveArray, margin: float) -> BoxIndex:
    """The bounding boxes of pieces, grown by half a margin (mm) on every side."""
    half = margin / 2
    return BoxIndex(curves.bounds() + np.array([-half, -half, half, half]))


def candidate_pairs(curves: CurveArray, margin: float) -> tuple[Ints, Ints]:
    """Index pairs i < j whose bounding boxes, grown by the margin (mm), touch."""
    return boxes_of(curves, margin).pairs()


def contacts(curves: CurveArray, tolerance: float, pairs: tuple[Ints, Ints] | None = None) -> Contacts:
    """All places where two pieces meet within the tolerance (mm), except along shared carriers.

    pairs   the candidates, where they are known; a crossing at an end of either piece is told as that end's contact
    """
    if not len(curves):
        empty, none = np.empty(0, dtype=np.int64), np.empty(0)
        return Contacts(empty, empty, np.empty((0, 2)), empty, none, none)
    i, j = candidate_pairs(curves, tolerance) if pairs is None else pairs
    parts = [
        _crossings(curves, i, j, tolerance),
        *_ends_on(curves, i, j, tolerance),
        *_ends_on(curves, j, i, tolerance),
    ]
    return Contacts.joined(parts)


def carrier_crossings(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> tuple[Floats, Floats]:
    """The at most two points where the carriers of i and j meet, each (m, 2), nan where they do not."""
    first, second = np.full((len(i), 2), np.nan), np.full((len(i), 2), np.nan)
    arc_i, arc_j = curves.is_arc[i], curves.is_arc[j]
    both_lines, both_arcs = ~arc_i & ~arc_j, arc_i & arc_j
    first[both_lines] = _line_line(curves, i[both_lines], j[both_lines])
    first[both_arcs], second[both_arcs] = _arc_arc(curves, i[both_arcs], j[both_arcs], tolerance)
    for mask, line, arc in ((~arc_i & arc_j, i, j), (arc_i & ~arc_j, j, i)):
        first[mask], second[mask] = _line_arc(curves, line[mask], arc[mask], tolerance)
    return first, second


def _crossings(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> Contacts:
    slack = tolerance / np.maximum(curves.lengths(), NOUGHT)
    parts = []
    for places in carrier_crossings(curves, i, j, tolerance):
        met = np.flatnonzero(~np.isnan(places[:, 0]))
        points = places.take(met, axis=0)
        share, more = curves.take(i[met]).parameters_of(points), slack[i[met]]
        inside = np.flatnonzero((share >= -more) & (share <= 1 + more))
        met, share, points = met[inside], share[inside], points.take(inside, axis=0)
        other, more = curves.take(j[met]).parameters_of(points), slack[j[met]]
        inside = np.flatnonzero((other >= -more) & (other <= 1 + more))
        met, share, other, points = met[inside], share[inside], other[inside], points.take(inside, axis=0)
        through = np.ones(len(met), dtype=bool)
        for index in (i[met], j[met]):
            for ends in (curves.start, curves.end):
                through &= norm(ends.take(index, axis=0) - points) > 0.5 * tolerance
        met, share, other, points = met[through], share[through], other[through], points[through]
        parts.append((i[met], j[met], points, np.full(len(met), -1), np.clip(share, 0, 1), np.clip(other, 0, 1)))
    return Contacts(*(np.concatenate(columns) for columns in zip(*parts, strict=True)))


def _ends_on(curves: CurveArray, of: Ints, on: Ints, tolerance: float) -> list[Contacts]:
    """Ends of pieces `of` that lie on pieces `on`; the contact is the end itself."""
    target = curves.take(on)
    found = []
    for which, ends in enumerate((curves.start, curves.end)):
        points = ends.take(of, axis=0)
        share = np.clip(target.parameters_of(points), 0.0, 1.0)
        touch = np.flatnonzero(norm(points - target.points_at(share)) <= tolerance)
        at_end = np.full(len(touch), which)
        found.append(
            Contacts(of[touch], on[touch], points.take(touch, axis=0), at_end, at_end.astype(np.float64), share[touch])
        )
    return found


def _line_line(curves: CurveArray, i: Ints, j: Ints) -> Floats:
    start, end = curves.start, curves.end
    first = start.take(i, axis=0)
    path = end.take(i, axis=0) - first
    other = end.take(j, axis=0) - start.take(j, axis=0)
    product = cross(path, other)
    parallel = np.abs(product) <= HAIR * norm(path) * norm(other)
    share = cross(start.take(j, axis=0) - first, other) / np.where(parallel, np.nan, product)
    return along(first, path, share)


def _roots(square: Floats, touching: Bools) -> Floats:
    """Half chord from its square; 0 where the carriers only touch, nan where they miss."""
    return np.where(touching, 0.0, np.sqrt(np.where(square >= 0, square, np.nan)))


def _line_arc(curves: CurveArray, line: Ints, arc: Ints, tolerance: float) -> tuple[Floats, Floats]:
    start = curves.start.take(line, axis=0)
    path = curves.end.take(line, axis=0) - start
    unit = path / np.maximum(norm(path), NOUGHT)[:, None]
    to_centre = curves.centre.take(arc, axis=0) - start
    foot = along(start, unit, dot(to_centre, unit))
    height, radius = np.abs(cross(unit, to_centre)), curves.radius[arc]
    half = _roots(radius**2 - height**2, np.abs(height - radius) <= tolerance)[:, None]
    second = foot + unit * half
    second[half[:, 0] == 0] = np.nan
    return foot - unit * half, second


def _arc_arc(curves: CurveArray, i: Ints, j: Ints, tolerance: float) -> tuple[Floats, Floats]:
    between = curves.centre[j] - curves.centre[i]
    distance = norm(between)
    r, s = curves.radius[i], curves.radius[j]
    concentric = distance <= np.minimum(tolerance, 1e-3 * np.minimum(r, s))
    distance = np.where(concentric, np.nan, distance)
    unit = between / distance[:, None]
    ahead = (distance**2 + r**2 - s**2) / (2 * distance)
    touching = (np.abs(distance - (r + s)) <= tolerance) | (np.abs(distance - np.abs(r - s)) <= tolerance)
    half = _roots(r**2 - ahead**2, touching)[:, None]
    ahead = np.where(touching, np.copysign(r, ahead), ahead)
    foot = curves.centre[i] + unit * ahead[:, None]
    normal = np.column_stack([-unit[:, 1], unit[:, 0]])
    second = foot + normal * half
    second[half[:, 0] == 0] = np.nan
    return foot - normal * half, second
