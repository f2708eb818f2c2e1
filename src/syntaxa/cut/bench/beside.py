"""The radius of the tool as the machine takes it into account (G41, G42): moves beside what the program says.

The middle of the tool is kept at its radius to the left (G41) or right (G42) of the way. The first move goes to beside
the start of the second, the first without goes straight from beside the end of the last. Round a corner that turns away
the tool goes in an arc; in one that turns towards it, to where both ways beside meet (RS274/NGC section 3.5.10, from
memory; machines differ in the first move).

Cost: linear.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Sequence
from dataclasses import replace

from syntaxa.cut.bench.moves import Move, Problem

_Flat = tuple[float, float]

#: mm and radians below which there is no way and no turn.
_HAIR = 1e-9

#: mm that two ways beside may miss each other by where they should touch.
_TOUCH = 1e-6


def beside(moves: Sequence[Move]) -> tuple[list[Move], list[Problem]]:
    """The moves of the tool's middle, and where the tool is too large for the way."""
    out: list[Move] = []
    problems: list[Problem] = []
    k = 0
    while k < len(moves):
        if not moves[k].beside:
            move = moves[k]
            # What comes after a stretch beside begins where that ended.
            out.append(replace(move, start=out[-1].end) if out and out[-1].beside else move)
            k += 1
            continue
        end = k
        while end < len(moves) and moves[end].beside == moves[k].beside:
            end += 1
        start = out[-1].end[:2] if out and out[-1].beside else moves[k].start[:2]
        stretch = _Stretch(moves[k:end], start)
        out += stretch.made()
        problems += stretch.problems
        k = end
    return out, problems


class _Stretch:
    """Moves beside the way on one side by one radius."""

    def __init__(self, moves: Sequence[Move], start: _Flat) -> None:
        self.moves, self.here = moves, start
        self.by = moves[0].beside
        self.problems: list[Problem] = []
        flat = [k for k, m in enumerate(moves) if _goes(m)]
        self.first = flat[0] if flat else -1
        self.following = dict(itertools.pairwise(flat))

    def made(self) -> Iterator[Move]:
        """The moves, in order."""
        for k, move in enumerate(self.moves):
            if not _goes(move):
                yield self._to(move, self.here, None)
                continue
            after = self.moves[self.following[k]] if k in self.following else None
            if k == self.first:
                way = _heading(move, 1.0) if after is None else _heading(after, 0.0)
                yield replace(self._to(move, self._aside(move.end[:2], way), None), centre=None, sweep=0.0)
            else:
                yield from self._along(move, after)

    def _along(self, move: Move, after: Move | None) -> Iterator[Move]:
        """One move beside the way, and the arc round the corner behind it."""
        if self._radius(move) <= 0:
            self._refuse(move, f"the tool is too large for an arc of {_radius(move):.4g} mm")
        corner, leaves = move.end[:2], _heading(move, 1.0)
        plain = self._aside(corner, leaves)
        if after is None:
            yield self._to(move, plain, move.centre)
            return
        enters = _heading(after, 0.0)
        turn = math.atan2(
            leaves[0] * enters[1] - leaves[1] * enters[0], leaves[0] * enters[0] + leaves[1] * enters[1]
        )  # fmt: skip
        if abs(turn) <= _HAIR:
            yield self._to(move, plain, move.centre)
        elif turn * self.by < 0 or math.pi - abs(turn) <= _HAIR:
            yield self._to(move, plain, move.centre)
            goal = self._aside(corner, enters)
            sweep = math.copysign(abs(turn), -self.by)
            yield replace(self._to(move, goal, None), start=(*plain, move.end[2]), centre=corner, sweep=sweep)
        else:
            meeting = self._meeting(move, after, corner)
            if meeting is None:
                self._refuse(move, "the tool is too large for a corner")
            yield self._to(move, plain if meeting is None else meeting, move.centre)

    def _to(self, move: Move, goal: _Flat, centre: _Flat | None) -> Move:
        """A move from where the tool is; an arc about its own centre keeps going round as it did."""
        start, self.here = self.here, goal
        sweep = 0.0
        if centre is not None and self._radius(move) > 0:
            begin, end = (math.atan2(p[1] - centre[1], p[0] - centre[0]) for p in (start, goal))
            sweep = move.sweep + math.remainder(end - begin - move.sweep, math.tau)
            if sweep * move.sweep <= 0:
                self._refuse(move, "the tool is too large between two corners")
        elif centre is None and _goes(move) and move.centre is None:
            way = _heading(move, 0.0)
            if (
                move is not self.moves[self.first]
                and (goal[0] - start[0]) * way[0] + (goal[1] - start[1]) * way[1] < -_TOUCH
            ):
                self._refuse(move, "the tool is too large between two corners")
        if not sweep:
            centre = None
        return replace(move, start=(*start, move.start[2]), end=(*goal, move.end[2]), centre=centre, sweep=sweep)

    def _refuse(self, move: Move, why: str) -> None:
        says = f"Line {move.line}: {why}, so its way beside it (G41, G42) is not to be trusted."
        if not self.problems or self.problems[-1].says != says:
            self.problems.append(Problem(move.line, "beside", says, move.end))

    def _aside(self, place: _Flat, way: _Flat) -> _Flat:
        return place[0] - self.by * way[1], place[1] + self.by * way[0]

    def _radius(self, move: Move) -> float:
        """The radius (mm) of an arc beside another; of a line endless."""
        return math.inf if move.centre is None else _radius(move) - self.by * math.copysign(1.0, move.sweep)

    # ------------------------------------------------------------------ where two ways meet

    def _meeting(self, one: Move, two: Move, corner: _Flat) -> _Flat | None:
        """Where the ways beside two moves meet, nearest to the corner between them."""
        found = list(_crossings(self._carrier(one), self._carrier(two)))
        return min(found, key=lambda p: math.dist(p, corner), default=None)

    def _carrier(self, move: Move) -> tuple[_Flat, _Flat | float]:
        """Of a line a place and a direction, of an arc centre and radius."""
        if move.centre is not None:
            return move.centre, self._radius(move)
        way = _heading(move, 0.0)
        return self._aside(move.end[:2], way), way


def _goes(move: Move) -> bool:
    """Whether a move goes anywhere in the plane."""
    return move.kind in ("rapid", "feed") and (bool(move.sweep) or math.dist(move.start[:2], move.end[:2]) > _HAIR)


def _radius(move: Move) -> float:
    return math.dist(move.start[:2], move.centre) if move.centre is not None else math.inf


def _heading(move: Move, share: float) -> _Flat:
    """The direction of a move at its start (0) or end (1)."""
    if move.centre is None:
        dx, dy = move.end[0] - move.start[0], move.end[1] - move.start[1]
    else:
        x, y, _ = move.at(share)
        turn = math.copysign(1.0, move.sweep)
        dx, dy = -turn * (y - move.centre[1]), turn * (x - move.centre[0])
    length = math.hypot(dx, dy)
    return dx / length, dy / length


def _crossings(one: tuple[_Flat, _Flat | float], two: tuple[_Flat, _Flat | float]) -> Iterator[_Flat]:
    """Where two lines or circles cross or touch."""
    (p, a), (q, b) = one, two
    if isinstance(a, tuple) and isinstance(b, tuple):
        det = a[0] * b[1] - a[1] * b[0]
        if abs(det) > _HAIR:
            s = ((q[0] - p[0]) * b[1] - (q[1] - p[1]) * b[0]) / det
            yield p[0] + s * a[0], p[1] + s * a[1]
        return
    if isinstance(a, tuple):
        yield from _crossings(two, one)
        return
    if isinstance(b, tuple):
        # A circle about p and a line through q.
        along = (p[0] - q[0]) * b[0] + (p[1] - q[1]) * b[1]
        foot = q[0] + along * b[0], q[1] + along * b[1]
        yield from _either_side(foot, b, a, math.dist(foot, p))
        return
    apart = math.dist(p, q)
    if apart <= _HAIR:
        return
    way = (q[0] - p[0]) / apart, (q[1] - p[1]) / apart
    along = (apart * apart + a * a - b * b) / (2 * apart)
    yield from _either_side((p[0] + along * way[0], p[1] + along * way[1]), (-way[1], way[0]), a, abs(along))


def _either_side(foot: _Flat, way: _Flat, radius: float, away: float) -> Iterator[_Flat]:
    """The two places along a direction from a foot that lie on a circle whose middle is so far from the foot."""
    if away > radius + _TOUCH:
        return
    half = math.sqrt(max(radius * radius - away * away, 0.0))
    for side in (half, -half):
        yield foot[0] + side * way[0], foot[1] + side * way[1]
