"""What is taken of a source: steps, clipping, presets, several sources, revisions, pasted curves and the report."""

from __future__ import annotations

import math
import shutil

import msgspec
import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from specimens import arcs, dxf_of, points

from syntaxa.demo.drawing import demo_bytes, revised_bytes
from syntaxa.demo.formats import write_drawings
from syntaxa.drawing.annotations import Dimension, Text
from syntaxa.drawing.codec import decoded, encoded
from syntaxa.drawing.dimension_text import disagreement, stated_in
from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import State
from syntaxa.errors import IntakeError, JobError
from syntaxa.geometry.clip import area_of, clipped
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.geometry.transform import Transform
from syntaxa.intake.changes import compare
from syntaxa.intake.dashes import join_dashes
from syntaxa.intake.model import ImportReport, ReadOptions, Received
from syntaxa.intake.paste import PasteCurves, copied, from_text, to_text, unit_question
from syntaxa.intake.registry import read
from syntaxa.intake.report import as_text, record_of, sentences
from syntaxa.intake.steps import TakeIn, chosen_of
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.job.presets import KeptChoices
from syntaxa.job.revise import accepted, changed_on_disk, revision, with_added, with_layer_replaced
from syntaxa.job.store import load_job, save_job
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin
from syntaxa.mend.steps import MendFindings
from syntaxa.route.steps import ChooseLayers, first_sketches


def demo(revised=False):
    return read("demo.dxf", revised_bytes() if revised else demo_bytes()).drawing


# ---------------------------------------------------------------------- clipping


@given(arcs, points)
def test_what_is_cut_off_and_what_is_left_make_the_whole(arc, middle):
    """The arc within a box and the arc within all but the box are together as long as the arc."""
    box = shapely.box(middle.x - 300, middle.y - 300, middle.x + 300, middle.y + 300)
    around = shapely.box(-1e4, -1e4, 1e4, 1e4).difference(box)
    inside, outside = clipped(arc, box), clipped(arc, around)
    assert sum(s.length for s in (*inside, *outside)) == pytest.approx(arc.length, rel=1e-6, abs=1e-6)
    for piece in inside:
        assert box.buffer(1e-6).covers(shapely.linestrings(piece.flattened(1e-3)))


def test_a_polyline_is_cut_exactly_and_keeps_its_arcs():
    slot = Polyline((Point(0, 0), Point(10, 0), Point(10, 4), Point(0, 4)), (0.0, 1.0, 0.0, 1.0), True)
    (left,) = clipped(slot, area_of(np.array([(-9, -9), (5, -9), (5, 9), (-9, 9)], dtype=float)))
    assert left.length == pytest.approx(10 + 2 * math.pi)
    assert {round(p.x, 9) for p in (left.start, left.end)} == {5}
    assert any(left.bulges)


# ---------------------------------------------------------------------- the step


def test_everything_is_taken_unless_something_is_chosen():
    drawing = demo()
    assert chosen_of(drawing, TakeIn()) == drawing


@pytest.mark.parametrize(
    ("choice", "curves", "layers"),
    [
        (TakeIn(only=("BASE-PLATE",)), 37, {"BASE-PLATE"}),
        (TakeIn(skip_kinds=("curves",)), 0, None),
        (TakeIn(skip_hidden=True), 168, None),
        (TakeIn(left_out=("MOTOR-BRACKET", "BASE-PLATE"), skip_hidden=True), 168 - 33 - 37, None),
    ],
)
def test_layers_and_kinds_are_taken_by_name(choice, curves, layers):
    taken = chosen_of(demo(), choice)
    assert len(taken.curves) == curves
    if layers is not None:
        assert {x.name for x in taken.layers} == layers


def test_a_choice_is_a_step_with_its_row_and_can_be_switched_off():
    job = Job.of(Source.of("demo.dxf", demo_bytes())).with_step(TakeIn(only=("BASE-PLATE", "GONE")))
    row = Evaluator().evaluate(job).ledger[0]
    assert row.title == "Take in: 2 layers"
    assert row.entry.missing == ("GONE",)
    assert row.entry.changed == 171 - 37
    off = Evaluator().evaluate(job.switched(1, False))
    assert len(off.state.sketches) == 7


def test_how_a_source_is_read_belongs_to_the_step(tmp_path):
    data = b'<svg xmlns="http://www.w3.org/2000/svg" width="96" height="96"><line x2="96" stroke="red"/></svg>'
    job = Job.of(Source.of("x.svg", data))
    evaluator = Evaluator()
    plain = evaluator.evaluate(job).state
    other = evaluator.evaluate(job.with_step(TakeIn(read=ReadOptions(density=72)))).state
    lengths = [next(s.curves()).shape.length for s in (plain, other)]
    assert lengths == pytest.approx([25.4, 25.4 * 96 / 72])


# ---------------------------------------------------------------------- several sources


def test_several_sources_lie_at_one_origin_each_in_its_own_unit():
    inch = dxf_of(lambda s, _: s.add_line((0, 0), (1, 0), {"layer": "A"}), INSUNITS=1)
    metric = dxf_of(lambda s, _: s.add_line((0, 0), (10, 0), {"layer": "A"}), INSUNITS=4)
    job, number = with_added(Job.of(Source.of("inch.dxf", inch)), Source.of("mm.dxf", metric), TakeIn())
    state = Evaluator().evaluate(job).state
    assert number == 2
    assert [(s.name, [round(c.shape.length, 6) for c in s.curves]) for s in state.sketches] == [("A", [25.4, 10])]
    assert [c.id.startswith("2:") for c in state.sketches[0].curves] == [False, True]
    # One of them in another unit: the other keeps its size. Moving moves both.
    cm = Evaluator().evaluate(job.with_step(ChooseUnit("cm", 2)).with_step(PlaceOrigin("point", 5, 5))).state
    assert [round(c.shape.length, 6) for c in cm.sketches[0].curves] == [25.4, 100]
    assert [c.shape.start.x for c in cm.sketches[0].curves] == [-5, -5]
    own, _ = with_added(Job.of(Source.of("inch.dxf", inch)), Source.of("mm.dxf", metric), TakeIn(into="insert"))
    assert [s.name for s in Evaluator().evaluate(own).state.sketches] == ["A", "insert"]


def test_ids_that_look_like_those_of_another_source_are_told_apart():
    path = '<path id="2:a" d="M0 0H10" stroke="red"/>'
    svg = '<svg xmlns="http://www.w3.org/2000/svg" width="{0}" height="{0}">' + path + "</svg>"
    first, second = (Source.of("x.svg", svg.format(size).encode()) for size in ("96", "96px"))
    job, _ = with_added(Job.of(first), second, TakeIn())
    state = Evaluator().evaluate(job.with_step(ChooseUnit("px", 1)).with_step(ChooseUnit("mm", 2))).state
    lengths = {c.id: round(c.shape.length, 4) for c in state.curves()}
    assert lengths == {"1:2:a": round(10 * 25.4 / 96, 4), "2:2:a": 10}
    picked = Evaluator().evaluate(job.with_step(TakeIn(ids=("2:a",))).with_step(TakeIn(source=2, ids=()))).state
    assert [c.id for c in picked.curves()] == ["1:2:a"]


def test_a_job_with_several_sources_is_saved_whole(tmp_path):
    job = Job.of(Source.of("a.dxf", demo_bytes(), "/somewhere/a.dxf"))
    job, _ = with_added(job, Source.of("a.dxf", revised_bytes()), TakeIn(into="b", only=("BASE-PLATE",)))
    save_job(job, tmp_path / "j.sxj")
    again = load_job(tmp_path / "j.sxj")
    assert again == job
    assert (again.source.link, again.sources[1].link) == ("linked", "held")
    assert again.without_source(2) == Job.of(again.source)
    assert again.without_source(1).without_source(2).sources == (again.sources[1],)


# ---------------------------------------------------------------------- revisions


def test_what_changed_is_told_curve_by_curve():
    changes = compare(demo(), demo(revised=True))
    assert (len(changes.added), len(changes.removed), len(changes.moved), changes.same) == (1, 2, 2, 171 - 4)
    assert [m.distance for m in changes.moved] == pytest.approx([math.hypot(0.25, 0.125)] * 2)
    assert {x.layer: (x.added, x.removed, x.moved) for x in changes.layers if x.added or x.removed or x.moved} == {
        "BASE-PLATE": (1, 0, 0), "COUPLING-GUARD": (0, 2, 0), "CONTROL-BOX": (0, 0, 2),
    }  # fmt: skip
    assert changes.sentence() == f"1 added, 2 removed, 2 moved or changed; {changes.same} as before"


def shapes():
    line = st.builds(Line, points, points).filter(lambda s: s.start.distance_to(s.end) > 1e-3)
    circle = st.builds(Circle, points, st.floats(0.5, 90))
    bulges = st.lists(st.sampled_from([0.0, 0.5, -1.0]), min_size=4, max_size=4).map(tuple)
    corners = st.lists(points, min_size=4, max_size=4, unique=True).map(tuple)
    return st.one_of(line, circle, arcs, st.builds(Polyline, corners, bulges, st.booleans()))


def turned_round(shape):
    if isinstance(shape, Line):
        return Line(shape.end, shape.start)
    if isinstance(shape, Arc):
        return Arc(shape.centre, shape.radius, shape.start_angle + shape.sweep, -shape.sweep)
    if isinstance(shape, Polyline):
        count = len(shape.bulges)
        ahead = [-b for b in shape.bulges]
        back = (
            [ahead[(count - 2 - k) % count] for k in range(count)] if shape.closed else [*ahead[count - 2 :: -1], 0.0]
        )
        return Polyline(shape.vertices[::-1], tuple(back), shape.closed)
    return shape


@given(st.lists(shapes(), min_size=1, max_size=6), st.randoms(use_true_random=False))
def test_order_direction_and_handles_are_no_change(drawn, chance):
    old = Drawing(tuple(Curve(f"a{k}", s, "L", handle=f"a{k}") for k, s in enumerate(drawn)))
    others = [turned_round(s) if chance.random() < 0.5 else s for s in drawn]
    chance.shuffle(others)
    new = Drawing(tuple(Curve(f"b{k}", s, "L", handle=f"b{k}") for k, s in enumerate(others)))
    assert not compare(old, new)


@given(st.lists(shapes(), min_size=1, max_size=6), st.floats(1, 50), st.floats(1, 50))
def test_what_is_moved_is_seen_as_moved(drawn, x, y):
    move = Transform.moving(Vector(x, y))
    old = Drawing(tuple(Curve(f"{k}", s, "L", handle=f"{k}") for k, s in enumerate(drawn)))
    new = Drawing(tuple(Curve(f"{k}", s.transformed(move), "L", handle=f"{k}") for k, s in enumerate(drawn)))
    changes = compare(old, new)
    assert (len(changes.added), len(changes.removed)) == (0, 0)
    assert len(changes.moved) + changes.same == len(drawn)


def test_another_layer_is_a_change_of_its_own():
    line = Line(Point(0, 0), Point(1, 0))
    changes = compare(Drawing((Curve("1", line, "A"),)), Drawing((Curve("1", line, "B"),)))
    assert [m.relayered for m in changes.moved] == [True]


def test_a_revision_is_compared_within_what_is_taken_and_steps_run_again(tmp_path):
    path = tmp_path / "panels.dxf"
    path.write_bytes(demo_bytes())
    job = Job.of(Source.of(path.name, demo_bytes(), str(path)))
    job = job.with_step(TakeIn(only=("BASE-PLATE", "COUPLING-GUARD"))).with_step(ChooseUnit("in"))
    assert changed_on_disk(job.source) is None
    path.write_bytes(revised_bytes())
    data = changed_on_disk(job.source)
    evaluator = Evaluator()
    revised = revision(job, 1, data, evaluator)
    assert (len(revised.changes.added), len(revised.changes.removed), len(revised.changes.moved)) == (1, 2, 0)
    before = evaluator.evaluate(job).state
    after = evaluator.evaluate(accepted(job, revised)).state
    assert [len(s.curves) for s in before.sketches] == [37, 26]
    assert [len(s.curves) for s in after.sketches] == [38, 24]
    assert after.placement.unit == "in"
    row = next(r for r in evaluator.evaluate(accepted(job, revised)).ledger if r.is_record)
    assert row.title == f"Take over the changed {job.source.name}"
    assert (row.entry.changed, row.entry.says) == (3, "1 added, 2 removed; 61 as before.")


def test_a_step_whose_target_is_gone_says_so():
    job = Job.of(Source.of("demo.dxf", demo_bytes()))
    evaluator = Evaluator()
    found = [f for f in evaluator.evaluate(job).state.sketches if f.name == "COUPLING-GUARD"]
    assert found
    step = MendFindings(0.02, 3.0, only=("stray:COUPLING-GUARD:nothing",))
    revised = revision(job, 1, revised_bytes(), evaluator)
    row = evaluator.evaluate(accepted(job.with_step(step), revised)).ledger[-1]
    assert row.entry.missing == ("stray:COUPLING-GUARD:nothing",)


def test_one_layer_is_replaced_under_the_same_name_capitals_and_all():
    job = Job.of(Source.of("a.dxf", demo_bytes())).with_step(ChooseLayers(left_out=("NOTES",)))
    source = Source.of("b.dxf", revised_bytes())
    evaluator = Evaluator()
    replaced = with_layer_replaced(job, 1, "BASE-PLATE", source, demo(revised=True))
    counts = {s.name: len(s.curves) for s in evaluator.evaluate(replaced).state.sketches}
    assert counts["BASE-PLATE"] == 38
    assert counts["COUPLING-GUARD"] == 26
    # Again, from another revision: the first replacement gives the layer up.
    back = with_layer_replaced(replaced, 1, "BASE-PLATE", Source.of("a.dxf", demo_bytes()), demo())
    assert {s.name: len(s.curves) for s in evaluator.evaluate(back).state.sketches}["BASE-PLATE"] == 37
    with pytest.raises(JobError, match=r"has no layer “Base-Plate”\. It has one called “BASE-PLATE”; capitals count"):
        with_layer_replaced(job, 1, "Base-Plate", source, demo(revised=True))


def test_links_to_files_that_are_gone_are_left_alone(tmp_path):
    path = tmp_path / "x.dxf"
    path.write_bytes(demo_bytes())
    source = Source.of("x.dxf", demo_bytes(), str(path))
    path.unlink()
    assert changed_on_disk(source) is None
    shutil.copy(__file__, path)
    assert changed_on_disk(source) is not None


# ---------------------------------------------------------------------- copying and pasting


@given(shapes())
def test_shapes_survive_the_way_through_data(shape):
    assert decoded(encoded(shape)) == shape


def test_ellipses_and_splines_survive_and_nonsense_does_not():
    spline = Spline(2, (Point(0, 0), Point(1, 1), Point(2, 0)), (0.0, 0.0, 0.0, 1.0, 1.0, 1.0), (1.0, 0.5, 1.0))
    for shape in (spline, EllipseArc(Point(1, 2), Vector(3, 4), 0.5, 0.1, 2.0)):
        assert decoded(encoded(shape)) == shape
    for plain in (("line", (1.0,), (), ()), ("blob", (), (), ()), ("circle", (0.0, 0.0, math.nan), (), ()),
                  ("spline", (0.0, 0.0), (0.0,), (3.0,))):  # fmt: skip
        with pytest.raises(ValueError, match=plain[0]):
            decoded(plain)


def test_pasted_curves_land_at_the_point_in_mm_with_ids_of_their_own():
    drawing = Drawing((Curve("1", Line(Point(10, 10), Point(20, 10)), "A"),), (Layer("A"),))
    state = first_sketches(State.of(drawing))
    content = from_text(to_text(copied(list(state.curves()), "in", True, "other")))
    step = PasteCurves(content.curves, content.base, 100.0, 50.0, "A", content.job)
    once, told = step.apply(state)
    twice, _ = step.apply(once)
    assert [c.shape.start.x for c in twice.sketches[0].curves] == [10, 100, 100]
    assert len({c.id for c in twice.curves()}) == 3
    assert told.changed == 1
    assert msgspec.json.decode(msgspec.json.encode(step), type=PasteCurves) == step
    fresh, _ = msgspec.structs.replace(step, into="NEW").apply(state)
    assert [s.name for s in fresh.sketches] == ["A", "NEW"]


def test_the_unit_is_questioned_where_it_is_not_settled_or_sizes_are_far_apart():
    def state(size):
        return first_sketches(State.of(Drawing((Curve("1", Line(Point(0, 0), Point(size, 0)), "A"),), (Layer("A"),))))

    def content(size, certain=True):
        return copied(list(state(size).curves()), "in", certain, "pump")

    assert unit_question(content(10), state(100)) == ""
    assert "nobody has settled the unit" in unit_question(content(10, certain=False), state(100))
    assert "may be in the wrong unit" in unit_question(content(1), state(100))
    with pytest.raises(IntakeError, match="holds no curves"):
        from_text(b'{"format": "else"}')


# ---------------------------------------------------------------------- presets, report, dimensions, dashes


def test_broken_choices_are_begun_anew(tmp_path):
    path = tmp_path / "choices.json"
    path.write_bytes(b"{broken")
    kept = KeptChoices(path)
    assert kept.names == []
    kept.save_preset("Plain", TakeIn(source=3, ids=("1",), box=(0, 0, 1, 1), skip_hidden=True))
    assert KeptChoices(path).preset("Plain") == TakeIn(skip_hidden=True)
    assert KeptChoices(path).offered(tmp_path / "new.dxf", "digest") == (TakeIn(), "")


def test_the_report_tells_counts_by_layer_and_everything_odd():
    result = read("demo.dxf", demo_bytes())
    record = record_of("demo.dxf", result)
    assert (record.schema, record.curves["line"]) == ("syntaxa.intake/1", 83)
    assert sum(sum(n for k, n in x.counts.items() if k in record.curves) for x in record.layers) == 171
    assert next(x.state for x in record.layers if x.name == "CONSTRUCTION") == "off"
    text = as_text(record)
    assert text.splitlines()[0] == "demo.dxf: DXF R2010"
    assert text.endswith("Everything was read.\n")
    dimension = Dimension("d", "DIM", "linear", (), Point(0, 0), 36.0, 36.0, "63")
    odd = Received(Drawing(annotations=(dimension,)), ImportReport("dxf", "R12", fonts_missing=("odd.shx",), clipped=2))
    said = sentences(record_of("odd.dxf", odd))
    assert said == [
        "2 curves reach beyond a clip path; they were not cut unless that was chosen.",
        "Fonts that are not on this machine: odd.shx.",
        "A dimension on DIM says 63, but 36 is drawn.",
    ]


@pytest.mark.parametrize(
    ("text", "value"),
    [("36", 36), ("Ø10 H7", 10), ("R5 TYP", 5), ("10 ±0.1", 10), ("%%c12.5", 12.5), ("4x Ø9", 9), ("1/2", 0.5),
     ("2 3/8\"", 2.375), ("2'-8 1/2\"", 32.5), ("5'", 60), ("12,75", 12.75), ("45%%d", 45), ("<>", None), ("TYP", None),
     ("{\\H0.7x;\\S3/4;}", 0.75), (".375", 0.375), ("WIDTH=1/2\"", 0.5), ("HALF=HOLE/2", None),
     ("HIGH=.25+(SHAFT/2)", None), ("10 H7/g6", 10)],
)  # fmt: skip
def test_numbers_are_found_in_dimension_texts(text, value):
    found = stated_in(text)
    assert (found.value if found else None) == value


def test_rounded_texts_agree_and_wrong_ones_do_not():
    def said(text, drawn):
        return disagreement(Dimension("d", "0", "linear", (), Point(0, 0), None, drawn, text))

    assert said("36", 36.4) is None
    assert said("36.0", 36.4) == (36.0, 36.4)
    assert said("", 5.0) is None


def test_texts_never_turn_over_when_they_are_mirrored():
    text = Text("t", "0", Point(1, 2), "PUMP", 3.0)
    mirrored = text.transformed(Transform.scaling(-1, 1))
    assert (mirrored.place, mirrored.height) == (Point(-1, 2), 3.0)


@given(st.floats(0, 180), st.integers(5, 30), st.floats(2, 20), st.floats(0.5, 6))
def test_rows_of_dashes_in_any_direction_are_one_line(turn, count, dash, gap):
    step = Transform.rotating(math.radians(turn))
    ends = [(k * (dash + gap), k * (dash + gap) + dash) for k in range(count)]
    curves = [Curve(f"{k}", Line(Point(a, 3), Point(b, 3)).transformed(step), "0") for k, (a, b) in enumerate(ends)]
    joined, gone = join_dashes(curves)
    if gap > 1.5 * dash:
        assert gone == 0
        return
    assert (len(joined), gone) == (1, count)
    assert joined[0].shape.length == pytest.approx(ends[-1][1], rel=1e-9)


def test_the_demo_drawings_are_the_same_on_every_day(tmp_path):
    for name in ("one", "two"):
        (tmp_path / name).mkdir()
        write_drawings(tmp_path / name)
    one, two = ({p.name: p.read_bytes() for p in sorted((tmp_path / n).iterdir())} for n in ("one", "two"))
    assert one == two
    assert [n for n in one if n.endswith(".toml")] == ["motor-seat.toml"]
    for name, data in one.items():
        if name.endswith(".toml"):
            continue
        result = read(name, data)
        assert result.drawing.curves or result.drawing.annotations, name
    cover = read("pump-cover.pdf", one["pump-cover.pdf"]).drawing
    radii = sorted(c.shape.radius * 25.4 / 72 for c in cover.curves if isinstance(c.shape, Circle))
    assert radii == pytest.approx([4.5] * 6 + [40, 75], rel=1e-5)
