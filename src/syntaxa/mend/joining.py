"""The pieces drawn to their joints: ends moved, curves that are met off their carrier cut there and bent, bridges."""

from __future__ import annotations

import itertools

import numpy as np

from syntaxa.geometry.arrays import Bools, CurveArray, Ints
from syntaxa.geometry.transform import Floats
from syntaxa.geometry.vectors import cross, dot, norm
from syntaxa.mend.joints import Joints
from syntaxa.mend.model import Pieces
from syntaxa.mend.neighbourhood import Neighbourhood

#: mm; a place nearer to a piece than this lies on it.
_ON = 1e-8


def joined(pieces: Pieces, near: Neighbourhood, joints: Joints) -> tuple[Pieces, Neighbourhood]:
    """The pieces with their ends drawn to the joints, and their neighbourhood."""
    curves = pieces.curves
    ends = near.ends.copy()
    pulls = np.repeat(~joints.bridge, np.diff(joints.first))
    places = np.repeat(joints.place, np.diff(joints.first), axis=0)
    ends[joints.ends[pulls]] = places[pulls]
    changed = np.zeros(len(curves), dtype=bool)
    changed[joints.ends[pulls] // 2] = True
    start, end = ends[0::2], ends[1::2]
    changed &= (start != curves.start).any(axis=1) | (end != curves.end).any(axis=1)
    moved = reshape(curves, start, end, changed)
    cut, parts, cut_order = _bent(pieces, moved, joints)
    bridges, bridge_order = _bridges(pieces, moved, joints)
    changed[cut] = False
    gone = changed.copy()
    gone[cut] = True
    keep, fresh = np.flatnonzero(~gone), np.flatnonzero(changed)
    new = CurveArray.joined([moved.take(fresh), parts, bridges])
    near = near.changed(keep, new)
    order = np.concatenate([pieces.order[keep], pieces.order[fresh], cut_order, bridge_order])
    return Pieces(near.curves, order, pieces.ids), near


def reshape(curves: CurveArray, start: Floats, end: Floats, changed: Bools) -> CurveArray:
    """The pieces with new ends: arcs stay on their circle if they can, else pass through their old middle."""
    bulge = curves.bulge.copy()
    index = np.flatnonzero(changed & curves.is_arc)
    if len(index):
        arcs = curves.take(index)
        first, last = arcs.shares_of(start[index]), arcs.shares_of(end[index])
        off = np.maximum(norm(arcs.points_at(first) - start[index]), norm(arcs.points_at(last) - end[index]))
        on_circle = np.tan(arcs.sweep * (last - first) / 4)
        middle = arcs.points_at(np.full(len(index), 0.5))
        a, b = middle - start[index], end[index] - middle
        turn = np.arctan2(cross(a, b), dot(a, b))
        bulge[index] = np.where(off <= _ON, on_circle, np.tan(turn / 2))
    return CurveArray.from_bulges(start, end, bulge, curves.owner)


def _bent(pieces: Pieces, moved: CurveArray, joints: Joints) -> tuple[Ints, CurveArray, Floats]:
    """(pieces that are cut, their parts, the order of each part): those met off their carrier are bent to the place."""
    met = np.flatnonzero(joints.inside >= 0)
    target = joints.inside[met]
    off = moved.take(target).distances_to(joints.place[met]) > _ON
    met, target = met[off], target[off]
    by_piece = np.lexsort((joints.share[met], target))
    rows: list[tuple[int, float, float, list[float], list[float]]] = []
    for piece, group in itertools.groupby(by_piece.tolist(), key=lambda k: int(target[k])):
        stops = [(0.0, moved.start[piece].tolist())]
        stops += [(float(joints.share[met[k]]), joints.place[met[k]].tolist()) for k in group]
        stops += [(1.0, moved.end[piece].tolist())]
        rows += [(piece, low, high, a, b) for (low, a), (high, b) in itertools.pairwise(stops)]
    source = np.array([row[0] for row in rows], dtype=np.int64)
    low, high = (np.array([row[k] for row in rows], dtype=np.float64) for k in (1, 2))
    a, b = (np.array([row[k] for row in rows], dtype=np.float64).reshape(-1, 2) for k in (3, 4))
    whole = moved.take(source)
    bulge = np.tan(whole.sweep * (high - low) / 4)
    plain = CurveArray.from_bulges(whole.points_at(low), whole.points_at(high), bulge, whole.owner)
    parts = reshape(plain, a, b, np.ones(len(source), dtype=bool))
    nth = np.arange(len(source)) - np.searchsorted(source, source)
    return np.unique(source), parts, pieces.order[source] + (nth + 1) / 1024


def _bridges(pieces: Pieces, moved: CurveArray, joints: Joints) -> tuple[CurveArray, Floats]:
    """Short lines from ends to where their partners went, and the order of each."""
    which = np.flatnonzero(joints.bridge)
    end = joints.ends[joints.first[which]]
    last = end % 2 == 1
    here = np.where(last[:, None], moved.end[end // 2], moved.start[end // 2])
    lines = CurveArray.from_bulges(here, joints.place[which], joints.bulge[which], moved.owner[end // 2])
    return lines, pieces.order[end // 2] + np.where(last, 0.999, -0.999)
