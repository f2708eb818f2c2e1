"""Parts and copies of them on sheets, by true shape: turned, a gap apart, with the grain, or in a grid.

Glossary: a *mask* is a part as cells, each that it touches once it was grown by half the gap; a sheet is cells as
well. Where a mask may lie without touching anything is one correlation (by FFT); of these places the one farthest to
the left is taken, and of those the lowest. Whatever the cells say, parts never come nearer than the gap: masks are
grown, not rounded.

Cost: for each copy, turn and sheet n log n in the cells of a sheet.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import partial
from typing import Any

import numpy as np
import numpy.typing as npt

from syntaxa.cut.model import Turning, Way
from syntaxa.cut.offsets.chains import area_of
from syntaxa.cut.offsets.offsetting import offset_region
from syntaxa.errors import CutError
from syntaxa.geometry.inside import cells_inside
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.types import Bools, Floats
from syntaxa.watching import still_wanted

#: Cells of a sheet along its longer side, sheets and copies at the most.
_CELLS, _MOST_SHEETS, _MOST_COPIES = 500, 200, 5000

#: What a sheet or a mask comes to in waves, (rows, half of the columns and one).
Spectrum = npt.NDArray[np.complexfloating[Any, Any]]

#: mm; a gap that is none.
_NO_GAP = 1e-6

_TURNS: dict[Turning, tuple[float, ...]] = {
    "none": (0.0,),
    "half": (0.0, math.pi),
    "quarters": (0.0, math.pi / 2, math.pi, 3 * math.pi / 2),
    "eighths": tuple(k * math.pi / 4 for k in range(8)),
}


@dataclass(frozen=True, slots=True, eq=False)
class Laid:
    """Where a copy of a part lies: the number of its sheet, how far it was turned about the origin, then moved (mm)."""

    part: int
    sheet: int
    turn: float
    x: float
    y: float


def nested(
    outlines: Sequence[Floats], copies: Sequence[int], sheet: tuple[float, float], gap: float, margin: float,
    turning: Turning = "quarters", way: Way = "shape",
) -> list[Laid]:  # fmt: skip
    """Where all copies of all outlines lie, the largest first; raises CutError where one does not fit on a sheet."""
    wanted = [
        k for k in sorted(range(len(outlines)), key=lambda k: -abs(area_of(outlines[k]))) for _ in range(copies[k])
    ]
    if len(wanted) > _MOST_COPIES:
        raise CutError(f"{len(wanted)} parts are too many to be nested at once.", suggestion="Take fewer copies.")
    width, height = sheet[0] - 2 * margin, sheet[1] - 2 * margin
    if width <= 0 or height <= 0:
        raise CutError("The sheet has no room inside its margin.", suggestion="Take a larger sheet.")
    cell = max(max(sheet) / _CELLS, 1e-3)
    # Half a gap goes beyond the sheet's inner edge: only between parts all of it is wanted.
    shape = (int((height + gap) / cell), int((width + gap) / cell))
    work = _Nesting(outlines, cell, gap, _TURNS[turning], way, shape, margin)
    return [work.placed(k) for k in wanted]


def waste(outlines: Sequence[float], laid: Sequence[Laid], sheet: tuple[float, float]) -> float:
    """Share of all sheets that is not part of anything; outlines are areas (mm2)."""
    sheets = 1 + max((one.sheet for one in laid), default=-1)
    return 1 - sum(outlines[one.part] for one in laid) / (sheets * sheet[0] * sheet[1]) if sheets else 0.0


class _Nesting:
    def __init__(
        self, outlines: Sequence[Floats], cell: float, gap: float, turns: Sequence[float], way: Way, shape: tuple[int,
        int], margin: float,
    ) -> None:  # fmt: skip
        self._outlines, self._cell, self._gap, self._turns, self._way = outlines, cell, gap, turns, way
        self._shape, self._margin = shape, margin
        self._masks: dict[tuple[int, int], tuple[Bools, Floats]] = {}
        self._sheets: list[_Sheet] = []
        #: Spectra of the masks of one part, by its turns: copies of a part come one after the other.
        self._spectra: tuple[int, dict[int, Spectrum]] = (-1, {})

    def placed(self, part: int) -> Laid:
        """The next copy of a part, on the first sheet that has room."""
        still_wanted()
        for number in range(_MOST_SHEETS):
            if number == len(self._sheets):
                self._sheets.append(_Sheet(self._shape))
            best: tuple[tuple[int, int], int] | None = None
            for turn in range(len(self._turns)):
                mask, _ = self._mask(part, turn)
                at = self._sheets[number].first_free(mask, partial(self._spectrum, part, turn))
                if at is not None and (best is None or (at[1] + mask.shape[1], at[0]) < best[0]):
                    best, where = ((at[1] + mask.shape[1], at[0]), turn), at
            if best is not None:
                return self._laid(part, number, best[1], where)
            if self._sheets[number].is_empty:
                raise CutError(
                    "A part is larger than the sheet.", suggestion="Take a larger sheet, or let it be turned."
                )
        raise CutError(f"More than {_MOST_SHEETS} sheets would be needed.", suggestion="Take fewer copies.")

    def _laid(self, part: int, sheet: int, turn: int, at: tuple[int, int]) -> Laid:
        mask, corner = self._mask(part, turn)
        rows, columns = at
        self._sheets[sheet].take(mask, rows, columns)
        inner = self._margin - self._gap / 2
        x, y = inner + columns * self._cell - corner[0], inner + rows * self._cell - corner[1]
        return Laid(part, sheet, self._turns[turn], float(x), float(y))

    def _mask(self, part: int, turn: int) -> tuple[Bools, Floats]:
        """Cells that a turned part touches, and its lower left corner (mm) once it was grown by half the gap."""
        key = part, turn
        if key not in self._masks:
            rows = _turned(self._outlines[part], self._turns[turn])
            grown = offset_region([rows], -self._gap / 2).loops if self._gap > _NO_GAP else [rows]
            self._masks[key] = _cells(grown, self._cell, self._way)
        return self._masks[key]

    def _spectrum(self, part: int, turn: int) -> Spectrum:
        if self._spectra[0] != part:
            self._spectra = part, {}
        own = self._spectra[1]
        if turn not in own:
            own[turn] = np.conj(_spectrum_of(self._mask(part, turn)[0], self._shape))
        return own[turn]


class _Sheet:
    """Which cells of a sheet are taken, and their spectrum, kept until another part is laid."""

    def __init__(self, shape: tuple[int, int]) -> None:
        self._cells = np.zeros(shape, dtype=np.float32)
        self._spectrum: Spectrum | None = None
        self.is_empty = True

    def take(self, mask: Bools, row: int, column: int) -> None:
        """Lays a part."""
        self._cells[row : row + mask.shape[0], column : column + mask.shape[1]] += mask
        self._spectrum, self.is_empty = None, False

    def first_free(self, mask: Bools, spectrum: Callable[[], Spectrum]) -> tuple[int, int] | None:
        """Row and column at which a mask touches nothing: the leftmost, and of those the lowest; None where there is
        none. The spectrum is the conjugate of the mask's: their product is how many cells are touched, everywhere.
        """
        (height, width), shape = mask.shape, self._cells.shape
        if height > shape[0] or width > shape[1]:
            return None
        if self.is_empty:
            return 0, 0
        # Wanted by few.
        from scipy import fft

        if self._spectrum is None:
            self._spectrum = _spectrum_of(self._cells, shape)
        touched = fft.irfft2(self._spectrum * spectrum(), _fast(shape))
        # What would reach beyond the sheet comes round to its other side, and is left out.
        free = touched[: shape[0] - height + 1, : shape[1] - width + 1] < 0.5
        columns = np.flatnonzero(free.any(axis=0))
        if not len(columns):
            return None
        column = int(columns[0])
        return int(np.flatnonzero(free[:, column])[0]), column


def _fast(shape: tuple[int, int]) -> tuple[int, int]:
    """Sizes at least as large of which spectra are quickly made."""
    from scipy import fft

    return fft.next_fast_len(shape[0]), fft.next_fast_len(shape[1], real=True)


def _spectrum_of(cells: npt.NDArray[Any], shape: tuple[int, int]) -> Spectrum:
    """Of cells in the lower left corner of a sheet of a shape."""
    from scipy import fft

    found: Spectrum = fft.rfft2(cells.astype(np.float32), _fast(shape))
    return found


def _turned(rows: Floats, angle: float) -> Floats:
    out = rows.copy()
    c, s = math.cos(angle), math.sin(angle)
    out[:, 0], out[:, 1] = c * rows[:, 0] - s * rows[:, 1], s * rows[:, 0] + c * rows[:, 1]
    return out


def _cells(loops: Sequence[Floats], cell: float, way: Way) -> tuple[Bools, Floats]:
    """Which cells from the lower left corner on some outlines touch: those whose middle lies within a cell's reach."""
    # Grown by half a cell's diagonal, a middle inside means that the cell may be touched; no cell that is can be
    # missed.
    wide = offset_region(loops, -cell * math.sqrt(0.5)).loops
    bounds = np.vstack([pieces_of_rows(rows, True).bounds() for rows in loops])
    low, high = bounds[:, :2].min(axis=0), bounds[:, 2:].max(axis=0)
    columns, rows = (max(1, math.ceil(s / cell)) for s in (high - low).tolist())
    if way == "grid":
        return np.ones((rows, columns), dtype=bool), low
    outer = max(wide, key=area_of)
    return cells_inside(pieces_of_rows(outer, True), low, cell, (rows, columns)), low
