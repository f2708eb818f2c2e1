"""The step of Route: which layers are taken."""

from __future__ import annotations

from dataclasses import replace
from typing import ClassVar

import msgspec

from syntaxa.drawing.state import Entry, State
from syntaxa.route.sketches import hidden_layers, sketches_of


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
        known = set(state.layers())
        left_out = set(self.left_out) if self.only is None else known - set(self.only)
        sketches = sketches_of(state, left_out)
        total = sum(len(t.drawing.curves) for t in state.taken)
        count = sum(len(s.curves) for s in sketches)
        missing = tuple(n for n in (self.only or self.left_out) if n not in known)
        says = f"{len(sketches)} sketches with {count} of {total} curves."
        return replace(state, sketches=sketches), Entry(total - count, says=says, missing=missing)


def first_sketches(state: State) -> State:
    """The state before any step of this stage: a sketch for each layer that its author had showing."""
    return replace(state, sketches=sketches_of(state, hidden_layers(state)))
