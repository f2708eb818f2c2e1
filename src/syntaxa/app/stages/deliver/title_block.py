"""What stands in the title block of a sheet: a line for each field that its frame has."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QFormLayout, QLineEdit, QWidget

from syntaxa.app.widgets.labels import label
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.frame import template_fields
from syntaxa.deliver.sheets.model import Sheet
from syntaxa.errors import DeliverError

#: Fields that the job fills in by itself.
_KNOWN = frozenset(("title", "scale", "paper", "unit", "sheet", "mass", "material"))


class TitleBlockPart(QWidget):
    """The lines; what is typed is told as the fields that the sheet has then."""

    changed = pyqtSignal(object)
    refused = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self.lines: dict[str, QLineEdit] = {}
        self._sheet = Sheet()
        self._block = QFormLayout(self)
        self._block.setContentsMargins(0, 0, 0, 0)
        self._block.setHorizontalSpacing(8)
        self._block.setVerticalSpacing(5)

    def show_sheet(self, sheet: Sheet) -> None:
        """The fields of a sheet."""
        self._sheet = sheet
        try:
            names = template_fields(sheet.frame)
        except DeliverError as error:
            names = []
            self.refused.emit(str(error))
        if list(self.lines) != names:
            while self._block.rowCount():
                self._block.removeRow(0)
            self.lines = {}
            for name in names:
                line = QLineEdit()
                line.setAccessibleName(tr("Title block: {0}", name))
                line.setPlaceholderText(tr("as the job says") if name in _KNOWN else "")
                line.editingFinished.connect(lambda name=name, line=line: self._typed(name, line))
                self._block.addRow(label(tr(name.capitalize()), "dim"), line)
                self.lines[name] = line
        given = dict(sheet.fields)
        for name, line in self.lines.items():
            if not (line.hasFocus() and line.isModified()):
                line.setText(given.get(name, ""))
                line.setModified(False)

    def _typed(self, name: str, line: QLineEdit) -> None:
        if not line.isModified():
            return
        line.setModified(False)
        given = dict(self._sheet.fields)
        given[name] = line.text().strip()
        self.changed.emit(tuple((k, v) for k, v in given.items() if v))
