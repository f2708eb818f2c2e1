"""How a role goes out: colour, weight, line type and layer."""

from __future__ import annotations

from PyQt6.QtGui import QColor
from PyQt6.QtWidgets import QColorDialog, QComboBox, QDialog, QDialogButtonBox, QGridLayout, QLineEdit, QWidget

from syntaxa.app.widgets.labels import button, label
from syntaxa.app.widgets.pens import line_types, weights
from syntaxa.app.widgets.swatch import swatch
from syntaxa.app.words import tr
from syntaxa.drawing.state import Pen
from syntaxa.route.edits import SetRolePen


class RoleStyle(QDialog):
    """Shows the pen of a role and gives the step that changes it."""

    def __init__(self, parent: QWidget, role: str, pen: Pen) -> None:
        super().__init__(parent)
        self.setWindowTitle(tr("How “{0}” goes out", role))
        self._role, self._colour = role, pen.colour
        self.weight, self.line_type = QComboBox(), QComboBox()
        weights(self.weight, tr("Line weight of the role"), pen.weight)
        line_types(self.line_type, tr("Line type of the role"), pen.line_type)
        self.layer = QLineEdit(pen.layer)
        self.layer.setAccessibleName(tr("Layer of the role"))
        self.layer.setPlaceholderText(tr("sketch and role"))
        self._pick = button(tr("Colour…"), tr("Colour of the role"))
        self._pick.clicked.connect(self._ask_colour)
        self._show_colour()
        grid = QGridLayout(self)
        grid.setContentsMargins(18, 16, 18, 16)
        parts: tuple[tuple[str, QWidget], ...] = (
            (tr("Colour"), self._pick),
            (tr("Weight"), self.weight),
            (tr("Line type"), self.line_type),
            (tr("Layer"), self.layer),
        )
        for k, (text, widget) in enumerate(parts):
            name = label(text, "dim")
            name.setBuddy(widget)
            grid.addWidget(name, k, 0)
            grid.addWidget(widget, k, 1)
        choices = QDialogButtonBox(QDialogButtonBox.StandardButton.Ok | QDialogButtonBox.StandardButton.Cancel)
        choices.accepted.connect(self.accept)
        choices.rejected.connect(self.reject)
        grid.addWidget(choices, len(parts), 0, 1, 2)

    def step(self) -> SetRolePen:
        """The step that gives the role what is chosen."""
        return SetRolePen(
            self._role,
            -1 if self._colour is None else self._colour,
            float(self.weight.currentData() or 0.0),
            str(self.line_type.currentData()),
            self.layer.text().strip(),
        )

    def _ask_colour(self) -> None:
        colour = QColorDialog.getColor(QColor(self._colour or 0), self, tr("Colour of “{0}”", self._role))
        if colour.isValid():
            self._colour = colour.rgb() & 0xFFFFFF
            self._show_colour()

    def _show_colour(self) -> None:
        self._pick.setText(tr("As the sketch…") if self._colour is None else f"#{self._colour:06x}")
        self._pick.setIcon(swatch(self._colour or 0, self._colour is not None))
