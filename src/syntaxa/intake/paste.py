"""Curves copied from one job and put down in another, in mm, with what is known of their unit."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from syntaxa.drawing.codec import PlainCurve, curve_of, plain_of
from syntaxa.drawing.editing import Editing, names_of
from syntaxa.drawing.model import Curve, extents_of
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.drawing.units import UNIT_NAMES
from syntaxa.errors import IntakeError
from syntaxa.geometry.points import Point
from syntaxa.geometry.transform import Transform
from syntaxa.intake.base import IntakeStep

FORMAT = "syntaxa.curves/1"

#: What is pasted is worth a question where it is this many times larger or smaller than what is there.
_SUSPICIOUS = 20.0


class CopiedCurves(msgspec.Struct, frozen=True):
    """What the clipboard holds: curves in mm, the point that goes to where is clicked, and the unit they were in.

    certain says whether that unit was declared by the file or chosen by the user, not only proposed.
    """

    format: str
    curves: tuple[PlainCurve, ...]
    base: tuple[float, float]
    unit: str
    certain: bool
    job: str


def copied(curves: Sequence[Curve], unit: str, certain: bool, job: str) -> CopiedCurves:
    """Curves for the clipboard; their base point is the lower left corner of their extents."""
    box = extents_of(curves) or (0.0, 0.0, 0.0, 0.0)
    return CopiedCurves(FORMAT, tuple(plain_of(c) for c in curves), (box[0], box[1]), unit, certain, job)


def to_text(content: CopiedCurves) -> bytes:
    """The content of the clipboard."""
    return msgspec.json.encode(content)


def from_text(data: bytes) -> CopiedCurves:
    """The content again; raises IntakeError where it is something else."""
    try:
        content = msgspec.json.decode(data, type=CopiedCurves)
        for curve in content.curves:
            curve_of(curve)
    except (msgspec.MsgspecError, ValueError):
        raise IntakeError("The clipboard holds no curves.", suggestion="Copy some in a job first.") from None
    if content.format != FORMAT or not content.curves:
        raise IntakeError("The clipboard holds no curves.", suggestion="Copy some in a job first.")
    return content


def unit_question(content: CopiedCurves, here: State) -> str:
    """What should be asked about the unit before the curves are put down; empty where nothing is odd."""
    box = extents_of(curve_of(c) for c in content.curves)
    there = here.extents()
    if box is None:
        return ""
    size = max(box[2] - box[0], box[3] - box[1])
    told = f"They are {size:.4g} mm large, taken as {UNIT_NAMES.get(content.unit, content.unit)} in “{content.job}”"
    if not content.certain:
        return f"{told}, where nobody has settled the unit yet."
    own = max(there[2] - there[0], there[3] - there[1]) if there else 0.0
    if own and size and not 1 / _SUSPICIOUS <= size / own <= _SUSPICIOUS:
        return f"{told}; what is here is {own:.4g} mm large. One of the two may be in the wrong unit."
    return ""


class PasteCurves(IntakeStep, frozen=True, tag="paste-curves"):
    """Puts copied curves (mm) down with their base point at x, y (mm), in a sketch of that name."""

    curves: tuple[PlainCurve, ...]
    base: tuple[float, float]
    x: float
    y: float
    into: str
    origin: str = ""

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        things = "1 curve" if len(self.curves) == 1 else f"{len(self.curves)} curves"
        return f"Paste {things} from {self.origin}" if self.origin else f"Paste {things}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The curves join their sketch; ids that are taken get another."""
        move = Transform.moving(Point(self.x, self.y) - Point(*self.base))
        try:
            curves = [curve_of(c) for c in self.curves]
        except ValueError:
            raise IntakeError("The curves that were pasted cannot be read.", suggestion="Copy them again.") from None
        names = names_of(state)
        editing = Editing(state)
        placed = [c.copied(names.free(f"paste-{c.id}"), c.shape.transformed(move)) for c in curves]
        editing.put(self.into, placed)
        says = f"{len(placed)} curves were added to “{self.into}”."
        return editing.done(), Entry(len(placed), says=says)
