"""The step of Intake: what is taken of a source, and how it is read."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from typing import ClassVar, Literal

import msgspec

from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.names import Names, own_id
from syntaxa.drawing.state import Entry, State, Taken
from syntaxa.drawing.step import QUIET, Context, Slot
from syntaxa.geometry.clip import box_area, clipped, lies_within
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.types import Box
from syntaxa.intake.base import IntakeStep
from syntaxa.intake.model import PLAIN, ReadOptions

BoxMode = Literal["inside", "touching", "cut"]


#: Kinds that can be taken or left: curves, and each kind of annotation.
KINDS = ("curves", "text", "dimension", "hatch", "point", "image", "construction", "leader")


class TakeIn(IntakeStep, frozen=True, tag="take-in", omit_defaults=True):
    """What is taken of a source.

    source       its number in the job
    read         how its bytes are read
    skip_kinds   kinds (see KINDS) that are left
    skip_hidden  leaves layers that the author had switched off or frozen
    left_out     layers that are left; `only`, if given, names the layers to take instead
    dissolve     forgets which block a curve came in with
    box          part of the drawing, (xmin, ymin, xmax, ymax) in the file's own numbers, taken as box_mode says
    ids          curves that are taken, None for all; both counts, with the box
    into         the one sketch that the curves go to; empty for a sketch a layer
    """

    source: int = 1
    read: ReadOptions = PLAIN
    skip_kinds: tuple[str, ...] = ()
    skip_hidden: bool = False
    left_out: tuple[str, ...] = ()
    only: tuple[str, ...] | None = None
    dissolve: bool = False
    box: Box | None = None
    box_mode: BoxMode = "inside"
    ids: tuple[str, ...] | None = None
    into: str = ""
    slot: ClassVar[Slot] = "one a source"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        what = "Take in" if self.source == 1 else f"Take in source {self.source}"
        return f"{what}: {', '.join(self._choices()) or 'everything'}"

    def _choices(self) -> list[str]:
        said = []
        if self.read.layout:
            said.append(f"layout {self.read.layout}")
        if self.read.page != 1:
            said.append(f"page {self.read.page}")
        if self.only is not None:
            said.append(f"{len(self.only)} layers" if len(self.only) != 1 else f"layer {self.only[0]}")
        if self.left_out:
            said.append(
                f"{len(self.left_out)} layers left" if len(self.left_out) != 1 else f"without {self.left_out[0]}"
            )
        if self.skip_kinds:
            said.append(f"no {', '.join(self.skip_kinds)}")
        if self.skip_hidden:
            said.append("nothing hidden")
        if self.box is not None:
            said.append("a part")
        if self.ids is not None:
            said.append(f"{len(self.ids)} curves")
        if self.read != msgspec.structs.replace(PLAIN, layout=self.read.layout, page=self.read.page):
            said.append("read as chosen")
        return said

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The source becomes what was chosen of it; its own choices in reading were made before."""
        taken = tuple(self._taken(t) if t.number == self.source else t for t in state.taken)
        before = sum(len(t.drawing.curves) for t in state.taken)
        after = sum(len(t.drawing.curves) for t in taken)
        mine = next((t for t in state.taken if t.number == self.source), None)
        known = set() if mine is None else {layer.name for layer in mine.drawing.layers}
        missing = tuple(n for n in (*self.left_out, *(self.only or ())) if n not in known)
        return replace(state, taken=taken), Entry(
            abs(before - after), says=f"{after} of {before} curves.", missing=missing
        )

    def _taken(self, taken: Taken) -> Taken:
        drawing = chosen_of(taken.drawing, self)
        return replace(taken, drawing=drawing, into=self.into)

    def keeps(self) -> Callable[[str, str], bool]:
        """Whether a thing of a kind ("curves", "text"...) on a layer is taken."""
        only = None if self.only is None else frozenset(self.only)
        left_out, skipped = frozenset(self.left_out), frozenset(self.skip_kinds)

        def keep(kind: str, layer: str) -> bool:
            return kind not in skipped and layer not in left_out and (only is None or layer in only)

        return keep


def chosen_of(drawing: Drawing, choice: TakeIn) -> Drawing:
    """The part of a drawing that a choice takes."""
    hidden = frozenset(x.name for x in drawing.layers if not x.shown) if choice.skip_hidden else frozenset()
    keep = choice.keeps()
    ids = None if choice.ids is None else frozenset(own_id(name, choice.source) for name in choice.ids)
    curves = [
        c for c in drawing.curves if keep("curves", c.layer) and c.layer not in hidden and (ids is None or c.id in ids)
    ]
    annotations = [a for a in drawing.annotations if keep(a.kind, a.layer) and a.layer not in hidden]
    if choice.box is not None:
        names = Names(c.id for c in drawing.curves)
        curves = [part for c in curves for part in _in_box(c, choice.box, choice.box_mode, names)]
        annotations = [a for a in annotations if _meets(a, choice.box)]
    if choice.dissolve:
        curves = [replace(c, block="") if c.block else c for c in curves]
    left = hidden | set(choice.left_out)
    layers = [x for x in drawing.layers if x.name not in left and (choice.only is None or x.name in choice.only)]
    return replace(drawing, curves=tuple(curves), annotations=tuple(annotations), layers=tuple(layers))


def _in_box(curve: Curve, box: Box, mode: BoxMode, names: Names) -> list[Curve]:
    """The curve, its parts, or nothing, as a box takes it."""
    if mode == "inside":
        x, y, u, v = bounds(curve.shape)
        return [curve] if box[0] <= x and box[1] <= y and u <= box[2] and v <= box[3] else []
    area = box_area(box)
    if lies_within(curve.shape, area):
        return [curve]
    pieces = clipped(curve.shape, area)
    if mode == "touching":
        return [curve] if pieces else []
    return curve.pieces([names.free(f"{curve.id}.{k + 1}") for k in range(len(pieces))], pieces)


def _meets(annotation: Annotation, box: Box) -> bool:
    x, y, u, v = annotation.box()
    middle = (x + u) / 2, (y + v) / 2
    return box[0] <= middle[0] <= box[2] and box[1] <= middle[1] <= box[3]


class TakeOver(IntakeStep, frozen=True, tag="take-over"):
    """Records that a file that had changed on disk was taken over; the job holds the new one, so nothing is left to do.

    changed   curves that were added, removed, moved or changed
    says      the same in words
    """

    source: int
    changed: int
    says: str
    is_record: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Take over the changed source {self.source}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing is left to be done."""
        return state, Entry(self.changed, says=f"{self.says}.")
