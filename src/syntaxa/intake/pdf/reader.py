"""PDF pages to drawings: in points of 1/72 inch, with the lower left corner of the page as it is read at 0, 0."""

from __future__ import annotations

import io
import logging
import math
from typing import Any

import pikepdf

from syntaxa.errors import IntakeError, PasswordNeeded, Progress
from syntaxa.geometry.points import Vector
from syntaxa.geometry.transform import Transform
from syntaxa.intake.dashes import join_dashes
from syntaxa.intake.fonts import missing_fonts
from syntaxa.intake.gather import Gathered, TooMuch
from syntaxa.intake.model import PLAIN, ReadOptions, Received, Sheet
from syntaxa.intake.pdf.content import Interpreter
from syntaxa.intake.pdf.limits import TooLarge, unpacked
from syntaxa.intake.pdf.optional import OptionalContent
from syntaxa.intake.pdf.texts import add_texts

# What the library has to say about damage is told in the import report, not on the terminal.
logging.getLogger("pikepdf").addHandler(logging.NullHandler())

#: Invisible or hidden (ISO 32000-1, table 165).
_HIDDEN_FLAGS = 0b11

#: Pages that are offered by name; a longer document is a book.
_MOST_PAGES = 2000

_DAMAGE = (pikepdf.PdfError, ValueError, TypeError, KeyError, IndexError, AttributeError, OverflowError, RuntimeError)


def read(name: str, data: bytes, progress: Progress, options: ReadOptions = PLAIN) -> Received:
    """One page as a drawing; raises IntakeError, or PasswordNeeded where its author locked it."""
    pdf = _opened(name, data, options.password)
    with pdf:
        try:
            count = len(pdf.pages)
        except _DAMAGE as error:
            raise _damaged(name) from error
        if not 1 <= options.page <= count:
            pages = "1 page" if count == 1 else f"{count} pages"
            raise IntakeError(f"{name} has {pages}, so there is no page {options.page}.", file=name)
        progress(0.1)
        damaged = bool(pdf.get_warnings())
        gathered = Gathered(progress)
        has_text = True
        try:
            has_text = _page(pdf, options, gathered)
        except _DAMAGE as error:
            if not gathered.curves and not gathered.annotations:
                raise _damaged(name) from error
            gathered.notes.append("The page is damaged; what could be made out was read.")
        _tell_of_annotations(pdf.pages[options.page - 1], gathered)
        if pdf.get_warnings() and not gathered.curves and not gathered.annotations:
            gathered.notes.append("The file is damaged or cut off, and nothing on this page could be made out.")
        elif damaged:
            gathered.notes.append("The file is damaged or cut off; what could be made out was read.")
        progress(0.8)
        if gathered.overfull:
            gathered.skip("text", "The page unpacks to more than a drawing can hold.")
        elif has_text:
            add_texts(gathered, data, options, _page_transform(pdf.pages[options.page - 1])[0])
        if options.join_dashes:
            gathered.curves, joined = join_dashes(gathered.curves)
            gathered.notes.append(f"{joined} dashes were joined to lines, as was chosen.")
        sheets = tuple(Sheet(str(k), f"Page {k}") for k in range(1, min(count, _MOST_PAGES) + 1)) if count > 1 else ()
        missing = missing_fonts(families=gathered.fonts)
        version = pdf.pdf_version
    return gathered.received("pdf", version, "pt", None, sheets, str(options.page) if sheets else "", missing)


def _opened(name: str, data: bytes, password: str) -> pikepdf.Pdf:
    try:
        return pikepdf.open(io.BytesIO(data), password=password)
    except pikepdf.PasswordError:
        if password:
            raise PasswordNeeded(f"The password does not open {name}.", file=name, suggestion="Try another.") from None
        raise PasswordNeeded(
            f"{name} is locked by its author.", file=name, suggestion="Type its password, or ask for an open copy."
        ) from None
    except _DAMAGE as error:
        raise _damaged(name) from error


def _damaged(name: str) -> IntakeError:
    return IntakeError(f"{name} is damaged and could not be read.", file=name, suggestion="Ask for the drawing again.")


def _page(pdf: pikepdf.Pdf, options: ReadOptions, gathered: Gathered) -> bool:
    """Gathers what the page draws, and says whether it shows any text."""
    page = pdf.pages[options.page - 1]
    to_page, notes, gathered.page = _page_transform(page)
    gathered.notes += notes
    optional = OptionalContent(pdf)
    if optional and options.grouping in ("auto", "groups"):
        for layer, visible in optional.layers():
            gathered.layer(layer, visible=visible)
    interpreter = Interpreter(gathered, optional, options, to_page)
    contents = page.obj.get("/Contents")
    parts = list(contents) if isinstance(contents, pikepdf.Array) else [contents]
    data = []
    for part in parts:
        if not isinstance(part, pikepdf.Stream):
            continue
        try:
            data.append(unpacked(part))
        except TooLarge:
            gathered.overfull = True
            gathered.skip("content", "It unpacks to more than a drawing can hold.")
        except pikepdf.PdfError:
            gathered.skip("content", "It is damaged.")
    try:
        interpreter.run(pdf, b"\n".join(data), _inherited(page.obj, "/Resources"))
    except TooMuch:
        gathered.notes.append("The page unfolds to more than can be held; the rest was left out.")
    return interpreter.has_text


#: Annotations that draw nothing of their own.
_UNSEEN = frozenset(("/Link", "/Popup", "/PrinterMark"))


def _tell_of_annotations(page: pikepdf.Page, gathered: Gathered) -> None:
    """Counts what lies over the page (notes, stamps, form fields): it is no part of the drawing, and is not read."""
    found = page.obj.get("/Annots")
    for annotation in found if isinstance(found, pikepdf.Array) else ():
        if not isinstance(annotation, pikepdf.Dictionary):
            continue
        kind = str(annotation.get("/Subtype", ""))
        hidden = int(_number(annotation.get("/F"), 0)) & _HIDDEN_FLAGS
        if kind in _UNSEEN or hidden:
            continue
        if kind == "/Widget":
            gathered.skip("form field", "It lies over the page and is no part of the drawing.")
        else:
            gathered.skip("annotation", "Notes, marks and stamps lie over the page and are no part of the drawing.")


def _inherited(page: pikepdf.Object, key: str) -> pikepdf.Object | None:
    """An attribute of a page, or of the nearest node above it that has it (ISO 32000-1, 7.7.3.4)."""
    node: pikepdf.Object | None = page
    for _ in range(64):
        if not isinstance(node, pikepdf.Dictionary):
            return None
        if key in node:
            return node[key]
        node = node.get("/Parent")
    return None


def _page_transform(page: pikepdf.Page) -> tuple[Transform, list[str], tuple[float, float]]:
    """From the page's own coordinates to points with the lower left corner at 0, 0, upright; its size in points."""
    box = _box(_inherited(page.obj, "/CropBox")) or _box(_inherited(page.obj, "/MediaBox")) or (0.0, 0.0, 612.0, 792.0)
    media = _box(_inherited(page.obj, "/MediaBox"))
    if media is not None:
        # The crop box is cut to the media box (ISO 32000-1, 14.11.2).
        cut = max(box[0], media[0]), max(box[1], media[1]), min(box[2], media[2]), min(box[3], media[3])
        box = cut if cut[0] < cut[2] and cut[1] < cut[3] else media
    unit = _number(page.obj.get("/UserUnit"), 1.0)
    turn = round(_number(_inherited(page.obj, "/Rotate"), 0.0) / 90) % 4
    notes = []
    if unit != 1.0:
        notes.append(f"The page's unit is {unit:g}/72 inch; it was counted in.")
    if turn:
        notes.append(f"The page is shown turned by {90 * turn} degrees; it was read as it is shown.")
    width, height = box[2] - box[0], box[3] - box[1]
    to = Transform.moving(Vector(-box[0], -box[1]))
    # Turned clockwise, each time about its corner.
    turned = {
        0: Transform(),
        1: Transform(0.0, -1.0, 1.0, 0.0, 0.0, width),
        2: Transform(-1.0, 0.0, 0.0, -1.0, width, height),
        3: Transform(0.0, 1.0, -1.0, 0.0, height, 0.0),
    }[turn]
    size = (width * unit, height * unit) if turn % 2 == 0 else (height * unit, width * unit)
    return to.then(turned).then(Transform.scaling(unit)), notes, size


def _box(value: pikepdf.Object | None) -> tuple[float, float, float, float] | None:
    if not isinstance(value, pikepdf.Array) or len(value) != 4:
        return None
    numbers = [_number(v, math.nan) for v in value]
    if not all(math.isfinite(v) and abs(v) < 1e7 for v in numbers):
        return None
    x, u = sorted(numbers[0::2])
    y, v = sorted(numbers[1::2])
    return (x, y, u, v) if x < u and y < v else None


def _number(value: Any, otherwise: float) -> float:
    try:
        number = float(value)
    except (TypeError, ValueError):
        return otherwise
    return number if math.isfinite(number) else otherwise
