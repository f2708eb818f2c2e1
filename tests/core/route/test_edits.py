"""Sketches changed by hand: nothing is lost, nothing locked moves, and roles are kept through mending."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import Plane, State
from syntaxa.errors import RouteError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line
from syntaxa.mend.steps import MendFindings, survey_state
from syntaxa.route.edits import (
    BringBack,
    DeleteSketch,
    DuplicateSketch,
    ExcludeCurves,
    GiveRole,
    MakeGroup,
    MergeSketches,
    MoveCurves,
    OrderSketches,
    PlaceGroup,
    SetRolePen,
    SetSketch,
    Ungroup,
)
from syntaxa.route.part import Routed
from syntaxa.route.steps import first_sketches

CORNERS = ((0, 0), (10, 0), (10, 5), (0, 5))


def square(layer, at=0.0, gap=0.0):
    ends = list(zip(CORNERS, CORNERS[1:] + CORNERS[:1], strict=True))
    return [
        Curve(f"{layer}{k}", Line(Point(a + at, b), Point(c + at - gap * (k == 0), d)), layer)
        for k, ((a, b), (c, d)) in enumerate(ends)
    ]


def state(gap=0.0):
    curves = (*square("A", 0, gap), *square("B", 20), *square("C", 40))
    return first_sketches(State.of(Drawing(curves, (Layer("A", 1), Layer("B", 2), Layer("C", 3)))))


def after(start, *steps):
    for step in steps:
        start, _ = step.apply(start)
    return start


def ids(one):
    return sorted(c.id for c in one.curves())


def test_names_order_planes_and_notes():
    made = after(
        state(),
        SetSketch("A", name="Base"),
        SetSketch("Base", view="front", offset=12.0, turn_deg=90.0, notes="bent up"),
        OrderSketches(("C", "Base")),
    )
    assert [s.name for s in made.sketches] == ["C", "Base", "B"]
    base = made.sketch("Base")
    assert (base.plane, base.notes) == (Plane("front", 12.0, math.pi / 2), "bent up")
    # Worked by hand: (1, 0) turned by 90 degrees is (0, 1); front shows x and z, 12 mm before the middle.
    assert base.plane.in_space(Point(1, 0)) == pytest.approx((0, -12, 1))
    assert Plane("side", 5).in_space(Point(1, 2)) == pytest.approx((5, 1, 2))
    assert Plane("top", 5).in_space(Point(1, 2)) == pytest.approx((1, 2, 5))
    # Its plane is only where it lies: no curve was redrawn.
    assert [c.shape for c in base.curves] == [c.shape for c in state().sketch("A").curves]


def test_names_are_never_shared_and_never_empty():
    cases = (
        (SetSketch("A", name="B"), "already"),
        (SetSketch("A", name=" "), "needs a name"),
        (SetSketch("X", name="Y"), "There are: A, B, C"),
        (DuplicateSketch("A", "B"), "already"),
    )
    for step, says in cases:
        with pytest.raises(RouteError, match=says):
            step.apply(state())


def test_merge_split_duplicate_and_delete_even_the_last():
    merged = after(state(), MergeSketches(("B", "A")))
    assert {s.name: len(s.curves) for s in merged.sketches} == {"B": 8, "C": 4}
    split = after(merged, MoveCurves(("A0", "A1"), "Corner"))
    assert {s.name: len(s.curves) for s in split.sketches} == {"B": 6, "C": 4, "Corner": 2}
    double = after(split, DuplicateSketch("Corner", "Corner 2"))
    assert len(set(ids(double))) == 14
    empty = after(double, *(DeleteSketch(n) for n in ("B", "C", "Corner", "Corner 2")))
    assert empty.sketches == ()
    assert len(empty.excluded) == 14
    back = after(empty, BringBack(tuple(x.curve.id for x in empty.excluded)))
    assert ids(back) == ids(double)


def test_what_is_put_aside_takes_part_in_nothing_and_comes_back_where_it_was():
    aside = after(state(), ExcludeCurves(("A0", "B0", "B1", "B2", "B3", "gone")))
    assert [s.name for s in aside.sketches] == ["A", "C"]
    assert len(survey_state(aside, 0.1).regions) == 1
    _, entry = ExcludeCurves(("A0", "gone")).apply(state())
    assert (entry.changed, entry.dropped_mm, entry.missing) == (1, 10.0, ("gone",))
    back = after(aside, BringBack(("A0", "B0", "B1", "B2", "B3")))
    assert {s.name: sorted(c.id for c in s.curves) for s in back.sketches} == {
        s.name: sorted(c.id for c in s.curves) for s in state().sketches
    }
    assert back.excluded == ()


def test_a_locked_sketch_gives_nothing_takes_nothing_and_is_not_mended():
    locked = after(state(gap=0.05), SetSketch("A", locked=True))
    for step in (MergeSketches(("B", "A")), DeleteSketch("A"), MoveCurves(("B0",), "A")):
        with pytest.raises(RouteError, match="is locked"):
            step.apply(locked)
    same = after(locked, ExcludeCurves(("A0",)), MoveCurves(("A0",), "B"), GiveRole(("A0",), "bend"), MendFindings(0.1))
    assert same.sketch("A") == locked.sketch("A")
    mended = after(same, SetSketch("A", locked=False), MendFindings(0.1))
    assert mended.sketch("A") != locked.sketch("A")


def test_construction_and_reference_are_not_mended():
    for purpose in ("construction", "reference"):
        one = after(state(gap=0.05), SetSketch("A", purpose=purpose))
        assert {r.sketch for r in survey_state(one, 0.1).regions} == {"B", "C"}
        assert after(one, MendFindings(0.1)).sketch("A").curves == one.sketch("A").curves


def test_roles_are_given_taken_and_kept_through_mending():
    given = after(state(gap=0.05), GiveRole(("A0", "A1"), "bend"), GiveRole(("A0",), "engrave"), MendFindings(0.1))
    roles = {c.id: c.roles for c in given.sketch("A").curves}
    assert (roles["A0"], roles["A1"], roles["A2"]) == (("bend", "engrave"), ("bend",), ())
    taken = after(given, GiveRole(("A0",), "bend", on=False))
    assert next(c.roles for c in taken.curves() if c.id == "A0") == ("engrave",)


def test_a_role_outlives_the_curve_that_was_lying_double():
    twice = (*square("A"), Curve("twin", Line(Point(10, 0), Point(0, 0)), "A"))
    start = first_sketches(State.of(Drawing(twice, (Layer("A"),))))
    for marked in ("A0", "twin"):
        mended = after(start, GiveRole((marked,), "front edge"), MendFindings(0.1))
        assert len(mended.sketch("A").curves) == 4
        assert [r for c in mended.curves() for r in c.roles] == ["front edge"]


def test_a_curve_that_was_cut_goes_by_its_pieces():
    cross = (*square("A"), Curve("x", Line(Point(5, -3), Point(5, 8)), "A"))
    start = first_sketches(State.of(Drawing(cross, (Layer("A"),))))
    mended = after(start, MendFindings(0.1, 5.0))
    pieces = [c.id for c in mended.curves() if c.id.startswith("A0.")]
    if pieces:
        assert [c.roles for c in after(mended, GiveRole(("A0",), "bend")).curves() if c.id in pieces] == [
            ("bend",)
        ] * len(pieces)


SOME_IDS = st.lists(st.sampled_from(["A0", "B1", "C2", "no"]), max_size=3).map(tuple)
SOME_STEPS = st.one_of(
    st.builds(MoveCurves, SOME_IDS, st.sampled_from("ABX")),
    st.builds(ExcludeCurves, SOME_IDS),
    st.builds(BringBack, SOME_IDS),
    st.builds(MergeSketches, st.lists(st.sampled_from("ABCX"), max_size=3, unique=True).map(tuple)),
    st.builds(OrderSketches, st.permutations("ABC").map(tuple)),
)


@given(st.lists(SOME_STEPS, max_size=8))
def test_no_curve_is_ever_lost_or_doubled(steps):
    start = state()
    done = after(start, *steps)
    assert sorted([*ids(done), *(x.curve.id for x in done.excluded)]) == ids(start)
    assert {c.id: c.shape for c in done.curves()}.items() <= {c.id: c.shape for c in start.curves()}.items()


# ---------------------------------------------------------------------- groups


def test_a_group_is_moved_and_copied_by_its_base_point():
    grouped = after(state(), MakeGroup(("A0", "A1", "A2", "A3"), "foot", 0, 0))
    copied = after(grouped, PlaceGroup("foot#1", 100, 50, copy=True))
    groups = copied.part(Routed).groups
    assert [(g.key, g.base) for g in groups] == [("foot#1", Point(0, 0)), ("foot#2", Point(100, 50))]
    copies = [c for c in copied.curves() if c.group == "foot#2"]
    assert [(c.shape.start.x, c.shape.start.y) for c in copies] == [(100, 50), (110, 50), (110, 55), (100, 55)]
    moved, entry = PlaceGroup("foot#1", 3, 4).apply(copied)
    assert entry.max_mm == 5
    assert next(c for c in moved.curves() if c.id == "A0").shape.start == Point(3, 4)
    apart = after(moved, Ungroup("foot#1"))
    assert [g.key for g in apart.part(Routed).groups] == ["foot#2"]
    assert len(list(apart.curves())) == 16


def test_groups_of_no_curve_or_odd_name_are_refused():
    assert MakeGroup(("gone",), "foot", 0, 0).apply(state())[0] == state()
    for bad in ("", "a#b"):
        with pytest.raises(RouteError, match="needs a name"):
            MakeGroup(("A0",), bad, 0, 0).apply(state())
    with pytest.raises(RouteError, match="no group"):
        PlaceGroup("foot#1", 0, 0).apply(state())


def test_line_styles_of_roles_are_remembered():
    styled = after(state(), SetRolePen("bend", 0xFF0000, 0.25, "dashed"), SetRolePen("bend", layer="BENDS"))
    pen = dict(styled.part(Routed).pens)["bend"]
    assert (pen.colour, pen.weight, pen.line_type, pen.layer) == (0xFF0000, 0.25, "dashed", "BENDS")
    assert dict(after(styled, SetRolePen("bend", -1, 0.0)).part(Routed).pens)["bend"].colour is None
