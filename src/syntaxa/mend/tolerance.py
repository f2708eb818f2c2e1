"""The gap tolerance read off the gaps themselves.

Each open end has a distance to its nearest possible partner. Gaps that belong together lie in one crowd and
what does not belong together lies far beyond it: the tolerance is put just above the crowd with the widest
empty stretch behind it. Cost: n log n in the open ends.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.transform import Floats
from syntaxa.mend.heal import prepared
from syntaxa.mend.joints import end_states, nearest_partner
from syntaxa.mend.received import Received

#: mm; used where nothing is open.
SMALLEST = 1e-4

#: mm; no gap beyond this is ever closed without being asked.
LARGEST = 5.0

#: The empty stretch must reach at least this many times the tolerance.
_CLEAR = 2.5

#: Share of the crowd that may straggle behind it.
_STRAGGLERS = 0.01

#: Share of the open ends that a crowd has at the least: fewer have come near something by chance.
_LEAST = 0.02


@dataclass(frozen=True, slots=True)
class ProposedGap:
    """A gap tolerance (mm), how many open ends it finds a partner for, of how many, and why in words."""

    gap: float
    closes: int
    of: int
    says: str = ""


def propose_gap(received: Received, tolerances: Tolerances) -> ProposedGap:
    """The gap tolerance that the drawing itself suggests."""
    near = prepared(received, tolerances).near
    if not len(near.curves):
        return ProposedGap(SMALLEST, 0, 0)
    limit = float(np.clip(0.5 * np.median(near.lengths), 1e-2, LARGEST))
    state = end_states(near, min(0.1, limit))

    def clear(to_ends: Floats) -> float:
        return _above_the_crowd(np.sort(to_ends[to_ends <= limit]), limit, len(to_ends))[0]

    distances = np.sort(nearest_partner(near, state, limit, clear))
    gap, closes = _above_the_crowd(distances[distances <= limit], limit, len(distances))
    return ProposedGap(gap, closes, len(distances))


def auto_tolerances(received: Received, tolerances: Tolerances) -> Tolerances:
    """The tolerances with the gap that the drawing suggests, and a speck in keeping with it."""
    gap = propose_gap(received, tolerances).gap
    return with_gap(tolerances, gap)


def with_gap(tolerances: Tolerances, gap: float) -> Tolerances:
    """The tolerances with another gap (mm), and a speck in keeping with it."""
    return replace(tolerances, gap=gap, speck=max(Tolerances().speck, 0.4 * gap))


def _above_the_crowd(near: Floats, limit: float, of: int) -> tuple[float, int]:
    """Tolerance and how many distances (sorted, mm) it takes in; `of` is the number of open ends."""
    count = len(near)
    k = np.arange(count + 1)
    here = np.maximum(np.concatenate([[SMALLEST], near]), SMALLEST)
    following = k + (_STRAGGLERS * k).astype(np.int64)
    beyond = np.where(following < count, near[np.minimum(following, count - 1)] if count else limit, limit)
    score = np.where((beyond < _CLEAR * here) | (k < _LEAST * of), 0.0, np.log(beyond / here) * (k + 1) / (count + 1))
    best = int(np.argmax(score))
    if not best:
        return SMALLEST, 0
    crowd = near[: best + int(_STRAGGLERS * best)]
    bulk, last = float(np.quantile(crowd, 0.99)), float(crowd[-1])
    return max(SMALLEST, 1.25 * bulk, min(1.02 * last, 1.5 * bulk)), len(crowd)
