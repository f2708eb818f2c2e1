"""The step that lays parts and copies of them on sheets, each sheet a sketch of its own beside the drawing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import TYPE_CHECKING, ClassVar

import msgspec

from syntaxa.cut.base import CutStep
from syntaxa.cut.model import Turning, Way
from syntaxa.cut.part import Copied, Planned
from syntaxa.drawing.model import Curve, placed_curves
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import CutError
from syntaxa.geometry.points import Vector
from syntaxa.geometry.transform import Transform

if TYPE_CHECKING:
    from syntaxa.cut.contours import Contours
    from syntaxa.cut.nesting import Laid

#: mm between sheets as they are laid beside each other.
_APART = 25.0


class NestParts(CutStep, frozen=True, tag="nest-parts"):
    """Copies of all parts on sheets of a size (mm): sketches “Sheet 1” and so on; what they were copied from only
    helps then.

    copies  of every part; some  (sketch, copies) where it is another number; turning  "half" keeps the grain
    """

    sheet: tuple[float, float]
    copies: int = 1
    some: tuple[tuple[str, int], ...] = ()
    gap: float = 5.0
    margin: float = 5.0
    turning: Turning = "quarters"
    way: Way = "shape"
    slot: ClassVar = "one"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Nest on sheets of {self.sheet[0]:g} x {self.sheet[1]:g} mm"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Raises CutError where a part is larger than a sheet, or nothing is closed."""
        del context
        if not (0 < self.sheet[0] < 1e5 and 0 < self.sheet[1] < 1e5 and 0 <= self.gap < 1e4 and 0 <= self.margin < 1e4):
            raise CutError("The sheet, its margin or the gap makes no sense.", suggestion="Give lengths in mm.")
        # Steps are known from the start; what does them is loaded when one is done.
        from syntaxa.cut.contours import contours_of
        from syntaxa.cut.nesting import nested

        contours = contours_of(state)
        outer = [k for k, c in enumerate(contours.contours) if c.bounds == "outer" and not c.depth]
        if not outer:
            raise CutError("Nothing is closed, so nothing can be nested.", suggestion="Mend it first.")
        counts = [dict(self.some).get(contours.contours[k].sketch, self.copies) for k in outer]
        if any(c < 0 for c in counts):
            raise CutError("There cannot be fewer than no copies.")
        rows = [contours.contours[k].rows for k in outer]
        laid = nested(rows, counts, self.sheet, self.gap, self.margin, self.turning, self.way)
        return self._with_sheets(state, contours, outer, laid)

    def _with_sheets(
        self, state: State, contours: Contours, outer: Sequence[int], laid: Sequence[Laid]
    ) -> tuple[State, Entry]:
        from syntaxa.cut.nesting import waste

        members = _members(state, contours, outer)
        box = contours.box or (0.0, 0.0, 0.0, 0.0)
        names = Names(c.id for c in (*state.curves(), *(x.curve for x in state.excluded)))
        copied: list[Copied] = []
        sheets: list[list[Curve]] = [[] for _ in range(1 + max((one.sheet for one in laid), default=-1))]
        corners = [(box[0] + k * (self.sheet[0] + _APART), box[3] + 2 * _APART) for k in range(len(sheets))]
        for one in laid:
            x, y = corners[one.sheet]
            by = Transform.rotating(one.turn).then(Transform.moving(Vector(one.x + x, one.y + y)))
            copies = tuple(
                replace(c, id=names.numbered("nested"), descent=(), locked=False) for _, c in members[one.part]
            )
            copied += [
                Copied(new.root, of, old.root, by) for new, (of, old) in zip(copies, members[one.part], strict=True)
            ]
            sheets[one.sheet] += placed_curves(copies, by, names)
        taken = {s.name for s in state.sketches}
        made = [Sketch(_free(f"Sheet {k + 1}", taken), 0x0E6B63, tuple(curves)) for k, curves in enumerate(sheets)]
        helping = tuple(replace(s, purpose="construction") if s.purpose == "profile" else s for s in state.sketches)
        areas = [contours.parts[contours.contours[k].part].area for k in outer]
        lost = waste(areas, laid, self.sheet)
        plan = state.part(Planned)
        boxes = tuple(
            (s.name, (x, y, x + self.sheet[0], y + self.sheet[1])) for s, (x, y) in zip(made, corners, strict=True)
        )
        planned = replace(plan, sheets=boxes, copied=tuple(copied), wasted=lost)
        after = replace(state, sketches=(*helping, *made)).with_part(planned)
        parts = "1 part" if len(laid) == 1 else f"{len(laid)} parts"
        on = "1 sheet" if len(made) == 1 else f"{len(made)} sheets"
        says = f"{parts} on {on}; {lost:.1%} is waste."
        return after, Entry(sum(len(s.curves) for s in made), says=says)


def on_sheet(state: State, name: str) -> State:
    """The job as one sheet of it is cut: its own stock, and nothing but what lies on it; all of it without a name."""
    if not name:
        return state
    plan = state.part(Planned)
    return state.with_part(replace(plan, stock=msgspec.structs.replace(plan.stock, sketch=name)))


def _members(state: State, contours: Contours, outer: Sequence[int]) -> list[list[tuple[str, Curve]]]:
    """The curves of each part with their sketches: its outline, and all that lies in it.

    A curve that other parts are bounded by as well, or that goes on beyond the part, comes in as much of it as is the
    part's own.
    """
    from syntaxa.cut.contours import stretches_of

    numbers = {k: at for at, k in enumerate(outer)}
    holder = [numbers.get(_top(contours, k), -1) for k in range(len(contours.contours))]
    users: dict[tuple[str, int], set[int]] = {}
    for contour, at in zip(contours.contours, holder, strict=True):
        for k in contour.along[1].tolist():
            users.setdefault((contour.sketch, k), set()).add(at)
    curves = {sketch.name: sketch.curves for sketch in state.profiles()}
    members: list[list[tuple[str, Curve]]] = [[] for _ in outer]
    shared = {curve for curve, parts in users.items() if len(parts) > 1}
    for (name, k), parts in users.items():
        for at in parts - {-1} if (name, k) not in shared else ():
            members[at].append((name, curves[name][k]))
    for contour, at in zip(contours.contours, holder, strict=True):
        if at >= 0 and any((contour.sketch, k) in shared for k in contour.along[1].tolist()):
            members[at] += [
                (contour.sketch, replace(curves[contour.sketch][k], shape=shape))
                for k, shape in stretches_of(contour)
                if (contour.sketch, k) in shared
            ]
    return members


def _top(contours: Contours, k: int) -> int:
    """The outermost contour that holds one."""
    while contours.contours[k].parent >= 0:
        k = contours.contours[k].parent
    return k


def _free(name: str, taken: set[str]) -> str:
    found = (
        name if name not in taken else next(n for k in range(2, len(taken) + 3) if (n := f"{name} ({k})") not in taken)
    )
    taken.add(found)
    return found
