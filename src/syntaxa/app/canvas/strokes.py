"""Shapes that are drawn together over the drawing, made ready once for all the times that they are drawn."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property

import numpy as np
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.render import lines_of
from syntaxa.app.canvas.scene import flattened
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.types import Floats, Ints

#: Shapes up to which each is drawn as one unbroken run, as fine as the screen is.
_UNBROKEN = 60


class Strokes:
    """Any number of shapes in mm. Many are drawn as their pieces, all at once."""

    def __init__(self, shapes: Sequence[Shape]) -> None:
        self._shapes = shapes

    def draw(self, painter: QPainter, view: Camera, pen: QPen) -> None:
        """All of them with one pen."""
        painter.setPen(pen)
        painter.setBrush(Qt.BrushStyle.NoBrush)
        seen = self._seen(view)
        if len(seen) > _UNBROKEN:
            self._draw_pieces(painter, view, seen)
            return
        for k in seen:
            painter.drawPolyline(polygon_of(self._shapes[k].flattened(0.08 / view.scale), view))

    def _seen(self, view: Camera) -> Ints:
        """Numbers of those that may lie in the view."""
        if len(self._shapes) <= _UNBROKEN:
            return np.arange(len(self._shapes))
        _pieces, _owner, low, high = self._ready
        left, bottom, right, top = view.box
        return np.flatnonzero(((high >= (left, bottom)) & (low <= (right, top))).all(axis=1))

    def _draw_pieces(self, painter: QPainter, view: Camera, seen: Ints) -> None:
        pieces, owner, *_boxes = self._ready
        wanted = np.zeros(len(self._shapes), dtype=bool)
        wanted[seen] = True
        pixels = (pieces[wanted[owner]] - (view.x, view.y)) * (view.scale, -view.scale) + (
            view.width / 2,
            view.height / 2,
        )
        painter.drawLines(lines_of(np.clip(pixels, -1e6, 1e6).reshape(-1, 4)))

    @cached_property
    def _ready(self) -> tuple[Floats, Ints, Floats, Floats]:
        """Pieces (m, 2, 2), of which shape each is, and the corners (n, 2) of the shapes' boxes."""
        points, count = flattened(self._shapes)
        first = np.cumsum(count) - count
        last = np.zeros(len(points), dtype=bool)
        last[first + count - 1] = True
        tail = np.flatnonzero(~last)
        owner = np.repeat(np.arange(len(count)), count - 1)
        low, high = np.minimum.reduceat(points, first), np.maximum.reduceat(points, first)
        return np.stack([points[tail], points[tail + 1]], axis=1), owner, low, high


def polygon_of(points: Floats, view: Camera) -> QPolygonF:
    """Points (n, 2) in mm as a polygon in pixels."""
    pixels = (points - (view.x, view.y)) * (view.scale, -view.scale) + (view.width / 2, view.height / 2)
    return QPolygonF([QPointF(x, y) for x, y in np.clip(pixels, -1e6, 1e6).tolist()])


def draw_shapes(painter: QPainter, shapes: Sequence[Shape], view: Camera, pen: QPen) -> None:
    """The same for shapes that are drawn once, such as those under the cursor."""
    Strokes(shapes).draw(painter, view, pen)
