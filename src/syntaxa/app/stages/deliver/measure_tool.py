"""Dimensions drawn on a sheet by picking."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen, QPolygonF

from syntaxa.app.stages.deliver.sheet_tools import INK, SheetTool, ToPixels
from syntaxa.app.words import tr
from syntaxa.define.model import Named
from syntaxa.define.spans import Figure, figure
from syntaxa.deliver.sheets.contents import Dimensioned, Pointed, moved_span
from syntaxa.deliver.sheets.dimensioning import ROW
from syntaxa.deliver.sheets.laying import Laid
from syntaxa.deliver.sheets.measuring import MOST, Measurable, dimension_at, dimensioned, meanings
from syntaxa.deliver.sheets.model import SheetDimension
from syntaxa.errors import SyntaxaError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape

#: Pixels within which something is picked; mm: how fine curves are drawn.
_REACH, _FINE = 8.0, 0.05


class MeasureTool(SheetTool):
    """Click what is to be measured, one thing after the other, and then where the text goes."""

    def __init__(
        self, laid: Callable[[], Sequence[Laid]], measurable: Callable[[int], Measurable | None],
        done: Callable[[int, SheetDimension], None], means: Callable[[Sequence[str]], None],
    ) -> None:  # fmt: skip
        """laid  the views as they lie

        measurable  what can be measured in a view by its number; None until that is known
        means       is told what the picks can mean, the likeliest first
        """
        self._laid, self._known, self._done, self._means = laid, measurable, done, means
        self._view = -1
        self._picks: list[Named] = []
        self._under: tuple[int, Named] | None = None
        self._at = Point(0.0, 0.0)
        self._choices: tuple[str, ...] = ()
        self._meaning = ""

    # ------------------------------------------------------------------ by hand

    def press(self, at: Point, pixel: float) -> None:
        self._at = at
        found = self._thing_at(at, pixel)
        if found is not None and (not self._picks or found[0] == self._view):
            self._view = found[0]
            if found[1] in self._picks:
                self._picks.remove(found[1])
            elif len(self._picks) < MOST:
                self._picks.append(found[1])
            self._ask()
            return
        made = self._made(at)
        if made is not None:
            view = self._view
            self._clear()
            self._done(view, made)

    def move(self, at: Point, pixel: float) -> None:
        self._at = at
        self._under = self._thing_at(at, pixel)

    def key(self, key: Qt.Key) -> bool:
        if key != Qt.Key.Key_Space or len(self._choices) < 2:
            return False
        self._meaning = self._choices[(self._choices.index(self._meaning) + 1) % len(self._choices)]
        self._means((self._meaning, *(c for c in self._choices if c != self._meaning)))
        return True

    def mean(self, meaning: str) -> None:
        if meaning in self._choices:
            self._meaning = meaning

    def give_up(self) -> bool:
        if not self._picks:
            return True
        self._clear()
        return False

    def _clear(self) -> None:
        self._picks, self._view, self._choices, self._meaning = [], -1, (), ""
        self._means(())

    def _ask(self) -> None:
        """What the picks can mean by now."""
        can = self._measurable()
        self._choices = meanings(can.model, self._picks) if can is not None and self._picks else ()
        if self._meaning not in self._choices:
            self._meaning = self._choices[0] if self._choices else ""
        self._means((self._meaning, *(c for c in self._choices if c != self._meaning)) if self._choices else ())

    # ------------------------------------------------------------------ what is picked

    def _one(self, view: int) -> Laid | None:
        laid = self._laid()
        return laid[view] if 0 <= view < len(laid) else None

    def _measurable(self, view: int | None = None) -> Measurable | None:
        number = self._view if view is None else view
        return self._known(number) if self._one(number) is not None else None

    def _thing_at(self, at: Point, pixel: float) -> tuple[int, Named] | None:
        """What lies there: the number of its view, and what it is."""
        laid = self._laid()
        reach = _REACH * pixel
        inside = [
            k for k, one in enumerate(laid)
            if one.box[0] - reach <= at.x <= one.box[2] + reach and one.box[1] - reach <= at.y <= one.box[3] + reach
            and one.content.curves and (not self._picks or k == self._view)
        ]  # fmt: skip
        view = min(inside, key=lambda k: laid[k].box[2] - laid[k].box[0], default=-1)
        can = self._measurable(view) if view >= 0 else None
        if can is None:
            return None
        place = laid[view].onto_paper.inverse().point(at)
        name = can.thing_at(place, reach / laid[view].scale)
        return None if name is None else (view, name)

    def _made(self, at: Point) -> SheetDimension | None:
        one, can = self._one(self._view), self._measurable()
        if one is None or can is None or not self._meaning:
            return None
        try:
            return dimension_at(can.model, self._picks, self._meaning, one.onto_paper.inverse().point(at))
        except SyntaxaError:
            return None

    # ------------------------------------------------------------------ what is seen

    @property
    def label(self) -> str:
        if not self._picks:
            return tr("Click what is to be measured: a line, a circle, a point. Escape ends.")
        if not self._meaning:
            return tr("Click a second thing.")
        more = tr(" Space: another meaning.") if len(self._choices) > 1 else ""
        return tr("{0}: click where it goes, or another thing.{1}", tr(self._meaning).capitalize(), more)

    def paint(self, painter: QPainter, to_pixels: ToPixels) -> None:
        under = [self._under] if self._under is not None else []
        for view, name in ((self._view, n) for n in self._picks):
            self._paint_thing(painter, to_pixels, view, name, 2.4)
        for view, name in under:
            self._paint_thing(painter, to_pixels, view, name, 1.4)
        one, made = self._one(self._view), self._made(self._at) if self._picks else None
        if one is None or made is None or self._under is not None:
            return
        try:
            spans = dimensioned(one.content.curves, made, "", ROW / one.scale)
        except SyntaxaError:
            return
        for each in spans:
            self._paint_dimension(painter, to_pixels, one, each)

    def _paint_thing(self, painter: QPainter, to_pixels: ToPixels, view: int, name: Named, width: float) -> None:
        one, can = self._one(view), self._measurable(view)
        if one is None or can is None:
            return
        painter.setPen(QPen(QColor(INK), width))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        by = one.onto_paper
        place = can.place_of(name)
        if place is not None:
            painter.drawEllipse(to_pixels(by.point(place)), 5, 5)
        else:
            _draw(painter, to_pixels, can.shape_of(name).transformed(by))

    def _paint_dimension(self, painter: QPainter, to_pixels: ToPixels, one: Laid, each: Dimensioned) -> None:
        by = one.onto_paper
        span = moved_span(each.span, by)
        painter.setPen(QPen(QColor(INK), 1.2))
        if isinstance(span, Pointed):
            painter.drawEllipse(to_pixels(span.at), 4, 4)
            painter.drawText(to_pixels(span.at) + QPointF(8, -6), each.text)
            return
        lines: Figure = figure(span, by.point(each.place) if each.place is not None else self._at)
        for shape in (*lines.helpers, lines.line):
            _draw(painter, to_pixels, shape)
        painter.save()
        painter.translate(to_pixels(lines.text))
        painter.rotate(-math.degrees(lines.writing))
        painter.drawText(QPointF(-painter.fontMetrics().horizontalAdvance(each.text) / 2, -4), each.text)
        painter.restore()


def _draw(painter: QPainter, to_pixels: ToPixels, shape: Shape) -> None:
    points = [to_pixels(Point(x, y)) for x, y in shape.flattened(_FINE).tolist()]
    painter.drawPolyline(QPolygonF(points))
