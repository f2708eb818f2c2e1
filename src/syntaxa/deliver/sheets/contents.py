"""What a view of a sheet shows, before it has a scale: lines in mm of the thing, and dimensions."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

import shapely

from syntaxa.define.part import Defined
from syntaxa.define.spans import Roundly, Span, Straightly, Sweeping
from syntaxa.define.views import spans_of
from syntaxa.deliver.linetypes import dashes_of
from syntaxa.deliver.pages.model import Filled, Mark, Pen, Stroke, Words, box_of, plan_marks, shown
from syntaxa.deliver.plan import plan_of
from syntaxa.deliver.sheets.looking import detail_in, section_in, window_in
from syntaxa.deliver.sheets.model import BODY_VIEWS, SheetView
from syntaxa.deliver.sheets.parting import parts_in
from syntaxa.deliver.sheets.values import value_text
from syntaxa.drawing.annotations import Annotation, Dimension, Hatch, Leader, Text, strokes_of
from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Context
from syntaxa.errors import DeliverError
from syntaxa.form.asking import asked
from syntaxa.form.model import Solid
from syntaxa.form.part import Formed
from syntaxa.geometry.clip import Area, box_area, clipped, lies_within
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.shapes import Circle, Line, Shape
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box, Floats

#: Weights of lines in mm (ISO 128-2: wide and narrow are as 2 to 1), and dashes of hidden lines and centre lines.
WIDE, NARROW = 0.5, 0.25
HIDDEN, CENTRE = (3.0, 0.75), (6.0, 0.75, 0.1, 0.75)

#: The view that looks straight at a plane.
_FACING = {"top": "top", "front": "front", "side": "right"}

#: The layer of what is hidden.
UNSEEN = "hidden"

#: What is drawn where its own colour says nothing.
_INK = 0x202020

#: mm: how fine lines are looked at, and how far apart two are that lie on each other.
_FINE, _ON = 0.01, 2e-3

#: How fine triangles of shaded bodies are: share of their size, and radians.
_FACETS, _FACET_TURN = 5e-4, 0.15

#: Segments of a quarter of the circle round a detail.
_ROUND = 90

#: mm to which corners of areas that are hatched are rounded.
_GRID = 1e-6


@dataclass(frozen=True, slots=True)
class Pointed:
    """A place that words are about, with a line to them; with a ring round them where they are a number of a list."""

    at: Point
    ring: bool = False


@dataclass(frozen=True, slots=True)
class Dimensioned:
    """A dimension of a view: what it spans (mm of the thing), what is written, where its text was placed, if it was."""

    name: str
    span: Span | Pointed
    text: str
    place: Point | None = None


@dataclass(frozen=True, slots=True)
class Content:
    """What a view shows.

    centres   of circles, and their radii, which get centre marks
    curves    what can be measured in it
    cut       areas where bodies were cut through, which are hatched
    lost      what could not be carried over: kind, how many, and why
    """

    title: str
    marks: tuple[Mark, ...]
    box: Box
    dimensions: tuple[Dimensioned, ...] = ()
    centres: tuple[tuple[Point, float], ...] = ()
    lost: tuple[tuple[str, int, str], ...] = ()
    cut: shapely.Geometry | None = None
    curves: tuple[Curve, ...] = ()


@dataclass
class Sources:
    """Where contents come from; what is dear is made once for all sheets.

    changes  what was done, to how many curves, and by how much at the most (mm), as the ledger has it
    """

    state: State
    context: Context
    changes: Sequence[tuple[str, int, float]] = ()
    bodies: dict[str, list[tuple[Shape, bool]]] = field(default_factory=dict)
    found: dict[tuple[str, bool, bool, bool], Content] = field(default_factory=dict)

    def content(self, view: SheetView) -> Content:
        """What a view shows; raises DeliverError where that is not there."""
        key = view.shows, view.hidden, view.dimensions, view.shaded
        if key not in self.found:
            self.found[key] = self._made(view)
        return self.found[key]

    def want_bodies(self, views: Sequence[SheetView]) -> None:
        """Has the kernel draw all views of bodies that are not drawn yet, in one go."""
        wanted = [v for v in dict.fromkeys(v.shows for v in views) if v in BODY_VIEWS and v not in self.bodies]
        if not wanted:
            return
        lines = asked(self.context, "view_lines", self._solids(), tuple(wanted), about="Drawing the views")
        self.bodies |= dict(zip(wanted, lines, strict=True))

    def _part(self, name: str) -> Drawing:
        """The curves of one part of the drawing by its number, with what is written in its box."""
        parts = parts_in(self.state, self.context)
        number = int(name) if name.isdigit() else 0
        if not 1 <= number <= len(parts):
            raise DeliverError(f"There is no part {name} in the drawing.", suggestion=f"It has {len(parts)}.")
        return parts[number - 1]

    def _shades(self, view: str) -> Sequence[Mark]:
        """The surfaces of bodies from a side."""
        from syntaxa.deliver.sheets.shading import shaded

        bodies = [b for b in self.state.part(Formed).bodies if not b.hidden]
        size = max(b.figures.box[k + 3] - b.figures.box[k] for b in bodies for k in range(3))
        meshes = asked(
            self.context, "meshes", tuple(b.solid for b in bodies), max(size, 1.0) * _FACETS, _FACET_TURN,
            about="Shading",
        )  # fmt: skip
        picture = shaded([(m, b.colour) for m, b in zip(meshes, bodies, strict=True)], view)
        return [] if picture is None else [picture]

    def _solids(self) -> tuple[Solid, ...]:
        solids = tuple(b.solid for b in self.state.part(Formed).bodies if not b.hidden)
        if not solids:
            raise DeliverError("There is no body to be seen.", suggestion="Raise a region in Form first.")
        return solids

    def _made(self, view: SheetView) -> Content:
        kind, _, name = view.shows.partition(":")
        detail = detail_in(view.shows)
        if detail is not None:
            whole = self.content(SheetView(detail.base, hidden=view.hidden, dimensions=False))
            around = shapely.Point(*detail.centre).buffer(detail.radius, quad_segs=_ROUND)
            rim = Stroke(Circle(detail.centre, detail.radius), Pen(NARROW), "details")
            cut_out = _within(whole, around)
            return replace(cut_out, marks=(*cut_out.marks, rim), title="Detail")
        section = section_in(view.shows)
        if section is not None:
            lines, cut = asked(
                self.context, "section_lines", self._solids(), section.view, section.depth, about="Cutting through"
            )
            made = _of_body(view.shows, lines, (), hidden=view.hidden)
            return replace(made, title=f"Section at {'xyz'[section.axis]} = {section.place:g}", cut=_united(cut))
        if kind in BODY_VIEWS:
            self.want_bodies([view])
            own = tuple(_on_body(self.state, kind)) if view.dimensions else ()
            made = _of_body(kind, self.bodies[kind], own, hidden=view.hidden)
            return replace(made, marks=(*self._shades(kind), *made.marks)) if view.shaded else made
        if kind == "received":
            return _of_received(self._part(name) if name else self.state.received(), name)
        window = window_in(view.shows)
        if window is not None:
            return replace(
                _within(_of_received(self.state.received(), ""), box_area(window)), title="Part of the drawing"
            )
        return _of_profiles(self.state, name, dimensions=view.dimensions)


def _within(content: Content, area: Area) -> Content:
    """What of a content lies in an area; words and filled areas as a whole or not at all."""
    kept: list[Mark] = []
    outside = 0
    for mark in content.marks:
        if isinstance(mark, Stroke):
            kept += [replace(mark, shape=s) for s in clipped(mark.shape, area)]
            continue
        x0, y0, x1, y1 = box_of([mark]) or (0.0, 0.0, 0.0, 0.0)
        room = shapely.box(x0, y0, x1, y1)
        if shapely.covers(area, room):
            kept.append(mark)
        else:
            outside += bool(shapely.intersects(area, room))
    if not kept:
        raise DeliverError("Nothing lies in the part that is to be shown.", suggestion="Choose another part.")
    lost = ((("text or area", outside, "it lies across the edge of what is shown"),) if outside else ())  # fmt: skip
    x0, y0, x1, y1 = shapely.bounds(area).tolist()
    return replace(
        content, marks=tuple(kept), box=(x0, y0, x1, y1), lost=(*content.lost, *lost),
        dimensions=tuple(d for d in content.dimensions if _covers_span(area, d)),
        centres=tuple((c, r) for c, r in content.centres if lies_within(Circle(c, r), area)),
        cut=None if content.cut is None else shapely.intersection(content.cut, area),
    )  # fmt: skip


def _covers_span(area: Area, one: Dimensioned) -> bool:
    span = one.span
    ends = (
        (span.a, span.b) if isinstance(span, Straightly) else (span.centre,) if isinstance(span, Roundly)
        else span.ends if isinstance(span, Sweeping) else (span.at,)
    )  # fmt: skip
    return all(bool(shapely.covers(area, shapely.Point(*p))) for p in ends)


def _of_profiles(state: State, name: str, *, dimensions: bool) -> Content:
    sketches = [s for s in state.profiles() if s.curves and (not name or s.name == name)]
    if not sketches:
        what = f"There is no sketch “{name}” that goes out." if name else "There is no profile to be shown."
        raise DeliverError(what, suggestion="Choose what goes out in Route.")
    names = {s.name for s in sketches}
    part_of = State(sketches=tuple(s for s in state.sketches if s.name in names), parts=state.parts)
    marks = tuple(_profile_marks(part_of))
    box = box_of(marks) or (0.0, 0.0, 0.0, 0.0)
    own = tuple(_dimensions(state, names)) if dimensions else ()
    centres = tuple(
        (c.shape.centre, c.shape.radius) for s in sketches for c in s.curves if isinstance(c.shape, Circle)
    )  # fmt: skip
    curves = tuple(c for s in sketches for c in s.curves)
    return Content(name or "Profiles", marks, box, own, centres, curves=curves)


def _profile_marks(state: State) -> Iterator[Mark]:
    """Outlines wide, in the colours and line types that they go out with."""
    for mark in plan_marks(plan_of(state, "layers")):
        if isinstance(mark, Stroke):
            pen = mark.pen
            yield Stroke(mark.shape, Pen(NARROW if pen.dashes else WIDE, pen.colour or _INK, pen.dashes), mark.layer)


def _dimensions(state: State, names: set[str]) -> Iterator[Dimensioned]:
    measured, spans = spans_of(state)
    for measure in state.part(Defined).measures:
        if measure.sketch in names and measure.name in spans and measure.name in measured:
            place = None if measure.place is None else Point(*measure.place)
            yield Dimensioned(measure.name, spans[measure.name], value_text(measure, measured[measure.name]), place)


def _on_body(state: State, view: str) -> Iterator[Dimensioned]:
    """The dimensions of sketches of which something was raised, in the view that looks straight at them."""
    part = state.part(Formed)
    used, own_frames = dict(part.heights), {name for name, _ in part.frames}
    for sketch in state.sketches:
        plane = sketch.plane
        if sketch.name not in used or sketch.name in own_frames or _FACING.get(plane.view) != view:
            continue
        by = Transform.rotating(plane.turn)
        for one in _dimensions(state, {sketch.name}):
            place = None if one.place is None else by.point(one.place)
            yield replace(one, span=moved_span(one.span, by), place=place)


def moved_span(span: Span | Pointed, by: Transform) -> Span | Pointed:
    """What a dimension spans, moved, turned or scaled along with the thing."""
    if isinstance(span, Pointed):
        return replace(span, at=by.point(span.at))
    turn = by.vector(Vector(1.0, 0.0)).angle
    if isinstance(span, Straightly):
        return replace(span, a=by.point(span.a), b=by.point(span.b), way=span.way + turn)
    if isinstance(span, Roundly):
        return replace(span, centre=by.point(span.centre), radius=span.radius * by.scale, start=span.start + turn)
    one, two = (by.point(p) for p in span.ends)
    return replace(span, vertex=by.point(span.vertex), start=span.start + turn, ends=(one, two))


def _of_body(
    view: str, lines: list[tuple[Shape, bool]], dimensions: tuple[Dimensioned, ...], *, hidden: bool
) -> Content:
    pens = {True: Pen(WIDE, _INK), False: Pen(NARROW, _INK, HIDDEN)}
    drawn = _each_once(lines) if hidden else [(s, seen) for s, seen in _each_once(lines) if seen]
    # Hidden lines lie under those that are seen.
    marks = tuple(
        Stroke(shape, pens[seen], "visible" if seen else UNSEEN) for shape, seen in sorted(drawn, key=lambda d: d[1])
    )
    circles = {
        (round(s.centre.x, 6), round(s.centre.y, 6), round(s.radius, 6)) for s, seen in lines
        if isinstance(s, Circle) and seen
    }  # fmt: skip
    centres = tuple((Point(x, y), r) for x, y, r in sorted(circles)) if view != "isometric" else ()
    # At a slant nothing has its true length.
    curves = () if view == "isometric" else tuple(
        Curve(f"{view} {k}", shape, "visible" if seen else UNSEEN, descent=(view,))
        for k, (shape, seen) in enumerate(lines)
    )  # fmt: skip
    box = box_of(marks) or (0.0, 0.0, 0.0, 0.0)
    return Content(view.capitalize(), marks, box, dimensions, centres, curves=curves)


def _united(triangles: Floats) -> shapely.Geometry:
    """Triangles (n, 3, 2) as areas."""
    return shapely.union_all(shapely.polygons(triangles), grid_size=_GRID) if len(triangles) else shapely.Polygon()


def _each_once(lines: Sequence[tuple[Shape, bool]]) -> list[tuple[Shape, bool]]:
    """Lines that lie on each other as one; of a hidden line only what no line that is seen lies on (ISO 128-3)."""
    found: dict[tuple[object, ...], tuple[Shape, bool]] = {}
    for shape, seen in lines:
        a, b = sorted((round(p.x, 4), round(p.y, 4)) for p in (shape.start, shape.end))
        middle = shape.flattened(max(shape.length * 1e-3, 1e-6))
        key = shape.kind, a, b, round(shape.length, 4), *(round(float(v), 3) for v in middle.mean(axis=0))
        found[key] = (shape, seen or found.get(key, (shape, False))[1])
    over = [shapely.LineString(s.flattened(_FINE)) for s, seen in found.values() if seen and s.length > _ON]
    tree = shapely.STRtree(over)
    kept: list[tuple[Shape, bool]] = []
    for shape, seen in found.values():
        kept += [(shape, True)] if seen else [(part, False) for part in _uncovered(shape, over, tree)]
    return kept


def _uncovered(shape: Shape, over: Sequence[shapely.LineString], tree: shapely.STRtree) -> Iterator[Shape]:
    """What of a hidden line is left beside the lines that are seen."""
    if shape.length <= _ON:
        return
    own = shapely.LineString(shape.flattened(_FINE))
    near = [over[k].buffer(_ON) for k in tree.query(own.buffer(_ON), predicate="intersects")]
    left = own.difference(shapely.union_all(near)) if near else own
    if left.length >= own.length - 4 * _ON * max(len(near), 1):
        yield shape
    elif isinstance(shape, Line):
        for part in shapely.get_parts(left):
            if part.length > 10 * _ON:
                (x, y), (u, v) = part.coords[0], part.coords[-1]
                yield Line(Point(x, y), Point(u, v))
    elif left.length > 0.02 * own.length:
        yield shape


# ---------------------------------------------------------------------- as received


def _of_received(drawing: Drawing, name: str) -> Content:
    marks: list[Mark] = [_curve_mark(c, drawing) for c in drawing.curves]
    lost: dict[str, int] = {}
    for annotation in drawing.annotations:
        found = list(_annotation_marks(annotation))
        if not found:
            lost[annotation.kind] = lost.get(annotation.kind, 0) + 1
        marks += found
    box = box_of(marks)
    if box is None:
        raise DeliverError("Nothing was received that could be shown.", suggestion="Take something in.")
    why = {"image": "pictures do not go onto sheets", "point": "a point has no size",
           "construction": "endless lines have no end on paper", "hatch": "a pattern is left out"}  # fmt: skip
    told = tuple((kind, count, why.get(kind, "it holds nothing that can be drawn")) for kind, count in lost.items())
    title = "As received" if not name else f"Part {name}"
    return Content(title, tuple(marks), box, lost=told, curves=drawing.curves)


def _curve_mark(curve: Curve, drawing: Drawing) -> Stroke:
    layer = next((x for x in drawing.layers if x.name == curve.layer), None)
    colour = curve.style.colour if curve.style.colour is not None else layer.colour if layer is not None else 0
    weight = curve.style.weight or (layer.weight if layer is not None else None) or 0.35
    line_type = curve.style.line_type or (layer.line_type if layer is not None else "")
    return Stroke(curve.shape, Pen(weight, shown(colour), dashes_of(line_type)), curve.layer or "0")


def _annotation_marks(annotation: Annotation) -> Iterator[Mark]:
    colour = shown(annotation.colour or 0)
    pen, layer = Pen(0.18, colour), annotation.layer or "0"
    if isinstance(annotation, Text):
        yield from _text_marks(annotation, layer)
    elif isinstance(annotation, Dimension):
        yield from (Stroke(s, pen, layer) for s in strokes_of(annotation))
        for label in annotation.labels:
            yield from _text_marks(label, layer)
    elif isinstance(annotation, Leader):
        yield from (Stroke(s, pen, layer) for s in annotation.strokes)
        for label in annotation.labels:
            yield from _text_marks(label, layer)
    elif isinstance(annotation, Hatch):
        if annotation.solid:
            yield from (Filled(loop, colour, layer) for loop in annotation.loops if len(loop) == 1)
        yield from (Stroke(s, pen, layer) for loop in annotation.loops for s in loop if len(loop) > 1)


def _text_marks(text: Text, layer: str) -> Iterator[Words]:
    """A text row by row: rows lie 5/3 of a capital apart."""
    rows = text.text.split("\n")
    drop = {"baseline": 0.0, "bottom": 0.0, "middle": 0.5, "top": 1.0}[text.up]
    for k, row in enumerate(rows):
        if row.strip():
            down = (drop + 5 / 3 * k) * text.height
            place = polar(text.place, down, text.angle - math.pi / 2) if down else text.place
            yield Words(row, place, text.height, text.angle, text.across, shown(text.colour or 0), layer)
