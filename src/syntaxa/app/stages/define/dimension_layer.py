"""Dimensions on the canvas as a draughtsman draws them: helping lines, dimension line, arrowheads, text (ISO 129-1)."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QFontMetricsF, QPainter, QPen, QPolygonF, QTransform

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.strokes import polygon_of
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.define.spans import Figure, Span, Straightly, Sweeping, figure, usual_place
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line

#: Pixels between what is measured and its helping line, and that this goes on beyond the dimension line.
_GAP, _BEYOND = 3.0, 5.0

#: Pixels: an arrowhead, half its width, and the dimension line below which the heads stand outside.
_HEAD, _HALF_HEAD, _SHORT = 9.0, 2.2, 26.0

#: Pixels from what is measured to a text that nobody has placed; the next, where that has no room.
_AWAY = tuple(26.0 + 20.0 * k for k in range(9))

#: Pixels of room round a text, and of the marks at the sides of the chosen dimension.
_ROOM, _MARK = 3.0, 5.0

#: Dimensions that are shown at the most.
_MOST = 300


@dataclass(frozen=True, slots=True)
class Mark:
    """A dimension on the canvas.

    name    empty for one that is only proposed
    text    what stands at its line; middle that of its sketch (mm); place where its text was put, None for nowhere
    open    whether a choice is open: it has a double frame, and is always there
    number  of a proposed one, among those of its sketch
    """

    name: str
    text: str
    span: Span
    middle: Point
    place: Point | None = None
    open: bool = False
    number: int = 0

    @property
    def is_proposed(self) -> bool:
        """Whether it is not there yet."""
        return not self.name


class DimensionsLayer(Layer):
    """The dimensions, as far as their texts have room. A click on a text chooses it, on a proposed one adds it."""

    height = Height.TAGS

    def __init__(
        self, chosen: Callable[[str], None], wanted: Callable[[int], None], stays: Callable[[int], None]
    ) -> None:
        super().__init__()
        self._choose, self._want, self._stay = chosen, wanted, stays
        self._marks: Sequence[Mark] = ()
        self._chosen, self._side = "", 0
        self._frames: list[tuple[QPolygonF, Mark]] = []
        self._sides: list[tuple[QPointF, int]] = []
        #: Room that dimension lines take, in pixels.
        self._lines: list[QRectF] = []
        #: The view that dimensions are laid out for, and how they lie in it; None where they must be laid out anew.
        self._laid_for: Camera | None = None
        self._laid: list[tuple[Mark, Figure]] = []

    def show(self, marks: Sequence[Mark]) -> None:
        """These dimensions."""
        if tuple(marks) != tuple(self._marks):
            self._marks, self._laid_for = marks, None
            self.update()

    def choose(self, name: str, side: int = 0) -> None:
        """Marks one of them, and which of its sides stays where it changes."""
        self._chosen, self._side, self._laid_for = name, side, None
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        font = figure_font(12)
        painter.setFont(font)
        metrics = QFontMetricsF(font)
        if self._laid_for != view:
            self._lay_out(view, metrics)
        self._sides = []
        for mark, lines in self._laid:
            self._draw(painter, mark, lines, view, tokens, metrics)

    def _lay_out(self, view: Camera, metrics: QFontMetricsF) -> None:
        """Gives each dimension its place, as far as there is room; once for a view."""
        self._frames, self._lines, self._laid, self._laid_for = [], [], [], view
        # What must be seen has its room first, then what was placed; shorter ones lie nearer than longer ones.
        ordered = sorted(
            self._marks[:_MOST],
            key=lambda m: (m.name != self._chosen or m.is_proposed, not m.open, m.place is None, _size_of(m.span)),
        )
        for mark in ordered:
            found = self._place_for(mark, view, metrics)
            if found is not None:
                self._frames.append((found[1], mark))
                self._lines.append(_line_room(found[0], view))
                self._laid.append((mark, found[0]))

    def _place_for(self, mark: Mark, view: Camera, metrics: QFontMetricsF) -> tuple[Figure, QPolygonF] | None:
        """Its lines and the frame of its text, where that has room."""
        must = mark.open or mark.place is not None or (mark.name == self._chosen and not mark.is_proposed)
        taken = [*self.texts(), *self._lines]
        first: tuple[Figure, QPolygonF] | None = None
        for away in _AWAY[:1] if mark.place is not None else _AWAY:
            lines = figure(mark.span, mark.place or usual_place(mark.span, mark.middle, away / view.scale))
            row = lines, _frame(lines, mark.text, view, metrics)
            if not any(t.intersects(r) for r in _rooms(*row, view) for t in taken):
                return row
            first = first or row
        return first if must else None

    # ------------------------------------------------------------------ drawing

    def _draw(self, painter: QPainter, mark: Mark, lines: Figure, view: Camera, tokens: Tokens,
              metrics: QFontMetricsF) -> None:  # fmt: skip
        chosen = mark.name == self._chosen and not mark.is_proposed
        ink = QColor(tokens.persimmon if mark.open else tokens.accent if chosen else tokens.dim)
        pen = QPen(ink, 1.6 if chosen else 1.0)
        if mark.is_proposed:
            pen = QPen(QColor(tokens.strong_line), 1.0, Qt.PenStyle.DashLine)
        outside = lines.line.length * view.scale < _SHORT and len(lines.arrows) > 1
        _draw_lines(painter, lines, view, pen, filled=not mark.is_proposed, outside=outside)
        self._draw_text(painter, mark, lines, view, tokens, metrics)
        if chosen:
            self._draw_sides(painter, mark.span, view, tokens)

    def _draw_text(self, painter: QPainter, mark: Mark, lines: Figure, view: Camera, tokens: Tokens,
                   metrics: QFontMetricsF) -> None:  # fmt: skip
        chosen = mark.name == self._chosen and not mark.is_proposed
        painter.save()
        painter.translate(*view.to_pixels(lines.text.x, lines.text.y))
        painter.rotate(-math.degrees(lines.writing))
        box = _box(mark.text, metrics)
        ground = QColor(tokens.soft if chosen else tokens.canvas)
        ground.setAlphaF(1.0 if chosen or mark.open else 0.8)
        painter.setBrush(ground)
        painter.setPen(Qt.PenStyle.NoPen)
        if mark.open:
            painter.setPen(QPen(QColor(tokens.persimmon), 1.2))
            painter.drawRoundedRect(box.adjusted(-3, -3, 3, 3), 5, 5)
        elif chosen:
            painter.setPen(QPen(QColor(tokens.accent), 1.2))
        painter.drawRoundedRect(box, 3, 3)
        painter.setPen(QColor(tokens.dim if mark.is_proposed else tokens.text))
        painter.drawText(box, Qt.AlignmentFlag.AlignCenter, mark.text)
        painter.restore()

    def _draw_sides(self, painter: QPainter, span: Span, view: Camera, tokens: Tokens) -> None:
        """A filled foot at the side that stays, an open ring at the other; a click on that makes it stay instead."""
        for side, place in enumerate(_sides_of(span)):
            at = QPointF(*view.to_pixels(place.x, place.y))
            self._sides.append((at, side))
            painter.setPen(QPen(QColor(tokens.accent), 1.4))
            if side == self._side:
                foot = 1.8 * _MARK
                painter.setBrush(QColor(tokens.accent))
                painter.drawPolygon(QPolygonF([at, at + QPointF(-_MARK, foot), at + QPointF(_MARK, foot)]))
                painter.drawLine(at + QPointF(-2 * _MARK, foot), at + QPointF(2 * _MARK, foot))
            else:
                painter.setBrush(QColor(tokens.canvas))
                painter.drawEllipse(at, _MARK, _MARK)

    # ------------------------------------------------------------------ clicks

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        if self.surface is None:
            return None
        at = QPointF(*self.surface.view.to_pixels(x, y))
        side = next((k for place, k in self._sides if (place - at).manhattanLength() <= 2.4 * _MARK), None)
        if side is not None:
            return lambda: self._stay(side)
        mark = self.mark_at(at)
        if mark is None:
            return None
        return (lambda: self._want(mark.number)) if mark.is_proposed else (lambda: self._choose(mark.name))

    def texts(self) -> list[QRectF]:
        """Where its texts stand, in pixels."""
        return [frame.boundingRect() for frame, _ in self._frames]

    def mark_at(self, at: QPointF) -> Mark | None:
        """The dimension whose text is at a pixel."""
        rows = (m for frame, m in self._frames if frame.containsPoint(at, Qt.FillRule.OddEvenFill))
        return next(rows, None)


def draw_figure(painter: QPainter, lines: Figure, text: str, view: Camera, pen: QPen) -> None:
    """A dimension that is being placed."""
    _draw_lines(painter, lines, view, pen, filled=True, outside=False)
    painter.setPen(pen)
    font = figure_font(12)
    painter.save()
    painter.setFont(font)
    painter.translate(*view.to_pixels(lines.text.x, lines.text.y))
    painter.rotate(-math.degrees(lines.writing))
    painter.drawText(_box(text, QFontMetricsF(font)), Qt.AlignmentFlag.AlignCenter, text)
    painter.restore()


def _rooms(lines: Figure, frame: QPolygonF, view: Camera) -> tuple[QRectF, ...]:
    """What a dimension wants for itself: its text, and its line where that is straight."""
    return frame.boundingRect(), _line_room(lines, view)


def _line_room(lines: Figure, view: Camera) -> QRectF:
    ends = [QPointF(*view.to_pixels(p.x, p.y)) for p in (lines.line.start, lines.line.end)]
    if not (isinstance(lines.line, Line) and lines.helpers):
        return QRectF()
    return QRectF(*ends).normalized().adjusted(-2, -2, 2, 2)


def _size_of(span: Span) -> float:
    """How long a dimension is (mm); what is round or turns lies by itself."""
    return span.a.distance_to(span.b) if isinstance(span, Straightly) else 0.0


def _box(text: str, metrics: QFontMetricsF) -> QRectF:
    """The frame of a text that stands on its line, about the place on the line."""
    wide, high = metrics.horizontalAdvance(text) + 2 * _ROOM, metrics.height()
    return QRectF(-wide / 2, -high - _ROOM, wide, high)


def _frame(lines: Figure, text: str, view: Camera, metrics: QFontMetricsF) -> QPolygonF:
    x, y = view.to_pixels(lines.text.x, lines.text.y)
    turned = QTransform().translate(x, y).rotate(-math.degrees(lines.writing))
    return turned.map(QPolygonF(_box(text, metrics)))


def _draw_lines(painter: QPainter, lines: Figure, view: Camera, pen: QPen, *, filled: bool, outside: bool) -> None:
    """Helping lines, dimension line and heads; heads are drawn in thin whole lines, whatever the pen."""
    painter.setPen(pen)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    for helper in lines.helpers:
        _draw_helper(painter, helper, view)
    painter.drawPolyline(polygon_of(lines.line.flattened(0.08 / view.scale), view))
    painter.setPen(QPen(pen.color(), 1.0))
    painter.setBrush(pen.color() if filled else Qt.BrushStyle.NoBrush)
    for place, way in lines.arrows:
        _draw_head(painter, QPointF(*view.to_pixels(place.x, place.y)), way, outside=outside)


def _draw_helper(painter: QPainter, helper: Line, view: Camera) -> None:
    a, b = (QPointF(*view.to_pixels(p.x, p.y)) for p in (helper.start, helper.end))
    size = math.hypot(b.x() - a.x(), b.y() - a.y())
    if size <= _GAP:
        return
    step = (b - a) / size
    painter.drawLine(a + step * _GAP, b + step * _BEYOND)


def _draw_head(painter: QPainter, tip: QPointF, way: float, *, outside: bool) -> None:
    """A closed, filled head whose tip is at a place; outside it points back, with a tail."""
    c, s = math.cos(way), -math.sin(way)
    if outside:
        c, s = -c, -s
        painter.drawLine(tip, QPointF(tip.x() - 2 * _HEAD * c, tip.y() - 2 * _HEAD * s))
    back = QPointF(tip.x() - _HEAD * c, tip.y() - _HEAD * s)
    across = QPointF(-s, c) * _HALF_HEAD
    painter.drawPolygon(QPolygonF([tip, back + across, back - across]))


def _sides_of(span: Span) -> tuple[Point, ...]:
    """Where the marks of its two sides stand; none for what is round."""
    if isinstance(span, Straightly):
        return span.a, span.b
    return span.ends if isinstance(span, Sweeping) else ()
