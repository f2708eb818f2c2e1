"""What wants one more piece, lies there twice in another form, or is worth a look: found, and mended where chosen."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from specimens import dxf_of

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import no_progress
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline, Spline
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read
from syntaxa.mend.steps import MendFindings, survey_state

GAP = 1e-3


def state(*shapes, **changes):
    curves = tuple(Curve(f"c{k}", s, "0", **changes) for k, s in enumerate(shapes))
    return State((), sketches=(Sketch("0", 0, curves),))


def run(*places):
    return [Line(Point(*a), Point(*b)) for a, b in itertools.pairwise(places)]


def found(drawn):
    return {f.kind: f for f in survey_state(drawn, GAP).findings}


def fixed(drawn, finding, choice=""):
    choices = ((finding.key, choice),) if choice else ()
    return MendFindings(GAP, only=(finding.key,), choices=choices).apply(drawn)[0]


def regions(drawn):
    return survey_state(drawn, GAP).regions


# ------------------------------------------------------------------ one more piece


def test_an_arc_that_is_nearly_a_circle_becomes_one():
    drawn = state(Arc(Point(3, 4), 10, 0.1, 6.1))
    finding = found(drawn)["near-closed"]
    (circle,) = fixed(drawn, finding).curves()
    assert circle.shape == Circle(Point(3, 4), 10)


@pytest.mark.parametrize(("choice", "area"), [("", 200.0), ("line", 200.0), ("drop", 0.0)])
def test_a_small_mouth_is_closed_or_the_chain_dropped(choice, area):
    drawn = state(*run((0, 0), (20, 0), (20, 10), (0, 10), (0, 0.5)))
    after = fixed(drawn, found(drawn)["near-closed"], choice)
    assert sum(r.area for r in regions(after)) == pytest.approx(area)


def test_the_side_that_three_sides_lack_is_drawn():
    drawn = state(*run((0, 0), (20, 0), (20, 10), (0, 10)))
    finding = found(drawn)["missing piece"]
    assert (finding.remedy, finding.size) == ("Draw the missing side", 10.0)
    (region,) = regions(fixed(drawn, finding))
    assert region.area == pytest.approx(200.0)


def test_the_arc_that_a_rounded_corner_lacks_is_tangent_at_both_ends():
    drawn = state(*run((0, 2), (0, 10), (20, 10), (20, 0), (2, 0)))
    after = fixed(drawn, found(drawn)["missing piece"])
    (region,) = regions(after)
    # What a fillet of radius r takes off a corner: (1 - pi / 4) r^2, from elementary geometry.
    assert region.area == pytest.approx(200 - (1 - math.pi / 4) * 4)
    assert "kink" not in found(after)


def test_a_slot_that_lacks_its_second_half_circle_gets_it():
    drawn = state(*run((0, 0), (20, 0)), Arc(Point(20, 5), 5, -math.pi / 2, math.pi), *run((20, 10), (0, 10)))
    (region,) = regions(fixed(drawn, found(drawn)["missing piece"]))
    assert region.area == pytest.approx(200 + math.pi * 25)


def test_what_suggests_nothing_stays_a_stray():
    assert set(found(state(*run((0, 0), (10, 3), (3, 9))))) == {"stray"}


def test_nothing_is_closed_with_all_the_rest():
    drawn = state(*run((0, 0), (20, 0), (20, 10), (0, 10)))
    assert MendFindings(GAP).apply(drawn)[0] == drawn


# ------------------------------------------------------------------ the same in another form


def polygon_on(circle, count):
    turns = np.linspace(0, 2 * math.pi, count + 1)
    places = [
        (circle.centre.x + circle.radius * math.cos(a), circle.centre.y + circle.radius * math.sin(a)) for a in turns
    ]
    return run(*places[:-1], places[0])


@pytest.mark.parametrize(("choice", "kinds"), [("", {"Circle"}), ("other", {"Line"})])
def test_a_circle_over_its_own_facets_is_there_once(choice, kinds):
    circle = Circle(Point(5, 5), 10)
    drawn = state(circle, *polygon_on(circle, 64))
    after = fixed(drawn, found(drawn)["duplicate"], choice)
    assert {type(c.shape).__name__ for c in after.curves()} == kinds
    assert len(regions(after)) == 1


def test_facets_that_are_to_stay_stay_as_they_are():
    circle = Circle(Point(5, 5), 10)
    drawn = state(circle, *polygon_on(circle, 64))
    assert sorted(MendFindings(GAP, only=()).apply(drawn)[0].curves(), key=lambda c: c.id) == sorted(
        drawn.curves(), key=lambda c: c.id
    )


def test_a_spline_over_its_own_facets_is_there_once():
    spline = Spline(3, (Point(0, 0), Point(5, 10), Point(10, -10), Point(15, 0)), (0, 0, 0, 0, 1, 1, 1, 1))
    places = tuple(Point(*p) for p in spline.flattened(1e-3).tolist())
    drawn = state(spline, Polyline(places, (0.0,) * len(places), False))
    after, _ = MendFindings(GAP).apply(drawn)
    assert [c.shape for c in after.curves()] == [spline]


def test_a_circle_over_two_arcs_is_there_once():
    drawn = state(*(Arc(Point(0, 0), 10, 0.3 + k, math.pi) for k in (0, math.pi)), Circle(Point(0, 0), 10))
    after, _ = MendFindings(GAP).apply(drawn)
    assert len(list(after.curves())) == 1
    assert regions(after)[0].area == pytest.approx(math.pi * 100)


def test_an_inscribed_hexagon_is_no_twin_of_its_circle():
    circle = Circle(Point(0, 0), 10)
    drawn = state(circle, *polygon_on(circle, 6))
    assert "duplicate" not in found(drawn)
    assert len(regions(drawn)) == 7


# ------------------------------------------------------------------ worth a look


def test_a_run_of_facets_is_told_and_becomes_a_circle_where_it_is_chosen():
    drawn = state(*polygon_on(Circle(Point(1, 2), 10), 64))
    finding = found(drawn)["facet run"]
    assert finding.by_choice
    assert MendFindings(GAP).apply(drawn)[0] == drawn
    (curve,) = fixed(drawn, finding).curves()
    assert curve.shape.radius == pytest.approx(10)


def rounded(radius, off):
    """A corner at (0, 0) whose rounding misses its tangents by a little."""
    r = radius + off
    arc = Arc(Point(r, radius), r, math.pi, math.pi / 2)
    return [*run((0, 30), (0, radius)), arc, *run((r, radius - r), (30, 0), (30, 30), (0, 30))]


@given(radius=st.floats(1, 10), off=st.floats(0.002, 0.02))
@settings(max_examples=30, deadline=None)
def test_a_rounding_that_misses_its_tangents_is_made_anew(radius, off):
    drawn = state(*rounded(radius, off * radius))
    finding = found(drawn).get("kink")
    if finding is None:
        # A turn of less than a thousandth is rounding of numbers.
        return
    after = fixed(drawn, finding)
    kinks = {k for k in found(after) if k == "kink"}
    arc = next(c.shape for c in after.curves() if isinstance(c.shape, Arc))
    assert not kinks
    assert arc.radius == pytest.approx(radius * (1 + off), rel=1e-6)


def test_an_arc_beside_other_arcs_is_bent_to_run_on():
    joint, end = Point(10, 0), Point(14, 4)
    bent = Arc.from_bulge(joint, end, math.tan(math.pi / 8) * 1.03)
    drawn = state(*run((0, 0), (10, 0)), bent, *run((14, 4), (0, 4), (0, 0)))
    finding = found(drawn)["kink"]
    after = fixed(drawn, finding)
    arc = next(c.shape for c in after.curves() if isinstance(c.shape, Arc))
    assert (arc.start.distance_to(joint), arc.end.distance_to(end)) == pytest.approx((0, 0), abs=1e-9)
    assert arc.centre.x == pytest.approx(10)


def test_corners_and_true_tangents_are_no_kinks():
    true = [*run((0, 30), (0, 5)), Arc(Point(5, 5), 5, math.pi, math.pi / 2), *run((5, 0), (30, 0), (30, 30), (0, 30))]
    assert not found(state(*true))


def test_locked_curves_are_not_bent():
    drawn = state(*rounded(5, 0.05), locked=True)
    assert "kink" not in found(drawn)


def tilted_line(space, document):
    space.add_line((0, 0, 0), (30, 0, 40))
    space.add_line((0, 0, 7), (30, 0, 7))


def test_a_line_that_rises_is_told_and_one_that_lies_higher_is_not():
    document = read("slope.dxf", dxf_of(tilted_line), no_progress, ReadOptions()).drawing
    drawn = State((), sketches=(Sketch("0", 0, document.curves),))
    tilts = [f for f in survey_state(drawn, GAP).findings if f.kind == "off-plane"]
    (finding,) = tilts
    assert finding.size == pytest.approx(40)
    assert len(list(fixed(drawn, finding).curves())) == 1


def test_a_spline_that_rises_is_told():
    def build(space, document):
        space.add_spline([(0, 0, 0), (10, 5, 10), (20, 0, 20), (30, 5, 30)])

    document = read("rise.dxf", dxf_of(build), no_progress, ReadOptions()).drawing
    assert all(c.tilt > 0.5 for c in document.curves)
