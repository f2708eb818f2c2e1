"""syntaxa cut and syntaxa check, from files to files; what goes out read by others."""

from __future__ import annotations

import json
import math

import ezdxf
import pikepdf
import pypdfium2
import pytest
import svgelements
from cutting import bracket, milled, operations, prove
from specimens import dxf_of

from syntaxa.cut.part import Planned
from syntaxa.deliver.cutting import deliver_drawing, deliver_program
from syntaxa.deliver.setup_sheet import setup_sheet
from syntaxa.demo.formats import write_drawings
from syntaxa.errors import DeliverError


@pytest.fixture
def plate(tmp_path):
    def build(space, _document):
        space.add_lwpolyline([(0, 0), (120, 0), (120, 80), (0, 80)], close=True, dxfattribs={"layer": "OUT"})
        space.add_circle((30, 40), 10, dxfattribs={"layer": "HOLES"})
        space.add_circle((90, 40), 15, dxfattribs={"layer": "HOLES"})

    path = tmp_path / "plate.dxf"
    path.write_bytes(dxf_of(build, INSUNITS=4))
    return path


def test_cut_writes_a_program_that_check_finds_good(run, plate, tmp_path):
    program = tmp_path / "plate.nc"
    code, out, err = run("cut", plate, "-o", program, "--tool", "kerf=0.3", "--json")
    assert (code, err) == (0, "")
    record = json.loads(out)
    assert record["schema"] == "syntaxa.cut/1"
    assert record["operations"][0]["items"] == 3
    assert record["check"]["wrong"] == 0
    assert record["check"]["deviation_mm"]["max"] < 1e-4
    code, out, _ = run("check", program, "--against", plate, "--tool", "kerf=0.3", "--strict", "--json")
    checked = json.loads(out)
    assert (code, checked["check"]["wrong"]) == (0, 0)
    assert checked["seconds"] == pytest.approx(record["seconds"])
    code, out, _ = run("check", program, "--against", plate, "--tool", "kerf=0.4", "--strict")
    assert code == 1
    assert "into the part" in out


def test_cut_with_a_set_of_operations(run, plate, tmp_path):
    (tmp_path / "ops.toml").write_text(
        'thickness = "6"\n[[operation]]\nname = "Bores"\nkind = "bore"\nlayers = ["HOLES"]\ntool = "end mill 6"\n'
        '[[operation]]\nname = "Outline"\nnest = "outer"\ntool = "end mill 6"\ntabs = 4\n',
        "utf-8",
    )
    code, out, _ = run(
        "cut",
        plate,
        "-o",
        tmp_path / "a.nc",
        "--machine",
        "router",
        "--operations",
        tmp_path / "ops.toml",
        "--strict",
        "--setup",
        tmp_path / "a.html",
    )
    assert code == 0, out
    assert "Bores" in out
    page = (tmp_path / "a.html").read_text("utf-8")
    assert "140 x 100 x 6 mm" in page
    assert "<svg" in page


@pytest.mark.parametrize(
    ("arguments", "says"),
    [
        (["-o", "a.txt"], "no ending"),
        (["--machine", "lathe"], "no machine called"),
        (["--tool", "D=x"], "no tool"),
        (["--thickness", "thick"], "thick"),
        (["--operations", "none.toml"], "cannot be read"),
        (["--decimals", "40"], "0 to 9"),
        (["--layers", "NONE"], "no layer NONE"),
        (["--setup", "a.doc"], ".html"),
        (["--machine", "mill", "--tool", "kerf=1"], "no tool for a mill"),
    ],
)
def test_bad_usage_is_one_sentence(run, plate, arguments, says):
    code, _, err = run("cut", plate, *arguments)
    assert code == 2
    assert says in err
    assert err.count("\n") == 1


@pytest.mark.parametrize(
    ("arguments", "says"),
    [
        (["--stock", "1,2"], "no stock"),
        (["--tolerance", "-1"], "above 0"),
        (["--zero", "there", "--against"], "no zero"),
        (["--tool", "T1:spoon"], "no tool called"),
        (["--against", "none.dxf"], "none.dxf"),
    ],
)
def test_bad_checks_are_one_sentence(run, plate, tmp_path, arguments, says):
    program = tmp_path / "p.nc"
    program.write_text("G21 G90\nG0 X0 Y0\nM2\n")
    more = [plate] if arguments[-1] == "--against" else []
    code, _, err = run("check", program, *arguments, *more)
    assert (code, says in err) == (2, True)


def test_a_program_that_is_no_program(run, tmp_path):
    program = tmp_path / "p.nc"
    program.write_bytes(bytes(range(256)))
    assert run("check", program)[0] == 2
    program.write_text("to be or not to be\n" * 50)
    code, out, _ = run("check", program, "--json")
    assert code == 0
    assert json.loads(out)["check"]["wrong"] > 10
    assert run("check", tmp_path / "none.nc")[0] == 2


# ---------------------------------------------------------------------- drawings for cutters


def lengths_by_operation(done):
    found = {}
    for cutting in done.work.cuttings:
        for s in cutting.run.stretches:
            if s.what == "cut":
                name = cutting.doing.operation.name
                found.setdefault(name, []).append(s)
    return found


def test_drawings_for_cutters_are_read_by_others(tmp_path):
    """Each operation a layer and colour, at true size: DXF by ezdxf, SVG by svgelements, PDF by two libraries."""
    done = prove(milled(bracket(), *operations(Outline={"tabs": 0})))
    for ending in ("dxf", "svg", "pdf"):
        deliver_drawing(done.work, tmp_path / f"a.{ending}")
    names = list(dict.fromkeys(c.doing.operation.name for c in done.work.cuttings if c.run.drilled is None))
    document = ezdxf.readfile(tmp_path / "a.dxf")
    assert not document.audit().errors
    layers = {e.dxf.layer for e in document.modelspace()}
    # A bore goes down in a helix: there is no cut on the level that a drawing could hold.
    drawn = [n for n in names if n != "Bore"]
    assert layers == set(drawn)
    assert len({document.layers.get(n).rgb for n in layers}) == len(drawn)
    svg = svgelements.SVG.parse(str(tmp_path / "a.svg"))
    box = svg.bbox()
    assert (box[2] - box[0]) / 96 * 25.4 == pytest.approx(106.0, abs=0.5)
    with pikepdf.open(tmp_path / "a.pdf") as pdf:
        groups = [str(g.Name) for g in pdf.Root.OCProperties.OCGs]
        assert sorted(groups) == sorted(drawn)
        size = [float(v) / 72 * 25.4 for v in pdf.pages[0].MediaBox]
        assert size[2] == pytest.approx(106.0 + 2, abs=1e-3)
    page = pypdfium2.PdfDocument(str(tmp_path / "a.pdf"))[0]
    assert len(list(page.get_objects())) >= len(drawn)


def test_a_circle_in_a_pdf_is_round(tmp_path):
    """Beziers of an eighth of a turn leave a circle by less than 1e-7 of its radius."""
    from syntaxa.deliver.pages.model import plan_leaf
    from syntaxa.deliver.pages.pdf import pdf_of
    from syntaxa.deliver.plan import Plan
    from syntaxa.deliver.profiles import Profiles
    from syntaxa.geometry.points import Point
    from syntaxa.geometry.shapes import Circle

    plan = Plan((Profiles("A", 0, (Circle(Point(50.0, 50.0), 40.0),), weight=0.01),))
    (tmp_path / "c.pdf").write_bytes(pdf_of([plan_leaf(plan)]))
    with pikepdf.open(tmp_path / "c.pdf") as pdf:
        at, worst = None, 0.0
        for operands, operator in pikepdf.parse_content_stream(pdf.pages[0]):
            values = [float(v) for v in operands] if str(operator) in ("m", "c") else []
            if str(operator) == "c":
                p = [at, *(tuple(values[k : k + 2]) for k in (0, 2, 4))]
                for t in (0.25, 0.5, 0.75):
                    w = ((1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t**3)
                    x, y = (sum(w[n] * p[n][axis] for n in range(4)) for axis in (0, 1))
                    worst = max(worst, abs(math.hypot(x - 41, y - 41) - 40))  # a margin of 1 mm round it
            if str(operator) in ("m", "c"):
                at = tuple(values[-2:])
    assert worst < 4e-6


def test_programs_and_drawings_are_whole_or_not_there(tmp_path):
    done = prove(milled(bracket(), *operations()))
    files = deliver_program(done, tmp_path / "a.nc", a_file_a_tool=True)
    assert len(files) == 4
    with pytest.raises(DeliverError, match="cannot be written"):
        deliver_program(done, tmp_path / "no" / "a.nc")
    with pytest.raises(DeliverError, match="no ending"):
        deliver_drawing(done.work, tmp_path / "a.png")
    assert not (tmp_path / "no").exists()


def test_the_setup_sheet_says_what_is_wrong():
    state = milled(bracket(), *operations())
    done = prove(state)
    page = setup_sheet(done, state.part(Planned))
    for text in ("end mill 6", "lower left corner", "Pocket", "nothing is wrong"):
        assert text in page


def test_the_demo_is_milled_and_cut_on_sheets_with_nothing_wrong(run, tmp_path):
    write_drawings(tmp_path)
    seat = tmp_path / "motor-seat"
    code, out, _ = run(
        "cut", f"{seat}.dxf", "--operations", f"{seat}.toml", "--machine", "mill", "-o", f"{seat}.nc", "--json"
    )
    done = json.loads(out)
    assert (code, done["check"]["wrong"]) == (0, 0)
    assert done["check"]["deviation_mm"]["max"] <= 1e-4
    assert [o["items"] for o in done["operations"]] == [2, 1, 4, 1, 1, 1]
    panels = ("cut", tmp_path / "orchard-pump-panels.dxf", "--skip-layers", "TITLE-BLOCK,CENTRE-LINES,NOTES")
    code, out, _ = run(*panels, "--sheet", "600,400", "--copies", "3", "-o", tmp_path / "sheet.nc", "--json")
    done = json.loads(out)
    assert (code, done["check"]["wrong"], len(done["outputs"])) == (0, 0, 3)
    assert done["check"]["deviation_mm"]["max"] <= 1e-4


def test_a_unit_in_doubt_is_said_and_strict_minds_it(run, tmp_path):
    def build(space, _document):
        space.add_lwpolyline([(0, 0), (3.7, 0), (3.7, 2.2), (0, 2.2)], close=True)

    path = tmp_path / "bare.dxf"
    path.write_bytes(dxf_of(build, INSUNITS=0))
    code, out, _ = run("cut", path, "-o", tmp_path / "a.nc", "--strict")
    assert (code, "in doubt" in out) == (1, True)
    code, out, _ = run("cut", path, "-o", tmp_path / "a.nc", "--strict", "--unit", "in")
    assert (code, "in doubt" in out) == (0, False)


def test_what_is_said_again_is_counted_and_an_untrue_good_is_not_said(run, tmp_path):
    def comb(space, _document):
        teeth = [p for k in range(12) for p in ((4 * k, 0), (4 * k, 30), (4 * k + 2, 30), (4 * k + 2, 0))]
        space.add_lwpolyline([*teeth, (46, -8), (0, -8)], close=True)

    (tmp_path / "comb.dxf").write_bytes(dxf_of(comb, INSUNITS=4))
    asked = ("cut", tmp_path / "comb.dxf", "--unit", "mm", "--machine", "router", "-o", tmp_path / "comb.nc")
    code, out, _ = run(*asked, "--tool", "D=3", "--strict")
    assert code == 1
    assert "exact to 0.000001 mm where the tool reaches" in out
    assert "too narrow for Ø 3 mm; 62 mm of its outline stay. (11 times, first at" in out
    assert "Nothing is wrong" not in out
    code, out, _ = run(*asked, "--tool", "D=1", "--strict")
    assert (code, "Nothing is wrong" in out) == (0, True)
    assert "(22 times, first at" in out
