"""Clues about the unit of a drawing, each with a weight and a sentence, and what they add up to."""

from __future__ import annotations

import math
from dataclasses import dataclass

from syntaxa.drawing.units import MM_PER_UNIT, UNIT_NAMES

#: Metric units, for the header's flag that says only "metric" or "imperial".
_METRIC = ("mm", "cm", "m")
_IMPERIAL = ("in", "ft")

#: Units that are weighed against each other.
HYPOTHESES = ("mm", "in", "cm", "m", "ft")

#: A sheet part is most often 10 mm to 3 m across (common practice, no published source).
_PLAUSIBLE_MM = (10.0, 3000.0)


@dataclass(frozen=True, slots=True)
class Witness:
    """A clue: what kind, which unit it speaks for, its weight (log-likelihood ratio), and a sentence."""

    kind: str
    unit: str
    weight: float
    says: str


@dataclass(frozen=True, slots=True)
class Verdict:
    """The unit with the most support, its probability, and the witnesses heard."""

    unit: str
    confidence: float
    witnesses: tuple[Witness, ...]


def hear(declared: str | None, metric: bool | None, size: float | None) -> Verdict:
    """Weighs header unit, metric flag and overall size (in the file's own numbers)."""
    witnesses = [*_header(declared), *_flag(metric), *_size(size)]
    score = dict.fromkeys((*HYPOTHESES, *({declared} - set(HYPOTHESES) if declared else ())), 0.0)
    for witness in witnesses:
        score[witness.unit] += witness.weight
    if declared is None:
        # With nothing said, workshops take millimetres first (common practice, no published source).
        score["mm"] += 0.5
    total = sum(math.exp(s) for s in score.values())
    best = max(score, key=lambda unit: score[unit])
    return Verdict(best, math.exp(score[best]) / total, tuple(witnesses))


def _header(declared: str | None) -> list[Witness]:
    if declared is None:
        return []
    return [Witness("header", declared, 3.2, f"The header declares {UNIT_NAMES[declared]}.")]


def _flag(metric: bool | None) -> list[Witness]:
    if metric is None:
        return []
    family, name = (_METRIC, "metric") if metric else (_IMPERIAL, "imperial")
    says = f"The header's measurement flag says {name}."
    return [Witness("measurement flag", unit, 0.7, says) for unit in family]


def _size(size: float | None) -> list[Witness]:
    if size is None or size <= 0:
        return []
    low, high = _PLAUSIBLE_MM
    fitting = [u for u in HYPOTHESES if low <= size * MM_PER_UNIT[u] <= high]
    return [
        Witness("overall size", u, 0.6, f"As {UNIT_NAMES[u]} the drawing is {size * MM_PER_UNIT[u]:.4g} mm across.")
        for u in fitting
        if len(fitting) < len(HYPOTHESES)
    ]
