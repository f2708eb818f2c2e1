"""What lies over the curves: findings, the origin, labels and warnings."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QBrush, QColor, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.theme.glyphs import draw_glyph, glyph_stamp
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.types import Floats
from syntaxa.mend.model import Finding

#: Findings drawn at the most in one frame; the list has them all.
_MOST_GLYPHS = 400

#: Size of a glyph among others.
_GLYPH = 0.8

#: Pixels; glyphs nearer than this to one another are drawn as one.
_CROWD = 17


def draw_findings(
    painter: QPainter, findings: Sequence[Finding], places: Floats, view: Camera, tokens: Tokens, chosen: str
) -> None:
    """A glyph at each finding; where they crowd, one stands for its neighbours."""
    if not len(findings):
        return
    pixels = (places - (view.x, view.y)) * (view.scale, -view.scale) + (view.width / 2, view.height / 2)
    seen = np.flatnonzero(((pixels >= 0) & (pixels <= (view.width, view.height))).all(axis=1))
    columns, rows = (pixels[seen] // _CROWD).astype(np.int64).T
    _, first = np.unique(columns * (int(view.height) + 1) + rows, return_index=True)
    device = painter.device()
    density = device.devicePixelRatioF() if device is not None else 1.0
    for k in seen[first][:_MOST_GLYPHS].tolist():
        if findings[k].key != chosen:
            stamp = glyph_stamp(findings[k].kind, tokens, _GLYPH, density)
            half = stamp.width() / density / 2
            x, y = (round((p - half) * density) / density for p in pixels[k].tolist())
            painter.drawPixmap(QPointF(x, y), stamp)
    current = next((f for f in findings if f.key == chosen), None) if chosen else None
    if current is not None:
        _draw_chosen(painter, current, view, tokens)


def _draw_chosen(painter: QPainter, finding: Finding, view: Camera, tokens: Tokens) -> None:
    """The chosen finding: a ring leaves its place free to be seen, the glyph stands beside it."""
    px, py = view.to_pixels(finding.place.x, finding.place.y)
    radius = max(12.0, min(finding.size * view.scale * 0.8, 36.0))
    painter.setPen(QPen(QColor(tokens.persimmon), 2))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawEllipse(QPointF(px, py), radius, radius)
    beside = QPointF(px + radius * 0.75 + 14, py - radius * 0.75 - 14)
    painter.drawLine(QPointF(px + radius * 0.71, py - radius * 0.71), beside)
    draw_glyph(painter, finding.kind, beside, QColor(tokens.on_persimmon), QColor(tokens.persimmon), 1.05)


def draw_origin(painter: QPainter, view: Camera, tokens: Tokens) -> None:
    """A cross with two arms at 0, 0."""
    px, py = view.to_pixels(0.0, 0.0)
    if not (-40 <= px <= view.width + 40 and -40 <= py <= view.height + 40):
        return
    painter.setPen(QPen(QColor(tokens.accent), 1.6))
    painter.setBrush(QColor(tokens.canvas))
    painter.drawLine(QPointF(px, py), QPointF(px + 30, py))
    painter.drawLine(QPointF(px, py), QPointF(px, py - 30))
    for side in (-3, 3):
        painter.drawLine(QPointF(px + 30, py), QPointF(px + 25, py + side))
        painter.drawLine(QPointF(px, py - 30), QPointF(px + side, py - 25))
    painter.drawEllipse(QPointF(px, py), 4, 4)


def draw_label(painter: QPainter, text: str, at: QPointF, view: Camera, tokens: Tokens) -> None:
    """A small label beside the cursor, kept inside the window."""
    metrics = painter.fontMetrics()
    width, height = metrics.horizontalAdvance(text) + 16, metrics.height() + 8
    x = min(at.x() + 16, view.width - width - 6)
    y = min(at.y() + 18, view.height - height - 6)
    frame = QRectF(x, y, width, height)
    painter.setPen(QPen(QColor(tokens.accent), 1))
    painter.setBrush(QColor(tokens.raised))
    painter.drawRoundedRect(frame, 5, 5)
    painter.setPen(QColor(tokens.text))
    painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, text)


def draw_warning(painter: QPainter, text: str, view: Camera, tokens: Tokens) -> None:
    """A sentence in the upper right corner, hatched at its edge so that it is seen without colour."""
    metrics = painter.fontMetrics()
    width = metrics.horizontalAdvance(text) + 34
    frame = QRectF(view.width - width - 10, 34, width, metrics.height() + 10)
    painter.setPen(QPen(QColor(tokens.persimmon), 1, Qt.PenStyle.DashLine))
    painter.setBrush(QColor(tokens.raised))
    painter.drawRoundedRect(frame, 4, 4)
    painter.fillRect(QRectF(frame.left() + 4, frame.top() + 4, 10, frame.height() - 8), QBrush(QColor(tokens.persimmon),
                     Qt.BrushStyle.BDiagPattern))  # fmt: skip
    painter.setPen(QColor(tokens.text))
    painter.drawText(frame.adjusted(18, 0, 0, 0), Qt.AlignmentFlag.AlignCenter, text)
