"""The pieces of one sketch as they came, with what lies on what: the healing and the proposals begin from it."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from syntaxa.geometry.types import Ints
from syntaxa.mend.model import Pieces
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.overlaps import Stacks, stacks, unstacked


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
        if not len(self.stacks):
            return Single(self.pieces, self.near)
        none = np.empty(0, dtype=np.int64)
        return Single(*unstacked(self.pieces, self.near, self.stacks, chosen, none if other is None else other))
