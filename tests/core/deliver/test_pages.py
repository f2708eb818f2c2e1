"""Pages read back by readers that share nothing with their writers, and measured."""

from __future__ import annotations

import io
import math
import time

import ezdxf
import numpy as np
import pikepdf
import pypdfium2
import pytest
import svgelements
from hypothesis import given, settings
from hypothesis import strategies as st
from paging import POINT, paths_of
from PIL import Image

from syntaxa.deliver.pages.dxf import dxf_of
from syntaxa.deliver.pages.model import Filled, Leaf, Pen, Stroke, Words, grey, width_of
from syntaxa.deliver.pages.pdf import pdf_of
from syntaxa.deliver.pages.png import png_of
from syntaxa.deliver.pages.svg import svg_of
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline


def line(x, y, u, v, weight=0.5, layer="L"):
    return Stroke(Line(Point(x, y), Point(u, v)), Pen(weight), layer)


@settings(max_examples=25, deadline=None)
@given(st.lists(st.tuples(*[st.floats(0, 400)] * 4), min_size=1, max_size=6))
def test_lines_lie_on_a_pdf_where_they_should(ends):
    leaf = Leaf(420.0, 420.0, tuple(line(*e) for e in ends))
    found = paths_of(pdf_of([leaf]))
    assert len(found) == len(ends)
    for points, (x, y, u, v) in zip(found, ends, strict=True):
        assert np.allclose(points, [[x, y], [u, v]], atol=1e-3)


def test_a_page_has_its_size_and_one_longer_than_readers_take_says_its_unit():
    document = pypdfium2.PdfDocument(pdf_of([Leaf(420.0, 297.0, (line(0, 0, 1, 1),))]))
    assert [s * POINT for s in document[0].get_size()] == pytest.approx([420.0, 297.0], abs=1e-4)
    long = pdf_of([Leaf(6000.0, 100.0, (line(1000, 50, 5000, 50),))])
    pdf = pikepdf.open(io.BytesIO(long))
    page = pdf.pages[0]
    assert float(page.obj.UserUnit) > 1
    assert max(float(v) for v in page.mediabox) <= 14_400
    assert float(page.mediabox[2]) * float(page.obj.UserUnit) * POINT == pytest.approx(6000.0, abs=1e-6)


def test_text_is_embedded_searched_and_as_wide_as_it_is_said_to_be():
    text = "Ø 12 ±0.1 → äöü"
    leaf = Leaf(200.0, 100.0, (Words(text, Point(20, 50), 5.0), Words("up", Point(150, 20), 3.5, math.pi / 2)))
    data = pdf_of([leaf])
    document = pypdfium2.PdfDocument(data)
    words = document[0].get_textpage()
    assert text in words.get_text_range()
    boxes = [words.get_charbox(k) for k in range(len(text))]
    left, right = boxes[0][0] * POINT, boxes[-1][2] * POINT
    assert right - left == pytest.approx(width_of(text, 5.0), abs=1.0)
    pdf = pikepdf.open(io.BytesIO(data))
    fonts = [o for o in pdf.objects if isinstance(o, pikepdf.Dictionary) and o.get("/Type") == "/FontDescriptor"]
    assert fonts
    assert all("/FontFile2" in f for f in fonts)


def test_layers_can_be_switched_and_pages_are_as_many():
    leaf = Leaf(100.0, 100.0, (line(0, 0, 9, 9, layer="CUT"), line(0, 9, 9, 0, layer="Fold & mark")))
    pdf = pikepdf.open(io.BytesIO(pdf_of([leaf, leaf, leaf])))
    assert len(pdf.pages) == 3
    assert [str(g.Name) for g in pdf.Root.OCProperties.OCGs] == ["CUT", "Fold & mark"]


def test_for_archives_a_file_says_so_and_holds_what_is_asked_of_it():
    """Conditions of PDF/A-2b (ISO 19005-2, from memory): no validator in the registries runs without Java."""
    leaf = Leaf(100.0, 100.0, (line(0, 0, 9, 9), Words("Pump", Point(5, 5), 5.0)), "Pump")
    data = pdf_of([leaf], archive=True)
    # The clock stands nowhere in it.
    time.sleep(1.1)
    assert data == pdf_of([leaf], archive=True)
    pdf = pikepdf.open(io.BytesIO(data))
    with pdf.open_metadata() as metadata:
        assert metadata.pdfa_status == "2B"
        assert metadata["dc:title"] == "Pump"
    intent = pdf.Root.OutputIntents[0]
    assert intent.S == "/GTS_PDFA1"
    assert int(intent.DestOutputProfile.N) == 3
    assert intent.DestOutputProfile.read_bytes()[36:40] == b"acsp"
    assert "/ID" in pdf.trailer
    assert "/Encrypt" not in pdf.trailer
    text = b"".join(o.read_bytes() for o in pdf.objects if isinstance(o, pikepdf.Stream) and "/Length1" not in o)
    for forbidden in (b"/JavaScript", b"/SMask", b"/CA ", b"/ca "):
        assert forbidden not in text
    shown = pdf.Root.OCProperties.D
    assert str(shown.Name)
    assert len(shown.Order) == len(pdf.Root.OCProperties.OCGs)


def test_an_svg_is_in_mm_and_has_arcs_and_words_where_they_were():
    leaf = Leaf(210.0, 297.0, (
        line(10, 20, 110, 20), Stroke(Circle(Point(60, 100), 25), Pen(), "round"),
        Stroke(Arc(Point(60, 100), 40, 0.0, 2.0), Pen(0.25, 0, (4.0, 2.0)), "round"),
        Words("a < b", Point(10, 50), 3.5),
    ))  # fmt: skip
    root = svgelements.SVG.parse(io.BytesIO(svg_of(leaf)), ppi=25.4)
    assert (root.width, root.height) == pytest.approx((210.0, 297.0), abs=1e-3)
    shapes = [e for e in root.elements() if isinstance(e, svgelements.Shape) and not isinstance(e, svgelements.SVG)]
    lengths = sorted(float(svgelements.Path(s).length()) for s in shapes)
    assert lengths == pytest.approx(sorted([100.0, 80.0, 50 * math.pi]), rel=1e-6)
    (text,) = [e for e in root.elements() if isinstance(e, svgelements.Text)]
    assert text.text == "a < b"


def test_a_dxf_has_its_lines_weights_and_words_and_no_faults():
    leaf = Leaf(210.0, 297.0, (
        line(10, 20, 110, 20, 0.5), Stroke(EllipseArc(Point(60, 60), Vector(20, 0), 0.5, 0.0, 2.0), Pen(0.25), "round"),
        Filled((Polyline((Point(0, 0), Point(5, 0), Point(5, 5)), (0.0,) * 3, True),), 0xFF0000, "fill"),
        Words("Pump", Point(10, 50), 3.5, 0.5, "right"),
    ))  # fmt: skip
    document = ezdxf.read(io.StringIO(dxf_of(leaf).decode()))
    assert not document.audit().errors
    kinds = {e.dxftype(): e for e in document.modelspace()}
    assert kinds["LINE"].dxf.start.distance(kinds["LINE"].dxf.end) == pytest.approx(100.0, abs=1e-9)
    assert kinds["LINE"].dxf.lineweight == 50
    assert kinds["ELLIPSE"].dxf.layer == "round"
    assert (kinds["TEXT"].dxf.text, kinds["TEXT"].dxf.height) == ("Pump", 3.5)


@pytest.mark.parametrize("dots", [72, 150, 300])
def test_a_picture_has_its_size_in_dots_and_a_line_where_it_is(dots):
    data = png_of(Leaf(100.0, 50.0, (line(10, 25, 90, 25, 1.0),)), dots)
    image = Image.open(io.BytesIO(data)).convert("L")
    assert image.size == pytest.approx((100 / 25.4 * dots, 50 / 25.4 * dots), abs=1)
    assert image.info["dpi"] == pytest.approx((dots, dots), abs=0.1)
    dark = np.argwhere(np.array(image) < 128) * 25.4 / dots
    assert dark[:, 0].mean() == pytest.approx(25.0, abs=0.5)
    assert (dark[:, 1].min(), dark[:, 1].max()) == pytest.approx((9.5, 90.5), abs=0.8)


def test_a_picture_that_is_too_large_is_refused():
    with pytest.raises(DeliverError, match="million pixels"):
        png_of(Leaf(5000.0, 5000.0, (line(0, 0, 1, 1),)), 1000)


def test_ink_in_grey_and_black():
    leaf = Leaf(10.0, 10.0, (Stroke(Line(Point(0, 0), Point(9, 9)), Pen(0.5, 0x0E6B63), "L"),))
    assert leaf.inked("black").marks[0].pen.colour == 0
    assert leaf.inked("grey").marks[0].pen.colour == grey(0x0E6B63) == 0x4E4E4E
    # A file in black holds no other colour.
    pdf = pikepdf.open(io.BytesIO(pdf_of([leaf.inked("black")])))
    text = pdf.pages[0].Contents.read_bytes().decode()
    assert {row.split(" RG")[0] for row in text.split("\n") if " RG" in row} == {"0 0 0"}
