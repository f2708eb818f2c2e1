"""Profiles as DXF R12, R2000, R2010 or R2018: one layer a sketch, groups as blocks, the unit in the header, true arcs.

Roles that go out as data are extended data of the application SYNTAXA (DXF reference, group codes 1000 and up): for
each role its name (1000) and the pieces that have it (1071), counted from 0.
"""

from __future__ import annotations

import io
import math
from collections.abc import Iterator, Sequence

import ezdxf
import numpy as np
from ezdxf.document import Drawing as Document
from ezdxf.entities import DXFGraphic
from ezdxf.layouts import BaseLayout
from ezdxf.lldxf.const import VALID_DXF_LINEWEIGHTS
from ezdxf.math import Vec3

from syntaxa.deliver.linetypes import DASHES
from syntaxa.deliver.plan import Plan, Release
from syntaxa.deliver.profiles import Mark, Profiles
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import State
from syntaxa.drawing.units import HEADER_CODE_OF_UNIT, MM_PER_UNIT
from syntaxa.errors import DeliverError
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.transform import Transform

#: mm; arc runs for ellipses and splines where the release has neither.
_FIT = 0.001

#: Letters that the name of a layer may have, with room for a number behind it.
_LONGEST = 240

#: Name under which the extended data stand.
_APPLICATION = "SYNTAXA"

_IMPERIAL = {"in", "ft", "yd", "mil"}


def dxf_bytes(
    plan: Plan, unit: str, release: Release, beside: State | None = None, font: str = ""
) -> tuple[bytes, tuple[str, ...]]:
    """The file as bytes, lengths in the unit, and what the format could not hold as it was.

    beside  whose dimensions, texts and hatches go out, too
    font    that their texts are written in; empty for those that they came with
    """
    code = HEADER_CODE_OF_UNIT.get(unit)
    if code is None:
        raise DeliverError(f"A DXF header cannot say “{unit}”.", suggestion="Deliver in mm or in.")
    document = ezdxf.new(release, setup=False)
    if release != "R12":
        document.header["$INSUNITS"] = code
        document.header["$MEASUREMENT"] = 0 if unit in _IMPERIAL else 1
    writer = _Writer(document, release, 1 / MM_PER_UNIT[unit])
    space = document.modelspace()
    for sketch in plan.profiles:
        writer.add(space, sketch)
    for block in plan.blocks:
        content = document.blocks.new(writer.block_name(block.name))
        for sketch in block.contents:
            writer.add(content, sketch)
        layer = writer.layer(block.contents[0]) if block.contents else "0"
        for place in block.places:
            space.add_blockref(content.name, (*writer.by.point(place),), {"layer": layer})
    notes = writer.notes()
    if beside is not None:
        from syntaxa.deliver.dxf_notes import NotesWriter

        more = NotesWriter(document, release, writer.by, font)
        more.add(beside)
        notes = (*notes, *more.notes())
    text = io.StringIO()
    document.write(text)
    written = text.getvalue()
    if release == "R12":
        # The release is older than the variable; readers pass over what they do not know, and most know this one.
        written = written.replace("  9\n$INSBASE\n", f"  9\n$INSUNITS\n 70\n{code:6d}\n  9\n$INSBASE\n", 1)
    return document.encode(written), notes


class _Writer:
    """Puts shapes into a document, in its unit; makes layers, line types and block names as they are needed."""

    def __init__(self, document: Document, release: Release, scale: float) -> None:
        self._document, self._release = document, release
        self.by = Transform.scaling(scale)
        self._scale = scale
        #: Layer names of the file by those of the job; no two layers of the job share one.
        self._layers: dict[str, str] = {}
        self._names = Names(["0"])
        self._as_arcs = 0

    def notes(self) -> tuple[str, ...]:
        """What had to be changed, in sentences."""
        other = [f"“{name}” as {out}" for name, out in self._layers.items() if name != out]
        notes = [f"DXF cannot hold some names: {', '.join(other)}."] if other else []
        if self._as_arcs:
            things = "1 ellipse or spline goes" if self._as_arcs == 1 else f"{self._as_arcs} ellipses and splines go"
            notes.append(f"DXF R12 has neither ellipses nor splines: {things} out as tangent arcs, within {_FIT} mm.")
        return tuple(notes)

    def add(self, space: BaseLayout, sketch: Profiles) -> None:
        """All shapes of one sketch, on its layer."""
        layer = self.layer(sketch)
        for k, shape in enumerate(sketch.shapes):
            before = len(space)
            self._as_arcs += self._release == "R12" and isinstance(shape, EllipseArc | Spline)
            add_shape(space, shape.transformed(self.by), layer, self._release)
            marks = sketch.marks[k] if sketch.marks else ()
            if marks:
                self._mark(space[before], marks)

    def layer(self, sketch: Profiles) -> str:
        """The layer of a sketch, made if it is not there."""
        name = self._layer_name(sketch.layer or sketch.name)
        if name not in self._document.layers or (name == "0" and sketch.colour):
            entry = self._document.layers.get(name) if name == "0" else self._document.layers.add(name, color=7)
            entry.dxf.linetype = self._line_type(sketch.line_type)
            if self._release != "R12":
                entry.rgb = (sketch.colour >> 16 & 255, sketch.colour >> 8 & 255, sketch.colour & 255)
                if sketch.weight is not None:
                    entry.dxf.lineweight = nearest_weight(sketch.weight)
        return name

    def _layer_name(self, name: str) -> str:
        """A name that a DXF can hold, one for each layer of the job. Case does not tell layers of a DXF apart."""
        if name not in self._layers:
            clean = clean_name(name)[:_LONGEST].strip() or "0"
            found, number = clean, 2
            while found != "0" and found.lower() in self._names:
                found, number = f"{clean}_{number}", number + 1
            self._names.take([found.lower()])
            self._layers[name] = found
        return self._layers[name]

    def block_name(self, name: str) -> str:
        """A name that no block has."""
        clean = base = clean_name(name) or "GROUP"
        number = 2
        while clean in self._document.blocks:
            clean, number = f"{base}_{number}", number + 1
        return clean

    def _line_type(self, name: str) -> str:
        """The name of a line type, made if it is not there; dashes are as long as they are in mm on paper."""
        if not name:
            return "Continuous"
        clean = clean_name(name).upper()
        if clean not in self._document.linetypes and name in DASHES:
            lengths = [d * self._scale * (1 if k % 2 == 0 else -1) for k, d in enumerate(DASHES[name])]
            self._document.linetypes.add(clean, [sum(map(abs, lengths)), *lengths], description=name)
        return clean if clean in self._document.linetypes else "Continuous"

    def _mark(self, entity: DXFGraphic, marks: Sequence[Mark]) -> None:
        if _APPLICATION not in self._document.appids:
            self._document.appids.add(_APPLICATION)
        entity.set_xdata(_APPLICATION, list(_data_of(marks)))


def _data_of(marks: Sequence[Mark]) -> Iterator[tuple[int, str | int]]:
    for mark in marks:
        yield 1000, mark.role
        for piece in mark.pieces:
            yield 1071, piece


def clean_name(name: str) -> str:
    """A name without what a DXF cannot hold in one."""
    return "".join("_" if c in '<>/\\":;?*|=`' else c for c in name)


def nearest_weight(mm: float) -> int:
    """The nearest of the line weights that a DXF knows, in hundredths of a mm."""
    return int(min(VALID_DXF_LINEWEIGHTS, key=lambda w: abs(w - 100 * mm)))


def add_shape(space: BaseLayout, shape: Shape, layer: str, release: Release) -> None:
    """A shape as an entity on a layer; where the release has none like it, as tangent arcs."""
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
        add_shape(space, _arcs_of(shape), layer, release)
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


def _add_polyline(space: BaseLayout, shape: Polyline, attributes: dict[str, str], release: Release) -> None:
    points = [(p.x, p.y, b) for p, b in zip(shape.vertices, shape.bulges, strict=True)]
    if release == "R12":
        space.add_polyline2d(points, format="xyb", close=shape.closed, dxfattribs=attributes)
    else:
        space.add_lwpolyline(points, format="xyb", close=shape.closed, dxfattribs=attributes)


def _add_ellipse(space: BaseLayout, shape: EllipseArc, attributes: dict[str, str]) -> None:
    first = shape.start_parameter if shape.sweep > 0 else shape.start_parameter + shape.sweep
    first = 0.0 if shape.is_closed else first % TURN
    last = TURN if shape.is_closed else first + abs(shape.sweep)
    space.add_ellipse(Vec3(*shape.centre), Vec3(*shape.major), shape.ratio, first, last, dxfattribs=attributes)


def _add_spline(space: BaseLayout, shape: Spline, attributes: dict[str, str]) -> None:
    entity = space.add_spline(degree=shape.degree, dxfattribs=attributes)
    entity.control_points = [(p.x, p.y, 0.0) for p in shape.control_points]
    entity.knots = list(shape.knots)
    if shape.weights:
        entity.weights = list(shape.weights)
