"""The pieces of one sketch as they came, with what lies on what: the healing and the proposals begin from it."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from syntaxa.geometry.types import Ints
from syntaxa.mend.model import Pieces
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.overlaps import Stacks, stacks, stretched


@dataclass(frozen=True, slots=True)
class Single:
    """Pieces of which no two lie on each other, with their neighbourhood."""

    pieces: Pieces
    near: Neighbourhood


class Prepared:
    """The pieces of one sketch as they came, and what lies on what among them."""

    def __init__(self, pieces: Pieces, merge: float) -> None:
        self.pieces = pieces
        self.merge = merge

    @cached_property
    def near(self) -> Neighbourhood:
        """Who is near whom."""
        return Neighbourhood(self.pieces.curves, self.merge)

    @cached_property
    def stacks(self) -> Stacks:
        """What lies on each other."""
        return stacks(self.near)

    @cached_property
    def single(self) -> Single:
        """Every stack made one piece."""
        return self.unstacked(np.arange(len(self.stacks)))

    def unstacked(self, chosen: Ints, other: Ints | None = None) -> Single:
        """All stacks cut down to their keepers; those of the chosen ones reach as far as their stack.

        other   stacks of which the second member is kept instead
        """
        found = self.stacks
        if not len(found):
            return Single(self.pieces, self.near)
        gone = np.zeros(len(self.pieces), dtype=bool)
        gone[found.members] = True
        gone[found.keepers] = False
        if other is not None:
            gone[found.keepers[other]] = True
            gone[found.members[found.first[other] + 1]] = False
        source, grown = stretched(self.near, found, chosen)
        gone[source] = True
        keep = np.flatnonzero(~gone)
        # The second half of a keeper follows the first.
        second = np.ones(len(source), dtype=bool)
        second[np.unique(source, return_index=True)[1]] = False
        order = np.concatenate([self.pieces.order[keep], self.pieces.order[source] + second / 1024])
        near = self.near.changed(keep, grown)
        return Single(Pieces(near.curves, order, self.pieces.ids), near)
