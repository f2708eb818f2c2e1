"""Shapes as rows (x0, y0, x1, y1, bulge): the lines and arcs of at most half a turn that all kernels work on."""

from __future__ import annotations

import math

from syntaxa.geometry.fitting import Rows, arc_run
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Shape, Spline
from syntaxa.geometry.tolerances import ROUNDING


def rows_of(shape: Shape, fit: float) -> Rows:
    """Rows (x0, y0, x1, y1, bulge) of a shape, end to end."""
    if isinstance(shape, Line):
        return [(*shape.start, *shape.end, 0.0)]
    if isinstance(shape, Circle):
        return _arc_rows(Arc(shape.centre, shape.radius, 0.0, TURN))
    if isinstance(shape, Arc):
        return _arc_rows(shape)
    if isinstance(shape, EllipseArc | Spline):
        return end_to_end(arc_run(shape, fit), shape.is_closed)
    return end_to_end([row for span in shape.spans() for row in _span_rows(*span)], shape.closed)


def _span_rows(start: Point, end: Point, bulge: float) -> Rows:
    if abs(bulge) > 1:
        return _arc_rows(Arc.from_bulge(start, end, bulge))
    return [(start.x, start.y, end.x, end.y, bulge)]


def _arc_rows(arc: Arc) -> Rows:
    # More than half a turn has no stable bulge, and a full turn has none at all.
    count = max(1, math.ceil(abs(arc.sweep) / (math.pi + ROUNDING)))
    stops = [arc.start_angle + arc.sweep * k / count for k in range(count + 1)]
    points = [(arc.centre.x + arc.radius * math.cos(a), arc.centre.y + arc.radius * math.sin(a)) for a in stops]
    if arc.is_closed:
        points[-1] = points[0]
    bulge = math.tan(arc.sweep / count / 4)
    return [(*points[k], *points[k + 1], bulge) for k in range(count)]


def end_to_end(rows: Rows, closed: bool) -> Rows:
    """Rows that follow each other, with each start set to the end before it, bit for bit."""
    linked = rows[:1]
    for row in rows[1:]:
        linked.append((*linked[-1][2:4], *row[2:]))
    if closed and linked:
        linked[-1] = (*linked[-1][:2], *linked[0][:2], linked[-1][4])
    return linked
