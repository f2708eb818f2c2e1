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
from syntaxa.program import main

SKIPPED = "TITLE-BLOCK,CENTRE-LINES"


@pytest.fixture
def run(monkeypatch, capsys):
    def call(*arguments):
        monkeypatch.setattr(sys, "argv", ["syntaxa", *map(str, arguments)])
        status = main()
        output = capsys.readouterr()
        return status, output.out, output.err

    return call


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
    done = subprocess.run(
        [sys.executable, "-m", "syntaxa", "mend", demo, "-o", out, "--unit", "in"],
        capture_output=True,
        text=True,
        check=False,
        preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_FSIZE, (2048, 2048)),
    )
    assert done.returncode == 2
    assert "cannot be written: File too large" in done.stderr
    assert done.stderr.count("\n") == 1
    assert sorted(p.name for p in tmp_path.iterdir()) == [demo.name]


def test_the_command_line_never_loads_qt(demo):
    code = "import sys; from syntaxa.program import main; sys.argv = ['syntaxa', 'inspect', sys.argv[1]]; main(); "
    code += "sys.exit(any(m.startswith('PyQt6') for m in sys.modules))"
    assert subprocess.run([sys.executable, "-c", code, demo], capture_output=True, check=False).returncode == 0


def test_a_fault_in_the_program_is_no_traceback_either(run, monkeypatch, demo):
    monkeypatch.setattr("syntaxa.cli.main.inspected", lambda path: 1 / 0)
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
