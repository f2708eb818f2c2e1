"""How dimensions are drawn and picked, and where marks stand, against plain geometry worked out by hand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.define.anchors import anchors, held_by
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.picking import measure_of
from syntaxa.define.relations import drawn
from syntaxa.define.sketching import model_of
from syntaxa.define.spans import Roundly, Straightly, Sweeping, figure, readable, span_of, usual_place
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline

numbers = st.floats(-500, 500)
places = st.builds(Point, numbers, numbers)

#: A slanted line, a level one from its end, a parallel to that, a circle and an arc.
CURVES = (
    Curve("slant", Line(Point(0, 0), Point(30, 40)), "0"),
    Curve("flat", Line(Point(0, 0), Point(60, 0)), "0"),
    Curve("above", Line(Point(5, 25), Point(50, 25)), "0"),
    Curve("hole", Circle(Point(100, 20), 6), "0"),
    Curve("bend", Arc(Point(100, 80), 15, 0.0, math.pi / 2), "0"),
)


def picked(x, y, *names):
    return measure_of(model_of(CURVES), "0", [name if isinstance(name, Named) else Named(name) for name in names],
                      Point(x, y))  # fmt: skip


@pytest.mark.parametrize(
    ("names", "place", "kind", "value"),
    [
        # ISO 129-1: a slanted edge has its length along it, its width above or below, its height beside it.
        (("slant",), (-20, 60), "length", 50.0),
        (("slant",), (15, 70), "distance x", 30.0),
        (("slant",), (50, 20), "distance y", 40.0),
        (("flat",), (30, -10), "length", 60.0),
        (("hole",), (110, 30), "diameter", 12.0),
        (("bend",), (115, 95), "radius", 15.0),
        (("flat", "above"), (70, 12), "offset", 25.0),
        (("flat", "hole"), (110, 10), "offset", 20.0),
        (("hole", "bend"), (120, 50), "distance", 60.0),
        (("hole", Named("slant", place="end")), (65, 70), "distance x", 70.0),
        (("hole", Named("slant", place="end")), (150, 30), "distance y", 20.0),
        (("slant", "flat"), (30, 10), "angle", math.degrees(math.atan2(40, 30))),
        (("slant", "flat"), (-20, 10), "angle", 180 - math.degrees(math.atan2(40, 30))),
    ],
)
def test_what_is_picked_and_where_the_text_stands_say_what_is_measured(names, place, kind, value):
    made = picked(*place, *names)
    assert made.kind == kind
    model = model_of(CURVES)
    worth = drawn(model.system, made.kind, [model.thing(n) for n in made.things], made.angle)
    assert (math.degrees(worth) if made.is_angle else worth) == pytest.approx(value)
    span = span_of(model, made)
    lines = figure(span, Point(*place))
    if isinstance(span, Sweeping):
        assert math.degrees(abs(lines.line.sweep)) == pytest.approx(value)
        assert lines.text.distance_to(span.vertex) == pytest.approx(lines.line.radius)
        middle = lines.line.start_angle + lines.line.sweep / 2
        off = math.remainder((Point(*place) - span.vertex).angle - middle, 2 * math.pi)
        assert abs(off) <= abs(lines.line.sweep) / 2
    elif isinstance(span, Straightly):
        assert lines.arrows[0][0].distance_to(lines.arrows[1][0]) == pytest.approx(value)


def test_a_point_alone_and_a_thing_with_itself_have_no_dimension():
    assert picked(0, 9, Named("slant", place="end")) is None
    assert picked(0, 9, "hole", Named("hole", place="centre")) is None


@given(places, places, places, st.sampled_from([None, 0.0, math.pi / 2, 0.4]))
def test_a_straight_dimension_has_its_lines_square_to_it_and_its_text_on_it(a, b, place, way):
    if a.distance_to(b) < 1e-3:
        return
    span = Straightly(a, b, (b - a).angle if way is None else way)
    lines = figure(span, place)
    along = math.cos(span.way), math.sin(span.way)
    for helper in lines.helpers:
        step = helper.end - helper.start
        assert abs(step.x * along[0] + step.y * along[1]) <= 1e-6
    # The text lies on the dimension line, and the heads point away from each other.
    reach = lines.line.end - lines.line.start
    off = (lines.text - lines.line.start).cross(reach) / max(reach.length, 1e-9)
    assert abs(off) <= 1e-6
    (one, out), (two, away) = lines.arrows
    assert abs(math.remainder(out - away, 2 * math.pi)) == pytest.approx(math.pi)
    measured = abs((b - a).x * along[0] + (b - a).y * along[1])
    assert one.distance_to(two) == pytest.approx(measured, abs=1e-6)


@given(st.floats(-20, 20))
def test_texts_are_read_from_below_or_from_the_right(way):
    turned = readable(way)
    assert -math.pi / 2 < turned <= math.pi / 2 + 1e-9
    assert abs(math.remainder(turned - way, math.pi)) <= 1e-6


def test_a_diameter_goes_through_the_centre_and_a_radius_from_it():
    whole = figure(Roundly(Point(0, 0), 5, across=True), Point(9, 0))
    assert [tuple(p) for p, _ in whole.arrows] == [(5, 0), pytest.approx((-5, 0))]
    assert tuple(whole.line.end) == (9, 0)
    half = figure(Roundly(Point(0, 0), 5, across=False), Point(0, 3))
    assert tuple(half.line.start) == (0, 0)
    assert [tuple(p) for p, _ in half.arrows] == [pytest.approx((0, 5))]


@given(places, places, st.floats(0.1, 50))
def test_a_text_that_nobody_placed_lies_off_the_sketch(a, b, away):
    span = Straightly(a, b, (b - a).angle)
    middle = Point(1.0, 2.0)
    place = usual_place(span, middle, away)
    assert place.distance_to(a.toward(b, 0.5)) == pytest.approx(away, rel=1e-6, abs=1e-6)
    assert place.distance_to(middle) >= a.toward(b, 0.5).distance_to(middle) - 1e-6


def test_marks_stand_at_the_middle_of_what_holds_and_curves_know_what_holds_them():
    curves = (*CURVES, Curve("run", Polyline((Point(0, 90), Point(10, 90), Point(10, 95)), (0.0, 0.0), False), "0"))
    constraints = [
        Constraint("0", "level", (Named("flat"),)),
        Constraint("0", "level points", (Named("hole", place="centre"), Named("slant", place="end"))),
        Constraint("0", "upright", (Named("run", 1, 2),)),
        Constraint("0", "level", (Named("gone"),)),
    ]
    found = anchors(curves, constraints)
    assert [tuple(a.place) for a in found] == [(30, 0), (100, 20), (30, 40), (10, 92.5)]
    assert [a.size for a in found] == [60, 0, 0, 5]
    assert abs(found[0].off.x) <= 1e-12
    held = held_by(curves, constraints)
    assert {k: [c.kind for c in v] for k, v in held.items()} == {
        "flat": ["level"], "hole": ["level points"], "slant": ["level points"], "run": ["upright"],
    }  # fmt: skip


def test_the_sides_of_a_dimension_are_its_ends_and_what_is_round_has_none():
    line = Measure("d1", "0", "length", (Named("flat"),))
    assert [n.place for n in line.sides] == ["start", "end"]
    assert Measure("d2", "0", "radius", (Named("bend"),)).sides == ()
    assert len(Measure("d3", "0", "offset", (Named("hole", place="centre"), Named("flat"))).sides) == 2
