"""A scene painted into an image, in slices that leave the interface free between them.

Each curve is drawn at the level that fits its size on the screen; what is smaller than a pixel is one pixel.
Coordinates are taken relative to the middle of the view in float64 before they become pixels.
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import numpy as np
from PyQt6 import sip
from PyQt6.QtCore import QLineF, QPointF
from PyQt6.QtGui import QColor, QImage, QPainter, QPen, QPolygonF

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.scene import Scene
from syntaxa.geometry.types import Bools, Floats, Ints

#: Pixels; what is smaller than this is one pixel.
_SPECK = 1.5

#: Pixels to a piece (size over number of pieces at level 0) from which on a curve is drawn at level 0, 1, 2. A circle
#: stays within half a pixel, none of its pieces is so short that smoothing its ends would show, and a run of few
#: pieces, such as a square, keeps all of its corners.
_LEVEL_FROM = (0.5, 0.04, 0.0)

#: Pixels; what is larger is flattened anew, so that circles stay round when zoomed in.
_HUGE = 320.0

#: Up to so many curves in view are drawn as unbroken runs: slower, but with no blots where their pieces meet.
_RUNS_UP_TO = 1500

#: Segments painted between two looks at the event queue: some 8 ms.
SLICE = 12_000

#: Unbroken runs painted between two looks at the event queue.
_RUNS_A_SLICE = 150


def slices(
    scene: Scene, view: Camera, image: QImage, pens: list[QPen], antialias: bool, shown: Bools | None = None
) -> Iterator[None]:
    """Paints the scene, or what is shown of it; yields after each slice. The view is in device pixels, as the image."""
    if not len(scene):
        return
    left, bottom, right, top = view.box
    ox, oy = scene.origin
    box = scene.box
    seen = (box[:, 0] <= right - ox) & (box[:, 2] >= left - ox) & (box[:, 1] <= top - oy) & (box[:, 3] >= bottom - oy)
    visible = np.flatnonzero(seen if shown is None else seen & shown)
    pixels = scene.size[visible] * view.scale
    yield from _specks(scene, view, image, pens, visible[pixels < _SPECK])
    paint = _runs if antialias and len(visible) <= _RUNS_UP_TO else _segments
    drawn = (pixels >= _SPECK) & (pixels < _HUGE)
    fineness = scene.fineness[visible] * view.scale
    upper = np.inf
    for level, lower in enumerate(_LEVEL_FROM):
        chosen = visible[drawn & (fineness >= lower) & (fineness < upper)]
        yield from paint(scene, level, view, image, pens, chosen, antialias)
        upper = lower
    yield from _huge(scene, view, image, pens, visible[pixels >= _HUGE], antialias)


def _specks(scene: Scene, view: Camera, image: QImage, pens: list[QPen], chosen: Ints) -> Iterator[None]:
    if not len(chosen):
        return
    middle = (scene.box[chosen, :2] + scene.box[chosen, 2:]) / 2 + scene.origin - (view.x, view.y)
    place = (middle * (view.scale, -view.scale) + (view.width / 2, view.height / 2)).astype(np.int64)
    inside = (place >= 0).all(axis=1) & (place < (view.width, view.height)).all(axis=1)
    bits = image.bits()
    if bits is None:
        return
    bits.setsize(image.sizeInBytes())
    pixels = np.frombuffer(bits, np.uint32)  # type: ignore[call-overload]
    pixels = pixels.reshape(image.height(), image.bytesPerLine() // 4)
    colours = np.array([pen.color().rgb() for pen in pens], dtype=np.uint32)
    pixels[place[inside, 1], place[inside, 0]] = colours[scene.colour[chosen[inside]]]
    yield


def _segments(
    scene: Scene, level: int, view: Camera, image: QImage, pens: list[QPen], chosen: Ints, antialias: bool
) -> Iterator[None]:
    source = scene.levels[level]
    for colour in np.unique(scene.colour[chosen]).tolist():
        own = chosen[scene.colour[chosen] == colour]
        index = _ranges(source.first[own], source.count[own])
        for begin in range(0, len(index), SLICE):
            part = source.segments[index[begin : begin + SLICE]]
            paint_segments(image, _to_pixels(part, scene.origin, view), pens[colour], antialias)
            yield


def _runs(
    scene: Scene, level: int, view: Camera, image: QImage, pens: list[QPen], chosen: Ints, antialias: bool
) -> Iterator[None]:
    source = scene.levels[level]
    ends = source.first + source.count
    for begin in range(0, len(chosen), _RUNS_A_SLICE):
        painter = QPainter(image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing, antialias)
        for k in chosen[begin : begin + _RUNS_A_SLICE].tolist():
            pixels = _to_pixels(source.segments[source.first[k] : ends[k]], scene.origin, view)
            painter.setPen(pens[scene.colour[k]])
            points = [QPointF(x, y) for x, y in pixels[:, :2].tolist()]
            painter.drawPolyline(QPolygonF([*points, QPointF(*pixels[-1, 2:].tolist())]))
        painter.end()
        yield


def _huge(scene: Scene, view: Camera, image: QImage, pens: list[QPen], chosen: Ints, antialias: bool) -> Iterator[None]:
    for colour in np.unique(scene.colour[chosen]).tolist():
        batch: list[Floats] = []
        waiting = 0
        own = chosen[scene.colour[chosen] == colour].tolist()
        for k in own:
            points = scene.curves[k].shape.flattened(0.2 / view.scale) - scene.origin
            batch.append(np.hstack([points[:-1], points[1:]]))
            waiting += len(points)
            if waiting > SLICE or k == own[-1]:
                paint_segments(image, _to_pixels(np.concatenate(batch), scene.origin, view), pens[colour], antialias)
                batch, waiting = [], 0
                yield


def _to_pixels(segments: Floats, origin: Floats, view: Camera) -> Floats:
    shift = np.tile(origin - (view.x, view.y), 2)
    factor = np.array([view.scale, -view.scale] * 2)
    middle = np.array([view.width / 2, view.height / 2] * 2)
    # Far outside the window Qt's clipping loses its footing; nothing there is seen.
    return np.asarray(np.clip((segments + shift) * factor + middle, -1e6, 1e6))


def paint_segments(image: QImage, segments: Floats, pen: QPen, antialias: bool) -> None:
    """Draws segments (m, 4) in pixels at once, through one block of memory."""
    if not len(segments):
        return
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, antialias)
    painter.setPen(pen)
    painter.drawLines(lines_of(segments))
    painter.end()


def lines_of(segments: Floats) -> Any:
    """Segments (m, 4) in pixels as what a painter draws at once, in one block of memory."""
    lines = sip.array(QLineF, len(segments))  # type: ignore[call-arg, var-annotated]
    memory = np.frombuffer(sip.voidptr(lines, 32 * len(segments)), np.float64).reshape(-1, 4)  # type: ignore[call-overload]
    memory[:] = segments
    return lines


def _ranges(first: Ints, count: Ints) -> Ints:
    """All indices first[k] .. first[k] + count[k], one after the other."""
    total = int(count.sum())
    if not total:
        return np.empty(0, dtype=np.int64)
    steps = np.ones(total, dtype=np.int64)
    ends = np.cumsum(count)
    steps[0] = first[0]
    steps[ends[:-1]] = first[1:] - (first[:-1] + count[:-1]) + 1
    return np.cumsum(steps)


def pen_of(colour: int, width: float = 1.0) -> QPen:
    """A cosmetic pen; wider ones cost several times as much."""
    pen = QPen(QColor(colour))
    pen.setWidthF(width)
    pen.setCosmetic(True)
    return pen
