"""What a program should make, in the program's own axes: where the tool may go, and what it must reach."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from syntaxa.cut.model import KeepOut
from syntaxa.geometry.types import Box, Floats


@dataclass(frozen=True, slots=True, eq=False)
class Room:
    """Where a tool may cut down to a floor (mm): what loops hold, or all that lies outside of them.

    cone  only tools with a conical tip may: what a chamfer takes off the edge
    """

    loops: tuple[Floats, ...]
    floor: float
    outside: bool = False
    cone: bool = False


WantedKind = Literal["side", "area", "line", "hole"]


@dataclass(frozen=True, slots=True, eq=False)
class Wanted:
    """What must be reached at a floor (mm).

    side   the outline `rows`, closed, from outside the part; area  all that `loops` hold
    line   the rows themselves, by the tool's middle; hole  the circle, likewise
    tabs   places (x, y), how far round them something may be left standing (mm), and up to which height it must be
    """

    kind: WantedKind
    name: str
    rows: Floats
    floor: float
    closed: bool = True
    loops: tuple[Floats, ...] = ()
    tabs: tuple[tuple[float, float, float, float], ...] = ()
    allowance: float = 0.0


@dataclass(frozen=True, slots=True, eq=False)
class Target:
    """Rooms and what is wanted; nothing is known of the operations that it came of.

    top, bottom  of the stock (mm); box  of it, None where nobody knows
    """

    rooms: tuple[Room, ...] = ()
    wanted: tuple[Wanted, ...] = ()
    top: float = 0.0
    bottom: float = 0.0
    box: Box | None = None
    keep_out: tuple[KeepOut, ...] = ()
    parts: tuple[tuple[Floats, ...], ...] = ()
