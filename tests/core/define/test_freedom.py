"""Freedom, redundancy and what is missing, against brute force: ranks of classical equations by differences."""

from __future__ import annotations

import math

import numpy as np
import pytest
from random_sketches import random_sketch

from syntaxa.define.conflicts import can_hold, to_blame
from syntaxa.define.freedom import fewest, freedom
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.redundancy import said_again
from syntaxa.define.relations import add
from syntaxa.define.settling import Stated, contradictions_in
from syntaxa.define.solving import solved
from syntaxa.define.unknowns import System
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line


@pytest.mark.parametrize("hundred", range(5))
def test_freedom_is_the_rank_by_brute_force(hundred: int) -> None:
    wrong = []
    for seed in range(60 * hundred, 60 * hundred + 60):
        both = random_sketch(seed)
        mine = freedom(both.system, np.array(both.system.x)).count
        if mine != both.freedom():
            wrong.append((seed, mine, both.freedom()))
    assert wrong == []


def test_what_says_nothing_new_is_what_brute_force_says_holds_nothing() -> None:
    wrong = []
    for seed in range(40):
        both = random_sketch(seed)
        free = [both.freedom(upto) for upto in range(len(both.rows) + 1)]
        idle = {k for k in range(len(both.rows)) if free[k + 1] == free[k]}
        mine = said_again(both.system, np.array(both.system.x))
        if mine != idle:
            wrong.append((seed, mine, idle))
    assert wrong == []


def rectangle(width: float = 60.0, height: float = 40.0) -> tuple[System, list, list]:
    s = System()
    spots = [s.point(*p) for p in ((0, 0), (width, 0), (width, height), (0, height))]
    return s, spots, [s.line(spots[k], spots[(k + 1) % 4]) for k in range(4)]


def test_a_rectangle_loses_its_freedoms_one_by_one() -> None:
    s, spots, lines = rectangle()
    counts = []
    for number, (kind, things, value) in enumerate(
        [("level", [lines[0]], 0.0), ("upright", [lines[1]], 0.0), ("level", [lines[2]], 0.0),
         ("upright", [lines[3]], 0.0), ("fixed", [spots[0]], 0.0), ("length", [lines[0]], 60.0),
         ("length", [lines[1]], 40.0)]
    ):  # fmt: skip
        add(s, number, kind, things, value)
        counts.append(freedom(s, np.array(s.x)).count)
    assert counts == [7, 6, 5, 4, 2, 1, 0]
    assert said_again(s, np.array(s.x)) == set()
    add(s, 7, "equal length", [lines[0], lines[2]])
    add(s, 8, "perpendicular", [lines[2], lines[3]])
    assert said_again(s, np.array(s.x)) == {7, 8}


def test_a_theorem_is_seen() -> None:
    # The medians of a triangle meet in one point (Archimedes): the third says nothing new.
    s = System()
    corners = [s.point(0, 0), s.point(60, 0), s.point(20, 50)]
    sides = [s.line(corners[k], corners[(k + 1) % 3]) for k in range(3)]
    middles = [s.point(30, 0), s.point(40, 25), s.point(10, 25)]
    medians = [s.line(corners[(k + 2) % 3], middles[k]) for k in range(3)]
    centroid = s.point(80 / 3, 50 / 3)
    for k in range(3):
        add(s, k, "midpoint", [middles[k], sides[k]])
        add(s, 3 + k, "on", [centroid, medians[k]])
    assert said_again(s, np.array(s.x)) == {5}
    assert freedom(s, np.array(s.x)).count == 6


def test_points_tell_which_way_they_can_go() -> None:
    s, spots, lines = rectangle()
    for number, line in enumerate(lines):
        add(s, number, ("level", "upright")[number % 2], [line])
    add(s, 4, "fixed", [spots[0]])
    add(s, 5, "length", [lines[1]], 40.0)
    free = freedom(s, np.array(s.x))
    assert free.rank.tolist() == [0, 1, 1, 0]
    assert np.abs(free.ways[1]) == pytest.approx((1.0, 0.0), abs=1e-9)


def test_the_fewest_that_are_missing_are_as_many_as_are_free() -> None:
    for seed in range(40):
        both = random_sketch(seed)
        s = both.system
        free = freedom(s, np.array(s.x))
        slopes = [{k: 1.0} for spot in s.spots for k in spot] + [{c.r: 1.0} for c in s.rounds]
        chosen = fewest(free, slopes)
        assert len(chosen) == free.count
        for number, k in enumerate(chosen, 100):
            (unknown,) = slopes[k]
            s.source = number
            s.tie(unknown, shift=s.x[unknown])
            s.source = -1
        assert freedom(s, np.array(s.x)).count == 0


def test_of_those_to_blame_none_can_be_left_out() -> None:
    s, spots, lines = rectangle()
    for number, line in enumerate(lines):
        add(s, number, ("level", "upright")[number % 2], [line])
    add(s, 4, "fixed", [spots[0]])
    add(s, 5, "length", [lines[0]], 60.0)
    add(s, 6, "length", [lines[1]], 40.0)
    add(s, 7, "distance", [spots[0], spots[2]], 100.0)
    assert not solved(s).holds
    blame = to_blame(s, 7)
    assert {5, 6, 7} <= set(blame)
    assert 4 not in blame
    assert not can_hold(s, blame)
    for one in blame:
        assert can_hold(s, [k for k in blame if k != one])


def test_a_triangle_that_does_not_close_is_blamed_whole() -> None:
    s = System()
    a, b, c = s.point(0, 0), s.point(40, 0), s.point(20, 30)
    for number, (pair, size) in enumerate((((a, b), 40.0), ((b, c), 30.0), ((a, c), 80.0))):
        add(s, number, "distance", pair, size)
    assert to_blame(s, 2) == (0, 1, 2)


def test_a_whole_turn_of_arcs_stays_what_it_is() -> None:
    s = System()
    hub = s.point(0, 0)
    ends = [s.point(10, 0), s.point(-10, 0)]
    arcs = [s.arc(hub, 10, ends[0], ends[1], math.pi), s.arc(hub, 10, ends[1], ends[0], math.pi)]
    add(s, 0, "equal radius", arcs)
    add(s, 1, "radius", [arcs[0]], 12.0)
    done = solved(s)
    assert done.holds
    assert done.x[arcs[0].tb] - done.x[arcs[0].ta] + done.x[arcs[1].tb] - done.x[arcs[1].ta] == pytest.approx(math.tau)


def test_a_sketch_that_does_not_hold_names_what_is_against_each_other() -> None:
    curves = (Curve("a", Line(Point(0, 0), Point(40, 0)), "0"), Curve("b", Line(Point(40, 0), Point(40, 30)), "0"))
    holds = [Constraint("s", "level", (Named("a"),)), Constraint("s", "upright", (Named("a"),))]
    stated = Stated.of(curves, holds, (Measure("d1", "s", "length", (Named("b"),), use="live", expression="30"),))
    assert contradictions_in(stated, {"d1": 30.0}) == [("level: #a", "upright: #a")]
    assert contradictions_in(Stated.of(curves, holds[:1], stated.measures), {"d1": 50.0}) == []
