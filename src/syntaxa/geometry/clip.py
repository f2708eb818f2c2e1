"""The part of a shape that lies within an area.

Lines, arcs and polylines are cut exactly where they meet the outline; ellipses and splines that have to be cut
become arc runs within the fit tolerance, those that lie wholly inside stay what they are.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import TypeAlias

import numpy as np
import shapely
from shapely import MultiPolygon, Polygon
from shapely.geometry.base import BaseGeometry

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.intersect import carrier_crossings
from syntaxa.geometry.rows import merged_rows, shape_of_rows
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.tolerances import HAIR, Tolerances
from syntaxa.geometry.types import Floats

Area: TypeAlias = "Polygon | MultiPolygon"


def area_of(points: Floats) -> Area:
    """The area within a closed run of points (n, 2); crossings of itself are sorted out."""
    if len(points) < 3:
        return Polygon()
    made = Polygon(points)
    return made if made.is_valid else _areas_in(shapely.make_valid(made))


def _areas_in(mixed: BaseGeometry) -> Area:
    parts = [g for g in shapely.get_parts(mixed) if isinstance(g, Polygon | MultiPolygon)]
    joined = shapely.union_all(parts)
    return joined if isinstance(joined, Polygon | MultiPolygon) else Polygon()


def area_of_rings(rings: Sequence[Floats], even_odd: bool) -> Area:
    """The area within closed runs of points (n, 2) each, by the even-odd or the non-zero rule.

    The plane is cut at all of them, and each part is in or out by how often they wind round a point of it.
    """
    closed = [np.vstack([ring, ring[:1]]) for ring in rings if len(ring) >= 3]
    if len(closed) < 2 and not even_odd:
        return area_of(rings[0]) if rings else Polygon()
    if not closed:
        return Polygon()
    cut = shapely.union_all([shapely.LineString(ring) for ring in closed])
    parts = [p for p in shapely.get_parts(shapely.polygonize([cut])) if isinstance(p, Polygon)]
    kept = [p for p in parts if _winds(closed, shapely.point_on_surface(p), even_odd)]
    joined = shapely.union_all(kept) if kept else Polygon()
    return joined if isinstance(joined, Polygon | MultiPolygon) else _areas_in(joined)


def _winds(rings: Sequence[Floats], place: shapely.Point, even_odd: bool) -> bool:
    x, y = place.x, place.y
    total = 0
    for ring in rings:
        a, b = ring[:-1] - (x, y), ring[1:] - (x, y)
        side = a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]
        up = (a[:, 1] <= 0) & (b[:, 1] > 0) & (side > 0)
        down = (a[:, 1] > 0) & (b[:, 1] <= 0) & (side < 0)
        total += int(up.sum()) - int(down.sum())
    return bool(total % 2) if even_odd else total != 0


def common(one: Area, other: Area) -> Area:
    """The area that both share."""
    shared = shapely.intersection(one, other)
    return shared if isinstance(shared, Polygon | MultiPolygon) else _areas_in(shared)


def box_area(box: tuple[float, float, float, float]) -> Polygon:
    """The area of a box (xmin, ymin, xmax, ymax)."""
    return shapely.box(*box)


def lies_within(shape: Shape, area: Area) -> bool:
    """Whether no part of the shape lies outside the area."""
    if area.is_empty:
        return False
    box = shapely.box(*bounds(shape))
    if not shapely.intersects(box, area):
        return False
    if shapely.covers(area, box):
        return True
    points = shape.flattened(max(shape.length * 1e-4, HAIR))
    return bool(shapely.covers(area, shapely.linestrings(points)))


def clipped(shape: Shape, area: Area, tolerances: Tolerances | None = None) -> list[Shape]:
    """The pieces of a shape within an area, in its own direction; the shape itself where all of it lies within."""
    if lies_within(shape, area):
        return [shape]
    if area.is_empty or not shapely.intersects(shapely.box(*bounds(shape)), area):
        return []
    limits = tolerances or Tolerances()
    rows = rows_of(shape, limits.fit)
    pieces = CurveArray.from_rows(rows, [0] * len(rows))
    cuts = _cuts(pieces, area)
    runs: list[list[list[float]]] = []
    for k in range(len(pieces)):
        stops = np.unique(np.concatenate([[0.0, 1.0], cuts[k]]))
        taken = pieces.take(np.full(len(stops) - 1, k))
        inside = shapely.covers(area, shapely.points(taken.points_at((stops[1:] + stops[:-1]) / 2)))
        corners = taken.take(np.zeros(len(stops), dtype=np.int64)).points_at(stops)
        corners[0], corners[-1] = pieces.start[k], pieces.end[k]
        for j in np.flatnonzero(inside).tolist():
            bulge = float(np.tan(pieces.sweep[k] * (stops[j + 1] - stops[j]) / 4))
            begin, end = corners[j].tolist(), corners[j + 1].tolist()
            if runs and runs[-1][-1][:2] == begin:
                runs[-1][-1][2] = bulge
                runs[-1].append([*end, 0.0])
            else:
                runs.append([[*begin, bulge], [*end, 0.0]])
    if len(runs) > 1 and shape.is_closed and runs[-1][-1][:2] == runs[0][0][:2]:
        last = runs.pop()
        runs[0] = last[:-1] + runs[0]
    merge = limits.merge
    return [shape_of_rows(merged_rows(np.array(run), False, merge, limits.angle), False) for run in runs]


def _cuts(pieces: CurveArray, area: Area) -> list[Floats]:
    """Shares of each piece at which it meets the outline of the area."""
    rings = [np.asarray(r.coords)[:, :2] for r in _rings(area)]
    edges = np.concatenate([np.hstack([r[:-1], r[1:], np.zeros((len(r) - 1, 1))]) for r in rings])
    outline = CurveArray.from_rows(map(tuple, edges.tolist()), [1] * len(edges))
    both = CurveArray.joined([pieces, outline])
    count = len(pieces)
    tree = shapely.STRtree(shapely.box(*outline.bounds().T))
    i, j = tree.query(shapely.box(*pieces.bounds().T))
    cuts: list[list[float]] = [[] for _ in range(count)]
    for points in carrier_crossings(both, i, j + count, HAIR):
        met = np.flatnonzero(~np.isnan(points[:, 0]))
        if not len(met):
            continue
        on_piece = pieces.take(i[met]).parameters_of(points[met])
        on_edge = outline.take(j[met]).parameters_of(points[met])
        good = (on_piece > HAIR) & (on_piece < 1 - HAIR) & (on_edge >= -HAIR) & (on_edge <= 1 + HAIR)
        for piece, share in zip(i[met][good].tolist(), on_piece[good].tolist(), strict=True):
            cuts[piece].append(share)
    return [np.array(c, dtype=np.float64) for c in cuts]


def _rings(area: Area) -> list[shapely.LinearRing]:
    polygons = [area] if isinstance(area, Polygon) else list(area.geoms)
    return [ring for p in polygons if not p.is_empty for ring in (p.exterior, *p.interiors)]
