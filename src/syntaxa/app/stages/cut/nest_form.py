"""Laying parts and copies of them on sheets: size, copies, gap, turning; and what is lost."""

from __future__ import annotations

from typing import get_args

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.words import counted, tr
from syntaxa.cut.model import Turning
from syntaxa.cut.part import Planned
from syntaxa.cut.sheets import NestParts

_TURNS: dict[Turning, str] = {
    "none": tr("never"),
    "half": tr("by half a turn: the grain stays"),
    "quarters": tr("by quarters"),
    "eighths": tr("by eighths"),
}


class NestForm(QWidget):
    """The fields, and the button."""

    wanted = pyqtSignal(object)
    refused = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        self.across, self.along, self.copies, self.gap, self.edge = (
            _line(name, text)
            for name, text in (
                (tr("Width of a sheet in mm"), "1000"),
                (tr("Height of a sheet in mm"), "500"),
                (tr("Copies of every part"), "1"),
                (tr("Gap between parts in mm"), "5"),
                (tr("Margin of a sheet in mm"), "5"),
            )
        )
        self.turning = roomy(QComboBox())
        self.turning.setAccessibleName(tr("How parts may be turned"))
        for turning in get_args(Turning):
            self.turning.addItem(_TURNS[turning], turning)
        self.turning.setCurrentIndex(2)
        self.grid = QCheckBox(tr("In boxes, one beside the other"))
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        grid.addWidget(label(tr("Size, mm"), "dim"), 0, 0)
        grid.addLayout(row_of(self.across, label("x", "dim"), self.along), 0, 1)
        grid.addWidget(label(tr("Copies"), "dim"), 1, 0)
        grid.addLayout(
            row_of(self.copies, label(tr("apart"), "dim"), self.gap, label(tr("margin"), "dim"), self.edge), 1, 1
        )
        grid.addWidget(label(tr("Turned"), "dim"), 2, 0)
        grid.addWidget(self.turning, 2, 1)
        grid.setColumnStretch(1, 1)
        column.addLayout(grid)
        nest = button(tr("Nest"), tr("Lay all parts on sheets; each sheet becomes a sketch of its own"))
        nest.clicked.connect(self._nest)
        column.addLayout(row_of(self.grid, None, nest))
        self.says = label("", "dim", wrap=True)
        column.addWidget(self.says)

    def show_plan(self, plan: Planned) -> None:
        """How many sheets there are."""
        count = len(plan.sheets)
        self.says.setText(
            tr(
                "{0}, {1:.1%} waste. The outline of the stock says which one is cut.",
                counted(count, "sheet"),
                plan.wasted,
            )
            if count
            else ""
        )
        self.says.setVisible(bool(count))

    def _nest(self) -> None:
        values = [self._number(f) for f in (self.across, self.along, self.copies, self.gap, self.edge)]
        if any(v is None for v in values):
            return
        width, height, copies, gap, margin = (v or 0.0 for v in values)
        if copies != int(copies) or not copies or not width or not height:
            self.refused.emit(tr("A sheet has a size, and there is at least one copy of a part."))
            return
        turning: Turning = self.turning.currentData()
        step = NestParts(
            (width, height), int(copies), gap=gap, margin=margin, turning=turning,
            way="grid" if self.grid.isChecked() else "shape",
        )  # fmt: skip
        self.wanted.emit((step,))

    def _number(self, line: QLineEdit) -> float | None:
        text = line.text().strip().replace(",", ".")
        try:
            value = float(text)
        except ValueError:
            value = -1.0
        if not 0 <= value < 1e5:
            self.refused.emit(tr("{0}: “{1}” is no number that can be.", line.accessibleName(), text))
            return None
        return value


def _line(name: str, text: str) -> QLineEdit:
    made = QLineEdit(text)
    made.setAccessibleName(name)
    made.setFont(figure_font())
    return made
