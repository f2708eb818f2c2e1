"""What holds in the chosen sketch: a glyph beside each thing that a constraint is about, never over the drawing."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from functools import cache

import numpy as np
from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QColor, QCursor, QPainter, QPainterPath, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.layers.rulers import RULER
from syntaxa.app.canvas.strokes import draw_shapes
from syntaxa.app.theme.glyphs import Rings, Strokes, draw_outline, path_of
from syntaxa.app.theme.tokens import Tokens
from syntaxa.define.anchors import Anchor
from syntaxa.geometry.points import Vector
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.types import Floats

#: A shape of its own for each kind, in a box of 16 x 16 about 0, 0; those that ISO 1101 has are drawn like there.
_STROKES: dict[str, Strokes] = {
    "level": (((-7, -2), (7, -2)), ((-3, 3), (3, 3))),
    "upright": (((-2, -7), (-2, 7)), ((3, -3), (3, 3))),
    "parallel": (((-6, 6), (0, -6)), ((0, 6), (6, -6))),
    "perpendicular": (((-6, 6), (6, 6)), ((0, 6), (0, -6))),
    "tangent": (((-7, -4), (7, -4)),),
    "collinear": (((-7, 4), (-2, 1)), ((2, -1), (7, -4))),
    "equal length": (((-6, -3), (6, -3)), ((-6, 3), (6, 3)), ((-6, -6), (-6, 6)), ((6, -6), (6, 6))),
    "equal radius": (((-3, -2), (3, -2)), ((-3, 2), (3, 2))),
    "symmetric": (((-4, -5), (4, -5)), ((-7, 0), (7, 0)), ((-4, 5), (4, 5))),
    "on": (((-7, 3), (-2.4, 1)), ((2.4, -1), (7, -3))),
    "midpoint": (((-7, 0), (7, 0)), ((-7, -3), (-7, 3)), ((7, -3), (7, 3)), ((0, -6), (0, 6))),
    "level points": (((-3, 0), (3, 0)),),
    "upright points": (((0, -3), (0, 3)),),
    "fixed": (((0, -6), (-5, 3), (5, 3), (0, -6)), ((-7, 6), (7, 6))),
    "centred x": (((-7, -5), (-7, 5)), ((7, -5), (7, 5))),
    "centred y": (((-5, -7), (5, -7)), ((-5, 7), (5, 7))),
    "coincident": (((-6, 6), (0, 0), (6, 6)),),
}

_RINGS: dict[str, Rings] = {
    "tangent": ((0, 1.5, 5.0),),
    "concentric": ((0, 0, 6.5), (0, 0, 2.5)),
    "equal radius": ((0, 0, 7.0),),
    "ring": ((0, 0, 4.0), (0, -6, 1.5), (5.2, 3, 1.5), (-5.2, 3, 1.5)),
    "row": ((-5.5, 0, 1.8), (0, 0, 1.8), (5.5, 0, 1.8)),
    "on": ((0, 0, 2.6),),
    "level points": ((-5, 0, 2.2), (5, 0, 2.2)),
    "upright points": ((0, -5, 2.2), (0, 5, 2.2)),
    "centred x": ((0, 0, 2.6),),
    "centred y": ((0, 0, 2.6),),
    "coincident": ((0, -2, 3.0),),
}

#: Pixels: the side of a glyph on its ground, and the cells in which it is known where lines run.
_SIZE, _CELL = 17.0, 6.0

#: Pixels from a thing to its glyphs: tried one after the other, on one side and the other.
_AWAY = (16.0, -16.0, 30.0, -30.0, 44.0, -44.0)

#: Pixels below which a curve is too small for a glyph, and glyphs that are shown at the most.
_SMALLEST, _MOST = 26.0, 160

_SCALE = 0.78


class HoldsLayer(Layer):
    """Glyphs; what the one under the mouse is about lights up, and a click chooses it."""

    height = Height.WAY

    def __init__(
        self, choose: Callable[[str], None], about: Callable[[str], Sequence[Shape]], texts: Callable[[], list[QRectF]]
    ) -> None:
        super().__init__()
        self._choose, self._about = choose, about
        #: Frames of texts that no glyph may cover.
        self._texts = texts
        self._held: Sequence[Anchor] = ()
        self._shapes: Sequence[Shape] = ()
        self._chosen, self.shown = "", True
        self._laid: tuple[object, list[tuple[QRectF, Anchor]]] | None = None

    def show(self, held: Sequence[Anchor], shapes: Sequence[Shape]) -> None:
        """What holds, and the drawing that no glyph may cover."""
        self._held, self._shapes, self._laid = held, shapes, None
        self.update()

    def choose(self, key: str) -> None:
        """Marks one constraint."""
        self._chosen, self._laid = key, None
        self.update()

    def switch(self) -> None:
        """Shows the glyphs, or hides them."""
        self.shown = not self.shown
        self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if not self.shown or not self._held:
            return
        laid = self._placed(view)
        under = self._under()
        if under is not None:
            draw_shapes(painter, self._about(under.key), view, QPen(QColor(tokens.accent), 3.0))
        for frame, held in laid:
            lit = held.key == self._chosen or (under is not None and held.key == under.key)
            ink = QColor(tokens.on_accent if lit else tokens.accent)
            ground = QColor(tokens.accent if lit else tokens.canvas)
            draw_outline(painter, holds_path(held.kind), frame.center(), ink, ground, _SCALE)

    # ------------------------------------------------------------------ places

    def _placed(self, view: Camera) -> list[tuple[QRectF, Anchor]]:
        texts = self._texts()
        stamp = view, self._chosen, [t.getRect() for t in texts]
        if self._laid is None or self._laid[0] != stamp:
            self._laid = stamp, list(self._places(view, texts))
        return self._laid[1]

    def _places(self, view: Camera, texts: Sequence[QRectF]) -> Iterator[tuple[QRectF, Anchor]]:
        lines = _cells_of(self._shapes, view)
        room = QRectF(RULER, RULER, view.width - RULER, view.height - RULER)
        taken = {cell for text in texts for cell in _cells(text)}
        ordered = sorted(self._held, key=lambda h: h.key != self._chosen)
        count = 0
        for held in ordered:
            x, y = view.to_pixels(held.place.x, held.place.y)
            small = 0 < held.size * view.scale < _SMALLEST and held.key != self._chosen
            if small or count >= _MOST or not (0 <= x <= view.width and 0 <= y <= view.height):
                continue
            for frame in _frames(x, y, held.off):
                cells = _cells(frame)
                if room.contains(frame) and cells.isdisjoint(lines) and cells.isdisjoint(taken):
                    taken |= cells
                    count += 1
                    yield frame, held
                    break

    def _under(self) -> Anchor | None:
        if self.surface is None or self._laid is None or not self.surface.underMouse():
            return None
        mouse = QPointF(self.surface.mapFromGlobal(QCursor.pos()))
        return next((h for frame, h in self._laid[1] if frame.contains(mouse)), None)

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        if self.surface is None or self._laid is None or not self.shown:
            return None
        at = QPointF(*self.surface.view.to_pixels(x, y))
        held = next((h for frame, h in self._laid[1] if frame.contains(at)), None)
        return None if held is None else lambda: self._choose(held.key)


@cache
def holds_path(kind: str) -> QPainterPath:
    """The outline of a constraint's glyph."""
    return path_of(_STROKES.get(kind, ()), _RINGS.get(kind, ()))


def _frames(x: float, y: float, off: Vector) -> Iterator[QRectF]:
    """Where a glyph may stand: off its thing on either side, and beside the glyphs that stand there already."""
    along = Vector(-off.y, off.x)
    for away in _AWAY:
        for aside in (0.0, 1.0, -1.0, 2.0, -2.0):
            cx = x + away * off.x + aside * (_SIZE + 1) * along.x
            cy = y - away * off.y - aside * (_SIZE + 1) * along.y
            yield QRectF(cx - _SIZE / 2, cy - _SIZE / 2, _SIZE, _SIZE)


def _cells(frame: QRectF) -> set[tuple[int, int]]:
    left, top, right, bottom = (int(v // _CELL) for v in (frame.left(), frame.top(), frame.right(), frame.bottom()))
    return {(i, k) for i in range(left, right + 1) for k in range(top, bottom + 1)}


def _cells_of(shapes: Sequence[Shape], view: Camera) -> set[tuple[int, int]]:
    """The cells of the window that lines run through."""
    found: list[Floats] = []
    for shape in shapes:
        points = shape.flattened(1.0 / view.scale)
        pixels = (points - (view.x, view.y)) * (view.scale, -view.scale) + (view.width / 2, view.height / 2)
        steps = np.hypot(*np.diff(pixels, axis=0).T)
        low, high = pixels.min(axis=0), pixels.max(axis=0)
        if (high < 0).any() or low[0] > view.width or low[1] > view.height or not len(steps):
            continue
        total = np.concatenate([[0.0], np.cumsum(steps)])
        # What is far longer than the window is seen in part only; its middle and ends are what counts then.
        at = np.linspace(0.0, total[-1], min(int(total[-1] / (_CELL / 2)) + 2, 4000))
        found.append(np.column_stack([np.interp(at, total, pixels[:, k]) for k in (0, 1)]))
    if not found:
        return set()
    every = np.concatenate(found)
    inside = every[((every >= 0) & (every <= (view.width, view.height))).all(axis=1)]
    return set(map(tuple, np.unique((inside // _CELL).astype(np.int64), axis=0).tolist()))
