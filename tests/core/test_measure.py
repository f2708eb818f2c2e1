"""Units against their definitions, and placing as one exact map."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from specimens import points

from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import State
from syntaxa.drawing.units import HEADER_CODE_OF_UNIT, MM_PER_UNIT, UNIT_NAMES, UNIT_OF_HEADER_CODE, mm_per
from syntaxa.errors import MeasureError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Line
from syntaxa.geometry.transform import Transform
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin, ScaleBy, turning
from syntaxa.route.steps import ChooseLayers, first_sketches

shifts = st.builds(Vector, st.floats(-1e3, 1e3), st.floats(-1e3, 1e3))
units = st.sampled_from(sorted(MM_PER_UNIT))


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


maps = st.lists(
    st.one_of(
        st.floats(0.1, 10).map(Transform.scaling),
        st.floats(-400, 400).map(turning),
        st.sampled_from([Transform.scaling(-1, 1), Transform.scaling(1, -1)]),
        st.tuples(st.floats(0.5, 2), st.floats(0.5, 2)).map(lambda f: Transform.scaling(*f)),
    ),
    max_size=4,
)


@given(points, points, units, st.sampled_from([0.2, 1.0, 5.0, 48.0]), maps, shifts, shifts)
def test_placing_step_by_step_is_the_one_map_that_the_placement_tells(a, b, unit, page, by, first, last):
    state = state_of((a, b)).shifted(first)
    state = state.with_unit(1, unit, page)
    for one in by:
        state = state.moved(one)
    state = state.shifted(last)
    line = state.sketches[0].curves[0].shape
    straight = state.placement.transform
    largest = max(abs(v) for v in (straight.a, straight.b, straight.c, straight.d, 1.0))
    for end, source in ((line.start, a), (line.end, b)):
        goal = straight.point(source)
        slack = (
            1e-9
            * largest
            * (1 + abs(goal.x) + abs(goal.y) + abs(first.x) + abs(first.y) + abs(source.x) + abs(source.y))
        )
        assert math.hypot(end.x - goal.x, end.y - goal.y) <= slack


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
