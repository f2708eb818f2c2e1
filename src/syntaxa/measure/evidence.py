"""What the witnesses look at, gathered once from a drawing as received: lengths, holes, frames, texts, dimensions.

Of large drawings an even sample is taken, so that the cost stays the same.
"""

from __future__ import annotations

import itertools
import math
import re
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.annotations import Dimension, Text
from syntaxa.drawing.dimension_text import plain_text
from syntaxa.drawing.model import Curve, Drawing
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline, Shape
from syntaxa.geometry.types import Box, Floats
from syntaxa.intake.model import Received

#: Curves that are looked at, values of a kind that are kept, and texts that are read.
_MOST_CURVES, _MOST_VALUES, _MOST_TEXTS = 3000, 60, 400

#: Share of the overall size below which a length is noise, and within which two lengths are one.
_NOISE = 1e-5


@dataclass(frozen=True, slots=True)
class Evidence:
    """All in the file's own numbers.

    declared, metric  what the header says, and `form` which format it is; `chosen` whether the user said how to read it
    page              width and height of the page, or None
    box               extents of the curves
    spans             lengths of lines along the axes, and distances between centres along them, each once
    diameters, radii  of circles, and of arcs, each once
    reach             every length worth comparing with a loose number in a text
    dimensions        dimensions with their definition; texts all that is written
    frames            rectangles that could be the border of a sheet: width and height
    elsewhere         units of other files in the job
    """

    form: str
    declared: str | None
    metric: bool | None
    page: tuple[float, float] | None
    box: Box | None
    spans: Floats
    diameters: Floats
    radii: Floats
    reach: Floats
    dimensions: tuple[Dimension, ...]
    texts: tuple[str, ...]
    frames: tuple[tuple[float, float], ...]
    elsewhere: tuple[str, ...] = ()
    chosen: bool = False


def evidence_of(received: Received, elsewhere: tuple[str, ...] = ()) -> Evidence:
    """What there is to be seen in a drawing; `elsewhere` are the units of other files of the job."""
    drawing, report = received.drawing, received.report
    box = drawing.extents()
    size = max(box[2] - box[0], box[3] - box[1]) if box else 0.0
    curves = _sample(drawing.curves, _MOST_CURVES)
    shapes = [part for c in curves for part in _parts(c.shape)]
    lengths = [abs(v) for s in shapes if isinstance(s, Line) for v in _along_axes(s, size)]
    circles = [s for s in shapes if isinstance(s, Circle)]
    offsets = [v for s in circles if box for v in (s.centre.x - box[0], s.centre.y - box[1])]
    steps = [v for pair in _steps(circles) for v in pair]
    diameters = _once([2 * s.radius for s in circles], size)
    radii = _once([s.radius for s in shapes if isinstance(s, Arc)], size)
    all_lines = [s.length for s in shapes if isinstance(s, Line)]
    sides = [box[2] - box[0], box[3] - box[1]] if box else []
    return Evidence(
        "dxf" if report.format == "dwg" else report.format,
        report.declared,
        report.metric,
        report.page,
        box,
        _once([*lengths, *steps], size),
        diameters,
        radii,
        _once(
            [*sides, *all_lines, *offsets, *diameters.tolist(), *radii.tolist(), *_pitches(circles), *steps], size, 400
        ),
        tuple(a for a in drawing.annotations if isinstance(a, Dimension))[:_MOST_TEXTS],
        tuple(_texts(drawing)),
        tuple(_frames(curves, shapes, box)),
        elsewhere,
        report.unit_chosen,
    )


def _sample(curves: Sequence[Curve], most: int) -> Sequence[Curve]:
    return curves[:: math.ceil(len(curves) / most)] if len(curves) > most else curves


def _parts(shape: Shape) -> Iterator[Shape]:
    if isinstance(shape, Polyline):
        yield from shape.segments()
    else:
        yield shape


def _along_axes(line: Line, size: float) -> Iterator[float]:
    step = line.end - line.start
    slack = _NOISE * size
    if abs(step.y) <= slack:
        yield step.x
    elif abs(step.x) <= slack:
        yield step.y


def _steps(circles: Sequence[Circle]) -> Iterator[tuple[float, float]]:
    """From each circle to the next, along both axes."""
    for a, b in itertools.pairwise(circles):
        yield abs(a.centre.x - b.centre.x), abs(a.centre.y - b.centre.y)


def _pitches(circles: Sequence[Circle]) -> Iterator[float]:
    """Distances between centres of circles of a kind, which drawings like to state."""
    for a, b in itertools.pairwise(circles):
        if math.isclose(a.radius, b.radius, rel_tol=1e-6):
            yield a.centre.distance_to(b.centre)


def _once(values: Iterable[float], size: float, most: int = _MOST_VALUES) -> Floats:
    """Distinct values above the noise, at most so many, spread evenly over their range."""
    found = np.sort(np.array([v for v in values if v > 10 * _NOISE * size], dtype=np.float64))
    if not len(found):
        return found
    new = np.concatenate([[True], np.diff(found) > _NOISE * size])
    kept = found[new]
    return (
        np.asarray(kept)
        if len(kept) <= most
        else np.asarray(kept[np.linspace(0, len(kept) - 1, most).round().astype(np.int64)])
    )


def _texts(drawing: Drawing) -> Iterator[str]:
    """Everything that is written, without the dress of its letters; dimensions speak for themselves."""
    found = [a.text for a in drawing.annotations if isinstance(a, Text)]
    for text in found[:_MOST_TEXTS]:
        yield from filter(None, (re.sub(r"\s+", " ", plain_text(row)).strip() for row in text.splitlines()))


def _frames(curves: Sequence[Curve], shapes: Sequence[Shape], box: Box | None) -> Iterator[tuple[float, float]]:
    """The overall box, if lines run along all of its sides, and closed rectangles round most of the drawing."""
    if box is None:
        return
    width, height = box[2] - box[0], box[3] - box[1]
    if min(width, height) <= 0:
        return
    lines = [s for s in shapes if isinstance(s, Line)]
    slack = 1e-4 * max(width, height)
    sides = (
        any(_lies(s, 1, box[1], slack) and s.length > 0.97 * width for s in lines),
        any(_lies(s, 1, box[3], slack) and s.length > 0.97 * width for s in lines),
        any(_lies(s, 0, box[0], slack) and s.length > 0.97 * height for s in lines),
        any(_lies(s, 0, box[2], slack) and s.length > 0.97 * height for s in lines),
    )
    if all(sides):
        yield width, height
    for curve in curves:
        frame = _rectangle(curve.shape)
        if frame is not None and 0.6 * width * height < frame[0] * frame[1] < 0.999 * width * height:
            yield frame


def _lies(line: Line, axis: int, at: float, slack: float) -> bool:
    ends = [(line.start.x, line.start.y)[axis], (line.end.x, line.end.y)[axis]]
    return all(abs(v - at) <= slack for v in ends)


def _rectangle(shape: Shape) -> tuple[float, float] | None:
    if not isinstance(shape, Polyline) or not shape.closed or len(shape.vertices) != 4 or any(shape.bulges):
        return None
    xs, ys = {round(p.x, 9) for p in shape.vertices}, {round(p.y, 9) for p in shape.vertices}
    return (max(xs) - min(xs), max(ys) - min(ys)) if len(xs) == len(ys) == 2 else None
