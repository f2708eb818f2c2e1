"""The steps of Define about what holds: constraints added, switched off, let go, and sketches held whole."""

from __future__ import annotations

from dataclasses import replace

import msgspec

from syntaxa.define.base import DefineStep
from syntaxa.define.model import Constraint
from syntaxa.define.part import Defined
from syntaxa.define.relations import HOLDS
from syntaxa.define.sketching import is_large
from syntaxa.define.stating import idle, known_names, put_right, refuse_held
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import DefineError


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
        refuse_held(part, new.sketch)
        if new.kind not in HOLDS:
            raise DefineError(f"There is no constraint “{new.kind}”.", suggestion=f"There are: {', '.join(HOLDS)}.")
        if any(c.key == new.key and c.sketch == new.sketch for c in part.constraints):
            raise DefineError(f"“{new.key}” holds already.")
        part = replace(part, constraints=(*part.constraints, new))
        made, entry = put_right(state, part)
        sketch = made.sketch(new.sketch)
        if sketch is not None and not is_large(sketch.curves) and new.key in idle(part, sketch):
            raise DefineError(f"“{new.key}” is implied by what holds already.", suggestion="Nothing needs to be added.")
        return made, entry


class SwitchConstraint(DefineStep, frozen=True, tag="switch-constraint"):
    """A constraint that is not to hold just now, and is kept in the list; or one that is to hold again."""

    sketch: str
    key: str
    on: bool

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Switch {'on' if self.on else 'off'} {self.key}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """What is switched off moves nothing; what is switched on holds again."""
        del context
        part = state.part(Defined)
        mine = next((c for c in part.constraints if (c.sketch, c.key) == (self.sketch, self.key)), None)
        if mine is None:
            raise DefineError(f"“{self.key}” is not in “{self.sketch}”.", suggestion="It may have been let go.")
        new = msgspec.structs.replace(mine, off=not self.on)
        part = replace(part, constraints=tuple(new if c is mine else c for c in part.constraints))
        if not self.on:
            return state.with_part(part), Entry(int(new != mine))
        refuse_held(part, self.sketch)
        made, entry = put_right(state, part)
        sketch = made.sketch(self.sketch)
        if sketch is not None and not is_large(sketch.curves) and self.key in idle(part, sketch):
            raise DefineError(f"“{self.key}” is implied by what holds now.", suggestion="Leave it off.")
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
            known = known_names(s.name for s in state.sketches)
            raise DefineError(f"There is no sketch “{self.sketch}”.", suggestion=known)
        held = part.held | {self.sketch} if self.held else part.held - {self.sketch}
        return state.with_part(replace(part, held=held)), Entry(1)
