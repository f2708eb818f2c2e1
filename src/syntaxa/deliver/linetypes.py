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

#: Words in the names that files give their line types, and the line type that is meant; the first that fits counts.
_MEANT = (
    ("phantom", "dash-two-dots"), ("divide", "dash-two-dots"), ("dashdot", "dash-dot"), ("dash-dot", "dash-dot"),
    ("center", "dash-dot"), ("centre", "dash-dot"), ("hidden", "dashed"), ("dash", "dashed"), ("dot", "dotted"),
)  # fmt: skip


def dashes_of(name: str) -> tuple[float, ...]:
    """The dashes of a line type by whatever name a file gives it; none for a continuous line."""
    plain = name.lower()
    kind = plain if plain in DASHES else next((kind for word, kind in _MEANT if word in plain), "")
    return DASHES.get(kind, ())
