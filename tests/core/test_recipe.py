"""Recipes: kept whole, run on other drawings, on many at once, and no drawing lost when one fails."""

from __future__ import annotations

import csv
import dataclasses
import io
import json
from pathlib import Path

import ezdxf
import pytest
from crashing import crash
from drawings import plate
from ezdxf import bbox

from syntaxa.cli.main import run as command
from syntaxa.define.model import Variant
from syntaxa.define.sizes import SetVariants
from syntaxa.define.steps import BindDimensions, ReadOff
from syntaxa.deliver.write import Output
from syntaxa.demo.drawing import demo_bytes, revised_bytes
from syntaxa.drawing.model import extents_of
from syntaxa.errors import JobError
from syntaxa.intake.registry import read
from syntaxa.intake.steps import TakeIn
from syntaxa.job import batch
from syntaxa.job.batch import run_many, summary_csv
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.job.recipe import Written, applied, load_recipe, recipe_of, save_recipe
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin, ScaleBy
from syntaxa.mend.steps import MendFindings
from syntaxa.route.edits import ExcludeCurves, SetSketch
from syntaxa.route.model import Rule
from syntaxa.route.steps import RouteBy


def treated():
    """The demo's job: unit, rules, line styles, origin, mending; and two steps that name curves."""
    job = Job.of(Source.of("panels.dxf", demo_bytes()))
    out = tuple(Rule("", "out", layer=n) for n in ("TITLE-BLOCK", "CENTRE-LINES"))
    for step in (
        ChooseUnit("in"),
        RouteBy((*out, Rule("panels", layer="*B*"))),
        PlaceOrigin("lower-left"),
        SetSketch("panels", pen_layer="CUT", pen_weight=0.25),
        ExcludeCurves(("61",)),
        MendFindings(),
        MendFindings(0.5, only=("gap:1:2",)),
    ):
        job = job.with_step(step)
    return job


@pytest.fixture
def recipe():
    return recipe_of(treated(), "orchard", Written((".dxf", ".svg"))).recipe


def test_the_choices_of_deliver_are_saved_with_it(tmp_path):
    chosen = Output("in", "R2000", "data", construction=True, beside=True, ink="grey", archive=True, dots=300.0,
                    by_colour=True, font="isocp.shx")  # fmt: skip
    written = Written((".pdf",), **dataclasses.asdict(chosen))
    save_recipe(recipe_of(treated(), "orchard", written).recipe, tmp_path / "a.sxr")
    assert load_recipe(tmp_path / "a.sxr").written.output == chosen


@pytest.fixture
def drawings(tmp_path):
    good, revised = tmp_path / "panels.dxf", tmp_path / "panels-b.dxf"
    good.write_bytes(demo_bytes())
    revised.write_bytes(revised_bytes())
    bad = tmp_path / "torn.dxf"
    bad.write_bytes(b"no drawing at all")
    return [good, bad, tmp_path / "gone.dxf", revised]


def curves_of(path):
    return read(path, Path(path).read_bytes()).drawing.curves


def test_a_recipe_holds_what_fits_any_drawing_and_tells_what_it_leaves():
    made = recipe_of(treated(), "orchard")
    assert [type(s).__name__ for s in made.recipe.steps] == [
        "ChooseUnit", "RouteBy", "PlaceOrigin", "SetSketch", "MendFindings"
    ]  # fmt: skip
    assert made.left == ("Put 1 curve aside", "Mend one gap")
    only = recipe_of(treated(), "map", only_routing=True)
    assert [type(s).__name__ for s in only.recipe.steps] == ["RouteBy", "SetSketch"]
    assert only.left == ()


def test_steps_that_are_off_and_choices_of_one_file_are_not_in_it():
    job = (
        Job.of(Source.of("a.dxf", demo_bytes())).with_step(TakeIn(ids=("1",), skip_hidden=True)).with_step(ScaleBy(2.0))
    )
    job = job.switched(job.steps[1].number, False)
    assert recipe_of(job, "x").recipe.steps == (TakeIn(skip_hidden=True),)


def test_a_recipe_is_the_same_after_saving(recipe, tmp_path):
    save_recipe(recipe, tmp_path / "orchard.sxr")
    assert load_recipe(tmp_path / "orchard.sxr") == recipe


@pytest.mark.parametrize(
    "data",
    [b"", b"{}", b"[]", b"\xff",
     b'{"format": "syntaxa.recipe/9", "name": "x"}', b'{"format": "syntaxa.recipe/1", "name": 3}',
     b'{"format": "syntaxa.recipe/1", "name": "x", "steps": [{"type": "run-code"}]}',
     b'{"format": "syntaxa.recipe/1", "name": "x", "written": {"endings": [".exe"]}}', b"[" * 100_000],
)  # fmt: skip
def test_what_is_no_recipe_is_told_in_a_sentence(data, tmp_path):
    path = tmp_path / "x.sxr"
    path.write_bytes(data)
    with pytest.raises(JobError, match=r"x\.sxr"):
        load_recipe(path)


def test_a_recipe_does_to_another_drawing_what_was_done_to_the_first(recipe):
    first = Evaluator().evaluate(applied(recipe, Source.of("panels.dxf", demo_bytes()))).state
    other = Evaluator().evaluate(applied(recipe, Source.of("b.dxf", revised_bytes()))).state
    assert [s.name for s in other.sketches] == [s.name for s in first.sketches]
    assert extents_of(other.curves()) == pytest.approx(extents_of(first.curves()))
    # The origin is placed before the mending, which moves the corner by a hair.
    assert extents_of(other.curves())[:2] == pytest.approx((0, 0), abs=0.01)


def test_many_are_run_in_processes_and_a_bad_one_is_told(recipe, drawings, tmp_path):
    told = []
    summary = run_many(
        recipe, drawings, tmp_path / "out", 2, told=lambda done, outcome: told.append((done, outcome.file))
    )
    assert [o.status for o in summary.outcomes] == ["done", "failed", "failed", "done"]
    assert "does not hold one" in summary.outcomes[1].says
    assert "There is no file" in summary.outcomes[2].says
    assert sorted(f for _, f in told) == sorted(p.name for p in drawings)
    assert [d for d, _ in told] == [1, 2, 3, 4]
    for outcome in (summary.outcomes[0], summary.outcomes[3]):
        assert outcome.regions > 20
        for output in outcome.outputs:
            assert curves_of(output)
    layers = {e.dxf.layer for e in ezdxf.readfile(summary.outcomes[0].outputs[0]).modelspace()}
    assert "CUT" in layers
    assert not layers & {"TITLE-BLOCK", "CENTRE-LINES"}
    stored = json.loads((tmp_path / "out" / "summary.json").read_text())
    assert stored["schema"] == "syntaxa.run/1"
    rows = list(csv.DictReader(io.StringIO((tmp_path / "out" / "summary.csv").read_text())))
    assert [r["status"] for r in rows] == ["done", "failed", "failed", "done"]
    assert summary_csv(summary) == (tmp_path / "out" / "summary.csv").read_bytes().decode().replace("\r\r\n", "\r\n")


def test_a_process_that_is_taken_down_loses_no_other_drawing(recipe, drawings, tmp_path, monkeypatch):
    monkeypatch.setattr(batch, "run_one", crash)
    summary = run_many(recipe, drawings, tmp_path / "out", 2)
    assert [o.status for o in summary.outcomes] == ["done", "failed", "done", "done"]
    assert "took the whole process down" in summary.outcomes[1].says


def test_results_have_names_of_their_own_and_never_fall_on_a_drawing(recipe, tmp_path):
    (tmp_path / "a").mkdir()
    (tmp_path / "b").mkdir()
    same = [tmp_path / "a" / "plate.dxf", tmp_path / "b" / "PLATE.dxf"]
    for path in same:
        path.write_bytes(demo_bytes())
    summary = run_many(recipe, same, tmp_path / "out", 2)
    assert len({o for outcome in summary.outcomes for o in outcome.outputs}) == 4
    with pytest.raises(JobError, match="one of the drawings themselves"):
        run_many(recipe, same, tmp_path / "a")
    assert same[0].read_bytes() == demo_bytes()


def test_a_unit_that_the_drawing_speaks_against_is_noted(tmp_path, recipe):
    path = tmp_path / "mm.dxf"
    document = ezdxf.new("R2010")
    document.header["$INSUNITS"] = 4
    document.header["$MEASUREMENT"] = 1
    space = document.modelspace()
    for a, b in (((0, 0), (200, 0)), ((200, 0), (200, 120)), ((200, 120), (0, 120)), ((0, 120), (0, 0))):
        space.add_line(a, b)
    for x, y in ((15, 15), (185, 15), (185, 105), (15, 105)):
        space.add_circle((x, y), 4.5)
    document.saveas(path)
    summary = run_many(recipe, [path], tmp_path / "out")
    assert any("speaks for mm" in note for note in summary.outcomes[0].notes)


def test_the_command_line_runs_a_recipe(recipe, drawings, tmp_path, capsys):
    save_recipe(recipe, tmp_path / "orchard.sxr")
    arguments = ["run", str(tmp_path / "orchard.sxr"), str(drawings[0]), str(drawings[3]), "-o", str(tmp_path / "out")]
    assert command([*arguments, "--jobs", "2"], lambda _: 0, lambda _: 0) == 0
    out, err = capsys.readouterr()
    assert "2/2" in err
    assert "summary.csv" in out
    bad = [*arguments[:2], str(drawings[1]), *arguments[2:]]
    assert command([*bad, "--json"], lambda _: 0, lambda _: 0) == 2
    out, err = capsys.readouterr()
    assert [o["status"] for o in json.loads(out)["outcomes"]] == ["failed", "done", "done"]
    assert "1 of 3 drawings failed" in err


def test_nothing_to_run_and_odd_numbers_are_refused(recipe, tmp_path, capsys):
    with pytest.raises(JobError, match="no drawing to run"):
        run_many(recipe, [], tmp_path)
    save_recipe(recipe, tmp_path / "r.sxr")
    assert command(["run", str(tmp_path / "r.sxr"), "x.dxf", "-o", str(tmp_path), "--jobs", "0"], None, None) == 2
    assert "--jobs" in capsys.readouterr().err


@pytest.mark.filterwarnings("ignore")
def test_the_same_work_goes_to_a_cluster(recipe, drawings, tmp_path):
    distributed = pytest.importorskip("distributed")
    here = run_many(recipe, drawings, tmp_path / "here")
    with distributed.LocalCluster(
        n_workers=1, threads_per_worker=1, processes=True, dashboard_address=None, local_directory=str(tmp_path)
    ) as cluster:
        there = run_many(recipe, drawings, tmp_path / "there", scheduler=cluster.scheduler_address)
    for one, other in zip(here.outcomes, there.outcomes, strict=True):
        assert (one.file, one.status, one.regions) == (other.file, other.status, other.regions)
        for a, b in zip(one.outputs, other.outputs, strict=True):
            mine, theirs = (curves_of(o) for o in (a, b))
            assert [c.shape for c in mine] == [c.shape for c in theirs]


def test_a_scheduler_that_is_not_there_is_told(recipe, drawings, tmp_path, monkeypatch):
    pytest.importorskip("distributed")
    monkeypatch.setattr(batch, "_PATIENCE", "1s")
    with pytest.raises(JobError, match="no scheduler at"):
        run_many(recipe, drawings, tmp_path / "out", scheduler="tcp://127.0.0.1:1")


def test_a_recipe_with_a_table_of_variants_writes_them_all_and_tells_what_cannot_be(tmp_path):
    path = tmp_path / "flange.dxf"
    path.write_bytes(plate())
    sizes = (
        Variant("wide", (("d1", "180"), ("d2", "90"))),
        Variant("narrow one", (("hole", "8"), ("d8", "hole"))),
        Variant("too small", (("d1", "5"),)),
    )
    job = Job.of(Source.of("flange.dxf", plate()))
    for step in (ChooseUnit("mm"), ReadOff(), BindDimensions(), SetVariants(sizes)):
        job = job.with_step(step)
    made = recipe_of(job, "sizes")
    assert made.left == ()
    (outcome,) = run_many(made.recipe, [path], tmp_path / "out").outcomes
    assert outcome.status == "done"
    names = ["flange.dxf", "flange-wide.dxf", "flange-narrow-one.dxf"]
    assert [Path(o).name for o in outcome.outputs] == names
    assert any("too small" in note and "was not written" in note for note in outcome.notes)
    widths, holes = [], []
    for name in names:
        space = ezdxf.readfile(tmp_path / "out" / name).modelspace()
        widths.append(bbox.extents(space).size.x)
        holes.append(min(c.dxf.radius for c in space.query("CIRCLE")))
    assert widths == pytest.approx([150, 180, 150], abs=1e-9)
    assert holes == pytest.approx([3, 3, 4], abs=1e-9)
