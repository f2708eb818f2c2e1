"""What can still move, and which constraints say what others say.

Ranks are taken at a point of the solutions that is not special: the sketch is moved a little along its freedoms and
solved again, which undoes chance alignments and invents none. Factors are dense, for what hangs together: their cost
grows with the cube of the unknowns of the largest block, after everything that is a tie was put in its place.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.define.equations import Block, Equations
from syntaxa.define.nulls import row_sizes, unit_rows
from syntaxa.define.solving import FAILED, solved_block, symmetric_factors
from syntaxa.define.unknowns import System
from syntaxa.geometry.types import Floats, Ints
from syntaxa.later import Later

la = Later("scipy.linalg")
sp = Later("scipy.sparse")

#: A singular value, or what is left of a unit row, that is none.
_NONE = 1e-7

#: mm a mm; a point that follows a freedom by less does not move with it.
_SEEN = 1e-6

#: Share of a block's size that it is moved by, to leave chance alignments; and of an aimless move that is no freedom.
_ASIDE, _FREE = 0.01, 1e-5

#: What keeps normal equations from being singular; unit rows that differ by less are one.
_SHIFT = 1e-11


@dataclass(frozen=True)
class Freedom:
    """What is free in a system.

    count   degrees of freedom
    basis   (unknowns of the system, count) how each moves with each freedom; mm, radians / lever
    ways    (points, 2) the direction in which a point moves most (unit vectors; 0 0 for none)
    rank    (points,) in how many directions it can move: 0, 1 or 2
    """

    count: int
    basis: Floats
    ways: Floats
    rank: Ints


def freedom(system: System, x: Floats) -> Freedom:
    """The freedom of a system that holds at x (n,)."""
    equations = Equations(system)
    y = equations.start(x)
    pieces: list[tuple[Ints, Floats]] = []
    alone = np.ones(equations.unknowns, dtype=bool)
    for block in equations.blocks:
        alone[block.columns] = False
        pieces.append((block.columns, _null_space(block, elsewhere(block, y[block.columns]))))
    pieces += [(np.array([k]), np.ones((1, 1))) for k in np.flatnonzero(alone)]
    count = sum(p.shape[1] for _, p in pieces)
    reduced = np.zeros((equations.unknowns + 1, count))
    at = 0
    for columns, piece in pieces:
        reduced[columns, at : at + piece.shape[1]] = piece / equations.lever[columns, None]
        at += piece.shape[1]
    basis = reduced[equations.column] * np.where(equations.column >= 0, equations.sign, 0.0)[:, None]
    return Freedom(count, basis, *_ways(system, basis))


def elsewhere(block: Block, y: Floats) -> Floats:
    """A point of the solutions near y that is not special; y itself where there is none near."""
    aimless = np.random.default_rng(len(y)).uniform(-1.0, 1.0, len(y))
    step = _idle_part(block, y, aimless)
    far = float(np.abs(step).max())
    if far <= _FREE:
        return y
    away = step / block.lever * (_ASIDE * _size(block, y) / far)
    there, off = solved_block(block, y + away)
    return there if off <= FAILED else y


def _idle_part(block: Block, y: Floats, move: Floats) -> Floats:
    """What of a move (k,), in mm, changes no row."""
    slopes = block.jacobian(y)
    if isinstance(slopes, np.ndarray):
        unit = _unit_rows(slopes / block.lever)
        normal = unit @ unit.T + np.eye(len(unit)) * _SHIFT
        return np.asarray(move - unit.T @ la.solve(normal, unit @ move, assume_a="pos", check_finite=False))
    unit, size = unit_rows(slopes, block.lever)
    lu = symmetric_factors(unit @ unit.T + sp.diags(np.full(len(size), _SHIFT)))
    return np.asarray(move - unit.T @ lu.solve(unit @ move))


def _size(block: Block, y: Floats) -> float:
    """mm; how large what hangs together is, roughly."""
    turning = block.lever[block.angular]
    return float(np.median(turning)) if len(turning) else max(float(np.ptp(y)), 1.0)


def _dense(block: Block, y: Floats) -> Floats:
    j = block.jacobian(y)
    return np.asarray((j if isinstance(j, np.ndarray) else j.toarray()) / block.lever)


def _unit_rows(rows: Floats) -> Floats:
    return np.asarray(rows / row_sizes(np.linalg.norm(rows, axis=1))[:, None])


def _null_space(block: Block, y: Floats) -> Floats:
    """(k, free) orthonormal moves that change no row, in mm."""
    rows = _unit_rows(_dense(block, y))
    q, r, _ = la.qr(rows.T, pivoting=True, check_finite=False)
    size = np.abs(np.diag(r))
    rank = int((size > _NONE).sum())
    return np.asarray(q[:, rank:])


def _ways(system: System, basis: Floats) -> tuple[Floats, Ints]:
    index = np.array(system.spots, dtype=np.int64).reshape(-1, 2)
    mx, my = basis[index[:, 0]], basis[index[:, 1]]
    a, b, c = (mx * mx).sum(1), (mx * my).sum(1), (my * my).sum(1)
    mean, reach = (a + c) / 2, np.hypot((a - c) / 2, b)
    angle = np.arctan2(2 * b, a - c) / 2
    large, small = np.sqrt(np.maximum(mean + reach, 0)), np.sqrt(np.maximum(mean - reach, 0))
    rank = (large > _SEEN).astype(np.int64) + (small > np.maximum(_SEEN, 1e-4 * large))
    ways: Floats = np.column_stack([np.cos(angle), np.sin(angle)]) * (rank > 0)[:, None]
    return ways, rank


# ---------------------------------------------------------------------- what is missing


def fewest(free: Freedom, slopes: Sequence[Mapping[int, float]]) -> list[int]:
    """Which of some dimensions (slopes over the unknowns, the likeliest first) hold what is free, as far as they can.

    Each holds one freedom at most, so that those which hold one more each are the fewest; one that holds only by a
    shallow angle is asked again when nothing better is left.
    """
    held = np.zeros((0, free.count))
    chosen: list[int] = []
    reach = [sum((k * free.basis[i] for i, k in g.items()), np.zeros(free.count)) for g in slopes]
    for limit in (0.03, 1e-4):
        for k, felt in enumerate(reach):
            if len(chosen) == free.count:
                return chosen
            left = felt
            for _ in range(2):
                left = left - held.T @ (held @ left)
            size = float(np.linalg.norm(left))
            if k not in chosen and size > limit * float(np.linalg.norm(felt)) and size > _SEEN:
                held = np.vstack([held, left / size])
                chosen.append(k)
    return chosen
