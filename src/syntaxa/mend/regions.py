"""Regions: the bounded faces of an arrangement, with their holes and how deep they lie.

Cost: n log n; each component is looked up in the boxes of the faces and then tested exactly.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
import shapely
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components

from syntaxa.geometry.arrays import CurveArray, Ints
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.transform import Floats
from syntaxa.mend.arrangement import Cycles, Edges, bridges, rows_along
from syntaxa.mend.model import Region


@dataclass(frozen=True, slots=True)
class _Face:
    cycle: int
    rows: Floats
    box: Floats


def regions_of(edges: Edges, ids: tuple[str, ...], sketch: str) -> list[Region]:
    """All bounded faces of one sketch, largest first."""
    core = edges.take(np.flatnonzero(~bridges(edges))) if len(edges) else edges
    if not len(core):
        return []
    cycles = Cycles(core)
    faces = _faces(cycles, np.flatnonzero(cycles.area > 0))
    outsides = _faces(cycles, np.flatnonzero(cycles.area < 0))
    component = _components(cycles)
    parent = _parents(faces, outsides, cycles, component)
    holes: dict[int, list[int]] = {}
    for outside, face in enumerate(parent):
        if face >= 0:
            holes.setdefault(face, []).append(outside)
    depth = _depths(faces, outsides, parent, component)
    regions = [
        _region(face, [outsides[k] for k in holes.get(f, [])], depth[f], cycles, ids, sketch)
        for f, face in enumerate(faces)
    ]
    regions.sort(key=lambda r: (-r.area, r.box))
    return [_named(region, k + 1) for k, region in enumerate(regions)]


def _faces(cycles: Cycles, chosen: Ints) -> list[_Face]:
    """Rows and boxes of chosen cycles; the boxes of all edges are taken at once."""
    boxes = np.repeat(cycles.edges.curves.bounds(), 2, axis=0)
    low, high = np.full((cycles.count, 2), np.inf), np.full((cycles.count, 2), -np.inf)
    np.minimum.at(low, cycles.label, boxes[:, :2])
    np.maximum.at(high, cycles.label, boxes[:, 2:])
    both = np.hstack([low, high])
    return [_Face(k, rows_along(cycles, cycles.walk(k)), both[k]) for k in chosen.tolist()]


def _components(cycles: Cycles) -> dict[int, int]:
    """Connected component of each cycle: cycles that share an edge are of one."""
    vertices = len(cycles.edges.vertices)
    ends = (cycles.edges.tail, cycles.edges.head)
    graph = coo_matrix((np.ones(len(cycles.edges)), ends), shape=(vertices, vertices))
    _, label = connected_components(graph, directed=False)
    return {c: int(label[cycles.origin[members[0]]]) for c, members in enumerate(cycles.members)}


def _parents(faces: list[_Face], outsides: list[_Face], cycles: Cycles, component: dict[int, int]) -> list[int]:
    """For each outside cycle the smallest face of another component that holds it, or -1."""
    tree = shapely.STRtree(shapely.box(*np.array([f.box for f in faces]).T))
    parent = []
    for outside in outsides:
        point = outside.rows[0, :2]
        best = -1
        for k in tree.query(shapely.points(*point)).tolist():
            face = faces[k]
            if component[face.cycle] == component[outside.cycle]:
                continue
            smaller = best < 0 or cycles.area[face.cycle] < cycles.area[faces[best].cycle]
            if smaller and holds(pieces_of_rows(face.rows, True), point):
                best = k
        parent.append(best)
    return parent


def holds(loop: CurveArray, point: Floats) -> bool:
    """Whether a closed loop of lines and arcs winds round a point; exact, no facets."""
    a, b = loop.start - point, loop.end - point
    turn = np.arctan2(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0], (a * b).sum(axis=1)).sum()
    # An arc turns round what lies between it and its chord once more than the chord does.
    chord, from_start = loop.end - loop.start, point - loop.start
    side = chord[:, 0] * from_start[:, 1] - chord[:, 1] * from_start[:, 0]
    in_disc = np.hypot(*(point - loop.centre).T) < loop.radius
    between = loop.is_arc & in_disc & (side * loop.sweep < 0)
    wound = turn / (2 * np.pi) + np.sign(loop.sweep[between]).sum()
    return bool(round(float(wound)) != 0)


def _depths(faces: list[_Face], outsides: list[_Face], parent: list[int], component: dict[int, int]) -> list[int]:
    """How many faces each face lies in."""
    around = {component[outside.cycle]: face for outside, face in zip(outsides, parent, strict=True)}
    depths = []
    for face in faces:
        depth, outer = 0, around[component[face.cycle]]
        while outer >= 0:
            depth, outer = depth + 1, around[component[faces[outer].cycle]]
        depths.append(depth)
    return depths


def _region(face: _Face, holes: list[_Face], depth: int, cycles: Cycles, ids: tuple[str, ...], sketch: str) -> Region:
    owners = np.unique(
        np.concatenate([cycles.edges.curves.owner[cycles.members[f.cycle] // 2] for f in (face, *holes)])
    )
    return Region(
        id="",
        sketch=sketch,
        area=float(cycles.area[face.cycle] + sum(cycles.area[h.cycle] for h in holes)),
        perimeter=float(sum(cycles.perimeter[f.cycle] for f in (face, *holes))),
        box=tuple(face.box.tolist()),
        depth=depth,
        curves=tuple(ids[k] for k in owners),
        loops=(face.rows, *(h.rows for h in holes)),
    )


def _named(region: Region, number: int) -> Region:
    return replace(region, id=f"{region.sketch}/{number}")
