"""The steps of Define: reading off, binding, dimensions, values, parameters, dragging.

Each leaves the sketches so that everything that is said of them holds, and tells how far anything moved. Where that
cannot be, it is not done, and the fewest that cannot all hold are named.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import ClassVar

import msgspec

from syntaxa.define.base import DefineStep
from syntaxa.define.binding import bind, disagrees
from syntaxa.define.dragging import dragged
from syntaxa.define.formulas import check_name, names_in, renamed
from syntaxa.define.model import MEASURED_ONLY, Constraint, Measure, Named, Parameter, Use
from syntaxa.define.part import Defined
from syntaxa.define.reading_off import Limits, read_off
from syntaxa.define.settling import Stated, idle_in, settled_at
from syntaxa.define.sketching import MOST_PIECES, is_large
from syntaxa.define.stating import (
    idle,
    known_names,
    largest_and_mean,
    open_sketches,
    put_right,
    refuse_held,
    shown,
    stated_of,
    taken_over,
    with_texts_along,
)
from syntaxa.define.values import driving
from syntaxa.drawing.editing import Editing, refuse_locked
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import DefineError
from syntaxa.geometry.points import Point
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
        return put_right(state, part, says)


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
        return put_right(state, part, says)


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
            refuse_held(part, measure.sketch)
        if self.use == "live" and measure.kind in MEASURED_ONLY:
            raise DefineError(f"{self.name} is only measured.", suggestion="Give a value to the radius or the angle.")
        if self.use == "live" and not self.expression.strip():
            raise DefineError(f"{self.name} needs a value to drive by.", suggestion="Type one, such as 150 or width/2.")
        changed = msgspec.structs.replace(
            measure, use=self.use, expression=self.expression if self.use == "live" else ""
        )
        return put_right(state, part.with_measure(changed), "", self.stays or measure.sides[:1])


class AddDimensions(DefineStep, frozen=True, tag="add-dimensions"):
    """Dimensions that are drawn by hand or were proposed, and constraints with them; they drive by what is drawn.

    A live one that has no expression takes what it measures now; where that is implied, it is measured only.
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
        part, implied = _measured_only(state, part, [m.name for m in self.measures if not m.expression])
        says = f"Implied by what holds, so only measured: {', '.join(implied)}." if implied else ""
        return put_right(state, part, says, self.measures[0].sides[:1] if len(self.measures) == 1 else ())


class PlaceDimension(DefineStep, frozen=True, tag="place-dimension"):
    """Puts the text of a dimension at a place (mm); its lines follow."""

    name: str
    x: float
    y: float

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Place {self.name}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing of the part moves."""
        del context
        part = state.part(Defined)
        if not (math.isfinite(self.x) and math.isfinite(self.y)):
            raise DefineError("The place is no number.", suggestion="Give X and Y in mm.")
        placed = msgspec.structs.replace(_the(part, self.name), place=(self.x, self.y))
        return state.with_part(part.with_measure(placed)), Entry(1, says="Nothing of the part moves.")


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
            return put_right(state, replace(part, parameters=others))
        mine = Parameter(self.name, self.expression, self.note)
        known = any(p.name == self.name for p in part.parameters)
        made = tuple(mine if p.name == self.name else p for p in part.parameters) if known else (*others, mine)
        return put_right(state, replace(part, parameters=made))


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
            raise DefineError(f"Nothing is called {self.old}.", suggestion=known_names(names))
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
    """Pulls a point, or a curve by its first end, to a place (mm), as far as what holds lets it.

    both  the points on the other sides of the middle of its part go the other way as much
    """

    sketch: str
    thing: Named
    x: float
    y: float
    both: bool = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Drag the {self.thing}{', both sides alike' if self.both else ''}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The rest of the sketch follows."""
        del context
        part, sketch = state.part(Defined), state.sketch(self.sketch)
        refuse_held(part, self.sketch)
        if sketch is None:
            raise DefineError(f"There is no sketch “{self.sketch}”.", suggestion="Choose one that is there.")
        refuse_locked(sketch)
        stated = stated_of(part, sketch)
        live = driving(part, stated.measured())
        done = settled_at(stated, dragged(stated, live, self.thing, Point(self.x, self.y), both=self.both))
        editing = Editing(state)
        changed = taken_over(editing, sketch, done)
        largest, mean = largest_and_mean(done.moves)
        says = "" if changed else "What holds keeps it where it is."
        after = editing.done().with_part(with_texts_along(part, stated, done))
        return after, Entry(changed, largest, mean, says=says + editing.held_told)


# ---------------------------------------------------------------------- what they share


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
        refuse_held(part, measure.sketch)
    if measure.use != "live" or measure.expression:
        return measure
    value = stated.measured()[measure.name]
    return msgspec.structs.replace(measure, expression=shown(value, is_angle=measure.is_angle))


def _measured_only(state: State, part: Defined, names: Sequence[str]) -> tuple[Defined, list[str]]:
    """Dimensions that say nothing new do not drive; which they are."""
    mine = {m.sketch for m in part.measures if m.name in names and m.use == "live"}
    said_again: set[str] = set()
    for name in mine:
        sketch = state.sketch(name)
        if sketch is not None and not is_large(sketch.curves):
            said_again |= idle(part, sketch)
    implied = [n for n in names if n in said_again]
    for name in implied:
        part = part.with_measure(msgspec.structs.replace(_the(part, name), use="measured", expression=""))
    return part, implied


def _the(part: Defined, name: str) -> Measure:
    measure = part.measure(name)
    if measure is None:
        raise DefineError(f"There is no dimension {name}.", suggestion=known_names(m.name for m in part.measures))
    return measure


def _formulas(part: Defined) -> Iterator[tuple[str, str]]:
    yield from ((p.name, p.expression) for p in part.parameters)
    yield from ((m.name, m.expression) for m in part.measures if m.expression)


def _driving(part: Defined, sketch: Sketch) -> Defined:
    """Dimensions of the drawing that agree with what is drawn drive, as far as they add something.

    Those that disagree are given room first: whatever is chosen for them later, nothing that drives is in their way.
    """
    stated = stated_of(part, sketch)
    values = stated.measured()
    could = [m for m in stated.measures if m.kind not in MEASURED_ONLY]
    agreeing = [m for m in could if m.written is not None and not disagrees(m, values[m.name])]
    waiting = [m for m in could if disagrees(m, values[m.name])]
    ordered = replace(stated, measures=(*waiting, *agreeing))
    known = {m.name: values[m.name] for m in ordered.measures if m.use != "text"}
    idle = set() if is_large(sketch.curves) else set(idle_in(ordered, known))
    for m in agreeing:
        if m.name not in idle and m.use == "measured" and m.written is not None:
            driven = msgspec.structs.replace(m, use="live", expression=shown(m.written, is_angle=m.is_angle))
            part = part.with_measure(driven)
    return part
