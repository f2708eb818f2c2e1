"""Every reader survives damage: a sentence or a partial result, never a fault, a hang, or a file read elsewhere."""

from __future__ import annotations

import io
import time
import warnings

import ezdxf
import mutations
import pikepdf
import pytest
import test_pictures_and_solids as solid
import writers

from syntaxa.drawing.annotations import union_of
from syntaxa.errors import SyntaxaError
from syntaxa.intake.gather import LARGEST
from syntaxa.intake.registry import read

#: Damaged files of each format; each begins from another seed.
TIMES = 500

#: A hang would be minutes; no damaged file of these few kilobytes takes this many seconds.
HANG = 30


def everything_dxf():
    """A DXF with one of nearly everything."""
    document = ezdxf.new("R2010")
    space = document.modelspace()
    block = document.blocks.new("PART")
    block.add_circle((0, 0), 1)
    block.add_attdef("NO", (0, 0))
    space.add_blockref("PART", (3, 3), {"column_count": 3, "column_spacing": 4}).add_attrib("NO", "7", (3, 3))
    space.add_text("NOTE", height=2)
    space.add_mtext("A\\PB", {"char_height": 3})
    hatch = space.add_hatch()
    hatch.paths.add_polyline_path([(0, 0), (1, 0), (1, 1, 0.5)], is_closed=True)
    hatch.paths.add_edge_path().add_arc((0, 0), 1, 0, 90)
    space.add_spline([(0, 0), (1, 2), (3, 3)])
    space.add_linear_dim((0, 5), (0, 0), (10, 0)).render()
    space.add_ellipse((0, 0), (2, 0), 0.5)
    space.add_lwpolyline([(0, 0, 0.5), (1, 1, 0)], format="xyb", dxfattribs={"extrusion": (0, 0, -1)})
    space.add_3dface([(0, 0, 0), (1, 0, 0), (1, 1, 1), (0, 1, 1)])
    space.add_mline([(0, 0), (5, 5)])
    space.add_xline((0, 0), (1, 1))
    text = io.StringIO()
    document.write(text)
    return text.getvalue().encode()


def read_or_sentence(name, data):
    """What a reader makes of a file, or the sentence with which it refuses it."""
    try:
        return read(name, data)
    except SyntaxaError as error:
        return str(error)


def files_of(kind, folder):
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        makers = {
            "dxf": lambda: [everything_dxf(), writers.dxf(), writers.dxf("R12")],
            "binary.dxf": lambda: [writers.dxf("R2000", binary=True)],
            "dwg": lambda: [writers.dwg(folder)],
            "svg": lambda: [writers.svg_by_svgwrite(), writers.by_matplotlib("svg"), writers.by_cairo("svg")],
            "pdf": lambda: [writers.pdf_by_reportlab(), writers.by_cairo("pdf"), writers.by_matplotlib("pdf")],
            "png": lambda: [solid.picture(f, size=(30, 20)) for f in ("PNG", "JPEG", "TIFF")],
            "stl": lambda: [solid.ascii_stl(solid.tube(sides=6)), solid.binary_stl(solid.tube(sides=6))],
        }
        return makers[kind]()


@pytest.mark.parametrize("part", range(2))
@pytest.mark.parametrize("kind", ["dxf", "binary.dxf", "dwg", "svg", "pdf", "png", "stl"])
def test_five_hundred_damaged_files_of_each_format(kind, part, tmp_path):
    whole = files_of(kind, tmp_path)
    for seed in range(part, TIMES, 2):
        data = mutations.mutated(whole[seed % len(whole)], seed)
        began = time.monotonic()
        received = read_or_sentence(f"damaged.{kind}", data)
        if isinstance(received, str):
            assert received.startswith("damaged."), f"seed {seed}"
            assert "\n" not in received, f"seed {seed}"
            continue
        assert time.monotonic() - began < HANG, f"seed {seed}"
        box = union_of(b for b in (received.drawing.full_extents(),) if b is not None)
        assert box is None or all(abs(v) <= 3 * LARGEST for v in box), f"seed {seed}"


@pytest.mark.parametrize("value", ["1e308", "-1e308", "nan", "inf", "-1", "0"])
@pytest.mark.parametrize("code", ["10", "40", "50", "230", "70", "62"])
def test_numbers_that_nobody_meant_in_a_dxf(value, code):
    tags = ["0", "SECTION", "2", "ENTITIES"]
    for entity in ("LINE", "ARC", "CIRCLE", "ELLIPSE", "SPLINE", "LWPOLYLINE", "TEXT", "INSERT", "HATCH", "POINT"):
        tags += ["0", entity, "8", "0", "10", "1", "20", "2", "11", "3", "21", "4", "40", "5", code, value]
    tags += ["0", "CIRCLE", "8", "0", "10", "1", "20", "2", "40", "5", "0", "ENDSEC", "0", "EOF", ""]
    result = read_or_sentence("odd.dxf", "\n".join(tags).encode())
    if isinstance(result, str):
        assert result.startswith("odd.dxf")
    else:
        box = result.drawing.extents()
        assert box is None or max(map(abs, box)) <= 3 * LARGEST


def test_blocks_of_blocks_of_blocks_end():
    document = ezdxf.new()
    document.blocks.new("B0").add_circle((0, 0), 1)
    for k in range(1, 12):
        block = document.blocks.new(f"B{k}")
        for j in range(10):
            block.add_blockref(f"B{k - 1}", (j, 0))
    document.modelspace().add_blockref("B11", (0, 0))
    array = {"row_count": 30_000, "column_count": 30_000, "row_spacing": 1, "column_spacing": 1}
    document.modelspace().add_blockref("B0", (0, 0), array)
    text = io.StringIO()
    document.write(text)
    from syntaxa.intake import gather

    with pytest.MonkeyPatch.context() as patch:
        # The bound itself is a million; a smaller one shows the same in less time.
        patch.setattr(gather, "MOST_THINGS", 5_000)
        result = read("bomb.dxf", text.getvalue().encode())
    assert result.report.notes[-1] == "The drawing unfolds to more than can be held; the rest was left out."
    assert 100 < len(result.drawing.curves) <= 5_000


def test_a_million_groups_in_one_another_end():
    deep = b"<g>" * 1_000_000 + b"<circle r='1'/>" + b"</g>" * 1_000_000
    data = b"<svg xmlns='http://www.w3.org/2000/svg'><circle r='2'/>" + deep + b"</svg>"
    result = read_or_sentence("deep.svg", data)
    assert result.startswith("deep.svg") if isinstance(result, str) else result.drawing.curves


def test_a_page_with_a_million_saved_states_ends():
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(300, 200))
    page.obj.Contents = pdf.make_stream(b"q " * 300_000 + b"0 0 m 5 0 l S " + b"Q " * 300_000 + b"/OC /X BDC " * 2000)
    stream = io.BytesIO()
    pdf.save(stream)
    assert len(read("deep.pdf", stream.getvalue()).drawing.curves) == 1


def test_a_badly_damaged_dxf_gives_what_still_makes_sense():
    data = writers.dxf("R2000")
    lines = data.split(b"\n")
    # A line lost in the header and another in a table put every reader out of step.
    del lines[60], lines[400]
    result = read("torn.dxf", b"\n".join(lines))
    assert len(result.drawing.curves) == 4
    assert result.report.declared == "mm"
    assert "4 entities could be made out" in result.report.notes[0]
