"""The base of the steps of Intake."""

from __future__ import annotations

from typing import ClassVar

from syntaxa.drawing.step import StageName, Step


class IntakeStep(Step, frozen=True):
    """A step of this stage."""

    stage: ClassVar[StageName] = "intake"
