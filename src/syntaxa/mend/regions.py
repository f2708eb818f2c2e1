"""Regions: the bounded faces of an arrangement, with their holes and how deep they lie.

Cost: n log n; each component is looked up in the boxes of the faces and then tested exactly.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from syntaxa.geometry.arrays import CurveArray, Ints
from syntaxa.geometry.transform import Floats
from syntaxa.mend.arrangement import Cycles, Edges, bridges, components, rows_along
from syntaxa.mend.model import Region


@dataclass(frozen=True, slots=True)
class _Face:
    cycle: int
    rows: Floats
    box: Floats


def regions_of(edges: Edges, ids: tuple[str, ...], sketch: str) -> list[Region]:
    """All bounded faces of one sketch, largest first."""
    loose = bridges(edges)
    core = edges.take(np.flatnonzero(~loose)) if loose.any() else edges
    if not len(core):
        return []
    cycles = core.cycles
    faces, outsides = _faces(cycles)
    component = _groups(cycles)
    parent = _parents(faces, outsides, cycles, component)
    holes: dict[int, list[int]] = {}
    for outside, face in enumerate(parent):
        if face >= 0:
            holes.setdefault(face, []).append(outside)
    depth = _depths(faces, outsides, parent, component)
    inside = [[outsides[k] for k in holes.get(f, [])] for f in range(len(faces))]
    owners = _owners(cycles, faces, inside)
    regions = [
        _region(face, inside[f], depth[f], cycles, tuple(ids[k] for k in owners[f]), sketch)
        for f, face in enumerate(faces)
    ]
    regions.sort(key=lambda r: (-r.area, r.box))
    return [_named(region, k + 1) for k, region in enumerate(regions)]


def region_count(edges: Edges) -> int:
    """How many bounded faces there are."""
    loose = bridges(edges)
    core = edges.take(np.flatnonzero(~loose)) if loose.any() else edges
    return int((core.cycles.area > 0).sum()) if len(core) else 0


def _faces(cycles: Cycles) -> tuple[list[_Face], list[_Face]]:
    """The faces, and the outsides of connected groups."""
    first, halves = cycles.walks
    boxes = cycles.edges.curves.bounds().take(halves // 2, axis=0)
    low = np.minimum.reduceat(boxes[:, :2], first[:-1], axis=0)
    high = np.maximum.reduceat(boxes[:, 2:], first[:-1], axis=0)
    both = np.hstack([low, high])
    rows = rows_along(cycles, halves)
    bounds = first.tolist()

    def chosen(which: Ints) -> list[_Face]:
        return [_Face(k, rows[bounds[k] : bounds[k + 1]], both[k]) for k in which.tolist()]

    return chosen(np.flatnonzero(cycles.area > 0)), chosen(np.flatnonzero(cycles.area < 0))


def _groups(cycles: Cycles) -> list[int]:
    """Connected group of each cycle: cycles that share an edge are of one."""
    _, label = components(cycles.edges.tail, cycles.edges.head, len(cycles.edges.vertices))
    first, halves = cycles.walks
    return [int(k) for k in label[cycles.origin[halves[first[:-1]]]]]


def _parents(faces: list[_Face], outsides: list[_Face], cycles: Cycles, component: list[int]) -> list[int]:
    """For each outside cycle the smallest face of another component that holds it, or -1.

    A ray from the cycle to the right crosses the outline of each face that holds it an odd number of times.
    """
    points = np.array([outside.rows[0, :2] for outside in outsides]).reshape(-1, 2)
    ray, edge = crossed_edges(cycles.edges.curves, points)
    number = np.full(cycles.count, -1, dtype=np.int64)
    number[[face.cycle for face in faces]] = np.arange(len(faces))
    group = np.array(component)
    own = group[[outside.cycle for outside in outsides]]
    hits = np.concatenate([cycles.label[2 * edge], cycles.label[2 * edge + 1]])
    ray = np.concatenate([ray, ray])
    counts = (number[hits] >= 0) & (group[hits] != own[ray])
    span = max(len(faces), 1)
    pairs, odd = np.unique(ray[counts] * span + number[hits[counts]], return_counts=True)
    area = np.array([cycles.area[face.cycle] for face in faces])
    parent = [-1] * len(outsides)
    for k, f in zip(*(part[odd % 2 == 1].tolist() for part in np.divmod(pairs, span)), strict=True):
        if parent[k] < 0 or area[f] < area[parent[k]]:
            parent[k] = f
    return parent


def crossed_edges(curves: CurveArray, points: Floats) -> tuple[Ints, Ints]:
    """Pairs (row of the points (n, 2), piece) for each crossing of a ray to the right with a line or arc.

    A piece that rises from low to high counts low and not high, so that a ray through a shared end counts once;
    an arc is taken as its rising and falling parts. Exact for lines and arcs.
    """
    parts, low, high, side = _monotone_parts(curves)
    x, y = points[:, 0], points[:, 1]
    ray, part = _at_height(low, high, y)
    height = y[ray]
    owner = parts[part]
    start, end, centre, radius = (getattr(curves, name)[owner] for name in ("start", "end", "centre", "radius"))
    rise = end[:, 1] - start[:, 1]
    share = (height - start[:, 1]) / np.where(rise == 0, 1.0, rise)
    on_line = start[:, 0] + (end[:, 0] - start[:, 0]) * share
    half = np.sqrt(np.maximum(radius**2 - (height - centre[:, 1]) ** 2, 0.0))
    at = np.where(curves.is_arc[owner], centre[:, 0] + side[part] * half, on_line)
    right_of = at > x[ray]
    return ray[right_of], owner[right_of]


def _at_height(low: Floats, high: Floats, heights: Floats) -> tuple[Ints, Ints]:
    """Pairs (row of the heights, interval) with low <= height < high; the intervals are sorted into as many strips."""
    base = float(low.min(initial=np.inf))
    strips = 2 * len(heights)
    size = max((float(high.max(initial=-np.inf)) - base) / max(strips, 1), 1e-300)
    begin, end = (np.clip((edge - base) / size, 0, strips).astype(np.int64) for edge in (low, high))
    count = end - begin + 1
    interval = np.repeat(np.arange(len(low)), count)
    strip = np.repeat(begin - (np.cumsum(count) - count), count) + np.arange(len(interval))
    order = np.argsort(strip, kind="stable")
    strip, interval = strip[order], interval[order]
    wanted = np.clip((heights - base) / size, -1, strips + 1).astype(np.int64)
    first = np.searchsorted(strip, wanted, side="left")
    sizes = np.searchsorted(strip, wanted, side="right") - first
    row = np.repeat(np.arange(len(heights)), sizes)
    found = interval[np.repeat(first - (np.cumsum(sizes) - sizes), sizes) + np.arange(len(row))]
    hit = np.flatnonzero((low[found] <= heights[row]) & (heights[row] < high[found]))
    return row[hit], found[hit]


def _monotone_parts(curves: CurveArray) -> tuple[Ints, Floats, Floats, Floats]:
    """(piece, lowest y, highest y, side) of parts that only rise or only fall; side -1 or 1 of the centre, for arcs."""
    tops = []
    for quarter in (1, 3):
        first = np.where(curves.sweep >= 0, curves.start_angle, curves.start_angle + curves.sweep)
        away = (quarter * np.pi / 2 - first) % (2 * np.pi)
        inside = curves.is_arc & (away > 0) & (away < np.abs(curves.sweep))
        tip = curves.centre[:, 1] + np.where(quarter == 1, 1.0, -1.0) * curves.radius
        share = np.where(curves.sweep >= 0, away, np.abs(curves.sweep) - away) / np.maximum(
            np.abs(curves.sweep), 1e-300
        )
        tops.append((np.flatnonzero(inside), share[inside], tip[inside]))
    every = np.arange(len(curves))
    owner = np.concatenate([every, every, *(t[0] for t in tops)])
    share = np.concatenate([np.zeros(len(every)), np.ones(len(every)), *(t[1] for t in tops)])
    height = np.concatenate([curves.start[:, 1], curves.end[:, 1], *(t[2] for t in tops)])
    order = np.lexsort((share, owner))
    owner, share, height = owner[order], share[order], height[order]
    follows = np.flatnonzero(owner[1:] == owner[:-1])
    parts = owner[follows]
    middle = curves.take(parts).points_at((share[follows] + share[follows + 1]) / 2)
    side = np.where(middle[:, 0] >= curves.centre[parts, 0], 1.0, -1.0)
    a, b = height[follows], height[follows + 1]
    return parts, np.minimum(a, b), np.maximum(a, b), side


def holds(loop: CurveArray, point: Floats) -> bool:
    """Whether a closed loop of lines and arcs winds round a point."""
    return len(crossed_edges(loop, point[None, :])[0]) % 2 == 1


def _depths(faces: list[_Face], outsides: list[_Face], parent: list[int], component: list[int]) -> list[int]:
    """How many faces each face lies in."""
    around = {component[outside.cycle]: face for outside, face in zip(outsides, parent, strict=True)}
    depths = []
    for face in faces:
        depth, outer = 0, around[component[face.cycle]]
        while outer >= 0:
            depth, outer = depth + 1, around[component[faces[outer].cycle]]
        depths.append(depth)
    return depths


def _owners(cycles: Cycles, faces: list[_Face], holes: list[list[_Face]]) -> list[list[int]]:
    """The curves that bound each face, holes included."""
    of = np.full(cycles.count, -1, dtype=np.int64)
    for f, face in enumerate(faces):
        of[[face.cycle, *(h.cycle for h in holes[f])]] = f
    half = np.flatnonzero(of[cycles.label] >= 0)
    owner = cycles.edges.curves.owner[half // 2]
    span = int(owner.max(initial=0)) + 1
    both = np.unique(of[cycles.label[half]] * span + owner)
    starts = np.searchsorted(both // span, np.arange(1, len(faces)))
    return [part.tolist() for part in np.split(both % span, starts)]


def _region(
    face: _Face, holes: list[_Face], depth: int, cycles: Cycles, curves: tuple[str, ...], sketch: str
) -> Region:
    area = float(cycles.area[face.cycle] + sum(cycles.area[h.cycle] for h in holes))
    moment = sum((cycles.moment[f.cycle] for f in (face, *holes)), np.zeros(2))
    return Region(
        id="",
        sketch=sketch,
        area=area,
        perimeter=float(sum(cycles.perimeter[f.cycle] for f in (face, *holes))),
        centroid=tuple((moment / area + cycles.origin_of_moments).tolist()),
        box=tuple(face.box.tolist()),
        depth=depth,
        curves=curves,
        loops=(face.rows, *(h.rows for h in holes)),
    )


def _named(region: Region, number: int) -> Region:
    return replace(region, id=f"{region.sketch}/{number}")
