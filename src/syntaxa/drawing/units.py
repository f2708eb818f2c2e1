"""Units of length: names, sizes in mm, and the codes of the DXF header.

Sources: 1 in = 25.4 mm exactly and 1 ft = 12 in (NIST SP 811, appendix B); px = 1/96 in, pt = 1/72 in and
pc = 12 pt (CSS Values and Units, absolute lengths); header codes from the DXF reference ($INSUNITS). Older drawing
programs wrote 90 pixels to the inch (common practice, no published source).
"""

from __future__ import annotations

from syntaxa.errors import MeasureError

#: mm in one of each unit.
MM_PER_UNIT: dict[str, float] = {
    "mm": 1.0,
    "cm": 10.0,
    "m": 1000.0,
    "in": 25.4,
    "ft": 304.8,
    "px": 25.4 / 96,
    "px90": 25.4 / 90,
    "pt": 25.4 / 72,
    "pc": 25.4 / 6,
    "yd": 914.4,
    "km": 1e6,
    "dm": 100.0,
    "um": 1e-3,
    "mil": 0.0254,
}

UNIT_NAMES: dict[str, str] = {
    "mm": "millimetres",
    "cm": "centimetres",
    "m": "metres",
    "in": "inches",
    "ft": "feet",
    "px": "pixels (96 to the inch)",
    "px90": "pixels (90 to the inch)",
    "pt": "points (72 to the inch)",
    "pc": "picas (6 to the inch)",
    "yd": "yards",
    "km": "kilometres",
    "dm": "decimetres",
    "um": "micrometres",
    "mil": "thousandths of an inch",
}

#: Code of $INSUNITS to unit; 0 says "none" and is left out.
UNIT_OF_HEADER_CODE: dict[int, str] = {
    1: "in", 2: "ft", 4: "mm", 5: "cm", 6: "m", 7: "km", 9: "mil", 10: "yd", 13: "um", 14: "dm",
}  # fmt: skip

HEADER_CODE_OF_UNIT: dict[str, int] = {unit: code for code, unit in UNIT_OF_HEADER_CODE.items()}


def mm_per(unit: str) -> float:
    """Size of a unit in mm; raises MeasureError for a name that is none."""
    try:
        return MM_PER_UNIT[unit]
    except KeyError:
        known = ", ".join(MM_PER_UNIT)
        raise MeasureError(f"“{unit}” is not a unit of length.", suggestion=f"Use one of {known}.") from None


def scale_text(page_scale: float) -> str:
    """A drawing scale as it is written: "1:5", "2:1"."""
    return f"1:{page_scale:.6g}" if page_scale >= 1 else f"{1 / page_scale:.6g}:1"


def unit_at(unit: str, page_scale: float) -> str:
    """A unit, and the scale of the page where it is drawn at one."""
    return unit if page_scale == 1 else f"{unit} at {scale_text(page_scale)}"
