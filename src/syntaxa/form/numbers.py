"""Lengths and angles as they are typed: numbers with units, and formulas with dimensions and parameters of Define."""

from __future__ import annotations

from functools import cached_property

from syntaxa.define.formulas import Quantity, angle_of, length_of, names_in, value_of
from syntaxa.define.part import Defined
from syntaxa.define.stating import Statements
from syntaxa.define.values import quantities_of
from syntaxa.drawing.state import State
from syntaxa.errors import FormError

#: mm; the kernel's own tolerance of 1e-7 mm is the last digit that a number of this size has.
_FARTHEST = 1e7


class Numbers:
    """Reads what was typed, with the values that a state has. All raise DefineError."""

    def __init__(self, state: State) -> None:
        self._state = state

    @cached_property
    def _known(self) -> dict[str, Quantity]:
        part = self._state.part(Defined)
        return quantities_of(part, Statements.of(self._state, part).measured)

    def length(self, text: str) -> float:
        """mm; raises FormError for what is so far off that places near there are no longer told apart."""
        found = length_of(self._value(text), text)
        if abs(found) > _FARTHEST:
            raise FormError(f"“{text}” is {found:g} mm, which is more than 10 km.", suggestion="Look at its unit.")
        return found

    def angle(self, text: str) -> float:
        """Radians."""
        return angle_of(self._value(text), text)

    def _value(self, text: str) -> Quantity:
        # What measures the sketches is asked for only where a name is used.
        return value_of(text, self._known if names_in(text) else {})
