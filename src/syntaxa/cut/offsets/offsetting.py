"""Exact offsets of loops and open chains of lines and arcs: the result is lines and arcs again, no facets.

Method: raw parallels of one side -> cut where they meet -> what is nearer than the distance to any source is dropped
-> twins netted -> dead ends dropped -> walked. There is no test of inside or outside: an edge whose clearance is the
distance has its foot on its own source, so it lies on the side that was asked for. Where loops do not come out even,
the faces of the arrangement vote instead, so that the result always closes.

Cost: n log n in the pieces, plus the meetings of raw parallels.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from syntaxa.cut.offsets.chains import Chains
from syntaxa.cut.offsets.clearance import keeps_clear
from syntaxa.cut.offsets.netting import cut_where_they_meet, free_ends, middles, without_dead_ends, without_twins
from syntaxa.cut.offsets.raw import Raw, raw_parallels
from syntaxa.cut.offsets.walking import chained_spines, onward, sweeps_of, walked
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.rows import reversed_rows
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.mend.arrangement import Edges
from syntaxa.watching import still_wanted

#: mm; what is nearer than this is one place.
MERGE = 1e-7


@dataclass
class Parallel:
    """What an offset gives.

    loops, groups  closed runs of rows with the region on the left, and the group of each
    sources        the run that each loop is of: the number of the one that its first row is beside
    chains         open runs, of open chains
    spines         open runs along which a tool just fits; points  places where it just fits, (2,) each
    lost           mm, the longest part at the right distance that leads nowhere; 0 where the result is sound
    """

    loops: list[Floats] = field(default_factory=list)
    groups: list[int] = field(default_factory=list)
    sources: list[int] = field(default_factory=list)
    chains: list[Floats] = field(default_factory=list)
    spines: list[Floats] = field(default_factory=list)
    points: list[Floats] = field(default_factory=list)
    lost: float = 0.0


def offset(chains: Chains, distance: float, merge: float = MERGE) -> Parallel:
    """The curves at a distance (mm, > 0) to the left of the chains, everywhere at least that far from their group."""
    if not len(chains) or not distance > 0:
        return Parallel()
    still_wanted()
    # Near the origin numbers are finest.
    shift = chains.pieces.start.mean(axis=0)
    work = _Work(chains.moved(-shift), distance, merge, shift)
    return work.result()


def offset_region(loops: Sequence[Floats], distance: float, merge: float = MERGE) -> Parallel:
    """A region shrunk by a distance (mm) > 0, or grown by one < 0, with round corners."""
    if distance >= 0:
        return offset(Chains.of(loops), distance, merge)
    found = offset(Chains.of([reversed_rows(rows) for rows in loops]), -distance, merge)
    found.loops = [reversed_rows(rows) for rows in found.loops]
    return found


def swept(runs: Sequence[Floats], radius: float, merge: float = MERGE) -> list[Floats]:
    """What a round tool sweeps along open runs of rows: outer loops counter-clockwise, islands clockwise; exact.

    Each run there and back is a loop without width, and what lies a radius to its left bounds what is swept.
    """
    loops = [
        np.vstack([rows[:-1], reversed_rows(rows, closed=False)[:-1]])
        for rows in runs
        if len(rows) > 1 and np.ptp(rows[:, :2], axis=0).max() > 0
    ]
    return [reversed_rows(rows) for rows in offset(Chains.of(loops), radius, merge).loops]


class _Work:
    """One offset: the raw pieces, their edges, and which of them are far enough away."""

    def __init__(self, chains: Chains, distance: float, merge: float, shift: Floats) -> None:
        self.chains, self.distance, self.merge, self.shift = chains, distance, merge, shift
        self.raw: Raw = raw_parallels(chains, distance, merge)
        self.out = Parallel(points=self._points())

    def result(self) -> Parallel:
        if not len(self.raw.pieces):
            return self.out
        edges = cut_where_they_meet(self.raw, self.merge)
        if not len(edges):
            return self.out
        still_wanted()
        group = self.raw.group[edges.piece]
        fine = keeps_clear(self.chains, middles(self.raw, edges), group, self.distance, self.merge)
        if not self._by_clearance(edges, fine):
            self._by_votes(edges, fine)
        return self.out

    def _points(self) -> list[Floats]:
        """Centres of arcs that shrink to a point, where the tool just fits."""
        shrunk = self.raw.shrunk
        if not len(shrunk):
            return []
        centre = self.chains.pieces.centre[shrunk]
        _, label = cluster_labels(centre, 2 * self.merge)
        _, first = np.unique(label, return_index=True)
        centre, group = centre[first], self.chains.group[shrunk[first]]
        fine = keeps_clear(self.chains, centre, group, self.distance, 2 * self.merge)
        return list(centre[fine] + self.shift)

    def _by_clearance(self, every: Edges, fine: Bools) -> bool:
        """The quick way; whether it came out even."""
        edges = every.take(np.flatnonzero(fine))
        if not len(edges):
            return True
        keep, spine = without_twins(edges, self.merge)
        self.out.spines = chained_spines(edges.take(spine), self.shift) if len(spine) else []
        free, is_open = self._free(edges)
        left = without_dead_ends(edges, keep, free)
        gone = edges.take(np.setdiff1d(keep, left))
        # At a shallow corner (turn t) raw pieces run on past each other by d t / 2, and come nearer by d t^2 / 4 only.
        longest = float(gone.curves.lengths().max(initial=0.0))
        lost = longest > 4 * np.sqrt(self.merge * self.distance) + 10 * self.merge
        edges = edges.take(left)
        size = len(edges.vertices)
        came, goes = np.bincount(edges.head, minlength=size), np.bincount(edges.tail, minlength=size)
        if (lost or ((came != goes) & (free == 0)).any()) and not is_open:
            return False
        self.out.lost = longest if lost else 0.0
        self._gather(edges, onward(edges))
        return True

    def _free(self, edges: Edges) -> tuple[Ints, bool]:
        follow = self.chains.following
        ends = follow < 0
        begins = np.ones(len(follow), dtype=bool)
        begins[follow[~ends]] = False
        return free_ends(self.raw, edges, begins, ends), bool(ends.any())

    def _by_votes(self, edges: Edges, fine: Bools) -> None:
        """The sure way: what lies left of an edge is far enough where the edge is, what lies right of it never.

        Each edge votes for the cycles on its two sides with its length; what parts cycles that are in from those that
        are out is the result, which therefore always closes.
        """
        keep, _ = without_twins(edges, self.merge)
        fine, edges = fine[keep], edges.take(keep)
        if not len(edges):
            return
        cycles = edges.cycles
        length = edges.curves.lengths()
        votes = np.bincount(cycles.label[0::2], np.where(fine, length, -length), minlength=cycles.count)
        votes -= np.bincount(cycles.label[1::2], length, minlength=cycles.count)
        inside = votes > 0
        left, right = inside[cycles.label[0::2]], inside[cycles.label[1::2]]
        bound = np.zeros(2 * len(edges), dtype=bool)
        bound[0::2], bound[1::2] = left & ~right, right & ~left
        half = np.flatnonzero(bound)
        following = cycles.following[half]
        # Past edges that have the inside on both sides.
        while len(within := np.flatnonzero(~bound[following])):
            following[within] = cycles.following[following[within] ^ 1]
        number = np.full(2 * len(edges), -1, dtype=np.int64)
        number[half] = np.arange(len(half))
        self._gather(_along(edges, half), number[following])

    def _gather(self, edges: Edges, following: Ints) -> None:
        turn = sweeps_of(edges, self.raw.pieces.sweep)
        for rows, closed, edge in walked(edges, following, turn, self.shift):
            if closed:
                self.out.loops.append(rows)
                raw = int(edges.piece[edge])
                self.out.groups.append(int(self.raw.group[raw]))
                self.out.sources.append(int(self.chains.pieces.owner[self.raw.source[raw]]))
            else:
                self.out.chains.append(rows)


def _along(edges: Edges, half: Ints) -> Edges:
    """Half-edges as edges that run their way."""
    against = half % 2 == 1
    e = edges.take(half // 2)
    c = e.curves
    start, end = np.where(against[:, None], c.end, c.start), np.where(against[:, None], c.start, c.end)
    return Edges(
        CurveArray.from_bulges(start, end, np.where(against, -c.bulge, c.bulge), c.owner),
        np.where(against, e.head, e.tail),
        np.where(against, e.tail, e.head),
        e.piece,
        np.where(against, e.high, e.low),
        np.where(against, e.low, e.high),
        e.vertices,
    )
