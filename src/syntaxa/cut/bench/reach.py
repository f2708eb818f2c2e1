"""How far an outline lies beyond what a path sweeps: exactly, stretch by stretch.

On a stretch of the outline between two *breaks* the distance to a piece of the path only rises or only falls; breaks
are where the nearest place of the piece begins or ceases to be one of its ends, and where an end, a centre or a
direction
of it lies straight across. So the greatest distance is at a break, and the piece that is nearest over all of a
stretch
bounds it.

Cost: linear in the pairs of pieces that come near each other.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from itertools import pairwise

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.intersect import candidates_between, carrier_crossings
from syntaxa.geometry.ragged import spread
from syntaxa.geometry.tolerances import HAIR, NOUGHT
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import along, norm, vectors
from syntaxa.watching import still_wanted

#: Pairs of pieces that are looked at together: memory goes by them.
_AT_ONCE = 20_000


@dataclass(frozen=True, slots=True, eq=False)
class Stretches:
    """m stretches of an outline: their piece (m,), from and to which share of it, and how far beyond what is swept
    (mm).
    """

    outline: CurveArray
    piece: Ints
    low: Floats
    high: Floats
    excess: Floats

    @property
    def lengths(self) -> Floats:
        """Length of each (mm)."""
        return np.asarray(self.outline.take(self.piece).lengths() * (self.high - self.low))

    def places(self, share: float = 0.5) -> Floats:
        """The place a share of the way along each, (m, 2)."""
        return self.outline.take(self.piece).points_at(self.low + (self.high - self.low) * share)

    def take(self, index: Ints) -> Stretches:
        """The stretches at an index."""
        return Stretches(self.outline, self.piece[index], self.low[index], self.high[index], self.excess[index])


def stretches_of(outline: CurveArray, path: CurveArray, radius: Floats, margin: float) -> Stretches:
    """How far every stretch of an outline lies beyond what tools of some radii (one a piece of the path) sweep.

    margin  mm; a stretch that lies farther off is only said to do so: its excess is infinite
    """
    i, j = _near(outline, path, radius, margin)
    pairs = np.searchsorted(i, np.arange(len(outline) + 1))
    firsts = np.unique([0, *(np.searchsorted(pairs, np.arange(_AT_ONCE, len(i), _AT_ONCE), side="right") - 1)])
    found = []
    for first, last in pairwise([*firsts.tolist(), len(outline)]):
        still_wanted()
        own = slice(pairs[first], pairs[last])
        part = _block(outline.take(np.arange(first, last)), path, radius, margin, i[own] - first, j[own])
        found.append(replace(part, outline=outline, piece=part.piece + first))
    rows = [np.concatenate([getattr(f, name) for f in found]) for name in ("piece", "low", "high", "excess")]
    return Stretches(outline, *rows)


def _block(outline: CurveArray, path: CurveArray, radius: Floats, margin: float, i: Ints, j: Ints) -> Stretches:
    """All stretches of an outline of which the pairs (piece, piece of the path) that come near are known."""
    piece, low, high = _cut(outline, path, i, j)
    first = np.searchsorted(i, np.arange(len(outline) + 1))
    sizes = np.diff(first)[piece]
    stretch = np.repeat(np.arange(len(piece)), sizes)
    other = j[spread(first[:-1][piece], sizes)]
    own, target = outline.take(piece[stretch]), path.take(other)
    most = np.full(len(stretch), -np.inf)
    for share in (0.0, 0.5, 1.0):
        place = own.points_at(low[stretch] + (high[stretch] - low[stretch]) * share)
        most = np.maximum(most, target.distances_to(place) - radius[other])
    excess = np.full(len(piece), np.inf)
    np.minimum.at(excess, stretch, most)
    return Stretches(outline, piece, low, high, np.where(excess > margin, np.inf, excess))


def _near(outline: CurveArray, path: CurveArray, radius: Floats, margin: float) -> tuple[Ints, Ints]:
    """Pairs (piece of the outline, piece of the path) that could be near, by the first."""
    found = [np.zeros((2, 0), dtype=np.int64)]
    for r in np.unique(radius).tolist():
        alike = np.flatnonzero(radius == r)
        i, j = candidates_between(outline, path.take(alike), r + margin)
        found.append(np.array([i, alike[j]]))
    i, j = np.concatenate(found, axis=1)
    order = np.lexsort((j, i))
    return i[order], j[order]


def _cut(outline: CurveArray, path: CurveArray, i: Ints, j: Ints) -> tuple[Ints, Floats, Floats]:
    """Every piece of the outline cut at its breaks: (piece, from, to)."""
    pieces, shares = [np.arange(len(outline))] * 2, [np.zeros(len(outline)), np.ones(len(outline))]
    for share in _breaks(outline, path, i, j):
        inside = np.flatnonzero((share > HAIR) & (share < 1 - HAIR))
        pieces.append(i[inside])
        shares.append(share[inside])
    piece, share = np.concatenate(pieces), np.concatenate(shares)
    order = np.lexsort((share, piece))
    piece, share = piece[order], share[order]
    follows = np.flatnonzero((piece[1:] == piece[:-1]) & (share[1:] - share[:-1] > HAIR))
    return piece[follows], share[follows], share[follows + 1]


def _breaks(outline: CurveArray, path: CurveArray, i: Ints, j: Ints) -> list[Floats]:
    """Shares of the outline's piece of each pair at which something changes."""
    if not len(i):
        return []
    own, other = outline.take(i), path.take(j)
    found = []
    # An end of the path or the centre of an arc of it straight across; of an arc of the outline also straight behind.
    for point in (other.start, other.end, other.centre):
        found.append(own.parameters_of(point))
        behind = 2 * own.centre - point
        found.append(np.where(own.is_arc, own.parameters_of(behind), 0.0))
    # Where an arc of the outline runs along a line of the path.
    path_way = other.end - other.start
    normal = vectors(-path_way[:, 1], path_way[:, 0]) / np.maximum(norm(path_way), NOUGHT)[:, None]
    for sign in (-1.0, 1.0):
        tip = along(own.centre, normal, sign * own.radius)
        found.append(np.where(own.is_arc & ~other.is_arc, own.parameters_of(tip), 0.0))
    return [*found, *_normals(own, other)]


def _normals(own: CurveArray, other: CurveArray) -> list[Floats]:
    """Shares at which the straight way across an end of the path meets the outline."""
    count = len(own)
    found = []
    for share, end in ((0.0, other.start), (1.0, other.end)):
        tangent = other.tangents_at(np.full(count, share))
        across = vectors(-tangent[:, 1], tangent[:, 0])
        lines = CurveArray.from_bulges(end, end + across, np.zeros(count), np.zeros(count, dtype=np.int64))
        both = CurveArray.joined([own, lines])
        k = np.arange(count)
        for places in carrier_crossings(both, k, k + count, 0.0):
            there = ~np.isnan(places[:, 0])
            shares = own.parameters_of(np.where(there[:, None], places, own.start))
            found.append(np.where(there, shares, 0.0))
    return found
