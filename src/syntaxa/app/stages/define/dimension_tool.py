"""Dimensions drawn by picking: one or two things, then where the text stands; what it measures follows from that."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

import numpy as np
from PyQt6.QtCore import QPointF
from PyQt6.QtGui import QColor, QMouseEvent, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.strokes import draw_shapes
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.stages.define.dimension_layer import draw_figure
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.words import tr
from syntaxa.define.model import Measure, Named
from syntaxa.define.picking import measure_of
from syntaxa.define.relations import drawn
from syntaxa.define.settling import Stated
from syntaxa.define.sketching import point_names
from syntaxa.define.spans import figure, span_of
from syntaxa.geometry.places import nearest_on
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas

#: Pixels within which a point, or else a curve, is picked.
_POINT, _CURVE = 9.0, 7.0


class DimensionTool(Tool):
    """Click what is to be measured, perhaps a second thing, and then where the text goes."""

    def __init__(
        self, canvas: Canvas, sketch: str, stated: Stated, text: Callable[[Measure, float], str],
        done: Callable[[Measure], None],
    ) -> None:  # fmt: skip
        super().__init__(canvas)
        self._sketch, self._stated, self._text, self._done = sketch, stated, text, done
        rows = list(point_names(stated.bare))
        x = np.array(stated.bare.system.x)
        self._points = [name for name, _ in rows]
        self._places = x[np.array([spot for _, spot in rows], dtype=np.int64).reshape(-1, 2)]
        #: The pieces of each curve that have a length, by its id.
        self._rows: dict[str, list[int]] = {}
        for k, (piece, thing) in enumerate(zip(stated.pieces, stated.bare.things, strict=True)):
            if thing is not None:
                self._rows.setdefault(stated.curves[piece.curve].id, []).append(k)
        self._picks: list[Named] = []
        self._under: Named | None = None

    def move(self, at: QPointF) -> None:
        self._under = self._thing_at(at)

    def press(self, event: QMouseEvent) -> None:
        at = event.position()
        thing = self._thing_at(at)
        if thing is not None and self._can_pick(thing, at):
            self._picks.append(thing)
            self.canvas.update()
            return
        made = self._measure(at, self._picks) if self._picks else None
        if made is not None:
            self._picks, self._under = [], None
            self._done(made)
        self.canvas.update()

    def _can_pick(self, thing: Named, at: QPointF) -> bool:
        """Whether it is the first thing, or a second one that the first has a dimension with."""
        if not self._picks:
            return True
        return len(self._picks) < 2 and thing not in self._picks and bool(self._measure(at, [*self._picks, thing]))

    def given_up(self) -> None:
        self._picks, self._under = [], None

    # ------------------------------------------------------------------ what is picked

    def _place(self, at: QPointF) -> Point:
        return Point(*self.canvas.view.to_mm(at.x(), at.y()))

    def _measure(self, at: QPointF, picks: list[Named]) -> Measure | None:
        return measure_of(self._stated.bare, self._sketch, picks, self._place(at))

    def _thing_at(self, at: QPointF) -> Named | None:
        """The nearest point, or else the nearest piece, of the sketch."""
        place, scale = self._place(at), self.canvas.view.scale
        if len(self._places):
            away = np.hypot(*(self._places - (place.x, place.y)).T)
            if away.min() <= _POINT / scale:
                return self._points[int(away.argmin())]
        curve = self.canvas.selection.nearest_that(place.x, place.y, _CURVE / scale, lambda c: c.id in self._rows)
        if curve is None:
            return None
        mine = [self._stated.pieces[k] for k in self._rows[curve.id]]
        return min((nearest_on(p.shape, place).distance_to(place), p.name) for p in mine)[1]

    def _shapes(self) -> list[Shape]:
        wanted = {n.at("") for n in (*self._picks, *([self._under] if self._under is not None else []))}
        return [p.shape for p in self._stated.pieces if p.name in wanted]

    # ------------------------------------------------------------------ what is seen

    def label(self) -> str:
        if not self._picks:
            return tr("measure {0}", self._under) if self._under is not None else tr("Click what is to be measured")
        if self._measure(self.canvas.mouse, self._picks) is None:
            return tr("Click a second thing")
        return tr("Click where it goes") if len(self._picks) == 2 else tr("Click where it goes, or a second thing")

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        pen = QPen(QColor(tokens.accent), 2.6)
        draw_shapes(painter, self._shapes(), view, pen)
        for name in (*self._picks, *([self._under] if self._under is not None else [])):
            if name.place:
                at = self._places[self._points.index(name)]
                painter.drawEllipse(QPointF(*view.to_pixels(*at.tolist())), 5, 5)
        made = self._measure(self.canvas.mouse, self._picks) if self._picks else None
        if made is not None and made.place is not None:
            model = self._stated.bare
            value = drawn(model.system, made.kind, [model.thing(n) for n in made.things], made.angle)
            lines = figure(span_of(model, made), Point(*made.place))
            draw_figure(painter, lines, self._text(made, value), view, QPen(QColor(tokens.accent), 1.4))
