"""Holes: drilled where a circle says so, or bored with a mill that goes round."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence

import numpy as np

from syntaxa.cut.contours import Contours
from syntaxa.cut.doing import ABOVE, Doing
from syntaxa.cut.paths.blanks import Blank, Blanks
from syntaxa.cut.paths.depths import helix
from syntaxa.cut.paths.model import Drilled, Run, Stretch
from syntaxa.geometry.types import Floats

#: mm by which a drill may be unlike the circle that it drills without being told.
_LIKE = 0.01

#: Places at which a bore may be begun.
_PLACES = 8


def drilled_blanks(doing: Doing, contours: Contours, wanted: Sequence[int]) -> Blanks:
    """A blank for each circle: straight down in its middle; through holes by the drill's tip deeper."""
    out = Blanks()
    tip = doing.tool.radius / math.tan(math.radians(doing.tool.angle) / 2) if doing.tool.kind == "drill" else 0.0
    bottom = doing.bottom - (tip if doing.through else 0.0)
    unlike = 0
    for n, k in enumerate(wanted):
        contour = contours.contours[k]
        if contour.circle is None:
            continue
        x, y, radius = contour.circle
        unlike += abs(radius - doing.radius) > _LIKE
        place = np.array([[x, y]])
        hole = Drilled(x, y, doing.top, bottom, doing.peck, doing.dwell)
        run = Run(contour.key, k, drilled=hole, feed=doing.plunge)
        out.found.append(Blank(f"{doing.operation.name}/{contour.key}/{n}", contour.key, k, place, place, _always(run)))
    if unlike:
        circles = "circle is" if unlike == 1 else "circles are"
        out.told.append(f"{doing.operation.name}: {unlike} {circles} not of the size of {doing.tool}.")
    return out


def _always(run: Run) -> Callable[[int], list[Run]]:
    return lambda _place: [run]


def bored_blanks(doing: Doing, contours: Contours, wanted: Sequence[int]) -> Blanks:
    """A blank for each circle that is wider than the tool: down in a helix along its wall, and once round at the
    bottom.

    Of a hole wider than two tools a core would stand: it is cleared from the middle by rings, each a helix of its own.
    """
    out = Blanks()
    small = 0
    for n, k in enumerate(wanted):
        contour = contours.contours[k]
        if contour.circle is None:
            continue
        x, y, radius = contour.circle
        wall = radius - doing.radius - doing.allowance
        if wall <= 0:
            small += 1
            continue
        angles = 2 * np.pi * np.arange(_PLACES) / _PLACES
        rings = _rings(wall, doing.step_over * doing.radius, doing.radius)
        places = np.column_stack([x + wall * np.cos(angles), y + wall * np.sin(angles)])
        key = f"{doing.operation.name}/{contour.key}/{n}"
        make = _maker(doing, contour.key, k, (x, y), rings, angles)
        out.found.append(Blank(key, contour.key, k, places, places, make))
    if small:
        holes = "hole is" if small == 1 else "holes are"
        out.told.append(f"{doing.operation.name}: {small} {holes} too small for {doing.tool}.")
    return out


def _rings(wall: float, step: float, radius: float) -> list[float]:
    """Radii of the rings (mm), inner ones first, the last at the wall; the first leaves nothing standing in its
    middle.
    """
    most = min(step, radius)
    count = max(1, math.ceil((wall - radius) / most - 1e-9) + 1) if wall > radius else 1
    return np.linspace(min(wall, radius), wall, count).tolist() if count > 1 else [wall]


def _maker(
    doing: Doing, contour: str, number: int, middle: tuple[float, float], rings: list[float], angles: Floats
) -> Callable[[int], list[Run]]:
    def make(place: int) -> list[Run]:
        begin = float(angles[place])
        out: list[Stretch] = []
        for radius in rings:
            pitch = 2 * math.pi * radius * math.tan(doing.entry_angle)
            most = doing.step_down or (doing.top - doing.bottom)
            spiral = helix(*middle, radius, begin, doing.top + ABOVE, doing.bottom, min(pitch, most))
            if out:
                before = out[-1].rows[-1]
                high = doing.top + ABOVE
                way = [[*before[:2], before[2], 0.0], [*before[:2], high, 0.0], [*spiral[0, :2], high, 0.0]]
                out.append(Stretch("link", np.array(way), doing.feed))
            if doing.direction == "conventional":
                spiral = _mirrored(spiral)
            out.append(Stretch("ramp", spiral, doing.feed))
        return [Run(contour, number, tuple(out), feed=doing.feed)]

    return make


def _mirrored(rows: Floats) -> Floats:
    """The same helix turning the other way: half turns have the same ends either way."""
    turned = rows.copy()
    turned[:, 3] = -turned[:, 3]
    return turned
