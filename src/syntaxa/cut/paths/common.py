"""Lines that neighbours share: paths that lie on each other are cut once.

Where two parts lie exactly one tool apart, the path round one is, for a stretch, the path round the other the other way
round. The first of them keeps it; of the second what is left are open runs.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from syntaxa.cut.offsets.netting import cut_where_they_meet, lots_of_twins
from syntaxa.cut.offsets.offsetting import MERGE
from syntaxa.cut.offsets.raw import Raw
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.types import Floats
from syntaxa.mend.arrangement import Edges


def without_shared(paths: Sequence[Floats]) -> list[list[Floats] | None]:
    """For each closed path the open runs that are left of it; None where it stays whole."""
    parts = [pieces_of_rows(rows, True) for rows in paths]
    of = np.repeat(np.arange(len(paths)), [len(p) for p in parts])
    every = CurveArray.joined(parts)
    nothing = np.zeros(0, dtype=np.int64)
    edges = cut_where_they_meet(Raw(every, np.zeros(len(every), dtype=np.int64), nothing, nothing, nothing), MERGE)
    twins, lot = lots_of_twins(edges, MERGE)
    owner = of[edges.piece]
    gone = np.zeros(len(edges), dtype=bool)
    first: dict[int, int] = {}
    for edge, number in sorted(
        zip(twins.tolist(), lot.tolist(), strict=True), key=lambda pair: (owner[pair[0]], pair[0])
    ):
        if number in first and owner[first[number]] != owner[edge]:
            gone[edge] = True
        first.setdefault(number, edge)
    return [
        _left(edges, np.flatnonzero(owner == k), gone) if gone[owner == k].any() else None for k in range(len(paths))
    ]


def _left(edges: Edges, own: np.ndarray, gone: np.ndarray) -> list[Floats]:
    """The runs of a path between what is gone."""
    order = own[np.lexsort((edges.low[own], edges.piece[own]))]
    # Begin behind something that is gone, so that no run goes over the path's start.
    begin = int(np.flatnonzero(gone[order])[0]) + 1
    order = np.roll(order, -begin)
    runs: list[list[list[float]]] = []
    open_run = False
    for edge in order.tolist():
        if gone[edge]:
            open_run = False
            continue
        row = [*edges.curves.start[edge].tolist(), float(edges.curves.bulge[edge])]
        if not open_run:
            runs.append([])
            open_run = True
        elif runs[-1]:
            runs[-1].pop()
        runs[-1] += [row, [*edges.curves.end[edge].tolist(), 0.0]]
    return [np.array(run) for run in runs]
