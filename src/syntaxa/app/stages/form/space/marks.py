"""Marks over the picture in space: what is chosen or under the cursor, and the directions of space."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from PyQt6.QtCore import QPointF
from PyQt6.QtGui import QColor, QFontMetricsF, QPainter, QPen

from syntaxa.app.canvas.render import lines_of
from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.stages.form.space.scene import Scene, Target
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.types import Floats

#: Pixels: arms of the cross of axes, its distance from the corner, and the width of lines that are chosen or hovered.
_ARM, _CORNER, _CHOSEN, _HOT = 34, 58, 2.6, 1.6

_AXES = (("x", (1.0, 0.0, 0.0)), ("y", (0.0, 1.0, 0.0)), ("z", (0.0, 0.0, 1.0)))


def draw_chosen(
    painter: QPainter, scene: Scene, camera: Camera, tokens: Tokens, chosen: Iterable[Target], hot: Target | None
) -> None:
    """Lines of what is chosen and of what is under the cursor, wider and through everything: colour is not all."""
    for targets, width in ((frozenset(chosen), _CHOSEN), (frozenset(() if hot is None else (hot,)), _HOT)):
        lines = [scene.ends_of(targets)] if targets else []
        lines += [rim(scene, t) for t in targets if not t.is_linear]
        ends = np.concatenate(lines) if lines else np.zeros((0, 2, 3))
        if len(ends):
            pixels = camera.pixels(ends.reshape(-1, 3))[:, :2].reshape(-1, 4)
            painter.setPen(QPen(QColor(tokens.accent), width))
            painter.drawLines(lines_of(np.ascontiguousarray(pixels)))


def draw_axes(painter: QPainter, camera: Camera, height: float, tokens: Tokens) -> None:
    """The directions of space, in the lower left corner of a view of a height (pixels)."""
    right, up, _ = camera.axes
    foot = QPointF(_CORNER, height - _CORNER)
    painter.setFont(figure_font(11))
    metrics = QFontMetricsF(painter.font())
    painter.setPen(QPen(QColor(tokens.dim), 1.4))
    for name, along in _AXES:
        x, y = float(np.array(along) @ right), float(np.array(along) @ up)
        tip = QPointF(foot.x() + _ARM * x, foot.y() - _ARM * y)
        if max(abs(x), abs(y)) > 0.05:
            painter.drawLine(foot, tip)
            beyond = QPointF(foot.x() + (_ARM + 10) * x, foot.y() - (_ARM + 10) * y)
            width = metrics.horizontalAdvance(name)
            painter.drawText(QPointF(beyond.x() - width / 2, beyond.y() + metrics.ascent() / 2 - 1), name)


def rim(scene: Scene, target: Target) -> Floats:
    """The border of a face or region: the sides of its triangles that only one of them has, (k, 2, 3)."""
    number = next(iter(scene.numbers(target)), 0)
    facets = scene.films if target.kind == "region" else scene.facets
    own = facets.index[facets.target[facets.index[:, 0]] == number] if len(facets.index) else facets.index
    if not len(own):
        return np.zeros((0, 2, 3))
    sides = np.sort(np.concatenate([own[:, [0, 1]], own[:, [1, 2]], own[:, [2, 0]]]), axis=1)
    found, times = np.unique(sides, axis=0, return_counts=True)
    return np.asarray(facets.points[found[times == 1]])
