"""Shapes under maps that do not keep circles: what becomes of their arcs."""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.shapes import Arc, Line, Polyline, Shape
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.transform import Transform


def farthest_move(shape: Shape, by: Transform) -> float:
    """How far (mm) a map takes the point of a shape that it takes farthest; exact to 1e-4 of the shape's size."""
    points = shape.flattened(max(1e-4 * shape.length, HAIR))
    return float(np.hypot(*(by.points(points) - points).T).max())


def images_of(shape: Shape, by: Transform) -> list[Shape]:
    """The image, exactly. A polyline with arcs under a map that does not keep circles comes in pieces, in order.

    Its arcs are elliptical arcs then, and what is straight between them lines and polylines.
    """
    if by.is_similarity or not isinstance(shape, Polyline) or not any(shape.bulges):
        return [shape.transformed(by)]
    pieces: list[Shape] = []
    straight: list[Line] = []
    for segment in shape.segments():
        if isinstance(segment, Line):
            straight.append(segment)
            continue
        pieces += _run(straight)
        straight = []
        pieces.append(segment)
    pieces += _run(straight)
    if shape.closed and len(pieces) > 1 and not isinstance(pieces[0], Arc) and not isinstance(pieces[-1], Arc):
        # What is straight over the first vertex is one run.
        last = pieces.pop()
        pieces[0] = _joined(last, pieces[0])
    return [piece.transformed(by) for piece in pieces]


def _run(lines: list[Line]) -> list[Shape]:
    if len(lines) < 2:
        return [*lines]
    vertices = (lines[0].start, *(line.end for line in lines))
    return [Polyline(vertices, (0.0,) * len(vertices), False)]


def _joined(one: Shape, two: Shape) -> Polyline:
    first, second = (s.vertices if isinstance(s, Polyline) else (s.start, s.end) for s in (one, two))
    vertices = (*first, *second[1:])
    return Polyline(vertices, (0.0,) * len(vertices), False)
