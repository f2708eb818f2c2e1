"""What the hand draws and gives: windows, a lasso, a measured way, the box that a typed size would give, roles."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QFontMetricsF, QPainter, QPen, QPolygonF, QRegion

from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.view import View
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.points import Point

#: Tags drawn at the most in one frame, and pixels below which a curve is too small for one.
_MOST_TAGS, _SMALLEST_TAGGED = 250, 18.0


def draw_lasso(painter: QPainter, trail: Sequence[QPointF], tokens: Tokens) -> None:
    """The trail of the cursor, closed by a dashed line."""
    if len(trail) < 2:
        return
    fill = QColor(tokens.accent)
    fill.setAlphaF(0.08)
    painter.setPen(QPen(QColor(tokens.accent), 1.2, Qt.PenStyle.DashLine))
    painter.setBrush(fill)
    painter.drawPolygon(QPolygonF(list(trail)))


def draw_way(painter: QPainter, points: Sequence[Point], view: View, tokens: Tokens) -> None:
    """Measured legs with a knot at each point."""
    pixels = [QPointF(*view.to_pixels(p.x, p.y)) for p in points]
    painter.setPen(QPen(QColor(tokens.persimmon), 1.6))
    painter.setBrush(QColor(tokens.canvas))
    if len(pixels) > 1:
        painter.drawPolyline(QPolygonF(pixels))
    for p in pixels:
        painter.drawEllipse(p, 3.5, 3.5)


def draw_ghost(painter: QPainter, box: tuple[float, float, float, float], view: View, tokens: Tokens) -> None:
    """The box (mm) that a typed size would give."""
    left, top = view.to_pixels(box[0], box[3])
    right, bottom = view.to_pixels(box[2], box[1])
    painter.setPen(QPen(QColor(tokens.persimmon), 1.4, Qt.PenStyle.DashLine))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawRect(QRectF(left, top, right - left, bottom - top))


#: Padlocks that are drawn at the most.
_MOST_LOCKS = 400


def draw_roles(painter: QPainter, scene: Scene, view: View, tokens: Tokens) -> None:
    """A tag with the names of its roles at the middle of each curve that has any."""
    if not scene.with_roles:
        return
    font = figure_font(11)
    painter.setFont(font)
    metrics = QFontMetricsF(font)
    left, bottom, right, top = view.box
    drawn = 0
    for k in scene.with_roles:
        if scene.size[k] * view.scale < _SMALLEST_TAGGED:
            continue
        place = scene.middle(k)
        if not (left <= place.x <= right and bottom <= place.y <= top):
            continue
        text = ", ".join(scene.curves[k].roles)
        width = metrics.horizontalAdvance(text) + 12
        x, y = view.to_pixels(place.x, place.y)
        # Beside the curve, so that it hides nothing of it.
        frame = QRectF(x + 10, y - 28, width, 18)
        painter.setPen(QPen(QColor(tokens.accent), 1))
        painter.drawLine(QPointF(x, y), QPointF(x + 12, y - 12))
        painter.setBrush(QColor(tokens.raised))
        painter.drawRoundedRect(frame, 4, 4)
        painter.setPen(QColor(tokens.text))
        painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, text)
        drawn += 1
        if drawn >= _MOST_TAGS:
            return


def draw_locks(painter: QPainter, scene: Scene, view: View, tokens: Tokens) -> None:
    """A padlock at the middle of each curve that is locked."""
    left, bottom, right, top = view.box
    for k in scene.locked[:_MOST_LOCKS]:
        place = scene.middle(k)
        if scene.size[k] * view.scale < _SMALLEST_TAGGED or not (left <= place.x <= right and bottom <= place.y <= top):
            continue
        x, y = view.to_pixels(place.x, place.y)
        painter.setPen(QPen(QColor(tokens.text), 1.6))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawArc(QRectF(x - 4, y - 9, 8, 10), 0, 180 * 16)
        painter.setBrush(QColor(tokens.raised))
        painter.drawRoundedRect(QRectF(x - 6, y - 4, 12, 9), 2, 2)


def draw_crop(
    painter: QPainter, window: QRectF, crop: tuple[float, float, float, float], view: View, tokens: Tokens
) -> None:
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
