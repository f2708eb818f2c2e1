"""Lines and arcs by the thousand: one struct of NumPy arrays, and measures of all of them at once.

Glossary: a *carrier* is the endless line or full circle that a piece lies on; *bulge* is the tangent of a
quarter of the sweep. Pieces with a full turn are never stored: a circle is two half arcs.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import along, cross, dot, norm, vectors

#: mm; an arc that leaves its chord by less is a line.
FLAT_SAGITTA = 1e-10


@dataclass(frozen=True, slots=True)
class CurveArray:
    """n lines and arcs.

    start, end   (n, 2) float, mm
    bulge        (n,) float; 0 for a line
    owner        (n,) int; index of the curve each piece belongs to
    is_arc       (n,) bool
    centre       (n, 2) float; 0 for lines
    radius       (n,) float; 0 for lines
    start_angle  (n,) float, radians; sweep (n,) float, signed; 0 for lines
    """

    start: Floats
    end: Floats
    bulge: Floats
    owner: Ints
    is_arc: Bools
    centre: Floats
    radius: Floats
    start_angle: Floats
    sweep: Floats

    @classmethod
    def from_bulges(cls, start: Floats, end: Floats, bulge: Floats, owner: Ints) -> CurveArray:
        """Pieces from ends (n, 2) and bulges (n,); flat arcs become lines."""
        chord = end - start
        is_arc = np.abs(bulge) * norm(chord) > 2 * FLAT_SAGITTA
        bulge = np.where(is_arc, bulge, 0.0)
        count = len(bulge)
        centre, radius, start_angle, sweep = np.zeros((count, 2)), np.zeros(count), np.zeros(count), np.zeros(count)
        # Most pieces are lines: what only arcs have is worked out for arcs only.
        arcs = np.flatnonzero(is_arc)
        if len(arcs):
            own, across, first = bulge[arcs], chord.take(arcs, axis=0), start.take(arcs, axis=0)
            lift = (1 - own * own) / (4 * own)
            middle = (first + end.take(arcs, axis=0)) / 2
            middle = middle + vectors(-across[:, 1] * lift, across[:, 0] * lift)
            spoke = first - middle
            centre[arcs], radius[arcs] = middle, np.hypot(spoke[:, 0], spoke[:, 1])
            start_angle[arcs], sweep[arcs] = np.arctan2(spoke[:, 1], spoke[:, 0]), 4 * np.arctan(own)
        return cls(start, end, bulge, owner, is_arc, centre, radius, start_angle, sweep)

    @classmethod
    def from_rows(cls, rows: Iterable[tuple[float, float, float, float, float]], owners: Iterable[int]) -> CurveArray:
        """Pieces from rows (x0, y0, x1, y1, bulge)."""
        table = np.array(list(rows), dtype=np.float64).reshape(-1, 5)
        return cls.from_bulges(
            table[:, :2].copy(), table[:, 2:4].copy(), table[:, 4].copy(), np.array(list(owners), dtype=np.int64)
        )

    @classmethod
    def none(cls) -> CurveArray:
        """No pieces at all."""
        return _NONE

    def __len__(self) -> int:
        return len(self.bulge)

    @classmethod
    def joined(cls, parts: Sequence[CurveArray]) -> CurveArray:
        """All pieces of several arrays, one after the other."""
        return cls(*(np.concatenate([getattr(part, name) for part in parts]) for name in cls.__slots__))

    def take(self, index: Ints | Bools) -> CurveArray:
        """The pieces at an index or mask, in that order."""
        rows = index.nonzero()[0] if index.dtype == bool else index
        return CurveArray(
            self.start.take(rows, axis=0),
            self.end.take(rows, axis=0),
            self.bulge.take(rows),
            self.owner.take(rows),
            self.is_arc.take(rows),
            self.centre.take(rows, axis=0),
            self.radius.take(rows),
            self.start_angle.take(rows),
            self.sweep.take(rows),
        )

    def lengths(self) -> Floats:
        """Length of each, (n,) mm."""
        return np.where(self.is_arc, self.radius * np.abs(self.sweep), norm(self.end - self.start))

    def points_at(self, share: Floats) -> Floats:
        """The point of each piece at its share of the length, (n,) to (n, 2); shares outside 0..1 extend it."""
        points = along(self.start, self.end - self.start, share)
        arcs = np.flatnonzero(self.is_arc)
        if len(arcs):
            angle = self.start_angle[arcs] + self.sweep[arcs] * share[arcs]
            spokes = vectors(np.cos(angle), np.sin(angle))
            points[arcs] = along(self.centre.take(arcs, axis=0), spokes, self.radius[arcs])
        return points

    def tangents_at(self, share: Floats) -> Floats:
        """Unit direction of travel of each piece at a share of its length, (n, 2)."""
        chord = self.end - self.start
        size = np.maximum(norm(chord), NOUGHT)
        tangents = vectors(chord[:, 0] / size, chord[:, 1] / size)
        arcs = np.flatnonzero(self.is_arc)
        if len(arcs):
            angle = self.start_angle[arcs] + self.sweep[arcs] * share[arcs]
            sign = np.sign(self.sweep[arcs])
            tangents[arcs] = vectors(-np.sin(angle) * sign, np.cos(angle) * sign)
        return tangents

    def bounds(self) -> Floats:
        """Extents (n, 4): xmin, ymin, xmax, ymax; exact."""
        low, high = np.minimum(self.start, self.end), np.maximum(self.start, self.end)
        arcs = np.flatnonzero(self.is_arc)
        sweep, first = np.abs(self.sweep[arcs]), self.start_angle[arcs]
        first = np.where(self.sweep[arcs] >= 0, first, first + self.sweep[arcs])
        for quarter, (ux, uy) in enumerate(((1, 0), (0, 1), (-1, 0), (0, -1))):
            reached = arcs[(quarter * np.pi / 2 - first) % (2 * np.pi) <= sweep]
            tip = self.centre[reached] + self.radius[reached, None] * np.array([ux, uy])
            low[reached] = np.minimum(low[reached], tip)
            high[reached] = np.maximum(high[reached], tip)
        return np.hstack([low, high])

    def signed_areas(self) -> Floats:
        """Contribution of each to the area of the loops that it bounds (Green's theorem), (n,) mm2; exact."""
        # Taken about the middle: far from the origin the products would swallow the differences.
        middle = self.start.mean(axis=0) if len(self) else np.zeros(2)
        a, b = self.start - middle, self.end - middle
        size = np.abs(self.sweep)
        segment = 0.5 * self.radius**2 * (size - np.sin(size))
        # sin(x) ~ x cancels for shallow arcs; the series is exact to double precision there.
        segment = np.where(size < 1e-3, 0.5 * self.radius**2 * size**3 / 6 * (1 - size**2 / 20), segment)
        return np.asarray(0.5 * cross(a, b) + np.copysign(segment, self.sweep) * self.is_arc)

    def signed_moments(self, origin: Floats) -> Floats:
        """Contribution of each to the first moments, about an origin (2,), of the loops that it bounds, (n, 2) mm3.

        The chord's triangle and the segment beyond it, whose centroid lies 4 r sin^3(a/2) / (3 (a - sin a)) from the
        centre (any handbook of plane areas); divided by the area of the loop it is the centroid.
        """
        a, b = self.start - origin, self.end - origin
        double = cross(a, b)
        size = np.abs(self.sweep)
        middle = self.start_angle + self.sweep / 2
        # Area of the segment times the distance of its centroid from the centre.
        lever = 2 / 3 * self.radius**3 * np.sin(size / 2) ** 3
        shallow = 0.5 * self.radius**2 * size**3 / 6 * (1 - size**2 / 20)
        area = np.where(size < 1e-3, shallow, 0.5 * self.radius**2 * (size - np.sin(size)))
        signed = np.sign(self.sweep)
        from_centre = vectors(np.cos(middle) * lever, np.sin(middle) * lever)
        segment = (from_centre + (self.centre - origin) * area[:, None]) * signed[:, None]
        triangle = (a + b) * (double / 6)[:, None]
        return np.asarray(triangle + np.where(self.is_arc[:, None], segment, 0.0))

    def parameters_of(self, points: Floats) -> Floats:
        """Share of the length at which each piece's carrier comes nearest to its own point, (n, 2) to (n,).

        Shares outside 0..1 lie beyond an end; what is open of an arc's circle is shared evenly between its ends.
        """
        chord = self.end - self.start
        shares = dot(points - self.start, chord) / np.maximum(dot(chord, chord), NOUGHT)
        arcs = np.flatnonzero(self.is_arc)
        if len(arcs):
            spoke = points.take(arcs, axis=0) - self.centre.take(arcs, axis=0)
            sweep, start = self.sweep[arcs], self.start_angle[arcs]
            size = np.abs(sweep)
            turned = ((np.arctan2(spoke[:, 1], spoke[:, 0]) - start) * np.sign(sweep)) % (2 * np.pi)
            shares[arcs] = np.where(turned > np.pi + size / 2, turned - 2 * np.pi, turned) / size
        return shares

    def distances_to(self, points: Floats) -> Floats:
        """Distance of each piece to its own point, (n, 2) to (n,) mm; exact."""
        share = np.clip(self.parameters_of(points), 0.0, 1.0)
        return norm(points - self.points_at(share))


_NONE = CurveArray.from_rows([], [])
