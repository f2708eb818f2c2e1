"""Colours of PDF, roughly as a screen shows them; names for the layers that are made of them."""

from __future__ import annotations

from collections.abc import Sequence

_NAMES = {0x000000: "black", 0xFFFFFF: "white", 0xFF0000: "red", 0x00FF00: "green", 0x0000FF: "blue",
          0xFFFF00: "yellow", 0x00FFFF: "cyan", 0xFF00FF: "magenta"}  # fmt: skip


def rgb_of(values: Sequence[float]) -> int:
    """0xRRGGBB of grey (1), RGB (3) or CMYK (4) components 0 to 1 (ISO 32000-1, 10.3, the plain conversion)."""
    parts = [min(max(float(v), 0.0), 1.0) for v in values]
    if len(parts) == 1:
        parts = parts * 3
    elif len(parts) == 4:
        parts = [(1 - min(1.0, c + parts[3])) for c in parts[:3]]
    if len(parts) != 3:
        return 0
    red, green, blue = (round(255 * p) for p in parts)
    return red << 16 | green << 8 | blue


def colour_name(colour: int) -> str:
    """A word for a plain colour, else its hex form."""
    return _NAMES.get(colour, f"#{colour:06x}")
