"""Formats and the package: what is in them, what cannot be written, and that nothing is ever half there."""

from __future__ import annotations

import csv
import errno
import hashlib
import io
import math
import os
import zipfile
from dataclasses import replace

import ezdxf
import pytest
from specimens import dxf_of

from syntaxa.define.steps import BindDimensions, ReadOff
from syntaxa.deliver.formats import FORMATS, format_of, write_format
from syntaxa.deliver.sheets.model import Sheet
from syntaxa.deliver.sheets.steps import SetSheet
from syntaxa.deliver.write import Output, deliver
from syntaxa.demo.drawing import demo_bytes
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.drawing.step import QUIET
from syntaxa.errors import DeliverError
from syntaxa.form.raising import RaiseRegions
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Polyline
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.handover import BESIDE, USUAL, Handover, check_wanted, file_name, hand_over
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ChooseUnit


def plate():
    corners = tuple(Point(float(x), float(y)) for x, y in ((0, 0), (60, 0), (60, 40), (0, 40)))
    curves = (Curve("o", Polyline(corners, (0.0,) * 4, True), "0"), Curve("h", Circle(Point(20.0, 20.0), 6.0), "0"))
    made, _ = RaiseRegions("Raise 1", "PLATE", high="5").apply(State(sketches=(Sketch("PLATE", 0, curves),)), QUIET)
    return made


def job_of(*steps):
    job = Job.of(Source.of("panels.dxf", demo_bytes())).with_step(ChooseUnit("mm"))
    for step in steps:
        job = job.with_step(step)
    return job


# ---------------------------------------------------------------------- formats


@pytest.mark.parametrize("key", [f.key for f in FORMATS if not f.key.startswith("dimensions")])
def test_every_format_is_written_whole_or_not_at_all(key, tmp_path, monkeypatch):
    form, made = format_of(key), plate()
    path = tmp_path / f"plate{form.ending}"
    says = write_format(form, made, path).says
    assert says
    before = path.read_bytes()

    def full(_descriptor):
        raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))

    with monkeypatch.context() as patch:
        patch.setattr(os, "fsync", full)
        with pytest.raises(DeliverError, match="No space left on device"):
            write_format(form, made, path)
    assert path.read_bytes() == before
    assert [p.name for p in tmp_path.iterdir()] == [path.name]
    for bad in (
        tmp_path / "no such folder" / path.name,
        tmp_path / f"{'x' * 300}{form.ending}",
        tmp_path / f"a\0b{form.ending}",
    ):
        with pytest.raises(DeliverError):
            write_format(form, made, bad)
    folder = tmp_path / f"folder{form.ending}"
    folder.mkdir()
    with pytest.raises(DeliverError):
        write_format(form, made, folder)
    assert sorted(p.name for p in tmp_path.iterdir()) == sorted([path.name, folder.name])


@pytest.mark.skipif(os.geteuid() == 0, reason="nothing is forbidden to this user")
def test_no_permission_is_a_sentence(tmp_path):
    tmp_path.chmod(0o500)
    with pytest.raises(DeliverError, match="cannot be written"):
        deliver(plate(), tmp_path / "a.pdf")


@pytest.mark.parametrize("release", ["R12", "R2000", "R2010", "R2018"])
def test_each_release_is_read_back_without_faults_and_with_its_size(release, tmp_path):
    path = tmp_path / "plate.dxf"
    deliver(plate(), path, Output("mm", release))
    document = ezdxf.readfile(path)
    assert document.acad_release == {"R12": "R12", "R2000": "R2000", "R2010": "R2010", "R2018": "R2018"}[release]
    assert not document.audit().errors
    (circle,) = document.modelspace().query("CIRCLE")
    assert circle.dxf.radius == pytest.approx(6.0, abs=1e-12)


def test_tables_are_read_back_by_any_reader(tmp_path):
    write_format(format_of("holes-csv"), plate(), tmp_path / "h.csv")
    with (tmp_path / "h.csv").open(newline="") as file:
        rows = list(csv.DictReader(file))
    assert [(float(r["x, mm"]), float(r["y, mm"]), float(r["Ø, mm"])) for r in rows] == [(20.0, 20.0, 12.0)]
    write_format(format_of("bodies-csv"), plate(), tmp_path / "b.csv")
    with (tmp_path / "b.csv").open(newline="") as file:
        volume = float(next(csv.DictReader(file))["Volume, mm3"])
    assert volume == pytest.approx((60 * 40 - math.pi * 36) * 5, rel=1e-5)
    with pytest.raises(DeliverError, match="nothing for a table"):
        write_format(format_of("dimensions-csv"), plate(), tmp_path / "d.csv")


def test_dimensions_texts_and_hatches_go_out_as_what_they_are(tmp_path):
    def build(space, _document):
        points = [(0, 0), (100, 0), (100, 60), (0, 60)]
        space.add_lwpolyline(points, close=True)
        space.add_linear_dim((0, -15), (0, 0), (100, 0)).render()
        space.add_text("Base of the pump", height=4).set_placement((10, 70))
        space.add_mtext("two\nrows", {"char_height": 3, "insert": (10, 90)})
        hatch = space.add_hatch()
        hatch.paths.add_polyline_path([(10, 10), (20, 10), (20, 20)], is_closed=True)
        space.add_point((5, 5))

    job = Job.of(Source.of("base.dxf", dxf_of(build, INSUNITS=4)))
    for defined in (False, True):
        own = job.with_step(ReadOff()).with_step(BindDimensions()) if defined else job
        state = Evaluator().evaluate(own).state
        path = tmp_path / "out.dxf"
        deliver(state, path, Output(beside=True))
        document = ezdxf.readfile(path)
        assert not document.audit().errors
        (dimension,) = document.modelspace().query("DIMENSION")
        assert dimension.get_measurement() == pytest.approx(100.0, abs=1e-6)
        assert sorted(t.dxf.text for t in document.modelspace().query("TEXT")) == ["Base of the pump", "rows", "two"]
        assert len(document.modelspace().query("HATCH")) == 1
        assert len(document.modelspace().query("POINT")) == 1
        deliver(state, path)
        assert not ezdxf.readfile(path).modelspace().query("DIMENSION TEXT HATCH POINT")
        done = deliver(state, path, Output(release="R12", beside=True))
        assert any("hatch" in note for note in done.notes)
        deliver(state, path, Output(beside=True, font="arial.ttf"))
        document = ezdxf.readfile(path)
        styles = {document.styles.get(t.dxf.style).dxf.font for t in document.modelspace().query("TEXT")}
        assert styles == {"arial.ttf"}
        assert document.styles.get(document.dimstyles.get("Standard").dxf.dimtxsty).dxf.font == "arial.ttf"


# ---------------------------------------------------------------------- the package


def test_the_package_holds_what_was_asked_for_with_true_digests(tmp_path):
    job, evaluator = job_of(SetSheet(Sheet())), Evaluator()
    wanted = Handover(("dxf", "svg", "sheets", "holes-csv", "account", "received"), "{job}-{kind}-{rev}", "C")
    package = hand_over(job, evaluator.evaluate(job), evaluator, wanted, tmp_path / "out.zip", "today")
    with zipfile.ZipFile(tmp_path / "out.zip") as archive:
        assert archive.testzip() is None
        names = archive.namelist()
        assert set(names) == {
            "profiles/panels-dxf-C.dxf", "profiles/panels-svg-C.svg", "sheets/panels-sheets-C.pdf",
            "tables/panels-holes-csv-C.csv", "account/panels-account-C.html", "account/panels-account-C.json",
            "received/panels.dxf", "index.html",
        }  # fmt: skip
        assert archive.read("received/panels.dxf") == demo_bytes()
        page = archive.read("index.html").decode()
        for name, size, digest in package.digests():
            data = archive.read(name)
            assert (len(data), hashlib.sha256(data).hexdigest()) == (size, digest)
            assert name == "index.html" or digest in page
        document = ezdxf.read(io.StringIO(archive.read("profiles/panels-dxf-C.dxf").decode()))
        assert not document.audit().errors
    # But for the DXF, whose library stamps it with the time of day, the same job gives the same files.
    again = hand_over(job, evaluator.evaluate(job), evaluator, wanted, tmp_path / "again.zip", "today")
    same = {name for name, data in package.files.items() if again.files[name] == data}
    assert {n for n in package.files if not n.endswith((".dxf", "index.html"))} <= same


def test_a_file_for_each_sketch_where_names_tell_them_apart(tmp_path):
    job, evaluator = job_of(), Evaluator()
    wanted = Handover(("dxf",), "{sketch}")
    package = hand_over(job, evaluator.evaluate(job), evaluator, wanted, tmp_path / "out.zip", "today")
    sketches = [s for s in evaluator.evaluate(job).state.profiles() if s.curves]
    assert len([n for n in package.files if n.startswith("profiles/")]) == len(sketches) > 2


def test_what_cannot_be_made_stops_it_and_nothing_is_written(tmp_path, monkeypatch):
    job, evaluator = job_of(), Evaluator()
    evaluation = evaluator.evaluate(job)
    for kinds in (("dxf", "step"), ("dxf", "sheets"), ("dxf", "nc"), ("dxf", "bodies-csv")):
        with pytest.raises(Exception, match=r"no body|no sheet|to be cut|nothing for"):
            hand_over(job, evaluation, evaluator, Handover(kinds), tmp_path / "out.zip", "today")
    assert not list(tmp_path.iterdir())
    # What there is none of is left out where nothing was asked for by name.
    package = hand_over(job, evaluation, evaluator, Handover(USUAL), tmp_path / "out.zip", "today", is_asked=False)
    assert not any(n.startswith(("bodies/", "sheets/", "programs/")) for n in package.files)

    def full(_descriptor):
        raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))

    before = (tmp_path / "out.zip").read_bytes()
    monkeypatch.setattr(os, "fsync", full)
    with pytest.raises(DeliverError, match="No space left"):
        hand_over(job, evaluation, evaluator, Handover(("received",)), tmp_path / "out.zip", "today")
    assert (tmp_path / "out.zip").read_bytes() == before


@pytest.mark.parametrize(
    ("pattern", "rev", "name"),
    [
        ("{job}", "", "pump.dxf"), ("{job}-{sketch}-{rev}", "B", "pump-BASE-B.dxf"), ("{job}-{rev}", "", "pump.dxf"),
        ("{job}/../{rev}", "x", "pump-x.dxf"), ("con", "", "con_.dxf"), ("a:b*c?", "", "a-b-c.dxf"),
        ("{job}.dxf", "", "pump.dxf"), ("...", "", "pump.dxf"),
    ],
)  # fmt: skip
def test_names_are_such_as_every_system_allows(pattern, rev, name):
    assert file_name(Handover(pattern=pattern, rev=rev), "pump", "dxf", ".dxf", "BASE") == name


def test_wishes_that_make_no_sense():
    for wanted, why in (
        (Handover(("dxg",)), "no format"), (Handover(()), "Nothing is wanted"),
        (Handover(pattern="{day}"), "stands for"), (Handover(pattern="  "), "at least one letter"),
    ):  # fmt: skip
        with pytest.raises(DeliverError, match=why):
            check_wanted(wanted)
    check_wanted(Handover((*BESIDE, *(f.key for f in FORMATS)), "{job}{sketch}{rev}{kind}"))


def test_two_sources_of_one_name_do_not_cover_each_other(tmp_path):
    job = job_of()
    job, _ = job.with_source(replace(job.source, data=job.source.data + b"\n"))
    evaluator = Evaluator()
    package = hand_over(job, evaluator.evaluate(job), evaluator, Handover(("received",)), tmp_path / "o.zip", "today")
    assert {"received/panels.dxf", "received/panels-2.dxf"} <= set(package.files)
