"""What is written at a dimension (ISO 129-1, from memory): mm without their unit, degrees, signs for round things."""

from __future__ import annotations

import math

from syntaxa.define.model import Measure

#: Places behind the point of a length and of an angle.
_LENGTH, _ANGLE = 2, 1


def value_text(measure: Measure, value: float) -> str:
    """The text of a dimension that measures so much (mm or radians), with its tolerance."""
    number = plain(math.degrees(value), _ANGLE) if measure.is_angle else plain(value, _LENGTH)
    sign = {"diameter": "Ø", "radius": "R"}.get(measure.kind, "")
    text = f"{sign}{number}{'°' if measure.is_angle else ''}"
    if measure.plus is None and measure.minus is None:
        return text
    plus, minus = (
        (math.degrees(v or 0.0) if measure.is_angle else v or 0.0) for v in (measure.plus, measure.minus)
    )  # fmt: skip
    if abs(plus - minus) < 1e-9:
        return f"{text} ±{plain(plus, 3)}"
    return f"{text} +{plain(plus, 3)}/-{plain(minus, 3)}"


def plain(value: float, places: int) -> str:
    """A number rounded to so many places, without noughts that say nothing."""
    text = f"{value:.{places}f}"
    text = text.rstrip("0").rstrip(".") if "." in text else text
    return "0" if text in ("-0", "") else text
