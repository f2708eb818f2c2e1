"""The stock seen at a slant in the canvas's place: drag to turn it, the wheel to come nearer, depth by shade."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np
from PyQt6.QtCore import QPointF, Qt, pyqtSignal
from PyQt6.QtGui import (
    QColor,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPainterPath,
    QPaintEvent,
    QPen,
    QPolygonF,
    QTransform,
    QWheelEvent,
)  # fmt: skip
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.stages.cut.layers import shades, tones
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.widgets.labels import ElidedLabel, button, row_of
from syntaxa.app.words import tr
from syntaxa.cut.bench.heights import HeightMap
from syntaxa.cut.bench.relief import SIDE, TOP, Laid, Slant, fitting, relief
from syntaxa.cut.model import Tool
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.types import Bools, Floats

#: Radians: how it is seen at first, how low and high the eye may be, and what a key turns.
_TURN, _RISE, _LOWEST, _HIGHEST, _KEY = math.radians(20), math.radians(42), math.radians(15), math.radians(88), 0.12

#: Radians that a pixel of dragging turns, and how much a notch of the wheel comes nearer.
_A_PIXEL, _A_NOTCH = 0.008, 1.15

#: Pixels that are worked out at the most.
_MOST_PIXELS = 450_000

#: How dark a side is, and mm of the tool that are drawn.
_SIDE_SHADE, _TOOL_LENGTH = 0.72, 30.0


class ReliefView(QWidget):
    """The picture, and what the mouse and keys do with it."""

    def __init__(self) -> None:
        super().__init__()
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(tr("The stock in space"))
        self.turn, self.rise, self._nearer = _TURN, _RISE, 1.0
        self._shift = (0.0, 0.0)
        self._stock: HeightMap | None = None
        self._kept: Bools | None = None
        self._tool: tuple[tuple[float, float, float], Tool] | None = None
        self._tokens: Tokens | None = None
        self._laid: Laid | None = None
        self._picture: QImage | None = None
        self._last = QPointF()

    # ------------------------------------------------------------------ showing

    def show_stock(self, stock: HeightMap | None, tokens: Tokens) -> None:
        """Another state of the stock, or none."""
        if stock is None or self._stock is None or stock.box != self._stock.box:
            self._laid = None
        self._stock, self._tokens, self._picture = stock, tokens, None
        self.update()

    def keep(self, loops: Sequence[Floats], shift: tuple[float, float]) -> None:
        """Shows nothing outside of some outlines (mm on the drawing; where the zero lies there); all where none are."""
        self._kept = None if self._stock is None or not loops else cells_within(self._stock, loops, shift)
        self._picture = None
        self.update()

    def show_tool(self, tool: tuple[tuple[float, float, float], Tool] | None) -> None:
        """The place of the tool's tip (mm, the program's) and the tool."""
        self._tool = tool
        self.update()

    def see_from(self, turn: float, rise: float) -> None:
        """Turns the stock, and raises the eye (radians)."""
        self.turn, self.rise = turn % (2 * math.pi), min(max(rise, _LOWEST), _HIGHEST)
        self._forget()

    def fit(self) -> None:
        """All of it is seen again, from where it was at first."""
        self._nearer, self._shift = 1.0, (0.0, 0.0)
        self.see_from(_TURN, _RISE)

    def _forget(self) -> None:
        self._laid = self._picture = None
        self.update()

    def _slant(self, stock: HeightMap) -> Slant:
        by = self._by
        width, height = max(round(self.width() / by), 1), max(round(self.height() / by), 1)
        made = fitting(stock, self.turn, self.rise, width, height, 0.85 * self._nearer)
        return replace(made, right=self._shift[0] / by, up=self._shift[1] / by)

    @property
    def _by(self) -> float:
        """How many pixels of the window one of the picture is: in a large window it would not keep up."""
        return max(math.sqrt(self.width() * self.height() / _MOST_PIXELS), 1.0)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        del event
        painter = QPainter(self)
        if self._stock is None or self._tokens is None:
            return
        painter.fillRect(self.rect(), QColor(self._tokens.canvas))
        if self._laid is None or self._laid.slant != self._slant(self._stock):
            self._laid, self._picture = Laid(self._stock, self._slant(self._stock)), None
        if self._picture is None:
            self._picture = self._painted(self._stock, self._laid, self._tokens)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.scale(self._by, self._by)
        painter.drawImage(0, 0, self._picture)
        if self._tool is not None:
            self._draw_tool(painter, self._stock, self._laid.slant, *self._tool, self._tokens)

    def _painted(self, stock: HeightMap, laid: Laid, tokens: Tokens) -> QImage:
        cell, face = relief(stock, laid, self._kept)
        seen = shades(stock, tokens).reshape(-1, 3)[np.maximum(cell, 0)].astype(np.float32)
        # Sides are all alike: what light falls on a cell says nothing of an upright wall.
        seen[face == SIDE] = _SIDE_SHADE * tones(tokens)[1]
        # The edge of a step is drawn where what is seen goes from a top to a side.
        edge = (face[:-1] == TOP) & (face[1:] == SIDE)
        seen[:-1][edge] *= _SIDE_SHADE
        table = np.dstack([seen, np.where(face > 0, 255, 0)]).astype(np.uint8)
        height, width = face.shape
        data = np.ascontiguousarray(table).tobytes()
        return QImage(data, width, height, 4 * width, QImage.Format.Format_RGBA8888).copy()

    def _draw_tool(
        self, painter: QPainter, stock: HeightMap, slant: Slant, tip: tuple[float, float, float], tool: Tool,
        tokens: Tokens,
    ) -> None:  # fmt: skip
        low = stock.top if tool.is_flat else tip[2]
        x, y = slant.pixel(tip[0], tip[1], low, stock.box, stock.bottom)
        _, top = slant.pixel(tip[0], tip[1], low + _TOOL_LENGTH, stock.box, stock.bottom)
        half = max(tool.radius * slant.scale, 1.5)
        flat = half * math.sin(slant.rise)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setPen(QPen(QColor(tokens.persimmon), 2))
        painter.drawEllipse(QPointF(x, y), half, flat)
        painter.drawEllipse(QPointF(x, top), half, flat)
        for side in (-half, half):
            painter.drawLine(QPointF(x + side, y), QPointF(x + side, top))

    # ------------------------------------------------------------------ turning

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._last = event.position()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        step = event.position() - self._last
        self._last = event.position()
        if event.buttons() & Qt.MouseButton.MiddleButton:
            self._shift = self._shift[0] + step.x(), self._shift[1] - step.y()
            self._forget()
            return
        self.see_from(self.turn - step.x() * _A_PIXEL, self.rise + step.y() * _A_PIXEL)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        self._nearer = min(max(self._nearer * _A_NOTCH ** (event.angleDelta().y() / 120), 0.2), 20.0)
        self._forget()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        turns = {
            Qt.Key.Key_Left: (_KEY, 0.0), Qt.Key.Key_Right: (-_KEY, 0.0),
            Qt.Key.Key_Up: (0.0, _KEY), Qt.Key.Key_Down: (0.0, -_KEY),
        }  # fmt: skip
        turn = turns.get(Qt.Key(event.key()))
        if turn is None:
            super().keyPressEvent(event)
        else:
            self.see_from(self.turn + turn[0], self.rise + turn[1])


class ReliefFront(QWidget):
    """The view with what belongs to it."""

    plan_wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("reliefFront")
        self.view = ReliefView()
        self.setFocusProxy(self.view)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        fit = button(tr("Fit"), tr("Show all of the stock"))
        plan = button(tr("Plan"), tr("The paths on the drawing"))
        fit.clicked.connect(self.view.fit)
        plan.clicked.connect(self.plan_wanted)
        bar = row_of(fit, None, plan)
        bar.setContentsMargins(12, 6, 12, 6)
        column.addLayout(bar)
        column.addWidget(self.view, 1)
        self.says = ElidedLabel("dim")
        self.says.setText(tr("Drag or arrow keys turn the stock, the middle button moves it, the wheel comes nearer."))
        foot = row_of(self.says)
        foot.setContentsMargins(12, 4, 12, 4)
        column.addLayout(foot)


def cells_within(stock: HeightMap, loops: Sequence[Floats], shift: tuple[float, float]) -> Bools:
    """Which cells lie in outlines (mm on the drawing, where the program's zero lies at `shift`)."""
    rows, columns = stock.heights.shape
    image = QImage(columns, rows, QImage.Format.Format_Grayscale8)
    image.fill(0)
    painter = QPainter(image)
    left, low = stock.box[0] + shift[0], stock.box[1] + shift[1]
    painter.setTransform(QTransform(1 / stock.cell, 0, 0, 1 / stock.cell, -left / stock.cell, -low / stock.cell))
    path = QPainterPath()
    for rows_of in loops:
        points = shape_of_rows(rows_of, True).flattened(stock.cell / 4)
        path.addPolygon(QPolygonF([QPointF(x, y) for x, y in points.tolist()]))
        path.closeSubpath()
    painter.fillPath(path, QColor(255, 255, 255))
    painter.end()
    bits = image.constBits()
    assert bits is not None
    bits.setsize(image.sizeInBytes())
    table = np.frombuffer(bits.asstring(), np.uint8).reshape(rows, image.bytesPerLine())
    return np.asarray(table[:, :columns] > 0)
