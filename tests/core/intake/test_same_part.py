"""One made-up part from eleven independent writers reads back to the same areas, lengths and layers.

How exact: DXF, DWG and svgwrite keep every digit. The others round what they write, and draw arcs as Bezier curves:
reportlab keeps six digits after the point (of a point of 1/72 inch), matplotlib six in SVG and more in PDF, cairo some
six digits in all, which is a few hundredths of a thousandth of the size.
"""

from __future__ import annotations

import subprocess
import sys

import msgspec
import pytest
import writers

from syntaxa.drawing.units import mm_per
from syntaxa.geometry.shapes import Circle, Polyline
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.mend.steps import survey_state

#: Name, ending, how to write it, relative error of lengths, layers by colour.
WRITERS = [
    ("ezdxf R12", ".dxf", lambda _: writers.dxf("R12"), 1e-12, False),
    ("ezdxf R2000", ".dxf", lambda _: writers.dxf("R2000"), 1e-12, False),
    ("ezdxf R2018", ".dxf", lambda _: writers.dxf("R2018"), 1e-12, False),
    ("ezdxf binary", ".dxf", lambda _: writers.dxf("R2000", binary=True), 1e-12, False),
    ("ezdwg", ".dwg", writers.dwg, 1e-12, False),
    ("svgwrite", ".svg", lambda _: writers.svg_by_svgwrite(), 1e-12, False),
    ("reportlab", ".pdf", lambda _: writers.pdf_by_reportlab(), 5e-7, True),
    ("matplotlib SVG", ".svg", lambda _: writers.by_matplotlib("svg"), 1e-7, True),
    ("matplotlib PDF", ".pdf", lambda _: writers.by_matplotlib("pdf"), 1e-7, True),
    ("cairo SVG", ".svg", lambda _: writers.by_cairo("svg"), 6e-5, True),
    ("cairo PDF", ".pdf", lambda _: writers.by_cairo("pdf"), 6e-5, True),
]  # fmt: skip


@pytest.fixture(params=WRITERS, ids=[w[0] for w in WRITERS])
def written(request, tmp_path):
    name, ending, write, error, by_colour = request.param
    return name, ending, write(tmp_path), error, by_colour


def layer_of(curve, drawing):
    """The part's own name of a layer: by name, or by the colour that stands for it."""
    if curve.layer in writers.COLOURS:
        return curve.layer
    return {int(h[1:], 16): n for n, h in writers.HEX.items()}[curve.style.colour]


def test_lengths_kinds_and_layers_agree(written):
    _, ending, data, error, by_colour = written
    received = read(f"part{ending}", data, options=ReadOptions(grouping="colour" if by_colour else "auto"))
    to_mm = mm_per(received.report.declared or "mm")
    hidden = {x.name for x in received.drawing.layers if not x.shown}
    curves = [c for c in received.drawing.curves if c.layer not in hidden]
    found = {}
    for curve in curves:
        layer = layer_of(curve, received.drawing)
        kind = "mark" if layer == "MARK" else "slot" if layer == "SLOT" else "bore"
        found["plate" if kind == "bore" and isinstance(curve.shape, Polyline) else kind] = curve.shape
    assert {name: shape.length * to_mm for name, shape in found.items()} == pytest.approx(writers.LENGTHS, rel=error)
    assert isinstance(found["bore"], Circle)
    assert found["bore"].radius * to_mm == pytest.approx(writers.BORE_RADIUS, rel=error)
    assert len([b for b in found["plate"].bulges if b]) == 4
    assert found["slot"].closed
    assert not received.report.not_read


def test_areas_agree(written):
    _, ending, data, error, by_colour = written
    choice = TakeIn(read=ReadOptions(grouping="colour" if by_colour else "auto"), skip_hidden=True)
    job = Job.of(Source.of(f"part{ending}", data)).with_step(choice)
    evaluation = Evaluator().evaluate(job)
    areas = sorted(r.area for r in survey_state(evaluation.state, 1e-3).regions)
    plate, bore, slot = (writers.AREAS[n] for n in ("plate", "bore", "slot"))
    # The bore is a hole of the plate and a region of its own; the slot lies on a layer, and so in a sketch, of its own.
    assert areas == pytest.approx(sorted([plate - bore, bore, slot]), rel=2 * error)


def test_the_program_reads_all_of_them(written, tmp_path, run):
    """`syntaxa inspect` and `syntaxa mend`, with layers by name, on every format."""

    def told(*arguments):
        status, out, complaint = run(*arguments)
        assert status == 0, complaint
        return msgspec.json.decode(out)

    _, ending, data, error, by_colour = written
    path, out = tmp_path / f"part{ending}", tmp_path / "out.dxf"
    path.write_bytes(data)
    how = ("--grouping", "colour") if by_colour else ()
    seen = told("inspect", path, "--json", *how)
    cut = next(x["name"] for x in seen["layers"] if x["name"] in ("CUT", "red 0.25 mm", "#ff0000"))
    only = told("inspect", path, "--json", "--layers", cut, *how)
    assert [(x["name"], x["curves"]) for x in only["layers"]] == [(cut, 2)]
    without = told("inspect", path, "--json", "--skip-layers", cut, *how)
    assert sum(without["curves"].values()) == sum(seen["curves"].values()) - 2
    mended = told("mend", path, "-o", out, "--layers", cut, "--json", *how)
    areas = sorted(r["area_mm2"] for r in mended["regions"])
    assert areas[1] + areas[0] == pytest.approx(writers.AREAS["plate"], rel=2 * error)
    assert out.exists()


@pytest.mark.parametrize("number", [2, 4, 6, 9])
def test_as_a_process_of_its_own_it_says_the_same(number, tmp_path, run):
    _, ending, write, _, by_colour = WRITERS[number]
    path = tmp_path / f"part{ending}"
    path.write_bytes(write(tmp_path))
    asked = ["inspect", str(path), "--json", *(("--grouping", "colour") if by_colour else ())]
    done = subprocess.run([sys.executable, "-m", "syntaxa", *asked], capture_output=True, timeout=120, check=False)
    assert done.returncode == 0, done.stderr.decode()
    _, here, _ = run(*asked)
    one, other = msgspec.json.decode(done.stdout), msgspec.json.decode(here)
    assert {**one, "seconds": 0} == {**other, "seconds": 0}


def test_a_drawing_as_dxf_and_as_dwg_is_the_same_drawing(tmp_path):
    """The same part by ezdxf as DXF and by ezdwg as DWG: shapes to the last digits, layers with their colours.

    The DWG writer puts its entities in an order of its own, so they are compared sorted.
    """
    as_dxf = read("part.dxf", writers.dxf("R2000")).drawing
    as_dwg = read("part.dwg", writers.dwg(tmp_path)).drawing
    ours, theirs = (sorted(d.curves, key=lambda c: (c.layer, c.shape.kind)) for d in (as_dxf, as_dwg))
    assert [(c.layer, c.shape.kind) for c in ours] == [(c.layer, c.shape.kind) for c in theirs]
    for one, other in zip(ours, theirs, strict=True):
        assert one.shape.length == pytest.approx(other.shape.length, rel=1e-14)
        assert (one.shape.start.x, one.shape.start.y) == pytest.approx((other.shape.start.x, other.shape.start.y))
    colours = {x.name: x.colour for x in as_dxf.layers if x.name in writers.COLOURS}
    assert {x.name: x.colour for x in as_dwg.layers if x.name in writers.COLOURS} == colours
