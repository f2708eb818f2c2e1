"""Clearing areas: pockets with islands, and facing."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from syntaxa.cut.contours import Contours
from syntaxa.cut.doing import ABOVE, Doing
from syntaxa.cut.offsets.chains import Chains, area_of
from syntaxa.cut.offsets.offsetting import offset
from syntaxa.cut.paths.along import Along
from syntaxa.cut.paths.blanks import Blank, Blanks
from syntaxa.cut.paths.depths import helix, passes
from syntaxa.cut.paths.leads import SLACK
from syntaxa.cut.paths.model import Run, Stretch, at_height
from syntaxa.cut.paths.pockets import rings_of, tours_of
from syntaxa.errors import CutError
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.nearest import nearest_within
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows
from syntaxa.geometry.types import Box, Floats

#: Radii of a helix by which a pocket is entered, in radii of the tool: the largest that has room is taken.
_HELICES = (0.9, 0.6, 0.35)


def pocket_loops(contours: Contours, wanted: Sequence[int], through: Sequence[int]) -> list[tuple[int, list[Floats]]]:
    """For each contour that is cleared its number and loops: itself, and as islands what lies directly in it.

    through  contours that are cut out of the pocket's floor by others, which are no islands
    """
    children: dict[int, list[int]] = {}
    for k, contour in enumerate(contours.contours):
        if contour.closed and contour.parent >= 0:
            children.setdefault(contour.parent, []).append(k)
    skip, own = set(through), set(wanted)
    found = []
    for k in wanted:
        if not contours.contours[k].closed:
            continue
        islands = [c for c in children.get(k, ()) if c not in skip and c not in own]
        loops = [_counter_clockwise(contours.contours[k].rows)]
        loops += [reversed_rows(_counter_clockwise(contours.contours[c].rows)) for c in islands]
        found.append((k, loops))
    return found


def _counter_clockwise(rows: Floats) -> Floats:
    return rows if area_of(rows) > 0 else reversed_rows(rows)


def pocket_blanks(doing: Doing, contours: Contours, wanted: Sequence[int], through: Sequence[int]) -> Blanks:
    """A blank for each tour of each pocket; one at the wall, where something is left for it."""
    out = Blanks()
    step = doing.step_over * doing.radius
    for k, loops in pocket_loops(contours, wanted, through):
        contour = contours.contours[k]
        allowance = doing.allowance + doing.finish
        rings = rings_of(loops, doing.radius, step, allowance)
        if not rings:
            out.told.append(f"{doing.operation.name}: a pocket is too small for {doing.tool}.")
            continue
        walls = CurveArray.joined([pieces_of_rows(rows, True) for rows in loops])
        tours = tours_of(rings, loops, doing.radius + allowance, step)
        key = f"{doing.operation.name}/{contour.key}"
        for n, rows in enumerate(tours):
            later = f"{key}/wall" if doing.finish else ""
            out.found.append(_tour(doing, f"{key}/{n}", contour.key, k, rows, walls, allowance, later))
        if doing.finish:
            out.found.append(_wall(doing, f"{key}/wall", contour.key, k, loops))
    return out


def _tour(
    doing: Doing, key: str, contour: str, number: int, rows: Floats, walls: CurveArray, allowance: float, later: str
) -> Blank:
    if doing.direction == "conventional":
        rows = reversed_rows(rows, closed=False)
    place = rows[:1, :2]
    levels = passes(doing.top, doing.bottom, doing.step_down, doing.finish_down)

    def make(_place: int) -> list[Run]:
        out: list[Stretch] = []
        above = doing.top + ABOVE
        for z in levels:
            out += _entered(doing, rows, above, z, walls, doing.radius + allowance)
            if len(rows) > 1:
                out.append(Stretch("cut", at_height(rows, z), doing.feed))
            above = z
        return [Run(contour, number, tuple(out), feed=doing.feed)]

    return Blank(key, contour, number, place, place, make, later=later)


def _entered(doing: Doing, rows: Floats, top: float, bottom: float, walls: CurveArray, need: float) -> list[Stretch]:
    """Down to a level at the start of a tour: by a helix where there is room, along the tour itself, or straight."""
    x, y = rows[0, :2].tolist()
    if doing.entry == "helix":
        for share in _HELICES:
            radius = share * doing.radius
            ring = CurveArray.from_rows(
                [(x + radius, y, x - radius, y, 1.0), (x - radius, y, x + radius, y, 1.0)], [0, 0]
            )
            apart = nearest_within(ring, walls, need)
            if (apart >= need - SLACK).all():
                pitch = 2 * math.pi * radius * math.tan(doing.entry_angle)
                spiral = helix(x, y, radius, 0.0, top, bottom, pitch)
                begin = np.array([[x, y, top, 0.0], spiral[0]])
                end = np.array([[*spiral[-1, :3], 0.0], [x, y, bottom, 0.0]])
                begin[1, 3] = 0.0
                return [
                    Stretch("lead", begin, doing.feed),
                    Stretch("ramp", spiral, doing.feed),
                    Stretch("lead", end, doing.feed),
                ]
    if doing.entry != "plunge" and len(rows) > 2:
        return [Stretch("ramp", _along_tour(rows, top, bottom, doing.entry_angle), doing.feed)]
    return [Stretch("plunge", np.array([[x, y, top, 0.0], [x, y, bottom, 0.0]]), doing.plunge)]


def _along_tour(rows: Floats, top: float, bottom: float, angle: float) -> Floats:
    """Down to and fro on the first part of a tour, at most at an angle, back to where it begins."""
    along = Along(rows, False)
    need = (top - bottom) / math.tan(angle)
    reach = min(need / 2, along.total / 2)
    times = max(1, math.ceil(need / (2 * reach) - 1e-9))
    out = along.between(0.0, reach)
    back = reversed_rows(out, closed=False)
    flat = np.vstack([*(np.vstack([out[:-1], back[:-1]]) for _ in range(times)), back[-1:]])
    lengths = np.concatenate([[0.0], np.cumsum(Along(flat, False).lengths)])
    z = top - (top - bottom) * lengths / lengths[-1]
    z[-1] = bottom
    return np.column_stack([flat[:, :2], z, flat[:, 2]])


def _wall(doing: Doing, key: str, contour: str, number: int, loops: list[Floats]) -> Blank:
    """Once round the walls at full depth."""
    found = offset(Chains.of(loops), doing.radius + doing.allowance)
    if not found.loops:
        raise CutError(f"{doing.operation.name}: the wall of a pocket cannot be gone round.")
    place = np.array([found.loops[0][0, :2]])

    def make(_place: int) -> list[Run]:
        runs = []
        for rows in found.loops:
            along = Along(rows if doing.direction == "climb" else reversed_rows(rows), True)
            flat = along.between(0.0, along.total + doing.overcut)
            x, y = flat[0, :2].tolist()
            down = np.array([[x, y, doing.top + ABOVE, 0.0], [x, y, doing.bottom, 0.0]])
            cut = Stretch("cut", at_height(flat, doing.bottom), doing.feed)
            runs.append(Run(contour, number, (Stretch("plunge", down, doing.plunge), cut), feed=doing.feed))
        return runs

    return Blank(key, contour, number, place, place, make)


def faced_blanks(doing: Doing, area: Box) -> Blanks:
    """One blank: lines to and fro over a box (mm), beyond it by the tool's radius at every end."""
    r, step = doing.radius, doing.step_over * doing.radius
    low_x, low_y, high_x, high_y = area
    count = max(2, math.ceil((high_y - low_y) / step - 1e-9) + 1)
    rows = []
    for n, y in enumerate(np.linspace(low_y, high_y, count)):
        ends = (low_x - r, high_x + r) if n % 2 == 0 else (high_x + r, low_x - r)
        rows += [[ends[0], y, 0.0], [ends[1], y, 0.0]]
    flat = np.array(rows)
    levels = passes(doing.top, doing.bottom, doing.step_down, doing.finish_down)
    place = flat[:1, :2]

    def make(_place: int) -> list[Run]:
        runs = []
        for z in levels:
            x, y = flat[0, :2].tolist()
            down = np.array([[x, y, doing.top + ABOVE, 0.0], [x, y, z, 0.0]])
            cut = Stretch("cut", at_height(flat, z), doing.feed)
            runs.append(Run("stock", -1, (Stretch("plunge", down, doing.plunge), cut), feed=doing.feed))
        return runs

    return Blanks([Blank(f"{doing.operation.name}/stock", "stock", -1, place, place, make)])
