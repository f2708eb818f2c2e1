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

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.clusters import cluster_labels, linked
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import chosen, norm
from syntaxa.mend.model import Pieces
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


def split_at_contacts(pieces: Pieces, near: Neighbourhood) -> tuple[Edges, Crossings]:
    """All pieces cut where they meet, ends that agree made one vertex; twins dropped."""
    curves, merge = pieces.curves, near.merge
    count = len(curves)
    met = near.contacts
    # An end that lies on an end is no cut; a crossing is a vertex of its own unless an end is there.
    away = np.minimum(met.second_parameter, 1 - met.second_parameter) * near.lengths[met.second]
    on_inside = met.take(np.flatnonzero((met.end >= 0) & (away > merge)))
    through = met.take(np.flatnonzero(met.end < 0))
    label, vertices = _vertices(near, through.points)
    end_label, cross_label = label[: 2 * count], label[2 * count :]
    every = np.arange(count)
    owner = np.concatenate([every, every, on_inside.second, through.first, through.second])
    share = np.concatenate(
        [np.zeros(count), np.ones(count), on_inside.second_parameter, through.first_parameter, through.second_parameter]
    )
    at = np.concatenate(
        [
            end_label[0::2],
            end_label[1::2],
            end_label[2 * on_inside.first + on_inside.end],
            cross_label,
            cross_label,
        ]
    )
    edges = edges_between(curves, owner, share, at, vertices)
    crossings = Crossings(through.first, through.second, through.points, cross_label)
    ends_there = np.bincount(end_label, minlength=len(vertices))[cross_label]
    crossings = Crossings(*(getattr(crossings, name)[ends_there == 0] for name in Crossings.__slots__))
    return edges.take(_one_of_each(edges, merge)), crossings


def _vertices(near: Neighbourhood, crossings: Floats) -> tuple[Ints, Floats]:
    """The vertex of each end and then of each crossing, and where the vertices are."""
    if len(crossings):
        points = np.concatenate([near.ends, crossings])
        _, label = cluster_labels(points, 2 * near.merge)
    else:
        points, label = near.ends, near.end_labels
    # The first point of a cluster places it, and ends come first: what was right stays where it is.
    first = np.full(int(label.max(initial=-1)) + 1, len(points))
    np.minimum.at(first, label, np.arange(len(points)))
    return label, points[first]


def edges_between(curves: CurveArray, owner: Ints, share: Floats, label: Ints, vertices: Floats) -> Edges:
    """Edges between the places (owner, share of it, vertex), each (k,), that follow each other along a piece."""
    order = np.lexsort((share, owner))
    owner, share, label = owner[order], share[order], label[order]
    follows = np.flatnonzero((owner[1:] == owner[:-1]) & (label[1:] != label[:-1]))
    piece, low, high = owner[follows], share[follows], share[follows + 1]
    tail, head = label[follows], label[follows + 1]
    source = curves.take(piece)
    whole = (low == 0) & (high == 1)
    bulge = np.where(whole, source.bulge, np.tan(source.sweep * (high - low) / 4))
    geometry = CurveArray.from_bulges(vertices[tail], vertices[head], bulge, source.owner)
    return Edges(geometry, tail, head, piece, low, high, vertices)


def _one_of_each(edges: Edges, merge: float) -> Ints:
    """Index of the edges that are left when those with the same ends and the same middle count once."""
    low, high = np.minimum(edges.tail, edges.head), np.maximum(edges.tail, edges.head)
    order = np.lexsort((np.arange(len(edges)), high, low))
    same = (low[order][1:] == low[order][:-1]) & (high[order][1:] == high[order][:-1])
    keep = np.ones(len(edges), dtype=bool)
    keep[order[:-1][same]] = False
    keep[order[1:][same]] = False
    doubled = np.flatnonzero(~keep)
    if len(doubled):
        middle = edges.curves.take(doubled).points_at(np.full(len(doubled), 0.5))
        _, label = cluster_labels(middle, 2 * merge)
        _, first = np.unique(np.column_stack([low[doubled], high[doubled], label]), axis=0, return_index=True)
        keep[doubled[first]] = True
    return np.flatnonzero(keep)


def bridges(edges: Edges) -> Bools:
    """Which edges bound nothing, (m,) bool: their two sides are one side.

    Walking round the faces gives every bridge, and in a clean arrangement nothing else. What the walk names is
    checked by counting: it must be a forest once all the rest is drawn together, else the depth-first search decides.
    """
    if not len(edges):
        return np.zeros(0, dtype=bool)
    label = edges.cycles.label
    named = label[0::2] == label[1::2]
    rest = np.flatnonzero(~named)
    size = len(edges.vertices)
    blocks, block = linked(edges.tail[rest], edges.head[rest], size)
    which = np.flatnonzero(named)
    tail, head = block[edges.tail[which]], block[edges.head[which]]
    trees, _ = linked(tail, head, blocks)
    if len(which) != blocks - trees:
        named[which] = _bridges_by_search(tail, head, blocks)
    return np.asarray(named)


def _bridges_by_search(tail: Ints, head: Ints, size: int) -> Bools:
    """Which edges of a graph are bridges; Tarjan's low-link numbers without recursion.

    Source: R. E. Tarjan, "A note on finding the bridges of a graph", Information Processing Letters 2 (1974).
    """
    neighbours: list[list[tuple[int, int]]] = [[] for _ in range(size)]
    for edge, (a, b) in enumerate(zip(tail.tolist(), head.tolist(), strict=True)):
        neighbours[a].append((b, edge))
        neighbours[b].append((a, edge))
    found = np.zeros(len(tail), dtype=bool)
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
    """The cycles of half-edges.

    Half-edge 2k runs along edge k, 2k + 1 against it. `label` (2m,) names the cycle of each, `area` (cycles,)
    is positive for outer contours of faces and negative round the outside of a component.
    """

    def __init__(self, edges: Edges) -> None:
        self.edges = edges
        m = len(edges)
        self.origin = np.stack([edges.tail, edges.head], axis=1).reshape(-1)
        self.following = self._following()
        self.count, self.label = linked(np.arange(2 * m), self.following, 2 * m)
        area = edges.curves.signed_areas()
        signed = np.stack([area, -area], axis=1).reshape(-1)
        self.area = np.bincount(self.label, weights=signed, minlength=self.count)
        length = np.repeat(edges.curves.lengths(), 2)
        self.perimeter = np.bincount(self.label, weights=length, minlength=self.count)

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
        sizes = np.bincount(self.label, minlength=self.count)
        first = np.concatenate([[0], np.cumsum(sizes)]).astype(np.int64)
        every = np.arange(len(self.label))
        lead = np.full(self.count, len(every))
        np.minimum.at(lead, self.label, every)
        # How many steps each is from the last of its cycle: in every round the steps known double (list ranking).
        onward = np.where(self.following == lead[self.label], every, self.following)
        left = (onward != every).astype(np.int64)
        for _ in range(int(sizes.max(initial=1)).bit_length()):
            left += left[onward]
            onward = onward[onward]
        halves = np.empty_like(every)
        halves[first[self.label + 1] - 1 - left] = every
        return first, halves

    def walk(self, cycle: int) -> Ints:
        """The half-edges of a cycle in order."""
        first, halves = self.walks
        return halves[first[cycle] : first[cycle + 1]]

    def _following(self) -> Ints:
        """The half-edge after each: at its head, the next one clockwise from its twin."""
        first, order = grouped(self.origin, len(self.edges.vertices))
        # Where only two leave, the other one is the next whatever their directions.
        branches = (np.diff(first) >= 3)[self.origin]
        halves = np.flatnonzero(branches)
        if len(halves):
            order[branches[order]] = halves[np.lexsort((self._angles(halves), self.origin[halves]))]
        position = np.empty_like(order)
        position[order] = np.arange(len(order))
        origin, here = self.origin[order], np.arange(len(order))
        clockwise = np.where(here == first[origin], first[origin + 1] - 1, here - 1)
        return np.asarray(order[clockwise[position[here ^ 1]]])

    def _angles(self, halves: Ints) -> Floats:
        """Direction in which half-edges (k,) leave, (k,) radians, taken at a small common distance from their vertex.

        Tangent pieces leave in one direction; a little way out their curvature has parted them.
        """
        every = self.edges.curves
        chord = norm(every.end - every.start)
        reach = np.full(len(self.edges.vertices), np.inf)
        np.minimum.at(reach, self.edges.tail, chord)
        np.minimum.at(reach, self.edges.head, chord)
        curves, against = every.take(halves // 2), (halves % 2).astype(np.float64)
        sign = 1.0 - 2.0 * against
        tangent = curves.tangents_at(against)
        distance = 0.3 * reach[self.origin[halves]]
        bend = np.arcsin(np.clip(distance / np.maximum(2 * curves.radius, NOUGHT), 0.0, 1.0)) * curves.is_arc
        angle = np.arctan2(tangent[:, 1] * sign, tangent[:, 0] * sign) + np.sign(curves.sweep) * sign * bend
        return np.asarray(angle % (2 * np.pi))


def rows_along(cycles: Cycles, half: Ints) -> Floats:
    """Rows (x, y, bulge) of a run of half-edges, (n, 3) float."""
    edge, against = half // 2, half % 2 == 1
    curves = cycles.edges.curves
    start = chosen(against, curves.end.take(edge, axis=0), curves.start.take(edge, axis=0))
    bulge = np.where(against, -curves.bulge[edge], curves.bulge[edge])
    return np.column_stack([start, bulge])
