"""What the hand draws: windows, a lasso, a measured way, a box that is taken, and one that a typed size would give."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen, QPolygonF, QRegion

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Box


def draw_lasso(painter: QPainter, trail: Sequence[QPointF], tokens: Tokens) -> None:
    """The trail of the cursor, closed by a dashed line."""
    if len(trail) < 2:
        return
    fill = QColor(tokens.accent)
    fill.setAlphaF(0.08)
    painter.setPen(QPen(QColor(tokens.accent), 1.2, Qt.PenStyle.DashLine))
    painter.setBrush(fill)
    painter.drawPolygon(QPolygonF(list(trail)))


def draw_way(painter: QPainter, points: Sequence[Point], view: Camera, tokens: Tokens) -> None:
    """Measured legs with a knot at each point."""
    pixels = [QPointF(*view.to_pixels(p.x, p.y)) for p in points]
    painter.setPen(QPen(QColor(tokens.persimmon), 1.6))
    painter.setBrush(QColor(tokens.canvas))
    if len(pixels) > 1:
        painter.drawPolyline(QPolygonF(pixels))
    for p in pixels:
        painter.drawEllipse(p, 3.5, 3.5)


def draw_ghost(painter: QPainter, box: Box, view: Camera, tokens: Tokens) -> None:
    """The box (mm) that a typed size would give."""
    left, top = view.to_pixels(box[0], box[3])
    right, bottom = view.to_pixels(box[2], box[1])
    painter.setPen(QPen(QColor(tokens.persimmon), 1.4, Qt.PenStyle.DashLine))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawRect(QRectF(left, top, right - left, bottom - top))


def draw_crop(painter: QPainter, window: QRectF, crop: Box, view: Camera, tokens: Tokens) -> None:
    """A box (mm) that is taken, the rest of the window shaded."""
    left, top = view.to_pixels(crop[0], crop[3])
    right, bottom = view.to_pixels(crop[2], crop[1])
    frame = QRectF(left, top, right - left, bottom - top)
    shade = QColor(tokens.canvas)
    shade.setAlphaF(0.62)
    outside = QRegion(window.toAlignedRect()).subtracted(QRegion(frame.toAlignedRect()))
    painter.save()
    painter.setClipRegion(outside)
    painter.fillRect(window, shade)
    painter.restore()
    painter.setPen(QPen(QColor(tokens.accent), 1.6, Qt.PenStyle.DashDotLine))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawRect(frame)


def draw_band(painter: QPainter, begin: QPointF, end: QPointF, tokens: Tokens) -> None:
    """The window that is being drawn: whole for what lies inside, dashed for what it touches."""
    touching = end.x() < begin.x()
    fill = QColor(tokens.accent)
    fill.setAlphaF(0.08)
    painter.setPen(QPen(QColor(tokens.accent), 1, Qt.PenStyle.DashLine if touching else Qt.PenStyle.SolidLine))
    painter.setBrush(fill)
    painter.drawRect(QRectF(begin, end).normalized())


class CropLayer(Layer):
    """A box that is taken, the rest shaded."""

    height = Height.CROP

    def __init__(self) -> None:
        super().__init__()
        self._box: Box | None = None

    def show(self, box: Box | None) -> None:
        """Marks a box (mm), or none."""
        self._box = box
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._box is not None:
            draw_crop(painter, QRectF(0, 0, view.width, view.height), self._box, view, tokens)


class GhostLayer(Layer):
    """The box that a change would give."""

    height = Height.GHOST

    def __init__(self) -> None:
        super().__init__()
        self.box: Box | None = None

    def show(self, box: Box | None) -> None:
        """Draws a box (mm), or none."""
        self.box = box
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self.box is not None:
            draw_ghost(painter, self.box, view, tokens)


class WayLayer(Layer):
    """Points that were picked one after the other."""

    height = Height.WAY

    def __init__(self) -> None:
        super().__init__()
        self.points: tuple[Point, ...] = ()

    def show(self, points: Sequence[Point]) -> None:
        """Draws a way (mm)."""
        self.points = tuple(points)
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self.points:
            draw_way(painter, self.points, view, tokens)
