"""From drawings to programs and back: the part that the bench machine cuts is the profile; and each detail does what
it says.
"""

from __future__ import annotations

import itertools
import math
import re

import msgspec
import numpy as np
import pytest
import shapely
from cutting import (
    TOOLS,
    beamed,
    box,
    bracket,
    circle,
    drawing,
    faces_of_truth,
    line,
    machine,
    made_up_part,
    milled,
    operations,
    prove,
    rounded,
    wrong_kinds,
)
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.cut.bench.clock import times_of
from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.contours import contours_of
from syntaxa.cut.model import KeepOut, Operation, Pick, Place, Settings, Stock
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.planning import planned
from syntaxa.define.steps import SetParameter
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import CutError
from syntaxa.geometry.transform import Transform

KINDS_OF_CUTS = ("cut", "tab", "ramp")


# ---------------------------------------------------------------------- the part is the profile


@pytest.mark.parametrize("seed", range(200))
def test_a_made_up_part_is_its_profile(seed):
    done = prove(beamed(made_up_part(seed)))
    assert done.verdict.deviation <= 1e-6
    assert done.verdict.gouge == 0.0
    assert not done.verdict.wrong
    assert done.verdict.judged


@pytest.mark.parametrize(("seed", "count"), [(1, 40), (21, 60), (77, 60)])
def test_every_face_of_the_damage_corpus_is_its_profile(seed, count):
    for state in faces_of_truth(seed, count):
        done = prove(beamed(state))
        assert done.verdict.deviation <= 1e-6
        assert not done.verdict.wrong, done.verdict.wrong[0].says


@given(st.integers(0, 60), st.sampled_from([3, 4, 5]))
def test_fewer_places_cost_what_rounding_costs(seed, decimals):
    """Half a step of the grid in x and y, and as much for the centre."""
    done = prove(beamed(made_up_part(seed), decimals=decimals))
    assert done.verdict.deviation <= 3 * 10.0**-decimals
    assert done.played.mismatch <= 2 * 10.0**-decimals


@pytest.mark.parametrize("by", ["relative", "absolute", "radius", "none"])
@pytest.mark.parametrize("unit", ["mm", "in"])
def test_whatever_way_a_machine_wants_its_arcs(by, unit):
    own = machine("laser", 6)
    own = msgspec.structs.replace(own, unit=unit, arcs=msgspec.structs.replace(own.arcs, by=by))
    start = ("G20 G90 G17", *own.words.start[1:]) if unit == "in" else own.words.start
    centres = "G90.1" if by == "absolute" else "G91.1"
    start = tuple(line.replace("G91.1", centres) for line in start)
    own = msgspec.structs.replace(own, words=msgspec.structs.replace(own.words, start=start))
    state = beamed(drawing(rounded("OUT", 0, 0, 60, 40, 7), circle("HOLE", 30, 20, 6)))
    part = state.part(Planned)
    done = prove(state.with_part(Planned(own, part.stock, part.tools, part.operations)))
    limit = 0.006 if by == "none" else 3e-5 if unit == "in" or by == "radius" else 3e-6
    assert done.verdict.deviation <= limit
    if by != "none":
        assert not done.verdict.wrong
    assert bool(re.search(r"^G[23] ", done.text, re.MULTILINE)) == (by != "none")


# ---------------------------------------------------------------------- a milled bracket


def test_the_bracket_is_made_and_nothing_is_wrong():
    done = prove(milled(bracket(), *operations()))
    assert not done.work.failed
    assert not done.work.told
    assert not done.verdict.found
    assert done.verdict.deviation < 1e-6
    names = [c.doing.operation.name for c in done.work.cuttings]
    assert names[-1] == "Outline"
    # One visit of each tool is enough but for the one that must come back.
    tools = [t for t, _ in itertools.groupby(c.doing.tool.name for c in done.work.cuttings)]
    assert len(tools) == 5


@pytest.mark.parametrize("entry", ["plunge", "ramp", "helix"])
@pytest.mark.parametrize("direction", ["climb", "conventional"])
def test_every_way_down_and_both_ways_round(entry, direction):
    changes = {"entry": entry, "direction": direction}
    done = prove(milled(bracket(), *operations(Pocket=changes, Bore={"direction": direction}, Outline=changes)))
    assert not done.verdict.wrong, [f.says for f in done.verdict.wrong]
    assert done.verdict.deviation < 1e-3


def test_ramps_are_no_steeper_than_asked():
    done = prove(milled(bracket(), *operations(Outline={"entry_angle": 2.0, "tabs": 0})))
    for cutting in done.work.cuttings:
        for stretch in cutting.run.stretches:
            if stretch.what == "ramp" and cutting.doing.operation.name == "Outline":
                steep = np.abs(np.diff(stretch.rows[:, 2])) / np.maximum(stretch.pieces.lengths(), 1e-12)
                assert steep.max() <= math.tan(math.radians(2.0)) * (1 + 1e-9)


def test_tabs_hold_the_part_and_are_as_wide_as_asked():
    """What stands at a tab is the path that is raised, less the tool's width."""
    done = prove(milled(bracket(), *operations(Outline={"tabs": 3, "tab_width": 5.0, "tab_height": 1.5})))
    raised = [
        s for c in done.work.cuttings if c.doing.operation.name == "Outline"
        for s in c.run.stretches if s.what == "tab" and float(s.rows[0, 2]) == pytest.approx(-6.5)
    ]  # fmt: skip
    bottom = [s for s in raised if s.length == pytest.approx(11.0)]
    assert len(bottom) >= 3
    assert not any(f.kind == "loose" for f in done.verdict.found)
    without = prove(milled(bracket(), *operations(Outline={"tabs": 0})))
    assert any(f.kind == "loose" for f in without.verdict.found)


def test_tabs_of_a_beam_are_gaps():
    state = beamed(drawing(box("OUT", 0, 0, 60, 40)), tabs=2, tab_width=0.6)
    done = prove(state)
    assert done.text.count("M5") == 3 + 1
    gap = [m.length for m in done.played.moves if m.kind == "rapid"][1:3]
    assert gap == pytest.approx([0.8, 0.8], abs=1e-6)


def test_tabs_keep_off_corners_and_small_arcs():
    done = planned(milled(bracket(), *operations(Outline={"tab_every": 30.0})))
    for cutting in done.cuttings:
        if cutting.doing.operation.name == "Outline":
            for stretch in cutting.run.stretches:
                if stretch.what == "tab":
                    assert not stretch.pieces.is_arc.any()


def test_what_is_left_for_the_wall_is_cut_by_a_pass_of_its_own():
    done = prove(milled(bracket(), *operations(Outline={"finish": 0.4}, Pocket={"finish": 0.3})))
    assert not done.verdict.wrong, [f.says for f in done.verdict.wrong]
    assert done.verdict.deviation < 1e-3
    rows = [c for c in done.work.cuttings if c.doing.operation.name == "Outline"]
    assert len(rows) == 2


def test_an_allowance_stays():
    done = prove(milled(bracket(), *operations(Outline={"allowance": 0.5, "tabs": 0})))
    assert done.verdict.gouge == 0.0
    out = next(c.run for c in done.work.cuttings if c.doing.operation.name == "Outline")
    box_of = np.vstack([s.rows[:, :2] for s in out.stretches])
    assert box_of.min(axis=0) == pytest.approx([-3.5, -3.5], abs=1e-6)


def test_a_relief_lets_a_square_part_in():
    """In a slot of 20 x 10 a square corner fits once each corner was relieved: its corner lies in what was swept."""
    state = drawing(box("OUT", -20, -20, 60, 50), box("SLOT", 0, 0, 20, 10))
    inner = Operation("Slot", "profile", Pick(layers=("SLOT",)), Settings(tool="end mill 4", corners="relief"))
    done = prove(milled(state, inner, thickness="4"))
    assert not done.verdict.wrong, [f.says for f in done.verdict.wrong]
    assert not any(f.kind == "corner" for f in done.verdict.found)
    cut = shapely.union_all([
        shapely.LineString(s.rows[:, :2]).buffer(2.0, quad_segs=64)
        for c in done.work.cuttings for s in c.run.stretches if len(s.rows) > 1 and s.pieces.lengths().sum() > 0
    ])  # fmt: skip
    for corner in ((0, 0), (20, 0), (20, 10), (0, 10)):
        assert cut.buffer(1e-3).contains(shapely.Point(corner))
    plain = prove(milled(state, msgspec.structs.replace(inner, settings=Settings(tool="end mill 4")), thickness="4"))
    assert sum(f.kind == "corner" for f in plain.verdict.found) == 4
    assert plain.verdict.left == pytest.approx((4 - math.pi) * 4.0, rel=1e-6)


def test_loops_keep_corners_sharp_and_stay_off_the_part():
    done = prove(beamed(drawing(box("OUT", 0, 0, 60, 40)), corners="loop", lead_size=2.0))
    assert not done.verdict.wrong
    assert done.verdict.deviation <= 1e-6
    assert done.verdict.cut > 2 * (60 + 40) + 4 * 10


def test_overcut_goes_on_beyond_the_start():
    plain, more = (prove(beamed(drawing(box("OUT", 0, 0, 60, 40)), overcut=o)) for o in (0.0, 3.0))
    assert more.verdict.cut - plain.verdict.cut == pytest.approx(3.0, abs=1e-6)


def test_leads_keep_off_neighbours():
    """Two parts that leave a gap of 0.5 mm: a lead of 1 mm between them would touch the other."""
    state = drawing(box("A", 0, 0, 40, 30), box("B", 40.5, 0, 40, 30))
    done = prove(beamed(state, kerf=0.2, lead_size=1.0))
    assert not done.verdict.wrong, [f.says for f in done.verdict.wrong]


def test_lines_that_neighbours_share_are_cut_once():
    """Three parts one kerf apart: what they share is cut once, and every part is its profile all the same."""
    state = drawing(*(box(f"P{k}", k * 40.2, 0, 40, 30) for k in range(3)))
    twice, once = (prove(beamed(state, lead="none", common=c)) for c in (False, True))
    assert not once.verdict.wrong, [f.says for f in once.verdict.wrong]
    assert once.verdict.deviation <= 1e-6
    assert twice.verdict.cut - once.verdict.cut == pytest.approx(2 * 30, abs=1e-3)


# ---------------------------------------------------------------------- what is chosen


def test_nesting_decides_the_side():
    state = drawing(
        box("OUT", 0, 0, 100, 100), box("HOLE", 20, 20, 60, 60), box("PART", 30, 30, 40, 40), circle("EYE", 50, 50, 5)
    )
    found = contours_of(state)
    assert [(c.bounds, c.depth) for c in sorted(found.contours, key=lambda c: c.depth)] == [
        ("outer", 0), ("hole", 1), ("outer", 2), ("hole", 3)
    ]  # fmt: skip
    done = prove(beamed(state))
    assert done.verdict.deviation <= 1e-6
    order = [c.run.contour for c in done.work.cuttings]
    depth = {c.key: c.depth for c in found.contours}
    assert [depth[k] for k in order] == [3, 2, 1, 0]


def test_holes_on_another_sketch_are_holes():
    one, two = box("OUT", 0, 0, 50, 50), circle("H", 25, 25, 8)
    state = State(sketches=(Sketch("A", 0, (one,)), Sketch("B", 0, (two,))))
    assert {c.sketch: c.bounds for c in contours_of(state).contours} == {"A": "outer", "B": "hole"}


def test_a_side_is_turned_over_by_hand():
    state = beamed(drawing(box("OUT", 0, 0, 60, 40)))
    part = state.part(Planned)
    key = contours_of(state).contours[0].key
    done = prove(state.with_part(part.with_place(Place("Cut", key, turned=True))))
    places = np.array([m.end[:2] for m in done.played.moves if m.cuts])
    assert places.max(axis=0) - places.min(axis=0) == pytest.approx([59.8, 39.8], abs=1e-6)
    assert not done.verdict.wrong


def test_a_start_is_where_it_was_picked():
    state = beamed(drawing(box("OUT", 0, 0, 60, 40)))
    part = state.part(Planned)
    key = contours_of(state).contours[0].key
    done = prove(state.with_part(part.with_place(Place("Cut", key, start=(60.0, 12.0)))))
    lead = done.work.cuttings[0].run.stretches[0]
    assert lead.rows[-1, :2] == pytest.approx([60.1, 12.0])


def test_rules_choose_by_layer_size_and_nest():
    state = bracket()
    small = Operation("Drill", "drill", Pick(round_to=6.0), Settings(tool="drill 5"))
    assert len(planned(milled(state, small)).cuttings) == 4
    outer = Operation("Out", "profile", Pick(nest="outer"), Settings(tool="end mill 6"))
    assert {c.run.contour for c in planned(milled(state, outer)).cuttings} == {contours_of(state).contours[0].key}
    without = Operation("In", "profile", Pick(nest="inner", layers=("HOLE",)), Settings(tool="end mill 4"))
    assert len(planned(milled(state, without)).cuttings) == 4


def test_depths_are_formulas_with_parameters():
    state, _ = SetParameter("deep", "2 * 1.5mm").apply(bracket())
    done = planned(milled(state, *operations(Pocket={"depth": "deep + 1"})))
    pocket = next(c for c in done.cuttings if c.doing.operation.name == "Pocket")
    assert pocket.doing.bottom == pytest.approx(-4.0)
    failed = planned(milled(state, *operations(Pocket={"depth": "no_such"})))
    assert failed.failed[0][0] == "Pocket"
    assert "no_such" in failed.failed[0][1]


def test_what_cannot_be_cut_is_told():
    small = drawing(box("OUT", 0, 0, 50, 50), circle("HOLE", 25, 25, 1))
    done = planned(milled(small, Operation("All", "profile", Pick(), Settings(tool="end mill 6"))))
    assert any("too small" in t and "2 mm" in t for t in done.told)
    with pytest.raises(CutError, match="nothing to be cut"):
        planned(beamed(State()))
    failed = planned(beamed(drawing(*line("L", (0, 0), (10, 0)))))
    assert failed.failed
    wrong = planned(milled(bracket(), Operation("P", "pocket", Pick(), Settings(tool="laser 0.2"))))
    assert "no tool for a mill" in wrong.failed[0][1]


# ---------------------------------------------------------------------- the machine


def test_rapids_go_over_clamps():
    keep = KeepOut((40.0, -30.0, 60.0, 90.0), 30.0)
    stock = Stock("8", keep_out=(KeepOut((60.0, 55.0, 75.0, 70.0), 30.0),))
    done = prove(milled(bracket(), *operations(), stock=stock))
    assert any(f.kind == "clamp" for f in done.verdict.wrong) == any(f.kind == "clamp" for f in done.verdict.found)
    away = Stock("8", margin=60.0, keep_out=(msgspec.structs.replace(keep, box=(108.0, 20.0, 130.0, 40.0)),))
    free = prove(milled(bracket(), *operations(), stock=away))
    assert not wrong_kinds(free), [f.says for f in free.verdict.wrong]
    rapids = [m for m in free.played.moves if m.kind == "rapid"]
    assert max(m.end[2] for m in rapids) <= 35.0 + 1e-9


def test_a_stock_that_is_larger_than_the_machine_is_told():
    done = prove(beamed(drawing(box("OUT", 0, 0, 4000, 40))))
    assert wrong_kinds(done) == {"outside"}


@pytest.mark.parametrize("origin", ["lower-left", "lower-right", "upper-left", "upper-right", "centre", "as-drawn"])
@pytest.mark.parametrize("zero_z", ["top", "bottom"])
def test_zero_lies_where_it_was_put(origin, zero_z):
    done = prove(milled(bracket(), *operations(), stock=Stock("8", 10.0, origin=origin, zero_z=zero_z)))
    assert not done.verdict.wrong, [f.says for f in done.verdict.wrong]
    assert done.verdict.deviation < 1e-3
    lowest = min(m.end[2] for m in done.played.moves)
    assert lowest == pytest.approx((0 if zero_z == "bottom" else -8.0) - 2.5 / math.tan(math.radians(59)), abs=1e-3)


def test_a_file_for_each_tool_is_the_whole_in_parts():
    from syntaxa.cut.program.assembling import tools_of, written

    done = prove(milled(bracket(), *operations()))
    parts = [written(done.work, done.machine, only=t.name).text for t in tools_of(done.work)]
    cut = sum(m.length for text in parts for m in played(text).moves if m.cuts)
    assert cut == pytest.approx(done.verdict.cut, rel=1e-9)


def test_the_header_says_what_is_needed():
    done = prove(milled(bracket(), *operations()))
    head = done.text.split("G21", 1)[0]
    assert "stock 120 x 80 x 8 mm" in head
    assert "end mill 6" in head
    assert "unit mm" in head
    minutes = int(head.split("(time ")[1].split(" min")[0])
    assert minutes == int(round(float(times_of(done.played.moves, done.machine.motion).sum())) // 60)
    assert sum(done.seconds_by_operation().values()) == pytest.approx(done.verdict.seconds)


def test_places_follow_the_drawing():
    part = Planned(
        stock=Stock(picked=(1.0, 2.0), keep_out=(KeepOut((0, 0, 2, 1)),)),
        places=(Place("C", "k", (3.0, 4.0), ((5.0, 6.0),)),),
    )
    turned = part.carried(
        Transform.rotation(math.pi / 2) if hasattr(Transform, "rotation") else Transform(0, 1, -1, 0, 0, 0)
    )
    assert turned.places[0].start == pytest.approx((-4.0, 3.0))
    assert turned.stock.keep_out[0].box == pytest.approx((-1, 0, 0, 2))


def test_common_settings_go_over_each_other():
    first, second = Settings(feed=100.0, tabs=2), Settings(feed=300.0, depth="3")
    assert first.over(second) == Settings(feed=100.0, tabs=2, depth="3")
    assert Settings().over(first) == first
    assert TOOLS["drill 3"].radius == 1.5


def test_contours_that_cross_each_other_are_not_called_too_small():
    """A round hole across the pitch circle of its row, drawn on a sketch of its own: both are waste where they meet."""
    state = State(
        sketches=(
            Sketch("PART", 0, (box("OUT", -50, -50, 100, 100), circle("HOLE", 30, 0, 5))),
            Sketch("HELP", 0, (circle("PITCH", 0, 0, 30),)),
        )
    )
    told = prove(beamed(state)).work.told
    assert not any("too small" in t for t in told)
    assert any("crosses its neighbour" in t for t in told)


def test_another_colour_of_a_sketch_is_another_choice():
    curves = (box("OUT", 0, 0, 20, 20),)
    for colour in (0xFF0000, 0x00FF00):
        state = State(sketches=(Sketch("S", colour, curves),))
        assert contours_of(state).contours[0].colours == {colour}
