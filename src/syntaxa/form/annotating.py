"""The dimensions of Define as they stand on the solid: their lines in space, at the height up to which was raised."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from syntaxa.define.model import Measure
from syntaxa.define.part import Defined
from syntaxa.define.spans import Figure, figure, usual_place
from syntaxa.define.views import Definition
from syntaxa.drawing.state import State
from syntaxa.form.model import Space
from syntaxa.form.part import Formed
from syntaxa.form.sketches import sketches_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line
from syntaxa.geometry.types import Floats

#: Share of the size of its sketch at which a dimension stands off that nobody has placed.
_OFF = 0.08

#: Share of the size of its sketch that an arrowhead is long.
_HEAD = 0.02


@dataclass(frozen=True)
class OnSolid:
    """A dimension in space: its lines (k, 2, 3) mm, the foot of its text, what it measures (mm or radians)."""

    measure: Measure
    lines: Floats
    text: Space
    value: float


def dimensions_on(state: State, sheet: State, definition: Definition) -> Iterator[OnSolid]:
    """Every dimension that drives a sketch of which something was made; `sheet` is the state that defines them."""
    formed = state.part(Formed)
    heights = dict(formed.heights)
    holding = {c.root: s for s in sketches_of(state) for c in s.curves}
    for measure in sheet.part(Defined).measures:
        span = definition.spans.get(measure.name)
        sketch = holding.get(measure.things[0].root)
        if measure.use != "live" or span is None or sketch is None or sketch.name not in heights:
            continue
        x0, y0, x1, y1 = sketch.extents() or (0.0, 0.0, 1.0, 1.0)
        size, middle = max(x1 - x0, y1 - y0), Point((x0 + x1) / 2, (y0 + y1) / 2)
        placed = measure.place is not None and not formed.views
        place = Point(*measure.place) if placed and measure.place else usual_place(span[0], middle, _OFF * size)
        drawn = figure(span[0], place)
        frame, height = formed.frame_of(sketch), heights[sketch.name]
        lines = np.concatenate(list(_segments(drawn, _HEAD * size)))
        lifted = frame.lifted(lines.reshape(-1, 2), height).reshape(-1, 2, 3)
        foot = frame.point(drawn.text.x, drawn.text.y, height)
        yield OnSolid(measure, lifted, foot, definition.measured[measure.name])


def _segments(drawn: Figure, head: float) -> Iterator[Floats]:
    """The lines of a dimension as segments, (k, 2, 2)."""
    for shape in (*drawn.helpers, drawn.line):
        run = np.array([[*shape.start], [*shape.end]]) if isinstance(shape, Line) else shape.flattened(head / 20)
        yield np.stack([run[:-1], run[1:]], axis=1)
    for tip, way in drawn.arrows:
        for side in (-0.26, 0.26):
            back = (tip.x - head * np.cos(way + side), tip.y - head * np.sin(way + side))
            yield np.array([[[tip.x, tip.y], back]])
