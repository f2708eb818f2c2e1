"""Texts of a PDF page: words with their place and size, as the page shows them."""

from __future__ import annotations

import math

import pypdfium2 as pdfium
import pypdfium2.raw as pdfium_c

from syntaxa.drawing.annotations import Text
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.transform import Transform
from syntaxa.intake.gather import Gathered
from syntaxa.intake.model import ReadOptions

#: A capital letter is about this much of its font size (common practice, no published source).
_CAPITAL = 0.7

#: Pieces of text beyond which a page is a book, not a drawing.
_MOST = 20_000


def add_texts(out: Gathered, data: bytes, options: ReadOptions, to_page: Transform) -> None:
    """Adds the texts of the page; what cannot be read is told."""
    try:
        # A file that opens with the empty password is opened with it: some want it said.
        document = pdfium.PdfDocument(data, password=options.password)
    except (pdfium.PdfiumError, ValueError):
        out.skip("text", "The texts of the page cannot be made out.")
        return
    try:
        page = document[options.page - 1]
        textpage = page.get_textpage()
        for k, thing in enumerate(
            page.get_objects(filter=[pdfium_c.FPDF_PAGEOBJ_TEXT], max_depth=8, textpage=textpage)
        ):
            if k >= _MOST:
                out.skip("text", "There are more texts than a drawing can hold.")
                break
            _add(out, thing, to_page, k)
        textpage.close()
    except (pdfium.PdfiumError, ValueError, IndexError, OSError):
        out.skip("text", "The texts of the page cannot be made out.")
    finally:
        document.close()


def _add(out: Gathered, thing: pdfium.PdfObject, to_page: Transform, k: int) -> None:
    words = thing.extract().replace("\x00", "").strip() if hasattr(thing, "extract") else ""
    if not words:
        return
    own = _matrix(thing)
    form = thing.container
    while form is not None:
        own, form = own.then(_matrix(form)), form.container
    own = own.then(to_page)
    size = float(thing.get_font_size())
    font = _font_of(thing)
    if font:
        out.fonts.add(font)
    along, upward = own.vector(Vector(1.0, 0.0)), own.vector(Vector(0.0, 1.0))
    height = size * upward.length * _CAPITAL
    if not (math.isfinite(height) and height > 0):
        return
    out.note(Text(out.unique(f"t{k + 1}"), "texts", own.point(Point(0.0, 0.0)), words, height, along.angle, font=font))


def _matrix(thing: pdfium.PdfObject) -> Transform:
    m = thing.get_matrix()
    return Transform(m.a, m.b, m.c, m.d, m.e, m.f)


def _font_of(thing: pdfium.PdfObject) -> str:
    """The family of a font that is not embedded, or nothing."""
    font = thing.get_font() if hasattr(thing, "get_font") else None
    if font is None or font.is_embedded:
        return ""
    name = str(font.get_base_name())
    return "" if name in pdfium.PdfFont.STANDARD_FONTS else name
