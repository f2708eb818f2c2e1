"""Random sketches, and their freedom by brute force: classical equations over coordinates, slopes by differences."""

from __future__ import annotations

import itertools
import math
import random
from collections.abc import Callable
from dataclasses import dataclass, field

import numpy as np

from syntaxa.define.relations import add
from syntaxa.define.unknowns import System

Row = Callable[[np.ndarray], np.ndarray]

#: By how much a coordinate is changed for a difference, and steps in which a solution near by is found or is not.
_STEP, _MOST_STEPS = 1e-6, 40


@dataclass
class Both:
    """The same sketch twice: as a system, and as equations over the coordinates of its points and its radii."""

    system: System
    start: np.ndarray
    rows: list[Row] = field(default_factory=list)

    def off(self, v: np.ndarray, upto: int | None = None) -> np.ndarray:
        """By how much each classical equation is off, for coordinates (n,) or for several of them at once, (n, k)."""
        return np.array([row(v) for row in self.rows[:upto]])

    def slopes(self, v: np.ndarray, upto: int | None = None) -> np.ndarray:
        """How each equation changes with each coordinate, by differences."""
        aside = _STEP * np.eye(len(v))
        return (self.off(v[:, None] + aside, upto) - self.off(v[:, None] - aside, upto)) / (2 * _STEP)

    def solved(self, near: np.ndarray, upto: int | None = None) -> np.ndarray | None:
        """A solution near by, by the shortest steps of Gauss and Newton; None where they find none."""
        v = near
        for _ in range(_MOST_STEPS):
            off = self.off(v, upto)
            if np.abs(off).max() < 1e-12:
                return v
            v = v - np.linalg.lstsq(self.slopes(v, upto), off, rcond=1e-8)[0]
        return v if np.abs(self.off(v, upto)).max() <= 1e-9 else None

    def freedom(self, upto: int | None = None) -> int:
        """Degrees of freedom at a random point of the solutions near the start: rank of differences."""
        v = self.start
        if not self.rows[:upto]:
            return len(v)
        dice = np.random.default_rng(7)
        best = len(v)
        for _ in range(3):
            there = self.solved(v + dice.normal(size=len(v)) * 0.8, upto)
            if there is None:
                continue
            size = np.linalg.svd(self.slopes(there, upto), compute_uv=False)
            best = min(best, len(v) - int((size > 1e-5 * max(size.max(), 1.0)).sum()))
        return best


def _is_flat(grid: list[tuple[int, int]]) -> bool:
    """Whether three points lie on a line: held by three lengths they are stiff, though differences say otherwise."""
    return any(
        (b[0] - a[0]) * (c[1] - a[1]) == (b[1] - a[1]) * (c[0] - a[0]) for a, b, c in itertools.combinations(grid, 3)
    )


def random_sketch(seed: int, level: bool = True) -> Both:
    """Lines that close, two circles, and constraints that hold as it is drawn (special positions among them)."""
    dice = random.Random(seed)
    count = dice.randint(3, 5)
    grid = [(0, 0)] * count
    while _is_flat(grid):
        grid = [(10 * dice.randint(-3, 3), 10 * dice.randint(-3, 3)) for _ in range(count)]
    s = System()
    spots = [s.point(*p) for p in grid]
    lines = [s.line(spots[k], spots[(k + 1) % count]) for k in range(count)]
    circles = [s.circle(s.point(10 * dice.randint(-3, 3) + 0.5, 3.0 * k), dice.randint(2, 6)) for k in range(2)]
    start = np.array([c for p in grid for c in p] + [w for k in circles for w in (s.x[k.c.x], s.x[k.c.y], s.x[k.r])])
    both = Both(s, start.astype(float))
    where = {p: 2 * k for k, p in enumerate(spots)} | {c.c: 2 * count + 3 * k for k, c in enumerate(circles)}

    def span(k: int) -> Callable[[np.ndarray], tuple[float, float]]:
        a, b = where[lines[k].a], where[lines[k].b]
        return lambda v: (v[b] - v[a], v[b + 1] - v[a + 1])

    for number in range(dice.randint(2, 7)):
        _say(both, dice, number, lines, circles, spots, where, span, level)
    return both


def _say(both, dice, number, lines, circles, spots, where, span, level) -> None:
    """One constraint that holds as it is drawn, said both ways."""
    s, v = both.system, both.start
    i, j = dice.sample(range(len(lines)), 2)
    one, two = span(i), span(j)
    (a, b), (c, d) = one(v), two(v)
    choices = ["length", "distance", "radius"]
    choices += ["level"] * (2 * int(b == 0)) + ["upright"] * (2 * int(a == 0))
    choices += ["parallel"] * (2 * int(a * d - b * c == 0)) + ["perpendicular"] * (2 * int(a * c + b * d == 0))
    choices += ["equal length"] * (2 * int(a * a + b * b == c * c + d * d))
    choices += ["equal radius"] * int(v[where[circles[0].c] + 2] == v[where[circles[1].c] + 2])
    kind = dice.choice(choices)
    p, q = dice.sample(spots, 2)
    m, n = where[p], where[q]
    if kind == "length":
        add(s, number, kind, [lines[i]], math.hypot(a, b))
        both.rows.append(lambda w: np.hypot(*one(w)) - math.hypot(a, b))
    elif kind == "distance":
        far = math.dist(v[m : m + 2], v[n : n + 2])
        add(s, number, kind, [p, q], far)
        both.rows.append(lambda w: np.hypot(*(w[m : m + 2] - w[n : n + 2])) - far)
    elif kind == "radius":
        k = dice.randrange(2)
        at = where[circles[k].c] + 2
        add(s, number, kind, [circles[k]], v[at])
        both.rows.append(lambda w: w[at] - v[at])
    elif kind == "equal radius":
        add(s, number, kind, circles)
        x, y = (where[c.c] + 2 for c in circles)
        both.rows.append(lambda w: w[x] - w[y])
    elif kind in ("level", "upright"):
        add(s, number, kind, [lines[i]])
        both.rows.append(lambda w: one(w)[kind == "level"])
    elif kind == "equal length":
        add(s, number, kind, [lines[i], lines[j]])
        both.rows.append(lambda w: np.hypot(*one(w)) - np.hypot(*two(w)))
    else:
        add(s, number, kind, [lines[i], lines[j]])
        sign = kind == "parallel"

        def turned(w: np.ndarray) -> np.ndarray:
            (e, f), (g, h) = one(w), two(w)
            return (e * h - f * g if sign else e * g + f * h) / (np.hypot(e, f) * np.hypot(g, h))

        both.rows.append(turned)
