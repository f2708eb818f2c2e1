"""How an operation is done, with nothing left open: its settings, its tool's and what the kind of operation wants."""

from __future__ import annotations

import math
from dataclasses import dataclass

from syntaxa.cut.library import Machine
from syntaxa.cut.model import Corners, Direction, Entry, LeadKind, Operation, Settings, Tool
from syntaxa.cut.part import Planned
from syntaxa.errors import CutError, DefineError, FormError
from syntaxa.form.numbers import Numbers

#: mm over the stock at which feeds begin.
ABOVE = 0.5

#: Kinds that go along the outline of a contour on one side of it.
SIDES = ("profile", "outside", "inside")

#: mm; the most that anything is deep.
_DEEPEST = 1e4


@dataclass(frozen=True, slots=True)
class Doing:
    """An operation with every value: heights in mm with the top of the stock at 0, angles in radians, feeds in
    mm/min.
    """

    operation: Operation
    tool: Tool
    top: float
    bottom: float
    step_down: float
    finish_down: float
    finish: float
    step_over: float
    allowance: float
    direction: Direction
    feed: float
    plunge: float
    speed: float
    entry: Entry
    entry_angle: float
    lead: LeadKind
    lead_size: float
    lead_out: LeadKind
    overcut: float
    tabs: int
    tab_every: float
    tab_width: float
    tab_height: float
    corners: Corners
    pierce: float
    peck: float
    dwell: float
    width: float
    common: bool
    through: bool

    @property
    def radius(self) -> float:
        """Half of what the tool takes (mm)."""
        return self.tool.radius

    @property
    def reach(self) -> float:
        """How wide the tool cuts at the top of what it cuts (mm, a radius): a cone does so by its depth."""
        if self.tool.kind == "cone":
            return min((self.top - self.bottom) * math.tan(math.radians(self.tool.angle) / 2), self.tool.radius)
        return self.tool.radius


def doing_of(plan: Planned, operation: Operation, numbers: Numbers, given: Settings | None = None) -> Doing:
    """An operation with nothing left open; raises CutError that names it. Given settings go before its own."""
    settings = (given or Settings()).over(operation.settings)
    machine = plan.chosen_machine
    tool = _tool(plan, operation, settings, machine)
    thickness = thickness_of(plan, numbers)
    flat = machine.is_flat
    top = 0.0 if flat else -_length(numbers, operation, settings.top or "0", "top")
    through = not settings.depth
    deep = thickness + top if through else _length(numbers, operation, settings.depth or "", "depth")
    if not flat and not 0 < deep <= _DEEPEST:
        raise CutError(
            f"{operation.name}: it is {deep:g} mm deep, which cuts nothing.",
            suggestion="Give a depth of more than 0, or a thicker stock.",
        )
    s = settings
    feed = tool.feed if s.feed is None else s.feed
    plunge = tool.plunge if s.plunge is None else s.plunge
    if not (0 < feed < 1e6 and 0 < plunge < 1e6):
        raise CutError(f"{operation.name}: a feed must be more than 0 mm/min.", suggestion="Give the tool a feed.")
    lead_default: LeadKind = "arc" if operation.kind in SIDES else "none"
    lead = s.lead or lead_default
    entry_default: Entry = "helix" if operation.kind in ("pocket", "bore") else "ramp"
    entry: Entry = s.entry or (entry_default if operation.kind in (*SIDES, "pocket", "bore") else "plunge")
    angle = math.radians(3.0 if s.entry_angle is None else s.entry_angle)
    if not math.radians(0.05) <= angle <= math.radians(60):
        raise CutError(f"{operation.name}: a ramp goes down at 0.05 to 60 degrees.")
    return Doing(
        operation, tool, top, 0.0 if flat else top - deep,
        step_down=0.0 if flat else _positive(s.step_down, tool.step_down),
        finish_down=_positive(s.finish_down, 0.0),
        finish=_positive(s.finish, 0.0),
        step_over=_share(operation, tool.step_over if s.step_over is None else s.step_over),
        allowance=s.allowance or 0.0,
        direction=s.direction or "climb",
        feed=feed, plunge=plunge,
        speed=tool.speed if s.speed is None else s.speed,
        entry=entry, entry_angle=angle,
        lead=lead, lead_size=_positive(s.lead_size, max(1.0, tool.radius, 4 * tool.radius if flat else 0.0)),
        lead_out=s.lead_out or ("none" if flat else lead),
        overcut=_positive(s.overcut, 0.0),
        tabs=max(s.tabs or 0, 0), tab_every=_positive(s.tab_every, 0.0),
        tab_width=_positive(s.tab_width, 0.5 if flat else 4.0), tab_height=_positive(s.tab_height, min(1.0, deep / 2)),
        corners=s.corners or "round",
        pierce=tool.pierce if s.pierce is None else max(s.pierce, 0.0),
        peck=_positive(s.peck, 0.0), dwell=_positive(s.dwell, 0.0),
        width=_positive(s.width, 1.0), common=bool(s.common), through=through,
    )  # fmt: skip


def thickness_of(plan: Planned, numbers: Numbers) -> float:
    """Thickness of the stock (mm); raises CutError."""
    try:
        found = numbers.length(plan.stock.thickness)
    except (DefineError, FormError) as error:
        raise CutError(f"The thickness of the stock: {error.sentence}", suggestion=error.suggestion) from error
    if not 0 < found <= _DEEPEST:
        raise CutError(f"A stock of {found:g} mm is no stock.", suggestion="Give it a thickness of more than 0 mm.")
    return found


def _tool(plan: Planned, operation: Operation, settings: Settings, machine: Machine) -> Tool:
    name = settings.tool
    if name is None:
        raise CutError(f"{operation.name} has no tool.", suggestion="Choose one for it.")
    tool = plan.tool(name)
    if tool is None:
        raise CutError(f"{operation.name}: there is no tool called “{name}” in this job.", suggestion="Choose another.")
    if tool.is_flat != machine.is_flat:
        raise CutError(
            f"{operation.name}: {tool} is no tool for a {machine.kind}.", suggestion="Choose another tool or machine."
        )
    if operation.kind == "chamfer" and tool.kind != "cone":
        raise CutError(f"{operation.name}: a chamfer takes a cone, and {tool} is none.")
    if machine.is_flat and operation.kind in ("pocket", "face", "drill", "bore", "chamfer"):
        raise CutError(
            f"{operation.name}: a {machine.kind} cannot {_VERBS[operation.kind]}.",
            suggestion="Choose a mill, or another kind.",
        )
    return tool


_VERBS = {"pocket": "clear a pocket", "face": "face", "drill": "drill", "bore": "bore", "chamfer": "make a chamfer"}


def _length(numbers: Numbers, operation: Operation, text: str, what: str) -> float:
    try:
        return numbers.length(text)
    except (DefineError, FormError) as error:
        raise CutError(f"{operation.name}, {what}: {error.sentence}", suggestion=error.suggestion) from error


def _positive(value: float | None, default: float) -> float:
    return default if value is None else max(value, 0.0)


def _share(operation: Operation, value: float) -> float:
    if not 0.02 <= value <= 1.9:
        raise CutError(f"{operation.name}: paths lie 0.02 to 1.9 radii apart, and {value:g} is not.")
    return value
