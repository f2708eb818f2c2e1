"""What every reader produces and every stage works on."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass, replace

from syntaxa.drawing.annotations import ANNOTATION_KINDS, Annotation, Box, union_of
from syntaxa.geometry.shapes import Shape, bounds
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.triangles import Mesh


@dataclass(frozen=True, slots=True)
class Style:
    """How a curve is drawn: colour as 0xRRGGBB, line type name and weight (mm); None or empty for its layer's."""

    colour: int | None = None
    line_type: str = ""
    weight: float | None = None


@dataclass(frozen=True, slots=True)
class Curve:
    """One piece of geometry with an id that survives re-evaluation.

    block  the insertion that it came in with
    roles  meanings that were given to it, in the order of their names
    group  the group of curves that it belongs to, as "name#number"
    locked nothing moves or drops it
    tilt   radians; how steeply it stood out of the drawing plane before it was laid flat
    """

    id: str
    shape: Shape
    layer: str
    style: Style = Style()
    handle: str = ""
    block: str = ""
    roles: tuple[str, ...] = ()
    group: str = ""
    locked: bool = False
    tilt: float = 0.0


@dataclass(frozen=True, slots=True)
class Layer:
    """A layer of the source: colour as 0xRRGGBB, line type, weight in mm (None for the default)."""

    name: str
    colour: int = 0
    visible: bool = True
    frozen: bool = False
    locked: bool = False
    plotted: bool = True
    line_type: str = ""
    weight: float | None = None

    @property
    def shown(self) -> bool:
        """Whether the drawing's author had it showing."""
        return self.visible and not self.frozen


@dataclass(frozen=True, slots=True)
class Drawing:
    """Curves in source order, their layers, what is written beside them, and solids sent as triangles."""

    curves: tuple[Curve, ...] = ()
    layers: tuple[Layer, ...] = ()
    annotations: tuple[Annotation, ...] = ()
    meshes: tuple[Mesh, ...] = ()
    blocks: int = 0

    def transformed(self, by: Transform) -> Drawing:
        """Every curve and annotation mapped; triangles stay in the file's own numbers."""
        return replace(
            self,
            curves=tuple(replace(c, shape=c.shape.transformed(by)) for c in self.curves),
            annotations=tuple(a.transformed(by) for a in self.annotations),
        )

    def extents(self) -> Box | None:
        """Bounding box (xmin, ymin, xmax, ymax) of all curves; None where there are none."""
        return extents_of(self.curves)

    def full_extents(self) -> Box | None:
        """Bounding box of curves and annotations; None where there is nothing."""
        boxes = [a.box() for a in self.annotations]
        own = self.extents()
        return union_of([*boxes, own] if own else boxes)

    def annotation_counts(self) -> dict[str, int]:
        """Annotations by kind, those that occur."""
        count = Counter(a.kind for a in self.annotations)
        return {kind: count[kind] for kind in ANNOTATION_KINDS if count[kind]}


def extents_of(curves: Iterable[Curve]) -> Box | None:
    """Bounding box (xmin, ymin, xmax, ymax) in mm; None for no curves."""
    return union_of(bounds(c.shape) for c in curves)
