"""Rulers along the top and left edge, in the display unit."""

from __future__ import annotations

import math

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens

#: Pixels; thickness of a ruler.
RULER = 24

#: Pixels; marks with a number are at least this far apart.
_APART = 64


def spacing(scale: float, mm_per_unit: float) -> float:
    """Distance (in the display unit) between marks: 1, 2 or 5 times a power of ten."""
    least = _APART / (scale * mm_per_unit)
    power = 10.0 ** math.floor(math.log10(least))
    return next(step * power for step in (1, 2, 5, 10) if step * power >= least * (1 - 1e-9))


def mark_text(value: float, step: float) -> str:
    """A mark's number with no more decimals than the step needs."""
    decimals = max(0, -math.floor(math.log10(step) + 1e-9))
    return f"{value:.{decimals}f}" if abs(value) > step / 2 else "0"


def draw_rulers(painter: QPainter, view: Camera, tokens: Tokens, unit: str, mm_per_unit: float) -> None:
    """Draws both rulers and the corner with the unit's name."""
    painter.save()
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, False)
    painter.fillRect(QRectF(0, 0, view.width, RULER), QColor(tokens.panel))
    painter.fillRect(QRectF(0, 0, RULER, view.height), QColor(tokens.panel))
    painter.setFont(figure_font(10))
    step = spacing(view.scale, mm_per_unit)
    left, bottom, right, top = (v / mm_per_unit for v in view.box)
    painter.setClipRect(QRectF(RULER, 0, view.width, RULER))
    for k in range(math.floor(left / step), math.ceil(right / step) + 1):
        _mark_across(painter, view, tokens, k * step, step, mm_per_unit)
    painter.setClipRect(QRectF(0, RULER, RULER, view.height))
    for k in range(math.floor(bottom / step), math.ceil(top / step) + 1):
        _mark_up(painter, view, tokens, k * step, step, mm_per_unit)
    painter.setClipping(False)
    painter.setPen(QPen(QColor(tokens.line)))
    painter.drawLine(0, RULER, view.width, RULER)
    painter.drawLine(RULER, 0, RULER, view.height)
    painter.fillRect(QRectF(0, 0, RULER, RULER), QColor(tokens.panel))
    painter.setPen(QColor(tokens.dim))
    painter.drawText(QRectF(0, 0, RULER, RULER), Qt.AlignmentFlag.AlignCenter, unit)
    painter.restore()


def _mark_across(painter: QPainter, view: Camera, tokens: Tokens, at: float, step: float, mm_per_unit: float) -> None:
    px = round(view.to_pixels(at * mm_per_unit, 0)[0])
    minor = view.scale * step * mm_per_unit / 5
    painter.setPen(QColor(tokens.strong_line))
    painter.drawLine(px, RULER - 8, px, RULER)
    for k in range(1, 5):
        x = round(px + k * minor)
        painter.drawLine(x, RULER - 4, x, RULER)
    painter.setPen(QColor(tokens.dim))
    painter.drawText(QPointF(px + 3, 11), mark_text(at, step))


def _mark_up(painter: QPainter, view: Camera, tokens: Tokens, at: float, step: float, mm_per_unit: float) -> None:
    py = round(view.to_pixels(0, at * mm_per_unit)[1])
    minor = view.scale * step * mm_per_unit / 5
    painter.setPen(QColor(tokens.strong_line))
    painter.drawLine(RULER - 8, py, RULER, py)
    for k in range(1, 5):
        y = round(py - k * minor)
        painter.drawLine(RULER - 4, y, RULER, y)
    painter.setPen(QColor(tokens.dim))
    painter.save()
    painter.translate(11, py - 3)
    painter.rotate(-90)
    painter.drawText(QPointF(0, 0), mark_text(at, step))
    painter.restore()


class RulersLayer(Layer):
    """Both rulers, in the display unit of the surface."""

    height = Height.RULERS

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self.surface is not None:
            draw_rulers(painter, view, tokens, self.surface.format.single, self.surface.format.mm_per_unit)
