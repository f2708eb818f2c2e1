"""The steps of Define, in the order in which they are done: reading off and binding, then what is done by hand."""

from __future__ import annotations

from syntaxa.define.steps import (
    AddDimensions,
    BindDimensions,
    Constrain,
    Drag,
    HoldSketch,
    LetGo,
    ReadOff,
    Rename,
    SetDimension,
    SetParameter,
)
from syntaxa.drawing.step import StepRows

STEPS: StepRows = (
    (ReadOff,), (BindDimensions,),
    (SetDimension, AddDimensions, Constrain, LetGo, SetParameter, Rename, Drag, HoldSketch),
)  # fmt: skip
