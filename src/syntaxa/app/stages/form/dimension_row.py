"""The value of a dimension that was clicked on the solid: typed there, the sketch follows, and the solid with it."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.widgets.value_field import ValueField
from syntaxa.app.words import tr
from syntaxa.define.stating import shown
from syntaxa.define.steps import SetDimension
from syntaxa.form.annotating import OnSolid


class DimensionRow(QWidget):
    """Shown while a dimension is chosen."""

    wanted = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self._one: OnSolid | None = None
        self.name = label("", "heading")
        self.value = ValueField(tr("Value of the chosen dimension"))
        self.set = button(tr("Set"), tr("Give the dimension this value"), primary=True)
        self.other = button(tr("Other end"), tr("Let the other end stay when it changes"))
        self.other.setCheckable(True)
        self.value.returnPressed.connect(self._set)
        self.set.clicked.connect(self._set)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(self.name)
        column.addLayout(row_of(self.value, self.other, self.set))
        self.hide()

    def show_dimension(self, one: OnSolid | None, focus: bool) -> None:
        """The dimension that is chosen; None for none."""
        self._one = one
        self.setVisible(one is not None)
        if one is None:
            return
        measure = one.measure
        self.name.setText(tr("{0}: {1} in {2}", measure.name, measure.kind, measure.sketch))
        now = math.degrees(one.value) if measure.is_angle else one.value
        text = measure.expression or shown(one.value, is_angle=measure.is_angle)
        self.value.show_value(text, now, "deg" if measure.is_angle else "")
        self.other.setEnabled(bool(measure.sides))
        if focus:
            self.value.setFocus()
            self.value.selectAll()

    def _set(self) -> None:
        one, text = self._one, self.value.text().strip()
        if one is None or not text or text == one.measure.expression:
            return
        self.value.setModified(False)
        side = int(self.other.isChecked())
        stays = one.measure.sides[side : side + 1] if side else ()
        self.wanted.emit(SetDimension(one.measure.name, text, stays=stays))
