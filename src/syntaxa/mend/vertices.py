"""The pieces of some curves with the places where their ends agree: a place that is moved takes its curves along.

Glossary: a *place* is where ends agree; it is *held* where a curve ends that cannot give way: a locked one, a spline,
an ellipse, a whole circle, or an arc of more than half a turn.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from functools import cached_property

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.shapes import Arc, Line, Polyline
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.mend.model import Pieces, end_points


class Vertices:
    """Places of a sketch's curves.

    pieces  lines and arcs, as the healing has them; label (2n,) the place of each end
    """

    def __init__(self, curves: Sequence[Curve], pieces: Pieces, merge: float) -> None:
        self.curves = tuple(curves)
        self.pieces = pieces
        self.ends = end_points(self.pieces.curves)
        self.count, self.label = cluster_labels(self.ends, 2 * merge)

    @cached_property
    def ends_at(self) -> tuple[Ints, Ints]:
        """(first, ends): the ends at place k are ends[first[k]:first[k + 1]]."""
        return grouped(self.label, self.count)

    @cached_property
    def places(self) -> Floats:
        """Where the places are, (count, 2) mm."""
        first, ends = self.ends_at
        return self.ends[ends[first[:-1]]]

    @cached_property
    def yielding(self) -> Bools:
        """Which pieces can be given another form, (n,)."""
        owner = self.pieces.curves.owner
        parts = np.bincount(owner, minlength=len(self.curves))
        gives = [
            not c.locked and (isinstance(c.shape, Polyline) or (isinstance(c.shape, Line | Arc) and parts[k] == 1))
            for k, c in enumerate(self.curves)
        ]
        return np.array(gives, dtype=bool)[owner]

    @cached_property
    def held(self) -> Bools:
        """Which places cannot be moved, (count,)."""
        held = np.zeros(self.count, dtype=bool)
        held[self.label[np.repeat(~self.yielding, 2)]] = True
        return held

    def moved(self, places: Mapping[int, tuple[float, float]], bulges: Mapping[int, float]) -> dict[str, Curve]:
        """The curves that change, by their ids, when places go elsewhere (mm) and pieces get other bulges."""
        curves = self.pieces.curves
        ends, bulge = self.ends.copy(), curves.bulge.copy()
        first, at = self.ends_at
        for place, goal in places.items():
            ends[at[first[place] : first[place + 1]]] = goal
        for piece, value in bulges.items():
            bulge[piece] = value
        differs = (ends != self.ends).reshape(-1, 4).any(axis=1) | (bulge != curves.bulge)
        owners, own = np.unique(curves.owner[differs]), {}
        begins = np.searchsorted(curves.owner, np.arange(len(self.curves) + 1))
        for k in owners.tolist():
            curve = self.curves[k]
            part = np.arange(begins[k], begins[k + 1])
            closed = isinstance(curve.shape, Polyline) and curve.shape.closed
            rows = np.column_stack([ends[2 * part], bulge[part]])
            if not closed:
                rows = np.vstack([rows, [*ends[2 * part[-1] + 1], 0.0]])
            own[curve.id] = replace(curve, shape=shape_of_rows(rows, closed))
        return own
