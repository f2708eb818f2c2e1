"""Arcs on the grid of a program's numbers: a centre from which both written ends lie equally far."""

from __future__ import annotations

import math
from dataclasses import dataclass

from syntaxa.cut.library import Machine
from syntaxa.errors import CutError

#: Grid places to every side of the true centre that are tried.
_AROUND = 2


@dataclass(frozen=True, slots=True)
class Centre:
    """Centre (i, j) relative to the start in grid steps of `step`, and how unlike far the ends are, in the file's
    unit.
    """

    i: float
    j: float
    mismatch: float


def centre_on_grid(
    start: tuple[float, float], end: tuple[float, float], wanted: tuple[float, float], step: float
) -> Centre:
    """The grid place about a wanted centre (relative to the start) that is best for both ends; all in the file's unit.

    Ends were rounded first, so nothing adds up. Of places that are equally good the one nearest to the true centre.
    """
    dx, dy = end[0] - start[0], end[1] - start[1]
    first, second = round(wanted[0] / step), round(wanted[1] / step)
    best: tuple[tuple[float, float], Centre] | None = None
    for a in range(first - _AROUND, first + _AROUND + 1):
        for b in range(second - _AROUND, second + _AROUND + 1):
            x, y = a * step, b * step
            miss = abs(math.hypot(x, y) - math.hypot(dx - x, dy - y))
            off = math.hypot(x - wanted[0], y - wanted[1])
            key = (miss + 0.25 * off, off)
            if best is None or key < best[0]:
                best = key, Centre(x, y, miss)
    if best is None:
        raise CutError("An arc has no centre.")
    return best[1]


def parts_of(sweep: float, machine: Machine) -> int:
    """In how many lines an arc goes out."""
    return max(1, math.ceil(abs(sweep) / math.radians(machine.arcs.most) - 1e-9))


def chords_of(radius: float, sweep: float, off: float) -> int:
    """How many chords leave an arc by no more than a length."""
    if off >= radius:
        return max(1, math.ceil(abs(sweep) / math.pi))
    return max(1, math.ceil(abs(sweep) / (2 * math.acos(1 - off / radius))))
