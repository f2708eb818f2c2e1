"""The frame of a sheet and its title block.

Borders, centring marks, grid reference and trimming marks as ISO 5457 has them, the title block as wide as ISO 7200 has
it (both from memory). The title block is an SVG with named fields: one that is as large as the paper takes the place of
the whole frame.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from importlib.resources import files
from itertools import pairwise
from pathlib import Path

from syntaxa.deliver.pages.model import Filled, Mark, Pen, Stroke, Words, moved, width_of
from syntaxa.deliver.sheets.model import Method
from syntaxa.deliver.sheets.papers import Paper
from syntaxa.drawing.annotations import Text
from syntaxa.errors import DeliverError, IntakeError, reason_of
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Circle, Line, Polyline
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box

#: mm (ISO 5457): the border for filing on the left and the others; the strip round the frame, its fields and letters.
LEFT, OTHERS = 20.0, 10.0
_STRIP, _FIELD, _LETTER = 5.0, 50.0, 3.5

#: mm: weights of the frame, of other lines, and how far a centring mark reaches into the drawing.
_WIDE, _NARROW, _INTO = 0.7, 0.35, 5.0

#: mm: a trimming mark is two bars of this size.
_TRIM, _BAR = 10.0, 5.0

#: Letters of fields, without those that look like numerals.
_LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ"

LAYER, WORDS = "frame", "frame-text"

#: Bytes that a template has at the most.
_LARGEST = 4_000_000

_FIELDS = re.compile(r"\{([a-z][a-z0-9 _-]*)\}")


@dataclass(frozen=True, slots=True)
class Framed:
    """What is drawn, and the boxes (mm) for the drawing and of the title block in it."""

    marks: tuple[Mark, ...]
    room: Box
    block: Box | None


def framed(paper: Paper, frame: str, fields: Mapping[str, str], method: Method) -> Framed:
    """The frame of a paper; raises DeliverError."""
    if frame == "none":
        return Framed((), (_STRIP, _STRIP, paper.width - _STRIP, paper.height - _STRIP), None)
    room = (LEFT, OTHERS, paper.width - OTHERS, paper.height - OTHERS)
    width, height, block = _template(frame, fields, method)
    if abs(width - paper.width) < 0.5 and abs(height - paper.height) < 0.5:
        return Framed(block, room, None)
    own = Transform.moving(Vector(room[2] - width, room[1]))
    fits = width <= room[2] - room[0] + 0.01 and height <= room[3] - room[1]
    if not fits:
        raise DeliverError(
            f"The title block of {width:g} x {height:g} mm does not fit on {paper.name}.",
            suggestion="Take larger paper or another frame.",
        )
    box = (room[2] - width, room[1], room[2], room[1] + height)
    return Framed((*_border(paper, room, box), *_reference(paper, room), *moved(block, own)), room, box)


def _border(paper: Paper, room: Box, block: Box) -> Iterator[Mark]:
    """Frame, centring marks, which stay out of the title block, and trimming marks."""
    left, low, right, high = room
    corners = (Point(left, low), Point(right, low), Point(right, high), Point(left, high))
    yield Stroke(Polyline(corners, (0.0,) * 4, True), Pen(_WIDE), LAYER)
    x, y = paper.width / 2, paper.height / 2
    into = 0.0 if block[0] <= x else _INTO
    for a, b in (
        (Point(x, low - _STRIP), Point(x, low + into)), (Point(x, high + _STRIP), Point(x, high - _INTO)),
        (Point(left - _STRIP, y), Point(left + _INTO, y)), (Point(right + _STRIP, y), Point(right - _INTO, y)),
    ):  # fmt: skip
        yield Stroke(Line(a, b), Pen(_WIDE), LAYER)
    for right_side in (False, True):
        for upper in (False, True):
            turn = Transform(
                a=-1.0 if right_side else 1.0, d=-1.0 if upper else 1.0,
                e=paper.width if right_side else 0.0, f=paper.height if upper else 0.0,
            )  # fmt: skip
            bars = tuple(
                turn.point(Point(px, py))
                for px, py in ((0, 0), (_TRIM, 0), (_TRIM, _BAR), (_BAR, _BAR), (_BAR, _TRIM), (0, _TRIM))
            )  # fmt: skip
            yield Filled((Polyline(bars, (0.0,) * 6, True),), 0, LAYER)


def _reference(paper: Paper, room: Box) -> Iterator[Mark]:
    """The strip round the frame with numerals along it and letters up it, in fields of 50 mm from the middle.

    On A4 and smaller there are fields above and on the right only.
    """
    left, low, right, high = room
    outer = (left - _STRIP, low - _STRIP, right + _STRIP, high + _STRIP)
    corners = tuple(Point(outer[a], outer[b]) for a, b in ((0, 1), (2, 1), (2, 3), (0, 3)))
    yield Stroke(Polyline(corners, (0.0,) * 4, True), Pen(_NARROW), LAYER)
    small = paper.width < 250 and paper.height < 300
    stops = _stops(left, right, paper.width)
    for n, (a, b) in enumerate(pairwise(stops), 1):
        for base, edge in ((high, outer[3]), *(() if small else ((outer[1], low),))):
            yield from _field(str(n), (a + b) / 2, (base + edge) / 2, Line(Point(b, base), Point(b, edge)), b < right)
    stops = _stops(low, high, paper.height)[::-1]
    for n, (a, b) in enumerate(pairwise(stops)):
        letter = _LETTERS[n % len(_LETTERS)]
        for base, edge in ((right, outer[2]), *(() if small else ((outer[0], left),))):
            yield from _field(letter, (base + edge) / 2, (a + b) / 2, Line(Point(base, b), Point(edge, b)), b > low)


def _stops(begin: float, end: float, side: float) -> list[float]:
    """Where fields end: every 50 mm from the middle of the paper's side on; the outer ones take what is left over."""
    half = max(1, round(side / 2 / _FIELD))
    return [begin, *(side / 2 + k * _FIELD for k in range(-half + 1, half)), end]


def _field(text: str, x: float, y: float, line: Line, bounded: bool) -> Iterator[Mark]:
    yield Words(text, Point(x, y - _LETTER / 2), _LETTER, 0.0, "centre", 0, WORDS)
    if bounded:
        yield Stroke(line, Pen(_NARROW), LAYER)


# ---------------------------------------------------------------------- the template


def template_fields(frame: str) -> list[str]:
    """Names of the fields that a frame has, in the order in which they stand there."""
    if frame == "none":
        return []
    found = _FIELDS.findall(_source(frame).decode("utf-8", "replace"))
    return [name for name in dict.fromkeys(found) if name != "projection"]


def _source(frame: str) -> bytes:
    if frame == "iso":
        return files("syntaxa.deliver.sheets").joinpath("data/title-block.svg").read_bytes()
    path = Path(frame).expanduser()
    try:
        data = path.read_bytes()
    except OSError as error:
        raise DeliverError(
            f"The frame {path.name} cannot be read: {reason_of(error)}.", file=str(path), suggestion="Choose another."
        ) from error
    if len(data) > _LARGEST:
        raise DeliverError(f"The frame {path.name} is larger than {_LARGEST / 1e6:g} MB.", file=str(path))
    return data


def _template(frame: str, fields: Mapping[str, str], method: Method) -> tuple[float, float, tuple[Mark, ...]]:
    """(width, height, marks) of a template, from its lower left corner (mm), with its fields filled in."""
    from syntaxa.deliver.sheets.template import template_in

    data = _source(frame)
    try:
        template = template_in(Path(frame).name if frame != "iso" else "title-block.svg", data)
    except IntakeError as error:
        raise DeliverError(f"The frame is not one that can be used: {error.sentence}", file=frame) from error
    marks: list[Mark] = [Stroke(c, Pen(weight), LAYER) for c, weight in template.lines]
    for text, room in template.texts:
        marks += _filled_in(text, room, fields, method)
    return template.width, template.height, tuple(marks)


def _filled_in(text: Text, room: float | None, fields: Mapping[str, str], method: Method) -> Iterator[Mark]:
    if text.text.strip() == "{projection}":
        yield from projection_symbol(method, text.place, 2 * text.height)
        return
    words = _FIELDS.sub(lambda m: fields.get(m[1], ""), text.text)
    if not words.strip():
        return
    height = text.height
    if room is not None and width_of(words, height) > room:
        # What is too long for its field is written smaller, not over its edge.
        height *= room / width_of(words, height)
    yield Words(words, text.place, height, text.angle, text.across, 0, WORDS)


def projection_symbol(method: Method, place: Point, size: float) -> Iterator[Mark]:
    """A truncated cone in two views (ISO 5456-2): in the first angle the round view stands right of the other."""
    s = size / 8
    cone = [(0.0, 2.0), (8.0, 0.0), (8.0, 8.0), (0.0, 6.0)]
    shift_cone, shift_round = (0.0, 14.0) if method == "first" else (10.0, 4.0)
    shapes: list[tuple[Line | Circle | Polyline, Pen]] = []
    points = tuple(Point(place.x + s * (x + shift_cone), place.y + s * (y - 1)) for x, y in cone)
    shapes.append((Polyline(points, (0.0,) * 4, True), Pen(_NARROW)))
    centre = Point(place.x + s * shift_round, place.y + s * 3)
    shapes += [(Circle(centre, s * r), Pen(_NARROW)) for r in (2.0, 4.0)]
    thin = Pen(_NARROW / 2, 0, (2.0, 0.6, 0.4, 0.6))
    for a, b in (
        ((shift_cone - 1, 4.0), (shift_cone + 9, 4.0)), ((shift_round - 5, 4.0), (shift_round + 5, 4.0)),
        ((shift_round, -1.0), (shift_round, 9.0)),
    ):  # fmt: skip
        ends = [Point(place.x + s * x, place.y + s * (y - 1)) for x, y in (a, b)]
        shapes.append((Line(*ends), thin))
    for shape, pen in shapes:
        yield Stroke(shape, pen, LAYER)
