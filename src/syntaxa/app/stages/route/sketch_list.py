"""The sketches: their order, names and properties."""

from __future__ import annotations

import math

from PyQt6.QtCore import QModelIndex, QSize, Qt
from PyQt6.QtGui import QColor
from PyQt6.QtWidgets import (
    QCheckBox,
    QColorDialog,
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.theme.tokens import PAPER, Tokens, readable_on
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.widgets.length_field import AngleField, LengthField
from syntaxa.app.widgets.pens import line_types, show_weight, weights
from syntaxa.app.widgets.swatch import swatch
from syntaxa.app.words import tr
from syntaxa.drawing.state import PlaneView, Purpose, Sketch
from syntaxa.route.edits import DeleteSketch, DuplicateSketch, MergeSketches, OrderSketches, SetSketch

_PURPOSES: tuple[tuple[str, Purpose], ...] = (
    (tr("to be made"), "profile"),
    (tr("construction"), "construction"),
    (tr("reference"), "reference"),
)
_VIEWS: tuple[PlaneView, ...] = ("top", "front", "side")

#: What stands for each purpose in the list, so that it is not told by colour.
_SIGNS: dict[Purpose, str] = {"profile": "", "construction": "  (construction)", "reference": "  (reference)"}


class SketchList(QWidget):
    """The list, to be dragged into order, and the properties of the sketch that is chosen."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._lengths, self._tokens = LengthFormat("mm"), PAPER
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Sketches, in the order in which they go out"))
        self.list.setIconSize(QSize(14, 14))
        self.list.setDragDropMode(QListWidget.DragDropMode.InternalMove)
        self.list.setSelectionMode(QListWidget.SelectionMode.ExtendedSelection)
        self.list.setEditTriggers(QListWidget.EditTrigger.DoubleClicked | QListWidget.EditTrigger.EditKeyPressed)
        self.list.setToolTip(tr("Drag to reorder; double-click or F2 to rename; Ctrl chooses several."))
        self.list.itemChanged.connect(self._renamed)
        self.list.currentRowChanged.connect(lambda _row: self._show_details())
        model = self.list.model()
        if model is not None:
            model.rowsMoved.connect(self._moved)
        column.addWidget(self.list, 1)
        column.addLayout(self._buttons())
        self._details = QWidget()
        self._make_details(self._details)
        column.addWidget(self._details)

    # ------------------------------------------------------------------ making

    def _buttons(self) -> QHBoxLayout:
        row = QHBoxLayout()
        for text, name, run in (
            (tr("Up"), tr("Move the sketch up"), lambda: self.move_by(-1)),
            (tr("Down"), tr("Move the sketch down"), lambda: self.move_by(1)),
            (tr("Merge"), tr("Merge the chosen sketches into the first of them"), self.merge),
            (tr("Copy"), tr("Duplicate the sketch"), self.duplicate),
            (tr("Delete"), tr("Delete the sketch; its curves are put aside"), self.delete),
        ):
            made = button(text, name)
            made.setToolTip(name)
            made.clicked.connect(lambda _checked, do=run: do())
            row.addWidget(made)
        row.addStretch()
        return row

    def _make_details(self, page: QWidget) -> None:
        grid = QGridLayout(page)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(6)
        self._purpose = narrow(QComboBox())
        self._purpose.setAccessibleName(tr("What the sketch is for"))
        for text, purpose in _PURPOSES:
            self._purpose.addItem(text, purpose)
        self._purpose.activated.connect(lambda _i: self._set(purpose=self._purpose.currentData()))
        self._lock = QCheckBox(tr("Locked"))
        self._lock.setToolTip(tr("Nothing in a locked sketch is moved, mended or given away."))
        self._lock.clicked.connect(lambda on: self._set(locked=on))
        self._view = narrow(QComboBox())
        self._view.setAccessibleName(tr("Plane of the sketch"))
        for view in _VIEWS:
            self._view.addItem(tr(view), view)
        self._view.activated.connect(lambda _i: self._set(view=self._view.currentData()))
        self._offset, self._turn = (
            LengthField(tr("Offset of the plane")),
            AngleField(tr("Turn of the sketch in its plane")),
        )
        self._offset.entered.connect(lambda value: self._set(offset=value))
        self._turn.entered.connect(lambda value: self._set(turn_deg=value))
        self._notes = QLineEdit()
        self._notes.setAccessibleName(tr("Notes on the sketch"))
        self._notes.setPlaceholderText("")
        self._notes.editingFinished.connect(self._note_typed)
        self._colour = button(tr("Colour…"), tr("Colour of the sketch"))
        self._colour.clicked.connect(self.ask_colour)
        self._weight = QComboBox()
        weights(self._weight, tr("Line weight for output"), None)
        self._weight.activated.connect(lambda _i: self._set(pen_weight=self._weight.currentData()))
        self._dashes = QComboBox()
        line_types(self._dashes, tr("Line type for output"), "")
        self._dashes.activated.connect(lambda _i: self._set(pen_line_type=self._dashes.currentData()))
        self._layer = QLineEdit()
        self._layer.setAccessibleName(tr("Layer name for output"))
        self._layer.setPlaceholderText(tr("as sketch"))
        self._layer.editingFinished.connect(self._layer_typed)
        rows: tuple[tuple[str, QWidget, str, QWidget], ...] = (
            (tr("It is"), self._purpose, "", self._lock),
            (tr("Plane"), self._view, tr("offset"), self._offset),
            (tr("Turned"), self._turn, tr("notes"), self._notes),
            (tr("Weight"), self._weight, tr("line"), self._dashes),
            (tr("Layer"), self._layer, "", self._colour),
        )
        for k, (text, one, beside, other) in enumerate(rows):
            for at, words, widget in ((0, text, one), (2, beside, other)):
                title = label(words, "dim")
                title.setBuddy(widget)
                grid.addWidget(title, k, at)
                grid.addWidget(widget, k, at + 1)
        grid.setColumnStretch(1, 1)
        grid.setColumnStretch(3, 1)

    # ------------------------------------------------------------------ doing

    def _set(self, **values: object) -> None:
        sketch = self.chosen()
        if sketch is not None:
            self._session.do(SetSketch(sketch.name, **values))  # type: ignore[arg-type]

    def _renamed(self, item: QListWidgetItem) -> None:
        old, new = str(item.data(256)), item.text().split("  (")[0].strip()
        if new != old and any(s.name == new for s in self._sketches()):
            self._session.failed.emit(
                tr("There is a sketch “{0}” already; “{1}” keeps its name. Choose another name.", new, old)
            )
            self.refresh(self._lengths, self._tokens)
        elif new and new != old:
            self._session.do(SetSketch(old, name=new))
        else:
            self.refresh(self._lengths, self._tokens)

    def _moved(self, _parent: QModelIndex, _first: int, _last: int, _to: QModelIndex, _row: int) -> None:
        names = tuple(str(item.data(256)) for k in range(self.list.count()) if (item := self.list.item(k)) is not None)
        self._session.do(OrderSketches(names))

    def move_by(self, step: int) -> None:
        """Moves the chosen sketch up or down."""
        row, names = self.list.currentRow(), [s.name for s in self._sketches()]
        if 0 <= row < len(names) and 0 <= row + step < len(names):
            names[row], names[row + step] = names[row + step], names[row]
            self._session.do(OrderSketches(tuple(names)))
            self.list.setCurrentRow(row + step)

    def merge(self) -> None:
        """Merges the chosen sketches into the first of them."""
        names = self._chosen_names()
        if len(names) < 2:
            self._session.told.emit(tr("Choose two sketches or more to merge; Ctrl chooses several."))
        else:
            self._session.do(MergeSketches(names))

    def duplicate(self) -> None:
        """Makes a copy of the chosen sketch."""
        sketch = self.chosen()
        if sketch is not None:
            there = {s.name for s in self._sketches()}
            name = next(n for k in range(1, 10_000) if (n := tr("{0} copy {1}", sketch.name, k)) not in there)
            self._session.do(DuplicateSketch(sketch.name, name))

    def delete(self) -> None:
        """Deletes the chosen sketches; the curves can be brought back."""
        for name in self._chosen_names():
            self._session.do(DeleteSketch(name))

    def ask_colour(self) -> None:
        """Asks for another colour."""
        sketch = self.chosen()
        if sketch is None:
            return
        colour = QColorDialog.getColor(QColor(sketch.colour), self, tr("Colour of {0}", sketch.name))
        if colour.isValid():
            self._set(colour=colour.rgb() & 0xFFFFFF)

    def _note_typed(self) -> None:
        sketch = self.chosen()
        if sketch is not None and self._notes.text() != sketch.notes:
            self._set(notes=self._notes.text())

    def _layer_typed(self) -> None:
        sketch = self.chosen()
        if sketch is not None and self._layer.text().strip() != sketch.pen.layer:
            self._set(pen_layer=self._layer.text().strip())

    # ------------------------------------------------------------------ showing

    def chosen(self) -> Sketch | None:
        """The sketch that is chosen."""
        sketches, row = self._sketches(), self.list.currentRow()
        return sketches[row] if 0 <= row < len(sketches) else None

    def _chosen_names(self) -> tuple[str, ...]:
        rows = sorted(self.list.row(item) for item in self.list.selectedItems())
        sketches = self._sketches()
        return tuple(sketches[row].name for row in rows if row < len(sketches))

    def _sketches(self) -> tuple[Sketch, ...]:
        return self._session.state.sketches if self._session.state else ()

    def refresh(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Shows what the session holds now."""
        self._lengths, self._tokens = lengths, tokens
        row = self.list.currentRow()
        self.list.blockSignals(True)
        self.list.clear()
        for sketch in self._sketches():
            lock = "  (locked)" if sketch.locked else ""
            item = QListWidgetItem(f"{sketch.name}{_SIGNS[sketch.purpose]}{lock}")
            item.setData(256, sketch.name)
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsEditable)
            item.setIcon(swatch(readable_on(sketch.colour, tokens.canvas), sketch.purpose == "profile"))
            item.setToolTip(tr("{0} curves, {1} plane. {2}", len(sketch.curves), sketch.plane, sketch.notes).strip())
            self.list.addItem(item)
        self.list.setCurrentRow(min(max(row, 0), self.list.count() - 1))
        self.list.blockSignals(False)
        self._show_details()

    def _show_details(self) -> None:
        sketch = self.chosen()
        self._details.setEnabled(sketch is not None)
        if sketch is None:
            return
        self._purpose.setCurrentIndex(self._purpose.findData(sketch.purpose))
        self._lock.setChecked(sketch.locked)
        self._view.setCurrentIndex(self._view.findData(sketch.plane.view))
        self._offset.show_in(self._lengths.single)
        self._offset.show_length(sketch.plane.offset)
        self._turn.show_value(round(math.degrees(sketch.plane.turn), 9))
        self._notes.setText(sketch.notes)
        show_weight(self._weight, sketch.pen.weight)
        self._dashes.setCurrentIndex(max(self._dashes.findData(sketch.pen.line_type), 0))
        self._layer.setText(sketch.pen.layer)
        self._colour.setIcon(swatch(sketch.colour))
