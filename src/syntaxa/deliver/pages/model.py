"""A page as it is printed: lines, filled areas and words in mm of paper, from its lower left corner, y up.

Every writer of pages takes this and nothing else, so that all of them write the same.
"""

from __future__ import annotations

import io
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from syntaxa.deliver.linetypes import DASHES
from syntaxa.deliver.plan import Plan
from syntaxa.drawing.annotations import AcrossAnchor, union_of
from syntaxa.errors import DeliverError
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box, Bytes

#: Of the font that words are written in: its advance and the height of its capitals, in sizes of it (JetBrains Mono).
ADVANCE, CAPITAL = 0.6, 0.73

#: mm of a line that has no weight of its own, and mm of paper round a drawing that has no page.
STROKE, MARGIN = 0.25, 1.0

#: What colours go out as.
InkChoice = Literal["colour", "grey", "black"]


@dataclass(frozen=True, slots=True)
class Pen:
    """How a line is drawn: weight and dashes (drawn, left out...) in mm, colour as 0xRRGGBB."""

    weight: float = STROKE
    colour: int = 0
    dashes: tuple[float, ...] = ()


@dataclass(frozen=True, slots=True)
class Stroke:
    """A line."""

    shape: Shape
    pen: Pen
    layer: str


@dataclass(frozen=True, slots=True)
class Filled:
    """An area within loops, by the even-odd rule."""

    loops: tuple[Shape, ...]
    colour: int
    layer: str


@dataclass(frozen=True, slots=True)
class Words:
    """A line of text: height of a capital (mm), angle (radians); the place is at its baseline."""

    text: str
    place: Point
    height: float
    angle: float = 0.0
    across: AcrossAnchor = "left"
    colour: int = 0
    layer: str = "text"

    @property
    def width(self) -> float:
        """How long it is (mm)."""
        return width_of(self.text, self.height)

    @property
    def start(self) -> Point:
        """Where its first letter begins."""
        back = {"left": 0.0, "centre": 0.5, "right": 1.0}[self.across] * self.width
        return (
            Transform.rotating(self.angle).then(Transform.moving(self.place - Point(0.0, 0.0))).point(Point(-back, 0))
        )


@dataclass(frozen=True, slots=True, eq=False)
class Picture:
    """A picture: its rows from above, red, green, blue and opacity (height, width, 4), and where it lies (mm)."""

    rows: Bytes
    place: Point
    width: float
    height: float
    layer: str = "pictures"

    def png(self) -> bytes:
        """It as a PNG."""
        from PIL import Image

        out = io.BytesIO()
        Image.fromarray(self.rows).save(out, "PNG")
        return out.getvalue()


Mark = Stroke | Filled | Words | Picture


@dataclass(frozen=True, slots=True)
class Leaf:
    """A page: width and height (mm), and what is on it, from the ground up."""

    width: float
    height: float
    marks: tuple[Mark, ...]
    title: str = ""

    def layers(self) -> list[str]:
        """Names of its layers, in the order in which they are met."""
        return list(dict.fromkeys(m.layer for m in self.marks))

    def count_lines(self) -> int:
        """How many lines are on it."""
        return sum(isinstance(m, Stroke) for m in self.marks)

    def inked(self, ink: InkChoice) -> Leaf:
        """The same in colour, in greys, or all in black."""
        if ink == "colour":
            return self
        change = grey if ink == "grey" else _black
        return replace(self, marks=tuple(_recoloured(m, change) for m in self.marks))


def width_of(text: str, height: float) -> float:
    """How long a line of text is (mm) in a height of capitals (mm)."""
    return len(text) * ADVANCE * height / CAPITAL


def grey(colour: int) -> int:
    """The grey that is as light (ITU-R BT.601: 0.299 red, 0.587 green, 0.114 blue)."""
    red, green, blue = (colour >> shift & 255 for shift in (16, 8, 0))
    level = round(0.299 * red + 0.587 * green + 0.114 * blue)
    return level << 16 | level << 8 | level


def _black(_colour: int) -> int:
    return 0


def _recoloured(mark: Mark, change: Callable[[int], int]) -> Mark:
    """In another ink; the shades of a picture stay, in greys."""
    if isinstance(mark, Picture):
        light = np.array([0.299, 0.587, 0.114])
        rows = mark.rows.copy()
        rows[:, :, :3] = (mark.rows[:, :, :3] @ light + 0.5).astype(np.uint8)[:, :, None]
        return replace(mark, rows=rows)
    if isinstance(mark, Stroke):
        return replace(mark, pen=replace(mark.pen, colour=change(mark.pen.colour)))
    return replace(mark, colour=change(mark.colour))


def moved(marks: Iterable[Mark], by: Transform) -> Iterator[Mark]:
    """Marks elsewhere on the paper, turned or scaled; weights and dashes stay what they are. Pictures do not turn."""
    turn = by.vector(Vector(1.0, 0.0)).angle
    for mark in marks:
        if isinstance(mark, Stroke):
            yield replace(mark, shape=mark.shape.transformed(by))
        elif isinstance(mark, Filled):
            yield replace(mark, loops=tuple(s.transformed(by) for s in mark.loops))
        elif isinstance(mark, Picture):
            size = mark.width * by.scale, mark.height * by.scale
            yield replace(mark, place=by.point(mark.place), width=size[0], height=size[1])
        else:
            yield replace(mark, place=by.point(mark.place), height=mark.height * by.scale, angle=mark.angle + turn)


def box_of(marks: Iterable[Mark]) -> Box | None:
    """The extents of marks (mm)."""
    return union_of(_box(m) for m in marks)


def _box(mark: Mark) -> Box:
    if isinstance(mark, Stroke):
        return bounds(mark.shape)
    if isinstance(mark, Filled):
        return union_of(map(bounds, mark.loops)) or (0.0, 0.0, 0.0, 0.0)
    if isinstance(mark, Picture):
        return mark.place.x, mark.place.y, mark.place.x + mark.width, mark.place.y + mark.height
    turned = Transform.rotating(mark.angle)
    start = mark.start
    corners = [
        turned.point(Point(x, y)) for x in (0.0, mark.width) for y in (-0.3 * mark.height, 1.1 * mark.height)
    ]  # fmt: skip
    xs, ys = [start.x + c.x for c in corners], [start.y + c.y for c in corners]
    return min(xs), min(ys), max(xs), max(ys)


def plan_marks(plan: Plan) -> Iterator[Mark]:
    """The lines of what goes out, where they are (mm), those of blocks at each of their places."""
    for part in plan.placed():
        pen = Pen(
            STROKE if part.weight is None else part.weight, shown(part.colour), DASHES.get(part.line_type, ())
        )  # fmt: skip
        for shape in part.shapes:
            yield Stroke(shape, pen, part.layer or part.name)


def shown(colour: int) -> int:
    """White would not show on paper."""
    return 0 if colour == 0xFFFFFF else colour


def plan_leaf(plan: Plan) -> Leaf:
    """What goes out at true size, on a page as large as it and a margin; raises DeliverError where there is nothing."""
    marks = list(plan_marks(plan))
    box = box_of(marks)
    if box is None:
        raise DeliverError("There is nothing to be drawn on a page.", suggestion="Take at least one layer.")
    by = Transform.moving(Vector(MARGIN - box[0], MARGIN - box[1]))
    size = box[2] - box[0] + 2 * MARGIN, box[3] - box[1] + 2 * MARGIN
    return Leaf(*size, tuple(moved(marks, by)))
