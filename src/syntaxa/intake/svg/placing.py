"""Lengths, view boxes and transforms of SVG."""

from __future__ import annotations

import math
import re

from syntaxa.geometry.points import Vector
from syntaxa.geometry.transform import Transform

NUMBER = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?")
_LENGTH = re.compile(r"\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*([a-z%]*)\s*$", re.IGNORECASE)
_COMMA = re.compile(r"\s*[+-]?\d+,\d+\s*[a-zA-Z%]*\s*$")
_CALC = re.compile(r"calc(?=\()|[()*/]|[+-](?![\d.])|[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?[a-zA-Z%]*")
_FUNCTION = re.compile(
    r"(matrix|translateX|translateY|translate|scaleX|scaleY|scale|rotate|skewX|skewY|skew)\s*\(([^)]*)\)"
)

#: Units that go by the font size. A digit is taken as half as wide as its font is high (CSS Values 3, 5.1.1).
_OF_FONT = {"em": 1.0, "ex": 0.5, "ch": 0.5}

#: px; what fonts are large where nothing is said.
_ROOT_FONT = 16.0

#: Degrees in the units of angles in CSS.
_DEGREES = {"deg": 1.0, "grad": 0.9, "rad": 180 / math.pi, "turn": 360.0}

#: CSS px in each absolute unit. Source: CSS Values and Units Module Level 3, 6.2 (1 in = 96 px).
PX = {"": 1.0, "px": 1.0, "in": 96.0, "mm": 96 / 25.4, "cm": 96 / 2.54, "q": 96 / 101.6, "pt": 96 / 72, "pc": 16.0}


def numbers(text: str) -> list[float]:
    """All numbers of an attribute that are finite."""
    found = [float(n) for n in NUMBER.findall(text)]
    return found if all(math.isfinite(n) for n in found) else []


def has_decimal_comma(text: str) -> bool:
    """Whether a length is written with a comma where the standard has a point."""
    return _COMMA.match(text) is not None


def split_length(text: str | None) -> tuple[float, str] | None:
    """Number and unit (in small letters) of a length; None where it is none. A decimal comma is taken for a point."""
    text = text or ""
    match = _LENGTH.match(text.replace(",", ".") if _COMMA.match(text) else text)
    if match is None:
        return None
    value = float(match[1])
    return (value, match[2].lower()) if math.isfinite(value) else None


def in_px(text: str | None, whole: float = 0.0, font: float = 16.0, otherwise: float = 0.0) -> float:
    """A length in user units; `whole` is what 100 % means, `font` the font size."""
    split = split_length(text)
    if split is None:
        found = calculated(text, whole, font) if text and "(" in text else None
        return otherwise if found is None else found
    return _px_of(*split, whole, font)


def _px_of(value: float, unit: str, whole: float, font: float) -> float:
    if unit == "%":
        return value / 100 * whole
    if unit in _OF_FONT:
        return value * font * _OF_FONT[unit]
    return value * (_ROOT_FONT if unit == "rem" else PX.get(unit, 1.0))


def calculated(text: str, whole: float, font: float) -> float | None:
    """The px of a calc() (CSS Values 3, 8.1); None where it makes no sense."""
    if not text.strip().lower().startswith("calc("):
        return None
    tokens = _CALC.findall(text.strip()[4:])
    if "".join(tokens) != re.sub(r"\s+", "", text.strip()[4:]):
        return None
    try:
        value, rest = _sum(tokens, whole, font)
    except (IndexError, ValueError, ZeroDivisionError):
        return None
    return value if not rest and math.isfinite(value) else None


def _sum(tokens: list[str], whole: float, font: float) -> tuple[float, list[str]]:
    value, rest = _product(tokens, whole, font)
    while rest and rest[0] in "+-":
        more, after = _product(rest[1:], whole, font)
        value, rest = (value + more if rest[0] == "+" else value - more), after
    return value, rest


def _product(tokens: list[str], whole: float, font: float) -> tuple[float, list[str]]:
    value, rest = _factor(tokens, whole, font)
    while rest and rest[0] in "*/":
        more, after = _factor(rest[1:], whole, font)
        value, rest = (value * more if rest[0] == "*" else value / more), after
    return value, rest


def _factor(tokens: list[str], whole: float, font: float) -> tuple[float, list[str]]:
    if tokens[0] == "-":
        value, rest = _factor(tokens[1:], whole, font)
        return -value, rest
    if tokens[0] == "(":
        value, rest = _sum(tokens[1:], whole, font)
        if not rest or rest[0] != ")":
            raise ValueError(tokens)
        return value, rest[1:]
    split = split_length(tokens[0])
    if split is None:
        raise ValueError(tokens)
    return _px_of(*split, whole, font), tokens[1:]


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


def css_transform_of(text: str, origin: str, view: tuple[float, float], font: float) -> Transform | None:
    """The map of the CSS property, about its origin in user units (CSS Transforms 1, 6 and 8).

    view   width and height that shares count of
    """
    total = Transform()
    for name, arguments in _FUNCTION.findall(text):
        one = _function(name.rstrip("XY") if name[-1] in "XY" and not name.startswith("skew") else name,
                        _css_values(name, arguments, view, font))  # fmt: skip
        if one is None:
            return None
        total = one.then(total)
    x, y = origin_of(origin, view, font)
    return Transform.moving(Vector(-x, -y)).then(total).then(Transform.moving(Vector(x, y)))


def _css_values(name: str, text: str, view: tuple[float, float], font: float) -> list[float]:
    parts = [p for p in re.split(r"[\s,]+", text.strip()) if p]
    if name.startswith("translate"):
        down = name == "translateY"
        found = [in_px(p, view[(k + down) % 2], font) for k, p in enumerate(parts)]
        return [0.0, *found] if down else [found[0], 0.0] if name == "translateX" else found
    values = [_angle(p) if name.startswith(("rotate", "skew")) else _share(p) for p in parts]
    if name == "scaleX":
        return [values[0], 1.0]
    return [1.0, values[0]] if name == "scaleY" else values


def _angle(text: str) -> float:
    split = split_length(text)
    return math.nan if split is None else split[0] * _DEGREES.get(split[1], 1.0)


def _share(text: str) -> float:
    split = split_length(text)
    return math.nan if split is None else split[0] / (100 if split[1] == "%" else 1)


def origin_of(text: str, view: tuple[float, float], font: float) -> tuple[float, float]:
    """Where a transform-origin lies; 0, 0 where nothing is said of an element without a box of its own."""
    words = {"left": "0%", "top": "0%", "center": "50%", "right": "100%", "bottom": "100%"}
    parts = text.split()[:2]
    if not parts:
        return 0.0, 0.0
    if parts[0] in ("top", "bottom") or (len(parts) > 1 and parts[1] in ("left", "right")):
        parts = [parts[1] if len(parts) > 1 else "center", parts[0]]
    if len(parts) == 1:
        parts.append("center")
    x, y = (in_px(words.get(p, p), whole, font) for p, whole in zip(parts, view, strict=True))
    return x, y


def _function(name: str, values: list[float]) -> Transform | None:
    if not all(math.isfinite(v) for v in values):
        return None
    if name == "skew" and values:
        slopes = [math.tan(math.radians(v)) for v in (*values, 0.0)[:2]]
        return Transform(c=slopes[0], b=slopes[1])
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
