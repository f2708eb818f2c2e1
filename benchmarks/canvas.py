"""Frames while panning and zooming: the demo and 100,000 curves, against the toolkit's own graphics view.

Run it with `make bench`. A frame must come within 16 ms; no slice of the repainting may hold the interface
longer than 100 ms.
"""

from __future__ import annotations

import statistics
import sys
import time

import numpy as np
from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QImage, QPainter, QPainterPath
from PyQt6.QtWidgets import QApplication, QGraphicsScene, QGraphicsView

from syntaxa.app.canvas.canvas import Canvas
from syntaxa.app.canvas.scene import Scene
from syntaxa.demo.drawing import demo_bytes
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Line, Polyline, Shape
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source

FRAME_MS, SLICE_MS = 16.0, 100.0
SIZE = 20_000.0


def many_curves(count: int) -> list[Curve]:
    """Lines, arcs and polylines of all sizes, seeded."""
    dice = np.random.default_rng(1)
    centre = dice.uniform(0, SIZE, (count, 2))
    size = np.exp(dice.normal(np.log(60), 0.9, count))
    angle = dice.uniform(0, 2 * np.pi, count)
    curves = []
    for k in range(count):
        x, y = centre[k].tolist()
        curves.append(Curve(f"{k:x}", _shape(k, Point(x, y), float(size[k]), float(angle[k])), f"L{k % 6}"))
    return curves


def _shape(k: int, at: Point, size: float, angle: float) -> Shape:
    if k % 20 < 12:
        reach = size / 2
        dx, dy = reach * np.cos(angle), reach * np.sin(angle)
        return Line(Point(at.x - dx, at.y - dy), Point(at.x + dx, at.y + dy))
    if k % 20 < 17:
        return Arc(at, size / 2, angle, 0.3 + 5.9 * (k % 97) / 97)
    corners = tuple(Point(at.x + size * np.cos(angle + t), at.y + size * np.sin(angle + t * t)) for t in range(7))
    return Polyline(corners, (0.0,) * 7, False)


def frames(canvas: Canvas) -> tuple[list[float], list[float]]:
    """Milliseconds of each frame while panning and zooming, and of each slice of the repainting after it."""
    shown, worked = [], []
    surface = QImage(canvas.size(), QImage.Format.Format_RGB32)
    for step in range(60):
        began = time.perf_counter()
        if step % 2:
            canvas.look_at(canvas.view.panned(13, -7))
        else:
            canvas.zoom(1.07 if step < 30 else 1 / 1.07)
        canvas.render(surface)
        shown.append(1e3 * (time.perf_counter() - began))
        QApplication.sendPostedEvents()
    canvas.repaint_picture()
    while canvas._work is not None:
        began = time.perf_counter()
        canvas._paint_slice()
        worked.append(1e3 * (time.perf_counter() - began))
    return shown, worked


def graphics_view_frame(curves: list[Curve]) -> float:
    """Milliseconds that the toolkit's graphics view takes for one frame of the same curves, a path a layer."""
    scene = QGraphicsScene()
    paths: dict[str, QPainterPath] = {}
    for curve in curves:
        path = paths.setdefault(curve.layer, QPainterPath())
        points = curve.shape.flattened(0.5)
        path.moveTo(*points[0])
        for point in points[1:]:
            path.lineTo(*point)
    for path in paths.values():
        scene.addPath(path)
    view = QGraphicsView(scene)
    view.resize(900, 700)
    view.show()
    view.fitInView(QRectF(0, 0, SIZE, SIZE))
    times = []
    surface = QImage(view.size(), QImage.Format.Format_RGB32)
    painter = QPainter(surface)
    for _ in range(5):
        view.scale(1.01, 1.01)
        began = time.perf_counter()
        view.render(painter)
        times.append(1e3 * (time.perf_counter() - began))
    painter.end()
    return statistics.median(times)


def measure(name: str, scene: Scene) -> tuple[bool, float]:
    """Prints the figures of one drawing; whether they are good enough, and the median frame."""
    canvas = Canvas()
    canvas.resize(900, 700)
    canvas.show()
    canvas.show_drawing(scene, fit=True)
    canvas.paint_now()
    shown, worked = frames(canvas)
    median, worst = statistics.median(shown), max(shown)
    print(
        f"{name:<16} {len(scene):>7} curves   frame {median:6.2f} ms (worst {worst:6.2f})   "
        f"slice worst {max(worked):6.2f} ms   whole picture {sum(worked):7.1f} ms"
    )
    return median <= FRAME_MS and max(worked) <= SLICE_MS, median


def main() -> int:
    """Prints all figures; 1 where one is missed."""
    application = QApplication(sys.argv[:1])
    state = Evaluator().evaluate(Job.of(Source.of("demo.dxf", demo_bytes()))).state
    good, _ = measure("demo", Scene.of([(s.colour, s.curves) for s in state.sketches]))
    curves = many_curves(100_000)
    began = time.perf_counter()
    scene = Scene.of([(k, [c for c in curves if c.layer == f"L{k}"]) for k in range(6)])
    print(f"scene of 100,000 curves made in {time.perf_counter() - began:.2f} s (in the background)")
    fast, median = measure("hundred thousand", scene)
    theirs = graphics_view_frame(curves)
    print(f"graphics view, a path a layer: {theirs:.0f} ms a frame, {theirs / median:.0f} times as long")
    application.processEvents()
    return 0 if good and fast else 1


if __name__ == "__main__":
    sys.exit(main())
