"""Lengths, view boxes and transforms of SVG."""

from __future__ import annotations

import math
import re

from syntaxa.geometry.points import Vector
from syntaxa.geometry.transform import Transform

NUMBER = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?")
_LENGTH = re.compile(r"\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*([a-z%]*)\s*$", re.IGNORECASE)
_FUNCTION = re.compile(r"(matrix|translate|scale|rotate|skewX|skewY)\s*\(([^)]*)\)")

#: CSS px in each absolute unit. Source: CSS Values and Units Module Level 3, 6.2 (1 in = 96 px).
PX = {"": 1.0, "px": 1.0, "in": 96.0, "mm": 96 / 25.4, "cm": 96 / 2.54, "q": 96 / 101.6, "pt": 96 / 72, "pc": 16.0}


def numbers(text: str) -> list[float]:
    """All numbers of an attribute that are finite."""
    found = [float(n) for n in NUMBER.findall(text)]
    return found if all(math.isfinite(n) for n in found) else []


def split_length(text: str | None) -> tuple[float, str] | None:
    """Number and unit (in small letters) of a length; None where it is none."""
    match = _LENGTH.match(text or "")
    if match is None:
        return None
    value = float(match[1])
    return (value, match[2].lower()) if math.isfinite(value) else None


def in_px(text: str | None, whole: float = 0.0, font: float = 16.0, otherwise: float = 0.0) -> float:
    """A length in user units; `whole` is what 100 % means, `font` the font size."""
    split = split_length(text)
    if split is None:
        return otherwise
    value, unit = split
    if unit == "%":
        return value / 100 * whole
    if unit in ("em", "rem"):
        return value * font
    if unit == "ex":
        return value * font / 2
    return value * PX.get(unit, 1.0)


def transform_of(text: str | None) -> Transform | None:
    """The map of a transform attribute; None where there is none, or where it is broken."""
    if not text:
        return None
    total: Transform | None = None
    for name, arguments in _FUNCTION.findall(text):
        one = _function(name, numbers(arguments))
        if one is None:
            return total
        # What is written last is done first.
        total = one if total is None else one.then(total)
    return total


def _function(name: str, values: list[float]) -> Transform | None:
    if name == "matrix" and len(values) == 6:
        return Transform(*values)
    if name == "translate" and values:
        return Transform.moving(Vector(values[0], values[1] if len(values) > 1 else 0.0))
    if name == "scale" and values:
        return Transform.scaling(values[0], values[1] if len(values) > 1 else values[0])
    if name == "rotate" and values:
        return _rotation(values)
    if name in ("skewX", "skewY") and values:
        slope = math.tan(math.radians(values[0]))
        return Transform(c=slope) if name == "skewX" else Transform(b=slope)
    return None


def _rotation(values: list[float]) -> Transform:
    # Quarter turns are exact.
    quarter = values[0] / 90
    if quarter == round(quarter):
        cosine, sine = ((1.0, 0.0), (0.0, 1.0), (-1.0, 0.0), (0.0, -1.0))[round(quarter) % 4]
        turn = Transform(cosine, sine, -sine, cosine)
    else:
        turn = Transform.rotating(math.radians(values[0]))
    if len(values) < 3:
        return turn
    about = Vector(values[1], values[2])
    return Transform.moving(-about).then(turn).then(Transform.moving(about))


def view_box_of(text: str | None) -> tuple[float, float, float, float] | None:
    """x, y, width and height of a viewBox; None where it is missing or empty."""
    values = numbers(text or "")
    if len(values) != 4 or values[2] <= 0 or values[3] <= 0:
        return None
    return values[0], values[1], values[2], values[3]


def fitted(box: tuple[float, float, float, float], width: float, height: float, aspect: str) -> Transform:
    """From a view box to a viewport width x height at 0, 0 (SVG 1.1, 7.8 preserveAspectRatio)."""
    words = aspect.split()
    align = next((w for w in words if w.startswith(("x", "none"))), "xMidYMid")
    scale_x, scale_y = width / box[2], height / box[3]
    if align == "none":
        return Transform.moving(Vector(-box[0], -box[1])).then(Transform.scaling(scale_x, scale_y))
    scale = max(scale_x, scale_y) if "slice" in words else min(scale_x, scale_y)
    share = {"Min": 0.0, "Mid": 0.5, "Max": 1.0}
    across = share.get(align[1:4], 0.5) * (width - box[2] * scale)
    down = share.get(align[5:8], 0.5) * (height - box[3] * scale)
    to_origin = Transform.moving(Vector(-box[0], -box[1]))
    return to_origin.then(Transform.scaling(scale)).then(Transform.moving(Vector(across, down)))
