"""The pieces drawn to their joints: ends moved, curves that are met off their carrier cut there and bent, bridges."""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Bools, Floats, Ints
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
        first, last = arcs.parameters_of(start[index]), arcs.parameters_of(end[index])
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
    order = np.lexsort((joints.share[met], target))
    stops, points = joints.share[met[order]], joints.place[met[order]]
    cut, count = np.unique(target, return_counts=True)
    # Each piece gives one part more than it has stops.
    source = np.repeat(cut, count + 1)
    ends = np.cumsum(count + 1)
    begins = ends - count - 1
    after, before = np.ones(len(source), dtype=bool), np.ones(len(source), dtype=bool)
    after[begins], before[ends - 1] = False, False
    low, high = np.zeros(len(source)), np.ones(len(source))
    low[after], high[before] = stops, stops
    a, b = moved.start[source], moved.end[source]
    a[after], b[before] = points, points
    whole = moved.take(source)
    bulge = np.tan(whole.sweep * (high - low) / 4)
    plain = CurveArray.from_bulges(whole.points_at(low), whole.points_at(high), bulge, whole.owner)
    parts = reshape(plain, a, b, np.ones(len(source), dtype=bool))
    nth = np.arange(len(source)) - np.repeat(begins, count + 1)
    return cut, parts, pieces.order[source] + (nth + 1) / 1024


def _bridges(pieces: Pieces, moved: CurveArray, joints: Joints) -> tuple[CurveArray, Floats]:
    """Short lines from ends to where their partners went, and the order of each."""
    which = np.flatnonzero(joints.bridge)
    end = joints.ends[joints.first[which]]
    last = end % 2 == 1
    here = np.where(last[:, None], moved.end[end // 2], moved.start[end // 2])
    lines = CurveArray.from_bulges(here, joints.place[which], joints.bulge[which], moved.owner[end // 2])
    return lines, pieces.order[end // 2] + np.where(last, 0.999, -0.999)
