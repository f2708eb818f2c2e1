"""Blanks of lines as they lie: closed ones begun anywhere, open ones from either end, to and fro."""

from __future__ import annotations

import numpy as np

from syntaxa.cut.doing import ABOVE, Doing
from syntaxa.cut.paths.along import Along
from syntaxa.cut.paths.blanks import Blank
from syntaxa.cut.paths.leads import starts_of
from syntaxa.cut.paths.model import Run, Stretch, at_height
from syntaxa.geometry.rows import reversed_rows
from syntaxa.geometry.types import Floats

#: Places at which a closed line may be begun.
_PLACES = 8


def closed_blank(doing: Doing, key: str, contour: str, number: int, rows: Floats, levels: list[float]) -> Blank:
    """A closed line at some heights."""
    along = Along(rows if doing.direction == "climb" else reversed_rows(rows), True)
    starts = starts_of(along)[:_PLACES]
    places = np.array([along.place(s) for s in starts])

    def make(place: int) -> list[Run]:
        start = starts[place]
        flat = along.between(start, start + along.total + doing.overcut)
        return [Run(contour, number, tuple(_down_and_along(doing, flat, levels, True)), feed=doing.feed)]

    return Blank(key, contour, number, places, places, make)


def open_blank(doing: Doing, key: str, contour: str, number: int, rows: Floats, levels: list[float]) -> Blank:
    """An open line at some heights, from either end."""
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
