"""What a job has come to after a step: the drawings that were taken in, where they are placed, and the sketches."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from typing import Literal, Self, TypeVar

from syntaxa.drawing.annotations import union_of
from syntaxa.drawing.model import Curve, Drawing, extents_of, placed_curves
from syntaxa.drawing.names import Names
from syntaxa.drawing.units import mm_per
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Box

#: Distance from the origin (mm), and share of the coordinates, that is none: it is left by rounding.
_AT_ORIGIN = 1e-9
_ROUNDED = 1e-12

#: What a sketch is there for: to be made, to help drawing, or to be looked at.
Purpose = Literal["profile", "construction", "reference"]

#: Places by which what goes out is put at the origin; empty where the origin does not go by them.
Anchor = Literal["", "lower-left", "centre"]

#: Views that a plane can be in; side is seen from the right.
PlaneView = Literal["top", "front", "side"]


@dataclass(frozen=True, slots=True)
class Plane:
    """Where a sketch lies in space: one of three views, moved along its normal (mm) and turned in itself (radians)."""

    view: PlaneView = "top"
    offset: float = 0.0
    turn: float = 0.0

    def in_space(self, p: Point) -> tuple[float, float, float]:
        """A point of the sketch in space (mm), x to the right, y to the back and z up."""
        u = p.x * math.cos(self.turn) - p.y * math.sin(self.turn)
        v = p.x * math.sin(self.turn) + p.y * math.cos(self.turn)
        if self.view == "front":
            return u, -self.offset, v
        if self.view == "side":
            return self.offset, u, v
        return u, v, self.offset

    def __str__(self) -> str:
        parts: list[str] = [self.view]
        if self.offset:
            parts.append(f"{self.offset:+g} mm")
        if self.turn:
            parts.append(f"turned {math.degrees(self.turn):g}°")
        return " ".join(parts)


@dataclass(frozen=True, slots=True)
class Pen:
    """How a sketch or role goes out: colour as 0xRRGGBB, weight in mm, line type and layer; None or empty for plain."""

    colour: int | None = None
    weight: float | None = None
    line_type: str = ""
    layer: str = ""


@dataclass(frozen=True, slots=True)
class Sketch:
    """Curves that belong together, in mm; goes out as one layer. Colour as 0xRRGGBB.

    locked  nothing in it is mended, moved or given away
    """

    name: str
    colour: int
    curves: tuple[Curve, ...]
    purpose: Purpose = "profile"
    plane: Plane = Plane()
    locked: bool = False
    notes: str = ""
    pen: Pen = Pen()
    _extents: tuple[Box | None, ...] = field(default=(), init=False, repr=False, compare=False)

    def extents(self) -> Box | None:
        """Bounding box (xmin, ymin, xmax, ymax) in mm of its curves, worked out once; None where there are none."""
        if not self._extents:
            object.__setattr__(self, "_extents", (extents_of(self.curves),))
        return self._extents[0]


@dataclass(frozen=True, slots=True)
class Excluded:
    """A curve that was put aside, and the sketch that it came from."""

    curve: Curve
    sketch: str


@dataclass(frozen=True)
class Part:
    """What one stage keeps in the state for itself and for those after it; each kind is there at most once.

    Whatever it names of the drawing it names by roots (`drawing/descent.py`), which stay true when curves are cut and
    get other ids; whatever it holds in mm follows in `carried`.
    """

    def carried(self, by: Transform) -> Self:
        """The same after everything was mapped (mm to mm)."""
        del by
        return self

    def bytes_beside(self, before: Part) -> int:
        """About how much memory it takes beside what the stage kept before: what both have costs nothing."""
        del before
        return 0


AnyPart = TypeVar("AnyPart", bound=Part)


@dataclass(frozen=True, slots=True)
class Placement:
    """How the numbers of a file become mm: its unit and the scale of its page, a map of all, one of its own, one shift.

    by     mm to mm, the same for all sources
    own    mm to mm after that, of this source alone
    shift  mm, the same for all sources
    """

    unit: str = "mm"
    page_scale: float = 1.0
    by: Transform = Transform()  # noqa: RUF009  frozen, so one for all is right
    shift: Vector = Vector(0.0, 0.0)  # noqa: RUF009  frozen, so one for all is right
    own: Transform = Transform()  # noqa: RUF009  frozen, so one for all is right

    @property
    def factor(self) -> float:
        """Factor by which lengths grow beside the unit."""
        return self.by.scale * self.page_scale * self.own.scale

    @property
    def mm_per_unit(self) -> float:
        """Factor from the file's numbers to mm."""
        return mm_per(self.unit) * self.factor

    @property
    def unshifted(self) -> Transform:
        """The map from the file's numbers to mm, before the origin was placed."""
        return Transform.scaling(mm_per(self.unit) * self.page_scale).then(self.by).then(self.own)

    @property
    def transform(self) -> Transform:
        """The map from the file's numbers to mm."""
        return self.unshifted.then(Transform.moving(self.shift))


@dataclass(frozen=True, slots=True)
class Taken:
    """What was taken in of one source, in its own numbers.

    number      of the source in its job; the first is 1
    page_scale  how many times larger the thing is than it is drawn
    into        the one sketch that all its curves go to; empty for a sketch a layer
    own         how it is placed beside the other sources (mm to mm, before the origin is placed)
    """

    number: int
    name: str
    drawing: Drawing
    unit: str = "mm"
    into: str = ""
    page_scale: float = 1.0
    own: Transform = Transform()  # noqa: RUF009  frozen, so one for all is right


@dataclass(frozen=True, slots=True)
class State:
    """What the steps so far have made.

    taken     the drawings taken in
    by        scaling, turning and mirroring of all of them (mm to mm)
    shift     where the origin went, after that (mm)
    anchor    the place of what goes out that the origin stays at, whatever becomes of it
    excluded  curves put aside
    parts     what the stages keep for themselves, one of a kind
    """

    taken: tuple[Taken, ...] = ()
    by: Transform = Transform()  # noqa: RUF009  frozen, so one for all is right
    shift: Vector = Vector(0.0, 0.0)  # noqa: RUF009  frozen, so one for all is right
    anchor: Anchor = ""
    sketches: tuple[Sketch, ...] = ()
    excluded: tuple[Excluded, ...] = ()
    parts: tuple[Part, ...] = ()

    @classmethod
    def of(cls, drawing: Drawing, unit: str = "mm") -> State:
        """The state of a single source before any step, without sketches."""
        return cls((Taken(1, "", drawing, unit),))

    def part(self, kind: type[AnyPart]) -> AnyPart:
        """What a stage keeps; an empty one where it keeps nothing yet."""
        for one in self.parts:
            if isinstance(one, kind):
                return one
        return kind()

    def with_part(self, part: Part) -> State:
        """The state with what a stage keeps instead of what it kept."""
        return replace(self, parts=(*(p for p in self.parts if type(p) is not type(part)), part))

    def made_curves(self) -> list[Curve]:
        """The curves of all sketches that are there to be made."""
        return [c for sketch in self.profiles() for c in sketch.curves]

    @property
    def placement(self) -> Placement:
        """How the first source is placed."""
        return self.placement_of(self.taken[0]) if self.taken else Placement("mm", 1.0, self.by, self.shift)

    def placement_of(self, taken: Taken) -> Placement:
        """How a source is placed: its own unit and place, the map and shift of all."""
        return Placement(taken.unit, taken.page_scale, self.by, self.shift, taken.own)

    def received(self) -> Drawing:
        """Everything that was taken in, placed, in mm."""
        placed = [t.drawing.transformed(self.placement_of(t).transform) for t in self.taken]
        if len(placed) == 1:
            return placed[0]
        layers = {layer.name: layer for d in reversed(placed) for layer in d.layers}
        return Drawing(
            tuple(c for d in placed for c in d.curves),
            tuple(layers[name] for name in dict.fromkeys(layer.name for d in placed for layer in d.layers)),
            tuple(a for d in placed for a in d.annotations),
            tuple(m for d in placed for m in d.meshes),
            sum(d.blocks for d in placed),
        )

    def layers(self) -> Iterator[str]:
        """Names of all layers of all sources, each once."""
        yield from dict.fromkeys(
            n for t in self.taken for n in (*(x.name for x in t.drawing.layers), *_used(t.drawing))
        )

    def curves(self) -> Iterator[Curve]:
        """All curves of all sketches."""
        for sketch in self.sketches:
            yield from sketch.curves

    def extents(self) -> Box | None:
        """Bounding box (xmin, ymin, xmax, ymax) in mm of all curves of all sketches; None where there are none."""
        return union_of(s.extents() for s in self.sketches)

    def made_extents(self) -> Box | None:
        """The same of the sketches that are there to be made."""
        return union_of(s.extents() for s in self.profiles())

    def sketch(self, name: str) -> Sketch | None:
        """The sketch of a name."""
        return next((s for s in self.sketches if s.name == name), None)

    def profiles(self) -> tuple[Sketch, ...]:
        """The sketches that are there to be made."""
        return tuple(s for s in self.sketches if s.purpose == "profile")

    def with_unit(self, number: int, unit: str, page_scale: float = 1.0) -> State:
        """One source in another unit: its curves are taken along, wherever they are by now."""
        old = next((t for t in self.taken if t.number == number), None)
        if old is None or (old.unit, old.page_scale) == (unit, page_scale):
            return self
        growth = mm_per(unit) * page_scale / (mm_per(old.unit) * old.page_scale)
        zero = self.placement_of(old).transform.point(Point(0.0, 0.0))
        move = Transform(a=growth, d=growth, e=zero.x - growth * zero.x, f=zero.y - growth * zero.y)
        changed = replace(old, unit=unit, page_scale=page_scale)
        taken = tuple(changed if t.number == number else t for t in self.taken)
        return replace(self, taken=taken)._carried(move, number)

    def moved(self, by: Transform) -> State:
        """Everything under one more map (mm as drawn, before the origin is placed)."""
        there, back = Transform.moving(-self.shift), Transform.moving(self.shift)
        inverse = by.inverse()
        taken = tuple(replace(t, own=inverse.then(t.own).then(by)) if t.own != Transform() else t for t in self.taken)
        return replace(self, by=self.by.then(by), taken=taken)._carried(there.then(by).then(back), None)

    def placed_apart(self, number: int, by: Transform) -> State:
        """One source under one more map of its own (mm as drawn, before the origin is placed)."""
        there, back = Transform.moving(-self.shift), Transform.moving(self.shift)
        taken = tuple(replace(t, own=t.own.then(by)) if t.number == number else t for t in self.taken)
        return replace(self, taken=taken)._carried(there.then(by).then(back), number)

    def shifted(self, shift: Vector) -> State:
        """The origin placed anew: everything is moved by the difference."""
        step = Vector(shift.x - self.shift.x, shift.y - self.shift.y)
        return replace(self, shift=shift)._carried(Transform.moving(step), None)

    def anchored(self) -> State:
        """Everything moved so that the anchor of what goes out is at the origin; the very same where it is there.

        Where nothing goes out, all curves of all sketches take its place.
        """
        box = (self.made_extents() or self.extents()) if self.anchor else None
        if box is None:
            return self
        low = self.anchor == "lower-left"
        x, y = (box[0], box[1]) if low else ((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)
        if max(abs(x), abs(y)) <= _AT_ORIGIN + _ROUNDED * max(map(abs, box)):
            return self
        return self.shifted(Vector(self.shift.x - x, self.shift.y - y))

    def _carried(self, by: Transform, number: int | None) -> State:
        """Curves mapped, those of one source or all; what the stages keep follows where all are."""

        names = Names() if by.is_similarity else Names(c.id for c in self.curves())

        def moved(curves: tuple[Curve, ...]) -> tuple[Curve, ...]:
            if number is None:
                return placed_curves(curves, by, names)
            return tuple(
                part for c in curves for part in (placed_curves((c,), by, names) if c.source == number else (c,))
            )

        return replace(
            self,
            sketches=tuple(replace(s, curves=moved(s.curves)) for s in self.sketches),
            excluded=tuple(replace(x, curve=c) for x in self.excluded for c in moved((x.curve,))),
            parts=self.parts
            if number is not None and len(self.taken) > 1
            else tuple(p.carried(by) for p in self.parts),
        )


def _used(drawing: Drawing) -> Iterator[str]:
    yield from dict.fromkeys(c.layer for c in drawing.curves)


@dataclass(frozen=True, slots=True)
class Entry:
    """What a step did: curves changed or fixes made, and anything to be told.

    max_mm, mean_mm   how far it took anything off where it was, sideways of its line or circle
    along_mm          by how much it drew anything on, or cut it back, on its own line or circle
    dropped_mm        length that it took away
    """

    changed: int
    max_mm: float = 0.0
    mean_mm: float = 0.0
    dropped_mm: float = 0.0
    says: str = ""
    missing: tuple[str, ...] = ()
    along_mm: float = 0.0
