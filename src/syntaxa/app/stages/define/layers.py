"""What Define shows on the canvas: which way points can still move, what a chosen row is about, what would follow."""

from __future__ import annotations

import math
from collections.abc import Sequence

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.strokes import draw_shapes
from syntaxa.app.theme.tokens import Tokens
from syntaxa.define.views import Movable
from syntaxa.geometry.shapes import Shape

#: Pixels: where an arrow begins beside its point, how long it is, and how wide its head.
_BESIDE, _LONG, _HEAD = 6.0, 8.0, 3.0

#: Pixels that marked points are apart at the least; of those nearer to each other one is marked.
_APART = 30.0


class FreedomLayer(Layer):
    """Two arrows at a point that can go one way, four at one that can go any way; none at one that is held."""

    height = Height.WAY

    def __init__(self) -> None:
        super().__init__()
        self.points: Sequence[Movable] = ()

    def show(self, points: Sequence[Movable]) -> None:
        """The points that can move."""
        if points is not self.points:
            self.points = points
            self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(QColor(tokens.accent), 1.4, cap=Qt.PenCapStyle.RoundCap, join=Qt.PenJoinStyle.RoundJoin))
        taken: set[tuple[int, int]] = set()
        for point in self.points:
            x, y = view.to_pixels(point.place.x, point.place.y)
            cell = round(x / _APART), round(y / _APART)
            if cell in taken or not (0 <= x <= view.width and 0 <= y <= view.height):
                continue
            taken.add(cell)
            base = 0.0 if point.any_way else math.atan2(-point.way.y, point.way.x)
            for k in range(4) if point.any_way else (0, 2):
                _arrow(painter, x, y, base + k * math.pi / 2)


def _arrow(painter: QPainter, x: float, y: float, way: float) -> None:
    c, s = math.cos(way), math.sin(way)
    tip = QPointF(x + (_BESIDE + _LONG) * c, y + (_BESIDE + _LONG) * s)
    painter.drawLine(QPointF(x + _BESIDE * c, y + _BESIDE * s), tip)
    for side in (-1, 1):
        back = QPointF(tip.x() - _HEAD * (c + side * s), tip.y() - _HEAD * (s - side * c))
        painter.drawLine(tip, back)


class AboutLayer(Layer):
    """The curves that a chosen dimension or constraint is about."""

    height = Height.CHOSEN

    def __init__(self) -> None:
        super().__init__()
        self._shapes: Sequence[Shape] = ()

    def show(self, shapes: Sequence[Shape]) -> None:
        """These, and no others."""
        self._shapes = shapes
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        draw_shapes(painter, self._shapes, view, QPen(QColor(tokens.persimmon), 3.0))


class FollowingLayer(Layer):
    """How the part would lie with the value that is being typed."""

    height = Height.GHOST

    def __init__(self) -> None:
        super().__init__()
        self._shapes: Sequence[Shape] = ()

    def show(self, shapes: Sequence[Shape]) -> None:
        """These curves, as they would be; none where nothing is typed."""
        if shapes or self._shapes:
            self._shapes = shapes
            self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        draw_shapes(painter, self._shapes, view, QPen(QColor(tokens.persimmon), 1.8, Qt.PenStyle.DashLine))
