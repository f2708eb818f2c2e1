"""The step that folds the views of a drawing into space and makes the thing that they show."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import ClassVar, Literal

import msgspec
import numpy as np

from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import FormError
from syntaxa.form.asking import asked
from syntaxa.form.base import FormStep
from syntaxa.form.folding.model import ROLES, Method, Role
from syntaxa.form.folding.reading import FoundView, Reading
from syntaxa.form.folding.sheet import OnSheet, taking_part
from syntaxa.form.model import Frame, Space
from syntaxa.form.numbers import Numbers
from syntaxa.form.part import FoldedView, Folding, Formed
from syntaxa.form.telling import told
from syntaxa.geometry.types import Box, Floats

MethodChoice = Literal["auto", "first", "third"]

#: mm within which levels of different views are one, unless somebody says otherwise; by how much extents may differ.
TOLERANCE, _UNSAID = "0.25", 0.01

#: Seconds that a reading may take.
_LIMIT = 180.0

#: Names of the axes of space.
_AXES = ("Width", "Depth", "Height")

#: Colours of the sketches of views (0xRRGGBB).
_COLOURS: dict[Role, int] = {
    "front": 0x0E6B63, "top": 0x5A6B8C, "bottom": 0x5A6B8C, "right": 0x8C6B3A, "left": 0x8C6B3A,
}  # fmt: skip


class ViewBox(msgspec.Struct, frozen=True):
    """A view that somebody named: from where it looks, and a box round it on the sheet (mm)."""

    role: Role
    box: Box


class FoldViews(FormStep, frozen=True, tag="fold-views"):
    """Finds the views of the drawing, lays them on their planes, and makes a body of what they show.

    method    which projection; auto for the one that explains the views better
    boxes     views that are named by hand; then no others are looked for
    left_out  keys of proposals that are not wanted
    """

    method: MethodChoice = "auto"
    boxes: tuple[ViewBox, ...] = ()
    sketches: tuple[str, ...] = ()
    left_out: tuple[str, ...] = ()
    tolerance: str = TOLERANCE
    name: str = "Part"
    slot: ClassVar = "one"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        how = {"auto": "", "first": ", first angle", "third": ", third angle"}[self.method]
        named = f", {len(self.boxes)} views named" if self.boxes else ""
        left = f", {len(self.left_out)} proposals left out" if self.left_out else ""
        return f"Fold the views and make what they show{how}{named}{left}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing moves on the sheet: each view is some of its curves, on a plane of its own."""
        curves = on_sheet(state, self.sketches)
        reading = read(state, self, context)
        part, views = state.part(Formed), []
        for view in reading.views:
            for hidden in (False, True):
                roots = frozenset(curves[k].curve.root for k in view.curves if curves[k].hidden == hidden)
                if roots:
                    name = view_name(view.role, hidden)
                    views.append(FoldedView(name, roots, _COLOURS[view.role], hidden))
                    part = part.with_frame(name, frame_of(view, reading)).reaching(name, 0.0)
        sheet = frozenset(s.name for s in _sheet(state, self.sketches))
        found = tuple((v.role, v.box) for v in reading.views)
        folding = Folding(reading.method, reading.score, reading.says, found)
        part = replace(part, views=tuple(views), sheet=sheet, folding=folding)
        figures = asked(context, "figures", reading.solid, about="Measuring the part")
        part = part.with_new(self.name, reading.solid, figures)
        return told(state, part, "Views", "fold", says=[reading.says, *contradictions(reading)])


def _sheet(state: State, names: Sequence[str]) -> list[Sketch]:
    """The sketches that are on the sheet: some, or all that are to be made."""
    if not names:
        return list(state.profiles())
    found = [state.sketch(n) for n in names]
    if None in found:
        raise FormError(
            f"There is no sketch called “{names[found.index(None)]}”.", suggestion="Look what they are called."
        )
    return [s for s in found if s is not None]


def on_sheet(state: State, names: Sequence[str]) -> list[OnSheet]:
    """The curves that take part, of some sketches or of all that are to be made; raises FormError."""
    sketches = _sheet(state, names)
    layers = {layer.name: layer.line_type for t in state.taken for layer in t.drawing.layers}
    curves, _ = taking_part(sketches, layers)
    if len(curves) < 2:
        raise FormError("There is nothing to be folded.", suggestion="Take in a drawing with several views.")
    return curves


def read(state: State, step: FoldViews, context: Context) -> Reading:
    """What the views show; raises KernelError."""
    curves = on_sheet(state, step.sketches)
    methods: tuple[Method, ...] = ("third", "first") if step.method == "auto" else (step.method,)
    boxes = tuple((b.role, b.box) for b in step.boxes)
    found: Reading = asked(
        context, "views_read", tuple(c.curve.shape for c in curves), tuple(c.hidden for c in curves),
        tuple(c.curve.root for c in curves), Numbers(state).length(step.tolerance), methods, boxes, step.left_out,
        about="Reading the views", limit=_LIMIT,
    )  # fmt: skip
    return found


def _places(reading: Reading) -> Iterator[str]:
    """Where two views show one thing at two places."""
    for m in reading.misfits:
        where = ("from the left", "from the front", "from below")[m.axis]
        both = f"{m.at_one:.3f} mm in the {m.one} view, {m.at_other:.3f} mm in the {m.other} view"
        yield f"{where.capitalize()}, something lies at {both}."


def view_name(role: Role, hidden: bool = False) -> str:
    """What a view is called."""
    return f"{role.capitalize()} view{', hidden lines' if hidden else ''}"


def frame_of(view: FoundView, reading: Reading) -> Frame:
    """The plane of a view in space: its corner where the part's is, on the side that it was seen from."""
    u, v, axis, high_eye = ROLES[view.role]
    flips = (view.role == "left", view.role == "bottom")
    if reading.mirrored and view.role in ("right", "left"):
        flips = (not flips[0], flips[1])
    origin, x, y = np.zeros(3), np.zeros(3), np.zeros(3)
    x[u], y[v] = (-1.0 if flip else 1.0 for flip in flips)
    origin[u] = view.box[2] if flips[0] else -view.box[0]
    origin[v] = view.box[3] if flips[1] else -view.box[1]
    origin[axis] = reading.size[axis] if high_eye else 0.0
    return Frame(_space(origin), _space(x), _space(y))


def contradictions(reading: Reading) -> Iterator[str]:
    """Where two views give an extent of the part in two sizes, or show one thing at two places, with both."""
    for axis in range(3):
        sizes = [
            (view.role, view.box[2 + k] - view.box[k])
            for view in reading.views
            for k in (0, 1)
            if ROLES[view.role][k] == axis
        ]
        if len(sizes) == 2 and abs(sizes[0][1] - sizes[1][1]) > _UNSAID:
            (one, a), (other, b) = sizes
            both = f"{a:.3f} mm in the {one} view, {b:.3f} mm in the {other} view"
            yield f"{_AXES[axis]}: {both}; taken as {(a + b) / 2:.3f}."
    yield from _places(reading)


def _space(at: Floats) -> Space:
    x, y, z = (at + 0.0).tolist()
    return x, y, z
