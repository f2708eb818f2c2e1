"""What every reader produces and every stage works on."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field, replace

from syntaxa.geometry.shapes import Shape, bounds
from syntaxa.geometry.transform import Transform


@dataclass(frozen=True, slots=True)
class Style:
    """How a curve is drawn: colour as 0xRRGGBB or None for its layer's, and line type name."""

    colour: int | None = None
    line_type: str = ""


@dataclass(frozen=True, slots=True)
class Curve:
    """One piece of geometry with an id that survives re-evaluation."""

    id: str
    shape: Shape
    layer: str
    style: Style = Style()
    handle: str = ""


@dataclass(frozen=True, slots=True)
class Layer:
    """A layer of the source, colour as 0xRRGGBB."""

    name: str
    colour: int = 0
    visible: bool = True
    frozen: bool = False
    locked: bool = False

    @property
    def shown(self) -> bool:
        """Whether the drawing's author had it showing."""
        return self.visible and not self.frozen


@dataclass(frozen=True, slots=True)
class Drawing:
    """Curves in source order, their layers, and counts of annotations by kind (text, dimension, hatch...)."""

    curves: tuple[Curve, ...] = ()
    layers: tuple[Layer, ...] = ()
    annotations: dict[str, int] = field(default_factory=dict)
    blocks: int = 0

    def with_curves(self, curves: Iterable[Curve]) -> Drawing:
        """The same drawing with other curves."""
        return replace(self, curves=tuple(curves))

    def transformed(self, by: Transform) -> Drawing:
        """Every curve mapped."""
        return self.with_curves(replace(c, shape=c.shape.transformed(by)) for c in self.curves)

    def extents(self) -> tuple[float, float, float, float] | None:
        """Bounding box (xmin, ymin, xmax, ymax) in mm of all curves; None where there are none."""
        return extents_of(self.curves)


def extents_of(curves: Iterable[Curve]) -> tuple[float, float, float, float] | None:
    """Bounding box (xmin, ymin, xmax, ymax) in mm; None for no curves."""
    boxes = [bounds(c.shape) for c in curves]
    if not boxes:
        return None
    low_x, low_y, high_x, high_y = zip(*boxes, strict=True)
    return min(low_x), min(low_y), max(high_x), max(high_y)
