"""The parts of the orchard's water pump, drawn right: closed runs of (x, y, bulge) rows, in inches.

The scenario and every dimension are made up.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

Row = tuple[float, float, float]
Run = list[Row]

QUARTER = math.tan(math.pi / 8)


@dataclass(frozen=True, slots=True)
class Hole:
    """A round hole."""

    x: float
    y: float
    radius: float


@dataclass(frozen=True, slots=True)
class Part:
    """A sheet-metal part on a layer of its own: closed runs, round holes, and where its lower left corner lies."""

    layer: str
    title: str
    x: float
    y: float
    runs: tuple[Run, ...]
    holes: tuple[Hole, ...]


def rounded(x: float, y: float, width: float, height: float, radius: float) -> Run:
    """A rectangle with rounded corners, counter-clockwise."""
    right, top = x + width, y + height
    return [
        (x + radius, y, 0.0), (right - radius, y, QUARTER), (right, y + radius, 0.0), (right, top - radius, QUARTER),
        (right - radius, top, 0.0), (x + radius, top, QUARTER), (x, top - radius, 0.0), (x, y + radius, QUARTER),
    ]  # fmt: skip


def slot(x: float, y: float, length: float, radius: float) -> Run:
    """A horizontal slot between two centres."""
    return [(x, y - radius, 0.0), (x + length, y - radius, 1.0), (x + length, y + radius, 0.0), (x, y + radius, 1.0)]


def _bolts(x: float, y: float, radius: float, count: int, hole: float, turn: float = 0.0) -> tuple[Hole, ...]:
    angles = [turn + 2 * math.pi * k / count for k in range(count)]
    return tuple(Hole(x + radius * math.cos(a), y + radius * math.sin(a), hole) for a in angles)


def _bracket() -> Part:
    outline = [
        (0.0, 0.0, 0.0), (7.0, 0.0, 0.0), (7.0, 1.5, 0.0), (6.0, 2.5, 0.0), (6.0, 5.0, QUARTER), (5.0, 6.0, 0.0),
        (2.0, 6.0, QUARTER), (1.0, 5.0, 0.0), (1.0, 2.5, 0.0), (0.0, 1.5, 0.0),
    ]  # fmt: skip
    slots = (slot(0.75, 0.75, 0.75, 0.2), slot(5.5, 0.75, 0.75, 0.2))
    holes = (Hole(3.5, 4.0, 1.125), *_bolts(3.5, 4.0, 1.6, 4, 0.14, math.pi / 4))
    return Part("MOTOR-BRACKET", "Motor bracket", 0.0, 0.0, (outline, *slots), holes)


def _base() -> Part:
    holes = tuple(Hole(x, y, 0.1875) for x in (0.75, 11.25) for y in (0.75, 5.25))
    windows = (rounded(2.0, 1.25, 3.5, 3.5, 0.375), rounded(6.5, 1.25, 3.5, 3.5, 0.375))
    return Part("BASE-PLATE", "Base plate", 8.5, 0.0, (rounded(0.0, 0.0, 12.0, 6.0, 0.5), *windows), holes)


def _gasket() -> Part:
    holes = (Hole(2.0, 2.0, 2.0), Hole(2.0, 2.0, 1.0), *_bolts(2.0, 2.0, 1.5, 6, 0.17))
    return Part("FLANGE-GASKET", "Flange gasket", 0.5, 8.0, (), holes)


def _front() -> Part:
    outline = rounded(0.0, 0.0, 8.0, 5.0, 0.25)
    display = rounded(0.75, 2.5, 3.0, 1.75, 0.125)
    vents = tuple(slot(5.25, 0.75 + 0.5 * k, 1.5, 0.09) for k in range(4))
    holes = (Hole(5.25, 3.75, 0.4375), Hole(6.75, 3.75, 0.4375), Hole(1.25, 1.25, 0.3125), Hole(2.75, 1.25, 0.3125))
    return Part("CONTROL-BOX", "Control-box front", 6.0, 7.5, (outline, display, *vents), holes)


def _guard() -> Part:
    outline = [
        (0.0, 0.0, 0.0), (5.0, 0.0, 0.0), (5.0, 2.0, 1.0), (0.0, 2.0, 0.0),
    ]  # fmt: skip
    slots = tuple(slot(1.25, 0.75 + 0.6 * k, 2.5, 0.125) for k in range(4))
    holes = (Hole(0.4, 0.4, 0.1), Hole(4.6, 0.4, 0.1), Hole(2.5, 3.6, 0.375))
    return Part("COUPLING-GUARD", "Coupling guard", 15.5, 7.5, (outline, *slots), holes)


def parts() -> tuple[Part, ...]:
    """All parts of the demo."""
    return (_bracket(), _base(), _gasket(), _front(), _guard())
