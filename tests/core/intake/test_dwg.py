"""DWG by an independent writer, against the same drawing as DXF; and the child process that reads it."""

from __future__ import annotations

import math

import ezdwg
import pytest

from syntaxa.errors import Cancelled, IntakeError
from syntaxa.geometry.extents import bounds
from syntaxa.intake.dwg import reader
from syntaxa.intake.registry import read


def dwg_of(build, folder, insunits=0):
    document = ezdwg.new()
    document.header["insunits"] = insunits
    build(document.modelspace(), document)
    path = folder / "d.dwg"
    document.save(path)
    return path.read_bytes()


def test_curves_and_annotations_arrive_as_in_dxf(tmp_path):
    def build(space, document):
        document.layers["NOTES"] = {"color_index": 3}
        space.add_line((0, 0), (30, 40))
        space.add_arc((10, 10), 5, 30, 200)
        space.add_ellipse((0, 0, 0), (20, 0, 0), 0.25)
        space.add_spline([(0, 0, 0), (10, 10, 0), (20, 0, 0), (30, 10, 0)])
        space.add_point((7, 8))
        space.add_text("PUMP COVER", (1, 2), 3.5, layer="NOTES")
        space.add_linear_dim((0, -10), (0, 0), (30, 0))

    result = read("d.dwg", dwg_of(build, tmp_path, insunits=1))
    assert (result.report.format, result.report.version, result.report.declared) == ("dwg", "R2000", "in")
    shapes = {c.shape.kind: c.shape for c in result.drawing.curves}
    assert shapes["line"].length == 50
    assert shapes["arc"].sweep == pytest.approx(math.radians(170))
    assert (shapes["ellipse"].major.length, shapes["ellipse"].ratio) == (20, 0.25)
    assert bounds(shapes["spline"])[0] == pytest.approx(0, abs=1e-9)
    texts = [a for a in result.drawing.annotations if a.kind == "text"]
    assert [(t.text, t.layer, t.height, t.place.x) for t in texts] == [("PUMP COVER", "NOTES", 3.5, 1)]
    (dimension,) = (a for a in result.drawing.annotations if a.kind == "dimension")
    assert dimension.measured == pytest.approx(30)


def test_curves_keep_the_handles_of_the_dwg(tmp_path):
    data = dwg_of(lambda space, _: [space.add_line((k, 0), (k, 1)) for k in range(3)], tmp_path)
    handles = [c.handle for c in read("d.dwg", data).drawing.curves]
    assert len(set(handles)) == 3
    assert handles == [c.handle for c in read("d.dwg", data).drawing.curves]


@pytest.mark.parametrize("cut", [0.2, 0.5, 0.9])
def test_a_damaged_file_is_refused_in_a_sentence(tmp_path, cut):
    data = dwg_of(lambda space, _: space.add_circle((0, 0), 5), tmp_path)
    broken = data[: int(len(data) * cut)]
    with pytest.raises(IntakeError, match=r"d\.dwg could not be made out\. Ask for the drawing as DXF\."):
        read("d.dwg", broken)


def test_what_the_child_process_eats_or_loops_over_ends_only_the_child(tmp_path, monkeypatch):
    data = dwg_of(lambda space, _: [space.add_line((k, 0), (k, 1)) for k in range(20_000)], tmp_path)
    monkeypatch.setattr(reader, "_MEMORY", 1 << 20)
    with pytest.raises(IntakeError, match="could not be made out"):
        read("d.dwg", data)


def test_reading_can_be_stopped(tmp_path):
    data = dwg_of(lambda space, _: space.add_circle((0, 0), 5), tmp_path)

    def stop(_share):
        raise Cancelled

    with pytest.raises(Cancelled):
        read("d.dwg", data, stop)
