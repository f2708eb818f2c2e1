"""Drawing and changing by hand: constructions against geometry that is known, and steps with their ledger rows."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from specimens import lines, regions_at, square

from syntaxa.drawing.codec import encoded
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import MendError, SyntaxaError
from syntaxa.geometry.construct import arc_from, arc_through, chamfered, circle_on, extended, filleted, trimmed
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Polyline
from syntaxa.mend.by_hand import (
    CutCurve,
    DrawCurves,
    JoinCurves,
    LockCurves,
    MapCurves,
    OffsetCurves,
    RoundCorner,
)
from syntaxa.mend.steps import LeaveFindings, MendFindings, survey_state

numbers = st.floats(-50, 50)
points = st.builds(Point, numbers, numbers)


def state(*curves):
    return State((), sketches=(Sketch("0", 0, tuple(curves)),))


def shapes(after):
    return {c.id: c.shape for c in after.curves()}


# -------------------------------------------------------------------- constructions


@given(points, st.floats(0.5, 40), st.floats(0, TURN), st.floats(0.2, 5.5), st.floats(0.2, 0.8), st.booleans())
def test_three_points_of_an_arc_give_the_arc(centre, radius, first, sweep, share, backward):
    arc = Arc(centre, radius, first, -sweep if backward else sweep)
    middle = Arc(centre, radius, first, arc.sweep * share).end
    found = arc_through(arc.start, middle, arc.end)
    assert found.centre.distance_to(centre) < 1e-6 * radius
    assert found.sweep == pytest.approx(arc.sweep, abs=1e-6)


def test_three_points_on_a_line_give_no_arc():
    assert arc_through(Point(0, 0), Point(1, 1), Point(3, 3)) is None


@given(points, st.floats(0, TURN), points)
def test_a_tangent_arc_leaves_as_it_should_and_arrives(start, angle, end):
    assume(start.distance_to(end) > 0.1)
    direction = Vector(math.cos(angle), math.sin(angle))
    assume(abs(direction.cross(end - start)) > 1e-3 or direction.dot(end - start) > 0)
    made = arc_from(start, direction, end)
    assert made.end.distance_to(end) < 1e-7 * (1 + made.length)
    if isinstance(made, Arc):
        out = made.start_angle + math.copysign(math.pi / 2, made.sweep)
        assert math.cos(out - angle) == pytest.approx(1, abs=1e-6)


def test_a_circle_on_a_diameter():
    assert circle_on(Point(0, 0), Point(6, 8)) == Circle(Point(3, 4), 5)


@given(st.floats(0.3, 2.8), st.floats(0.1, 3), st.floats(0, TURN))
def test_fillet_of_two_lines_is_that_of_the_handbook(angle, radius, turn):
    """Setback r / tan(a/2) on both sides and an arc of pi - a; any handbook of drawing, from memory."""
    a = Point(100 * math.cos(turn), 100 * math.sin(turn))
    b = Point(100 * math.cos(turn + angle), 100 * math.sin(turn + angle))
    one, arc, two = filleted(Line(a, Point(0, 0)), Line(Point(0, 0), b), radius)
    setback = radius / math.tan(angle / 2)
    assert one.length == pytest.approx(100 - setback, rel=1e-9)
    assert two.length == pytest.approx(100 - setback, rel=1e-9)
    assert abs(arc.sweep) == pytest.approx(math.pi - angle, rel=1e-9)
    assert arc.radius == pytest.approx(radius)
    for line in (one, two):
        near = min(line.start.distance_to(p) for p in (arc.start, arc.end))
        near = min(near, *(line.end.distance_to(p) for p in (arc.start, arc.end)))
        assert near < 1e-8


def test_fillet_of_a_line_and_an_arc_is_tangent_to_both():
    arc = Arc(Point(0, 0), 10, 0.0, math.pi / 2)
    made = filleted(Line(Point(0, 0), Point(0, 10)), arc, 2)
    _, round_, rest = made
    # Inside the quarter: the centre lies 2 from the line and 8 from the middle of the arc.
    assert round_.centre.x == pytest.approx(2)
    assert round_.centre.distance_to(Point(0, 0)) == pytest.approx(8)
    assert rest.radius == 10


def test_chamfer_takes_the_setback_from_both():
    one, between, two = chamfered(Line(Point(10, 0), Point(0, 0)), Line(Point(0, 0), Point(0, 8)), 3)
    assert (one.length, two.length) == (pytest.approx(7), pytest.approx(5))
    assert between.length == pytest.approx(3 * math.sqrt(2))
    assert chamfered(Line(Point(2, 0), Point(0, 0)), Line(Point(0, 0), Point(0, 8)), 3) is None


def test_trim_takes_the_part_between_what_crosses():
    bars = [Line(Point(x, -5), Point(x, 5)) for x in (2, 6)]
    left = trimmed(Line(Point(0, 0), Point(10, 0)), bars, Point(4, 0.3))
    assert [(round(p.start.x, 9), round(p.end.x, 9)) for p in left] == [(0, 2), (6, 10)]
    (tail,) = trimmed(Line(Point(0, 0), Point(10, 0)), bars, Point(9, 0))
    assert tail.end.x == pytest.approx(6)
    (arc,) = trimmed(Circle(Point(4, 0), 3), bars, Point(4, 3))
    assert arc.length == pytest.approx(3 * (TURN - 2 * math.asin(2 / 3)), rel=1e-9)
    assert trimmed(Line(Point(0, 9), Point(10, 9)), bars, Point(4, 9)) is None


def test_extend_goes_to_the_next_curve_only():
    walls = [Line(Point(x, -50), Point(x, 50)) for x in (12, 20, -3)]
    assert extended(Line(Point(0, 0), Point(10, 0)), walls, Point(9, 1)).end.x == pytest.approx(12)
    assert extended(Line(Point(0, 0), Point(10, 0)), walls, Point(1, 1)).start.x == pytest.approx(-3)
    arc = extended(Arc(Point(0, 0), 10, 0.0, 1.0), [Line(Point(-20, 0), Point(0, 0))], Point(5, 9))
    assert arc.sweep == pytest.approx(math.pi)
    assert extended(Line(Point(0, 0), Point(0, 10)), walls, Point(0, 9)) is None


# -------------------------------------------------------------------- steps


def test_drawn_shapes_join_their_sketch_and_construction_its_own():
    plain = encoded(Line(Point(0, 0), Point(5, 0)))
    after, entry = DrawCurves((plain,), "0", "a line").apply(state(*lines(square())))
    assert (entry.changed, len(list(after.curves()))) == (1, 5)
    helped, _ = DrawCurves((plain,), "0", "a line", construction=True).apply(after)
    assert helped.sketch("Construction").purpose == "construction"
    with pytest.raises(MendError, match="no length"):
        DrawCurves((encoded(Line(Point(1, 1), Point(1, 1))),), "0").apply(after)


def test_moving_tells_how_far_and_copies_make_a_row():
    start = state(Curve("c", Circle(Point(0, 0), 2), "0"))
    after, entry = MapCurves(("c",), (1, 0, 0, 1, 3, 4), "Move").apply(start)
    assert entry.max_mm == pytest.approx(5)
    assert shapes(after)["c"].centre == Point(3, 4)
    row, entry = MapCurves(("c",), (1, 0, 0, 1, 10, 0), "Array", copies=3).apply(start)
    assert sorted(c.shape.centre.x for c in row.curves()) == [0, 10, 20, 30]
    assert entry.changed == 3
    with pytest.raises(MendError):
        MapCurves(("c",), (0, 0, 0, 0, 0, 0), "Scale").apply(start)


def test_a_polyline_is_trimmed_at_the_piece_that_is_meant():
    frame = Curve("f", Polyline(tuple(Point(*p) for p in square()[:-1]), (0.0,) * 4, True), "0")
    bars = [Curve(f"b{x}", Line(Point(x, -2), Point(x, 2)), "0") for x in (3, 7)]
    after, entry = CutCurve("f", 5, 0, "trim").apply(state(frame, *bars))
    assert entry.dropped_mm == pytest.approx(4)
    left = [c for c in after.curves() if c.id.startswith("f")]
    assert sum(c.shape.length for c in left) == pytest.approx(36)
    assert len(left) == 1
    split, _ = CutCurve("f", 5, 0, "split").apply(state(frame))
    assert sum(c.shape.length for c in split.curves()) == pytest.approx(40)


def test_a_fillet_in_a_square_gives_the_area_of_a_rounded_corner():
    start = state(*lines(square()))
    after, entry = RoundCorner(("c0", "c1"), 2.0, "fillet").apply(start)
    (region,) = regions_at(list(after.curves()))
    assert region.area == pytest.approx(100 - (1 - math.pi / 4) * 4, rel=1e-9)
    assert entry.dropped_mm == pytest.approx(4)
    with pytest.raises(MendError, match="do not fit"):
        RoundCorner(("c0", "c1"), 30.0, "fillet").apply(start)


@given(st.floats(0.1, 4), st.booleans())
def test_offsets_of_a_rounded_rectangle_are_parallel_to_it(distance, inward):
    r, w, h = 5.0, 40.0, 20.0
    quarter = math.tan(math.pi / 8)
    around = [(r, 0), (w - r, 0), (w, r), (w, h - r), (w - r, h), (r, h), (0, h - r), (0, r)]
    frame = Curve("f", Polyline(tuple(Point(*p) for p in around), (0.0, quarter) * 4, True), "0")
    d = -distance if inward else distance
    after, _ = OffsetCurves(("f",), d).apply(state(frame))
    copy = next(c for c in after.curves() if c.id != "f")
    (region,) = regions_at([copy])
    # Steiner's formula for parallel bodies: A + P d + pi d^2, exact for smooth convex outlines.
    area = w * h - (4 - math.pi) * r * r
    perimeter = 2 * (w + h) - (8 - TURN) * r
    assert region.area == pytest.approx(area + perimeter * d + math.pi * d * d, rel=1e-9)


def test_a_chain_of_curves_is_offset_as_one_on_both_sides():
    after, entry = OffsetCurves(("c0", "c1", "c2", "c3"), 1.0, both=True).apply(state(*lines(square())))
    assert entry.changed == 2
    areas = sorted(regions_at([c])[0].area for c in after.curves() if "offset" in c.id)
    assert areas == [pytest.approx(64), pytest.approx(144)]
    with pytest.raises(MendError, match="Nothing is left"):
        OffsetCurves(("c0", "c1", "c2", "c3"), -6.0).apply(state(*lines(square())))


def test_joined_curves_are_one_and_nothing_moves():
    after, entry = JoinCurves(("c0", "c1", "c2", "c3")).apply(state(*lines(square())))
    (whole,) = after.curves()
    assert entry.changed == 4
    assert whole.shape.is_closed
    assert whole.shape.length == pytest.approx(40)
    with pytest.raises(MendError, match="end to end"):
        JoinCurves(("c0", "c2")).apply(state(*lines(square())))


def test_nothing_moves_or_drops_what_is_locked():
    curves = lines([(0, 0), (9.96, 0)], [(10, 0), (10, 10), (0, 10), (0, 0)], [(10, 0), (10, 10)], [(5, 0), (5, 2)])
    held, _ = LockCurves(("c0", "c4", "c5")).apply(state(*curves))
    after, entry = MendFindings(gap=0.05).apply(held)
    locked = {c.id: c.shape for c in held.curves() if c.locked}
    assert {k: v for k, v in shapes(after).items() if k in locked} == locked
    # The corner is drawn to the locked end, all the way.
    assert entry.max_mm == pytest.approx(0.04)
    assert Point(9.96, 0) in {c.shape.start for c in after.curves()}
    for step in (CutCurve("c0", 5, 0, "split"), RoundCorner(("c0", "c1"), 1.0, "fillet")):
        with pytest.raises(SyntaxaError, match="locked"):
            step.apply(held)
    moved, _ = MapCurves(("c0",), (1, 0, 0, 1, 3, 4), "Move").apply(held)
    assert shapes(moved)["c0"] == locked["c0"]


# -------------------------------------------------------------------- choices and notes


def gap_of(curves):
    (finding,) = [f for f in survey_state(state(*curves), 0.1).findings if f.kind == "gap"]
    return finding


@pytest.mark.parametrize("choice", ["line", "arc", "arc-back", "first", "second"])
def test_a_gap_can_be_closed_in_other_ways(choice):
    curves = lines([(0, 0), (9.93, 0.02)], [(10, 0), (10, 10), (0, 10), (0, 0)])
    finding = gap_of(curves)
    assert choice in finding.choices
    assert 0 < finding.confidence < 1
    step = MendFindings(0.1, only=(finding.key,), choices=((finding.key, choice),))
    after, entry = step.apply(state(*curves))
    (region,) = regions_at(list(after.curves()))
    ends = {c.id: c.shape for c in after.curves()}
    if choice in ("first", "second"):
        assert entry.max_mm == pytest.approx(finding.size)
        kept = Point(9.93, 0.02) if choice == "first" else Point(10, 0)
        corner = ends["c0"].end if "c0" in ends else None
        first_is_c0 = finding.key.index("c0") < finding.key.index("c1")
        assert first_is_c0
        assert corner == kept
    else:
        # No end moves; a piece of its own bridges the gap.
        assert entry.max_mm == 0
        assert region.perimeter > 39.9
        assert any(isinstance(c.shape, Polyline) or c.shape.length < 0.2 for c in after.curves())


@pytest.mark.parametrize(
    ("choice", "place", "direction"), [("arc", (9.93, 0.02), (9.93, 0.02)), ("arc-back", (10, 0), (0, 1))]
)
def test_a_bridging_arc_runs_on_at_the_end_that_was_chosen(choice, place, direction):
    curves = lines([(0, 0), (9.93, 0.02)], [(10, 0), (10, 10), (0, 10), (0, 0)])
    finding = gap_of(curves)
    step = MendFindings(0.1, only=(finding.key,), choices=((finding.key, choice),))
    after, _ = step.apply(state(*curves))
    parts = [p for c in after.curves() for p in (c.shape.segments() if isinstance(c.shape, Polyline) else [c.shape])]
    (arc,) = [p for p in parts if isinstance(p, Arc) and p.length < 0.5]
    end, angle = min(
        ((arc.start, arc.start_angle), (arc.end, arc.start_angle + arc.sweep)), key=lambda e: math.dist(e[0], place)
    )
    assert math.dist(end, place) < 1e-9
    tangent = (-math.sin(angle), math.cos(angle))
    assert abs(tangent[0] * direction[1] - tangent[1] * direction[0]) / math.hypot(*direction) < 1e-6


def test_the_other_of_two_can_be_kept():
    twins = [Curve("a", Line(Point(0, 0), Point(5, 0)), "CUT"), Curve("b", Line(Point(0, 0), Point(5, 0)), "MARK")]
    (finding,) = [f for f in survey_state(state(*twins), 0.1).findings if f.kind == "duplicate"]
    usual, _ = MendFindings(0.1).apply(state(*twins))
    step = MendFindings(0.1, only=(finding.key,), choices=((finding.key, "other"),))
    other, _ = step.apply(state(*twins))
    assert {c.id for c in usual.curves()} | {c.id for c in other.curves()} == {"a", "b"}
    assert len(list(other.curves())) == 1


def test_what_is_left_with_a_note_is_not_fixed_with_all():
    curves = lines([(0, 0), (9.93, 0.02)], [(10, 0), (10, 10), (0, 10), (0, 0)])
    finding = gap_of(curves)
    left, entry = LeaveFindings((finding.key,), "A vent, as agreed.").apply(state(*curves))
    assert entry.says == "A vent, as agreed."
    (told,) = [f for f in survey_state(left, 0.1).findings if f.kind == "gap"]
    assert told.note == "A vent, as agreed."
    after, entry = MendFindings(0.1).apply(left)
    assert tuple(after.curves()) == tuple(curves)
    back, _ = LeaveFindings((finding.key,), back=True).apply(left)
    assert MendFindings(0.1).apply(back)[1].changed == 1


def test_rows_of_a_chain_are_end_to_end():
    from syntaxa.mend.chains import chains_of

    curves = lines(square())
    shuffled = [curves[2], Curve("r", Line(curves[0].shape.end, curves[0].shape.start), "0"), curves[3], curves[1]]
    (chain,) = chains_of(shuffled)
    assert chain.closed
    rows = np.array(chain.rows)
    assert np.array_equal(rows[:, 2:4], np.roll(rows[:, :2], -1, axis=0))


@pytest.mark.parametrize("end", [Point(-5, 0), Point(-1e9, 0), Point(-5, 1e-8), Point(0, 0)])
def test_no_tangent_arc_leads_to_a_point_straight_behind(end):
    """Its radius was 4e16 mm."""
    assert arc_from(Point(0, 0), Vector(1, 0), end) is None


def test_a_tangent_arc_leads_almost_behind():
    arc = arc_from(Point(0, 0), Vector(1, 0), Point(-5, 0.01))
    assert 2000 > arc.radius > 1000
