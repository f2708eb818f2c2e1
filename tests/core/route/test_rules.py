"""Layers, colours and line types to sketches: rules, groups, and what is no geometry."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.demo.drawing import demo_bytes
from syntaxa.drawing.model import Curve, Drawing, Layer, Style
from syntaxa.drawing.state import State, Taken
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line, Polyline
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.route.leave_out import not_geometry
from syntaxa.route.model import GROUPINGS, Appearances, Rule, groups_of
from syntaxa.route.steps import ChooseLayers, RouteBy, first_sketches

LAYERS = (
    Layer("PLATE", 0xFF0000, line_type="Continuous", weight=0.5),
    Layer("PLATE-HOLES", 0xFF0000),
    Layer("AXES", 0x00FF00, line_type="CENTER"),
    Layer("Bend[1]", 0x0000FF, weight=0.25),
)


def line(name, layer, style=None, block=""):
    return Curve(name, Line(Point(0, 0), Point(10, 0)), layer, style or Style(), block=block)


def state():
    curves = (
        line("a", "PLATE"),
        line("b", "PLATE", Style(colour=0x00FF00)),
        Curve("c", Circle(Point(0, 0), 1), "PLATE-HOLES"),
        line("d", "AXES"),
        line("e", "Bend[1]", Style(line_type="HIDDEN"), "FOOT#3"),
    )
    return first_sketches(State.of(Drawing(curves, LAYERS)))


def sketches(one):
    return {s.name: [c.id for c in s.curves] for s in one.sketches}


def routed(*rules):
    return RouteBy(rules).apply(state())


def test_a_sketch_a_layer_a_colour_or_all_in_one():
    assert sketches(routed(Rule("{layer}"))[0]) == {"PLATE": ["a", "b"], "PLATE-HOLES": ["c"], "AXES": ["d"],
                                                    "Bend[1]": ["e"]}  # fmt: skip
    by_colour, _ = routed(Rule("{colour}"))
    assert sketches(by_colour) == {"#ff0000": ["a", "c"], "#00ff00": ["b", "d"], "#0000ff": ["e"]}
    assert [s.colour for s in by_colour.sketches] == [0xFF0000, 0x00FF00, 0x0000FF]
    assert sketches(routed(Rule("All"))[0]) == {"All": ["a", "b", "c", "d", "e"]}


@pytest.mark.parametrize(
    ("rule", "meant"),
    [
        (Rule("x", layer="plate*"), "abc"),
        (Rule("x", layer="P?ATE"), "ab"),
        (Rule("x", colour=0x00FF00), "bd"),
        (Rule("x", line_type="cent*"), "d"),
        (Rule("x", line_type="hidden"), "e"),
        (Rule("x", weight=0.25), "e"),
        (Rule("x", kind="circle"), "c"),
        (Rule("x", block="FOOT"), "e"),
        (Rule("x", layer="bend[[]1]"), "e"),
        (Rule("x", layer="plate*", kind="line"), "ab"),
    ],
)
def test_rules_mean_curves_by_any_property(rule, meant):
    after, entry = routed(rule)
    assert sketches(after)["x"] == list(meant)
    assert entry.changed == len(meant)


def test_the_first_rule_that_fits_counts_and_idle_rules_are_told():
    after, entry = routed(Rule("holes", kind="circle"), Rule("", "out", layer="AXES"), Rule("x", layer="PLATE*"),
                          Rule("y", layer="NOWHERE"))  # fmt: skip
    assert sketches(after) == {"x": ["a", "b"], "holes": ["c"], "Bend[1]": ["e"]}
    assert entry.missing == ("layer NOWHERE",)
    assert "1 left out" in entry.says


def test_curves_go_to_be_made_or_to_help_or_to_be_looked_at():
    after, _ = routed(Rule("axes", "construction", layer="AXES"), Rule("old", "reference", layer="Bend*"))
    assert {s.name: s.purpose for s in after.sketches} == {
        "PLATE": "profile", "PLATE-HOLES": "profile", "axes": "construction", "old": "reference"
    }  # fmt: skip
    assert [s.name for s in after.profiles()] == ["PLATE", "PLATE-HOLES"]


SOME_RULES = [
    Rule("{layer}"),
    Rule("A", layer="P*"),
    Rule("", "out", kind="line"),
    Rule("{colour}", colour=0xFF0000),
    Rule("R", "reference", line_type="c*"),
]


@given(st.lists(st.sampled_from(SOME_RULES)))
def test_no_curve_is_lost_or_doubled_by_any_rules(rules):
    after, _ = RouteBy(tuple(rules)).apply(state())
    ids = [c.id for c in after.curves()]
    looks = Appearances(state())
    first = {c.id: next((r for r in rules if r.fits(looks.of(c))), None) for c in state().curves()}
    out = [name for name, rule in first.items() if rule is not None and rule.goes == "out"]
    assert sorted(ids + out) == ["a", "b", "c", "d", "e"]


def test_layers_that_are_left_out_stay_out_under_rules():
    without, _ = ChooseLayers(left_out=("AXES",)).apply(state())
    assert "d" not in [c.id for c in RouteBy((Rule("All"),)).apply(without)[0].curves()]


@pytest.mark.parametrize("grouping", GROUPINGS)
def test_groups_hold_every_curve_once_with_count_length_and_goal(grouping):
    first = state()
    groups = groups_of(first, routed(Rule("", "out", layer="AXES"))[0], grouping)
    assert sorted(i for g in groups for i in g.ids) == ["a", "b", "c", "d", "e"]
    assert sum(g.count for g in groups) == 5
    assert sum(g.length for g in groups) == pytest.approx(sum(c.shape.length for c in first.curves()))
    for group in groups:
        after, _ = RouteBy((group.rule("mine", "profile"),)).apply(first)
        assert sorted(sketches(after)["mine"]) == sorted(group.ids)


def test_several_files_are_grouped_together_in_mm():
    one = Taken(1, "a.dxf", Drawing((line("a", "PLATE"),), LAYERS), "in")
    two = Taken(2, "b.dxf", Drawing((line("2:a", "PLATE"),), LAYERS), "mm")
    both = first_sketches(State((one, two)))
    group = next(g for g in groups_of(both, both, "layer") if g.name == "PLATE")
    assert (group.count, group.sources) == (2, (1, 2))
    assert group.length == pytest.approx(264.0)


# ---------------------------------------------------------------------- what is no geometry


def test_the_demo_offers_its_title_block_and_centre_lines_with_reasons():
    evaluation = Evaluator().evaluate(Job.of(Source.of("demo.dxf", demo_bytes())))
    before = evaluation.state
    offers = not_geometry(before)
    assert {o.rule.layer: o.count for o in offers} == {"TITLE-BLOCK": 3, "CENTRE-LINES": 6}
    assert all(o.why.endswith(".") for o in offers)
    after, entry = RouteBy(tuple(o.rule for o in offers)).apply(before)
    assert entry.changed == sum(o.count for o in offers)
    assert not not_geometry(after)


def test_line_types_tell_and_a_border_is_found_only_round_several_things():
    assert [(o.count, o.rule.layer, o.rule.line_type) for o in not_geometry(state())] == [
        (1, "AXES", "*"),
        (1, "*", "HIDDEN"),
    ]
    parts = [Curve(f"h{k}", Circle(Point(60 * k + 40, 100), 20), "0") for k in range(6)]
    inner = [Curve(f"i{k}", Circle(Point(60 * k + 40, 100), 5), "0") for k in range(6)]
    a3 = Polyline(tuple(Point(*p) for p in ((0, 0), (420, 0), (420, 297), (0, 297))), (0.0,) * 4, True)
    sheet = first_sketches(State.of(Drawing((*parts, *inner, Curve("frame", a3, "0")), (Layer("0"),))))
    (offer,) = not_geometry(sheet)
    assert offer.ids == ("frame",)
    # A plate of another size with the same holes is no border.
    plate = replace(a3, vertices=tuple(Point(*p) for p in ((0, 0), (430, 0), (430, 200), (0, 200))))
    assert not not_geometry(first_sketches(State.of(Drawing((*parts, *inner, Curve("f", plate, "0")), (Layer("0"),)))))
