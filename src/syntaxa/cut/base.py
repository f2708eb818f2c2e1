"""The base of the steps of Cut."""

from __future__ import annotations

from typing import ClassVar

from syntaxa.drawing.step import StageName, Step


class CutStep(Step, frozen=True):
    """A step of this stage."""

    stage: ClassVar[StageName] = "cut"
