"""What Cut keeps in the state: machine, stock, tools, operations, what was set by hand, and how it is ordered."""

from __future__ import annotations

from dataclasses import dataclass, replace

import msgspec

from syntaxa.cut.library import Machine, shipped_machines
from syntaxa.cut.model import Operation, Ordering, Pick, Place, Stock, Tool
from syntaxa.drawing.descent import RegionRef
from syntaxa.drawing.state import Part
from syntaxa.errors import CutError
from syntaxa.geometry.points import Point
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box


@dataclass(frozen=True, slots=True)
class Copied:
    """A curve on a sheet: its root, the sketch that it was copied from and the root there, and how it was laid."""

    root: str
    sketch: str
    first: str
    by: Transform


@dataclass(frozen=True)
class Planned(Part):
    """Everything that paths and programs are made of, besides the sketches.

    machine   None before one was chosen
    tools     copies of those that are used, so that a job cuts the same on every computer
    sheets    sketches that are sheets of nested parts, and their boxes (mm); copied  each curve on them; wasted  share
              of the sheets that is waste
    ordering  what goes first; locked  (operation, contour) in an order that was set by hand and stays
    """

    machine: Machine | None = None
    stock: Stock = Stock()  # noqa: RUF009  frozen, so one for all is right
    tools: tuple[Tool, ...] = ()
    operations: tuple[Operation, ...] = ()
    places: tuple[Place, ...] = ()
    sheets: tuple[tuple[str, Box], ...] = ()
    copied: tuple[Copied, ...] = ()
    wasted: float = 0.0
    ordering: Ordering = "by tool"
    locked: tuple[tuple[str, str], ...] = ()

    @property
    def chosen_machine(self) -> Machine:
        """The machine; the first of the shipped ones before one was chosen."""
        return self.machine or shipped_machines()[0]

    @property
    def sheet(self) -> str:
        """The sheet that is the stock, and so all that is cut: the chosen one, else the first; empty without sheets."""
        names = [name for name, _ in self.sheets]
        return self.stock.sketch if self.stock.sketch in names else next(iter(names), "")

    def operation(self, name: str) -> Operation:
        """The operation of a name; raises CutError."""
        found = next((o for o in self.operations if o.name == name), None)
        if found is None:
            names = ", ".join(o.name for o in self.operations)
            raise CutError(
                f"There is no operation called “{name}”.", suggestion=f"There are: {names}." if names else "Add one."
            )
        return found

    def tool(self, name: str) -> Tool | None:
        """The tool of a name."""
        return next((t for t in self.tools if t.name == name), None)

    def place(self, operation: str, contour: str) -> Place:
        """What was set by hand on a contour of an operation."""
        return next(
            (p for p in self.places if p.operation == operation and p.contour == contour), Place(operation, contour)
        )

    def with_operation(self, new: Operation) -> Planned:
        """With an operation changed, or put behind the others."""
        if any(o.name == new.name for o in self.operations):
            return replace(self, operations=tuple(new if o.name == new.name else o for o in self.operations))
        return replace(self, operations=(*self.operations, new))

    def with_tool(self, new: Tool) -> Planned:
        """With a tool put in, in the place of one of the same name."""
        return replace(self, tools=(*(t for t in self.tools if t.name != new.name), new))

    def with_place(self, new: Place) -> Planned:
        """With what was set by hand on a contour; nothing of it is kept where nothing is set, unless what it was
        copied from has something.
        """
        rest = tuple(p for p in self.places if (p.operation, p.contour) != (new.operation, new.contour))
        empty = not self.copied and new == Place(new.operation, new.contour)
        return replace(self, places=rest if empty else (*rest, new))

    def free_name(self, wanted: str) -> str:
        """A name that no operation has: the one that is wanted, or that with a number behind it."""
        taken = {o.name for o in self.operations}
        if wanted not in taken:
            return wanted
        return next(n for k in range(2, len(taken) + 3) if (n := f"{wanted} {k}") not in taken)

    def carried(self, by: Transform) -> Planned:
        """Places that were picked go along with the drawing; sizes of tools and stock do not."""
        stock = msgspec.structs.replace(
            self.stock,
            picked=_moved(self.stock.picked, by),
            keep_out=tuple(msgspec.structs.replace(k, box=_box(k.box, by)) for k in self.stock.keep_out),
        )
        places = tuple(moved_place(p, by) for p in self.places)
        operations = tuple(msgspec.structs.replace(o, pick=_pick(o.pick, by)) for o in self.operations)
        sheets = tuple((name, _box(box, by)) for name, box in self.sheets)
        laid = {c.by: by.inverse().then(c.by).then(by) for c in self.copied}
        copied = tuple(replace(c, by=laid[c.by]) for c in self.copied)
        return replace(self, stock=stock, places=places, operations=operations, sheets=sheets, copied=copied)


def moved_place(place: Place, by: Transform) -> Place:
    """What was set by hand on a contour, moved along with it."""
    return msgspec.structs.replace(
        place,
        start=None if place.start is None else _moved(place.start, by),
        tabs_at=None if place.tabs_at is None else tuple(_moved(t, by) for t in place.tabs_at),
    )


def _moved(place: tuple[float, float], by: Transform) -> tuple[float, float]:
    at = by.point(Point(*place))
    return at.x, at.y


def _box(box: Box, by: Transform) -> Box:
    corners = [_moved((x, y), by) for x in (box[0], box[2]) for y in (box[1], box[3])]
    xs, ys = [c[0] for c in corners], [c[1] for c in corners]
    return min(xs), min(ys), max(xs), max(ys)


def _pick(pick: Pick, by: Transform) -> Pick:
    regions = tuple(RegionRef(r.sketch, r.bounds, by.point(r.inside)) for r in pick.regions)
    return msgspec.structs.replace(pick, regions=regions)
