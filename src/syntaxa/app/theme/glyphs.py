"""A shape of its own for every kind of finding: told apart without colour. Drawn in a box of 16 x 16 about 0, 0."""

from __future__ import annotations

import math
from functools import cache

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QColor, QIcon, QPainter, QPainterPath, QPen, QPixmap

from syntaxa.app.theme.tokens import Tokens

#: Runs of points, and circles (x, y, radius), of which a glyph is made.
Strokes = tuple[tuple[tuple[float, float], ...], ...]
Rings = tuple[tuple[float, float, float], ...]

#: Strokes of each kind: runs of points, and circles (x, y, radius).
_STROKES: dict[str, Strokes] = {
    "gap": (((-7, -4), (-3, -4), (-3, 4), (-7, 4)), ((7, -4), (3, -4), (3, 4), (7, 4))),
    "overlap": (((-7, -2), (3, -2)), ((-3, 2), (7, 2)), ((-3, -5), (-3, 5)), ((3, -5), (3, 5))),
    "duplicate": (((-6, -6), (3, -6), (3, 3), (-6, 3), (-6, -6)), ((6, -2), (6, 6), (-2, 6))),
    "speck": (((-7, 0), (-4, 0)), ((7, 0), (4, 0)), ((0, -7), (0, -4)), ((0, 7), (0, 4))),
    "overrun": (((-7, 3), (4, 3)), ((-1, 7), (-1, -2)), ((-3, -4), (-1, -7), (1, -4))),
    "dead end": (((-7, 0), (3, 0)), ((3, -4), (3, 4)), ((6, -2), (6, 2))),
    "crossing": (((-6, -6), (6, 6)), ((-6, 6), (6, -6))),
    "self-crossing": (((-7, 6), (3, -3), (5, -6), (2, -7), (0, -5), (7, 6)),),
    "stray": (((-7, 4), (-3, 0)), ((-1, -2), (2, -5)), ((4, -7), (7, -7))),
    "open end": (((-7, 0), (-1, 0)),),
    "near-closed": (((3, -5), (6, -2), (6, 3), (3, 6), (-3, 6), (-6, 3), (-6, -3), (-3, -6), (-1, -6)),),
    "missing piece": (((-6, -6), (-6, 6), (6, 6), (6, -6)), ((-3, -6), (-1, -6)), ((1, -6), (3, -6))),
    "facet run": (((-7, 5), (-6, 0), (-3, -4), (1, -6), (6, -6)), ((-3, -4), (-1, -1)), ((-6, 0), (-3, 2))),
    "kink": (((-7, -2), (0, 3), (7, -2)), ((0, -6), (0, -2))),
    "off-plane": (((-7, 5), (-2, -4), (7, -4), (2, 5), (-7, 5)), ((0, 0), (0, -7))),
}

_RINGS: dict[str, Rings] = {
    "speck": ((0, 0, 1.6),),
    "open end": ((3.2, 0, 3.6),),
    "stray": ((6, 4, 1.2),),
}

#: Pixels across a glyph with its disc.
_STAMP = 24


@cache
def glyph_path(kind: str) -> QPainterPath:
    """The outline of a kind's glyph."""
    return path_of(_STROKES.get(kind, ()), _RINGS.get(kind, ()))


def path_of(strokes: Strokes, rings: Rings) -> QPainterPath:
    """An outline of strokes and rings."""
    path = QPainterPath()
    for run in strokes:
        path.moveTo(*run[0])
        for point in run[1:]:
            path.lineTo(*point)
    for x, y, radius in rings:
        path.addEllipse(QPointF(x, y), radius, radius)
    return path


def draw_glyph(
    painter: QPainter, kind: str, at: QPointF, ink: QColor, ground: QColor | None, scale: float = 1.0
) -> None:
    """Draws the glyph of a finding; with a ground it stands on a disc, to be seen over lines."""
    draw_outline(painter, glyph_path(kind), at, ink, ground, scale)


def draw_outline(
    painter: QPainter, path: QPainterPath, at: QPointF, ink: QColor, ground: QColor | None, scale: float = 1.0
) -> None:
    """Draws a glyph by its outline."""
    painter.save()
    painter.translate(at)
    painter.scale(scale, scale)
    if ground is not None:
        painter.setPen(QPen(ink, 1.2))
        painter.setBrush(ground)
        painter.drawRoundedRect(QRectF(-10.5, -10.5, 21, 21), 6, 6)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    pen = QPen(ink, 1.7)
    pen.setCapStyle(Qt.PenCapStyle.RoundCap)
    pen.setJoinStyle(Qt.PenJoinStyle.RoundJoin)
    painter.setPen(pen)
    painter.drawPath(path)
    painter.restore()


@cache
def glyph_stamp(kind: str, tokens: Tokens, scale: float, density: float) -> QPixmap:
    """The glyph on its disc, to be put down many times: by its outline each takes ten times as long."""
    size = math.ceil(_STAMP * scale * density)
    pixmap = QPixmap(size, size)
    pixmap.setDevicePixelRatio(density)
    pixmap.fill(Qt.GlobalColor.transparent)
    painter = QPainter(pixmap)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    middle = QPointF(size / 2, size / 2) / density
    draw_glyph(painter, kind, middle, QColor(tokens.persimmon), QColor(tokens.canvas), scale)
    painter.end()
    return pixmap


@cache
def glyph_icon(kind: str, tokens: Tokens, settled: bool = False) -> QIcon:
    """The glyph as an icon for lists."""
    result = QIcon()
    for density in (1, 2):
        pixmap = QPixmap(QSize(18, 18) * density)
        pixmap.setDevicePixelRatio(density)
        pixmap.fill(Qt.GlobalColor.transparent)
        painter = QPainter(pixmap)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        ink = QColor(tokens.dim if settled else tokens.persimmon)
        draw_glyph(painter, kind, QPointF(9, 9), ink, None)
        painter.end()
        result.addPixmap(pixmap)
    return result
