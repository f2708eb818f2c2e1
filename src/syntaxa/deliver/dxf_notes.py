"""What stands beside the profiles, as true entities of a DXF: dimensions, texts, hatches, points, endless lines.

Dimensions of Define are those of the job; a received one that Define has bound does not go out a second time. What
no entity can hold is told.
"""

from __future__ import annotations

import math
from collections.abc import Iterable

from ezdxf.document import Drawing as Document
from ezdxf.enums import TextEntityAlignment
from ezdxf.layouts import BaseLayout
from ezdxf.math import Vec2

from syntaxa.define.part import Defined
from syntaxa.define.spans import Roundly, Span, Straightly, Sweeping, usual_place
from syntaxa.define.views import spans_of
from syntaxa.deliver.dxf import add_shape, clean_name
from syntaxa.deliver.plan import Release
from syntaxa.drawing.annotations import (
    Annotation,
    ConstructionLine,
    Dimension,
    Hatch,
    Leader,
    PointMark,
    Text,
)
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import State
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle
from syntaxa.geometry.transform import Transform

#: Shares of the size of the drawing: the height of the text of a dimension, and how near two places are one.
_SHARE, _SAME = 0.02, 1e-6

#: The text style of a font that was chosen, and the font of one that only its name is known of.
_STYLE, _ANY_FONT = "TEXTS", "txt"

_ACROSS = {"left": "LEFT", "centre": "CENTER", "right": "RIGHT"}
_UP = {"baseline": "", "bottom": "BOTTOM_", "middle": "MIDDLE_", "top": "TOP_"}


class NotesWriter:
    """Puts what stands beside the profiles into a document, in its unit."""

    def __init__(self, document: Document, release: Release, by: Transform, font: str = "") -> None:
        """font  that texts are written in; empty for those that they came with"""
        self._font = font.strip()
        self._document, self._release, self._by = document, release, by
        self._space: BaseLayout = document.modelspace()
        self._names = Names()
        self.lost: dict[str, int] = {}
        self.count = 0

    def add(self, state: State) -> None:
        """Dimensions of the job, and what was received beside its curves."""
        box = state.made_extents()
        size = max(box[2] - box[0], box[3] - box[1]) if box else 100.0
        self._style(size * _SHARE)
        self._measures(state, size)
        # A dimension that was bound has its text where the received one has it.
        bound = [Point(*m.place) for m in state.part(Defined).measures if m.place is not None]
        for annotation in state.received().annotations:
            there = isinstance(annotation, Dimension) and any(
                annotation.place.distance_to(p) <= _SAME * size for p in bound
            )
            if not there:
                self._annotation(annotation)

    def notes(self) -> tuple[str, ...]:
        """What could not be held, in sentences."""
        return tuple(
            f"{count} {kind}{'s' if count != 1 else ''} received beside the drawing could not go out."
            for kind, count in self.lost.items()
        )  # fmt: skip

    # ------------------------------------------------------------------ dimensions

    def _style(self, height: float) -> None:
        style = self._document.dimstyles.get("Standard")
        scaled = height * self._by.scale
        style.dxf.dimtxt, style.dxf.dimasz = scaled, 0.8 * scaled
        style.dxf.dimexo, style.dxf.dimexe, style.dxf.dimgap = 0.3 * scaled, 0.5 * scaled, 0.25 * scaled
        if self._font:
            style.dxf.dimtxsty = self._text_style("")

    def _text_style(self, came_with: str) -> str:
        """The text style of the chosen font, or one called as that which a text came with."""
        name = clean_name(_STYLE if self._font else came_with).strip() or "Standard"
        if name not in self._document.styles:
            self._document.styles.add(name, font=self._font or _ANY_FONT)
        return name

    def _measures(self, state: State, size: float) -> None:
        """The dimensions of Define."""
        measured, spans = spans_of(state)
        box = state.made_extents() or (0.0, 0.0, 1.0, 1.0)
        middle = Point((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)
        for measure in state.part(Defined).measures:
            span = spans.get(measure.name)
            if span is None or measure.name not in measured:
                continue
            place = Point(*measure.place) if measure.place is not None else usual_place(span, middle, 0.08 * size)
            self._dimension(span, place)

    def _dimension(self, span: Span, place: Point) -> None:
        at = self._by.point(place)
        if isinstance(span, Straightly):
            a, b = self._by.point(span.a), self._by.point(span.b)
            made = self._space.add_linear_dim((*at,), (*a,), (*b,), angle=math.degrees(span.way))
        elif isinstance(span, Roundly):
            centre, radius = self._by.point(span.centre), span.radius * self._by.scale
            angle = math.degrees((at - centre).angle)
            add = self._space.add_diameter_dim if span.across else self._space.add_radius_dim
            made = add((*centre,), radius=radius, angle=angle)
        else:
            made = self._angle(span, at)
        made.render()
        self.count += 1

    def _angle(self, span: Sweeping, at: Point):  # type: ignore[no-untyped-def]
        vertex = self._by.point(span.vertex)
        first, last = span.start, span.start + span.sweep
        if span.sweep < 0:
            first, last = last, first
        return self._space.add_angular_dim_cra(
            (*vertex,), max(vertex.distance_to(at) * 0.8, 1e-9), math.degrees(first), math.degrees(last),
            max(vertex.distance_to(at), 1e-9),
        )  # fmt: skip

    # ------------------------------------------------------------------ as received

    def _annotation(self, annotation: Annotation) -> None:
        layer = clean_name(annotation.layer) or "0"
        attributes = {"layer": layer}
        if isinstance(annotation, Text):
            self._text(annotation, attributes)
        elif isinstance(annotation, Dimension):
            self._received(annotation, attributes)
        elif isinstance(annotation, Hatch):
            self._hatch(annotation, attributes)
        elif isinstance(annotation, PointMark):
            self._space.add_point((*self._by.point(annotation.place),), attributes)
            self.count += 1
        elif isinstance(annotation, ConstructionLine) and self._release != "R12":
            way = annotation.direction
            add = self._space.add_xline if annotation.both_ways else self._space.add_ray
            add((*self._by.point(annotation.place),), Vec2(way.x, way.y).normalize(), attributes)
            self.count += 1
        elif isinstance(annotation, Leader):
            for stroke in annotation.strokes:
                add_shape(self._space, stroke.transformed(self._by), layer, self._release)
            for label in annotation.labels:
                self._text(label, attributes)
            self.count += 1
        else:
            self.lost[annotation.kind] = self.lost.get(annotation.kind, 0) + 1

    def _text(self, text: Text, attributes: dict[str, str]) -> None:
        height = text.height * self._by.scale
        placed = self._by.point(text.place)
        for k, row in enumerate(text.text.split("\n")):
            if not row.strip():
                continue
            down = 5 / 3 * k * height
            at = placed.x + down * math.sin(text.angle), placed.y - down * math.cos(text.angle)
            entity = self._space.add_text(row, height=height, rotation=math.degrees(text.angle), dxfattribs=attributes)
            entity.dxf.width = text.width_factor
            entity.dxf.style = self._text_style(text.font)
            entity.set_placement(at, align=TextEntityAlignment[f"{_UP[text.up]}{_ACROSS[text.across]}"])
        self.count += 1

    def _received(self, dimension: Dimension, attributes: dict[str, str]) -> None:
        """A received dimension as one of its kind, where its points say all of it."""
        points = [self._by.point(p) for p in dimension.points]
        text = dimension.text or "<>"
        if dimension.measures in ("linear", "aligned") and len(points) >= 3:
            base, a, b = points[0], points[1], points[2]
            way = dimension.along if dimension.along is not None else (b - a).angle
            made = self._space.add_linear_dim(
                (*base,), (*a,), (*b,), angle=math.degrees(way), text=text, dxfattribs=attributes
            )  # fmt: skip
            made.render()
            self.count += 1
            return
        # The other kinds go out as they were drawn: their lines and words, in a block of their own.
        strokes = [s.transformed(self._by) for s in dimension.strokes]
        if not strokes and not dimension.labels:
            self.lost[dimension.kind] = self.lost.get(dimension.kind, 0) + 1
            return
        for stroke in strokes:
            add_shape(self._space, stroke, attributes["layer"], self._release)
        for label in dimension.labels:
            self._text(label, attributes)
        self.count += 1

    def _hatch(self, hatch: Hatch, attributes: dict[str, str]) -> None:
        if self._release == "R12":
            self.lost["hatch"] = self.lost.get("hatch", 0) + 1
            return
        entity = self._space.add_hatch(dxfattribs=attributes)
        if not hatch.solid:
            entity.set_pattern_fill("ANSI31", scale=self._by.scale)
        for loop in hatch.loops:
            entity.paths.add_polyline_path(list(_corners(loop, self._by)), is_closed=True)
        self.count += 1


def _corners(loop: Iterable[object], by: Transform) -> Iterable[tuple[float, float]]:
    for shape in loop:
        points = shape.transformed(by).flattened(0.01).tolist()  # type: ignore[attr-defined]
        yield from ((x, y) for x, y in (points if isinstance(shape, Circle) else points[:-1] or points))
