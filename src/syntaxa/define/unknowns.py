"""Unknowns and equations of a sketch.

An *unknown* is a coordinate, a radius or a length (mm), or a direction (radians, never wrapped). There are three kinds
of equation, and no others:

    tie   unknown i = sign * unknown j + shift; it is substituted, never solved
    ray   (q - p) . (cos(t + phase), sin(t + phase)) = s1 r1 + s2 r2 + number
    sum   coefficients . unknowns = number

A line has a direction, an arc one to each of its ends. As they are unknowns of their own, parallel, square, tangent at
an end and angle are ties; no angle wraps, no sense flips, and nothing is singular where a length or a gap is nought.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import NamedTuple

QUARTER = math.pi / 2
TURN = 2 * math.pi

#: Number of what belongs to the form of a curve, and not to a constraint.
FORM = -1

#: What turning a direction costs, beside moving the end of the span that it belongs to.
_TURNING = 0.01


class Spot(NamedTuple):
    """A point: the unknowns of its coordinates."""

    x: int
    y: int


class Straight(NamedTuple):
    """A line from a to b in the direction t."""

    a: Spot
    b: Spot
    t: int


class Round(NamedTuple):
    """A circle, or an arc from a (at direction ta from the centre) to b (at tb); turn is +1 counter-clockwise."""

    c: Spot
    r: int
    a: Spot | None = None
    b: Spot | None = None
    ta: int = -1
    tb: int = -1
    turn: int = 1


class Whole(NamedTuple):
    """A curve that keeps its form: it lies as two points of it do. It leaves a by t + ta and comes to b by t + tb."""

    a: Spot
    b: Spot
    t: int
    ta: float = 0.0
    tb: float = 0.0


Element = Straight | Round | Whole
Thing = Spot | Element


class Tie(NamedTuple):
    """Unknown i is sign * unknown j + shift, said by a constraint; j is -1 for none."""

    i: int
    j: int
    sign: float
    shift: float
    source: int


class Ray(NamedTuple):
    """(q - p) . (cos(t + phase), sin(t + phase)) = s1 r1 + s2 r2 + number; r1 and r2 are -1 for none."""

    p: Spot
    q: Spot
    t: int
    phase: float
    r1: int
    s1: float
    r2: int
    s2: float
    number: float
    source: int


class Sum(NamedTuple):
    """Terms (unknown, coefficient) that come to a number."""

    terms: tuple[tuple[int, float], ...]
    number: float
    source: int


@dataclass
class System:
    """Gathers unknowns and equations.

    x       where each unknown stands
    weight  what moving it by one costs: mm2 a unit2; nearly nothing for lengths that only help
    angles  which unknowns are directions
    rims    the direction from the centre of a round to a point that was put on it, by point and radius
    owners  the constraint that each unknown was made for, to help; FORM for those of curves
    source  the constraint that is being added; FORM for curves
    """

    x: list[float] = field(default_factory=list)
    weight: list[float] = field(default_factory=list)
    angles: set[int] = field(default_factory=set)
    owners: list[int] = field(default_factory=list)
    ties: list[Tie] = field(default_factory=list)
    rays: list[Ray] = field(default_factory=list)
    sums: list[Sum] = field(default_factory=list)
    spots: list[Spot] = field(default_factory=list)
    lines: list[Straight] = field(default_factory=list)
    rounds: list[Round] = field(default_factory=list)
    rims: dict[tuple[Spot, int], int] = field(default_factory=dict)
    source: int = FORM
    _lengths: dict[int, int] = field(default_factory=dict)

    # ------------------------------------------------------------------ unknowns

    def unknown(self, value: float, weight: float) -> int:
        """A new unknown."""
        self.x.append(float(value))
        self.weight.append(weight)
        self.owners.append(self.source)
        return len(self.x) - 1

    def point(self, x: float, y: float, weight: float = 1.0) -> Spot:
        """A point."""
        spot = Spot(self.unknown(x, weight), self.unknown(y, weight))
        self.spots.append(spot)
        return spot

    def direction(self, p: Spot, q: Spot) -> int:
        """The direction from p to q; 0 where they fall together, and it stays where it is."""
        dx, dy = self.x[q.x] - self.x[p.x], self.x[q.y] - self.x[p.y]
        made = self.unknown(math.atan2(dy, dx), _TURNING * (dx * dx + dy * dy) + 1e-6)
        self.angles.add(made)
        return made

    def line(self, a: Spot, b: Spot) -> Straight:
        """A line between two points."""
        made = Straight(a, b, self.direction(a, b))
        self.ray(a, b, made.t, QUARTER)
        self.lines.append(made)
        return made

    def circle(self, c: Spot, radius: float) -> Round:
        """A circle."""
        made = Round(c, self.unknown(radius, 1.0))
        self.rounds.append(made)
        return made

    def arc(self, c: Spot, radius: float, a: Spot, b: Spot, sweep: float) -> Round:
        """An arc from a to b by a signed sweep (radians, less than a full turn).

        Centre and radius of a shallow arc are known badly, so moving them costs little.
        """
        ta, tb = self.direction(c, a), self.direction(c, b)
        self.x[tb] = self.x[ta] + sweep
        depth = min(1.0, abs(math.sin(sweep / 4)) * 2) ** 4 + 1e-6
        made = Round(c, self.unknown(radius, depth), a, b, ta, tb, 1 if sweep > 0 else -1)
        for k in c:
            self.weight[k] = depth
        for spot, t in ((a, ta), (b, tb)):
            self.ray(c, spot, t, 0.0, made.r)
            self.ray(c, spot, t, QUARTER)
        self.rounds.append(made)
        return made

    def whole(self, a: Spot, b: Spot, leaving: float, coming: float) -> Whole:
        """A curve that keeps its form, held by two points of it that lie apart; its directions there (radians)."""
        t = self.direction(a, b)
        self.ray(a, b, t, 0.0, number=math.hypot(self.x[b.x] - self.x[a.x], self.x[b.y] - self.x[a.y]))
        self.ray(a, b, t, QUARTER)
        return Whole(a, b, t, leaving - self.x[t], coming - self.x[t])

    def length(self, line: Straight) -> int:
        """The unknown that is the length of a line, made when it is first asked for."""
        if line.t not in self._lengths:
            dx, dy = self.x[line.b.x] - self.x[line.a.x], self.x[line.b.y] - self.x[line.a.y]
            said, self.source = self.source, FORM
            self._lengths[line.t] = self.unknown(math.hypot(dx, dy), 1e-3)
            self.ray(line.a, line.b, line.t, 0.0, self._lengths[line.t])
            self.source = said
        return self._lengths[line.t]

    # ------------------------------------------------------------------ equations

    def tie(self, i: int, j: int = -1, sign: float = 1.0, shift: float = 0.0) -> None:
        """Unknown i is sign * unknown j + shift; just the shift where j is -1."""
        self.ties.append(Tie(i, j, sign, shift, self.source))

    def same(self, p: Spot, q: Spot) -> None:
        """Two points that fall together."""
        self.tie(p.x, q.x)
        self.tie(p.y, q.y)

    def ray(self, p: Spot, q: Spot, t: int, phase: float, r1: int = -1, s1: float = 1.0, r2: int = -1, s2: float = 1.0,
            number: float = 0.0) -> None:  # fmt: skip
        """How far q lies from p along a direction (phase 0) or across it (phase a quarter turn)."""
        s1, s2 = (s1 if r1 >= 0 else 0.0), (s2 if r2 >= 0 else 0.0)
        self.rays.append(Ray(p, q, t, phase, r1, s1, r2, s2, number, self.source))

    def total(self, terms: Mapping[int, float], number: float = 0.0) -> None:
        """A sum."""
        self.sums.append(Sum(tuple(terms.items()), number, self.source))

    # ------------------------------------------------------------------ as it stands

    def side(self, p: Spot, line: Straight) -> float:
        """How far a point lies to the left of a line (mm)."""
        t = self.x[line.t]
        dx, dy = self.x[p.x] - self.x[line.a.x], self.x[p.y] - self.x[line.a.y]
        return dy * math.cos(t) - dx * math.sin(t)

    def apart(self, p: Spot, q: Spot) -> float:
        """How far two points lie apart (mm)."""
        return math.hypot(self.x[q.x] - self.x[p.x], self.x[q.y] - self.x[p.y])

    def turned(self, t: int, other: int, by: float, whole: float = TURN) -> float:
        """By plus the whole turns (or halves) that bring direction `other` nearest to direction t."""
        return by + round((self.x[t] - self.x[other] - by) / whole) * whole
