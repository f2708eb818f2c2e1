"""Clues about the unit of a drawing, each with a weight and a sentence, and what they add up to.

Every clue is a likelihood over all hypotheses (unit of the numbers, scale of the page, unit of the texts); they are
multiplied with the prior (Bayes), and hypotheses that give the same size are taken together.
"""

from __future__ import annotations

import itertools
import math
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.units import UNIT_NAMES, mm_per
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats, Ints
from syntaxa.measure.clues.dimensions import dimensions
from syntaxa.measure.clues.header import header, neighbours
from syntaxa.measure.clues.notes import notes
from syntaxa.measure.clues.roundness import roundness
from syntaxa.measure.clues.sheets import sheets
from syntaxa.measure.clues.sizes import sizes
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import MM, SCALES, UNITS, Clue, priors

#: Below this the clues are not at one, and the user is asked.
SURE = 0.9

#: A witness of at least this weight that speaks for another size contradicts.
_STRONG = 1.5

#: Log-likelihoods that differ by less are about equal; from this on a clue speaks against.
_EQUALLY, _AGAINST = 0.35, 2.0

#: Clues that somebody wrote down.
_WRITTEN = frozenset({"choice", "dimensions", "note", "scale note"})

_CLUES = (header, neighbours, dimensions, notes, sheets, roundness, sizes)


@dataclass(frozen=True, slots=True)
class Witness:
    """A clue: what kind, which unit and page scale it speaks for, its weight (log-likelihood ratio), and a sentence."""

    kind: str
    unit: str
    weight: float
    says: str
    page_scale: float = 1.0


@dataclass(frozen=True, slots=True)
class Candidate:
    """A unit and page scale with its probability, and which witnesses (indices) speak for and against it.

    says  what those that speak for it say of it, as they do: where a clue likes two units, each has its own sentence
    """

    unit: str
    page_scale: float
    probability: float
    speak_for: tuple[int, ...] = ()
    speak_against: tuple[int, ...] = ()
    says: tuple[str, ...] = ()

    @property
    def mm_per_number(self) -> float:
        """mm in one of the file's numbers."""
        return mm_per(self.unit) * self.page_scale


@dataclass(frozen=True, slots=True)
class Verdict:
    """The unit and page scale with the most support, its probability, the witnesses heard, and all candidates."""

    unit: str
    confidence: float
    witnesses: tuple[Witness, ...]
    page_scale: float = 1.0
    candidates: tuple[Candidate, ...] = ()
    contradicted: tuple[int, ...] = ()

    @property
    def sure(self) -> bool:
        """Whether nobody needs to be asked: probable enough, and no strong witness against it."""
        return self.confidence >= SURE and not self.contradicted


def hear(seen: Evidence) -> Verdict:
    """Weighs all that there is to be seen."""
    if seen.declared is not None and seen.declared not in UNITS:
        says = f"The header declares {UNIT_NAMES[seen.declared]}."
        candidate = Candidate(seen.declared, 1.0, 0.9, (0,), (), (says,))
        return Verdict(seen.declared, 0.9, (Witness("header", seen.declared, 3.0, says),), 1.0, (candidate,))
    prior = priors(seen.form)
    clues = list(itertools.chain.from_iterable(kind(seen) for kind in _CLUES))
    total = prior + sum((c.loglike for c in clues), np.zeros(prior.shape))
    share = _by_size(total)
    # What a clue says alone is how it changes the balance of sizes.
    common = _by_size(prior)
    voices = [_by_size(prior + c.loglike) - common for c in clues]
    witnesses = tuple(_witness(c, v, common) for c, v in zip(clues, voices, strict=True))
    probability = np.exp(share - np.logaddexp.reduce(share))
    order = np.argsort(-probability, kind="stable")[:8].tolist()
    names = _names(total)
    likely = (k for k in order if probability[k] > 1e-4)
    candidates = tuple(_candidate(float(probability[k]), k, clues, voices, names[k]) for k in likely)
    best = candidates[0]
    against = tuple(k for k in range(len(witnesses)) if _contradicts(witnesses[k], k, best))
    return Verdict(best.unit, best.probability, witnesses, best.page_scale, candidates, against)


def _contradicts(witness: Witness, index: int, best: Candidate) -> bool:
    """What the file declares contradicts whenever it is not what was found, what is written where it is strong.

    Sizes that are odd or large only make a unit less probable.
    """
    if witness.kind in ("header", "pixels"):
        return index not in best.speak_for
    return witness.kind in _WRITTEN and index in best.speak_against and witness.weight >= _STRONG


def _same_sizes() -> tuple[list[tuple[int, int]], Ints]:
    """The simplest hypothesis (unit, scale) of each size of a number, and which size each has, (u * s,)."""
    sizes: dict[float, int] = {}
    simplest: list[tuple[int, int]] = []
    index = np.zeros(MM.shape, dtype=np.int64)
    for u, s in sorted(np.ndindex(*MM.shape), key=lambda us: (SCALES[us[1]] != 1.0, us)):
        size = float(f"{MM[u, s]:.9g}")
        if size not in sizes:
            sizes[size] = len(simplest)
            simplest.append((u, s))
        index[u, s] = sizes[size]
    return simplest, index.ravel()


_SIMPLEST, _SIZE_INDEX = _same_sizes()


def _names(total: Floats) -> list[tuple[int, int]]:
    """By which unit and scale each size is called: the likeliest of those that give it."""
    weight = total.max(axis=(2, 3)).ravel()
    best: list[tuple[int, int]] = list(_SIMPLEST)
    top = np.full(len(_SIMPLEST), -np.inf)
    for flat, size in enumerate(_SIZE_INDEX.tolist()):
        if weight[flat] > top[size]:
            top[size], best[size] = weight[flat], (flat // len(SCALES), flat % len(SCALES))
    return best


def _by_size(joint: Floats) -> Floats:
    """Log of the sum over all hypotheses that give a number the same size, (sizes,)."""
    top = float(joint.max())
    sums = np.exp(joint - top).sum(axis=(2, 3)).ravel()
    return np.asarray(np.log(np.maximum(np.bincount(_SIZE_INDEX, sums), NOUGHT)) + top)


def _witness(clue: Clue, voice: Floats, common: Floats) -> Witness:
    """Of the sizes that it likes about equally, it speaks for the one that is most common.

    One that likes many sizes more or less speaks for the one that would be likeliest if nothing else were known.
    """
    if isinstance(clue.says, str):
        liked = np.where(voice >= voice.max() - _EQUALLY, common, -np.inf)
    else:
        liked = voice + common
    order = [_SIMPLEST[k] for k in np.argsort(-liked, kind="stable").tolist()]
    unit, scale = next((one for one in order if clue.sentence(*one)), order[0])
    weight = float(voice.max() - (np.logaddexp.reduce(voice) - math.log(len(voice))))
    return Witness(clue.kind, UNITS[unit], round(weight, 3), clue.sentence(unit, scale), SCALES[scale])


def _candidate(p: float, index: int, clues: list[Clue], voices: list[Floats], name: tuple[int, int]) -> Candidate:
    """For it speak the clues that like it nearly best, against it those that find it much less likely than another."""
    away = [float(v.max() - v[index]) for v in voices]
    # What a clue leaves undecided is neither for nor against.
    tells = [float(np.ptp(v)) > 0.3 for v in voices]
    unit, scale = name
    for_it = tuple(k for k, a in enumerate(away) if a < _EQUALLY and tells[k])
    return Candidate(
        UNITS[unit],
        SCALES[scale],
        p,
        for_it,
        tuple(k for k, a in enumerate(away) if a > _AGAINST),
        tuple(clues[k].sentence(unit, scale) for k in for_it),
    )
