"""The planar arrangement of lines and true arcs: vertices, edges, half-edges and faces.

Glossary: a *vertex* is a place where ends meet or pieces cross; an *edge* is what lies between two
consecutive vertices of a piece; each edge is two *half-edges* that run opposite ways; half-edges that follow
each other with the same face on their left form a *cycle*; a *bridge* is an edge with the same face on both
sides (a dead end, a free chain, a link between two loops), it bounds nothing and takes no part in cycles.

Cost: n log n in the pieces plus their crossings.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import chosen
from syntaxa.mend.neighbourhood import Neighbourhood


@dataclass(frozen=True)
class Edges:
    """m edges: their geometry, the vertices at both ends (m,), and where they come from.

    piece, low, high   (m,) the piece each edge is a part of, and from which share of it to which
    """

    curves: CurveArray
    tail: Ints
    head: Ints
    piece: Ints
    low: Floats
    high: Floats
    vertices: Floats

    def take(self, index: Ints | Bools) -> Edges:
        """The edges at an index or mask."""
        rows = np.flatnonzero(index) if index.dtype == bool else index
        return Edges(
            self.curves.take(rows),
            self.tail.take(rows),
            self.head.take(rows),
            self.piece.take(rows),
            self.low.take(rows),
            self.high.take(rows),
            self.vertices,
        )

    def __len__(self) -> int:
        return len(self.tail)

    @cached_property
    def cycles(self) -> Cycles:
        """The cycles of half-edges, round what hangs or stands free as well."""
        return Cycles(self)

    def degrees(self, which: Bools | None = None) -> Ints:
        """Number of edge ends at each vertex, (vertices,); of all edges, or of those in a mask."""
        both = (self.tail, self.head) if which is None else (self.tail[which], self.head[which])
        ends = np.concatenate(both)
        return np.bincount(ends, minlength=len(self.vertices)).astype(np.int64)


@dataclass(frozen=True, slots=True)
class Crossings:
    """Where two pieces pass through each other: pieces first and second (k,), points (k, 2), and the vertex there."""

    first: Ints
    second: Ints
    points: Floats
    vertex: Ints

    def __len__(self) -> int:
        return len(self.vertex)


def split_at_contacts(near: Neighbourhood) -> tuple[Edges, Crossings]:
    """All pieces cut where they meet, ends that agree made one vertex; twins dropped."""
    (curves, *rest), first, second, points, vertex = heart.split_at_contacts(near.known)
    return Edges(CurveArray(*curves), *rest), Crossings(first, second, points, vertex)


def edges_between(curves: CurveArray, owner: Ints, share: Floats, label: Ints, vertices: Floats) -> Edges:
    """Edges between the places (owner, share of it, vertex), each (k,), that follow each other along a piece."""
    geometry, *rest = heart.edges_between(curves, owner, share, label, vertices)
    return Edges(CurveArray(*geometry), *rest)


def bridges(edges: Edges) -> Bools:
    """Which edges bound nothing, (m,) bool: their two sides are one side.

    Source: R. E. Tarjan, "A note on finding the bridges of a graph", Information Processing Letters 2 (1974).
    """
    return heart.bridges(edges.tail, edges.head, len(edges.vertices))


class Cycles:
    """The cycles of half-edges.

    Half-edge 2k runs along edge k, 2k + 1 against it. `label` (2m,) names the cycle of each, `area` (cycles,)
    is positive for outer contours of faces and negative round the outside of a component.
    """

    def __init__(self, edges: Edges, known: tuple[Ints, Ints, Floats, Floats] | None = None) -> None:
        self.edges = edges
        if known is None:
            known = heart.cycles(edges.curves, edges.tail, edges.head, len(edges.vertices))
        self.following, self.label, self.area, self.perimeter = known

    @property
    def count(self) -> int:
        """How many cycles there are."""
        return len(self.area)

    @cached_property
    def origin(self) -> Ints:
        """The vertex at which each half-edge begins, (2m,)."""
        return np.stack([self.edges.tail, self.edges.head], axis=1).reshape(-1)

    @cached_property
    def origin_of_moments(self) -> Floats:
        """What moments are taken about, (2,) mm: far from the origin products would swallow differences."""
        return np.asarray(self.edges.vertices[self.edges.tail].mean(axis=0))

    @cached_property
    def moment(self) -> Floats:
        """First moments of what each cycle bounds, (cycles, 2) mm3."""
        own = self.edges.curves.signed_moments(self.origin_of_moments)
        both = np.stack([own, -own], axis=1).reshape(-1, 2)
        return np.column_stack([np.bincount(self.label, weights=both[:, k], minlength=self.count) for k in (0, 1)])

    @cached_property
    def walks(self) -> tuple[Ints, Ints]:
        """(first, halves): the half-edges of cycle c in order are halves[first[c]:first[c + 1]]."""
        return heart.walks(self)

    def walk(self, cycle: int) -> Ints:
        """The half-edges of a cycle in order."""
        first, halves = self.walks
        return halves[first[cycle] : first[cycle + 1]]


def rows_along(cycles: Cycles, half: Ints) -> Floats:
    """Rows (x, y, bulge) of a run of half-edges, (n, 3) float."""
    edge, against = half // 2, half % 2 == 1
    curves = cycles.edges.curves
    start = chosen(against, curves.end.take(edge, axis=0), curves.start.take(edge, axis=0))
    bulge = np.where(against, -curves.bulge[edge], curves.bulge[edge])
    return np.column_stack([start, bulge])
