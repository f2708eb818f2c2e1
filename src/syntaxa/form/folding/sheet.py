"""Which curves of a drawing take part in its views: hidden lines as such, centre lines and borders not at all."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch

#: Line types and layers by their names (ISO 128-2 names types by what they look like; the rest is common practice, no
#: published source).
_HIDDEN = re.compile(r"hidden|dashed|verdeckt|cach|ocult", re.IGNORECASE)
_AIDS = re.compile(r"cent(er|re)|chain|dash.?dot|phantom|border|frame|title|axis|axes|mitte|section", re.IGNORECASE)
_DASH_DOT = re.compile(r"dash.?dot|chain", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class OnSheet:
    """A curve that takes part, the sketch that it is in, and whether it is a hidden line."""

    curve: Curve
    sketch: str
    hidden: bool


def taking_part(sketches: Iterable[Sketch], layers: Mapping[str, str]) -> tuple[list[OnSheet], int]:
    """The curves that show the thing, and how many others there are; with the line type of each layer."""
    found, aids = [], 0
    for sketch in sketches:
        for curve in sketch.curves:
            words = (curve.style.line_type or layers.get(curve.layer, ""), curve.layer)
            if any(_AIDS.search(w) for w in words):
                aids += 1
            else:
                hidden = any(_HIDDEN.search(w) and not _DASH_DOT.search(w) for w in words)
                found.append(OnSheet(curve, sketch.name, hidden))
    return found, aids
