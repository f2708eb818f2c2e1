"""The rail: the stages in the order of the work, each with what is still open in it."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QFont, QPainter, QPaintEvent
from PyQt6.QtWidgets import QButtonGroup, QFrame, QToolButton, QVBoxLayout

from syntaxa.app.shell.stage import Stage
from syntaxa.app.theme.icons import icon
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.words import tr


class _StageButton(QToolButton):
    """A stage with a count in its corner."""

    def __init__(self, stage: Stage, number: int) -> None:
        super().__init__()
        self.stage = stage
        self.tokens: Tokens = PAPER
        self._count = 0
        self._name = stage.title
        self.setText(stage.title)
        self.setToolButtonStyle(Qt.ToolButtonStyle.ToolButtonTextUnderIcon)
        self.setIconSize(QSize(24, 24))
        self.setCheckable(True)
        self.setFixedSize(76, 64)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setToolTip(f"{stage.title} ({number}): {stage.purpose}")
        self.setAccessibleName(self._name)

    def show_count(self, count: int) -> None:
        """Shows how many matters are open."""
        if count == self._count:
            return
        self._count = count
        self.setAccessibleName(tr("{0}, {1} open", self._name, count) if count else self._name)
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        if not self._count:
            return
        text = str(self._count) if self._count < 1000 else "999+"
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        font = QFont(self.font())
        font.setPixelSize(11)
        font.setWeight(QFont.Weight.DemiBold)
        painter.setFont(font)
        width = max(18, painter.fontMetrics().horizontalAdvance(text) + 9)
        frame = QRectF(self.width() - width - 4, 4, width, 17)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor(self.tokens.persimmon))
        painter.drawRoundedRect(frame, 8, 8)
        painter.setPen(QColor(self.tokens.on_persimmon))
        painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, text)
        painter.end()


class Rail(QFrame):
    """A click or a number key goes to a stage at any time."""

    chosen = pyqtSignal(int)

    def __init__(self, stages: Sequence[Stage]) -> None:
        super().__init__()
        self.setObjectName("rail")
        self.setAccessibleName(tr("Stages"))
        self.setFixedWidth(90)
        column = QVBoxLayout(self)
        column.setContentsMargins(7, 10, 7, 10)
        column.setSpacing(5)
        self._group = QButtonGroup(self)
        self.buttons = [_StageButton(stage, k + 1) for k, stage in enumerate(stages)]
        for k, made in enumerate(self.buttons):
            self._group.addButton(made, k)
            column.addWidget(made)
        column.addStretch()
        self._group.idClicked.connect(self.chosen)

    def choose(self, index: int) -> None:
        """Marks a stage."""
        self.buttons[index].setChecked(True)

    def dress(self, tokens: Tokens) -> None:
        """Puts on a look."""
        for made in self.buttons:
            made.tokens = tokens
            made.setIcon(icon(made.stage.icon, tokens, tokens.dim, tokens.on_accent))

    def refresh(self) -> None:
        """Counts anew."""
        for made in self.buttons:
            made.show_count(made.stage.open_matters())
