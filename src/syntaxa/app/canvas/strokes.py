"""Shapes that are drawn with one pen over the drawing: few on every frame, many as a part of the resting picture."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QImage, QPainter, QPen, QPolygonF

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.render import lines_of, slices
from syntaxa.app.canvas.scene import Scene
from syntaxa.geometry.shapes import Line, Shape
from syntaxa.geometry.types import Floats

#: Shapes that are drawn on every frame at the most; more would hold up every move of the mouse.
MOST_A_FRAME = 300

#: Shapes up to which each is drawn as one unbroken run.
_UNBROKEN = 60

#: Shapes that are made ready between two looks at the event queue: some 5 ms.
_BLOCK = 500


class Resting:
    """Any number of shapes in mm, made ready a block at a time while the resting picture is painted."""

    def __init__(self, shapes: Sequence[Shape]) -> None:
        self._shapes = shapes
        self._blocks: list[Scene] = []

    def slices(self, image: QImage, view: Camera, pen: QPen) -> Iterator[None]:
        """Paints them; yields after each slice. The view is in device pixels, as the image."""
        for first in range(0, len(self._shapes), _BLOCK):
            if first // _BLOCK == len(self._blocks):
                self._blocks.append(Scene.of_shapes(self._shapes[first : first + _BLOCK]))
                yield
            yield from slices(self._blocks[first // _BLOCK], view, image, [pen], False)


def draw_shapes(painter: QPainter, shapes: Sequence[Shape], view: Camera, pen: QPen) -> None:
    """Shapes over everything: hover and selection, changes. Many are drawn as their pieces, all at once."""
    painter.setPen(pen)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    if len(shapes) <= _UNBROKEN:
        for shape in shapes:
            painter.drawPolyline(polygon_of(shape.flattened(0.08 / view.scale), view))
        return
    runs = [_run_of(shape, view) for shape in shapes]
    pieces = np.concatenate([np.hstack([run[:-1], run[1:]]) for run in runs]).reshape(-1, 2, 2)
    pixels = (pieces - (view.x, view.y)) * (view.scale, -view.scale) + (view.width / 2, view.height / 2)
    low, high = pixels.min(axis=1), pixels.max(axis=1)
    seen = pixels[((high >= 0) & (low <= (view.width, view.height))).all(axis=1)]
    if len(seen):
        painter.drawLines(lines_of(np.clip(seen, -1e6, 1e6).reshape(-1, 4)))


def _run_of(shape: Shape, view: Camera) -> Floats:
    if isinstance(shape, Line):
        return np.array([[*shape.start], [*shape.end]])
    return shape.flattened(0.3 / view.scale)


def polygon_of(points: Floats, view: Camera) -> QPolygonF:
    """Points (n, 2) in mm as a polygon in pixels."""
    pixels = (points - (view.x, view.y)) * (view.scale, -view.scale) + (view.width / 2, view.height / 2)
    return QPolygonF([QPointF(x, y) for x, y in np.clip(pixels, -1e6, 1e6).tolist()])
