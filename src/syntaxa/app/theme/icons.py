"""Icons from our own outlines, drawn in the colours of the look at any pixel density."""

from __future__ import annotations

from functools import cache
from importlib.resources import files

from PyQt6.QtCore import QPointF, QRect, QRectF, QSize, QSizeF, Qt
from PyQt6.QtGui import QIcon, QIconEngine, QPainter, QPixmap, QPixmapCache
from PyQt6.QtSvg import QSvgRenderer

from syntaxa.app.theme.tokens import Tokens


@cache
def _outline(name: str) -> str:
    return files("syntaxa.app").joinpath(f"assets/icons/{name}.svg").read_text()


class _Engine(QIconEngine):
    def __init__(self, name: str, tokens: Tokens, colour: str, on_colour: str) -> None:
        super().__init__()
        self._name, self._tokens, self._colour, self._on = name, tokens, colour, on_colour

    def _ink(self, mode: QIcon.Mode, state: QIcon.State) -> str:
        if mode == QIcon.Mode.Disabled:
            return self._tokens.strong_line
        return self._on if state == QIcon.State.On else self._colour

    def _renderer(self, ink: str) -> QSvgRenderer:
        return QSvgRenderer(_outline(self._name).replace("currentColor", ink).encode())

    def paint(self, painter: QPainter | None, rect: QRect, mode: QIcon.Mode, state: QIcon.State) -> None:
        self._renderer(self._ink(mode, state)).render(painter, QRectF(rect))

    def pixmap(self, size: QSize, mode: QIcon.Mode, state: QIcon.State) -> QPixmap:
        return self.scaledPixmap(size, mode, state, 1.0)

    def scaledPixmap(self, size: QSize, mode: QIcon.Mode, state: QIcon.State, scale: float) -> QPixmap:
        # The size comes in logical pixels: multiply, or icons blur on dense screens.
        pixels = QSize(round(size.width() * scale), round(size.height() * scale))
        ink = self._ink(mode, state)
        # Every repaint of a button asks for it: reading the outline again takes a hundred times as long.
        key = f"syntaxa {self._name} {ink} {pixels.width()}x{pixels.height()} {scale}"
        found = QPixmapCache.find(key)
        if found is not None:
            return found
        pixmap = QPixmap(pixels)
        pixmap.fill(Qt.GlobalColor.transparent)
        painter = QPainter(pixmap)
        self._renderer(ink).render(painter, QRectF(QPointF(0, 0), QSizeF(pixels)))
        painter.end()
        pixmap.setDevicePixelRatio(scale)
        QPixmapCache.insert(key, pixmap)
        return pixmap

    def clone(self) -> QIconEngine:
        return _Engine(self._name, self._tokens, self._colour, self._on)


# Python must keep the engines: Qt holds them without owning their Python side.
_ENGINES: list[_Engine] = []


@cache
def icon(name: str, tokens: Tokens, colour: str = "", on_colour: str = "") -> QIcon:
    """An icon in the text colour of the look, or in the colours given."""
    engine = _Engine(name, tokens, colour or tokens.text, on_colour or colour or tokens.text)
    _ENGINES.append(engine)
    return QIcon(engine)
