"""Line types that can be written: dash and gap lengths in mm, in turn. Source: ISO 128 (the kinds)."""

from __future__ import annotations

DASHES: dict[str, tuple[float, ...]] = {
    "dashed": (6.0, 3.0),
    "dotted": (0.5, 2.0),
    "dash-dot": (12.0, 2.0, 0.5, 2.0),
    "dash-two-dots": (12.0, 2.0, 0.5, 2.0, 0.5, 2.0),
}

#: mm; the thinnest line of 0.001 inch, which some cutters take as the line to be cut.
HAIRLINE = 0.0254
