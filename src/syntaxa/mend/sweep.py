"""The tolerance sweep: for every tolerance up to a limit, what would close, what would stay open, what would be lost.

Each step is healed in full and its regions are counted. A quicker way was tried: joins sorted by distance, put
together with union-find, which counts a region for each join within one group. It cannot see that a run drawn twice
and not quite alike bounds nothing, and told six times too many regions on damaged drawings.
Cost: as many healings as there are steps; what lies on what is found once.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.errors import Progress
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.heal import heal
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.regions import region_count
from syntaxa.mend.telling import everything
from syntaxa.mend.tolerance import LARGEST, SMALLEST, with_gap

#: Steps from the smallest tolerance to the limit, evenly on a scale of ratios.
STEPS = 24


@dataclass(frozen=True, slots=True)
class Sweep:
    """What each tolerance comes to.

    tolerance   (k,) mm, rising
    regions     (k,) regions that are closed
    open_ends   (k,) ends that meet nothing
    swallowed   (k,) curves that are no larger than the tolerance, which a join could take for a gap
    """

    tolerance: Floats
    regions: Ints
    open_ends: Ints
    swallowed: Ints

    def nearest(self, tolerance: float) -> int:
        """The step next to a tolerance (mm), by ratio."""
        return int(np.argmin(np.abs(np.log(self.tolerance) - np.log(max(tolerance, SMALLEST)))))

    def plateau(self, tolerance: float) -> tuple[float, float]:
        """The stretch of steps round a tolerance at which as many regions are closed."""
        low = high = self.nearest(tolerance)
        while low > 0 and self.regions[low - 1] == self.regions[low]:
            low -= 1
        while high + 1 < len(self.regions) and self.regions[high + 1] == self.regions[high]:
            high += 1
        return float(self.tolerance[low]), float(self.tolerance[high])

    def says(self, tolerance: float) -> str:
        """The reason for a tolerance (mm), in a sentence."""
        k = self.nearest(tolerance)
        low, high = self.plateau(tolerance)
        regions, open_ends = int(self.regions[k]), int(self.open_ends[k])
        closed = "1 region is" if regions == 1 else f"{regions} regions are"
        left = "no end is" if not open_ends else "1 end is" if open_ends == 1 else f"{open_ends} ends are"
        return f"From {low:.3g} to {high:.3g} mm {closed} closed; at {self.tolerance[k]:.3g} mm {left} open."


def sweep(
    sketches: Sequence[Sequence[Curve]],
    proposed: float,
    dead_end: float,
    progress: Progress,
    limit: float = LARGEST,
    steps: int = STEPS,
) -> Sweep:
    """The sweep of some sketches up to a limit (mm); the proposed tolerance (mm) is a step of its own."""
    plain = Tolerances()
    received = [Prepared(pieces_of(curves, plain.fit), plain.merge) for curves in sketches]
    tolerances = np.unique(np.append(np.geomspace(min(1e-3, limit), limit, steps), np.clip(proposed, SMALLEST, limit)))
    sizes = np.sort(np.concatenate([_sizes(one) for one in received])) if received else np.empty(0)
    rows = []
    for k, gap in enumerate(tolerances.tolist()):
        progress(k / len(tolerances))
        rows.append(np.sum([_counts(one, with_gap(plain, gap), dead_end) for one in received], axis=0))
    table = np.array(rows, dtype=np.int64).reshape(len(tolerances), -1)
    counts = table if table.shape[1] == 2 else np.zeros((len(tolerances), 2), dtype=np.int64)
    return Sweep(tolerances, counts[:, 0], counts[:, 1], np.searchsorted(sizes, tolerances, side="right"))


def _counts(received: Prepared, tolerances: Tolerances, dead_end: float) -> tuple[int, int]:
    """(regions, open ends) once everything is mended."""
    edges = heal(received, tolerances, dead_end, everything).edges
    return region_count(edges), int((edges.degrees() == 1).sum())


def _sizes(received: Prepared) -> Floats:
    """The longer side of the box of each curve that is more than a crumb, mm."""
    curves, count = received.pieces.curves, len(received.pieces.ids)
    low, high = np.full((count, 2), np.inf), np.full((count, 2), -np.inf)
    boxes = curves.bounds()
    np.minimum.at(low, curves.owner, boxes[:, :2])
    np.maximum.at(high, curves.owner, boxes[:, 2:])
    size = (high - low)[np.unique(curves.owner)].max(axis=1)
    return np.asarray(size[size > Tolerances().speck])
