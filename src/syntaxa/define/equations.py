"""What is left of a system to be solved, once everything has been put in its place that can be.

A ray whose direction is known is a sum; a sum of one unknown makes it known, one of two equal terms is a tie; until
nothing is found. What is left falls apart into blocks that have no unknown in common. Cost: a few passes over all rows.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np

from syntaxa.define.ties import Ties
from syntaxa.define.unknowns import Ray, Sum, System
from syntaxa.geometry.tolerances import HAIR, NOUGHT
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.later import Later

sp = Later("scipy.sparse")

#: Unknowns of a block from which sparse factors are quicker than dense ones.
SPARSE_FROM = 400


@dataclass
class Block:
    """Equations that hang together.

    rows          (m + n,) which of all rows of the equations are in it: rays, then sums
    columns       (k,) of all unknowns that are left, which are in it
    rays          (m, 7) px py qx qy t r1 r2 as columns of the block; -1 where a number is known
    ray_sign, ray_shift   (m, 7) of the ties that they stand for
    ray_numbers   (m, 4) phase, s1, s2, number
    sums, sum_factors     (n, w) columns, and coefficients with the signs of ties; sum_rest (n,) what they come to
    sources       (m + n,) the constraint of each row
    weight        (k,) what moving each unknown costs; lever (k,) mm that a unit of it moves something by
    """

    rows: Ints
    columns: Ints
    rays: Ints
    ray_sign: Floats
    ray_shift: Floats
    ray_numbers: Floats
    sums: Ints
    sum_factors: Floats
    sum_rest: Floats
    sources: Ints
    weight: Floats
    lever: Floats
    angular: Bools

    @property
    def is_sparse(self) -> bool:
        """Whether its Jacobian is sparse."""
        return len(self.columns) > SPARSE_FROM

    def residual(self, y: Floats) -> Floats:
        """By how much each row is off (mm), at its unknowns (k,)."""
        known = np.append(y, 0.0)
        px, py, qx, qy, t, r1, r2 = (known[self.rays] * self.ray_sign + self.ray_shift).T
        phase, s1, s2, number = self.ray_numbers.T
        f = (qx - px) * np.cos(t + phase) + (qy - py) * np.sin(t + phase) - s1 * r1 - s2 * r2 - number
        return np.concatenate([f, (known[self.sums] * self.sum_factors).sum(1) - self.sum_rest])

    def jacobian(self, y: Floats) -> Any:
        """Slopes of the rows over its unknowns (m + n, k); sparse where the block is large."""
        known = np.append(y, 0.0)
        px, py, qx, qy, t, _, _ = (known[self.rays] * self.ray_sign + self.ray_shift).T
        phase, s1, s2, _ = self.ray_numbers.T
        c, s = np.cos(t + phase), np.sin(t + phase)
        slopes = np.stack([-c, -s, c, s, (qy - py) * c - (qx - px) * s, -s1, -s2], 1) * self.ray_sign
        value = np.concatenate([slopes.ravel(), self.sum_factors.ravel()])[self._live]
        shape = len(self.sources), len(self.columns)
        if self.is_sparse:
            return sp.csr_matrix((value, self._cells), shape=shape)
        flat = np.bincount(self._cells[0] * shape[1] + self._cells[1], value, shape[0] * shape[1])
        return flat.reshape(shape).astype(np.float64)

    @cached_property
    def _live(self) -> Ints:
        return np.flatnonzero(np.concatenate([self.rays.ravel(), self.sums.ravel()]) >= 0)

    @cached_property
    def _cells(self) -> tuple[Ints, Ints]:
        m = len(self.rays)
        row = np.concatenate([np.repeat(np.arange(m), 7),
                              np.repeat(np.arange(len(self.sums)) + m, self.sums.shape[1])])  # fmt: skip
        column = np.concatenate([self.rays.ravel(), self.sums.ravel()])
        return row[self._live], column[self._live]


class Equations:
    """A system with ties put in their place; with `through`, everything else that becomes one as well.

    clash  (constraint, mm or radians by which what it says is against what was known)
    """

    def __init__(self, system: System, only: Iterable[int] | None = None, *, through: bool = True) -> None:
        self.system = system
        said = None if only is None else {*only, -1}
        sources: list[int] = []
        self._ties = Ties(len(system.x))
        for tie in system.ties:
            if said is None or tie.source in said:
                self._ties.add(len(sources), tie)
                sources.append(tie.source)
        self._row_sources = sources
        rays = [r for r in system.rays if said is None or r.source in said]
        sums = [r for r in system.sums if said is None or r.source in said]
        if through:
            rays, sums = self._put_in(rays, sums)
        self.clash = [(sources[k], off) for k, off in self._ties.clash]
        self.rays, self.sums = rays, sums
        self._number(rays, sums)

    # ------------------------------------------------------------------ putting in

    def _put_in(self, rays: list[Ray], sums: list[Sum]) -> tuple[list[Ray], list[Sum]]:
        """What is left of the rows once what becomes a tie is one."""
        while True:
            left_rays, left_sums, found = [], [], False
            for ray in rays:
                line = self._as_sum(ray)
                if line is None:
                    left_rays.append(ray)
                else:
                    found = True
                    sums.append(line)
            for row in sums:
                if self._as_tie(row):
                    found = True
                else:
                    left_sums.append(row)
            rays, sums = left_rays, left_sums
            if not found:
                return rays, sums

    def _as_sum(self, ray: Ray) -> Sum | None:
        root, _, angle = self._ties.find(ray.t)
        if root != self._ties.ground:
            return None
        c, s = _round_turn(math.cos(angle + ray.phase)), _round_turn(math.sin(angle + ray.phase))
        terms = [(ray.p.x, -c), (ray.p.y, -s), (ray.q.x, c), (ray.q.y, s)]
        terms += [(r, -k) for r, k in ((ray.r1, ray.s1), (ray.r2, ray.s2)) if r >= 0]
        return Sum(tuple(terms), ray.number, ray.source)

    def _as_tie(self, row: Sum) -> bool:
        terms, rest = self._gathered(row)
        size = max((abs(k) for _, k in row.terms), default=0.0)
        left = [(i, k) for i, k in terms.items() if abs(k) > HAIR * size]
        if len(left) > 2 or (len(left) == 2 and abs(abs(left[0][1]) - abs(left[1][1])) > HAIR * size):
            return False
        number = len(self._row_sources)
        self._row_sources.append(row.source)
        ground = self._ties.ground
        if not left:
            self._ties.join(number, ground, ground, 1.0, rest)
        elif len(left) == 1:
            self._ties.join(number, left[0][0], ground, 1.0, rest / left[0][1])
        else:
            (i, a), (j, b) = left
            self._ties.join(number, i, j, -math.copysign(1.0, a * b), rest / a)
        return True

    def _gathered(self, row: Sum) -> tuple[dict[int, float], float]:
        terms: dict[int, float] = {}
        rest = row.number
        for i, k in row.terms:
            root, sign, shift = self._ties.find(i)
            rest -= k * shift
            if root != self._ties.ground:
                terms[root] = terms.get(root, 0.0) + k * sign
        return terms, rest

    # ------------------------------------------------------------------ what is left

    def _number(self, rays: list[Ray], sums: list[Sum]) -> None:
        system, n = self.system, len(self.system.x)
        root, sign, shift = self._ties.flat()
        left = np.unique(root[:n][root[:n] != n])
        position = np.full(n + 1, -1, dtype=np.int64)
        position[left] = np.arange(len(left))
        self.column, self.sign, self.shift = position[root[:n]], sign[:n], shift[:n]
        own = self.column >= 0
        weight = np.array(system.weight, dtype=np.float64)
        self.weight = np.bincount(self.column[own], weight[own], len(left)).astype(np.float64)
        turning = np.zeros(n, dtype=bool)
        turning[list(system.angles)] = True
        self.angular = np.zeros(len(left), dtype=bool)
        self.angular[self.column[own & turning]] = True
        reach = np.zeros(len(left))
        np.maximum.at(reach, self.column[own], 10.0 * np.sqrt(weight[own]))
        self.lever = np.where(self.angular, np.maximum(reach, 1.0), 1.0)
        self.unknowns = len(left)
        self._fill(rays, sums)

    def _fill(self, rays: list[Ray], sums: list[Sum]) -> None:
        index = np.array([[*r.p, *r.q, r.t, r.r1, r.r2] for r in rays], dtype=np.int64).reshape(-1, 7)
        self._rays = np.where(index >= 0, np.append(self.column, -1)[index], -1)
        self._ray_sign = np.where(index >= 0, np.append(self.sign, 0.0)[index], 0.0)
        self._ray_sign[self._rays < 0] = 0.0
        self._ray_shift = np.where(index >= 0, np.append(self.shift, 0.0)[index], 0.0)
        self._numbers = np.array([[r.phase, r.s1, r.s2, r.number] for r in rays], dtype=np.float64).reshape(-1, 4)
        gathered = [self._gathered(row) for row in sums]
        wide = max((len(t) for t, _ in gathered), default=0)
        self._sums = np.full((len(sums), wide), -1, dtype=np.int64)
        self._factors = np.zeros((len(sums), wide))
        place = dict(
            zip(np.flatnonzero(self.column >= 0).tolist(), self.column[self.column >= 0].tolist(), strict=True)
        )
        for k, (terms, _) in enumerate(gathered):
            self._sums[k, : len(terms)] = [place[i] for i in terms]
            self._factors[k, : len(terms)] = list(terms.values())
        self._rest = np.array([rest for _, rest in gathered], dtype=np.float64)
        self.sources = np.array([*(r.source for r in rays), *(r.source for r in sums)], dtype=np.int64)

    @cached_property
    def blocks(self) -> list[Block]:
        """What is left, by what hangs together; unknowns that stand in no row are in none."""
        m, n = len(self._rays), len(self._sums)
        if not m + n:
            return []
        row = np.concatenate([np.repeat(np.arange(m), 7), np.repeat(np.arange(n) + m, self._sums.shape[1])])
        column = np.concatenate([self._rays.ravel(), self._sums.ravel()])
        live = column >= 0
        size = m + n + self.unknowns
        graph = sp.csr_matrix((np.ones(int(live.sum())), (row[live], column[live] + m + n)), shape=(size, size))
        _, label = sp.csgraph.connected_components(graph, directed=False)
        by_label: dict[int, tuple[list[int], list[int]]] = {}
        for k, name in enumerate(label.tolist()):
            rows, columns = by_label.setdefault(name, ([], []))
            (rows if k < m + n else columns).append(k if k < m + n else k - m - n)
        return [self._block(np.array(r), np.array(c, dtype=np.int64)) for r, c in by_label.values() if r]

    def _block(self, rows: Ints, columns: Ints) -> Block:
        m = len(self._rays)
        local = np.full(self.unknowns + 1, -1, dtype=np.int64)
        local[columns] = np.arange(len(columns))
        rays, sums = rows[rows < m], rows[rows >= m] - m
        return Block(
            rows, columns, local[self._rays[rays]], self._ray_sign[rays], self._ray_shift[rays], self._numbers[rays],
            local[self._sums[sums]], self._factors[sums], self._rest[sums], self.sources[rows],
            self.weight[columns], self.lever[columns], self.angular[columns],
        )  # fmt: skip

    # ------------------------------------------------------------------ to and fro

    def start(self, x: Floats) -> Floats:
        """The unknowns that are left, of all unknowns: the mean of what stands for each, by what moving it costs."""
        own = np.flatnonzero(self.column >= 0)
        column, weight = self.column[own], np.array(self.system.weight)[own] + HAIR
        stated = (x[own] - self.shift[own]) * self.sign[own]
        total = np.bincount(column, weight, self.unknowns)
        return np.bincount(column, weight * stated, self.unknowns) / np.maximum(total, NOUGHT)

    def all(self, y: Floats) -> Floats:
        """All unknowns of the system."""
        return np.where(self.column >= 0, self.sign * np.append(y, 0.0)[self.column], 0.0) + self.shift


def _round_turn(value: float) -> float:
    """A cosine or sine without what rounding left of a quarter turn."""
    return float(round(value)) if abs(value - round(value)) < HAIR else value
