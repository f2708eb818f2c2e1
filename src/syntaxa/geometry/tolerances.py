"""The one object that holds every tolerance; passed explicitly, never a module's own."""

from __future__ import annotations

from dataclasses import dataclass


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
