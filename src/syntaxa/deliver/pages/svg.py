"""A page as SVG: width and height in mm, a user unit a millimetre, each layer a group, words as text."""

from __future__ import annotations

import base64
import math
from collections.abc import Iterator
from itertools import groupby
from xml.sax.saxutils import escape, quoteattr

from syntaxa.deliver.pages.model import CAPITAL, Filled, Leaf, Mark, Picture, Stroke, Words
from syntaxa.deliver.svg import element, number, path_data
from syntaxa.drawing.names import Names
from syntaxa.geometry.transform import Transform

#: The font that is asked for, and what may stand for it: all its letters are as wide as those of the page.
_FAMILY = "'JetBrains Mono', 'DejaVu Sans Mono', monospace"


def svg_of(leaf: Leaf) -> bytes:
    """The file."""
    width, height = number(leaf.width), number(leaf.height)
    lines = [
        '<?xml version="1.0" encoding="UTF-8"?>',
        (
            f'<svg xmlns="http://www.w3.org/2000/svg" version="1.1" width="{width}mm" height="{height}mm" '
            f'viewBox="0 0 {width} {height}">'
        ),
    ]
    if leaf.title:
        lines.append(f"<title>{escape(leaf.title)}</title>")
    down = Transform(d=-1.0, f=leaf.height)
    ids = Names()
    for layer, marks in groupby(leaf.marks, key=lambda m: m.layer):
        own = ids.free(layer)
        lines.append(
            f'<g id={quoteattr(own)} fill="none" stroke-linecap="round" stroke-linejoin="round" '
            f'font-family="{_FAMILY}">'
        )
        lines += [line for mark in marks for line in _drawn(mark, down)]
        lines.append("</g>")
    return "\n".join([*lines, "</svg>\n"]).encode()


def _drawn(mark: Mark, down: Transform) -> Iterator[str]:
    if isinstance(mark, Stroke):
        pen = mark.pen
        dashed = f' stroke-dasharray="{" ".join(map(number, pen.dashes))}"' if pen.dashes else ""
        more = f' stroke="#{pen.colour:06x}" stroke-width="{number(pen.weight)}"{dashed}'
        yield element(mark.shape.transformed(down), more)
    elif isinstance(mark, Filled):
        data = " ".join(path_data(loop.transformed(down)) for loop in mark.loops)
        yield f'<path d="{data}" fill="#{mark.colour:06x}" fill-rule="evenodd"/>'
    elif isinstance(mark, Picture):
        top = down.point(mark.place)
        room = f'x="{number(top.x)}" y="{number(top.y - mark.height)}"'
        size = f'width="{number(mark.width)}" height="{number(mark.height)}"'
        data = base64.b64encode(mark.png()).decode("ascii")
        yield f'<image {room} {size} href="data:image/png;base64,{data}"/>'
    else:
        yield _text(mark, down)


def _text(words: Words, down: Transform) -> str:
    place = down.point(words.place)
    anchor = {"left": "start", "centre": "middle", "right": "end"}[words.across]
    x, y = number(place.x), number(place.y)
    turned = f' transform="rotate({number(-math.degrees(words.angle))} {x} {y})"' if words.angle else ""
    return (
        f'<text x="{x}" y="{y}" font-size="{number(words.height / CAPITAL)}" text-anchor="{anchor}" '
        f'fill="#{words.colour:06x}" stroke="none" xml:space="preserve"{turned}>{escape(words.text)}</text>'
    )
