"""Lengths, factors and angles as people type them: `40/96`, `2' 8 1/2"`, `3/8in + 2 mm`, `12 x 25.4`, `30°`.

A number without a unit is taken in the unit that the field shows. Nothing is run as code.
Sources of the sizes: see `units.py`.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from decimal import Decimal

from syntaxa.drawing.units import mm_per
from syntaxa.errors import MeasureError

#: Signs and words for units that can be typed.
UNIT_WORDS = {
    "'": "ft", "′": "ft", "ft": "ft", "feet": "ft", "foot": "ft",
    '"': "in", "″": "in", "in": "in", "inch": "in", "inches": "in",
    "mm": "mm", "cm": "cm", "dm": "dm", "m": "m", "km": "km", "um": "um", "µm": "um", "μm": "um",
    "mil": "mil", "yd": "yd", "px": "px", "pt": "pt", "pc": "pc",
}  # fmt: skip

#: "200/116" is a fraction, "200/116.5" two numbers.
_NUMBER = r"(?:(?:\d+\s+)?\d+/\d+(?![.,]?\d)|(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[-+]?\d+)?)"
_TOKEN = re.compile(rf"\s*(?:(?P<number>{_NUMBER})|(?P<unit>['′\"″]|[a-zµμ]+)|(?P<sign>[-+*×/()]))", re.IGNORECASE)

#: The finest fraction of an inch that is written, and how near (in) a length must be to one.
_FINEST = 64
_FRACTION_WITHIN = 5e-4

#: Nested brackets beyond this are a mistake.
_DEEPEST = 20


@dataclass(frozen=True, slots=True)
class _Value:
    """A number, in mm where it is a length."""

    size: float
    is_length: bool


def length_in(text: str, unit: str) -> float:
    """A typed length in mm; numbers without a unit are in the given one. Raises MeasureError."""
    value = _Reader(text, unit).value()
    return value.size if value.is_length else value.size * mm_per(unit)


def factor_in(text: str) -> float:
    """A typed plain number, such as `25.4`, `40/96`, `1/48` or `10in/254mm`; raises MeasureError."""
    value = _Reader(text, "mm").value()
    if value.is_length:
        raise MeasureError(f"“{text.strip()}” is a length, but a plain number is wanted here.")
    return value.size


def degrees_in(text: str) -> float:
    """A typed angle in degrees, with or without their sign; raises MeasureError."""
    return factor_in(text.replace("°", ""))


def scale_in(text: str) -> float:
    """How many times larger the thing is than its drawing, from a drawing scale: `1:5` gives 5, `2:1` 0.5.

    `1/4" = 1'` gives 48. A plain number is refused, for it could be meant either way.
    """
    for sign in ("=", ":"):
        drawn, found, real = text.partition(sign)
        if found:
            small, large = _Reader(drawn, "mm").value(), _Reader(real, "mm").value()
            if small.is_length != large.is_length or small.size <= 0 or large.size <= 0:
                break
            return large.size / small.size
    raise MeasureError(f"“{text.strip()}” is no drawing scale.", suggestion="Type 1:5, 2:1 or 1/4\" = 1'.")


def plain_number(value: float, digits: int = 9) -> str:
    """A number in so many figures, as people write it: never with a power of ten."""
    if not math.isfinite(value):
        return "–"
    return f"{Decimal(f'{value:.{digits}g}'):f}"


def feet_and_inches(mm: float) -> str:
    """A length as `2' 8 1/2"`: a fraction down to 1/64 where it is one within 0.0005 in, else inches in decimals."""
    inches = abs(mm) / mm_per("in")
    parts = round(inches * _FINEST)
    if abs(parts / _FINEST - inches) <= _FRACTION_WITHIN:
        feet, rest = divmod(parts, 12 * _FINEST)
        whole, part = divmod(rest, _FINEST)
        over = math.gcd(part, _FINEST)
        fraction = f"{part // over}/{_FINEST // over}" if part else ""
        words = f"{whole} {fraction}".strip() if whole or not fraction else fraction
    else:
        feet = int(round(inches, 4) // 12)
        words = plain_number(round(inches - 12 * feet, 4))
    sign = "-" if mm < 0 and (feet or words != "0") else ""
    return f"{sign}{feet}' {words}\"" if feet else f'{sign}{words}"'


class _Reader:
    """Reads sums of products of quantities, from left to right."""

    def __init__(self, text: str, unit: str) -> None:
        self._text, self._unit = text.strip(), unit
        self._tokens: list[tuple[str, str]] = []
        at = 0
        # "2'-8 1/2\"": between feet and inches the stroke is no minus.
        plain = re.sub(r"(['′])\s*-\s*(?=\d)", r"\1 ", self._text)
        plain = re.sub(r"(?<=\d)\s*x\s*(?=\d)", "*", plain)
        while at < len(plain):
            found = _TOKEN.match(plain, at)
            if found is None:
                raise self._wrong()
            kind = str(found.lastgroup)
            self._tokens.append((kind, found[kind]))
            at = found.end()
        self._at = 0

    def value(self) -> _Value:
        """All of it."""
        if not self._tokens:
            raise self._wrong()
        value = self._sum(0)
        if self._at < len(self._tokens) or not math.isfinite(value.size):
            raise self._wrong()
        return value

    def _sum(self, depth: int) -> _Value:
        value = self._product(depth)
        while self._next() in (("sign", "+"), ("sign", "-")):
            sign = 1 if self._take()[1] == "+" else -1
            value = self._added(value, self._product(depth), sign)
        return value

    def _product(self, depth: int) -> _Value:
        value = self._signed(depth)
        while self._next() in (("sign", "*"), ("sign", "×"), ("sign", "/")):
            by = self._take()[1] == "/"
            other = self._signed(depth)
            if by and other.size == 0:
                raise MeasureError(f"“{self._text}” divides by nothing.")
            if (value.is_length and other.is_length and not by) or (other.is_length and not value.is_length and by):
                raise MeasureError(f"“{self._text}” is neither a length nor a plain number.")
            size = value.size / other.size if by else value.size * other.size
            value = _Value(size, value.is_length != other.is_length)
        return value

    def _signed(self, depth: int) -> _Value:
        if depth > _DEEPEST:
            raise self._wrong()
        if self._next() in (("sign", "-"), ("sign", "+")):
            sign = -1 if self._take()[1] == "-" else 1
            inner = self._signed(depth + 1)
            return _Value(sign * inner.size, inner.is_length)
        if self._next() == ("sign", "("):
            self._take()
            inner = self._sum(depth + 1)
            if self._next() != ("sign", ")"):
                raise self._wrong()
            self._take()
            return self._with_unit(inner)
        return self._quantities()

    def _quantities(self) -> _Value:
        """A number with its unit; feet may be followed by inches, whose sign may be left out."""
        if self._next()[0] != "number":
            raise self._wrong()
        value = self._with_unit(_Value(_number(self._take()[1]), False))
        feet = value.is_length and UNIT_WORDS.get(self._tokens[self._at - 1][1].lower()) == "ft"
        if feet and self._next()[0] == "number":
            inches = self._with_unit(_Value(_number(self._take()[1]), False))
            size = inches.size if inches.is_length else inches.size * mm_per("in")
            return _Value(value.size + size, True)
        return value

    def _with_unit(self, value: _Value) -> _Value:
        kind, word = self._next()
        if kind != "unit":
            return value
        unit = UNIT_WORDS.get(word.lower())
        if unit is None or value.is_length:
            raise self._wrong()
        self._take()
        return _Value(value.size * mm_per(unit), True)

    def _added(self, one: _Value, other: _Value, sign: int) -> _Value:
        if one.is_length != other.is_length:
            per = mm_per(self._unit)
            one, other = (v if v.is_length else _Value(v.size * per, True) for v in (one, other))
        return _Value(one.size + sign * other.size, one.is_length)

    def _next(self) -> tuple[str, str]:
        return self._tokens[self._at] if self._at < len(self._tokens) else ("", "")

    def _take(self) -> tuple[str, str]:
        self._at += 1
        return self._tokens[self._at - 1]

    def _wrong(self) -> MeasureError:
        return MeasureError(
            f"“{self._text}” cannot be read as a number or length.", suggestion="Type 12, 12mm, 3/8in or 2' 8 1/2\"."
        )


def _number(text: str) -> float:
    if "/" not in text:
        return float(text.replace(",", "."))
    whole, _, fraction = text.strip().rpartition(" ")
    above, _, below = fraction.partition("/")
    if float(below) == 0:
        raise MeasureError(f"“{text.strip()}” divides by nothing.")
    return float(whole or 0) + float(above) / float(below)
