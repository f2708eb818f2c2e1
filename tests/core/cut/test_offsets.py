"""Offsets against closed forms, Steiner's formula, their own definition, and facets by shapely."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from regions import (
    as_polygon,
    box,
    circle,
    comb,
    hard_region,
    is_simple,
    neck,
    polygon,
    rounded,
    stadium,
    wrong_places,
)

from syntaxa.cut.offsets.chains import Chains, area_of
from syntaxa.cut.offsets.clearance import keeps_clear
from syntaxa.cut.offsets.differences import area_beyond
from syntaxa.cut.offsets.offsetting import offset, offset_region, swept
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows


def area(loops):
    return sum(map(area_of, loops))


def perimeter(loops):
    return sum(float(pieces_of_rows(r, True).lengths().sum()) for r in loops)


@pytest.mark.parametrize("d", [0.3, 1.0, 1.9])
def test_closed_forms(d):
    """Elementary geometry: what shrinks by d loses d on every side; round corners shrink with it."""
    assert area(offset_region([box(3, 4, 20, 12)], d).loops) == pytest.approx((20 - 2 * d) * (12 - 2 * d), rel=1e-12)
    assert area(offset_region([stadium(0, 0, 9, 4)], d).loops) == pytest.approx(
        9 * (4 - 2 * d) + math.pi * (2 - d) ** 2, rel=1e-12
    )
    ring = [circle(0, 0, 9), reversed_rows(circle(0, 0, 4))]
    assert area(offset_region(ring, d).loops) == pytest.approx(math.pi * ((9 - d) ** 2 - (4 + d) ** 2), rel=1e-12)
    r = rounded(0, 0, 20, 12, 2.0)
    corner = (4 - math.pi) * (2 - d) ** 2
    assert area(offset_region([r], d).loops) == pytest.approx((20 - 2 * d) * (12 - 2 * d) - corner, rel=1e-12)
    for n in (3, 5, 8):
        inner = 10 * math.cos(math.pi / n)
        whole = area([polygon(n, 10.0)])
        assert area(offset_region([polygon(n, 10.0)], d).loops) == pytest.approx(
            whole * (1 - d / inner) ** 2, rel=1e-11
        )


@given(st.integers(3, 40), st.floats(0.5, 50), st.floats(1e-3, 20))
def test_steiner(n, size, d):
    """A convex shape that grows by d: area + perimeter d + pi d^2 (Steiner 1840, from memory), perimeter + 2 pi d."""
    shape = [polygon(n, size)]
    grown = offset_region(shape, -d)
    assert area(grown.loops) == pytest.approx(area(shape) + perimeter(shape) * d + math.pi * d * d, rel=1e-11)
    assert perimeter(grown.loops) == pytest.approx(perimeter(shape) + 2 * math.pi * d, rel=1e-10)
    assert len(grown.loops) == 1


@given(st.floats(0.05, 2.0), st.floats(0.05, 2.0))
def test_two_steps_are_one(a, b):
    """Shrinking by a and then by b is shrinking by both."""
    shape = [rounded(0, 0, 30, 22, 1.0), reversed_rows(circle(15, 11, 3))]
    twice = offset_region(offset_region(shape, a).loops, b)
    assert area(twice.loops) == pytest.approx(area(offset_region(shape, a + b).loops), rel=1e-10)


@pytest.mark.parametrize("seed", range(210))
def test_hard_regions_are_what_the_definition_says(seed):
    """Places just beside every raw parallel: in the region and as far from its outline as asked for, or not."""
    loops, d = hard_region(seed)
    if not is_simple(loops):
        pytest.skip("crosses itself")
    found = offset_region(loops, d)
    assert found.lost == 0.0
    wrong, judged = wrong_places(loops, d, found.loops)
    assert judged > 4
    assert wrong == 0


@pytest.mark.parametrize("seed", range(0, 70, 5))
def test_facets_agree(seed):
    loops, d = hard_region(seed)
    source = as_polygon(loops, 1e-5)
    if not source.is_valid:
        pytest.skip("crosses itself")
    facets = source.buffer(-d, quad_segs=400)
    exact = area(offset_region(loops, d).loops)
    assert abs(exact - facets.area) <= 2e-4 * (perimeter(loops) + 7 * abs(d))


def test_a_slot_as_wide_as_the_tool_is_a_spine():
    found = offset_region([neck(2.0, 6.0)], 1.0)
    (spine,) = found.spines
    assert sorted((spine[0, 0], spine[-1, 0])) == pytest.approx([5.0, 11.0], abs=1.0)
    assert spine[:, 1] == pytest.approx(0.0, abs=1e-9)
    assert len(found.loops) == 2
    round_hole = offset_region([circle(3, 4, 1.5)], 1.5)
    assert not round_hole.loops
    assert round_hole.points[0] == pytest.approx([3.0, 4.0])


def test_arcs_stay_arcs():
    found = offset_region([rounded(0, 0, 20, 12, 3.0)], 1.0)
    (loop,) = found.loops
    assert len(loop) == 8
    assert sorted(set(np.round(pieces_of_rows(loop, True).radius, 9))) == [0.0, 2.0]


def test_groups_know_nothing_of_each_other():
    one, two = box(0, 0, 10, 10), box(10.5, 0, 10, 10)
    apart = offset(Chains.of([reversed_rows(one), reversed_rows(two)], [0, 1]), 1.0)
    together = offset(Chains.of([reversed_rows(one), reversed_rows(two)]), 1.0)
    assert sorted(apart.groups) == [0, 1]
    assert sorted(apart.sources) == [0, 1]
    assert len(together.loops) == 1


def test_what_is_swept():
    """A straight slot is a stadium; a closed path leaves an island; a corner is round outside."""
    line = np.array([[0.0, 0, 0], [10.0, 0, 0]])
    assert area(swept([line], 1.5)) == pytest.approx(30 + math.pi * 1.5**2, rel=1e-12)
    around = np.vstack([box(0, 0, 20, 10), [0.0, 0.0, 0.0]])
    outer = 20 * 10 + 60 * 1.0 + math.pi
    assert area(swept([around], 1.0)) == pytest.approx(outer - 18 * 8, rel=1e-12)


def test_differences():
    """Corners that a round tool leaves: (4 - pi) r^2 of a box (elementary geometry)."""
    shape, r = [box(0, 0, 40, 25)], 3.0
    path = offset_region(shape, r)
    reached = [reversed_rows(x) for x in offset(Chains.of([reversed_rows(x) for x in path.loops]), r).loops]
    assert area_beyond(shape, reached) == pytest.approx((4 - math.pi) * r * r, rel=1e-12)
    assert area_beyond(reached, shape) == pytest.approx(0.0, abs=1e-12)
    assert area_beyond([box(0, 0, 4, 4)], [box(2, 2, 4, 4)]) == pytest.approx(12.0)
    assert area_beyond([circle(0, 0, 5)], []) == pytest.approx(25 * math.pi)


@given(st.integers(1, 6), st.floats(0.6, 3), st.floats(0.6, 3), st.booleans(), st.floats(0.05, 1.2))
def test_nothing_comes_nearer_than_the_distance(teeth, gap, wall, round_ends, d):
    shape = Chains.of([comb(teeth, gap, wall, 6.0, round_ends)])
    found = offset(shape, d)
    for loop in found.loops:
        pieces = pieces_of_rows(loop, True)
        for share in (0.0, 0.31, 0.77):
            points = pieces.points_at(np.full(len(pieces), share))
            assert keeps_clear(shape, points, np.zeros(len(points), int), d, 3e-7).all()


def test_nothing_gives_nothing():
    assert offset(Chains.of([]), 1.0).loops == []
    assert offset(Chains.of([box(0, 0, 4, 4)]), 0.0).loops == []
    assert offset_region([box(0, 0, 4, 4)], 5.0).loops == []
