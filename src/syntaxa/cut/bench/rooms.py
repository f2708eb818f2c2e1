"""Where a tool may be at a height: the rooms that are open there, as one outline, and what comes too near to it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.bench.target import Room
from syntaxa.cut.offsets.netting import cut_where_they_meet
from syntaxa.cut.offsets.offsetting import MERGE
from syntaxa.cut.offsets.raw import Raw
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.inside import crossed_edges
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import along, vectors

#: mm to both sides of an edge at which it is asked whether a room lies there.
_ASIDE = 1e-5


@dataclass(frozen=True, slots=True, eq=False)
class Open:
    """All that is open at a height: its outline, and the rooms that it consists of."""

    outline: CurveArray
    loops: CurveArray
    room: Ints
    outside: Bools

    def holds(self, points: Floats) -> Bools:
        """Which points (n, 2) lie in some room."""
        return _held(self.loops, self.room, self.outside, points)


def open_rooms(rooms: Sequence[Room]) -> Open:
    """Several rooms as one: edges with a room on both sides, or on none, are no outline."""
    parts = [(pieces_of_rows(rows, True), n) for n, room in enumerate(rooms) for rows in room.loops]
    loops = CurveArray.joined([p for p, _ in parts]) if parts else CurveArray.none()
    number = np.repeat(np.array([n for _, n in parts], dtype=np.int64), [len(p) for p, _ in parts])
    outside = np.array([room.outside for room in rooms], dtype=bool)
    if len(rooms) <= 1 or not len(loops):
        return Open(loops, loops, number, outside)
    nothing = np.zeros(0, dtype=np.int64)
    edges = cut_where_they_meet(Raw(loops, np.zeros(len(loops), dtype=np.int64), nothing, nothing, nothing), MERGE)
    middle, way = (getattr(edges.curves, name)(np.full(len(edges), 0.5)) for name in ("points_at", "tangents_at"))
    normal = vectors(-way[:, 1], way[:, 0])
    aside = np.full(len(edges), _ASIDE)
    left = _held(loops, number, outside, along(middle, normal, aside))
    right = _held(loops, number, outside, along(middle, normal, -aside))
    return Open(edges.curves.take(np.flatnonzero(left != right)), loops, number, outside)


def _held(loops: CurveArray, room: Ints, outside: Bools, points: Floats) -> Bools:
    count, rooms = len(points), len(outside)
    row, edge = crossed_edges(loops, points)
    pair, times = np.unique(row * rooms + room[edge], return_counts=True)
    point, which = np.divmod(pair[times % 2 == 1], rooms)
    # A point is open where it lies in some room, or outside of the loops of one that is all that lies outside.
    held = np.bincount(point[outside[which]], minlength=count) < int(outside.sum())
    held[point[~outside[which]]] = True
    return np.asarray(held)
