"""The base of the steps of Form."""

from __future__ import annotations

from typing import ClassVar

from syntaxa.drawing.step import StageName, Step


class FormStep(Step, frozen=True):
    """A step of this stage."""

    stage: ClassVar[StageName] = "form"
