"""A map of heights seen at a slant: for each pixel which cell is seen there, and whether its top or its side.

The eye looks along lines, far away and above, so uprights stay upright. Rows of the map are laid out from the near
one to the far one, a pixel apart on the picture; each column keeps how far up it is covered already, and what rises
above that is seen. What is cut through is not there.

Cost: the pixels of the picture.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.bench.heights import HeightMap
from syntaxa.geometry.types import Bools, Box, Floats, Ints

#: What is seen of a cell.
NOTHING, TOP, SIDE = 0, 1, 2

#: mm over the bottom of the stock below which a cell is cut through.
_THROUGH = 1e-6


@dataclass(frozen=True, slots=True)
class Slant:
    """From where a stock is seen: turned about the upright (radians), the eye so high over the ground (radians), pixels
    a mm, the size of the picture in pixels, and by how many of them its middle is shifted to the right and up.
    """

    turn: float
    rise: float
    scale: float
    width: int
    height: int
    right: float = 0.0
    up: float = 0.0

    def pixel(self, x: float, y: float, z: float, box: Box, bottom: float) -> tuple[float, float]:
        """Where a place (mm) is seen: pixels from the left and from above."""
        cos, sin = math.cos(self.turn), math.sin(self.turn)
        dx, dy = x - (box[0] + box[2]) / 2, y - (box[1] + box[3]) / 2
        along, away = cos * dx + sin * dy, -sin * dx + cos * dy
        up = away * math.sin(self.rise) + (z - bottom) * math.cos(self.rise)
        return (
            self.width / 2 + self.right + along * self.scale,
            self.height / 2 - self.up - up * self.scale,
        )


def fitting(stock: HeightMap, turn: float, rise: float, width: int, height: int, share: float = 0.85) -> Slant:
    """The slant at which all of a stock is just seen."""
    across, along = stock.box[2] - stock.box[0], stock.box[3] - stock.box[1]
    cos, sin = abs(math.cos(turn)), abs(math.sin(turn))
    wide = across * cos + along * sin
    high = (across * sin + along * cos) * math.sin(rise) + (stock.top - stock.bottom) * math.cos(rise)
    return Slant(turn, rise, share * min(width / max(wide, 1e-6), height / max(high, 1e-6)), width, height)


class Laid:
    """The cells that lie under each pixel of the ground, for one slant: kept while the stock is cut."""

    def __init__(self, stock: HeightMap, slant: Slant) -> None:
        self.slant = slant
        rows, columns = stock.heights.shape
        # What stands on the ground below the picture may still rise into it.
        rising = math.ceil((stock.top - stock.bottom) * math.cos(slant.rise) * slant.scale)
        up = np.arange(-rising, slant.height) - slant.height / 2 - slant.up
        along = (np.arange(slant.width) + 0.5 - slant.width / 2 - slant.right) / slant.scale
        away = (up / (slant.scale * math.sin(slant.rise)))[:, None]
        cos, sin = math.cos(slant.turn), math.sin(slant.turn)
        x = (along * cos - away * sin + (stock.box[2] - stock.box[0]) / 2) / stock.cell
        y = (along * sin + away * cos + (stock.box[3] - stock.box[1]) / 2) / stock.cell
        inside = (x >= 0) & (x < columns) & (y >= 0) & (y < rows)
        self.cells: Ints = np.where(inside, y.astype(np.int64) * columns + x.astype(np.int64), -1)
        self.rising = rising


def relief(stock: HeightMap, laid: Laid, kept: Bools | None = None) -> tuple[Ints, Ints]:
    """(number of the cell that is seen in each pixel, -1 for none; NOTHING, TOP or SIDE): rows from above.

    kept  cells of the stock that are looked at; all where it is None
    """
    heights = stock.heights.ravel()
    there = heights > stock.bottom + _THROUGH
    if kept is not None:
        there = there & kept.ravel()
    tall: Floats = (heights - stock.bottom).astype(float) * (math.cos(laid.slant.rise) * laid.slant.scale)
    height, width = laid.slant.height, laid.slant.width
    cell = np.full((height, width), -1, dtype=np.int64)
    face = np.zeros((height, width), dtype=np.int64)
    covered = np.zeros(width, dtype=np.int64)
    for k, of in enumerate(laid.cells):
        seen = (of >= 0) & there[of]
        if seen.any():
            _row(k - laid.rising, of, seen, tall, covered, cell, face)
    return cell[::-1], face[::-1]


def _row(base: int, of: Ints, seen: Bools, tall: Floats, covered: Ints, cell: Ints, face: Ints) -> None:
    """One row of cells: what rises over what is covered."""
    limit = len(cell)
    columns = np.flatnonzero(seen)
    cells = of[columns]
    top = np.clip(base + np.floor(tall[cells]).astype(np.int64), -1, limit - 1)
    low = np.maximum(covered[columns], max(base, 0))
    count = np.maximum(top + 1 - low, 0)
    higher = count > 1
    if higher.any():
        repeats = count[higher] - 1
        at = np.repeat(columns[higher], repeats)
        begun = np.repeat(np.cumsum(repeats) - repeats, repeats)
        rows = np.repeat(low[higher], repeats) + np.arange(len(at)) - begun
        cell[rows, at] = np.repeat(cells[higher], repeats)
        face[rows, at] = SIDE
    some = count > 0
    cell[top[some], columns[some]] = cells[some]
    face[top[some], columns[some]] = TOP
    covered[columns] = np.maximum(covered[columns], top + 1)
