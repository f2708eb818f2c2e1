"""Where a program stands at a time: which move, how far along it, and which line of the text."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.bench.clock import times_of
from syntaxa.cut.bench.moves import Move, Place
from syntaxa.cut.library import Motion


@dataclass(frozen=True, slots=True)
class Standing:
    """The number of the move that is being done, the share of it that is done, and the place of the tool's tip (mm)."""

    move: int
    share: float
    place: Place


class Timeline:
    """The moves of a program against time (s)."""

    def __init__(self, moves: Sequence[Move], motion: Motion) -> None:
        self.moves = moves
        seconds = times_of(moves, motion) if len(moves) else np.zeros(0)
        self._ends = np.cumsum(seconds)

    @property
    def total(self) -> float:
        """Seconds of all of it."""
        return float(self._ends[-1]) if len(self._ends) else 0.0

    def at(self, seconds: float) -> Standing:
        """What is being done at a time; the last move stays at its end."""
        if not self.moves:
            return Standing(-1, 0.0, (0.0, 0.0, 0.0))
        k = min(int(np.searchsorted(self._ends, seconds, side="right")), len(self.moves) - 1)
        begin = float(self._ends[k - 1]) if k else 0.0
        took = float(self._ends[k]) - begin
        share = min(max((seconds - begin) / took, 0.0), 1.0) if took > 0 else 1.0
        return Standing(k, share, self.moves[k].at(share))

    def end_of(self, move: int) -> float:
        """When a move is done (s)."""
        return float(self._ends[min(move, len(self._ends) - 1)]) if len(self._ends) else 0.0

    def first_of_line(self, line: int) -> int:
        """The first move of a line of the program or of one behind it."""
        return next((k for k, m in enumerate(self.moves) if m.line >= line), max(len(self.moves) - 1, 0))
