"""Down in passes: equal depths, ramps along a contour, helices."""

from __future__ import annotations

import math

import numpy as np

from syntaxa.cut.paths.along import Along
from syntaxa.geometry.types import Floats

#: Share of a pass by which rounding may make one pass more of it.
_ROUNDED = 1e-9


def passes(top: float, bottom: float, most: float, last: float = 0.0) -> list[float]:
    """Heights of the passes, equal and none deeper than `most` (mm; 0 for one), the last one of `last` mm if wanted.

    A beam knows no depth: it goes once.
    """
    total = top - bottom
    if total <= 0:
        return [bottom]
    rough = total - min(last, total)
    count = max(1, math.ceil(rough / most - _ROUNDED)) if most > 0 else 1
    found = [top - rough * (k + 1) / count for k in range(count)] if rough > 0 else []
    if found and not last:
        found[-1] = bottom
    return [*found, bottom] if last and rough < total else found


def ramp(along: Along, start: float, top: float, bottom: float, angle: float) -> tuple[Floats, float]:
    """Down along a closed run at an angle (radians), as many rounds as it takes: (rows (n, 4), where it ends, mm
    along).
    """
    run = (top - bottom) / math.tan(angle)
    flat = along.between(start, start + run)
    lengths = np.concatenate([[0.0], np.cumsum(Along(flat, False).lengths)])
    z = top - (top - bottom) * lengths / lengths[-1]
    z[-1] = bottom
    return np.column_stack([flat[:, :2], z, flat[:, 2]]), (start + run) % along.total


def helix(x: float, y: float, radius: float, begin: float, top: float, bottom: float, pitch: float) -> Floats:
    """Down in half turns, counter-clockwise, from an angle (radians) on, and one level turn: rows (n, 4)."""
    halves = max(1, math.ceil(2 * (top - bottom) / pitch - _ROUNDED))
    rows = []
    for k in range(halves + 3):
        angle = begin + math.pi * k
        z = max(top - (top - bottom) * k / halves, bottom) if k < halves else bottom
        rows.append([x + radius * math.cos(angle), y + radius * math.sin(angle), z, 1.0])
    rows[-1][3] = 0.0
    return np.array(rows)
