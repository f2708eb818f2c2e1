"""Chains that want one more piece: nearly closed ones, and ones that lack a side or an arc.

Glossary: a chain is a free-standing path of edges with two loose ends; its *mouth* is the straight way from the one to
the other. A mouth that is short beside the chain is nearly closed. A wider one is a missing piece only where the chain
itself says what it was: an arc tangent at both ends, a line that both ends run into, or one square to an end or along
another side.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np

from syntaxa.geometry.construct import arc_from
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc
from syntaxa.geometry.tolerances import NOUGHT, ROUNDING
from syntaxa.geometry.types import Ints
from syntaxa.mend.arrangement import Edges

#: Width of a mouth, in lengths of its chain, up to which the chain is nearly closed.
_NEARLY = 0.05

#: Radians; directions that differ by less are meant to be one.
_ALIKE = 0.02

#: Radians; an arc that turns less is a line.
_LEAST_TURN = 0.1

#: Share of the radius by which arcs of one circle may differ.
_SAME_CIRCLE = 1e-6


@dataclass(frozen=True, slots=True)
class Closing:
    """A piece that would close a chain.

    kind     "near-closed" or "missing piece"; remedy  what it is, in words
    owner    index of the curve that its first loose end belongs to
    start, end  (x, y) mm; bulge  of the piece
    arc      bulge of the arc that is tangent at the first end, which is another way
    circle   whether the chain is one curve that becomes a circle
    """

    kind: str
    remedy: str
    owner: int
    start: tuple[float, float]
    end: tuple[float, float]
    bulge: float
    arc: float
    circle: bool

    @property
    def ways(self) -> tuple[str, ...]:
        """Names of the other ways to deal with the chain, of `CHOICES`."""
        return (*(("line",) if self.bulge else ()), *(("arc",) if self.arc != self.bulge else ()), "drop")

    def in_way(self, choice: str) -> Closing:
        """The closing with a line or a tangent arc instead, where one of these is chosen."""
        if choice not in ("line", "arc"):
            return self
        return replace(self, bulge=self.arc if choice == "arc" else 0.0, circle=False)

    @property
    def width(self) -> float:
        """How far the loose ends are apart, mm."""
        return math.dist(self.start, self.end)


def closing_of(edges: Edges, chain: Ints, loose: list[int]) -> Closing | None:
    """What would close a chain of edges with two loose ends (vertices); None where nothing suggests itself."""
    # The ends of one edge, which turns half round at the most, are far apart.
    if len(loose) != 2 or len(chain) < 2 or not _is_path(edges, chain):
        return None
    (owner, here, out), (_, there, back) = (_loose_end(edges, chain, vertex) for vertex in loose)
    mouth = there - here
    length = float(edges.curves.take(chain).lengths().sum())
    ends = (here.x, here.y), (there.x, there.y)
    tangent = _bulge(here, out, there)
    if mouth.length <= _NEARLY * length:
        round_ = _round_closing(edges, chain, here, there)
        if round_ is not None:
            whole = len(set(edges.curves.owner[chain].tolist())) == 1
            return Closing("near-closed", "Close the circle", owner, *ends, round_, tangent, whole)
        return Closing("near-closed", "Close it with a line", owner, *ends, 0.0, tangent, False)
    side = _suggests_a_side(edges, chain, mouth, out, back)
    turn = abs(4 * math.atan(tangent))
    fits = _LEAST_TURN <= turn <= math.pi + _ALIKE and _arrives(here, tangent, there, back)
    # A half circle fits wherever a side is lacking between two others: it is meant where the chain has one already.
    if fits and (not side or turn < math.pi - _ALIKE or _has_half_circle(edges, chain)):
        return Closing("missing piece", "Draw the missing arc", owner, *ends, tangent, tangent, False)
    if side:
        return Closing("missing piece", "Draw the missing side", owner, *ends, 0.0, tangent, False)
    return None


def _has_half_circle(edges: Edges, chain: Ints) -> bool:
    return bool((np.abs(edges.curves.sweep[chain]) > math.pi - _ALIKE).any())


def _is_path(edges: Edges, chain: Ints) -> bool:
    ends = np.concatenate([edges.tail[chain], edges.head[chain]])
    _, count = np.unique(ends, return_counts=True)
    return bool((count <= 2).all() and (count == 1).sum() == 2)


def _loose_end(edges: Edges, chain: Ints, vertex: int) -> tuple[int, Point, Vector]:
    """(curve, place, direction onward) of a loose end."""
    first = np.flatnonzero(edges.tail[chain] == vertex)
    edge = chain[first if len(first) else np.flatnonzero(edges.head[chain] == vertex)]
    share = 0.0 if len(first) else 1.0
    x, y = edges.curves.take(edge).tangents_at(np.array([share]))[0].tolist()
    out = Vector(x, y) * (-1.0 if len(first) else 1.0)
    return int(edges.curves.owner[edge[0]]), Point(*edges.vertices[vertex].tolist()), out


def _bulge(here: Point, out: Vector, there: Point) -> float:
    """Bulge of the piece that leaves here in a direction and ends there; 0 for a line."""
    piece = arc_from(here, out, there)
    return math.tan(piece.sweep / 4) if isinstance(piece, Arc) and abs(piece.sweep) < 6.0 else 0.0


def _arrives(here: Point, bulge: float, there: Point, back: Vector) -> bool:
    """Whether an arc comes in against the direction in which the other end runs on."""
    arc = Arc.from_bulge(here, there, bulge)
    turned = arc.start_angle + arc.sweep + math.copysign(math.pi / 2, arc.sweep)
    return _between(Vector(math.cos(turned), math.sin(turned)), -back) < _ALIKE


def _between(one: Vector, two: Vector) -> float:
    """Angle between two directions, 0 to pi."""
    return abs(math.atan2(one.cross(two), one.dot(two)))


def _suggests_a_side(edges: Edges, chain: Ints, mouth: Vector, out: Vector, back: Vector) -> bool:
    """Whether a line over the mouth goes on at both ends, or is square to one, or runs along another side."""
    if _between(mouth, out) < _ALIKE and _between(-mouth, back) < _ALIKE:
        return True
    if any(abs(_between(mouth, end) - math.pi / 2) < _ALIKE for end in (out, back)):
        return True
    lines = chain[~edges.curves.is_arc[chain]]
    sides = edges.curves.end[lines] - edges.curves.start[lines]
    sizes = np.maximum(np.hypot(sides[:, 0], sides[:, 1]), NOUGHT) * mouth.length
    return bool((np.abs(sides[:, 0] * mouth.y - sides[:, 1] * mouth.x) < math.sin(_ALIKE) * sizes).any())


def _round_closing(edges: Edges, chain: Ints, here: Point, there: Point) -> float | None:
    """Bulge of what is left of a circle that all of a chain lies on; None where there is no such circle."""
    curves = edges.curves.take(chain)
    if not curves.is_arc.all():
        return None
    radius, centre = float(curves.radius[0]), curves.centre[0]
    off = np.maximum(np.abs(curves.radius - radius), np.abs(curves.centre - centre).max(axis=1))
    if off.max() > max(_SAME_CIRCLE * radius, ROUNDING):
        return None
    first, last = (math.atan2(p.y - centre[1], p.x - centre[0]) for p in (here, there))
    # The mouth is the short way round.
    return math.tan(math.remainder(last - first, 2 * math.pi) / 4)
