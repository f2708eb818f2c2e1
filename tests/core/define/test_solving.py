"""Solving against constructions and linkages with known answers, and against other solvers.

Sources: Euclid, Elements I.1; Apollonius' problem by Descartes' circle theorem (1643); common tangents of two circles
and the positions of four-bar and slider-crank by the cosine rule (plane trigonometry, derived here).
"""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import least_squares

from syntaxa.define.relations import add
from syntaxa.define.solving import solved
from syntaxa.define.unknowns import Spot, System


def at(x: np.ndarray, p: Spot) -> tuple[float, float]:
    return float(x[p.x]), float(x[p.y])


def test_euclids_first_triangle() -> None:
    s = System()
    a, b, c = s.point(0, 0), s.point(40, 0), s.point(18, 31)
    for number, pair in enumerate(((a, b), (a, c), (b, c))):
        add(s, number, "distance", pair, 40.0)
    add(s, 3, "fixed", [a])
    add(s, 4, "fixed", [b])
    done = solved(s)
    assert done.holds
    assert at(done.x, c) == pytest.approx((20.0, 20.0 * math.sqrt(3)), abs=1e-10)


def test_the_circle_in_the_gap_of_three_that_touch() -> None:
    s = System()
    rounds = [s.circle(s.point(0, 0), 1.0), s.circle(s.point(2, 0), 1.0), s.circle(s.point(1, math.sqrt(3)), 1.0)]
    inner = s.circle(s.point(1.05, 0.5), 0.2)
    for number, other in enumerate(rounds):
        add(s, 2 * number, "fixed", [other.c])
        add(s, 2 * number + 1, "radius", [other], 1.0)
        add(s, 10 + number, "tangent", [other, inner])
    done = solved(s)
    # Descartes: k = k1 + k2 + k3 + 2 sqrt(k1 k2 + k2 k3 + k3 k1).
    assert done.x[inner.r] == pytest.approx(1 / (3 + 2 * math.sqrt(3)), abs=1e-11)
    assert at(done.x, inner.c) == pytest.approx((1.0, 1 / math.sqrt(3)), abs=1e-10)


@pytest.mark.parametrize(("crossed", "start"), [(False, ((0, 9), (50, 4))), (True, ((0, 9), (50, -4)))])
def test_common_tangents_of_two_circles(crossed: bool, start: tuple[tuple[float, float], tuple[float, float]]) -> None:
    s = System()
    one, two = s.circle(s.point(0, 0), 10.0), s.circle(s.point(50, 0), 5.0)
    p, q = (s.point(*xy) for xy in start)
    line = s.line(p, q)
    for number, (kind, things, value) in enumerate(
        [("fixed", [one.c], 0.0), ("fixed", [two.c], 0.0), ("radius", [one], 10.0), ("radius", [two], 5.0),
         ("on", [p, one], 0.0), ("on", [q, two], 0.0), ("tangent", [line, one], 0.0), ("tangent", [line, two], 0.0)]
    ):  # fmt: skip
        add(s, number, kind, things, value)
    done = solved(s)
    assert done.holds
    span = 10.0 + 5.0 if crossed else 10.0 - 5.0
    assert math.dist(at(done.x, p), at(done.x, q)) == pytest.approx(math.sqrt(50.0**2 - span**2), abs=1e-9)


def test_a_four_bar_goes_round_and_comes_back() -> None:
    ground, crank, coupler, rocker = 100.0, 30.0, 90.0, 70.0

    def rocker_end(t: float) -> tuple[float, float]:
        ax, ay = crank * math.cos(t), crank * math.sin(t)
        far = math.hypot(ground - ax, ay)
        base = math.atan2(-ay, ground - ax)
        lift = math.acos((coupler**2 + far**2 - rocker**2) / (2 * coupler * far))
        return ax + coupler * math.cos(base + lift), ay + coupler * math.sin(base + lift)

    a, b = (crank, 0.0), rocker_end(0.0)
    turn = 0.0
    for k in range(1, 73):
        want = k * math.tau / 72
        s = System()
        o, p, q, r = s.point(0, 0), s.point(*a), s.point(*b), s.point(ground, 0)
        base, arm = s.line(o, r), s.line(o, p)
        s.x[arm.t] = turn
        for number, (kind, things, value) in enumerate(
            [("fixed", [o], 0.0), ("fixed", [r], 0.0), ("length", [arm], crank), ("distance", [p, q], coupler),
             ("distance", [q, r], rocker)]
        ):  # fmt: skip
            add(s, number, kind, things, value)
        s.source = 9
        s.tie(arm.t, base.t, 1.0, want)
        s.source = -1
        done = solved(s)
        assert done.holds
        turn, a, b = float(done.x[arm.t]), at(done.x, p), at(done.x, q)
        assert b == pytest.approx(rocker_end(want), abs=1e-9)
    assert a == pytest.approx((crank, 0.0), abs=1e-9)


def test_a_slider_crank_goes_round() -> None:
    crank, rod = 20.0, 65.0
    a, b = (crank, 0.0), (crank + rod, 0.0)
    for k in range(1, 49):
        want = k * math.tau / 48
        s = System()
        o, p, q = s.point(0, 0), s.point(*a), s.point(*b)
        add(s, 0, "fixed", [o])
        add(s, 1, "level points", [o, q])
        add(s, 2, "distance", [o, p], crank)
        add(s, 3, "distance", [p, q], rod)
        s.source = 4
        for axis, value in ((p.x, crank * math.cos(want)), (p.y, crank * math.sin(want))):
            s.tie(axis, shift=value)
        s.source = -1
        done = solved(s)
        a, b = at(done.x, p), at(done.x, q)
        reach = crank * math.cos(want) + math.sqrt(rod**2 - (crank * math.sin(want)) ** 2)
        assert b == pytest.approx((reach, 0.0), abs=1e-9)


def test_a_bolt_circle_has_the_coordinates_of_the_tables() -> None:
    # Machinery's handbook gives coordinate factors of hole circles; these are sin and cos of 60 degrees (computed).
    s = System()
    hub = s.circle(s.point(0.02, -0.01), 20.0)
    holes = [
        s.circle(s.point(40 * math.cos(k * math.pi / 3) + 0.03 * (-1) ** k, 40 * math.sin(k * math.pi / 3)), 3)
        for k in range(6)
    ]
    add(s, 0, "fixed", [hub.c])
    add(s, 1, "ring", [*(h.c for h in holes), hub.c])
    add(s, 2, "distance", [hub.c, holes[0].c], 40.0)
    add(s, 3, "level points", [hub.c, holes[0].c])
    done = solved(s)
    x, y = at(done.x, hub.c)
    for k, (c, n) in enumerate(
        [(1, 0), (0.5, 0.8660254), (-0.5, 0.8660254), (-1, 0), (-0.5, -0.8660254), (0.5, -0.8660254)]
    ):
        assert at(done.x, holes[k].c) == pytest.approx((x + 40 * c, y + 40 * n), abs=2e-6)


def _truss(points: list[tuple[float, float]], sizes: list[float]) -> tuple[System, list[Spot]]:
    s = System()
    spots = [s.point(*p) for p in points]
    pairs = [(0, 1), (1, 2), (2, 0), (2, 3), (1, 3)]
    for number, ((a, b), size) in enumerate(zip(pairs, sizes, strict=True)):
        add(s, number, "distance", [spots[a], spots[b]], size)
    return s, spots


_SIZES = st.lists(st.floats(30, 45), min_size=5, max_size=5)


@given(_SIZES)
def test_no_solution_is_nearer_than_the_one_found(sizes: list[float]) -> None:
    points = [(0.0, 0.0), (37.0, 0.0), (18.0, 32.0), (56.0, 31.0)]
    s, spots = _truss(points, sizes)
    done = solved(s)
    assert done.holds
    ones, others = np.array([(0, 1), (1, 2), (2, 0), (2, 3), (1, 3)]).T
    start = np.array(points).ravel()

    def off(v: np.ndarray) -> np.ndarray:
        p = v.reshape(-1, 2)
        return np.hypot(*(p[ones] - p[others]).T) - sizes

    mine = np.array([at(done.x, p) for p in spots]).ravel()
    assert np.abs(off(mine)).max() < 1e-9
    # scipy's least squares, held to the distances by weight, judges how near one can come.
    tight = {"method": "lm", "xtol": 1e-15, "ftol": 1e-15, "gtol": 1e-15}
    judge = least_squares(lambda v: np.concatenate([1e6 * off(v), v - start]), mine, **tight)
    nearest = float(np.linalg.norm(judge.x - start))
    # Turning about directions is weighed in as well, a hundredth of the moves.
    assert float(np.linalg.norm(mine - start)) <= nearest * 1.05 + 1e-6


@given(_SIZES, st.floats(-3, 3), st.floats(-500, 500))
def test_a_moved_turned_or_mirrored_sketch_has_the_same_solution_moved(
    sizes: list[float], turn: float, far: float
) -> None:
    points = [(0.0, 0.0), (37.0, 0.0), (18.0, 32.0), (56.0, 31.0)]
    c, n = math.cos(turn), math.sin(turn)

    def image(p: tuple[float, float], mirror: bool) -> tuple[float, float]:
        x, y = (p[0], -p[1]) if mirror else p
        return c * x - n * y + far, n * x + c * y - far

    s, spots = _truss(points, sizes)
    plain = solved(s)
    for mirror in (False, True):
        other, moved = _truss([image(p, mirror) for p in points], sizes)
        done = solved(other)
        for p, q in zip(spots, moved, strict=True):
            assert at(done.x, q) == pytest.approx(image(at(plain.x, p), mirror), abs=1e-6)


@given(st.permutations(range(5)))
def test_the_order_of_constraints_changes_nothing(order: list[int]) -> None:
    sizes = [33.0, 41.0, 36.0, 39.0, 31.0]
    pairs = [(0, 1), (1, 2), (2, 0), (2, 3), (1, 3)]
    points = [(0.0, 0.0), (37.0, 0.0), (18.0, 32.0), (56.0, 31.0)]
    found = []
    for sequence in (range(5), order):
        s = System()
        spots = [s.point(*p) for p in points]
        for k in sequence:
            add(s, k, "distance", [spots[pairs[k][0]], spots[pairs[k][1]]], sizes[k])
        done = solved(s)
        found.append([at(done.x, p) for p in spots])
    assert np.array(found[0]) == pytest.approx(np.array(found[1]), abs=1e-8)


def test_the_same_system_gives_the_same_to_the_bit() -> None:
    sizes = [33.0, 41.0, 36.0, 39.0, 31.0]
    points = [(0.0, 0.0), (37.0, 0.0), (18.0, 32.0), (56.0, 31.0)]
    one, two = (solved(_truss(points, sizes)[0]).x for _ in range(2))
    assert one.tobytes() == two.tobytes()


def test_a_line_without_length_keeps_its_place() -> None:
    s = System()
    a, b = s.point(5, 5), s.point(5, 5)
    line = s.line(a, b)
    add(s, 0, "level", [line])
    done = solved(s)
    assert done.holds
    assert at(done.x, a) == at(done.x, b) == (5.0, 5.0)


def test_far_from_the_origin_it_is_as_exact_as_numbers_are() -> None:
    s = System()
    a, b = s.point(10_000.013, 10_000.0), s.point(10_100.0, 10_000.021)
    line = s.line(a, b)
    add(s, 0, "level", [line])
    add(s, 1, "length", [line], 100.0)
    done = solved(s)
    assert abs(done.x[b.x] - done.x[a.x] - 100.0) < 1e-10
    assert done.x[b.y] == done.x[a.y]
