"""Curves that lie on each other: duplicates and overlaps on one line or one circle.

Glossary: pieces whose carriers agree within the merge tolerance and that share some length form a *stack*; a
stack is replaced by its longest piece (the *keeper*), stretched along the carrier to cover all of it.
Cost: n log n for the candidate pairs, then linear.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.clusters import linked
from syntaxa.geometry.ragged import distinct
from syntaxa.geometry.tolerances import NOUGHT, ROUNDING
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import norm

_TURN = 2 * np.pi


@dataclass(frozen=True, slots=True)
class Stacks:
    """s stacks; the members of stack k are members[first[k]:first[k + 1]], its keeper foremost.

    first     (s + 1,) int
    members   (m,) int, pieces
    low, high (s,) float; where along the keeper (as shares) the union begins and ends
    whole     (s,) bool; whether a full circle is covered
    alike     (s,) bool; whether all members are the same length of the same carrier
    """

    first: Ints
    members: Ints
    low: Floats
    high: Floats
    whole: Bools
    alike: Bools

    def __len__(self) -> int:
        return len(self.low)

    @property
    def keepers(self) -> Ints:
        """The piece that stands for each stack, (s,)."""
        return self.members[self.first[:-1]]

    def others(self, stack: int) -> Ints:
        """The pieces of a stack but for its keeper."""
        return self.members[self.first[stack] + 1 : self.first[stack + 1]]


def stacks(curves: CurveArray, pairs: tuple[Ints, Ints], tolerance: float) -> Stacks:
    """All stacks of pieces that lie on each other within the tolerance (mm); pairs are those whose boxes touch."""
    i, j = stacked_pairs(curves, pairs, tolerance)
    _, label = linked(i, j, len(curves))
    involved = distinct(np.concatenate([i, j]))
    lengths = curves.lengths()
    members = involved[np.lexsort((involved, -lengths[involved], label[involved]))]
    groups = label[members]
    begins = np.flatnonzero(np.concatenate([[True], groups[1:] != groups[:-1]])) if len(groups) else np.empty(0, int)
    first = np.append(begins, len(members)).astype(np.int64)
    return _spread(curves, lengths, first, members, tolerance)


def _spread(curves: CurveArray, lengths: Floats, first: Ints, members: Ints, tolerance: float) -> Stacks:
    """The stacks with how far each reaches along its keeper."""
    count = len(first) - 1
    if not count:
        none = np.empty(0)
        return Stacks(first, members, none, none, none.astype(bool), none.astype(bool))
    keeper = np.repeat(members[first[:-1]], np.diff(first))
    target, source = curves.take(keeper), curves.take(members)
    middle = target.parameters_of(source.points_at(np.full(len(members), 0.5)))
    half = lengths[members] / 2 / np.maximum(lengths[keeper], NOUGHT)
    low, high = middle - half, middle + half
    lows, highs = np.minimum.reduceat(low, first[:-1]), np.maximum.reduceat(high, first[:-1])
    whole = np.zeros(count, dtype=bool)
    for k in np.flatnonzero(curves.is_arc[members[first[:-1]]]).tolist():
        part = slice(int(first[k]), int(first[k + 1]))
        piece = int(members[part.start])
        turn = _TURN / abs(float(curves.sweep[piece]))
        span = _union_on_circle(low[part].tolist(), high[part].tolist(), turn, tolerance / float(lengths[piece]))
        whole[k] = span is None
        lows[k], highs[k] = span or (0.0, 1.0)
    size = lengths[members]
    unlike = np.abs(size - lengths[keeper]) > 1e-6 * np.maximum(1.0, size)
    alike = ~np.maximum.reduceat(unlike, first[:-1]) & ~whole & (lows >= -ROUNDING) & (highs <= 1 + ROUNDING)
    return Stacks(first, members, lows, highs, whole, alike)


def stretched(curves: CurveArray, stack: Stacks, chosen: Ints) -> tuple[Ints, CurveArray]:
    """Keepers of chosen stacks grown over all of their stack: (keeper of each piece, pieces), for those that grow.

    A keeper that covers its stack already is left out; one that comes to more than half a turn gives two pieces.
    """
    keeper = stack.keepers[chosen]
    low, high = np.minimum(stack.low[chosen], 0.0), np.maximum(stack.high[chosen], 1.0)
    whole = stack.whole[chosen]
    sweep = np.abs(curves.sweep[keeper])
    high = np.where(whole, _TURN / np.maximum(sweep, NOUGHT), high)
    low = np.where(whole, 0.0, low)
    grows = whole | ((high - low - 1) * curves.lengths()[keeper] > ROUNDING)
    keeper, low, high, whole, sweep = keeper[grows], low[grows], high[grows], whole[grows], sweep[grows]
    halved = whole | (sweep * (high - low) > np.pi + ROUNDING)
    middle = np.where(halved, (low + high) / 2, high)
    source = np.concatenate([keeper, keeper[halved]])
    begin, end = np.concatenate([low, middle[halved]]), np.concatenate([middle, high[halved]])
    taken = curves.take(source)
    start = np.where((begin == 0)[:, None], taken.start, taken.points_at(begin))
    stop = np.where((end == 1)[:, None], taken.end, taken.points_at(end))
    # A whole circle ends where it begins, to the bit.
    rounds = np.flatnonzero(whole[halved]) + len(keeper)
    stop[rounds] = start[np.flatnonzero(halved)[whole[halved]]]
    bulge = np.tan(taken.sweep * (end - begin) / 4)
    return source, CurveArray.from_bulges(start, stop, bulge, taken.owner)


def stacked_pairs(curves: CurveArray, pairs: tuple[Ints, Ints], tolerance: float) -> tuple[Ints, Ints]:
    """Pairs (longer, shorter) on one carrier that share more than the tolerance in length."""
    i, j = pairs
    same_kind = curves.is_arc[i] == curves.is_arc[j]
    i, j = i[same_kind], j[same_kind]
    lengths = curves.lengths()
    swap = lengths[j] > lengths[i]
    i, j = np.where(swap, j, i), np.where(swap, i, j)
    # The middle tells most apart.
    for share in (0.5, 0.0, 1.0):
        on = _on_carrier(curves, i, j, share, tolerance)
        i, j = i[on], j[on]
    together = _shared_length(curves, i, j) > np.maximum(10 * tolerance, ROUNDING)
    return i[together], j[together]


def _on_carrier(curves: CurveArray, longer: Ints, shorter: Ints, share: float, tolerance: float) -> Bools:
    """Whether the point at a share of the shorter lies on the carrier of the longer."""
    target = curves.take(longer)
    points = curves.take(shorter).points_at(np.full(len(shorter), share))
    near = target.points_at(target.parameters_of(points))
    return np.asarray(norm(points - near) <= tolerance)


def _shared_length(curves: CurveArray, longer: Ints, shorter: Ints) -> Floats:
    """Length (mm) that both cover, measured along the longer."""
    target, source = curves.take(longer), curves.take(shorter)
    middle = target.parameters_of(source.points_at(np.full(len(shorter), 0.5)))
    length = target.lengths()
    half = source.lengths() / 2 / np.maximum(length, NOUGHT)
    total = np.zeros(len(longer))
    # On a circle the shorter may reach the longer from either side.
    turn = np.where(target.is_arc, _TURN / np.maximum(np.abs(target.sweep), NOUGHT), 0.0)
    for lap in (-1, 0, 1):
        low, high = middle - half + lap * turn, middle + half + lap * turn
        part = np.maximum(0.0, np.minimum(high, 1.0) - np.maximum(low, 0.0))
        total = np.where(target.is_arc | (lap == 0), total + part, total)
    return np.asarray(total * length)


def _union_on_circle(lows: list[float], highs: list[float], turn: float, slack: float) -> tuple[float, float] | None:
    """The union of overlapping intervals on a circle of circumference `turn`, the first one kept in place."""
    begin, end = lows[0], highs[0]
    grown = True
    while grown:
        grown = False
        for a, b in zip(lows, highs, strict=True):
            for lap in (-turn, 0.0, turn):
                x, y = a + lap, b + lap
                if x <= end + slack and y >= begin - slack and (x < begin - slack or y > end + slack):
                    begin, end, grown = min(begin, x), max(end, y), True
                    if end - begin >= turn - slack:
                        return None
    return begin, end
