"""Shapes, transforms, intersections and areas, against shapely and closed formulas."""

from __future__ import annotations

import math

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from specimens import angles, arcs, points

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.carriers import carrier_of, meeting
from syntaxa.geometry.clusters import smallest_circle
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.fitting import arc_run
from syntaxa.geometry.intersect import contacts
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.rows import merged_rows, pieces_of_rows, shape_of_rows
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.geometry.transform import Transform

similarities = st.builds(
    lambda angle, scale, mirrored, x, y: (
        Transform.scaling(scale, -scale if mirrored else scale)
        .then(Transform.rotating(angle))
        .then(Transform.moving(Vector(x, y)))
    ),
    angles,
    st.floats(0.01, 100),
    st.booleans(),
    st.floats(-1000, 1000),
    st.floats(-1000, 1000),
)


def close(a, b, slack=1e-7):
    return math.hypot(a.x - b.x, a.y - b.y) <= slack * (1 + abs(a.x) + abs(a.y))


@given(arcs)
def test_an_arc_is_found_again_from_its_ends_and_bulge(arc):
    again = Arc.from_bulge(arc.start, arc.end, arc.bulge)
    assert again.radius == pytest.approx(arc.radius, rel=1e-6)
    assert again.sweep == pytest.approx(arc.sweep, rel=1e-6)
    assert close(again.centre, arc.centre, 1e-5)


@given(arcs, similarities)
def test_similarities_keep_arcs_and_map_their_ends(arc, by):
    image = arc.transformed(by)
    assert isinstance(image, Arc)
    assert close(image.start, by.point(arc.start))
    assert close(image.end, by.point(arc.end))
    assert image.length == pytest.approx(arc.length * by.scale)


def test_a_stretched_circle_is_an_ellipse_with_the_right_axes():
    image = Circle(Point(1, 2), 5).transformed(Transform.scaling(3, 1))
    assert isinstance(image, EllipseArc)
    assert image.major.length == pytest.approx(15)
    assert image.ratio == pytest.approx(1 / 3)
    # Ramanujan's second approximation of the perimeter, exact to 1e-5 at this ratio.
    a, b = 15, 5
    h = ((a - b) / (a + b)) ** 2
    assert image.length == pytest.approx(math.pi * (a + b) * (1 + 3 * h / (10 + math.sqrt(4 - 3 * h))), rel=1e-5)


@given(arcs)
def test_bounds_hold_the_arc_and_touch_it(arc):
    box = bounds(arc)
    flat = arc.flattened(1e-4)
    low, high = flat.min(axis=0), flat.max(axis=0)
    assert np.allclose([*low, *high], box, atol=2e-4)
    assert (low >= np.array(box[:2]) - 1e-9).all()
    assert (high <= np.array(box[2:]) + 1e-9).all()


def test_area_of_loops_is_exact():
    # A half round on a square: handbook formula, area = side^2 + pi r^2 / 2.
    rows = np.array([[0, 0, 0], [10, 0, 0], [10, 10, 1.0], [0, 10, 0]], dtype=float)
    area = pieces_of_rows(rows, True).signed_areas().sum()
    assert area == pytest.approx(100 + math.pi * 25 / 2, rel=1e-14)


def test_area_far_from_the_origin_stays_exact():
    rows = np.array([[0, 0, 1.0], [10, 0, 1.0]]) + np.array([1e6, -2e6, 0])
    assert pieces_of_rows(rows, True).signed_areas().sum() == pytest.approx(math.pi * 25, rel=1e-12)


@given(st.lists(st.tuples(points, points), min_size=2, max_size=8))
def test_line_crossings_agree_with_shapely(pairs):
    pairs = [(a, b) for a, b in pairs if a.distance_to(b) > 1]
    rows = [(*a, *b, 0.0) for a, b in pairs]
    found = contacts(CurveArray.from_rows(rows, range(len(rows))), 1e-9)
    ours = {(int(i), int(j)) for i, j in zip(found.first, found.second, strict=True)}
    ours |= {(j, i) for i, j in ours}
    geometry = [shapely.LineString([tuple(a), tuple(b)]) for a, b in pairs]
    for i, one in enumerate(geometry):
        for j, other in enumerate(geometry[:i]):
            crosses = one.crosses(other)
            ends_apart = min(other.distance(shapely.Point(p)) for p in one.coords) > 1e-6
            ends_apart &= min(one.distance(shapely.Point(p)) for p in other.coords) > 1e-6
            if ends_apart and abs(_angle(one, other)) > 1e-6:
                assert crosses == ((i, j) in ours)


def _angle(one, other):
    a, b = (np.subtract(g.coords[1], g.coords[0]) for g in (one, other))
    return (a[0] * b[1] - a[1] * b[0]) / np.hypot(*a) / np.hypot(*b)


def test_a_line_and_two_circles_meet_where_they_should():
    # Circles r = 5 about (0, 0) and (6, 0) meet at (3, +-4); the line y = 4 meets the first at (+-3, 4).
    halves = [(5, 0, -5, 0, 1.0), (-5, 0, 5, 0, 1.0), (11, 0, 1, 0, 1.0), (1, 0, 11, 0, 1.0), (-9, 4, 2.9, 4, 0.0)]
    found = contacts(CurveArray.from_rows(halves, range(5)), 1e-9)
    places = {(round(x, 6), round(y, 6)) for x, y in found.points[found.crossing].tolist()}
    assert {(3.0, 4.0), (3.0, -4.0), (-3.0, 4.0)} <= places


def test_tangents_touch_once():
    rows = [(5, 0, -5, 0, 1.0), (-7, 5, 7, 5, 0.0)]
    found = contacts(CurveArray.from_rows(rows, range(2)), 1e-6)
    assert np.allclose(found.points, [[0, 5]], atol=1e-6)


# Shapely divides by distances that are next to nothing.
@pytest.mark.filterwarnings("ignore:divide by zero")
@given(st.lists(points, min_size=1, max_size=5))
def test_smallest_circle_holds_all_and_is_that_of_shapely(several):
    centre, radius = smallest_circle(several)
    assert all(centre.distance_to(p) <= radius + 1e-6 for p in several)
    theirs = shapely.minimum_bounding_radius(shapely.MultiPoint([tuple(p) for p in several]))
    assert radius == pytest.approx(theirs, rel=1e-6, abs=1e-6)


@pytest.mark.parametrize("tolerance", [0.1, 0.001])
@pytest.mark.parametrize(
    "shape",
    [
        EllipseArc(Point(3, 4), Vector(20, 5), 0.3, 0.0, TURN),
        EllipseArc(Point(3, 4), Vector(0, 9), 0.7, 1.0, -2.5),
        Spline(
            3,
            tuple(Point(x, y) for x, y in [(0, 0), (10, 30), (30, -20), (50, 10), (60, 0)]),
            (0, 0, 0, 0, 1, 2, 2, 2, 2),
        ),
    ],
    ids=["ellipse", "arc of an ellipse", "spline"],
)
def test_arc_runs_stay_within_their_tolerance(shape, tolerance):
    rows = arc_run(shape, tolerance)
    table = CurveArray.from_rows(rows, range(len(rows)))
    samples = shape.flattened(tolerance / 50)
    away = np.min([table.take(np.full(len(samples), k)).distances_to(samples) for k in range(len(rows))], axis=0)
    assert away.max() <= tolerance * 1.05
    # Whichever way the shape runs, tangent arcs follow it with few pieces.
    assert len(rows) <= 20 * tolerance ** (-1 / 3)
    assert np.array(rows)[0, :2] == pytest.approx([*shape.start], abs=1e-9)
    assert np.array(rows)[-1, 2:4] == pytest.approx([*shape.end], abs=1e-9)


def test_runs_become_the_simplest_shape():
    quarter = math.tan(math.pi / 8)
    circle = np.array([[1, 0, quarter], [0, 1, quarter], [-1, 0, quarter], [0, -1, quarter]], dtype=float)
    assert shape_of_rows(circle, True) == Circle(
        Point(pytest.approx(0, abs=1e-12), pytest.approx(0, abs=1e-12)), pytest.approx(1)
    )
    assert isinstance(shape_of_rows(circle, False), Arc)
    assert isinstance(shape_of_rows(np.array([[0, 0, 0], [1, 0, 0]], dtype=float), False), Line)


def test_merging_drops_only_the_vertices_in_the_middle():
    rows = np.array([[5, 0, 0], [10, 0, 0], [10, 10, 0], [3, 10, 0], [0, 10, 0], [0, 0, 0]], dtype=float)
    merged = merged_rows(rows, True, 1e-6, 1e-6)
    assert sorted(map(tuple, merged[:, :2].tolist())) == [(0, 0), (0, 10), (10, 0), (10, 10)]


def test_a_polyline_closes_and_measures_its_arcs():
    shape = Polyline((Point(0, 0), Point(10, 0)), (1.0, 1.0), True)
    assert shape.length == pytest.approx(10 * math.pi)
    assert bounds(shape) == pytest.approx((0, -5, 10, 5))


def test_a_spline_that_sets_out_without_a_slope_meets_a_line_all_the_same():
    """Two poles at its start are one place: it has no direction there, though it begins on the line."""
    poles = (Point(0, 0), Point(0, 0), Point(5, 5), Point(10, 0))
    still = Spline(3, poles, (0, 0, 0, 0, 1, 1, 1, 1))
    across = Line(Point(0, -5), Point(0, 5))
    for one, other in ((still, across), (across, still)):
        assert meeting(carrier_of(one), carrier_of(other), np.zeros(2), 0.1) == pytest.approx([0, 0], abs=1e-9)
