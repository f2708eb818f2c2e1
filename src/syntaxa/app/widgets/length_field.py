"""Fields for numbers, angles and lengths; expressions and units can be typed, what makes no sense is marked."""

from __future__ import annotations

import math
from collections.abc import Callable

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLineEdit, QWidget

from syntaxa.app.theme.style import figure_font
from syntaxa.app.words import figures, tr
from syntaxa.drawing.quantities import degrees_in, factor_in, length_in, plain_number
from syntaxa.drawing.units import mm_per
from syntaxa.errors import MeasureError


class NumberField(QLineEdit):
    """Tells a number when Return is pressed or the field is left, if it changed and lies within its range."""

    entered = pyqtSignal(float)
    #: While typing: the number as it stands, or NaN.
    typing = pyqtSignal(float)

    def __init__(
        self, name: str, least: float = -math.inf, most: float = math.inf, parent: QWidget | None = None
    ) -> None:
        super().__init__(parent)
        self.setAccessibleName(name)
        self._tip = name
        self.setToolTip(name)
        self.setFont(figure_font())
        self.setMinimumWidth(56)
        self._least, self._most = least, most
        self._value = math.nan
        self._read: Callable[[str], float] = factor_in
        self._wrong = tr("This is not a number that fits here.")
        self.editingFinished.connect(self._finish)
        self.textEdited.connect(self._edited)

    def show_value(self, value: float, text: str = "") -> None:
        """Shows a value without telling it."""
        self._value = value
        self._mark(False)
        if not self.hasFocus() or not self.isModified():
            self.setText(figures(text or plain_number(value)))

    def show_nothing(self) -> None:
        """An empty field: no value is set."""
        self._value = math.nan
        self._mark(False)
        if not self.hasFocus() or not self.isModified():
            self.clear()

    def number(self) -> float | None:
        """The number in the field, or None where there is no sensible one."""
        try:
            value = self._read(self.text())
        except (MeasureError, ValueError, OverflowError):
            return None
        return value if math.isfinite(value) and self._least < value < self._most else None

    def _edited(self, _text: str) -> None:
        self._mark(False)
        value = self.number()
        self.typing.emit(math.nan if value is None else value)

    def _finish(self) -> None:
        if not self.isModified():
            return
        value = self.number()
        if value is None:
            self._mark(bool(self.text().strip()))
            return
        self.setModified(False)
        if value != self._value:
            self._value = value
            self.entered.emit(value)

    def _mark(self, wrong: bool) -> None:
        if bool(self.property("wrong")) == wrong:
            return
        self.setProperty("wrong", wrong)
        self.setToolTip(self._wrong if wrong else self._tip)
        style = self.style()
        if style is not None:
            style.unpolish(self)
            style.polish(self)


class LengthField(NumberField):
    """A length in mm; numbers without a unit are in the display unit, and any unit can be typed."""

    def __init__(self, name: str, least: float = -math.inf, most: float = math.inf) -> None:
        super().__init__(name, least, most)
        self._unit = "mm"
        self._read = lambda text: length_in(text, self._unit)
        self._wrong = tr("This is not a length that fits here.")
        self.setPlaceholderText("3/8in")
        self._tip = tr("{0}: a number, or with a unit: 12mm, 3/8in, 2' 8 1/2\"", name)
        self.setToolTip(self._tip)

    def show_in(self, unit: str) -> None:
        """Takes another display unit; the length stays."""
        self._unit = unit
        if not math.isnan(self._value):
            self.show_length(self._value)

    def show_length(self, mm: float) -> None:
        """Shows a length (mm) in the display unit without telling it."""
        self.show_value(mm, plain_number(mm / mm_per(self._unit)))


class AngleField(NumberField):
    """An angle in degrees, with or without their sign."""

    def __init__(self, name: str) -> None:
        super().__init__(name)
        self._read = degrees_in
