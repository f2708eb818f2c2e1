"""Which bounding boxes touch, for many at once.

Boxes of about one size are sorted into square cells; where sizes differ so much that a cell would hold, or a box would
cover, too many, an STR tree does the same. Cost: n log n for either.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
import shapely

from syntaxa.geometry.ragged import spread
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats, Ints

Pairs = tuple[Ints, Ints]
Bounds = tuple[Floats, Floats, Floats, Floats]

#: Cells that a box may cover, and boxes that one may be compared with, on the average, before the tree is quicker.
_COVERED = 8
_COMPARED = 24

#: Size of a cell, in sizes that this share of the boxes does not exceed.
_ROOM = 1.5
_SHARE = 0.7

#: Cells along one side beyond which their numbers would no longer be exact.
_MOST_CELLS = 2.0**31


class BoxIndex:
    """n boxes (n, 4): xmin, ymin, xmax, ymax, to be asked which of them touch.

    Where some of them go and others come, what is there is kept and what has changed is laid over it.
    """

    def __init__(self, boxes: Floats) -> None:
        self._count = len(boxes)
        # Each lot with the present number of each of its boxes, -1 for what is gone.
        self._layers = [(_Lot(boxes), np.arange(len(boxes)))]

    def pairs(self) -> Pairs:
        """Index pairs i < j whose boxes touch; of boxes that nothing has been laid over."""
        return self._layers[0][0].pairs()

    def around(self, boxes: Floats) -> Pairs:
        """Pairs (row of the boxes (m, 4), own box) that touch."""
        rows, found = [], []
        for lot, number in self._layers:
            row, box = lot.around(boxes)
            box = number[box]
            rows.append(row[box >= 0])
            found.append(box[box >= 0])
        return np.concatenate(rows), np.concatenate(found)

    def near(self, points: Floats, reach: float) -> Pairs:
        """Pairs (row of the points (m, 2), own box) that come as near as the reach (mm), in either direction."""
        return self.around(np.hstack([points - reach, points + reach]))

    def changed(self, number: Ints, new: BoxIndex | None) -> BoxIndex:
        """The boxes renumbered (n,), -1 for those that go, and new ones numbered behind them."""
        laid = object.__new__(BoxIndex)
        laid._layers = [(lot, np.where(old >= 0, number[old], -1)) for lot, old in self._layers]
        laid._count = int((number >= 0).sum())
        if new is not None:
            laid._layers += [(lot, np.where(old >= 0, old + laid._count, -1)) for lot, old in new._layers]
            laid._count += new._count
        return laid


@dataclass(frozen=True, slots=True)
class _Grid:
    """Square cells from a base (mm), so many in a row and in a column; each is named by a number."""

    base: tuple[float, float]
    size: float
    across: int

    def _place(self, values: Floats, axis: int) -> Ints:
        return np.clip((values - self.base[axis]) / self.size, 0, self.across - 1).astype(np.int64)

    def names(self, x: Floats, y: Floats) -> Ints:
        """The cells that points lie in; of what lies outside, the nearest."""
        return np.asarray(self._place(y, 1) * self.across + self._place(x, 0))

    def covered(self, bounds: Bounds, most: int) -> Pairs | None:
        """Pairs (box, cell that it reaches into); None where there are more than the most."""
        left, lower, right, upper = (self._place(b, axis) for b, axis in zip(bounds, (0, 1, 0, 1), strict=True))
        wide = right - left + 1
        count = wide * (upper - lower + 1)
        if float(count.sum(dtype=np.float64)) > most:
            return None
        box = np.repeat(np.arange(len(left)), count)
        up, along = np.divmod(spread(np.zeros_like(count), count), wide[box])
        return box, (lower[box] + up) * self.across + left[box] + along


@dataclass(frozen=True, slots=True)
class _Cells:
    """Cells with the boxes that they hold: those of cell `names[k]` are boxes[first[k]:first[k + 1]]."""

    grid: _Grid
    names: Ints
    first: Ints
    boxes: Ints


class _Lot:
    """Boxes that were put in together."""

    def __init__(self, boxes: Floats) -> None:
        self._low_x, self._low_y, self._high_x, self._high_y = (np.ascontiguousarray(c) for c in boxes.T)

    @cached_property
    def _cells(self) -> _Cells | None:
        """The boxes in cells; None where the tree is to be used."""
        count = len(self._low_x)
        if count < 2:
            return None
        low_x, low_y, high_x, high_y = self._bounds
        base = (float(low_x.min()), float(low_y.min()))
        sizes = np.maximum(high_x - low_x, high_y - low_y)
        size = max(_ROOM * float(np.quantile(sizes, _SHARE)), NOUGHT)
        extent = max(float(high_x.max()) - base[0], float(high_y.max()) - base[1])
        if not extent / size < _MOST_CELLS:
            return None
        grid = _Grid(base, size, int(extent / size) + 1)
        covered = grid.covered(self._bounds, _COVERED * count)
        if covered is None:
            return None
        box, cell = covered
        # In whatever order: what lies in one cell is compared with all the rest of it.
        order = np.argsort(cell)
        cell, box = cell[order], box[order]
        begins = np.flatnonzero(np.concatenate([[True], cell[1:] != cell[:-1]]))
        return _Cells(grid, cell[begins], np.append(begins, len(cell)), box)

    @property
    def _bounds(self) -> Bounds:
        return self._low_x, self._low_y, self._high_x, self._high_y

    @cached_property
    def _tree(self) -> shapely.STRtree:
        return shapely.STRtree(shapely.box(*self._bounds))

    def pairs(self) -> Pairs:
        """Index pairs i < j that touch."""
        cells = self._cells
        if cells is None or (np.diff(cells.first) ** 2).sum() > 2 * _COMPARED * len(self._low_x):
            first, second = self._tree.query(self._tree.geometries)
            ahead = first < second
            return first[ahead], second[ahead]
        sizes = np.diff(cells.first)
        entry = np.arange(len(cells.boxes))
        # Each entry of a cell with those behind it.
        later = np.repeat(cells.first[1:], sizes) - entry - 1
        one, two = np.repeat(entry, later), spread(entry + 1, later)
        i, j = cells.boxes[one], cells.boxes[two]
        touch = self._touching(cells.grid, np.repeat(cells.names, sizes)[one], self._bounds, i, j)
        i, j = i[touch], j[touch]
        return np.minimum(i, j), np.maximum(i, j)

    def around(self, boxes: Floats) -> Pairs:
        """Pairs (row of the boxes, own box) that touch."""
        cells = self._cells
        low_x, low_y, high_x, high_y = (np.ascontiguousarray(c) for c in boxes.T)
        bounds = low_x, low_y, high_x, high_y
        covered = None if cells is None else cells.grid.covered(bounds, _COVERED * (len(boxes) + len(self._low_x)))
        if cells is None or covered is None:
            first, second = self._tree.query(shapely.box(*bounds))
            return first, second
        row, cell = covered
        at = np.minimum(np.searchsorted(cells.names, cell), len(cells.names) - 1)
        there = np.flatnonzero(cells.names[at] == cell)
        row, cell, at = row[there], cell[there], at[there]
        sizes = np.diff(cells.first)[at]
        own = cells.boxes[spread(cells.first[at], sizes)]
        row, cell = np.repeat(row, sizes), np.repeat(cell, sizes)
        touch = self._touching(cells.grid, cell, bounds, row, own)
        return row[touch], own[touch]

    def _touching(self, grid: _Grid, cell: Ints, bounds: Bounds, row: Ints, own: Ints) -> Ints:
        """Index of the pairs (row of the bounds, own box) that touch, found in a cell each.

        A pair that shares several cells counts in one: the one in which the lower left of what both cover lies.
        """
        low_x, low_y, high_x, high_y = bounds
        left, lower = np.maximum(low_x[row], self._low_x[own]), np.maximum(low_y[row], self._low_y[own])
        touch = left <= np.minimum(high_x[row], self._high_x[own])
        touch &= lower <= np.minimum(high_y[row], self._high_y[own])
        which = np.flatnonzero(touch)
        told = grid.names(left[which], lower[which]) == cell[which]
        return np.asarray(which[told])
