"""From the edges that are left back to curves: untouched ones as they came, the rest with ids that tell."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.drawing.names import Names
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.shapes import Arc, Circle
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.mend.heal import Healed
from syntaxa.mend.model import Pieces
from syntaxa.watching import still_wanted


def rebuilt(curves: Sequence[Curve], received: Pieces, healed: Healed, names: Names) -> list[Curve]:
    """The healed curves in the order of their originals.

    A curve that nothing touched is returned as it is; a changed one keeps its id; what was put aside stays. A curve
    that is cut becomes id.1, id.2 and so on, by names that are free.
    """
    cuts = np.zeros(len(healed.edges.vertices), dtype=bool)
    cuts[list(healed.cuts)] = True
    by_owner = _grouped(healed.edges.curves.owner, len(curves))
    before = _grouped(received.curves.owner, len(curves))
    after = _grouped(healed.pieces.curves.owner, len(curves))
    aside = set(healed.aside)
    result = []
    for k, curve in enumerate(curves):
        if k % 1000 == 0:
            still_wanted()
        if k in aside and not len(by_owner[k]):
            result.append(curve)
            continue
        runs = _runs(healed, by_owner[k], cuts, curve.shape.is_closed)
        same = _same_pieces(received, before[k], healed.pieces, after[k])
        if len(runs) == 1 and same and _complete(healed, by_owner[k], after[k]):
            result.append(curve)
            continue
        held = _held(healed, by_owner[k], after[k], runs, curve.shape.is_closed)
        for name, run, (start, end) in zip(names.pieces(curve.id, len(runs)), runs, held, strict=True):
            rows, closed = _rows(healed, run)
            result.append(curve.piece(name, shape_of_rows(rows, closed), start, end))
    return _closed(result, curves, healed, names)


def _closed(result: list[Curve], curves: Sequence[Curve], healed: Healed, names: Names) -> list[Curve]:
    """The curves with what closes nearly closed ones: a circle in an arc's place, or a new piece behind them."""
    for closing in healed.closings:
        beside = curves[closing.owner]
        arc = next((c for c in result if c.id == beside.id), None)
        if closing.circle and arc is not None and isinstance(arc.shape, Arc):
            circle = replace(arc, shape=Circle(arc.shape.centre, arc.shape.radius))
            result = [circle if c is arc else c for c in result]
            continue
        rows = np.array([[*closing.start, closing.bulge], [*closing.end, 0.0]])
        closed_by = beside.copied(names.free(f"{beside.id}-closing"), shape_of_rows(rows, False))
        result.append(replace(closed_by, handle="", group=beside.group))
    return result


def _grouped(owner: Ints, count: int) -> list[Ints]:
    order = np.argsort(owner, kind="stable")
    return np.split(order, np.cumsum(np.bincount(owner, minlength=count))[:-1])


def _same_pieces(received: Pieces, before: Ints, pieces: Pieces, after: Ints) -> bool:
    if len(before) != len(after):
        return False
    after = after[np.argsort(pieces.order[after], kind="stable")]
    return all(
        np.array_equal(getattr(received.curves, name)[before], getattr(pieces.curves, name)[after])
        for name in ("start", "end", "bulge")
    )


def _complete(healed: Healed, edges: Ints, pieces: Ints) -> bool:
    covered = float((healed.edges.high[edges] - healed.edges.low[edges]).sum())
    return abs(covered - len(pieces)) <= ROUNDING


def _held(healed: Healed, edges: Ints, pieces: Ints, runs: list[list[int]], closed: bool) -> list[tuple[bool, bool]]:
    """Whether each run has the start and the end of its curve; of a closed curve that was cut none has."""
    if len(runs) == 1 and closed:
        whole = _complete(healed, edges, pieces)
        return [(whole, whole)]
    if closed or not len(pieces):
        return [(False, False)] * len(runs)
    order = healed.pieces.order[pieces]
    first, last = int(pieces[order.argmin()]), int(pieces[order.argmax()])
    parts = healed.edges
    return [
        (
            bool(parts.piece[run[0]] == first and parts.low[run[0]] <= ROUNDING),
            bool(parts.piece[run[-1]] == last and parts.high[run[-1]] >= 1 - ROUNDING),
        )
        for run in runs
    ]


def _runs(healed: Healed, own: Ints, cuts: Bools, closed: bool) -> list[list[int]]:
    """The edges of one curve as unbroken runs."""
    if not len(own):
        return []
    edges, pieces = healed.edges, healed.pieces
    own = own[np.lexsort((edges.low[own], pieces.order[edges.piece[own]]))].tolist()
    runs = [[own[0]]]
    for before, here in itertools.pairwise(own):
        if edges.head[before] == edges.tail[here] and not cuts[edges.tail[here]]:
            runs[-1].append(here)
        else:
            runs.append([here])
    if closed and len(runs) > 1 and _meet(healed, runs[-1], runs[0]) and not cuts[edges.tail[own[0]]]:
        runs[0] = runs.pop() + runs[0]
    return runs


def _meet(healed: Healed, last: list[int], first: list[int]) -> bool:
    return bool(healed.edges.head[last[-1]] == healed.edges.tail[first[0]])


def _rows(healed: Healed, run: list[int]) -> tuple[Floats, bool]:
    edges = healed.edges
    rows: list[list[float]] = []
    before: int | None = None
    low = 0.0
    for e in run:
        same_piece = before is not None and edges.piece[e] == edges.piece[before] and edges.low[e] == edges.high[before]
        if same_piece and before is not None:
            # A cut that nothing else needs any more: the piece goes on as it was.
            rows[-1][2] = float(np.tan(healed.pieces.curves.sweep[edges.piece[e]] * (edges.high[e] - low) / 4))
        else:
            low = float(edges.low[e])
            rows.append([*edges.curves.start[e].tolist(), float(edges.curves.bulge[e])])
        before = e
    closes = bool(edges.head[run[-1]] == edges.tail[run[0]])
    if not closes:
        rows.append([*edges.curves.end[run[-1]].tolist(), 0.0])
    return np.array(rows), closes
