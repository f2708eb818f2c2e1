"""The steps of Measure, in the order in which they are done."""

from __future__ import annotations

from syntaxa.drawing.step import StepRows
from syntaxa.measure.steps import ChooseUnit, JudgeDimension, Mirror, PlaceOrigin, PlaceSource, ScaleBy, Turn

STEPS: StepRows = ((ChooseUnit,), (ScaleBy,), (Turn,), (Mirror,), (JudgeDimension,))

#: Sources and the origin are placed by what goes out, so they follow the routing.
AFTER_ROUTING: StepRows = ((PlaceSource,), (PlaceOrigin,))
