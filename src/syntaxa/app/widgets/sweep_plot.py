"""The tolerance sweep as a plot: regions, open ends and what would be swallowed, over the tolerance; to click in."""

from __future__ import annotations

import math

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.words import tr
from syntaxa.mend.sweep import Sweep

_LEFT, _RIGHT, _TOP, _BOTTOM = 10, 10, 8, 22


class SweepPlot(QWidget):
    """One line for each figure, each to its own height; the tolerance runs along in equal ratios."""

    chosen = pyqtSignal(float)

    def __init__(self) -> None:
        super().__init__()
        self._sweep: Sweep | None = None
        self._tokens: Tokens | None = None
        self._lengths = LengthFormat("mm")
        self._gap = 0.0
        self._at = 0
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setAccessibleName(tr("Tolerance sweep"))
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self) -> QSize:
        return QSize(300, 190)

    def minimumSizeHint(self) -> QSize:
        return QSize(200, 120)

    def show_sweep(self, sweep: Sweep | None, gap: float, tokens: Tokens, lengths: LengthFormat) -> None:
        """Shows a sweep, with the tolerance (mm) that holds marked; its scale is in the unit that is shown."""
        self._sweep, self._gap, self._tokens, self._lengths = sweep, gap, tokens, lengths
        if sweep is not None:
            self._at = sweep.nearest(gap)
            self.setAccessibleDescription(lengths.sentence(sweep.says(gap)))
        self.update()

    # ------------------------------------------------------------------ choosing

    def mousePressEvent(self, a0: QMouseEvent | None) -> None:
        if a0 is not None and self._sweep is not None and a0.button() == Qt.MouseButton.LeftButton:
            steps = self._sweep.tolerance
            share = (a0.position().x() - _LEFT) / max(self.width() - _LEFT - _RIGHT, 1)
            wanted = math.exp(math.log(steps[0]) + share * (math.log(steps[-1]) - math.log(steps[0])))
            self._take(self._sweep.nearest(wanted))

    def keyPressEvent(self, a0: QKeyEvent | None) -> None:
        by = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(a0.key())) if a0 is not None else None
        if by is None or self._sweep is None:
            super().keyPressEvent(a0)
            return
        self._take(min(max(self._at + by, 0), len(self._sweep.tolerance) - 1))

    def _take(self, step: int) -> None:
        assert self._sweep is not None, "only a sweep that is shown is chosen from"
        self._at = step
        self.chosen.emit(float(self._sweep.tolerance[step]))
        self.update()

    # ------------------------------------------------------------------ drawing

    def paintEvent(self, a0: QPaintEvent | None) -> None:
        del a0
        if self._sweep is None or self._tokens is None:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        area = QRectF(_LEFT, _TOP, self.width() - _LEFT - _RIGHT, self.height() - _TOP - _BOTTOM)
        self._draw_plateau(painter, area)
        self._draw_scale(painter, area)
        tokens = self._tokens
        for values, colour, style in (
            (self._sweep.swallowed, tokens.dim, Qt.PenStyle.DotLine),
            (self._sweep.open_ends, tokens.persimmon, Qt.PenStyle.DashLine),
            (self._sweep.regions, tokens.accent, Qt.PenStyle.SolidLine),
        ):
            top = max(int(values.max()), 1)
            points = [
                QPointF(self._x(float(t), area), area.bottom() - area.height() * 0.94 * int(v) / top)
                for t, v in zip(self._sweep.tolerance, values, strict=True)
            ]
            painter.setPen(QPen(QColor(colour), 2, style))
            painter.drawPolyline(QPolygonF(points))
        self._draw_mark(painter, area)

    def _x(self, tolerance: float, area: QRectF) -> float:
        assert self._sweep is not None
        low, high = float(self._sweep.tolerance[0]), float(self._sweep.tolerance[-1])
        share = (math.log(max(tolerance, low)) - math.log(low)) / (math.log(high) - math.log(low))
        return area.left() + area.width() * min(share, 1.0)

    def _draw_plateau(self, painter: QPainter, area: QRectF) -> None:
        assert self._sweep is not None
        assert self._tokens is not None
        low, high = (self._x(t, area) for t in self._sweep.plateau(self._gap))
        painter.fillRect(QRectF(low, area.top(), max(high - low, 2.0), area.height()), QColor(self._tokens.soft))

    def _draw_scale(self, painter: QPainter, area: QRectF) -> None:
        assert self._sweep is not None
        assert self._tokens is not None
        painter.setPen(QPen(QColor(self._tokens.line), 1))
        painter.drawLine(area.bottomLeft(), area.bottomRight())
        unit = self._lengths.mm_per_unit
        power = math.ceil(math.log10(float(self._sweep.tolerance[0]) / unit) - 1e-9)
        while (here := 10.0**power * unit) <= float(self._sweep.tolerance[-1]):
            x = self._x(here, area)
            painter.setPen(QPen(QColor(self._tokens.line), 1))
            painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()))
            painter.setPen(QColor(self._tokens.dim))
            box = QRectF(min(max(x - 40, 0), self.width() - 80), area.bottom() + 3, 80, _BOTTOM - 4)
            side = Qt.AlignmentFlag.AlignLeft if x - 40 < 0 else Qt.AlignmentFlag.AlignHCenter
            painter.drawText(box, side, self._lengths.small(here))
            power += 1

    def _draw_mark(self, painter: QPainter, area: QRectF) -> None:
        assert self._tokens is not None
        x = self._x(self._gap, area)
        painter.setPen(QPen(QColor(self._tokens.text), 1.5))
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()))
        painter.setBrush(QColor(self._tokens.text))
        # A small flag at the top of the line: where the tolerance stands.
        painter.drawPolygon(
            QPolygonF([QPointF(x, area.top()), QPointF(x + 9, area.top() + 4), QPointF(x, area.top() + 8)])
        )
        if self.hasFocus():
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(QColor(self._tokens.accent), 1.5))
            painter.drawRect(QRectF(0.75, 0.75, self.width() - 1.5, self.height() - 1.5))
