"""Faces thinner than the tolerance: the space between two runs of the same line, drawn twice and not quite alike.

A thin face is closed by taking away one of its edges, one that lies within the tolerance of the rest of
the face all along. The face next to it takes its place, nothing that stays is moved.
Cost: n log n in the edges of thin faces for each round; a round looks only where the one before took something.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from syntaxa import heart
from syntaxa.geometry.types import Ints
from syntaxa.mend.arrangement import Edges


@dataclass(frozen=True, slots=True)
class Twin:
    """An edge that runs beside others: its index, the edges beside it (k,), and the widest space between (mm)."""

    edge: int
    beside: Ints
    width: float


def without_slivers(
    edges: Edges, tolerance: float, weight: Ints, accept: Callable[[Twin], bool] | None
) -> tuple[Edges, list[Twin]]:
    """The edges left when every face thinner than the tolerance (mm) has lost one.

    weight   ranks edges, (m,): of two that could go, the lighter one goes
    accept   is asked for each; an edge that it refuses stays. Without it all go, and are given back
    """
    asked = None if accept is None else lambda *twin: accept(Twin(*twin))
    gone, told = heart.thin_edges(edges, tolerance, weight, asked)
    return (edges.take(~gone) if gone.any() else edges), [Twin(*twin) for twin in told]
