"""A box drawn by a drag, handed to whoever asked for it."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF
from PyQt6.QtGui import QMouseEvent, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layers.hand import draw_band
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.canvas.tools.select import box_between
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.types import Box

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas

#: Pixels; a smaller box was not meant.
_LEAST = 5


class BoxTool(Tool):
    """The next drag draws the box (mm)."""

    def __init__(self, canvas: Canvas, goal: Callable[[Box], None]) -> None:
        super().__init__(canvas)
        self._goal = goal
        self._begin: QPointF | None = None

    def press(self, event: QMouseEvent) -> None:
        self._begin = event.position()

    def release(self, event: QMouseEvent) -> None:
        begin, self._begin = self._begin, None
        if begin is None or (event.position() - begin).manhattanLength() < _LEAST:
            return
        box = box_between(self.canvas.view, begin, event.position())
        self.canvas.put_down()
        self._goal(box)

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._begin is not None:
            draw_band(painter, self._begin, self.canvas.mouse, tokens)
