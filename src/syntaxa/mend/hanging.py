"""Chains of edges that hang on a profile by one end."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from syntaxa import heart
from syntaxa.geometry.ragged import picked
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.mend.arrangement import Edges
from syntaxa.mend.joints import EndState
from syntaxa.mend.neighbourhood import Neighbourhood


@dataclass(frozen=True, slots=True)
class Chains:
    """k chains; the edges of chain c, from its branching out, are edges[first[c]:first[c + 1]].

    place    (k, 2) mm, the free end; length (k,) mm
    """

    first: Ints
    edges: Ints
    place: Floats
    length: Floats

    def __len__(self) -> int:
        return len(self.length)

    def chosen(self, mask: Bools) -> Chains:
        """The chains in a mask (k,)."""
        if mask.all():
            return self
        first, at = picked(self.first, np.flatnonzero(mask))
        return Chains(first, self.edges[at], self.place[mask], self.length[mask])


def hanging_chains(edges: Edges, longest: float) -> Chains:
    """Runs of edges, up to `longest` mm, from a branching to a free end; free-standing ones are left alone."""
    return Chains(*heart.hanging_chains(edges.curves, edges.tail, edges.head, len(edges.vertices), longest))


def hanging_pieces(near: Neighbourhood, state: EndState, longest: float) -> Chains:
    """Runs of whole pieces, up to `longest` mm, that hang by one end, whatever they cross on their way.

    A run that ends just behind what it crosses is no dead end: it ran past a corner.
    """
    return Chains(*heart.hanging_pieces(near.known, state.settled, state.tail, longest))


@dataclass(frozen=True, slots=True)
class OpenGroups:
    """Connected groups of edges that bound nothing: those of group g are edges[first[g]:first[g + 1]].

    free   (k,) whether nothing else touches it
    """

    first: Ints
    edges: Ints
    free: Bools

    def __len__(self) -> int:
        return len(self.free)

    def __iter__(self) -> Iterator[tuple[Ints, bool]]:
        for g, free in enumerate(self.free.tolist()):
            yield self.edges[self.first[g] : self.first[g + 1]], free


def open_groups(edges: Edges) -> OpenGroups:
    """The groups, in the order of their lowest vertices."""
    return OpenGroups(*heart.open_groups(edges.tail, edges.head, len(edges.vertices)))
