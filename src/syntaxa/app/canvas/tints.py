"""Closed regions as areas of colour: their outlines are made ready once, in mm, for all the times they are painted."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QTransform

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats
from syntaxa.mend.model import Region

#: Pixels; what is smaller is not seen.
_SPECK = 2.0


class Tints:
    """Some regions with their outlines; lines stay lines and arcs stay arcs, so that they are smooth at any zoom."""

    def __init__(self, regions: Sequence[Region]) -> None:
        self._regions = regions
        self._box = np.array([region.box for region in regions]).reshape(-1, 4)
        self._paths = _paths_of(regions)

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens, chosen: str) -> None:
        """Tints those in view: deeper ones in turn lighter and darker, so that holes are seen as what they are."""
        usual, deeper, marked = (_tint(tokens, opacity) for opacity in (0.15, 0.07, 0.34))
        right, down = view.to_pixels(0.0, 0.0)
        painter.setTransform(QTransform(view.scale, 0, 0, -view.scale, right, down))
        for k in np.flatnonzero(self._seen(view)).tolist():
            region = self._regions[k]
            colour = marked if chosen and region.id == chosen else deeper if region.depth % 2 else usual
            painter.fillPath(self._paths[k], colour)
        painter.resetTransform()

    def _seen(self, view: Camera) -> Bools:
        left, bottom, right, top = view.box
        low, high = self._box[:, :2], self._box[:, 2:]
        large = (high - low).max(axis=1) * view.scale >= _SPECK
        return np.asarray(large & ((low <= (right, top)) & (high >= (left, bottom))).all(axis=1))


def _tint(tokens: Tokens, opacity: float) -> QColor:
    colour = QColor(tokens.tint)
    colour.setAlphaF(opacity)
    return colour


def _paths_of(regions: Sequence[Region]) -> list[QPainterPath]:
    """The outline of each region with its holes."""
    loops = [(k, loop) for k, region in enumerate(regions) for loop in region.loops if len(loop) > 1]
    paths = [QPainterPath() for _ in regions]
    for path in paths:
        path.setFillRule(Qt.FillRule.OddEvenFill)
    if loops:
        pieces = _pieces_of([loop for _, loop in loops])
        first = 0
        for k, loop in loops:
            _add_loop(paths[k], pieces[first : first + len(loop)])
            first += len(loop)
    return paths


def _pieces_of(loops: Sequence[Floats]) -> list[tuple[float, ...]]:
    """The pieces of closed runs, one after the other: start and end; of an arc centre, radius, angle and sweep, too."""
    start = np.concatenate(loops)
    end = np.concatenate([np.roll(loop[:, :2], -1, axis=0) for loop in loops])
    curves = CurveArray.from_bulges(start[:, :2], end, start[:, 2], np.zeros(len(start), dtype=np.int64))
    angles = np.degrees([curves.start_angle, np.where(curves.is_arc, curves.sweep, 0.0)])
    return list(map(tuple, np.column_stack([start[:, :2], end, curves.centre, curves.radius, *angles]).tolist()))


def _add_loop(path: QPainterPath, pieces: list[tuple[float, ...]]) -> None:
    path.moveTo(*pieces[0][:2])
    for _x, _y, u, v, cx, cy, radius, angle, sweep in pieces:
        if sweep:
            # The toolkit counts angles as if y pointed down.
            path.arcTo(QRectF(cx - radius, cy - radius, 2 * radius, 2 * radius), -angle, -sweep)
        else:
            path.lineTo(u, v)
    path.closeSubpath()
