"""Profiles as SVG in millimetres at true size: one user unit is one millimetre, one group a sketch.

Named groups are symbols that are used at their places; roles that go out as data are attributes `data-role-…` with the
pieces that have them.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from xml.sax.saxutils import escape, quoteattr

import numpy as np

from syntaxa.deliver.linetypes import DASHES
from syntaxa.deliver.pages.model import shown
from syntaxa.deliver.plan import Block, Plan
from syntaxa.deliver.profiles import Mark, Profiles
from syntaxa.drawing.names import Names
from syntaxa.geometry.beziers import cubics_of, is_cubic
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.transform import Transform

#: mm round the drawing, so that strokes on its edge are not cut.
_MARGIN = 1.0

_STROKE = 0.1
_FIT = 0.001

_DOWN = Transform.scaling(1, -1)


def svg_bytes(plan: Plan, frame: Plan | None = None) -> tuple[bytes, tuple[str, ...]]:
    """The file as bytes, and what the format could not hold as it was.

    y points down in SVG, so everything is mirrored to look the same.
    frame  what the picture is as large as, where that is more than what is in it
    """
    every = [s for part in (frame or plan).placed() for s in part.shapes]
    boxes = [bounds(s.transformed(_DOWN)) for s in every] or [(0.0, 0.0, 0.0, 0.0)]
    left, top = min(b[0] for b in boxes) - _MARGIN, min(b[1] for b in boxes) - _MARGIN
    width, height = max(b[2] for b in boxes) + _MARGIN - left, max(b[3] for b in boxes) + _MARGIN - top
    box = " ".join(map(number, (left, top, width, height)))
    lines = [
        '<?xml version="1.0" encoding="UTF-8"?>',
        (
            f'<svg xmlns="http://www.w3.org/2000/svg" version="1.1" width="{number(width)}mm" '
            f'height="{number(height)}mm" viewBox="{box}">'
        ),
    ]
    names = {block.name: f"group-{k + 1}" for k, block in enumerate(plan.blocks)}
    ids = Names(names.values())
    renamed: list[str] = []
    if plan.blocks:
        lines.append("<defs>")
        for block in plan.blocks:
            lines.append(f'<g id="{names[block.name]}"><title>{escape(block.name)}</title>')
            lines += [
                line for sketch in block.contents for line in _sketch(sketch, sketch.layer or sketch.name, "class")
            ]
            lines.append("</g>")
        lines.append("</defs>")
    for sketch in plan.profiles:
        name = sketch.layer or sketch.name
        own = ids.free(name)
        if own != name:
            renamed.append(f"“{name}” as “{own}”")
        lines += _sketch(sketch, own, "id")
    lines += [line for block in plan.blocks for line in _uses(block, names[block.name])]
    lines.append("</svg>\n")
    return "\n".join(lines).encode(), _notes(plan, renamed)


def _notes(plan: Plan, renamed: list[str]) -> tuple[str, ...]:
    """What had to be changed, in sentences."""
    notes = [f"A name can stand in an SVG only once: {', '.join(renamed)}."] if renamed else []
    fitted = [s for part in plan.placed() for s in part.shapes if isinstance(s, Spline) and not is_cubic(s)]
    if fitted:
        off = max(cubics_of(shape, _FIT)[1] for shape in fitted)
        things = "1 spline goes" if len(fitted) == 1 else f"{len(fitted)} splines go"
        notes.append(
            f"SVG has no rational splines and none above the third degree: {things} out as cubic curves, within "
            f"{off:.2g} mm."
        )
    return tuple(notes)


def _sketch(sketch: Profiles, name: str, naming: str) -> Iterator[str]:
    colour = f"#{shown(sketch.colour):06x}"
    weight = _STROKE if sketch.weight is None else sketch.weight
    dashes = DASHES.get(sketch.line_type, ())
    dashed = f' stroke-dasharray="{" ".join(map(number, dashes))}"' if dashes else ""
    yield f'<g {naming}={quoteattr(name)} fill="none" stroke="{colour}" stroke-width="{number(weight)}"{dashed}>'
    for k, shape in enumerate(sketch.shapes):
        marks = sketch.marks[k] if sketch.marks else ()
        yield element(shape.transformed(_DOWN), "".join(map(_attribute, marks)))
    yield "</g>"


def _attribute(mark: Mark) -> str:
    name = "".join(c if c.isascii() and c.isalnum() else "-" for c in mark.role.lower()) or "role"
    return f' data-role-{name}="{" ".join(map(str, mark.pieces))}"'


def _uses(block: Block, name: str) -> Iterator[str]:
    for place in block.places:
        yield f'<use href="#{name}" x="{number(place.x)}" y="{number(-place.y)}"/>'


def number(value: float) -> str:
    """The shortest form that reads back as the same number, without an exponent."""
    text = repr(float(value) + 0.0)
    if "e" in text:
        text = f"{value:.17f}".rstrip("0")
    return text[:-2] if text.endswith(".0") else text


def element(shape: Shape, more: str = "") -> str:
    """A shape as an element, with more attributes; its y points down already."""
    if isinstance(shape, Circle):
        cx, cy, r = number(shape.centre.x), number(shape.centre.y), number(shape.radius)
        return f'<circle cx="{cx}" cy="{cy}" r="{r}"{more}/>'
    if isinstance(shape, EllipseArc) and shape.is_closed:
        turn = math.degrees(shape.major.angle)
        cx, cy = number(shape.centre.x), number(shape.centre.y)
        rx, ry = number(shape.major.length), number(shape.minor.length)
        place = f'transform="rotate({number(turn)} {cx} {cy})"'
        return f'<ellipse cx="{cx}" cy="{cy}" rx="{rx}" ry="{ry}" {place}{more}/>'
    return f'<path d="{path_data(shape)}"{more}/>'


def path_data(shape: Shape) -> str:
    """A shape as the data of a path; its y points down already."""
    if isinstance(shape, Circle):
        return path_data(EllipseArc(shape.centre, Vector(shape.radius, 0.0), 1.0, 0.0, TURN)) + " Z"
    if isinstance(shape, Line):
        return f"M{_pair(shape.start)} L{_pair(shape.end)}"
    if isinstance(shape, Arc):
        return f"M{_pair(shape.start)} {_arc(shape, shape.end)}"
    if isinstance(shape, Polyline):
        start = shape.vertices[0]
        return f"M{_pair(start)} " + " ".join(map(_step, shape.segments())) + (" Z" if shape.closed else "")
    if isinstance(shape, EllipseArc):
        return f"M{_pair(shape.start)} " + " ".join(_elliptical(shape))
    if isinstance(shape, Spline):
        controls, _ = cubics_of(shape, _FIT)
        steps = [f"C{' '.join(_pair(Point(x, y)) for x, y in span[1:])}" for span in controls.tolist()]
        first = Point(*controls[0, 0].tolist())
        return f"M{_pair(first)} " + " ".join(steps) + (" Z" if shape.is_closed else "")
    raise TypeError(type(shape))


def _elliptical(shape: EllipseArc) -> Iterator[str]:
    """Arcs of less than half a turn: there no reader can take the wrong one of the two that join the ends."""
    count = max(1, math.ceil(abs(shape.sweep) / (0.9 * math.pi)))
    stops = shape.points(shape.start_parameter + shape.sweep * np.arange(1, count + 1) / count)
    rx, ry, turn = number(shape.major.length), number(shape.minor.length), number(math.degrees(shape.major.angle))
    for x, y in stops.tolist():
        yield f"A{rx} {ry} {turn} 0 {int(shape.sweep > 0)} {_pair(Point(x, y))}"


def _step(segment: Line | Arc) -> str:
    return f"L{_pair(segment.end)}" if isinstance(segment, Line) else _arc(segment, segment.end)


def _arc(arc: Arc, end: Point) -> str:
    """SVG arcs sweep positively towards growing angles in its own axes, as ours do after the mirroring."""
    radius = number(arc.radius)
    large, sweep = int(abs(arc.sweep) > math.pi), int(arc.sweep > 0)
    return f"A{radius} {radius} 0 {large} {sweep} {_pair(end)}"


def _pair(p: Point) -> str:
    return f"{number(p.x)},{number(p.y)}"
