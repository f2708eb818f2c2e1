"""What the file itself says: the unit in its header, its flag, its pixels, and the other files of the job."""

from __future__ import annotations

import math
from collections.abc import Iterator

from syntaxa.drawing.units import UNIT_NAMES
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import UNITS, Clue, over_units

#: How often a stated unit is right (a judgement; no published source).
_RIGHT = {"dxf": 0.72, "svg": 0.9, "pdf": 0.99, "image": 0.9}

#: What a wrong header says: mostly what the program writes when nobody chose (common practice, no published source).
_BY_DEFAULT = {"in": 0.38, "mm": 0.34, "cm": 0.14, "m": 0.12, "ft": 0.05}

_METRIC = ("mm", "cm", "m")
_IMPERIAL = ("in", "ft")


def header(seen: Evidence) -> Iterator[Clue]:
    """The declared unit, and the flag that says metric or imperial."""
    if seen.declared in UNITS and seen.chosen:
        says = f"It was read as {UNIT_NAMES[str(seen.declared)]}, as was chosen."
        yield Clue("choice", over_units({str(seen.declared): 0.0}, -14.0), says)
    elif seen.declared in UNITS:
        yield from _declared(seen.form, str(seen.declared))
    if seen.metric is not None:
        family, name = (_METRIC, "metric") if seen.metric else (_IMPERIAL, "imperial")
        likely = over_units({u: math.log(0.7) for u in family}, math.log(0.35))
        yield Clue("measurement flag", likely, f"The header's measurement flag says {name}.")


def _declared(form: str, unit: str) -> Iterator[Clue]:
    name = UNIT_NAMES[unit]
    if unit == "px":
        # The standard says 96, older programs meant 90, and page programs 72.
        values = {"px": math.log(0.5), "px90": math.log(0.4), "pt": math.log(0.35), "mm": math.log(0.25)}
        yield Clue(
            "pixels", over_units(values, math.log(0.05)), "It is drawn in pixels, 96 to the inch by the standard."
        )
        return
    right = _RIGHT.get(form, 0.85)
    wrong = math.log((1 - right) * _BY_DEFAULT.get(unit, 0.1))
    says = f"The header declares {name}."
    if form == "svg":
        says = f"Its width is given in {name}, against its viewBox."
    elif form == "pdf":
        says = "A page is measured in points of 1/72 inch, or in what it says instead."
    elif form == "image":
        says = "The picture says how many of its dots make an inch, or was taken as 96."
    yield Clue("header", over_units({unit: math.log(right)}, wrong), says)


def neighbours(seen: Evidence) -> Iterator[Clue]:
    """Files that belong to one job are mostly in one unit."""
    for unit in dict.fromkeys(u for u in seen.elsewhere if u in UNITS):
        likely = over_units({unit: math.log(0.6)}, math.log(0.2))
        yield Clue("other files", likely, f"Another file of this job is in {UNIT_NAMES[unit]}.")
