"""The steps of Route, in the order in which they are done."""

from __future__ import annotations

from syntaxa.drawing.step import Step, StepRows
from syntaxa.route.edits import (
    BringBack,
    DeleteSketch,
    DuplicateSketch,
    ExcludeCurves,
    GiveRole,
    MakeGroup,
    MergeSketches,
    MoveCurves,
    OrderSketches,
    PlaceGroup,
    SetRolePen,
    SetSketch,
    Ungroup,
)
from syntaxa.route.steps import ChooseLayers, RouteBy

STEPS: StepRows = ((ChooseLayers,), (RouteBy,))

#: Those that are done by hand, as they were made.
BY_HAND: tuple[type[Step], ...] = (
    SetSketch, OrderSketches, MergeSketches, DuplicateSketch, DeleteSketch, MoveCurves, ExcludeCurves, BringBack,
    GiveRole, SetRolePen, MakeGroup, PlaceGroup, Ungroup,
)  # fmt: skip
