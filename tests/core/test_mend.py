"""Findings and fixes one kind at a time, the rules that no fix may break, and what must never change."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from specimens import damaged, heal_all, lines, regions_at, square

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.transform import Transform
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.steps import mended, with_needed
from syntaxa.mend.survey import survey
from syntaxa.mend.tolerance import propose_gap, with_gap


def kinds(findings):
    return sorted(f.kind for f in findings if f.fixed)


def test_a_duplicate_is_dropped_either_way_round():
    curves = lines(square(), [(10, 0), (0, 0)])
    after, findings, regions = heal_all(curves, 0.05)
    assert kinds(findings) == ["duplicate"]
    assert len(after) == 4
    assert [r.area for r in regions] == [pytest.approx(100)]


def test_lines_that_run_over_each_other_become_one():
    curves = lines([(6, 0), (0, 0)], [(4, 0), (10, 0)], square()[1:])
    after, findings, regions = heal_all(curves, 0.05)
    assert kinds(findings) == ["overlap"]
    assert [r.area for r in regions] == [pytest.approx(100)]
    assert max(c.shape.length for c in after) == pytest.approx(10)


def test_arcs_of_one_circle_become_the_circle():
    turns = [(0.0, 2.5), (2.0, 2.5), (4.0, 2.6)]
    curves = [Curve(f"a{k}", Arc(Point(3, 4), 5, s, w), "0") for k, (s, w) in enumerate(turns)]
    after, findings, regions = heal_all(curves, 0.05)
    assert kinds(findings) == ["overlap"]
    assert [type(c.shape) for c in after] == [Circle]
    assert regions[0].area == pytest.approx(25 * math.pi, rel=1e-12)


def test_a_corner_is_drawn_to_where_its_lines_meet():
    curves = lines([(0, 0), (9.99, 0)], [(10, 0.02), (10, 10), (0, 10), (0, 0)])
    after, findings, regions = heal_all(curves, 0.05)
    (gap,) = (f for f in findings if f.kind == "gap")
    assert gap.place == Point(pytest.approx(10), pytest.approx(0))
    assert (gap.cost, gap.along) == (0.0, pytest.approx(0.02))
    assert gap.size == pytest.approx(math.hypot(0.01, 0.02))
    assert regions[0].area == pytest.approx(100, rel=1e-12)
    assert len(after) == 4


def test_a_nearly_closed_arc_closes_on_its_own_circle():
    curves = [Curve("a", Arc(Point(0, 0), 10, 0.3, TURN - 0.003), "0")]
    after, _, regions = heal_all(curves, 0.05)
    assert after[0].id == "a"
    assert isinstance(after[0].shape, Circle)
    assert regions[0].area == pytest.approx(100 * math.pi, rel=1e-9)


def test_an_end_short_of_a_curve_is_extended_to_it():
    curves = lines(square(), [(5, 0.02), (5, 9.98)])
    _, findings, regions = heal_all(curves, 0.05)
    assert kinds(findings) == ["gap", "gap"]
    assert [r.area for r in regions] == [pytest.approx(50), pytest.approx(50)]


def test_overruns_are_trimmed_and_dead_ends_dropped():
    curves = lines([(-0.04, 0), (10.04, 0)], [(10, -0.04), (10, 10), (0, 10), (0, -0.04)], [(4, 10), (4, 8)])
    _, findings, regions = heal_all(curves, 0.05)
    assert set(kinds(findings)) == {"overrun", "dead end"}
    assert sum(f.dropped for f in findings if f.fixed) == pytest.approx(2 + 4 * 0.04)
    assert [r.area for r in regions] == [pytest.approx(100)]


def test_a_long_dead_end_may_be_meant_and_stays():
    curves = lines(square(), [(4, 10), (4, 5)])
    after, findings, _ = heal_all(curves, 0.05)
    assert kinds(findings) == []
    assert [f.kind for f in findings if f.kind != "crossing"] == ["open end"]
    assert any(c.id == "c4" for c in after)


def test_specks_go_but_short_links_stay():
    run = [(0, 0), (10, 0), (10, 9.98), (9.98, 10), (0, 10), (0, 0)]
    curves = lines(run, [(3, 3), (3.01, 3)])
    _, findings, regions = heal_all(curves, 0.001)
    assert kinds(findings) == ["speck"]
    assert regions[0].area == pytest.approx(100 - 0.02 * 0.02 / 2, rel=1e-12)


def test_free_standing_pieces_are_told_and_stay():
    after, findings, _ = heal_all(lines(square(), [(3, 3), (5, 6)]), 0.05)
    stray = next(f for f in findings if f.kind == "stray")
    assert stray.size == pytest.approx(math.hypot(2, 3))
    assert not stray.fixed
    assert any(c.id == "c4" for c in after)


@given(st.floats(0.0501, 0.5), st.floats(0.5, 9.5))
def test_no_join_across_a_wall_or_slot_wider_than_the_tolerance(width, at):
    """Two plates side by side, each with an end that stops where the other begins: nothing may bridge the slot."""
    left = square(10)
    right = square(10, x=10 + width)
    curves = lines(left, right, [(10 + width, at), (15, at)])
    after, findings, regions = heal_all(curves, 0.05)
    assert not [f for f in findings if f.kind == "gap" and f.size > 1e-9]
    assert len(regions) == 2
    assert sorted(r.area for r in regions) == [pytest.approx(100), pytest.approx(100)]
    assert {c.id.split(".")[0] for c in after} == {c.id for c in curves}


@settings(max_examples=60)
@given(st.integers(1, 10_000), st.floats(0.002, 0.2))
def test_no_end_moves_further_than_half_the_gap(seed, gap):
    _, curves = damaged("gap.05", seed, 6, gap=gap)
    received = pieces_of(curves, 0.001)
    _, findings, _ = heal_all(curves, gap)
    assert max((f.cost for f in findings if f.fixed and f.kind == "gap"), default=0) <= gap / 2 + 1e-9
    assert len(received)


@settings(max_examples=30)
@given(st.integers(1, 10_000), st.sampled_from(["gap.05", "overshoot", "overlap", "dups"]))
def test_what_is_healed_is_not_changed_again(seed, suite):
    _, curves = damaged(suite, seed, 8)
    once, _, regions = heal_all(curves, 0.05)
    twice, findings, again = heal_all(once, 0.05)
    assert kinds(findings) == []
    assert twice == once
    assert [r.area for r in again] == pytest.approx([r.area for r in regions], rel=1e-9)


@settings(max_examples=25)
@given(st.integers(1, 10_000), st.floats(0, TURN), st.booleans(), st.floats(-500, 500))
def test_healing_commutes_with_moving_turning_and_mirroring(seed, angle, mirrored, shift):
    _, curves = damaged("gap.05", seed, 6)
    by = Transform.scaling(1, -1 if mirrored else 1).then(Transform.rotating(angle))
    by = by.then(Transform.moving(Vector(shift, -shift)))
    _, _, regions = heal_all(curves, 0.05)
    _, _, moved = heal_all([replace(c, shape=c.shape.transformed(by)) for c in curves], 0.05)
    assert sorted(r.area for r in moved) == pytest.approx(sorted(r.area for r in regions), rel=1e-6)


def test_ellipses_and_splines_left_whole_go_out_as_themselves():
    ellipse = EllipseArc(Point(50, 50), Vector(20, 0), 0.5, 0.0, TURN)
    spline = Spline(2, tuple(Point(*p) for p in [(0, 0), (20, 0), (20, 20), (0, 20), (0, 0)]), (0, 0, 0, 1, 2, 3, 3, 3))
    curves = [Curve("e", ellipse, "0"), Curve("s", spline, "0"), *lines([(100, 0), (110, 0.01)], [(110, 0), (100, 9)])]
    after, _, regions = heal_all(curves, 0.05)
    assert after[0] == curves[0]
    assert after[1] == curves[1]
    by_curve = {r.curves: r for r in regions}
    assert by_curve[("e",)].area == pytest.approx(math.pi * 200, rel=1e-5)


def test_regions_have_holes_depth_and_exact_figures():
    circle = Curve("hole", Circle(Point(5, 5), 2), "0")
    regions = regions_at([*lines(square()), circle])
    outer, hole = regions
    assert (outer.holes, outer.depth, hole.depth) == (1, 0, 1)
    assert outer.area == pytest.approx(100 - 4 * math.pi, rel=1e-13)
    assert outer.perimeter == pytest.approx(40 + 4 * math.pi, rel=1e-13)
    assert hole.area == pytest.approx(4 * math.pi, rel=1e-13)
    assert hole.box == pytest.approx((3, 3, 7, 7))


def test_a_region_inside_a_hole_is_two_deep():
    curves = [Curve(f"c{r}", Circle(Point(0, 0), r), "0") for r in (3, 2, 1)]
    assert [(r.depth, r.holes) for r in regions_at(curves)] == [(0, 1), (1, 1), (2, 0)]


def test_only_the_chosen_fix_is_done():
    curves = lines([(0, 0), (9.98, 0)], [(10, 0), (10, 10), (0, 10)], [(0, 9.98), (0, 0)], [(10, 0), (10, 10)])
    tolerances = with_gap(Tolerances(), 0.05)
    found = survey(curves, "0", tolerances, 3.0).findings
    gaps = [f for f in found if f.kind == "gap"]
    assert len(gaps) == 2
    after, findings = mended(Sketch("0", 0, tuple(curves)), tolerances, 3.0, lambda f: f.key in {gaps[0].key})
    assert [f.key for f in findings if f.fixed] == [gaps[0].key]
    assert len(after) == len(curves)
    left = survey(after, "0", tolerances, 3.0).findings
    assert sorted(f.kind for f in left) == ["duplicate", "gap"]


def test_ids_tell_where_pieces_come_from():
    plate = Curve("plate", Polyline(tuple(Point(*p) for p in square()[:-1]), (0.0,) * 4, True), "0")
    bar = Curve("bar", Line(Point(5, -1), Point(5, 11)), "0")
    ring = Curve("ring", Circle(Point(0, 5), 2), "0")
    after, _, _ = heal_all([plate, bar, ring], 0.05)
    # The bar stops at the plate, which is cut only where the ring passes through it.
    assert {c.id for c in after} == {"plate.1", "plate.2", "bar", "ring.1", "ring.2"}
    assert all(c.layer == "0" for c in after)


@pytest.mark.parametrize("gap", [0.001, 0.01, 0.05, 0.2])
def test_the_tolerance_is_read_off_the_gaps(gap):
    _, curves = damaged("gap.05", 5, 40, gap=gap)
    proposed = propose_gap(Prepared(pieces_of(curves, 0.001), 1e-6), Tolerances()).gap
    assert 0.85 * gap <= proposed <= 1.6 * gap


def test_a_fix_takes_with_it_what_lies_doubled_under_it():
    """Drawing only one of two equal lines to a corner would make a near miss of them."""
    curves = lines([(0, 0), (9.96, 0)], [(10, 0), (10, 10), (0, 10), (0, 0)], [(10, 0), (10, 10)])
    tolerances = with_gap(Tolerances(), 0.05)
    found = survey(curves, "0", tolerances, 3.0).findings
    gap = next(f for f in found if f.kind == "gap")
    keys = with_needed(found, gap.key)
    assert len(keys) == 2
    after, _ = mended(Sketch("0", 0, tuple(curves)), tolerances, 3.0, lambda f: f.key in keys)
    assert survey(after, "0", tolerances, 3.0).findings == ()


def test_crossings_are_cut_when_all_is_fixed_and_only_then():
    cross = lines([(0, 0), (10, 10)], [(0, 10), (10, 0)])
    after, findings, _ = heal_all(cross, 0.05)
    assert kinds(findings) == ["crossing"]
    assert sorted(c.id for c in after) == ["c0.1", "c0.2", "c1.1", "c1.2"]
    doubled = [*cross, Curve("twin", cross[0].shape, "0")]
    tolerances = with_gap(Tolerances(), 0.05)
    key = next(f.key for f in survey(doubled, "0", tolerances, 3.0).findings if f.kind == "duplicate")
    chosen, _ = mended(Sketch("0", 0, tuple(doubled)), tolerances, 3.0, lambda f: f.key in {key})
    assert chosen == cross


def test_a_stray_is_dropped_only_when_it_is_chosen():
    curves = lines(square(), [(3, 3), (5, 6), (7, 3)])
    tolerances = with_gap(Tolerances(), 0.05)
    (stray,) = survey(curves, "0", tolerances, 3.0).findings
    assert (stray.kind, stray.by_choice) == ("stray", True)
    after, findings = mended(Sketch("0", 0, tuple(curves)), tolerances, 3.0, lambda f: f.key in {stray.key})
    assert [c.id for c in after] == ["c0", "c1", "c2", "c3"]
    assert findings[0].dropped == pytest.approx(2 * math.hypot(2, 3))


def test_a_curve_that_crosses_itself_is_told_and_cut_there():
    loop = Polyline(tuple(Point(*p) for p in [(0, 0), (10, 10), (10, 0), (0, 10)]), (0.0,) * 4, True)
    after, findings, regions = heal_all([Curve("bow", loop, "0")], 0.05)
    (told,) = [f for f in findings if f.kind == "self-crossing"]
    assert told.place.distance_to(Point(5, 5)) < 1e-9
    assert sorted(r.area for r in regions) == [pytest.approx(25), pytest.approx(25)]
    assert [f.kind for f in heal_all(after, 0.05)[1]] == []
