"""Where ends that should meet do meet: along their own carriers as far as the gap, sideways half of it."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.demo.drawing import demo_bytes
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.points import Point, polar
from syntaxa.geometry.shapes import Arc, Line
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ChooseUnit
from syntaxa.mend.steps import MendFindings, proposed_gap, survey_state
from syntaxa.route.steps import ChooseLayers

GAP = 0.1
inside = st.floats(0.0, 1.0).map(lambda s: s * GAP * 0.99)
turns = st.floats(-math.pi, math.pi)


def mended(*shapes, gap=GAP):
    curves = tuple(Curve(f"c{k}", s, "0") for k, s in enumerate(shapes))
    after, entry = MendFindings(gap).apply(State(sketches=(Sketch("0", 0, curves),)))
    return {c.id: c.shape for c in after.curves()}, entry


def turned(p, angle):
    return Point(p.x * math.cos(angle) - p.y * math.sin(angle), p.x * math.sin(angle) + p.y * math.cos(angle))


def tangent_at(shape, point):
    """Direction of travel of a line or arc at one of its ends."""
    if isinstance(shape, Line):
        return (shape.end - shape.start).angle
    return (point - shape.centre).angle + math.copysign(math.pi / 2, shape.sweep)


@given(inside, inside, turns, st.floats(0.3, math.pi - 0.3))
def test_a_corner_that_two_lines_stop_short_of_comes_out_exact(short, other, angle, corner):
    """Both are drawn on along themselves; the corner is where they were meant to meet, and nothing turns."""
    away = [turned(Point(1, 0), angle), turned(Point(1, 0), angle + corner)]
    ends = [Point(p.x * s, p.y * s) for p, s in zip(away, (short, other), strict=True)]
    if not 1e-5 < ends[0].distance_to(ends[1]) <= GAP:
        return
    lines = [Line(Point(p.x * 20, p.y * 20), e) for p, e in zip(away, ends, strict=True)]
    after, entry = mended(*lines)
    for shape in after.values():
        assert shape.end.distance_to(Point(0, 0)) < 1e-7
    assert entry.max_mm == 0.0
    assert entry.along_mm == pytest.approx(max(short, other), abs=1e-7)


@given(inside.filter(lambda s: s > 1e-3), turns, st.floats(2, 60), st.booleans())
def test_a_line_that_stops_short_of_a_tangent_arc_is_drawn_on_to_it(short, angle, radius, flipped):
    """The complaint that brought this: both ends met half way and left a kink of a hundredth of a radian."""
    arc = Arc(Point(0, radius), radius, -math.pi / 2, 1.4)
    line = Line(Point(-20, 0), Point(-short, 0))
    arc = Arc(turned(arc.centre, angle), radius, arc.start_angle + angle, arc.sweep)
    line = Line(turned(line.start, angle), turned(line.end, angle))
    if flipped:
        line = Line(line.end, line.start)
    after, entry = mended(line, arc)
    meeting = turned(Point(0, 0), angle)
    assert after["c1"].start.distance_to(meeting) < 1e-6
    end = after["c0"].start if flipped else after["c0"].end
    assert end.distance_to(meeting) < 1e-6
    turn = tangent_at(after["c1"], after["c1"].start) - tangent_at(after["c0"], end)
    assert abs(math.remainder(turn, math.pi)) < 1e-5
    assert entry.max_mm < 1e-6
    assert entry.along_mm == pytest.approx(short, abs=1e-5)


@given(st.floats(-2e-3, 2e-3), inside.filter(lambda s: s > 1e-3), st.floats(5, 60))
def test_a_tangent_that_is_missed_by_a_little_comes_out_true(off, short, radius):
    """The circle cuts the line, or misses it, by less than can be meant."""
    arc = Arc(Point(0, radius + off), radius, -math.pi / 2, 1.4)
    line = Line(Point(-20, 0), Point(-short, 0))
    after, entry = mended(line, arc)
    meeting = after["c0"].end
    assert meeting.distance_to(after["c1"].start) < 1e-9
    turn = math.remainder(tangent_at(after["c1"], meeting) - tangent_at(after["c0"], meeting), math.pi)
    assert abs(turn) < 1e-3
    assert entry.max_mm <= abs(off) / 2 + 1e-7


@given(inside.filter(lambda s: s > 1e-3), turns, st.sampled_from([(8.0, 3.0), (3.0, 8.0)]), st.booleans())
def test_two_tangent_arcs_meet_where_they_touch(short, angle, radii, bulging):
    """An S where they curve apart, a flowing curve where one holds the other."""
    r, s = radii
    one = Arc(Point(0, r), r, -math.pi / 2 - short / r - 1.0, 1.0)
    two = Arc(Point(0, -s if bulging else s), s, math.pi / 2 if bulging else -math.pi / 2, -1.2 if bulging else 1.2)
    one, two = (Arc(turned(a.centre, angle), a.radius, a.start_angle + angle, a.sweep) for a in (one, two))
    after, entry = mended(one, two)
    meeting = turned(Point(0, 0), angle)
    assert after["c0"].end.distance_to(meeting) < 1e-6
    assert after["c1"].start.distance_to(meeting) < 1e-6
    assert entry.max_mm < 1e-6


def test_nothing_goes_sideways_by_more_than_half_the_gap():
    """Two parallel lines that miss each other sideways meet in the middle, and it is told as sideways."""
    after, entry = mended(Line(Point(-10, 0), Point(0, 0)), Line(Point(0, 0.08), Point(10, 0.08)))
    assert after["c0"].end == after["c1"].start == Point(0, 0.04)
    assert entry.max_mm == pytest.approx(0.04)


def test_an_end_that_lies_straight_before_a_sound_corner_comes_to_it():
    corner = [Line(Point(0, -10), Point(0, 0)), Line(Point(0, 0), Point(-10, 0))]
    after, entry = mended(*corner, Line(Point(10, 0), Point(0.09, 0)))
    assert after["c2"].end.distance_to(Point(0, 0)) < 1e-12
    assert after["c0"].end == after["c1"].start == Point(0, 0)
    assert (entry.max_mm, entry.along_mm) == (0.0, pytest.approx(0.09))


def test_a_line_is_drawn_on_to_what_it_stops_before_by_the_whole_gap():
    wall = Line(Point(0, -10), Point(0, 10))
    after, entry = mended(wall, Line(Point(10, 1), Point(0.09, 1)))
    assert after["c1"].end.distance_to(Point(0, 1)) < 1e-12
    assert (entry.max_mm, entry.along_mm) == (0.0, pytest.approx(0.09))
    assert sum(s.length for name, s in after.items() if name.startswith("c0")) == pytest.approx(20)


def test_a_kink_that_was_received_stays_and_is_told():
    arc = Arc(Point(0, 10), 10, -math.pi / 2, 1.4)
    line = Line(polar(Point(0, 0), 20, math.pi + 0.02), Point(0, 0))
    state = State(sketches=(Sketch("0", 0, (Curve("a", line, "0"), Curve("b", arc, "0"))),))
    after, entry = MendFindings(GAP).apply(state)
    assert [c.shape for c in after.curves()] == [line, arc]
    assert [f.kind for f in survey_state(after, GAP).findings if f.kind == "kink"] == ["kink"]
    assert entry.changed == 0


def test_the_demo_has_no_kink_left_and_no_fault_but_strays():
    job = Job.of(Source.of("demo.dxf", demo_bytes())).with_step(ChooseUnit("in"))
    job = job.with_step(ChooseLayers(("TITLE-BLOCK", "CENTRE-LINES", "NOTES", "CONSTRUCTION")))
    gap = proposed_gap(Evaluator().evaluate(job).state.sketches).gap
    evaluation = Evaluator().evaluate(job.with_step(MendFindings()))
    assert {f.kind for f in survey_state(evaluation.state, gap).findings} <= {"stray"}
    row = evaluation.ledger[-1].entry
    assert row.along_mm > row.max_mm >= 0.0
