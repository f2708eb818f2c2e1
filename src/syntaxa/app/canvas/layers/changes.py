"""What a revision changes, drawn over the drawing: told apart by line and mark as well as by colour."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QImage, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.strokes import MOST_A_FRAME, Resting, draw_shapes
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape

#: Signs of each kind at the most: where there are more, they would hide what they are about.
_MOST_SIGNS = 200


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

    @property
    def are_many(self) -> bool:
        """Whether they are more than can be drawn on every frame."""
        return len(self.added) + len(self.removed) + 2 * len(self.moved) + len(self.cut) > MOST_A_FRAME

    @cached_property
    def parts(self) -> tuple[Sequence[Shape], ...]:
        """What goes, what comes, what was before a change, pieces of what was cut, and what is after a change."""
        return (
            self.removed, self.added, [before for before, _ in self.moved], self.cut, [after for _, after in self.moved]
        )  # fmt: skip

    @cached_property
    def resting(self) -> tuple[Resting, ...]:
        """The parts for the resting picture."""
        return tuple(Resting(part) for part in self.parts)


def _pens(tokens: Tokens) -> tuple[QPen, ...]:
    """The pens of the parts. Removed: dashed persimmon; added: thick verdigris; moved: from dotted to solid."""
    persimmon, accent, dim = QColor(tokens.persimmon), QColor(tokens.accent), QColor(tokens.dim)
    removed, before = QPen(persimmon, 1.8, Qt.PenStyle.DashLine), QPen(dim, 1.4, Qt.PenStyle.DotLine)
    pens = removed, QPen(accent, 2.6), before, QPen(accent, 1.6), QPen(accent, 1.6)
    for pen in pens:
        pen.setCosmetic(True)
    return pens


def draw_signs(painter: QPainter, marks: ChangeMarks, view: Camera, tokens: Tokens) -> None:
    """A minus where something goes, a plus where something comes, an arrow where something moves."""
    persimmon, accent = QColor(tokens.persimmon), QColor(tokens.accent)
    for shape in marks.removed[:_MOST_SIGNS]:
        _sign(painter, shape, view, persimmon, QColor(tokens.canvas), plus=False)
    for shape in marks.added[:_MOST_SIGNS]:
        _sign(painter, shape, view, accent, QColor(tokens.canvas), plus=True)
    for old, new in marks.moved[:_MOST_SIGNS]:
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
        rested, self.marks = self._rests, marks
        if rested or self._rests:
            self.repaint()
        self.update()

    @property
    def _rests(self) -> bool:
        return self.marks is not None and self.marks.are_many

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        if self.marks is not None and self._rests:
            for part, pen in zip(self.marks.resting, _pens(tokens), strict=True):
                yield from part.slices(image, view, pen)

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self.marks is None:
            return
        if not self._rests:
            for part, pen in zip(self.marks.parts, _pens(tokens), strict=True):
                draw_shapes(painter, part, view, pen)
        draw_signs(painter, self.marks, view, tokens)
