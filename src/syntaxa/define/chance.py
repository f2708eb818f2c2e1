"""How far off what is meant lies in this drawing, and what lies no farther off by chance.

The deviations of all candidates, in mm of end movement, are a mixture: what is meant is off by the noise of the drawing
(half a normal distribution), what is not is spread evenly. Fitted by expectation and maximisation.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from syntaxa.define.guesses import Guess
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats, Ints

#: mm; no drawing is said to be better than this: what is rounded when it is written is off by as much.
FINEST = 3e-5

#: How sure it must be that something is meant, and within how many times the noise.
_SURE = 0.9
_WITHIN = 3.3

_ROUNDS = 60


def noise_of(guesses: Sequence[Guess]) -> float:
    """The noise of a drawing (mm), by what nearly holds in it."""
    if not guesses:
        return FINEST
    off, kind, chance = _arrays(guesses)
    starts = [max(float(s), FINEST) for s in np.quantile(off, (0.25, 0.5, 0.8))]
    return max((_fitted(off, kind, chance, s, free=True) for s in starts), key=lambda f: f[0])[1]


def meant(guesses: Sequence[Guess], noise: float) -> list[bool]:
    """Which of some candidates are meant, in a drawing of so much noise (mm)."""
    if not guesses:
        return []
    off, kind, chance = _arrays(guesses)
    likely = _fitted(off, kind, chance, max(noise, FINEST), free=False)[2]
    chosen: list[bool] = ((likely > _SURE) & (off < _WITHIN * max(noise, FINEST))).tolist()
    return chosen


def _arrays(guesses: Sequence[Guess]) -> tuple[Floats, Ints, Floats]:
    names = sorted({g.kind for g in guesses})
    place = {name: k for k, name in enumerate(names)}
    return (
        np.array([max(g.off, ROUNDED) for g in guesses]),
        np.array([place[g.kind] for g in guesses]),
        np.array([g.chance for g in guesses]),
    )


#: mm; less is what rounding leaves.
ROUNDED = 1e-9


def _fitted(off: Floats, kind: Ints, chance: Floats, width: float, *,
            free: bool) -> tuple[float, float, Floats]:  # fmt: skip
    """(log-likelihood, width in mm, how likely each is meant); how often a kind is meant is fitted kind by kind."""
    share = np.full(int(kind.max()) + 1, 0.5)
    likely = total = off
    for _ in range(_ROUNDS):
        by_noise = share[kind] * np.exp(-0.5 * (off / width) ** 2) * math.sqrt(2 / math.pi) / width
        total = by_noise + (1 - share[kind]) * chance
        likely = by_noise / np.maximum(total, NOUGHT)
        if free:
            width = max(math.sqrt(float(likely @ off**2) / max(float(likely.sum()), ROUNDED)), FINEST)
        share = np.clip(np.bincount(kind, likely) / np.bincount(kind), 0.02, 0.98)
    return float(np.log(np.maximum(total, NOUGHT)).sum()), width, likely
