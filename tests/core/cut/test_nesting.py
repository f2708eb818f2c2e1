"""Nesting: nothing overlaps, everything keeps the gap and the margin, nothing is lost; judged by facets."""

from __future__ import annotations

import itertools
import math
from dataclasses import replace

import numpy as np
import pytest
import shapely
from cutting import beamed, box, circle, drawing, line, machine, milled, prove, rounded
from hypothesis import given, settings
from hypothesis import strategies as st
from regions import flat, polygon, stadium, star

from syntaxa.cut.contours import contours_of
from syntaxa.cut.library import plain_tool
from syntaxa.cut.model import Operation, Pick, Place, Settings, Stock
from syntaxa.cut.nesting import nested, waste
from syntaxa.cut.offsets.chains import area_of
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.planning import planned
from syntaxa.cut.picking import Nested, picked
from syntaxa.cut.sheets import NestParts
from syntaxa.errors import CutError
from syntaxa.geometry.points import Point

SHEET = (200.0, 150.0)


def placed(outlines, laid):
    """What lies on each sheet, by facets."""
    sheets = {}
    for one in laid:
        points = flat(outlines[one.part], 0.01)
        c, s = math.cos(one.turn), math.sin(one.turn)
        turned = np.column_stack([c * points[:, 0] - s * points[:, 1], s * points[:, 0] + c * points[:, 1]])
        sheets.setdefault(one.sheet, []).append(shapely.Polygon(turned + np.array([one.x, one.y])))
    return sheets


def some_outlines(seed):
    rng = np.random.default_rng(seed)
    return [star(rng, 9, 0.4, 0.1, 18.0), stadium(0, 0, 30, 14), polygon(3, 22.0), polygon(6, 15.0)]


@pytest.mark.parametrize("way", ["shape", "grid"])
@pytest.mark.parametrize("turning", ["none", "half", "quarters", "eighths"])
def test_nothing_overlaps_and_the_gap_is_kept(way, turning):
    outlines, copies, gap, margin = some_outlines(1), [4, 6, 5, 3], 3.0, 6.0
    laid = nested(outlines, copies, SHEET, gap, margin, turning, way)
    assert [sum(one.part == k for one in laid) for k in range(4)] == copies
    room = shapely.box(margin, margin, SHEET[0] - margin, SHEET[1] - margin).buffer(1e-6)
    for parts in placed(outlines, laid).values():
        assert all(room.contains(p) for p in parts)
        assert all(a.distance(b) >= gap - 1e-3 for a, b in itertools.combinations(parts, 2))


@given(st.integers(0, 30), st.floats(0, 8))
@settings(max_examples=30, deadline=None)
def test_any_gap(seed, gap):
    outlines = some_outlines(seed)
    for parts in placed(outlines, nested(outlines, [2, 2, 2, 2], SHEET, gap, 2.0)).values():
        assert all(a.distance(b) >= gap - 2e-2 for a, b in itertools.combinations(parts, 2))


def test_the_grain_is_kept_by_half_turns():
    laid = nested(some_outlines(2), [3, 3, 3, 3], SHEET, 2.0, 2.0, "half")
    assert {one.turn for one in laid} <= {0.0, math.pi}


def test_shapes_lie_closer_than_boxes():
    """Triangles fill the halves of boxes that other triangles leave."""
    outlines, sheets = [polygon(3, 25.0)], {}
    for way in ("shape", "grid"):
        laid = nested(outlines, [40], SHEET, 1.0, 1.0, "eighths", way)
        sheets[way] = 1 + max(one.sheet for one in laid)
    assert sheets["shape"] < sheets["grid"]


def test_waste_is_what_no_part_covers():
    outlines = [box_rows(50, 75)]
    laid = nested(outlines, [8], (200.0, 150.0), 0.0, 0.0, "none")
    areas = [area_of(r) for r in outlines]
    sheets = 1 + max(one.sheet for one in laid)
    assert waste(areas, laid, (200.0, 150.0)) == pytest.approx(1 - 8 * 50 * 75 / (sheets * 200 * 150))


def box_rows(w, h):
    return np.array([[0, 0, 0], [w, 0, 0], [w, h, 0], [0, h, 0]], float)


def test_what_cannot_be_nested_is_told():
    with pytest.raises(CutError, match="larger than the sheet"):
        nested([box_rows(300, 10)], [1], SHEET, 1.0, 1.0, "none")
    with pytest.raises(CutError, match="no room"):
        nested([box_rows(3, 10)], [1], SHEET, 1.0, 90.0)
    with pytest.raises(CutError, match="too many"):
        nested([box_rows(3, 10)], [100_000], SHEET, 1.0, 1.0)
    with pytest.raises(CutError, match="makes no sense"):
        NestParts((0.0, 10.0)).apply(drawing(box("A", 0, 0, 10, 10)))


def test_a_sheet_of_copies_is_cut_and_every_copy_is_its_profile():
    state = drawing(rounded("OUT", 0, 0, 60, 40, 6), circle("HOLE", 30, 20, 8), circle("HOLE2", 12, 20, 3))
    after, entry = NestParts((200.0, 150.0), copies=7, gap=3.0).apply(state)
    assert entry.says.startswith("7 parts on 1 sheet")
    assert [s.purpose for s in after.sketches] == ["construction", "profile"]
    assert len(after.sketch("Sheet 1").curves) == 21
    done = prove(beamed(after, stock=Stock(sketch="Sheet 1")))
    assert done.verdict.deviation <= 1e-6
    assert not done.verdict.wrong
    assert done.work.stock.size[:2] == pytest.approx((200.0, 150.0))
    assert len({c.id for s in after.sketches for c in s.curves}) == 24
    assert after.part(Planned).sheets[0][0] == "Sheet 1"


def test_operations_about_a_sketch_go_on_to_mean_it_on_a_sheet():
    state = drawing(rounded("OUT", 0, 0, 60, 40, 6), circle("HOLE", 30, 20, 8))
    mine = state.sketches[0].name
    after, _ = NestParts((100.0, 60.0), copies=3, gap=3.0).apply(state)
    root = next(c.root for s in state.sketches for c in s.curves if c.layer == "HOLE")
    for pick, count in ((Pick(sketches=(mine,)), 2), (Pick(sketches=("ELSEWHERE",)), 0), (Pick(roots=(root,)), 1)):
        for name in ("Sheet 1", "Sheet 2", "Sheet 3"):
            plan = replace(after.part(Planned), stock=Stock(sketch=name))
            numbers, gone = picked(Operation("Cut", pick=pick), contours_of(after), Nested(plan))
            assert (len(numbers), gone) == (count, [])
            assert {contours_of(after).contours[k].sketch for k in numbers} <= {name}


def test_what_was_set_by_hand_on_a_part_holds_on_all_its_copies():
    state = drawing(box("OUT", 0, 0, 60, 30), circle("LEFT", 12, 15, 4), circle("RIGHT", 45, 15, 6))
    keys = {next(iter(c.layers)): c.key for c in contours_of(state).contours}
    tool = plain_tool(machine("mill"), 3.0)
    operation = Operation(
        "Cut", "profile", Pick(without=(keys["LEFT"],)), Settings(tool=tool.name, lead="none", entry="plunge")
    )
    places = (
        Place("Cut", keys["OUT"], start=(60.0, 21.0), tabs_at=((20.0, 0.0), (33.0, 30.0))),
        Place("Cut", keys["RIGHT"], turned=True),
    )
    plain = milled(state, operation, tools=(tool,), places=places)
    nested_state, _ = NestParts((75.0, 400.0), copies=4, gap=8.0).apply(plain)
    laid = {c.by for c in nested_state.part(Planned).copied}
    assert len(laid) == 4
    assert any(abs(by.b) > 0.5 for by in laid)  # some are turned
    work = planned(nested_state)
    outlines = [c for c in work.cuttings if work.contours.contours[c.run.number].bounds == "outer"]
    starts = sorted(tuple(np.round(c.run.start[:2], 6)) for c in outlines)
    # 1.5 mm to the right of the place that was picked, wherever the part was laid.
    assert np.allclose(starts, sorted((p.x, p.y) for by in laid for p in [by.point(Point(61.5, 21.0))]), atol=1e-5)
    tabs = sorted(tuple(np.round(t[1:3], 6)) for t in work.tabs)
    wanted = [by.point(Point(x, y)) for by in laid for x, y in ((20.0, -1.5), (33.0, 31.5))]
    assert np.allclose(tabs, sorted((p.x, p.y) for p in wanted), atol=1e-5)
    # The right hole is gone round on its outside, the left one is not cut at all.
    rings = [c.run for c in work.cuttings if work.contours.contours[c.run.number].bounds == "hole"]
    assert len(rings) == 4
    for run in rings:
        x, y, radius = work.contours.contours[run.number].circle
        assert radius == pytest.approx(6.0)
        assert math.dist(run.start[:2], (x, y)) == pytest.approx(7.5)


def test_a_copy_may_be_set_apart_from_what_it_was_copied_from():
    state = drawing(box("OUT", 0, 0, 60, 30))
    key = contours_of(state).contours[0].key
    nested_state, _ = NestParts((75.0, 150.0), copies=2).apply(milled(state, places=(Place("Cut", key, turned=True),)))
    plan, contours = nested_state.part(Planned), contours_of(nested_state)
    first, second = (c.key for c in contours.contours)
    plan = plan.with_place(Place("Cut", first))
    assert {p.contour: p.turned for p in Nested(plan).places(contours)} == {key: True, first: False, second: True}


def test_faces_that_share_their_curves_keep_their_own_choices_when_their_part_is_turned():
    # A square and its diagonal: two faces whose contours have some curves in common, in one drawing.
    corners = [(0, 0), (40, 0), (40, 40), (0, 40)]
    state = drawing(*line("EDGE", *corners, corners[0]), *line("DIAGONAL", corners[0], corners[2]))
    faces = [c for c in contours_of(state).contours if c.closed]
    places = tuple(Place("Cut", c.key, start=tuple(c.rows[0, :2].tolist())) for c in faces)
    nested_state, _ = NestParts((50.0, 100.0), copies=2).apply(milled(state, places=places))
    contours = contours_of(nested_state)
    found = {p.contour: p.start for p in Nested(nested_state.part(Planned)).places(contours)}
    for contour in contours.contours:
        if contour.closed and contour.key in found:
            assert np.abs(contour.rows[:, :2] - found[contour.key]).sum(axis=1).min() < 1e-6


def test_of_a_curve_that_several_parts_share_each_copy_has_its_own_stretch():
    # Nine tiles from eight long lines, a hole in one, and a rim that stands out beyond them.
    lines = [c for k in range(4) for c in (*line(f"U{k}-", (50 * k, 0), (50 * k, 150)), *line(f"L{k}-", (0, 50 * k),
        (150 if k else 170, 50 * k)))]  # fmt: skip
    state = drawing(*lines, circle("HOLE", 25, 25, 10))
    after, entry = NestParts((400.0, 400.0), gap=3.0).apply(state)
    assert entry.says.startswith("9 parts on 1 sheet")
    contours = contours_of(after).contours
    assert sum(c.closed for c in contours) == len(contours) == 10
    assert sorted(round(p.area) for p in contours_of(after).parts) == [round(2500 - 100 * math.pi), *[2500] * 8]
    done = prove(beamed(after, stock=Stock(sketch="Sheet 1")))
    assert not done.verdict.wrong


def test_circles_that_touch_are_nested_as_circles():
    state = drawing(*(circle(f"C{i}{j}", 10 * i, 10 * j, 5) for i in range(3) for j in range(3)))
    after, _ = NestParts((300.0, 300.0), gap=3.0).apply(state)
    # Nine discs, and the four stars between them.
    assert sum(c.circle is not None for c in contours_of(after).contours) == 9
    areas = sorted(p.area for p in contours_of(after).parts)
    assert areas == pytest.approx([100 - 25 * math.pi] * 4 + [25 * math.pi] * 9, rel=1e-9)
