"""What stands on a sheet besides its views: notes, and the dimensions that were drawn on it."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.widgets.labels import button, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.model import Note, Sheet, SheetDimension
from syntaxa.geometry.points import Point

#: Pixels of height of a list.
_LIST = 98


class NotesPart(QWidget):
    """The notes of a sheet; tells when one is to be put, and which is to be taken off."""

    put_wanted = pyqtSignal()
    drop_wanted = pyqtSignal(int)
    refused = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.list = RowsView(
            tr("Notes on the sheet"),
            (
                Column(tr("Note"), lambda n: n.text.replace("\n", " / "), figure=False),
                Column(tr("Place"), lambda n: f"{n.place[0]:.0f}, {n.place[1]:.0f}"),
            ),
        )
        self.list.setFixedHeight(_LIST)
        column.addWidget(self.list)
        self.text = QLineEdit()
        self.text.setAccessibleName(tr("Text of a note"))
        self.text.setPlaceholderText(tr("text of a note"))
        self.put, self.drop = (
            button(tr("Put…"), tr("The next click puts it on the sheet; a drag makes a line from what it is about")),
            button(tr("Remove"), tr("Take the chosen note off the sheet")),
        )
        self.put.clicked.connect(self._put)
        self.drop.clicked.connect(lambda: self.drop_wanted.emit(self.list.chosen_row()))
        column.addLayout(row_of(self.text, self.put, self.drop))

    def show_sheet(self, sheet: Sheet) -> None:
        """The notes of a sheet."""
        self.list.model_.show_rows(sheet.notes)

    def note_at(self, place: Point, about: Point | None) -> Note | None:
        """The note that was typed, at a place (mm), with a line to what it is about; the line is empty again."""
        text = self.text.text().strip()
        self.text.clear()
        at = round(place.x, 2), round(place.y, 2)
        points_at = None if about is None else (round(about.x, 2), round(about.y, 2))
        return Note(text.replace(" / ", "\n"), at, points_at) if text else None

    def _put(self) -> None:
        if self.text.text().strip():
            self.put_wanted.emit()
        else:
            self.refused.emit(tr("A note needs words."))


class DimensionsPart(QWidget):
    """The dimensions that were drawn on a sheet; tells when one is to be drawn, and which is to be taken off."""

    draw_wanted = pyqtSignal(bool)
    #: What the picks shall mean.
    meant = pyqtSignal(str)
    #: The number of a view, and of a dimension in it.
    drop_wanted = pyqtSignal(int, int)

    def __init__(self) -> None:
        super().__init__()
        self._rows: list[tuple[int, int, SheetDimension, str]] = []
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.list = RowsView(
            tr("Dimensions drawn on the sheet"),
            (
                Column(tr("Dimension"), lambda row: kind_name(row[2]), figure=False),
                Column(tr("View"), lambda row: row[3], figure=False),
            ),
        )
        self.list.setFixedHeight(_LIST)
        column.addWidget(self.list)
        self.draw = button(tr("Draw"), tr("Click what is to be measured on the sheet, then where the text goes"))
        self.draw.setCheckable(True)
        self.draw.clicked.connect(self.draw_wanted)
        self.meaning = roomy(QComboBox())
        self.meaning.setAccessibleName(tr("What the picks mean"))
        self.meaning.setToolTip(tr("What the picks mean; Space on the sheet takes the next"))
        self.meaning.activated.connect(lambda _k: self.meant.emit(self.meaning.currentData()))
        self.drop = button(tr("Remove"), tr("Take the chosen dimension off the sheet"))
        self.drop.clicked.connect(self._drop)
        column.addLayout(row_of(self.draw, self.meaning, self.drop))
        self.show_meanings(())

    def show_sheet(self, sheet: Sheet, names: Sequence[str]) -> None:
        """The dimensions of a sheet; names are those of its views."""
        self._rows = [(k, n, m, names[k]) for k, v in enumerate(sheet.views) for n, m in enumerate(v.measures)]
        self.list.model_.show_rows(self._rows)

    def show_meanings(self, meanings: Sequence[str]) -> None:
        """What the picks can mean, what they do first."""
        self.meaning.clear()
        for meaning in meanings:
            self.meaning.addItem(_NAMES.get(meaning) or tr(meaning), meaning)
        if not meanings:
            self.meaning.addItem(tr("nothing is picked") if self.draw.isChecked() else tr("as picked"), "")
        self.meaning.setEnabled(len(meanings) > 1)

    def show_drawing(self, on: bool) -> None:
        """Whether dimensions are being drawn."""
        self.draw.setChecked(on)
        self.show_meanings(())

    def _drop(self) -> None:
        at = self.list.chosen_row()
        if 0 <= at < len(self._rows):
            self.drop_wanted.emit(*self._rows[at][:2])


_NAMES = {"smallest": tr("smallest distance"), "offset": tr("distance"), "distance x": tr("distance across"),
          "distance y": tr("distance up")}  # fmt: skip


def kind_name(one: SheetDimension) -> str:
    """What a dimension is called in lists."""
    name = (_NAMES.get(one.kind) or tr(one.kind)).capitalize()
    return tr("{0} of {1} points", name, len(one.things)) if len(one.things) > 2 else name
