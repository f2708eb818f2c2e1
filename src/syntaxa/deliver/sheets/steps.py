"""The steps of Deliver: sheets put in or changed, and taken out."""

from __future__ import annotations

from dataclasses import replace
from typing import ClassVar

import msgspec

from syntaxa.deliver.sheets.looking import detail_in, section_in, window_in
from syntaxa.deliver.sheets.measuring import check_dimension
from syntaxa.deliver.sheets.model import BODY_VIEWS, Sheet, Sheets, SheetView
from syntaxa.deliver.sheets.papers import paper_of, scale_of
from syntaxa.deliver.sheets.parting import parts_in
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context, StageName, Step, StepRows
from syntaxa.errors import DeliverError

#: Parts of a drawing that get a sheet each, at the most.
MOST_PARTS = 500


class SheetStep(Step, frozen=True):
    """A step of this stage."""

    stage: ClassVar[StageName] = "deliver"


class SetSheet(SheetStep, frozen=True, tag="set-sheet"):
    """A sheet, put behind the others or in the place of the one with its name."""

    sheet: Sheet
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Sheet “{self.sheet.name}”"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Raises DeliverError where the sheet makes no sense."""
        del context
        check_sheet(self.sheet)
        part = state.part(Sheets)
        there = part.sheet(self.sheet.name) is not None
        kept = tuple(self.sheet if s.name == self.sheet.name else s for s in part.sheets)
        return state.with_part(replace(part, sheets=kept if there else (*kept, self.sheet))), Entry(0)


class SheetEachPart(SheetStep, frozen=True, tag="sheet-each-part"):
    """A sheet like one that is given for each part that lies apart in the received drawing."""

    sheet: Sheet
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return "A sheet for each part of the drawing"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Raises DeliverError where there are none, or too many."""
        check_sheet(self.sheet)
        count = len(parts_in(state, context))
        if not 0 < count <= MOST_PARTS:
            raise DeliverError(
                f"The drawing has {count} parts that lie apart; sheets can be made of 1 to {MOST_PARTS}.",
                suggestion="Put views of the drawing on a sheet instead.",
            )
        own = {f"Part {n}": f"received:{n}" for n in range(1, count + 1)}
        kept = tuple(s for s in state.part(Sheets).sheets if s.name not in own)
        made = tuple(
            msgspec.structs.replace(self.sheet, name=name, views=(SheetView(shows),), notes=())
            for name, shows in own.items()
        )
        return state.with_part(replace(state.part(Sheets), sheets=(*kept, *made))), Entry(0)


class DropSheets(SheetStep, frozen=True, tag="drop-sheets"):
    """Sheets that are taken out, by their names."""

    names: tuple[str, ...]

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Take out {', '.join(f'“{n}”' for n in self.names)}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Names that are not there are told."""
        del context
        part = state.part(Sheets)
        there = {s.name for s in part.sheets}
        kept = tuple(s for s in part.sheets if s.name not in self.names)
        missing = tuple(n for n in self.names if n not in there)
        return state.with_part(replace(part, sheets=kept)), Entry(0, missing=missing)


def check_sheet(sheet: Sheet) -> None:
    """Raises DeliverError where a sheet makes no sense."""
    if not sheet.name.strip():
        raise DeliverError("A sheet needs a name.")
    paper = paper_of(sheet.paper)
    scale_of(sheet.scale)
    for view in sheet.views:
        scale_of(view.scale)
        _check_shown(view.shows)
        for measure in view.measures:
            check_dimension(measure)
        if view.place is not None and not all(abs(v) <= 10 * max(paper.width, paper.height) for v in view.place):
            raise DeliverError(f"A view of “{sheet.name}” lies far off its paper.", suggestion="Place it again.")


def _check_shown(shows: str) -> None:
    """Raises DeliverError where nothing can be shown of that name."""
    kind, _, name = shows.partition(":")
    if shows in (*BODY_VIEWS, "profiles", "received") or (kind in ("profiles", "received") and name):
        return
    detail = detail_in(shows)
    if detail is not None:
        _check_shown(detail.base)
    elif section_in(shows) is None and window_in(shows) is None:
        raise DeliverError(
            f"“{shows}” is no view.", suggestion=f"Views are profiles, received, {', '.join(BODY_VIEWS)}."
        )


STEPS: StepRows = ((SetSheet, SheetEachPart, DropSheets),)
