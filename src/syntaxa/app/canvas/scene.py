"""Curves made ready for drawing: flattened once, at three strides, in NumPy arrays.

Level 0 has every vertex, level 1 every fourth, level 2 every sixteenth, for what is small on the screen.
Built away from the interface thread; never changed afterwards. No geometry is decided here.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
import shapely

from syntaxa.drawing.model import Curve, Drawing
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Shape
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Bools, Floats, Ints

STRIDES = (1, 4, 16)

#: Vertices of a full circle at level 0; a multiple of every stride.
_CIRCLE = 64


@dataclass(frozen=True, slots=True)
class Level:
    """Segments (m, 4) of all curves; those of curve k are segments[first[k] : first[k] + count[k]]."""

    segments: Floats
    first: Ints
    count: Ints


@dataclass(frozen=True)
class Scene:
    """n curves: their colours (index into `palette`), boxes (n, 4), and levels. Coordinates are less `origin`."""

    curves: Sequence[Curve]
    colour: Ints
    palette: tuple[int, ...]
    box: Floats
    levels: tuple[Level, ...]
    origin: Floats

    @classmethod
    def of(cls, groups: Iterable[tuple[int, Sequence[Curve]]]) -> Scene:
        """A scene of groups of curves, each with its colour (0xRRGGBB); a curve's own colour wins."""
        curves: list[Curve] = []
        palette: dict[int, int] = {}
        colour: list[int] = []
        for group_colour, members in groups:
            for curve in members:
                own = group_colour if curve.style.colour is None else curve.style.colour
                curves.append(curve)
                colour.append(palette.setdefault(own, len(palette)))
        points, lengths = _flattened([c.shape for c in curves])
        first = np.concatenate([[0], np.cumsum(lengths)]).astype(np.int64)
        if len(curves):
            low = np.minimum.reduceat(points, first[:-1])
            high = np.maximum.reduceat(points, first[:-1])
            origin = (low.min(axis=0) + high.max(axis=0)) / 2
            box = np.hstack([low - origin, high - origin])
        else:
            origin, box = np.zeros(2), np.empty((0, 4))
        points = points - origin
        levels = tuple(_level(points, first[:-1], lengths, stride) for stride in STRIDES)
        return cls(curves, np.array(colour, dtype=np.int64), tuple(palette), box, levels, origin)

    @classmethod
    def of_shapes(cls, shapes: Sequence[Shape]) -> Scene:
        """A scene of bare shapes, all of one colour."""
        return cls.of([(0, [Curve("", shape, "") for shape in shapes])])

    @classmethod
    def of_drawing(cls, drawing: Drawing) -> Scene:
        """A scene of all curves of a drawing, in the colours of their layers."""
        by_layer: dict[str, list[Curve]] = {}
        for curve in drawing.curves:
            by_layer.setdefault(curve.layer, []).append(curve)
        colours = {x.name: x.colour for x in drawing.layers}
        return cls.of([(colours.get(layer, 0), curves) for layer, curves in by_layer.items()])

    def __len__(self) -> int:
        return len(self.curves)

    @cached_property
    def size(self) -> Floats:
        """Larger side of each curve's box, (n,) mm."""
        return np.maximum(self.box[:, 2] - self.box[:, 0], self.box[:, 3] - self.box[:, 1])

    @cached_property
    def fineness(self) -> Floats:
        """Size of each curve over the number of its pieces at level 0, (n,) mm."""
        return np.asarray(self.size / np.maximum(self.levels[0].count, 1))

    @cached_property
    def lengths(self) -> Floats:
        """Length of each curve, (n,) mm."""
        return np.array([curve.shape.length for curve in self.curves], dtype=np.float64)

    @cached_property
    def index(self) -> dict[str, int]:
        """Index of each curve by its id."""
        return {curve.id: k for k, curve in enumerate(self.curves)}

    @cached_property
    def tree(self) -> shapely.STRtree:
        """Boxes of all curves, for picking."""
        return shapely.STRtree(shapely.box(*self.box.T))

    @cached_property
    def centres(self) -> tuple[Floats, Ints]:
        """Centres of circles and arcs, (c, 2) mm, and the curves that they belong to, (c,)."""
        owners = [k for k, c in enumerate(self.curves) if isinstance(c.shape, Arc | Circle)]
        places = [(*self.curves[k].shape.centre,) for k in owners]  # type: ignore[union-attr]
        return np.array(places).reshape(-1, 2), np.array(owners, dtype=np.int64)

    def centres_near(self, x: float, y: float, reach: float, shown: Bools | None = None) -> list[Point]:
        """Centres within reach (mm) of a place, of curves that are shown."""
        places, owners = self.centres
        near = (np.abs(places - (x, y)) <= reach).all(axis=1)
        if shown is not None:
            near &= shown[owners]
        return [Point(*p) for p in places[near][:50].tolist()]

    @cached_property
    def with_roles(self) -> tuple[int, ...]:
        """Curves that have roles."""
        return tuple(k for k, c in enumerate(self.curves) if c.roles)

    @cached_property
    def locked(self) -> tuple[int, ...]:
        """Curves that nothing moves."""
        return tuple(k for k, c in enumerate(self.curves) if c.locked)

    def middle(self, k: int) -> Point:
        """A point (mm) of a curve half way along its pieces."""
        segments = _segments(self.levels[0], k)
        half = segments[len(segments) // 2] if len(segments) > 1 else (segments[0] + segments[0][[2, 3, 0, 1]]) / 2
        return Point(float(half[0] + self.origin[0]), float(half[1] + self.origin[1]))

    def prepare(self) -> None:
        """Makes now, in the background, what would otherwise be made at the first touch."""
        _ = (
            self.fineness,
            self.lengths,
            self.index,
            self.centres,
            self.with_roles,
            self.locked,
            self.tree if len(self) else None,
        )

    def extents(self) -> tuple[float, float, float, float] | None:
        """Bounding box in mm; None for an empty scene."""
        if not len(self.curves):
            return None
        low, high = self.box[:, :2].min(axis=0) + self.origin, self.box[:, 2:].max(axis=0) + self.origin
        return float(low[0]), float(low[1]), float(high[0]), float(high[1])

    def extents_under(self, by: Transform, shift: Vector) -> tuple[float, float, float, float] | None:
        """Bounding box (mm) if everything were mapped before it is shifted; as exact as what is drawn."""
        segments = self.levels[0].segments
        if not len(segments):
            return None
        moved = np.array([shift.x, shift.y])
        there = by.points(segments.reshape(-1, 2) + self.origin - moved) + moved
        low, high = there.min(axis=0), there.max(axis=0)
        return float(low[0]), float(low[1]), float(high[0]), float(high[1])

    def nearest(self, x: float, y: float, reach: float, shown: Bools | None = None) -> int:
        """Index of the curve nearest to a place (mm) within the reach (mm), or -1; only curves that are shown count."""
        if not len(self.curves):
            return -1
        here = np.array([x, y]) - self.origin
        close = self.tree.query(shapely.box(*(here - reach), *(here + reach)))
        best, best_distance = -1, reach
        for k in close.tolist():
            if shown is not None and not shown[k]:
                continue
            distance = self._distance(k, here)
            if distance <= best_distance:
                best, best_distance = k, distance
        return best

    def within(self, box: tuple[float, float, float, float], touching: bool) -> list[int]:
        """Curves inside a box (mm), or all that touch it."""
        if not len(self.curves):
            return []
        low, high = np.array(box[:2]) - self.origin, np.array(box[2:]) - self.origin
        inside = (self.box[:, :2] >= low).all(axis=1) & (self.box[:, 2:] <= high).all(axis=1)
        if not touching:
            return np.flatnonzero(inside).tolist()
        meets = (self.box[:, :2] <= high).all(axis=1) & (self.box[:, 2:] >= low).all(axis=1) & ~inside
        frame = shapely.box(*low, *high)
        level = self.levels[0]
        hit = [
            k
            for k in np.flatnonzero(meets).tolist()
            if shapely.intersects(frame, shapely.linestrings(_segments(level, k).reshape(-1, 2, 2))).any()
        ]
        return sorted([*np.flatnonzero(inside).tolist(), *hit])

    def inside_lasso(self, trail: Sequence[tuple[float, float]]) -> list[int]:
        """Curves that lie wholly inside a closed trail (mm)."""
        if len(trail) < 3 or not len(self.curves):
            return []
        area = shapely.make_valid(shapely.Polygon(np.array(trail) - self.origin))
        level = self.levels[0]
        near = self.tree.query(area).tolist()
        lines = [shapely.multilinestrings(_segments(level, k).reshape(-1, 2, 2)) for k in near]
        return sorted(np.array(near, dtype=np.int64)[shapely.covers(area, lines)].tolist()) if near else []

    def _distance(self, k: int, here: Floats) -> float:
        segments = _segments(self.levels[0], k)
        a, d = segments[:, :2], segments[:, 2:] - segments[:, :2]
        square = np.maximum((d * d).sum(axis=1), 1e-300)
        share = np.clip(((here - a) * d).sum(axis=1) / square, 0.0, 1.0)
        return float(np.hypot(*(a + d * share[:, None] - here).T).min())


def _segments(level: Level, k: int) -> Floats:
    return level.segments[level.first[k] : level.first[k] + level.count[k]]


def _flattened(shapes: Sequence[Shape]) -> tuple[Floats, Ints]:
    """Vertices of all shapes one after the other, and how many each has (at least two)."""
    lines = [k for k, s in enumerate(shapes) if isinstance(s, Line)]
    rounds = [k for k, s in enumerate(shapes) if isinstance(s, Arc | Circle)]
    simple = {*lines, *rounds}
    others = {k: _vertices(shape) for k, shape in enumerate(shapes) if k not in simple}
    circles = np.array([_circle_row(shapes[k]) for k in rounds]).reshape(-1, 5)  # type: ignore[arg-type]
    steps = np.maximum(4, np.ceil(np.abs(circles[:, 4]) / TURN * _CIRCLE)).astype(np.int64)
    lengths = np.full(len(shapes), 2, dtype=np.int64)
    lengths[rounds] = steps + 1
    for k, vertices in others.items():
        lengths[k] = len(vertices)
    first = np.concatenate([[0], np.cumsum(lengths)]).astype(np.int64)
    points = np.empty((int(first[-1]), 2))
    ends = np.array([(*shapes[k].start, *shapes[k].end) for k in lines]).reshape(-1, 4)
    points[first[lines]], points[first[lines] + 1] = ends[:, :2], ends[:, 2:]
    _fill_arcs(points, first[rounds], circles, steps)
    for k, vertices in others.items():
        points[first[k] : first[k + 1]] = vertices
    return points, lengths


def _vertices(shape: Shape) -> Floats:
    part = shape.flattened(max(shape.length * 2e-4, 1e-9))
    return part if len(part) > 1 else np.repeat(part, 2, axis=0)


def _circle_row(shape: Arc | Circle) -> tuple[float, float, float, float, float]:
    start, sweep = (shape.start_angle, shape.sweep) if isinstance(shape, Arc) else (0.0, TURN)
    return shape.centre.x, shape.centre.y, shape.radius, start, sweep


def _fill_arcs(points: Floats, first: Ints, circles: Floats, steps: Ints) -> None:
    """Puts the vertices of all arcs in their places at once."""
    owner = np.repeat(np.arange(len(steps)), steps + 1)
    step = np.arange(len(owner)) - np.repeat(np.cumsum(steps + 1) - (steps + 1), steps + 1)
    angle = circles[owner, 3] + circles[owner, 4] * (step / steps[owner])
    place = first[owner] + step
    points[place, 0] = circles[owner, 0] + circles[owner, 2] * np.cos(angle)
    points[place, 1] = circles[owner, 1] + circles[owner, 2] * np.sin(angle)


def _level(points: Floats, first: Ints, lengths: Ints, stride: int) -> Level:
    pieces = lengths - 1
    count = -(-pieces // stride)
    begin = np.concatenate([[0], np.cumsum(count)]).astype(np.int64)
    curve = np.repeat(np.arange(len(first)), count)
    step = np.arange(begin[-1]) - begin[curve] if len(curve) else np.empty(0, dtype=np.int64)
    tail = first[curve] + np.minimum(step * stride, pieces[curve])
    head = first[curve] + np.minimum((step + 1) * stride, pieces[curve])
    segments = np.empty((len(tail), 4))
    segments[:, :2], segments[:, 2:] = points[tail], points[head]
    return Level(segments, begin[:-1], count)
