"""The sizes that a job is wanted in besides: a table from a file, one of them tried, all of them written."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.stages.define.lists import keep_chosen
from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.define.model import Variant
from syntaxa.define.part import Defined

#: Pixels of height of the list.
_HEIGHT = 98


class VariantsView(QWidget):
    """The list, and what can be done to it."""

    open_wanted = pyqtSignal()
    save_wanted = pyqtSignal()
    write_wanted = pyqtSignal()
    #: The variant whose values the job is to have.
    use_wanted = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self.table = RowsView(
            tr("Variants, and what they set"),
            (
                Column(tr("Variant"), lambda v: v.name, figure=False),
                Column(tr("Sets"), _settings_of, figure=False, tip=_settings_of),
            ),
        )
        self.table.setFixedHeight(_HEIGHT)
        opened = button(
            tr("Open a table…"), tr("Take the variants from a table (CSV): a row each, with its name first")
        )
        opened.clicked.connect(self.open_wanted)
        self.save = button(tr("Save…"), tr("Save the variants as a table (CSV)"))
        self.save.clicked.connect(self.save_wanted)
        self.use = button(tr("Use"), tr("Give the job the values of the chosen variant"))
        self.use.clicked.connect(self._use)
        self.write = button(tr("Write all…"), tr("Write the profiles of every variant to a folder"))
        self.write.clicked.connect(self.write_wanted)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("Variants"), "heading"))
        column.addWidget(self.table)
        column.addLayout(row_of(opened, self.save, self.use, self.write))
        self.table.selection().selectionChanged.connect(lambda *_: self._enable())
        self._enable()

    def show_part(self, part: Defined) -> None:
        """Shows what there is."""
        keep_chosen(self.table, part.variants, lambda v: v.name)
        self._enable()

    def _one(self) -> Variant | None:
        at, rows = self.table.chosen_row(), self.table.model_.rows
        found: Variant | None = rows[at] if 0 <= at < len(rows) else None
        return found

    def _enable(self) -> None:
        some = bool(self.table.model_.rows)
        self.save.setEnabled(some)
        self.write.setEnabled(some)
        self.use.setEnabled(self._one() is not None)

    def _use(self) -> None:
        one = self._one()
        if one is not None:
            self.use_wanted.emit(one)


def _settings_of(one: Variant) -> str:
    return ", ".join(f"{name} = {text}" for name, text in one.settings)
