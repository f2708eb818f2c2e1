"""Constraints that say nothing that others and the form of the curves do not say.

Rows that depend on each other are the left null space of the Jacobian. It is taken after ties were put in their place,
where it is small, and carried back to the ties: the force that the rows of a null vector leave on an unknown goes
through the tree of ties to its root. Brought to echelon form with the latest constraints first, its pivots are the rows
that depend on earlier ones.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence

import numpy as np

from syntaxa.define.equations import Equations
from syntaxa.define.freedom import elsewhere
from syntaxa.define.nulls import left_null
from syntaxa.define.ties import Ties
from syntaxa.define.unknowns import FORM, Ray, Sum, System, Tie
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats, Ints, Sparse
from syntaxa.later import Later

sp = Later("scipy.sparse")

#: Shares below which an entry of a null vector, or a singular value, is none.
_NONE = 1e-7
_PIVOT = 1e-6


def said_again(system: System, x: Floats, reduced: Equations | None = None) -> set[int]:
    """Constraints that say nothing that the form of the curves and constraints of lower numbers do not say.

    One that says something new beside what is known is not among them. The system holds at x (n,). Its equations may be
    handed over where they are known.
    """
    equations = Equations(system, through=False)
    kept, idle = _told_apart(system)
    aside = _aside(reduced or Equations(system), x)
    null = _left_null(equations, aside, len(idle))
    if not len(null):
        return set()
    forces = np.asarray(null @ _slopes(len(system.x), [*equations.rays, *equations.sums], idle, aside))
    whole = np.hstack([null, _carried(kept, forces)])
    sources = np.array([*equations.sources, *(t.source for t in idle), *(t.source for t in kept)], dtype=np.int64)
    again: Counter[int] = Counter(sources[_pivots(whole, np.argsort(-sources, kind="stable"))].tolist())
    rows, helpers = Counter(sources.tolist()), Counter(system.owners)
    return {k for k, n in again.items() if k != FORM and n >= rows[k] - helpers[k]}


def _told_apart(system: System) -> tuple[list[Tie], list[Tie]]:
    """Ties that say something new, and those that do not, one after the other."""
    ties = Ties(len(system.x))
    kept: list[Tie] = []
    idle: list[Tie] = []
    for k, tie in enumerate(system.ties):
        (kept if ties.add(k, tie) else idle).append(tie)
    return kept, idle


def _aside(equations: Equations, x: Floats) -> Floats:
    """All unknowns at a place that is not special."""
    y = equations.start(x)
    for block in equations.blocks:
        y[block.columns] = elsewhere(block, y[block.columns])
    return equations.all(y)


def _left_null(equations: Equations, x: Floats, idle: int) -> Floats:
    """(d, rows and idle ties) what comes to nought."""
    count = len(equations.sources)
    y = equations.start(x)
    found: list[Floats] = []
    for block in equations.blocks:
        sums, size = left_null(block.jacobian(y[block.columns]), block.lever)
        part = np.zeros((len(sums), count + idle))
        part[:, block.rows] = sums / size
        found.append(part)
    own = np.zeros((idle, count + idle))
    own[:, count:] = np.eye(idle)
    return np.vstack([*found, own])


def _slopes(unknowns: int, rows: Sequence[Ray | Sum], idle: Sequence[Tie], x: Floats) -> Sparse:
    """(rows and idle ties, n) over all unknowns."""
    at: list[tuple[int, int, float]] = []
    for k, row in enumerate(rows):
        if isinstance(row, Sum):
            at += [(k, i, c) for i, c in row.terms]
            continue
        c, s = np.cos(x[row.t] + row.phase), np.sin(x[row.t] + row.phase)
        turn = (x[row.q.y] - x[row.p.y]) * c - (x[row.q.x] - x[row.p.x]) * s
        at += [(k, row.p.x, -c), (k, row.p.y, -s), (k, row.q.x, c), (k, row.q.y, s), (k, row.t, turn)]
        at += [(k, r, -size) for r, size in ((row.r1, row.s1), (row.r2, row.s2)) if r >= 0]
    for k, tie in enumerate(idle, len(rows)):
        at.append((k, tie.i, 1.0))
        at += [(k, tie.j, -tie.sign)] if tie.j >= 0 else []
    row_of, column, value = (list(v) for v in zip(*at, strict=True)) if at else ([], [], [])
    return sp.csr_matrix((value, (row_of, column)), shape=(len(rows) + len(idle), unknowns))


def _carried(kept: Sequence[Tie], forces: Floats) -> Floats:
    """(d, ties) what each tie takes of forces (d, n) on the unknowns, from the leaves of their tree to the root."""
    n = forces.shape[1]
    left = np.hstack([forces, np.zeros((len(forces), 1))])
    ends = [(t.i, n if t.j < 0 else t.j) for t in kept]
    beside: dict[int, list[int]] = {}
    for k, pair in enumerate(ends):
        for end in pair:
            beside.setdefault(end, []).append(k)
    taken = np.zeros((len(forces), len(kept)))
    for k, leaf, root in reversed(_outward(ends, beside)):
        tie = kept[k]
        own, other = (1.0, -tie.sign) if leaf == tie.i else (-tie.sign, 1.0)
        taken[:, k] = -left[:, leaf] / own
        left[:, root] += taken[:, k] * other
    return taken


def _outward(ends: Sequence[tuple[int, int]], beside: dict[int, list[int]]) -> list[tuple[int, int, int]]:
    """(tie, farther end, nearer end) of a walk through each tree from its root; the ground where it hangs on that."""
    seen: set[int] = set()
    found: list[tuple[int, int, int]] = []
    for root in sorted(beside, reverse=True):
        if root in seen:
            continue
        seen.add(root)
        waiting = [root]
        while waiting:
            near = waiting.pop()
            for k in beside[near]:
                far = ends[k][0] if ends[k][1] == near else ends[k][1]
                if far not in seen:
                    seen.add(far)
                    found.append((k, far, near))
                    waiting.append(far)
    return found


def _pivots(rows: Floats, order: Ints) -> list[int]:
    """The columns, in an order, in which an echelon form of some rows has its pivots."""
    work = rows / np.maximum(np.abs(rows).max(1), NOUGHT)[:, None]
    # A column of noughts stays one.
    order = order[np.abs(work[:, order]).max(0, initial=0.0) > _PIVOT]
    work = work[:, order]
    found: list[int] = []
    for column, number in enumerate(order.tolist()):
        if not len(work):
            break
        best = int(np.argmax(np.abs(work[:, column])))
        if abs(work[best, column]) <= _PIVOT:
            continue
        found.append(number)
        pivot = work[best] / work[best, column]
        work = np.delete(work, best, 0)
        work = work - np.outer(work[:, column], pivot)
        size = np.abs(work).max(1, initial=0.0)
        work = work[size > _PIVOT] / np.maximum(size[size > _PIVOT], NOUGHT)[:, None]
    return found
