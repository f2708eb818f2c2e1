"""Marks over the drawing: the origin, what is selected or under the cursor, tags of roles, and locks."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QFontMetricsF, QImage, QPainter, QPen

from syntaxa.app.canvas import overlays
from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.render import pen_of, slices
from syntaxa.app.canvas.selection import Selection
from syntaxa.app.canvas.strokes import MOST_A_FRAME, draw_shapes
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.types import Floats

#: Tags and padlocks drawn at the most in one frame, and pixels below which a curve is too small for one.
_MOST_TAGS, _MOST_LOCKS, _SMALLEST_TAGGED = 250, 400, 18.0

#: Corners of a tag that its curve may be at: right and left, above and below.
_SIDES = ((10, -28), (10, 10), (-10, -28), (-10, 10))


class OriginLayer(Layer):
    """A cross with two arms at 0, 0, where there is anything to be placed."""

    height = Height.ORIGIN

    def __init__(self, wanted: Callable[[], bool]) -> None:
        super().__init__()
        self._wanted = wanted

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._wanted():
            overlays.draw_origin(painter, view, tokens)


class ChosenLayer(Layer):
    """What is selected, and what is under the cursor."""

    height = Height.CHOSEN

    def __init__(self, selection: Selection) -> None:
        super().__init__()
        self._selection = selection
        #: Whether what is selected is a part of the resting picture.
        self._rests = False
        selection.changed.connect(self._changed)

    def _changed(self) -> None:
        rested, self._rests = self._rests, len(self._selection.rows) > MOST_A_FRAME
        if rested or self._rests:
            self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        if not self._rests:
            return iter(())
        scene = self._selection.scene
        chosen = np.zeros(len(scene), dtype=bool)
        chosen[self._selection.rows] = True
        pens = [pen_of(int(tokens.accent[1:], 16), 2.0) for _ in scene.palette]
        return slices(scene, view, image, pens, False, chosen)

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        chosen, curves = self._selection, self._selection.scene.curves
        if chosen.rows and not self._rests:
            draw_shapes(painter, [curves[k].shape for k in chosen.rows], view, QPen(QColor(tokens.accent), 2.4))
        if 0 <= chosen.hover < len(curves):
            dotted = chosen.hover in chosen.rows
            pen = QPen(QColor(tokens.accent), 1.8, Qt.PenStyle.DotLine if dotted else Qt.PenStyle.SolidLine)
            draw_shapes(painter, [curves[chosen.hover].shape], view, pen)


class TagsLayer(Layer):
    """A tag with the names of its roles at each curve that has any, and a padlock at each that is locked."""

    height = Height.TAGS

    def __init__(self, selection: Selection) -> None:
        super().__init__()
        self._selection = selection

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        self._draw_roles(painter, view, tokens)
        self._draw_locks(painter, view, tokens)

    def _draw_roles(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        scene = self._selection.scene
        if not scene.with_roles:
            return
        font = figure_font(11)
        painter.setFont(font)
        metrics = QFontMetricsF(font)
        kept_free = self._kept_free(view)
        frames: list[QRectF] = []
        for k in scene.with_roles:
            place = _seen(self._selection, k, view)
            if place is None:
                continue
            text = ", ".join(scene.curves[k].roles)
            frame = _free_frame(place, metrics.horizontalAdvance(text) + 12, kept_free, frames)
            if frame is None:
                _dot(painter, place, tokens)
                continue
            frames.append(frame)
            _tag(painter, place, frame, text, tokens)
            if len(frames) >= _MOST_TAGS:
                return

    def _kept_free(self, view: Camera) -> Floats:
        """Places of other layers that no tag should lie over."""
        others = self.surface.layers if self.surface is not None else ()
        return np.concatenate([np.empty((0, 2)), *(layer.occupied(view) for layer in others)])

    def _draw_locks(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        for k in self._selection.scene.locked[:_MOST_LOCKS]:
            place = _seen(self._selection, k, view)
            if place is None:
                continue
            x, y = place.x(), place.y()
            painter.setPen(QPen(QColor(tokens.text), 1.6))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawArc(QRectF(x - 4, y - 9, 8, 10), 0, 180 * 16)
            painter.setBrush(QColor(tokens.raised))
            painter.drawRoundedRect(QRectF(x - 6, y - 4, 12, 9), 2, 2)


def _seen(selection: Selection, k: int, view: Camera) -> QPointF | None:
    """The pixel of the middle of a curve, where it is in view and large enough to be marked."""
    scene = selection.scene
    left, bottom, right, top = view.box
    place = scene.middle(k)
    small = scene.size[k] * view.scale < _SMALLEST_TAGGED
    if small or not (left <= place.x <= right and bottom <= place.y <= top):
        return None
    return QPointF(*view.to_pixels(place.x, place.y))


def _free_frame(at: QPointF, width: float, kept_free: Floats, frames: list[QRectF]) -> QRectF | None:
    """Where a tag of a width hides neither a mark nor another tag; beside the curve in any case. None for nowhere."""
    for dx, dy in _SIDES:
        frame = QRectF(at.x() + dx - (width if dx < 0 else 0), at.y() + dy, width, 18)
        away = frame.adjusted(-10, -10, 10, 10)
        x, y = kept_free[:, 0], kept_free[:, 1]
        inside = (x >= away.left()) & (x <= away.right()) & (y >= away.top()) & (y <= away.bottom())
        if not inside.any() and not any(frame.intersects(other) for other in frames):
            return frame
    return None


def _tag(painter: QPainter, at: QPointF, frame: QRectF, text: str, tokens: Tokens) -> None:
    x = frame.left() if frame.left() > at.x() else frame.right()
    y = frame.bottom() if frame.bottom() < at.y() else frame.top()
    painter.setPen(QPen(QColor(tokens.accent), 1))
    painter.drawLine(at, QPointF(x, y))
    painter.setBrush(QColor(tokens.raised))
    painter.drawRoundedRect(frame, 4, 4)
    painter.setPen(QColor(tokens.text))
    painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, text)


def _dot(painter: QPainter, at: QPointF, tokens: Tokens) -> None:
    """Where there is no room for a tag: it can be read when zoomed in."""
    painter.setPen(QPen(QColor(tokens.accent), 1))
    painter.setBrush(QColor(tokens.raised))
    painter.drawEllipse(at, 3, 3)
