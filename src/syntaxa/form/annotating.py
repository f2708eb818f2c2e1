"""The dimensions of Define as they stand on the solid: their lines in space, at the height up to which was raised."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from syntaxa.define.model import Measure
from syntaxa.define.part import Defined
from syntaxa.define.spans import Figure, figure, usual_place
from syntaxa.define.views import Definition
from syntaxa.drawing.model import extents_of
from syntaxa.drawing.state import State
from syntaxa.form.model import Space
from syntaxa.form.part import Formed
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line
from syntaxa.geometry.types import Floats

#: Share of the size of its sketch at which a dimension stands off that nobody has placed.
_OFF = 0.08

#: Share of the size of its sketch that an arrowhead is long.
_HEAD = 0.02


@dataclass(frozen=True)
class Standing:
    """A dimension in space: its lines (k, 2, 3) mm, the foot of its text, what it measures (mm or radians)."""

    measure: Measure
    lines: Floats
    text: Space
    value: float


def standing(state: State, definition: Definition) -> Iterator[Standing]:
    """Every dimension that drives a sketch of which something was made."""
    part, formed = state.part(Defined), state.part(Formed)
    heights = dict(formed.heights)
    for measure in part.measures:
        sketch = state.sketch(measure.sketch)
        span = definition.spans.get(measure.name)
        if measure.use != "live" or sketch is None or span is None or measure.sketch not in heights:
            continue
        box = extents_of(sketch.curves) or (0.0, 0.0, 1.0, 1.0)
        size = max(box[2] - box[0], box[3] - box[1])
        place = Point(*measure.place) if measure.place is not None else usual_place(span[0], span[1], _OFF * size)
        frame, height = formed.frame_of(sketch), heights[measure.sketch]
        lines = np.concatenate(list(_segments(figure(span[0], place), _HEAD * size)))
        lifted = frame.lifted(lines.reshape(-1, 2), height).reshape(-1, 2, 3)
        shown = figure(span[0], place).text
        yield Standing(measure, lifted, frame.point(shown.x, shown.y, height), definition.measured[measure.name])


def _segments(drawn: Figure, head: float) -> Iterator[Floats]:
    """The lines of a dimension as segments, (k, 2, 2)."""
    for shape in (*drawn.helpers, drawn.line):
        run = np.array([[*shape.start], [*shape.end]]) if isinstance(shape, Line) else shape.flattened(head / 20)
        yield np.stack([run[:-1], run[1:]], axis=1)
    for tip, way in drawn.arrows:
        for side in (-0.26, 0.26):
            back = (tip.x - head * np.cos(way + side), tip.y - head * np.sin(way + side))
            yield np.array([[[tip.x, tip.y], back]])
