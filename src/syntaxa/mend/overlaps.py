"""Curves that lie on each other: duplicates and overlaps on one line or one circle.

Glossary: pieces whose carriers agree within the merge tolerance and that share some length form a *stack*; a
stack is replaced by its longest piece (the *keeper*), stretched along the carrier to cover all of it.
Cost: n log n for the candidate pairs, then linear.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components

from syntaxa.geometry.arrays import Bools, CurveArray, Ints
from syntaxa.geometry.intersect import candidate_pairs
from syntaxa.mend.model import Pieces

_TURN = 2 * np.pi


@dataclass(frozen=True, slots=True)
class Stack:
    """Pieces on one carrier: the keeper, the others, and where along the keeper (as shares) the union begins and ends.

    A share interval of None means that a full circle is covered.
    """

    keeper: int
    others: tuple[int, ...]
    span: tuple[float, float] | None


def stacks(pieces: Pieces, tolerance: float) -> list[Stack]:
    """All stacks of pieces that lie on each other within the tolerance (mm)."""
    curves = pieces.curves
    if len(curves) < 2:
        return []
    i, j = stacked_pairs(curves, tolerance)
    if not len(i):
        return []
    graph = coo_matrix((np.ones(len(i)), (i, j)), shape=(len(curves),) * 2)
    _, label = connected_components(graph, directed=False)
    members: dict[int, list[int]] = {}
    for piece in np.unique(np.concatenate([i, j])).tolist():
        members.setdefault(int(label[piece]), []).append(piece)
    lengths = curves.lengths()
    return [_stack(curves, sorted(group, key=lambda k: (-lengths[k], k)), tolerance) for group in members.values()]


def stacked_pairs(curves: CurveArray, tolerance: float) -> tuple[Ints, Ints]:
    """Pairs (longer, shorter) on one carrier that share more than the tolerance in length."""
    i, j = candidate_pairs(curves, tolerance)
    same_kind = curves.is_arc[i] == curves.is_arc[j]
    i, j = i[same_kind], j[same_kind]
    lengths = curves.lengths()
    swap = lengths[j] > lengths[i]
    i, j = np.where(swap, j, i), np.where(swap, i, j)
    on = _on_carrier(curves, i, j, tolerance)
    i, j = i[on], j[on]
    together = _shared_length(curves, i, j) > np.maximum(10 * tolerance, 1e-9)
    return i[together], j[together]


def _on_carrier(curves: CurveArray, longer: Ints, shorter: Ints, tolerance: float) -> Bools:
    """Whether the ends and the middle of the shorter lie on the carrier of the longer."""
    target, source = curves.take(longer), curves.take(shorter)
    good = np.ones(len(longer), dtype=bool)
    for share in (0.0, 0.5, 1.0):
        points = source.points_at(np.full(len(shorter), share))
        near = target.points_at(target.shares_of(points))
        good &= np.hypot(*(points - near).T) <= tolerance
    return good


def _shared_length(curves: CurveArray, longer: Ints, shorter: Ints) -> np.ndarray[tuple[int], np.dtype[np.float64]]:
    """Length (mm) that both cover, measured along the longer."""
    target, source = curves.take(longer), curves.take(shorter)
    middle = target.shares_of(source.points_at(np.full(len(shorter), 0.5)))
    length = target.lengths()
    half = source.lengths() / 2 / np.maximum(length, 1e-300)
    total = np.zeros(len(longer))
    # On a circle the shorter may reach the longer from either side.
    turn = np.where(target.is_arc, _TURN / np.maximum(np.abs(target.sweep), 1e-300), 0.0)
    for lap in (-1, 0, 1):
        low, high = middle - half + lap * turn, middle + half + lap * turn
        part = np.maximum(0.0, np.minimum(high, 1.0) - np.maximum(low, 0.0))
        total = np.where(target.is_arc | (lap == 0), total + part, total)
    return np.asarray(total * length)


def _stack(curves: CurveArray, group: list[int], tolerance: float) -> Stack:
    keeper, others = group[0], tuple(group[1:])
    index = np.array(group)
    source = curves.take(index)
    target = curves.take(np.full(len(group), keeper))
    length = float(source.lengths()[0])
    middle = target.shares_of(source.points_at(np.full(len(group), 0.5)))
    half = source.lengths() / 2 / length
    low, high = middle - half, middle + half
    if not curves.is_arc[keeper]:
        return Stack(keeper, others, (float(low.min()), float(high.max())))
    turn = _TURN / abs(float(curves.sweep[keeper]))
    return Stack(keeper, others, _union_on_circle(low, high, turn, tolerance / length))


def _union_on_circle(low: np.ndarray, high: np.ndarray, turn: float, slack: float) -> tuple[float, float] | None:
    """The union of overlapping intervals on a circle of circumference `turn`, the first one kept in place."""
    begin, end = float(low[0]), float(high[0])
    grown = True
    while grown:
        grown = False
        for a, b in zip(low.tolist(), high.tolist(), strict=True):
            for lap in (-turn, 0.0, turn):
                x, y = a + lap, b + lap
                if x <= end + slack and y >= begin - slack and (x < begin - slack or y > end + slack):
                    begin, end, grown = min(begin, x), max(end, y), True
                    if end - begin >= turn - slack:
                        return None
    return begin, end
