"""Regions: the bounded faces of an arrangement, with their holes and how deep they lie.

Cost: n log n; each component is looked up in the boxes of the faces and then tested exactly.
"""

from __future__ import annotations

import itertools
from collections import Counter
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from syntaxa import heart
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.arrangement import Cycles, Edges
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
    own, known, *faces = heart.faces(edges.curves, edges.tail, edges.head, len(edges.vertices))
    if not len(own):
        return None
    return Faces(Cycles(edges if len(own) == len(edges) else edges.take(own), known), *faces)


def regions_of(edges: Edges, ids: tuple[str, ...], sketch: str) -> list[Region]:
    """All bounded faces of one sketch, largest first."""
    faces = faces_of(edges)
    return [region for _, region in regions_in(faces, ids, sketch)] if faces is not None else []


def regions_in(faces: Faces, ids: tuple[str, ...], sketch: str) -> list[tuple[int, Region]]:
    """Each face by its number, and what is told of it, largest first."""
    cycles = faces.cycles
    first, cycle, area, perimeter, centroid, box, depth, begin, owners = heart.figures(
        cycles.edges.curves, cycles, faces
    )
    every = owners.tolist()
    curves = [tuple(map(ids.__getitem__, every[a:b])) for a, b in itertools.pairwise(begin.tolist())]
    rows = _outlines(cycles)
    twins = _twins(curves, centroid)
    boxes, bounds, loops = box.tolist(), first.tolist(), [rows[k] for k in cycle.tolist()]
    # Faces of one size are told apart by where they lie.
    ranked = sorted(range(len(faces.outer)), key=lambda f: (-area[f], boxes[f]))
    figures = list(zip(area.tolist(), perimeter.tolist(), centroid.tolist(), depth.tolist(), strict=True))
    return [
        (
            f,
            Region(
                sketch=sketch,
                area=figures[f][0],
                perimeter=figures[f][1],
                centroid=(figures[f][2][0], figures[f][2][1]),
                box=tuple(boxes[f]),
                depth=figures[f][3],
                curves=curves[f],
                loops=tuple(loops[bounds[f] : bounds[f + 1]]),
                twin=twins[f],
            ),
        )
        for f in ranked
    ]


def _twins(curves: list[tuple[str, ...]], centroid: Floats) -> list[int]:
    """Numbers of the faces among those that the same curves bound, from left to right and then upwards."""
    number = [0] * len(curves)
    if len(set(curves)) == len(curves):
        return number
    seen: Counter[tuple[str, ...]] = Counter()
    for f in np.lexsort((centroid[:, 1], centroid[:, 0])).tolist():
        number[f] = seen[curves[f]]
        seen[curves[f]] += 1
    return number


def region_count(edges: Edges) -> int:
    """How many bounded faces there are."""
    return int((heart.faces(edges.curves, edges.tail, edges.head, len(edges.vertices))[1][2] > 0).sum())


def _outlines(cycles: Cycles) -> list[Floats]:
    """The rows (x, y, bulge) round each cycle."""
    first, rows = heart.outlines(cycles.edges.curves, cycles)
    return [rows[a:b] for a, b in itertools.pairwise(first.tolist())]
