"""The parts of a drawing that lie apart: curves whose boxes touch or hold each other, and what is written at them.

Cost: n log n, as long as boxes do not all lie on each other.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import shapely

from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.model import Drawing
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Context
from syntaxa.geometry.clusters import linked
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.types import Box, Floats, Ints

#: Share of the size of the drawing by which boxes may miss each other.
_NEAR = 1e-3


def parts_in(state: State, context: Context) -> list[Drawing]:
    """The parts of what was received; they are looked for once."""

    def made() -> list[Drawing]:
        return parts_of(state.received())

    return context.kept("parts of the drawing", made, 500 * sum(len(t.drawing.curves) for t in state.taken))


def parts_of(drawing: Drawing) -> list[Drawing]:
    """Each part as a drawing of its own, from left to right; what is written goes to the nearest."""
    if not drawing.curves:
        return []
    boxes = np.array([bounds(c.shape) for c in drawing.curves])
    size = float(max(np.ptp(boxes[:, [0, 2]]), np.ptp(boxes[:, [1, 3]])))
    wide = boxes + np.array([-1, -1, 1, 1]) * _NEAR * size
    label = _labels(wide)
    rows = np.split(np.argsort(label, kind="stable"), np.cumsum(np.bincount(label))[:-1])
    found = [_union(boxes[own]) for own in rows]
    order = sorted(range(len(rows)), key=lambda k: (found[k][0], found[k][1]))
    words: dict[int, list[Annotation]] = {}
    for annotation in drawing.annotations:
        words.setdefault(_nearest(annotation.box(), found), []).append(annotation)
    return [
        replace(
            drawing,
            curves=tuple(drawing.curves[n] for n in rows[k].tolist()),
            annotations=tuple(words.get(k, ())),
        )
        for k in order
    ]


def _labels(boxes: Floats) -> Ints:
    """Which group each box belongs to; groups are joined until no two of their own boxes touch."""
    label = np.arange(len(boxes))
    groups = boxes
    while True:
        tree = shapely.STRtree(shapely.box(*groups.T))
        one, two = tree.query(shapely.box(*groups.T))
        count, of = linked(one, two, len(groups))
        label = of[label]
        if count == len(groups):
            return label
        joined = np.split(groups[np.argsort(of, kind="stable")], np.cumsum(np.bincount(of))[:-1])
        groups = np.array([_union(own) for own in joined])


def _union(boxes: Floats) -> Box:
    low, high = boxes[:, :2].min(axis=0), boxes[:, 2:].max(axis=0)
    return float(low[0]), float(low[1]), float(high[0]), float(high[1])


def _nearest(box: Box, parts: list[Box]) -> int:
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    away = [np.hypot(max(p[0] - x, 0, x - p[2]), max(p[1] - y, 0, y - p[3])) for p in parts]
    return int(np.argmin(away))
