"""Bodies seen from a side as a picture: every pixel shows what is nearest to the eye, lit from above on the left.

Cost: linear in the pixels that the triangles cover.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from syntaxa.deliver.pages.model import Picture
from syntaxa.deliver.sheets.looking import AXES
from syntaxa.form.model import Mesh
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Bools, Bytes, Floats, Ints

#: Pixels along the longer side, and the least height of a triangle that is looked at.
_PIXELS, _LEAST = 1600, 1e-9

#: Where the light comes from, in the view: right, up, towards the eye; and how bright what it does not reach is.
_LIGHT, _DARKEST = np.array([-0.4, 0.55, 0.73]), 0.45

#: How much of the paper shines through, so that lines can be read.
_PAPER = 0.35

#: Directions to the right and to the eye of the view at a slant.
_SLANTING = ((1.0, 1.0, 0.0), (1.0, -1.0, 1.0))


def shaded(bodies: Sequence[tuple[Mesh, int]], view: str) -> Picture | None:
    """The picture of bodies (triangles, colour as 0xRRGGBB) from a side, where it lies in mm; None for nothing."""
    turn = _turn(view)
    points = [mesh.points @ turn.T for mesh, _ in bodies if len(mesh.triangles)]
    if not points:
        return None
    every = np.vstack(points)
    low, high = every[:, :2].min(axis=0), every[:, :2].max(axis=0)
    scale = _PIXELS / max(float((high - low).max()), _LEAST)
    width, height = (max(1, int(np.ceil(v))) for v in (high - low) * scale)
    depth = np.full(width * height, -np.inf)
    rows = np.zeros((width * height, 4), np.uint8)
    for mesh, colour in bodies:
        place = mesh.points @ turn.T
        light = _DARKEST + (1 - _DARKEST) * np.clip(mesh.normals @ turn.T @ _LIGHT, 0.0, 1.0)
        flat = (place[:, :2] - low) * scale
        _draw(np.column_stack([flat, place[:, 2], light])[mesh.triangles], colour, (width, height), depth, rows)
    picture = np.flipud(rows.reshape(height, width, 4))
    return Picture(picture, Point(float(low[0]), float(low[1])), width / scale, height / scale)


def _turn(view: str) -> Floats:
    """Right, up and towards the eye as rows (3, 3)."""
    if view in AXES:
        eye, right, up = AXES[view]
        return np.array([right, up, eye], dtype=np.float64)
    right_way, eye_way = (np.array(v) / np.linalg.norm(v) for v in _SLANTING)
    return np.array([right_way, np.cross(eye_way, right_way), eye_way])


def _draw(corners: Floats, colour: int, size: tuple[int, int], depth: Floats, rows: Bytes) -> None:
    """Triangles (n, 3, 4: x and y in pixels, depth, light) into a picture whose nearest depths are kept."""
    width, height = size
    first = np.clip(np.ceil(corners[:, :, 1].min(axis=1) - 0.5), 0, height).astype(np.int64)
    last = np.clip(np.floor(corners[:, :, 1].max(axis=1) - 0.5), -1, height - 1).astype(np.int64)
    which, line = _counted(first, last)
    y = line.astype(np.float64) + 0.5
    left, right = _spans(corners[which], y)
    begin = np.clip(np.ceil(left - 0.5), 0, width).astype(np.int64)
    end = np.clip(np.floor(right - 0.5), -1, width - 1).astype(np.int64)
    span, column = _counted(begin, end)
    which, y, line = which[span], y[span], line[span]
    planes, good = _planes(corners)
    kept = good[which]
    which, y, pixel = which[kept], y[kept], (line * width + column)[kept]
    x = column[kept] + 0.5
    far, light = (planes[which, k, 0] * x + planes[which, k, 1] * y + planes[which, k, 2] for k in (0, 1))
    np.maximum.at(depth, pixel, far)
    seen = far >= depth[pixel]
    shade = np.clip(light[seen], 0.0, 1.0)[:, None]
    own = np.array([colour >> shift & 255 for shift in (16, 8, 0)], dtype=np.float64)
    rows[pixel[seen], :3] = ((1 - _PAPER) * own * shade + _PAPER * 255).astype(np.uint8)
    rows[pixel[seen], 3] = 255


def _counted(first: Ints, last: Ints) -> tuple[Ints, Ints]:
    """For each range, both ends included, its number and every number in it."""
    count = np.maximum(last - first + 1, 0)
    which = np.repeat(np.arange(len(count)), count)
    start = np.repeat(np.cumsum(count) - count, count)
    return which, np.arange(len(which)) - start + first[which]


def _spans(corners: Floats, y: Floats) -> tuple[Floats, Floats]:
    """From where to where a line at a height runs in each triangle."""
    left, right = np.full(len(y), np.inf), np.full(len(y), -np.inf)
    for a, b in ((0, 1), (1, 2), (2, 0)):
        p, q = corners[:, a], corners[:, b]
        rise = q[:, 1] - p[:, 1]
        crossed: Bools = (np.minimum(p[:, 1], q[:, 1]) <= y) & (y <= np.maximum(p[:, 1], q[:, 1])) & (rise != 0)
        share = np.divide(y - p[:, 1], rise, out=np.zeros(len(y)), where=crossed)
        x = p[:, 0] + share * (q[:, 0] - p[:, 0])
        left[crossed] = np.minimum(left, x)[crossed]
        right[crossed] = np.maximum(right, x)[crossed]
    empty = left > right
    left[empty], right[empty] = 1.0, 0.0
    return left, right


def _planes(corners: Floats) -> tuple[Floats, Bools]:
    """Depth and light of each triangle as planes over the picture (n, 2, 3), and which are not seen edge on."""
    a, b, c = corners[:, 0], corners[:, 1], corners[:, 2]
    u, v = b - a, c - a
    area = u[:, 0] * v[:, 1] - u[:, 1] * v[:, 0]
    good: Bools = np.abs(area) > _LEAST
    found = np.zeros((len(corners), 2, 3))
    over = np.where(good, area, 1.0)
    for k, column in enumerate((2, 3)):
        slope_x = (u[:, column] * v[:, 1] - v[:, column] * u[:, 1]) / over
        slope_y = (v[:, column] * u[:, 0] - u[:, column] * v[:, 0]) / over
        found[:, k, 0], found[:, k, 1] = slope_x, slope_y
        found[:, k, 2] = a[:, column] - slope_x * a[:, 0] - slope_y * a[:, 1]
    return found, good
