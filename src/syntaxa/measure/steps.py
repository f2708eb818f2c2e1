"""The steps of Measure: unit, scale and origin."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import ClassVar, Literal

import msgspec

from syntaxa.drawing.model import extents_of
from syntaxa.drawing.state import Entry, Placement, State
from syntaxa.drawing.units import UNIT_NAMES, mm_per
from syntaxa.errors import MeasureError
from syntaxa.geometry.points import Vector

OriginMode = Literal["as-drawn", "lower-left", "centre", "point"]


class ChooseUnit(msgspec.Struct, frozen=True, tag="choose-unit"):
    """Overrules the unit that the header declares."""

    unit: str
    rank: ClassVar[int] = 10
    only_one: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Unit: {UNIT_NAMES.get(self.unit, self.unit)}"

    def apply(self, state: State) -> tuple[State, Entry]:
        """Every curve takes the size that the unit gives it."""
        mm_per(self.unit)
        return _moved(state, replace(state.placement, unit=self.unit))


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
        return _moved(state, replace(state.placement, factor=self.factor))


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
        return _moved(state, replace(state.placement, shift=Vector(-at.x, -at.y)))

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
        shift = state.placement.shift
        if self.mode == "lower-left":
            return Vector(box[0] - shift.x, box[1] - shift.y)
        return Vector((box[0] + box[2]) / 2 - shift.x, (box[1] + box[3]) / 2 - shift.y)


def _moved(state: State, placement: Placement) -> tuple[State, Entry]:
    changed = sum(len(s.curves) for s in state.sketches) if placement != state.placement else 0
    old, new = state.placement, placement
    if old.mm_per_unit != new.mm_per_unit:
        says = f"Lengths are {new.mm_per_unit / old.mm_per_unit:.6g} times what they were."
    elif old.shift != new.shift:
        says = f"Everything moved together by {new.shift.x - old.shift.x:.6g}, {new.shift.y - old.shift.y:.6g} mm."
    else:
        says = "Nothing had to change."
    return state.placed(placement), Entry(changed, says=says)
