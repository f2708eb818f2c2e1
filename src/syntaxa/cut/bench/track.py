"""The moves of a program as arrays: lines and arcs seen from above, their heights, and which move each is of."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.bench.moves import Move
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats, Ints


@dataclass(frozen=True, slots=True, eq=False)
class Track:
    """n pieces of at most half a turn.

    move, line   (n,) number of the move, and the line of the program
    low, high    (n,) the lower and the higher of the heights at its ends (mm); length  (n,) in space (mm)
    cuts, on     (n,) whether it goes at a feed, and whether the spindle or beam is on
    tool         (n,) number of the tool
    """

    pieces: CurveArray
    move: Ints
    line: Ints
    low: Floats
    high: Floats
    cuts: Bools
    on: Bools
    tool: Ints

    @classmethod
    def of(cls, moves: Sequence[Move], first: int = 0) -> Track:
        """All moves that go somewhere, from one on."""
        rows: list[tuple[float, float, float, float, float]] = []
        owner: list[int] = []
        heights: list[tuple[float, float]] = []
        for k, move in enumerate(moves):
            if k < first or move.kind not in ("rapid", "feed"):
                continue
            for row, z in _parts(move):
                rows.append(row)
                owner.append(k)
                heights.append(z)
        pieces = CurveArray.from_rows(rows, owner)
        number = np.array(owner, dtype=np.int64)
        levels = np.array(heights).reshape(-1, 2)
        return cls(
            pieces, number, np.array([moves[k].line for k in owner], dtype=np.int64),
            levels.min(axis=1), levels.max(axis=1),
            np.array([moves[k].cuts for k in owner], dtype=bool), np.array([moves[k].on for k in owner], dtype=bool),
            np.array([moves[k].tool for k in owner], dtype=np.int64),
        )  # fmt: skip

    def __len__(self) -> int:
        return len(self.move)

    def take(self, index: Ints) -> Track:
        """The pieces at an index."""
        return Track(self.pieces.take(index), *(getattr(self, name)[index] for name in self.__slots__[1:]))


def _parts(move: Move) -> list[tuple[tuple[float, float, float, float, float], tuple[float, float]]]:
    """Rows (x0, y0, x1, y1, bulge) and heights of a move: arcs in parts of at most half a turn."""
    (x0, y0, z0), (x1, y1, z1) = move.start, move.end
    if move.centre is None:
        return [((x0, y0, x1, y1, 0.0), (z0, z1))]
    cx, cy = move.centre
    count = max(1, math.ceil(abs(move.sweep) / math.pi - 1e-9))
    first, radius = math.atan2(y0 - cy, x0 - cx), math.hypot(x0 - cx, y0 - cy)
    bulge = math.tan(move.sweep / count / 4)
    out, px, py = [], x0, y0
    for n in range(1, count + 1):
        angle = first + move.sweep * n / count
        qx, qy = (x1, y1) if n == count else (cx + radius * math.cos(angle), cy + radius * math.sin(angle))
        span = (z0 + (z1 - z0) * (n - 1) / count, z0 + (z1 - z0) * n / count)
        out.append(((px, py, qx, qy, bulge), span))
        px, py = qx, qy
    return out
