"""PDF as others write it, on small pages whose answers can be worked out by hand from ISO 32000-1."""

from __future__ import annotations

import io
import math
import zlib

import pikepdf
import pytest

from syntaxa.errors import IntakeError
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Spline
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.pdf import limits
from syntaxa.intake.pdf.limits import TooLarge, unpacked
from syntaxa.intake.registry import read


def pdf_of(content, change=None, size=(100, 100), **saving):
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=size)
    page.Contents = pdf.make_stream(content)
    if change is not None:
        change(pdf, page)
    out = io.BytesIO()
    pdf.save(out, **saving)
    return out.getvalue()


def received(content, change=None, size=(100, 100), **options):
    return read("x.pdf", pdf_of(content, change, size), options=ReadOptions(**options))


def lengths(content, change=None, **options):
    return [round(c.shape.length, 6) for c in received(content, change, **options).drawing.curves]


# ---------------------------------------------------------------------- tokens


@pytest.mark.parametrize(
    "content",
    [
        b"% a note (that is not closed\n0 0 m 10 0 l S",
        b"% one ) two ( three\n0 0 m 10 0 l S % (\n",
        b"BT (50 % of it) Tj ET 0 0 m 10 0 l S",
        b"BT (a \\) % b) Tj ET 0 0 m 10 0 l S",
        b"0\x000\x00m\x0010\x000\x00l\x00S",
        b"0 0 m\x0010 0 l\x00S",
        b"BT (a (nested (deep)) one) Tj ET 0 0 m 10 0 l S",
    ],
)
def test_comments_strings_and_noughts_swallow_no_stroke(content):
    assert lengths(content) == [10]


# ---------------------------------------------------------------------- clipping


SQUARES = b"10 10 20 20 re 15 15 10 10 re"


@pytest.mark.parametrize(
    ("clip", "expected"),
    [
        (SQUARES + b" W* n", [5, 5]),
        (SQUARES + b" W n", [20]),
        # The inner one drawn the other way round is a hole by the non-zero rule, too.
        (b"10 10 20 20 re 15 15 m 15 25 l 25 25 l 25 15 l h W n", [5, 5]),
    ],
)
def test_holes_of_a_clip_path_by_its_rule(clip, expected):
    assert lengths(clip + b" 0 20 m 100 20 l S", clip=True) == expected


# ---------------------------------------------------------------------- optional content


@pytest.mark.parametrize(
    ("expression", "shown"),
    [
        (lambda on, off: ["/And", on, off], False),
        (lambda on, off: ["/Or", on, off], True),
        (lambda on, off: ["/Not", off], True),
        (lambda on, off: ["/And", on, ["/Not", off]], True),
        (lambda on, off: ["/Not", ["/Or", on, off]], False),
    ],
)
def test_visibility_expressions_decide(expression, shown):
    def change(pdf, page):
        on, off = (
            pdf.make_indirect(pikepdf.Dictionary(Type=pikepdf.Name.OCG, Name=pikepdf.String(n))) for n in ("on", "off")
        )

        def built(part):
            if not isinstance(part, list):
                return part
            return pikepdf.Array([pikepdf.Name(part[0]), *map(built, part[1:])])

        member = pikepdf.Dictionary(Type=pikepdf.Name.OCMD, VE=built(expression(on, off)), OCGs=off)
        page.Resources = pikepdf.Dictionary(Properties=pikepdf.Dictionary(M=pdf.make_indirect(member)))
        default = pikepdf.Dictionary(OFF=pikepdf.Array([off]))
        pdf.Root.OCProperties = pikepdf.Dictionary(OCGs=pikepdf.Array([on, off]), D=default)

    drawing = received(b"/OC /M BDC 0 0 m 10 0 l S EMC", change).drawing
    (curve,) = drawing.curves
    assert next(x for x in drawing.layers if x.name == curve.layer).visible is shown


# ---------------------------------------------------------------------- pictures, annotations, damage


@pytest.mark.parametrize("kind", ["/JBIG2Decode", "/JPXDecode", "/CCITTFaxDecode", "/FlateDecode"])
def test_a_picture_that_cannot_be_made_out_takes_no_line_with_it(kind):
    def change(pdf, page):
        image = pdf.make_stream(b"not a picture at all")
        image.stream_dict = pikepdf.Dictionary(
            Type=pikepdf.Name.XObject, Subtype=pikepdf.Name.Image, Width=8, Height=8, BitsPerComponent=8,
            ColorSpace=pikepdf.Name.DeviceGray, Filter=pikepdf.Name(kind),
        )  # fmt: skip
        page.Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(I=image))

    found = received(b"q 10 0 0 10 0 0 cm /I Do Q 0 0 m 10 0 l S", change)
    assert [c.shape.length for c in found.drawing.curves] == [10]
    assert [a.kind for a in found.drawing.annotations] == ["image"]
    assert [(n.type, n.count) for n in found.report.not_read] == [("image", 1)]
    assert not any("damaged" in note for note in found.report.notes)


@pytest.mark.filterwarnings("ignore:This document has 1 form widget")
def test_annotations_and_form_fields_are_told():
    def change(pdf, page):
        kinds = ("Square", "Text", "Widget", "Link", "Popup")
        marks = [pikepdf.Dictionary(Type=pikepdf.Name.Annot, Subtype=pikepdf.Name(f"/{k}")) for k in kinds]
        marks.append(pikepdf.Dictionary(Type=pikepdf.Name.Annot, Subtype=pikepdf.Name.Square, F=2))
        page.Annots = pikepdf.Array(marks)

    report = received(b"0 0 m 10 0 l S", change).report
    assert {n.type: n.count for n in report.not_read} == {"annotation": 2, "form field": 1}


def test_a_file_that_is_cut_off_says_so():
    whole = pdf_of(b"0 0 m 10 0 l S " * 400, compress_streams=False)
    for share in (0.3, 0.6, 0.9):
        try:
            found = read("x.pdf", whole[: int(len(whole) * share)])
        except IntakeError:
            # A refusal is an answer as well.
            continue
        assert any("damaged or cut off" in note for note in found.report.notes)


@pytest.mark.parametrize("words", [b"BT /F 12 Tf 10 10 Td (Impeller) Tj ET 0 0 m 10 0 l S"])
@pytest.mark.parametrize("owner", ["", "o"])
def test_texts_of_a_file_that_only_its_owner_may_change(words, owner):
    def change(pdf, page):
        font = pikepdf.Dictionary(Type=pikepdf.Name.Font, Subtype=pikepdf.Name.Type1, BaseFont=pikepdf.Name.Helvetica)
        page.Resources = pikepdf.Dictionary(Font=pikepdf.Dictionary(F=font))

    data = pdf_of(words, change, encryption=pikepdf.Encryption(owner=owner, user=""))
    found = read("x.pdf", data)
    assert [a.text for a in found.drawing.annotations] == ["Impeller"]
    assert found.report.not_read == ()


def test_nothing_is_unpacked_beyond_its_limit(monkeypatch):
    """The limit holds before the library unpacks, predictors or not."""
    monkeypatch.setattr(limits, "LARGEST_STREAM", 100_000)
    packed = zlib.compress(b"\0" * 2_000_000, 9)
    pdf = pikepdf.new()
    for parms in (None, pikepdf.Dictionary(Predictor=12, Columns=4)):
        stream = pikepdf.Stream(pdf, b"")
        stream.write(packed, filter=pikepdf.Name.FlateDecode, decode_parms=parms)
        with monkeypatch.context() as patch:
            patch.setattr(pikepdf.Object, "read_bytes", None)
            with pytest.raises(TooLarge):
                unpacked(stream)


# ---------------------------------------------------------------------- shapes


def test_fills_of_nothing_are_no_paths_without_size():
    report = received(b"0 0 m 10 0 l S " + b"f n f* B " * 50).report
    assert report.degenerate == ()
    assert dict(received(b"5 5 m 5 5 l S").report.degenerate) == {}
    assert dict(received(b"5 5 m 7 5 l 5 5 l h f").report.degenerate) == {}


KAPPA = 4 / 3 * (math.sqrt(2) - 1)
CIRCLE = (
    f"10 0 m 10 {10 * KAPPA} {10 * KAPPA} 10 0 10 c {-10 * KAPPA} 10 -10 {10 * KAPPA} -10 0 c "
    f"-10 {-10 * KAPPA} {-10 * KAPPA} -10 0 -10 c {10 * KAPPA} -10 10 {-10 * KAPPA} 10 0 c h S"
).encode()


@pytest.mark.parametrize(
    ("matrix", "kind", "radii"),
    [
        (b"1 0 0 1 50 50 cm ", Circle, (10, 10)),
        (b"3 0 0 1 50 50 cm ", EllipseArc, (30, 10)),
        (b"0 2 -1 0 50 50 cm ", EllipseArc, (20, 10)),
    ],
)
def test_a_scaled_circle_is_an_ellipse(matrix, kind, radii):
    (curve,) = received(matrix + CIRCLE).drawing.curves
    assert isinstance(curve.shape, kind)
    found = (curve.shape.radius,) * 2 if kind is Circle else (curve.shape.major.length, curve.shape.minor.length)
    assert found == pytest.approx(radii, rel=1e-4)


def test_a_page_drawn_in_metres_keeps_its_shallow_curves():
    """30 mm long, 0.75 mm high, written in metres: it was read as a straight line."""
    metres = 72 / 0.0254
    content = f"{metres} 0 0 {metres} 0 0 cm 0.01 0.02 m 0.02 0.021 0.03 0.021 0.04 0.02 c S".encode()
    (curve,) = received(content, size=(842, 595)).drawing.curves
    assert isinstance(curve.shape, Arc | Spline)
    assert not isinstance(curve.shape, Line)
    top = curve.shape.flattened(1e-3)[:, 1].max() * 25.4 / 72
    assert top - 20 == pytest.approx(0.75, abs=5e-3)
