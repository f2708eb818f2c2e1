"""The strip under the drawing while a tool is at work: what to click next, and what can be typed instead."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QLineEdit

from syntaxa.app.features.draw_tools import DrawTool
from syntaxa.app.widgets.labels import ElidedLabel, button, label
from syntaxa.app.words import tr


class DrawStrip(QFrame):
    """Hidden until a tool is taken up."""

    closed = pyqtSignal()
    point_typed = pyqtSignal(str)
    value_entered = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("strip")
        self.setAccessibleName(tr("Drawing tool"))
        self._title = label("", "heading")
        self._says = ElidedLabel("dim")
        self.point = QLineEdit()
        self.point.setAccessibleName(tr("Point"))
        self.point.setPlaceholderText(tr("x, y   or   @dx, dy   or   length < angle"))
        self.point.setMinimumWidth(200)
        self.point.setMaximumWidth(310)
        self.point.returnPressed.connect(self._send_point)
        self._value_name = label("", "dim")
        self.value = QLineEdit()
        self.value.setMaximumWidth(90)
        self.value.setAccessibleName(tr("Value"))
        self.value.returnPressed.connect(self.value_entered)
        self._value_name.setBuddy(self.value)
        self.do = button(tr("Do it"), tr("Do it with the typed value"), primary=True)
        self.do.clicked.connect(self.value_entered)
        end = button(tr("End"), tr("End the tool"))
        end.clicked.connect(self.closed)
        row = QHBoxLayout(self)
        row.setContentsMargins(12, 6, 8, 6)
        row.addWidget(self._title)
        row.addWidget(self._says, 1)
        row.addWidget(self.point, 2)
        for widget in (self._value_name, self.value, self.do, end):
            row.addWidget(widget)
        self.hide()

    def take_up(self, tool: DrawTool) -> None:
        """Shows a tool."""
        self._title.setText(tool.title)
        self.value.setAccessibleName(tool.value or tr("Value"))
        self._value_name.setText(tool.value)
        self.value.setText(tool.plain)
        for widget in (self._value_name, self.value):
            widget.setVisible(bool(tool.value))
        self.do.setVisible(bool(tool.value))
        self.point.setVisible(bool(tool.prompts))
        self.show()

    def ask(self, prompt: str) -> None:
        """Shows what is wanted next."""
        self._says.setText(prompt)
        self.point.clear()

    def _send_point(self) -> None:
        self.point_typed.emit(self.point.text())
