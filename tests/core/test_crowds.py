"""Very many ends in one place: they are put together as a few would be, and never pair by pair."""

from __future__ import annotations

import math

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components
from scipy.spatial import cKDTree
from specimens import contact_rows

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.intersect import contacts
from syntaxa.mend.joints import end_states, find_joints
from syntaxa.mend.neighbourhood import Neighbourhood

GAP = 0.1
MERGE = 1e-6
seeds = st.integers(0, 2**32 - 1)


def star(count, miss, centre=(0.0, 0.0), seed=0, around=2 * math.pi):
    """Lines from all around, or only half of it, that end up to `miss` mm from a centre; the ends, and their pieces."""
    chance = np.random.default_rng(seed)
    way = np.arange(count) * (around / count)
    off = miss * np.sqrt(chance.random(count))
    turn = way + chance.uniform(-0.4, 0.4, count)
    ends = np.array(centre) + off[:, None] * np.column_stack([np.cos(turn), np.sin(turn)])
    far = np.array(centre) + 50 * np.column_stack([np.cos(way), np.sin(way)])
    return ends, CurveArray.from_bulges(ends, far, np.zeros(count), np.arange(count))


def joints_and_settled(curves):
    near = Neighbourhood(curves, MERGE)
    state = end_states(near, 1e-9)
    return find_joints(near, state, GAP), state.settled


def joints_of(curves):
    return joints_and_settled(curves)[0]


def groups(joints):
    return [joints.ends[a:b] for a, b in zip(joints.first[:-1], joints.first[1:], strict=True)]


def smallest_around(points):
    """(centre, radius) by GEOS."""
    around = shapely.multipoints(points)
    circle = shapely.minimum_bounding_circle(around)
    return np.array([circle.centroid.x, circle.centroid.y]), shapely.minimum_bounding_radius(around)


@given(st.sampled_from([3, 8, 15, 16, 17, 40, 200]), seeds)
@settings(max_examples=60, deadline=None)
def test_a_star_that_fits_into_the_gap_meets_in_its_middle(count, seed):
    """Of fifteen ends pairs are looked at, of sixteen and more none: it is one joint either way."""
    ends, curves = star(count, 0.45 * GAP, (300.0, -20.0), seed)
    joints, settled = joints_and_settled(curves)
    assert len(joints) == 1
    assert sorted(joints.ends.tolist()) == list(range(0, 2 * count, 2))
    centre, radius = smallest_around(ends)
    # An end that happens to lie on another line stays where it is, and all others come to it.
    meant = ends[settled[::2]] if settled.any() else centre[None]
    assert np.hypot(*(meant - joints.place[0]).T).min() <= 1e-4 * radius
    assert joints.gap[0] == pytest.approx(2 * radius, rel=1e-9), "told as wide as it is"


@given(seeds)
@settings(max_examples=20, deadline=None)
def test_the_order_of_the_curves_does_not_matter(seed):
    _, curves = star(60, 0.45 * GAP, seed=seed)
    order = np.random.default_rng(seed).permutation(60)
    one, other = joints_of(curves), joints_of(curves.take(order))
    assert np.allclose(one.place, other.place, atol=1e-12)
    assert one.gap == pytest.approx(other.gap, abs=1e-12)


def test_two_stars_that_lie_apart_are_two_joints_and_nothing_is_left_over():
    (_, one), (_, other) = star(50, 0.45 * GAP, around=3.0), star(30, 0.45 * GAP, (0.0, -2.5 * GAP), around=-3.0)
    found = groups(joints_of(CurveArray.joined([one, other])))
    assert sorted(map(len, found)) == [30, 50]


def test_a_star_about_an_end_that_others_share_comes_to_it():
    """Two lines that meet already are where they are; the crowd goes there."""
    _, curves = star(40, 0.2 * GAP)
    corner = CurveArray.from_rows([(0.01, 0.0, 9, 90, 0), (0.01, 0.0, -9, 90, 0)], [40, 41])
    joints = joints_of(CurveArray.joined([curves, corner]))
    assert len(joints) == 1
    assert len(joints.ends) == 42
    assert joints.place[0].tolist() == [0.01, 0.0]


@given(seeds, st.floats(0.8, 2.0))
@settings(max_examples=30, deadline=None)
def test_a_star_too_wide_for_the_gap_falls_into_groups_that_fit_and_that_no_two_could_be_one(seed, wide):
    ends, curves = star(60, wide * GAP, seed=seed)
    joints = joints_of(curves)
    together = [ends[g // 2] for g, bridge in zip(groups(joints), joints.bridge, strict=True) if not bridge]
    for group in together:
        assert smallest_around(group)[1] <= GAP / 2 + 1e-8
    for k, one in enumerate(together):
        for other in together[:k]:
            close = cKDTree(one).query(other)[0].min() <= GAP
            assert not close or smallest_around(np.concatenate([one, other]))[1] > GAP / 2 - 1e-8


@given(seeds, st.sampled_from([40, 400, 4000]), st.floats(0.01, 0.3))
@settings(max_examples=40, deadline=None)
def test_clusters_of_a_crowd_are_the_components_of_its_near_pairs(seed, count, radius):
    points = np.random.default_rng(seed).normal(0, 1, (count, 2))
    found, label = heart.clusters(points, radius)
    near = cKDTree(points).query_pairs(radius, output_type="ndarray")
    graph = coo_matrix((np.ones(len(near)), (near[:, 0], near[:, 1])), shape=(count, count))
    theirs, their_label = connected_components(graph, directed=False)
    assert found == theirs
    assert len(set(zip(label.tolist(), their_label.tolist(), strict=True))) == theirs


def scattered(count, arcs, chance):
    """Lines and arcs between the places of a grid, or a hair beside them."""
    ends = chance.integers(0, 12, (count, 4)) + chance.choice([0, 0, 0.5 * MERGE, -0.9 * MERGE], (count, 4))
    ends[:, 2:] += np.where((ends[:, :2] == ends[:, 2:]).all(axis=1)[:, None], 1.0, 0.0)
    bulges = np.where(chance.random(count) < arcs, chance.uniform(-1, 1, count), 0.0)
    return CurveArray.from_bulges(ends[:, :2], ends[:, 2:], bulges, np.arange(count))


def hatched(count, turn):
    """Lines side by side that all run the same way."""
    along, across = np.array([math.cos(turn), math.sin(turn)]), np.array([-math.sin(turn), math.cos(turn)])
    starts = np.arange(count)[:, None] * across * 12 / count
    return CurveArray.from_bulges(starts, starts + 12 * along, np.zeros(count), np.arange(count))


@given(seeds, st.sampled_from([0.0, 0.5]))
@settings(max_examples=60, deadline=None)
def test_no_contact_is_lost_by_leaving_out_what_keeps_off(seed, arcs):
    no_contact_is_lost(scattered(60, arcs, np.random.default_rng(seed)))


@given(seeds, st.floats(-4, 4))
@settings(max_examples=25, deadline=None)
def test_no_contact_is_lost_where_boxes_lie_along_a_hatch(seed, turn):
    chance = np.random.default_rng(seed)
    curves = CurveArray.joined([hatched(240, turn), scattered(15, 0.6, chance)])
    no_contact_is_lost(curves)
    near = Neighbourhood(curves, MERGE)
    near.contacts  # noqa: B018  what is known is carried along
    carried = near.changed(np.flatnonzero(chance.random(len(curves)) < 0.9), scattered(5, 0.6, chance))
    assert contact_rows(carried.contacts) == contact_rows(Neighbourhood(carried.curves, MERGE).contacts)


def no_contact_is_lost(curves):
    """All pairs of boxes that touch are tried; of what is found, ends at ends are told by the labels instead."""
    every = contacts(curves, MERGE, heart.Tree(curves.bounds() + 2 * MERGE * np.array([-1, -1, 1, 1])).pairs())
    points = every.points
    to_end = np.minimum(
        np.hypot(*(points - curves.start[every.second]).T), np.hypot(*(points - curves.end[every.second]).T)
    )
    wanted = every.take(~((every.end >= 0) & (to_end <= MERGE)))
    near = Neighbourhood(curves, MERGE)
    assert contact_rows(near.contacts) == contact_rows(wanted)
    at_ends = every.take((every.end >= 0) & (to_end <= MERGE))
    own = near.end_labels[2 * at_ends.first + at_ends.end]
    either = near.end_labels[2 * at_ends.second], near.end_labels[2 * at_ends.second + 1]
    assert ((own == either[0]) | (own == either[1])).all()
