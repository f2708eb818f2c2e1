"""Dimensions and loose numbers against what is drawn.

A dimension that says 50 over a line of length 2 speaks for inches that are dimensioned in mm, or for a page at 1:25.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.annotations import Dimension
from syntaxa.drawing.dimension_text import Stated, plain_text, stated_in
from syntaxa.drawing.units import MM_PER_UNIT
from syntaxa.geometry.types import Floats
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import MM, SCALES, TEXT_MM, TEXT_UNITS, UNITS, Clue, named

#: How far a stated and a drawn length may differ beside the last place shown, as a share.
_SHARE = 1.5e-3

#: How often a dimension fits what it measures when the unit is right, and by chance when it is not.
_FITS, _BY_CHANCE = 0.88, 0.012

#: Dimensions that are heard, and as how many independent ones they count at most.
_MOST, _HEARD = 40, 8.0

#: How often a loose number states a length that is drawn, and how often it does by chance at least.
_LOOSE_FITS, _LEAST_CHANCE = 0.6, 0.03

_LOOSE = re.compile(
    r"\(?(?:\d+\s*[xX×]\s*)?(?P<sign>[ØøR∅]?)\s*(?:\d+\s*['′][\d\s/.\"″-]*|(?:\d+[ -])?\d+/\d+|\d*[.,]?\d+)"
    r"\s*(?:mm|cm|m|in|\"|″)?\s*(?:±\s*[\d.,]+|[HhKkGgFf]\d{1,2})?\s*(?:TYP\.?|REF\.?|THRU)?\)?"
)


@dataclass(frozen=True, slots=True)
class _Pair:
    """A stated length, and what is drawn for it in the file's numbers."""

    stated: Stated
    drawn: float


def dimensions(seen: Evidence) -> Iterator[Clue]:
    """Texts of dimensions against the distances that they measure, and loose numbers against all lengths."""
    pairs = [pair for d in seen.dimensions if (pair := _pair(d)) is not None][:_MOST]
    if pairs:
        hits = np.stack([_hit(p.stated, np.array([p.drawn])) for p in pairs])
        likely = np.log(np.where(hits, _FITS, _BY_CHANCE)).sum(axis=0) * min(1.0, _HEARD / len(pairs))
        if hits.any():
            yield Clue("dimensions", likely[..., None], lambda unit, scale: _sentence(hits, pairs, unit, scale))
        else:
            yield Clue("dimensions", likely[..., None], "No dimension fits what is drawn, whatever the unit.")
        return
    loose = list(_loose(seen.texts))[:_MOST]
    if len(loose) >= 2 and len(seen.reach):
        yield from _against_all(loose, seen)


def shown_text(dimension: Dimension) -> str:
    """What stands at a dimension: its override, else what its picture shows; empty where that is not known."""
    if dimension.text and "<>" not in dimension.text:
        return dimension.text
    return next((t.text for t in dimension.labels if stated_in(t.text) is not None), "")


def _pair(dimension: Dimension) -> _Pair | None:
    drawn = dimension.measured
    if dimension.measures == "angular" or drawn is None or drawn <= 0:
        return None
    stated = stated_in(shown_text(dimension))
    if stated is None and dimension.measurement is not None and dimension.measurement > 0:
        value = dimension.measurement * dimension.factor
        stated = Stated(value, 1e-6 * value)
    if stated is None or stated.degrees or stated.value <= 0:
        return None
    return _Pair(stated, drawn)


def _hit(stated: Stated, drawn: Floats) -> np.ndarray[tuple[int, int, int], np.dtype[np.bool_]]:
    """Under which hypotheses a stated length is one of those drawn, (units, scales, text units)."""
    per = np.full(len(TEXT_UNITS), MM_PER_UNIT[stated.unit]) if stated.unit else TEXT_MM
    value, slack = stated.value * per, stated.slack * per
    lengths = drawn[:, None, None, None] * MM[None, :, :, None]
    return np.asarray((np.abs(lengths - value) <= slack + _SHARE * value).any(axis=0))


def _sentence(hits: np.ndarray[tuple[int, ...], np.dtype[np.bool_]], pairs: list[_Pair], unit: int, scale: int) -> str:
    """What fits a unit and a scale, in the unit of texts in which most does; nothing where none does."""
    counts = hits[:, unit, scale].sum(axis=0)
    text = int(counts.argmax())
    first = next((p for p, hit in zip(pairs, hits[:, unit, scale, text], strict=True) if hit), None)
    if first is None:
        return ""
    count, (name, at), drawn = int(counts[text]), named(unit, scale), f"{first.drawn:.6g} {UNITS[unit]}"
    says = f"{first.stated.value:g} {first.stated.unit or TEXT_UNITS[text]}"
    if at:
        return f"{count} of {len(pairs)} dimensions fit {name} at {at}: one says {says}, and {drawn} at {at} is drawn."
    return f"{count} of {len(pairs)} dimensions fit {name}: one says {says}, and {drawn} is drawn."


def _loose(texts: tuple[str, ...]) -> Iterator[Stated]:
    for text in texts:
        found = _LOOSE.fullmatch(plain_text(text).strip())
        stated = stated_in(text) if found else None
        if found and stated is not None and not stated.degrees and stated.value > 0:
            yield stated


def _against_all(loose: list[Stated], seen: Evidence) -> Iterator[Clue]:
    """Numbers that stand alone: each is compared with every length, and chance hits are reckoned with."""
    reach = seen.reach
    spread = max(math.log(reach.max() / reach.min()), 1.0) + 2.0
    total = np.zeros((len(UNITS), len(SCALES), len(TEXT_UNITS)))
    hits = np.zeros(total.shape)
    for stated in loose:
        window = 2 * (_SHARE + stated.slack / stated.value)
        chance = min(0.9, len(reach) * window / spread)
        hit = _hit(stated, reach)
        # Against how often a wrong hypothesis would hit: a number that is no length at all tells nothing.
        total += np.log(1 - _LOOSE_FITS + np.where(hit, _LOOSE_FITS / max(chance, _LEAST_CHANCE), 0.0))
        hits += hit
    total *= min(1.0, _HEARD / len(loose))
    if hits.max() < 2:
        return

    def says(unit: int, scale: int) -> str:
        count = int(hits[unit, scale].max())
        name, at = named(unit, scale)
        if not count:
            return ""
        if at:
            return f"{count} of {len(loose)} numbers in the texts are lengths that are drawn, as {name} at {at}."
        return f"{count} of {len(loose)} numbers in the texts are lengths that are drawn, as {name}."

    yield Clue("numbers in texts", total[..., None], says)
