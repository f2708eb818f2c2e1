"""A lasso: all that lies inside a line drawn by hand is selected."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QMouseEvent, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layers.hand import draw_lasso
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.theme.tokens import Tokens

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas


class LassoTool(Tool):
    """The next drag draws it."""

    def __init__(self, canvas: Canvas) -> None:
        super().__init__(canvas)
        self._trail: list[QPointF] = []

    def press(self, event: QMouseEvent) -> None:
        self._trail = [event.position()]

    def move(self, at: QPointF) -> None:
        if self._trail:
            self._trail.append(at)

    def release(self, event: QMouseEvent) -> None:
        if not self._trail:
            return
        add = bool(event.modifiers() & Qt.KeyboardModifier.ControlModifier)
        trail = [self.canvas.view.to_mm(p.x(), p.y()) for p in self._trail]
        self.canvas.put_down()
        self.canvas.selection.choose_rows(self.canvas.selection.scene.inside_lasso(trail), add)

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._trail:
            draw_lasso(painter, self._trail, tokens)
