"""References: a place or a region that was named is found again after earlier steps changed, or told as gone."""

from __future__ import annotations

import math
import time
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as OtherPoint
from specimens import dxf_of

from syntaxa.drawing.descent import CurveRef, Descent
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Part, Sketch, State
from syntaxa.errors import GoneError, JobError
from syntaxa.geometry.inside import contains, point_inside
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.transform import Transform
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ScaleBy, Turn
from syntaxa.mend.by_hand import CutCurve, MapCurves
from syntaxa.mend.steps import MendFindings, survey_state
from syntaxa.route.part import Group, Routed
from syntaxa.watching import still_wanted, until


def state_of(*shapes):
    return State(sketches=(Sketch("s", 0, tuple(Curve(f"c{k}", x, "0") for k, x in enumerate(shapes))),))


def line(*numbers):
    return Line(Point(*numbers[:2]), Point(*numbers[2:]))


def descent(state):
    return Descent(state.curves())


# ---------------------------------------------------------------------- ends


def test_the_ends_of_a_line_that_was_split_are_those_of_its_outer_pieces():
    state, _ = CutCurve("c0", 4.0, 0.0, "split").apply(state_of(line(0, 0, 10, 0)))
    found = descent(state)
    assert len(found.pieces("c0")) == 2
    assert found.point(CurveRef("c0", "start")) == Point(0, 0)
    assert found.point(CurveRef("c0", "end")) == Point(10, 0)


def test_an_end_that_was_trimmed_away_is_gone_and_the_other_is_there():
    state, _ = CutCurve("c0", 9.0, 0.0, "trim").apply(state_of(line(0, 0, 10, 0), line(6, -5, 6, 5)))
    found = descent(state)
    assert found.point(CurveRef("c0", "start")) == Point(0, 0)
    with pytest.raises(GoneError, match="that end was taken away"):
        found.point(CurveRef("c0", "end"))


def test_a_place_that_came_by_a_cut_has_no_name_of_its_own():
    state, _ = CutCurve("c0", 4.0, 0.0, "split").apply(state_of(line(0, 0, 10, 0)))
    first, second = descent(state).pieces("c0")
    with pytest.raises(GoneError, match="was cut there"):
        descent(state).named(first.id, "end")
    assert descent(state).named(second.id, "end") == CurveRef("c0", "end")


def test_mending_draws_an_end_on_and_its_name_goes_along():
    """The gap of 0.02 closes on the carrier of the first line; the corner is where it says."""
    state = state_of(line(0, 0, 9.98, 0), line(10, 0, 10, 10))
    after, entry = MendFindings(0.05).apply(state)
    assert entry.changed == 1
    assert descent(after).point(CurveRef("c0", "end")) == Point(10, 0)
    assert descent(after).point(CurveRef("c0", "start")) == Point(0, 0)


def test_a_dead_end_that_is_dropped_takes_its_end_with_it():
    sides = [line(0, 0, 10, 0), line(10, 0, 10, 10), line(10, 10, 0, 10), line(0, 10, 0, -1.5)]
    after, _ = MendFindings(0.05).apply(state_of(*sides))
    with pytest.raises(GoneError):
        descent(after).point(CurveRef("c3", "end"))
    assert descent(after).point(CurveRef("c3", "start")) == Point(0, 10)


@given(st.lists(st.floats(0.5, 9.5), min_size=1, max_size=5, unique_by=lambda x: round(x, 1)))
def test_however_often_a_line_is_cut_its_ends_are_those_that_it_had(cuts):
    state = state_of(line(0, 0, 10, 0))
    for at in cuts:
        here = next(c for c in state.curves() if c.shape.start.x < at < c.shape.end.x)
        state, _ = CutCurve(here.id, at, 0.0, "split").apply(state)
    found = descent(state)
    assert (found.point(CurveRef("c0", "start")), found.point(CurveRef("c0", "end"))) == (Point(0, 0), Point(10, 0))
    assert len(found.pieces("c0")) == len(cuts) + 1


# ---------------------------------------------------------------------- other features


def test_the_centre_of_an_arc_is_that_of_its_pieces():
    state, _ = CutCurve("c0", 0.0, 5.0, "split").apply(state_of(Arc(Point(0, 0), 5, 0, math.pi)))
    assert len(descent(state).pieces("c0")) == 2
    assert descent(state).point(CurveRef("c0", "centre")) == Point(0, 0)
    with pytest.raises(GoneError, match="cut into 2"):
        descent(state).point(CurveRef("c0", "middle"))


def test_features_that_a_shape_does_not_have_are_told():
    found = descent(state_of(line(0, 0, 4, 2), Polyline((Point(0, 0), Point(1, 0), Point(1, 1)), (0, 0, 0), False)))
    assert found.point(CurveRef("c0", "middle")) == Point(2, 1)
    assert found.point(CurveRef("c1", "vertex", 2)) == Point(1, 1)
    for ref, why in ((CurveRef("c0", "centre"), "no centre"), (CurveRef("c1", "vertex", 3), "no such vertex"),
                     (CurveRef("c1", "middle"), "only lines and arc"), (CurveRef("gone"), "no longer")):  # fmt: skip
        with pytest.raises(GoneError, match=why):
            found.point(ref)


# ---------------------------------------------------------------------- regions


def faces(state):
    return survey_state(state, 0.01).regions


def three_cells():
    """A frame 30 by 10 with two walls, and a hole in the middle cell."""
    frame = [line(0, 0, 30, 0), line(30, 0, 30, 10), line(30, 10, 0, 10), line(0, 10, 0, 0)]
    return state_of(*frame, line(10, 0, 10, 10), line(20, 0, 20, 10), Circle(Point(15, 5), 2))


def middle_of(state):
    return next(f for f in faces(state) if f.holes)


def test_a_region_is_found_again_when_a_larger_one_comes_or_another_goes():
    state = three_cells()
    ref = descent(state).region_named(middle_of(state))
    more = state
    big = replace(more.sketches[0], curves=(*more.sketches[0].curves, Curve("big", Circle(Point(200, 0), 90), "0")))
    grown = replace(more, sketches=(big,))
    found = descent(grown).region(ref, faces(grown))
    assert found.area == pytest.approx(100 - math.pi * 4, rel=1e-12)


def test_a_region_keeps_its_name_when_its_curves_are_cut():
    state = three_cells()
    ref = descent(state).region_named(middle_of(state))
    for at in ((5.0, 0.0), (15.0, 0.0), (25.0, 10.0)):
        here = next(c for c in state.curves() if isinstance(c.shape, Line) and _near(c.shape, at))
        state, _ = CutCurve(here.id, *at, "split").apply(state)
    assert descent(state).region(ref, faces(state)).holes == 1


def _near(shape, at):
    return LineString([(shape.start.x, shape.start.y), (shape.end.x, shape.end.y)]).distance(OtherPoint(*at)) < 1e-9


def test_a_region_that_was_moved_away_is_known_by_its_outline_alone():
    state = three_cells()
    ref = descent(state).region_named(middle_of(state))
    ids = tuple(c.id for c in state.curves())
    moved, _ = MapCurves(ids, (2.0, 0.0, 0.0, 2.0, 500.0, 70.0), "Scale").apply(state)
    assert descent(moved).region(ref, faces(moved)).area == pytest.approx(4 * (100 - math.pi * 4), rel=1e-12)


def test_a_region_that_is_open_now_is_told_as_gone():
    state = three_cells()
    ref = descent(state).region_named(middle_of(state))
    left = tuple(c for c in state.sketches[0].curves if c.id not in ("c4", "c5", "c6"))
    gone = replace(state, sketches=(replace(state.sketches[0], curves=left),))
    with pytest.raises(GoneError, match="no longer there"):
        descent(gone).region(ref, faces(gone))


def test_two_halves_that_the_same_curves_bound_are_told_apart():
    state = state_of(Circle(Point(0, 0), 10), line(0, -10, 0, 10))
    halves = faces(state)
    assert len(halves) == 2
    assert halves[0].curves == halves[1].curves
    assert halves[0].id != halves[1].id
    for half in halves:
        assert descent(state).region(descent(state).region_named(half), reversed(halves)) is half


def test_the_id_of_a_region_does_not_hang_on_what_else_is_drawn():
    state = three_cells()
    more = replace(state.sketches[0], curves=(Curve("far", Circle(Point(90, 90), 40), "0"), *state.sketches[0].curves))
    assert {f.id for f in faces(state)} < {f.id for f in faces(replace(state, sketches=(more,)))}


@given(st.integers(3, 9), st.integers(0, 10_000))
def test_the_point_inside_is_inside_by_another_library(corners, seed):
    rng = np.random.default_rng(seed)
    angle = np.sort(rng.uniform(0, 2 * np.pi, corners)) + np.arange(corners) * 1e-3
    outer = np.stack([np.cos(angle), np.sin(angle)], axis=1) * rng.uniform(2, 9, (corners, 1))
    shape = Polygon(outer)
    if not shape.is_valid or shape.area < 0.05:
        return
    loop = pieces_of_rows(np.hstack([outer, np.zeros((corners, 1))]), True)
    found = point_inside(loop)
    assert found is not None
    assert shape.contains(OtherPoint(*found))
    assert contains(loop, found)


def test_nothing_enclosed_has_no_point_inside():
    back = pieces_of_rows(np.array([[0.0, 0, 0], [5.0, 0, 0]]), True)
    assert point_inside(back) is None


# ---------------------------------------------------------------------- parts of the state, and the context


def test_what_a_stage_keeps_is_found_by_its_type_and_follows_the_placing():
    class Other(Part):
        pass

    state = state_of(line(0, 0, 10, 0)).with_part(Routed((Group("g", 1, Point(3, 4)),))).with_part(Other())
    assert len(state.parts) == 2
    after = state.moved(Transform.scaling(2)).shifted(Vector(1, 1))
    assert after.part(Routed).groups[0].base == Point(7, 9)
    assert type(after.part(Other)) is Other
    assert state_of().part(Routed) == Routed()


def test_a_step_that_takes_too_long_is_told_and_the_rest_is_kept():
    job = Job.of(Source.of("a.dxf", dxf_of(lambda s, _: s.add_line((0, 0), (5, 0)), INSUNITS=4)))
    evaluator = Evaluator()
    evaluator.evaluate(job)
    late = evaluator.evaluate(job.with_step(ScaleBy(2.0)).with_step(MendFindings(0.1)), deadline=time.monotonic() - 1)
    assert [r.failed[:28] for r in late.ledger] == ["", "This took longer than it may"]
    assert next(iter(late.state.curves())).shape.length == 10


def test_the_moment_after_which_nothing_is_wanted_holds_within_its_block_only():
    with until(time.monotonic() - 1), pytest.raises(JobError, match="longer than it may"):
        still_wanted()
    still_wanted()


def test_what_is_dear_is_worked_out_once_for_a_state(monkeypatch):
    calls = []
    import syntaxa.mend.steps as mending

    real = mending.proposed_gap
    monkeypatch.setattr(mending, "proposed_gap", lambda sketches: calls.append(1) or real(sketches))
    job = Job.of(Source.of("a.dxf", dxf_of(lambda s, _: s.add_line((0, 0), (5, 0)), INSUNITS=4)))
    evaluator = Evaluator()
    plain = evaluator.evaluate(job)
    mending.proposal_of(plain.state, evaluator.context(plain))
    evaluator.evaluate(job.with_step(MendFindings()))
    assert len(calls) == 1
    evaluator.evaluate(job.with_step(Turn(90.0)).with_step(MendFindings()))
    assert len(calls) == 2
