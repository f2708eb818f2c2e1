"""Curves that lie on each other: duplicates and overlaps on one line or one circle.

Glossary: pieces whose carriers agree within the merge tolerance and that share some length form a *stack*; a
stack is replaced by its longest piece (the *keeper*), stretched along the carrier to cover all of it.
Cost: n log n for the candidate pairs, then linear.
"""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats, Ints
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


def stretched(near: Neighbourhood, stack: Stacks, chosen: Ints) -> tuple[Ints, CurveArray]:
    """Keepers of chosen stacks grown over all of their stack: (keeper of each piece, pieces), for those that grow.

    A keeper that covers its stack already is left out; one that comes to more than half a turn gives two pieces.
    """
    source, pieces = heart.stretched(near.known, stack, chosen)
    return source, CurveArray(*pieces)
