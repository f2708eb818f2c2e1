"""What a revision changes, drawn over the drawing: told apart by line and mark as well as by colour."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.strokes import Strokes
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape

#: Shapes drawn at the most in one frame; the list has all counts.
_MOST = 3000


@dataclass(frozen=True)
class ChangeMarks:
    """Shapes in mm: what comes, what goes, what changes from one to the other, and pieces of what was cut."""

    added: Sequence[Shape] = ()
    removed: Sequence[Shape] = ()
    moved: Sequence[tuple[Shape, Shape]] = ()
    cut: Sequence[Shape] = ()

    def box(self) -> tuple[float, float, float, float] | None:
        """Extents of all of it."""
        shapes = [*self.added, *self.removed, *(s for pair in self.moved for s in pair), *self.cut]
        if not shapes:
            return None
        low_x, low_y, high_x, high_y = zip(*(bounds(s) for s in shapes), strict=True)
        return min(low_x), min(low_y), max(high_x), max(high_y)

    @cached_property
    def removed_strokes(self) -> Strokes:
        """Those of what goes."""
        return Strokes(self.removed[:_MOST])

    @cached_property
    def added_strokes(self) -> Strokes:
        """Those of what comes."""
        return Strokes(self.added[:_MOST])

    @cached_property
    def cut_strokes(self) -> Strokes:
        """Those of pieces of what was cut."""
        return Strokes(self.cut[:_MOST])

    @cached_property
    def moved_strokes(self) -> tuple[Strokes, Strokes]:
        """Those of what changes, before and after."""
        moved = self.moved[:_MOST]
        return Strokes([before for before, _ in moved]), Strokes([after for _, after in moved])


def draw_changes(painter: QPainter, marks: ChangeMarks, view: Camera, tokens: Tokens) -> None:
    """Removed: dashed persimmon with a minus; added: thick verdigris with a plus; moved: from dotted to solid."""
    persimmon, accent, dim = QColor(tokens.persimmon), QColor(tokens.accent), QColor(tokens.dim)
    marks.removed_strokes.draw(painter, view, QPen(persimmon, 1.8, Qt.PenStyle.DashLine))
    marks.added_strokes.draw(painter, view, QPen(accent, 2.6))
    before, after = marks.moved_strokes
    before.draw(painter, view, QPen(dim, 1.4, Qt.PenStyle.DotLine))
    marks.cut_strokes.draw(painter, view, QPen(accent, 1.6))
    after.draw(painter, view, QPen(accent, 1.6))
    for shape in marks.removed[:200]:
        _sign(painter, shape, view, persimmon, QColor(tokens.canvas), plus=False)
    for shape in marks.added[:200]:
        _sign(painter, shape, view, accent, QColor(tokens.canvas), plus=True)
    for old, new in marks.moved[:200]:
        _arrow(painter, _middle(old), _middle(new), view, accent)


def _middle(shape: Shape) -> Point:
    x, y, u, v = bounds(shape)
    return Point((x + u) / 2, (y + v) / 2)


def _sign(painter: QPainter, shape: Shape, view: Camera, ink: QColor, ground: QColor, plus: bool) -> None:
    """A plus or minus at the upper right of a shape, so that it hides nothing of it."""
    px, py = view.to_pixels(*bounds(shape)[2:])
    px, py = px + 9, py - 9
    painter.setPen(QPen(ink, 1.6))
    painter.setBrush(ground)
    painter.drawEllipse(QPointF(px, py), 7, 7)
    painter.drawLine(QPointF(px - 4, py), QPointF(px + 4, py))
    if plus:
        painter.drawLine(QPointF(px, py - 4), QPointF(px, py + 4))


def _arrow(painter: QPainter, a: Point, b: Point, view: Camera, ink: QColor) -> None:
    start, end = QPointF(*view.to_pixels(a.x, a.y)), QPointF(*view.to_pixels(b.x, b.y))
    way = end - start
    length = (way.x() ** 2 + way.y() ** 2) ** 0.5
    if length < 8:
        return
    painter.setPen(QPen(ink, 1.4))
    painter.drawLine(start, end)
    along, across = way / length * 8, QPointF(-way.y(), way.x()) / length * 4
    painter.drawLine(end, end - along + across)
    painter.drawLine(end, end - along - across)


class ChangesLayer(Layer):
    """What a changed file would change."""

    height = Height.CHANGES

    def __init__(self) -> None:
        super().__init__()
        self.marks: ChangeMarks | None = None

    def show(self, marks: ChangeMarks | None) -> None:
        """The marks, or none."""
        self.marks = marks
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self.marks is not None:
            draw_changes(painter, self.marks, view, tokens)
