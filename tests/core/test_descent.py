"""What became of a curve: ids, pieces, roles and blocks through cutting, taking in, scaling and joining."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from specimens import dxf_of, points

from syntaxa.drawing.model import Curve
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.images import images_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, EllipseArc, Line, Polyline, Spline, spline_of
from syntaxa.geometry.transform import Transform
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ScaleBy
from syntaxa.mend.by_hand import CutCurve, JoinCurves, MapCurves
from syntaxa.mend.steps import MendFindings
from syntaxa.route.edits import GiveRole
from syntaxa.route.model import Rule, groups_of
from syntaxa.route.steps import RouteBy


def svg_job(body, *steps):
    text = f'<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="90mm" viewBox="0 0 90 90">{body}</svg>'
    job = Job.of(Source.of("x.svg", text.encode()))
    for step in steps:
        job = job.with_step(step)
    return job


def evaluated(job):
    return Evaluator().evaluate(job)


# ---------------------------------------------------------------------- ids with dots in them


def test_an_id_with_a_dot_keeps_its_role_and_its_sketch():
    """`part.1` is no piece of `part`: each is told from the other, whatever its name looks like."""
    body = ('<path id="part" d="M0 0H40"/><path id="part.1" d="M0 0H40"/><path id="part.2" d="M20 -9V9"/>'
            '<path id="x.9" d="M0 40H9"/>')  # fmt: skip
    job = svg_job(body, GiveRole(("part.1",), "tapped"), GiveRole(("part",), "ground"))
    evaluation = evaluated(job.with_step(MendFindings(0.05)))
    # The twin went, the two that cross were cut: each piece has the role of what it was cut from, and no other.
    roles = {c.id: (c.root, c.roles) for c in evaluation.state.curves()}
    both, none = ("ground", "tapped"), ()
    assert roles == {"part.1'": ("part", both), "part.2'": ("part", both), "part.2.1": ("part.2", none),
                     "part.2.2": ("part.2", none), "x.9": ("x.9", none)}  # fmt: skip
    groups = groups_of(evaluation.first, evaluation.state, "kind")
    assert [g.goes_to for g in groups] == [(evaluation.state.sketches[0].name,)]


def test_pieces_get_ids_that_nothing_else_has_and_are_found_by_the_name_of_the_whole():
    body = '<path id="part" d="M0 0H40"/><path id="part.1" d="M0 9H40"/>'
    job = svg_job(body, CutCurve("part", 20.0, 0.0, "split"))
    state = evaluated(job).state
    assert sorted(c.id for c in state.curves()) == ["part.1", "part.1'", "part.2"]
    assert {c.id: c.root for c in state.curves()} == {"part.1": "part.1", "part.1'": "part", "part.2": "part"}
    moved = evaluated(job.with_step(GiveRole(("part",), "bend"))).state
    assert {c.id for c in moved.curves() if c.roles} == {"part.1'", "part.2"}
    only = evaluated(job.with_step(GiveRole(("part.1",), "bend"))).state
    assert {c.id for c in only.curves() if c.roles} == {"part.1"}


def test_a_piece_of_a_piece_is_found_by_every_name_it_went_by():
    job = svg_job('<path id="a" d="M0 0H40"/>', CutCurve("a", 20.0, -0.0, "split"))
    job = job.with_step(CutCurve("a.2", 30.0, 0.0, "split"))
    state = evaluated(job).state
    assert {c.id: c.names for c in state.curves()}["a.2.1"] == ("a", "a.2", "a.2.1")
    for name, found in (("a", 3), ("a.2", 2), ("a.2.1", 1)):
        marked = evaluated(job.with_step(GiveRole((name,), "x"))).state
        assert sum(bool(c.roles) for c in marked.curves()) == found


@given(st.lists(st.sampled_from(["a", "a'", "a''", "b", "a'5"]), max_size=40))
def test_free_names_are_free_and_short(wanted):
    names = Names()
    given_ = [names.free(n) for n in wanted]
    assert len(set(given_)) == len(given_)
    assert max(map(len, given_), default=0) <= 9


# ---------------------------------------------------------------------- blocks


def block_drawing(space, document):
    inner = document.blocks.new("INNER")
    inner.add_line((0, 0), (1, 0))
    outer = document.blocks.new("OUTER")
    outer.add_blockref("INNER", (5, 0))
    outer.add_line((0, 0), (0, 1))
    space.add_blockref("OUTER", (10, 0))
    space.add_line((0, 0), (9, 9), {"layer": "plain"})


@pytest.mark.parametrize(
    ("take", "found"),
    [
        (None, True),
        (TakeIn(skip_hidden=True), True),
        (TakeIn(left_out=("plain",)), True),
        (TakeIn(dissolve=True), False),
    ],
)
def test_blocks_are_kept_by_every_way_of_taking_in_but_dissolving(take, found):
    job = Job.of(Source.of("b.dxf", dxf_of(block_drawing, INSUNITS=4)))
    job = job if take is None else job.with_step(take)
    first = evaluated(job).first
    blocks = {c.block.split("#")[0] for c in first.curves() if c.layer != "plain"}
    assert blocks == ({"OUTER"} if found else {""}) or blocks == {"OUTER", "INNER"}
    routed = evaluated(job.with_step(RouteBy((Rule("hardware", "profile", block="OUTER"),)))).state
    assert ("hardware" in [s.name for s in routed.sketches]) is found


# ---------------------------------------------------------------------- shapes that change


RUN = Polyline((Point(0, 0), Point(10, 0), Point(10, 4), Point(0, 4)), (0.0, 1.0, 0.0, 1.0), True)


def test_arcs_of_polylines_become_elliptical_arcs_under_two_factors():
    data = dxf_of(
        lambda s, _: s.add_lwpolyline([(0, 0, 0), (10, 0, 1), (10, 4, 0), (0, 4, 1)], format="xyb", close=True),
        INSUNITS=4,
    )
    before = Job.of(Source.of("slot.dxf", data))
    (whole,) = evaluated(before).state.curves()
    after = evaluated(before.with_step(ScaleBy(1.0, 1.001))).state
    kinds = [c.shape.kind for c in after.curves()]
    assert kinds == ["line", "ellipse", "line", "ellipse"]
    assert {c.root for c in after.curves()} == {whole.id}
    assert [c.id for c in after.curves()] == [f"{whole.id}.{k}" for k in (1, 2, 3, 4)]
    for curve in after.curves():
        if isinstance(curve.shape, EllipseArc):
            assert sorted((curve.shape.major.length, curve.shape.minor.length)) == pytest.approx([2.0, 2.002])
    received = {c.id for c in after.received().curves}
    assert received == {c.id for c in after.curves()}


maps = st.builds(Transform, *[st.floats(0.3, 3.0), st.floats(-1, 1), st.floats(-1, 1), st.floats(-3, -0.3)] * 1)


@given(
    st.lists(points, min_size=3, max_size=6, unique=True),
    st.lists(st.sampled_from([0.0, 0.4, -1.0, 2.5]), min_size=6, max_size=6),
    st.booleans(),
    maps,
)
def test_images_are_exact_both_as_pieces_and_as_one_spline(vertices, bulges, closed, by):
    shape = Polyline(tuple(vertices), tuple(bulges[: len(vertices)]), closed)
    truth = by.points(shape.flattened(1e-3 * shape.length))
    for image in (images_of(shape, by), [shape.transformed(by)]):
        dense = np.concatenate([s.flattened(1e-5 * shape.length) for s in image])
        away = np.array([np.hypot(*(dense - p).T).min() for p in truth])
        step = max(float(np.hypot(*np.diff(s.flattened(1e-5 * shape.length), axis=0).T).max()) for s in image)
        assert away.max() <= step
        assert sum(s.length for s in image) == pytest.approx(sum(s.length for s in images_of(shape, by)), rel=1e-5)


def test_a_run_as_a_spline_lies_on_its_circles():
    spline = spline_of(RUN)
    points_on = spline.points(np.linspace(1, 3, 60))
    assert np.abs(np.hypot(points_on[:, 0] - 10, points_on[:, 1] - 2) - 2).max() < 1e-12


def test_joining_a_spline_tells_what_it_becomes_and_how_far_off():
    spline = Spline(3, (Point(0, 0), Point(10, 30), Point(30, -30), Point(40, 0)), (0,) * 4 + (1,) * 4)
    line = Line(Point(40, 0), Point(50, 0))
    state = State(sketches=(Sketch("0", 0, (Curve("s", spline, "0"), Curve("l", line, "0"))),))
    after, entry = JoinCurves(("s", "l")).apply(state)
    (curve,) = after.curves()
    assert isinstance(curve.shape, Polyline)
    assert 0 < entry.max_mm <= 2e-3
    assert "1 spline or ellipse became tangent arcs, within" in entry.says
    dense = spline.points(np.linspace(0, 1, 2000))
    arcs = [p for p in curve.shape.segments() if isinstance(p, Arc)]
    away = [min(abs(p.centre.distance_to(Point(*q)) - p.radius) for p in arcs) for q in dense]
    assert max(away) <= entry.max_mm * 1.01 + 1e-9


def test_moving_a_circle_by_a_turn_tells_how_far_it_went():
    circle = Curve("c", Arc(Point(10, 0), 1.0, 0.0, 6.0), "0")
    state = State(sketches=(Sketch("0", 0, (circle,)),))
    _, entry = MapCurves(("c",), (-1.0, 0.0, 0.0, -1.0, 0.0, 0.0), "Turn").apply(state)
    assert entry.max_mm == pytest.approx(22.0, abs=1e-3)
    assert math.isclose(entry.mean_mm, entry.max_mm)
