"""The gap tolerance read off the gaps themselves.

Each open end has a distance to its nearest possible partner. Gaps that belong together lie in one crowd and
what does not belong together lies far beyond it: the tolerance is put just above the crowd with the widest
empty stretch behind it. It stays below half of the smallest distance between what is meant to be apart: lines that run
beside each other, short edges, small circles. Cost: n log n in the open ends.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from syntaxa.geometry.clusters import linked
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Bools, Floats
from syntaxa.geometry.vectors import dot
from syntaxa.mend.heal import prepared
from syntaxa.mend.joints import EndState, end_states, leaving, nearest_partner, sound
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.prepared import Prepared

#: mm; used where nothing is open.
SMALLEST = 1e-4

#: mm; no gap beyond this is ever closed without being asked.
LARGEST = 5.0

#: The empty stretch must reach at least this many times the tolerance.
_CLEAR = 2.5

#: Share of the crowd that may straggle behind it.
_STRAGGLERS = 0.01

#: Share of the length that hangs on an end beyond which nothing is its gap.
_OF_ITS_LENGTH = 0.5

#: Times the crowd of gaps beyond which what lies beside is meant to be there; and how far below half of that is kept.
_MEANT, _BELOW = 1.4, 0.98

#: How much farther off the next line may be on one side than on the other, and how many such lines make a ruling.
_EVEN, _RULINGS = 2.0, 6

#: Radians; what turns less goes on.
_CORNER = 0.7

#: Share of the open ends that a crowd has at the least: fewer have come near something by chance.
_LEAST = 0.02


@dataclass(frozen=True, slots=True)
class ProposedGap:
    """A gap tolerance (mm), how many open ends it finds a partner for, of how many, and why in words.

    apart     mm, the smallest distance between things that are meant to be apart, inf where none is near any end
    doubtful  open ends whose gap is no smaller than half of that: they are not closed without being asked
    """

    gap: float
    closes: int
    of: int
    says: str = ""
    apart: float = np.inf
    doubtful: int = 0


def propose_gap(received: Prepared, tolerances: Tolerances) -> ProposedGap:
    """The gap tolerance that the drawing itself suggests."""
    near = prepared(received, tolerances).near
    if not len(near.curves):
        return ProposedGap(SMALLEST, 0, 0)
    limit = float(np.clip(0.5 * np.median(near.lengths), 1e-2, LARGEST))
    state = end_states(near, min(0.1, limit))

    def clear(to_ends: Floats) -> float:
        return _above_the_crowd(np.sort(to_ends[to_ends <= limit]), limit, len(to_ends))[0]

    to_partner, left, right = nearest_partner(near, state, limit, clear)
    beside = np.minimum(left, right)
    # What is as far away as half of what it hangs on is long was hardly meant to be met.
    ends = np.flatnonzero(state.open)
    likely = np.minimum(limit, _OF_ITS_LENGTH * _chain_lengths(near)[ends // 2])
    # An end that lies beside another first is the end of a double, whose gap is told by the other.
    distances = np.sort(to_partner[(to_partner <= likely) & (to_partner <= beside)])
    gap, closes = _above_the_crowd(distances, limit, len(ends))
    # What runs beside no farther off than the crowd of gaps may be the same line drawn twice.
    bulk = float(np.quantile(distances[:closes], 0.99)) if closes else SMALLEST
    apart = _smallest_feature(near, state, np.concatenate([beside[beside > _MEANT * bulk], _ruled(left, right)]))
    if closes and gap > apart / 2:
        gap = max(SMALLEST, _BELOW * apart / 2)
        taken = int((distances <= gap).sum())
        return ProposedGap(gap, taken, len(ends), "", apart, closes - taken)
    return ProposedGap(gap, closes, len(ends), "", apart)


def _ruled(left: Floats, right: Floats) -> Floats:
    """Distances (mm) of lines that run beside each other as rulings do: with the next one about as far off on either
    side. A line drawn twice has its double on one side only; what is drawn three times is rare.
    """
    beside, farther = np.minimum(left, right), np.maximum(left, right)
    even = np.flatnonzero(np.isfinite(farther) & (farther <= _EVEN * beside))
    return np.asarray(beside[even]) if len(even) >= max(_RULINGS, _LEAST * len(left)) else np.empty(0)


def _smallest_feature(near: Neighbourhood, state: EndState, beside: Floats) -> float:
    """The smallest distance (mm) between things that are meant to be apart, of which those that run beside each other
    are given.

    Edges count where all that hangs together with them is sound: what is broken does not tell what was meant.
    """
    owner, lengths = near.curves.owner, near.lengths
    corners = _turns_at_both_ends(near) & sound(near, state)
    parts = np.bincount(owner)[owner]
    whole = near.curves.is_arc & (parts == 2) & (np.abs(near.curves.sweep) > 3.1)
    sizes = np.concatenate([beside, lengths[corners], 2 * near.curves.radius[whole]])
    return float(sizes[sizes > 10 * SMALLEST].min(initial=np.inf))


def _turns_at_both_ends(near: Neighbourhood) -> Bools:
    """Pieces that are an edge between two corners, (n,): a facet or a split piece runs on into its neighbours."""
    label = near.end_labels
    first, at = grouped(label, int(label.max(initial=-1)) + 1)
    turns = np.zeros(len(label), dtype=bool)
    two = np.flatnonzero(np.diff(first) == 2)
    one, other = at[first[two]], at[first[two] + 1]
    a, b = leaving(near.curves, one), leaving(near.curves, other)
    sharp = dot(a, b) > -np.cos(_CORNER)
    turns[one[sharp]] = turns[other[sharp]] = True
    return np.asarray(turns.reshape(-1, 2).all(axis=1))


def _chain_lengths(near: Neighbourhood) -> Floats:
    """Length of all that hangs together with each piece by its ends, (n,) mm."""
    label = near.end_labels
    count, group = linked(label[0::2], label[1::2], int(label.max(initial=-1)) + 1)
    own = group[label[0::2]]
    return np.asarray(np.bincount(own, weights=near.lengths, minlength=count)[own])


def auto_tolerances(received: Prepared, tolerances: Tolerances) -> Tolerances:
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
