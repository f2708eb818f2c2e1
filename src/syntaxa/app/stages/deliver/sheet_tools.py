"""What the mouse does on a sheet: the tools, and the one that puts something by a click or a drag."""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen, QPolygonF

from syntaxa.geometry.points import Point

#: Pixels that a press must move to be a drag.
_DRAG = 5.0

#: The colour of what is being drawn: readable on paper in both looks.
INK = "#0e6b63"

ToPixels = Callable[[Point], QPointF]

#: What is seen while something is dragged.
Outline = Literal["line", "circle", "box"]


class SheetTool:
    """A tool; places are mm of paper, and `pixel` is how many mm a pixel is."""

    @property
    def label(self) -> str:
        """What to do next."""
        return ""

    def press(self, at: Point, pixel: float) -> None:
        """The button went down."""

    def move(self, at: Point, pixel: float) -> None:
        """The mouse is elsewhere."""

    def release(self, at: Point, pixel: float) -> bool:
        """The button came up; whether the tool is done."""
        return False

    def key(self, key: Qt.Key) -> bool:
        """A key was pressed; whether it meant something."""
        return False

    def mean(self, meaning: str) -> None:
        """What has been picked so far shall mean this."""

    def give_up(self) -> bool:
        """Escape; whether the tool is done."""
        return True

    def paint(self, painter: QPainter, to_pixels: ToPixels) -> None:
        """What is seen of it."""


class PutTool(SheetTool):
    """One click, or a drag from one place to another."""

    def __init__(
        self, says: str, outline: Outline, done: Callable[[Point, Point | None], None], dragged: bool = False
    ) -> None:
        """done  is told where the button came up, and where it went down if that was elsewhere

        dragged  a click alone puts nothing
        """
        self._says = says
        self._outline, self._done, self._must = outline, done, dragged
        self._from: Point | None = None
        self._at = Point(0.0, 0.0)

    def press(self, at: Point, pixel: float) -> None:
        self._from = self._at = at

    def move(self, at: Point, pixel: float) -> None:
        self._at = at

    def release(self, at: Point, pixel: float) -> bool:
        begin, self._from = self._from, None
        if begin is None:
            return False
        far = begin.distance_to(at) >= _DRAG * pixel
        if self._must and not far:
            return False
        self._done(at, begin if far else None)
        return True

    @property
    def label(self) -> str:
        return self._says

    def paint(self, painter: QPainter, to_pixels: ToPixels) -> None:
        if self._from is None:
            return
        painter.setPen(QPen(QColor(INK), 1.4))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        begin, end = to_pixels(self._from), to_pixels(self._at)
        if self._outline == "line":
            painter.drawLine(begin, end)
        elif self._outline == "circle":
            away = end - begin
            radius = (away.x() ** 2 + away.y() ** 2) ** 0.5
            painter.drawEllipse(begin, radius, radius)
        else:
            corners = (begin, QPointF(end.x(), begin.y()), end, QPointF(begin.x(), end.y()))
            painter.drawPolygon(QPolygonF(corners))
