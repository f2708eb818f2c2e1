"""Time against closed forms of mechanics and against stepping along the way."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.cut.bench.clock import limits_of, times_of
from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.bench.moves import Move
from syntaxa.cut.library import Motion


def straight(length, feed=6000.0):
    return Move(1, "feed", (0.0, 0.0, 0.0), (length, 0.0, 0.0), feed=feed)


def seconds(moves, **motion):
    return float(times_of(moves, Motion(**motion)).sum())


@given(st.floats(0.01, 2000), st.floats(60, 60000), st.floats(50, 5000))
def test_from_rest_to_rest(length, feed, a):
    """L / v + v / a where the speed is reached, else 2 sqrt(L / a) (any textbook of mechanics)."""
    v = feed / 60
    wanted = length / v + v / a if length >= v * v / a else 2 * math.sqrt(length / a)
    assert seconds([straight(length, feed)], acceleration=a) == pytest.approx(wanted, rel=1e-9)


@given(st.floats(60, 12000), st.floats(200, 3000))
def test_a_limited_jerk_adds_its_own_time(feed, a):
    """Rest to rest with the speed reached: L / v + v / a + a / j, where a is reached as well (the same textbooks)."""
    v, j = feed / 60, 20 * a * a / (feed / 60)
    assert seconds([straight(5000.0, feed)], acceleration=a, jerk=j) == pytest.approx(
        5000 / v + v / a + a / j, rel=1e-7
    )


def stepped(moves, motion, ds=5e-4):
    """The same by stepping: forwards and backwards no speed may change by more than the acceleration lets it."""
    speed, junction = limits_of(moves, motion)
    cap, steps = [0.0], []
    for k, move in enumerate(moves):
        count = max(1, math.ceil(move.length / ds))
        steps += [move.length / count] * count
        cap += [speed[k] ** 2] * (count - 1) + [min(junction[k + 1] ** 2, speed[k] ** 2)]
    w = np.array(cap)
    for k, step in enumerate(steps):
        w[k + 1] = min(w[k + 1], w[k] + 2 * motion.acceleration * step)
    for k in range(len(steps) - 1, -1, -1):
        w[k] = min(w[k], w[k + 1] + 2 * motion.acceleration * steps[k])
    u = np.sqrt(w)
    # Within a move the speed may rise to its limit between two steps.
    return float((2 * np.array(steps) / (u[:-1] + u[1:])).sum())


@pytest.mark.parametrize("seed", range(6))
def test_numeric_integration(seed):
    rng = np.random.default_rng(seed)
    lines, at = ["G21 G90 G91.1 G0 X0 Y0"], np.zeros(2)
    for _ in range(12):
        goal = np.round(at + rng.uniform(-8, 8, 2), 4)
        if rng.random() < 0.4:
            middle = np.round((goal - at) / 2, 4)
            goal = at + 2 * middle
            lines.append(f"G{rng.choice([2, 3])} X{goal[0]:.4f} Y{goal[1]:.4f} I{middle[0]:.4f} J{middle[1]:.4f}")
        else:
            lines.append(f"G1 X{goal[0]:.4f} Y{goal[1]:.4f} F{rng.integers(300, 9000)}")
        at = goal
    lines.insert(1, "F2000")
    moves = [m for m in played("\n".join([*lines, "M2"])).moves if m.kind == "feed"]
    motion = Motion(acceleration=400.0, deviation=0.02)
    assert seconds(moves, acceleration=400.0, deviation=0.02) == pytest.approx(stepped(moves, motion), rel=1e-6)


def test_a_straight_way_in_pieces_takes_as_long_as_whole():
    one = seconds([straight(100.0)], acceleration=500.0)
    parts = [Move(1, "feed", (k * 10.0, 0, 0), (k * 10.0 + 10, 0, 0), feed=6000.0) for k in range(10)]
    assert seconds(parts, acceleration=500.0) == pytest.approx(one, rel=1e-9)


def test_turning_back_stops():
    there = straight(50.0)
    back = Move(2, "feed", (50.0, 0, 0), (0.0, 0, 0), feed=6000.0)
    assert seconds([there, back], acceleration=500.0) == pytest.approx(
        2 * seconds([there], acceleration=500.0), rel=1e-6
    )


def test_dwells_and_changes_count():
    moves = played("G21 G90 T1 M6 G4 P2.5 M2").moves
    assert seconds(moves, tool_change=7.0) == pytest.approx(9.5)
