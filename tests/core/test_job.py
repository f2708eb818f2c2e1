"""Steps, ledger, caching, undo, and the job file."""

from __future__ import annotations

import errno
import io
import os
import zipfile

import ezdxf
import pytest
from specimens import dxf_of, square

from syntaxa.demo.drawing import demo_bytes
from syntaxa.demo.parts import parts
from syntaxa.drawing.model import extents_of
from syntaxa.errors import JobError
from syntaxa.files import write_atomically
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.history import History
from syntaxa.job.model import Job, Source
from syntaxa.job.store import job_bytes, load_job, save_job
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin, ScaleBy
from syntaxa.mend.steps import MendFindings, survey_state
from syntaxa.route.edits import BringBack, DeleteSketch, ExcludeCurves, SetSketch
from syntaxa.route.steps import ChooseLayers


def plate_job(**header):
    data = dxf_of(
        lambda space, _d: space.add_lwpolyline([(x + 5, y + 7) for x, y in square()[:-1]], close=True), **header
    )
    return Job.of(Source.of("plate.dxf", data))


def extents(evaluation):
    return extents_of(evaluation.state.curves())


def test_the_demo_is_healed_as_its_parts_were_drawn():
    """Independent of the damage: every contour of the undamaged parts bounds one region, with its true area."""
    job = Job.of(Source.of("demo.dxf", demo_bytes()))
    job = job.with_step(ChooseUnit("in"))
    job = job.with_step(ChooseLayers(("TITLE-BLOCK", "CENTRE-LINES", "NOTES", "CONSTRUCTION")))
    before = Evaluator().evaluate(job)
    after = Evaluator().evaluate(job.with_step(MendFindings()))
    regions = survey_state(after.state, None).regions
    expected = {p.layer: len(p.runs) + len(p.holes) for p in parts()}
    found = {name: sum(r.sketch == name for r in regions) for name in expected}
    assert found == expected
    assert len(survey_state(before.state, None).regions) < len(regions)
    bores = sorted(h.radius * 25.4 for p in parts() for h in p.holes if p.layer == "FLANGE-GASKET")
    disc = max(r.box[2] - r.box[0] for r in regions if r.sketch == "FLANGE-GASKET")
    assert disc == pytest.approx(2 * bores[-1], rel=1e-9)


def test_the_demo_claims_millimetres_but_the_clues_disagree():
    verdict = Evaluator().evaluate(Job.of(Source.of("demo.dxf", demo_bytes()))).verdict
    assert verdict.unit == "in"
    assert not verdict.sure
    assert [verdict.witnesses[k].kind for k in verdict.contradicted] == ["header"]


@pytest.mark.parametrize(
    ("step", "box"),
    [
        (ChooseUnit("in"), (127, 177.8, 381, 431.8)),
        (ScaleBy(0.5), (2.5, 3.5, 7.5, 8.5)),
        (PlaceOrigin("lower-left"), (0, 0, 10, 10)),
        (PlaceOrigin("centre"), (-5, -5, 5, 5)),
        (PlaceOrigin("point", 5, 17), (0, -10, 10, 0)),
        (PlaceOrigin("as-drawn"), (5, 7, 15, 17)),
    ],
)
def test_each_placing_does_what_it_says(step, box):
    assert extents(Evaluator().evaluate(plate_job(INSUNITS=4).with_step(step))) == pytest.approx(box, rel=1e-14)


def test_steps_are_done_in_the_order_of_the_stages():
    job = (
        plate_job(INSUNITS=4)
        .with_step(MendFindings(0.05))
        .with_step(PlaceOrigin("lower-left"))
        .with_step(ChooseUnit("cm"))
    )
    assert [type(s.step).__name__ for s in job.steps] == ["ChooseUnit", "PlaceOrigin", "MendFindings"]
    assert extents(Evaluator().evaluate(job)) == pytest.approx((0, 0, 100, 100))


def two_layers_job():
    """A plate from 5, 7 to 15, 17 and a stray line on another layer down to -20, -30."""
    document = ezdxf.new()
    document.units = 4
    space = document.modelspace()
    space.add_lwpolyline([(5, 7), (15, 7), (15, 17), (5, 17)], close=True)
    space.add_line((-20, -30), (0, 0), dxfattribs={"layer": "Frame"})
    out = io.StringIO()
    document.write(out)
    return Job.of(Source.of("two.dxf", out.getvalue().encode()))


@pytest.mark.parametrize(
    "step",
    [
        SetSketch("Frame", purpose="reference"),
        SetSketch("Frame", purpose="construction"),
        ChooseLayers(("Frame",)),
        DeleteSketch("Frame"),
    ],
    ids=lambda s: type(s).__name__,
)
@pytest.mark.parametrize(("mode", "box"), [("lower-left", (0, 0, 10, 10)), ("centre", (-5, -5, 5, 5))])
def test_the_origin_goes_by_what_goes_out_whatever_comes_later(step, mode, box):
    evaluation = Evaluator().evaluate(two_layers_job().with_step(PlaceOrigin(mode)).with_step(step))
    assert not [row.failed for row in evaluation.ledger if row.failed]
    assert extents_of(evaluation.state.made_curves()) == pytest.approx(box, abs=1e-9)


def test_a_step_that_takes_the_origin_along_says_so():
    job = two_layers_job().with_step(PlaceOrigin("lower-left"))
    stray = next(c.id for c in Evaluator().evaluate(job).state.curves() if c.layer == "Frame")
    aside = job.with_step(ExcludeCurves((stray,)))
    row = Evaluator().evaluate(aside).ledger[-1]
    assert "The origin follows the lower left of what goes out: everything moved by -25, -37 mm." in row.entry.says
    evaluation = Evaluator().evaluate(aside.with_step(BringBack((stray,))))
    assert "everything moved by 25, 37 mm" in evaluation.ledger[-1].entry.says
    assert extents(evaluation) == pytest.approx((0, 0, 35, 47), abs=1e-9)


def test_an_origin_at_a_point_stays_there():
    job = two_layers_job().with_step(PlaceOrigin("lower-left")).with_step(PlaceOrigin("point", 5, 7))
    evaluation = Evaluator().evaluate(job.with_step(DeleteSketch("Frame")))
    assert extents(evaluation) == pytest.approx((0, 0, 10, 10), abs=1e-9)
    assert "origin follows" not in evaluation.ledger[-1].entry.says


def test_there_is_one_step_of_a_kind_and_it_takes_new_parameters():
    job = plate_job().with_step(ScaleBy(2)).with_step(ScaleBy(3))
    assert [s.step for s in job.steps] == [ScaleBy(3)]
    assert len(job.with_step(MendFindings(0.1)).with_step(MendFindings(0.1)).steps) == 3


def test_switching_a_row_off_takes_its_effect_away():
    job = plate_job(INSUNITS=4).with_step(ScaleBy(2))
    off = Evaluator().evaluate(job.switched(1, False))
    assert extents(off) == pytest.approx((5, 7, 15, 17))
    assert [row.enabled for row in off.ledger] == [False]
    assert extents(Evaluator().evaluate(job.switched(1, False).switched(1, True)))[2] == pytest.approx(30)


def test_a_step_that_fails_is_told_and_skipped():
    evaluation = Evaluator().evaluate(plate_job(INSUNITS=4).with_step(ScaleBy(-1)).with_step(PlaceOrigin("centre")))
    assert evaluation.ledger[0].failed.startswith("A scale of -1 makes no sense.")
    assert extents(evaluation) == pytest.approx((-5, -5, 5, 5))


def test_a_fix_whose_target_is_gone_says_so():
    row = Evaluator().evaluate(plate_job().with_step(MendFindings(0.05, only=("gap:gone",)))).ledger[0]
    assert row.entry.missing == ("gap:gone",)
    assert row.entry.changed == 0


def test_results_are_kept_and_are_those_of_a_fresh_evaluation():
    job = plate_job(INSUNITS=4).with_step(ScaleBy(2)).with_step(MendFindings(0.05))
    evaluator = Evaluator()
    first, second = evaluator.evaluate(job), evaluator.evaluate(job)
    assert second.state is first.state
    assert Evaluator().evaluate(job).state == first.state
    changed = evaluator.evaluate(job.with_step(ScaleBy(3)))
    assert extents(changed)[2] == pytest.approx(45)


def test_undo_and_redo_walk_the_history():
    job = plate_job()
    history = History(job)
    history.do(job.with_step(ScaleBy(2)), "Scale")
    history.do(history.job.with_step(ScaleBy(3)), "Scale again")
    assert history.undo_name == "Scale again"
    assert history.undo().steps[0].step == ScaleBy(2)
    assert history.undo() == job
    assert history.undo() == job
    assert history.redo_name == "Scale"
    history.redo()
    history.do(history.job.with_step(ChooseUnit("in")), "Unit")
    assert history.redo_name == ""
    assert history.redo() == history.job


def test_a_saved_job_comes_back_whole(tmp_path):
    job = (
        plate_job()
        .with_step(ChooseUnit("in"))
        .with_step(ChooseLayers(("A", "B")))
        .with_step(PlaceOrigin("point", 1.0, 2.0))
    )
    job = job.with_step(MendFindings(0.2, only=("gap:x",))).switched(2, False)
    path = tmp_path / "plate.sxj"
    save_job(job, path, b"picture")
    again = load_job(path)
    assert again == job
    assert Evaluator().evaluate(again).state == Evaluator().evaluate(job).state
    assert zipfile.ZipFile(path).read("preview.png") == b"picture"
    assert zipfile.ZipFile(path).read("sources/1-plate.dxf") == job.source.data
    assert job_bytes(job) == job_bytes(again)


@pytest.mark.parametrize("damage", ["cut", "empty", "text", "swapped", "version"])
def test_a_damaged_job_file_is_refused_in_one_sentence(tmp_path, damage):
    path = tmp_path / "bad.sxj"
    data = job_bytes(plate_job())
    if damage == "swapped":
        with zipfile.ZipFile(path, "w") as out, zipfile.ZipFile(__import__("io").BytesIO(data)) as archive:
            out.writestr("job.json", archive.read("job.json"))
            out.writestr("sources/1-plate.dxf", b"another drawing")
    elif damage == "version":
        with zipfile.ZipFile(path, "w") as out:
            out.writestr("job.json", b'{"format": "syntaxa.job/99"}')
    else:
        path.write_bytes({"cut": data[: len(data) // 2], "empty": b"", "text": b"not a zip"}[damage])
    with pytest.raises(JobError) as caught:
        load_job(path)
    assert caught.value.sentence.count("\n") == 0


def test_a_full_disk_leaves_the_old_file_whole(tmp_path, monkeypatch):
    path = tmp_path / "plate.sxj"
    save_job(plate_job(), path)
    before = path.read_bytes()

    def full(_descriptor):
        raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))

    monkeypatch.setattr(os, "fsync", full)
    with pytest.raises(JobError, match="No space left on device"):
        save_job(plate_job().with_step(ScaleBy(2)), path)
    assert path.read_bytes() == before
    assert os.listdir(tmp_path) == ["plate.sxj"]


def test_atomic_writes_keep_the_rights_of_the_file(tmp_path):
    path = tmp_path / "file"
    path.write_bytes(b"old")
    path.chmod(0o640)
    write_atomically(path, b"new")
    assert path.read_bytes() == b"new"
    assert path.stat().st_mode & 0o777 == 0o640
