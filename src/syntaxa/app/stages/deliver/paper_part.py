"""The paper of a sheet: its size and frame, the scale, how views lie, and which tables stand on it."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QLineEdit, QWidget

from syntaxa.app.stages.deliver.views_offered import OFFERED, scale_shown, scale_typed
from syntaxa.app.widgets.labels import label, roomy, row_of
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.model import Sheet
from syntaxa.deliver.sheets.papers import PAPERS

_LIES = ((tr("as usual"), "usual"), (tr("upright"), "upright"), (tr("across"), "across"))
_INKS = ((tr("in colour"), "colour"), (tr("in grey"), "grey"), (tr("in black"), "black"))
_METHODS = ((tr("first angle"), "first"), (tr("third angle"), "third"))


class PaperPart(QWidget):
    """The fields; what is chosen is told as changes of the sheet, by name."""

    changed = pyqtSignal(dict)
    renamed = pyqtSignal(str)
    frame_wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._sheet = Sheet()
        self.paper, self.scale = roomy(QComboBox()), roomy(QComboBox())
        for combo, texts, name in ((self.paper, PAPERS, tr("Paper")), (self.scale, OFFERED, tr("Scale of the sheet"))):
            combo.setEditable(True)
            combo.setInsertPolicy(QComboBox.InsertPolicy.NoInsert)
            combo.addItems(texts)
            combo.setAccessibleName(name)
        self.paper.setToolTip(tr("A paper, or width x height in mm"))
        self.paper.activated.connect(lambda _k: self._chosen(self.paper, "paper"))
        self.scale.activated.connect(lambda _k: self._chosen(self.scale, "scale"))
        for combo, key in ((self.paper, "paper"), (self.scale, "scale")):
            line = combo.lineEdit()
            assert line is not None, "it can be typed in"
            line.editingFinished.connect(lambda combo=combo, key=key: self._chosen(combo, key))
        self.lies, self.ink, self.method = roomy(QComboBox()), roomy(QComboBox()), roomy(QComboBox())
        for combo, rows, key, name in (
            (self.lies, _LIES, "lies", tr("How the paper lies")), (self.ink, _INKS, "ink", tr("Ink")),
            (self.method, _METHODS, "method", tr("How views of bodies lie")),
        ):  # fmt: skip
            for text, data in rows:
                combo.addItem(text, data)
            combo.setAccessibleName(name)
            combo.activated.connect(lambda k, combo=combo, key=key: self.changed.emit({key: combo.itemData(k)}))
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
            box.clicked.connect(lambda on, key=key: self.changed.emit({key: on}))
        self.title = QLineEdit()
        self.title.setAccessibleName(tr("Name of the sheet"))
        self.title.editingFinished.connect(lambda: self.renamed.emit(self.title.text().strip()))
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
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

    def show_sheet(self, sheet: Sheet) -> None:
        """The paper of a sheet."""
        self._sheet = sheet
        for line, text in ((self.title, sheet.name), (self.paper.lineEdit(), sheet.paper),
                           (self.scale.lineEdit(), scale_shown(sheet.scale))):  # fmt: skip
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

    def forget_typed(self) -> None:
        """What was typed was refused, and will be shown as the sheet has it."""
        for line in (self.title, self.paper.lineEdit(), self.scale.lineEdit()):
            if line is not None:
                line.setModified(False)

    def _chosen(self, combo: QComboBox, key: str) -> None:
        text = combo.currentText().strip()
        self.changed.emit({key: scale_typed(text) if key == "scale" else text})

    def _frame_chosen(self, index: int) -> None:
        frame = self.frame.itemData(index)
        if frame:
            self.changed.emit({"frame": frame})
        else:
            self.frame_wanted.emit()
            self.show_sheet(self._sheet)
