"""The views on a sheet: which there are, what one shows, at which scale and with what."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.stages.deliver.views_offered import (
    DETAIL,
    NUMBERED,
    OFFERED,
    PART,
    in_numbers,
    numbers_of,
    view_name,
    view_under,
)
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.looking import AXES
from syntaxa.deliver.sheets.model import BODY_VIEWS, Sheet, SheetDimension, SheetView
from syntaxa.deliver.sheets.papers import SCALES, scale_text
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    from syntaxa.deliver.sheets.laying import Laid

#: Pixels of height of the list.
_VIEWS = 132

#: By how much a scale may miss twice another.
_NEARLY = 1 - 1e-9


class ViewsPart(QWidget):
    """The list and the fields of the chosen view; what is done is told as the views that the sheet has then."""

    changed = pyqtSignal(dict)
    chosen = pyqtSignal()
    refused = pyqtSignal(str)
    #: A detail or a part is to be drawn on the sheet.
    detail_wanted = pyqtSignal()
    part_wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._sheet = Sheet()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        self.list = RowsView(
            tr("Views on the sheet"),
            (
                Column(tr("View"), lambda v: view_name(v), figure=False),
                Column(tr("Scale"), lambda v: v.scale or tr("of the sheet")),
                Column(tr("Place"), lambda v: tr("laid out") if v.place is None else f"{v.place[0]:g}, {v.place[1]:g}"),
            ),
        )
        self.list.setFixedHeight(_VIEWS)
        self.list.selection().selectionChanged.connect(lambda *_: self._selected())
        column.addWidget(self.list)
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
        self.view_scale.addItems((tr("of the sheet"), *OFFERED[1:]))
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
    def number(self) -> int:
        """The number of the chosen view, -1 for none."""
        return self.list.chosen_row()

    def show_kinds(self, kinds: Sequence[str]) -> None:
        """Which views can be added."""
        if [self.kind.itemData(k) for k in range(self.kind.count())] != [*kinds]:
            self.kind.clear()
            for shows in kinds:
                self.kind.addItem(view_name(SheetView(shows)), shows)

    def show_sheet(self, sheet: Sheet) -> None:
        """The views of a sheet."""
        self._sheet = sheet
        at = self.list.chosen_row()
        selection = self.list.selection()
        selection.blockSignals(True)
        self.list.model_.show_rows(sheet.views)
        if 0 <= at < len(sheet.views):
            self.list.selectRow(at)
        selection.blockSignals(False)
        self._show_view()

    def _show_view(self) -> None:
        at = self.number
        view = self._sheet.views[at] if 0 <= at < len(self._sheet.views) else None
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

    def _selected(self) -> None:
        self._show_view()
        self.chosen.emit()

    def choose(self, number: int) -> None:
        """A view was chosen on the sheet."""
        selection = self.list.selection()
        selection.blockSignals(True)
        if number >= 0:
            self.list.selectRow(number)
        else:
            self.list.clearSelection()
        selection.blockSignals(False)
        self._show_view()

    def place(self, number: int, place: tuple[float, float]) -> None:
        """A view was put somewhere on the sheet (mm)."""
        self.choose(number)
        self._set_view(place=place)

    # ------------------------------------------------------------------ doing

    def _changed(self, views: tuple[SheetView, ...]) -> None:
        self.changed.emit({"views": views})

    def change(self, at: int, **changes: object) -> None:
        """One view becomes another."""
        views = self._sheet.views
        if 0 <= at < len(views):
            self._changed((*views[:at], msgspec.structs.replace(views[at], **changes), *views[at + 1 :]))

    def _set_view(self, **changes: object) -> None:
        self.change(self.number, **changes)

    def _add_view(self) -> None:
        shows = self.kind.currentData()
        if shows == DETAIL:
            self.detail_wanted.emit()
        elif shows == PART:
            self.part_wanted.emit()
        elif shows is not None:
            self._changed((*self._sheet.views, SheetView(shows, hidden=shows in AXES)))

    def add_detail(self, laid: Sequence[Laid], begin: Point, end: Point) -> None:
        """What lies in a circle round a place on the sheet becomes a view of its own; `end` lies on the circle."""
        one = view_under(laid, begin)
        if one is None or one.view.shows.startswith("detail:"):
            self.refused.emit(tr("Drag from a place in a view; a detail has no details of its own."))
            return
        back = one.onto_paper.inverse()
        at, radius = back.point(begin), begin.distance_to(end) / one.scale
        shows = f"detail:{one.view.shows}:{in_numbers(at.x, at.y, radius)}"
        larger = min((s for s in SCALES if s >= 2 * one.scale * _NEARLY), default=max(SCALES))
        view = SheetView(shows, scale=scale_text(larger), hidden=one.view.hidden)
        self._changed((*self._sheet.views, view))

    def take_part(self, laid: Sequence[Laid], begin: Point, end: Point) -> None:
        """Of the received drawing what lies in a box on the sheet becomes what is shown of it."""
        one = view_under(laid, begin)
        if one is None or one.view.shows.partition(":")[0] not in ("received", "window"):
            self.refused.emit(tr("Drag a box over the drawing as received; add that view first."))
            return
        back = one.onto_paper.inverse()
        a, b = back.point(begin), back.point(end)
        at = next(k for k, other in enumerate(laid) if other is one)
        self.change(at, shows=f"window:{in_numbers(a.x, a.y, b.x, b.y)}", measures=())

    def add_measure(self, number: int, measure: SheetDimension) -> None:
        """A dimension was drawn in a view."""
        if 0 <= number < len(self._sheet.views):
            self.change(number, measures=(*self._sheet.views[number].measures, measure))

    def drop_measure(self, number: int, at: int) -> None:
        """A dimension is taken out of a view."""
        if 0 <= number < len(self._sheet.views):
            measures = self._sheet.views[number].measures
            self.change(number, measures=(*measures[:at], *measures[at + 1 :]))

    def _drop_view(self) -> None:
        views, at = self._sheet.views, self.number
        if 0 <= at < len(views):
            self._changed((*views[:at], *views[at + 1 :]))

    def _lay_out(self) -> None:
        self._changed(tuple(msgspec.structs.replace(v, place=None) for v in self._sheet.views))

    def _cut_typed(self) -> None:
        views, at = self._sheet.views, self.number
        shows = views[at].shows if 0 <= at < len(views) else ""
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
