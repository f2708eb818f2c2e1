"""Scale, turning, mirroring and origin as exact maps; dimensions that disagree; what can be measured."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from specimens import arcs, points

from syntaxa.drawing.annotations import Dimension, PointMark
from syntaxa.drawing.model import Curve, Drawing, Layer, extents_of
from syntaxa.drawing.state import State, Taken
from syntaxa.errors import MeasureError
from syntaxa.geometry.measuring import angle_between, enclosed_area, least_distance, point_distance
from syntaxa.geometry.places import meeting_places, places_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline
from syntaxa.measure.disagreements import disagreements
from syntaxa.measure.part import Judged
from syntaxa.measure.readings import along, angle_at, between, of_curves
from syntaxa.measure.steps import ChooseUnit, JudgeDimension, Mirror, PlaceOrigin, PlaceSource, ScaleBy, Turn
from syntaxa.route.steps import first_sketches

lines = st.builds(Line, points, points)


def state(*curves, annotations=(), layers=("0",)):
    return first_sketches(State.of(Drawing(curves, tuple(Layer(n) for n in layers), tuple(annotations))))


def after(start, *steps):
    for step in steps:
        start, _ = step.apply(start)
    return start


def only(one):
    return next(one.curves()).shape


def plate():
    return state(Curve("a", Line(Point(2, 1), Point(12, 6)), "0"), Curve("b", Circle(Point(7, 3), 1), "0"))


def test_wanted_sizes_are_reached_with_or_without_the_proportions():
    wide = extents_of(after(plate(), ScaleBy(width=50)).curves())
    assert (wide[2] - wide[0], wide[3] - wide[1]) == pytest.approx((50, 25))
    both = extents_of(after(plate(), ScaleBy(width=50, height=10)).curves())
    assert (both[2] - both[0], both[3] - both[1]) == pytest.approx((50, 10))


def test_a_skewed_scan_is_scaled_in_x_and_y_apart_and_the_ledger_says_both():
    skewed, entry = ScaleBy(2.0, 3.0).apply(plate())
    assert isinstance(list(skewed.curves())[1].shape, EllipseArc)
    assert entry.says == "Widths are 2 and heights 3 times what they were."
    assert ScaleBy(2.0, 3.0).title == "Scale by 2 in X and 3 in Y"


def test_nothing_can_be_scaled_to_a_width_that_it_does_not_have():
    flat = state(Curve("a", Line(Point(0, 0), Point(0, 5)), "0"))
    with pytest.raises(MeasureError, match="no size to be scaled from"):
        ScaleBy(width=10).apply(flat)


@pytest.mark.parametrize("quarters", range(-4, 5))
def test_right_angles_turn_without_rounding(quarters):
    turned = only(after(plate(), Turn(90.0 * quarters)))
    for _ in range(quarters % 4):
        turned = Line(Point(turned.start.y, -turned.start.x), Point(turned.end.y, -turned.end.x))
    assert turned == only(plate())


@given(st.floats(-720, 720))
def test_turning_there_and_back_is_nothing(angle):
    back = only(after(plate(), Turn(angle, "centre"), Turn(-angle, "centre")))
    first = only(plate())
    # The extents that the centre is taken from differ after a turn, so only the direction comes back.
    assert (back.end - back.start).angle == pytest.approx((first.end - first.start).angle, abs=1e-9)


def test_mirroring_about_the_centre_keeps_the_extents():
    for axis in ("left-right", "top-bottom"):
        assert extents_of(after(plate(), Mirror(axis)).curves()) == pytest.approx(extents_of(plate().curves()))


def test_the_origin_can_be_a_circle_or_a_point_in_the_numbers_of_the_file():
    inches = after(plate(), ChooseUnit("in"))
    centred = list(after(inches, PlaceOrigin("curve-centre", curve="b")).curves())[1].shape
    assert centred.centre == Point(0, 0)
    typed = only(after(inches, PlaceOrigin("file-point", 2, 1)))
    assert (typed.start.x, typed.start.y) == pytest.approx((0, 0), abs=1e-12)
    with pytest.raises(MeasureError, match="has no centre"):
        PlaceOrigin("curve-centre", curve="a").apply(inches)


@pytest.mark.parametrize("kind", ["cross", "circle", "point"])
def test_a_mark_gives_the_origin_and_is_put_aside(kind):
    part = Curve("p", Line(Point(10, 10), Point(20, 10)), "PART")
    marks = {
        "cross": (
            Curve("x", Line(Point(4, 5), Point(6, 5)), "MARK"),
            Curve("y", Line(Point(5, 4), Point(5, 6)), "MARK"),
        ),
        "circle": (Curve("c", Circle(Point(5, 5), 1), "MARK"),),
        "point": (Curve("l", Line(Point(0, 0), Point(1, 0)), "MARK"),),
    }[kind]
    notes = (PointMark("m", "MARK", Point(5, 5)),) if kind == "point" else ()
    placed = after(state(part, *marks, annotations=notes, layers=("PART", "MARK")), PlaceOrigin("mark", layer="MARK"))
    assert [c.id for c in placed.curves()] == ["p"]
    assert only(placed).start == Point(5, 5)
    assert len(placed.excluded) == len(marks)


def test_a_layer_with_no_mark_or_two_is_told():
    with pytest.raises(MeasureError, match="has no mark"):
        PlaceOrigin("mark", layer="0").apply(state(Curve("a", Line(Point(0, 0), Point(1, 0)), "0")))
    two = state(Curve("a", Circle(Point(0, 0), 1), "0"), Curve("b", Circle(Point(9, 0), 1), "0"))
    with pytest.raises(MeasureError, match="2 places that could be the mark"):
        PlaceOrigin("mark", layer="0").apply(two)


def test_turning_and_origin_leave_the_bore_where_its_mark_says():
    # Worked by hand: (7, 3) scaled by 2 is (14, 6); turned by 90 degrees (-6, 14); the lower left of all is (-12, 4).
    placed = after(plate(), ScaleBy(2.0), Turn(90.0), PlaceOrigin("lower-left"))
    centre = list(placed.curves())[1].shape.centre
    assert (centre.x, centre.y) == pytest.approx((-6 + 12, 14 - 4))


# ---------------------------------------------------------------------- dimensions that disagree


def dimension(name, text, drawn, measures="linear"):
    return Dimension(name, "0", measures, (Point(0, 0), Point(0, 0), Point(1, 0)), Point(3, 4), None, drawn, text)


def test_dimensions_that_disagree_are_listed_and_judged():
    notes = (
        dimension("a", "36", 36 / 25.4),
        dimension("b", "63", 36 / 25.4),
        dimension("c", "12%%d", math.radians(192), "angular"),
        dimension("d", "Ø10", 10 / 25.4),
        dimension("e", '1"', 1.0),
        dimension("f", "", 77.0),
    )
    placed = after(state(Curve("l", Line(Point(0, 0), Point(9, 0)), "0"), annotations=notes), ChooseUnit("in"))
    found = disagreements(placed)
    assert [(d.id, round(d.stated, 6), round(d.drawn, 6)) for d in found] == [("b", 63, 36), ("c", 12, 192)]
    judged, entry = JudgeDimension(("b", "gone"), "not to scale").apply(placed)
    assert [d.verdict for d in disagreements(judged)] == ["not to scale", ""]
    assert entry.missing == ("gone",)
    assert not after(judged, JudgeDimension(("b",), "")).part(Judged).verdicts


# ---------------------------------------------------------------------- measuring


@given(st.one_of(lines, arcs), st.one_of(lines, arcs))
def test_least_distance_is_that_of_shapely(one, other):
    if min(one.length, other.length) < 1e-3:
        return
    distance, a, b = least_distance(one, other)
    fine = [shapely.LineString(s.flattened(1e-5)) for s in (one, other)]
    assert distance == pytest.approx(fine[0].distance(fine[1]), abs=3e-5)
    assert a.distance_to(b) == pytest.approx(distance, abs=1e-7)
    assert point_distance(a, one)[0] == pytest.approx(0, abs=1e-6)
    assert point_distance(b, other)[0] == pytest.approx(0, abs=1e-6)


def test_areas_of_closed_runs_in_any_order_and_direction():
    # A stadium: a rectangle of 4 x 2 with two half discs of radius 1 has an area of 8 + pi.
    run = [
        Line(Point(0, 0), Point(4, 0)),
        Arc(Point(4, 1), 1, math.pi / 2, -math.pi),
        Arc(Point(0, 1), 1, math.pi / 2, math.pi),
        Line(Point(4, 2), Point(0, 2)),
    ]
    assert enclosed_area(run) == pytest.approx(8 + math.pi, rel=1e-9)
    assert enclosed_area(run[:3]) is None
    assert enclosed_area([Circle(Point(9, 9), 2)]) == pytest.approx(4 * math.pi)
    square = Polyline(tuple(Point(*p) for p in ((0, 0), (3, 0), (3, 3), (0, 3))), (0.0,) * 4, True)
    assert enclosed_area([square]) == pytest.approx(9)
    assert enclosed_area([]) is None


def test_readings_of_points_and_curves():
    assert between(Point(0, 0), Point(3, 4))[0].value == 5
    assert angle_at(Point(1, 0), Point(0, 0), Point(0, 2))[0].value == pytest.approx(90)
    assert along([Point(0, 0), Point(3, 4), Point(3, 5)])[0].value == 6
    names = {r.name: r.value for r in of_curves([Curve("a", Circle(Point(0, 0), 2), "0")])}
    assert names == pytest.approx(
        {"Diameter": 4, "Radius": 2, "Width": 4, "Height": 4, "Perimeter": 4 * math.pi, "Area": 4 * math.pi}
    )
    two = of_curves([Curve("a", Circle(Point(0, 0), 2), "0"), Curve("b", Circle(Point(9, 0), 3), "0")])
    assert {r.name: r.value for r in two}["Least distance"] == pytest.approx(4)
    assert {r.name: r.value for r in two}["Centres"] == 9
    assert {r.name: r.value for r in two}["Width"] == 14
    assert {r.name: r.value for r in two}["Height"] == 6
    crossed = Line(Point(0, 0), Point(1, 0)), Line(Point(0, 0), Point(-1, 1))
    assert math.degrees(angle_between(*crossed)) == pytest.approx(45)


def test_places_to_snap_to():
    kinds = {}
    for kind, place in places_of(Arc(Point(0, 0), 2, -0.1, math.pi)):
        kinds.setdefault(kind, []).append((round(place.x, 9) + 0.0, round(place.y, 9) + 0.0))
    assert kinds["centre"] == [(0, 0)]
    assert sorted(kinds["quadrant"]) == [(0, 2), (2, 0)]
    assert len(kinds["end"]) == 2
    found = meeting_places([Circle(Point(0, 0), 5), Line(Point(-9, 3), Point(9, 3)), Line(Point(0, 0), Point(0, 1))])
    assert sorted((p.x, p.y) for p in found) == pytest.approx(np.array([(-4, 3), (4, 3)]))


def two_plates():
    """The plate twice: as the first source in mm, and as the second in inches."""
    curves = list(plate().curves())
    drawings = [Drawing(tuple(replace(c, id=f"{n}:{c.id}", source=n) for c in curves), (Layer("0"),)) for n in (1, 2)]
    taken = (Taken(1, "a", drawings[0]), Taken(2, "b", drawings[1], "in"))
    return first_sketches(State(taken))


def box_of(one, source):
    return extents_of([c for c in one.curves() if c.source == source])


def test_one_source_is_placed_and_scaled_and_the_other_stays():
    start = two_plates()
    placed, entry = PlaceSource(2, "lower-left", x=100.0, y=-5.0, width=20.0).apply(start)
    assert box_of(placed, 2) == pytest.approx((100.0, -5.0, 120.0, 5.0))
    assert box_of(placed, 1) == box_of(start, 1)
    assert entry.changed == 2
    assert "its lengths are 0.0787402 times" in entry.says
    moved = [c for c in placed.received().curves if c.source == 2]
    assert extents_of(moved) == pytest.approx(box_of(placed, 2))


def test_a_source_turns_about_its_own_centre_and_about_a_point_of_it():
    turned = after(two_plates(), PlaceSource(1, "centre", turn_deg=90.0))
    assert box_of(turned, 1) == pytest.approx((4.5, -1.5, 9.5, 8.5))
    about = after(two_plates(), PlaceSource(1, "point", own_x=2.0, own_y=1.0, x=0.0, y=0.0, turn_deg=90.0))
    first = next(c for c in about.curves() if c.id == "1:a").shape
    assert (*first.start, *first.end) == pytest.approx((0.0, 0.0, -5.0, 10.0))


maps = st.sampled_from([ScaleBy(2.0, 3.0), Turn(30.0), Mirror(), PlaceOrigin("point", 3.0, 4.0), ChooseUnit("cm", 2)])


@given(st.lists(maps, max_size=4), st.integers(0, 4))
def test_wherever_it_stands_among_the_steps_curves_lie_where_their_source_is_placed(steps, at):
    """The curves of the sketches and those of the drawing as placed are mapped by two ways of reckoning."""
    own = PlaceSource(2, "as-drawn", x=7.0, y=-2.0, turn_deg=20.0, scale=1.5)
    made = after(two_plates(), *steps[:at], own, *steps[at:])
    lines_there = {c.id: c.shape for c in made.received().curves if isinstance(c.shape, Line)}
    for curve in made.curves():
        if isinstance(curve.shape, Line):
            there = lines_there[curve.id]
            assert (*curve.shape.start, *curve.shape.end) == pytest.approx((*there.start, *there.end), abs=1e-9)


def test_what_cannot_place_a_source_is_refused_in_a_sentence():
    with pytest.raises(MeasureError, match="no source 3"):
        PlaceSource(3).apply(two_plates())
    with pytest.raises(MeasureError, match="scale of -1"):
        PlaceSource(2, scale=-1.0).apply(two_plates())
    with pytest.raises(MeasureError, match="no number"):
        PlaceSource(2, x=math.nan, y=0.0).apply(two_plates())
    same, entry = PlaceSource(2).apply(two_plates())
    assert (same, entry.changed, entry.says) == (two_plates(), 0, "Nothing had to change.")


def test_the_unit_of_one_source_changes_the_curves_of_that_source_and_the_ledger_counts_those():
    assert ChooseUnit("cm", 2).apply(two_plates())[1].changed == 2
