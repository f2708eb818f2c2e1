"""The base of the steps of Define."""

from __future__ import annotations

from typing import ClassVar

from syntaxa.drawing.step import StageName, Step


class DefineStep(Step, frozen=True):
    """A step of this stage."""

    stage: ClassVar[StageName] = "define"
