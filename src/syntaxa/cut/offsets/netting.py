"""Raw parallels cut where they meet, and twins counted: what runs both ways cancels, and may be a spine.

Glossary: *twins* are edges between the same two vertices with the same middle; a *spine* is an edge that two walls
share because they lie exactly two distances apart, so that a tool that just fits runs along it.
"""

from __future__ import annotations

import numpy as np

from syntaxa.cut.offsets.raw import Raw
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.intersect import candidate_pairs, contacts
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.mend.arrangement import Edges, edges_between
from syntaxa.mend.model import end_points


def cut_where_they_meet(raw: Raw, merge: float) -> Edges:
    """The edges of raw pieces; ends and crossings of one group that agree within 2 merges (mm) are one vertex."""
    curves, group = raw.pieces, raw.group
    pairs = candidate_pairs(curves, 4 * merge)
    several = bool(group.any())
    if several:
        same = group[pairs[0]] == group[pairs[1]]
        pairs = pairs[0][same], pairs[1][same]
    met = contacts(curves, merge, pairs)
    length = curves.lengths()
    away = np.minimum(met.second_parameter, 1 - met.second_parameter) * length[met.second]
    on = met.take(np.flatnonzero((met.end >= 0) & (away > merge)))
    through = met.take(np.flatnonzero(met.end < 0))
    count = len(curves)
    points = np.concatenate([end_points(curves), through.points])
    _, label = cluster_labels(points, 2 * merge)
    if several:
        of = np.concatenate([np.repeat(group, 2), group[through.first]])
        _, label = np.unique(label * (int(group.max()) + 1) + of, return_inverse=True)
        label = label.reshape(-1)
    first = np.full(int(label.max(initial=-1)) + 1, len(points))
    np.minimum.at(first, label, np.arange(len(points)))
    ends, crosses = label[: 2 * count], label[2 * count :]
    every = np.arange(count)
    return edges_between(
        curves,
        np.concatenate([every, every, on.second, through.first, through.second]),
        np.concatenate(
            [np.zeros(count), np.ones(count), on.second_parameter, through.first_parameter, through.second_parameter]
        ),
        np.concatenate([ends[0::2], ends[1::2], ends[2 * on.first + on.end], crosses, crosses]),
        points[first],
    )


def without_twins(edges: Edges, merge: float) -> tuple[Ints, Ints]:
    """(edges that count, edges that are spines): twins that run one way count once, those that run both ways cancel."""
    count = len(edges)
    twins, lot = lots_of_twins(edges, merge)
    keep, spine = np.ones(count, dtype=bool), np.zeros(count, dtype=bool)
    keep[twins] = False
    if len(twins):
        way = np.where(edges.tail[twins] <= edges.head[twins], 1, -1)
        net, size = np.bincount(lot, weights=way), np.bincount(lot)
        # The first that runs the way of the sum stays.
        runs = np.sign(net)[lot] == way
        keep[_first_of_each(lot[runs], twins[runs], len(net), count)] = True
        lead = np.full(len(net), count)
        np.minimum.at(lead, lot, twins)
        spine[lead[(net == 0) & (size > 1)]] = True
    return np.flatnonzero(keep), np.flatnonzero(spine)


def lots_of_twins(edges: Edges, merge: float) -> tuple[Ints, Ints]:
    """(edges with the vertices of another, the lot of each): those of one lot have the same vertices and middle."""
    low, high = np.minimum(edges.tail, edges.head), np.maximum(edges.tail, edges.head)
    order = np.lexsort((high, low))
    same = (low[order][1:] == low[order][:-1]) & (high[order][1:] == high[order][:-1])
    doubled = np.zeros(len(edges), dtype=bool)
    doubled[order[:-1][same]] = True
    doubled[order[1:][same]] = True
    twins = np.flatnonzero(doubled)
    if not len(twins):
        return twins, twins
    middle = edges.curves.take(twins).points_at(np.full(len(twins), 0.5))
    _, label = cluster_labels(middle, 4 * merge)
    _, lot = np.unique(np.column_stack([low[twins], high[twins], label]), axis=0, return_inverse=True)
    return twins, np.asarray(lot.reshape(-1))


def _first_of_each(lot: Ints, member: Ints, lots: int, none: int) -> Ints:
    first = np.full(lots, none)
    np.minimum.at(first, lot, member)
    return first[first < none]


def without_dead_ends(edges: Edges, keep: Ints, free: Ints) -> Ints:
    """Those of some edges that can be gone through without end; `free` (vertices,) is how many may begin or end there.

    Cost: n for each round; a round takes away what the last one left hanging, so chains cost their length.
    """
    size = len(edges.vertices)
    while True:
        came = np.bincount(edges.head[keep], minlength=size) + free
        goes = np.bincount(edges.tail[keep], minlength=size) + free
        good = (came[edges.tail[keep]] > 0) & (goes[edges.head[keep]] > 0)
        if good.all():
            return keep
        keep = keep[good]


def free_ends(raw: Raw, edges: Edges, begins: Bools, ends: Bools) -> Ints:
    """How many chains may begin or end at each vertex: where the raw side of an open chain does, (vertices,)."""
    free = np.zeros(len(edges.vertices), dtype=np.int64)
    source, plain = raw.source[edges.piece], raw.corners[edges.piece] == 0
    free[edges.tail[plain & begins[source] & (edges.low == 0)]] = 1
    free[edges.head[plain & ends[source] & (edges.high == 1)]] = 1
    return free


def middles(raw: Raw, edges: Edges) -> Floats:
    """The middle of each edge where its raw piece was, (m, 2): gathering ends into vertices may have moved it."""
    return raw.pieces.take(edges.piece).points_at((edges.low + edges.high) / 2)
