"""The command line as a user runs it: output, JSON, exit status, and one plain sentence when it fails."""

from __future__ import annotations

import json
import math
import resource
import subprocess
import sys

import ezdxf
import pytest
from specimens import dxf_of

from syntaxa.demo.drawing import write_demo

SKIPPED = "TITLE-BLOCK,CENTRE-LINES"


@pytest.fixture
def demo(tmp_path):
    return write_demo(tmp_path)


def test_inspect_tells_what_is_in_the_demo(run, demo):
    status, out, err = run("inspect", demo, "--json")
    record = json.loads(out)
    assert (status, err) == (0, "")
    assert record["schema"] == "syntaxa.inspect/1"
    assert record["unit"]["declared"] == "mm"
    assert record["curves"]["arc"] > 0
    assert {"gap", "duplicate", "overlap", "speck"} <= set(record["findings"])
    assert {layer["name"]: layer["visible"] for layer in record["layers"]}["CONSTRUCTION"] is False
    fields = {"source", "unit", "extents_mm", "layers", "curves", "annotations", "blocks", "not_read", "findings"}
    assert fields <= set(record)


def test_inspect_prints_a_table_for_people(run, demo):
    status, out, _ = run("inspect", demo)
    assert status == 0
    assert "declares mm" in out
    assert "MOTOR-BRACKET" in out


def test_mend_makes_closed_profiles_and_tells_what_it_did(run, demo, tmp_path):
    dxf, svg = tmp_path / "out.dxf", tmp_path / "out.svg"
    status, out, _ = run(
        "mend", demo, "-o", dxf, "-o", svg, "--unit", "in", "--skip-layers", SKIPPED, "--origin", "lower-left", "--json"
    )
    record = json.loads(out)
    assert status == 0
    assert record["schema"] == "syntaxa.mend/1"
    assert record["before"]["regions"] < record["after"]["regions"] == 41
    assert record["outputs"] == [str(dxf), str(svg)]
    assert record["deviation_mm"]["max"] <= record["tolerance_mm"] / 2 + 1e-9
    bracket = [r for r in record["regions"] if r["sketch"] == "MOTOR-BRACKET"]
    bore = min(bracket, key=lambda r: abs(r["area_mm2"] - math.pi * (1.125 * 25.4) ** 2))
    assert bore["area_mm2"] == pytest.approx(math.pi * (1.125 * 25.4) ** 2, rel=1e-9)
    assert next(row["step"] for row in record["ledger"]) == "Unit: inches"
    closed = [e for e in ezdxf.readfile(dxf).modelspace() if e.dxftype() == "CIRCLE" or getattr(e, "closed", False)]
    assert len(closed) == 41


def test_strict_tells_of_what_is_left(run, demo, tmp_path):
    arguments = ("mend", demo, "-o", tmp_path / "out.dxf", "--unit", "in", "--skip-layers", SKIPPED, "--strict")
    assert run(*arguments)[0] == 1
    assert run(*arguments[:-1])[0] == 0


@pytest.mark.parametrize(
    ("arguments", "says"),
    [
        (("inspect",), "The following arguments are required"),
        (("mend", "{demo}", "-o", "{out}", "--unit", "ells"), "invalid choice"),
        (("mend", "{demo}", "-o", "{out}", "--scale", "-2"), "The scale must be a number above 0."),
        (("mend", "{demo}", "-o", "{out}", "--tolerance", "wide"), "“wide” is no tolerance."),
        (("mend", "{demo}", "-o", "{out}", "--origin", "there"), "“there” is no origin."),
        (("mend", "{demo}", "-o", "{out}", "--layers", "NONE"), "There is no layer NONE."),
        (("mend", "{demo}", "-o", "out.step"), "no ending that can be written"),
        (("mend", "{demo}", "-o", "/nowhere/out.dxf"), "cannot be written: No such file or directory"),
        (("inspect", "{folder}"), "is a folder."),
        (("inspect", "{folder}/missing.dxf"), "There is no file"),
    ],
)
def test_bad_usage_is_one_plain_sentence(run, demo, tmp_path, arguments, says):
    filled = [a.format(demo=demo, out=tmp_path / "out.dxf", folder=tmp_path) for a in arguments]
    status, out, err = run(*filled)
    assert (status, out) == (2, "")
    assert says in err
    assert err.count("\n") == 1
    assert "Traceback" not in err


def test_a_disk_that_takes_no_more_is_told_and_leaves_nothing(demo, tmp_path):
    """The operating system itself refuses: the process may not write more than 2 kB to a file."""
    out = tmp_path / "out.dxf"
    # -B: Python would cut its own bytecode short, too, and whoever imports it next would fail.
    done = subprocess.run(
        [sys.executable, "-B", "-m", "syntaxa", "mend", demo, "-o", out, "--unit", "in"],
        capture_output=True,
        text=True,
        check=False,
        preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_FSIZE, (2048, 2048)),
    )
    assert done.returncode == 2
    assert "cannot be written: File too large" in done.stderr
    assert done.stderr.count("\n") == 1
    assert sorted(p.name for p in tmp_path.iterdir()) == [demo.name]


def test_the_command_line_never_loads_qt_nor_what_it_has_no_use_for(demo):
    """A drawing that was read has pieces that lie near each other: that is what SciPy is for."""
    code = "import sys, syntaxa.cli.inspect; print('scipy' in sys.modules)\n"
    code += "from syntaxa.program import main; sys.argv = ['syntaxa', 'inspect', sys.argv[1]]; main()\n"
    code += "print('loaded:', *({'PyQt6', 'OCP', 'scipy.optimize', 'pikepdf', 'PIL'} & sys.modules.keys()))"
    ran = subprocess.run([sys.executable, "-c", code, demo], capture_output=True, text=True, check=True)
    assert (ran.stdout.splitlines()[0], ran.stdout.splitlines()[-1]) == ("False", "loaded:")


@pytest.mark.parametrize("arguments", [["--help"], ["--version"], ["mend", "--help"], ["mend"], ["nonsense"]])
def test_help_and_bad_usage_are_told_without_loading_what_draws_and_reads(arguments):
    """Loading all of it took two seconds and a half before a word was said."""
    code = (
        "import sys, contextlib, io\n"
        f"sys.argv = ['syntaxa', *{arguments!r}]\n"
        "from syntaxa.program import main\n"
        "with contextlib.redirect_stdout(io.StringIO()), contextlib.redirect_stderr(io.StringIO()):\n"
        "    with contextlib.suppress(SystemExit):\n"
        "        main()\n"
        "print(*({'numpy', 'scipy', 'shapely', 'ezdxf', 'lxml', 'PyQt6'} & sys.modules.keys()))"
    )
    ran = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert ran.stdout.strip() == ""


def test_a_fault_in_the_program_is_no_traceback_either(run, monkeypatch, demo):
    monkeypatch.setattr("syntaxa.cli.inspect.inspected", lambda path: 1 / 0)
    status, _, err = run("inspect", demo)
    assert status == 2
    assert err.startswith("syntaxa: A fault in the program stopped it")


def test_an_inch_square_measures_as_one(run, tmp_path):
    path = tmp_path / "inch.dxf"
    path.write_bytes(dxf_of(lambda s, _d: s.add_lwpolyline([(0, 0), (1, 0), (1, 1), (0, 1)], close=True), INSUNITS=1))
    record = json.loads(run("mend", path, "-o", tmp_path / "out.svg", "--json")[1])
    assert record["unit"] == "in"
    assert record["regions"][0]["area_mm2"] == pytest.approx(25.4**2, rel=1e-14)


@pytest.mark.parametrize("command", ["open", "demo"])
def test_a_window_without_a_display_is_refused_in_one_sentence(run, monkeypatch, command):
    for name in ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM"):
        monkeypatch.delenv(name, raising=False)
    status, _, err = run(command)
    assert status == 2
    assert err.startswith("syntaxa: There is no display to open a window on.")


def test_inspect_tells_the_candidates_and_what_is_in_doubt(run, tmp_path):
    path = write_demo(tmp_path)
    unit = json.loads(run("inspect", path, "--json")[1])["unit"]
    assert (unit["declared"], unit["proposed"], unit["settled"]) == ("mm", "in", False)
    assert unit["to_mm"] == pytest.approx(25.4)
    shares = [c["probability"] for c in unit["candidates"]]
    assert shares == sorted(shares, reverse=True)
    assert "which is in doubt" in run("inspect", path)[1]


def test_a_unit_in_doubt_is_told_and_forbidden_when_strict(run, tmp_path):
    path = write_demo(tmp_path)
    arguments = ("mend", path, "-o", tmp_path / "o.dxf")
    status, out, _ = run(*arguments)
    assert status == 0
    assert "The unit is in doubt: the file declares mm; taken as in" in out
    assert "--unit" in out
    status, out, _ = run(*arguments, "--strict", "--json")
    assert (status, json.loads(out)["unit_settled"]) == (1, False)
    assert json.loads(run(*arguments, "--unit", "in", "--json")[1])["unit_settled"] is True


@pytest.mark.parametrize(
    ("more", "scale", "page"),
    [
        (["--scale", "40/96"], 40 / 96, 1.0),
        (["--scale", "25.4"], 25.4, 1.0),
        (["--page-scale", "1:5"], 1.0, 5.0),
        (["--page-scale", "1/4in = 1ft"], 1.0, 48.0),
    ],
)
def test_scales_are_typed_as_people_write_them(run, tmp_path, more, scale, page):
    arguments = ("mend", write_demo(tmp_path), "-o", tmp_path / "o.dxf", "--unit", "in", "--json")
    plain, scaled = (json.loads(run(*arguments, *some)[1]) for some in ([], more))
    assert (scaled["scale"], scaled["page_scale"]) == pytest.approx((scale, page))
    largest = [max(r["area_mm2"] for r in record["regions"]) for record in (plain, scaled)]
    assert largest[1] / largest[0] == pytest.approx((scale * page) ** 2, rel=1e-3)


ODD = (
    ["--scale", "twice"],
    ["--scale", "-1"],
    ["--scale", "3mm"],
    ["--page-scale", "5"],
    ["--refit", "x"],
    ["--refit", "0"],
    ["--arcs", "0"],
    ["--square", "-1"],
    ["--simplify", "none"],
    ["--budget", "much"],
)


@pytest.mark.parametrize("more", ODD)
def test_odd_numbers_are_refused_in_a_sentence(run, tmp_path, more):
    status, _, err = run("mend", write_demo(tmp_path), "-o", tmp_path / "o.dxf", "--unit", "in", *more)
    assert status == 2
    assert err.startswith("syntaxa: ")
    assert not (tmp_path / "o.dxf").exists()


def test_facets_become_arcs_on_the_command_line(run, tmp_path):
    path = tmp_path / "facets.dxf"
    document = ezdxf.new()
    document.header["$INSUNITS"] = 4
    corners = [(8 * math.cos(math.tau * k / 48), 8 * math.sin(math.tau * k / 48)) for k in range(48)]
    for a, b in zip(corners, corners[1:] + corners[:1], strict=True):
        document.modelspace().add_line(a, b)
    document.saveas(path)
    record = json.loads(run("mend", path, "-o", tmp_path / "o.dxf", "--refit", "0.05", "--json")[1])
    # A disc of radius 8, exactly, where 48 facets have an area smaller by 0.3 %.
    assert record["regions"][0]["area_mm2"] == pytest.approx(64 * math.pi, rel=1e-9)
    assert record["deviation_mm"]["max"] == pytest.approx(8 * (1 - math.cos(math.pi / 48)), rel=1e-6)
    assert [e.dxftype() for e in ezdxf.readfile(tmp_path / "o.dxf").modelspace()] == ["CIRCLE"]


def test_reshaping_on_the_command_line_is_in_the_ledger(run, tmp_path):
    path = tmp_path / "nearly.dxf"
    document = ezdxf.new()
    document.header["$INSUNITS"] = 4
    space = document.modelspace()
    space.add_lwpolyline([(0, 0), (20, 0.001), (40, 0.004), (40, 20), (0, 20)], close=True)
    space.add_ellipse((20, 10), (8, 0), 0.5)
    document.saveas(path)
    options = ("--arcs", "0.01", "--square", "0.01", "--simplify", "0.01", "--json")
    record = json.loads(run("mend", path, "-o", tmp_path / "o.dxf", *options)[1])
    titles = [row["step"] for row in record["ledger"]]
    assert titles[-3:] == ["Splines to arcs, within 0.01 mm", "Square up, within 0.01 mm", "Simplify, within 0.01 mm"]
    kinds = {e.dxftype(): e for e in ezdxf.readfile(tmp_path / "o.dxf").modelspace()}
    assert "ELLIPSE" not in kinds
    # Ellipse: pi a b; the plate is a rectangle with that hole, its lower side at the middle height of the three.
    assert min(r["area_mm2"] for r in record["regions"]) == pytest.approx(math.pi * 8 * 4, rel=2e-3)
    assert sum(r["area_mm2"] for r in record["regions"]) == pytest.approx(40 * 19.999, rel=1e-9)


def test_sweep_counts_at_every_tolerance_and_says_why(run, demo):
    status, out, _ = run("sweep", demo, "--unit", "in", "--skip-layers", SKIPPED, "--limit", "3", "--json")
    record = json.loads(out)
    assert (status, record["schema"]) == (0, "syntaxa.sweep/1")
    steps = record["steps"]
    assert steps[-1]["tolerance_mm"] == pytest.approx(3)
    at = next(s for s in steps if s["tolerance_mm"] == pytest.approx(record["proposed_mm"]))
    assert at["regions"] == 41 > steps[0]["regions"]
    assert at["open_ends"] < steps[0]["open_ends"]
    assert [s["swallowed"] for s in steps] == sorted(s["swallowed"] for s in steps)
    assert "41 regions are closed" in record["says"]
    status, out, _ = run("sweep", demo, "--limit", "1in")
    assert status == 0
    assert "Proposed:" in out
    status, _, err = run("sweep", demo, "--limit", "0")
    assert status == 2
    assert "limit" in err


def test_mend_measures_the_deviation_both_ways(run, demo, tmp_path):
    _, out, _ = run("mend", demo, "-o", tmp_path / "out.dxf", "--unit", "in", "--skip-layers", SKIPPED, "--json")
    moved = json.loads(out)["deviation_mm"]
    # What was made lies within the gap of what came in; crumbs that were dropped lie far from everything.
    assert 0 < moved["to_received"] <= json.loads(out)["tolerance_mm"]
    assert moved["to_result"] > moved["to_received"]
    assert 0 < moved["bound"] <= 0.5
