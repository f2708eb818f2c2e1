"""What a drawing's numbers may mean: a unit, a scale of its page, the unit that its texts speak, and a kind of thing.

All hypotheses are weighed at once, as arrays of logarithms of likelihoods with one axis for each of the four. Which
unit the texts speak and what kind of thing it is are summed out in the end: only how large a number is in mm can be
seen in the result.

Glossary: *prior*, what is thought before anything was read; *likelihood*, how probable it would be to read just this
if the hypothesis were true.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.units import MM_PER_UNIT, UNIT_NAMES, scale_text
from syntaxa.geometry.types import Floats

#: Units of the numbers that are weighed against each other.
UNITS = ("mm", "cm", "m", "in", "ft", "px", "px90", "pt")

#: Units that texts speak.
TEXT_UNITS = ("mm", "cm", "m", "in", "ft")

#: How many times larger things are than they are drawn. Sources: ISO 5455 (1:2, 1:5, 1:10, and so on in tens, and the
#: same enlarged); inches to the foot as architects use them, 1:48 being a quarter inch (common practice).
SCALES = (
    1.0, 2.0, 5.0, 10.0, 20.0, 50.0, 100.0, 200.0, 500.0, 0.5, 0.2, 0.1, 4.0, 8.0, 12.0, 16.0, 24.0, 32.0, 48.0, 96.0,
)  # fmt: skip

#: Kinds of thing that are drawn: parts that are cut and machined; frames, sheds and yards.
KINDS = ("part", "structure")

#: mm in one number, under each unit and scale, (units, scales).
MM = np.array([[MM_PER_UNIT[u] * s for s in SCALES] for u in UNITS])

#: mm in one of each unit that texts speak.
TEXT_MM = np.array([MM_PER_UNIT[t] for t in TEXT_UNITS])

#: How often each unit is met, by the format (a judgement; no published source). Other formats are taken as "dxf".
_UNIT_PRIOR = {
    "dxf": (0.50, 0.10, 0.10, 0.18, 0.06, 0.03, 0.01, 0.02),
    "svg": (0.20, 0.03, 0.01, 0.07, 0.01, 0.44, 0.09, 0.15),
    "pdf": (0.01, 0.00, 0.00, 0.01, 0.00, 0.02, 0.00, 0.96),
    "image": (0.90, 0.01, 0.01, 0.03, 0.01, 0.02, 0.01, 0.01),
    "stl": (0.80, 0.03, 0.03, 0.12, 0.01, 0.00, 0.00, 0.01),
}

#: How often what a file holds is drawn at true size. Model space is, pages often are not.
_TRUE_SIZE = {"pdf": 0.6, "svg": 0.97, "image": 0.7}

#: Unit of the texts, given that of the numbers (a judgement; rows as UNITS, columns as TEXT_UNITS).
_TEXT_GIVEN_UNIT = np.array(
    [
        [0.94, 0.02, 0.01, 0.025, 0.005],
        [0.40, 0.55, 0.02, 0.02, 0.01],
        [0.30, 0.05, 0.63, 0.01, 0.01],
        [0.10, 0.005, 0.005, 0.86, 0.03],
        [0.02, 0.01, 0.02, 0.15, 0.80],
        [0.66, 0.06, 0.02, 0.24, 0.02],
        [0.66, 0.06, 0.02, 0.24, 0.02],
        [0.60, 0.05, 0.03, 0.27, 0.05],
    ]
)

#: How often a drawing in each unit is of a part (a judgement; no published source).
_PART_GIVEN_UNIT = np.array([0.94, 0.75, 0.14, 0.94, 0.08, 0.94, 0.94, 0.9])

_LEAST = 1e-6


@dataclass(frozen=True, slots=True)
class Clue:
    """What one witness saw: log-likelihoods that broadcast to (units, scales, text units, kinds), and a sentence.

    says  the sentence, or what it is for a unit and a scale (their places); "" where there is nothing to say of them
    """

    kind: str
    loglike: Floats
    says: str | Callable[[int, int], str]

    def sentence(self, unit: int, scale: int) -> str:
        """What it says of a unit and a scale."""
        return self.says if isinstance(self.says, str) else self.says(unit, scale)


def named(unit: int, scale: int) -> tuple[str, str]:
    """A unit and a scale by their places, as they are written; no scale where it is true size."""
    return UNIT_NAMES[UNITS[unit]], "" if SCALES[scale] == 1 else scale_text(SCALES[scale])


def priors(form: str) -> Floats:
    """Log of the prior of each hypothesis, (units, scales, text units, kinds), for a format."""
    unit = np.maximum(np.array(_UNIT_PRIOR.get(form, _UNIT_PRIOR["dxf"])), _LEAST)
    true_size = _TRUE_SIZE.get(form, 0.98)
    scale = np.array([[true_size, *((1 - true_size) * w for w in _others(u in ("in", "ft")))] for u in UNITS])
    kind = np.stack([_PART_GIVEN_UNIT, 1 - _PART_GIVEN_UNIT], axis=1)
    joint = unit[:, None, None] * scale[:, :, None] * _TEXT_GIVEN_UNIT[:, None, :]
    joint = joint[..., None] * kind[:, None, None, :]
    return np.asarray(np.log(joint / joint.sum()))


def _others(imperial: bool) -> list[float]:
    """How the other scales share what is left: reductions in tens and fives, or inches to the foot."""
    common, feet = (2.0, 5.0, 10.0, 20.0, 50.0, 100.0), (4.0, 8.0, 12.0, 16.0, 24.0, 32.0, 48.0, 96.0)
    weight = [1.0 if s in common else (1.5 if imperial else 0.05) if s in feet else 0.4 for s in SCALES[1:]]
    return [w / sum(weight) for w in weight]


def over_units(values: dict[str, float], otherwise: float = 0.0) -> Floats:
    """Log-likelihoods that depend on the unit of the numbers only."""
    return np.array([values.get(u, otherwise) for u in UNITS])[:, None, None, None]


def over_texts(values: dict[str, float], otherwise: float = 0.0) -> Floats:
    """Log-likelihoods that depend on the unit of the texts only."""
    return np.array([values.get(t, otherwise) for t in TEXT_UNITS])[None, None, :, None]


def over_sizes(values: Floats) -> Floats:
    """Log-likelihoods that depend on how large a number is, (units, scales) or (units, scales, kinds)."""
    return values[:, :, None, None] if values.ndim == 2 else values[:, :, None, :]
