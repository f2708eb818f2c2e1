"""The two looks, Paper and Night, as tables of named colours; nothing else names a colour."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Look = Literal["paper", "night"]


@dataclass(frozen=True, slots=True)
class Tokens:
    """Colours of a look. Verdigris is the accent; persimmon is only for what needs a decision."""

    name: Look
    ground: str
    panel: str
    raised: str
    line: str
    strong_line: str
    text: str
    dim: str
    accent: str
    on_accent: str
    soft: str
    canvas: str
    grid: str
    persimmon: str
    on_persimmon: str
    persimmon_soft: str
    faded: str
    tint: str


PAPER = Tokens(
    "paper",
    ground="#ebe7de", panel="#f6f3ec", raised="#fffdf8", line="#d9d2c4", strong_line="#8d8678", text="#24262a",
    dim="#625d53", accent="#0e6b63", on_accent="#ffffff", soft="#d8e8e3", canvas="#fcfaf5", grid="#efeae0",
    persimmon="#b3460f", on_persimmon="#ffffff", persimmon_soft="#f8e3d3", faded="#c9bfae", tint="#0e6b63",
)  # fmt: skip

NIGHT = Tokens(
    "night",
    ground="#131619", panel="#1b1f23", raised="#252a2f", line="#353c43", strong_line="#76808a", text="#e6e3dc",
    dim="#a3a9ae", accent="#52c5b4", on_accent="#0a1412", soft="#1f3934", canvas="#101316", grid="#1b2024",
    persimmon="#f0965a", on_persimmon="#1a0f07", persimmon_soft="#3b281c", faded="#4a4f55", tint="#52c5b4",
)  # fmt: skip

LOOKS: dict[Look, Tokens] = {"paper": PAPER, "night": NIGHT}


def relative_luminance(colour: str | int) -> float:
    """Relative luminance of a colour. Source: WCAG 2.2, definition of relative luminance."""
    value = int(colour.lstrip("#"), 16) if isinstance(colour, str) else colour
    parts = []
    for shift in (16, 8, 0):
        share = (value >> shift & 255) / 255
        parts.append(share / 12.92 if share <= 0.04045 else ((share + 0.055) / 1.055) ** 2.4)
    return 0.2126 * parts[0] + 0.7152 * parts[1] + 0.0722 * parts[2]


def contrast(one: str | int, other: str | int) -> float:
    """Contrast ratio, 1 to 21. Source: WCAG 2.2, definition of contrast ratio."""
    high, low = sorted((relative_luminance(one), relative_luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def readable_on(colour: int, ground: str, least: float = 3.0) -> int:
    """The colour (0xRRGGBB), mixed with ink or paper until it stands out enough from the ground."""
    target = 0x000000 if relative_luminance(ground) > 0.2 else 0xFFFFFF
    for step in range(11):
        mixed = _mixed(colour, target, step / 10)
        if contrast(mixed, ground) >= least:
            return mixed
    return target


def _mixed(one: int, other: int, share: float) -> int:
    channels = [round((one >> s & 255) * (1 - share) + (other >> s & 255) * share) for s in (16, 8, 0)]
    return channels[0] << 16 | channels[1] << 8 | channels[2]
