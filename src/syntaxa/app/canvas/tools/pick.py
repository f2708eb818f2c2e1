"""Picking a point: a click that snaps to what is near, named beside the cursor."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QMouseEvent, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.snapping import Snap, draw_snap, snapped
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas

#: Pixels within which a place is snapped to.
_SNAP = 12.0


class PickTool(Tool):
    """The next click picks a point; with Alt just where it is.

    says   beside the cursor; goal gets the point (mm)
    base   the point that was picked before: places square to it count as well
    snaps  whether it snaps at all
    """

    def __init__(
        self, canvas: Canvas, says: str, goal: Callable[[float, float], None], base: Point | None = None,
        snaps: bool = True,
    ) -> None:  # fmt: skip
        super().__init__(canvas)
        self._says, self._goal, self._base, self._snaps = says, goal, base, snaps

    def press(self, event: QMouseEvent) -> None:
        snap = self._snapped(event.position(), bool(event.modifiers() & Qt.KeyboardModifier.AltModifier))
        self.canvas.put_down()
        self._goal(snap.x, snap.y)

    def _snapped(self, at: QPointF, free: bool = False) -> Snap:
        x, y = self.canvas.view.to_mm(at.x(), at.y())
        if free or not self._snaps:
            return Snap(x, y)
        selection = self.canvas.selection
        return snapped(selection.scene, x, y, _SNAP / self.canvas.view.scale, selection.shown, self._base)

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        snap = self._snapped(self.canvas.mouse)
        painter.setPen(QPen(QColor(tokens.persimmon), 1.6))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        draw_snap(painter, QPointF(*view.to_pixels(snap.x, snap.y)), snap.kind)

    def label(self) -> str:
        snap = self._snapped(self.canvas.mouse)
        where = f" ({snap.kind})" if snap.kind else ""
        text = self.canvas.format.text
        return f"{self._says}{where}: {text(snap.x)}, {text(snap.y)}"
