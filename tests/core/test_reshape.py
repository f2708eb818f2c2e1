"""Curves given another form within a tolerance; how far off is measured by GEOS, which the code itself does not use."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
import shapely
from hypothesis import Phase, given, settings
from hypothesis import strategies as st

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import MendError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.mend.reshape import ArcsForCurves, RunOnTangent, Simplify, SquareUp

tenths = st.integers(-500, 500).map(lambda k: k / 10)
microns = st.integers(-4, 4).map(lambda k: k / 1000)


def state(*shapes, **changes):
    curves = tuple(Curve(f"c{k}", s, "0", **changes) for k, s in enumerate(shapes))
    return State((), sketches=(Sketch("0", 0, curves),))


def run(*places):
    return [Line(Point(*a), Point(*b)) for a, b in itertools.pairwise(places)]


def polyline(places, closed=False):
    return Polyline(tuple(Point(*p) for p in places), (0.0,) * len(places), closed)


def shapes(drawn):
    return [c.shape for c in drawn.curves()]


def apart(before, after):
    """The Hausdorff distance of two lots of shapes as fine facets, from places close together on each to GEOS's
    nearest facet of the other.
    """
    one, two = (shapely.MultiLineString([s.flattened(1e-4) for s in some]) for some in (before, after))
    return max(furthest(one, two), furthest(two, one))


def furthest(lines, others):
    """How far places on some lines are at most from others."""
    places = shapely.points(shapely.get_coordinates(shapely.segmentize(lines, lines.length / 500)))
    facets = np.concatenate([np.stack([p[:-1], p[1:]], 1) for p in map(shapely.get_coordinates, others.geoms)])
    _, far = shapely.STRtree(shapely.linestrings(facets)).query_nearest(places, return_distance=True, all_matches=False)
    return far.max()


# ------------------------------------------------------------------ splines to arcs


@given(st.lists(st.tuples(tenths, tenths), min_size=4, max_size=4, unique=True), st.sampled_from([0.5, 0.05, 0.01]))
@settings(max_examples=25, deadline=None, phases=(Phase.explicit, Phase.generate))
def test_splines_become_arcs_that_lie_within_the_tolerance_and_are_tangent(places, within):
    spline = Spline(3, tuple(Point(*p) for p in places), (0, 0, 0, 0, 1, 1, 1, 1))
    after, entry = ArcsForCurves(within).apply(state(spline))
    (made,) = shapes(after)
    assert isinstance(made, Polyline | Arc | Line)
    assert apart([spline], [made]) <= within + 2e-3
    assert (made.start, made.end) == (spline.start, spline.end)
    assert entry.changed == 1


def test_an_ellipse_becomes_a_closed_run_of_arcs_of_about_its_area():
    ellipse = EllipseArc(Point(3, 4), Vector(20, 0), 0.5, 0.0, TURN)
    after, entry = ArcsForCurves(0.01).apply(state(ellipse))
    (made,) = shapes(after)
    assert made.closed
    assert all(made.bulges)
    # Area of an ellipse: pi a b.
    assert shapely.Polygon(made.flattened(1e-5)).area == pytest.approx(math.pi * 20 * 10, rel=1e-3)
    assert "arcs" in entry.says


def test_fewer_arcs_do_where_more_is_allowed():
    ellipse = EllipseArc(Point(0, 0), Vector(20, 0), 0.3, 0.0, TURN)
    counts = [len(shapes(ArcsForCurves(w).apply(state(ellipse))[0])[0].vertices) for w in (0.5, 0.05, 0.005)]
    assert counts == sorted(counts)
    assert counts[0] < counts[2]


# ------------------------------------------------------------------ simplify


@given(
    st.lists(st.integers(-50, 50).map(lambda k: k / 1000), min_size=5, max_size=60),
    st.sampled_from([0.02, 0.06, 0.2]),
    st.booleans(),
)
@settings(max_examples=60, deadline=None)
def test_what_is_simplified_lies_within_the_deviation_told(heights, within, as_lines):
    places = [(float(k), h) for k, h in enumerate(heights)]
    drawn = state(*(run(*places) if as_lines else [polyline(places)]))
    after, entry = Simplify(within).apply(drawn)
    assert entry.max_mm <= within
    assert apart(shapes(drawn), shapes(after)) == pytest.approx(entry.max_mm, abs=0.02 * 0.05 + 1e-6)
    ends = {tuple(p) for s in shapes(after) for p in (s.start, s.end)}
    assert places[0] in ends
    assert places[-1] in ends


def test_every_second_vertex_goes_and_the_deviation_is_told():
    places = [(float(k), 0.3 * (k % 2)) for k in range(9)]
    after, entry = Simplify(None).apply(state(polyline(places)))
    assert [tuple(v) for v in shapes(after)[0].vertices] == places[::2]
    assert entry.max_mm == pytest.approx(0.3)
    assert entry.says == "9 vertices and arcs became 5."


def test_a_closed_run_keeps_an_area_however_much_is_allowed():
    after, _ = Simplify(100.0).apply(state(polyline([(0, 0), (10, 0), (10, 10), (0, 10)], True)))
    assert len(shapes(after)[0].vertices) == 3


def test_a_side_in_pieces_becomes_one_line_but_not_over_a_branch():
    pieces = run((0, 0), (4, 0), (7, 0), (10, 0))
    branch = run((7, 0), (7, 5))
    after, _ = Simplify(0.01).apply(state(*pieces, *branch))
    assert [s.length for s in shapes(after)] == [7.0, 3.0, 5.0]


@given(st.lists(st.floats(0.2, 2.0), min_size=2, max_size=6), st.floats(-3, 3), st.booleans(), st.randoms())
@settings(max_examples=60, deadline=None)
def test_arcs_of_one_circle_are_one_in_whatever_order_they_come(sweeps, begin, clockwise, order):
    whole = sum(sweeps)
    sweeps = [s * 5.5 / max(whole, 5.5) for s in sweeps]
    starts = [begin + sum(sweeps[:k]) for k in range(len(sweeps))]
    arcs = [Arc(Point(1, 2), 10, a, s) for a, s in zip(starts, sweeps, strict=True)]
    arcs = [Arc(a.centre, a.radius, a.start_angle + a.sweep, -a.sweep) for a in arcs] if clockwise else arcs
    order.shuffle(arcs)
    (made,) = shapes(Simplify(0.01).apply(state(*arcs))[0])
    assert made.sweep == pytest.approx((-1 if clockwise else 1) * sum(sweeps))
    assert apart(arcs, [made]) < 2e-3


def test_four_quarters_are_a_circle():
    arcs = [Arc(Point(1, 2), 10, k * math.pi / 2, math.pi / 2) for k in (2, 0, 3, 1)]
    assert shapes(Simplify(0.01).apply(state(*arcs))[0]) == [Circle(Point(1, 2), 10)]


def test_arcs_of_a_polyline_stay_while_its_straight_runs_are_simplified():
    shape = Polyline(
        tuple(Point(*p) for p in ((0, 0), (5, 0.001), (10, 0), (10, 10), (0, 10))), (0.0, 0.0, 1.0, 0.0, 0.0), True
    )
    (made,) = shapes(Simplify(0.01).apply(state(shape))[0])
    assert len(made.vertices) == 4
    assert sorted(made.bulges) == [0.0, 0.0, 0.0, 1.0]


# ------------------------------------------------------------------ square up


@given(st.lists(microns, min_size=8, max_size=8))
@settings(max_examples=40, deadline=None)
def test_a_rectangle_that_is_a_little_off_becomes_one(off):
    corners = [(0, 0), (40, 0), (40, 20), (0, 20)]
    places = [(x + off[2 * k], y + off[2 * k + 1]) for k, (x, y) in enumerate(corners)]
    drawn = state(*run(*places, places[0]))
    after, entry = SquareUp(0.01).apply(drawn)
    assert {min(abs(s.start.x - s.end.x), abs(s.start.y - s.end.y)) for s in shapes(after)} == {0.0}
    assert entry.max_mm <= 0.01
    assert apart(shapes(drawn), shapes(after)) <= entry.max_mm * math.sqrt(2) + 1e-9


def test_a_slope_that_is_meant_stays():
    drawn = state(*run((0, 0), (40, 0.5), (40, 20), (0, 20), (0, 0)))
    assert SquareUp(0.01).apply(drawn)[0] == drawn


def test_nearly_equal_circles_become_equal_and_nearly_concentric_ones_concentric():
    circles = ((0, 3), (20, 3.004), (40, 3), (0.003, 8))
    drawn = state(*(Circle(Point(x, 0), radius) for x, radius in circles))
    after, entry = SquareUp(0.01).apply(drawn)
    assert [c.radius for c in shapes(after)] == [3, 3, 3, 8]
    assert shapes(after)[0].centre == shapes(after)[3].centre == Point(0.003, 0)
    assert entry.max_mm == pytest.approx(0.004)


def test_holes_come_to_the_arc_that_they_lie_in_and_what_is_locked_stays():
    rim = Arc(Point(5, 5), 9, 0, 3)
    after, _ = SquareUp(0.01).apply(state(rim, Circle(Point(5.002, 5), 4)))
    assert shapes(after) == [rim, Circle(Point(5, 5), 4)]
    locked = state(*run((0, 0), (40, 0.004), (40, 20)), locked=True)
    assert SquareUp(0.01).apply(locked)[0] == locked


def test_each_kind_can_be_left_out():
    drawn = state(*run((0, 0), (40, 0.004)), Circle(Point(0, 0), 3), Circle(Point(9, 0), 3.004))
    after, _ = SquareUp(0.01, level=False).apply(drawn)
    assert shapes(after)[0] == shapes(drawn)[0]
    assert shapes(after)[1].radius == shapes(after)[2].radius
    assert SquareUp(0.01, level=False, alike=False, concentric=False).apply(drawn)[0] == drawn


# ------------------------------------------------------------------ all of them


@pytest.mark.parametrize("step", [ArcsForCurves(0.0), RunOnTangent(-1.0), SquareUp(math.nan), Simplify(0.0)])
def test_a_tolerance_of_nothing_is_refused(step):
    with pytest.raises(MendError):
        step.apply(state(*run((0, 0), (1, 0))))


@pytest.mark.parametrize("step", [ArcsForCurves(), RunOnTangent(), SquareUp(), Simplify(), Simplify(None)])
def test_a_drawing_without_any_of_it_stays_to_the_bit(step):
    drawn = state(*run((0, 0), (10, 0), (10, 10)), Circle(Point(3, 5), 1))
    after, entry = step.apply(drawn)
    if step == Simplify(None):
        assert entry.changed == 1
        return
    assert after == drawn
    assert (entry.changed, entry.max_mm) == (0, 0.0)
    assert np.isfinite(entry.mean_mm)
