"""The field in which a value is typed, or stepped by arrows and wheel."""

from __future__ import annotations

import math

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QWheelEvent
from PyQt6.QtWidgets import QLineEdit

from syntaxa.app.theme.style import figure_font
from syntaxa.app.words import tr
from syntaxa.drawing.quantities import plain_number

#: mm or degrees that a step is; with Ctrl ten times as much, with Shift a tenth.
_STEP = 1.0

_KEYS = {Qt.Key.Key_Up: 1, Qt.Key.Key_Down: -1}


class ValueField(QLineEdit):
    """Takes a number or a formula. Up, Down and the wheel step what it comes to."""

    #: What stands in it changed, by typing or stepping.
    tried = pyqtSignal(str)

    def __init__(self, name: str) -> None:
        super().__init__()
        self.setAccessibleName(name)
        self.setToolTip(tr("150, 6in, d1/2 - 3mm. Up, Down or the wheel step it: Ctrl by ten, Shift by a tenth."))
        self.setPlaceholderText(tr("150, 6in, d1/2 - 3mm"))
        self.setFont(figure_font())
        #: What it comes to now (mm or degrees), and what is written behind a number that was stepped.
        self.now, self.unit = math.nan, ""
        self.textEdited.connect(self.tried)

    def show_value(self, text: str, now: float, unit: str) -> None:
        """Shows an expression and what it comes to, unless somebody is typing."""
        self.now, self.unit = now, unit
        if not (self.hasFocus() and self.isModified()):
            self.setText(text)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and Qt.Key(event.key()) in _KEYS:
            self._step(_KEYS[Qt.Key(event.key())], event.modifiers())
            event.accept()
        else:
            super().keyPressEvent(event)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        if event is None:
            return
        if self.hasFocus() and event.angleDelta().y():
            self._step(1 if event.angleDelta().y() > 0 else -1, event.modifiers())
            event.accept()
        else:
            event.ignore()

    def _step(self, by: int, held: Qt.KeyboardModifier) -> None:
        if math.isnan(self.now):
            return
        size = _STEP
        if held & Qt.KeyboardModifier.ControlModifier:
            size *= 10
        elif held & Qt.KeyboardModifier.ShiftModifier:
            size /= 10
        self.now = round(self.now / size) * size + by * size if self.isModified() else self.now + by * size
        self.setText(f"{plain_number(self.now, 12)}{self.unit}")
        self.setModified(True)
        self.tried.emit(self.text())
