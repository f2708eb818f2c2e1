"""Curves that meet end to end, as chains in order."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.fitting import Rows
from syntaxa.geometry.runs import rows_of

#: mm; ends nearer than this are one.
_SAME = 2e-6


@dataclass(frozen=True, slots=True)
class Chain:
    """Curves in order, the foremost of those given in the lead, and their rows (x0, y0, x1, y1, bulge) end to end."""

    curves: list[Curve]
    rows: Rows
    closed: bool

    @property
    def lead(self) -> Curve:
        """The curve that the chain takes its layer and name from."""
        return self.curves[0]


def chains_of(curves: Sequence[Curve], fit: float = 1e-3) -> list[Chain]:
    """The chains of some curves; where three or more ends meet a chain ends."""
    runs = [rows_of(c.shape, fit) for c in curves]
    if not runs:
        return []
    ends = np.array([p for run in runs for p in (run[0][:2], run[-1][2:4])])
    _, label = cluster_labels(ends, _SAME)
    at: dict[int, list[int]] = {}
    for end, place in enumerate(label.tolist()):
        at.setdefault(place, []).append(end)
    unused = dict.fromkeys(range(len(curves)))
    chains = []
    for k in list(unused):
        if k not in unused:
            continue
        first = _first_of(k, label.tolist(), at)
        order, closed = _followed(first, label.tolist(), at, unused)
        rows = [row for end in order for row in _run(runs[end // 2], end % 2 == 1)]
        members = [curves[end // 2] for end in order]
        lead = min(range(len(members)), key=lambda i: order[i] // 2)
        chains.append(Chain([members[lead], *members[:lead], *members[lead + 1 :]], _linked(rows, closed), closed))
    return chains


def _first_of(curve: int, label: list[int], at: dict[int, list[int]]) -> int:
    """The end at which the chain of a curve begins: as far back as it goes."""
    end, seen = 2 * curve, {curve}
    while True:
        there = at[label[end]]
        before = [e for e in there if e != end]
        if len(before) != 1 or before[0] // 2 in seen:
            return end
        seen.add(before[0] // 2)
        end = before[0] ^ 1


def _followed(
    first: int, label: list[int], at: dict[int, list[int]], unused: dict[int, None]
) -> tuple[list[int], bool]:
    """The chain from an end on: the end that each curve is entered by, and whether it closes."""
    order, end = [first], first
    unused.pop(first // 2, None)
    while True:
        onward = [e for e in at[label[end ^ 1]] if e != end ^ 1]
        if label[end ^ 1] == label[first] and len(at[label[first]]) == 2:
            return order, True
        if len(onward) != 1 or onward[0] // 2 not in unused:
            return order, False
        end = onward[0]
        unused.pop(end // 2)
        order.append(end)


def _run(rows: Rows, backward: bool) -> Rows:
    return [(c, d, a, b, -bulge) for a, b, c, d, bulge in reversed(rows)] if backward else rows


def _linked(rows: Rows, closed: bool) -> Rows:
    """Each start set to the end before it, bit for bit."""
    linked = rows[:1]
    for row in rows[1:]:
        linked.append((*linked[-1][2:4], *row[2:]))
    if closed:
        linked[-1] = (*linked[-1][:2], *linked[0][:2], linked[-1][4])
    return linked
