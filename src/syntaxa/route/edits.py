"""Steps that change sketches by hand, in the order in which they were done.

Curves are named by their ids. A curve that was cut since goes by its pieces, and what is gone is told as missing.
A locked sketch takes nothing and gives nothing.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import replace
from typing import ClassVar

from syntaxa.drawing.descent import Descent
from syntaxa.drawing.editing import Editing, names_of, refuse_locked
from syntaxa.drawing.model import Curve
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import Entry, Pen, Plane, PlaneView, Purpose, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import RouteError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.transform import Transform
from syntaxa.route.base import RouteStep
from syntaxa.route.part import Group, Routed


class SetSketch(RouteStep, frozen=True, tag="set-sketch", omit_defaults=True):
    """Gives a sketch other properties; what is None stays. Offset in mm, turn in degrees, weight in mm.

    pen_colour -1, pen_weight 0, pen_line_type "" and pen_layer "" take the plain ones again.
    """

    sketch: str
    name: str | None = None
    colour: int | None = None
    purpose: Purpose | None = None
    locked: bool | None = None
    notes: str | None = None
    view: PlaneView | None = None
    offset: float | None = None
    turn_deg: float | None = None
    pen_colour: int | None = None
    pen_weight: float | None = None
    pen_line_type: str | None = None
    pen_layer: str | None = None
    general: ClassVar[bool] = True
    routing: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.name is not None:
            return f"Rename {self.sketch} to {self.name}"
        if self.locked is not None:
            return f"{'Lock' if self.locked else 'Unlock'} {self.sketch}"
        if self.purpose is not None:
            return f"Make {self.sketch} a {self.purpose} sketch"
        if (self.view, self.offset, self.turn_deg) != (None, None, None):
            return f"Place {self.sketch} on a plane"
        if self.notes is not None:
            return f"Note on {self.sketch}"
        return f"Line style of {self.sketch}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No curve moves."""
        old = _known(state, self.sketch)
        if self.name is not None and self.name != old.name and state.sketch(self.name) is not None:
            raise RouteError(f"There is a sketch “{self.name}” already.", suggestion="Merge the two, or choose a name.")
        if self.name is not None and not self.name.strip():
            raise RouteError("A sketch needs a name.")
        new = replace(
            old,
            name=old.name if self.name is None else self.name.strip(),
            colour=old.colour if self.colour is None else self.colour,
            purpose=self.purpose or old.purpose,
            locked=old.locked if self.locked is None else self.locked,
            notes=old.notes if self.notes is None else self.notes,
            plane=_plane(old.plane, self),
            pen=pen_with(old.pen, self.pen_colour, self.pen_weight, self.pen_line_type, self.pen_layer),
        )
        sketches = tuple(new if s.name == self.sketch else s for s in state.sketches)
        return replace(state, sketches=sketches), Entry(int(new != old), says="No curve moves.")


class OrderSketches(RouteStep, frozen=True, tag="order-sketches"):
    """Puts the sketches in an order; those that are not named follow."""

    names: tuple[str, ...]
    general: ClassVar[bool] = True
    routing: ClassVar[bool] = True
    title: ClassVar[str] = "Reorder the sketches"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No curve moves."""
        place = {name: k for k, name in enumerate(self.names)}
        ordered = tuple(sorted(state.sketches, key=lambda s: place.get(s.name, len(place))))
        missing = tuple(n for n in self.names if state.sketch(n) is None)
        return replace(state, sketches=ordered), Entry(int(ordered != state.sketches), missing=missing)


class MergeSketches(RouteStep, frozen=True, tag="merge-sketches"):
    """Puts the curves of several sketches into the first of them."""

    names: tuple[str, ...]
    general: ClassVar[bool] = True
    routing: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Merge {', '.join(self.names[1:])} into {self.names[0] if self.names else ''}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The first keeps its name and properties."""
        found = [s for name in self.names if (s := state.sketch(name)) is not None]
        missing = tuple(n for n in self.names if state.sketch(n) is None)
        if len(found) < 2:
            return state, Entry(0, says="Nothing to merge.", missing=missing)
        editing = Editing(state)
        joining = [x.curve for s in found[1:] for x in editing.drop_sketch(s.name)]
        editing.put(found[0].name, joining)
        says = f"{_curves(len(joining))} joined {found[0].name}."
        return editing.done(), Entry(len(joining), says=says, missing=missing)


class DuplicateSketch(RouteStep, frozen=True, tag="duplicate-sketch"):
    """A copy of a sketch under another name; its curves have ids of their own."""

    sketch: str
    name: str
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Duplicate {self.sketch} as {self.name}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The copy comes right after the sketch."""
        old = _known(state, self.sketch)
        if state.sketch(self.name) is not None:
            raise RouteError(f"There is a sketch “{self.name}” already.", suggestion="Choose another name.")
        copy = replace(old, name=self.name, locked=False, curves=_copies(old.curves, names_of(state), "copy", None))
        at = state.sketches.index(old) + 1
        sketches = (*state.sketches[:at], copy, *state.sketches[at:])
        return replace(state, sketches=sketches), Entry(len(copy.curves), says=f"{len(copy.curves)} curves copied.")


class DeleteSketch(RouteStep, frozen=True, tag="delete-sketch"):
    """Takes a sketch out; its curves are put aside and can be brought back."""

    sketch: str
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Delete {self.sketch}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Even the last sketch can go."""
        editing = Editing(state)
        aside = editing.drop_sketch(_known(state, self.sketch).name)
        after = replace(editing.done(), excluded=(*state.excluded, *aside))
        return after, Entry(len(aside), says=f"{_curves(len(aside))} put aside.")


class MoveCurves(RouteStep, frozen=True, tag="move-curves"):
    """Moves curves to another sketch, which is made where there is none of that name. They stay where they lie."""

    ids: tuple[str, ...]
    into: str

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Move {_curves(len(self.ids))} to {self.into}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Curves of locked sketches stay."""
        if not self.into.strip():
            raise RouteError("A sketch needs a name.")
        target = state.sketch(self.into)
        if target is not None:
            refuse_locked(target)
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        elsewhere = wanted - {c.id for c in target.curves} if target is not None else wanted
        editing = Editing(state)
        moving = editing.take_out(elsewhere)
        if moving:
            first = state.sketch(moving[0].sketch)
            otherwise = target or Sketch(self.into, 0 if first is None else first.colour, ())
            editing.put(self.into, [x.curve for x in moving], otherwise)
        says = f"{_curves(len(moving))} went to {self.into}.{editing.held_told}"
        return editing.done(), Entry(len(moving), says=says, missing=missing)


class ExcludeCurves(RouteStep, frozen=True, tag="exclude-curves", omit_defaults=True):
    """Puts curves aside: they are seen faded, take part in nothing, and can be brought back."""

    ids: tuple[str, ...]
    because: str = ""

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        because = f" ({self.because})" if self.because else ""
        return f"Put {_curves(len(self.ids))} aside{because}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Curves of locked sketches stay."""
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        editing = Editing(state)
        aside = editing.take_out(wanted)
        after = replace(editing.done(), excluded=(*state.excluded, *aside))
        length = sum(x.curve.shape.length for x in aside)
        says = f"{_curves(len(aside))} put aside.{editing.held_told}"
        return after, Entry(len(aside), dropped_mm=length, says=says, missing=missing)


class BringBack(RouteStep, frozen=True, tag="bring-back"):
    """Brings curves back that were put aside, to the sketch that they came from."""

    ids: tuple[str, ...]

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Bring {_curves(len(self.ids))} back"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """A sketch that is gone is made again; what came from a locked one stays aside."""
        wanted = set(self.ids)
        aside = [x for x in state.excluded if x.curve.id in wanted]
        editing = Editing(state)
        there: set[str] = set()
        for name in dict.fromkeys(x.sketch for x in aside):
            mine = [x.curve for x in aside if x.sketch == name]
            sketch = editing.sketch(name)
            if sketch is not None and sketch.locked and len(aside) > len(mine):
                continue
            editing.put(name, mine, Sketch(name, mine[0].style.colour or 0, ()))
            there.update(c.id for c in mine)
        rest = tuple(x for x in state.excluded if x.curve.id not in there)
        missing = tuple(n for n in self.ids if n not in there)
        says = f"{_curves(len(there))} came back."
        return replace(editing.done(), excluded=rest), Entry(len(there), says=says, missing=missing)


class GiveRole(RouteStep, frozen=True, tag="give-role", omit_defaults=True):
    """Gives curves a meaning, or takes it away."""

    ids: tuple[str, ...]
    role: str
    on: bool = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{_curves(len(self.ids)).capitalize()}: {'' if self.on else 'no longer '}{self.role}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No curve moves."""
        if not self.role.strip():
            raise RouteError("A role needs a name.")
        wanted, missing = Descent(state.curves()).resolved(self.ids)

        def given(curve: Curve) -> Curve:
            roles = {*curve.roles, self.role} if self.on else {*curve.roles} - {self.role}
            return replace(curve, roles=tuple(sorted(roles)))

        editing = Editing(state)
        count = editing.mark(wanted, given)
        return editing.done(), Entry(count, says=f"No curve moves.{editing.held_told}", missing=missing)


class SetRolePen(RouteStep, frozen=True, tag="set-role-pen", omit_defaults=True):
    """How a role goes out; fields as in `SetSketch`."""

    role: str
    colour: int | None = None
    weight: float | None = None
    line_type: str | None = None
    layer: str | None = None
    general: ClassVar[bool] = True
    routing: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Line style of the role {self.role}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No curve moves."""
        routed = state.part(Routed)
        pens = dict(routed.pens)
        pens[self.role] = pen_with(pens.get(self.role, Pen()), self.colour, self.weight, self.line_type, self.layer)
        return state.with_part(replace(routed, pens=tuple(sorted(pens.items())))), Entry(1, says="No curve moves.")


class MakeGroup(RouteStep, frozen=True, tag="make-group"):
    """Makes a named group of curves, with the point (mm) that its copies are placed by."""

    ids: tuple[str, ...]
    name: str
    x: float
    y: float

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Group {_curves(len(self.ids))} as {self.name}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """A curve that was in another group leaves it."""
        if not self.name.strip() or "#" in self.name:
            raise RouteError("A group needs a name without #.")
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        group = Group(self.name, _next_number(state, self.name), Point(self.x, self.y))
        editing = Editing(state)
        count = editing.mark(wanted, lambda c: replace(c, group=group.key))
        if not count:
            return state, Entry(0, says="Nothing to group.", missing=missing)
        after = _tidied(_with_groups(editing.done(), (*_groups(state), group)))
        return after, Entry(count, says=f"No curve moves.{editing.held_told}", missing=missing)


class PlaceGroup(RouteStep, frozen=True, tag="place-group", omit_defaults=True):
    """Moves a group (or a copy of it) so that its base point lies at x, y (mm)."""

    group: str
    x: float
    y: float
    copy: bool = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{'Copy' if self.copy else 'Move'} the group {self.group.partition('#')[0]}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """All its curves go together; the copies stay in the sketches of the originals."""
        group = _group(state, self.group)
        step = Point(self.x, self.y) - group.base
        for sketch in state.sketches:
            mine = [c for c in sketch.curves if c.group == group.key]
            if mine:
                refuse_locked(sketch, *(() if self.copy else mine))
        if self.copy:
            return self._copied(state, group, step)
        move = Transform.moving(step)
        members = {c.id for c in state.curves() if c.group == group.key}
        editing = Editing(state)
        count = len(editing.change(members, lambda c: replace(c, shape=c.shape.transformed(move))))
        groups = tuple(replace(g, base=Point(self.x, self.y)) if g == group else g for g in _groups(state))
        says = f"{_curves(count)} moved by {step.length:.6g} mm."
        return _with_groups(editing.done(), groups), Entry(count, max_mm=step.length, mean_mm=step.length, says=says)

    def _copied(self, state: State, group: Group, step: Vector) -> tuple[State, Entry]:
        new = Group(group.name, _next_number(state, group.name), Point(self.x, self.y))
        names, editing, count = names_of(state), Editing(state), 0
        move = Transform.moving(step)
        for sketch in state.sketches:
            mine = [c for c in sketch.curves if c.group == group.key]
            copies = _copies(mine, names, f"{group.name}-{new.number}", move, new.key)
            count += len(copies)
            editing.put(sketch.name, copies)
        after = _with_groups(editing.done(), (*_groups(state), new))
        return after, Entry(count, says=f"{_curves(count)} added.")


class Ungroup(RouteStep, frozen=True, tag="ungroup"):
    """Takes a group apart; its curves stay where they are."""

    group: str

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Take the group {self.group.partition('#')[0]} apart"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No curve moves."""
        group = _group(state, self.group)
        members = {c.id for c in state.curves() if c.group == group.key}
        editing = Editing(state)
        count = editing.mark(members, lambda c: replace(c, group=""))
        return _tidied(editing.done()), Entry(count, says=f"No curve moves.{editing.held_told}")


def pen_with(old: Pen, colour: int | None, weight: float | None, line_type: str | None, layer: str | None) -> Pen:
    """A pen with what is given; -1 and 0 take the plain colour and weight again."""
    return Pen(
        old.colour if colour is None else None if colour < 0 else colour,
        old.weight if weight is None else weight or None,
        old.line_type if line_type is None else line_type,
        old.layer if layer is None else layer,
    )


def _plane(old: Plane, step: SetSketch) -> Plane:
    turn = old.turn if step.turn_deg is None else math.radians(step.turn_deg)
    return Plane(step.view or old.view, old.offset if step.offset is None else step.offset, turn)


def _known(state: State, name: str) -> Sketch:
    found = state.sketch(name)
    if found is None:
        known = ", ".join(s.name for s in state.sketches) or "none"
        raise RouteError(f"There is no sketch “{name}”.", suggestion=f"There are: {known}.")
    return found


def _group(state: State, key: str) -> Group:
    found = next((g for g in _groups(state) if g.key == key), None)
    if found is None:
        raise RouteError(f"There is no group “{key}”.")
    return found


def _next_number(state: State, name: str) -> int:
    return max((g.number for g in _groups(state) if g.name == name), default=0) + 1


def _copies(
    curves: Iterable[Curve], names: Names, word: str, move: Transform | None, group: str = ""
) -> tuple[Curve, ...]:
    """Copies of curves with ids that are free (which become taken)."""
    return tuple(
        replace(
            c.copied(names.free(f"{c.id}-{word}"), c.shape if move is None else c.shape.transformed(move)), group=group
        )
        for c in curves
    )


def _tidied(state: State) -> State:
    """Without groups that have no curve any more."""
    used = {c.group for c in state.curves()}
    return _with_groups(state, tuple(g for g in _groups(state) if g.key in used))


def _groups(state: State) -> tuple[Group, ...]:
    return state.part(Routed).groups


def _with_groups(state: State, groups: tuple[Group, ...]) -> State:
    return state.with_part(replace(state.part(Routed), groups=groups))


def _curves(count: int) -> str:
    return "1 curve" if count == 1 else f"{count} curves"
