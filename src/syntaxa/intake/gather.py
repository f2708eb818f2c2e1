"""Where every reader puts what it finds: curves with ids of their own, annotations, layers, and what was left out.

It also keeps files within bounds that unfold to far more than they hold.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Sequence

from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.model import Curve, Drawing, Layer, Style
from syntaxa.drawing.names import Names
from syntaxa.errors import Progress
from syntaxa.geometry.clip import Area, clipped
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Shape
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.triangles import Mesh
from syntaxa.intake.model import ImportReport, NotRead, Received, Sheet

#: Nothing that is drawn is larger, in any file's own numbers.
LARGEST = 1e9

#: Things beyond which a drawing is taken for one that was made to choke its reader.
MOST_THINGS = 1_000_000

#: Groups, blocks, forms and the like, one in the other.
DEEPEST = 48


class TooMuch(Exception):  # noqa: N818  it ends the reading, what was read stays
    """The drawing unfolds to more than can be held."""


class Gathered:
    """Collects a drawing and its report."""

    def __init__(self, progress: Progress) -> None:
        self.curves: list[Curve] = []
        self.annotations: list[Annotation] = []
        self.meshes: list[Mesh] = []
        self.layers: dict[str, Layer] = {}
        self.not_read: Counter[tuple[str, str]] = Counter()
        self.degenerate: Counter[str] = Counter()
        self.notes: list[str] = []
        self.fonts: set[str] = set()
        self.blocks = 0
        self.clipped = 0
        self.page: tuple[float, float] | None = None
        self.unit_chosen = False
        self.damaged = False
        #: Whether a part was left out because it unpacks to too much: nothing else should try to unpack it either.
        self.overfull = False
        self._progress = progress
        self._names = Names()
        self._styles: dict[tuple[int | None, str, float | None], Style] = {}
        self._things = 0
        self._share = 0.0

    def told(self, share: float) -> None:
        """How far it is; never backwards."""
        self._share = max(self._share, min(1.0, share))
        self._progress(self._share)

    def unique(self, name: str) -> str:
        """The name, or a variation of it that is not taken yet."""
        return self._names.free(name)

    def count(self) -> None:
        """One more thing; raises TooMuch where there are too many."""
        self._things += 1
        if self._things > MOST_THINGS:
            raise TooMuch
        if self._things % 2000 == 0:
            # Not to tell how far it is, only to be stopped.
            self._progress(self._share)

    def style(self, colour: int | None, line_type: str, weight: float | None) -> Style:
        """One style for all curves that share it."""
        key = (colour, line_type, weight)
        return self._styles.setdefault(key, Style(*key))

    def layer(self, name: str, colour: int = 0, visible: bool = True) -> None:
        """Makes a layer known; the first word on it holds."""
        if name not in self.layers:
            self.layers[name] = Layer(name, colour, visible)

    def add(
        self,
        shape: Shape,
        layer: str,
        style: Style,
        name: str,
        block: str = "",
        clip: Area | None = None,
        kind: str = "",
        tilt: float = 0.0,
    ) -> None:
        """A curve; without size it is told as degenerate, outside its clip path cut or left out."""
        self.count()
        if not has_size(shape):
            self.degenerate[kind or shape.kind] += 1
            return
        if clip is None:
            self.curves.append(Curve(self.unique(name), shape, layer, style, name, block, tilt=tilt))
            return
        for k, piece in enumerate(clipped(shape, clip)):
            self.curves.append(Curve(self.unique(name if k == 0 else f"{name}.{k}"), piece, layer, style, name, block))

    def add_all(self, rows: Sequence[tuple[str, Shape, str, Style]]) -> None:
        """Many curves with sizes, each as its handle, shape, layer and style."""
        self._things += len(rows)
        if self._things > MOST_THINGS:
            raise TooMuch
        handles = {row[0] for row in rows}
        if len(handles) < len(rows) or any(h in self._names for h in handles):
            self.curves += [Curve(self.unique(h), shape, layer, style, h) for h, shape, layer, style in rows]
            return
        self._names.take(handles)
        self.curves += [Curve(h, shape, layer, style, h) for h, shape, layer, style in rows]

    def note(self, annotation: Annotation) -> None:
        """An annotation; its id must come from `unique`."""
        self.count()
        box = annotation.box()
        if all(math.isfinite(v) and abs(v) <= 2 * LARGEST for v in box):
            self.annotations.append(annotation)
        else:
            self.not_read[annotation.kind, "Its coordinates are not numbers that a drawing can hold."] += 1

    def skip(self, kind: str, why: str, count: int = 1) -> None:
        """Something that is not read, and why."""
        self.not_read[printable(kind), printable(why)] += count

    def received(
        self,
        form: str,
        version: str,
        declared: str | None,
        metric: bool | None = None,
        sheets: tuple[Sheet, ...] = (),
        sheet: str = "",
        fonts_missing: tuple[str, ...] = (),
    ) -> Received:
        """All of it."""
        for thing in (*self.curves, *self.annotations):
            if thing.layer not in self.layers:
                self.layer(thing.layer)
        drawing = Drawing(
            tuple(self.curves), tuple(self.layers.values()), tuple(self.annotations), tuple(self.meshes), self.blocks
        )
        report = ImportReport(
            form,
            version,
            declared,
            metric,
            tuple(NotRead(kind, count, why) for (kind, why), count in sorted(self.not_read.items())),
            tuple(self.notes),
            sheets,
            sheet,
            tuple(sorted(self.degenerate.items())),
            fonts_missing,
            self.clipped,
            self.page,
            self.unit_chosen,
        )
        self._progress(1.0)
        return Received(drawing, report)


def printable(text: str) -> str:
    """A text without halves of letters, which no output could take (they come from bytes in a wrong code page)."""
    return text if text.isascii() else text.encode("utf-8", "surrogateescape").decode("utf-8", "replace")


def has_size(shape: Shape) -> bool:
    """Whether a shape can be drawn: it has a length, and its numbers are ones that a drawing can hold."""
    if isinstance(shape, Line):
        # Written out, for most of most drawings are lines. Comparisons with nan are false.
        a, b = shape.start, shape.end
        held = -LARGEST <= a.x <= LARGEST and -LARGEST <= a.y <= LARGEST
        return held and -LARGEST <= b.x <= LARGEST and -LARGEST <= b.y <= LARGEST and (a.x != b.x or a.y != b.y)
    if isinstance(shape, Circle | Arc):
        return 0 < shape.radius <= LARGEST and _holds(shape.centre)
    if isinstance(shape, EllipseArc):
        return 0 < shape.major.length <= LARGEST and shape.ratio > ROUNDING and _holds(shape.centre)
    if isinstance(shape, Polyline):
        return _holds(*shape.vertices) and _differ(shape.vertices)
    return _holds(*shape.control_points) and _differ(shape.control_points)


def _differ(points: Sequence[Point]) -> bool:
    return any(p.x != points[0].x or p.y != points[0].y for p in points)


def _holds(*points: Point) -> bool:
    for p in points:  # noqa: SIM110  a loop is twice as fast as all(), and this runs for every curve
        if not (-LARGEST <= p.x <= LARGEST and -LARGEST <= p.y <= LARGEST):
            return False
    return True
