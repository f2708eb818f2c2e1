"""In which order things are cut and where each is begun: what lies inside before what holds it, tools together,
little travel.

Glossary: an *item* has places where it can be begun and as many where it then ends; its *parent* is the item that
must come later; its *stage* sorts before everything else. Method: nearest first among what may come next -> Or-opt
and 2-opt over
lists of neighbours, moves that break an order left out -> kicks of two short runs that change places (Johnson and
McGeoch, "The traveling salesman problem: a case study in local optimization", 1997, from memory) -> for the order
that comes out
the best place of every item, by the shortest way through layers; then the same once more with these places.

The same items always give the same order: what limits the work is a number of tries, not the clock.
Cost: n log n for neighbours, then about linear; a turned run costs its length.
"""

from __future__ import annotations

import math
from collections import deque
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from random import Random

import numpy as np

from syntaxa.geometry.types import Floats
from syntaxa.later import Later
from syntaxa.watching import still_wanted

spatial = Later("scipy.spatial")

#: Neighbours of an item that are looked at, and the gain (mm) below which nothing is gained.
_NEIGHBOURS, _LEAST = 8, 1e-9

#: Kicks for each item and all in all, and how far apart the ends of a kick lie (items).
_KICKS, _MOST_KICKS, _SPAN = 2, 4000, 30

#: Runs of up to so many items are moved as they are or turned round.
_RUN = 3

#: Times that order and places are improved in turn.
_ROUNDS = 2


@dataclass(frozen=True, slots=True, eq=False)
class Item:
    """Something to be cut: where it can be begun and where it then ends, (n, 2) mm each; parent -1 for none."""

    begin: Floats
    end: Floats
    parent: int = -1
    stage: int = 0


def arranged(items: Sequence[Item], home: tuple[float, float]) -> tuple[list[int], list[int], float]:
    """(order of the items, the place at which each item is begun, travel in mm from home to the last one)."""
    if not items:
        return [], [], 0.0
    order = _nearest_first(items, home)
    places, travel = best_places(items, order, home)
    kicks = min(_KICKS * len(items), _MOST_KICKS)
    for _ in range(_ROUNDS):
        still_wanted()
        better = _Tour(items, order, places, home).improved(kicks // _ROUNDS)
        places_too, travel_too = best_places(items, better, home)
        if travel_too >= travel - _LEAST:
            break
        order, places, travel = better, places_too, travel_too
    return order, places, travel


def best_places(items: Sequence[Item], order: Sequence[int], home: tuple[float, float]) -> tuple[list[int], float]:
    """The place to begin each item at, by its number, for a given order; exact: the shortest way through the layers."""
    cost, at, back = np.zeros(1), np.array([home]), []
    for k in order:
        begin = items[k].begin
        way = np.hypot(at[:, None, 0] - begin[None, :, 0], at[:, None, 1] - begin[None, :, 1]) + cost[:, None]
        back.append(way.argmin(axis=0))
        cost, at = way.min(axis=0), items[k].end
    places, j = [0] * len(items), int(cost.argmin())
    for k, came in zip(reversed(order), reversed(back), strict=True):
        places[k] = j
        j = int(came[j])
    return places, float(cost.min())


def is_legal(items: Sequence[Item], order: Sequence[int]) -> bool:
    """Whether every parent comes after what it holds, and stages follow each other."""
    at = {k: n for n, k in enumerate(order)}
    parents = all(item.parent < 0 or at[k] < at[item.parent] for k, item in enumerate(items))
    return parents and all(items[a].stage <= items[b].stage for a, b in pairwise(order))


def _nearest_first(items: Sequence[Item], home: tuple[float, float]) -> list[int]:
    """Stage by stage the nearest item whose inner ones are all done. Cost: n for each item, in arrays."""
    waiting = [0] * len(items)
    for item in items:
        if item.parent >= 0:
            waiting[item.parent] += 1
    order: list[int] = []
    at = np.array(home)
    for stage in sorted({item.stage for item in items}):
        own = [k for k, item in enumerate(items) if item.stage == stage]
        points = np.vstack([items[k].begin for k in own])
        ends = np.vstack([items[k].end for k in own])
        of = np.repeat(own, [len(items[k].begin) for k in own])
        closed = np.array([waiting[k] > 0 for k in of.tolist()])
        for _ in own:
            away = np.hypot(points[:, 0] - at[0], points[:, 1] - at[1])
            away[closed] = np.inf
            j = int(away.argmin())
            k = int(of[j])
            order.append(k)
            closed[of == k] = True
            at = ends[j]
            parent = items[k].parent
            if parent >= 0:
                waiting[parent] -= 1
                if not waiting[parent]:
                    closed[of == parent] = False
    return order


class _Tour:
    """An order of items at fixed places, to be improved; item n is home, and always the first."""

    def __init__(
        self, items: Sequence[Item], order: Sequence[int], places: Sequence[int], home: tuple[float, float]
    ) -> None:
        count = len(items)
        begin = np.array([items[k].begin[places[k]] for k in range(count)])
        end = np.array([items[k].end[places[k]] for k in range(count)])
        # A closed item ends where it begins; of an open one the way to the next begins at its other end.
        self._bx, self._by = [*begin[:, 0].tolist(), home[0]], [*begin[:, 1].tolist(), home[1]]
        self._ex, self._ey = [*end[:, 0].tolist(), home[0]], [*end[:, 1].tolist(), home[1]]
        self._open = [bool(o) for o in (np.abs(begin - end).max(axis=1) > _LEAST)]
        both = (begin + end) / 2
        _, near = spatial.cKDTree(both).query(both, k=min(_NEIGHBOURS + 1, count))
        self._near = [[j for j in row if j != k] for k, row in enumerate(near.reshape(count, -1).tolist())]
        self._parent, self._stage = [i.parent for i in items], [i.stage for i in items]
        self._children: list[list[int]] = [[] for _ in items]
        for k, item in enumerate(items):
            if item.parent >= 0:
                self._children[item.parent].append(k)
        self._bound = any(p >= 0 for p in self._parent) or len(set(self._stage)) > 1
        self._count = count
        self._seq = [count, *order]
        self._pos = [0] * (count + 1)
        for place, k in enumerate(self._seq):
            self._pos[k] = place
        self._waiting = deque(order)
        self._queued = [True] * count
        self._undo: list[tuple[int, list[int]]] = []
        self._remembers = False

    def improved(self, kicks: int) -> list[int]:
        """The order after all that is tried."""
        self._settle()
        self._remembers = True
        chance = Random(1)
        if self._count > 8:
            span = min(2 * _SPAN, self._count - 1)
            for n in range(kicks):
                if n % 200 == 0:
                    still_wanted()
                base = chance.randrange(1, max(2, self._count - span + 1))
                i, j, k = sorted(base + c for c in chance.sample(range(span), 3))
                if k <= self._count:
                    self._kick(i, j, k)
        return self._seq[1:]

    # ------------------------------------------------------------------ lengths

    def _way(self, a: int, b: int) -> float:
        """From the end of one item to the beginning of another; nothing where there is none."""
        return 0.0 if b < 0 else math.hypot(self._ex[a] - self._bx[b], self._ey[a] - self._by[b])

    def _after(self, place: int) -> int:
        return self._seq[place + 1] if place < self._count else -1

    # ------------------------------------------------------------------ what may be

    def _may_stand(self, low: int, high: int, target: int) -> bool:
        """Whether the run at low..high (exclusive) may stand right behind another place, outside of it."""
        if not self._bound:
            return True
        seq, pos = self._seq, self._pos
        back = target < low
        first, last = (target + 1, low) if back else (high, target + 1)
        stage = self._stage[seq[low]]
        if any(self._stage[k] != stage for k in (seq[high - 1], seq[first], seq[last - 1])):
            return False
        for place in range(low, high):
            k = seq[place]
            parent = self._parent[k]
            if not back and parent >= 0 and first <= pos[parent] < last:
                return False
            if back and any(first <= pos[c] < last for c in self._children[k]):
                return False
        return True

    def _may_turn(self, low: int, high: int) -> bool:
        """Whether what stands at low..high (exclusive) may be turned round."""
        seq, pos = self._seq, self._pos
        if any(self._open[seq[p]] for p in range(low, high)):
            return False
        if not self._bound:
            return True
        if self._stage[seq[low]] != self._stage[seq[high - 1]]:
            return False
        return not any(low <= pos[self._parent[seq[p]]] < high for p in range(low, high) if self._parent[seq[p]] >= 0)

    # ------------------------------------------------------------------ moves

    def _put(self, low: int, run: list[int]) -> None:
        """Writes a run over a place, and remembers what was there if that may have to come back."""
        if self._remembers:
            self._undo.append((low, self._seq[low : low + len(run)]))
        self._write(low, run)

    def _write(self, low: int, run: list[int]) -> None:
        self._seq[low : low + len(run)] = run
        for place, k in enumerate(run, low):
            self._pos[k] = place

    def _push(self, *items: int) -> None:
        for k in items:
            if 0 <= k < self._count and not self._queued[k]:
                self._queued[k] = True
                self._waiting.append(k)

    def _settle(self) -> float:
        """Moves until nothing is gained any more; what was gained (mm)."""
        total = 0.0
        while self._waiting:
            k = self._waiting.popleft()
            self._queued[k] = False
            while gain := self._moved(k) or self._turned(k):
                total += gain
        return total

    def _moved(self, a: int) -> float:
        """A run that begins or ends at an item goes next to a neighbour of it; what is gained, or 0."""
        seq, way = self._seq, self._way
        for size in range(1, _RUN + 1):
            for low in {self._pos[a], self._pos[a] - size + 1}:
                high = low + size
                if low < 1 or high > self._count + 1:
                    continue
                before, behind, head, tail = seq[low - 1], self._after(high - 1), seq[low], seq[high - 1]
                out = way(before, head) + way(tail, behind) - way(before, behind)
                if out <= _LEAST:
                    continue
                for c in self._near[a]:
                    if math.hypot(self._bx[a] - self._bx[c], self._by[a] - self._by[c]) >= out and not self._open[c]:
                        break
                    at = self._pos[c]
                    if low <= at < high:
                        continue
                    for target in (at - 1, at):
                        if low - 1 <= target < high:
                            continue
                        gain = self._put_behind(low, high, target, out)
                        if gain:
                            self._push(before, behind, head, tail)
                            return gain
        return 0.0

    def _put_behind(self, low: int, high: int, target: int, out: float) -> float:
        """The run at low..high behind another place, either way round, where that gains; `out` is what leaving
        gains.
        """
        seq, way = self._seq, self._way
        u, v = seq[target], self._after(target)
        base, head, tail = way(u, v), seq[low], seq[high - 1]
        for turned in (False, True) if high - low > 1 else (False,):
            first, last = (tail, head) if turned else (head, tail)
            gain = out - (way(u, first) + way(last, v) - base)
            if gain <= _LEAST or not self._may_stand(low, high, target) or (turned and not self._may_turn(low, high)):
                continue
            run = seq[low:high][::-1] if turned else seq[low:high]
            if target < low:
                self._put(target + 1, [*run, *seq[target + 1 : low]])
            else:
                self._put(low, [*seq[high : target + 1], *run])
            self._push(u, v)
            return gain
        return 0.0

    def _turned(self, a: int) -> float:
        """What stands between two steps is turned round; what is gained, or 0."""
        seq, way = self._seq, self._way
        for ahead in (True, False):
            at = self._pos[a]
            side = self._after(at) if ahead else seq[at - 1]
            if side < 0:
                continue
            reach = way(a, side) if ahead else way(side, a)
            for c in self._near[a]:
                if math.hypot(self._bx[a] - self._bx[c], self._by[a] - self._by[c]) >= reach:
                    break
                other = self._pos[c]
                low, high = (min(at, other), max(at, other)) if not ahead else (min(at, other) + 1, max(at, other) + 1)
                if high - low < 2 or low < 1:
                    continue
                p, q, s, e = seq[low - 1], self._after(high - 1), seq[low], seq[high - 1]
                gain = way(p, s) + way(e, q) - way(p, e) - way(s, q)
                if gain > _LEAST and self._may_turn(low, high):
                    self._put(low, seq[low:high][::-1])
                    self._push(p, q, s, e)
                    return gain
        return 0.0

    def _kick(self, i: int, j: int, k: int) -> None:
        """Two runs that follow each other change places; where that leads to nothing shorter all is put back."""
        seq, way = self._seq, self._way
        if not self._may_stand(i, j, k - 1):
            return
        p, q = seq[i - 1], self._after(k - 1)
        first, second = seq[i:j], seq[j:k]
        old = way(p, first[0]) + way(first[-1], second[0]) + way(second[-1], q)
        new = way(p, second[0]) + way(second[-1], first[0]) + way(first[-1], q)
        self._undo = []
        self._put(i, [*second, *first])
        self._push(p, q, first[0], first[-1], second[0], second[-1])
        if self._settle() < new - old + _LEAST:
            for low, run in reversed(self._undo):
                self._write(low, run)
