"""The steps of Measure: unit, scale, turning, mirroring, origin, and dimensions that do not count."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import ClassVar, Literal

from syntaxa.drawing.editing import Editing
from syntaxa.drawing.model import extents_of
from syntaxa.drawing.state import Entry, Placement, State
from syntaxa.drawing.step import QUIET, Context, Slot
from syntaxa.drawing.units import UNIT_NAMES, mm_per, scale_text
from syntaxa.errors import MeasureError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box
from syntaxa.measure.base import MeasureStep
from syntaxa.measure.marks import registration_mark
from syntaxa.measure.part import Judged

OriginMode = Literal["as-drawn", "lower-left", "centre", "point", "file-point", "curve-centre", "mark"]

#: The place of a source that is put somewhere: the origin of its file, or a place of what goes out of it.
OwnPlace = Literal["as-drawn", "lower-left", "centre", "point"]

#: About what is turned or mirrored: the origin as drawn, or the middle of everything.
About = Literal["origin", "centre"]

Verdict = Literal["wrong text", "not to scale"]


class ChooseUnit(MeasureStep, frozen=True, tag="choose-unit", omit_defaults=True):
    """Settles the unit of a source, and how many times larger the thing is than it is drawn."""

    unit: str
    source: int = 1
    page_scale: float = 1.0
    slot: ClassVar[Slot] = "one a source"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        of = "" if self.source == 1 else f" of source {self.source}"
        scale = "" if self.page_scale == 1 else f", {scale_text(self.page_scale)}"
        return f"Unit{of}: {UNIT_NAMES.get(self.unit, self.unit)}{scale}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Every curve takes the size that the unit gives it."""
        mm_per(self.unit)
        _checked(self.page_scale)
        return _told(state, state.with_unit(self.source, self.unit, self.page_scale), self.source)


class ScaleBy(MeasureStep, frozen=True, tag="scale-by", omit_defaults=True):
    """Scales everything about the origin as drawn.

    factor          by this; factor_y, if given, for Y apart (a scan that is skewed)
    width, height   if above 0, to this overall size (mm) instead; one alone keeps the proportions
    because         where the factor comes from, for the ledger
    """

    factor: float = 1.0
    factor_y: float | None = None
    width: float = 0.0
    height: float = 0.0
    because: str = ""
    slot: ClassVar[Slot] = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.width or self.height:
            sides = [f"{v:g} mm {name}" for v, name in ((self.width, "wide"), (self.height, "high")) if v]
            return f"Scale to {' and '.join(sides)}"
        apart = "" if self.factor_y in (None, self.factor) else f" in X and {self.factor_y:.9g} in Y"
        because = f" ({self.because})" if self.because else ""
        return f"Scale by {self.factor:.9g}{apart}{because}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Every curve grows by the factor."""
        across, up = self._factors(state)
        return _told(state, state.moved(Transform.scaling(_checked(across), _checked(up))))

    def _factors(self, state: State) -> tuple[float, float]:
        if not (self.width or self.height):
            return self.factor, self.factor if self.factor_y is None else self.factor_y
        box = state.extents()
        across = box[2] - box[0] if box else 0.0
        up = box[3] - box[1] if box else 0.0
        if (self.width and not across) or (self.height and not up):
            raise MeasureError("The drawing has no size to be scaled from.", suggestion="Scale it by a factor.")
        x = self.width / across if self.width else self.height / up
        return x, self.height / up if self.height else x


class Turn(MeasureStep, frozen=True, tag="turn", omit_defaults=True):
    """Turns everything by an angle (degrees, counter-clockwise)."""

    angle_deg: float
    about: About = "origin"
    because: str = ""
    slot: ClassVar[Slot] = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        because = f" ({self.because})" if self.because else ""
        return f"Turn by {self.angle_deg:.9g}° about the {self.about}{because}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Right angles are exact."""
        if not math.isfinite(self.angle_deg):
            raise MeasureError("The angle is no number.", suggestion="Type it in degrees.")
        return _told(state, state.moved(about(state, self.about, turning(self.angle_deg))))


class Mirror(MeasureStep, frozen=True, tag="mirror", omit_defaults=True):
    """Mirrors everything: left and right, or top and bottom, change places."""

    axis: Literal["left-right", "top-bottom"] = "left-right"
    about: About = "centre"
    slot: ClassVar[Slot] = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        sides = "left and right" if self.axis == "left-right" else "top and bottom"
        return f"Mirror {sides} about the {self.about}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Texts keep their reading direction."""
        flip = Transform.scaling(-1, 1) if self.axis == "left-right" else Transform.scaling(1, -1)
        return _told(state, state.moved(about(state, self.about, flip)))


class PlaceOrigin(MeasureStep, frozen=True, tag="place-origin", omit_defaults=True):
    """Puts the origin where the mode says.

    mode   "lower-left" and "centre" are those of what goes out: the origin follows what later steps make of it
    x, y   for "point" in mm as drawn, for "file-point" in the numbers of the first file
    curve  id of the curve whose centre it is, for "curve-centre"
    layer  that holds a cross, a circle or a point used for registration, for "mark"; it is put aside
    """

    mode: OriginMode
    x: float = 0.0
    y: float = 0.0
    curve: str = ""
    layer: str = ""
    slot: ClassVar[Slot] = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return {
            "as-drawn": "Origin as drawn",
            "lower-left": "Origin lower left",
            "centre": "Origin in the centre",
            "point": f"Origin at {self.x:g}, {self.y:g} mm",
            "file-point": f"Origin at {self.x:g}, {self.y:g} in the file's numbers",
            "curve-centre": f"Origin in the centre of #{self.curve}",
            "mark": f"Origin at the mark on {self.layer}",
        }[self.mode]

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Everything is moved so that the chosen place becomes 0, 0; a place of what goes out stays there."""
        if self.mode in ("lower-left", "centre"):
            return _told(state, replace(state, anchor=self.mode).anchored())
        drawn = replace(state, anchor="").shifted(Vector(0.0, 0.0))
        after, entry = _told(state, drawn.shifted(-self._place(drawn)))
        if self.mode == "mark":
            after, told = _without_layer(after, self.layer)
            entry = replace(entry, says=f"{entry.says}{told}")
        return after, entry

    @property
    def fits_others(self) -> bool:
        """A curve is named in one drawing only."""
        return self.mode != "curve-centre"

    def _place(self, state: State) -> Vector:
        if self.mode == "as-drawn":
            return Vector(0.0, 0.0)
        if self.mode in ("point", "file-point"):
            if not (math.isfinite(self.x) and math.isfinite(self.y)):
                raise MeasureError("The origin needs two numbers.", suggestion="Type X and Y.")
            typed = Point(self.x, self.y)
            return _from_zero(typed if self.mode == "point" else state.placement.unshifted.point(typed))
        if self.mode == "curve-centre":
            return self._centre(state)
        return _from_zero(registration_mark(state, self.layer))

    def _centre(self, state: State) -> Vector:
        shape = next((c.shape for c in state.curves() if c.id == self.curve), None)
        if not isinstance(shape, Circle | Arc | EllipseArc):
            raise MeasureError(f"Curve #{self.curve} has no centre.", suggestion="Choose a circle or an arc.")
        return _from_zero(shape.centre)


class PlaceSource(MeasureStep, frozen=True, tag="place-source", omit_defaults=True):
    """Places one source beside the others: turned and scaled about a place of its own, which then is put at x, y.

    own           the place: that of its file's origin, or lower left or centre of what goes out of it, as drawn
    own_x, own_y  the place for "point", mm as all is drawn (before the origin is placed)
    x, y          where the place goes, mm as all is drawn; None for where it is
    turn_deg      counter-clockwise
    scale         its lengths grow by this
    width         if above 0, how wide what goes out of it becomes instead, before it is turned
    """

    source: int = 1
    own: OwnPlace = "as-drawn"
    own_x: float = 0.0
    own_y: float = 0.0
    x: float | None = None
    y: float | None = None
    turn_deg: float = 0.0
    scale: float = 1.0
    width: float = 0.0
    slot: ClassVar[Slot] = "one a source"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        parts: list[str] = []
        if self.width:
            parts.append(f"{self.width:g} mm wide")
        elif self.scale != 1:
            parts.append(f"{self.scale:.9g} times")
        if self.turn_deg:
            parts.append(f"turned by {self.turn_deg:.9g}°")
        if self.x is not None and self.y is not None:
            place = {"as-drawn": "its origin", "lower-left": "its lower left", "centre": "its centre"}
            parts.append(f"{place.get(self.own, 'a point of it')} at {self.x:g}, {self.y:g} mm")
        return f"Place source {self.source}: {', '.join(parts) or 'as drawn'}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Every curve of the source goes along, the others stay."""
        numbers = (self.own_x, self.own_y, self.x or 0.0, self.y or 0.0, self.turn_deg, self.width)
        if not all(map(math.isfinite, numbers)):
            raise MeasureError("The place is no number.", suggestion="Type X and Y.")
        if all(t.number != self.source for t in state.taken):
            raise MeasureError(f"There is no source {self.source}.", suggestion="Choose one that the job has.")
        box = self._box(state)
        here = self._own_place(state, box)
        there = Vector(here.x if self.x is None else self.x, here.y if self.y is None else self.y)
        factor = self._factor(box)
        by = Transform.moving(-here).then(Transform.scaling(factor)).then(turning(self.turn_deg))
        after = state.placed_apart(self.source, by.then(Transform.moving(there)))
        if (factor, self.turn_deg % 360, there) == (1.0, 0.0, here):
            return after, Entry(0, says="Nothing had to change.")
        lengths = "no length changed" if factor == 1 else f"its lengths are {factor:.6g} times what they were"
        move = f"its place moved by {there.x - here.x:.6g}, {there.y - here.y:.6g} mm"
        return after, Entry(
            _curves_of(state, self.source), says=f"Of this source {move}; {lengths}. The others stayed."
        )

    def _box(self, state: State) -> Box | None:
        """What goes out of the source, as drawn; all of it where nothing goes out."""
        mine = [c for c in state.made_curves() if c.source == self.source]
        box = extents_of(mine or [c for c in state.curves() if c.source == self.source])
        if box is None:
            return None
        x, y = state.shift.x, state.shift.y
        return box[0] - x, box[1] - y, box[2] - x, box[3] - y

    def _own_place(self, state: State, box: Box | None) -> Vector:
        if self.own == "point":
            return Vector(self.own_x, self.own_y)
        if self.own == "as-drawn" or box is None:
            taken = next(t for t in state.taken if t.number == self.source)
            return _from_zero(state.placement_of(taken).unshifted.point(Point(0.0, 0.0)))
        if self.own == "lower-left":
            return Vector(box[0], box[1])
        return Vector((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)

    def _factor(self, box: Box | None) -> float:
        if not self.width:
            return _checked(self.scale)
        across = box[2] - box[0] if box else 0.0
        if not across:
            raise MeasureError("The source has no width to be scaled from.", suggestion="Scale it by a factor.")
        return _checked(self.width / across)


class JudgeDimension(MeasureStep, frozen=True, tag="judge-dimension", omit_defaults=True):
    """Says of dimensions that they do not count: their text is wrong, or they are not to scale; empty takes it back."""

    ids: tuple[str, ...]
    verdict: Verdict | Literal[""] = "wrong text"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        count = "a dimension" if len(self.ids) == 1 else f"{len(self.ids)} dimensions"
        return f"Mark {count}: {self.verdict}" if self.verdict else f"Take the mark off {count}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing moves."""
        known = {a.id for t in state.taken for a in t.drawing.annotations}
        judged = {**dict(state.part(Judged).verdicts), **dict.fromkeys(self.ids, self.verdict)}
        kept = tuple((name, why) for name, why in judged.items() if why and name in known)
        missing = tuple(name for name in self.ids if name not in known)
        says = "Nothing moves: the geometry is what counts."
        return state.with_part(Judged(kept)), Entry(len(self.ids) - len(missing), says=says, missing=missing)


def turning(angle_deg: float) -> Transform:
    """A rotation about the origin; multiples of a right angle without rounding."""
    quarter, rest = divmod(angle_deg % 360.0, 90.0)
    if rest:
        return Transform.rotating(math.radians(angle_deg))
    return (Transform(), Transform(0, 1, -1, 0), Transform(-1, 0, 0, -1), Transform(0, -1, 1, 0))[int(quarter) % 4]


def followed(before: State, after: State, entry: Entry) -> tuple[State, Entry]:
    """What a step made, with the origin where it belongs: a step that changes what goes out can take it along."""
    settled = after.anchored()
    if settled is after:
        return after, entry
    place = "lower left" if after.anchor == "lower-left" else "centre"
    told = f"The origin follows the {place} of what goes out: everything moved by {moved_text(before, settled)}."
    return settled, replace(entry, says=f"{entry.says} {told}".strip())


def moved_text(before: State, after: State) -> str:
    """How far the origin took everything, in X and Y."""
    return f"{after.shift.x - before.shift.x:.6g}, {after.shift.y - before.shift.y:.6g} mm"


def about(state: State, place: About, by: Transform) -> Transform:
    """The map about the origin as drawn, or about the middle of all curves (before the origin is placed)."""
    box = state.extents() if place == "centre" else None
    if box is None:
        return by
    middle = Vector((box[0] + box[2]) / 2 - state.shift.x, (box[1] + box[3]) / 2 - state.shift.y)
    return Transform.moving(-middle).then(by).then(Transform.moving(middle))


def _checked(factor: float) -> float:
    if not (math.isfinite(factor) and factor > 0):
        raise MeasureError(f"A scale of {factor:g} makes no sense.", suggestion="Use a factor above 0.")
    return factor


def _from_zero(p: Point) -> Vector:
    return Vector(p.x, p.y)


def _without_layer(state: State, layer: str) -> tuple[State, str]:
    """The curves of a layer put aside, and what is to be told of those that are locked."""
    editing = Editing(state)
    aside = editing.take_out({c.id for c in state.curves() if c.layer == layer})
    return replace(editing.done(), excluded=(*state.excluded, *aside)), editing.held_told


def _told(before: State, after: State, source: int = 1) -> tuple[State, Entry]:
    """The new state, and a sentence about what became of the lengths and places."""
    old, new = (_placement(state, source) for state in (before, after))
    of_one = (old.unit, old.page_scale) != (new.unit, new.page_scale)
    changed = 0 if old == new else _curves_of(before, source if of_one else None)
    if old == new:
        says = "Nothing had to change."
    elif (old.unit, old.page_scale, old.by) == (new.unit, new.page_scale, new.by):
        says = f"Everything moved together by {moved_text(before, after)}."
    elif math.isclose(old.mm_per_unit, new.mm_per_unit, rel_tol=HAIR):
        says = "Everything moved together; no length changed."
    elif new.by.is_similarity or not old.by.is_similarity:
        whose = "Lengths of this source" if of_one and len(before.taken) > 1 else "Lengths"
        says = f"{whose} are {new.mm_per_unit / old.mm_per_unit:.6g} times what they were."
    else:
        across, up = (math.hypot(*row) for row in ((new.by.a, new.by.b), (new.by.c, new.by.d)))
        says = f"Widths are {across / old.by.scale:.6g} and heights {up / old.by.scale:.6g} times what they were."
    return after, Entry(changed, says=says)


def _curves_of(state: State, source: int | None) -> int:
    """How many curves the sketches have of one source, or of all."""
    return sum(source in (None, c.source) for c in state.curves())


def _placement(state: State, source: int) -> Placement:
    taken = next((t for t in state.taken if t.number == source), None)
    return state.placement if taken is None else state.placement_of(taken)
