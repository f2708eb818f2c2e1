"""A sketch with what holds in it and what its dimensions say: stated as a system, solved, or told why it cannot be.

Where a value changes much it is followed there in strides, so that nothing turns over on the way: no line its
direction, no arc its side, no radius its sign.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import TypeVar

import numpy as np

from syntaxa.define.conflicts import can_hold, to_blame
from syntaxa.define.freedom import Freedom, freedom
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.redundancy import said_again
from syntaxa.define.relations import add, drawn
from syntaxa.define.sketching import Model, Piece, curves_from, model_of, pieces_of
from syntaxa.define.solving import solved
from syntaxa.define.unknowns import TURN, Round, Spot, Thing
from syntaxa.drawing.model import Curve
from syntaxa.errors import DefineError, GoneError
from syntaxa.geometry.types import Floats

Said = TypeVar("Said", Constraint, Measure)

#: The shortest stride, as a share of the way; what cannot be reached by shorter ones cannot be.
_SHORTEST = 1e-3

#: Radians that a direction may turn by in one stride.
_TURN = 0.7

#: mm; longer is a mistake in typing.
_LARGEST = 1e7

#: How many times as much it costs to move what is to stay.
_STAYS = 1e6


@dataclass(frozen=True)
class Stated:
    """A sketch and what is said of it.

    gone  what could not be found any more, in sentences: it is left out
    """

    curves: tuple[Curve, ...]
    pieces: tuple[Piece, ...]
    constraints: tuple[Constraint, ...] = ()
    measures: tuple[Measure, ...] = ()
    gone: tuple[str, ...] = field(default=(), compare=False)

    @classmethod
    def of(cls, curves: tuple[Curve, ...], constraints: Iterable[Constraint], measures: Iterable[Measure]) -> Stated:
        """What of some constraints and dimensions can be said of the curves."""
        pieces = pieces_of(curves)
        model = model_of(curves, pieces)
        gone: list[str] = []
        return cls(
            curves, pieces, _there(model, constraints, gone), _there(model, measures, gone), tuple(dict.fromkeys(gone))
        )

    def model(
        self, values: Mapping[str, float], x: Floats | None = None, stays: Iterable[Named] = (), *, firmly: bool = False
    ) -> Model:
        """The system with the values of live dimensions, from where it stands or from other unknowns.

        stays   what is to move less than all else, or where that is possible not at all (firmly)
        """
        model = model_of(self.curves, self.pieces, x)
        for k in sorted({k for name in stays for k in _moving(model.thing(name))}):
            if firmly:
                model.system.tie(k, shift=model.system.x[k])
            else:
                model.system.weight[k] *= _STAYS
        # What lies on a round is said first, for what touches it there is said by it.
        for k, c in sorted(enumerate(self.constraints), key=lambda item: item[1].kind != "on"):
            add(model.system, k, c.kind, [model.thing(n) for n in c.things])
        for k, m in enumerate(self.measures, len(self.constraints)):
            if m.name in values:
                add(model.system, k, m.kind, [model.thing(n) for n in m.things], values[m.name], m.angle)
        return model

    @cached_property
    def bare(self) -> Model:
        """The system of the curves alone, as they lie."""
        return model_of(self.curves, self.pieces)

    def measured(self) -> dict[str, float]:
        """What each dimension measures (mm or radians)."""
        model = self.bare
        return {m.name: drawn(model.system, m.kind, [model.thing(n) for n in m.things], m.angle) for m in self.measures}

    def named(self, numbers: Iterable[int]) -> tuple[str, ...]:
        """Constraints and dimensions by their numbers in the system."""
        names = [*(c.key for c in self.constraints), *(m.name for m in self.measures)]
        return tuple(names[k] for k in numbers)


@dataclass(frozen=True)
class Settled:
    """A sketch when everything holds: its curves, and how far its points went (mm, for those that moved)."""

    curves: tuple[Curve, ...]
    moves: Floats


def settled(stated: Stated, values: Mapping[str, float], stays: Iterable[Named] = ()) -> Settled:
    """The sketch with live dimensions at their values (mm or radians); raises DefineError saying why not."""
    before = {name: v for name, v in stated.measured().items() if name in values}
    firm = tuple(stays)
    _refuse_nonsense(stated, values)
    x, last = _followed(stated, before, dict(values), firm, firmly=True) if firm else (None, None)
    if x is None:
        x, last = _followed(stated, before, dict(values), firm, firmly=False)
    if x is None:
        raise _contradiction(stated, values, last)
    return settled_at(stated, x)


def settled_at(stated: Stated, x: Floats) -> Settled:
    """The sketch at unknowns of its own."""
    x = x[: len(stated.bare.system.x)]
    curves = curves_from(stated.curves, stated.bare, x)
    # Where every curve is the very same, what is left of moves is rounding.
    moved = any(new is not old for old, new in zip(stated.curves, curves, strict=True))
    return Settled(curves, _moves(stated.bare, x) if moved else np.zeros(0))


def moved_between(before: Sequence[Curve], after: Sequence[Curve]) -> Floats:
    """How far points went, and circles grew, from curves to the same curves later (mm, for those that did)."""
    pieces = pieces_of(before)
    old, new = model_of(before, pieces), model_of(after, pieces_of(after))
    if len(old.system.x) != len(new.system.x):
        return np.zeros(0)
    return _moves(old, np.array(new.system.x))


def _moves(model: Model, x: Floats) -> Floats:
    old = np.array(model.system.x)
    spots = np.array(model.system.spots, dtype=np.int64).reshape(-1, 2)
    grown = np.array([abs(x[r.r] - old[r.r]) for r in model.system.rounds if r.a is None])
    every = np.concatenate([np.hypot(*(x[spots] - old[spots]).T), grown])
    return np.asarray(every[every > 0])


def free_in(stated: Stated, values: Mapping[str, float]) -> tuple[Model, Freedom]:
    """What is free in a sketch where everything holds."""
    model = stated.model(values)
    return model, freedom(model.system, np.array(model.system.x))


def idle_in(stated: Stated, values: Mapping[str, float]) -> tuple[str, ...]:
    """Constraints and dimensions that say nothing new where everything holds, the latest first to go."""
    model = stated.model(values)
    return stated.named(sorted(said_again(model.system, np.array(model.system.x))))


def contradictions_in(stated: Stated, values: Mapping[str, float]) -> list[tuple[str, ...]]:
    """What cannot hold with dimensions at some values, as the sketch lies: the fewest of each that cannot, by name."""
    model = stated.model(values)
    if solved(model.system).holds:
        return []
    found: list[tuple[str, ...]] = []
    for number in range(len(stated.constraints) + len(stated.measures) - 1, -1, -1):
        blame = to_blame(model.system, number)
        names = stated.named(blame)
        # Where the others cannot hold without it either, it is not to blame.
        if names and names not in found and can_hold(model.system, [k for k in blame if k != number]):
            found.append(names)
    return found


# ---------------------------------------------------------------------- following


def _followed(
    stated: Stated, before: dict[str, float], goal: dict[str, float], stays: tuple[Named, ...], *, firmly: bool
) -> tuple[Floats | None, Floats | None]:
    """(unknowns of the sketch at the goals, or None; those as far as it came, or None where it never held)."""
    now = solved(stated.model(before, None, stays, firmly=firmly).system)
    if not now.holds:
        return None, None
    x, share, stride = now.x[: len(stated.bare.system.x)], 0.0, 1.0
    while share < 1.0:
        there = min(1.0, share + stride)
        values = {name: v + there * (goal[name] - v) for name, v in before.items()} if there < 1.0 else goal
        model = stated.model(values, x, stays, firmly=firmly)
        done = solved(model.system)
        if done.holds and same_way(model, np.array(model.system.x), done.x):
            x, share, stride = done.x[: len(x)], there, 2 * stride
        elif stride > _SHORTEST:
            stride /= 2
        else:
            return None, x
    return x, x


def same_way(model: Model, old: Floats, new: Floats) -> bool:
    """Whether from old unknowns to new ones no direction turned far, and no line, arc or circle turned over."""
    s = model.system
    turning = sorted(s.angles)
    if float(np.abs(new[turning] - old[turning]).max(initial=0.0)) > _TURN:
        return False
    for line in s.lines:
        dx, dy = new[line.b.x] - new[line.a.x], new[line.b.y] - new[line.a.y]
        if dx * np.cos(new[line.t]) + dy * np.sin(new[line.t]) <= 0:
            return False
    return all(_is_round(r, new) for r in s.rounds)


def _is_round(r: Round, x: Floats) -> bool:
    return bool(x[r.r] > 0) and (r.a is None or bool(0 < (x[r.tb] - x[r.ta]) * r.turn < TURN))


def _refuse_nonsense(stated: Stated, goal: Mapping[str, float]) -> None:
    for measure in stated.measures:
        value = goal.get(measure.name)
        if value is None:
            continue
        if not np.isfinite(value) or value < 0 or (value == 0 and measure.kind in ("length", "radius", "diameter")):
            raise DefineError(f"{measure.name} cannot be {value:.6g}.", suggestion="Give it a value above 0.")
        if value > _LARGEST:
            raise DefineError(f"{measure.name} cannot be {value:.6g}.", suggestion="Give it a value below 10 km.")
        if measure.is_angle and value >= TURN:
            raise DefineError(f"{measure.name} cannot be a full turn or more.", suggestion="Give it less than 360°.")


def _contradiction(stated: Stated, goal: Mapping[str, float], x: Floats | None) -> DefineError:
    """What is in the way of some values, by the smallest set."""
    model = stated.model(goal, x)
    first = len(stated.constraints)
    for number in range(first + len(stated.measures) - 1, -1, -1):
        if number >= first and stated.measures[number - first].name not in goal:
            continue
        blame = to_blame(model.system, number)
        if blame:
            names = stated.named(blame)
            return DefineError(
                f"That cannot be: {', '.join(names[:8])}{' and others' if len(names) > 8 else ''} cannot all hold.",
                suggestion="Let one of them go, or give another value.",
            )
    return DefineError(
        "That cannot be reached without turning a line or an arc over.",
        suggestion="Give a value nearer to the present one.",
    )


def _there(model: Model, said: Iterable[Said], gone: list[str]) -> tuple[Said, ...]:
    """What is said of things that are there; sentences about the others."""
    found = []
    for one in said:
        try:
            for name in one.things:
                model.thing(name)
        except GoneError as error:
            what = one.key if isinstance(one, Constraint) else one.name
            gone.append(f"{what}: {error}")
        else:
            found.append(one)
    return tuple(found)


def _moving(thing: Thing) -> list[int]:
    """The unknowns of the points of a thing."""
    if isinstance(thing, Spot):
        return [*thing]
    ends = [p for p in (thing.a, thing.b) if p is not None]
    return [k for p in ends for k in p] or [*thing.c]  # type: ignore[union-attr]
