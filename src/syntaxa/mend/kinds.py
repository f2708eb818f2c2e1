"""The steps of Mend; all of them are done among the others by hand, as they were made."""

from __future__ import annotations

from syntaxa.drawing.step import Step
from syntaxa.mend.by_hand import CutCurve, DrawCurves, JoinCurves, LockCurves, MapCurves, OffsetCurves, RoundCorner
from syntaxa.mend.reshape import ArcsForCurves, RunOnTangent, Simplify, SquareUp
from syntaxa.mend.steps import LeaveFindings, MendFindings, RefitFacets

BY_HAND: tuple[type[Step], ...] = (
    MendFindings, RefitFacets, LeaveFindings, ArcsForCurves, RunOnTangent, SquareUp, Simplify, DrawCurves, MapCurves,
    CutCurve, RoundCorner, OffsetCurves, JoinCurves, LockCurves,
)  # fmt: skip
