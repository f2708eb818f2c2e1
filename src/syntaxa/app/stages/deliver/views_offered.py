"""What can be seen on a sheet, what it is called, and where it is taken."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import TYPE_CHECKING

from syntaxa.app.words import tr
from syntaxa.deliver.sheets.looking import Section, section_in
from syntaxa.deliver.sheets.model import BODY_VIEWS, SheetView
from syntaxa.deliver.sheets.papers import SCALES, scale_text
from syntaxa.drawing.state import State
from syntaxa.form.part import Formed
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    from syntaxa.deliver.sheets.laying import Laid

#: Views that are said by numbers, and what those are called.
NUMBERED = {
    "section": (tr("Cut at, mm"), tr("Where the section is cut, in mm")),
    "detail": (tr("x, y, radius"), tr("The middle and the radius of the circle round the detail, in mm")),
    "window": (tr("From, to"), tr("Two corners of the part that is shown: x, y, x, y in mm")),
}

#: Scales that are offered.
OFFERED = (tr("fit"), *(scale_text(s) for s in SCALES if 0.001 <= s <= 50))

#: What is added by a drag on the sheet.
DETAIL, PART = "a detail", "a part"

_NAMES = {
    "profiles": tr("All profiles"), "received": tr("The drawing as received"), DETAIL: tr("Detail: drag a circle…"),
    PART: tr("Part of the drawing: drag a box…"),
}  # fmt: skip


def view_name(view: SheetView) -> str:
    """What a view is called in lists."""
    kind, _, name = view.shows.partition(":")
    section = section_in(view.shows)
    if section is not None:
        return tr("Section, from the {0}, at {1} = {2:g}", tr(section.view), "xyz"[section.axis], section.place)
    if kind in ("detail", "window"):
        return tr("Detail") if kind == "detail" else tr("Part of the drawing")
    if kind == "profiles" and name:
        return tr("Sketch {0}", name)
    if kind == "received" and name:
        return tr("Part {0} as received", name)
    return _NAMES.get(view.shows, tr("Bodies, {0}", tr(view.shows)))


def kinds_of(state: State) -> Sequence[str]:
    """What can be seen on a sheet."""
    sketches = [f"profiles:{s.name}" for s in state.profiles() if s.curves]
    shown = [b.figures.box for b in state.part(Formed).bodies if not b.hidden]
    bodies = (*BODY_VIEWS, *_sections(shown)) if shown else ()
    return (*bodies, "profiles", *(sketches if len(sketches) > 1 else ()), "received", DETAIL, PART)


def in_numbers(*values: float) -> str:
    """Where a view is taken (mm), to a thousandth."""
    return ",".join(str(round(v, 3)) for v in values)


def numbers_of(shows: str) -> str:
    """The numbers that say where a view is taken."""
    return shows.rpartition(":")[2].replace(",", ", ")


def view_under(laid: Sequence[Laid], at: Point) -> Laid | None:
    """The smallest view that a place on the sheet lies in."""
    inside = [one for one in laid if one.box[0] <= at.x <= one.box[2] and one.box[1] <= at.y <= one.box[3]]
    return min(inside, key=lambda one: (one.box[2] - one.box[0]) * (one.box[3] - one.box[1]), default=None)


def _sections(boxes: Sequence[Sequence[float]]) -> Iterator[str]:
    """Sections through the middle of all bodies."""
    for view in ("front", "top", "right"):
        axis = Section(view, 0.0).axis
        middle = (min(b[axis] for b in boxes) + max(b[axis + 3] for b in boxes)) / 2
        yield f"section:{view}:{middle:g}"


def first_views(state: State) -> tuple[SheetView, ...]:
    """What a new sheet shows: the bodies, or the profiles where there are none."""
    if any(not b.hidden for b in state.part(Formed).bodies):
        return tuple(SheetView(v, hidden=v != "isometric") for v in ("front", "top", "right", "isometric"))
    return (SheetView("profiles"),)


def scale_shown(scale: str) -> str:
    """The scale of a sheet as users read it."""
    return OFFERED[0] if scale == "fit" else scale


def scale_typed(text: str) -> str:
    """The scale that is meant by what was chosen or typed."""
    return "fit" if text.strip() == OFFERED[0] else text.strip()
