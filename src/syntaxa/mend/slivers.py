"""Faces thinner than the tolerance: the space between two runs of the same line, drawn twice and not quite alike.

A thin face is closed by taking away one of its edges, one that lies within the tolerance of the rest of
the face all along. The face next to it takes its place, nothing that stays is moved.
Cost: linear in the edges for each round; the rounds are few.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.arrays import Bools, Ints
from syntaxa.mend.arrangement import Cycles, Edges, bridges

_SAMPLES = 9
_MOST_ROUNDS = 40


@dataclass(frozen=True, slots=True)
class Twin:
    """An edge that runs beside others: its index, the edges beside it, and the widest space between (mm)."""

    edge: int
    beside: tuple[int, ...]
    width: float


def without_slivers(
    edges: Edges, tolerance: float, weight: Callable[[Edges], Ints], accept: Callable[[Edges, Twin], bool]
) -> Edges:
    """The edges left when every face thinner than the tolerance (mm) has lost one.

    weight   ranks edges: of two that could go, the lighter one goes
    accept   is asked for each; an edge that it refuses stays
    """
    refused: set[tuple[int, float]] = set()
    for _ in range(_MOST_ROUNDS):
        core = edges.take(np.flatnonzero(~bridges(edges)))
        if not len(core):
            return edges
        gone = _one_round(core, tolerance, weight(core), accept, refused)
        if not gone:
            return edges
        edges = edges.take(~_same_edges(edges, core, gone))
    return edges


def _same_edges(edges: Edges, core: Edges, gone: list[int]) -> Bools:
    lost = {(int(core.piece[k]), float(core.low[k])) for k in gone}
    return np.array([(int(p), float(s)) in lost for p, s in zip(edges.piece, edges.low, strict=True)], dtype=bool)


def _one_round(
    core: Edges,
    tolerance: float,
    weight: Ints,
    accept: Callable[[Edges, Twin], bool],
    refused: set[tuple[int, float]],
) -> list[int]:
    cycles = Cycles(core)
    thin = (cycles.area > -1e-12) & (cycles.area <= tolerance / 2 * cycles.perimeter)
    gone: list[int] = []
    touched = np.zeros(cycles.count, dtype=bool)
    for cycle in np.flatnonzero(thin):
        if touched[cycle]:
            continue
        for twin in _twins(core, cycles, int(cycle), tolerance, weight):
            name = (int(core.piece[twin.edge]), float(core.low[twin.edge]))
            if name in refused:
                continue
            sides = cycles.label[[2 * twin.edge, 2 * twin.edge + 1]]
            if touched[sides].any():
                break
            if not accept(core, twin):
                refused.add(name)
                continue
            touched[sides] = True
            gone.append(twin.edge)
            break
    return gone


def _twins(core: Edges, cycles: Cycles, cycle: int, tolerance: float, weight: Ints) -> list[Twin]:
    """The edges of a thin face that could go, the best to lose first."""
    edges = np.unique(cycles.members[cycle] // 2)
    found = []
    for edge in edges.tolist():
        rest = edges[edges != edge]
        width = _width(core, edge, rest)
        if width <= tolerance:
            found.append(Twin(edge, tuple(rest.tolist()), width))
    return sorted(found, key=lambda t: (weight[t.edge], t.width, t.edge))


def _width(core: Edges, edge: int, rest: Ints) -> float:
    """Largest distance (mm) of the edge from the nearest of the rest, over samples."""
    if not len(rest):
        return float("inf")
    shares = np.arange(1, _SAMPLES + 1) / (_SAMPLES + 1)
    samples = core.curves.take(np.full(_SAMPLES, edge)).points_at(shares)
    target = core.curves.take(np.repeat(rest, _SAMPLES))
    distance = target.distances_to(np.tile(samples, (len(rest), 1))).reshape(len(rest), _SAMPLES)
    return float(distance.min(axis=0).max())
