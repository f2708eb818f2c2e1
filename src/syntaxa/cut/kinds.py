"""The steps of Cut, in the order in which they are done."""

from __future__ import annotations

from syntaxa.cut.sheets import NestParts
from syntaxa.cut.steps import (
    DropOperations,
    EditOperations,
    HoldTools,
    ListOperations,
    OrderCuts,
    SetMachine,
    SetOperation,
    SetPick,
    SetPlace,
    SetStock,
)
from syntaxa.drawing.step import StepRows

STEPS: StepRows = (
    (NestParts,),
    (SetMachine,),
    (SetStock,),
    (HoldTools, SetOperation, SetPick, EditOperations, DropOperations, ListOperations, SetPlace, OrderCuts),
)
