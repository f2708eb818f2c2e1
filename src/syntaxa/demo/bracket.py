"""The bracket that carries the pump's inlet: an angle with two holes below and one behind, drawn in three views.

Third angle projection (the top view stands above, the right view to the right), with hidden and centre lines, a frame
with a title block, and dimensions. Made up, the same bytes each time.
"""

from __future__ import annotations

import io
import math
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

import ezdxf
import pikepdf

from syntaxa.demo.drawing import stable_bytes
from syntaxa.demo.flange import circle_in_pdf

#: mm: width, depth and height of the angle, its thickness below and behind, and what is bored.
WIDTH, DEPTH, HEIGHT, BASE, BACK = 80.0, 50.0, 60.0, 12.0, 12.0
FOOT_HOLE, FOOT_X, FOOT_Y = 4.5, 18.0, 18.0
INLET, INLET_Z = 11.0, 38.0

#: mm: room between the views, where the front view stands, and the sheet (ISO 216 A4 across).
GAP, ORIGIN, SHEET = 25.0, (45.0, 40.0), (297.0, 210.0)

_POINT = 72 / 25.4
_DASHES = {"HIDDEN": "[3 1.5] 0 d", "CENTRE": "[8 1.5 1 1.5] 0 d"}


@dataclass(frozen=True, slots=True)
class Line:
    """A straight line on the sheet, and its layer."""

    layer: str
    a: tuple[float, float]
    b: tuple[float, float]


@dataclass(frozen=True, slots=True)
class Circle:
    """A circle on the sheet, and its layer."""

    layer: str
    centre: tuple[float, float]
    radius: float


def volume() -> float:
    """mm3 of the bracket, by its formula."""
    angle = WIDTH * (DEPTH * BASE + BACK * (HEIGHT - BASE))
    return angle - math.pi * (2 * FOOT_HOLE**2 * BASE + INLET**2 * BACK)


def drawn() -> list[Line | Circle]:
    """Everything on the sheet but the dimensions (mm)."""
    return [*_front(), *_top(), *_right(), *_frame()]


def _run(layer: str, *points: tuple[float, float]) -> Iterator[Line]:
    yield from (Line(layer, a, b) for a, b in pairwise(points))


def _front() -> Iterator[Line | Circle]:
    x, z = ORIGIN
    corners = [(x, z), (x + WIDTH, z), (x + WIDTH, z + HEIGHT), (x, z + HEIGHT), (x, z)]
    yield from _run("VISIBLE", *corners)
    yield from _run("VISIBLE", (x, z + BASE), (x + WIDTH, z + BASE))
    yield Circle("VISIBLE", (x + WIDTH / 2, z + INLET_Z), INLET)
    for at in (FOOT_X, WIDTH - FOOT_X):
        for side in (-FOOT_HOLE, FOOT_HOLE):
            yield from _run("HIDDEN", (x + at + side, z), (x + at + side, z + BASE))
        yield from _run("CENTRE", (x + at, z - 4), (x + at, z + BASE + 4))


def _top() -> Iterator[Line | Circle]:
    x, y = ORIGIN[0], ORIGIN[1] + HEIGHT + GAP
    yield from _run("VISIBLE", (x, y), (x + WIDTH, y), (x + WIDTH, y + DEPTH), (x, y + DEPTH), (x, y))
    yield from _run("VISIBLE", (x, y + DEPTH - BACK), (x + WIDTH, y + DEPTH - BACK))
    for at in (FOOT_X, WIDTH - FOOT_X):
        yield Circle("VISIBLE", (x + at, y + FOOT_Y), FOOT_HOLE)
    for side in (-INLET, INLET):
        yield from _run("HIDDEN", (x + WIDTH / 2 + side, y + DEPTH - BACK), (x + WIDTH / 2 + side, y + DEPTH))
    yield from _run("CENTRE", (x + WIDTH / 2, y + DEPTH - BACK - 4), (x + WIDTH / 2, y + DEPTH + 4))


def _right() -> Iterator[Line | Circle]:
    y, z = ORIGIN[0] + WIDTH + GAP, ORIGIN[1]
    back = y + DEPTH - BACK
    yield from _run(
        "VISIBLE",
        (y, z),
        (y + DEPTH, z),
        (y + DEPTH, z + HEIGHT),
        (back, z + HEIGHT),
        (back, z + BASE),
        (y, z + BASE),
        (y, z),
    )
    for side in (-FOOT_HOLE, FOOT_HOLE):
        yield from _run("HIDDEN", (y + FOOT_Y + side, z), (y + FOOT_Y + side, z + BASE))
    for side in (-INLET, INLET):
        yield from _run("HIDDEN", (back, z + INLET_Z + side), (y + DEPTH, z + INLET_Z + side))
    yield from _run("CENTRE", (back - 4, z + INLET_Z), (y + DEPTH + 4, z + INLET_Z))


def _frame() -> Iterator[Line]:
    w, h = SHEET
    yield from _run("FRAME", (10, 10), (w - 10, 10), (w - 10, h - 10), (10, h - 10), (10, 10))
    yield from _run("FRAME", (w - 110, 10), (w - 110, 34), (w - 10, 34))
    yield from _run("FRAME", (w - 110, 22), (w - 10, 22))


def bracket_dxf() -> bytes:
    """As a DXF in mm, with dimensions."""
    document = ezdxf.new("R2010", setup=True)
    document.units = 4
    for name, line_type in (
        ("VISIBLE", "CONTINUOUS"),
        ("HIDDEN", "DASHED"),
        ("CENTRE", "CENTER"),
        ("FRAME", "CONTINUOUS"),
    ):
        document.layers.add(name, linetype=line_type)
    space = document.modelspace()
    for one in drawn():
        if isinstance(one, Line):
            space.add_line(one.a, one.b, {"layer": one.layer})
        else:
            space.add_circle(one.centre, one.radius, {"layer": one.layer})
    x, z = ORIGIN
    y = z + HEIGHT + GAP
    override = {"dimlfac": 1.0, "dimtxt": 3.5, "dimasz": 3.0, "dimtsz": 0.0, "dimgap": 1.0}
    look: dict[str, Any] = {"dimstyle": "EZDXF", "override": override, "dxfattribs": {"layer": "DIMENSIONS"}}
    made = [
        space.add_linear_dim(base=(x, z - 14), p1=(x, z), p2=(x + WIDTH, z), **look),
        space.add_linear_dim(base=(x - 14, z), p1=(x, z), p2=(x, z + HEIGHT), angle=90, **look),
        space.add_linear_dim(base=(x - 14, y), p1=(x, y), p2=(x, y + DEPTH), angle=90, **look),
    ]
    for dimension in made:
        dimension.render()
    for text, place in (("INLET BRACKET", (SHEET[0] - 106, 25.0)), ("SCALE 1:1, MM", (SHEET[0] - 106, 13.0))):
        space.add_text(text, height=4.0, dxfattribs={"layer": "FRAME", "insert": place})
    return stable_bytes(document)


def bracket_pdf() -> bytes:
    """As a PDF of an A4 sheet, without dimensions."""
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(SHEET[0] * _POINT, SHEET[1] * _POINT))
    body = [f"{_POINT:.8f} 0 0 {_POINT:.8f} 0 0 cm"]
    for layer in ("VISIBLE", "HIDDEN", "CENTRE", "FRAME"):
        body += [f"{0.5 if layer == 'VISIBLE' else 0.25} w", _DASHES.get(layer, "[] 0 d")]
        for one in drawn():
            if one.layer != layer:
                continue
            if isinstance(one, Line):
                body.append(f"{one.a[0]:.4f} {one.a[1]:.4f} m {one.b[0]:.4f} {one.b[1]:.4f} l S")
            else:
                body.append(circle_in_pdf(*one.centre, one.radius))
    page.obj.Contents = pdf.make_stream("\n".join(body).encode())
    stream = io.BytesIO()
    pdf.save(stream, deterministic_id=True, min_version="1.5")
    return stream.getvalue()
