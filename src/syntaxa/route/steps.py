"""The steps of Route that decide which curves go to which sketch."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace
from typing import ClassVar

from syntaxa.drawing.editing import with_locked
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context, Slot
from syntaxa.route.base import RouteStep
from syntaxa.route.model import Appearances, Rule, first_fit, purpose_of
from syntaxa.route.sketches import hidden_layers, sketches_of


class ChooseLayers(RouteStep, frozen=True, tag="choose-layers"):
    """Leaves layers out, and makes a sketch of each other; `only` names the ones to take instead."""

    left_out: tuple[str, ...] = ()
    only: tuple[str, ...] | None = None
    slot: ClassVar[Slot] = "one"
    general: ClassVar[bool] = True
    routing: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.only is not None:
            return f"Take layers {', '.join(self.only)}"
        return f"Leave out {', '.join(self.left_out)}" if self.left_out else "Take all layers"

    def takes(self, layer: str) -> bool:
        """Whether a layer is taken."""
        return layer not in self.left_out if self.only is None else layer in self.only

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The sketches are made anew from the placed drawing."""
        known = set(state.layers())
        left_out = set(self.left_out) if self.only is None else known - set(self.only)
        sketches = with_locked(state, sketches_of(state, left_out))
        total = sum(len(t.drawing.curves) for t in state.taken)
        count = sum(len(s.curves) for s in sketches)
        missing = tuple(n for n in (self.only or self.left_out) if n not in known)
        says = f"{len(sketches)} sketches with {count} of {total} curves."
        return replace(state, sketches=sketches), Entry(total - count, says=says, missing=missing)


class RouteBy(RouteStep, frozen=True, tag="route-by", omit_defaults=True):
    """Sends the curves of all layers that are taken to sketches: by the first rule that fits, else one for a layer."""

    rules: tuple[Rule, ...] = ()
    slot: ClassVar[Slot] = "one"
    general: ClassVar[bool] = True
    routing: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if len(self.rules) != 1:
            return f"Route by {len(self.rules)} rules"
        rule = self.rules[0]
        return f"Leave out {rule.meant}" if rule.goes == "out" else f"Route {rule.meant} to {rule.to}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The sketches are made anew of the curves that they hold."""
        looks = Appearances(state)
        members: dict[str, list[Curve]] = {}
        made: dict[str, Sketch] = {}
        went: Counter[str] = Counter()
        used: Counter[Rule] = Counter()
        for sketch in state.sketches:
            for curve in sketch.curves:
                if sketch.locked or curve.locked:
                    continue
                look = looks.of(curve)
                rule = first_fit(self.rules, look)
                if rule is not None:
                    used[rule] += 1
                    if rule.goes == "out":
                        went["out"] += 1
                        continue
                name = sketch.name if rule is None else rule.name_for(look)
                if name not in made:
                    own = rule is not None and "{colour}" in rule.to
                    purpose = sketch.purpose if rule is None else purpose_of(rule.goes)
                    made[name] = Sketch(name, look.colour if own else sketch.colour, (), purpose)
                members.setdefault(name, []).append(curve)
                went["moved"] += name != sketch.name
        sketches = with_locked(state, (replace(s, curves=tuple(members[name])) for name, s in made.items()))
        idle = tuple(rule.meant for rule in self.rules if not used[rule])
        says = f"{len(sketches)} sketches; {went['moved']} curves moved to another, {went['out']} left out."
        return replace(state, sketches=sketches), Entry(went["moved"] + went["out"], says=says, missing=idle)


def first_sketches(state: State) -> State:
    """The state before any step of this stage: a sketch for each layer that its author had showing."""
    return replace(state, sketches=sketches_of(state, hidden_layers(state)))
