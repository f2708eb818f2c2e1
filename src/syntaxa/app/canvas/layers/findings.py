"""Findings, each with its glyph; the chosen one with the curves that it concerns."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from PyQt6.QtGui import QColor, QPainter, QPen

from syntaxa.app.canvas import overlays
from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.selection import Selection
from syntaxa.app.canvas.strokes import draw_shapes
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.types import Floats
from syntaxa.mend.model import Finding

#: Pixels within which a glyph is hit.
_REACH = 9.0

#: Curves of a finding that are drawn at the most.
_MOST_CONCERNED = 200


class FindingsLayer(Layer):
    """A click on a glyph chooses its finding."""

    height = Height.FINDINGS

    def __init__(self, selection: Selection, clicked: Callable[[str], None]) -> None:
        super().__init__()
        self._selection, self._clicked = selection, clicked
        self.findings: Sequence[Finding] = ()
        self.chosen: Finding | None = None
        #: While two drawings are compared nothing may hide what differs.
        self.marks_curves = True
        self._places = np.empty((0, 2))

    def show(self, findings: Sequence[Finding]) -> None:
        """The findings that there are."""
        if findings is not self.findings:
            self.findings = findings
            self._places = np.array([(f.place.x, f.place.y) for f in findings]).reshape(-1, 2)
            self.update()

    def choose(self, finding: Finding | None) -> None:
        """Marks one finding and the curves that it concerns."""
        self.chosen = finding
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        scene = self._selection.scene
        if self.chosen is not None and self.findings and self.marks_curves:
            concerned = [scene.index[c] for c in self.chosen.curves if c in scene.index]
            shapes = [scene.curves[k].shape for k in concerned[:_MOST_CONCERNED]]
            draw_shapes(painter, shapes, view, QPen(QColor(tokens.persimmon), 2.2))
        chosen = self.chosen.key if self.chosen else ""
        overlays.draw_findings(painter, self.findings, self._places, view, tokens, chosen)

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        if not len(self._places) or self.surface is None:
            return None
        away = np.abs(self._places - (x, y)).max(axis=1) * self.surface.view.scale
        if away.min() > _REACH:
            return None
        key = self.findings[int(away.argmin())].key
        return lambda: self._clicked(key)

    def occupied(self, view: Camera) -> Floats:
        pixels = (self._places - (view.x, view.y)) * (view.scale, -view.scale)
        return np.asarray(pixels + np.array([view.width / 2, view.height / 2]))
