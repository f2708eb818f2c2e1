"""The number that a dimension's text states: "36", "Ø10 H7", "2'-8 1/2\"", "12°", "R5 TYP", "10 ±0.1"."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from syntaxa.drawing.annotations import Dimension

_CODES = {"%%c": "Ø", "%%d": "°", "%%p": "±"}

#: Signs that only make a text tall, wide or bold.
_DRESS = re.compile(r"\\[A-Za-z][^;\\]*;|[{}]|\\[LlOoKk]")
_STACKED = re.compile(r"\\S(\d+)[/#^](\d+);", re.IGNORECASE)
_FORMULA = re.compile(r"[A-Za-z]{3,}\s*[*/+-]\s*\d|\d\s*[*/+]\s*\(?[A-Za-z]{3,}")
_FEET = re.compile(r"(?:(\d+(?:\.\d+)?)\s*')\s*-?\s*(?:(\d+(?:\.\d+)?)?\s*-?\s*(?:(\d+)/(\d+))?\s*\"?)?")
_MIXED = re.compile(r"(?:(\d+)\s*[ -]\s*)?(\d+)/(\d+)")
_PLAIN = re.compile(r"\d+(?:[.,]\d+)?|[.,]\d+")
_UNIT = re.compile(r"\s*(mm|cm|m|in(?:ch(?:es)?)?|ft|\"|″)(?![A-Za-z])", re.IGNORECASE)
_UNIT_SIGNS = {
    "mm": "mm",
    "cm": "cm",
    "m": "m",
    "in": "in",
    "inch": "in",
    "inches": "in",
    "ft": "ft",
    '"': "in",
    "″": "in",
}

#: How far text and measurement may differ before it is told: half of the last place shown, and this share.
_SHARE = 1e-3


@dataclass(frozen=True, slots=True)
class Stated:
    """A number in a text, half of its last place, and whether it is feet and inches or degrees.

    unit  that stands with it, if any; feet and inches are told in inches
    """

    value: float
    slack: float
    feet: bool = False
    degrees: bool = False
    unit: str = ""


def plain_text(text: str) -> str:
    """A text without the signs that only make it tall, wide or bold, its fractions in one row."""
    plain = _STACKED.sub(r" \1/\2", text)
    plain = _DRESS.sub("", plain.replace("\\P", "\n"))
    for code, sign in _CODES.items():
        plain = plain.replace(code, sign).replace(code.upper(), sign)
    return plain


def stated_in(text: str) -> Stated | None:
    """The first number of a dimension's text; None where it has none, or shows the measured value."""
    plain = plain_text(text)
    # "WIDTH=1/2": the name is not part of it. "HOLE/2" names another dimension, whose value is not known here.
    plain = plain.rpartition("=")[2]
    if "<>" in plain or not any(c.isdigit() for c in plain) or _FORMULA.search(plain):
        return None
    # "4x Ø10": how many times is not how large.
    plain = re.sub(r"^\s*\(?\d+\s*[xX×]\s*(?=[ØøRr∅\d])", "", plain)
    degrees = "°" in plain
    feet = _FEET.search(plain)
    if feet is not None:
        inches = float(feet[2] or 0) + (float(feet[3]) / float(feet[4]) if feet[3] and float(feet[4]) else 0.0)
        return Stated(12 * float(feet[1]) + inches, 1 / 64, feet=True, unit="in")
    mixed = _MIXED.search(plain)
    if mixed is not None and float(mixed[3]):
        return Stated(
            float(mixed[1] or 0) + float(mixed[2]) / float(mixed[3]),
            1 / 128,
            degrees=degrees,
            unit=_unit_after(plain, mixed.end()),
        )
    found = _PLAIN.search(plain)
    if found is None:
        return None
    digits = found[0].replace(",", ".")
    places = len(digits.partition(".")[2])
    return Stated(float(digits), 0.5 * 10.0**-places, degrees=degrees, unit=_unit_after(plain, found.end()))


def _unit_after(text: str, at: int) -> str:
    """The unit that stands right behind a number."""
    found = _UNIT.match(text, at)
    return _UNIT_SIGNS.get(found[1].lower(), "") if found else ""


def disagreement(dimension: Dimension) -> tuple[float, float] | None:
    """What a dimension states and what is drawn, where the two differ; in the drawing's numbers (degrees for angles).

    A text that shows the measured value cannot disagree; a number that the file stores as measured can.
    """
    drawn = dimension.measured
    if drawn is None:
        return None
    angular = dimension.measures == "angular"
    shown = math.degrees(drawn) if angular else drawn * dimension.factor
    stated = stated_in(dimension.text)
    if stated is not None:
        value, slack = stated.value, stated.slack
    elif dimension.text in ("", "<>") and dimension.measurement is not None and dimension.measurement > 0:
        value = math.degrees(dimension.measurement) if angular else dimension.measurement * dimension.factor
        slack = 0.0
    else:
        return None
    if abs(value - shown) <= slack + _SHARE * max(abs(shown), abs(value)):
        return None
    return value, shown
