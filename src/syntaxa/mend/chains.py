"""Curves that meet end to end, as chains in order."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.chaining import walks
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.fitting import Rows
from syntaxa.geometry.runs import end_to_end, rows_of

#: mm; ends nearer than this are one.
_SAME = 2e-6


@dataclass(frozen=True, slots=True)
class Chain:
    """Curves in order, the foremost of those given in the lead, and their rows (x0, y0, x1, y1, bulge) end to end."""

    curves: list[Curve]
    rows: Rows
    closed: bool

    @property
    def lead(self) -> Curve:
        """The curve that the chain takes its layer and name from."""
        return self.curves[0]


def chains_of(curves: Sequence[Curve], fit: float = 1e-3) -> list[Chain]:
    """The chains of some curves; where three or more ends meet a chain ends."""
    runs = [rows_of(c.shape, fit) for c in curves]
    if not runs:
        return []
    ends = np.array([p for run in runs for p in (run[0][:2], run[-1][2:4])])
    _, label = cluster_labels(ends, _SAME)
    chains = []
    for walk, closed in walks(label.tolist()):
        rows = [row for end in walk for row in _run(runs[end // 2], end % 2 == 1)]
        members = [curves[end // 2] for end in walk]
        lead = min(range(len(members)), key=lambda i: walk[i] // 2)
        chains.append(Chain([members[lead], *members[:lead], *members[lead + 1 :]], end_to_end(rows, closed), closed))
    return chains


def _run(rows: Rows, backward: bool) -> Rows:
    return [(c, d, a, b, -bulge) for a, b, c, d, bulge in reversed(rows)] if backward else rows
