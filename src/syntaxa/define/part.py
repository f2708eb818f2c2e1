"""What Define keeps in the state: what holds, what is measured, the parameters, and which sketches are held whole."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import msgspec

from syntaxa.define.model import Constraint, Measure, Parameter, Variant
from syntaxa.drawing.state import Part
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.transform import Transform


@dataclass(frozen=True)
class Defined(Part):
    """What holds and what is measured, by the roots of curves; sketches that are held whole, by their names.

    variants  sizes that the job is wanted in besides
    """

    constraints: tuple[Constraint, ...] = ()
    measures: tuple[Measure, ...] = ()
    parameters: tuple[Parameter, ...] = ()
    held: frozenset[str] = frozenset()
    variants: tuple[Variant, ...] = ()

    def measure(self, name: str) -> Measure | None:
        """The dimension of a name."""
        return next((m for m in self.measures if m.name == name), None)

    def with_measure(self, new: Measure) -> Defined:
        """With a dimension changed, or put behind the others."""
        if self.measure(new.name) is None:
            return replace(self, measures=(*self.measures, new))
        return replace(self, measures=tuple(new if m.name == new.name else m for m in self.measures))

    def carried(self, by: Transform) -> Defined:
        """Values in mm grow with the drawing; directions turn with it, and places go along."""
        return replace(self, measures=tuple(_carried(m, by) for m in self.measures))


def next_name(part: Defined, after: int = 0) -> str:
    """A name that no dimension has yet: d1, d2... so many after the first that is free."""
    numbers = [int(m.name[1:]) for m in part.measures if m.name[:1] == "d" and m.name[1:].isdigit()]
    return f"d{1 + max(numbers, default=0) + after}"


def _carried(measure: Measure, by: Transform) -> Measure:
    if measure.place is not None:
        at = by.point(Point(*measure.place))
        measure = msgspec.structs.replace(measure, place=(at.x, at.y))
    if measure.kind == "along":
        way = by.vector(Vector(math.cos(measure.angle), math.sin(measure.angle)))
        measure = msgspec.structs.replace(measure, angle=way.angle)
    if measure.written is None or measure.is_angle:
        return measure
    return msgspec.structs.replace(measure, written=measure.written * by.scale)
