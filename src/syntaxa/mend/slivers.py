"""Faces thinner than the tolerance: the space between two runs of the same line, drawn twice and not quite alike.

A thin face is closed by taking away one of its edges, one that lies within the tolerance of the rest of
the face all along. The face next to it takes its place, nothing that stays is moved.
Cost: n log n in the edges of thin faces for each round; a round looks only where the one before took something.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from syntaxa import heart
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.arrangement import Edges


@dataclass(frozen=True, slots=True)
class Twin:
    """An edge that runs beside others: its index, the edges beside it (k,), and the widest space between (mm)."""

    edge: int
    beside: Ints
    width: float


@dataclass(frozen=True, slots=True)
class Twins:
    """k twins: their edges and widths (k,), and of which face f they were sides: sides[first[f]:first[f + 1]]."""

    edge: Ints
    width: Floats
    face: Ints
    first: Ints
    sides: Ints

    def __len__(self) -> int:
        return len(self.edge)

    def __iter__(self) -> Iterator[Twin]:
        for edge, width, face in zip(self.edge.tolist(), self.width.tolist(), self.face.tolist(), strict=True):
            sides = self.sides[self.first[face] : self.first[face + 1]]
            yield Twin(edge, sides[sides != edge], width)


def without_slivers(
    edges: Edges, tolerance: float, total: Floats, accept: Callable[[Twin], bool] | None
) -> tuple[Edges, Twins]:
    """The edges left when every face thinner than the tolerance (mm) has lost one.

    total    length of each curve (owners,), mm: of two edges that could go, that of the shorter curve goes
    accept   is asked for each; an edge that it refuses stays. Without it all go, and are given back
    """
    asked = None if accept is None else lambda *twin: accept(Twin(*twin))
    gone, edge, width, face, first, sides = heart.thin_edges(edges, tolerance, total, asked)
    return (edges.take(~gone) if gone.any() else edges), Twins(edge, width, face, first, sides)
