"""Selecting: a click takes a curve, a drag all that lies in a window, or touches it where it is drawn to the left.

A drag that begins on what can be dragged leads that.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QMouseEvent, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Grip
from syntaxa.app.canvas.layers.hand import draw_band
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.theme.tokens import Tokens

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas

#: Pixels within which a curve is hit, and that a press must move to be a drag.
_REACH, _DRAG = 6.0, 5


class SelectTool(Tool):
    """What is in hand where nothing else is; with Alt a drag draws a lasso."""

    waits = False
    cursor = Qt.CursorShape.ArrowCursor

    def __init__(self, canvas: Canvas) -> None:
        super().__init__(canvas)
        self._begin: QPointF | None = None
        #: What was taken hold of, and whether it has been led anywhere.
        self._grip: Grip | None = None
        self._led = False

    @property
    def hovers(self) -> bool:  # type: ignore[override]
        """Nothing lights up while a window is drawn."""
        return self._begin is None

    def press(self, event: QMouseEvent) -> None:
        if event.modifiers() & Qt.KeyboardModifier.AltModifier:
            from syntaxa.app.canvas.tools.lasso import LassoTool

            lasso = LassoTool(self.canvas)
            self.canvas.take(lasso)
            lasso.press(event)
        else:
            self._begin, self._led = event.position(), False
            x, y = self.canvas.view.to_mm(event.position().x(), event.position().y())
            reach = _REACH / self.canvas.view.scale
            grips = (layer.grab(x, y, reach) for layer in reversed(self.canvas.layers))
            self._grip = next((g for g in grips if g is not None), None)

    def move(self, at: QPointF) -> None:
        if self._grip is None or self._begin is None:
            return
        self._led = self._led or (at - self._begin).manhattanLength() >= _DRAG
        if self._led:
            self._grip.move(*self.canvas.view.to_mm(at.x(), at.y()), _REACH / self.canvas.view.scale)

    def release(self, event: QMouseEvent) -> None:
        begin, self._begin = self._begin, None
        grip, self._grip = self._grip, None
        if begin is None:
            return
        if grip is not None and self._led:
            grip.drop()
            return
        add = bool(event.modifiers() & Qt.KeyboardModifier.ControlModifier)
        if (event.position() - begin).manhattanLength() < _DRAG:
            self._click(event.position(), add)
        else:
            box = box_between(self.canvas.view, begin, event.position())
            found = self.canvas.selection.scene.within(box, touching=event.position().x() < begin.x())
            self.canvas.selection.choose_rows(found, add)

    def _click(self, at: QPointF, add: bool) -> None:
        x, y = self.canvas.view.to_mm(at.x(), at.y())
        reach = _REACH / self.canvas.view.scale
        selection = self.canvas.selection
        # What lies over the curves is hit before them, what lies under them after.
        layers = self.canvas.layers
        own = layers.index(self.canvas.scene_layer)
        for layer in reversed(layers[own:]):
            if (act := layer.hit(x, y, reach)) is not None:
                act()
                return
        hit = selection.nearest(x, y, reach)
        if hit < 0:
            for layer in reversed(layers[:own]):
                if (act := layer.hit(x, y, reach)) is not None:
                    act()
                    return
        selection.choose_rows([hit] if hit >= 0 else [], add)

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._begin is not None and self._grip is None:
            draw_band(painter, self._begin, self.canvas.mouse, tokens)

    def label(self) -> str:
        return self._grip.says if self._grip is not None and self._led else ""

    def given_up(self) -> None:
        grip, self._grip, self._begin = self._grip, None, None
        if grip is not None:
            grip.leave()


def box_between(view: Camera, one: QPointF, other: QPointF) -> tuple[float, float, float, float]:
    """The box (mm) between two pixels."""
    x, y = view.to_mm(min(one.x(), other.x()), max(one.y(), other.y()))
    u, v = view.to_mm(max(one.x(), other.x()), min(one.y(), other.y()))
    return x, y, u, v
