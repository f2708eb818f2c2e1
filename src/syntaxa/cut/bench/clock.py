"""How long a machine takes along its moves: trapezoidal speeds with look-ahead over junctions.

Where two moves meet, a machine that may cut the corner by a deviation runs an arc there of radius
deviation cos(t/2) / (1 - cos(t/2)), t the turn, and no arc faster than sqrt(acceleration radius). With speeds squared
w and S the running sum of 2 a L, both passes of the look-ahead are running minima: w_i <= w_j + |S_i - S_j| for all
j.

Where a jerk is given the change of speed is taken as S-shaped: acceleration comes and goes within it, and a junction is
gone through without acceleration, so that the time is never less than the true one.

Cost: linear.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from syntaxa.cut.bench.moves import Move
from syntaxa.cut.library import Motion
from syntaxa.geometry.tolerances import NOUGHT, ROUNDING
from syntaxa.geometry.types import Floats

#: Halvings for what has no closed form.
_HALVINGS = 60


def times_of(moves: Sequence[Move], motion: Motion) -> Floats:
    """Seconds that each move takes, (n,); dwells and changes of tool as they say, moves without a feed none."""
    out = np.array([_standing(move, motion) for move in moves])
    run: list[int] = []
    for k, move in enumerate(moves):
        if move.kind in ("rapid", "feed") and move.length > ROUNDING:
            run.append(k)
        elif move.kind not in ("rapid", "feed"):
            _fill(out, moves, run, motion)
            run = []
    _fill(out, moves, run, motion)
    return out


def _standing(move: Move, motion: Motion) -> float:
    return move.seconds if move.kind == "dwell" else motion.tool_change if move.kind == "change" else 0.0


def _fill(out: Floats, moves: Sequence[Move], run: list[int], motion: Motion) -> None:
    if run:
        out[run] = _from_rest_to_rest([moves[k] for k in run], motion)


def _from_rest_to_rest(moves: list[Move], motion: Motion) -> Floats:
    length = np.array([m.length for m in moves])
    speed, junction = limits_of(moves, motion)
    if motion.jerk > 0:
        return _s_shaped(length, speed, junction, motion)
    return _trapezoidal(length, speed, junction, motion.acceleration)


def limits_of(moves: Sequence[Move], motion: Motion) -> tuple[Floats, Floats]:
    """(the most speed of each move (n,), of each junction (n + 1,), mm/s); at rest before and after."""
    feed = np.array([motion.rapid if m.kind == "rapid" else m.feed for m in moves]) / 60
    radius = np.array([_radius(m) for m in moves])
    speed = np.maximum(np.minimum(feed, np.sqrt(motion.acceleration * radius)), NOUGHT)
    leaving, arriving = (np.array([_way(m, share) for m in moves]) for share in (1.0, 0.0))
    cosine = np.clip((leaving[:-1] * arriving[1:]).sum(axis=1), -1.0, 1.0)
    half = np.sqrt((1 + cosine) / 2)
    around = motion.deviation * half / np.maximum(1 - half, 1e-15)
    junction = np.minimum(np.sqrt(motion.acceleration * around), np.minimum(speed[:-1], speed[1:]))
    return speed, np.concatenate([[0.0], junction, [0.0]])


def _radius(move: Move) -> float:
    if move.centre is None:
        return math.inf
    return math.hypot(move.start[0] - move.centre[0], move.start[1] - move.centre[1])


def _way(move: Move, share: float) -> tuple[float, float, float]:
    """Unit direction at the beginning or end of a move."""
    length = max(move.length, NOUGHT)
    rise = (move.end[2] - move.start[2]) / length
    if move.centre is None:
        return (move.end[0] - move.start[0]) / length, (move.end[1] - move.start[1]) / length, rise
    x, y, _ = move.end if share else move.start
    spoke = (x - move.centre[0], y - move.centre[1])
    flat = math.copysign(math.sqrt(max(1 - rise * rise, 0.0)), move.sweep) / max(math.hypot(*spoke), NOUGHT)
    return -spoke[1] * flat, spoke[0] * flat, rise


def _trapezoidal(length: Floats, speed: Floats, junction: Floats, a: float) -> Floats:
    s = np.concatenate([[0.0], np.cumsum(2 * a * length)])
    w = junction**2
    w = np.minimum(w, s + np.minimum.accumulate(w - s))
    w = np.minimum(w, np.minimum.accumulate((w + s)[::-1])[::-1] - s)
    u = np.sqrt(np.maximum(w, 0.0))
    before, after = u[:-1], u[1:]
    peak = np.minimum(speed, np.sqrt((2 * a * length + before**2 + after**2) / 2))
    level = np.maximum(length - (2 * peak**2 - before**2 - after**2) / (2 * a), 0.0)
    return np.asarray((2 * peak - before - after) / a + level / np.maximum(peak, NOUGHT))


def _changing(dv: Floats, a: float, j: float) -> Floats:
    """Seconds in which a speed changes by dv, without acceleration at either end."""
    dv = np.maximum(dv, 0.0)
    return np.asarray(np.where(dv < a * a / j, 2 * np.sqrt(dv / j), dv / a + a / j))


def _reached(before: float, length: float, a: float, j: float) -> float:
    """The most speed (mm/s) that can be come to from another within a length."""
    low, high = before, before + math.sqrt(2 * a * length + before * before)
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        need = (before + middle) / 2 * float(_changing(np.array(middle - before), a, j))
        low, high = (middle, high) if need <= length else (low, middle)
    return low


def _s_shaped(length: Floats, speed: Floats, junction: Floats, motion: Motion) -> Floats:
    a, j = motion.acceleration, motion.jerk
    u = junction.tolist()
    for k in range(len(length) - 1, -1, -1):
        if u[k] > u[k + 1]:
            u[k] = min(u[k], _reached(u[k + 1], float(length[k]), a, j))
    for k in range(len(length)):
        if u[k + 1] > u[k]:
            u[k + 1] = min(u[k + 1], _reached(u[k], float(length[k]), a, j))
    before, after = np.array(u[:-1]), np.array(u[1:])
    low, high = np.maximum(before, after), np.maximum(speed, np.maximum(before, after))
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        fits = _ways(before, middle, a, j) + _ways(after, middle, a, j) <= length
        low, high = np.where(fits, middle, low), np.where(fits, high, middle)
    level = np.maximum(length - _ways(before, low, a, j) - _ways(after, low, a, j), 0.0)
    return np.asarray(_changing(low - before, a, j) + _changing(low - after, a, j) + level / np.maximum(low, NOUGHT))


def _ways(slow: Floats, fast: Floats, a: float, j: float) -> Floats:
    """mm on which a speed changes from one to another."""
    return np.asarray((slow + fast) / 2 * _changing(fast - slow, a, j))
