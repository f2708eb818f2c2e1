"""Kinks: where a curve was meant to run on tangent and misses it by a little.

A kink lies where just two pieces meet, one of them an arc, and the way turns there by a small angle. An arc between
two lines is a rounding: it is made anew, of the same radius, tangent to both. Any other arc keeps its ends and is bent
so that it leaves along its neighbour.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.construct import arc_from, filleted
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Line
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import cross, dot
from syntaxa.mend.vertices import Vertices

#: Radians between which a turn is a tangent that was missed: less is rounding of numbers, more is a corner.
_LEAST, _MOST = 1e-3, 0.06

#: Share of the radius that mending a kink may move anything by.
_SHARE_OF_RADIUS = 0.1


@dataclass(frozen=True, slots=True)
class Kink:
    """A missed tangent: its place, the turn there (radians), the pieces, and what would mend it.

    places  new places (mm) of vertices; bulges  new bulges of pieces; cost  mm that anything moves
    """

    place: Point
    turn: float
    pieces: tuple[int, int]
    places: dict[int, tuple[float, float]]
    bulges: dict[int, float]
    cost: float
    rounding: bool


def kinks(vertices: Vertices) -> list[Kink]:
    """All kinks that can be mended."""
    first, at = vertices.ends_at
    two = np.flatnonzero(np.diff(first) == 2)
    one, other = at[first[two]], at[first[two] + 1]
    leaving = _leaving(vertices, np.concatenate([one, other]))
    a, b = leaving[: len(one)], leaving[len(one) :]
    turn = np.abs(np.arctan2(cross(a, -b), dot(a, -b)))
    arc = vertices.pieces.curves.is_arc
    good = (turn > _LEAST) & (turn < _MOST) & (arc[one // 2] | arc[other // 2]) & (one // 2 != other // 2)
    good &= vertices.yielding[one // 2] & vertices.yielding[other // 2]
    found = [(float(turn[k]), int(two[k]), int(one[k]), int(other[k])) for k in np.flatnonzero(good)]
    mended: dict[int, Kink] = {}
    for angle, vertex, here, there in sorted(found, reverse=True):
        piece = _to_bend(vertices, here, there)
        if piece in mended:
            continue
        kink = _rounding(vertices, piece, vertex, angle, (here, there)) or _bent(
            vertices, piece, vertex, angle, (here, there)
        )
        if kink is not None:
            mended[piece] = kink
    return [mended[k] for k in sorted(mended)]


def _leaving(vertices: Vertices, ends: Ints) -> Floats:
    """Direction in which the pieces leave their ends, (k, 2)."""
    last = ends % 2 == 1
    directions = vertices.pieces.curves.take(ends // 2).tangents_at(last.astype(np.float64))
    directions[last] *= -1.0
    return directions


def _to_bend(vertices: Vertices, here: int, there: int) -> int:
    """The arc of two pieces, the shorter one of two arcs."""
    curves = vertices.pieces.curves.take(np.array([here // 2, there // 2]))
    rank = [(not curves.is_arc[k], float(curves.lengths()[k])) for k in (0, 1)]
    return (here if rank[0] <= rank[1] else there) // 2


def _rounding(vertices: Vertices, piece: int, vertex: int, turn: float, ends: tuple[int, int]) -> Kink | None:
    """An arc between two lines made anew, tangent to both; None where it lies elsewhere or would move too far."""
    first, at = vertices.ends_at
    around = []
    for end in (2 * piece, 2 * piece + 1):
        place = int(vertices.label[end])
        others = [int(e) for e in at[first[place] : first[place + 1]] if e != end]
        if len(others) != 1 or vertices.held[place] or vertices.pieces.curves.is_arc[others[0] // 2]:
            return None
        around.append((place, others[0] // 2))
    curves = vertices.pieces.curves
    radius = float(curves.radius[piece])
    lines = [Line(Point(*curves.start[k].tolist()), Point(*curves.end[k].tolist())) for _, k in around]
    made = filleted(lines[0], lines[1], radius)
    if made is None:
        return None
    arc = made[1]
    ends_of_arc = sorted((arc.start, arc.end), key=lambda p: p.distance_to(Point(*vertices.ends[2 * piece].tolist())))
    old = [Point(*vertices.ends[2 * piece + k].tolist()) for k in (0, 1)]
    bulge = math.copysign(abs(math.tan(arc.sweep / 4)), curves.bulge[piece])
    moves = [a.distance_to(b) for a, b in zip(old, ends_of_arc, strict=True)]
    cost = max(*moves, _apart(old, float(curves.bulge[piece]), bulge))
    if cost > _SHARE_OF_RADIUS * radius:
        return None
    places = {place: (p.x, p.y) for (place, _), p in zip(around, ends_of_arc, strict=True)}
    return Kink(_place(vertices, vertex), turn, _pieces(ends), places, {piece: bulge}, cost, True)


def _bent(vertices: Vertices, piece: int, vertex: int, turn: float, ends: tuple[int, int]) -> Kink | None:
    """An arc that keeps its ends and leaves along its neighbour."""
    end = next(e for e in ends if e // 2 == piece)
    other = next(e for e in ends if e != end)
    away = Vector(*(-_leaving(vertices, np.array([other]))[0]).tolist())
    here, there = (Point(*vertices.ends[e].tolist()) for e in (end, end ^ 1))
    shape = arc_from(here, away, there)
    if shape is None:
        return None
    bulge = math.tan(shape.sweep / 4) if isinstance(shape, Arc) else 0.0
    bulge = bulge if end % 2 == 0 else -bulge
    old = float(vertices.pieces.curves.bulge[piece])
    cost = _apart([here, there], old, bulge)
    if cost > _SHARE_OF_RADIUS * float(vertices.pieces.curves.radius[piece]):
        return None
    return Kink(_place(vertices, vertex), turn, _pieces(ends), {}, {piece: bulge}, cost, False)


def _apart(ends: list[Point], old: float, new: float) -> float:
    """How far the middles of two arcs over one chord are apart, mm."""
    return abs(old - new) * ends[0].distance_to(ends[1]) / 2


def _place(vertices: Vertices, vertex: int) -> Point:
    return Point(*vertices.places[vertex].tolist())


def _pieces(ends: tuple[int, int]) -> tuple[int, int]:
    return ends[0] // 2, ends[1] // 2
