"""Ends that should meet: which belong together, where they meet, and the pieces drawn to that place.

Glossary: an end is *settled* where another end or a curve already is; a *tail* is an end that has run across
another curve just before; all others are *open*. An open end looks for partners within the gap tolerance: other
ends first, then the inside of a curve. Ends that belong together form a *joint*.

No joint moves an end by more than half of the gap tolerance. Two open ends meet where their carriers meet, if
that is near enough, so that corners stay sharp and arcs keep their circle; else in the middle.

Cost: n log n for the neighbours, then linear in the open ends.
"""

from __future__ import annotations

import itertools
from dataclasses import dataclass

import numpy as np
import shapely
from scipy.spatial import cKDTree

from syntaxa.geometry.arrays import Bools, CurveArray, Ints
from syntaxa.geometry.clusters import cluster_labels, smallest_circle
from syntaxa.geometry.intersect import carrier_crossings, contacts
from syntaxa.geometry.points import Point
from syntaxa.geometry.transform import Floats
from syntaxa.mend.model import Pieces, end_points

#: Radians; a curve crossed at less than this runs beside the end, it does not stop it.
_SHALLOW = 0.26

#: Radians; carriers that meet at less than this touch.
_TOUCHING = 1e-5

#: mm; carriers that miss each other by less are meant to be tangent.
_TANGENT = 1e-6

#: mm added to every limit, so that a gap of exactly the tolerance still closes.
_SLACK = 1e-9


@dataclass(frozen=True, slots=True)
class EndState:
    """What is at each end, (2n,) bool each."""

    settled: Bools
    tail: Bools

    @property
    def open(self) -> Bools:
        """Ends that meet nothing."""
        return np.asarray(~self.settled & ~self.tail)


@dataclass(frozen=True, slots=True)
class Joint:
    """Ends that are drawn to one place.

    ends     indices of ends (2 * piece, + 1 for its last)
    inside   piece that is met between its ends, or -1
    gap      mm, how far apart they were; move mm, how far the farthest travels
    bridge   whether a short line is put in because no end may travel that far
    """

    ends: tuple[int, ...]
    place: Point
    gap: float
    move: float
    inside: int = -1
    share: float = 0.0
    bridge: bool = False


def end_states(curves: CurveArray, merge: float, reach: float) -> EndState:
    """What is at each end; a tail is at most `reach` mm long."""
    ends = end_points(curves)
    _, label = cluster_labels(ends, 2 * merge)
    settled = np.bincount(label)[label] > 1
    met = contacts(curves, merge)
    tail = np.zeros(len(ends), dtype=bool)
    length = curves.lengths()
    angle = _angles_between(curves, met.first, met.second, met.points)
    # An end on the inside of a piece, or a touch, is a corner that the piece ran past, at any angle.
    for index, on_end, stops in (
        (met.first, ~met.crossing, met.crossing & ((angle > _SHALLOW) | (angle < _TOUCHING))),
        (met.second, np.zeros(len(angle), dtype=bool), (angle > _SHALLOW) | (angle < _TOUCHING) | ~met.crossing),
    ):
        share = np.clip(curves.take(index).shares_of(met.points), 0.0, 1.0)
        for last in (0, 1):
            away = np.where(last, 1 - share, share) * length[index]
            settled[2 * index[on_end & (away <= 2 * merge)] + last] = True
            ran_past = stops & (away > 2 * merge) & (away <= np.minimum(reach, 0.45 * length[index]))
            tail[2 * index[ran_past] + last] = True
    return EndState(settled, tail & ~settled)


def _angles_between(curves: CurveArray, i: Ints, j: Ints, points: Floats) -> Floats:
    """Acute angle at which the pieces i and j pass a point, (m,) radians."""
    directions = []
    for index in (i, j):
        taken = curves.take(index)
        directions.append(taken.tangents_at(np.clip(taken.shares_of(points), 0.0, 1.0)))
    a, b = directions
    return np.asarray(np.arcsin(np.clip(np.abs(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]), 0.0, 1.0)))


def nearest_partner(curves: CurveArray, state: EndState, limit: float) -> Floats:
    """Distance (mm) from each open end to the nearest other end or curve, inf where none is within the limit."""
    open_ends = np.flatnonzero(state.open)
    best = np.full(len(open_ends), np.inf)
    if len(open_ends):
        position = {int(e): k for k, e in enumerate(open_ends)}
        for end, _, distance in _end_pairs(curves, state, limit):
            best[position[end]] = min(best[position[end]], distance)
        for end, _, distance, _ in _inside_candidates(curves, open_ends, limit):
            best[position[end]] = min(best[position[end]], distance)
    return best


def find_joints(pieces: Pieces, state: EndState, gap: float) -> list[Joint]:
    """All joints within the gap tolerance (mm)."""
    curves = pieces.curves
    clusters, left = _clusters(curves, state, gap)
    joints = _placed(curves, state, clusters, gap)
    inside, stranded = _inside_joints(curves, left, gap)
    return joints + inside + _bridges(curves, stranded, joints + inside, gap)


def _end_pairs(curves: CurveArray, state: EndState, limit: float) -> list[tuple[int, int, float]]:
    """Pairs (open end, other end, distance) within the limit, nearest first."""
    ends = end_points(curves)
    open_ends = np.flatnonzero(state.open)
    pairs = cKDTree(ends[open_ends]).sparse_distance_matrix(cKDTree(ends), limit + _SLACK, output_type="coo_matrix")
    length = curves.lengths()
    found = []
    for row, other, distance in zip(pairs.row.tolist(), pairs.col.tolist(), pairs.data.tolist(), strict=True):
        end = int(open_ends[row])
        own = end // 2 == other // 2
        if end != other and not (own and length[end // 2] <= 4 * limit):
            found.append((end, other, distance))
    return sorted(found, key=lambda pair: (pair[2], pair[0], pair[1]))


def _clusters(curves: CurveArray, state: EndState, gap: float) -> tuple[list[list[int]], list[int]]:
    """Ends grouped nearest first, no group wider than the gap tolerance allows; and the open ends left alone."""
    ends = end_points(curves)
    group: dict[int, list[int]] = {}
    node_of: dict[int, list[int]] = {}
    if state.settled.any():
        where = np.flatnonzero(state.settled)
        _, label = cluster_labels(ends[where], 1e-5)
        nodes: dict[int, list[int]] = {}
        for end, name in zip(where.tolist(), label.tolist(), strict=True):
            nodes.setdefault(name, []).append(end)
        node_of = {end: members for members in nodes.values() for end in members}
    for end, other, _ in _end_pairs(curves, state, gap):
        mine = group.get(end, [end])
        theirs = group.get(other) or list(node_of.get(other, [other]))
        if mine is theirs:
            continue
        union = mine + [e for e in theirs if e not in mine]
        _, radius = smallest_circle([Point(*p) for p in {tuple(ends[e].tolist()) for e in union}])
        if radius <= gap / 2 + _SLACK:
            for member in union:
                group[member] = union
    unique = {id(g): g for g in group.values()}
    left = [int(e) for e in np.flatnonzero(state.open) if int(e) not in group]
    return list(unique.values()), left


def _placed(curves: CurveArray, state: EndState, clusters: list[list[int]], gap: float) -> list[Joint]:
    """Where the ends of each cluster meet."""
    ends = end_points(curves)
    crossing = _pair_crossings(curves, clusters)
    joints = []
    for k, cluster in enumerate(clusters):
        points = [Point(*p) for p in ends[cluster].tolist()]
        width = max(a.distance_to(b) for a in points for b in points)
        place = _meeting(points, crossing.get(k, ()), [bool(state.settled[e]) for e in cluster], gap)
        if place is None:
            place = _on_shared_circle(curves, cluster, smallest_circle(points)[0])
        joints.append(Joint(tuple(cluster), place, width, max(p.distance_to(place) for p in points)))
    return joints


def _pair_crossings(curves: CurveArray, clusters: list[list[int]]) -> dict[int, tuple[Point, ...]]:
    """Where the carriers of each cluster of two ends meet, by the cluster's position."""
    pairs = [(k, c[0] // 2, c[1] // 2) for k, c in enumerate(clusters) if len(c) == 2 and c[0] // 2 != c[1] // 2]
    if not pairs:
        return {}
    which, i, j = (np.array(column) for column in zip(*pairs, strict=True))
    first, second = carrier_crossings(curves, i, j, _TANGENT)
    return {
        int(k): tuple(Point(*p) for p in places if p[0] == p[0])
        for k, *places in zip(which, first.tolist(), second.tolist(), strict=True)
    }


def _meeting(points: list[Point], crossings: tuple[Point, ...], settled: list[bool], gap: float) -> Point | None:
    """A settled end if all can reach it, else where the carriers meet if both can; None for the middle."""
    near = gap / 2 + _SLACK
    fixed = [p for p, is_settled in zip(points, settled, strict=True) if is_settled]
    for place in (*fixed[:1], *(() if fixed else crossings)):
        if all(place.distance_to(p) <= near for p in points):
            return place
    return None


def _on_shared_circle(curves: CurveArray, cluster: list[int], place: Point) -> Point:
    """The place drawn onto the circle that all the ends' pieces lie on, if they do."""
    index = np.unique(np.array(cluster) // 2)
    if not curves.is_arc[index].all():
        return place
    arcs = curves.take(index)
    if np.ptp(arcs.radius) > 1e-7 or np.hypot(*np.ptp(arcs.centre, axis=0)) > 1e-7:
        return place
    point = np.array([[*place]])
    first = arcs.take(np.array([0]))
    return Point(*first.points_at(first.shares_of(point))[0].tolist())


def _inside_candidates(curves: CurveArray, ends: Ints, limit: float) -> list[tuple[int, int, float, float]]:
    """(end, piece, distance, share) for pieces that pass an end within the limit between their own ends."""
    points = end_points(curves)[ends]
    box = curves.bounds()
    tree = shapely.STRtree(shapely.box(*box.T))
    reach = limit + _SLACK
    around = shapely.box(*(points - reach).T, *(points + reach).T)
    row, piece = tree.query(around)
    other = piece != ends[row] // 2
    row, piece = row[other], piece[other]
    target = curves.take(piece)
    share = target.shares_of(points[row])
    distance = target.distances_to(points[row])
    good = (distance <= reach) & (share > 0) & (share < 1)
    return [
        (int(ends[r]), int(p), float(d), float(s))
        for r, p, d, s in zip(row[good], piece[good], distance[good], share[good], strict=True)
    ]


def _inside_joints(curves: CurveArray, left: list[int], gap: float) -> tuple[list[Joint], list[int]]:
    """Joints of open ends with the inside of the nearest curve; and the ends that found none."""
    best: dict[int, tuple[float, int, float]] = {}
    if left:
        for end, piece, distance, share in _inside_candidates(curves, np.array(left), gap):
            if end not in best or distance < best[end][0]:
                best[end] = (distance, piece, share)
    if not best:
        return [], left
    chosen = np.array(list(best))
    distances, targets, shares = zip(*best.values(), strict=True)
    joints = _met_inside(curves, chosen, np.array(targets), np.array(shares), np.array(distances), gap)
    return joints, [end for end in left if end not in best]


def _met_inside(
    curves: CurveArray, chosen: Ints, target: Ints, share: Floats, distance: Floats, gap: float
) -> list[Joint]:
    """Each end meets its target where it would hit it, else at the foot, else half way there."""
    here = end_points(curves)[chosen]
    across = curves.take(target)
    near = gap / 2 + _SLACK
    foot = across.points_at(share)
    place = np.where((distance <= near)[:, None], foot, (here + foot) / 2)
    at = share.copy()
    for crossing in carrier_crossings(curves, chosen // 2, target, _TANGENT)[::-1]:
        where = across.shares_of(np.nan_to_num(crossing))
        good = (np.hypot(*(crossing - here).T) <= near) & (where >= 0) & (where <= 1)
        place[good], at[good] = crossing[good], where[good]
    on_target = across.distances_to(place) <= 1e-8
    move = np.hypot(*(place - here).T)
    move = np.where(on_target, move, np.maximum(move, np.hypot(*(place - foot).T)))
    return [
        Joint((int(e),), Point(*place[k].tolist()), float(distance[k]), float(move[k]), int(target[k]), float(at[k]))
        for k, e in enumerate(chosen.tolist())
    ]


def _bridges(curves: CurveArray, stranded: list[int], joints: list[Joint], gap: float) -> list[Joint]:
    """Short lines for ends whose partners have already gone elsewhere, from the end to where they went."""
    if not stranded or not joints:
        return []
    ends = end_points(curves)
    goal: dict[int, Joint] = {e: joint for joint in joints for e in joint.ends}
    tree = cKDTree(ends)
    found = []
    for end in stranded:
        options = [e for e in tree.query_ball_point(ends[end], gap + _SLACK) if e in goal and e // 2 != end // 2]
        if options:
            here = Point(*ends[end].tolist())
            joint = min((goal[e] for e in options), key=lambda j: j.place.distance_to(here))
            found.append(Joint((end,), joint.place, joint.place.distance_to(here), 0.0, bridge=True))
    return found


def apply_joints(pieces: Pieces, joints: list[Joint]) -> Pieces:
    """The pieces with their ends drawn to the joints."""
    curves = pieces.curves
    start, end = curves.start.copy(), curves.end.copy()
    splits: dict[int, list[tuple[float, Point]]] = {}
    extra: list[tuple[int, Point]] = []
    changed = np.zeros(len(curves), dtype=bool)
    for joint in joints:
        if joint.bridge:
            extra.append((joint.ends[0], joint.place))
            continue
        for e in joint.ends:
            (end if e % 2 else start)[e // 2] = [*joint.place]
            changed[e // 2] = True
        if joint.inside >= 0:
            splits.setdefault(joint.inside, []).append((joint.share, joint.place))
    reshaped = reshape(curves, start, end, changed)
    return _with_splits(pieces, reshaped, splits, extra)


def reshape(curves: CurveArray, start: Floats, end: Floats, changed: Bools) -> CurveArray:
    """The pieces with new ends: arcs stay on their circle if they can, else pass through their old middle."""
    bulge = curves.bulge.copy()
    index = np.flatnonzero(changed & curves.is_arc)
    if len(index):
        arcs = curves.take(index)
        first, last = arcs.shares_of(start[index]), arcs.shares_of(end[index])
        off = np.maximum(
            np.hypot(*(arcs.points_at(first) - start[index]).T), np.hypot(*(arcs.points_at(last) - end[index]).T)
        )
        on_circle = np.tan(arcs.sweep * (last - first) / 4)
        middle = arcs.points_at(np.full(len(index), 0.5))
        a, b = middle - start[index], end[index] - middle
        turn = np.arctan2(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0], (a * b).sum(axis=1))
        bulge[index] = np.where(off <= 1e-8, on_circle, np.tan(turn / 2))
    return CurveArray.from_bulges(start, end, bulge, curves.owner)


def _with_splits(
    pieces: Pieces, curves: CurveArray, splits: dict[int, list[tuple[float, Point]]], extra: list[tuple[int, Point]]
) -> Pieces:
    """Pieces that are met off their carrier are cut there and bent to the place; bridges are added."""
    rows: list[tuple[float, ...]] = []
    owners: list[int] = []
    order: list[float] = []
    cut = []
    for piece, stops in splits.items():
        places = [(s, p) for s, p in sorted(stops, key=lambda stop: stop[0]) if _is_off(curves, piece, p)]
        if places:
            cut.append(piece)
            for k, row in enumerate(_bent(curves, piece, places)):
                rows.append(row)
                owners.append(int(curves.owner[piece]))
                order.append(float(pieces.order[piece]) + (k + 1) / 1024)
    for end, place in extra:
        here = (curves.end if end % 2 else curves.start)[end // 2]
        rows.append((*here.tolist(), *place, 0.0))
        owners.append(int(curves.owner[end // 2]))
        order.append(float(pieces.order[end // 2]) + (0.999 if end % 2 else -0.999))
    keep = np.setdiff1d(np.arange(len(curves)), np.array(cut, dtype=np.int64))
    kept = curves.take(keep)
    new = CurveArray.from_rows(rows, owners)  # type: ignore[arg-type]
    joined = CurveArray.joined([kept, new])
    return Pieces(joined, np.concatenate([pieces.order[keep], np.array(order)]), pieces.ids)


def _is_off(curves: CurveArray, piece: int, place: Point) -> bool:
    return float(curves.take(np.array([piece])).distances_to(np.array([[*place]]))[0]) > 1e-8


def _bent(curves: CurveArray, piece: int, places: list[tuple[float, Point]]) -> list[tuple[float, ...]]:
    """Rows of a piece cut at shares and drawn to the places there."""
    stops = [(0.0, Point(*curves.start[piece].tolist())), *places, (1.0, Point(*curves.end[piece].tolist()))]
    rows = []
    for (low, a), (high, b) in itertools.pairwise(stops):
        part = curves.take(np.full(2, piece))
        ends = part.points_at(np.array([low, high]))
        bulge = np.tan(curves.sweep[piece] * (high - low) / 4)
        one = CurveArray.from_bulges(ends[:1], ends[1:], np.array([bulge]), np.zeros(1, dtype=np.int64))
        bent = reshape(one, np.array([[*a]]), np.array([[*b]]), np.ones(1, dtype=bool))
        rows.append((*a, *b, float(bent.bulge[0])))
    return rows
