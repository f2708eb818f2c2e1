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

#: How far text and measurement may differ before it is told: half of the last place shown, and this share.
_SHARE = 1e-3


@dataclass(frozen=True, slots=True)
class Stated:
    """A number in a text, half of its last place, and whether it is feet and inches or degrees."""

    value: float
    slack: float
    feet: bool = False
    degrees: bool = False


def stated_in(text: str) -> Stated | None:
    """The first number of a dimension's text; None where it has none, or shows the measured value."""
    plain = _STACKED.sub(r" \1/\2", text)
    plain = _DRESS.sub("", plain)
    for code, sign in _CODES.items():
        plain = plain.replace(code, sign).replace(code.upper(), sign)
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
        return Stated(12 * float(feet[1]) + inches, 1 / 64, feet=True)
    mixed = _MIXED.search(plain)
    if mixed is not None and float(mixed[3]):
        return Stated(float(mixed[1] or 0) + float(mixed[2]) / float(mixed[3]), 1 / 128, degrees=degrees)
    found = _PLAIN.search(plain)
    if found is None:
        return None
    digits = found[0].replace(",", ".")
    places = len(digits.partition(".")[2])
    return Stated(float(digits), 0.5 * 10.0**-places, degrees=degrees)


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
