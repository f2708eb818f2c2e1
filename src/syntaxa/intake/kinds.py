"""The steps of Intake, in the order in which they are done."""

from __future__ import annotations

from syntaxa.drawing.step import Step, StepRows
from syntaxa.intake.paste import PasteCurves
from syntaxa.intake.steps import TakeIn, TakeOver

STEPS: StepRows = ((TakeIn,), (TakeOver,))

#: Those that are done among the others by hand, as they were made.
BY_HAND: tuple[type[Step], ...] = (PasteCurves,)
