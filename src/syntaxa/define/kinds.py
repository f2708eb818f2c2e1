"""The steps of Define, in the order in which they are done.

What is held whole comes first, so that nothing is read off there; then reading off, binding, and what is done by hand.
"""

from __future__ import annotations

from syntaxa.define.holding import Constrain, HoldSketch, LetGo, SwitchConstraint
from syntaxa.define.sizes import SetVariants
from syntaxa.define.steps import (
    AddDimensions,
    BindDimensions,
    Drag,
    PlaceDimension,
    ReadOff,
    Rename,
    SetDimension,
    SetParameter,
)
from syntaxa.drawing.step import StepRows

STEPS: StepRows = (
    (HoldSketch,), (ReadOff,), (BindDimensions,),
    (SetDimension, AddDimensions, PlaceDimension, Constrain, SwitchConstraint, LetGo, SetParameter, Rename, Drag),
    (SetVariants,),
)  # fmt: skip
