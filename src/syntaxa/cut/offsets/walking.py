"""From edges to loops, chains and spines: walks with the region on the left."""

from __future__ import annotations

from collections import defaultdict

import numpy as np

from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import norm
from syntaxa.mend.arrangement import Edges

#: Share of the shortest chord at a vertex, at which directions are compared: tangent edges have parted there.
_REACH = 0.3


def onward(edges: Edges) -> Ints:
    """The edge after each (m,), -1 where none is: at a vertex where several meet, so that regions stay apart."""
    size, count = len(edges.vertices), len(edges)
    came, goes = np.bincount(edges.head, minlength=size), np.bincount(edges.tail, minlength=size)
    following = np.full(count, -1, dtype=np.int64)
    leaving = np.full(size, -1, dtype=np.int64)
    leaving[edges.tail] = np.arange(count)
    simple = ((came == 1) & (goes == 1))[edges.head]
    following[simple] = leaving[edges.head[simple]]
    crowded = np.flatnonzero(came + goes > 2)
    if len(crowded):
        into, out = _by_vertex(edges.head, crowded), _by_vertex(edges.tail, crowded)
        for vertex in crowded.tolist():
            for before, after in _paired(edges, into[vertex], out[vertex]):
                following[before] = after
    return following


def _by_vertex(of: Ints, wanted: Ints) -> dict[int, list[int]]:
    """The edges at each wanted vertex."""
    found: dict[int, list[int]] = {v: [] for v in wanted.tolist()}
    for edge in np.flatnonzero(np.isin(of, wanted)).tolist():
        found[int(of[edge])].append(edge)
    return found


def _paired(edges: Edges, into: list[int], out: list[int]) -> list[tuple[int, int]]:
    """Pairs (edge that arrives, edge that goes on) at a vertex such that what is on the left stays together."""
    every = np.array([*into, *out])
    chord = norm(edges.curves.end[every] - edges.curves.start[every])
    reach = _REACH * float(chord.min())
    share = np.minimum(reach / np.maximum(edges.curves.take(every).lengths(), 1e-300), 0.5)
    leaves = np.arange(len(every)) >= len(into)
    one = edges.curves.take(every)
    spoke = one.points_at(np.where(leaves, share, 1 - share)) - np.where(leaves[:, None], one.start, one.end)
    angle = np.arctan2(spoke[:, 1], spoke[:, 0])
    marks = sorted(zip(angle.tolist(), leaves.tolist(), every.tolist(), strict=True))
    pairs, left, waiting = [], dict.fromkeys(out), []
    for k, (_, goes, edge) in enumerate(marks):
        if goes:
            continue
        # The next clockwise from the way back.
        _, goes, other = marks[k - 1]
        if goes and other in left:
            pairs.append((edge, other))
            del left[other]
        else:
            waiting.append(edge)
    return [*pairs, *zip(waiting, left, strict=False)]


def walked(edges: Edges, following: Ints, turn: Floats, shift: Floats) -> list[tuple[Floats, bool, int]]:
    """(rows, closed, an edge of it) of every walk; edges of one raw piece that go on are one row again.

    turn   (m,) sweep of each edge, of its raw piece and not of its ends: the shortest were taken for lines
    shift  (2,) mm that is added to all places
    """
    start, end = edges.curves.start + shift, edges.curves.end + shift
    begins = np.setdiff1d(np.arange(len(edges)), following[following >= 0]).tolist()
    onward_of, seen, found = following.tolist(), [False] * len(edges), []
    for lead in (*begins, *range(len(edges))):
        if seen[lead]:
            continue
        run, k = [], lead
        while k >= 0 and not seen[k]:
            seen[k] = True
            run.append(k)
            k = onward_of[k]
        rows = _rows(edges, np.array(run), k == lead, turn, start, end)
        if rows is not None:
            found.append((rows, k == lead, lead))
    return found


def _rows(edges: Edges, run: Ints, closed: bool, turn: Floats, start: Floats, end: Floats) -> Floats | None:
    before = np.roll(run, 1)
    goes_on = (edges.piece[run] == edges.piece[before]) & (edges.low[run] == edges.high[before])
    if not closed:
        goes_on[0] = False
    heads = np.flatnonzero(~goes_on)
    if not len(heads):
        return None
    if heads[0]:
        run = np.roll(run, -heads[0])
        heads = heads - heads[0]
    total = np.add.reduceat(turn[run], heads)
    rows = np.column_stack([start[run[heads]], np.tan(total / 4)])
    if closed:
        return rows if len(rows) >= 2 else None
    return np.vstack([rows, [*end[run[-1]], 0.0]])


def chained_spines(spines: Edges, shift: Floats) -> list[Floats]:
    """Spines as open runs, as long as no third meets them."""
    at: dict[int, list[int]] = defaultdict(list)
    tail, head, bulge = spines.tail.tolist(), spines.head.tolist(), spines.curves.bulge.tolist()
    for edge, (a, b) in enumerate(zip(tail, head, strict=True)):
        at[a].append(edge)
        at[b].append(edge)
    places = (spines.vertices + shift).tolist()
    left, found = set(range(len(spines))), list[Floats]()
    for vertex in sorted(at, key=lambda v: len(at[v]) == 2):
        for first in at[vertex]:
            if first not in left:
                continue
            here, rows = vertex, []
            onto: int | None = first
            while onto is not None:
                left.discard(onto)
                ahead = tail[onto] == here
                rows.append([*places[here], bulge[onto] if ahead else -bulge[onto]])
                here = head[onto] if ahead else tail[onto]
                onto = next((e for e in at[here] if e in left), None) if len(at[here]) == 2 else None
            found.append(np.array([*rows, [*places[here], 0.0]]))
    return found


def sweeps_of(edges: Edges, sweep: Floats) -> Floats:
    """How far each edge turns, by the sweeps of the raw pieces (radians)."""
    return np.asarray(sweep[edges.piece] * (edges.high - edges.low))
