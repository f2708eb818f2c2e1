"""Borders and pages against the sheets of the standards.

Sources: ISO 216 (A0 to A4) with the drawing space of ISO 5457 (20 mm at the left, 10 mm elsewhere); ASME Y14.1
(A to E); ARCH A to E1 (common practice). A frame may be as large as its sheet, or blown up by the drawing's scale.
"""

from __future__ import annotations

from collections.abc import Iterator
from functools import partial

import numpy as np

from syntaxa.drawing.units import MM_PER_UNIT, UNIT_NAMES
from syntaxa.geometry.types import Floats
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import KINDS, MM, SCALES, UNITS, Clue, over_sizes

_IN = MM_PER_UNIT["in"]

#: Longer and shorter side of each sheet, mm.
SHEETS: dict[str, tuple[float, float]] = {
    "A0": (1189.0, 841.0), "A1": (841.0, 594.0), "A2": (594.0, 420.0), "A3": (420.0, 297.0), "A4": (297.0, 210.0),
    "ANSI A": (11 * _IN, 8.5 * _IN), "ANSI B": (17 * _IN, 11 * _IN), "ANSI C": (22 * _IN, 17 * _IN),
    "ANSI D": (34 * _IN, 22 * _IN), "ANSI E": (44 * _IN, 34 * _IN), "ARCH A": (12 * _IN, 9 * _IN),
    "ARCH B": (18 * _IN, 12 * _IN), "ARCH C": (24 * _IN, 18 * _IN), "ARCH D": (36 * _IN, 24 * _IN),
    "ARCH E": (48 * _IN, 36 * _IN), "ARCH E1": (42 * _IN, 30 * _IN),
}  # fmt: skip

#: How often a frame is so many times as large as its sheet, for parts and for structures (a judgement).
_BLOWN_UP = (
    {1.0: 0.45, 2.0: 0.15, 5.0: 0.12, 10.0: 0.1},
    {1.0: 0.08, 10.0: 0.06, 20.0: 0.14, 50.0: 0.28, 100.0: 0.28, 200.0: 0.08},
)

#: How far a side may be off, as a share of it, and how probable a match by accident is.
_SLACK, _BY_CHANCE = 0.0015, 0.02


def _as_drawn() -> Iterator[tuple[str, float, float]]:
    """Sheets by their edges, and those of the A series by the frames within them."""
    for name, (longer, shorter) in SHEETS.items():
        yield name, longer, shorter
        if name.startswith("A") and name[1:].isdigit():
            yield from ((name, longer - a, shorter - b) for a, b in ((30, 20), (20, 30), (20, 20)))


_DRAWN = tuple(_as_drawn())


def sheets(seen: Evidence) -> Iterator[Clue]:
    """Frames in the drawing that have the sides of a sheet, and the page itself."""
    frames = [("border", f) for f in seen.frames]
    if seen.page is not None:
        frames.append(("page", seen.page))
    for what, (width, height) in frames[:3]:
        likely, names = _matched(max(width, height), min(width, height))
        if names:
            yield Clue("sheet", over_sizes(likely), partial(_says, what, names))
            return


def _says(what: str, names: dict[int, str], unit: int, _scale: int) -> str:
    return f"In {UNIT_NAMES[UNITS[unit]]} the {what} is a sheet {names[unit]}." if unit in names else ""


def _matched(longer: float, shorter: float) -> tuple[Floats, dict[int, str]]:
    """Log-likelihood under each hypothesis, (units, scales, kinds), and the sheets that fit, by unit."""
    likely = np.full((*MM.shape, len(KINDS)), _BY_CHANCE)
    names: dict[int, str] = {}
    for row, unit in enumerate(UNITS):
        for times in SCALES:
            name = _sheet(longer * MM_PER_UNIT[unit] / times, shorter * MM_PER_UNIT[unit] / times)
            if not name:
                continue
            names.setdefault(row, name)
            for kind, share in enumerate(_BLOWN_UP):
                # As large as the sheet, whatever the scale of the page; blown up only where all is at true size.
                columns = slice(None) if times == 1.0 else slice(0, 1)
                here = likely[row, columns, kind]
                likely[row, columns, kind] = np.maximum(here, share.get(times, 0.02))
    return np.log(likely), names


def sheet_at_scale(width: float, height: float) -> str:
    """The sheet that a rectangle (mm) is, as large as the sheet or blown up by a standard scale; empty for none."""
    longer, shorter = max(width, height), min(width, height)
    return next((name for s in SCALES if (name := _sheet(longer / s, shorter / s))), "")


def _sheet(longer: float, shorter: float) -> str:
    for name, a, b in _DRAWN:
        if abs(longer - a) <= _SLACK * a and abs(shorter - b) <= _SLACK * b:
            return name
    return ""
