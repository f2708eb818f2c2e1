"""Sketches as they lie in space: their lines, and their regions as triangles that can be seen and picked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.descent import Descent, RegionRef
from syntaxa.drawing.state import Sketch
from syntaxa.form.model import Frame, Profile
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc
from syntaxa.geometry.types import Floats, Ints

#: Share of the size of a sketch within which round lines are shown, and the mm below which nothing is.
_FINE, _FINEST = 5e-4, 1e-4


@dataclass(frozen=True)
class FlatRegion:
    """A region: its lasting name, area in mm2, and whether it is a hole of another one."""

    ref: RegionRef
    area: float
    is_hole: bool


@dataclass(frozen=True)
class Flat:
    """A sketch in space.

    points     (n, 3) mm and region (n,), the number of the region that each is of; triangles (m, 3) of them
    lines      (k, 2, 3) mm; curve (k,) the number of the curve that each is of; roots of the curves
    """

    name: str
    colour: int
    frame: Frame
    regions: tuple[FlatRegion, ...]
    points: Floats
    region: Ints
    triangles: Ints
    lines: Floats
    curve: Ints
    roots: tuple[str, ...]

    @property
    def size(self) -> int:
        """Bytes, roughly."""
        arrays = (self.points, self.region, self.triangles, self.lines, self.curve)
        return 500 * len(self.regions) + sum(a.nbytes for a in arrays)


def flat_of(sketch: Sketch, frame: Frame, profiles: Sequence[Profile], size: float) -> Flat:
    """A sketch of so many mm across as it lies on its plane."""
    fine = max(size * _FINE, _FINEST)
    runs = [c.shape.flattened(fine) for c in sketch.curves]
    segments = [np.stack([run[:-1], run[1:]], axis=1) for run in runs]
    flat = np.concatenate(segments) if segments else np.zeros((0, 2, 2))
    lines = frame.lifted(flat.reshape(-1, 2)).reshape(-1, 2, 3)
    curve = np.repeat(np.arange(len(runs)), [len(s) for s in segments])
    descent = Descent(sketch.curves)
    regions = tuple(FlatRegion(descent.region_named(p), p.region.area, p.region.depth % 2 == 1) for p in profiles)
    films = [_film(p, fine) for p in profiles]
    sizes = [len(plane) for plane, _ in films]
    base = np.cumsum([0, *sizes])[:-1]
    plane = np.concatenate([p for p, _ in films]) if films else np.zeros((0, 2))
    triangles = (
        np.concatenate([t + b for (_, t), b in zip(films, base, strict=True)]) if films else np.zeros((0, 3), int)
    )
    region = np.repeat(np.arange(len(films)), sizes)
    roots = tuple(c.root for c in sketch.curves)
    return Flat(sketch.name, sketch.colour, frame, regions, frame.lifted(plane), region, triangles, lines, curve, roots)


def _film(profile: Profile, fine: float) -> tuple[Floats, Ints]:
    """A region as points (n, 2) of its plane and triangles (m, 3)."""
    # A library for this alone; only whoever looks at regions in space needs it.
    import mapbox_earcut

    loops = [_outline(rows, fine) for rows in profile.region.loops]
    ends = np.cumsum([len(loop) for loop in loops]).astype(np.uint32)
    plane = np.concatenate(loops)
    return plane, mapbox_earcut.triangulate_float64(plane, ends).reshape(-1, 3).astype(np.int64)


def _outline(rows: Floats, fine: float) -> Floats:
    """A closed run of rows (x, y, bulge) as points (n, 2), the last one not the first again."""
    points = []
    for k, (x, y, bulge) in enumerate(rows.tolist()):
        points.append([[x, y]])
        if bulge:
            nx, ny, _ = rows[(k + 1) % len(rows)].tolist()
            points.append(Arc.from_bulge(Point(x, y), Point(nx, ny), bulge).flattened(fine)[1:-1].tolist())
    return np.array([p for part in points for p in part])
