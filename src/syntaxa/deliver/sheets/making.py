"""A sheet as a page: frame, views, dimensions, tables and notes; and what could not be carried over."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import shapely
from shapely.affinity import affine_transform

from syntaxa.deliver.pages.model import Leaf, Mark, Pen, Stroke, Words, box_of, moved
from syntaxa.deliver.sheets.contents import CENTRE, NARROW, WIDE, Content, Dimensioned, Pointed, Sources
from syntaxa.deliver.sheets.dimensioning import HEAD, ROW, Room, dimension_marks, head
from syntaxa.deliver.sheets.frame import Framed, framed
from syntaxa.deliver.sheets.holes import holes_of
from syntaxa.deliver.sheets.laying import Laid, laid_out
from syntaxa.deliver.sheets.looking import AXES, detail_in, section_in
from syntaxa.deliver.sheets.measuring import dimensioned
from syntaxa.deliver.sheets.model import Note, Sheet, Sheets
from syntaxa.deliver.sheets.papers import paper_of, scale_of, scale_text
from syntaxa.deliver.sheets.tables import Table, change_table, hole_table, part_table
from syntaxa.drawing.state import State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import SyntaxaError
from syntaxa.form.part import Formed
from syntaxa.geometry.points import Point, polar
from syntaxa.geometry.shapes import Circle, Line
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box
from syntaxa.measure.disagreements import Disagreement, disagreements

#: mm: height of what a view is called, how far a centre mark reaches beyond its circle, and between tables.
_TITLE, _REACH, _BETWEEN = 5.0, 3.0, 4.0

#: mm between lines of hatching, the least of one, how far a cut line goes past its view, and its wide ends.
_HATCH, _LEAST, _PAST, _WIDE_END = 2.5, 0.05, 6.0, 5.0

#: Letters of sections and details; I and O are too much like numbers.
_LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ"

#: Dimensions that disagree which are told one by one.
_TOLD = 5

#: mm by which a view may reach over the frame by rounding.
_HAIR = 1e-6


@dataclass(frozen=True, slots=True)
class Made:
    """A page, with the scale that it was drawn at, the box of each view on it, and what is to be told.

    lost     what could not be carried over: kind, how many, why
    outside  names of views that reach over the frame
    crowded  dimensions for which no free place was found
    apart    dimensions of the received drawing that do not measure what they say, where it is shown
    gone     what is said of dimensions whose things are no longer there
    laid     the views as they lie
    """

    leaf: Leaf
    scale: float
    boxes: tuple[tuple[str, Box], ...]
    dimensions: int
    lost: tuple[tuple[str, int, str], ...] = ()
    outside: tuple[str, ...] = ()
    crowded: tuple[str, ...] = ()
    gone: tuple[str, ...] = ()
    apart: tuple[Disagreement, ...] = ()
    laid: tuple[Laid, ...] = ()

    def told(self) -> list[str]:
        """The same in sentences."""
        found = [f"{count} {kind}{'s' if count != 1 else ''}: {why}." for kind, count, why in self.lost]
        if self.outside:
            found.append(f"Beyond the frame: {', '.join(self.outside)}.")
        if self.crowded:
            what = "1 dimension" if len(self.crowded) == 1 else f"{len(self.crowded)} dimensions"
            found.append(f"No free place was found for {what}; a larger scale or paper has more room.")
        found += [f"The dimension “{d.text}” measures {d.drawn:.6g}." for d in self.apart[:_TOLD]]
        if len(self.apart) > _TOLD:
            found.append(f"{len(self.apart) - _TOLD} more dimensions do not measure what they say; see Measure.")
        return [*found, *self.gone]


def made_sheet(
    sheet: Sheet, state: State, context: Context = QUIET, job: str = "", sources: Sources | None = None
) -> Made:
    """The page of a sheet; raises DeliverError.

    job  what the job is called, for the title block
    """
    sources = sources or Sources(state, context)
    paper = paper_of(sheet.paper, {"usual": None, "upright": True, "across": False}[sheet.lies])
    sources.want_bodies(sheet.views)
    contents = [(view, sources.content(view)) for view in sheet.views]
    # Where things go depends on the frame alone, and not on what stands in its fields.
    empty = framed(paper, sheet.frame, {}, sheet.method)
    tables = list(_tables(sheet, state, sources))
    room = _beside_tables(empty.room, tables)
    scale, laid = laid_out(contents, room, empty.block, scale_of(sheet.scale), sheet.method)
    frame = framed(paper, sheet.frame, _fields(sheet, state, scale, paper.name, job), sheet.method)
    marks: list[Mark] = [*frame.marks]
    crowded: list[str] = []
    gone: list[str] = []
    count = 0
    numbers = _numbered(sheet, state, laid)
    holes = [hole for hole, _ in holes_of(state)] if sheet.holes else []
    for k, one in enumerate(laid):
        drawn, missing = _drawn_in(one)
        own = (*one.content.dimensions, *drawn, *numbers.get(k, ()))
        gone += missing
        shown, left = _view_marks(
            replace(one, content=replace(one.content, dimensions=own)), titled=len(laid) > 1,
            differs=one.scale != scale, holes=holes,
        )  # fmt: skip
        marks += shown
        crowded += left
        count += len(one.content.dimensions) + len(drawn)
    marks += _table_marks(tables, frame)
    marks += _planes(laid)
    marks += _details(laid)
    for note in sheet.notes:
        marks += _note_marks(note)
    leaf = Leaf(paper.width, paper.height, tuple(marks), job or sheet.name).inked(sheet.ink)
    names = [_name(one) for one in laid]
    outside = tuple(n for n, one in zip(names, laid, strict=True) if _reaches_over(one.box, frame.room))
    lost = tuple(row for one in laid for row in one.content.lost)
    boxes = tuple((n, one.box) for n, one in zip(names, laid, strict=True))
    return Made(
        leaf, scale, boxes, count, lost, outside, tuple(crowded), tuple(gone), tuple(_apart(laid, state)), tuple(laid)
    )


def _name(one: Laid) -> str:
    return one.view.shows


def _reaches_over(box: Box, room: Box) -> bool:
    return (
        box[0] < room[0] - _HAIR or box[1] < room[1] - _HAIR or box[2] > room[2] + _HAIR or box[3] > room[3] + _HAIR
    )  # fmt: skip


def _fields(sheet: Sheet, state: State, scale: float, paper: str, job: str) -> Mapping[str, str]:
    """What stands in the title block: what the job knows, and over it what was given."""
    sheets = state.part(Sheets).sheets
    number = next((k for k, s in enumerate(sheets, 1) if s.name == sheet.name), 1)
    bodies = [b for b in state.part(Formed).bodies if not b.hidden]
    masses = [b.mass for b in bodies]
    mass = f"{sum(m or 0.0 for m in masses):.3g} kg" if masses and None not in masses else ""
    materials = list(dict.fromkeys(b.density.name for b in bodies if b.density is not None and b.density.name))
    known = {
        "title": job, "scale": scale_text(scale), "paper": paper, "unit": "mm", "sheet": f"{number}/{len(sheets) or 1}",
        "mass": mass, "material": ", ".join(materials),
    }  # fmt: skip
    return known | dict(sheet.fields)


# ---------------------------------------------------------------------- views


def _view_marks(
    one: Laid, *, titled: bool, differs: bool, holes: Sequence[Circle]
) -> tuple[list[Mark], list[str]]:  # fmt: skip
    """(a view with its dimensions, centre marks and title; dimensions without a free place).

    holes  as they are numbered in their table; none where there is no table
    """
    by = one.onto_paper
    marks = list(moved(one.content.marks, by))
    room = Room.of(marks, box_of(marks) or one.box)
    marks += _hatched(one.content, by)
    centres = list(_centre_marks(one.content, by))
    if holes and _shows_profiles(one.view.shows):
        centres += _hole_numbers(one.content, by, holes)
    dimensions, crowded = dimension_marks(one.content.dimensions, by, room)
    marks += [*centres, *dimensions]
    if titled:
        low = (box_of(marks) or one.box)[1]
        text = one.content.title + (f" ({scale_text(one.scale)})" if differs else "")
        across = (one.box[0] + one.box[2]) / 2
        if detail_in(one.view.shows) is None and (one.view.shows not in AXES or differs):
            marks.append(Words(text, Point(across, low - _TITLE - 2.0), _TITLE * 0.7, 0.0, "centre", 0, "titles"))
    return marks, crowded


def _shows_profiles(shows: str) -> bool:
    """Whether a view, or what it is a detail of, is of profiles as they are drawn."""
    return shows.removeprefix("detail:").startswith("profiles")


def _drawn_in(one: Laid) -> tuple[list[Dimensioned], list[str]]:
    """(the dimensions that were drawn in a view, what is said of those whose things are gone)."""
    found: list[Dimensioned] = []
    gone: list[str] = []
    for k, measure in enumerate(one.view.measures, 1):
        try:
            found += dimensioned(one.content.curves, measure, f"drawn {k}", ROW / one.scale)
        except SyntaxaError as error:
            gone.append(f"Dimension {k} of the view “{_name(one)}” is left out: {error.sentence}")
    return found, gone


def _apart(laid: Sequence[Laid], state: State) -> Iterator[Disagreement]:
    """The dimensions that disagree of those that are shown as they were received."""
    boxes = [one.content.box for one in laid if one.view.shows.partition(":")[0] in ("received", "window")]
    if boxes:
        for found in disagreements(state):
            if any(b[0] <= found.place.x <= b[2] and b[1] <= found.place.y <= b[3] for b in boxes):
                yield found


def _numbered(sheet: Sheet, state: State, laid: Sequence[Laid]) -> Mapping[int, list[Dimensioned]]:
    """The numbers that bodies have in their table, in the first view that is along an axis, by its number."""
    seen = next((k for k, one in enumerate(laid) if one.view.shows in AXES), None)
    if not sheet.parts or seen is None:
        return {}
    _, right, up = AXES[laid[seen].view.shows]
    found = []
    for n, body in enumerate((b for b in state.part(Formed).bodies if not b.hidden), 1):
        box = body.figures.box
        middle = [(box[k] + box[k + 3]) / 2 for k in range(3)]
        at = Point(*(sum(a * b for a, b in zip(middle, way, strict=True)) for way in (right, up)))
        found.append(Dimensioned(f"number {n}", Pointed(at, ring=True), str(n)))
    return {seen: found}


def _centre_marks(content: Content, by: Transform) -> Iterator[Mark]:
    """Crosses of centre lines over circles that are large enough to be seen."""
    pen = Pen(NARROW / 1.4, 0, CENTRE)
    done: dict[tuple[float, float], float] = {}
    for centre, radius in content.centres:
        key = round(centre.x, 6), round(centre.y, 6)
        done[key] = max(done.get(key, 0.0), radius)
    for (x, y), radius in done.items():
        at, reach = by.point(Point(x, y)), radius * by.scale + _REACH
        if reach < 1.2 * _REACH:
            continue
        for dx, dy in ((reach, 0.0), (0.0, reach)):
            line = Line(Point(at.x - dx, at.y - dy), Point(at.x + dx, at.y + dy))
            yield Stroke(line, pen, "centre-lines")


def _hatched(content: Content, by: Transform) -> Iterator[Mark]:
    """Narrow lines at 45 degrees over what was cut through (ISO 128-3)."""
    if content.cut is None or content.cut.is_empty:
        return
    c, s = by.a, by.b
    area = affine_transform(content.cut, [c, by.c, s, by.d, by.e, by.f])
    x0, y0, x1, y1 = area.bounds
    reach = y1 - y0
    count = math.ceil((x1 - x0 + reach) / _HATCH)
    lines = [((x0 - reach + k * _HATCH, y0), (x0 + k * _HATCH, y1)) for k in range(1, count)]
    shapely.prepare(area)
    for piece in shapely.get_parts(shapely.intersection(shapely.linestrings(lines), area)) if lines else ():
        if piece.geom_type == "LineString" and piece.length > _LEAST:
            (ax, ay), (bx, by_) = piece.coords[0], piece.coords[-1]
            yield Stroke(Line(Point(ax, ay), Point(bx, by_)), Pen(NARROW), "hatching")


def _details(laid: Sequence[Laid]) -> Iterator[Mark]:
    """Round what is shown as a detail a narrow circle with a letter, which stands over the detail (ISO 128-3)."""
    cuts = sum(section_in(one.view.shows) is not None for one in laid)
    details = [(one, detail) for one in laid if (detail := detail_in(one.view.shows)) is not None]
    for letter, (own, detail) in zip(_LETTERS[cuts:], details, strict=False):
        middle, top = (own.box[0] + own.box[2]) / 2, own.box[3] + 4.0
        yield Words(f"{letter} ({scale_text(own.scale)})", Point(middle, top), 5.0, 0.0, "centre", 0, "titles")
        for one in laid:
            if one.view.shows == detail.base:
                by = one.onto_paper
                at, radius = by.point(detail.centre), detail.radius * by.scale
                yield Stroke(Circle(at, radius), Pen(NARROW), "details")
                yield Words(letter, polar(at, radius + 1.5, math.pi / 4), 5.0, 0.0, "left", 0, "details")


def _planes(laid: Sequence[Laid]) -> Iterator[Mark]:
    """Where sections are cut, in the views that see their planes edge on: a line with arrows and a letter, which stands
    over the section as well (ISO 128-3).
    """
    cuts = [(one, section) for one in laid if (section := section_in(one.view.shows)) is not None]
    for letter, (own, section) in zip(_LETTERS, cuts, strict=False):
        middle, top = (own.box[0] + own.box[2]) / 2, own.box[3] + 4.0
        yield Words(f"{letter}-{letter}", Point(middle, top), 5.0, 0.0, "centre", 0, "titles")
        for one in laid:
            seen = section.line_in(one.view.shows)
            if seen is not None:
                yield from _plane(one, letter, *seen)


def _plane(one: Laid, letter: str, upright: bool, place: float, looks: float) -> Iterator[Mark]:
    by = one.onto_paper
    box, at = one.box, by.point(Point(place, place))
    ends = (
        (Point(at.x, box[1] - _PAST), Point(at.x, box[3] + _PAST)) if upright
        else (Point(box[0] - _PAST, at.y), Point(box[2] + _PAST, at.y))
    )  # fmt: skip
    yield Stroke(Line(*ends), Pen(NARROW, 0, CENTRE), "sections")
    way = (0.0 if looks > 0 else math.pi) if upright else (math.pi / 2 if looks > 0 else -math.pi / 2)
    inward = (ends[1] - ends[0]) * (1 / ends[0].distance_to(ends[1]))
    for end, sign in ((ends[0], 1.0), (ends[1], -1.0)):
        yield Stroke(Line(end, end + inward * (sign * _WIDE_END)), Pen(2 * WIDE), "sections")
        tip = polar(end, 2.5 * HEAD, way)
        yield Stroke(Line(end, tip), Pen(NARROW), "sections")
        yield head(tip, way)
        beside = polar(end, 2.5 * HEAD + 2.5, way)
        yield Words(letter, Point(beside.x, beside.y - 2.5), 5.0, 0.0, "centre", 0, "sections")


def _hole_numbers(content: Content, by: Transform, holes: Sequence[Circle]) -> Iterator[Mark]:
    """The number that each hole has in the table of holes, beside its rim, where it is in the view."""
    there = {(c.x, c.y, r) for c, r in content.centres}
    for n, hole in enumerate(holes, 1):
        if (hole.centre.x, hole.centre.y, hole.radius) not in there:
            continue
        at = polar(by.point(hole.centre), by.scale * hole.radius + 1.5, 0.35 * math.pi)
        yield Words(str(n), at, 2.5, 0.0, "left", 0, "tables")


# ---------------------------------------------------------------------- what stands beside


def _tables(sheet: Sheet, state: State, sources: Sources) -> Iterator[Table]:
    if sheet.holes:
        yield hole_table(state)
    if sheet.parts:
        yield part_table(state)
    if sheet.changes:
        yield change_table(sources.changes)


def _beside_tables(room: Box, tables: Sequence[Table]) -> Box:
    """The room for views: tables have the right edge to themselves."""
    wide = max((t.width for t in tables), default=0.0)
    return (room[0], room[1], room[2] - wide - (_BETWEEN if wide else 0.0), room[3])


def _table_marks(tables: Sequence[Table], frame: Framed) -> Iterator[Mark]:
    """Tables in the upper right corner of the frame, one under the other."""
    top = Point(frame.room[2], frame.room[3])
    for table in tables:
        marks, height = table.marks(top)
        yield from marks
        top = Point(top.x, top.y - height - _BETWEEN)


def _note_marks(note: Note) -> Iterator[Mark]:
    place = Point(*note.place)
    for k, row in enumerate(note.text.split("\n")):
        yield Words(row, Point(place.x, place.y - 6.0 * k), 3.5, 0.0, "left", 0, "notes")
    if note.points_at is not None:
        goal = Point(*note.points_at)
        start = Point(place.x - 1.0, place.y + 1.75)
        yield Stroke(Line(start, goal), Pen(NARROW), "notes")
        yield head(goal, (goal - start).angle)
