"""What is shown of sheets: each as it would be written, with what is told of it, and as a picture."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

import numpy as np

from syntaxa.deliver.sheets.model import Sheets
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress, SyntaxaError
from syntaxa.geometry.types import Bytes

if TYPE_CHECKING:
    from syntaxa.deliver.sheets.making import Made
    from syntaxa.deliver.sheets.measuring import Measurable

#: mm in an inch, and pixels of a picture at the most.
_INCH, _MOST = 25.4, 24_000_000


@dataclass(frozen=True)
class Shown:
    """A sheet as it would be written, or why it cannot be."""

    made: Made | None = None
    why: str = ""


@dataclass(frozen=True)
class Pixels:
    """A picture of a page: rows from above, red, green, blue and opacity, (height, width, 4); dots to the inch."""

    rows: Bytes
    dots: float


def _shown(standing: Standing, name: str, job: str, *, progress: Progress) -> Shown:
    # What makes sheets is loaded when one is looked at.
    from syntaxa.deliver.sheets.contents import Sources
    from syntaxa.deliver.sheets.making import made_sheet

    sheet = standing.state.part(Sheets).sheet(name)
    if sheet is None:
        return Shown(why=f"There is no sheet “{name}”.")
    context = standing.context(progress)
    key = f"sheet {name} {job}"
    try:
        sources = Sources(standing.state, context, standing.changes)
        return Shown(context.kept(key, lambda: made_sheet(sheet, standing.state, context, job, sources), 500_000))
    except SyntaxaError as error:
        return Shown(why=str(error))


def _pixels(standing: Standing, name: str, job: str, dots: float, *, progress: Progress) -> Pixels:
    import pypdfium2

    from syntaxa.deliver.pages.pdf import pdf_of

    shown = _shown(standing, name, job, progress=lambda share: progress(0.5 * share))
    if shown.made is None:
        return Pixels(np.zeros((0, 0, 4), np.uint8), dots)
    leaf = shown.made.leaf
    most = (_MOST / max(leaf.width * leaf.height, 1.0)) ** 0.5 * _INCH
    dots = min(dots, most)
    progress(0.6)
    document = pypdfium2.PdfDocument(pdf_of([leaf]))
    try:
        page = document[0]
        scale = dots * leaf.width / _INCH / page.get_width()
        rows = page.render(scale=scale, rev_byteorder=True, force_bitmap_format=4).to_numpy().copy()
    finally:
        document.close()
    progress(1.0)
    return Pixels(rows, dots)


def _measurable(standing: Standing, name: str, job: str, number: int, *, progress: Progress) -> Measurable:
    # What measures is loaded when somebody does.
    from syntaxa.deliver.sheets.contents import UNSEEN
    from syntaxa.deliver.sheets.measuring import Measurable

    shown = _shown(standing, name, job, progress=lambda share: progress(0.5 * share))
    laid = shown.made.laid if shown.made is not None else ()
    if not 0 <= number < len(laid):
        return Measurable(())
    one = laid[number]
    return Measurable(one.content.curves, "" if one.view.hidden else UNSEEN).made()


#: What can be measured in a view of a sheet, by its number.
MEASURABLE: View[Measurable] = View(
    "Looking what can be measured", on_state, _measurable, lambda m: 1000 + 2000 * len(m.curves)
)

#: A sheet, by its name and what the job is called.
SHEET: View[Shown] = View(
    "Laying out", on_state, _shown, lambda s: 1000 + (500 * len(s.made.leaf.marks) if s.made else 0)
)

#: A picture of it, at so many dots to the inch.
PICTURE: View[Pixels] = View("Drawing the sheet", on_state, _pixels, lambda p: 1000 + p.rows.nbytes)
