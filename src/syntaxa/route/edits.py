"""Steps that change sketches by hand, in the order in which they were done.

Curves are named by their ids. A curve that was cut since goes by its pieces, and what is gone is told as missing.
A locked sketch takes nothing and gives nothing.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from dataclasses import replace
from typing import ClassVar

import msgspec

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Entry, Excluded, Group, Pen, Plane, Purpose, Sketch, State, View
from syntaxa.errors import RouteError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.transform import Transform

#: All edits share the place of mending in the order of steps, so that they are done as they were made.
_RANK = 40


class SetSketch(msgspec.Struct, frozen=True, tag="set-sketch", omit_defaults=True):
    """Gives a sketch other properties; what is None stays. Offset in mm, turn in degrees, weight in mm.

    pen_colour -1, pen_weight 0, pen_line_type "" and pen_layer "" take the plain ones again.
    """

    sketch: str
    name: str | None = None
    colour: int | None = None
    purpose: Purpose | None = None
    locked: bool | None = None
    notes: str | None = None
    view: View | None = None
    offset: float | None = None
    turn_deg: float | None = None
    pen_colour: int | None = None
    pen_weight: float | None = None
    pen_line_type: str | None = None
    pen_layer: str | None = None
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

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

    def apply(self, state: State) -> tuple[State, Entry]:
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


class OrderSketches(msgspec.Struct, frozen=True, tag="order-sketches"):
    """Puts the sketches in an order; those that are not named follow."""

    names: tuple[str, ...]
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False
    title: ClassVar[str] = "Reorder the sketches"

    def apply(self, state: State) -> tuple[State, Entry]:
        """No curve moves."""
        place = {name: k for k, name in enumerate(self.names)}
        ordered = tuple(sorted(state.sketches, key=lambda s: place.get(s.name, len(place))))
        missing = tuple(n for n in self.names if state.sketch(n) is None)
        return replace(state, sketches=ordered), Entry(int(ordered != state.sketches), missing=missing)


class MergeSketches(msgspec.Struct, frozen=True, tag="merge-sketches"):
    """Puts the curves of several sketches into the first of them."""

    names: tuple[str, ...]
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Merge {', '.join(self.names[1:])} into {self.names[0] if self.names else ''}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """The first keeps its name and properties."""
        found = [s for name in self.names if (s := state.sketch(name)) is not None]
        missing = tuple(n for n in self.names if state.sketch(n) is None)
        if len(found) < 2:
            return state, Entry(0, says="Nothing to merge.", missing=missing)
        unlocked(*found)
        whole = replace(found[0], curves=tuple(c for s in found for c in s.curves))
        gone = {s.name for s in found[1:]}
        sketches = tuple(whole if s.name == whole.name else s for s in state.sketches if s.name not in gone)
        moved = len(whole.curves) - len(found[0].curves)
        return replace(state, sketches=sketches), Entry(
            moved, says=f"{moved} curves joined {whole.name}.", missing=missing
        )


class DuplicateSketch(msgspec.Struct, frozen=True, tag="duplicate-sketch"):
    """A copy of a sketch under another name; its curves have ids of their own."""

    sketch: str
    name: str
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Duplicate {self.sketch} as {self.name}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """The copy comes right after the sketch."""
        old = _known(state, self.sketch)
        if state.sketch(self.name) is not None:
            raise RouteError(f"There is a sketch “{self.name}” already.", suggestion="Choose another name.")
        taken = {c.id for c in state.curves()}
        copy = replace(old, name=self.name, locked=False, curves=_copies(old.curves, taken, "copy", None))
        at = state.sketches.index(old) + 1
        sketches = (*state.sketches[:at], copy, *state.sketches[at:])
        return replace(state, sketches=sketches), Entry(len(copy.curves), says=f"{len(copy.curves)} curves copied.")


class DeleteSketch(msgspec.Struct, frozen=True, tag="delete-sketch"):
    """Takes a sketch out; its curves are put aside and can be brought back."""

    sketch: str
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Delete {self.sketch}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """Even the last sketch can go."""
        old = _known(state, self.sketch)
        unlocked(old)
        aside = tuple(Excluded(c, old.name) for c in old.curves)
        after = replace(
            state, sketches=tuple(s for s in state.sketches if s is not old), excluded=(*state.excluded, *aside)
        )
        return after, Entry(len(aside), says=f"{len(aside)} curves were put aside.")


class MoveCurves(msgspec.Struct, frozen=True, tag="move-curves"):
    """Moves curves to another sketch, which is made where there is none of that name. They stay where they lie."""

    ids: tuple[str, ...]
    into: str
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Move {_curves(len(self.ids))} to {self.into}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """Curves of locked sketches stay."""
        if not self.into.strip():
            raise RouteError("A sketch needs a name.")
        target = state.sketch(self.into)
        if target is not None:
            unlocked(target)
        wanted, missing = resolved(state, self.ids)
        moving = [c for s in state.sketches if not s.locked and s.name != self.into for c in s.curves if c.id in wanted]
        names = {c.id for c in moving}
        colour = next((s.colour for s in state.sketches for c in s.curves if c.id in names), 0)
        sketches = _without(state.sketches, names)
        if target is None:
            sketches = (*sketches, Sketch(self.into, colour, tuple(moving)))
        else:
            sketches = tuple(replace(s, curves=(*s.curves, *moving)) if s.name == self.into else s for s in sketches)
        return replace(state, sketches=sketches), Entry(
            len(moving), says=f"{_curves(len(moving))} went to {self.into}.", missing=missing
        )


class ExcludeCurves(msgspec.Struct, frozen=True, tag="exclude-curves", omit_defaults=True):
    """Puts curves aside: they are seen faded, take part in nothing, and can be brought back."""

    ids: tuple[str, ...]
    because: str = ""
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        because = f" ({self.because})" if self.because else ""
        return f"Put {_curves(len(self.ids))} aside{because}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """Curves of locked sketches stay."""
        wanted, missing = resolved(state, self.ids)
        aside = tuple(Excluded(c, s.name) for s in state.sketches if not s.locked for c in s.curves if c.id in wanted)
        names = {x.curve.id for x in aside}
        after = replace(state, sketches=_without(state.sketches, names), excluded=(*state.excluded, *aside))
        length = sum(x.curve.shape.length for x in aside)
        return after, Entry(len(aside), dropped_mm=length, says=f"{_curves(len(aside))} put aside.", missing=missing)


class BringBack(msgspec.Struct, frozen=True, tag="bring-back"):
    """Brings curves back that were put aside, to the sketch that they came from."""

    ids: tuple[str, ...]
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Bring {_curves(len(self.ids))} back"

    def apply(self, state: State) -> tuple[State, Entry]:
        """A sketch that is gone is made again."""
        wanted = set(self.ids)
        back = [x for x in state.excluded if x.curve.id in wanted]
        sketches = list(state.sketches)
        for name in dict.fromkeys(x.sketch for x in back):
            mine = tuple(x.curve for x in back if x.sketch == name)
            at = next((k for k, s in enumerate(sketches) if s.name == name), None)
            if at is None:
                sketches.append(Sketch(name, mine[0].style.colour or 0, mine))
            else:
                sketches[at] = replace(sketches[at], curves=(*sketches[at].curves, *mine))
        there = {x.curve.id for x in back}
        rest = tuple(x for x in state.excluded if x.curve.id not in there)
        missing = tuple(n for n in self.ids if n not in there)
        return replace(state, sketches=tuple(sketches), excluded=rest), Entry(len(back), missing=missing)


class GiveRole(msgspec.Struct, frozen=True, tag="give-role", omit_defaults=True):
    """Gives curves a meaning, or takes it away."""

    ids: tuple[str, ...]
    role: str
    on: bool = True
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{_curves(len(self.ids)).capitalize()}: {'' if self.on else 'no longer '}{self.role}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """No curve moves."""
        if not self.role.strip():
            raise RouteError("A role needs a name.")
        wanted, missing = resolved(state, self.ids)

        def given(curve: Curve) -> Curve:
            roles = {*curve.roles, self.role} if self.on else {*curve.roles} - {self.role}
            return replace(curve, roles=tuple(sorted(roles)))

        after, count = changed(state, wanted, given)
        return after, Entry(count, says="No curve moves.", missing=missing)


class SetRolePen(msgspec.Struct, frozen=True, tag="set-role-pen", omit_defaults=True):
    """How a role goes out; fields as in `SetSketch`."""

    role: str
    colour: int | None = None
    weight: float | None = None
    line_type: str | None = None
    layer: str | None = None
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Line style of the role {self.role}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """No curve moves."""
        pens = dict(state.pens)
        pens[self.role] = pen_with(pens.get(self.role, Pen()), self.colour, self.weight, self.line_type, self.layer)
        return replace(state, pens=tuple(sorted(pens.items()))), Entry(1, says="No curve moves.")


class MakeGroup(msgspec.Struct, frozen=True, tag="make-group"):
    """Makes a named group of curves, with the point (mm) that its copies are placed by."""

    ids: tuple[str, ...]
    name: str
    x: float
    y: float
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Group {_curves(len(self.ids))} as {self.name}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """A curve that was in another group leaves it."""
        if not self.name.strip() or "#" in self.name:
            raise RouteError("A group needs a name without #.")
        wanted, missing = resolved(state, self.ids)
        group = Group(self.name, _next_number(state, self.name), Point(self.x, self.y))
        after, count = changed(state, wanted, lambda c: replace(c, group=group.key))
        if not count:
            return state, Entry(0, says="Nothing to group.", missing=missing)
        return _tidied(replace(after, groups=(*after.groups, group))), Entry(count, missing=missing)


class PlaceGroup(msgspec.Struct, frozen=True, tag="place-group", omit_defaults=True):
    """Moves a group (or a copy of it) so that its base point lies at x, y (mm)."""

    group: str
    x: float
    y: float
    copy: bool = False
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{'Copy' if self.copy else 'Move'} the group {self.group.partition('#')[0]}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """All its curves go together; the copies stay in the sketches of the originals."""
        group = _group(state, self.group)
        step = Point(self.x, self.y) - group.base
        unlocked(*(s for s in state.sketches if any(c.group == group.key for c in s.curves)))
        if self.copy:
            return self._copied(state, group, step)
        move = Transform.moving(step)
        members = {c.id for c in state.curves() if c.group == group.key}
        after, count = changed(state, members, lambda c: replace(c, shape=c.shape.transformed(move)))
        groups = tuple(replace(g, base=Point(self.x, self.y)) if g == group else g for g in after.groups)
        says = f"{_curves(count)} moved by {step.length:.6g} mm."
        return replace(after, groups=groups), Entry(count, max_mm=step.length, mean_mm=step.length, says=says)

    def _copied(self, state: State, group: Group, step: Vector) -> tuple[State, Entry]:
        new = Group(group.name, _next_number(state, group.name), Point(self.x, self.y))
        taken = {c.id for c in state.curves()}
        move = Transform.moving(step)
        sketches, count = [], 0
        for sketch in state.sketches:
            mine = [c for c in sketch.curves if c.group == group.key]
            copies = _copies(mine, taken, f"{group.name}-{new.number}", move, new.key)
            count += len(copies)
            sketches.append(replace(sketch, curves=(*sketch.curves, *copies)) if copies else sketch)
        after = replace(state, sketches=tuple(sketches), groups=(*state.groups, new))
        return after, Entry(count, says=f"{_curves(count)} added.")


class Ungroup(msgspec.Struct, frozen=True, tag="ungroup"):
    """Takes a group apart; its curves stay where they are."""

    group: str
    rank: ClassVar[int] = _RANK
    only_one: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Take the group {self.group.partition('#')[0]} apart"

    def apply(self, state: State) -> tuple[State, Entry]:
        """No curve moves."""
        group = _group(state, self.group)
        members = {c.id for c in state.curves() if c.group == group.key}
        after, count = changed(state, members, lambda c: replace(c, group=""), even_locked=True)
        return _tidied(after), Entry(count, says="No curve moves.")


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
    found = next((g for g in state.groups if g.key == key), None)
    if found is None:
        raise RouteError(f"There is no group “{key}”.")
    return found


def _next_number(state: State, name: str) -> int:
    return max((g.number for g in state.groups if g.name == name), default=0) + 1


def unlocked(*sketches: Sketch) -> None:
    """Raises RouteError where one of the sketches is locked."""
    for sketch in sketches:
        if sketch.locked:
            raise RouteError(f"The sketch “{sketch.name}” is locked.", suggestion="Unlock it first.")


def resolved(state: State, ids: Iterable[str]) -> tuple[set[str], tuple[str, ...]]:
    """The ids of curves that are there for ids that were named: themselves, or the pieces that they were cut into."""
    there = {c.id for c in state.curves()}
    pieces: dict[str, list[str]] = {}
    for name in there:
        head, dot, _ = name.rpartition(".")
        while dot:
            pieces.setdefault(head, []).append(name)
            head, dot, _ = head.rpartition(".")
    found: set[str] = set()
    missing = []
    for name in ids:
        if name in there:
            found.add(name)
        elif name in pieces:
            found.update(pieces[name])
        else:
            missing.append(name)
    return found, tuple(missing)


def changed(
    state: State, ids: set[str], change: Callable[[Curve], Curve], even_locked: bool = False
) -> tuple[State, int]:
    """The curves of those ids changed, and how many are different now."""
    count = 0
    sketches = []
    for sketch in state.sketches:
        if sketch.locked and not even_locked:
            sketches.append(sketch)
            continue
        curves = tuple(change(c) if c.id in ids else c for c in sketch.curves)
        count += sum(a is not b and a != b for a, b in zip(curves, sketch.curves, strict=True))
        sketches.append(replace(sketch, curves=curves))
    return replace(state, sketches=tuple(sketches)), count


def _without(sketches: tuple[Sketch, ...], ids: set[str]) -> tuple[Sketch, ...]:
    """The sketches without curves; one that loses its last goes."""
    left = [replace(s, curves=tuple(c for c in s.curves if c.id not in ids)) for s in sketches]
    return tuple(new for new, old in zip(left, sketches, strict=True) if new.curves or not old.curves)


def _copies(
    curves: Iterable[Curve], taken: set[str], word: str, move: Transform | None, group: str = ""
) -> tuple[Curve, ...]:
    """Copies of curves with ids that are free (which become taken)."""
    made = []
    for curve in curves:
        name = f"{curve.id}-{word}"
        while name in taken:
            name += "'"
        taken.add(name)
        shape = curve.shape if move is None else curve.shape.transformed(move)
        made.append(replace(curve, id=name, shape=shape, group=group))
    return tuple(made)


def _tidied(state: State) -> State:
    """Without groups that have no curve any more."""
    used = {c.group for c in state.curves()}
    return replace(state, groups=tuple(g for g in state.groups if g.key in used))


def _curves(count: int) -> str:
    return "1 curve" if count == 1 else f"{count} curves"
