"""Drawing without OpenGL: what faces the eye is painted from far to near; what is picked is found by its triangle."""

from __future__ import annotations

import numpy as np
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QImage, QPainter, QPolygonF

from syntaxa.app.canvas.render import lines_of
from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.stages.form.space.look import Look, Plane
from syntaxa.app.stages.form.space.scene import Facets, Scene
from syntaxa.geometry.types import Bools, Floats, Ints

#: Steps of grey between the darkest and the lightest facet: so many brushes are made at most for a colour.
_SHADES = 48

#: mm towards the eye, as a share of the size of everything, by which a line on a face is before it.
_BEFORE = 2e-3


def paint(image: QImage, scene: Scene, colours: Floats, camera: Camera, look: Look, cut: Plane) -> None:
    """Paints a scene over the whole image; `colours` (targets + 1, 3) are those of its numbers."""
    image.fill(QColor.fromRgbF(*look.ground))
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    _facets(painter, scene.facets, colours, camera, cut, 0.3 if look.see_through else 1.0, lit=True)
    _strokes(painter, scene, colours, camera, cut)
    _facets(painter, scene.films, colours, camera, cut, look.film, lit=False)
    painter.end()


def pick(scene: Scene, camera: Camera, x: float, y: float, reach: float, cut: Plane) -> int:
    """The number of what is seen at a pixel, lines within reach first; 0 for nothing."""
    depth, face = _face_at(scene.facets, camera, x, y, cut)
    line = _line_at(scene, camera, (x, y), reach, depth, cut)
    if line:
        return line
    return face or _face_at(scene.films, camera, x, y, cut)[1]


def _kept(points: Floats, cut: Plane) -> Bools:
    return np.asarray(points @ np.array(cut[:3]) + cut[3] >= 0)


def _facets(
    painter: QPainter, facets: Facets, hues: Floats, camera: Camera, cut: Plane, alpha: float, lit: bool
) -> None:
    if not len(facets.index):
        return
    corners = facets.points[facets.index]
    flat = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    flat /= np.maximum(np.linalg.norm(flat, axis=1), 1e-300)[:, None]
    right, up, eye = camera.axes
    seen = (flat @ eye > 0) | (not lit)
    seen &= _kept(corners.mean(axis=1), cut)
    pixels = camera.pixels(corners[seen].reshape(-1, 3)).reshape(-1, 3, 3)
    order = np.argsort(pixels[:, :, 2].mean(axis=1))
    light = eye * 0.6 + up * 0.6 - right * 0.35
    light /= np.linalg.norm(light)
    shade = 0.45 + 0.40 * np.maximum(flat[seen] @ light, 0) + 0.15 * np.abs(flat[seen] @ eye)
    shade = np.round(shade * _SHADES) / _SHADES if lit else np.ones(len(pixels))
    colours = np.clip(hues[facets.target[facets.index[seen, 0]]] * shade[:, None], 0, 1)[order]
    places = pixels[order, :, :2]
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, alpha == 1.0)
    brushes: dict[tuple[float, ...], QColor] = {}
    for (red, green, blue), corners_at in zip(colours.tolist(), places.tolist(), strict=True):
        brush = brushes.setdefault((red, green, blue), QColor.fromRgbF(red, green, blue, alpha))
        painter.setBrush(brush)
        # A pen of its own colour covers the seams, which what is seen through would show.
        painter.setPen(brush if alpha == 1.0 else Qt.PenStyle.NoPen)
        painter.drawPolygon(QPolygonF([QPointF(px, py) for px, py in corners_at]))


def _strokes(painter: QPainter, scene: Scene, hues: Floats, camera: Camera, cut: Plane) -> None:
    """Lines that no facet hides at their middle."""
    ends = scene.strokes.ends
    if not len(ends):
        return
    pixels = camera.pixels(ends.reshape(-1, 3)).reshape(-1, 2, 3)
    seen = _kept(ends.mean(axis=1), cut) & _before(scene, camera, pixels.mean(axis=1))
    colours, which = np.unique(hues[scene.strokes.target[seen]], axis=0, return_inverse=True)
    for k, colour in enumerate(colours.tolist()):
        own = pixels[seen][which.reshape(-1) == k][:, :, :2].reshape(-1, 4)
        painter.setPen(QColor.fromRgbF(*colour))
        painter.drawLines(lines_of(own))


#: Cells of a coarse picture of depths, a side.
_CELLS = 160


def _before(scene: Scene, camera: Camera, middles: Floats) -> Bools:
    """Whether places (pixels and depth) lie before the facets there, judged by a coarse picture of depths."""
    depths = np.full((_CELLS, _CELLS), -np.inf)
    facets = scene.facets
    corners = camera.pixels(facets.points)[facets.index] if len(facets.index) else np.zeros((0, 3, 3))
    spread = np.ptp(corners[:, :, :2], axis=1).max(axis=1) / max(camera.width, camera.height) * _CELLS
    steps = np.minimum(2 ** np.ceil(np.log2(np.maximum(spread, 1.0))), _CELLS).astype(int)
    # As many points on each as it takes cells, large and small ones apart.
    for count in np.unique(steps).tolist():
        grid = np.linspace(0, 1, count + 1)
        shares = np.array([[a, b, 1 - a - b] for a in grid for b in grid if a + b <= 1 + 1e-9])
        points = np.einsum("sc,mcd->msd", shares, corners[steps == count]).reshape(-1, 3)
        cx, cy = _cells(points, camera)
        np.maximum.at(depths, (cy, cx), points[:, 2])
    cx, cy = _cells(middles, camera)
    slack = 2 * _BEFORE * scene.reach + 2.0 * max(camera.width, camera.height) / _CELLS / camera.scale
    return np.asarray(middles[:, 2] >= depths[cy, cx] - slack)


def _cells(points: Floats, camera: Camera) -> tuple[Ints, Ints]:
    x = np.clip(points[:, 0] / camera.width * _CELLS, 0, _CELLS - 1).astype(int)
    y = np.clip(points[:, 1] / camera.height * _CELLS, 0, _CELLS - 1).astype(int)
    return x, y


def _face_at(facets: Facets, camera: Camera, x: float, y: float, cut: Plane) -> tuple[float, int]:
    """Depth and number of the nearest facet at a pixel."""
    if not len(facets.index):
        return -np.inf, 0
    a, b, c = np.moveaxis(camera.pixels(facets.points)[facets.index], 1, 0)
    area = (b[:, 0] - a[:, 0]) * (c[:, 1] - a[:, 1]) - (b[:, 1] - a[:, 1]) * (c[:, 0] - a[:, 0])
    # What is seen edge on covers nothing.
    seen = np.abs(area) > 1e-9
    area = np.where(seen, area, 1.0)
    u = ((x - a[:, 0]) * (c[:, 1] - a[:, 1]) - (y - a[:, 1]) * (c[:, 0] - a[:, 0])) / area
    v = ((b[:, 0] - a[:, 0]) * (y - a[:, 1]) - (b[:, 1] - a[:, 1]) * (x - a[:, 0])) / area
    hits = np.flatnonzero(seen & (u >= 0) & (v >= 0) & (u + v <= 1))
    corners = facets.points[facets.index[hits]]
    w = np.stack([1 - u[hits] - v[hits], u[hits], v[hits]], axis=1)
    hits = hits[_kept(np.einsum("hc,hcd->hd", w, corners), cut)]
    if not len(hits):
        return -np.inf, 0
    depth = a[hits, 2] * (1 - u[hits] - v[hits]) + b[hits, 2] * u[hits] + c[hits, 2] * v[hits]
    best = int(depth.argmax())
    return float(depth[best]), int(facets.target[facets.index[hits[best], 0]])


def _line_at(
    scene: Scene,
    camera: Camera,
    at: tuple[float, float],
    reach: float,
    depth: float,
    cut: Plane,
) -> int:
    """The number of the nearest line within reach of a pixel that is not behind what is seen there."""
    ends = scene.strokes.ends
    if not len(ends):
        return 0
    pixels = camera.pixels(ends.reshape(-1, 3)).reshape(-1, 2, 3)
    along = pixels[:, 1] - pixels[:, 0]
    off = np.array(at) - pixels[:, 0, :2]
    square = np.maximum((along[:, :2] ** 2).sum(axis=1), 1e-12)
    share = np.clip((off * along[:, :2]).sum(axis=1) / square, 0, 1)
    nearest = pixels[:, 0] + share[:, None] * along
    apart = np.hypot(*(nearest[:, :2] - np.array(at)).T)
    slack = _BEFORE * scene.reach + reach / camera.scale
    places = ends[:, 0] + share[:, None] * (ends[:, 1] - ends[:, 0])
    near = np.flatnonzero((apart <= reach) & (nearest[:, 2] >= depth - slack) & _kept(places, cut))
    return int(scene.strokes.target[near[apart[near].argmin()]]) if len(near) else 0
