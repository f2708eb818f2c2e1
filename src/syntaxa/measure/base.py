"""The base of the steps of Measure."""

from __future__ import annotations

from typing import ClassVar

from syntaxa.drawing.step import StageName, Step


class MeasureStep(Step, frozen=True):
    """A step of this stage."""

    stage: ClassVar[StageName] = "measure"
