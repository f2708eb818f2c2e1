"""What a tool does, before it is written: runs of stretches, each between two rapids."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Floats

#: What a stretch is for. A tab is cut higher, or by a beam not at all; a hop goes at full depth between cuts.
What = Literal["plunge", "ramp", "lead", "cut", "tab", "link", "out"]


@dataclass(frozen=True, slots=True, eq=False)
class Stretch:
    """Rows (x, y, z, bulge), (n, 4) mm, that the tool's tip follows at a feed (mm/min); a helix where z changes on
    arcs.
    """

    what: What
    rows: Floats
    feed: float

    @property
    def pieces(self) -> CurveArray:
        """Its lines and arcs as seen from above."""
        r = self.rows
        return CurveArray.from_bulges(r[:-1, :2], r[1:, :2], r[:-1, 3], np.zeros(len(r) - 1, dtype=np.int64))

    @property
    def length(self) -> float:
        """Length in space (mm)."""
        return float(np.hypot(self.pieces.lengths(), np.diff(self.rows[:, 2])).sum())


@dataclass(frozen=True, slots=True, eq=False)
class Drilled:
    """A hole that is drilled: place (mm), top and bottom of the hole (mm), peck (0 for none), dwell (s)."""

    x: float
    y: float
    top: float
    bottom: float
    peck: float
    dwell: float


@dataclass(frozen=True, slots=True, eq=False)
class Run:
    """What is done between two rapids: stretches end to end, or a hole.

    contour  key of what it is along; number  of the contour in the drawing, -1 where it is of several
    """

    contour: str
    number: int
    stretches: tuple[Stretch, ...] = ()
    drilled: Drilled | None = None
    feed: float = 0.0

    @property
    def start(self) -> tuple[float, float, float]:
        """Where it begins (mm)."""
        if self.drilled is not None:
            return self.drilled.x, self.drilled.y, self.drilled.top
        x, y, z = self.stretches[0].rows[0, :3].tolist()
        return x, y, z

    @property
    def end(self) -> tuple[float, float, float]:
        """Where it stops (mm)."""
        if self.drilled is not None:
            return self.drilled.x, self.drilled.y, self.drilled.top
        x, y, z = self.stretches[-1].rows[-1, :3].tolist()
        return x, y, z

    @property
    def length(self) -> float:
        """mm along which it cuts, plunges and leads included."""
        if self.drilled is not None:
            return self.drilled.top - self.drilled.bottom
        return sum(s.length for s in self.stretches)


def joined(rows: Sequence[Floats]) -> Floats:
    """Runs of rows that follow each other as one; a row that repeats the place before it is left out."""
    parts = [rows[0]]
    for more in rows[1:]:
        before = parts[-1]
        same = np.abs(before[-1, :-1] - more[0, :-1]).max() == 0
        parts[-1] = before[:-1] if same else before
        parts.append(more)
    return np.vstack([p for p in parts if len(p)])


def at_height(rows: Floats, z: float) -> Floats:
    """Rows (x, y, bulge) at a height, (n, 4)."""
    return np.column_stack([rows[:, :2], np.full(len(rows), z), rows[:, 2]])
