"""The stock as a map of heights, for pictures: what a program has taken away by some move.

It is for looking, not for judging: a cell is as wide as it is. A flat tool takes all that lies within its radius down
to its tip, a cone or a ball as much as its shape says; a beam takes everything.

Cost: the cells under each piece of the path.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from itertools import pairwise

import numpy as np

from syntaxa.cut.bench.moves import Move
from syntaxa.cut.model import Tool
from syntaxa.geometry.types import Box, Floats
from syntaxa.watching import still_wanted

#: Cells that a map has at the most, and the least width of one (mm).
_MOST, _LEAST = 600_000, 0.05

#: mm that an arc may leave its chords, in cells.
_SAGITTA = 0.25


class HeightMap:
    """Cells of a size (mm) over a box; heights (rows from below, columns from the left) in mm, the top of the stock
    first.

    bottom  of the stock (mm)
    """

    def __init__(self, box: Box, top: float, bottom: float) -> None:
        width, height = box[2] - box[0], box[3] - box[1]
        self.box, self.top, self.bottom = box, top, bottom
        self.cell = max(math.sqrt(width * height / _MOST), _LEAST)
        shape = (max(1, math.ceil(height / self.cell)), max(1, math.ceil(width / self.cell)))
        self.heights = np.full(shape, top, dtype=np.float32)

    def copy(self) -> HeightMap:
        """The same map, to be cut on its own."""
        made = HeightMap(self.box, self.top, self.bottom)
        made.heights = self.heights.copy()
        return made

    def cut(self, moves: Sequence[Move], tools: Mapping[int, Tool], flat: bool) -> None:
        """Takes away what moves cut; whether the machine knows no depth."""
        one = next(iter(tools.values()), None)
        for n, move in enumerate(moves):
            if n % 200 == 0:
                still_wanted()
            tool = tools.get(move.tool) or one
            if move.cuts and tool is not None and (move.on or not flat):
                self._move(move, tool, flat)

    def _move(self, move: Move, tool: Tool, flat: bool) -> None:
        radius = max(tool.radius, self.cell / 2)
        count = 1
        if move.centre is not None:
            around = math.hypot(move.start[0] - move.centre[0], move.start[1] - move.centre[1])
            most = 2 * math.acos(max(1 - _SAGITTA * self.cell / around, -1.0)) if around > 0 else math.pi
            count = max(1, math.ceil(abs(move.sweep) / most))
        places = [move.at(k / count) for k in range(count + 1)]
        for a, b in pairwise(places):
            self._piece(a, b, tool, radius, flat)

    def _piece(
        self, a: tuple[float, float, float], b: tuple[float, float, float], tool: Tool, radius: float, flat: bool
    ) -> None:
        # Long pieces are cut up, so that a slanting one does not take its whole box along.
        span = max(abs(b[0] - a[0]), abs(b[1] - a[1]))
        parts = max(1, math.ceil(span / (8 * radius))) if a[0] != b[0] and a[1] != b[1] else 1
        for k in range(parts):
            p, q = (tuple(x + (y - x) * s / parts for x, y in zip(a, b, strict=True)) for s in (k, k + 1))
            self._stamp(p, q, tool, radius, flat)

    def _stamp(self, p: tuple[float, ...], q: tuple[float, ...], tool: Tool, radius: float, flat: bool) -> None:
        columns = self._range(min(p[0], q[0]) - radius, max(p[0], q[0]) + radius, self.box[0], self.heights.shape[1])
        rows = self._range(min(p[1], q[1]) - radius, max(p[1], q[1]) + radius, self.box[1], self.heights.shape[0])
        if columns.start >= columns.stop or rows.start >= rows.stop:
            return
        x = self.box[0] + (np.arange(columns.start, columns.stop) + 0.5) * self.cell - p[0]
        y = (self.box[1] + (np.arange(rows.start, rows.stop) + 0.5) * self.cell - p[1])[:, None]
        dx, dy = q[0] - p[0], q[1] - p[1]
        square = dx * dx + dy * dy
        share = np.clip((x * dx + y * dy) / square, 0.0, 1.0) if square > 0 else np.zeros((len(y), len(x)))
        away = np.hypot(x - share * dx, y - share * dy)
        tip = self.bottom if flat else np.minimum(p[2], q[2]) if square == 0 else p[2] + (q[2] - p[2]) * share
        part = self.heights[rows, columns]
        np.copyto(part, np.minimum(part, tip + _rise(tool, away)), where=away <= radius, casting="same_kind")

    def _range(self, low: float, high: float, base: float, count: int) -> slice:
        begin, end = math.floor((low - base) / self.cell), math.ceil((high - base) / self.cell) + 1
        return slice(min(max(begin, 0), count), min(max(end, 0), count))

    @property
    def removed(self) -> float:
        """Volume that was taken away (mm3), as far as cells tell."""
        return float((self.top - np.maximum(self.heights, self.bottom)).sum()) * self.cell**2


def _rise(tool: Tool, away: Floats) -> Floats:
    """How much higher than its tip a tool cuts at distances from its middle (mm)."""
    if tool.kind in ("cone", "drill") and tool.angle:
        return np.asarray(away / math.tan(math.radians(tool.angle) / 2))
    corner = tool.radius if tool.kind == "ball mill" else tool.corner_radius
    if not corner:
        return np.zeros_like(away)
    beyond = np.clip(away - (tool.radius - corner), 0.0, corner)
    return np.asarray(corner - np.sqrt(corner * corner - beyond * beyond))
