"""What a drawing says beside its curves: texts, dimensions, hatches, points, pictures and construction lines.

They are placed like curves and can be drawn, but nothing is made of them.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from typing import Literal

from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Circle, Line, Shape
from syntaxa.geometry.tolerances import NOUGHT, ROUNDING
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box

AcrossAnchor = Literal["left", "centre", "right"]
UpAnchor = Literal["baseline", "bottom", "middle", "top"]

DimensionKind = Literal["linear", "aligned", "angular", "diameter", "radius", "ordinate", "arc length"]

#: How an angle is given: by the ends of its two sides, or by its vertex and a place on each side.
AngleBy = Literal["", "sides", "vertex"]


@dataclass(frozen=True, slots=True)
class Text:
    """Words at a place: height of a capital (in the drawing's numbers), angle (radians) of the line of writing."""

    id: str
    layer: str
    place: Point
    text: str
    height: float
    angle: float = 0.0
    across: AcrossAnchor = "left"
    up: UpAnchor = "baseline"
    width_factor: float = 1.0
    font: str = ""
    colour: int | None = None

    kind = "text"

    def transformed(self, by: Transform) -> Text:
        """The image; the words themselves are never mirrored."""
        along = by.vector(Vector(math.cos(self.angle), math.sin(self.angle)))
        return replace(self, place=by.point(self.place), height=self.height * by.scale, angle=along.angle)

    def box(self) -> Box:
        """A rough box: the width of letters is not known here."""
        rows = self.text.split("\n") or [""]
        reach = self.height * max(1.0, 0.7 * max(len(r) for r in rows), 1.4 * len(rows))
        return self.place.x - reach, self.place.y - reach, self.place.x + reach, self.place.y + reach


@dataclass(frozen=True, slots=True)
class Dimension:
    """A dimension as its file states it.

    points       definition points: what is measured, then where the dimension line is
    measurement  what the file says was measured, in the drawing's numbers (radians for an angle), or None
    measured     what its definition points measure, in the same numbers, or None
    text         override text, empty where the measured value is shown
    factor       what the file multiplies a measured length by before it is shown
    along        direction (radians) in which a linear one measures, or an ordinate: 0 along x; None where none is said
    angle_by     by what an angle is given; empty where its points do not say all of it
    plus, minus  how far above and below the value is allowed, in the numbers that are shown; None for no tolerance
    strokes      its lines and arrows as drawn; labels what is written at them
    """

    id: str
    layer: str
    measures: DimensionKind
    points: tuple[Point, ...]
    place: Point
    measurement: float | None = None
    measured: float | None = None
    text: str = ""
    factor: float = 1.0
    along: float | None = None
    angle_by: AngleBy = ""
    plus: float | None = None
    minus: float | None = None
    strokes: tuple[Shape, ...] = ()
    labels: tuple[Text, ...] = ()
    colour: int | None = None

    kind = "dimension"

    def transformed(self, by: Transform) -> Dimension:
        """The image. What it measures goes along, so that it can be compared with what is drawn."""
        growth = 1.0 if self.measures == "angular" else by.scale
        along = self.along
        if along is not None:
            along = by.vector(Vector(math.cos(along), math.sin(along))).angle
        return replace(
            self,
            along=along,
            points=tuple(by.point(p) for p in self.points),
            place=by.point(self.place),
            measurement=None if self.measurement is None else self.measurement * growth,
            measured=None if self.measured is None else self.measured * growth,
            strokes=tuple(s.transformed(by) for s in self.strokes),
            labels=tuple(t.transformed(by) for t in self.labels),
        )

    def box(self) -> Box:
        """Extents of its points and strokes."""
        boxes = [(p.x, p.y, p.x, p.y) for p in (*self.points, self.place)]
        return union_of([*boxes, *(bounds(s) for s in self.strokes)]) or (0.0, 0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class Hatch:
    """A filled or patterned area within loops of shapes."""

    id: str
    layer: str
    loops: tuple[tuple[Shape, ...], ...]
    pattern: str = "SOLID"
    solid: bool = True
    colour: int | None = None

    kind = "hatch"

    def transformed(self, by: Transform) -> Hatch:
        """The image."""
        return replace(self, loops=tuple(tuple(s.transformed(by) for s in loop) for loop in self.loops))

    def box(self) -> Box:
        """Extents of its loops."""
        return union_of(bounds(s) for loop in self.loops for s in loop) or (0.0, 0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class PointMark:
    """A single point."""

    id: str
    layer: str
    place: Point
    colour: int | None = None

    kind = "point"

    def transformed(self, by: Transform) -> PointMark:
        """The image."""
        return replace(self, place=by.point(self.place))

    def box(self) -> Box:
        """The point itself."""
        return self.place.x, self.place.y, self.place.x, self.place.y


@dataclass(frozen=True, slots=True)
class Picture:
    """A picture placed by its lower left corner and two edges; data is a PNG or JPEG, empty if it was not there."""

    id: str
    layer: str
    corner: Point
    across: Vector
    up: Vector
    name: str = ""
    data: bytes = b""
    colour: int | None = None

    kind = "image"

    def transformed(self, by: Transform) -> Picture:
        """The image."""
        return replace(self, corner=by.point(self.corner), across=by.vector(self.across), up=by.vector(self.up))

    def corners(self) -> tuple[Point, Point, Point, Point]:
        """Lower left, lower right, upper right, upper left, as the picture is meant to be read."""
        right = self.corner + self.across
        return self.corner, right, right + self.up, self.corner + self.up

    def box(self) -> Box:
        """Extents of its corners."""
        return union_of((p.x, p.y, p.x, p.y) for p in self.corners()) or (0.0, 0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class ConstructionLine:
    """An endless line, or one that begins at its place (`both_ways` False)."""

    id: str
    layer: str
    place: Point
    direction: Vector
    both_ways: bool = True
    colour: int | None = None

    kind = "construction"

    def transformed(self, by: Transform) -> ConstructionLine:
        """The image."""
        return replace(self, place=by.point(self.place), direction=by.vector(self.direction))

    def box(self) -> Box:
        """The point that it goes through."""
        return self.place.x, self.place.y, self.place.x, self.place.y

    def within(self, box: Box) -> Line:
        """The part of it that can be seen in a box, somewhat longer."""
        reach = math.hypot(box[2] - box[0], box[3] - box[1]) + self.place.distance_to(Point(box[0], box[1]))
        step = self.direction * (reach / max(self.direction.length, NOUGHT))
        return Line(self.place + -step if self.both_ways else self.place, self.place + step)


@dataclass(frozen=True, slots=True)
class Leader:
    """Lines and arrows that point at something, and the words that stand with them."""

    id: str
    layer: str
    strokes: tuple[Shape, ...]
    labels: tuple[Text, ...] = ()
    colour: int | None = None

    kind = "leader"

    def transformed(self, by: Transform) -> Leader:
        """The image."""
        return replace(
            self,
            strokes=tuple(s.transformed(by) for s in self.strokes),
            labels=tuple(t.transformed(by) for t in self.labels),
        )

    def box(self) -> Box:
        """Extents of its strokes and the places of its words."""
        boxes = [(t.place.x, t.place.y, t.place.x, t.place.y) for t in self.labels]
        return union_of([*boxes, *(bounds(s) for s in self.strokes)]) or (0.0, 0.0, 0.0, 0.0)


Annotation = Text | Dimension | Hatch | PointMark | Picture | ConstructionLine | Leader

#: Kinds in the order in which they are told.
ANNOTATION_KINDS = ("text", "dimension", "hatch", "point", "image", "construction", "leader")


def union_of(boxes: Iterable[Box | None]) -> Box | None:
    """The box round all boxes, whichever of them there are; None for no boxes."""
    rows = [box for box in boxes if box is not None]
    if not rows:
        return None
    low_x, low_y, high_x, high_y = zip(*rows, strict=True)
    return min(low_x), min(low_y), max(high_x), max(high_y)


def strokes_of(dimension: Dimension) -> Iterator[Shape]:
    """The lines of a dimension; plain ones from point to point where the file drew none."""
    if dimension.strokes:
        yield from dimension.strokes
        return
    measured = dimension.points[1:] if dimension.measures in ("linear", "aligned") else dimension.points
    for a, b in itertools.pairwise(measured):
        if a != b:
            yield Line(a, b)
    if dimension.measures == "radius" and len(dimension.points) > 1:
        yield Circle(dimension.points[0], max(dimension.points[0].distance_to(dimension.points[1]) / 40, ROUNDING))
