"""Marks of registration: a cross, a circle or a point that says where the origin is."""

from __future__ import annotations

from syntaxa.drawing.annotations import PointMark
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import State
from syntaxa.errors import MeasureError
from syntaxa.geometry.places import meeting_places, thinned
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line

#: Lines on a layer beyond which it holds a drawing, not a mark.
_MOST_LINES = 50


def registration_mark(state: State, layer: str) -> Point:
    """Where the mark on a layer is (mm): its point, the centre of its circle, or where its two lines cross.

    Raises MeasureError where the layer holds no mark, or several places that could be one.
    """
    curves = [c for c in state.curves() if c.layer == layer]
    points = [a.place for a in state.received().annotations if isinstance(a, PointMark) and a.layer == layer]
    centres = [c.shape.centre for c in curves if isinstance(c.shape, Circle)]
    for places in (points, centres, _crossings(curves)):
        found = thinned(places, 1e-6)
        if len(found) == 1:
            return found[0]
        if found:
            raise MeasureError(
                f"Layer {layer} has {len(found)} places that could be the mark.",
                suggestion="Leave one cross, circle or point on it.",
            )
    raise MeasureError(
        f"Layer {layer} has no mark.", suggestion="A mark is a point, a circle, or two lines that cross."
    )


def _crossings(curves: list[Curve]) -> list[Point]:
    lines = [c.shape for c in curves if isinstance(c.shape, Line)]
    return meeting_places(lines) if len(lines) <= _MOST_LINES else []
