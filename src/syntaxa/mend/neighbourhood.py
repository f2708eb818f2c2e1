"""Who is near whom among the pieces: worked out once, and carried along when some of the pieces go or change."""

from __future__ import annotations

from functools import cached_property

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex, Pairs
from syntaxa.geometry.clusters import cluster_labels, linked
from syntaxa.geometry.intersect import Contacts, boxes_of, contacts
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import norm
from syntaxa.mend.model import end_points

#: Margin of the boxes, in merge tolerances: enough to find what `end_labels` links.
_MARGIN = 4

_NONE = np.empty(0, dtype=np.int64)

#: Which end of one piece with which of another.
_ENDS = ((0, 0), (0, 1), (1, 0), (1, 1))

#: Share of new pieces from which it is cheaper to begin anew.
_MOSTLY = 0.3


class Neighbourhood:
    """What lies beside what in an array of pieces, within `merge` mm."""

    def __init__(self, curves: CurveArray, merge: float) -> None:
        self.curves = curves
        self.merge = merge

    @cached_property
    def boxes(self) -> BoxIndex:
        """The boxes of all pieces."""
        return boxes_of(self.curves, _MARGIN * self.merge)

    @cached_property
    def pairs(self) -> Pairs:
        """Pairs whose boxes touch."""
        return self.boxes.pairs()

    @cached_property
    def contacts(self) -> Contacts:
        """Where pieces meet."""
        return contacts(self.curves, self.merge, self.pairs)

    @cached_property
    def lengths(self) -> Floats:
        """Length of each piece, mm."""
        return self.curves.lengths()

    @cached_property
    def ends(self) -> Floats:
        """The ends of all pieces, (2n, 2)."""
        return end_points(self.curves)

    @cached_property
    def end_labels(self) -> Ints:
        """The place that each end lies at, (2n,): ends that agree share one."""
        return cluster_labels(self.ends, 2 * self.merge)[1]

    def changed(self, keep: Ints, new: CurveArray) -> Neighbourhood:
        """The neighbourhood of the pieces kept (rising index) with new ones behind them, and what is known already."""
        count = len(keep)
        if count == len(self.curves) and not len(new):
            return self
        curves = CurveArray.joined([self.curves.take(keep), new])
        fresh = Neighbourhood(curves, self.merge)
        if len(new) > _MOSTLY * len(curves):
            return fresh
        number = np.full(len(self.curves), -1, dtype=np.int64)
        number[keep] = np.arange(count)
        pairs, boxes, added = _kept(self.pairs, number), None, (_NONE, _NONE)
        if len(new):
            boxes = boxes_of(new, _MARGIN * self.merge)
            added = self._pairs_of_new(number, new, boxes, count)
        known = fresh.__dict__
        known["boxes"] = self.boxes.changed(number, boxes)
        known["pairs"] = tuple(np.concatenate(both) for both in zip(pairs, added, strict=True))
        if "contacts" in self.__dict__:
            more = contacts(curves, self.merge, added)
            known["contacts"] = Contacts.joined([self.contacts.renumbered(number), more])
        if "end_labels" in self.__dict__:
            known["end_labels"] = self._labels_with(fresh, keep, added)
        return fresh

    def _pairs_of_new(self, number: Ints, new: CurveArray, boxes: BoxIndex, count: int) -> Pairs:
        """Pairs whose boxes touch, of new pieces with those that stay and with each other."""
        half = _MARGIN * self.merge / 2
        row, piece = self.boxes.around(new.bounds() + np.array([-half, -half, half, half]))
        there = number[piece] >= 0
        first, second = boxes.pairs()
        return (
            np.concatenate([number[piece[there]], first + count]),
            np.concatenate([row[there] + count, second + count]),
        )

    def _labels_with(self, fresh: Neighbourhood, keep: Ints, added: Pairs) -> Ints:
        """The labels of the ends that stay, and of those of new pieces: of what they touch, or new ones."""
        ends = fresh.ends
        old = self.end_labels.reshape(-1, 2).take(keep, axis=0).ravel()
        most = int(self.end_labels.max(initial=-1)) + 1
        label = np.concatenate([old, most + np.arange(len(ends) - len(old))])
        # A crumb may have both its ends at one place.
        new = np.arange(len(keep), len(fresh.curves))
        i, j = (np.concatenate([part, new]) for part in added)
        one = np.concatenate([2 * i + a for a, _ in _ENDS])
        two = np.concatenate([2 * j + b for _, b in _ENDS])
        close = np.flatnonzero(norm(ends.take(one, axis=0) - ends.take(two, axis=0)) <= 2 * self.merge)
        merged = linked(label[one[close]], label[two[close]], most + len(ends) - len(old))[1][label]
        used = np.bincount(merged) > 0
        return np.asarray((np.cumsum(used) - 1)[merged])


def _kept(pairs: Pairs, number: Ints) -> Pairs:
    first, second = number[pairs[0]], number[pairs[1]]
    both = (first >= 0) & (second >= 0)
    return first[both], second[both]
