"""Closed regions, tinted."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from PyQt6.QtGui import QImage, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.tints import Tints
from syntaxa.app.theme.tokens import Tokens
from syntaxa.mend.model import Region

#: Regions made ready or tinted between two looks at the event queue.
_A_SLICE = 100


class RegionsLayer(Layer):
    """Tints regions, one of them as chosen."""

    height = Height.REGIONS

    def __init__(self) -> None:
        super().__init__()
        self.regions: Sequence[Region] = ()
        self._tints: list[Tints] = []
        self._before: list[Tints] = []
        self._chosen = ""

    def show(self, regions: Sequence[Region]) -> None:
        """The regions that there are."""
        if regions is not self.regions:
            # Thousands of paths are let go a slice at a time, too: that takes about as long as making them.
            self.regions, self._tints, self._before = regions, [], self._before + self._tints
            self.repaint()

    def choose(self, region_id: str) -> None:
        """Marks one region."""
        self._chosen = region_id
        self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        tints, regions, before = self._tints, self.regions, self._before
        while before:
            before.pop()
            yield
        for begin in range(0, len(regions), _A_SLICE):
            if begin // _A_SLICE == len(tints):
                tints.append(Tints(regions[begin : begin + _A_SLICE]))
                yield
            painter = QPainter(image)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            tints[begin // _A_SLICE].paint(painter, view, tokens, self._chosen)
            painter.end()
            yield
