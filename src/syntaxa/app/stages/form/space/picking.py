"""What lies under the cursor in space: a face, an edge, a region or a line."""

from __future__ import annotations

import numpy as np
from PyQt6.QtCore import QPointF

from syntaxa.app.stages.form.space import soft
from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.stages.form.space.gl import Pixels
from syntaxa.app.stages.form.space.look import Plane
from syntaxa.app.stages.form.space.scene import Scene, Target

#: Pixels from which a line is picked.
_REACH = 5


def seen_at(scene: Scene, camera: Camera, cut: Plane, numbers: Pixels | None, place: QPointF) -> Target | None:
    """What is seen at a pixel, lines a little way off too; without the numbers of the pixels it is computed."""
    if not scene.targets:
        return None
    if numbers is None:
        return scene.target(soft.pick(scene, camera, place.x(), place.y(), _REACH, cut))
    x, y = int(place.x()), int(place.y())
    if not (0 <= x < camera.width and 0 <= y < camera.height):
        return None
    top, left = max(0, y - _REACH), max(0, x - _REACH)
    near = numbers[top : y + _REACH + 1, left : x + _REACH + 1]
    for number in _nearest_first(near, y - top, x - left):
        target = scene.target(number)
        if target is not None and target.is_linear:
            return target
    return scene.target(int(numbers[y, x]))


def _nearest_first(near: Pixels, row: int, column: int) -> list[int]:
    """The numbers in a little window of pixels, nearest to a place in it first, each once."""
    rows, columns = np.nonzero(near)
    order = np.argsort((rows - row) ** 2 + (columns - column) ** 2, kind="stable")
    return list(dict.fromkeys(near[rows[order], columns[order]].tolist()))
