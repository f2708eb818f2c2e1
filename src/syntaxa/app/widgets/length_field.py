"""A field for a length or a plain number; what makes no sense is marked and not passed on."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLineEdit, QWidget

from syntaxa.app.theme.style import figure_font


class NumberField(QLineEdit):
    """Tells a number when Return is pressed or the field is left, if it changed and lies within its range."""

    entered = pyqtSignal(float)

    def __init__(
        self, name: str, least: float = -math.inf, most: float = math.inf, parent: QWidget | None = None
    ) -> None:
        super().__init__(parent)
        self.setAccessibleName(name)
        self.setFont(figure_font())
        self._least, self._most = least, most
        self._value = math.nan
        self.editingFinished.connect(self._finish)
        self.textEdited.connect(lambda _text: self._mark(False))

    def show_value(self, value: float, text: str = "") -> None:
        """Shows a value without telling it."""
        self._value = value
        self._mark(False)
        if not self.hasFocus() or not self.isModified():
            self.setText(text or f"{value:.9g}")

    def number(self) -> float | None:
        """The number in the field, or None where there is no sensible one."""
        try:
            value = float(self.text().strip().replace(",", "."))
        except ValueError:
            return None
        return value if math.isfinite(value) and self._least < value < self._most else None

    def _finish(self) -> None:
        if not self.isModified():
            return
        value = self.number()
        if value is None:
            self._mark(True)
            return
        self.setModified(False)
        if value != self._value:
            self._value = value
            self.entered.emit(value)

    def _mark(self, wrong: bool) -> None:
        if bool(self.property("wrong")) == wrong:
            return
        self.setProperty("wrong", wrong)
        self.setToolTip("This is not a number that fits here." if wrong else "")
        style = self.style()
        if style is not None:
            style.unpolish(self)
            style.polish(self)
