"""The steps of Cut: they set what is to be cut and how; paths and programs are views of what has come of them."""

from __future__ import annotations

from dataclasses import replace
from typing import ClassVar

import msgspec

from syntaxa.cut.base import CutStep
from syntaxa.cut.library import Machine, check_tool
from syntaxa.cut.model import Operation, Ordering, Pick, Place, Settings, Stock, Tool
from syntaxa.cut.part import Planned
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import CutError


class SetMachine(CutStep, frozen=True, tag="set-machine"):
    """The machine, copied into the job so that it stays what it is."""

    machine: Machine
    slot: ClassVar = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Cut on “{self.machine.name}”"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing of the drawing changes."""
        del context
        part = replace(state.part(Planned), machine=self.machine)
        return state.with_part(part), Entry(0, says=self.machine.says)


class SetStock(CutStep, frozen=True, tag="set-stock"):
    """What is cut out of, where its zero lies, and what to keep out of."""

    stock: Stock
    slot: ClassVar = "one"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return (
            f"Stock of {self.stock.thickness} mm"
            if _is_number(self.stock.thickness)
            else f"Stock of {self.stock.thickness}"
        )

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing of the drawing changes."""
        del context
        for keep in self.stock.keep_out:
            if not (keep.box[0] < keep.box[2] and keep.box[1] < keep.box[3]):
                raise CutError(f"The {keep.name} has no size.", suggestion="Draw it again.")
        return state.with_part(replace(state.part(Planned), stock=self.stock)), Entry(0)


class HoldTools(CutStep, frozen=True, tag="hold-tools"):
    """Tools that are copied into the job; one of the same name is replaced."""

    tools: tuple[Tool, ...]
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Tool “{self.tools[0].name}”" if len(self.tools) == 1 else f"{len(self.tools)} tools"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Raises CutError where a tool makes no sense."""
        del context
        part = state.part(Planned)
        for tool in self.tools:
            check_tool(tool)
            part = part.with_tool(tool)
        return state.with_part(part), Entry(0)


class SetOperation(CutStep, frozen=True, tag="set-operation"):
    """An operation, new or in the place of one of the same name."""

    operation: Operation

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Operation “{self.operation.name}”"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing of the drawing changes."""
        del context
        if not self.operation.name.strip():
            raise CutError("An operation needs a name.", suggestion="Type one.")
        return state.with_part(state.part(Planned).with_operation(self.operation)), Entry(0)


class EditOperations(CutStep, frozen=True, tag="edit-operations"):
    """Settings that several operations get; what is blank stays as it is in each.

    cleared  names of settings that go back to what the tool and the kind have
    """

    names: tuple[str, ...]
    settings: Settings
    cleared: tuple[str, ...] = ()
    enabled: bool | None = None

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        which = f"“{self.names[0]}”" if len(self.names) == 1 else f"{len(self.names)} operations"
        what = [n.replace("_", " ") for n in (*self.settings.given, *self.cleared)]
        if self.enabled is not None:
            what.append("switched on" if self.enabled else "switched off")
        return f"{which}: {', '.join(what)}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Operations that are gone are told."""
        del context
        part = state.part(Planned)
        missing = tuple(n for n in self.names if not any(o.name == n for o in part.operations))
        if len(missing) == len(self.names):
            raise CutError(f"There is no operation called “{missing[0]}”.", suggestion="Choose another.")
        unknown = [n for n in self.cleared if n not in Settings.__struct_fields__]
        if unknown:
            raise CutError(f"There is no setting “{unknown[0]}”.")
        for name in self.names:
            if name in missing:
                continue
            old = part.operation(name)
            emptied = msgspec.structs.replace(old.settings, **dict.fromkeys(self.cleared))
            enabled = old.enabled if self.enabled is None else self.enabled
            new = msgspec.structs.replace(old, settings=self.settings.over(emptied), enabled=enabled)
            part = part.with_operation(new)
        return state.with_part(part), Entry(0, missing=missing)


class DropOperations(CutStep, frozen=True, tag="drop-operations"):
    """Takes operations away, and what was set by hand on their contours."""

    names: tuple[str, ...]

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Without “{self.names[0]}”" if len(self.names) == 1 else f"Without {len(self.names)} operations"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Operations that are gone already are told."""
        del context
        part = state.part(Planned)
        missing = tuple(n for n in self.names if not any(o.name == n for o in part.operations))
        kept = tuple(o for o in part.operations if o.name not in self.names)
        places = tuple(p for p in part.places if p.operation not in self.names)
        return state.with_part(replace(part, operations=kept, places=places)), Entry(0, missing=missing)


class ListOperations(CutStep, frozen=True, tag="list-operations"):
    """The order in which operations stand in the list; those that are not named stay behind."""

    names: tuple[str, ...]
    slot: ClassVar = "any"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return "Operations put in another order"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing but their order changes."""
        del context
        part = state.part(Planned)
        rank = {n: k for k, n in enumerate(self.names)}
        ordered = sorted(part.operations, key=lambda o: rank.get(o.name, len(rank)))
        return state.with_part(replace(part, operations=tuple(ordered))), Entry(0)


class SetPlace(CutStep, frozen=True, tag="set-place"):
    """What is set by hand on one contour: its start, its tabs, the other side, settings of its own."""

    place: Place

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        what = [
            *(("start",) if self.place.start is not None else ()),
            *(("tabs",) if self.place.tabs_at is not None else ()),
            *(("other side",) if self.place.turned else ()),
            *(n.replace("_", " ") for n in self.place.settings.given),
        ]
        return f"“{self.place.operation}”, one contour: {', '.join(what) or 'as the others'}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Raises CutError where the operation is gone."""
        del context
        part = state.part(Planned)
        part.operation(self.place.operation)
        return state.with_part(part.with_place(self.place)), Entry(0)


class SetPick(CutStep, frozen=True, tag="set-pick"):
    """What an operation is about."""

    name: str
    pick: Pick

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"“{self.name}”: other contours"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Raises CutError where the operation is gone."""
        del context
        part = state.part(Planned)
        old = part.operation(self.name)
        return state.with_part(part.with_operation(msgspec.structs.replace(old, pick=self.pick))), Entry(0)


class OrderCuts(CutStep, frozen=True, tag="order-cuts"):
    """What goes first; and an order of contours that was set by hand, which stays."""

    ordering: Ordering = "by tool"
    locked: tuple[tuple[str, str], ...] = ()
    slot: ClassVar = "one"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return "Order of cutting, by hand" if self.locked else f"Order of cutting: {self.ordering}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing of the drawing changes."""
        del context
        part = replace(state.part(Planned), ordering=self.ordering, locked=self.locked)
        return state.with_part(part), Entry(0)


def _is_number(text: str) -> bool:
    try:
        float(text)
    except ValueError:
        return False
    return True
