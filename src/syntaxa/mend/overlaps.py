"""Curves that lie on each other: duplicates and overlaps on one line or one circle.

Glossary: pieces whose carriers agree within the merge tolerance and that share some length form a *stack*; a
stack is replaced by its longest piece (the *keeper*), stretched along the carrier to cover all of it.
Cost: n log n for the candidate pairs, then linear.
"""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa import heart
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.mend.model import Pieces
from syntaxa.mend.neighbourhood import Neighbourhood


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


def stacks(near: Neighbourhood) -> Stacks:
    """All stacks of pieces that lie on each other within the merge tolerance."""
    return Stacks(*heart.stacks(near.known, near.merge))


def unstacked(
    pieces: Pieces, near: Neighbourhood, stack: Stacks, chosen: Ints, other: Ints
) -> tuple[Pieces, Neighbourhood]:
    """The pieces with all stacks cut down to their keepers; those of the chosen ones reach as far as their stack.

    A keeper that comes to more than half a turn gives two pieces, the second behind the first.

    other   stacks of which the second member is kept instead
    """
    known, order = heart.unstacked(near.known, pieces.order, stack, chosen, other)
    near = Neighbourhood.of(known, near.merge)
    return Pieces(near.curves, order, pieces.ids), near
