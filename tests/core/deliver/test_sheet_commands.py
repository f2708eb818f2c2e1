"""syntaxa sheet and syntaxa pack, from files to files; what goes out read by others."""

from __future__ import annotations

import csv
import hashlib
import io
import json
import zipfile

import cadkit
import numpy as np
import pytest
import svgelements
from paging import paths_of
from PIL import Image
from specimens import dxf_of


@pytest.fixture
def plate(tmp_path):
    """Two plates apart, one with two holes; a dimension of the second says something else."""

    def build(space, _document):
        space.add_lwpolyline([(0, 0), (100, 0), (100, 60), (0, 60)], close=True, dxfattribs={"layer": "PLATE"})
        space.add_circle((30, 30), 10, dxfattribs={"layer": "PLATE"})
        space.add_circle((70, 30), 5, dxfattribs={"layer": "PLATE"})
        space.add_lwpolyline([(200, 0), (240, 0), (240, 40), (200, 40)], close=True, dxfattribs={"layer": "PLATE"})
        space.add_linear_dim((200, -15), (200, 0), (240, 0), text="45").render()

    path = tmp_path / "plate.dxf"
    path.write_bytes(dxf_of(build, INSUNITS=4))
    return path


def test_a_line_of_100_mm_at_1_to_2_is_50_mm_in_every_format(run, plate, tmp_path):
    """On the PDF by PDFium, in the SVG by svgelements, in the DXF by cadkit, on the PNG by counting pixels."""
    for ending in ("pdf", "svg", "dxf", "png"):
        out = tmp_path / f"sheet.{ending}"
        code, text, err = run(
            "sheet", plate, "-o", out, "--paper", "A3", "--scale", "1:2", "--frame", "none", "--views",
            "profiles:PLATE", "--dots", "254", "--json",
        )  # fmt: skip
        assert (code, err) == (0, ""), ending
        record = json.loads(text)
        assert (record["schema"], record["paper_mm"], record["scale"]) == ("syntaxa.sheet/1", [420.0, 297.0], "1:2")
        assert record["views"][0]["box_mm"][2] - record["views"][0]["box_mm"][0] == pytest.approx(120.0)
    widths = {round(float(np.ptp(p[:, 0])), 3) for p in paths_of((tmp_path / "sheet.pdf").read_bytes())}
    assert {50.0, 20.0} <= widths  # 100 and 40 mm
    drawing = svgelements.SVG.parse(str(tmp_path / "sheet.svg"), ppi=25.4)
    boxes = [e.bbox() for e in drawing.elements() if isinstance(e, svgelements.Path) and len(e)]
    assert any(b[2] - b[0] == pytest.approx(50.0, abs=1e-3) for b in boxes)
    points = [
        [v["position"]["x"] for v in e["kind"]["vertices"]] for e in cadkit.read(str(tmp_path / "sheet.dxf")).entities()
        if "vertices" in e["kind"]
    ]  # fmt: skip
    assert any(max(xs) - min(xs) == pytest.approx(50.0) for xs in points)
    with Image.open(tmp_path / "sheet.png") as picture:
        assert picture.size == (4200, 2970)


def test_parts_and_details_and_each_part(run, plate, tmp_path):
    out = tmp_path / "parts.pdf"
    views = "received,window:-5,-5,105,65,detail:received:30,30,12"
    code, text, _ = run("sheet", plate, "-o", out, "--views", views, "--changes", "--holes", "--json")
    record = json.loads(text)
    assert code == 0
    assert [v["name"] for v in record["views"]] == views.replace(",window", "|window").replace(
        ",detail", "|detail"
    ).split("|")
    assert [(d["says"], d["measures"]) for d in record["disagree"]] == [(45.0, 40.0)]
    folder = tmp_path / "each"
    code, text, _ = run("sheet", plate, "--each-part", "-o", folder, "--paper", "A4", "--json")
    assert code == 0
    assert sorted(p.name for p in folder.iterdir()) == ["plate-1.pdf", "plate-2.pdf"]
    assert len(json.loads(text)["outputs"]) == 2
    assert run("sheet", plate, "--each-part", "-o", folder, "--strict")[0] == 1  # a dimension disagrees


@pytest.mark.parametrize(
    ("arguments", "why"),
    [
        (("-o", "a.txt"), "no ending"), (("-o", "a.pdf", "--scale", "3:7:9"), "no scale"),
        (("-o", "a.pdf", "--paper", "B9"), "no paper"), (("-o", "a.pdf", "--views", "sideways"), "no view"),
        (("-o", "a.pdf", "--field", "colour=blue"), "fills no field"),
        (("-o", "a.pdf", "--frame", "none.svg"), "frame"),
        (("-o", "a.png", "--dots", "0"), "dots to the inch"), (("-o", "a.pdf", "--views", "window:0,0,0,0"), "no part"),
        (("-o", "a.pdf", "--views", "front"), "no body"), (("-o", "no/where/a.pdf",), "cannot be written"),
    ],
)  # fmt: skip
def test_nonsense_is_refused_in_a_sentence_and_nothing_is_written(run, plate, tmp_path, monkeypatch, arguments, why):
    monkeypatch.chdir(tmp_path)
    before = set(tmp_path.rglob("*"))
    code, out, err = run("sheet", plate, *arguments)
    assert (code, out) == (2, "")
    assert err.startswith("syntaxa: ")
    assert why in err
    assert set(tmp_path.rglob("*")) == before


def test_a_package_with_what_was_asked_for(run, plate, tmp_path):
    out = tmp_path / "handover.zip"
    code, text, err = run(
        "pack", plate, "-o", out, "--with", "dxf,svg,pdf,holes-csv,parts-csv,account,received", "--names",
        "{job}-{rev}", "--rev", "B", "--json",
    )  # fmt: skip
    assert (code, err) == (0, "")
    record = json.loads(text)
    with zipfile.ZipFile(out) as archive:
        assert archive.testzip() is None
        for file in record["files"]:
            data = archive.read(file["name"])
            assert (len(data), hashlib.sha256(data).hexdigest()) == (file["bytes"], file["sha256"])
        assert {"profiles/plate-B.dxf", "tables/plate-B-holes.csv", "received/plate.dxf"} <= set(archive.namelist())
        holes = list(csv.DictReader(io.StringIO(archive.read("tables/plate-B-holes.csv").decode())))
        parts = list(csv.DictReader(io.StringIO(archive.read("tables/plate-B-parts.csv").decode())))
    assert [row["Ø, mm"] for row in holes] == ["20", "10"]
    assert [(row["Count"], row["Holes"]) for row in parts] == [("1", "2"), ("1", "0")]
    code, _, err = run("pack", plate, "-o", tmp_path / "more.zip", "--with", "step")
    assert code == 2
    assert "no body" in err
    assert not (tmp_path / "more.zip").exists()
