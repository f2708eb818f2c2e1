"""What a program should make: of operations, or of a drawing alone; in the program's own axes."""

from __future__ import annotations

import math
from collections.abc import Sequence
from functools import cached_property

import msgspec
import numpy as np

from syntaxa.cut.bench.target import Room, Target, Wanted
from syntaxa.cut.contours import Contour, Contours
from syntaxa.cut.doing import SIDES, Doing
from syntaxa.cut.model import KeepOut, Place
from syntaxa.cut.offsets.chains import Chains, closed_by_first
from syntaxa.cut.offsets.offsetting import offset, swept
from syntaxa.cut.paths.areas import pocket_loops
from syntaxa.cut.paths.outlines import waste_inside
from syntaxa.cut.paths.planning import THROUGH, Meant, Work
from syntaxa.geometry.rows import reversed_rows
from syntaxa.geometry.types import Box, Floats

#: mm more than the tool that a line which it follows leaves free: what rounding of numbers wants.
_SLACK = 1e-3


def expected(work: Work, keep_out: Sequence[KeepOut] = ()) -> Target:
    """What the operations of some work should make."""
    return _Expecting(work, keep_out, {(p.operation, p.contour): p for p in work.places}).target()


def expected_of_drawing(
    contours: Contours,
    floor: float,
    zero: tuple[float, float] = (0.0, 0.0),
    bottom: float = 0.0,
    box: Box | None = None,
) -> Target:
    """What a drawing alone says: every part is kept, all its outlines are cut down to a floor (mm).

    zero  where the program's x and y are 0 on the drawing; bottom, box  of the stock, in the program's axes
    """
    shift = np.array([-zero[0], -zero[1], 0.0])
    parts = tuple(tuple(rows + shift for rows in p.loops) for p in contours.parts)
    wanted = tuple(
        Wanted("side", f"contour {k + 1}", c.rows + shift, floor) for k, c in enumerate(contours.contours) if c.closed
    )
    rooms = (Room(tuple(rows for loops in parts for rows in loops), -math.inf, outside=True),) if parts else ()
    return Target(rooms, wanted, 0.0, bottom, box, (), parts)


def _shifted(box: Box | None, shift: Floats) -> Box | None:
    if box is None:
        return None
    x, y = float(shift[0]), float(shift[1])
    return box[0] + x, box[1] + y, box[2] + x, box[3] + y


def _kept_out(keep_out: Sequence[KeepOut], shift: Floats) -> tuple[KeepOut, ...]:
    return tuple(msgspec.structs.replace(k, box=_shifted(k.box, shift) or k.box) for k in keep_out)


class _Expecting:
    def __init__(self, work: Work, keep_out: Sequence[KeepOut], places: dict[tuple[str, str], Place]) -> None:
        self.work, self.contours, self.places = work, work.contours.contours, places
        stock = work.stock
        self.shift = np.array([-stock.zero[0], -stock.zero[1], 0.0])
        self.dz = -stock.zero_z
        self.keep_out = _kept_out(keep_out, self.shift)
        self.rooms: list[Room] = []
        self.wanted: list[Wanted] = []

    def target(self) -> Target:
        stock = self.work.stock
        parts = tuple(tuple(self._moved(rows) for rows in p.loops) for p in self.work.contours.parts)
        outermost = tuple(self._moved(c.rows) for c in self.contours if c.bounds == "outer" and not c.depth)
        if outermost and not self._turned_out():
            self.rooms.append(Room(outermost, -math.inf, outside=True))
        for meant in self.work.meant:
            self._add(meant)
        for corner in self.work.reliefs:
            self._relief(corner)
        return Target(
            tuple(self.rooms),
            tuple(self.wanted),
            self.dz,
            self.dz - stock.thickness,
            _shifted(stock.box, self.shift),
            self.keep_out,
            parts,
        )

    def _moved(self, rows: Floats) -> Floats:
        return np.asarray(rows + self.shift)

    def _open(self, floor: float) -> float:
        """The floor of a room: what goes through the stock has none."""
        return -math.inf if floor <= self.dz - self.work.stock.thickness + _SLACK else floor

    def _turned_out(self) -> bool:
        """Whether an outermost contour is cut as a hole: then what lies round it is kept."""
        return any(
            self.contours[k].bounds == "outer"
            and not self.contours[k].depth
            and self._inside(m.doing, self.contours[k])
            for m in self.work.meant
            if m.doing.operation.kind in SIDES
            for k in m.numbers
        )

    def _inside(self, doing: Doing, contour: Contour) -> bool:
        place = self.places.get((doing.operation.name, contour.key)) or Place(doing.operation.name, contour.key)
        return waste_inside(doing, contour, place)

    # ------------------------------------------------------------------ by operation

    def _add(self, meant: Meant) -> None:
        doing, kind = meant.doing, meant.doing.operation.kind
        floor = 0.0 if doing.tool.is_flat else doing.bottom + self.dz
        if kind in SIDES:
            for k in meant.numbers:
                self._side(doing, k, floor)
        elif kind == "follow":
            for k in meant.numbers:
                self._line(doing, self.contours[k], floor)
        elif kind == "pocket":
            through = sorted({
                k for m in self.work.meant if m.doing.operation.kind in THROUGH for k in m.numbers
            } - set(meant.numbers))  # fmt: skip
            for k, loops in pocket_loops(self.work.contours, meant.numbers, through):
                moved = tuple(self._moved(rows) for rows in loops)
                self.rooms.append(Room(moved, self._open(floor)))
                name = f"{doing.operation.name}, pocket {k + 1}"
                self.wanted.append(Wanted("area", name, moved[0], floor, loops=moved, allowance=doing.allowance))
        elif kind == "face":
            self._face(doing, floor)
        elif kind in ("drill", "bore"):
            for k in meant.numbers:
                self._hole(doing, self.contours[k], floor)
        else:
            self._chamfer(doing, meant)

    def _side(self, doing: Doing, number: int, floor: float) -> None:
        contour = self.contours[number]
        if not contour.closed:
            return
        rows = self._moved(contour.rows)
        inside = self._inside(doing, contour)
        natural = inside == (contour.bounds == "hole")
        dx, dy = self.shift[:2].tolist()
        tabs = tuple((x + dx, y + dy, wide, z + self.dz) for k, x, y, wide, z in self.work.tabs if k == number)
        name = f"{doing.operation.name}, {_called(contour)}"
        self.wanted.append(
            Wanted("side", name, rows if natural else reversed_rows(rows), floor, tabs=tabs, allowance=doing.allowance)
        )
        # The waste beside it: what lies in a hole, or in the hole that holds a part.
        holder = number if inside else contour.parent
        if holder >= 0:
            self.rooms.append(Room(self._between(holder), self._open(floor)))

    def _between(self, number: int) -> tuple[Floats, ...]:
        """What lies in a contour and in none that lies directly in it."""
        return tuple(self._moved(self.contours[k].rows) for k in (number, *self._held.get(number, ())))

    @cached_property
    def _held(self) -> dict[int, list[int]]:
        """The closed contours that lie directly in each."""
        held: dict[int, list[int]] = {}
        for k, contour in enumerate(self.contours):
            if contour.closed and contour.parent >= 0:
                held.setdefault(contour.parent, []).append(k)
        return held

    def _line(self, doing: Doing, contour: Contour, floor: float) -> None:
        rows = self._moved(contour.rows)
        self.wanted.append(Wanted("line", f"{doing.operation.name}, {_called(contour)}", rows, floor, contour.closed))
        run = closed_by_first(rows) if contour.closed else rows
        self.rooms.append(Room(tuple(swept([run], doing.reach + _SLACK)), floor))

    def _face(self, doing: Doing, floor: float) -> None:
        box = _shifted(self.work.stock.box, self.shift)
        if box is None:
            return
        x0, y0, x1, y1 = box
        rows = np.array([[x0, y0, 0.0], [x1, y0, 0.0], [x1, y1, 0.0], [x0, y1, 0.0]])
        # A tool that faces goes beyond the stock on every side.
        wide = 2 * doing.tool.diameter
        grown = rows + np.array([[-wide, -wide, 0], [wide, -wide, 0], [wide, wide, 0], [-wide, wide, 0]])
        self.rooms.append(Room((grown,), floor))
        self.wanted.append(Wanted("area", doing.operation.name, grown, floor, loops=(rows,)))

    def _hole(self, doing: Doing, contour: Contour, floor: float) -> None:
        if contour.circle is None:
            return
        x, y, radius = contour.circle
        middle = np.array([[x, y, 0.0]]) + self.shift
        name = f"{doing.operation.name}, {_called(contour)}"
        drill = doing.operation.kind == "drill"
        tip = doing.tool.radius / math.tan(math.radians(doing.tool.angle) / 2) if doing.tool.kind == "drill" else 0.0
        wide = max(radius, doing.tool.radius) if drill else radius
        circle = np.array([[middle[0, 0] + wide, middle[0, 1], 1.0], [middle[0, 0] - wide, middle[0, 1], 1.0]])
        self.rooms.append(Room((circle,), self._open(floor - (tip if doing.through else 0.0))))
        if drill:
            self.wanted.append(Wanted("hole", name, middle, floor))
        else:
            self.wanted.append(Wanted("area", name, circle, floor, loops=(circle,), allowance=doing.allowance))

    def _chamfer(self, doing: Doing, meant: Meant) -> None:
        """The cone may go over the edge by the chamfer's width at the top."""
        closed = [k for k in meant.numbers if self.contours[k].closed]
        loops = [self._moved(self.contours[k].rows) for k in closed]
        if not loops:
            return
        inner = offset(Chains.of(loops, list(range(len(loops)))), doing.width).loops
        self.rooms.append(Room(tuple(inner), -math.inf, outside=True, cone=True))

    def _relief(self, corner: Floats) -> None:
        """Round a corner that is relieved the tool goes into the walls: it may."""
        for meant in self.work.meant:
            doing = meant.doing
            if doing.corners == "relief" and doing.operation.kind in SIDES:
                place = corner + self.shift[:2]
                wide = 2 * doing.radius + doing.allowance + _SLACK
                circle = np.array([[place[0] + wide, place[1], 1.0], [place[0] - wide, place[1], 1.0]])
                floor = 0.0 if doing.tool.is_flat else doing.bottom + self.dz
                self.rooms.append(Room((circle,), floor))
                return


def _called(contour: Contour) -> str:
    what = {"outer": "outline", "hole": "hole", "line": "line"}[contour.bounds]
    return f"{what} of {contour.sketch}"
