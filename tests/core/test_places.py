"""Places that are meant when somebody points: square to a curve, touching it, nearest on it; judged by geometry."""

from __future__ import annotations

import math

import pytest
import shapely
from hypothesis import assume, given
from hypothesis import strategies as st
from specimens import arcs, points

from syntaxa.geometry.places import nearest_on, places_from, thinned
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline


def of_kind(shape, base, kind):
    return [p for k, p in places_from(shape, base) if k == kind]


@given(points, points, points)
def test_a_foot_on_a_line_is_square_to_it(a, b, base):
    assume(a.distance_to(b) > 1e-3)
    for foot in of_kind(Line(a, b), base, "perpendicular"):
        assert abs((foot - base).dot(b - a)) <= 1e-6 * (1 + (b - a).length * (foot - base).length)
        assert a.distance_to(foot) + foot.distance_to(b) == pytest.approx(a.distance_to(b), abs=1e-6)


@given(points, st.floats(0.1, 500), points)
def test_a_line_from_outside_touches_a_circle_twice_at_right_angles_to_the_spoke(centre, radius, base):
    assume(centre.distance_to(base) > radius * 1.001)
    # A circle is two halves, and both tell what lies at their seam.
    found = thinned(of_kind(Circle(centre, radius), base, "tangent"), 1e-6 * radius)
    assert len(found) == 2
    # Length of a tangent: the root of d^2 - r^2 (Euclid III.36).
    length = math.sqrt(centre.distance_to(base) ** 2 - radius**2)
    for touch in found:
        assert touch.distance_to(centre) == pytest.approx(radius)
        assert touch.distance_to(base) == pytest.approx(length, rel=1e-6)


@given(arcs, points)
def test_what_is_told_of_an_arc_lies_on_it(arc, base):
    outline = shapely.LineString(arc.flattened(1e-4))
    for _, place in places_from(arc, base):
        assert outline.distance(shapely.Point(*place)) <= 1e-3


@given(arcs, points)
def test_the_nearest_place_is_as_near_as_geos_says(arc, base):
    outline = shapely.LineString(arc.flattened(1e-5))
    assert nearest_on(arc, base).distance_to(base) == pytest.approx(outline.distance(shapely.Point(*base)), abs=1e-3)


def test_from_inside_nothing_touches_and_from_the_centre_nothing_is_square():
    circle = Circle(Point(0, 0), 5)
    assert of_kind(circle, Point(1, 1), "tangent") == []
    assert list(places_from(circle, Point(0, 0))) == []
    assert len(of_kind(Arc(Point(0, 0), 5, 0.0, math.pi), Point(0, 9), "perpendicular")) == 1


def test_only_the_pieces_near_a_place_are_looked_at():
    from syntaxa.geometry.extents import bounds
    from syntaxa.geometry.places import pieces_near

    run = Polyline(tuple(Point(k, k % 2) for k in range(50)), (0.0, 0.4) * 25, True)
    box = (10.5, -1.0, 11.5, 2.0)
    expected = [s for s in run.segments() if (b := bounds(s)) and b[0] <= 11.5 and b[2] >= 10.5 and b[1] <= 2]
    assert pieces_near(run, box) == expected
    assert pieces_near(run, (900, 900, 901, 901)) == []
