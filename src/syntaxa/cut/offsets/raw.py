"""The raw parallels of one side: each piece moved sideways, and an arc about each corner that leaves a gap there."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from syntaxa.cut.offsets.chains import Chains
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import along, cross, dot, norm, vectors

#: Radians; a corner nearer to half a turn than this is a cusp, and which way it turns is seen a little away from it.
_CUSP = 1e-6


@dataclass(frozen=True, slots=True)
class Raw:
    """m raw pieces, the group of each (m,), and the piece of the source that each is of, or the corner behind it (m,).

    shrunk   (k,) pieces of the source, arcs whose parallel is a point
    corners  (m,) whether a raw piece is the arc about a corner
    """

    pieces: CurveArray
    group: Ints
    source: Ints
    corners: Ints
    shrunk: Ints


def raw_parallels(chains: Chains, distance: float, merge: float) -> Raw:
    """All raw pieces at a distance to the left (mm, > 0); arcs that the distance turns inside out have none."""
    c = chains.pieces
    count = len(c)
    first, last = c.tangents_at(np.zeros(count)), c.tangents_at(np.ones(count))
    start = along(c.start, vectors(-first[:, 1], first[:, 0]), np.full(count, distance))
    end = along(c.end, vectors(-last[:, 1], last[:, 0]), np.full(count, distance))
    left = np.where(c.is_arc, c.radius - distance * np.sign(c.sweep), 1.0)
    shrunk = np.flatnonzero(c.is_arc & (np.abs(left) <= merge))
    keep = np.flatnonzero(left > merge)
    behind, ahead, turn = _gaps(chains, first, last)
    source = np.concatenate([keep, behind])
    pieces = CurveArray.from_bulges(
        np.concatenate([start[keep], end[behind]]),
        np.concatenate([end[keep], start[ahead]]),
        np.concatenate([c.bulge[keep], np.tan(turn / 4)]),
        source,
    )
    corners = np.concatenate([np.zeros(len(keep), dtype=np.int64), np.ones(len(behind), dtype=np.int64)])
    return Raw(pieces, chains.group[source], source, corners, shrunk)


def _gaps(chains: Chains, first: Floats, last: Floats) -> tuple[Ints, Ints, Floats]:
    """Corners that leave a gap on the left: the pieces behind and ahead of them, and how far they turn (radians)."""
    c = chains.pieces
    behind = np.flatnonzero(chains.following >= 0)
    ahead = chains.following[behind]
    before, after = last[behind], first[ahead]
    turn = np.arctan2(cross(before, after), dot(before, after))
    cusps = np.flatnonzero(np.abs(turn) > np.pi - _CUSP)
    if len(cusps):
        i, j = behind[cusps], ahead[cusps]
        reach = 0.25 * np.minimum(norm(c.end[i] - c.start[i]), norm(c.end[j] - c.start[j]))
        one, two = c.take(i), c.take(j)
        p, q = one.points_at(1 - reach / one.lengths()), two.points_at(reach / two.lengths())
        spike = cross(q - two.start, p - one.end)
        turn[cusps] = np.where(spike > HAIR * reach * reach, np.pi, -np.pi)
    gap = np.flatnonzero(turn < -HAIR)
    return behind[gap], ahead[gap], turn[gap]
