"""What is written: "ALL DIMENSIONS IN MM", "INCH", "SCALE 1:5", "1/4in = 1ft", and how numbers are written.

Source of how numbers are written: ASME Y14.5 (a number below one has a zero before its point in millimetres, none in
inches; millimetres have no zeros behind the last place that counts; inches have as many places as their tolerance).
Threads: ISO 261 (M and a number), ASME B1.1 (UNC, UNF). Fits such as H7: ISO 286.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterator

import numpy as np

from syntaxa.drawing.dimension_text import plain_text
from syntaxa.drawing.quantities import scale_in
from syntaxa.drawing.units import UNIT_NAMES
from syntaxa.errors import MeasureError
from syntaxa.measure.clues.dimensions import shown_text
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import SCALES, Clue, over_texts

_WORDS = {
    "mm": r"mm|millimet(?:er|re)s?", "cm": r"cm|centimet(?:er|re)s?", "m": r"met(?:er|re)s?",
    "in": r"in\.|inch(?:es)?", "ft": r"feet|ft\.?",
}  # fmt: skip
_STATED = {
    unit: re.compile(
        rf"(?:dim(?:ension)?s?\.?|units?|measurements?|lengths?|sizes?)\b[^.\n]{{0,24}}?(?:\bin\b|\bare\b|:|=)?\s*\(?\b(?:{words})(?!\w)",
        re.IGNORECASE,
    )
    for unit, words in _WORDS.items()
}
_ALONE = {
    unit: re.compile(rf"(?:^|[\s(\[,]|\d\s?)(?:{words})(?:$|[\s)\],;.])", re.IGNORECASE)
    for unit, words in _WORDS.items()
}
_SCALE = re.compile(r"(?:scale|sc\.|m)\s*[:=]?\s*(\d+(?:\.\d+)?\s*:\s*\d+(?:\.\d+)?)", re.IGNORECASE)
_SCALE_ALONE = re.compile(r"\s*(\d{1,3}\s*:\s*\d{1,4})\s*")
_SCALE_EQUATION = re.compile(
    r"(\d[\d\s/.]*(?:in\.?|\"|″))\s*=\s*(\d+(?:\s*['′]-?\s*\d*\s*[\"″]?|\s*ft))", re.IGNORECASE
)

_METRIC_SIGNS = re.compile(r"\bM\d{1,2}(?:\s*[xX×]\s*[\d.]+)?\b|[ØøR]?\d\s?[HhGgKk]\d{1,2}\b")
_INCH_SIGNS = re.compile(r"\bUN[CF]\b|\bGA\b|\bNPT\b|\d+/\d+\s*[\"″]")

_METRIC_LIKE, _INCH_LIKE = {"mm", "cm", "m"}, {"in", "ft"}


def notes(seen: Evidence) -> Iterator[Clue]:
    """All that the texts say about unit and scale."""
    yield from _unit_notes(seen.texts)
    yield from _scale_notes(seen)
    yield from _number_style(seen)


def _unit_notes(texts: tuple[str, ...]) -> Iterator[Clue]:
    stated = [u for u, pattern in _STATED.items() if any(pattern.search(t) for t in texts)]
    if len(stated) == 1:
        says = f"A note says that dimensions are in {UNIT_NAMES[stated[0]]}."
        yield Clue("note", over_texts({stated[0]: math.log(0.97)}, math.log(0.002)), says)
        return
    for unit, pattern in _ALONE.items():
        count = sum(bool(pattern.search(t)) for t in texts)
        if count:
            weight = min(count, 3)
            likely = over_texts({unit: weight * math.log(0.55)}, weight * math.log(0.2))
            yield Clue("note", likely, f"{count} texts speak of {UNIT_NAMES[unit]}.")


def _scale_notes(seen: Evidence) -> Iterator[Clue]:
    for text in seen.texts:
        found = _SCALE_EQUATION.search(text) or _SCALE.search(text) or _SCALE_ALONE.fullmatch(text)
        if found is None:
            continue
        words = "=".join(found.groups()) if found.re is _SCALE_EQUATION else found[1]
        try:
            scale = scale_in(words.lower().replace("in.", "in"))
        except MeasureError:
            continue
        match = np.array([abs(s - scale) <= 1e-6 * scale for s in SCALES])
        if not match.any():
            continue
        if seen.form == "dxf":
            # In model space things are mostly drawn at true size, and the note is for plotting.
            likely = np.where(match, 0.9, 0.01)
            likely[0] = 0.9 if scale == 1.0 else 0.45
        else:
            # A page is as it says, but for one in twenty printed smaller; and that says this one scale of many.
            likely = np.where(match, 0.9, 0.05 / len(SCALES))
        yield Clue("scale note", np.log(likely)[None, :, None, None], f"A note says scale {words.strip()}.")
        return


def _number_style(seen: Evidence) -> Iterator[Clue]:
    """Zeros before the point and at the end, commas, fractions, threads and fits."""
    texts = [plain_text(t) for t in (*(shown_text(d) for d in seen.dimensions), *seen.texts)]
    inch = sum(bool(re.search(r"(?<![\d.,])\.\d", t)) for t in texts) + sum(bool(_INCH_SIGNS.search(t)) for t in texts)
    inch += sum(bool(re.search(r"\d\s*['′\"″]|(?<!\d)\d{1,2}/(?:2|4|8|16|32|64)(?!\d)", t)) for t in texts)
    inch += sum(bool(re.search(r"\d\.\d*0(?!\d)", t)) for t in texts)
    metric = sum(bool(re.search(r"(?<![\d.,])0[.,]\d|\d,\d{1,3}(?!\d)", t)) for t in texts)
    metric += sum(bool(re.fullmatch(r"[ØøR]?\d+[.,][1-9]", t.strip())) for t in texts)
    metric += sum(bool(_METRIC_SIGNS.search(t)) for t in texts)
    if inch == metric:
        return
    side, name = (_INCH_LIKE, "inches") if inch > metric else (_METRIC_LIKE, "metric units")
    strength = min(abs(inch - metric), 6) * 0.7
    likely = over_texts(dict.fromkeys(side, 0.0), -strength)
    yield Clue("way of writing", likely, f"{max(inch, metric)} texts are written the way that {name} are.")
