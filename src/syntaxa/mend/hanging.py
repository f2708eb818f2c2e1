"""Chains of edges that hang on a profile by one end."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.arrays import Ints
from syntaxa.geometry.ragged import picked
from syntaxa.geometry.transform import Floats
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


def hanging_chains(edges: Edges, held: Ints | None = None) -> Chains:
    """Runs of edges from a branching to a free end; free-standing ones are left alone.

    held   vertices that lie on the inside of some edge
    """
    degree = edges.degrees()
    if held is not None:
        degree[held] += 2
    ends = np.concatenate([edges.tail, edges.head])
    other = np.concatenate([edges.head, edges.tail])
    number = np.tile(np.arange(len(edges)), 2)
    free = np.flatnonzero(degree[ends] == 1)
    beyond = other[free]
    at_once = (degree[beyond] >= 3) & (beyond != ends[free])
    chains = [([int(e)], int(v)) for e, v in zip(number[free[at_once]], ends[free[at_once]], strict=True)]
    if not at_once.all():
        chains += _longer(edges, degree, free[~at_once] % len(edges), ends[free[~at_once]])
    first = np.concatenate([[0], np.cumsum([len(chain) for chain, _ in chains])]).astype(np.int64)
    members = np.array([e for chain, _ in chains for e in chain], dtype=np.int64)
    lengths = edges.curves.take(members).lengths()
    total = np.add.reduceat(lengths, first[:-1]) if len(chains) else np.empty(0)
    return Chains(first, members, np.array([v for _, v in chains], dtype=np.int64), total)


def hanging_pieces(pieces: Pieces, near: Neighbourhood, state: EndState) -> tuple[Edges, Chains]:
    """Runs of whole pieces that hang by one end, whatever they cross on their way; the pieces as edges, and the chains.

    A run that ends just behind what it crosses is no dead end: it ran past a corner.
    """
    label = near.end_labels
    count = len(pieces)
    first = np.full(int(label.max(initial=-1)) + 1, len(label))
    np.minimum.at(first, label, np.arange(len(label)))
    vertices = near.ends.take(first, axis=0)
    every = np.arange(count)
    edges = Edges(pieces.curves, label[0::2], label[1::2], every, np.zeros(count), np.ones(count), vertices)
    chains = hanging_chains(edges, np.unique(label[_ends_inside(near)]))
    free = np.zeros(len(vertices), dtype=bool)
    free[label[np.flatnonzero(state.open)]] = True
    return edges, chains.take(np.flatnonzero(free[chains.loose]))


def _ends_inside(near: Neighbourhood) -> Ints:
    """Ends that lie on the inside of another piece."""
    met = near.contacts
    away = np.minimum(met.second_share, 1 - met.second_share) * near.lengths[met.second]
    inside = np.flatnonzero((met.end >= 0) & (away > 2 * near.merge))
    return np.asarray(2 * met.first[inside] + met.end[inside])


def _longer(edges: Edges, degree: Ints, begin: Ints, loose: Ints) -> list[tuple[list[int], int]]:
    """The chains of more than one edge that begin with these edges at these free ends."""
    ends = np.concatenate([edges.tail, edges.head])
    order = np.argsort(ends, kind="stable")
    bounds = np.searchsorted(ends[order], np.arange(len(degree) + 1))
    found = []
    for edge, vertex in zip(begin.tolist(), loose.tolist(), strict=True):
        chain, here = [edge], _across(edges, edge, vertex)
        while degree[here] == 2:
            pair = (order[bounds[here] : bounds[here + 1]] % len(edges)).tolist()
            onward = pair[0] if pair[1] == chain[-1] else pair[1]
            chain.append(onward)
            here = _across(edges, onward, here)
        if degree[here] >= 3:
            found.append((chain[::-1], vertex))
    return found


def _across(edges: Edges, edge: int, vertex: int) -> int:
    return int(edges.head[edge]) if int(edges.tail[edge]) == vertex else int(edges.tail[edge])
