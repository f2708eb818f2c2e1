"""What Define shows on the canvas: which way points can still move, and what a chosen row is about."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.overlays import draw_shapes
from syntaxa.app.theme.tokens import Tokens
from syntaxa.define.views import Movable
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape

#: Pixels: where an arrow begins beside its point, how long it is, and how wide its head.
_BESIDE, _LONG, _HEAD = 6.0, 8.0, 3.0

#: Pixels that marked points are apart at the least; of those nearer to each other one is marked.
_APART = 30.0

#: Dimensions that are shown at the most.
_MOST_TAGS = 300


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


@dataclass(frozen=True, slots=True)
class Tag:
    """A dimension on the canvas: its name, what stands in the tag, where it is (mm), and whether a choice is open."""

    name: str
    text: str
    place: Point
    open: bool = False


class DimensionsLayer(Layer):
    """The dimensions as tags, as far as they have room; a click on one chooses it.

    One that wants a choice has a double frame, and is always there, as is the chosen one.
    """

    height = Height.TAGS

    def __init__(self, clicked: Callable[[str], None]) -> None:
        super().__init__()
        self._clicked = clicked
        self._tags: Sequence[Tag] = ()
        self._chosen = ""
        self._frames: list[tuple[QRectF, str]] = []

    def show(self, tags: Sequence[Tag]) -> None:
        """These dimensions."""
        self._tags = tags
        self.update()

    def choose(self, name: str) -> None:
        """Marks one of them."""
        self._chosen = name
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        metrics = painter.fontMetrics()
        self._frames = []
        for tag in self._tags[:_MOST_TAGS]:
            x, y = view.to_pixels(tag.place.x, tag.place.y)
            chosen = tag.name == self._chosen
            wide, high = metrics.horizontalAdvance(tag.text) + 12, metrics.height() + 4
            frame = self._free_frame(x, y, wide, high)
            if frame is None:
                if not (chosen or tag.open):
                    continue
                frame = QRectF(x + 5, y + 5, wide, high)
            self._frames.append((frame, tag.name))
            painter.setPen(QPen(QColor(tokens.persimmon if tag.open else tokens.accent), 2.0 if chosen else 1.0))
            painter.setBrush(QColor(tokens.soft if chosen else tokens.raised))
            painter.drawRoundedRect(frame, 4, 4)
            if tag.open:
                painter.drawRoundedRect(frame.adjusted(-3, -3, 3, 3), 6, 6)
                painter.drawRoundedRect(frame, 4, 4)
            painter.setPen(QColor(tokens.text))
            painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, tag.text)

    def _free_frame(self, x: float, y: float, width: float, height: float) -> QRectF | None:
        """A frame beside a place, where no other tag is; None where there is no such side."""
        frames = [
            QRectF(left, top, width, height)
            for top in (y + 5, y - 5 - height, y + 9 + height, y - 9 - 2 * height)
            for left in (x + 5, x - 5 - width)
        ]
        free = (f for f in frames if not any(f.intersects(other) for other, _ in self._frames))
        return next(free, None)

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        if self.surface is None:
            return None
        at = QPointF(*self.surface.view.to_pixels(x, y))
        name = next((n for frame, n in reversed(self._frames) if frame.contains(at)), None)
        return None if name is None else lambda: self._clicked(name)
