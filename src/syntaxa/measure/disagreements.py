"""Dimensions that disagree with what is drawn, once the unit is settled: listed with both values, to be judged."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from syntaxa.drawing.annotations import Dimension, DimensionKind
from syntaxa.drawing.dimension_text import Stated, stated_in
from syntaxa.drawing.state import State
from syntaxa.drawing.units import MM_PER_UNIT
from syntaxa.geometry.points import Point
from syntaxa.measure.clues.dimensions import shown_text
from syntaxa.measure.hypotheses import TEXT_UNITS
from syntaxa.measure.part import Judged

#: How far stated and drawn may differ beside the last place that is shown, as a share.
_SHARE = 1e-3


@dataclass(frozen=True, slots=True)
class Disagreement:
    """A dimension whose text states something else than what is drawn.

    stated, drawn  in mm, or in degrees where it measures an angle
    place          where its text is (mm); verdict what was said about it, empty while nobody judged
    """

    id: str
    measures: DimensionKind
    text: str
    stated: float
    drawn: float
    place: Point
    verdict: str = ""

    @property
    def angular(self) -> bool:
        """Whether it measures an angle."""
        return self.measures == "angular"


def disagreements(state: State) -> list[Disagreement]:
    """All dimensions that disagree, in the order of the drawings."""
    judged = dict(state.part(Judged).verdicts)
    found = []
    for taken in state.taken:
        to_mm = state.placement_of(taken).transform
        placed = [a.transformed(to_mm) for a in taken.drawing.annotations if isinstance(a, Dimension)]
        per = text_unit(placed)
        found += [d for one in placed for d in _compared(one, per, judged.get(one.id, ""))]
    return found


def _compared(dimension: Dimension, per: float, verdict: str) -> Iterator[Disagreement]:
    found = written(dimension, per)
    drawn = dimension.measured
    if drawn is None or found is None:
        return
    value, slack = found
    drawn = math.degrees(drawn) if dimension.measures == "angular" else drawn
    if abs(value - drawn) > slack + _SHARE * max(abs(value), abs(drawn)):
        text = shown_text(dimension) or f"{value:g}"
        yield Disagreement(dimension.id, dimension.measures, text, value, drawn, dimension.place, verdict)


def written(dimension: Dimension, per: float) -> tuple[float, float] | None:
    """(value, half of its last place) that a placed dimension states, in mm or degrees; per: mm of its texts' unit."""
    stated = _stated(dimension)
    if stated is None:
        return None
    unit = 1.0 if dimension.measures == "angular" else MM_PER_UNIT[stated.unit] if stated.unit else per
    return stated.value * unit, stated.slack * unit


def _stated(dimension: Dimension) -> Stated | None:
    """What its text says; a text that shows the measured value in the file's own way cannot disagree."""
    stated = stated_in(shown_text(dimension))
    if stated is None or stated.value <= 0:
        return None
    if dimension.measures == "angular" and not stated.degrees and stated.value > 360:
        return None
    return stated


def text_unit(dimensions: list[Dimension]) -> float:
    """mm in the unit that the texts speak: the one under which most dimensions agree, mm where none does."""
    pairs = [
        (stated, d.measured)
        for d in dimensions
        if d.measures != "angular" and d.measured and (stated := _stated(d)) is not None and not stated.unit
    ]
    if not pairs:
        return 1.0

    def agreeing(per: float) -> int:
        return sum(abs(s.value * per - drawn) <= s.slack * per + _SHARE * drawn for s, drawn in pairs)

    return max((MM_PER_UNIT[u] for u in TEXT_UNITS), key=agreeing)
