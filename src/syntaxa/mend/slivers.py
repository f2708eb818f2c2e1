"""Faces thinner than the tolerance: the space between two runs of the same line, drawn twice and not quite alike.

A thin face is closed by taking away one of its edges, one that lies within the tolerance of the rest of
the face all along. The face next to it takes its place, nothing that stays is moved.
Cost: n log n in the edges of thin faces for each round; a round looks only where the one before took something.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from functools import partial

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex
from syntaxa.geometry.clusters import linked
from syntaxa.geometry.ragged import spread
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import dot, norm, vectors
from syntaxa.mend.arrangement import Cycles, Edges

_SAMPLES = 9

#: Sides of a face up to which all of them are measured against each other.
_FEW = 16

#: Cosine of the angle off the straight way across up to which a side lies opposite.
_FACING = 0.85

#: Share of the tolerance up to which a face is so thin that the direction does not matter.
_TIP = 0.3

_MOST_ROUNDS = 40


@dataclass(frozen=True, slots=True)
class Twin:
    """An edge that runs beside others: its index, what tells the edges beside it, and the widest space between (mm)."""

    edge: int
    beside: Callable[[], tuple[int, ...]]
    width: float


def without_slivers(edges: Edges, tolerance: float, weight: Ints, accept: Callable[[Twin], bool]) -> Edges:
    """The edges left when every face thinner than the tolerance (mm) has lost one.

    weight   ranks edges, (m,): of two that could go, the lighter one goes
    accept   is asked for each; an edge that it refuses stays
    """
    refused: set[int] = set()
    gone = np.zeros(len(edges), dtype=bool)
    beside: dict[int, Twin] = {}
    active = np.arange(len(edges))
    for _ in range(_MOST_ROUNDS):
        lost = _one_round(edges, active, tolerance, weight, accept, refused, beside)
        if not lost:
            break
        gone[lost] = True
        # Only the groups that have lost something can have a new thin face.
        _, label = linked(edges.tail[active], edges.head[active], len(edges.vertices))
        touched = np.unique(label[edges.tail[lost]])
        active = active[~gone[active] & np.isin(label[edges.tail[active]], touched)]
    _drop_left_hanging(edges, gone, {e: twin for e, twin in beside.items() if e not in refused}, tolerance, accept)
    return edges.take(~gone)


def _drop_left_hanging(
    edges: Edges, gone: Bools, beside: dict[int, Twin], tolerance: float, accept: Callable[[Twin], bool]
) -> None:
    """Of a run drawn twice one edge was lost; what is left of that run and hangs now goes, too.

    In waves: what goes can let the next edges hang.
    """
    degree = edges.degrees(~gone)
    left = {e: twin for e, twin in beside.items() if not gone[e]}
    every = np.array(list(left), dtype=np.int64)
    tail, head = edges.tail[every], edges.head[every]
    wave = every[np.minimum(degree[tail], degree[head]) == 1].tolist()
    at: dict[int, list[int]] = {}
    for e, *both in zip(every.tolist(), tail.tolist(), head.tolist(), strict=True) if wave else ():
        for vertex in both:
            at.setdefault(vertex, []).append(e)
    while wave:
        following: list[int] = []
        for e, rest, close in _close_by(edges, [left[e] for e in wave], tolerance):
            there = close[~gone[rest]]
            if gone[e] or not (len(there) and there.any(axis=0).all()) or not accept(left[e]):
                continue
            gone[e] = True
            for vertex in (int(edges.tail[e]), int(edges.head[e])):
                degree[vertex] -= 1
                if degree[vertex] == 1:
                    following += at.get(vertex, [])
        wave = [e for e in dict.fromkeys(following) if not gone[e]]


def _close_by(edges: Edges, twins: list[Twin], tolerance: float) -> list[tuple[int, Ints, Bools]]:
    """For each twin: its edge, the edges beside it (k,), and which samples lie near each of these, (k, samples)."""
    rest = [np.array(twin.beside(), dtype=np.int64) for twin in twins]
    sizes = np.array([len(part) for part in rest])
    shares = np.tile(np.arange(1, _SAMPLES + 1) / (_SAMPLES + 1), len(twins))
    own = np.array([twin.edge for twin in twins])
    samples = edges.curves.take(np.repeat(own, _SAMPLES)).points_at(shares).reshape(len(twins), _SAMPLES, 2)
    target = edges.curves.take(np.repeat(np.concatenate(rest), _SAMPLES))
    away = target.distances_to(np.repeat(samples, sizes, axis=0).reshape(-1, 2)).reshape(-1, _SAMPLES)
    parts = np.split(away <= tolerance, np.cumsum(sizes)[:-1])
    return list(zip(own.tolist(), rest, parts, strict=True))


def _one_round(
    edges: Edges,
    active: Ints,
    tolerance: float,
    weight: Ints,
    accept: Callable[[Twin], bool],
    refused: set[int],
    twins: dict[int, Twin],
) -> list[int]:
    """Edges lost in this round; what else of their faces lies beside the rest is added to the twins."""
    if not len(active):
        return []
    cycles = Cycles(edges.take(active))
    # What hangs inside a face bounds nothing: it has the face on both sides.
    bounds = cycles.label[0::2] != cycles.label[1::2]
    both = np.repeat(bounds, 2)
    lengths = np.repeat(cycles.edges.curves.lengths(), 2)
    perimeter = np.bincount(cycles.label[both], weights=lengths[both], minlength=cycles.count)
    thin = (cycles.area > -HAIR) & (cycles.area <= tolerance / 2 * perimeter) & (perimeter > 0)
    halves = np.flatnonzero(thin[cycles.label] & both)
    if not len(halves):
        return []
    cycle, edge = cycles.label[halves], active[halves // 2]
    width = _widths(edges.curves.take(edge), halves % 2 == 1, cycle, tolerance)
    # The thinnest face first, and in it the edge that is best to lose.
    order = np.lexsort((edge, width, weight[edge], cycle, cycles.area[cycle]))
    order = order[width[order] <= tolerance]
    beyond = cycles.label[halves[order] ^ 1].tolist()
    gone: list[int] = []
    touched: set[int] = set()
    candidates = zip(edge[order].tolist(), cycle[order].tolist(), beyond, width[order].tolist(), strict=True)
    for e, face, neighbour, wide in candidates:
        if e in refused or face in touched:
            twins.setdefault(e, Twin(e, partial(_beside, edge, cycle, face, e), wide))
            continue
        if neighbour in touched:
            # It gets its best choice in the next round, not the second best in this one.
            touched.add(face)
            continue
        if accept(Twin(e, partial(_beside, edge, cycle, face, e), wide)):
            # A face of real width can lose its other thin neighbours, too.
            touched |= {face, neighbour} if thin[neighbour] else {face}
            gone.append(e)
        else:
            refused.add(e)
    return gone


def _beside(edge: Ints, cycle: Ints, face: int, itself: int) -> tuple[int, ...]:
    return tuple(e for e in edge[cycle == face].tolist() if e != itself)


def _widths(sides: CurveArray, against: Bools, cycle: Ints, tolerance: float) -> Floats:
    """Largest space (n,) mm from each side of a face straight across to another side of the same face, over samples.

    against   which sides run against their face, which lies to the left
    """
    count = len(sides)
    shares = np.tile(np.arange(1, _SAMPLES + 1) / (_SAMPLES + 1), count)
    every = sides.take(np.repeat(np.arange(count), _SAMPLES))
    samples, tangents = every.points_at(shares), every.tangents_at(shares)
    turn = np.where(np.repeat(against, _SAMPLES), -1.0, 1.0)
    inward = vectors(-tangents[:, 1] * turn, tangents[:, 0] * turn)
    few = np.bincount(cycle)[cycle] <= _FEW
    crowded = _near_sides(sides, cycle, np.flatnonzero(~few), samples, tolerance)
    pairs = [_all_sides(cycle, np.flatnonzero(few)), crowded]
    row, side = (np.concatenate(parts) for parts in zip(*pairs, strict=True))
    across = sides.take(side)
    here = samples.take(row, axis=0)
    apart = across.points_at(np.clip(across.parameters_of(here), 0.0, 1.0)) - here
    distance = norm(apart)
    # What is near but not straight across is the next side round a corner: a small hole is no thin face. Only at
    # the tips of a face, where it is much thinner than the tolerance, the two cannot be told apart.
    facing = dot(apart, inward.take(row, axis=0)) >= _FACING * distance
    facing |= distance <= _TIP * tolerance
    nearest = np.full(len(samples), np.inf)
    np.minimum.at(nearest, row[facing], distance[facing])
    return np.asarray(nearest.reshape(count, _SAMPLES).max(axis=1))


def _all_sides(cycle: Ints, chosen: Ints) -> tuple[Ints, Ints]:
    """(row of a sample, other side) for all sides of the faces that chosen sides belong to."""
    order = chosen[np.argsort(cycle[chosen], kind="stable")]
    begin = np.searchsorted(cycle[order], cycle[order], side="left")
    sizes = np.searchsorted(cycle[order], cycle[order], side="right") - begin
    one = np.repeat(order, sizes)
    two = order[spread(begin, sizes)]
    one, two = one[one != two], two[one != two]
    return (one[:, None] * _SAMPLES + np.arange(_SAMPLES)).ravel(), np.repeat(two, _SAMPLES)


def _near_sides(sides: CurveArray, cycle: Ints, chosen: Ints, samples: Floats, tolerance: float) -> tuple[Ints, Ints]:
    """(row of a sample, other side of the same face) within the tolerance, for the chosen sides."""
    if not len(chosen):
        return chosen, chosen
    rows = (chosen[:, None] * _SAMPLES + np.arange(_SAMPLES)).ravel()
    k, side = BoxIndex(sides.take(chosen).bounds()).near(samples.take(rows, axis=0), tolerance)
    row, side = rows[k], chosen[side]
    same = (cycle[row // _SAMPLES] == cycle[side]) & (row // _SAMPLES != side)
    return row[same], side[same]
