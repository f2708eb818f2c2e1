"""The steps of Measure, in the order in which they are done."""

from __future__ import annotations

from syntaxa.drawing.step import StepRows
from syntaxa.measure.steps import ChooseUnit, JudgeDimension, Mirror, PlaceOrigin, ScaleBy, Turn

STEPS: StepRows = ((ChooseUnit,), (ScaleBy,), (Turn,), (Mirror,), (JudgeDimension,))

#: The origin is placed by what goes out, so it follows the routing.
AFTER_ROUTING: StepRows = ((PlaceOrigin,),)
