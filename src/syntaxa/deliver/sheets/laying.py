"""Where views go on a sheet: in rows and columns round the front view, the rest behind; and at which scale."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from syntaxa.define.spans import Straightly
from syntaxa.deliver.sheets.contents import Content
from syntaxa.deliver.sheets.dimensioning import FIRST, ROW
from syntaxa.deliver.sheets.model import Method, SheetView
from syntaxa.deliver.sheets.papers import fitting_scale, scale_of
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box

#: mm between views and from the frame, under a view for what it is called, and for the words of round dimensions.
_APART, _TITLE, _LEADER = 14.0, 9.0, 16.0

#: Sine of the turn by which a dimension may miss the level.
_FLAT = 1e-6

#: Column and row of each view of a body in the third angle: what is seen from the right stands on the right.
_THIRD: Mapping[str, tuple[int, int]] = {
    "front": (0, 0), "right": (1, 0), "left": (-1, 0), "top": (0, 1), "bottom": (0, -1), "back": (2, 0),
    "isometric": (1, 1),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Laid:
    """A view with its scale and where the middle of its box is (mm of paper)."""

    view: SheetView
    content: Content
    scale: float
    place: Point

    @property
    def box(self) -> Box:
        """Its box on paper (mm), without dimensions."""
        w, h = (self.scale * s / 2 for s in _size(self.content))
        return self.place.x - w, self.place.y - h, self.place.x + w, self.place.y + h

    @property
    def onto_paper(self) -> Transform:
        """From what it shows (mm of the thing) to the sheet (mm of paper)."""
        box = self.content.box
        middle = Vector((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)
        there = Transform.moving(-middle).then(Transform.scaling(self.scale))
        return there.then(Transform.moving(Vector(self.place.x, self.place.y)))


def laid_out(
    views: Sequence[tuple[SheetView, Content]], room: Box, block: Box | None, scale: float | None, method: Method
) -> tuple[float, list[Laid]]:
    """(the scale of the sheet, each view with its place); those with a place of their own stay there."""
    free = [(v, c) for v, c in views if v.place is None]
    cells = _cells([v for v, _ in free], method)
    rooms = _rooms(room, block)
    best: tuple[float, Box] = (0.0, rooms[0])
    for one in rooms:
        most = _most(free, cells, one)
        best = (most, one) if most > best[0] else best
    if scale is None:
        own = [min((room[2] - room[0]) / max(_size(c)[0], 1e-9), (room[3] - room[1]) / max(_size(c)[1], 1e-9))
               for v, c in views if v.place is not None]  # fmt: skip
        scale = fitting_scale(best[0] if free else min(own, default=1.0))
    found = dict(_placed(free, cells, best[1], scale))
    out = []
    for k, (view, content) in enumerate(views):
        own_scale = scale_of(view.scale) or scale
        place = Point(*view.place) if view.place is not None else found[views[k][0]]
        out.append(Laid(view, content, own_scale, place))
    return scale, out


def _size(content: Content) -> tuple[float, float]:
    box = content.box
    return box[2] - box[0], box[3] - box[1]


def _cells(views: Sequence[SheetView], method: Method) -> list[tuple[int, int]]:
    """Column and row of each view; none has that of another."""
    taken: set[tuple[int, int]] = set()
    cells = []
    for view in views:
        column, row = _THIRD.get(view.shows, (0, 0))
        if method == "first":
            # What is seen from the right stands on the left; the slanting view keeps to the right.
            column, row = (-column if view.shows in ("right", "left") else column), -row
        if view.shows not in _THIRD and taken:
            column, row = max(c for c, _ in taken) + 1, 0
        while (column, row) in taken:
            column += 1
        taken.add((column, row))
        cells.append((column, row))
    return cells


def _rooms(room: Box, block: Box | None) -> list[Box]:
    """Rooms beside the title block: above all of it, and left of it."""
    if block is None:
        return [room]
    left = (room[0], room[1], block[0], room[3])
    above = (room[0], block[3], room[2], room[3])
    return [above, left] if block[0] - room[0] > _APART else [above]


def _around(content: Content) -> tuple[float, float]:
    """mm of paper at the sides of a view, and above and below it, for its dimensions: rows on both sides in turn."""
    spans = [d.span for d in content.dimensions]
    straight = [s for s in spans if isinstance(s, Straightly)]
    level = sum(abs(math.sin(s.way)) < _FLAT for s in straight)
    upright = sum(abs(math.cos(s.way)) < _FLAT for s in straight)
    least = _LEADER if len(spans) > level + upright else 0.0
    across, up = (max(FIRST + math.ceil(n / 2) * ROW if n else 0.0, least) for n in (upright, level))
    return across, up


def _grid(
    views: Sequence[tuple[SheetView, Content]], cells: Sequence[tuple[int, int]], scale: float
) -> tuple[dict[int, float], dict[int, float]]:
    """Widths of columns and heights of rows (mm of paper)."""
    wide: dict[int, float] = {}
    high: dict[int, float] = {}
    for (view, content), (column, row) in zip(views, cells, strict=True):
        own = scale_of(view.scale) or scale
        w, h = _size(content)
        across, up = _around(content)
        wide[column] = max(wide.get(column, 0.0), own * w + 2 * across)
        high[row] = max(high.get(row, 0.0), own * h + 2 * up + _TITLE)
    return wide, high


def _most(views: Sequence[tuple[SheetView, Content]], cells: Sequence[tuple[int, int]], room: Box) -> float:
    """The largest scale at which everything has room, by halving."""
    if not views:
        return 0.0

    def fits(scale: float) -> bool:
        wide, high = _grid(views, cells, scale)
        across = sum(wide.values()) + _APART * (len(wide) + 1)
        up = sum(high.values()) + _APART * (len(high) + 1)
        return across <= room[2] - room[0] and up <= room[3] - room[1]

    low, high = 1e-7, 1e4
    if not fits(low):
        return 0.0
    for _ in range(80):
        middle = (low * high) ** 0.5
        low, high = (middle, high) if fits(middle) else (low, middle)
    return low


def _placed(
    views: Sequence[tuple[SheetView, Content]], cells: Sequence[tuple[int, int]], room: Box, scale: float
) -> list[tuple[SheetView, Point]]:
    """The middle of each cell, the whole in the middle of the room."""
    wide, high = _grid(views, cells, scale)
    across, up = (sum(sides.values()) + _APART * (len(sides) - 1) for sides in (wide, high))
    x, columns = (room[0] + room[2] - across) / 2, {}
    for column in sorted(wide):
        columns[column] = x + wide[column] / 2
        x += wide[column] + _APART
    y, rows = (room[1] + room[3] - up) / 2, {}
    for row in sorted(high):
        rows[row] = y + (high[row] + _TITLE) / 2
        y += high[row] + _APART
    return [(view, Point(columns[c], rows[r])) for (view, _), (c, r) in zip(views, cells, strict=True)]
