"""Chains of edges that hang on a profile by one end."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.ragged import grouped, picked
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.arrangement import Edges
from syntaxa.mend.joints import EndState
from syntaxa.mend.model import Pieces
from syntaxa.mend.neighbourhood import Neighbourhood


@dataclass(frozen=True, slots=True)
class Chains:
    """k chains; the edges of chain c, from its branching out, are edges[first[c]:first[c + 1]].

    loose    (k,) vertex of the free end; length (k,) mm
    """

    first: Ints
    edges: Ints
    loose: Ints
    length: Floats

    def __len__(self) -> int:
        return len(self.loose)

    def take(self, index: Ints) -> Chains:
        """The chains at an index."""
        first, at = picked(self.first, index)
        return Chains(first, self.edges[at], self.loose[index], self.length[index])


def hanging_chains(edges: Edges, longest: float, held: Ints | None = None) -> Chains:
    """Runs of edges, up to `longest` mm, from a branching to a free end; free-standing ones are left alone.

    held   vertices that lie on the inside of some edge
    """
    degree = edges.degrees()
    if held is not None:
        degree[held] += 2
    ends = np.concatenate([edges.tail, edges.head])
    other = np.concatenate([edges.head, edges.tail])
    lengths = edges.curves.lengths()
    free = np.flatnonzero(degree[ends] == 1)
    free = free[lengths[free % len(edges)] <= longest]
    beyond = other[free]
    at_once = (degree[beyond] >= 3) & (beyond != ends[free])
    onward = degree[beyond] == 2
    chains = [([int(e)], int(v)) for e, v in zip(free[at_once] % len(edges), ends[free[at_once]], strict=True)]
    if onward.any():
        chains += _longer(edges, degree, free[onward] % len(edges), ends[free[onward]], longest)
    first = np.concatenate([[0], np.cumsum([len(chain) for chain, _ in chains])]).astype(np.int64)
    members = np.array([e for chain, _ in chains for e in chain], dtype=np.int64)
    total = np.add.reduceat(lengths[members], first[:-1]) if len(chains) else np.empty(0)
    return Chains(first, members, np.array([v for _, v in chains], dtype=np.int64), total)


def hanging_pieces(pieces: Pieces, near: Neighbourhood, state: EndState, longest: float) -> tuple[Edges, Chains]:
    """Runs of whole pieces, up to `longest` mm, that hang by one end, whatever they cross on their way.

    The pieces as edges, and the chains.

    A run that ends just behind what it crosses is no dead end: it ran past a corner.
    """
    label = near.end_labels
    count = len(pieces)
    first = np.full(int(label.max(initial=-1)) + 1, len(label))
    np.minimum.at(first, label, np.arange(len(label)))
    vertices = near.ends.take(first, axis=0)
    every = np.arange(count)
    edges = Edges(pieces.curves, label[0::2], label[1::2], every, np.zeros(count), np.ones(count), vertices)
    chains = hanging_chains(edges, longest, label[_ends_inside(near)])
    free = np.zeros(len(vertices), dtype=bool)
    free[label[np.flatnonzero(state.open)]] = True
    return edges, chains.take(np.flatnonzero(free[chains.loose]))


def _ends_inside(near: Neighbourhood) -> Ints:
    """Ends that lie on the inside of another piece."""
    met = near.contacts
    away = np.minimum(met.second_parameter, 1 - met.second_parameter) * near.lengths[met.second]
    inside = np.flatnonzero((met.end >= 0) & (away > 2 * near.merge))
    return np.asarray(2 * met.first[inside] + met.end[inside])


def _longer(edges: Edges, degree: Ints, begin: Ints, loose: Ints, longest: float) -> list[tuple[list[int], int]]:
    """The chains of more than one edge, up to `longest` mm, that begin with these edges at these free ends.

    All of them are followed at once, a step at a time.
    """
    first, entries = grouped(np.concatenate([edges.tail, edges.head]), len(degree))
    lengths, both = edges.curves.lengths(), edges.tail + edges.head
    walker, edge, here, length = np.arange(len(begin)), begin, both[begin] - loose, lengths[begin]
    steps, found = [(walker, edge)], []
    while len(walker):
        on = np.flatnonzero((degree[here] == 2) & (length <= longest))
        found.append(walker[(degree[here] >= 3) & (length <= longest)])
        walker, edge, here, length = walker[on], edge[on], here[on], length[on]
        one, two = (entries[first[here] + k] % len(edges) for k in (0, 1))
        edge = np.where(two == edge, one, two)
        here, length = both[edge] - here, length + lengths[edge]
        steps.append((walker, edge))
    who, which = (np.concatenate(column) for column in zip(*steps[::-1], strict=True))
    begins, order = grouped(who, len(begin))
    return [(which[order[begins[k] : begins[k + 1]]].tolist(), int(loose[k])) for k in np.concatenate(found).tolist()]
