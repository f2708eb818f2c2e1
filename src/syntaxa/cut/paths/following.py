"""Along the line itself: engraving, scoring, marking; and chamfers along an edge."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from syntaxa.cut.contours import Contours
from syntaxa.cut.doing import ABOVE, Doing
from syntaxa.cut.offsets.chains import Chains, reversed_rows
from syntaxa.cut.offsets.offsetting import offset
from syntaxa.cut.paths.along import Along
from syntaxa.cut.paths.blanks import Blank, Blanks
from syntaxa.cut.paths.depths import passes
from syntaxa.cut.paths.leads import starts_of
from syntaxa.cut.paths.model import Run, Stretch, at_height
from syntaxa.cut.paths.outlines import side_loops
from syntaxa.errors import CutError
from syntaxa.geometry.types import Floats

#: mm by which the tip of a chamfer mill goes deeper than the chamfer, so that its edge is not cut by the very tip.
_DEEPER = 0.2

#: Places at which a closed line may be begun.
_PLACES = 8


def followed_blanks(doing: Doing, contours: Contours, wanted: Sequence[int]) -> Blanks:
    """A blank for each line or contour, as it lies."""
    out = Blanks()
    levels = passes(doing.top, doing.bottom, doing.step_down, doing.finish_down)
    for n, k in enumerate(wanted):
        contour = contours.contours[k]
        key = f"{doing.operation.name}/{contour.key}/{n}"
        if contour.closed:
            out.found.append(_closed(doing, key, contour.key, k, contour.rows, levels))
        else:
            out.found.append(_open(doing, key, contour.key, k, contour.rows, levels))
    return out


def _closed(doing: Doing, key: str, contour: str, number: int, rows: Floats, levels: list[float]) -> Blank:
    along = Along(rows if doing.direction == "climb" else reversed_rows(rows), True)
    starts = starts_of(along)[:_PLACES]
    places = np.array([along.place(s) for s in starts])

    def make(place: int) -> list[Run]:
        start = starts[place]
        flat = along.between(start, start + along.total + doing.overcut)
        return [Run(contour, number, tuple(_down_and_along(doing, flat, levels, True)), feed=doing.feed)]

    return Blank(key, contour, number, places, places, make)


def _open(doing: Doing, key: str, contour: str, number: int, rows: Floats, levels: list[float]) -> Blank:
    ways = (rows, reversed_rows(rows, closed=False))
    begin = np.array([w[0, :2] for w in ways])
    # To and fro: with an even number of passes it ends where it begins.
    end = begin if len(levels) % 2 == 0 else begin[::-1]

    def make(place: int) -> list[Run]:
        return [Run(contour, number, tuple(_down_and_along(doing, ways[place], levels, False)), feed=doing.feed)]

    return Blank(key, contour, number, begin, end, make)


def _down_and_along(doing: Doing, flat: Floats, levels: list[float], closed: bool) -> list[Stretch]:
    """Down, along, and on down where it stands; an open line is gone to and fro."""
    out: list[Stretch] = []
    above = doing.top + ABOVE
    for n, z in enumerate(levels):
        rows = flat if closed or n % 2 == 0 else reversed_rows(flat, closed=False)
        x, y = rows[0, :2].tolist()
        if closed and n:
            # What is cut beyond the start is gone back over what is cut already.
            ex, ey = flat[-1, :2].tolist()
            if (ex, ey) != (x, y):
                high = above
                back = [[ex, ey, levels[n - 1], 0.0], [ex, ey, high, 0.0], [x, y, high, 0.0]]
                out.append(Stretch("link", np.array(back), doing.feed))
            else:
                above = levels[n - 1]
        if not doing.tool.is_flat:
            out.append(Stretch("plunge", np.array([[x, y, above, 0.0], [x, y, z, 0.0]]), doing.plunge))
        out.append(Stretch("cut", at_height(rows, z), doing.feed))
        above = z
    return out


def chamfer_blanks(doing: Doing, contours: Contours, wanted: Sequence[int]) -> Blanks:
    """A blank for each edge: a cone beside it, its flank at the chamfer's angle and its tip a little below.

    The cone's flank meets the stock's top `width` inside the edge: at a depth of (width + clear) / tan(half angle), the
    middle lies `clear` outside of it.
    """
    out = Blanks()
    half = math.radians(doing.tool.angle) / 2
    depth = doing.width / math.tan(half) + _DEEPER
    clear = _DEEPER * math.tan(half)
    if doing.width <= 0 or doing.width + clear > doing.tool.radius:
        raise CutError(
            f"{doing.operation.name}: {doing.tool} cannot make a chamfer of {doing.width:g} mm.",
            suggestion="Take a larger cone, or a smaller chamfer.",
        )
    closed = [k for k in wanted if contours.contours[k].closed]
    loops, groups, numbers = side_loops(contours, closed, [contours.contours[k].bounds == "hole" for k in closed])
    found = offset(Chains.of(loops, groups), clear)
    z = doing.top - depth
    for n, (rows, source) in enumerate(zip(found.loops, found.sources, strict=True)):
        k = numbers[source]
        if k >= 0:
            contour = contours.contours[k]
            key = f"{doing.operation.name}/{contour.key}/{n}"
            out.found.append(_closed(doing, key, contour.key, k, rows, [z]))
    return out
