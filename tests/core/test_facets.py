"""Facets back to arcs: every loop its true segments again, polygons stay polygons, and nothing moves unsaid."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from specimens import damage, damaged, polygon

from syntaxa.drawing.model import Curve, Style
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import MendError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.refit import RefitLimits, refit
from syntaxa.geometry.rows import merged_rows, pieces_of_rows, shape_of_rows
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.transform import Transform
from syntaxa.mend.facets import facet_runs
from syntaxa.mend.steps import MendFindings, RefitFacets, survey_state

LIMITS = RefitLimits(1e-6, 0.06)


def on_circle(count, radius=10.0, first=0.0, turn=2 * math.pi, centre=(3.0, -2.0)):
    steps = count if turn == 2 * math.pi else count - 1
    return np.array([[centre[0] + radius * math.cos(first + turn * k / steps),
                      centre[1] + radius * math.sin(first + turn * k / steps)] for k in range(count)])  # fmt: skip


def lines(points, closed=True, name="f", layer="0"):
    ends = np.vstack([points, points[:1]]) if closed else points
    return [Curve(f"{name}{k}", Line(Point(*a), Point(*b)), layer) for k, (a, b) in enumerate(itertools.pairwise(ends))]


def state(*curves):
    return State((), sketches=(Sketch("0", 0, tuple(curves)),))


# ---------------------------------------------------------------------- against the truth


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_every_loop_of_the_corpus_has_its_true_segments_again(seed):
    truth, curves = damaged("facet", seed, 120)
    mended, _ = MendFindings().apply(state(*curves))
    refitted, entry = RefitFacets(0.001, 0.012).apply(mended)
    # The facets were made within 0.01 mm of their arcs, so nothing can be further off.
    assert 0 < entry.max_mm <= 0.01 + 1e-9
    regions = survey_state(refitted, None).regions
    score = damage.score(truth, [polygon(r) for r in regions])
    assert (score["ok"], score["spurious"], score["slivers"]) == (score["true"], 0, 0)
    loops = [np.array(r.loops[0]) for r in regions]
    areas = [abs(float(pieces_of_rows(rows, True).signed_areas().sum())) for rows in loops]
    for face in truth.faces:
        area = abs(sum(damage.seg_area(s) for s in face.outer))
        away = [float(np.hypot(*(rows[:, :2] - face.outer[0][:2]).T).min()) for rows in loops]
        loop = loops[int(np.argmin(np.array(away) + np.abs(np.array(areas) - area)))]
        assert count_of(loop) == len(face.outer)


def count_of(rows):
    merged = merged_rows(rows, True, 1e-5, 1e-4)
    # A circle has two halves in the truth, wherever it was cut.
    return 2 if isinstance(shape_of_rows(merged, True), Circle) or on_one_circle(merged) else len(merged)


def on_one_circle(rows):
    pieces = pieces_of_rows(rows, True)
    return bool(pieces.is_arc.all() and np.ptp(pieces.radius) < 1e-3 and np.ptp(pieces.centre, axis=0).max() < 1e-3)


# ---------------------------------------------------------------------- what is one and what is none


@pytest.mark.parametrize("radius", [0.5, 3.0, 40.0, 2000.0])
def test_a_circle_of_facets_is_a_circle_again(radius):
    count = max(12, math.ceil(math.pi / math.acos(1 - 0.05 / radius)))
    (run,) = facet_runs(lines(on_circle(count, radius)), LIMITS, 1e-6)
    assert isinstance(run.curve.shape, Circle)
    assert run.curve.shape.radius == pytest.approx(radius, rel=1e-9)
    assert run.curve.shape.centre.distance_to(Point(3, -2)) < 1e-8 * radius
    # Handbook: the sagitta of a chord over the angle 2a is r (1 - cos a).
    assert run.deviation == pytest.approx(radius * (1 - math.cos(math.pi / count)), rel=1e-6)


@pytest.mark.parametrize("sides", [3, 4, 5, 6, 8])
def test_polygons_stay_what_they_are_at_any_size(sides):
    for radius in (0.05, 1.0, 50.0):
        assert not facet_runs(lines(on_circle(sides, radius)), LIMITS, 1e-6)
        shape = Polyline(tuple(Point(*p) for p in on_circle(sides, radius)), (0.0,) * sides, True)
        assert not facet_runs([Curve("p", shape, "0")], LIMITS, 1e-6)


@given(st.floats(0.3, 2.5), st.floats(1, 200), st.floats(0, 6), st.booleans())
def test_an_arc_between_two_lines_comes_back_with_its_ends_to_the_bit(turn, radius, first, backward):
    count = 2 + max(4, math.ceil(turn / 2 / math.acos(max(1 - 0.05 / radius, -1))))
    points = on_circle(count, radius, first, turn)
    ahead = points[-1] + 3 * radius * np.array([-math.sin(first + turn), math.cos(first + turn)])
    points = np.vstack([points[:1] - [radius * 9, 0.0], points, ahead])
    if backward:
        points = points[::-1]
    run = next(r for r in facet_runs(lines(points, closed=False), LIMITS, 1e-6))
    arc = run.curve.shape
    assert isinstance(arc, Arc)
    assert arc.radius == pytest.approx(radius, rel=1e-6)
    ends = {tuple(np.round(p, 9)) for p in points}
    assert tuple(np.round([*arc.start], 9)) in ends
    assert tuple(np.round([*arc.end], 9)) in ends


@given(st.integers(32, 90), st.floats(-3, 3), st.booleans())
def test_refit_commutes_with_moving_turning_and_mirroring(count, angle, mirror):
    curves = lines(on_circle(count, 10.0))
    by = (
        Transform.scaling(-1 if mirror else 1, 1)
        .then(Transform.rotating(angle))
        .then(Transform.moving(Vector(70, -30)))
    )
    moved = [Curve(c.id, c.shape.transformed(by), c.layer) for c in curves]
    (one,), (other,) = (facet_runs(some, LIMITS, 1e-6) for some in (curves, moved))
    image = one.curve.shape.transformed(by)
    assert other.curve.shape.centre.distance_to(image.centre) < 1e-8
    assert other.curve.shape.radius == pytest.approx(image.radius, rel=1e-9)


def test_a_polyline_keeps_its_lines_and_arcs_and_takes_its_facets_back():
    arc = on_circle(30, 5.0, -math.pi / 2, math.pi, centre=(20.0, 5.0))
    points = np.vstack([[[0, 0]], arc, [[0, 10], [-2, 8], [-2, 2]]])
    bulges = [0.0] * (len(points) - 1) + [0.3]
    shape = Polyline(tuple(Point(*p) for p in points), tuple(bulges), True)
    (run,) = facet_runs([Curve("p", shape, "0")], LIMITS, 1e-6)
    refitted = run.curve.shape
    assert len(refitted.vertices) == len(points) - 28
    assert [round(b, 9) for b in refitted.bulges if b] == [1.0, 0.3]
    # Worked by hand: half a disc of radius 5, and the rest of the outline as it was.
    assert refitted.length == pytest.approx(shape.length - 29 * 10 * math.sin(math.pi / 58) + 5 * math.pi)


def test_noise_within_the_limit_is_forgiven_and_told():
    dice = np.random.default_rng(4)
    points = on_circle(60) + dice.uniform(-0.004, 0.004, (60, 2))
    assert not [r for r in facet_runs(lines(points), LIMITS, 1e-6) if isinstance(r.curve.shape, Circle)]
    (run,) = facet_runs(lines(points), RefitLimits(0.02, 0.06), 1e-6)
    assert run.curve.shape.radius == pytest.approx(10, abs=0.005)
    assert run.deviation < 0.03


# ---------------------------------------------------------------------- the step


def test_what_meets_a_run_or_looks_different_keeps_it_apart():
    facets = lines(on_circle(40))
    spoke = Curve("spoke", Line(Point(3, -2), facets[0].shape.start), "0")
    kinds = [r.curve.shape.kind for r in facet_runs([*facets, spoke], LIMITS, 1e-6)]
    assert "circle" not in kinds
    red = [Curve(c.id, c.shape, c.layer, Style(0xFF0000)) if k < 20 else c for k, c in enumerate(facets)]
    assert [r.curve.shape.kind for r in facet_runs(red, LIMITS, 1e-6)] == ["arc", "arc"]


def test_order_and_direction_of_the_facets_do_not_matter():
    curves = lines(on_circle(48))
    shuffled = [Curve(c.id, Line(c.shape.end, c.shape.start), c.layer) if k % 3 else c for k, c in enumerate(curves)][
        ::-1
    ]
    (run,) = facet_runs(shuffled, LIMITS, 1e-6)
    assert run.curve.shape.radius == pytest.approx(10, rel=1e-9)


def test_the_step_tells_what_it_did_and_leaves_the_locked_alone():
    one, entry = RefitFacets().apply(state(*lines(on_circle(48))))
    assert entry.says == "48 facets became arcs in 1 run."
    assert [c.shape.kind for c in one.curves()] == ["circle"]
    again, nothing = RefitFacets().apply(one)
    assert (again, nothing.changed) == (one, 0)
    locked = State((), sketches=(Sketch("0", 0, tuple(lines(on_circle(48))), locked=True),))
    assert RefitFacets().apply(locked)[0] == locked
    with pytest.raises(MendError, match="above 0"):
        RefitFacets(0.0).apply(one)


def test_runs_of_nothing_are_nothing():
    for count in range(3):
        points = on_circle(3)[:count]
        assert refit(points, False, LIMITS) == (list(range(count)), [0.0] * count)
    assert facet_runs([], LIMITS, 1e-6) == []
