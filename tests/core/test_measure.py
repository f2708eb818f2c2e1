"""Units against their definitions, and placing as one exact map."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from specimens import points

from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import Placement, State
from syntaxa.drawing.units import HEADER_CODE_OF_UNIT, MM_PER_UNIT, UNIT_NAMES, UNIT_OF_HEADER_CODE, mm_per
from syntaxa.errors import MeasureError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Line
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin, ScaleBy
from syntaxa.measure.witnesses import hear
from syntaxa.route.steps import ChooseLayers, first_sketches

placements = st.builds(
    Placement,
    st.sampled_from(sorted(MM_PER_UNIT)),
    st.floats(0.01, 100),
    st.builds(Vector, st.floats(-1e3, 1e3), st.floats(-1e3, 1e3)),
)


@pytest.mark.parametrize(
    ("unit", "mm"),
    [
        # NIST SP 811 (2008), appendix B.8: inch, foot and yard, all exact.
        ("in", 25.4),
        ("ft", 304.8),
        ("yd", 914.4),
        ("mil", 0.0254),
        # CSS Values and Units 3, section 6.2: px, pt and pc from the inch.
        ("px", 25.4 / 96),
        ("pt", 25.4 / 72),
        ("pc", 25.4 / 6),
        # SI prefixes.
        ("cm", 10),
        ("dm", 100),
        ("m", 1000),
        ("km", 1e6),
        ("um", 1e-3),
    ],
)
def test_units_are_what_they_are_defined_to_be(unit, mm):
    assert mm_per(unit) == mm


def test_every_unit_has_a_name_and_header_codes_go_both_ways():
    assert set(UNIT_NAMES) == set(MM_PER_UNIT)
    assert {HEADER_CODE_OF_UNIT[unit]: unit for unit in HEADER_CODE_OF_UNIT} == UNIT_OF_HEADER_CODE


def test_an_unknown_unit_is_refused_with_those_there_are():
    with pytest.raises(MeasureError, match=r"“ell” is not a unit of length\. Use one of mm, cm"):
        mm_per("ell")


def state_of(*ends, layer="0"):
    curves = tuple(Curve(f"c{k}", Line(a, b), layer) for k, (a, b) in enumerate(ends))
    return first_sketches(State.of(Drawing(curves, (Layer(layer),))))


def placed(state, placement):
    return state.with_unit(1, placement.unit).placed(placement.factor, placement.shift)


@given(points, points, placements, placements)
def test_placing_twice_is_placing_once(a, b, first, second):
    state = state_of((a, b))
    line = placed(placed(state, first), second).sketches[0].curves[0].shape
    straight = second.transform
    for end, source in ((line.start, a), (line.end, b)):
        goal = straight.point(source)
        slack = 1e-9 * (1 + abs(goal.x) + abs(goal.y) + abs(first.shift.x) * second.mm_per_unit / first.mm_per_unit)
        assert math.hypot(end.x - goal.x, end.y - goal.y) <= slack * 10


@given(points, points)
def test_lower_left_puts_the_extents_into_the_first_quadrant(a, b):
    placed, _ = PlaceOrigin("lower-left").apply(state_of((a, b)))
    line = placed.sketches[0].curves[0].shape
    assert min(line.start.x, line.end.x) == pytest.approx(0, abs=1e-9)
    assert min(line.start.y, line.end.y) == pytest.approx(0, abs=1e-9)


def test_lengths_grow_with_unit_and_factor():
    state = state_of((Point(0, 0), Point(3, 4)))
    inches, told = ChooseUnit("in").apply(state)
    scaled, _ = ScaleBy(0.5).apply(inches)
    assert scaled.sketches[0].curves[0].shape.length == pytest.approx(5 * 25.4 / 2, rel=1e-15)
    assert told.says == "Lengths are 25.4 times what they were."
    assert told.changed == 1


def test_choosing_what_is_already_so_changes_nothing():
    state = state_of((Point(0, 0), Point(3, 4)))
    same, told = ChooseUnit("mm").apply(state)
    assert same == state
    assert (told.changed, told.says) == (0, "Nothing had to change.")


@pytest.mark.parametrize("factor", [0.0, -1.0, math.inf, math.nan])
def test_factors_that_make_no_sense_are_refused(factor):
    with pytest.raises(MeasureError, match="makes no sense"):
        ScaleBy(factor).apply(state_of((Point(0, 0), Point(1, 0))))


def test_an_origin_that_is_no_number_is_refused():
    with pytest.raises(MeasureError, match="needs two numbers"):
        PlaceOrigin("point", math.nan, 0.0).apply(state_of((Point(0, 0), Point(1, 0))))


def test_layers_are_taken_by_name_and_missing_ones_are_told():
    drawing = Drawing(
        tuple(Curve(n, Line(Point(0, 0), Point(1, 0)), n) for n in ("A", "B", "C")),
        (Layer("A", 1), Layer("B", 2), Layer("C", 3, visible=False), Layer("EMPTY")),
    )
    state = first_sketches(State.of(drawing))
    assert [s.name for s in state.sketches] == ["A", "B"]
    taken, told = ChooseLayers(left_out=("B", "GONE")).apply(state)
    assert [(s.name, s.colour) for s in taken.sketches] == [("A", 1), ("C", 3)]
    assert told.missing == ("GONE",)
    only, _ = ChooseLayers(only=("B",)).apply(replace(state, sketches=()))
    assert [s.name for s in only.sketches] == ["B"]


def test_the_header_outweighs_the_size_and_a_contradiction_is_heard():
    sure, unsure = hear("in", False, 20.0), hear("mm", False, 20.0)
    assert (sure.unit, unsure.unit) == ("in", "mm")
    assert sure.confidence > unsure.confidence
    assert hear(None, False, 20.0).unit == "in"
    assert sum(w.kind == "header" for w in sure.witnesses) == 1
