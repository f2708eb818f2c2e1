"""The steps of Measure: unit, scale and origin."""

from __future__ import annotations

import math
from typing import ClassVar, Literal

import msgspec

from syntaxa.drawing.model import extents_of
from syntaxa.drawing.state import Entry, Placement, State
from syntaxa.drawing.units import UNIT_NAMES, mm_per
from syntaxa.errors import MeasureError
from syntaxa.geometry.points import Vector

OriginMode = Literal["as-drawn", "lower-left", "centre", "point"]


class ChooseUnit(msgspec.Struct, frozen=True, tag="choose-unit", omit_defaults=True):
    """Overrules the unit that the header of a source declares."""

    unit: str
    source: int = 1
    rank: ClassVar[int] = 10
    only_one: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        of = "" if self.source == 1 else f" of source {self.source}"
        return f"Unit{of}: {UNIT_NAMES.get(self.unit, self.unit)}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """Every curve takes the size that the unit gives it."""
        mm_per(self.unit)
        return _told(state, state.with_unit(self.source, self.unit), self.source)


class ScaleBy(msgspec.Struct, frozen=True, tag="scale-by"):
    """Scales everything by a factor."""

    factor: float
    rank: ClassVar[int] = 11
    only_one: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Scale by {self.factor:g}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """Every curve grows by the factor."""
        if not (math.isfinite(self.factor) and self.factor > 0):
            raise MeasureError(f"A scale of {self.factor:g} makes no sense.", suggestion="Use a factor above 0.")
        return _told(state, state.placed(factor=self.factor))


class PlaceOrigin(msgspec.Struct, frozen=True, tag="place-origin"):
    """Puts the origin where the mode says; x and y (mm, as drawn) count for "point"."""

    mode: OriginMode
    x: float = 0.0
    y: float = 0.0
    rank: ClassVar[int] = 30
    only_one: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.mode == "point":
            return f"Origin at {self.x:g}, {self.y:g} mm"
        return {"as-drawn": "Origin as drawn", "lower-left": "Origin lower left", "centre": "Origin in the centre"}[
            self.mode
        ]

    def apply(self, state: State) -> tuple[State, Entry]:
        """Everything is moved so that the chosen place becomes 0, 0."""
        at = self._place(state)
        return _told(state, state.placed(shift=Vector(-at.x, -at.y)))

    def _place(self, state: State) -> Vector:
        if self.mode == "as-drawn":
            return Vector(0.0, 0.0)
        if self.mode == "point":
            if not (math.isfinite(self.x) and math.isfinite(self.y)):
                raise MeasureError("The origin needs two numbers.", suggestion="Type X and Y in millimetres.")
            return Vector(self.x, self.y)
        box = extents_of(state.curves())
        if box is None:
            return Vector(0.0, 0.0)
        shift = state.shift
        if self.mode == "lower-left":
            return Vector(box[0] - shift.x, box[1] - shift.y)
        return Vector((box[0] + box[2]) / 2 - shift.x, (box[1] + box[3]) / 2 - shift.y)


def _told(before: State, after: State, source: int = 1) -> tuple[State, Entry]:
    """The new state, and a sentence about what became of the lengths and places."""
    old, new = (_placement(state, source) for state in (before, after))
    changed = sum(len(s.curves) for s in before.sketches) if old != new else 0
    if old.mm_per_unit != new.mm_per_unit:
        says = f"Lengths are {new.mm_per_unit / old.mm_per_unit:.6g} times what they were."
    elif old.shift != new.shift:
        says = f"Everything moved together by {new.shift.x - old.shift.x:.6g}, {new.shift.y - old.shift.y:.6g} mm."
    else:
        says = "Nothing had to change."
    return after, Entry(changed, says=says)


def _placement(state: State, source: int) -> Placement:
    taken = next((t for t in state.taken if t.number == source), None)
    return state.placement if taken is None else state.placement_of(taken)
