"""Clearing a region: rings from its wall inwards, each the exact offset of the one before, joined without lifts.

Glossary: the *room* is where the tool's middle may be (the region shrunk by the radius); *step* is how far one ring
lies inside the one before; a *link* joins two rings at depth and stays in the room.

Nothing is left where the step is at most the radius: a place of the room at depth D lies less than a step inside ring
floor(D / step), for along the way to the nearest place of the wall the depth falls as fast as one goes. Where the
step is between the radius and the diameter, what is left between two rings is the region between them shrunk by the
radius: an
exact offset again, and its own outline, run once, clears it, for it is narrower than the tool.

Cost: n log n in the pieces of all rings.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.offsets.chains import Chains, area_of, length_of
from syntaxa.cut.offsets.offsetting import offset
from syntaxa.cut.paths.along import Along
from syntaxa.cut.paths.leads import SLACK
from syntaxa.errors import CutError
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.nearest import nearest_within, points_beside
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import norm
from syntaxa.watching import still_wanted

#: mm; an offset that leads nowhere for longer than this is told instead of used.
_LOST = 1e-3

#: How far a link may reach, in steps.
_REACH = 2.2

#: Rings that a pocket may have: one that is larger by far than its tool is refused.
_MOST_RINGS = 20_000


@dataclass(frozen=True, slots=True, eq=False)
class Ring:
    """A closed run of rows, how many rings lie round it, and whether it is one that only cleans up.

    A spine, which a tool just fits along, is run there and back; a place where it just fits is one row.
    """

    rows: Floats
    level: int
    cleans: bool = False


def _too_large() -> CutError:
    return CutError("The pocket is too large for so small a tool.", suggestion="Take a larger one.")


def _refuse_beyond_measure(loops: Sequence[Floats], step: float) -> None:
    """Raises CutError for what can be seen before a ring is made to need more of them than are made.

    Shrunk further and further, a region without islands loses at most its perimeter for each mm, so it takes its area
    divided by its perimeter at least until nothing is left (Bonnesen).
    """
    if len(loops) != 1:
        return
    if area_of(loops[0]) > _MOST_RINGS * step * length_of(loops[0], True):
        raise _too_large()


def rings_of(loops: Sequence[Floats], radius: float, step: float, allowance: float = 0.0) -> list[Ring]:
    """All rings of a region (outer loops counter-clockwise, islands clockwise), mm; raises CutError."""
    _refuse_beyond_measure(loops, step)
    rings: list[Ring] = []
    region, level, distance = list(loops), 0, radius + allowance
    while region:
        still_wanted()
        found = offset(Chains.of(region), distance)
        if found.lost > _LOST:
            raise CutError("The rings of a pocket do not close.", suggestion="Mend the drawing, or take another tool.")
        if level and step > radius:
            left = offset(Chains.of([*region, *(reversed_rows(rows) for rows in found.loops)]), radius)
            rings += [Ring(rows, level, True) for rows in left.loops]
            rings += [Ring(_there_and_back(rows), level, True) for rows in left.spines]
        rings += [Ring(rows, level) for rows in found.loops]
        if not level:
            rings += [Ring(_there_and_back(rows), level, True) for rows in found.spines]
            rings += [Ring(np.array([[*point, 0.0]]), level, True) for point in found.points]
        if len(rings) > _MOST_RINGS:
            raise _too_large()
        region, level, distance = found.loops, level + 1, step
    return rings


def _there_and_back(rows: Floats) -> Floats:
    return np.vstack([rows[:-1], reversed_rows(rows, closed=False)[:-1]])


@dataclass(frozen=True, slots=True)
class _Link:
    """A way of a length (mm) between two rings, from a place on each (mm along)."""

    length: float
    one: int
    other: int
    at_one: float
    at_other: float


def tours_of(rings: Sequence[Ring], loops: Sequence[Floats], need: float, step: float) -> list[Floats]:
    """The rings joined into as few closed runs as links allow: open runs of rows that come back to where they begin.

    A shortest spanning forest over the links; each tree is toured from its innermost ring, every other ring being cut
    as a detour where its link leaves.
    """
    runs = [_Ring(ring.rows) for ring in rings]
    links = _spanning(_links(rings, runs, loops, need, _REACH * step), len(rings))
    at: list[list[tuple[float, int, float]]] = [[] for _ in rings]
    for link in links:
        at[link.one].append((link.at_one, link.other, link.at_other))
        at[link.other].append((link.at_other, link.one, link.at_one))
    return [_toured(head, runs, at) for head in _heads(rings, links)]


class _Ring:
    """A ring by length; one of a single place has none."""

    def __init__(self, rows: Floats) -> None:
        self.along = Along(rows, True) if len(rows) > 1 else None
        self._place = rows[0, :2]

    @property
    def total(self) -> float:
        return 0.0 if self.along is None else self.along.total

    @property
    def pieces(self) -> CurveArray:
        """Its pieces; a place as one without length."""
        if self.along is not None:
            return self.along.pieces
        return CurveArray.from_rows([(*self._place, *self._place, 0.0)], [0])

    def place(self, s: float) -> Floats:
        return self._place if self.along is None else self.along.place(s)

    def between(self, low: float, high: float) -> Floats:
        if self.along is None or high - low <= ROUNDING:
            return np.array([[*self.place(low), 0.0]])
        return self.along.between(low, high)

    def length_at(self, piece: int, share: float) -> float:
        return 0.0 if self.along is None else float(self.along.begins[piece] + share * self.along.lengths[piece])


def _links(
    rings: Sequence[Ring], runs: Sequence[_Ring], loops: Sequence[Floats], need: float, reach: float
) -> list[_Link]:
    """The shortest link of each two rings of neighbouring levels that is no longer than the reach and stays in the
    room.
    """
    pieces = [r.pieces for r in runs]
    every = CurveArray.joined(pieces)
    counts = np.array([len(p) for p in pieces])
    ring = np.repeat(np.arange(len(rings)), counts)
    number = np.arange(len(every)) - np.repeat(np.cumsum(counts) - counts, counts)
    level = np.array([r.level for r in rings])
    twice, share = np.repeat(np.arange(len(every)), 2), np.tile([0.0, 0.5], len(every))
    points = every.take(twice).points_at(share)
    row, other, _ = points_beside(every, points, reach)
    mine, its = ring[twice[row]], ring[other]
    fine = np.flatnonzero((mine != its) & (np.abs(level[mine] - level[its]) <= 1))
    row, other = row[fine], other[fine]
    target = every.take(other)
    there = np.clip(target.parameters_of(points[row]), 0.0, 1.0)
    apart = norm(points[row] - target.points_at(there))
    best = _shortest(ring[twice[row]], ring[other], apart, len(rings))
    best = best[apart[best] <= reach]
    found = [
        _Link(
            float(apart[k]), int(ring[twice[row[k]]]), int(ring[other[k]]),
            runs[ring[twice[row[k]]]].length_at(int(number[twice[row[k]]]), float(share[row[k]])),
            runs[ring[other[k]]].length_at(int(number[other[k]]), float(there[k])),
        )
        for k in best.tolist()
    ]  # fmt: skip
    lines = CurveArray.from_rows(
        [(*runs[link.one].place(link.at_one), *runs[link.other].place(link.at_other), 0.0) for link in found],
        range(len(found)),
    )
    walls = CurveArray.joined([pieces_of_rows(rows, True) for rows in loops])
    clear = nearest_within(lines, walls, need)
    return [link for link, least in zip(found, clear, strict=True) if least >= need - SLACK]


def _shortest(one: Ints, other: Ints, apart: Floats, count: int) -> Ints:
    """Index of the shortest of each unordered pair."""
    pair = np.minimum(one, other) * count + np.maximum(one, other)
    order = np.lexsort((apart, pair))
    first = np.concatenate([[True], pair[order][1:] != pair[order][:-1]]) if len(order) else np.zeros(0, dtype=bool)
    return np.asarray(order[first])


def _spanning(links: list[_Link], count: int) -> list[_Link]:
    """The links of a shortest spanning forest (Kruskal)."""
    group = list(range(count))

    def root(k: int) -> int:
        while group[k] != k:
            group[k] = group[group[k]]
            k = group[k]
        return k

    kept = []
    for link in sorted(links, key=lambda x: x.length):
        a, b = root(link.one), root(link.other)
        if a != b:
            group[a] = b
            kept.append(link)
    return kept


def _heads(rings: Sequence[Ring], links: list[_Link]) -> list[int]:
    """The innermost true ring of each tree."""
    neighbours: list[list[int]] = [[] for _ in rings]
    for link in links:
        neighbours[link.one].append(link.other)
        neighbours[link.other].append(link.one)
    seen, heads = [False] * len(rings), []
    for first in range(len(rings)):
        if seen[first]:
            continue
        tree, waiting = [], [first]
        seen[first] = True
        while waiting:
            k = waiting.pop()
            tree.append(k)
            for other in neighbours[k]:
                if not seen[other]:
                    seen[other] = True
                    waiting.append(other)
        heads.append(max(tree, key=lambda k: (not rings[k].cleans, rings[k].level, -k)))
    return heads


def _toured(head: int, runs: Sequence[_Ring], at: Sequence[list[tuple[float, int, float]]]) -> Floats:
    """Rows round a ring and back, with a detour round every ring that hangs on it."""
    rows: list[Floats] = []
    # Pockets may have thousands of rings: a list of what waits instead of calls within calls.
    stack: list[Iterator[tuple[Floats | None, int, float, int]]] = [_around(head, 0.0, -1, runs, at)]
    while stack:
        step = next(stack[-1], None)
        if step is None:
            stack.pop()
            continue
        part, child, entry, parent = step
        if part is not None:
            rows.append(part)
        else:
            stack.append(_around(child, entry, parent, runs, at))
    flat = np.vstack(rows)
    moved = np.concatenate([[True], (np.abs(np.diff(flat[:, :2], axis=0)) > ROUNDING).any(axis=1)])
    # Where two rows have one place, how it goes on says the later one.
    keep = np.concatenate([moved[1:], [True]])
    return np.asarray(flat[keep])


def _around(
    me: int, entry: float, parent: int, runs: Sequence[_Ring], at: Sequence[list[tuple[float, int, float]]]
) -> Iterator[tuple[Floats | None, int, float, int]]:
    """Round a ring from a place on it and back: (rows, ...) of a part, or (None, ring, place on it, me) for a
    detour.
    """
    ring = runs[me]
    total = ring.total
    stops = [((s - entry) % total if total else 0.0, child, there) for s, child, there in at[me] if child != parent]
    here = 0.0
    for along, child, there in sorted(stops):
        yield ring.between(entry + here, entry + along), -1, 0.0, -1
        yield None, child, there, me
        here = along
    yield ring.between(entry + here, entry + total), -1, 0.0, -1
