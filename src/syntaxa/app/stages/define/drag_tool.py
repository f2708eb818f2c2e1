"""A hand that drags ends and centres of the chosen sketch while what holds keeps holding, and texts of dimensions."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

import numpy as np
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QMouseEvent, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.strokes import draw_shapes
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.stages.define.dimension_layer import DimensionsLayer, Mark, draw_figure
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.words import tr
from syntaxa.define.dragging import Dragging, led
from syntaxa.define.model import Named
from syntaxa.define.settling import Stated, settled_at
from syntaxa.define.sketching import point_names
from syntaxa.define.spans import figure
from syntaxa.geometry.places import nearest_on
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Shape

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas

#: Pixels within which a point is taken.
_REACH = 10.0

#: Pieces up to which the sketch follows while the mouse moves; a larger one follows when it comes up.
_FOLLOWING = 400

#: What is said of the chosen sketch, and the values of its dimensions; None where nothing can be dragged.
Asked = Callable[[], tuple[Stated, dict[str, float]] | None]


class DragTool(Tool):
    """Press on a point or a curve, move, and let go; with Shift both sides of the middle of its part go alike."""

    cursor = Qt.CursorShape.OpenHandCursor

    def __init__(
        self, canvas: Canvas, asked: Asked, done: Callable[[Named, bool, Point], None], dimensions: DimensionsLayer,
        placed: Callable[[str, Point], None],
    ) -> None:  # fmt: skip
        super().__init__(canvas)
        self._asked, self._done = asked, done
        self._dimensions, self._placed = dimensions, placed
        #: The dimension whose text is in hand.
        self._mark: Mark | None = None
        self._stated: Stated | None = None
        self._values: dict[str, float] = {}
        self._name: Named | None = None
        self._dragging: Dragging | None = None
        #: From the hand to what is led (mm).
        self._off = Vector(0.0, 0.0)
        #: Whether both sides of the middle of the part go alike.
        self._both = False
        self._shapes: list[Shape] = []

    def press(self, event: QMouseEvent) -> None:
        mark = self._dimensions.mark_at(event.position())
        if mark is not None and not mark.is_proposed:
            self._mark = mark
            return
        asked = self._asked()
        if asked is None:
            return
        self._stated, self._values = asked
        self._both = bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier)
        at = self.canvas.view.to_mm(event.position().x(), event.position().y())
        place, reach = Point(*at), _REACH / self.canvas.view.scale
        self._name, self._dragging = _nearest(self._stated, place, reach) or self._curve_at(place, reach), None
        self._off = Vector(0.0, 0.0)
        if self._name is not None and not self._name.place:
            # The curve is led by its first end, as far from the hand as it was when it was taken.
            self._off = _first_end(self._stated, self._name) - place

    def move(self, at: QPointF) -> None:
        if self._mark is not None:
            self.canvas.update()
            return
        if self._stated is None or self._name is None or len(self._stated.pieces) > _FOLLOWING:
            return
        if self._dragging is None:
            self._dragging = Dragging(self._stated, self._values, self._name, both=self._both)
        x = self._dragging.to(Point(*self.canvas.view.to_mm(at.x(), at.y())) + self._off)
        now = settled_at(self._stated, x).curves
        self._shapes = [c.shape for c, old in zip(now, self._stated.curves, strict=True) if c is not old]
        self.canvas.update()

    def _curve_at(self, place: Point, reach: float) -> Named | None:
        """The piece under the hand, of the chosen sketch."""
        stated = self._stated
        if stated is None:
            return None
        ids = {c.id for c in stated.curves}
        curve = self.canvas.selection.nearest_that(place.x, place.y, reach, lambda c: c.id in ids)
        if curve is None:
            return None
        rows = zip(stated.pieces, stated.bare.things, strict=True)
        mine = [p for p, t in rows if t is not None and stated.curves[p.curve].id == curve.id]
        near = [(nearest_on(p.shape, place).distance_to(place), p.name) for p in mine]
        return min(near)[1] if near else None

    def release(self, event: QMouseEvent) -> None:
        mark, self._mark = self._mark, None
        if mark is not None:
            self._placed(mark.name, Point(*self.canvas.view.to_mm(event.position().x(), event.position().y())))
            self.canvas.update()
            return
        name, self._name, self._shapes = self._name, None, []
        if name is not None:
            to = Point(*self.canvas.view.to_mm(event.position().x(), event.position().y()))
            self._done(name, self._both, to + self._off)
        self.canvas.update()

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        draw_shapes(painter, self._shapes, view, QPen(QColor(tokens.persimmon), 1.8, Qt.PenStyle.DashLine))
        if self._mark is not None:
            at = Point(*view.to_mm(self.canvas.mouse.x(), self.canvas.mouse.y()))
            pen = QPen(QColor(tokens.persimmon), 1.2)
            draw_figure(painter, figure(self._mark.span, at), self._mark.text, view, pen)

    def label(self) -> str:
        if self._name is None:
            return ""
        return tr("the {0}, both sides alike" if self._both else "the {0}", self._name)

    def given_up(self) -> None:
        self._name, self._mark, self._shapes = None, None, []


def _nearest(stated: Stated, at: Point, reach: float) -> Named | None:
    rows = list(point_names(stated.bare))
    if not rows:
        return None
    x = np.array(stated.bare.system.x)
    places = x[np.array([spot for _, spot in rows], dtype=np.int64)]
    away = np.hypot(*(places - (at.x, at.y)).T)
    best = int(away.argmin())
    return rows[best][0] if away[best] <= reach else None


def _first_end(stated: Stated, name: Named) -> Point:
    """Where a curve is led: its first end, or the centre of a circle."""
    s, thing = stated.bare.system, stated.bare.thing(name)
    spot = led(thing)[0]
    return Point(s.x[spot.x], s.x[spot.y])
