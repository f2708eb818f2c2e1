"""Parameters of the user's own: what each is, what that comes to, and a line to give one."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.stages.define.lists import keep_chosen
from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.define.model import Parameter
from syntaxa.define.part import Defined
from syntaxa.define.steps import SetParameter
from syntaxa.define.values import quantities_of
from syntaxa.drawing.quantities import plain_number
from syntaxa.errors import DefineError

#: Pixels of height of the list.
_HEIGHT = 98


class ParametersView(QWidget):
    """The list, and what can be done to it."""

    #: A step that is wanted, and a sentence about what was typed.
    wanted = pyqtSignal(object)
    told = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._part, self._measured = Defined(), dict[str, float]()
        self._lengths = LengthFormat("mm")
        self.table = RowsView(
            tr("Parameters of your own"),
            (
                Column(tr("Name"), lambda p: p.name, figure=False),
                Column(tr("Is"), lambda p: p.expression, figure=False, tip=lambda p: p.note),
                Column(tr("Value"), self._worth_of),
                Column(tr("Note"), lambda p: p.note, figure=False, tip=lambda p: p.note),
            ),
        )
        self.table.setFixedHeight(_HEIGHT)
        self.formula = QLineEdit()
        self.formula.setAccessibleName(tr("A parameter and what it is"))
        self.formula.setPlaceholderText(tr("width = 4in + 2mm"))
        self.formula.setFont(figure_font())
        self.formula.returnPressed.connect(self.give)
        self.note = QLineEdit()
        self.note.setAccessibleName(tr("A note on the parameter"))
        self.note.setPlaceholderText(tr("a note"))
        self.note.returnPressed.connect(self.give)
        give, drop = (
            button(tr("Set"), tr("Give this parameter its value")),
            button(tr("Drop"), tr("Take the chosen parameter away")),
        )
        give.clicked.connect(self.give)
        drop.clicked.connect(self.drop)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("Parameters"), "heading"))
        column.addWidget(self.table)
        column.addLayout(row_of(self.formula, self.note))
        column.addLayout(row_of(give, drop, None))
        self.table.selection().selectionChanged.connect(lambda *_: self._chosen())

    def show_parts(self, part: Defined, measured: dict[str, float], lengths: LengthFormat) -> None:
        """Shows what there is."""
        self._part, self._measured, self._lengths = part, measured, lengths
        keep_chosen(self.table, part.parameters, lambda p: p.name)

    def give(self) -> None:
        """The parameter that was typed becomes what stands behind its name."""
        name, sign, expression = (part.strip() for part in self.formula.text().partition("="))
        if sign and name and expression:
            self.wanted.emit(SetParameter(name, expression, self.note.text().strip()))
        else:
            self.told.emit(tr("Type a name and what it is, such as width = 4in."))

    def drop(self) -> None:
        """The chosen parameter goes."""
        at = self.table.chosen_row()
        if 0 <= at < len(self._part.parameters):
            self.formula.clear()
            self.note.clear()
            self.wanted.emit(SetParameter(self._part.parameters[at].name, ""))

    def _chosen(self) -> None:
        at = self.table.chosen_row()
        if 0 <= at < len(self._part.parameters):
            one = self._part.parameters[at]
            self.formula.setText(f"{one.name} = {one.expression}")
            self.note.setText(one.note)

    def _worth_of(self, one: Parameter) -> str:
        try:
            worth = quantities_of(self._part, self._measured)[one.name]
        except DefineError:
            return "–"
        if worth.angle:
            return f"{math.degrees(worth.size):.4g}°"
        return self._lengths.text(worth.size) if worth.length == 1 else plain_number(worth.size, 6)
