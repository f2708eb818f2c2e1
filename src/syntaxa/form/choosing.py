"""Which regions of a sketch are meant, and which lines are axes."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from syntaxa.drawing.descent import CurveRef, Descent, RegionRef
from syntaxa.drawing.recent import Recent
from syntaxa.drawing.state import Sketch
from syntaxa.errors import FormError, GoneError
from syntaxa.form.model import Profile
from syntaxa.form.profiles import profiles_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line


class Axis(msgspec.Struct, frozen=True, omit_defaults=True):
    """A line of a sketch, or what goes through two places of it: a line by its root, else the places.

    start, end  places typed in mm, where nothing of the drawing is there to be named
    """

    line: str = ""
    first: CurveRef | None = None
    second: CurveRef | None = None
    start: tuple[float, float] | None = None
    end: tuple[float, float] | None = None

    def __str__(self) -> str:
        if self.line:
            return f"#{self.line}"
        if self.first is not None and self.second is not None:
            return f"{self.first} and {self.second}"
        places = [f"{p[0]:g}, {p[1]:g}" for p in (self.start, self.end) if p is not None]
        return " → ".join(places)


#: Curves whose regions are remembered.
_RECENT = Recent(lambda sketch: profiles_of(sketch.curves, sketch.name), 100_000)


def profiles_in(sketch: Sketch) -> list[Profile]:
    """The regions of a sketch."""
    return _RECENT.of(sketch)


def meant(sketch: Sketch, wanted: Sequence[RegionRef]) -> tuple[list[Profile], list[str]]:
    """The regions that are meant, and what is told of those that are gone; where none is named, all but the holes."""
    profiles = profiles_in(sketch)
    if not profiles:
        raise FormError(f"Nothing in “{sketch.name}” is closed.", suggestion="Mend it first.")
    if not wanted:
        return [p for p in profiles if p.region.depth % 2 == 0], []
    descent = Descent(sketch.curves)
    found, gone = [], []
    for ref in wanted:
        try:
            found.append(descent.region(ref, profiles))
        except GoneError as error:
            gone.append(error.sentence)
    if not found:
        raise FormError(gone[0], suggestion="Choose regions again.")
    return list({id(p): p for p in found}.values()), gone


def axis_in(sketch: Sketch, axis: Axis) -> tuple[tuple[float, float], tuple[float, float]]:
    """Two points of a line on the plane of the sketch (mm); raises FormError or GoneError."""
    descent = Descent(sketch.curves)
    if axis.line:
        lines = [c.shape for c in descent.pieces(axis.line) if isinstance(c.shape, Line)]
        if not lines:
            raise GoneError(f"The line #{axis.line} is no longer there.", suggestion="Choose another axis.")
        return _two(lines[0].start, lines[0].end)
    if axis.first is not None and axis.second is not None:
        return _two(descent.point(axis.first), descent.point(axis.second))
    if axis.start is not None and axis.end is not None:
        return _two(Point(*axis.start), Point(*axis.end))
    raise FormError("An axis is a line of the sketch, or two places.", suggestion="Choose a line.")


def _two(a: Point, b: Point) -> tuple[tuple[float, float], tuple[float, float]]:
    if a == b:
        raise FormError("The two places of the axis are one.", suggestion="Choose two that lie apart.")
    return (a.x, a.y), (b.x, b.y)
