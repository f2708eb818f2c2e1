"""What a job has come to after a step: the drawings that were taken in, where they are placed, and the sketches."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.units import mm_per
from syntaxa.geometry.points import Vector
from syntaxa.geometry.transform import Transform


@dataclass(frozen=True, slots=True)
class Sketch:
    """Curves that belong together, in mm; goes out as one layer. Colour as 0xRRGGBB."""

    name: str
    colour: int
    curves: tuple[Curve, ...]


@dataclass(frozen=True, slots=True)
class Placement:
    """How the numbers of a file become mm: one unit, one factor, then one shift (mm)."""

    unit: str = "mm"
    factor: float = 1.0
    shift: Vector = Vector(0.0, 0.0)  # noqa: RUF009  frozen, so one for all is right

    @property
    def mm_per_unit(self) -> float:
        """Factor from the file's numbers to mm."""
        return mm_per(self.unit) * self.factor

    @property
    def transform(self) -> Transform:
        """The map from the file's numbers to mm."""
        return Transform.scaling(self.mm_per_unit).then(Transform.moving(self.shift))


@dataclass(frozen=True, slots=True)
class Taken:
    """What was taken in of one source, in its own numbers.

    number  of the source in its job; the first is 1
    into    the one sketch that all its curves go to; empty for a sketch a layer
    """

    number: int
    name: str
    drawing: Drawing
    unit: str = "mm"
    into: str = ""


@dataclass(frozen=True, slots=True)
class State:
    """The drawings taken in, one factor and one shift (mm) for all of them, and what the steps so far have made."""

    taken: tuple[Taken, ...] = ()
    factor: float = 1.0
    shift: Vector = Vector(0.0, 0.0)  # noqa: RUF009  frozen, so one for all is right
    sketches: tuple[Sketch, ...] = ()

    @classmethod
    def of(cls, drawing: Drawing, unit: str = "mm") -> State:
        """The state of a single source before any step, without sketches."""
        return cls((Taken(1, "", drawing, unit),))

    @property
    def placement(self) -> Placement:
        """How the first source is placed."""
        return self.placement_of(self.taken[0]) if self.taken else Placement("mm", self.factor, self.shift)

    def placement_of(self, taken: Taken) -> Placement:
        """How a source is placed: its own unit, the factor and shift of all."""
        return Placement(taken.unit, self.factor, self.shift)

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

    def with_unit(self, number: int, unit: str) -> State:
        """One source in another unit: its curves are taken along, wherever they are by now."""
        old = next((t for t in self.taken if t.number == number), None)
        if old is None or old.unit == unit:
            return self
        growth = mm_per(unit) / mm_per(old.unit)
        taken = tuple(replace(t, unit=unit) if t.number == number else t for t in self.taken)
        move = self._growing(growth, self.shift)
        return replace(self, taken=taken, sketches=_moved(self.sketches, move, number))

    def placed(self, factor: float | None = None, shift: Vector | None = None) -> State:
        """The same sketches under another factor or shift: they are taken along by the difference."""
        new_factor, new_shift = self.factor if factor is None else factor, self.shift if shift is None else shift
        move = self._growing(new_factor / self.factor, new_shift)
        return replace(self, factor=new_factor, shift=new_shift, sketches=_moved(self.sketches, move, None))

    def _growing(self, growth: float, to: Vector) -> Transform:
        """From where things are now to where they are when grown about the origin as drawn, and shifted anew."""
        return Transform(a=growth, d=growth, e=to.x - self.shift.x * growth, f=to.y - self.shift.y * growth)


def source_of(curve_id: str, otherwise: int = 1) -> int:
    """The number of the source that a curve came from: ids of all but the first begin with it."""
    head, colon, _ = curve_id.partition(":")
    return int(head) if colon and head.isascii() and head.isdigit() and len(head) < 6 else otherwise


def _moved(sketches: tuple[Sketch, ...], by: Transform, number: int | None) -> tuple[Sketch, ...]:
    def moved(curve: Curve) -> Curve:
        if number is not None and source_of(curve.id) != number:
            return curve
        return replace(curve, shape=curve.shape.transformed(by))

    return tuple(replace(s, curves=tuple(moved(c) for c in s.curves)) for s in sketches)


def _used(drawing: Drawing) -> Iterator[str]:
    yield from dict.fromkeys(c.layer for c in drawing.curves)


@dataclass(frozen=True, slots=True)
class Entry:
    """What a step did: curves changed or fixes made, how far (mm), what it dropped (mm), and anything to be told."""

    changed: int
    max_mm: float = 0.0
    mean_mm: float = 0.0
    dropped_mm: float = 0.0
    says: str = ""
    missing: tuple[str, ...] = ()
