"""A colour as a small square: full for what is taken, empty for what is not."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QColor, QIcon, QPainter, QPixmap


def swatch(colour: int, full: bool = True) -> QIcon:
    """An icon of a colour (0xRRGGBB)."""
    pixmap = QPixmap(28, 28)
    pixmap.setDevicePixelRatio(2)
    pixmap.fill(Qt.GlobalColor.transparent)
    painter = QPainter(pixmap)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(QColor(colour))
    painter.setBrush(QColor(colour) if full else Qt.BrushStyle.NoBrush)
    painter.drawRoundedRect(1, 1, 11, 11, 3, 3)
    painter.end()
    return QIcon(pixmap)
