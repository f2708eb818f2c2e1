"""The compiled heart against independent oracles, and what it refuses instead of falling over."""

from __future__ import annotations

import math
from types import SimpleNamespace

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from hypothesis.extra import numpy as arrays_of
from scipy.integrate import quad
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components
from scipy.spatial import cKDTree

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray

places = st.integers(-6, 6).map(float)


def connected(first, second, count):
    graph = coo_matrix((np.ones(len(first)), (first, second)), shape=(count, count))
    return connected_components(graph, directed=False)


def same_partition(one, two):
    return len(set(zip(one.tolist(), two.tolist(), strict=True))) == len(set(one.tolist())) == len(set(two.tolist()))


# ------------------------------------------------------------------ what hangs together


@given(st.integers(1, 30), st.data())
@settings(max_examples=80, deadline=None)
def test_linked_things_are_the_components_of_scipy(count, data):
    pairs = data.draw(st.lists(st.tuples(st.integers(0, count - 1), st.integers(0, count - 1)), max_size=40))
    first, second = (np.array([p[k] for p in pairs], dtype=np.int64) for k in (0, 1))
    groups, label = heart.linked(first, second, count)
    theirs, their_label = connected(first, second, count)
    assert groups == theirs
    assert label.tolist() == their_label.tolist(), "numbered in the order in which they are met"


@given(
    arrays_of.arrays(np.float64, st.tuples(st.integers(1, 60), st.just(2)), elements=places),
    st.sampled_from([0.5, 1, 1.5]),
)
@settings(max_examples=100, deadline=None)
def test_clusters_are_the_components_of_a_tree_of_distances(points, radius):
    count, label = heart.clusters(points, radius)
    near = cKDTree(points).query_pairs(radius, output_type="ndarray")
    theirs, their_label = connected(near[:, 0], near[:, 1], len(points))
    assert count == theirs
    assert same_partition(label, their_label)


@pytest.mark.parametrize("count", [3000])
def test_a_crowd_of_points_is_one_cluster_for_each_place(count):
    """Points of few places, and points that the sorted row cannot tell apart."""
    chance = np.random.default_rng(3)
    few = chance.integers(0, 5, (count, 2)).astype(float)
    assert heart.clusters(few, 1e-6)[0] == len(np.unique(few, axis=0))
    # The cells have to tell these apart.
    row = np.arange(count)[:, None] * np.array([-0.5736, 0.8191])
    assert heart.clusters(row, 0.5)[0] == count
    assert heart.clusters(row, 1.001)[0] == 1


# ------------------------------------------------------------------ lines and arcs, each for itself


@st.composite
def piece(draw):
    start, end = (np.array(draw(st.tuples(places, places))) for _ in range(2))
    if (start == end).all():
        end = start + np.array([1.0, 0.0])
    bulge = draw(st.sampled_from([0.0, 1e-4, 0.3, -0.3, 1.0, -1.0]))
    return CurveArray.from_bulges(start[None], end[None], np.array([bulge]), np.zeros(1, dtype=np.int64))


@given(piece(), places, places)
@settings(max_examples=150, deadline=None)
def test_the_nearest_place_is_that_of_a_search(one, x, y):
    point = np.array([[x, y]])
    shares = np.linspace(0, 1, 4001)
    along = one.take(np.zeros(len(shares), dtype=np.int64)).points_at(shares)
    away = np.hypot(*(along - point).T).min()
    assert one.distances_to(point)[0] == pytest.approx(away, abs=float(one.lengths()[0]) / 4000)
    share = np.clip(one.parameters_of(point), 0, 1)
    assert one.distances_to(point)[0] == pytest.approx(float(np.hypot(*(one.points_at(share) - point)[0])), abs=1e-12)


@given(piece())
@settings(max_examples=100, deadline=None)
def test_area_and_moments_are_the_integrals_round_the_curve(one):
    """Green's theorem, integrated numerically along the curve."""

    def along(share, what):
        (x, y), (u, v) = one.points_at(np.array([share]))[0], one.tangents_at(np.array([share]))[0]
        speed = float(one.lengths()[0])
        return speed * {"area": 0.5 * (x * v - y * u), "x": 0.5 * x * x * v, "y": -0.5 * y * y * u}[what]

    # Closed by the straight ways from and to the origin, which for the area count nothing.
    about = np.zeros(2)
    closing = [
        CurveArray.from_rows([(0, 0, *one.start[0], 0)], [0]),
        CurveArray.from_rows([(*one.end[0], 0, 0, 0)], [0]),
    ]
    middle = one.start.mean(axis=0)
    triangle = 0.5 * (middle[0] * (one.end[0, 1] - one.start[0, 1]) - middle[1] * (one.end[0, 0] - one.start[0, 0]))
    assert one.signed_areas()[0] + triangle == pytest.approx(quad(along, 0, 1, args=("area",))[0], abs=1e-7)

    def around(what):
        total = quad(along, 0, 1, args=(what,))[0]
        for straight in closing:
            (x0, y0), (x1, y1) = straight.start[0], straight.end[0]
            if what == "x":
                total += 0.5 * (x0 * x0 + x0 * x1 + x1 * x1) / 3 * (y1 - y0)
            else:
                total -= 0.5 * (y0 * y0 + y0 * y1 + y1 * y1) / 3 * (x1 - x0)
        return total

    assert one.signed_moments(about)[0] == pytest.approx([around("x"), around("y")], abs=1e-6)


@given(piece())
@settings(max_examples=100, deadline=None)
def test_bounds_hold_the_curve_and_nothing_more(one):
    line = shapely.LineString(one.take(np.zeros(2001, dtype=np.int64)).points_at(np.linspace(0, 1, 2001)))
    size = float(one.lengths()[0])
    assert one.bounds()[0] == pytest.approx(line.bounds, abs=1e-6 * size)


def test_a_half_circle_has_the_figures_of_the_handbook():
    """Area pi r^2 / 2, centroid 4 r / (3 pi) from the diameter (any handbook of plane areas)."""
    half = CurveArray.from_rows([(5, 0, -5, 0, 1.0), (-5, 0, 5, 0, 0.0)], [0, 0])
    area = float(half.signed_areas().sum())
    assert area == pytest.approx(math.pi * 25 / 2, rel=1e-12)
    centroid = half.signed_moments(np.zeros(2)).sum(axis=0) / area
    assert centroid == pytest.approx([0, 4 * 5 / (3 * math.pi)], abs=1e-12)


# ------------------------------------------------------------------ graphs


@given(st.integers(1, 9), st.data())
@settings(max_examples=100, deadline=None)
def test_walks_go_round_every_half_edge_once(spokes, data):
    turns = sorted(data.draw(st.lists(st.integers(0, 359), min_size=spokes, max_size=spokes, unique=True)))
    rows = [(0, 0, math.cos(math.radians(t)), math.sin(math.radians(t)), 0) for t in turns]
    star = CurveArray.from_rows(rows, range(spokes))
    tail, head = np.zeros(spokes, dtype=np.int64), np.arange(1, spokes + 1)
    following, label, area, _ = heart.cycles(star, tail, head, spokes + 1)
    assert sorted(following.tolist()) == list(range(2 * spokes))
    assert set(label.tolist()) == {0}
    assert area == pytest.approx([0], abs=1e-12)
    assert heart.bridges(tail, head, spokes + 1).all()


# ------------------------------------------------------------------ what is refused


def broken(**columns):
    whole = CurveArray.from_rows([(0, 0, 1, 0, 0), (1, 0, 1, 1, 0)], [0, 1])
    return SimpleNamespace(**{name: getattr(whole, name) for name in CurveArray.__slots__} | columns)


@pytest.mark.parametrize(
    ("columns", "says"),
    [
        ({"start": np.zeros((3, 2))}, "unlike"),
        ({"owner": np.zeros(1, dtype=np.int64)}, "unlike"),
        ({"sweep": np.zeros(9)}, "unlike"),
    ],
)
def test_columns_that_do_not_fit_are_refused(columns, says):
    with pytest.raises(ValueError, match=says):
        heart.Near(broken(**columns), 1e-6)


def test_numbers_beyond_what_there_is_are_refused():
    two, near = broken(), heart.Near(broken(), 1e-6)
    one = np.array([0])
    for wrong in (np.array([2]), np.array([-1])):
        for call in (
            lambda w: heart.contacts(two, one, w, 1e-6),
            lambda w: heart.linked(one, w, 2),
            lambda w: near.changed(w, CurveArray.none()),
            lambda w: heart.bridges(one, w, 2),
            lambda w: heart.edges_between(two, w, np.zeros(1), one, np.zeros((2, 2))),
        ):
            with pytest.raises(IndexError, match="out of range"):
                call(wrong)


def test_shapes_that_are_none_are_refused():
    with pytest.raises(ValueError, match="points"):
        heart.clusters(np.zeros((3, 3)), 1.0)
    with pytest.raises(ValueError, match="boxes"):
        heart.Tree(np.zeros((3, 2)))
    with pytest.raises(ValueError, match="nothing"):
        heart.smallest_circle(np.zeros((0, 2)))
    with pytest.raises(ValueError, match="each piece"):
        heart.points_at(broken(), np.zeros(5))
    with pytest.raises(ValueError, match="step"):
        heart.Nearest(broken()).farthest(broken(), 0.0, 100)
    with pytest.raises(ValueError, match="other ends"):
        heart.nearest_curves(heart.Near(broken(), 1e-6), 1.0, 0.0, np.array([0]), *[np.zeros(2)] * 3)


def test_pieces_that_are_no_numbers_are_near_nothing():
    odd = CurveArray.from_bulges(*(np.full((1, 2), np.nan),) * 2, np.zeros(1), np.zeros(1, dtype=np.int64))
    for of, others in ((odd, broken()), (broken(), odd), (odd, odd), (odd, CurveArray.none())):
        _, away, _ = heart.Nearest(others).farthest(of, 0.5, 4000)
        assert np.isinf(away).all()
        assert np.isinf(heart.Nearest(others).within(of, 1e9)).all()
        assert np.isinf(heart.Nearest(others).shortest(of)[0])
        assert len(heart.Nearest(others).beside(of.start, 1e9)[0]) == 0


def test_what_is_no_number_and_endless_ends_nothing():
    """Boxes and points that are no numbers touch nothing; sorting goes on."""
    boxes = np.array([[0, 0, 1, 1], [np.nan] * 4, [0.5, 0.5, 2, 2], [-np.inf, -np.inf, np.inf, np.inf]])
    one, two = heart.Tree(boxes).pairs()
    assert {(0, 2), (0, 3), (2, 3)} == set(zip(one.tolist(), two.tolist(), strict=True))
    assert heart.clusters(np.array([[0.0, 0], [np.nan, 0], [0, 0]]), 1e-6)[0] == 2
