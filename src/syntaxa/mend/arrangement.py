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
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components

from syntaxa.geometry.arrays import Bools, CurveArray, Ints
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.intersect import contacts
from syntaxa.geometry.transform import Floats
from syntaxa.mend.model import Pieces


@dataclass(frozen=True, slots=True)
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
        return Edges(
            self.curves.take(index),
            self.tail[index],
            self.head[index],
            self.piece[index],
            self.low[index],
            self.high[index],
            self.vertices,
        )

    def __len__(self) -> int:
        return len(self.tail)

    def degrees(self) -> Ints:
        """Number of edge ends at each vertex, (vertices,)."""
        ends = np.concatenate([self.tail, self.head])
        return np.bincount(ends, minlength=len(self.vertices)).astype(np.int64)


@dataclass(frozen=True, slots=True)
class Crossing:
    """Two pieces that pass through each other, and where."""

    first: int
    second: int
    x: float
    y: float


def split_at_contacts(pieces: Pieces, merge: float) -> tuple[Edges, list[Crossing]]:
    """All pieces cut where they meet (within `merge` mm), ends that agree made one vertex; twins dropped."""
    curves = pieces.curves
    met = contacts(curves, merge)
    count = len(curves)
    every = np.arange(count)
    owner = np.concatenate([every, every, met.first, met.second])
    points = np.concatenate([curves.start, curves.end, met.points, met.points])
    label = _vertex_labels(points, merge)
    # The first point of a cluster places it, and ends come first: what was right stays where it is.
    _, first = np.unique(label, return_index=True)
    vertices = points[first]
    share = np.concatenate(
        [np.zeros(count), np.ones(count), *_contact_shares(curves, met.first, met.second, met.points)]
    )
    edges = _edges_between(curves, owner, share, label, vertices)
    return edges.take(_one_of_each(edges, merge)), _crossings(
        curves, met.first, met.second, met.points, met.crossing, merge
    )


def _vertex_labels(points: Floats, merge: float) -> Ints:
    _, label = cluster_labels(points, 2 * merge)
    return label


def _contact_shares(curves: CurveArray, first: Ints, second: Ints, points: Floats) -> list[Floats]:
    return [np.clip(curves.take(k).shares_of(points), 0.0, 1.0) for k in (first, second)]


def _edges_between(curves: CurveArray, owner: Ints, share: Floats, label: Ints, vertices: Floats) -> Edges:
    order = np.lexsort((share, owner))
    owner, share, label = owner[order], share[order], label[order]
    follows = (owner[1:] == owner[:-1]) & (label[1:] != label[:-1])
    piece, low, high = owner[:-1][follows], share[:-1][follows], share[1:][follows]
    tail, head = label[:-1][follows], label[1:][follows]
    source = curves.take(piece)
    bulge = np.tan(source.sweep * (high - low) / 4)
    geometry = CurveArray.from_bulges(vertices[tail], vertices[head], bulge, source.owner)
    return Edges(geometry, tail, head, piece, low, high, vertices)


def _one_of_each(edges: Edges, merge: float) -> Ints:
    """Index of the edges that are left when those with the same ends and the same middle count once."""
    if not len(edges):
        return np.empty(0, dtype=np.int64)
    middle = edges.curves.points_at(np.full(len(edges), 0.5))
    _, label = cluster_labels(middle, 2 * merge)
    low, high = np.minimum(edges.tail, edges.head), np.maximum(edges.tail, edges.head)
    _, first = np.unique(np.column_stack([low, high, label]), axis=0, return_index=True)
    return np.sort(first)


def _crossings(
    curves: CurveArray, first: Ints, second: Ints, points: Floats, crossing: Bools, merge: float
) -> list[Crossing]:
    """Contacts at which both pieces pass through: no end of either lies there."""
    inside = crossing.copy()
    for index in (first, second):
        for ends in (curves.start, curves.end):
            inside &= np.hypot(*(ends[index] - points).T) > 2 * merge
    return [
        Crossing(int(first[k]), int(second[k]), float(points[k, 0]), float(points[k, 1]))
        for k in np.flatnonzero(inside)
    ]


def bridges(edges: Edges) -> Bools:
    """Which edges bound nothing, (m,) bool; Tarjan's low-link numbers without recursion.

    Source: R. E. Tarjan, "A note on finding the bridges of a graph", Information Processing Letters 2 (1974).
    """
    size = len(edges.vertices)
    neighbours: list[list[tuple[int, int]]] = [[] for _ in range(size)]
    for edge, (a, b) in enumerate(zip(edges.tail.tolist(), edges.head.tolist(), strict=True)):
        neighbours[a].append((b, edge))
        neighbours[b].append((a, edge))
    found = np.zeros(len(edges), dtype=bool)
    number, low = [-1] * size, [0] * size
    clock = 0
    for root in range(size):
        if number[root] >= 0 or not neighbours[root]:
            continue
        number[root] = low[root] = clock
        clock += 1
        stack = [(root, -1, iter(neighbours[root]))]
        while stack:
            vertex, arrived, rest = stack[-1]
            for other, edge in rest:
                if edge == arrived:
                    continue
                if number[other] < 0:
                    number[other] = low[other] = clock
                    clock += 1
                    stack.append((other, edge, iter(neighbours[other])))
                    break
                low[vertex] = min(low[vertex], number[other])
            else:
                stack.pop()
                if stack:
                    parent = stack[-1][0]
                    low[parent] = min(low[parent], low[vertex])
                    if low[vertex] > number[parent]:
                        found[arrived] = True
    return found


class Cycles:
    """The cycles of half-edges of edges without bridges.

    Half-edge 2k runs along edge k, 2k + 1 against it. `label` (2m,) names the cycle of each, `area` (cycles,)
    is positive for outer contours of faces and negative round the outside of a component.
    """

    def __init__(self, edges: Edges) -> None:
        self.edges = edges
        m = len(edges)
        self.origin = np.stack([edges.tail, edges.head], axis=1).reshape(-1)
        self.following = self._following()
        graph = coo_matrix((np.ones(2 * m), (np.arange(2 * m), self.following)), shape=(2 * m, 2 * m))
        self.count, label = connected_components(graph, directed=False)
        self.label = label.astype(np.int64)
        area = edges.curves.signed_areas()
        signed = np.stack([area, -area], axis=1).reshape(-1)
        self.area = np.bincount(self.label, weights=signed, minlength=self.count)
        length = np.repeat(edges.curves.lengths(), 2)
        self.perimeter = np.bincount(self.label, weights=length, minlength=self.count)

    @cached_property
    def members(self) -> list[Ints]:
        """The half-edges of each cycle, in no order."""
        order = np.argsort(self.label, kind="stable")
        return np.split(order, np.cumsum(np.bincount(self.label, minlength=self.count))[:-1])

    def walk(self, cycle: int) -> list[int]:
        """The half-edges of a cycle in order."""
        first = int(self.members[cycle][0])
        run, half = [first], int(self.following[first])
        while half != first:
            run.append(half)
            half = int(self.following[half])
        return run

    def _following(self) -> Ints:
        """The half-edge after each: at its head, the next one clockwise from its twin."""
        angle = self._angles()
        order = np.lexsort((angle, self.origin))
        position = np.empty_like(order)
        position[order] = np.arange(len(order))
        origin = self.origin[order]
        first = np.searchsorted(origin, origin, side="left")
        last = np.searchsorted(origin, origin, side="right") - 1
        here = np.arange(len(order))
        clockwise = np.where(here == first, last, here - 1)
        twin = np.arange(len(order)) ^ 1
        return np.asarray(order[clockwise[position[twin]]])

    def _angles(self) -> Floats:
        """Direction in which each half-edge leaves, taken at a small common distance from its vertex.

        Tangent pieces leave in one direction; a little way out their curvature has parted them.
        """
        curves = self.edges.curves
        chord = np.hypot(*(curves.end - curves.start).T)
        reach = np.full(len(self.edges.vertices), np.inf)
        np.minimum.at(reach, self.edges.tail, chord)
        np.minimum.at(reach, self.edges.head, chord)
        parts = []
        for vertex, share, sign in ((self.edges.tail, 0.0, 1.0), (self.edges.head, 1.0, -1.0)):
            tangent = curves.tangents_at(np.full(len(chord), share)) * sign
            distance = 0.3 * reach[vertex]
            bend = np.arcsin(np.clip(distance / np.maximum(2 * curves.radius, 1e-300), 0.0, 1.0)) * curves.is_arc
            turn = np.sign(curves.sweep) * sign
            parts.append(np.arctan2(tangent[:, 1], tangent[:, 0]) + turn * bend)
        angle = np.stack(parts, axis=1).reshape(-1)
        return np.asarray(angle % (2 * np.pi))


def rows_along(cycles: Cycles, run: list[int]) -> Floats:
    """Rows (x, y, bulge) of a run of half-edges, (n, 3) float."""
    half = np.array(run, dtype=np.int64)
    edge, against = half // 2, half % 2 == 1
    curves = cycles.edges.curves
    start = np.where(against[:, None], curves.end[edge], curves.start[edge])
    bulge = np.where(against, -curves.bulge[edge], curves.bulge[edge])
    return np.column_stack([start, bulge])
