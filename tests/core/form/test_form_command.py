"""`syntaxa form`: the JSON that it promises, what it writes, and how it refuses."""

from __future__ import annotations

import json

import pytest
import trimesh
from specimens import dxf_of

from syntaxa.cli.main import run
from syntaxa.demo.flange import flange_dxf


def command(*arguments: str) -> int:
    return run(["form", *arguments], lambda _files: 99, lambda _walk: 99)


@pytest.fixture
def flange(tmp_path):
    path = tmp_path / "flange.dxf"
    path.write_bytes(flange_dxf())
    return path


def told(capsys) -> dict:
    return json.loads(capsys.readouterr().out)


def test_the_record_is_as_promised(flange, tmp_path, capsys):
    step, stl = tmp_path / "a.step", tmp_path / "a.stl"
    asked = ("--thickness", "8mm", "--chamfer", "rims=0.5", "--density", "steel", "-o", str(step), "-o", str(stl))
    assert command(str(flange), *asked, "--json") == 0
    record = told(capsys)
    assert record["schema"] == "syntaxa.form/1"
    (body,) = record["bodies"]
    assert body["valid"]
    assert body["mass_kg"] == pytest.approx(body["volume_mm3"] * 7.85e-6)
    assert body["bbox_mm"][5] == pytest.approx(8.0)
    assert body["faces"]["cone"] > 0
    assert [f["kind"] for f in record["features"]] == ["raise", "chamfer"]
    assert record["features"][1]["volume_mm3"] == pytest.approx(body["volume_mm3"])
    assert record["failed"] == []
    assert record["outputs"] == [str(step), str(stl)]
    assert trimesh.load(stl).volume == pytest.approx(body["volume_mm3"], rel=1e-3)
    assert step.read_text().startswith("ISO-10303-21;")


def test_values_of_define_go_before(flange, capsys):
    assert command(str(flange), "--set", "d1=100", "--set", "t=6", "--thickness", "2*t", "--json") == 0
    (body,) = told(capsys)["bodies"]
    low, high = body["bbox_mm"][:3], body["bbox_mm"][3:]
    assert high[0] - low[0] == pytest.approx(100.0, abs=1e-6)
    assert high[2] == pytest.approx(12.0)


def test_by_layer_and_turned(flange, capsys):
    assert command(str(flange), "--thickness-by", "layer:FLANGE=3", "--json") == 0
    assert told(capsys)["bodies"][0]["bbox_mm"][5] == pytest.approx(3.0)
    assert command(str(flange), "--turn-about=-10,0,-10,1,90", "--json") == 0
    assert told(capsys)["bodies"][0]["faces"]["torus"] > 0


@pytest.mark.parametrize(
    ("asked", "says"),
    [
        ((), "Nothing says what is to be made"),
        (("--thickness", "much"), "nothing is called"),
        (("--thickness", "0"), "is none"),
        (("--thickness-by", "FLANGE=3"), "is no thickness"),
        (("--thickness-by", "layer:A=3,role:B=4"), "either layers or roles"),
        (("--thickness-by", "layer:NONE=3"), "No closed region has such a layer"),
        (("--turn-about", "1,2,3"), "is no line"),
        (("--turn-about", "50,0,50,1"), "The line crosses the region"),
        (("--thickness", "3", "--fillet", "sharp=2"), "is no rule for edges"),
        (("--thickness", "3", "--fillet", "upright=900"), "does not fit"),
        (("--thickness", "3", "--density", "cheese"), "no material"),
        (("--thickness", "3", "-o", "x.obj"), "no ending that can be written"),
    ],
)
def test_what_makes_no_sense_is_one_sentence(flange, capsys, asked, says):
    assert command(str(flange), *asked) == 2
    assert says in capsys.readouterr().err


def test_edges_that_fail_are_told_and_strict_says_so(tmp_path, capsys):
    path = tmp_path / "plate.dxf"
    path.write_bytes(dxf_of(lambda space, _: space.add_lwpolyline([(0, 0), (40, 0), (40, 25), (0, 25)], close=True)))
    asked = (str(path), "--unit", "mm", "--thickness", "8", "--fillet", "rims=6", "--strict")
    status = command(*asked, "--json")
    record = told(capsys) if status != 2 else None
    assert status == 1
    assert record is not None
    assert record["failed"]
    assert all(f["why"].endswith("can be made.") or "fit" in f["why"] for f in record["failed"])
