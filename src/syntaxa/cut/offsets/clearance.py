"""Which places keep a distance from all pieces of their group: the one test that offsets, leads and links are made of.

Cost: n log n in pieces and places, where pieces are not much longer than the distance; samples of the pieces throw
most of what is too near out before anything is asked exactly.
"""

from __future__ import annotations

import numpy as np

from syntaxa.cut.offsets.chains import Chains
from syntaxa.geometry.nearest import points_beside
from syntaxa.geometry.ragged import spread
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: How many groups apart, in sizes of everything: what is not of one group never meets.
_APART = 1e3

#: Samples of a piece, at most, and how far apart they lie in distances.
_SAMPLES, _STEP = 8, 0.7


def keeps_clear(chains: Chains, points: Floats, group: Ints, distance: float, slack: float) -> Bools:
    """Which points (k, 2) are at least distance - slack (mm) away from every piece of their group (k,)."""
    clear = np.ones(len(points), dtype=bool)
    if not len(points) or not len(chains):
        return clear
    several = bool((chains.group != chains.group[0]).any()) or bool((group != chains.group[0]).any())
    clear = _not_near_samples(chains, points, group, distance, slack, several)
    rest = np.flatnonzero(clear)
    row, piece, apart = points_beside(chains.pieces, points[rest], distance)
    row = rest[row]
    if several:
        same = group[row] == chains.group[piece]
        row, apart = row[same], apart[same]
    clear[row[apart < distance - slack]] = False
    return clear


def _not_near_samples(
    chains: Chains, points: Floats, group: Ints, distance: float, slack: float, several: bool
) -> Bools:
    c = chains.pieces
    per = np.clip(np.ceil(c.lengths() / max(_STEP * distance, ROUNDING)), 1, _SAMPLES).astype(np.int64)
    which = np.repeat(np.arange(len(c)), per + 1)
    step = spread(np.zeros(len(c), dtype=np.int64), per + 1)
    samples, asked = c.take(which).points_at(step / per[which]), points
    if several:
        lift = _APART * (float(np.abs(c.bounds()).max()) + distance)
        samples = np.column_stack([samples, chains.group[which] * lift])
        asked = np.column_stack([points, group * lift])
    near, _ = spatial.cKDTree(samples).query(asked, distance_upper_bound=max(distance - slack, 0.0))
    return np.asarray(~np.isfinite(near))
