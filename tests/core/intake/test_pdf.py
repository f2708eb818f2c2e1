"""PDF: paths, forms, layers, boxes, rotation, encryption, texts and pictures, by independent writers."""

from __future__ import annotations

import io
import math
import zlib

import pikepdf
import pytest
from PIL import Image
from reportlab.lib.pdfencrypt import StandardEncryption
from reportlab.pdfgen.canvas import Canvas

from syntaxa.errors import IntakeError, PasswordNeeded
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.shapes import Arc, Circle, Polyline
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.pdf.colours import rgb_of
from syntaxa.intake.registry import read

#: mm in a point (ISO 32000-1, 8.3.2.3: 1/72 inch).
POINT = 25.4 / 72


def page_of(content, resources=None, **keys):
    """A PDF of one page with the given content and page entries."""
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(300, 200))
    page.obj.Contents = pdf.make_stream(content.encode() if isinstance(content, str) else content)
    if resources is not None:
        page.obj.Resources = resources(pdf)
    for key, value in keys.items():
        page.obj[f"/{key}"] = value
    stream = io.BytesIO()
    pdf.save(stream)
    return stream.getvalue()


def drawing_of(content, resources=None, options=None, **keys):
    return read("page.pdf", page_of(content, resources, **keys), options=options or ReadOptions()).drawing


def drawn(paint, **canvas):
    stream = io.BytesIO()
    made = Canvas(stream, pagesize=(300, 200), **canvas)
    paint(made)
    made.save()
    return stream.getvalue()


def test_every_path_operator_draws():
    content = """
      0 0 m 10 0 l S
      20 0 m 20 5 25 10 30 10 c S
      30 0 m 35 10 40 10 v S
      50 0 m 55 9 60 10 y S
      70 0 20 10 re S
      100 0 m 110 0 l 110 10 l h S
      120 0 m 130 0 l 130 10 l s
      140 0 m 150 0 l 150 10 l b
      160 0 m 170 0 l 170 10 l f
    """
    shapes = [c.shape for c in drawing_of(content).curves]
    assert [s.kind for s in shapes] == ["line", "spline", "spline", "spline", *["polyline"] * 5]
    assert [s.is_closed for s in shapes[4:]] == [True] * 5
    assert bounds(shapes[4]) == (70, 0, 90, 10)
    assert shapes[2].control_points[1] == shapes[2].control_points[0]


def test_the_graphics_state_is_saved_and_restored():
    content = "q 2 0 0 2 10 20 cm 1 0 0 RG 3 w 0 0 m 5 0 l S Q 0 0 m 7 0 l S Q Q"
    one, other = drawing_of(content).curves
    assert (one.shape.start.x, one.shape.start.y, one.shape.length) == (10, 20, 10)
    assert (one.style.colour, one.style.weight) == (0xFF0000, pytest.approx(6 * POINT, abs=1e-4))
    assert (other.shape.length, other.style.colour) == (7, 0)


@pytest.mark.parametrize(
    ("operator", "colour"),
    [("0.5 G", 0x808080), ("1 0 0 RG", 0xFF0000), ("0 1 1 0 K", 0xFF0000), ("/DeviceRGB CS 0 0 1 SC", 0x0000FF),
     ("/DeviceCMYK CS 1 0 0 0 SCN", 0x00FFFF), ("/DeviceGray CS", 0x000000)],
)  # fmt: skip
def test_colours_of_every_space(operator, colour):
    assert drawing_of(f"{operator} 0 0 m 9 0 l S").curves[0].style.colour == colour


def test_components_outside_their_range_are_brought_in():
    assert rgb_of([2.0, -1.0, 0.5]) == 0xFF0080
    assert rgb_of([0.0, 0.0, 0.0, 1.0]) == 0


def test_forms_are_placed_by_every_matrix_on_the_way():
    def resources(pdf):
        inner = pdf.make_stream(b"0 0 m 10 0 l S")
        inner.Type, inner.Subtype, inner.BBox = pikepdf.Name.XObject, pikepdf.Name.Form, [0, 0, 100, 100]
        inner.Matrix = [0, 1, -1, 0, 0, 0]
        outer = pdf.make_stream(b"q 2 0 0 2 0 0 cm /In Do Q")
        outer.Type, outer.Subtype, outer.BBox = pikepdf.Name.XObject, pikepdf.Name.Form, [-99, -99, 99, 99]
        outer.Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(In=inner))
        return pikepdf.Dictionary(XObject=pikepdf.Dictionary(Out=outer))

    drawing = drawing_of("1 0 0 1 50 60 cm /Out Do", resources)
    (line,) = drawing.curves
    assert (line.shape.start.x, line.shape.start.y) == (50, 60)
    assert (line.shape.end.x, line.shape.end.y) == (50, 80)
    assert drawing.blocks == 2
    assert line.block.startswith("Out")


def optional(pdf):
    cut, old = (pdf.make_indirect(pikepdf.Dictionary(Type=pikepdf.Name.OCG, Name=n)) for n in ("Cut", "Old"))
    both = pikepdf.Dictionary(Type=pikepdf.Name.OCMD, OCGs=[cut, old], P=pikepdf.Name.AllOn)
    pdf.Root.OCProperties = pikepdf.Dictionary(OCGs=[cut, old], D=pikepdf.Dictionary(OFF=[old]))
    return pikepdf.Dictionary(Properties=pikepdf.Dictionary(C=cut, O=old, B=both))


def test_optional_content_becomes_layers_and_what_is_off_is_hidden():
    content = "/OC /C BDC 0 0 m 1 0 l S EMC /OC /O BDC 0 0 m 2 0 l S EMC /OC /B BDC 0 0 m 3 0 l S EMC 0 0 m 4 0 l S"
    drawing = drawing_of(content, optional)
    assert [c.layer for c in drawing.curves] == ["Cut", "Old", "Cut (hidden)", "0"]
    assert {x.name: x.visible for x in drawing.layers} == {
        "Cut": True, "Old": False, "Cut (hidden)": False, "0": True,
    }  # fmt: skip


def test_without_layers_colours_and_widths_are_the_layers():
    drawing = drawing_of("1 w 1 0 0 RG 0 0 m 9 0 l S 2 w 0 0 m 8 0 l S 0 0 1 rg 0 0 9 9 re f")
    assert [c.layer for c in drawing.curves] == ["red 0.35 mm", "red 0.71 mm", "blue fill"]


def test_filled_areas_are_outlines_or_hatches():
    content = "1 0 0 rg 0 0 9 9 re f 0 0 m 5 0 l S"
    assert [c.shape.kind for c in drawing_of(content).curves] == ["polyline", "line"]
    drawing = drawing_of(content, options=ReadOptions(fills="hatches"))
    assert [c.shape.kind for c in drawing.curves] == ["line"]
    assert drawing.annotation_counts() == {"hatch": 1}


def test_clip_paths_are_counted_not_drawn_and_applied_on_request():
    content = "10 10 50 50 re W n 0 20 m 100 20 l S 20 30 m 30 30 l S"
    result = read("clip.pdf", page_of(content))
    assert [c.shape.length for c in result.drawing.curves] == [100, 10]
    assert result.report.clipped == 1
    cut = drawing_of(content, options=ReadOptions(clip=True))
    assert [c.shape.length for c in cut.curves] == pytest.approx([50, 10])


@pytest.mark.parametrize(
    ("turn", "box"),
    [(0, (10, 20, 60, 20)), (90, (20, 240, 20, 290)), (180, (240, 180, 290, 180)), (270, (180, 10, 180, 60))],
)
def test_pages_are_read_as_they_are_shown(turn, box):
    """A page of 300 x 200 turned clockwise (ISO 32000-1, 7.7.3.3, Rotate)."""
    drawing = drawing_of("10 20 m 60 20 l S", Rotate=turn)
    assert bounds(drawing.curves[0].shape) == pytest.approx(box)


def test_the_crop_box_is_the_page_and_its_unit_counts():
    drawing = drawing_of("10 20 m 60 20 l S", CropBox=[5, 10, 200, 150], UserUnit=2.0)
    assert bounds(drawing.curves[0].shape) == (10, 20, 110, 20)


def test_an_inch_on_the_page_is_25_4_mm():
    result = read("inch.pdf", drawn(lambda c: c.line(0, 0, 72, 0)))
    assert result.report.declared == "pt"
    assert result.drawing.curves[0].shape.length * POINT == pytest.approx(25.4)


@pytest.mark.parametrize("radius", [0.8, 5, 60, 90])
def test_circles_and_arcs_of_reportlab_are_circles_and_arcs(radius):
    def paint(c):
        c.circle(100, 100, radius)
        c.arc(100 - radius, 100 - radius, 100 + radius, 100 + radius, 20, 250)

    circle, arc = (c.shape for c in read("r.pdf", drawn(paint)).drawing.curves)
    assert isinstance(circle, Circle)
    assert circle.radius == pytest.approx(radius, rel=1e-5, abs=1e-4)
    if isinstance(arc, Arc):
        assert arc.sweep == pytest.approx(math.radians(250), abs=1e-3)
    else:
        # More than half a turn has no single bulge.
        assert isinstance(arc, Polyline)
        assert all(arc.bulges[:-1])
    assert arc.length == pytest.approx(math.radians(250) * radius, rel=1e-4)


def test_texts_have_place_size_and_direction():
    def paint(c):
        c.setFont("Helvetica", 20)
        c.drawString(50, 60, "BRACKET 12")
        c.saveState()
        c.translate(200, 100)
        c.rotate(90)
        c.drawString(0, 0, "SIDE")
        c.restoreState()

    texts = read("t.pdf", drawn(paint)).drawing.annotations
    assert [t.text for t in texts] == ["BRACKET 12", "SIDE"]
    assert (texts[0].place.x, texts[0].place.y, texts[0].angle) == (50, 60, 0)
    assert texts[0].height == pytest.approx(14)
    assert texts[1].angle == pytest.approx(math.pi / 2)
    assert (texts[1].place.x, texts[1].place.y) == (pytest.approx(200), pytest.approx(100))


def test_a_page_with_only_a_scan_is_a_picture_to_trace():
    picture = Image.new("L", (60, 40), 200)

    def paint(c):
        c.drawInlineImage(picture, 30, 40, 120, 80)

    drawing = read("scan.pdf", drawn(paint)).drawing
    assert not drawing.curves
    (placed,) = drawing.annotations
    assert placed.box() == pytest.approx((30, 40, 150, 120))
    assert Image.open(io.BytesIO(placed.data)).size == (60, 40)


def test_rows_of_dashes_are_joined_only_when_that_is_chosen():
    dashes = " ".join(f"{10 + 8 * k} 50 m {15 + 8 * k} 50 l S" for k in range(12))
    # A centre line: long and short in turn; and a few strokes that are no row.
    chain = " ".join(
        f"{10 + 15 * k} 80 m {20 + 15 * k} 80 l S {22 + 15 * k} 80 m {23 + 15 * k} 80 l S" for k in range(5)
    )
    loose = "10 120 m 20 120 l S 50 120 m 60 120 l S 61 120 m 99 120 l S"
    content = f"{dashes} {chain} {loose}"
    assert len(drawing_of(content).curves) == 12 + 10 + 3
    joined = drawing_of(content, options=ReadOptions(join_dashes=True)).curves
    assert [(round(c.shape.length), c.style.line_type) for c in joined] == [
        (93, "DASHED"), (73, "DASHDOT"), (10, ""), (10, ""), (38, ""),
    ]  # fmt: skip


def test_any_page_can_be_read():
    def paint(c):
        for k in range(1, 4):
            c.line(0, 0, 10 * k, 0)
            c.showPage()

    data = drawn(paint)
    result = read("three.pdf", data, options=ReadOptions(page=3))
    assert result.drawing.curves[0].shape.length == pytest.approx(30)
    assert [s.title for s in result.report.sheets] == ["Page 1", "Page 2", "Page 3"]
    with pytest.raises(IntakeError, match=r"three\.pdf has 3 pages, so there is no page 4\."):
        read("three.pdf", data, options=ReadOptions(page=4))


def test_owner_passwords_open_and_user_passwords_are_asked_for():
    owned = StandardEncryption("", ownerPassword="boss", canPrint=0)
    open_ = read("owned.pdf", drawn(lambda c: c.line(0, 0, 9, 0), encrypt=owned))
    assert len(open_.drawing.curves) == 1
    locked = drawn(lambda c: c.line(0, 0, 9, 0), encrypt=StandardEncryption("key", ownerPassword="boss"))
    with pytest.raises(PasswordNeeded, match=r"locked\.pdf is locked by its author\. Type its password"):
        read("locked.pdf", locked)
    with pytest.raises(PasswordNeeded, match="The password does not open"):
        read("locked.pdf", locked, options=ReadOptions(password="wrong"))
    assert len(read("locked.pdf", locked, options=ReadOptions(password="key")).drawing.curves) == 1


def test_a_stream_that_unpacks_to_gigabytes_is_not_unpacked():
    bomb = zlib.compress(b"0 0 m 1 0 l S " * 20_000_000, 1)
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(300, 200))
    stream = pikepdf.Stream(pdf, bomb)
    stream.Filter = pikepdf.Name.FlateDecode
    page.obj.Contents = [pdf.make_stream(b"0 0 m 5 0 l S"), pdf.make_indirect(stream)]
    out = io.BytesIO()
    pdf.save(out, compress_streams=False)
    result = read("bomb.pdf", out.getvalue())
    assert [(n.type, n.count) for n in result.report.not_read] == [("content", 1), ("text", 1)]
    assert len(result.drawing.curves) == 1


def test_forms_within_themselves_end():
    def resources(pdf):
        snake = pdf.make_indirect(pdf.make_stream(b"0 0 m 9 0 l S /Me Do"))
        snake.Type, snake.Subtype, snake.BBox = pikepdf.Name.XObject, pikepdf.Name.Form, [0, 0, 99, 99]
        snake.Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(Me=snake))
        return pikepdf.Dictionary(XObject=pikepdf.Dictionary(Me=snake))

    result = read("snake.pdf", page_of("/Me Do", resources))
    assert len(result.drawing.curves) == 1
    assert [(n.type, n.why) for n in result.report.not_read] == [("form", "It refers to itself, or too deep.")]


def test_fonts_that_are_named_but_not_there_are_told():
    def resources(pdf):
        font = pikepdf.Dictionary(
            Type=pikepdf.Name.Font, Subtype=pikepdf.Name.TrueType, BaseFont=pikepdf.Name("/Orchard-Hand")
        )
        return pikepdf.Dictionary(Font=pikepdf.Dictionary(F=pdf.make_indirect(font)))

    result = read("font.pdf", page_of("BT /F 12 Tf 10 10 Td (PUMP) Tj ET", resources))
    assert result.report.fonts_missing == ("Orchard-Hand",)
