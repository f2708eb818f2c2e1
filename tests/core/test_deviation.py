"""The deviation of a result from what was received, against distances that are known and against GEOS."""

from __future__ import annotations

import math

import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from specimens import damaged, heal_all, lines, square

from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line
from syntaxa.mend.deviation import deviation


def test_the_same_drawing_deviates_by_nothing():
    curves = [*lines(square()), Curve("c", Circle(Point(5, 5), 2), "0")]
    found = deviation(curves, curves)
    assert found.largest == pytest.approx(0, abs=1e-12)
    assert len(found.kept) == len(found.made) == 5


@given(st.floats(0.01, 5), st.floats(6, 60))
def test_concentric_circles_are_their_radii_apart(gap, radius):
    one, two = ([Curve("c", Circle(Point(3, -2), r), "0")] for r in (radius, radius + gap))
    found = deviation(one, two)
    assert found.kept[0].distance == pytest.approx(gap, rel=1e-9)
    assert found.made[0].distance == pytest.approx(gap, rel=1e-9)


def test_what_was_dropped_and_what_was_added_are_told_apart():
    frame, extra = lines(square()), Curve("x", Circle(Point(5, 5), 1), "0")
    dropped = deviation([*frame, extra], frame)
    assert dropped.kept[0].curve == "x"
    # Farthest from all sides on the diagonals; the places looked at come within the bound of that.
    farthest = 5 - math.sqrt(0.5)
    assert farthest - dropped.bound <= dropped.kept[0].distance <= farthest + 1e-9
    assert dropped.made[0].distance == pytest.approx(0, abs=1e-12)
    added = deviation(frame, [*frame, extra])
    assert (added.made[0].curve, added.kept[0].distance) == ("x", pytest.approx(0, abs=1e-12))


def test_nothing_on_one_side_is_infinitely_far():
    assert math.isinf(deviation(lines(square()), []).largest)


def test_what_was_kept_is_known_to_be_kept_between_the_places_as_well():
    """Lines and arcs that lie on what was received: nothing can lie off them, and the bound says so."""
    curves = [*lines(square(200.0)), *(Curve(f"c{k}", Circle(Point(40 + 3 * k, 40), 15), "0") for k in range(5))]
    halves = [
        Curve("h", Line(Point(0, 0), Point(70, 0)), "0"),
        *(c for c in curves if not (isinstance(c.shape, Line) and c.shape.start.y == c.shape.end.y == 0)),
        Curve("k", Line(Point(70, 0), Point(200, 0)), "0"),
    ]
    found = deviation(curves, halves)
    assert found.largest <= 1e-9
    assert found.bound <= 0.5 / 1024, "only where one line goes on as another is it not nothing"


@settings(max_examples=4, deadline=None)
@given(st.integers(1, 10_000))
def test_geos_measures_the_same_distances(seed):
    """Points every tenth of a millimetre, and the nearest facet of the other side by GEOS."""
    _, curves = damaged("gap.05", seed, 3)
    after, _, _ = heal_all(curves, 0.05)
    found = deviation(curves, after)
    for one, two, side in ((curves, after, found.kept), (after, curves, found.made)):
        theirs = farthest(one, two)
        assert side[0].distance - 1e-4 <= theirs + 2e-3
        assert theirs <= side[0].distance + found.bound
        assert theirs == pytest.approx(side[0].distance, abs=2e-3)
    # Trimmed tails count as kept from afar; what was made lies within the gap.
    assert found.made[0].distance <= 0.05


def farthest(one, two):
    facets = [shapely.LineString(c.shape.flattened(1e-4)) for c in one]
    points = [line.interpolate(k / 10) for line in facets for k in range(int(10 * line.length) + 1)]
    points += [shapely.Point(line.coords[-1]) for line in facets]
    tree = shapely.STRtree([shapely.LineString(c.shape.flattened(1e-4)) for c in two])
    _, away = tree.query_nearest(points, return_distance=True, all_matches=False)
    return float(away.max())
