"""Solving: from where a sketch stands to the nearest place where everything holds, by least weighted moves.

Newton with the step dy of least size (by what moving costs) for which J dy = -f. A step turns no direction by more than
half a radian and must help. The same system gives the same result to the bit: nothing is drawn by lot.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import numpy as np

from syntaxa.define.equations import Block, Equations
from syntaxa.define.unknowns import System
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Floats, Sparse
from syntaxa.later import Later

la = Later("scipy.linalg")
sp = Later("scipy.sparse")
sla = Later("scipy.sparse.linalg")

#: mm; rows that are off by no more hold, as far as their coordinates can say.
HELD = 1e-11

#: mm; what is further off when no step helps any more does not hold.
FAILED = 1e-8

_MOST_STEPS = 60

#: Radians that a direction is turned by in one step, and share of a step below which none helps.
_TURN = 0.5
_LEAST_SHARE = 1e-4

#: Rows of an unknown beyond which it is shared by many; and share by which a solution that was put together may be off.
_SHARED, _CLOSE = 40, 1e-6

#: Share of what keeps the normal matrix of rows that say the same again from being singular.
_BARELY = 1e-14

#: Steps that are pulled back towards the start, so that the place found is the nearest.
_PULLED = 12


@dataclass(frozen=True, slots=True)
class Solved:
    """x (n,) all unknowns; off (mm) by how much the worst row does not hold; clash where numbers contradict at once."""

    x: Floats
    off: float
    clash: tuple[int, ...] = ()

    @property
    def holds(self) -> bool:
        """Whether everything holds."""
        return not self.clash and self.off <= FAILED


def solved(system: System, equations: Equations | None = None) -> Solved:
    """The place nearest to where the system stands at which everything holds, or as near as it comes."""
    return solved_from(equations or Equations(system), np.array(system.x))


def solved_from(equations: Equations, x: Floats) -> Solved:
    """The same from other unknowns (n,) than those that the system stands at."""
    y = equations.start(x)
    off = 0.0
    for block in equations.blocks:
        y[block.columns], worst = solved_block(block, y[block.columns])
        off = max(off, worst)
    return Solved(equations.all(y), off, tuple(source for source, _ in equations.clash))


def solved_block(block: Block, start: Floats) -> tuple[Floats, float]:
    """(unknowns of a block, mm by which the worst row is off)."""
    y, f = start.copy(), block.residual(start)
    off = _largest(f)
    enough = max(HELD, 8 * np.finfo(float).eps * float(np.abs(start[~block.angular]).max(initial=0.0)))
    for k in range(_MOST_STEPS):
        if off <= enough:
            break
        pull = start - y if 0 < k < _PULLED else None
        step = least_move(block, block.jacobian(y), f, pull)
        taken = _taken(block, y, f, step)
        if taken is None and pull is not None:
            taken = _taken(block, y, f, least_move(block, block.jacobian(y), f, None))
        if taken is None or (off < FAILED and _largest(taken[1]) >= off):
            break
        y, f = taken
        off = _largest(f)
    return y, off


def _taken(block: Block, y: Floats, f: Floats, step: Floats) -> tuple[Floats, Floats] | None:
    """The longest part of a step that helps, and the rows after it; None where none does."""
    turn = float(np.abs(step[block.angular]).max(initial=0.0))
    share = min(1.0, _TURN / max(turn, NOUGHT))
    while share > _LEAST_SHARE:
        trial = y + share * step
        g = block.residual(trial)
        if g @ g <= (f @ f) * (1 - 1e-3 * share):
            return trial, g
        share /= 2
    return None


def least_move(block: Block, j: Any, f: Floats, pull: Floats | None) -> Floats:
    """The least weighted move (k,) for which the rows come to nought, pulled towards a move where one is given."""
    width = np.sqrt(np.maximum(block.weight, 1e-6))
    want = f if pull is None else f + j @ pull
    if isinstance(j, np.ndarray):
        move = -_dense_move(j / width, want) / width
    else:
        a = (j @ sp.diags(1 / width)).tocsc()
        move = -(a.T @ _normal_solved(a, want)) / width
    return np.asarray(move if pull is None else move + pull)


def _dense_move(a: Floats, want: Floats) -> Floats:
    """The least move that A takes to `want`."""
    g = a @ a.T
    g[np.diag_indices_from(g)] += _BARELY * float(g.diagonal().max(initial=0.0))
    try:
        found = la.cho_solve(la.cho_factor(g, check_finite=False, overwrite_a=True), want, check_finite=False)
    except la.LinAlgError:
        # Rows that say the same again, and no rounding between them.
        found = la.lstsq(g, want, cond=1e-12, lapack_driver="gelsy", check_finite=False)[0]
    return np.asarray(a.T @ found)


def _normal_solved(a: Sparse, want: Floats) -> Floats:
    """What A A' takes to `want`. A column that most rows share would fill it: such ones are put in afterwards."""
    count = np.diff(a.indptr)
    shared = np.flatnonzero(count > max(_SHARED, 4 * np.sqrt(a.shape[0])))
    if len(shared):
        own = a[:, np.flatnonzero(count <= max(_SHARED, 4 * np.sqrt(a.shape[0])))]
        lu, extra = _factors(own), a[:, shared].toarray()
        behind = lu.solve(extra)
        plain = lu.solve(want)
        found = plain - behind @ la.solve(np.eye(len(shared)) + extra.T @ behind, extra.T @ plain)
        off = a @ (a.T @ found) - want
        if float(np.abs(off).max()) <= _CLOSE * float(np.abs(want).max(initial=NOUGHT)):
            return np.asarray(found)
    return np.asarray(_factors(a).solve(want))


def _factors(a: Sparse) -> Any:
    g = (a @ a.T).tocsc()
    return symmetric_factors(g + sp.diags(g.diagonal() * HELD + HELD))


def symmetric_factors(g: Sparse) -> Any:
    """Factors of a sparse symmetric matrix that is not singular; they solve."""
    return sla.splu(g.tocsc(), permc_spec="MMD_AT_PLUS_A", options={"SymmetricMode": True}, diag_pivot_thresh=0.0)


def _largest(f: Floats) -> float:
    return float(np.abs(f).max(initial=0.0))
