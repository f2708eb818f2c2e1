"""Profiles as SVG in millimetres at true size: one user unit is one millimetre, one group a sketch.

Named groups are symbols that are used at their places; roles that go out as data are attributes `data-role-…` with the
pieces that have them.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from xml.sax.saxutils import escape, quoteattr

from syntaxa.deliver.linetypes import DASHES
from syntaxa.deliver.plan import Block, Plan
from syntaxa.deliver.profiles import Mark, Profiles
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.transform import Transform

#: mm round the drawing, so that strokes on its edge are not cut.
_MARGIN = 1.0

_STROKE = 0.1
_FIT = 0.001

_DOWN = Transform.scaling(1, -1)


def svg_bytes(plan: Plan) -> bytes:
    """The file as bytes; y points down in SVG, so everything is mirrored to look the same."""
    boxes = [bounds(shape.transformed(_DOWN)) for shape in _all_shapes(plan)] or [(0.0, 0.0, 0.0, 0.0)]
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
        lines += _sketch(sketch, sketch.layer or sketch.name, "id")
    lines += [line for block in plan.blocks for line in _uses(block, names[block.name])]
    lines.append("</svg>\n")
    return "\n".join(lines).encode()


def _all_shapes(plan: Plan) -> Iterator[Shape]:
    """Every shape where it will be seen."""
    for sketch in plan.profiles:
        yield from sketch.shapes
    for block in plan.blocks:
        for place in block.places:
            move = Transform.moving(Vector(place.x, place.y))
            yield from (s.transformed(move) for sketch in block.contents for s in sketch.shapes)


def _sketch(sketch: Profiles, name: str, naming: str) -> Iterator[str]:
    colour = f"#{_inked(sketch.colour):06x}"
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


def _inked(colour: int) -> int:
    """White would not show on paper."""
    return 0 if colour == 0xFFFFFF else colour


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
    return f'<path d="{_path(shape)}"{more}/>'


def _path(shape: Shape) -> str:
    if isinstance(shape, Line):
        return f"M{_pair(shape.start)} L{_pair(shape.end)}"
    if isinstance(shape, Arc):
        return f"M{_pair(shape.start)} {_arc(shape, shape.end)}"
    if isinstance(shape, Polyline):
        start = shape.vertices[0]
        return f"M{_pair(start)} " + " ".join(map(_step, shape.segments())) + (" Z" if shape.closed else "")
    if isinstance(shape, Spline | EllipseArc):
        rows = rows_of(shape, _FIT)
        steps = [
            _arc(Arc.from_bulge(Point(x, y), Point(u, v), bulge), Point(u, v))
            if abs(bulge) > 1e-9
            else f"L{_pair(Point(u, v))}"
            for x, y, u, v, bulge in rows
        ]
        return f"M{_pair(shape.start)} " + " ".join(steps) + (" Z" if shape.is_closed else "")
    raise TypeError(type(shape))


def _step(segment: Line | Arc) -> str:
    return f"L{_pair(segment.end)}" if isinstance(segment, Line) else _arc(segment, segment.end)


def _arc(arc: Arc, end: Point) -> str:
    """SVG arcs sweep positively towards growing angles in its own axes, as ours do after the mirroring."""
    radius = number(arc.radius)
    large, sweep = int(abs(arc.sweep) > math.pi), int(arc.sweep > 0)
    return f"A{radius} {radius} 0 {large} {sweep} {_pair(end)}"


def _pair(p: Point) -> str:
    return f"{number(p.x)},{number(p.y)}"
