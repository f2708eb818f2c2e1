"""The step of Route: which layers are taken."""

from __future__ import annotations

from dataclasses import replace
from typing import ClassVar

import msgspec

from syntaxa.drawing.state import Entry, State
from syntaxa.route.sketches import hidden_layers, sketch_per_layer


class ChooseLayers(msgspec.Struct, frozen=True, tag="choose-layers"):
    """Leaves layers out, and makes a sketch of each other; `only` names the ones to take instead."""

    left_out: tuple[str, ...] = ()
    only: tuple[str, ...] | None = None
    rank: ClassVar[int] = 20
    only_one: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.only is not None:
            return f"Take layers {', '.join(self.only)}"
        return f"Leave out {', '.join(self.left_out)}" if self.left_out else "Take all layers"

    def apply(self, state: State) -> tuple[State, Entry]:
        """The sketches are made anew from the placed drawing."""
        known = {layer.name for layer in state.received.layers} | {c.layer for c in state.received.curves}
        left_out = set(self.left_out) if self.only is None else known - set(self.only)
        placed = state.received.transformed(state.placement.transform)
        sketches = sketch_per_layer(placed, left_out)
        count = sum(len(s.curves) for s in sketches)
        missing = tuple(n for n in (self.only or self.left_out) if n not in known)
        says = f"{len(sketches)} sketches with {count} of {len(placed.curves)} curves."
        return replace(state, sketches=sketches), Entry(len(placed.curves) - count, says=says, missing=missing)


def first_sketches(state: State) -> State:
    """The state before any step: a sketch for each layer that its author had showing."""
    placed = state.received.transformed(state.placement.transform)
    return replace(state, sketches=sketch_per_layer(placed, hidden_layers(state.received)))
