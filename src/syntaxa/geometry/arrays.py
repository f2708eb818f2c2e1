"""Lines and arcs by the thousand: one struct of NumPy arrays, and measures of all of them at once.

Glossary: a *carrier* is the endless line or full circle that a piece lies on; *bulge* is the tangent of a
quarter of the sweep. Pieces with a full turn are never stored: a circle is two half arcs.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa import heart
from syntaxa.geometry.types import Bools, Floats, Ints

#: mm; an arc that leaves its chord by less is a line.
FLAT_SAGITTA: float = heart.FLAT_SAGITTA


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
        return cls(*heart.from_bulges(start, end, bulge, owner))

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
        return heart.lengths(self)

    def points_at(self, share: Floats) -> Floats:
        """The point of each piece at its share of the length, (n,) to (n, 2); shares outside 0..1 extend it."""
        return heart.points_at(self, share)

    def tangents_at(self, share: Floats) -> Floats:
        """Unit direction of travel of each piece at a share of its length, (n, 2)."""
        return heart.tangents_at(self, share)

    def bounds(self) -> Floats:
        """Extents (n, 4): xmin, ymin, xmax, ymax; exact."""
        return heart.bounds(self)

    def signed_areas(self) -> Floats:
        """Contribution of each to the area of the loops that it bounds (Green's theorem), (n,) mm2; exact."""
        return heart.signed_areas(self)

    def signed_moments(self, origin: Floats) -> Floats:
        """Contribution of each to the first moments, about an origin (2,), of the loops that it bounds, (n, 2) mm3.

        The chord's triangle and the segment beyond it, whose centroid lies 4 r sin^3(a/2) / (3 (a - sin a)) from the
        centre (any handbook of plane areas); divided by the area of the loop it is the centroid.
        """
        return heart.signed_moments(self, origin)

    def parameters_of(self, points: Floats) -> Floats:
        """Share of the length at which each piece's carrier comes nearest to its own point, (n, 2) to (n,).

        Shares outside 0..1 lie beyond an end; what is open of an arc's circle is shared evenly between its ends.
        """
        return heart.shares_of(self, points)

    def distances_to(self, points: Floats) -> Floats:
        """Distance of each piece to its own point, (n, 2) to (n,) mm; exact."""
        return heart.distances_to(self, points)


_NONE = CurveArray.from_rows([], [])
