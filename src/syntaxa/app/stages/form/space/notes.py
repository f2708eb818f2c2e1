"""Dimensions in space, laid over the picture: their lines, and their values in frames that can be clicked."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QFontMetricsF, QPainter, QPen

from syntaxa.app.canvas.render import lines_of
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.form.annotating import OnSolid

#: Pixels of room round a text, and the signs before values (ISO 129-1).
_ROOM = 3.0
_SIGNS = {"diameter": "Ø", "radius": "R"}


class DimensionNotes:
    """Shows dimensions; knows which lies under a pixel."""

    def __init__(self) -> None:
        self._dimensions: Sequence[OnSolid] = ()
        self._lengths = LengthFormat("mm")
        self._frames: list[tuple[QRectF, str]] = []
        self.chosen = ""

    def show(self, dimensions: Sequence[OnSolid], lengths: LengthFormat) -> None:
        """These dimensions."""
        self._dimensions, self._lengths = dimensions, lengths

    def at(self, place: QPointF) -> str:
        """The name of the dimension whose text is at a pixel; empty for none."""
        return next((name for frame, name in reversed(self._frames) if frame.contains(place)), "")

    def draw(self, painter: QPainter, camera: Camera, tokens: Tokens) -> None:
        """Lays them over the picture, as far as their texts have room."""
        painter.setFont(figure_font(12))
        metrics = QFontMetricsF(painter.font())
        self._frames = []
        # The chosen one has its room first.
        for one in sorted(self._dimensions, key=lambda d: d.measure.name != self.chosen):
            frame = self._frame(one, camera, metrics)
            if any(frame.intersects(other) for other, _ in self._frames):
                continue
            self._frames.append((frame, one.measure.name))
            mine = one.measure.name == self.chosen
            painter.setPen(QPen(QColor(tokens.accent if mine else tokens.text), 1.6 if mine else 1.0))
            pixels = camera.pixels(one.lines.reshape(-1, 3))[:, :2].reshape(-1, 4)
            painter.drawLines(lines_of(np.ascontiguousarray(pixels)))
            painter.fillRect(frame, QColor(tokens.canvas))
            if mine:
                painter.drawRect(frame)
            painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, self.text_of(one))

    def text_of(self, one: OnSolid) -> str:
        """The value as a draughtsman writes it, the chosen one with its name."""
        value = f"{math.degrees(one.value):.6g}°" if one.measure.is_angle else self._lengths.short(one.value)
        text = f"{_SIGNS.get(one.measure.kind, '')}{value}"
        return f"{one.measure.name} = {text}" if one.measure.name == self.chosen else text

    def _frame(self, one: OnSolid, camera: Camera, metrics: QFontMetricsF) -> QRectF:
        x, y, _ = camera.pixels(np.array([one.text]))[0].tolist()
        width, height = metrics.horizontalAdvance(self.text_of(one)) + 2 * _ROOM, metrics.height()
        return QRectF(x - width / 2, y - height / 2, width, height)
