"""What a job has come to after a step: the received drawing, where it is placed, and its sketches."""

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
    """How the numbers of the file become mm: one unit, one factor, then one shift (mm)."""

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
class State:
    """The received drawing in its own numbers, and what the steps so far have made of it."""

    received: Drawing
    placement: Placement = Placement()
    sketches: tuple[Sketch, ...] = ()

    def curves(self) -> Iterator[Curve]:
        """All curves of all sketches."""
        for sketch in self.sketches:
            yield from sketch.curves

    def placed(self, placement: Placement) -> State:
        """The same sketches under another placement: they are taken along by the difference."""
        move = _between(self.placement, placement)
        sketches = tuple(
            replace(s, curves=tuple(replace(c, shape=c.shape.transformed(move)) for c in s.curves))
            for s in self.sketches
        )
        return replace(self, placement=placement, sketches=sketches)


@dataclass(frozen=True, slots=True)
class Entry:
    """What a step did: curves changed or fixes made, how far (mm), what it dropped (mm), and anything to be told."""

    changed: int
    max_mm: float = 0.0
    mean_mm: float = 0.0
    dropped_mm: float = 0.0
    says: str = ""
    missing: tuple[str, ...] = ()


def _between(old: Placement, new: Placement) -> Transform:
    growth = new.mm_per_unit / old.mm_per_unit
    return Transform(a=growth, d=growth, e=new.shift.x - old.shift.x * growth, f=new.shift.y - old.shift.y * growth)
