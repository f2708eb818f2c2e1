"""What a program does, move by move."""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import Literal

Place = tuple[float, float, float]

MoveKind = Literal["rapid", "feed", "dwell", "change", "stop"]


@dataclass(frozen=True, slots=True)
class Move:
    """One move in mm and in the program's own axes; an arc or a turn of a helix has a centre (x, y) and a sweep
    (radians).

    feed    mm/min; on  whether the spindle turns or the beam is on; seconds  of a dwell
    beside  mm, by how much the tool's middle is kept to the left of the way, less than 0 to the right
    """

    line: int
    kind: MoveKind
    start: Place
    end: Place
    centre: tuple[float, float] | None = None
    sweep: float = 0.0
    feed: float = 0.0
    tool: int = 0
    on: bool = False
    speed: float = 0.0
    seconds: float = 0.0
    beside: float = 0.0

    @property
    def length(self) -> float:
        """Length in space (mm)."""
        if self.centre is None:
            return math.dist(self.start, self.end)
        around = abs(self.sweep) * math.hypot(self.start[0] - self.centre[0], self.start[1] - self.centre[1])
        return math.hypot(around, self.end[2] - self.start[2])

    @property
    def cuts(self) -> bool:
        """Whether it goes at a feed."""
        return self.kind == "feed"

    def at(self, share: float) -> Place:
        """The place a share of the way along it."""
        (x0, y0, z0), (x1, y1, z1) = self.start, self.end
        z = z0 + (z1 - z0) * share
        if self.centre is None:
            return x0 + (x1 - x0) * share, y0 + (y1 - y0) * share, z
        cx, cy = self.centre
        angle = math.atan2(y0 - cy, x0 - cx) + self.sweep * share
        radius = math.hypot(x0 - cx, y0 - cy)
        return cx + radius * math.cos(angle), cy + radius * math.sin(angle), z


#: What is wrong with a line: it cannot be played as it is.
ProblemKind = Literal["syntax", "arc", "feed", "value", "call", "cycle", "limit", "beside"]


@dataclass(frozen=True, slots=True)
class Problem:
    """A line that could not be played as it stands, where the tool was then, and why."""

    line: int
    kind: ProblemKind
    says: str
    place: Place = (0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class Played:
    """A program as it was read.

    blocks         lines that did something
    not_understood (line, word) that mean nothing here
    unit           "mm" or "in" where the program says so, else ""
    placed         number of moves after which it is known where the tool is; what comes before begins nobody knows
                   where
    mismatch       mm, the most that the ends of an arc are unlike far from its centre
    ended          whether the program says that it ends
    """

    moves: tuple[Move, ...] = ()
    problems: tuple[Problem, ...] = ()
    not_understood: tuple[tuple[int, str], ...] = ()
    lines: int = 0
    blocks: int = 0
    unit: str = ""
    distance: str = ""
    mismatch: float = 0.0
    placed: int = 0
    ended: bool = False
    text: tuple[str, ...] = field(default=(), repr=False)
