"""What can be dragged on the drawing: where the chosen contour is begun, with its lead, and its tabs."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Grip, Height, Layer
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.words import tr
from syntaxa.cut.paths.model import Run
from syntaxa.cut.paths.planning import Work
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Floats

#: Pixels: half the size of a handle, and how far from the path a tab is dragged to be taken away.
_SIZE, _AWAY = 5.0, 40.0

#: mm within which a tab lies on a path.
_ON = 1e-6

Place = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Handle:
    """Something that can be dragged, and where it is (mm)."""

    kind: Literal["start", "tab"]
    place: Place


@dataclass(frozen=True, slots=True, eq=False)
class Held:
    """What can be dragged on a path, and the path."""

    handles: tuple[Handle, ...] = ()
    path: CurveArray | None = None

    @property
    def tabs(self) -> tuple[Place, ...]:
        """Where its tabs are (mm)."""
        return tuple(h.place for h in self.handles if h.kind == "tab")

    def nearest(self, x: float, y: float) -> Place:
        """The nearest place of the path."""
        if self.path is None:
            return x, y
        wanted = np.tile([x, y], (len(self.path), 1))
        found = self.path.points_at(np.clip(self.path.parameters_of(wanted), 0.0, 1.0))
        best = found[int(np.hypot(*(found - wanted).T).argmin())]
        return float(best[0]), float(best[1])


def held_on(work: Work, operation: str, number: int) -> Held:
    """What can be dragged on the path of an operation along a contour of a number."""
    runs = [c.run for c in work.cuttings if c.run.number == number and c.doing.operation.name == operation]
    cuts = [s for run in runs for s in run.stretches if s.what in ("cut", "tab")]
    if not cuts:
        return Held()
    path = CurveArray.joined([s.pieces for s in cuts])
    tabs = [(x, y) for n, x, y, *_ in work.tabs if n == number and _lies_on(path, x, y)]
    starts = dict.fromkeys(filter(None, (_landing(run) for run in runs)))
    return Held((*(Handle("start", p) for p in starts), *(Handle("tab", p) for p in tabs)), path)


def _landing(run: Run) -> Place | None:
    """Where a run comes to its contour."""
    first: Floats | None = next((s.rows for s in run.stretches if s.what in ("cut", "tab")), None)
    return None if first is None else (round(float(first[0, 0]), 6), round(float(first[0, 1]), 6))


def _lies_on(path: CurveArray, x: float, y: float) -> bool:
    return bool((path.distances_to(np.tile([x, y], (len(path), 1))) < _ON).any())


class HandlesLayer(Layer):
    """The handles of the chosen contour; dragged they stay on its path."""

    height = Height.TAGS

    def __init__(self, started: Callable[[Place], None], tabbed: Callable[[tuple[Place, ...]], None]) -> None:
        super().__init__()
        self.held = Held()
        self._started, self._tabbed = started, tabbed
        #: The handle in hand and where it is by now; None beside the path, where a tab is taken away.
        self._moved: tuple[Handle, Place | None] | None = None

    def show(self, held: Held) -> None:
        """What can be dragged."""
        self.held, self._moved = held, None
        self.update()

    def grab(self, x: float, y: float, reach: float) -> Grip | None:
        near = min(self.held.handles, key=lambda h: math.dist(h.place, (x, y)), default=None)
        if near is None or math.dist(near.place, (x, y)) > 1.5 * reach:
            return None
        return _HandleGrip(self, near)

    def move(self, handle: Handle, x: float, y: float, reach: float) -> None:
        """A handle is led."""
        place = self.held.nearest(x, y)
        away = handle.kind == "tab" and math.dist(place, (x, y)) > _AWAY / 6.0 * reach
        self._moved = handle, None if away else place
        self.update()

    def drop(self) -> None:
        """The handle is let go: what it stands for is set there."""
        moved, self._moved = self._moved, None
        self.update()
        if moved is None:
            return
        handle, place = moved
        if handle.kind == "start" and place is not None:
            self._started(place)
        elif handle.kind == "tab":
            rest = tuple(h.place for h in self.held.handles if h.kind == "tab" and h is not handle)
            self._tabbed(rest if place is None else (*rest, place))

    def leave(self) -> None:
        """The handle goes back to where it was."""
        self._moved = None
        self.update()

    @property
    def says(self) -> str:
        """What is done with the handle in hand."""
        if self._moved is None:
            return ""
        handle, place = self._moved
        if handle.kind == "start":
            return tr("begin here")
        return tr("take this tab away") if place is None else tr("this tab here")

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for handle in self.held.handles:
            place, ink = handle.place, tokens.accent
            if self._moved is not None and self._moved[0] is handle:
                if self._moved[1] is None:
                    continue
                place, ink = self._moved[1], tokens.persimmon
            _draw(painter, QPointF(*view.to_pixels(*place)), handle.kind, QColor(ink), QColor(tokens.canvas))


def _draw(painter: QPainter, at: QPointF, kind: str, ink: QColor, ground: QColor) -> None:
    """A start as a ring with a dot, a tab as a small block."""
    painter.setPen(QPen(ink, 2.0))
    painter.setBrush(ground)
    if kind == "start":
        painter.drawEllipse(at, _SIZE, _SIZE)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(ink)
        painter.drawEllipse(at, 2.0, 2.0)
    else:
        painter.drawRect(QRectF(at.x() - _SIZE, at.y() - _SIZE + 1.5, 2 * _SIZE, 2 * _SIZE - 3))


class _HandleGrip(Grip):
    """A handle in the hand."""

    def __init__(self, layer: HandlesLayer, handle: Handle) -> None:
        self._layer, self._handle = layer, handle

    @property
    def says(self) -> str:
        return self._layer.says

    def move(self, x: float, y: float, reach: float) -> None:
        self._layer.move(self._handle, x, y, reach)

    def drop(self) -> None:
        self._layer.drop()

    def leave(self) -> None:
        self._layer.leave()
