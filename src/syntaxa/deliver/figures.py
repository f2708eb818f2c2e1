"""What a file that would be written holds, counted: profiles, holes, and what stays open."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.deliver.plan import Plan
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.inside import crossed_edges
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.tolerances import Tolerances


@dataclass(frozen=True, slots=True)
class Figures:
    """Of one sketch: closed contours that are outlines, closed contours that are holes in one, and open runs."""

    sketch: str
    profiles: int = 0
    holes: int = 0
    open_runs: int = 0

    def __add__(self, other: Figures) -> Figures:
        return Figures(
            self.sketch,
            self.profiles + other.profiles,
            self.holes + other.holes,
            self.open_runs + other.open_runs,
        )

    def __str__(self) -> str:
        closed = f"{self.contours} closed contour{'s' if self.contours != 1 else ''}"
        if self.holes:
            profiles = f"{self.profiles} profile{'s' if self.profiles != 1 else ''}"
            closed += f" ({profiles}, {self.holes} hole{'s' if self.holes != 1 else ''})"
        if self.open_runs:
            closed += f" and {self.open_runs} open line{'s' if self.open_runs != 1 else ''}"
        return closed

    @property
    def contours(self) -> int:
        """All closed contours."""
        return self.profiles + self.holes


def figures_of(plan: Plan) -> tuple[Figures, ...]:
    """The figures of each sketch, in the order in which they go out.

    A sketch goes out on several layers where some of its curves have a role; a hole is one whatever layer it is on.
    """
    together: dict[str, list[Shape]] = {}
    for part in plan.profiles:
        together.setdefault(part.sketch, []).extend(part.shapes)
    found = {sketch: _counted(sketch, shapes) for sketch, shapes in together.items()}
    for block in plan.blocks:
        for part in block.contents:
            once = _counted(part.sketch, part.shapes)
            for _ in block.places:
                found[part.sketch] = found.get(part.sketch, Figures(part.sketch)) + once
    return tuple(found.values())


def total(figures: Sequence[Figures]) -> Figures:
    """All of them together."""
    whole = Figures("")
    for one in figures:
        whole += one
    return whole


def _counted(sketch: str, shapes: Sequence[Shape]) -> Figures:
    closed = [s for s in shapes if s.is_closed]
    holes = sum(len(around) % 2 for around in containers(closed))
    return Figures(sketch, len(closed) - holes, holes, len(shapes) - len(closed))


def containers(contours: Sequence[Shape]) -> list[list[int]]:
    """In which of the others each contour lies, by their numbers.

    Contours meet in points at the most, so any place of one will do; it is taken about the middle of its longest piece,
    where no other touches it.
    """
    if len(contours) < 2:
        return [[] for _ in contours]
    rows = [rows_of(shape, Tolerances().fit) for shape in contours]
    owner = [k for k, run in enumerate(rows) for _ in run]
    pieces = CurveArray.from_rows([row for run in rows for row in run], owner)
    lengths = pieces.lengths()
    order = np.lexsort((-lengths, pieces.owner))
    longest = order[np.unique(pieces.owner[order], return_index=True)[1]]
    # Just off the middle: in line with a vertex of something regular a ray would only graze it.
    places = pieces.take(longest).points_at(np.full(len(longest), 0.4871))
    ray, piece = crossed_edges(pieces, places)
    other = pieces.owner[piece] != ray
    pairs, times = np.unique(ray[other] * len(contours) + pieces.owner[piece][other], return_counts=True)
    around: list[list[int]] = [[] for _ in contours]
    for pair in pairs[times % 2 == 1].tolist():
        around[pair // len(contours)].append(pair % len(contours))
    return around
