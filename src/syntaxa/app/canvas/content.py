"""All that the canvas shows, and painting it in slices."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from functools import cached_property

import numpy as np
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QImage, QPainter

from syntaxa.app.canvas import notes, overlays
from syntaxa.app.canvas.change_marks import ChangeMarks
from syntaxa.app.canvas.render import pen_of, slices
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.view import View
from syntaxa.app.theme.tokens import Tokens, readable_on
from syntaxa.drawing.annotations import Annotation
from syntaxa.geometry.types import Bools, Floats
from syntaxa.mend.model import Finding, Region

#: Regions tinted between two looks at the event queue.
_REGIONS_A_SLICE = 25

#: Segments beyond which edges are not smoothed: it would cost half the speed.
_SMOOTH_UP_TO = 120_000

_EMPTY = Scene.of([])


@dataclass(frozen=True)
class CanvasContent:
    """All that the canvas shows."""

    scene: Scene = field(default_factory=lambda: _EMPTY)
    beneath: Scene = field(default_factory=lambda: _EMPTY)
    regions: Sequence[Region] = ()
    findings: Sequence[Finding] = ()
    notes: Sequence[Annotation] = ()
    changes: ChangeMarks | None = None
    #: Curves that were put aside; seen faded where they are shown.
    aside: Scene = field(default_factory=lambda: _EMPTY)

    @cached_property
    def places(self) -> Floats:
        """Places of the findings, (n, 2) mm."""
        return np.array([(f.place.x, f.place.y) for f in self.findings]).reshape(-1, 2)


@dataclass(frozen=True, slots=True)
class PaintChoice:
    """How the content is shown: the chosen region, whether what lies beneath is seen, how opaque pictures are (0 to 1).

    curves   which curves of the scene are seen, None for all
    """

    region: str
    beneath: bool
    fade: float
    curves: Bools | None


def paint_content(
    image: QImage, content: CanvasContent, shown: PaintChoice, view: View, tokens: Tokens
) -> Iterator[None]:
    """Paints everything that does not follow the cursor; yields after each slice."""
    for begin in range(0, len(content.regions), _REGIONS_A_SLICE):
        painter = QPainter(image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        some = content.regions[begin : begin + _REGIONS_A_SLICE]
        overlays.tint_regions(painter, some, view, tokens, shown.region)
        painter.end()
        yield
    yield from notes.paint_beneath(image, content.notes, view, tokens, shown.fade)
    if shown.beneath:
        faded = [pen_of(int(tokens.faded[1:], 16))] * len(content.beneath.palette)
        yield from slices(content.beneath, view, image, faded, True)
    if len(content.aside):
        pen = pen_of(int(tokens.faded[1:], 16))
        pen.setStyle(Qt.PenStyle.DashLine)
        yield from slices(content.aside, view, image, [pen] * len(content.aside.palette), True)
    scene = content.scene
    if content.changes is not None:
        pens = [pen_of(int(tokens.faded[1:], 16))] * len(scene.palette)
    else:
        pens = [pen_of(readable_on(colour, tokens.canvas)) for colour in scene.palette]
    smooth = len(scene.levels[0].segments) <= _SMOOTH_UP_TO
    yield from slices(scene, view, image, pens, smooth, shown.curves)
    yield from notes.paint_above(image, content.notes, view, tokens)
