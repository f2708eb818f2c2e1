"""Paints the icon of the program in every size that desktops ask for."""

from __future__ import annotations

import sys
from pathlib import Path

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QGuiApplication, QImage, QPainter
from PyQt6.QtSvg import QSvgRenderer

#: Pixels (freedesktop icon theme specification, and what desktops draw).
SIZES = (16, 22, 24, 32, 48, 64, 96, 128, 256, 512)


def main() -> int:
    """Writes a PNG of each size below the folder of the theme."""
    drawing, theme = sys.argv[1], Path(sys.argv[2])
    application = QGuiApplication([])
    renderer = QSvgRenderer(drawing)
    for size in SIZES:
        image = QImage(size, size, QImage.Format.Format_ARGB32)
        image.fill(Qt.GlobalColor.transparent)
        painter = QPainter(image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        renderer.render(painter, QRectF(0, 0, size, size))
        painter.end()
        folder = theme / f"{size}x{size}" / "apps"
        folder.mkdir(parents=True, exist_ok=True)
        image.save(str(folder / "syntaxa.png"))
    del application
    return 0


if __name__ == "__main__":
    sys.exit(main())
