"""What is offset: loops and open chains of lines and arcs, many at once, each in a group of its own.

A *loop* is a closed run of rows (x, y, bulge) with the region on its left: outer contours run counter-clockwise, holes
clockwise. What belongs to one *group* keeps clear of all that is in it and knows nothing of the others.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.rows import ends_of_rows, pieces_of_rows
from syntaxa.geometry.types import Floats, Ints


@dataclass(frozen=True, slots=True)
class Chains:
    """n pieces; `following` (n,) is the piece after each, -1 at an open end; `group` (n,) that each belongs to."""

    pieces: CurveArray
    following: Ints
    group: Ints

    @classmethod
    def of(cls, runs: Sequence[Floats], groups: Sequence[int] | None = None, closed: bool = True) -> Chains:
        """Runs of rows, all of them closed or all of them open; pieces without a length are left out."""
        parts, following, group = [], [], []
        base = 0
        for k, rows in enumerate(runs):
            start, end = ends_of_rows(rows, closed)
            real = np.flatnonzero((start[:, :2] != end[:, :2]).any(axis=1))
            count = len(real)
            if not count:
                continue
            owner = np.full(count, k, dtype=np.int64)
            parts.append((start[real, :2], end[real, :2], start[real, 2], owner))
            onward = base + (np.arange(count) + 1) % count
            if not closed:
                onward[-1] = -1
            following.append(onward)
            group.append(np.full(count, 0 if groups is None else groups[k], dtype=np.int64))
            base += count
        if not parts:
            nothing = np.zeros(0, dtype=np.int64)
            return cls(CurveArray.none(), nothing, nothing)
        columns = (np.concatenate(column) for column in zip(*parts, strict=True))
        return cls(CurveArray.from_bulges(*columns), np.concatenate(following), np.concatenate(group))

    def __len__(self) -> int:
        return len(self.following)

    def moved(self, by: Floats) -> Chains:
        """The same moved by a vector (2,) mm."""
        c = self.pieces
        return Chains(CurveArray.from_bulges(c.start + by, c.end + by, c.bulge, c.owner), self.following, self.group)


def closed_by_first(rows: Floats) -> Floats:
    """A closed run as an open one that comes back to where it began."""
    return np.vstack([rows, [*rows[0, :2], 0.0]])


def area_of(rows: Floats) -> float:
    """Signed area of a closed run (mm2): exact, positive where it runs counter-clockwise."""
    return float(pieces_of_rows(rows, True).signed_areas().sum())


def length_of(rows: Floats, closed: bool) -> float:
    """Length of a run (mm)."""
    return float(pieces_of_rows(rows, closed).lengths().sum())
