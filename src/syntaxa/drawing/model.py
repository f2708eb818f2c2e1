"""What every reader produces and every stage works on."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace

from syntaxa.drawing.annotations import ANNOTATION_KINDS, Annotation, union_of
from syntaxa.drawing.names import Names
from syntaxa.geometry.extents import extents
from syntaxa.geometry.images import images_of
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.triangles import Mesh
from syntaxa.geometry.types import Box

#: mm; ends that agree so far are the same end.
_SAME_END = 1e-9


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
    source number of the source that it came from in its job
    descent ids of the curves that it was cut from, the first one foremost; empty where it is whole
    holds   whether it still has the start and the end of the curve that it was cut from at first
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
    source: int = 1
    descent: tuple[str, ...] = ()
    holds: tuple[bool, bool] = (True, True)

    @property
    def root(self) -> str:
        """The id of the curve that it was cut from at first; its own where it is whole."""
        return self.descent[0] if self.descent else self.id

    @property
    def names(self) -> tuple[str, ...]:
        """All ids that it has gone by, its own last."""
        return (*self.descent, self.id)

    def piece(self, name: str, shape: Shape, start: bool = True, end: bool = True) -> Curve:
        """A piece that was cut from it, under an id of its own; whether it has the start and the end of it."""
        return replace(
            self,
            id=name,
            shape=shape,
            descent=self.descent if name == self.id else self.names,
            holds=(self.holds[0] and start, self.holds[1] and end),
        )

    def pieces(self, names: Sequence[str], shapes: Sequence[Shape]) -> list[Curve]:
        """Pieces in the order in which they lie along it; those that begin or end where it does have its ends."""
        own = self.shape
        closed = own.is_closed and len(shapes) > 1
        return [
            self.piece(
                name,
                shape,
                not closed and shape.start.distance_to(own.start) <= _SAME_END,
                not closed and shape.end.distance_to(own.end) <= _SAME_END,
            )
            for name, shape in zip(names, shapes, strict=True)
        ]

    def copied(self, name: str, shape: Shape) -> Curve:
        """A copy of it: it is nobody's piece, in no group, and nothing locks it."""
        return replace(self, id=name, shape=shape, descent=(), holds=(True, True), group="", locked=False)


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
    _extents: tuple[Box | None, ...] = field(default=(), init=False, repr=False, compare=False)

    def transformed(self, by: Transform) -> Drawing:
        """Every curve and annotation mapped; triangles stay in the file's own numbers."""
        return replace(
            self,
            curves=placed_curves(self.curves, by),
            annotations=tuple(a.transformed(by) for a in self.annotations),
        )

    def extents(self) -> Box | None:
        """Bounding box (xmin, ymin, xmax, ymax) of all curves, worked out once; None where there are none."""
        if not self._extents:
            object.__setattr__(self, "_extents", (extents_of(self.curves),))
        return self._extents[0]

    def full_extents(self) -> Box | None:
        """Bounding box of curves and annotations; None where there is nothing."""
        return union_of([self.extents(), *(a.box() for a in self.annotations)])

    def annotation_counts(self) -> dict[str, int]:
        """Annotations by kind, those that occur."""
        count = Counter(a.kind for a in self.annotations)
        return {kind: count[kind] for kind in ANNOTATION_KINDS if count[kind]}


def extents_of(curves: Iterable[Curve]) -> Box | None:
    """Bounding box (xmin, ymin, xmax, ymax) in mm; None for no curves."""
    return extents(c.shape for c in curves)


def placed_curves(curves: Iterable[Curve], by: Transform, names: Names | None = None) -> tuple[Curve, ...]:
    """Curves mapped, the very same where the map moves nothing; polylines with arcs come in pieces (id.1, id.2...)
    where the map does not keep circles.

    names   those that are taken, where more than these curves share them
    """
    if by == Transform():
        return tuple(curves)
    if by.is_similarity:
        return tuple(replace(c, shape=c.shape.transformed(by)) for c in curves)
    listed = list(curves)
    names = names or Names(c.id for c in listed)
    placed: list[Curve] = []
    for curve in listed:
        images = images_of(curve.shape, by)
        last = len(images) - 1
        placed += [
            curve.piece(name, s, k == 0 or not last, k == last)
            for k, (name, s) in enumerate(zip(names.pieces(curve.id, len(images)), images, strict=True))
        ]
    return tuple(placed)
