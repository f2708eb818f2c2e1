"""What can be read off points and curves: each a name, a value and what kind of quantity it is."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from syntaxa.drawing.model import Curve
from syntaxa.geometry.extents import extents
from syntaxa.geometry.measuring import angle_between, enclosed_area, least_distance
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line

Quantity = Literal["length", "area", "angle", "count"]


@dataclass(frozen=True, slots=True)
class Reading:
    """A measured value: lengths in mm, areas in mm2, angles in degrees."""

    name: str
    value: float
    quantity: Quantity


def between(a: Point, b: Point) -> tuple[Reading, ...]:
    """Distance of two points, and its parts along both axes."""
    step = b - a
    return (
        Reading("Distance", step.length, "length"),
        Reading("X", abs(step.x), "length"),
        Reading("Y", abs(step.y), "length"),
        Reading("at", math.degrees(step.angle), "angle"),
    )


def angle_at(a: Point, corner: Point, b: Point) -> tuple[Reading, ...]:
    """The angle at a corner between the ways to two points, 0 to 180 degrees."""
    u, v = a - corner, b - corner
    return (Reading("Angle", math.degrees(math.atan2(abs(u.cross(v)), u.dot(v))), "angle"),)


def along(points: Sequence[Point]) -> tuple[Reading, ...]:
    """The length of a way over several points."""
    total = sum(a.distance_to(b) for a, b in itertools.pairwise(points))
    return (Reading("Way", total, "length"), Reading("legs", max(len(points) - 1, 0), "count"))


def of_curves(curves: Sequence[Curve]) -> tuple[Reading, ...]:
    """All that makes sense for the curves: radius, angle, least distance, size over all, length in all, area."""
    return tuple(_of_curves(curves))


def _of_curves(curves: Sequence[Curve]) -> Iterator[Reading]:
    shapes = [c.shape for c in curves]
    area = enclosed_area(shapes)
    if len(shapes) == 1:
        only = shapes[0]
        if isinstance(only, Circle):
            yield Reading("Diameter", 2 * only.radius, "length")
        if isinstance(only, Arc | Circle):
            yield Reading("Radius", only.radius, "length")
        if isinstance(only, Arc):
            yield Reading("Sweep", math.degrees(abs(only.sweep)), "angle")
    if len(shapes) == 2:
        yield Reading("Least distance", least_distance(*shapes)[0], "length")
        one, other = shapes
        if isinstance(one, Line) and isinstance(other, Line):
            yield Reading("Angle", math.degrees(angle_between(one, other)), "angle")
        if isinstance(one, Arc | Circle) and isinstance(other, Arc | Circle):
            yield Reading("Centres", one.centre.distance_to(other.centre), "length")
    box = extents(shapes)
    if box is not None:
        yield Reading("Width", box[2] - box[0], "length")
        yield Reading("Height", box[3] - box[1], "length")
    if shapes:
        total = sum(s.length for s in shapes)
        yield Reading("Perimeter" if area is not None else "Length", total, "length")
    if area is not None:
        yield Reading("Area", area, "area")
    if len(shapes) > 1:
        yield Reading("curves", len(shapes), "count")
