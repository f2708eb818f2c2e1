"""The one object that holds every tolerance, passed explicitly; and the few numbers that stand for rounding alone."""

from __future__ import annotations

from dataclasses import dataclass

#: Keeps a division from being one by nought; no length or area that means anything is so small.
NOUGHT = 1e-300

#: What rounding leaves between two places (mm), or between two parameters or angles, that are one.
ROUNDING = 1e-9

#: The same where hardly anything was computed: shares, bulges and turns that were handed on.
HAIR = 1e-12


@dataclass(frozen=True, slots=True)
class Tolerances:
    """All tolerances of a job.

    gap    mm, largest distance between two ends that are taken to belong together
    fit    mm, largest deviation of an arc run from the ellipse or spline that it stands for
    angle  radians, directions closer than this are one direction
    speck  mm, a piece up to this long that links nothing is dirt
    merge  mm, positions closer than this are one position
    """

    gap: float = 0.05
    fit: float = 0.001
    angle: float = 1e-6
    speck: float = 0.05
    merge: float = 1e-6
