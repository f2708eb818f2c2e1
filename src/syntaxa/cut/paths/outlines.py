"""Along one side of contours: profiles outside and inside, with leads, tabs, ramps, corners and a pass at the wall.

Whichever way the tool goes in the end, a path is first made with the waste on its left.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.contours import Contour, Contours
from syntaxa.cut.doing import ABOVE, Doing
from syntaxa.cut.model import Place
from syntaxa.cut.offsets.chains import Chains
from syntaxa.cut.offsets.offsetting import Parallel, offset
from syntaxa.cut.paths.along import Along
from syntaxa.cut.paths.blanks import Blank, Blanks
from syntaxa.cut.paths.common import without_shared
from syntaxa.cut.paths.corners import looped, relieved
from syntaxa.cut.paths.depths import passes, ramp
from syntaxa.cut.paths.leads import Lead, are_clear, clear_leads, way_out
from syntaxa.cut.paths.lines import open_blank
from syntaxa.cut.paths.model import Run, Stretch, What, at_height
from syntaxa.cut.paths.tabs import pieces_between, tab_count, tab_places
from syntaxa.errors import CutError
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows
from syntaxa.geometry.types import Floats

#: mm; an offset that leads nowhere for longer than this is told instead of used.
_LOST = 1e-3

#: mm within which a path is as far from a contour as it should be.
_BESIDE = 1e-6

#: mm by which rounding makes a tab wider.
_HAIR = 1e-3


@dataclass(frozen=True, slots=True, eq=False)
class Side:
    """A path of the tool's middle beside a contour of a number, closed, with the waste on its left."""

    number: int
    rows: Floats


def outline_blanks(doing: Doing, contours: Contours, wanted: Sequence[int], places: dict[str, Place]) -> Blanks:
    """The blanks of a profile, outside or inside operation."""
    out = Blanks()
    walls = (
        CurveArray.joined([c.pieces for c in contours.contours if c.closed]) if contours.parts else CurveArray.none()
    )
    rough = _sides(doing, contours, wanted, places, doing.allowance + doing.finish, out)
    _add(doing, contours, rough, places, walls, "rough" if doing.finish else "", out)
    if doing.finish:
        fine = _sides(doing, contours, wanted, places, doing.allowance, Blanks())
        _add(doing, contours, fine, places, walls, "wall", out)
    return out


def waste_inside(doing: Doing, contour: Contour, place: Place) -> bool:
    """Whether the tool goes inside a contour: by what the operation says, else by the nesting; and turned by hand."""
    inside = contour.bounds == "hole" if doing.operation.kind == "profile" else doing.operation.kind == "inside"
    return inside != place.turned


def side_loops(
    contours: Contours, wanted: Sequence[int], inside: Sequence[bool]
) -> tuple[list[Floats], list[int], list[int]]:
    """(loops with the waste on the left, their groups, the contour of each): a part's loops keep clear of each
    other.
    """
    loops, groups, numbers = [], [], []
    for k, within in zip(wanted, inside, strict=True):
        contour = contours.contours[k]
        # Rows have the part on the left: an outer one runs counter-clockwise, a hole clockwise.
        natural = within == (contour.bounds == "hole")
        loops.append(reversed_rows(contour.rows) if natural else contour.rows)
        # What is cut on the other side than its part wants stands alone.
        groups.append(contour.part if natural else len(contours.parts) + k)
        numbers.append(k)
    natural_parts = {g for g in groups if g < len(contours.parts)}
    asked = set(wanted)
    for part in sorted(natural_parts):
        for k in contours.parts[part].contours:
            if k not in asked:
                loops.append(reversed_rows(contours.contours[k].rows))
                groups.append(part)
                numbers.append(-1)
    return loops, groups, numbers


def _sides(
    doing: Doing, contours: Contours, wanted: Sequence[int], places: dict[str, Place], more: float, out: Blanks
) -> list[Side]:
    closed = [k for k in wanted if contours.contours[k].closed]
    inside = [waste_inside(doing, contours.contours[k], _place(doing, contours, k, places)) for k in closed]
    loops, groups, numbers = side_loops(contours, closed, inside)
    distance = doing.radius + more
    if distance <= 0:
        return [Side(n, rows) for n, rows in zip(numbers, loops, strict=True) if n >= 0]
    found = offset(Chains.of(loops, groups), distance)
    if found.lost > _LOST:
        raise CutError(f"{doing.operation.name}: the path does not close.", suggestion="Mend the drawing first.")
    sides = []
    for rows, source in zip(found.loops, found.sources, strict=True):
        number = numbers[source]
        if number < 0:
            continue
        profile = contours.contours[number].rows
        if doing.corners == "relief":
            rows, corners = relieved(rows, profile, distance)
            out.reliefs += corners
        elif doing.corners == "loop":
            rows = looped(rows, profile, distance, max(doing.lead_size, distance))
        sides.append(Side(number, rows))
    reached = {s.number for s in sides}
    missing = [k for k in closed if k not in reached]
    group_of = dict(zip(numbers, groups, strict=True))
    crossing = [k for k in missing if _is_beside(contours.contours[k], found, group_of[k], distance)]
    if crossing:
        says = _count(len(crossing), "contour crosses its neighbour and is", "contours cross their neighbours and are")
        out.told.append(f"{doing.operation.name}: {says} cut together with what is crossed.")
    small = [k for k in missing if k not in crossing]
    if small:
        out.told.append(
            f"{doing.operation.name}: {_count(len(small), 'contour is', 'contours are')} too small for {doing.tool}, "
            f"the first of them {_size(contours.contours[small[0]])}."
        )
    return sides


def _is_beside(contour: Contour, found: Parallel, group: int, distance: float) -> bool:
    """Whether a path that was found runs beside a contour, though it is named after another one."""
    pieces = contour.pieces
    for rows, of in zip(found.loops, found.groups, strict=True):
        if of == group:
            for place in pieces_of_rows(rows, True).points_at(np.full(len(rows), 0.5)):
                away = float(pieces.distances_to(np.tile(place, (len(pieces), 1))).min())
                if abs(away - distance) < _BESIDE:
                    return True
    return False


def _count(number: int, one: str, many: str) -> str:
    return f"{number} {one if number == 1 else many}"


def _size(contour: Contour) -> str:
    if contour.circle is not None:
        return f"a circle of {2 * contour.circle[2]:.4g} mm"
    box = contour.box
    return f"of {box[2] - box[0]:.4g} x {box[3] - box[1]:.4g} mm"


def _place(doing: Doing, contours: Contours, number: int, places: dict[str, Place]) -> Place:
    key = contours.contours[number].key
    return places.get(key) or Place(doing.operation.name, key)


def _add(
    doing: Doing,
    contours: Contours,
    sides: list[Side],
    places: dict[str, Place],
    walls: CurveArray,
    stage: str,
    out: Blanks,
) -> None:
    """A blank for each side, with its clear leads."""
    sides = _once(doing, contours, sides, out) if doing.common and len(sides) > 1 else sides
    runs = [Along(side.rows if doing.direction == "climb" else reversed_rows(side.rows), True) for side in sides]
    waste = 1.0 if doing.direction == "climb" else -1.0
    plunging = doing.tool.is_flat or doing.entry == "plunge"
    set_by_hand = [_place(doing, contours, s.number, places) for s in sides]
    asked = [None if p.start is None else a.nearest(*p.start) for a, p in zip(runs, set_by_hand, strict=True)]
    # A ramp begins on the contour; all others come to it by a lead.
    kind = doing.lead if plunging or stage == "wall" else "none"
    leads = clear_leads(runs, walls, doing.radius, [(kind, doing.lead_size)] * len(runs), asked, waste)
    for side, along, options, place in zip(sides, runs, leads, set_by_hand, strict=True):
        contour = contours.contours[side.number]
        tabs = _tabs(doing, along, place)
        if stage != "rough":
            wide = math.hypot((doing.tab_width + doing.tool.width) / 2, doing.radius + doing.allowance) + _HAIR
            top = 0.0 if doing.tool.is_flat else doing.bottom + doing.tab_height
            out.tabs += [(side.number, *along.place(s).tolist(), wide, top) for s in tabs]
        cutter = _Cutter(doing, contour.key, side.number, along, tabs, waste, walls, stage)
        begin = np.array([cutter.begins_at(lead) for lead in options])
        key = f"{doing.operation.name}/{contour.key}/{len(out.found)}"
        out.found.append(Blank(key, contour.key, side.number, begin, begin, _maker(cutter, options), along.total))
    without = sum(1 for options in leads if options[0].rows is None) if kind != "none" else 0
    if without:
        out.told.append(
            f"{doing.operation.name}: {_count(without, 'contour has', 'contours have')} no room for a lead and "
            f"{'is' if without == 1 else 'are'} begun on the line."
        )


def _once(doing: Doing, contours: Contours, sides: list[Side], out: Blanks) -> list[Side]:
    """The paths that share nothing; of those that do, what is left becomes blanks of their own, gone to and fro."""
    levels = passes(doing.top, doing.bottom, doing.step_down, doing.finish_down)
    whole = []
    for side, left in zip(sides, without_shared([s.rows for s in sides]), strict=True):
        if left is None:
            whole.append(side)
            continue
        key = contours.contours[side.number].key
        for n, rows in enumerate(left):
            name = f"{doing.operation.name}/{key}/shared {n}"
            out.found.append(open_blank(doing, name, key, side.number, rows, levels))
    return whole


def _maker(cutter: _Cutter, options: list[Lead]) -> Callable[[int], list[Run]]:
    return lambda place: [cutter.run(options[place])]


def _tabs(doing: Doing, along: Along, place: Place) -> list[float]:
    if place.tabs_at is not None:
        return sorted(along.nearest(*at) for at in place.tabs_at)
    wanted = tab_count(along.total, doing.tabs, doing.tab_every)
    return tab_places(along, wanted, doing.tab_width, doing.tool.width) if wanted else []


class _Cutter:
    """Makes the run along one path."""

    def __init__(
        self,
        doing: Doing,
        contour: str,
        number: int,
        along: Along,
        tabs: list[float],
        waste: float,
        walls: CurveArray,
        stage: str,
    ) -> None:
        self.doing, self.contour, self.number, self.along = doing, contour, number, along
        self.tabs, self.waste, self.walls = tabs, waste, walls
        self.levels = (
            [doing.bottom] if stage == "wall" else passes(doing.top, doing.bottom, doing.step_down, doing.finish_down)
        )
        self.ramps = not doing.tool.is_flat and doing.entry != "plunge" and stage != "wall"

    def begins_at(self, lead: Lead) -> tuple[float, float]:
        """Where the run begins (mm), for the order."""
        if self.ramps:
            x, y = self.along.place(lead.at - self._first_ramp()).tolist()
        else:
            x, y = (self.along.place(lead.at) if lead.rows is None else lead.rows[0, :2]).tolist()
        return x, y

    def run(self, lead: Lead) -> Run:
        """The run that begins with a lead."""
        stretches = self._ramped(lead) if self.ramps else self._plunged(lead)
        return Run(self.contour, self.number, tuple(s for s in stretches if len(s.rows) > 1), feed=self.doing.feed)

    # ------------------------------------------------------------------ ways down

    def _plunged(self, lead: Lead) -> list[Stretch]:
        """Down beside the contour, in by the lead, round, out; for every pass again."""
        out: list[Stretch] = []
        doing, start = self.doing, lead.at
        above = doing.top + ABOVE
        for z in self.levels:
            way = np.array([[*self.along.place(start), 0.0]]) if lead.rows is None else lead.rows
            if not doing.tool.is_flat:
                x, y = way[0, :2].tolist()
                out.append(Stretch("plunge", np.array([[x, y, above, 0.0], [x, y, z, 0.0]]), doing.plunge))
                above = z + ABOVE
            out.append(Stretch("lead", at_height(way, z), doing.feed))
            out += self._cut(start, start + self.along.total + doing.overcut, z)
            out += self._out(start + doing.overcut, z, lead.size)
            if z != self.levels[-1] and not doing.tool.is_flat:
                out += self._back(out[-1].rows[-1], way[0, :2], z)
        return out

    def _back(self, end: Floats, start: Floats, z: float) -> list[Stretch]:
        """Up and back to where the next pass begins, over what is cut already."""
        high = z + ABOVE
        rows = np.array([[*end[:2], z, 0.0], [*end[:2], high, 0.0], [*start, high, 0.0]])
        return [Stretch("link", rows, self.doing.feed)]

    def _ramped(self, lead: Lead) -> list[Stretch]:
        """Down along the contour, and round once at the bottom of each pass; the last round clears the ramp."""
        doing, total, start = self.doing, self.along.total, lead.at
        out: list[Stretch] = []
        top = doing.top + ABOVE
        here = start - self._first_ramp()
        for n, z in enumerate(self.levels):
            down = self._ramp_length(top, z)
            if n:
                level = max(start + total - down, start) if down < total else start
                out += self._cut(start, level, self.levels[n - 1])
                here = level
            out += self._down(here, down, top, z)
            top = z
        out += self._cut(start, start + total + doing.overcut, self.levels[-1])
        out += self._out(start + doing.overcut, self.levels[-1], doing.lead_size)
        return out

    def _first_ramp(self) -> float:
        return self._ramp_length(self.doing.top + ABOVE, self.levels[0])

    def _ramp_length(self, top: float, bottom: float) -> float:
        """mm along the contour: as the angle has it, or whole rounds where one does not do."""
        length = (top - bottom) / math.tan(self.doing.entry_angle)
        total = self.along.total
        return length if length <= total else math.ceil(length / total - 1e-9) * total

    def _down(self, start: float, length: float, top: float, bottom: float) -> list[Stretch]:
        angle = math.atan2(top - bottom, length)
        rows, _ = ramp(self.along, start, top, bottom, angle)
        high = self._tab_top()
        if not self.tabs or bottom >= high:
            return [Stretch("ramp", rows, self.doing.feed)]
        out: list[Stretch] = []
        for low, end, on_tab in self._parted(start, start + length):
            za, zb = (top - (top - bottom) * (s - start) / length for s in (low, end))
            if on_tab:
                out += self._level(low, end, max(za, high), "tab")
                continue
            flat = self.along.between(low, end)
            lengths = np.concatenate([[0.0], np.cumsum(Along(flat, False).lengths)])
            z = za - (za - zb) * lengths / lengths[-1]
            out.append(Stretch("ramp", np.column_stack([flat[:, :2], z, flat[:, 2]]), self.doing.feed))
        return _linked(out, self.doing)

    # ------------------------------------------------------------------ on the level

    def _cut(self, low: float, high: float, z: float) -> list[Stretch]:
        """A part of the contour at a height, tabs left standing."""
        if high - low <= 0:
            return []
        if not self.tabs or (not self.doing.tool.is_flat and z >= self._tab_top()):
            return self._level(low, high, z, "cut")
        out: list[Stretch] = []
        for a, b, on_tab in self._parted(low, high):
            raised = on_tab and not self.doing.tool.is_flat
            out += self._level(a, b, self._tab_top() if raised else z, "tab" if on_tab else "cut")
        return _linked(out, self.doing)

    def _parted(self, low: float, high: float) -> list[tuple[float, float, bool]]:
        half = (self.doing.tab_width + self.doing.tool.width) / 2
        return pieces_between(low, high, self.tabs, half, self.along.total)

    def _tab_top(self) -> float:
        return self.doing.bottom + self.doing.tab_height

    def _level(self, low: float, high: float, z: float, what: What) -> list[Stretch]:
        rows = self.along.between(low, high)
        return [Stretch(what, at_height(rows, z), self.doing.feed)] if len(rows) > 1 else []

    def _out(self, at: float, z: float, size: float) -> list[Stretch]:
        kind = self.doing.lead_out
        if kind == "none" or size <= 0:
            return []
        rows = way_out(self.along, at, kind, size, self.waste)
        clear = bool(are_clear([rows], self.walls, self.doing.radius)[0])
        return [Stretch("out", at_height(rows, z), self.doing.feed)] if clear else []


def _linked(stretches: list[Stretch], doing: Doing) -> list[Stretch]:
    """Stretches at different heights joined by straight ways up and down."""
    out: list[Stretch] = []
    for s in stretches:
        if out:
            before, first = out[-1].rows[-1], s.rows[0]
            if before[2] != first[2]:
                way = np.array([[*before[:3], 0.0], [*first[:3], 0.0]])
                out.append(Stretch("plunge", way, doing.plunge if first[2] < before[2] else doing.feed))
        out.append(s)
    return out
