"""What is said of the sketches of a state, and the sketches when all of it holds."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

import msgspec
import numpy as np

from syntaxa.define.model import Named
from syntaxa.define.part import Defined
from syntaxa.define.settling import Settled, Stated, idle_in, settled
from syntaxa.define.sketching import model_of
from syntaxa.define.spans import followed, span_of
from syntaxa.define.values import driving, values_of
from syntaxa.drawing.editing import Editing
from syntaxa.drawing.quantities import plain_number
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.errors import DefineError
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Floats


def open_sketches(state: State) -> Iterator[Sketch]:
    """The sketches that Define looks at: those to be made that are not locked."""
    return (s for s in state.profiles() if s.curves and not s.locked)


def stated_of(part: Defined, sketch: Sketch) -> Stated:
    """What is said of a sketch."""
    return Stated.of(
        sketch.curves,
        (c for c in part.constraints if c.sketch == sketch.name and not c.off),
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


def refuse_held(part: Defined, sketch: str) -> None:
    """Raises DefineError where a sketch is held whole."""
    if sketch in part.held:
        raise DefineError(f"“{sketch}” is held whole, so nothing in it moves.", suggestion="Let it move first.")


def known_names(names: Iterable[str]) -> str:
    """What there is to choose from, in a sentence."""
    listed = list(names)
    return f"There are: {', '.join(listed[:20])}." if listed else "There is none."


def idle(part: Defined, sketch: Sketch) -> set[str]:
    """What is said of a sketch and says nothing new, by keys and names."""
    stated = stated_of(part, sketch)
    return set(idle_in(stated, driving(part, stated.measured())))


def put_right(state: State, part: Defined, says: str = "", stays: tuple[Named, ...] = ()) -> tuple[State, Entry]:
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
        changed += taken_over(editing, sketch, done)
        moves.append(done.moves)
        part = with_texts_along(part, stated, done)
    every = np.concatenate(moves) if moves else np.zeros(0)
    says = " ".join(filter(None, (says, *(f"Gone: {g}" for g in gone[:3])))) + editing.held_told
    largest, mean = largest_and_mean(every)
    return editing.done().with_part(part), Entry(changed, largest, mean, says=says)


def with_texts_along(part: Defined, stated: Stated, done: Settled) -> Defined:
    """With the texts of dimensions that stand somewhere as far from what they measure as before it moved."""
    if not len(done.moves):
        return part
    before, after = stated.bare, model_of(done.curves)
    for measure in stated.measures:
        if measure.place is not None:
            place = followed(span_of(before, measure), span_of(after, measure), Point(*measure.place))
            now = part.measure(measure.name)
            if now is not None:
                part = part.with_measure(msgspec.structs.replace(now, place=(place.x, place.y)))
    return part


def largest_and_mean(moves: Floats) -> tuple[float, float]:
    """Of how far points went (mm)."""
    return float(moves.max(initial=0.0)), float(moves.mean()) if len(moves) else 0.0


def _mine(stated: Stated, stays: tuple[Named, ...]) -> tuple[Named, ...]:
    roots = {p.name for p in stated.pieces}
    return tuple(n for n in stays if n.at("") in roots)


def taken_over(editing: Editing, sketch: Sketch, done: Settled) -> int:
    """Puts the curves of a solution into their sketch; how many changed."""
    anew = {new.id: new for old, new in zip(sketch.curves, done.curves, strict=True) if new is not old}
    return len(editing.change(anew.keys(), lambda c: anew[c.id])) if anew else 0
