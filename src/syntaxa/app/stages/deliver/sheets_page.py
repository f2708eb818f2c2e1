"""The page of sheets: paper, frame, scale, views, tables, and what stands in the title block."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.shell.panel import Ready
from syntaxa.app.stages.deliver.paper_part import PaperPart
from syntaxa.app.stages.deliver.sheet_lists import DimensionsPart, NotesPart
from syntaxa.app.stages.deliver.title_block import TitleBlockPart
from syntaxa.app.stages.deliver.views_offered import (
    first_views,
    kinds_of,
    scale_shown,
    view_name,
)
from syntaxa.app.stages.deliver.views_part import ViewsPart
from syntaxa.app.widgets.labels import button, label, lines_kept, row_of, set_role
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.frame import template_fields
from syntaxa.deliver.sheets.model import Sheet, Sheets
from syntaxa.deliver.sheets.papers import scale_text
from syntaxa.deliver.sheets.steps import DropSheets, SetSheet, SheetEachPart, check_sheet
from syntaxa.deliver.sheets.views import Shown
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    pass

#: Pixels of height of the list of sheets.
_SHEETS = 98


class SheetsPage(QWidget):
    """The fields; each change is a step."""

    wanted = pyqtSignal(object)
    refused = pyqtSignal(str)
    #: Another sheet, or another view of it, was chosen.
    chosen = pyqtSignal()
    frame_wanted = pyqtSignal()
    write_wanted = pyqtSignal()
    print_wanted = pyqtSignal()
    #: Something is to be put on the sheet by the mouse: a note, a detail or a part; or dimensions are to be drawn.
    note_wanted = pyqtSignal()
    detail_wanted = pyqtSignal()
    part_wanted = pyqtSignal()
    drawing_wanted = pyqtSignal(bool)

    def __init__(self, ready: Ready) -> None:
        super().__init__()
        self._state: State | None = None
        self._name = ""
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.list = RowsView(
            tr("Sheets"),
            (
                Column(tr("Sheet"), lambda s: s.name, figure=False),
                Column(tr("Paper"), lambda s: s.paper, figure=False),
                Column(tr("Scale"), lambda s: scale_shown(s.scale)),
                Column(tr("Views"), lambda s: str(len(s.views))),
            ),
        )
        self.list.setFixedHeight(_SHEETS)
        self.list.selection().selectionChanged.connect(lambda *_: self._select())
        column.addWidget(self.list)
        add, self.drop = (
            button(
                tr("Add a sheet"), tr("A sheet with views of the bodies, or of the profiles where there are none"), True
            ),
            button(tr("Remove"), tr("Take the chosen sheet out")),
        )
        each = button(
            tr("Each part"), tr("A sheet like the chosen one for each part that lies apart in the drawing as received")
        )
        each.clicked.connect(self._each_part)
        add.clicked.connect(self.add)
        self.drop.clicked.connect(self._drop)
        column.addLayout(row_of(add, each, self.drop, None))
        self.says = lines_kept(label("", "dim", wrap=True), 2)
        column.addWidget(self.says)
        self._body = QWidget()
        inside = QVBoxLayout(self._body)
        inside.setContentsMargins(0, 0, 0, 0)
        inside.setSpacing(7)
        self.paper = ready.take(PaperPart)
        self.paper.changed.connect(self.change)
        self.paper.renamed.connect(self._rename)
        self.paper.frame_wanted.connect(self.frame_wanted)
        inside.addWidget(self.paper)
        inside.addWidget(label(tr("Views"), "heading"))
        self.views = ready.take(ViewsPart)
        self.views.changed.connect(self.change)
        self.views.chosen.connect(self.chosen)
        self.views.refused.connect(self.refused)
        self.views.detail_wanted.connect(self.detail_wanted)
        self.views.part_wanted.connect(self.part_wanted)
        inside.addWidget(self.views)
        inside.addWidget(label(tr("Dimensions"), "heading"))
        self.dimensions_part = ready.take(DimensionsPart)
        self.dimensions_part.draw_wanted.connect(self.drawing_wanted)
        self.dimensions_part.drop_wanted.connect(self.views.drop_measure)
        inside.addWidget(self.dimensions_part)
        inside.addWidget(label(tr("Notes"), "heading"))
        self.notes = ready.take(NotesPart)
        self.notes.put_wanted.connect(self.note_wanted)
        self.notes.drop_wanted.connect(self._drop_note)
        self.notes.refused.connect(self.refused)
        inside.addWidget(self.notes)
        inside.addWidget(label(tr("Title block"), "heading"))
        self.block = ready.take(TitleBlockPart)
        self.block.changed.connect(lambda fields: self.change({"fields": fields}))
        self.block.refused.connect(self.refused)
        inside.addWidget(self.block)
        column.addWidget(self._body)
        column.addStretch(1)

    # ------------------------------------------------------------------ showing

    @property
    def sheet(self) -> Sheet | None:
        """The chosen sheet."""
        sheets = self._state.part(Sheets).sheets if self._state is not None else ()
        return next((s for s in sheets if s.name == self._name), None)

    def show_state(self, state: State) -> None:
        """The sheets of a job."""
        self._state = state
        sheets = state.part(Sheets).sheets
        if self.sheet is None:
            self._name = sheets[-1].name if sheets else ""
        selection = self.list.selection()
        selection.blockSignals(True)
        self.list.model_.show_rows(sheets)
        at = next((k for k, s in enumerate(sheets) if s.name == self._name), -1)
        if at >= 0:
            self.list.selectRow(at)
        selection.blockSignals(False)
        self.views.show_kinds([*kinds_of(state)])
        self._show_sheet()

    def _show_sheet(self) -> None:
        sheet = self.sheet
        self._body.setVisible(sheet is not None)
        self.drop.setEnabled(sheet is not None)
        if sheet is None:
            self.says.setText(tr("Add a sheet: paper, frame and title block, with views of what the job has come to."))
            set_role(self.says, "dim")
            return
        self.paper.show_sheet(sheet)
        self.views.show_sheet(sheet)
        self.notes.show_sheet(sheet)
        self.dimensions_part.show_sheet(sheet, [view_name(v) for v in sheet.views])
        self.block.show_sheet(sheet)

    def tell(self, shown: Shown | None) -> None:
        """What is to be known of the chosen sheet."""
        if self.sheet is None:
            return
        if shown is None:
            text, role = tr("Laying out…"), "dim"
        elif shown.made is None:
            text, role = said(shown.why), "warning"
        else:
            told = [said(t) for t in shown.made.told()]
            size = tr(
                "{0:g} x {1:g} mm at {2}", shown.made.leaf.width, shown.made.leaf.height, scale_text(shown.made.scale)
            )
            text, role = (" ".join(told), "warning") if told else (tr("✓ {0}; everything has room.", size), "dim")
        self.says.setText(text)
        set_role(self.says, role)

    # ------------------------------------------------------------------ doing

    def add(self) -> None:
        """Adds a sheet: views of the bodies, or of the profiles where there are none."""
        if self._state is None:
            return
        sheets = self._state.part(Sheets).sheets
        taken = {s.name for s in sheets}
        name = next(n for k in range(1, len(taken) + 2) if (n := tr("Sheet {0}", k)) not in taken)
        before = sheets[-1] if sheets else Sheet()
        self._name = name
        made = msgspec.structs.replace(before, name=name, views=first_views(self._state), notes=(), scale="fit")
        self.wanted.emit((SetSheet(made),))

    def _each_part(self) -> None:
        self.wanted.emit((SheetEachPart(self.sheet or Sheet()),))

    def _drop(self) -> None:
        if self.sheet is not None:
            self.wanted.emit((DropSheets((self._name,)),))

    def _select(self) -> None:
        at = self.list.chosen_row()
        sheets = self._state.part(Sheets).sheets if self._state is not None else ()
        if 0 <= at < len(sheets):
            self._name = sheets[at].name
            self._show_sheet()
            self.chosen.emit()

    def change(self, changes: dict[str, object]) -> None:
        """The chosen sheet becomes another in what is named."""
        sheet = self.sheet
        if sheet is None:
            return
        changed = msgspec.structs.replace(sheet, **changes)
        if changed == sheet:
            return
        try:
            check_sheet(changed)
        except DeliverError as error:
            self.refused.emit(str(error))
            self.paper.forget_typed()
            self._show_sheet()
            return
        self.wanted.emit((SetSheet(changed),))

    def _rename(self, name: str) -> None:
        sheet = self.sheet
        if sheet is None or self._state is None or name == sheet.name:
            return
        if not name or self._state.part(Sheets).sheet(name) is not None:
            self.refused.emit(tr("There is a sheet “{0}” already.", name) if name else tr("A sheet needs a name."))
            self.paper.forget_typed()
            self._show_sheet()
            return
        self._name = name
        self.wanted.emit((SetSheet(msgspec.structs.replace(sheet, name=name)), DropSheets((sheet.name,))))

    def set_frame(self, path: Path) -> None:
        """The frame is that of a file."""
        try:
            template_fields(str(path))
        except DeliverError as error:
            self.refused.emit(str(error))
            return
        self.change({"frame": str(path)})

    def put_note(self, place: Point, about: Point | None) -> None:
        """The note that was typed stands at a place (mm), with a line to what it is about."""
        sheet, note = self.sheet, self.notes.note_at(place, about)
        if sheet is not None and note is not None:
            self.change({"notes": (*sheet.notes, note)})

    def _drop_note(self, at: int) -> None:
        sheet = self.sheet
        if sheet is not None and 0 <= at < len(sheet.notes):
            self.change({"notes": (*sheet.notes[:at], *sheet.notes[at + 1 :])})
