"""The steps of Define: reading off, binding, constraints by hand, values, parameters, holding whole.

Each leaves the sketches so that everything that is said of them holds, and tells how far anything moved. Where that
cannot be, it is not done, and the fewest that cannot all hold are named.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from typing import ClassVar

import msgspec
import numpy as np

from syntaxa.define.base import DefineStep
from syntaxa.define.binding import bind, disagrees
from syntaxa.define.dragging import dragged
from syntaxa.define.formulas import check_name, names_in, renamed
from syntaxa.define.model import Constraint, Measure, Named, Parameter, Use
from syntaxa.define.part import Defined
from syntaxa.define.reading_off import Limits, read_off
from syntaxa.define.relations import HOLDS
from syntaxa.define.settling import Settled, Stated, idle_in, settled, settled_at
from syntaxa.define.sketching import MOST_PIECES, is_large
from syntaxa.define.values import driving, values_of
from syntaxa.drawing.editing import Editing, refuse_locked
from syntaxa.drawing.quantities import plain_number
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import DefineError
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Floats
from syntaxa.watching import still_wanted


class ReadOff(DefineStep, frozen=True, tag="read-off"):
    """Reads off what holds: level is mm of end movement, angle degrees of a line; without names what was let go."""

    level: float = 0.05
    angle: float = 0.5
    slot: ClassVar = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Read off what holds, within {self.level:g} mm and {self.angle:g}°"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Every sketch that is to be made, neither locked nor held whole."""
        if not (0 < self.level <= 1.0 and 0 < self.angle <= 10.0):
            raise DefineError("What holds is read off within 1 mm and 10° at most.", suggestion="Give limits above 0.")
        part, limits = state.part(Defined), Limits(self.level, math.radians(self.angle))
        sketches = [s for s in open_sketches(state) if s.name not in part.held]
        large: list[str] = []
        for k, sketch in enumerate(sketches):
            context.progress(k / len(sketches))
            still_wanted()
            if is_large(sketch.curves):
                large.append(sketch.name)
                continue
            known = [c for c in part.constraints if c.sketch == sketch.name]
            found = read_off(sketch.name, sketch.curves, limits, known)
            part = replace(part, constraints=(*part.constraints, *found.kept))
        count = len(part.constraints) - len(state.part(Defined).constraints)
        says = f"{count} constraints were read off." if count != 1 else "1 constraint was read off."
        if large:
            says += f" {', '.join(large)}: more than {MOST_PIECES} lines and arcs, so nothing was read off there."
        return _done(state, part, says)


class BindDimensions(DefineStep, frozen=True, tag="bind-dimensions"):
    """Binds the dimensions of the drawing to what they measure, as d1, d2... in its order."""

    slot: ClassVar = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return "Bind the dimensions of the drawing"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Those that agree and add something drive; those that disagree wait for a choice."""
        part, found = state.part(Defined), bind(state)
        part = replace(part, measures=(*found.measures, *part.measures))
        for sketch in open_sketches(state):
            context.progress(0.5)
            if sketch.name not in part.held:
                part = _driving(part, sketch)
        live = sum(m.use == "live" for m in part.measures)
        says = f"{len(found.measures)} bound, {live} of them drive." + "".join(f" {s}" for s in found.loose[:3])
        if len(found.loose) > 3:
            says += f" {len(found.loose) - 3} more are bound to nothing."
        return _done(state, part, says)


class SetDimension(DefineStep, frozen=True, tag="set-dimension"):
    """Gives a dimension a value or formula, or another use; stays names what is not to move when it changes."""

    name: str
    expression: str = ""
    use: Use = "live"
    stays: tuple[Named, ...] = ()

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.use == "live":
            return f"{self.name} = {self.expression}"
        return f"{self.name} is {'measured only' if self.use == 'measured' else 'left as text'}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The part follows."""
        del context
        part = state.part(Defined)
        measure = _the(part, self.name)
        if self.use == "live":
            _refuse_held(part, measure.sketch)
        if self.use == "live" and not self.expression.strip():
            raise DefineError(f"{self.name} needs a value to drive by.", suggestion="Type one, such as 150 or width/2.")
        changed = msgspec.structs.replace(
            measure, use=self.use, expression=self.expression if self.use == "live" else ""
        )
        return _done(state, part.with_measure(changed), "", self.stays or _staying(measure))


class AddDimensions(DefineStep, frozen=True, tag="add-dimensions"):
    """Dimensions that are drawn by hand or were proposed, and constraints with them; they drive by what is drawn.

    A live one that has no expression takes what it measures now.
    """

    measures: tuple[Measure, ...]
    constraints: tuple[Constraint, ...] = ()

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if len(self.measures) == 1 and not self.constraints:
            one = self.measures[0]
            return f"Dimension {one.name}: {one.kind} of {', '.join(map(str, one.things))}"
        counts = ((len(self.measures), "dimension"), (len(self.constraints), "constraint"))
        return "Add " + " and ".join(f"{n} {what}{'s' if n != 1 else ''}" for n, what in counts if n)

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """They are there from now on."""
        del context
        part = state.part(Defined)
        known = {c.key for c in part.constraints}
        part = replace(part, constraints=(*part.constraints, *(c for c in self.constraints if c.key not in known)))
        for measure in self.measures:
            part = part.with_measure(_new(state, part, measure))
        return _done(state, part, "", _staying(self.measures[0]) if len(self.measures) == 1 else ())


class Constrain(DefineStep, frozen=True, tag="constrain"):
    """A constraint added by hand."""

    constraint: Constraint

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Hold {self.constraint.key}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The sketch follows; one that says nothing new is refused."""
        del context
        part, new = state.part(Defined), self.constraint
        _refuse_held(part, new.sketch)
        if new.kind not in HOLDS:
            raise DefineError(f"There is no constraint “{new.kind}”.", suggestion=f"There are: {', '.join(HOLDS)}.")
        if any(c.key == new.key and c.sketch == new.sketch for c in part.constraints):
            raise DefineError(f"“{new.key}” holds already.")
        part = replace(part, constraints=(*part.constraints, new))
        made, entry = _done(state, part)
        sketch = made.sketch(new.sketch)
        if sketch is not None and not is_large(sketch.curves) and new.key in _idle(part, sketch):
            raise DefineError(f"“{new.key}” is implied by what holds already.", suggestion="Nothing needs to be added.")
        return made, entry


class LetGo(DefineStep, frozen=True, tag="let-go"):
    """Constraints that are not to hold any more, by their names."""

    sketch: str
    keys: tuple[str, ...]

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Let go {self.keys[0]}" if len(self.keys) == 1 else f"Let go {len(self.keys)} constraints"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing moves: what held once is only free to be changed."""
        del context
        part = state.part(Defined)
        there = {c.key for c in part.constraints if c.sketch == self.sketch}
        missing = tuple(k for k in self.keys if k not in there)
        left = tuple(c for c in part.constraints if c.sketch != self.sketch or c.key not in self.keys)
        if len(missing) == len(self.keys):
            raise DefineError(
                f"“{self.keys[0]}” does not hold in “{self.sketch}”.", suggestion="It may be gone already."
            )
        return state.with_part(replace(part, constraints=left)), Entry(len(self.keys) - len(missing), missing=missing)


class SetParameter(DefineStep, frozen=True, tag="set-parameter"):
    """Gives a parameter an expression; an empty one takes it away."""

    name: str
    expression: str
    note: str = ""

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{self.name} = {self.expression}" if self.expression else f"No parameter {self.name}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """What uses it follows."""
        del context
        part = state.part(Defined)
        check_name(self.name)
        if part.measure(self.name) is not None:
            raise DefineError(f"A dimension is called {self.name}.", suggestion="Choose another name.")
        others = tuple(p for p in part.parameters if p.name != self.name)
        if not self.expression:
            users = [n for n, text in _formulas(part) if n != self.name and self.name in names_in(text)]
            if users:
                raise DefineError(f"{users[0]} uses {self.name}.", suggestion="Change that first.")
            return _done(state, replace(part, parameters=others))
        mine = Parameter(self.name, self.expression, self.note)
        known = any(p.name == self.name for p in part.parameters)
        made = tuple(mine if p.name == self.name else p for p in part.parameters) if known else (*others, mine)
        return _done(state, replace(part, parameters=made))


class Rename(DefineStep, frozen=True, tag="rename-value"):
    """Gives a dimension or parameter another name, wherever it is used."""

    old: str
    new: str

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Call {self.old} {self.new}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing moves."""
        del context
        part = state.part(Defined)
        names = [*(m.name for m in part.measures), *(p.name for p in part.parameters)]
        check_name(self.new)
        if self.old not in names:
            raise DefineError(f"Nothing is called {self.old}.", suggestion=_known(names))
        if self.new in names:
            raise DefineError(f"Something is called {self.new} already.", suggestion="Choose another name.")

        def called(one: Measure | Parameter) -> Measure | Parameter:
            return msgspec.structs.replace(
                one,
                name=self.new if one.name == self.old else one.name,
                expression=renamed(one.expression, self.old, self.new),
            )

        part = replace(
            part,
            measures=tuple(m for m in map(called, part.measures) if isinstance(m, Measure)),
            parameters=tuple(p for p in map(called, part.parameters) if isinstance(p, Parameter)),
        )
        return state.with_part(part), Entry(1)


class Drag(DefineStep, frozen=True, tag="drag"):
    """Pulls a point to a place (mm), as far as what holds lets it."""

    sketch: str
    thing: Named
    x: float
    y: float

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Drag the {self.thing}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The rest of the sketch follows."""
        del context
        part, sketch = state.part(Defined), state.sketch(self.sketch)
        _refuse_held(part, self.sketch)
        if sketch is None:
            raise DefineError(f"There is no sketch “{self.sketch}”.", suggestion="Choose one that is there.")
        refuse_locked(sketch)
        stated = stated_of(part, sketch)
        live = driving(part, stated.measured())
        done = settled_at(stated, dragged(stated, live, self.thing, Point(self.x, self.y)))
        editing = Editing(state)
        changed = _taken_over(editing, sketch, done)
        largest, mean = _largest_and_mean(done.moves)
        says = "" if changed else "What holds keeps it where it is."
        return editing.done(), Entry(changed, largest, mean, says=says + editing.held_told)


class HoldSketch(DefineStep, frozen=True, tag="hold-sketch"):
    """Holds a sketch whole, as it was received, or lets it go again: held whole it counts as defined."""

    sketch: str
    held: bool = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{'Hold' if self.held else 'Do not hold'} “{self.sketch}” whole"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing moves."""
        del context
        part = state.part(Defined)
        if state.sketch(self.sketch) is None:
            raise DefineError(f"There is no sketch “{self.sketch}”.", suggestion=_known(s.name for s in state.sketches))
        held = part.held | {self.sketch} if self.held else part.held - {self.sketch}
        return state.with_part(replace(part, held=held)), Entry(1)


# ---------------------------------------------------------------------- what they share


def open_sketches(state: State) -> Iterator[Sketch]:
    """The sketches that Define looks at: those to be made that are not locked."""
    return (s for s in state.profiles() if s.curves and not s.locked)


def stated_of(part: Defined, sketch: Sketch) -> Stated:
    """What is said of a sketch."""
    return Stated.of(
        sketch.curves,
        (c for c in part.constraints if c.sketch == sketch.name),
        (m for m in part.measures if m.sketch == sketch.name),
    )


@dataclass(frozen=True)
class Statements:
    """What is said of each sketch of which anything is said, and what its dimensions measure (mm or radians)."""

    stated: Mapping[str, Stated]
    measured: Mapping[str, float]

    @classmethod
    def of(cls, state: State, part: Defined) -> Statements:
        """As the sketches lie."""
        said = {c.sketch for c in part.constraints} | {m.sketch for m in part.measures}
        stated = {s.name: stated_of(part, s) for s in open_sketches(state) if s.name in said}
        return cls(stated, {k: v for one in stated.values() for k, v in one.measured().items()})


def shown(value: float, *, is_angle: bool) -> str:
    """A value as it is typed: mm, or degrees."""
    return f"{plain_number(math.degrees(value), 12)}deg" if is_angle else plain_number(value, 12)


def _new(state: State, part: Defined, measure: Measure) -> Measure:
    """A dimension that can be added, with what it measures as its value where it has none; raises DefineError."""
    check_name(measure.name)
    if part.measure(measure.name) is not None or any(p.name == measure.name for p in part.parameters):
        raise DefineError(f"Something is called {measure.name} already.", suggestion="Choose another name.")
    sketch = state.sketch(measure.sketch)
    if sketch is None:
        raise DefineError(f"There is no sketch “{measure.sketch}”.", suggestion="Choose one that is there.")
    stated = Stated.of(sketch.curves, (), (measure,))
    if stated.gone:
        raise DefineError(stated.gone[0])
    if measure.use == "live":
        _refuse_held(part, measure.sketch)
    if measure.use != "live" or measure.expression:
        return measure
    value = stated.measured()[measure.name]
    return msgspec.structs.replace(measure, expression=shown(value, is_angle=measure.is_angle))


def _the(part: Defined, name: str) -> Measure:
    measure = part.measure(name)
    if measure is None:
        raise DefineError(f"There is no dimension {name}.", suggestion=_known(m.name for m in part.measures))
    return measure


def _staying(measure: Measure) -> tuple[Named, ...]:
    """What is not to move where a dimension changes: the first of what it is of, of a line its start."""
    if measure.kind == "length":
        return (measure.things[0].at("start"),)
    if measure.kind in ("radius", "diameter"):
        return ()
    return measure.things[:1]


def _refuse_held(part: Defined, sketch: str) -> None:
    if sketch in part.held:
        raise DefineError(f"“{sketch}” is held whole, so nothing in it moves.", suggestion="Let it move first.")


def _known(names: Iterable[str]) -> str:
    listed = list(names)
    return f"There are: {', '.join(listed[:20])}." if listed else "There is none."


def _formulas(part: Defined) -> Iterator[tuple[str, str]]:
    yield from ((p.name, p.expression) for p in part.parameters)
    yield from ((m.name, m.expression) for m in part.measures if m.expression)


def _driving(part: Defined, sketch: Sketch) -> Defined:
    """Dimensions of the drawing that agree with what is drawn drive, as far as they add something.

    Those that disagree are given room first: whatever is chosen for them later, nothing that drives is in their way.
    """
    stated = stated_of(part, sketch)
    values = stated.measured()
    agreeing = [m for m in stated.measures if m.written is not None and not disagrees(m, values[m.name])]
    waiting = [m for m in stated.measures if disagrees(m, values[m.name])]
    ordered = replace(stated, measures=(*waiting, *agreeing))
    known = {m.name: values[m.name] for m in ordered.measures if m.use != "text"}
    idle = set() if is_large(sketch.curves) else set(idle_in(ordered, known))
    for m in agreeing:
        if m.name not in idle and m.use == "measured" and m.written is not None:
            driven = msgspec.structs.replace(m, use="live", expression=shown(m.written, is_angle=m.is_angle))
            part = part.with_measure(driven)
    return part


def _idle(part: Defined, sketch: Sketch) -> set[str]:
    stated = stated_of(part, sketch)
    return set(idle_in(stated, driving(part, stated.measured())))


def _done(state: State, part: Defined, says: str = "", stays: tuple[Named, ...] = ()) -> tuple[State, Entry]:
    """The sketches so that everything holds, and what that moved; raises DefineError."""
    said_of = Statements.of(state, part)
    values = values_of(part, said_of.measured)
    editing = Editing(state)
    moves: list[Floats] = []
    changed = 0
    gone: list[str] = []
    for sketch in open_sketches(state):
        stated = said_of.stated.get(sketch.name)
        if stated is None:
            continue
        gone += stated.gone
        if sketch.name in part.held or not (stated.constraints or stated.measures):
            continue
        done = settled(
            stated, {m.name: values[m.name] for m in stated.measures if m.name in values}, _mine(stated, stays)
        )
        changed += _taken_over(editing, sketch, done)
        moves.append(done.moves)
    every = np.concatenate(moves) if moves else np.zeros(0)
    says = " ".join(filter(None, (says, *(f"Gone: {g}" for g in gone[:3])))) + editing.held_told
    largest, mean = _largest_and_mean(every)
    return editing.done().with_part(part), Entry(changed, largest, mean, says=says)


def _largest_and_mean(moves: Floats) -> tuple[float, float]:
    return float(moves.max(initial=0.0)), float(moves.mean()) if len(moves) else 0.0


def _mine(stated: Stated, stays: tuple[Named, ...]) -> tuple[Named, ...]:
    roots = {p.name for p in stated.pieces}
    return tuple(n for n in stays if n.at("") in roots)


def _taken_over(editing: Editing, sketch: Sketch, done: Settled) -> int:
    anew = {new.id: new for old, new in zip(sketch.curves, done.curves, strict=True) if new is not old}
    return len(editing.change(anew.keys(), lambda c: anew[c.id])) if anew else 0
