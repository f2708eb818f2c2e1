"""The page of sheets: paper, frame, scale, views, tables, and what stands in the title block."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path
from typing import TYPE_CHECKING

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QFormLayout, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.stages.deliver.sheet_lists import DimensionsPart, NotesPart
from syntaxa.app.stages.deliver.views_offered import (
    DETAIL,
    NUMBERED,
    PART,
    first_views,
    in_numbers,
    kinds_of,
    numbers_of,
    view_name,
    view_under,
)
from syntaxa.app.widgets.labels import button, label, lines_kept, roomy, row_of, set_role
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.frame import template_fields
from syntaxa.deliver.sheets.looking import AXES
from syntaxa.deliver.sheets.model import BODY_VIEWS, Sheet, SheetDimension, Sheets, SheetView
from syntaxa.deliver.sheets.papers import PAPERS, SCALES, scale_text
from syntaxa.deliver.sheets.steps import DropSheets, SetSheet, SheetEachPart, check_sheet
from syntaxa.deliver.sheets.views import Shown
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    from syntaxa.deliver.sheets.laying import Laid

#: Pixels of height of the lists of sheets and of views.
_SHEETS, _VIEWS = 98, 132

_LIES = ((tr("as usual"), "usual"), (tr("upright"), "upright"), (tr("across"), "across"))
_INKS = ((tr("in colour"), "colour"), (tr("in grey"), "grey"), (tr("in black"), "black"))
_METHODS = ((tr("first angle"), "first"), (tr("third angle"), "third"))

#: Scales that are offered.
_OFFERED = ("fit", *(scale_text(s) for s in SCALES if 0.001 <= s <= 50))


#: By how much a scale may miss twice another.
_NEARLY = 1 - 1e-9


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

    def __init__(self) -> None:
        super().__init__()
        self._state: State | None = None
        self._name = ""
        self._fields: dict[str, QLineEdit] = {}
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.list = RowsView(
            tr("Sheets"),
            (
                Column(tr("Sheet"), lambda s: s.name, figure=False),
                Column(tr("Paper"), lambda s: s.paper, figure=False),
                Column(tr("Scale"), lambda s: s.scale),
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
        inside.addLayout(self._make_paper())
        inside.addWidget(label(tr("Views"), "heading"))
        self._make_views(inside)
        inside.addWidget(label(tr("Dimensions"), "heading"))
        self.dimensions_part = DimensionsPart()
        self.dimensions_part.draw_wanted.connect(self.drawing_wanted)
        self.dimensions_part.drop_wanted.connect(self._drop_measure)
        inside.addWidget(self.dimensions_part)
        inside.addWidget(label(tr("Notes"), "heading"))
        self.notes = NotesPart()
        self.notes.put_wanted.connect(self.note_wanted)
        self.notes.drop_wanted.connect(self._drop_note)
        self.notes.refused.connect(self.refused)
        inside.addWidget(self.notes)
        inside.addWidget(label(tr("Title block"), "heading"))
        self._block = QFormLayout()
        self._block.setHorizontalSpacing(8)
        self._block.setVerticalSpacing(5)
        inside.addLayout(self._block)
        column.addWidget(self._body)
        column.addStretch(1)

    def _make_paper(self) -> QGridLayout:
        self.paper, self.scale = roomy(QComboBox()), roomy(QComboBox())
        for combo, texts, name in ((self.paper, PAPERS, tr("Paper")), (self.scale, _OFFERED, tr("Scale of the sheet"))):
            combo.setEditable(True)
            combo.setInsertPolicy(QComboBox.InsertPolicy.NoInsert)
            combo.addItems(texts)
            combo.setAccessibleName(name)
        self.paper.setToolTip(tr("A paper, or width x height in mm"))
        self.paper.activated.connect(lambda _k: self._set(paper=self.paper.currentText().strip()))
        self.scale.activated.connect(lambda _k: self._set(scale=self.scale.currentText().strip()))
        for combo, key in ((self.paper, "paper"), (self.scale, "scale")):
            line = combo.lineEdit()
            assert line is not None, "it can be typed in"
            line.editingFinished.connect(lambda combo=combo, key=key: self._set(**{key: combo.currentText().strip()}))
        self.lies, self.ink, self.method = roomy(QComboBox()), roomy(QComboBox()), roomy(QComboBox())
        for combo, rows, key, name in (
            (self.lies, _LIES, "lies", tr("How the paper lies")), (self.ink, _INKS, "ink", tr("Ink")),
            (self.method, _METHODS, "method", tr("How views of bodies lie")),
        ):  # fmt: skip
            for text, data in rows:
                combo.addItem(text, data)
            combo.setAccessibleName(name)
            combo.activated.connect(lambda k, combo=combo, key=key: self._set(**{key: combo.itemData(k)}))
        self.frame = roomy(QComboBox())
        self.frame.setAccessibleName(tr("Frame"))
        for text, data in ((tr("ISO 5457, with title block"), "iso"), (tr("none"), "none"), (tr("from a file…"), "")):
            self.frame.addItem(text, data)
        self.frame.activated.connect(self._frame_chosen)
        self.holes, self.parts, self.changes = QCheckBox(tr("Holes")), QCheckBox(tr("Bodies")), QCheckBox(tr("Changes"))
        for box, key, tip in (
            (self.holes, "holes", tr("A table of all holes: where they are and how large")),
            (self.parts, "parts", tr("A table of all bodies, with their numbers in the views")),
            (self.changes, "changes", tr("A table of what was changed, from the ledger")),
        ):
            box.setToolTip(tip)
            box.setAccessibleName(tr("Table: {0}", box.text().lower()))
            box.clicked.connect(lambda on, key=key: self._set(**{key: on}))
        self.title = QLineEdit()
        self.title.setAccessibleName(tr("Name of the sheet"))
        self.title.editingFinished.connect(self._rename)
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        named: tuple[tuple[str, QWidget], ...] = (
            (tr("Name"), self.title), (tr("Paper"), self.paper), (tr("Lies"), self.lies), (tr("Scale"), self.scale),
            (tr("Frame"), self.frame), (tr("Views lie by"), self.method), (tr("Printed"), self.ink),
        )  # fmt: skip
        for k, (text, widget) in enumerate(named):
            title = label(text, "dim")
            title.setBuddy(widget)
            grid.addWidget(title, k, 0)
            grid.addWidget(widget, k, 1)
        boxes = row_of(self.holes, self.parts, self.changes, None)
        boxes.setSpacing(14)
        grid.addWidget(label(tr("Tables"), "dim"), len(named), 0)
        grid.addLayout(boxes, len(named), 1)
        grid.setColumnStretch(1, 1)
        return grid

    def _make_views(self, column: QVBoxLayout) -> None:
        self.views = RowsView(
            tr("Views on the sheet"),
            (
                Column(tr("View"), lambda v: view_name(v), figure=False),
                Column(tr("Scale"), lambda v: v.scale or tr("of the sheet")),
                Column(tr("Place"), lambda v: tr("laid out") if v.place is None else f"{v.place[0]:g}, {v.place[1]:g}"),
            ),
        )
        self.views.setFixedHeight(_VIEWS)
        self.views.selection().selectionChanged.connect(lambda *_: self._view_selected())
        column.addWidget(self.views)
        self.kind = roomy(QComboBox())
        self.kind.setAccessibleName(tr("View to be added"))
        more, less, lay = (
            button(tr("Add"), tr("Add this view")),
            button(tr("Remove"), tr("Take the chosen view off the sheet")),
            button(tr("Lay out"), tr("All views go back to where the sheet lays them")),
        )
        more.clicked.connect(self._add_view)
        less.clicked.connect(self._drop_view)
        lay.clicked.connect(self._lay_out)
        column.addLayout(row_of(self.kind, more))
        self.view_scale = roomy(QComboBox())
        self.view_scale.setEditable(True)
        self.view_scale.addItems((tr("of the sheet"), *_OFFERED[1:]))
        self.view_scale.setAccessibleName(tr("Scale of the view"))
        self.view_scale.activated.connect(lambda _k: self._set_view_scale())
        self.hidden, self.dimensions, self.shaded = (
            QCheckBox(tr("Hidden lines")), QCheckBox(tr("Dimensions")), QCheckBox(tr("Shaded"))
        )  # fmt: skip
        self.hidden.clicked.connect(lambda on: self._set_view(hidden=on))
        self.shaded.clicked.connect(lambda on: self._set_view(shaded=on))
        self.dimensions.clicked.connect(lambda on: self._set_view(dimensions=on))
        self._one = QWidget()
        grid = QGridLayout(self._one)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.addWidget(label(tr("Its scale"), "dim"), 0, 0)
        grid.addWidget(self.view_scale, 0, 1)
        grid.addLayout(row_of(self.hidden, self.shaded, self.dimensions, None), 1, 1)
        self._cut_title, self.cut_at = label("", "dim"), QLineEdit()
        self.cut_at.setAccessibleName(tr("Where the view is taken"))
        self.cut_at.editingFinished.connect(self._cut_typed)
        grid.addWidget(self._cut_title, 2, 0)
        grid.addWidget(self.cut_at, 2, 1)
        grid.setColumnStretch(1, 1)
        column.addLayout(row_of(less, lay, None))
        column.addWidget(self._one)

    # ------------------------------------------------------------------ showing

    @property
    def sheet(self) -> Sheet | None:
        """The chosen sheet."""
        sheets = self._state.part(Sheets).sheets if self._state is not None else ()
        return next((s for s in sheets if s.name == self._name), None)

    @property
    def view_number(self) -> int:
        """The number of the chosen view, -1 for none."""
        return self.views.chosen_row()

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
        kinds = [*kinds_of(state)]
        if [self.kind.itemData(k) for k in range(self.kind.count())] != kinds:
            self.kind.clear()
            for shows in kinds:
                self.kind.addItem(view_name(SheetView(shows)), shows)
        self._show_sheet()

    def _show_sheet(self) -> None:
        sheet = self.sheet
        self._body.setVisible(sheet is not None)
        self.drop.setEnabled(sheet is not None)
        if sheet is None:
            self.says.setText(tr("Add a sheet: paper, frame and title block, with views of what the job has come to."))
            set_role(self.says, "dim")
            return
        for line, text in ((self.title, sheet.name), (self.paper.lineEdit(), sheet.paper),
                           (self.scale.lineEdit(), sheet.scale)):  # fmt: skip
            if line is not None and not (line.hasFocus() and line.isModified()):
                line.setText(text)
                line.setModified(False)
        for combo, value in ((self.lies, sheet.lies), (self.ink, sheet.ink), (self.method, sheet.method)):
            combo.setCurrentIndex(max(combo.findData(value), 0))
        own = self.frame.findData(sheet.frame)
        if own < 0:
            self.frame.insertItem(2, Path(sheet.frame).name, sheet.frame)
            own = 2
        self.frame.setCurrentIndex(own)
        self.holes.setChecked(sheet.holes)
        self.parts.setChecked(sheet.parts)
        self.changes.setChecked(sheet.changes)
        at = self.views.chosen_row()
        selection = self.views.selection()
        selection.blockSignals(True)
        self.views.model_.show_rows(sheet.views)
        if 0 <= at < len(sheet.views):
            self.views.selectRow(at)
        selection.blockSignals(False)
        self.notes.show_sheet(sheet)
        self.dimensions_part.show_sheet(sheet, [view_name(v) for v in sheet.views])
        self._show_view()
        self._show_fields(sheet)

    def _show_view(self) -> None:
        sheet, at = self.sheet, self.view_number
        view = sheet.views[at] if sheet is not None and 0 <= at < len(sheet.views) else None
        self._one.setVisible(view is not None)
        if view is None:
            return
        self.view_scale.setCurrentText(view.scale or tr("of the sheet"))
        kind, numbers = view.shows.partition(":")[0], numbers_of(view.shows)
        for widget in (self._cut_title, self.cut_at):
            widget.setVisible(kind in NUMBERED)
        if kind in NUMBERED and not (self.cut_at.hasFocus() and self.cut_at.isModified()):
            self._cut_title.setText(NUMBERED[kind][0])
            self.cut_at.setAccessibleName(NUMBERED[kind][1])
            self.cut_at.setToolTip(NUMBERED[kind][1])
            self.cut_at.setText(numbers)
            self.cut_at.setModified(False)
        self.hidden.setVisible(view.shows in BODY_VIEWS or kind == "section")
        self.shaded.setVisible(view.shows in BODY_VIEWS)
        self.shaded.setChecked(view.shaded)
        self.dimensions.setVisible(view.shows.startswith("profiles") or view.shows in ("front", "top", "right"))
        self.hidden.setChecked(view.hidden)
        self.dimensions.setChecked(view.dimensions)

    def _show_fields(self, sheet: Sheet) -> None:
        """A line for each field that the frame has."""
        try:
            names = template_fields(sheet.frame)
        except DeliverError as error:
            names = []
            self.refused.emit(str(error))
        if list(self._fields) != names:
            while self._block.rowCount():
                self._block.removeRow(0)
            self._fields = {}
            for name in names:
                line = QLineEdit()
                line.setAccessibleName(tr("Title block: {0}", name))
                line.setPlaceholderText(tr("as the job says") if name in _KNOWN else "")
                line.editingFinished.connect(lambda name=name, line=line: self._field_typed(name, line))
                self._block.addRow(label(tr(name.capitalize()), "dim"), line)
                self._fields[name] = line
        given = dict(sheet.fields)
        for name, line in self._fields.items():
            if not (line.hasFocus() and line.isModified()):
                line.setText(given.get(name, ""))
                line.setModified(False)

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

    def _view_selected(self) -> None:
        self._show_view()
        self.chosen.emit()

    def choose_view(self, number: int) -> None:
        """A view was chosen on the sheet."""
        selection = self.views.selection()
        selection.blockSignals(True)
        if number >= 0:
            self.views.selectRow(number)
        else:
            self.views.clearSelection()
        selection.blockSignals(False)
        self._show_view()

    def place_view(self, number: int, place: tuple[float, float]) -> None:
        """A view was put somewhere on the sheet (mm)."""
        self.choose_view(number)
        self._set_view(place=place)

    def _set(self, **changes: object) -> None:
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
            for combo in (self.paper, self.scale):
                line = combo.lineEdit()
                if line is not None:
                    line.setModified(False)
            self._show_sheet()
            return
        self.wanted.emit((SetSheet(changed),))

    def _rename(self) -> None:
        sheet, name = self.sheet, self.title.text().strip()
        if sheet is None or self._state is None or name == sheet.name:
            return
        if not name or self._state.part(Sheets).sheet(name) is not None:
            self.refused.emit(tr("There is a sheet “{0}” already.", name) if name else tr("A sheet needs a name."))
            self.title.setModified(False)
            self._show_sheet()
            return
        self._name = name
        self.wanted.emit((SetSheet(msgspec.structs.replace(sheet, name=name)), DropSheets((sheet.name,))))

    def _frame_chosen(self, index: int) -> None:
        frame = self.frame.itemData(index)
        if frame:
            self._set(frame=frame)
        else:
            self.frame_wanted.emit()
            self._show_sheet()

    def set_frame(self, path: Path) -> None:
        """The frame is that of a file."""
        try:
            template_fields(str(path))
        except DeliverError as error:
            self.refused.emit(str(error))
            return
        self._set(frame=str(path))

    def _field_typed(self, name: str, line: QLineEdit) -> None:
        sheet = self.sheet
        if sheet is None or not line.isModified():
            return
        line.setModified(False)
        given = dict(sheet.fields)
        given[name] = line.text().strip()
        self._set(fields=tuple((k, v) for k, v in given.items() if v))

    def _add_view(self) -> None:
        sheet, shows = self.sheet, self.kind.currentData()
        if sheet is None or shows is None:
            return
        if shows == DETAIL:
            self.detail_wanted.emit()
        elif shows == PART:
            self.part_wanted.emit()
        else:
            self._set(views=(*sheet.views, SheetView(shows, hidden=shows in AXES)))

    def add_detail(self, laid: Sequence[Laid], begin: Point, end: Point) -> None:
        """What lies in a circle round a place on the sheet becomes a view of its own; `end` lies on the circle."""
        sheet, one = self.sheet, view_under(laid, begin)
        if sheet is None:
            return
        if one is None or one.view.shows.startswith("detail:"):
            self.refused.emit(tr("Drag from a place in a view; a detail has no details of its own."))
            return
        back = one.onto_paper.inverse()
        at, radius = back.point(begin), begin.distance_to(end) / one.scale
        shows = f"detail:{one.view.shows}:{in_numbers(at.x, at.y, radius)}"
        larger = min((s for s in SCALES if s >= 2 * one.scale * _NEARLY), default=max(SCALES))
        view = SheetView(shows, scale=scale_text(larger), hidden=one.view.hidden)
        self._set(views=(*sheet.views, view))

    def take_part(self, laid: Sequence[Laid], begin: Point, end: Point) -> None:
        """Of the received drawing what lies in a box on the sheet becomes what is shown of it."""
        sheet, one = self.sheet, view_under(laid, begin)
        if sheet is None:
            return
        if one is None or one.view.shows.partition(":")[0] not in ("received", "window"):
            self.refused.emit(tr("Drag a box over the drawing as received; add that view first."))
            return
        back = one.onto_paper.inverse()
        a, b = back.point(begin), back.point(end)
        at = next(k for k, other in enumerate(laid) if other is one)
        self._change_view(at, shows=f"window:{in_numbers(a.x, a.y, b.x, b.y)}", measures=())

    def add_measure(self, number: int, measure: SheetDimension) -> None:
        """A dimension was drawn in a view."""
        sheet = self.sheet
        if sheet is not None and 0 <= number < len(sheet.views):
            self._change_view(number, measures=(*sheet.views[number].measures, measure))

    def _drop_measure(self, number: int, at: int) -> None:
        sheet = self.sheet
        if sheet is not None and 0 <= number < len(sheet.views):
            measures = sheet.views[number].measures
            self._change_view(number, measures=(*measures[:at], *measures[at + 1 :]))

    def _drop_view(self) -> None:
        sheet, at = self.sheet, self.view_number
        if sheet is not None and 0 <= at < len(sheet.views):
            self._set(views=(*sheet.views[:at], *sheet.views[at + 1 :]))

    def put_note(self, place: Point, about: Point | None) -> None:
        """The note that was typed stands at a place (mm), with a line to what it is about."""
        sheet, note = self.sheet, self.notes.note_at(place, about)
        if sheet is not None and note is not None:
            self._set(notes=(*sheet.notes, note))

    def _drop_note(self, at: int) -> None:
        sheet = self.sheet
        if sheet is not None and 0 <= at < len(sheet.notes):
            self._set(notes=(*sheet.notes[:at], *sheet.notes[at + 1 :]))

    def _lay_out(self) -> None:
        sheet = self.sheet
        if sheet is not None:
            self._set(views=tuple(msgspec.structs.replace(v, place=None) for v in sheet.views))

    def _set_view(self, **changes: object) -> None:
        self._change_view(self.view_number, **changes)

    def _change_view(self, at: int, **changes: object) -> None:
        sheet = self.sheet
        if sheet is not None and 0 <= at < len(sheet.views):
            view = msgspec.structs.replace(sheet.views[at], **changes)
            self._set(views=(*sheet.views[:at], view, *sheet.views[at + 1 :]))

    def _cut_typed(self) -> None:
        sheet, at = self.sheet, self.view_number
        shows = sheet.views[at].shows if sheet is not None and 0 <= at < len(sheet.views) else ""
        kind = shows.partition(":")[0]
        if kind not in NUMBERED or not self.cut_at.isModified():
            return
        self.cut_at.setModified(False)
        typed = self.cut_at.text().strip()
        text = typed.replace(",", ".") if kind == "section" else typed.replace(" ", "")
        self._set_view(shows=f"{shows.rpartition(':')[0]}:{text}")

    def _set_view_scale(self) -> None:
        text = self.view_scale.currentText().strip()
        self._set_view(scale="" if text == "of the sheet" else text)


#: Fields that the job fills in by itself.
_KNOWN = frozenset(("title", "scale", "paper", "unit", "sheet", "mass", "material"))
