"""Profiles as DXF R12 or R2018: one layer a sketch, the unit in the header, true arcs."""

from __future__ import annotations

import io
import math
from collections.abc import Sequence
from typing import Literal

import ezdxf
import numpy as np
from ezdxf.document import Drawing as Document
from ezdxf.layouts import Modelspace
from ezdxf.math import Vec3

from syntaxa.deliver.profiles import Profiles
from syntaxa.drawing.units import HEADER_CODE_OF_UNIT, MM_PER_UNIT
from syntaxa.errors import DeliverError
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.transform import Transform

Release = Literal["R12", "R2018"]

#: mm; arc runs for ellipses and splines where the release has neither.
_FIT = 0.001

_IMPERIAL = {"in", "ft", "yd", "mil"}


def dxf_bytes(profiles: Sequence[Profiles], unit: str, release: Release) -> bytes:
    """The file as bytes, lengths in the unit."""
    code = HEADER_CODE_OF_UNIT.get(unit)
    if code is None:
        raise DeliverError(f"A DXF header cannot say “{unit}”.", suggestion="Deliver in mm or in.")
    document = ezdxf.new(release, setup=False)
    if release != "R12":
        document.header["$INSUNITS"] = code
        document.header["$MEASUREMENT"] = 0 if unit in _IMPERIAL else 1
    space = document.modelspace()
    by = Transform.scaling(1 / MM_PER_UNIT[unit])
    for sketch in profiles:
        layer = _layer(document, sketch, release)
        for shape in sketch.shapes:
            _add(space, shape.transformed(by), layer, release)
    text = io.StringIO()
    document.write(text)
    written = text.getvalue()
    if release == "R12":
        # The release is older than the variable; readers pass over what they do not know, and most know this one.
        written = written.replace("  9\n$INSBASE\n", f"  9\n$INSUNITS\n 70\n{code:6d}\n  9\n$INSBASE\n", 1)
    return document.encode(written)


def _layer(document: Document, sketch: Profiles, release: Release) -> str:
    name = "".join("_" if c in '<>/\\":;?*|=`' else c for c in sketch.name) or "0"
    if name not in document.layers:
        entry = document.layers.add(name, color=7)
        if release != "R12":
            entry.rgb = (sketch.colour >> 16 & 255, sketch.colour >> 8 & 255, sketch.colour & 255)
    return name


def _add(space: Modelspace, shape: Shape, layer: str, release: Release) -> None:
    attributes = {"layer": layer}
    if isinstance(shape, Line):
        space.add_line((*shape.start,), (*shape.end,), attributes)
    elif isinstance(shape, Circle):
        space.add_circle((*shape.centre,), shape.radius, attributes)
    elif isinstance(shape, Arc):
        first = shape.start_angle if shape.sweep > 0 else shape.start_angle + shape.sweep
        start, end = math.degrees(first) % 360, math.degrees(first + abs(shape.sweep)) % 360
        space.add_arc((*shape.centre,), shape.radius, start, end, dxfattribs=attributes)
    elif isinstance(shape, Polyline):
        _add_polyline(space, shape, attributes, release)
    elif release == "R12":
        _add(space, _arcs_of(shape), layer, release)
    elif isinstance(shape, EllipseArc):
        _add_ellipse(space, shape, attributes)
    else:
        _add_spline(space, shape, attributes)


def _arcs_of(shape: EllipseArc | Spline) -> Shape:
    rows = rows_of(shape, _FIT)
    table = [[x, y, bulge] for x, y, _, _, bulge in rows]
    if not shape.is_closed:
        table.append([*rows[-1][2:4], 0.0])
    return shape_of_rows(np.array(table), shape.is_closed)


def _add_polyline(space: Modelspace, shape: Polyline, attributes: dict[str, str], release: Release) -> None:
    points = [(p.x, p.y, b) for p, b in zip(shape.vertices, shape.bulges, strict=True)]
    if release == "R12":
        space.add_polyline2d(points, format="xyb", close=shape.closed, dxfattribs=attributes)
    else:
        space.add_lwpolyline(points, format="xyb", close=shape.closed, dxfattribs=attributes)


def _add_ellipse(space: Modelspace, shape: EllipseArc, attributes: dict[str, str]) -> None:
    first = shape.start_parameter if shape.sweep > 0 else shape.start_parameter + shape.sweep
    first = 0.0 if shape.is_closed else first % TURN
    last = TURN if shape.is_closed else first + abs(shape.sweep)
    space.add_ellipse(Vec3(*shape.centre), Vec3(*shape.major), shape.ratio, first, last, dxfattribs=attributes)


def _add_spline(space: Modelspace, shape: Spline, attributes: dict[str, str]) -> None:
    entity = space.add_spline(degree=shape.degree, dxfattribs=attributes)
    entity.control_points = [(p.x, p.y, 0.0) for p in shape.control_points]
    entity.knots = list(shape.knots)
    if shape.weights:
        entity.weights = list(shape.weights)
