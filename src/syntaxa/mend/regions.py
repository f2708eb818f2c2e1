"""Regions: the bounded faces of an arrangement, with their holes and how deep they lie.

Cost: n log n; each component is looked up in the boxes of the faces and then tested exactly.
"""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from syntaxa.geometry.clusters import linked
from syntaxa.geometry.inside import crossed_edges
from syntaxa.geometry.ragged import distinct, grouped
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.arrangement import Cycles, Edges, bridges, rows_along
from syntaxa.mend.model import Region


@dataclass(frozen=True)
class Faces:
    """The bounded faces of an arrangement without its bridges, f of them, and the outsides of what hangs together.

    outer, outsides   (f,) and (k,) the cycle round each face, and those round each component
    component         (cycles,) the component of each cycle
    parent            (k,) the face that each component lies in, or -1
    """

    cycles: Cycles
    outer: Ints
    outsides: Ints
    component: Ints
    parent: Ints

    @cached_property
    def bounds(self) -> tuple[Ints, Ints]:
        """(first, cycle): face f is bounded by cycle[first[f]:first[f + 1]], its outer one first."""
        inside = np.flatnonzero(self.parent >= 0)
        of = np.concatenate([np.arange(len(self.outer)), self.parent[inside]])
        first, order = grouped(of, len(self.outer))
        return first, np.concatenate([self.outer, self.outsides[inside]])[order]


def faces_of(edges: Edges) -> Faces | None:
    """The faces; None where nothing is bounded."""
    loose = bridges(edges)
    core = edges.take(np.flatnonzero(~loose)) if loose.any() else edges
    if not len(core):
        return None
    cycles = core.cycles
    outer, outsides = np.flatnonzero(cycles.area > 0), np.flatnonzero(cycles.area < 0)
    component = _groups(cycles)
    return Faces(cycles, outer, outsides, component, _parents(outer, outsides, cycles, component))


def regions_of(edges: Edges, ids: tuple[str, ...], sketch: str) -> list[Region]:
    """All bounded faces of one sketch, largest first."""
    faces = faces_of(edges)
    return [region for _, region in regions_in(faces, ids, sketch)] if faces is not None else []


def regions_in(faces: Faces, ids: tuple[str, ...], sketch: str) -> list[tuple[int, Region]]:
    """Each face by its number, and what is told of it, largest first."""
    cycles = faces.cycles
    first, cycle = faces.bounds
    area, perimeter = (np.add.reduceat(part[cycle], first[:-1]) for part in (cycles.area, cycles.perimeter))
    moment = np.add.reduceat(cycles.moment.take(cycle, axis=0), first[:-1], axis=0)
    centroid = moment / area[:, None] + cycles.origin_of_moments
    curves = _owners(cycles, first, cycle, ids)
    rows, box = _outlines(cycles)
    depth = _depths(faces.component[faces.outer], faces.component[faces.outsides], faces.parent)
    twins = _twins(curves, centroid)
    boxes, bounds, loops = box[faces.outer].tolist(), first.tolist(), [rows[k] for k in cycle.tolist()]
    # Faces of one size are told apart by where they lie.
    ranked = sorted(range(len(faces.outer)), key=lambda f: (-area[f], boxes[f]))
    figures = list(zip(area.tolist(), perimeter.tolist(), centroid.tolist(), strict=True))
    return [
        (
            f,
            Region(
                sketch=sketch,
                area=figures[f][0],
                perimeter=figures[f][1],
                centroid=(figures[f][2][0], figures[f][2][1]),
                box=tuple(boxes[f]),
                depth=depth[f],
                curves=curves[f],
                loops=tuple(loops[bounds[f] : bounds[f + 1]]),
                twin=twins[f],
            ),
        )
        for f in ranked
    ]


def _twins(curves: list[tuple[str, ...]], centroid: Floats) -> list[int]:
    """Numbers of the faces among those that the same curves bound, from left to right and then upwards."""
    seen: Counter[tuple[str, ...]] = Counter()
    number = [0] * len(curves)
    for f in np.lexsort((centroid[:, 1], centroid[:, 0])).tolist():
        number[f] = seen[curves[f]]
        seen[curves[f]] += 1
    return number


def region_count(edges: Edges) -> int:
    """How many bounded faces there are."""
    loose = bridges(edges)
    core = edges.take(np.flatnonzero(~loose)) if loose.any() else edges
    return int((core.cycles.area > 0).sum()) if len(core) else 0


def _outlines(cycles: Cycles) -> tuple[list[Floats], Floats]:
    """The rows (x, y, bulge) round each cycle, and the boxes (cycles, 4)."""
    first, halves = cycles.walks
    boxes = cycles.edges.curves.bounds().take(halves // 2, axis=0)
    low = np.minimum.reduceat(boxes[:, :2], first[:-1], axis=0)
    high = np.maximum.reduceat(boxes[:, 2:], first[:-1], axis=0)
    return np.split(rows_along(cycles, halves), first[1:-1]), np.hstack([low, high])


def _groups(cycles: Cycles) -> Ints:
    """Connected group of each cycle: cycles that share an edge are of one."""
    _, label = linked(cycles.edges.tail, cycles.edges.head, len(cycles.edges.vertices))
    group = np.empty(cycles.count, dtype=np.int64)
    group[cycles.label] = label[cycles.origin]
    return group


def _parents(faces: Ints, outsides: Ints, cycles: Cycles, component: Ints) -> Ints:
    """For each outside cycle the smallest face (its row) of another component that holds it, or -1.

    A ray from the cycle to the right crosses the outline of each face that holds it an odd number of times.
    """
    some = np.empty(cycles.count, dtype=np.int64)
    some[cycles.label] = cycles.origin
    ray, edge = crossed_edges(cycles.edges.curves, cycles.edges.vertices.take(some[outsides], axis=0))
    number = np.full(cycles.count, -1, dtype=np.int64)
    number[faces] = np.arange(len(faces))
    hits = np.concatenate([cycles.label[2 * edge], cycles.label[2 * edge + 1]])
    ray = np.concatenate([ray, ray])
    counts = (number[hits] >= 0) & (component[hits] != component[outsides][ray])
    span = max(len(faces), 1)
    pairs, times = np.unique(ray[counts] * span + number[hits[counts]], return_counts=True)
    ray, face = np.divmod(pairs[times % 2 == 1], span)
    # The smallest is written last.
    order = np.argsort(-cycles.area[faces][face], kind="stable")
    parent = np.full(len(outsides), -1, dtype=np.int64)
    parent[ray[order]] = face[order]
    return parent


def _depths(of_face: Ints, of_outside: Ints, parent: Ints) -> list[int]:
    """How many faces each face lies in, by the components of faces and outsides."""
    around = dict(zip(of_outside.tolist(), parent.tolist(), strict=True))
    group = of_face.tolist()
    depths = []
    for own in group:
        depth, outer = 0, around[own]
        while outer >= 0:
            depth, outer = depth + 1, around[group[outer]]
        depths.append(depth)
    return depths


def _owners(cycles: Cycles, first: Ints, cycle: Ints, ids: tuple[str, ...]) -> list[tuple[str, ...]]:
    """The curves that bound each face, holes included; the cycles of face f are cycle[first[f]:first[f + 1]]."""
    of = np.full(cycles.count, -1, dtype=np.int64)
    of[cycle] = np.repeat(np.arange(len(first) - 1), np.diff(first))
    face = of[cycles.label]
    half = np.flatnonzero(face >= 0)
    owner = cycles.edges.curves.owner[half // 2]
    both = distinct(face[half] * len(ids) + owner)
    starts = np.searchsorted(both, np.arange(1, len(first) - 1) * len(ids))
    return [tuple(map(ids.__getitem__, part.tolist())) for part in np.split(both % len(ids), starts)]
