"""How far lines and arcs lie from the nearest of others, against dense sampling, comparing each with each, and GEOS."""

from __future__ import annotations

import math

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.intersect import candidates_between
from syntaxa.geometry.nearest import nearest_within, points_beside, shortest_way


def least_distances(one, other):
    """Of each piece of the one to the same piece of the other."""
    each = (np.array([k]) for k in range(len(one)))
    return np.array([shortest_way(one.take(k), other.take(k))[0] for k in each])


@st.composite
def some_pieces(draw, most):
    """Lines and arcs, and now and then a hatch of more than the boxes are turned for."""
    chance = np.random.default_rng(draw(st.integers(0, 10_000)))
    count = draw(st.integers(1, most))
    ends = chance.uniform(-20, 20, (count, 4))
    bulges = np.where(chance.random(count) < 0.5, chance.uniform(-1, 1, count), 0.0)
    some = CurveArray.from_bulges(ends[:, :2], ends[:, 2:], bulges, np.arange(count))
    if not draw(st.booleans()):
        return some
    turn = draw(st.floats(0, math.pi))
    along, across = np.array([math.cos(turn), math.sin(turn)]), np.array([-math.sin(turn), math.cos(turn)])
    starts = np.arange(-150, 150)[:, None] * across / 10
    return CurveArray.joined([some, CurveArray.from_bulges(starts, starts + 25 * along, np.zeros(300), np.arange(300))])


@settings(max_examples=25, deadline=None)
@given(some_pieces(4), some_pieces(30), st.sampled_from([0.05, 0.5, 5.0]))
def test_the_farthest_place_is_that_of_a_search_within_the_stated_bound(of, others, step):
    of = of.take(np.arange(min(len(of), 6)))
    share, away, more = heart.Nearest(others).farthest(of, step, 4000)
    shares = np.linspace(0, 1, 401)
    for k in range(len(of)):
        own = np.full(len(shares), k)
        places = of.take(own).points_at(shares)
        nearest = np.min([others.take(np.full(401, n)).distances_to(places) for n in range(len(others))], axis=0)
        spacing = float(of.lengths()[k]) / 400
        assert nearest.max() <= away[k] + more[k] + 1e-9
        assert away[k] <= nearest.max() + spacing / 2 + 1e-9
        at = of.take(np.array([k])).points_at(share[k : k + 1])
        every = others.distances_to(np.repeat(at, len(others), axis=0))
        assert every.min() == pytest.approx(away[k], abs=2e-9)
        assert more[k] <= max(step, of.lengths()[k] / 4000) / 2 + 1e-7


@settings(max_examples=40, deadline=None)
@given(some_pieces(4), some_pieces(30), st.floats(0.0, 10.0))
def test_whatever_comes_within_a_margin_is_among_the_candidates(of, others, margin):
    of = of.take(np.arange(min(len(of), 4)))
    found = list(zip(*(k.tolist() for k in candidates_between(of, others, margin)), strict=True))
    assert found == sorted(set(found))
    one, other = (k.ravel() for k in np.indices((len(of), len(others))))
    every = least_distances(of.take(one), others.take(other))
    near = np.flatnonzero(every <= margin)
    assert set(zip(one[near].tolist(), other[near].tolist(), strict=True)) <= set(found)


def test_of_circles_in_circles_only_neighbours_are_candidates():
    rings = [(k, 0.0, -k, 0.0, 1.0) for k in range(1, 60)]
    circles = CurveArray.from_rows(rings, range(len(rings)))
    i, j = candidates_between(circles, circles, 1.5)
    assert sorted(set((i - j).tolist())) == [-1, 0, 1]


@settings(max_examples=40, deadline=None)
@given(some_pieces(8), some_pieces(30), st.floats(0.01, 30.0))
def test_what_is_nearest_is_what_comparing_each_with_each_finds(of, others, reach):
    of = of.take(np.arange(min(len(of), 4)))
    one, other = (k.ravel() for k in np.indices((len(of), len(others))))
    every = least_distances(of.take(one), others.take(other)).reshape(len(of), -1)
    least = every.min(axis=1)
    assert np.allclose(nearest_within(of, others, reach), np.where(least <= reach, least, np.inf), atol=1e-12)
    apart, here, there = shortest_way(of, others)
    assert apart == pytest.approx(every.min(), abs=1e-12)
    assert here.distance_to(there) == pytest.approx(apart, abs=1e-12)
    for place, pieces in ((here, of), (there, others)):
        assert pieces.distances_to(np.array([[*place]] * len(pieces))).min() == pytest.approx(0, abs=1e-9)


@settings(max_examples=40, deadline=None)
@given(some_pieces(8), some_pieces(30), st.floats(0.01, 30.0))
def test_points_beside_pieces_are_all_that_are_near_enough(of, others, reach):
    places = np.concatenate([of.start, of.end])[:12]
    row, piece, apart = points_beside(others, places, reach)
    every = np.array([others.distances_to(np.repeat(p[None], len(others), axis=0)) for p in places])
    wanted = {(int(a), int(b)) for a, b in np.argwhere(every <= reach)}
    assert len(row) == len(wanted)
    assert set(zip(row.tolist(), piece.tolist(), strict=True)) == wanted
    assert np.allclose(every[row, piece], apart, atol=1e-12)


def test_a_piece_that_is_a_point_is_as_far_as_the_point():
    point = CurveArray.from_rows([(3.0, 4.0, 3.0, 4.0, 0.0)] * 3, range(3))
    others = CurveArray.from_rows([(1, 0, -1, 0, 1), (0, 0, 9, 0, 0), (3, 4, 8, 4, 0.3)], range(3))
    assert least_distances(point, others) == pytest.approx([4.0, 4.0, 0.0])
    assert least_distances(others, point) == pytest.approx([4.0, 4.0, 0.0])


@settings(max_examples=20, deadline=None)
@given(st.integers(0, 10_000))
def test_least_distances_are_those_of_geos(seed):
    """Arcs are facets there, five hundred each: what they leave the arc by is allowed for."""
    chance = np.random.default_rng(seed)
    ends = chance.uniform(-10, 10, (24, 4))
    bulges = np.where(chance.random(24) < 0.6, chance.uniform(-1, 1, 24), 0.0)
    curves = CurveArray.from_bulges(ends[:, :2], ends[:, 2:], bulges, np.arange(24))
    one, other = curves.take(np.arange(12)), curves.take(np.arange(12, 24))
    shares = np.linspace(0, 1, 501)
    drawn = [shapely.linestrings(curves.take(np.full(501, k)).points_at(shares)) for k in range(24)]
    theirs = shapely.distance(drawn[:12], drawn[12:])
    assert np.allclose(least_distances(one, other), theirs, atol=5e-4)
