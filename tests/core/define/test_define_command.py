"""`syntaxa define`: the JSON that it promises, values, variants, and how it refuses."""

from __future__ import annotations

import json

import ezdxf
import pytest
from drawings import plate
from specimens import dxf_of

from syntaxa.cli.main import run


def command(*arguments: str) -> int:
    return run(["define", *arguments], lambda _files: 99, lambda _walk: 99)


@pytest.fixture
def drawing(tmp_path):
    path = tmp_path / "flange.dxf"
    path.write_bytes(plate(noise=0.01))
    return path


def told(capsys) -> dict:
    return json.loads(capsys.readouterr().out)


def test_the_record_is_as_promised(drawing, tmp_path, capsys):
    out = tmp_path / "out.dxf"
    assert command(str(drawing), "--unit", "mm", "--set", "w=100", "--set", "d1=w", "-o", str(out), "--json") == 0
    record = told(capsys)
    assert record["schema"] == "syntaxa.define/1"
    (sketch,) = record["sketches"]
    assert sketch["constraints"]["tangent"] == 8
    assert (sketch["redundant"], sketch["held"]) == (0, False)
    by_name = {d["name"]: d for d in record["dimensions"]}
    assert by_name["d1"]["value"] == pytest.approx(100.0, abs=1e-9)
    assert by_name["d1"]["live"]
    assert by_name["d4"]["kind"] == "diameter"
    assert by_name["d5"]["value"] == pytest.approx(50.0, abs=1e-9), "what was centred is centred"
    assert [(p["name"], p["value"]) for p in record["parameters"]] == [("w", 100.0)]
    assert sketch["freedom"] == 2
    assert [p["kind"] for p in record["proposals"]] == ["fixed"]
    assert record["moved_mm"]["max"] == pytest.approx(50.0, abs=0.1)
    assert record["outputs"] == [str(out)]
    assert len(ezdxf.readfile(out).modelspace().query("CIRCLE")) == 7


def test_each_row_of_a_table_is_a_drawing(drawing, tmp_path, capsys):
    table = tmp_path / "sizes.csv"
    table.write_text("variant,d1,d4\nsmall,100,20\nlarge,200,\n")
    folder = tmp_path / "sizes"
    assert command(str(drawing), "--unit", "mm", "--variants", str(table), "-o", str(folder), "--json") == 0
    names = ["flange-large.dxf", "flange-small.dxf"]
    assert sorted(p.name for p in folder.iterdir()) == names
    hubs = [max(c.dxf.radius for c in ezdxf.readfile(folder / n).modelspace().query("CIRCLE")) for n in names]
    assert hubs == pytest.approx([15.0, 10.0], abs=1e-9)
    assert len(told(capsys)["outputs"]) == 2


@pytest.mark.parametrize(
    ("arguments", "says"),
    [
        (("--set", "d1=-4"), "cannot be -4"),
        (("--set", "d1"), "sets nothing"),
        (("--set", "d3=60"), "cannot"),
        (("--level", "5"), "at most"),
        (("--hold", "nothing"), "no sketch"),
        (("--variants", "missing.csv", "-o", "x"), "cannot be used"),
        (("--variants", "missing.csv"), "one folder"),
        (("-o", "out.txt"), "no ending"),
    ],
)
def test_what_cannot_be_is_a_sentence_and_nothing_is_written(drawing, tmp_path, capsys, monkeypatch, arguments, says):
    monkeypatch.chdir(tmp_path)
    assert command(str(drawing), "--unit", "mm", *arguments) == 2
    error = capsys.readouterr().err
    assert says in error
    assert error.count("\n") == 1
    assert sorted(p.name for p in tmp_path.iterdir()) == ["flange.dxf"]


def test_strict_minds_what_is_free_and_holding_whole_ends_it(drawing, capsys):
    assert command(str(drawing), "--unit", "mm", "--strict", "--json") == 1
    capsys.readouterr()
    assert command(str(drawing), "--unit", "mm", "--strict", "--hold", "0", "--json") == 0
    assert told(capsys)["moved_mm"] == {"max": 0.0, "mean": 0.0}


def test_for_people_it_is_a_table_with_what_is_missing(drawing, capsys):
    assert command(str(drawing), "--unit", "mm", "--propose") == 0
    out = capsys.readouterr().out
    assert "Missing: 1" in out
    assert "drives" in out


def test_of_what_is_too_large_to_be_counted_nothing_is_said_to_be_there(tmp_path, capsys):
    def comb(space, _document):
        teeth = [p for k in range(251) for p in ((4 * k, 0), (4 * k, 30), (4 * k + 2, 30), (4 * k + 2, 0))]
        space.add_lwpolyline([*teeth, (1002, -8), (0, -8)], close=True)

    (tmp_path / "comb.dxf").write_bytes(dxf_of(comb, INSUNITS=4))
    assert command(str(tmp_path / "comb.dxf"), "--unit", "mm", "--propose", "--strict") == 1
    out = capsys.readouterr().out
    assert "What is missing was not looked for in 0: too large." in out
    assert "Nothing is missing" not in out
