"""Who is near whom among the pieces: worked out once, and carried along when some of the pieces go or change."""

from __future__ import annotations

from functools import cached_property

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.intersect import Contacts
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.model import end_points


class Neighbourhood:
    """What lies beside what in an array of pieces, within `merge` mm; `known` is what the heart knows of it."""

    def __init__(self, curves: CurveArray, merge: float, known: heart.Near | None = None) -> None:
        self.curves = curves
        self.merge = merge
        self.known = heart.Near(curves, merge) if known is None else known

    @classmethod
    def of(cls, known: heart.Near, merge: float) -> Neighbourhood:
        """The neighbourhood of what the heart has made."""
        return cls(CurveArray(*known.curves()), merge, known)

    @cached_property
    def contacts(self) -> Contacts:
        """Where pieces meet, but for ends at ends, which `end_labels` tells."""
        return Contacts(*self.known.contacts())

    @cached_property
    def lengths(self) -> Floats:
        """Length of each piece, mm."""
        return self.known.lengths()

    @cached_property
    def ends(self) -> Floats:
        """The ends of all pieces, (2n, 2)."""
        return end_points(self.curves)

    @cached_property
    def end_labels(self) -> Ints:
        """The place that each end lies at, (2n,): ends that agree share one."""
        return self.known.labels()

    def changed(self, keep: Ints, new: CurveArray) -> Neighbourhood:
        """The neighbourhood of the pieces kept (rising index) with new ones behind them, and what is known already."""
        if len(keep) == len(self.curves) and not len(new):
            return self
        return Neighbourhood.of(self.known.changed(keep, new), self.merge)
