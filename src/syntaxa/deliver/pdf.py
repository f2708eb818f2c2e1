"""Profiles as a page of PDF at true size: lines and curves, each layer one that viewers can switch.

Arcs and ellipses go out as cubic Beziers of at most 22.5 degrees, which leave a circle by less than 1e-8 of its radius
(the error of the standard cubic falls with the sixth power of the angle).
"""

from __future__ import annotations

import io
import math
from collections.abc import Iterator

import numpy as np
import pikepdf

from syntaxa.deliver.plan import Plan
from syntaxa.deliver.profiles import Profiles
from syntaxa.deliver.svg import inked
from syntaxa.geometry.beziers import cubics_of
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import Tolerances

#: Points to the millimetre, and mm of paper round the drawing.
_POINTS, _MARGIN = 72 / 25.4, 1.0

#: mm of a line that has no weight of its own; radians of one Bezier.
_STROKE, _PART = 0.25, math.pi / 8


def pdf_bytes(plan: Plan) -> bytes:
    """The file: one page as large as the drawing and a margin."""
    boxes = [bounds(s) for p in plan.profiles for s in p.shapes]
    left, low = min(b[0] for b in boxes) - _MARGIN, min(b[1] for b in boxes) - _MARGIN
    width, height = max(b[2] for b in boxes) + _MARGIN - left, max(b[3] for b in boxes) + _MARGIN - low
    document = pikepdf.new()
    page = document.add_blank_page(page_size=(width * _POINTS, height * _POINTS))
    layers = [
        document.make_indirect(pikepdf.Dictionary(Type=pikepdf.Name.OCG, Name=pikepdf.String(p.layer or p.name)))
        for p in plan.profiles
    ]
    page.Resources = pikepdf.Dictionary(
        Properties=pikepdf.Dictionary({f"/L{n}": layer for n, layer in enumerate(layers)})
    )
    order = pikepdf.Array(layers)
    document.Root.OCProperties = pikepdf.Dictionary(OCGs=order, D=pikepdf.Dictionary(Order=order, ON=order))
    scale = f"{_POINTS:.12g} 0 0 {_POINTS:.12g} {-left * _POINTS:.9f} {-low * _POINTS:.9f} cm"
    lines = ["q", scale, "1 J 1 j"]
    for n, profiles in enumerate(plan.profiles):
        lines += [f"/OC /L{n} BDC", *_drawn(profiles), "EMC"]
    page.Contents = document.make_stream("\n".join([*lines, "Q"]).encode("ascii"))
    out = io.BytesIO()
    document.save(out, deterministic_id=True)
    return out.getvalue()


def _drawn(profiles: Profiles) -> Iterator[str]:
    colour = inked(profiles.colour)
    red, green, blue = (((colour >> shift) & 255) / 255 for shift in (16, 8, 0))
    yield f"{red:.4g} {green:.4g} {blue:.4g} RG {_STROKE if profiles.weight is None else profiles.weight:.6g} w"
    for shape in profiles.shapes:
        yield from _path(shape)
        yield "S"


def _path(shape: Shape) -> Iterator[str]:
    if isinstance(shape, Line):
        yield f"{_pair(shape.start)} m {_pair(shape.end)} l"
    elif isinstance(shape, Polyline):
        yield f"{_pair(shape.vertices[0])} m"
        for segment in shape.segments():
            yield from [f"{_pair(segment.end)} l"] if isinstance(segment, Line) else _curved(_as_ellipse(segment))
        if shape.closed:
            yield "h"
    elif isinstance(shape, Spline):
        controls, _ = cubics_of(shape, Tolerances().fit)
        yield f"{_pair(Point(*controls[0, 0].tolist()))} m"
        for span in controls.tolist():
            yield " ".join(_pair(Point(x, y)) for x, y in span[1:]) + " c"
    else:
        round_one = _as_ellipse(shape)
        yield f"{_pair(round_one.start)} m"
        yield from _curved(round_one)
        if round_one.is_closed:
            yield "h"


def _as_ellipse(shape: Arc | Circle | EllipseArc) -> EllipseArc:
    if isinstance(shape, Circle):
        return EllipseArc(shape.centre, Vector(shape.radius, 0.0), 1.0, 0.0, TURN)
    if isinstance(shape, Arc):
        return EllipseArc(shape.centre, Vector(shape.radius, 0.0), 1.0, shape.start_angle, shape.sweep)
    return shape


def _curved(shape: EllipseArc) -> Iterator[str]:
    """An arc as Beziers with its own slopes at both ends of each."""
    count = max(1, math.ceil(abs(shape.sweep) / _PART))
    step = shape.sweep / count
    stops = shape.start_parameter + step * np.arange(count + 1, dtype=np.float64)
    places, slopes = shape.points(stops), shape.derivatives(stops) * (4 / 3 * math.tan(step / 4))
    for k in range(count):
        controls = (places[k] + slopes[k], places[k + 1] - slopes[k + 1], places[k + 1])
        yield " ".join(_pair(Point(*c.tolist())) for c in controls) + " c"


def _pair(p: Point) -> str:
    return f"{p.x:.7f} {p.y:.7f}"
