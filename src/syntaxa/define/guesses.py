"""What nearly holds in a sketch: candidates for constraints, each with how far ends would have to move for it.

Neighbours are found by sorting, so that the number of candidates grows with that of the curves; rings are looked for
about the largest circles only, `_MOST_CENTRES` of them.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.define.model import Named
from syntaxa.define.relations import shared_end
from syntaxa.define.sketching import Model, Piece
from syntaxa.define.unknowns import QUARTER, Element, Round, Spot, Straight, Whole
from syntaxa.geometry.types import Floats

#: mm; what is farther off is never looked at.
REACH = 0.3

#: Radians that noise may turn a short line by and it still counts as level.
_TURN = 0.15

#: Radians; an end that turns by more is a corner.
_CORNER = 0.35

#: mm of noise turn the end of an arc by this over its chord: its chord, and its depth.
_ARC_TURN = 4.3

#: mm that noise of a mm moves a point off the middle of two others by.
_MIDWAY = math.sqrt(1.5)

_MOST_CENTRES = 200
_FEWEST_IN_A_RING = 3


@dataclass(frozen=True, slots=True)
class Guess:
    """A candidate: kind, what it is about (numbers of pieces, with a place), how far off it is (mm of end movement).

    chance  how many such candidates lie in a mm by chance
    rank    those of lower rank are added first: of what says the same, the larger thing says it
    """

    kind: str
    things: tuple[Named, ...]
    off: float
    chance: float = 1 / REACH
    rank: float = 0.0


@dataclass(frozen=True, slots=True)
class _Profile:
    """The box of the lines of a profile, and along each axis a point on its two outermost sides, where it has such."""

    box: tuple[float, ...]
    sides: tuple[tuple[Named, Named] | None, tuple[Named, Named] | None]

    @property
    def area(self) -> float:
        """mm2 of the box."""
        return (self.box[2] - self.box[0]) * (self.box[3] - self.box[1])


class Looking:
    """Looks for candidates in a model, at given unknowns (n,)."""

    def __init__(self, model: Model, x: Floats) -> None:
        self.model, self.x = model, x
        self.lines = [(p.name, t) for p, t in self._pairs() if isinstance(t, Straight)]
        self.rounds = [(p.name, t) for p, t in self._pairs() if isinstance(t, Round)]
        self.circles = [(n, t) for n, t in self.rounds if t.a is None]
        self.size = {n: self.apart(t.a, t.b) for n, t in self.lines}

    def _pairs(self) -> Iterator[tuple[Piece, Element]]:
        return ((p, t) for p, t in zip(self.model.pieces, self.model.things, strict=True) if t is not None)

    def apart(self, p: Spot, q: Spot) -> float:
        """How far two points lie apart (mm)."""
        return math.hypot(self.x[q.x] - self.x[p.x], self.x[q.y] - self.x[p.y])

    # ------------------------------------------------------------------ directions

    def directions(self, within: float) -> list[Guess]:
        """Each line to an axis, or to the longest line of its direction, or square to that."""
        axes = -1
        heads: dict[int, float] = {axes: 0.05 * max(self.size.values(), default=0.0)}
        made: list[Guess] = []
        for k in sorted(range(len(self.lines)), key=lambda k: -self.size[self.lines[k][0]]):
            name, line = self.lines[k]
            size = max(self.size[name], REACH)
            best = None
            for h, length in sorted(heads.items(), key=lambda item: -item[1])[:12]:
                turn = self.x[line.t] - (self.x[self.lines[h][1].t] if h >= 0 else 0.0)
                quarter = round(turn / QUARTER)
                per_mm = math.sqrt(2 / size**2 + (2 / self.size[self.lines[h][0]] ** 2 if h >= 0 else 0.0))
                off = abs(turn - quarter * QUARTER) / per_mm
                if off <= within and off * per_mm <= _TURN and (best is None or length > best[0]):
                    best = length, off, h, quarter % 2
            if best is None:
                heads[k] = size
                continue
            _, off, h, odd = best
            heads[h] += size
            if h < 0:
                made.append(Guess(("level", "upright")[odd], (name,), off))
            else:
                made.append(Guess(("parallel", "perpendicular")[odd], (self.lines[h][0], name), off))
        return made

    def tangents(self, within: float) -> list[Guess]:
        """Ends of arcs, ellipses and splines that run on into what they meet."""
        at: dict[Spot, list[tuple[Named, Element]]] = {}
        for piece, thing in self._pairs():
            for spot in (thing.a, thing.b):
                if spot is not None:
                    at.setdefault(spot, []).append((piece.name, thing))
        made: list[Guess] = []
        for spot, ends in at.items():
            for (n, one), (m, two) in itertools.combinations(ends, 2):
                if n == m or (isinstance(one, Straight) and isinstance(two, Straight)) or self._one_round(one, two):
                    continue
                if shared_end(one, two) != spot:
                    continue
                (t, w), (u, z) = self._heading(one, spot), self._heading(two, spot)
                turn, per_mm = abs(math.remainder(t - u, math.pi)), math.hypot(w, z)
                if turn <= _CORNER and turn / per_mm <= within:
                    made.append(Guess("tangent", (n, m), turn / per_mm))
        return made

    def _heading(self, thing: Element, spot: Spot) -> tuple[float, float]:
        """(direction at an end, radians that a mm of noise turns it by)."""
        x = self.x
        if isinstance(thing, Straight):
            return x[thing.t], math.sqrt(2) / max(self.apart(thing.a, thing.b), REACH)
        if isinstance(thing, Round) and thing.a is not None and thing.b is not None:
            t = x[thing.ta] if spot == thing.a else x[thing.tb]
            return t + thing.turn * QUARTER, _ARC_TURN / max(self.apart(thing.a, thing.b), REACH)
        if isinstance(thing, Whole):
            by = thing.ta if spot == thing.a else thing.tb
            return x[thing.t] + by, _ARC_TURN / max(self.apart(thing.a, thing.b), REACH)
        raise TypeError("It has no ends.")

    def _one_round(self, one: Element, two: Element) -> bool:
        """Whether two arcs are parts of one circle."""
        if not (isinstance(one, Round) and isinstance(two, Round)):
            return False
        return bool(max(self.apart(one.c, two.c), abs(self.x[one.r] - self.x[two.r])) <= REACH)

    # ------------------------------------------------------------------ rounds

    def concentric(self, within: float) -> list[Guess]:
        """Rounds whose centres fall together, each with the widest there."""
        made: list[Guess] = []
        for group in self._near([(t.c, n, t) for n, t in self.rounds], within):
            head = max(group, key=lambda g: (g[2].a is None, self.x[g[2].r]))
            made += [
                Guess("concentric", (head[1], n), self.apart(head[2].c, t.c) / 2 / self._reach(t))
                for _, n, t in group
                if n != head[1] and t.c != head[2].c
            ]
        return [g for g in made if g.off <= within]

    def _reach(self, thing: Round) -> float:
        """mm that noise of a mm moves a centre by: much where an arc is shallow."""
        if thing.a is None or thing.b is None:
            return 1.0
        depth = abs(math.sin((self.x[thing.tb] - self.x[thing.ta]) / 4))
        return max(1.0, 0.5 / max(depth * depth, 1e-3))

    def radii(self, within: float) -> list[Guess]:
        """Radii next to each other in size, of circles, and of arcs: a hole and a corner are alike by chance."""
        rounds = sorted(self.rounds, key=lambda r: (r[1].a is None, float(self.x[r[1].r])))
        made: list[Guess] = []
        for (n, one), (m, two) in itertools.pairwise(rounds):
            if (one.a is None) != (two.a is None):
                continue
            spread = math.hypot(self._reach(one), self._reach(two))
            off = float(self.x[two.r] - self.x[one.r]) / spread
            if off <= within:
                made.append(Guess("equal radius", (n, m), off, self._crowd(len(rounds), spread)))
        return made

    def lengths(self, within: float) -> list[Guess]:
        """Lengths of lines next to each other in size."""
        lines = sorted(self.lines, key=lambda item: self.size[item[0]])
        made: list[Guess] = []
        for (n, _), (m, _) in itertools.pairwise(lines):
            off = (self.size[m] - self.size[n]) / 2
            if off <= within:
                made.append(Guess("equal length", (n, m), off, self._crowd(len(lines), 2.0)))
        return made

    def _crowd(self, count: int, spread: float) -> float:
        """How many sizes lie in a mm by chance, if they were spread over the largest."""
        largest = max([*self.size.values(), *(float(self.x[t.r]) for _, t in self.rounds)], default=1.0)
        return max(count * spread / max(largest, REACH), 1 / REACH)

    # ------------------------------------------------------------------ places

    def collinear(self, within: float) -> list[Guess]:
        """Lines apart from each other that lie on one carrier, next to each other across it."""
        rows = []
        for name, line in self.lines:
            t = self.x[line.t] % math.pi
            t = 0.0 if math.pi - t < _TURN / 10 else t
            ax, ay = self.x[line.a.x], self.x[line.a.y]
            rows.append((round(t / 0.002), float(ay * math.cos(t) - ax * math.sin(t)), name, line))
        rows.sort(key=lambda r: (r[0], r[1]))
        made: list[Guess] = []
        for (way, at, n, one), (other, place, m, two) in itertools.pairwise(rows):
            if way == other and abs(place - at) <= within and not {one.a, one.b} & {two.a, two.b}:
                far = max(abs(self._side(p, one)) for p in (two.a, two.b))
                if far / 2 <= within:
                    made.append(Guess("collinear", (n, m), far / 2, self._crowd(len(rows), 2.0)))
        return made

    def _side(self, p: Spot, line: Straight) -> float:
        x, t = self.x, self.x[line.t]
        return float((x[p.y] - x[line.a.y]) * math.cos(t) - (x[p.x] - x[line.a.x]) * math.sin(t))

    def aligned(self, within: float) -> list[Guess]:
        """Centres of circles that lie level with the next, or upright."""
        made: list[Guess] = []
        for axis, kind in ((1, "level points"), (0, "upright points")):
            rows = sorted((float(self.x[t.c[axis]]), n) for n, t in self.circles)
            crowd = max(len(rows) * 1.4 / max(rows[-1][0] - rows[0][0], 1.0) if rows else 0.0, 1 / REACH)
            for (a, n), (b, m) in itertools.pairwise(rows):
                if (b - a) / math.sqrt(2) <= within:
                    made.append(Guess(kind, (n.at("centre"), m.at("centre")), (b - a) / math.sqrt(2), crowd))
        return made

    def rings(self, within: float) -> list[Guess]:
        """Equal circles that share a whole turn about the centre of another one."""
        made: list[Guess] = []
        centres = sorted(self.circles, key=lambda c: -float(self.x[c[1].r]))[:_MOST_CENTRES]
        for name, hub in centres:
            others = [(n, t) for n, t in self.circles if t.c != hub.c]
            rows = sorted((self.apart(hub.c, t.c), float(self.x[t.r]), n, t) for n, t in others)
            for group in _runs(rows, lambda a, b: b[0] - a[0] <= 3 * within and abs(b[1] - a[1]) <= 3 * within):
                made += self._ring(name, hub, [(n, t) for *_, n, t in group], within)
        return made

    def _ring(self, name: Named, hub: Round, members: list[tuple[Named, Round]], within: float) -> list[Guess]:
        if len(members) < _FEWEST_IN_A_RING:
            return []
        x, far = self.x, self.apart(hub.c, members[0][1].c)
        turned = sorted((math.atan2(x[t.c.y] - x[hub.c.y], x[t.c.x] - x[hub.c.x]), n) for n, t in members)
        step = 2 * math.pi / len(turned)
        first = turned[0][0]
        off = max(abs(t - first - k * step) for k, (t, _) in enumerate(turned)) * far / 2
        if far <= within or off > within:
            return []
        return [Guess("ring", (*(n.at("centre") for _, n in turned), name.at("centre")), off)]

    def centred(self, within: float) -> list[Guess]:
        """Circles amid the profile that they lie in, along an axis, and equal ones as far out on either side."""
        made: list[Guess] = []
        inside: dict[int, list[tuple[Named, Round]]] = {}
        profiles = self._profiles()
        for name, circle in self.circles:
            x, y = self.x[circle.c.x], self.x[circle.c.y]
            around = [k for k, p in enumerate(profiles) if p.box[0] < x < p.box[2] and p.box[1] < y < p.box[3]]
            if around:
                inside.setdefault(min(around, key=lambda k: profiles[k].area), []).append((name, circle))
        for number, members in inside.items():
            for axis, kind in ((0, "centred x"), (1, "centred y")):
                sides = profiles[number].sides[axis]
                if sides is not None:
                    made += self._amid(kind, axis, members, sides, within)
        return made

    def _amid(
        self, kind: str, axis: int, members: list[tuple[Named, Round]], sides: tuple[Named, Named], within: float
    ) -> Iterator[Guess]:
        a, b = (self.model.thing(n) for n in sides)
        if not (isinstance(a, Spot) and isinstance(b, Spot)):
            return
        middle = float(self.x[a[axis]] + self.x[b[axis]]) / 2
        away = sorted((float(self.x[c.c[axis]]) - middle, n, c) for n, c in members)
        for off, n, c in away:
            if abs(off) / _MIDWAY <= within:
                yield Guess(kind, (n.at("centre"), *sides), abs(off) / _MIDWAY, rank=-float(self.x[c.r]))
        outer = sorted(((abs(off), off, n, c) for off, n, c in away if abs(off) > REACH), key=lambda r: (r[0], r[2]))
        for (far, off, n, one), (other, there, m, two) in itertools.pairwise(outer):
            alike = abs(float(self.x[one.r] - self.x[two.r])) <= 3 * within
            if off * there < 0 and alike and (other - far) / 2 <= within:
                things = n.at("centre"), m.at("centre"), *sides
                yield Guess(kind, things, (other - far) / 2, rank=-float(self.x[one.r]))

    def _profiles(self) -> list[_Profile]:
        """The largest profiles with lines: runs of pieces that share ends."""
        beside: dict[int, list[int]] = {}
        for k, piece in enumerate(self.model.pieces):
            for end in piece.ends or ():
                beside.setdefault(end, []).append(k)
        seen: set[int] = set()
        found = []
        for k, piece in enumerate(self.model.pieces):
            if piece.ends is None or k in seen:
                continue
            run, waiting = [], [k]
            while waiting:
                here = waiting.pop()
                if here not in seen:
                    seen.add(here)
                    run.append(here)
                    waiting += [n for end in self.model.pieces[here].ends or () for n in beside[end]]
            found.append(self._profile(run))
        return sorted((p for p in found if p is not None), key=lambda p: -p.area)[:_MOST_CENTRES]

    def _profile(self, run: list[int]) -> _Profile | None:
        lines = [(self.model.pieces[k].name, t) for k in run if isinstance(t := self.model.things[k], Straight)]
        if not lines:
            return None
        x = self.x
        spots = np.array([[x[p.x], x[p.y]] for _, t in lines for p in (t.a, t.b)])
        box = (*spots.min(axis=0).tolist(), *spots.max(axis=0).tolist())
        sides = []
        for axis in (0, 1):
            flat = [(float(x[t.a[axis]]), n) for n, t in lines if abs(x[t.b[axis]] - x[t.a[axis]]) <= REACH]
            low, high = min(flat, default=None), max(flat, default=None)
            whole = low is not None and high is not None and high[0] - low[0] > REACH
            whole = whole and abs(low[0] - box[axis]) <= REACH and abs(high[0] - box[axis + 2]) <= REACH  # type: ignore[index]
            sides.append((low[1].at("start"), high[1].at("start")) if whole else None)  # type: ignore[index]
        return _Profile(box, (sides[0], sides[1]))

    def rows(self, within: float) -> list[Guess]:
        """Equal circles in line with each other, in equal steps."""
        made: list[Guess] = []
        for axis in (0, 1):
            rows = sorted(
                (float(round(self.x[t.r] / REACH)), float(self.x[t.c[1 - axis]]), n, t) for n, t in self.circles
            )
            for group in _runs(rows, lambda a, b: a[0] == b[0] and b[1] - a[1] <= 3 * within):
                line = sorted((float(self.x[t.c[axis]]), n) for *_, n, t in group)
                made += self._steps(line, within)
        return made

    @staticmethod
    def _steps(line: Sequence[tuple[float, Named]], within: float) -> Iterator[Guess]:
        gaps = [b[0] - a[0] for a, b in itertools.pairwise(line)]
        at = 0
        while at < len(gaps):
            end = at + 1
            while end < len(gaps) and abs(gaps[end] - gaps[at]) <= 4 * within:
                end += 1
            if end - at >= _FEWEST_IN_A_RING - 1 and gaps[at] > REACH:
                off = float(np.ptp(gaps[at:end])) / 4
                yield Guess("row", tuple(n.at("centre") for _, n in line[at : end + 1]), off)
            at = end

    def _near(self, rows: Iterable[tuple[Spot, Named, Round]], within: float) -> list[list[tuple[Spot, Named, Round]]]:
        """Groups of points that fall together, those in doubt left to what is off."""
        cell_size = 20 * within
        cells: dict[tuple[int, int], list[int]] = {}
        found: list[list[tuple[Spot, Named, Round]]] = []
        for row in rows:
            x, y = self.x[row[0].x], self.x[row[0].y]
            i, k = round(x / cell_size), round(y / cell_size)
            beside = (g for di, dk in itertools.product((-1, 0, 1), repeat=2) for g in cells.get((i + di, k + dk), []))
            reach = 2 * within * self._reach(row[2])
            group = next((g for g in beside if self.apart(found[g][0][0], row[0]) <= reach), None)
            if group is None:
                cells.setdefault((i, k), []).append(len(found))
                found.append([row])
            else:
                found[group].append(row)
        return [g for g in found if len(g) > 1]


#: (key, second key, name, round).
_Row = tuple[float, float, Named, Round]


def _runs(rows: Sequence[_Row], joined: Callable[[_Row, _Row], bool]) -> Iterator[list[_Row]]:
    """Rows in order, cut where the next is not joined to the one before."""
    run: list[_Row] = []
    for row in rows:
        if run and not joined(run[-1], row):
            yield run
            run = []
        run.append(row)
    if run:
        yield run
