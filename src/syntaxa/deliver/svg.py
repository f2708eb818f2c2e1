"""Profiles as SVG in millimetres at true size: one user unit is one millimetre, one group a sketch."""

from __future__ import annotations

import math
from collections.abc import Sequence
from xml.sax.saxutils import quoteattr

from syntaxa.deliver.profiles import Profiles
from syntaxa.geometry.points import Point
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline, bounds
from syntaxa.geometry.transform import Transform

#: mm round the drawing, so that strokes on its edge are not cut.
_MARGIN = 1.0

_STROKE = 0.1
_FIT = 0.001


def svg_bytes(profiles: Sequence[Profiles]) -> bytes:
    """The file as bytes; y points down in SVG, so everything is mirrored to look the same."""
    down = Transform.scaling(1, -1)
    flipped = [(sketch, [shape.transformed(down) for shape in sketch.shapes]) for sketch in profiles]
    boxes = [bounds(shape) for _, shapes in flipped for shape in shapes] or [(0.0, 0.0, 0.0, 0.0)]
    left, top = min(b[0] for b in boxes) - _MARGIN, min(b[1] for b in boxes) - _MARGIN
    width, height = max(b[2] for b in boxes) + _MARGIN - left, max(b[3] for b in boxes) + _MARGIN - top
    box = " ".join(map(_number, (left, top, width, height)))
    lines = [
        '<?xml version="1.0" encoding="UTF-8"?>',
        (
            f'<svg xmlns="http://www.w3.org/2000/svg" version="1.1" width="{_number(width)}mm" '
            f'height="{_number(height)}mm" viewBox="{box}">'
        ),
    ]
    for sketch, shapes in flipped:
        colour = f"#{_inked(sketch.colour):06x}"
        lines.append(f'<g id={quoteattr(sketch.name)} fill="none" stroke="{colour}" stroke-width="{_STROKE}">')
        lines += [_element(shape) for shape in shapes]
        lines.append("</g>")
    lines.append("</svg>\n")
    return "\n".join(lines).encode()


def _inked(colour: int) -> int:
    """White would not show on paper."""
    return 0 if colour == 0xFFFFFF else colour


def _number(value: float) -> str:
    """The shortest form that reads back as the same number, without an exponent."""
    text = repr(float(value) + 0.0)
    if "e" in text:
        text = f"{value:.17f}".rstrip("0")
    return text[:-2] if text.endswith(".0") else text


def _element(shape: Shape) -> str:
    if isinstance(shape, Circle):
        cx, cy, r = _number(shape.centre.x), _number(shape.centre.y), _number(shape.radius)
        return f'<circle cx="{cx}" cy="{cy}" r="{r}"/>'
    if isinstance(shape, EllipseArc) and shape.is_closed:
        turn = math.degrees(shape.major.angle)
        cx, cy = _number(shape.centre.x), _number(shape.centre.y)
        rx, ry = _number(shape.major.length), _number(shape.minor.length)
        place = f'transform="rotate({_number(turn)} {cx} {cy})"'
        return f'<ellipse cx="{cx}" cy="{cy}" rx="{rx}" ry="{ry}" {place}/>'
    return f'<path d="{_path(shape)}"/>'


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
    radius = _number(arc.radius)
    large, sweep = int(abs(arc.sweep) > math.pi), int(arc.sweep > 0)
    return f"A{radius} {radius} 0 {large} {sweep} {_pair(end)}"


def _pair(p: Point) -> str:
    return f"{_number(p.x)},{_number(p.y)}"
