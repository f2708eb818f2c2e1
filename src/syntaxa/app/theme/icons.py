"""Icons from our own outlines, drawn in the colours of the look at any pixel density."""

from __future__ import annotations

from functools import cache
from importlib.resources import files

from PyQt6.QtCore import QPointF, QRect, QRectF, QSize, QSizeF, Qt
from PyQt6.QtGui import QIcon, QIconEngine, QPainter, QPixmap
from PyQt6.QtSvg import QSvgRenderer

from syntaxa.app.theme.tokens import Tokens


@cache
def _outline(name: str) -> str:
    return files("syntaxa.app").joinpath(f"assets/icons/{name}.svg").read_text()


class _Engine(QIconEngine):
    def __init__(self, name: str, tokens: Tokens, colour: str, on_colour: str) -> None:
        super().__init__()
        self._name, self._tokens, self._colour, self._on = name, tokens, colour, on_colour

    def _renderer(self, mode: QIcon.Mode, state: QIcon.State) -> QSvgRenderer:
        colour = self._on if state == QIcon.State.On else self._colour
        if mode == QIcon.Mode.Disabled:
            colour = self._tokens.strong_line
        return QSvgRenderer(_outline(self._name).replace("currentColor", colour).encode())

    def paint(self, painter: QPainter | None, rect: QRect, mode: QIcon.Mode, state: QIcon.State) -> None:
        self._renderer(mode, state).render(painter, QRectF(rect))

    def pixmap(self, size: QSize, mode: QIcon.Mode, state: QIcon.State) -> QPixmap:
        return self.scaledPixmap(size, mode, state, 1.0)

    def scaledPixmap(self, size: QSize, mode: QIcon.Mode, state: QIcon.State, scale: float) -> QPixmap:
        # The size comes in logical pixels: multiply, or icons blur on dense screens.
        pixels = QSize(round(size.width() * scale), round(size.height() * scale))
        pixmap = QPixmap(pixels)
        pixmap.fill(Qt.GlobalColor.transparent)
        painter = QPainter(pixmap)
        self._renderer(mode, state).render(painter, QRectF(QPointF(0, 0), QSizeF(pixels)))
        painter.end()
        pixmap.setDevicePixelRatio(scale)
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
