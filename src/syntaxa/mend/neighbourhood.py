"""Who is near whom among the pieces: worked out once, and carried along when some of the pieces go or change."""

from __future__ import annotations

from functools import cached_property

import numpy as np

from syntaxa.geometry.arrays import CurveArray, Ints
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.intersect import BoxTree, Contacts, contacts
from syntaxa.geometry.transform import Floats
from syntaxa.mend.model import end_points

Pairs = tuple[Ints, Ints]

#: Share of new pieces from which it is cheaper to begin anew.
_MOSTLY = 0.3


class Neighbourhood:
    """What lies beside what in an array of pieces, within `merge` mm."""

    def __init__(self, curves: CurveArray, merge: float) -> None:
        self.curves = curves
        self.merge = merge

    @cached_property
    def tree(self) -> BoxTree:
        """The boxes of all pieces."""
        return BoxTree(self.curves, self.merge)

    @cached_property
    def pairs(self) -> Pairs:
        """Pairs whose boxes touch."""
        return self.tree.pairs()

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
        pairs = _kept(self.pairs, number)
        added = self._pairs_of_new(number, new, count)
        known = fresh.__dict__
        known["tree"] = self.tree.changed(number, BoxTree(new, self.merge) if len(new) else None)
        known["pairs"] = tuple(np.concatenate(both) for both in zip(pairs, added, strict=True))
        if "contacts" in self.__dict__:
            more = contacts(curves, self.merge, added)
            known["contacts"] = Contacts.joined([self.contacts.renumbered(number), more])
        return fresh

    def _pairs_of_new(self, number: Ints, new: CurveArray, count: int) -> Pairs:
        """Pairs whose boxes touch, of new pieces with those that stay and with each other."""
        if not len(new):
            none = np.empty(0, dtype=np.int64)
            return none, none
        row, piece = self.tree.around(new.bounds(), self.merge / 2)
        there = number[piece] >= 0
        first, second = BoxTree(new, self.merge).pairs()
        return (
            np.concatenate([number[piece[there]], first + count]),
            np.concatenate([row[there] + count, second + count]),
        )


def _kept(pairs: Pairs, number: Ints) -> Pairs:
    first, second = number[pairs[0]], number[pairs[1]]
    both = (first >= 0) & (second >= 0)
    return first[both], second[both]
