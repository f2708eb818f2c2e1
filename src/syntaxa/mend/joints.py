"""Ends that should meet: which belong together, and where they meet.

Glossary: an end is *settled* where another end or a curve already is; a *tail* is an end that has run across
another curve just before; all others are *open*. Settled ends at one place are one *node*; an open end is a node
of its own. An open end looks for partners within the gap tolerance: other nodes first, then the inside of a
curve. Ends that belong together form a *joint*.

Along its own carrier a joint may take an end by the whole gap tolerance, sideways by half of it. Two open ends meet
where their carriers meet, or touch, if both can go there, so that corners stay sharp, tangents true and arcs on their
circles; else in the middle.

Cost: n log n for the neighbours, then linear in the open ends.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.clusters import linked, pairs_within, smallest_circle
from syntaxa.geometry.intersect import carrier_crossings
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import distinct, grouped, picked
from syntaxa.geometry.tolerances import NOUGHT
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import cross, dot, norm
from syntaxa.mend.neighbourhood import Neighbourhood

#: Radians; a curve crossed at less than this runs beside the end, it does not stop it.
_SHALLOW = 0.26

#: Radians; carriers that meet at less than this touch.
_TOUCHING = 1e-5

#: Radians; where carriers meet at less than this, a hair's breadth sideways moves their crossing far along.
_FLAT = 0.05

#: Share of its length by which a piece may be shortened.
_SHORTER = 0.45

#: mm; carriers that miss each other by less are meant to be tangent.
_TANGENT = 1e-6

#: mm; a place nearer to a piece than this lies on it.
_ON = 1e-8

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
class Joints:
    """k joints; the ends of joint j are ends[first[j]:first[j + 1]] (an end is 2 * piece, + 1 for its last).

    place    (k, 2), mm
    gap      (k,) mm, how far apart they were
    side     (k,) mm, how far anything is moved sideways, off what it was; along (k,) mm, how far an end is drawn on or
             back on its own carrier
    inside   (k,) piece that is met between its ends, or -1; share (k,) where on it
    bridge   (k,) whether a short piece is put in because no end may travel that far; bulge (k,) of that piece
    """

    first: Ints
    ends: Ints
    place: Floats
    gap: Floats
    side: Floats
    along: Floats
    inside: Ints
    share: Floats
    bridge: Bools
    bulge: Floats

    def __len__(self) -> int:
        return len(self.gap)

    def take(self, index: Ints) -> Joints:
        """The joints at an index."""
        first, at = picked(self.first, index)
        rest = (getattr(self, name)[index] for name in Joints.__slots__[2:])
        return Joints(first, self.ends[at], *rest)

    @classmethod
    def joined(cls, parts: list[Joints]) -> Joints:
        """All joints of several lots."""
        sizes = np.concatenate([np.diff(part.first) for part in parts])
        first = np.concatenate([[0], np.cumsum(sizes)]).astype(np.int64)
        return cls(first, *(np.concatenate([getattr(part, name) for part in parts]) for name in cls.__slots__[1:]))


def end_states(near: Neighbourhood, reach: float) -> EndState:
    """What is at each end; a tail is at most `reach` mm long."""
    curves, merge = near.curves, near.merge
    label = near.end_labels
    settled = np.bincount(label)[label] > 1
    tail = np.zeros(len(label), dtype=bool)
    met, length = near.contacts, near.lengths
    on_end = met.end >= 0
    settled[2 * met.first[on_end] + met.end[on_end]] = True
    angle = np.full(len(on_end), np.pi / 2)
    through = np.flatnonzero(~on_end)
    angle[through] = _angles_between(curves, met.first[through], met.second[through], met.points[through])
    # An end on the inside of a piece, or a touch, is a corner that the piece ran past, at any angle.
    stops = on_end | (angle > _SHALLOW) | (angle < _TOUCHING)
    for index, share, may in (
        (met.first, met.first_parameter, stops & ~on_end),
        (met.second, met.second_parameter, stops),
    ):
        for last in (0, 1):
            away = (1 - share if last else share) * length[index]
            ran_past = may & (away > 2 * merge) & (away <= np.minimum(reach, 0.45 * length[index]))
            tail[2 * index[ran_past] + last] = True
    return EndState(settled, tail & ~settled)


def _angles_between(curves: CurveArray, i: Ints, j: Ints, points: Floats) -> Floats:
    """Acute angle at which the pieces i and j pass a point, (m,) radians."""
    directions = []
    for index in (i, j):
        taken = curves.take(index)
        directions.append(taken.tangents_at(np.clip(taken.parameters_of(points), 0.0, 1.0)))
    a, b = directions
    return np.asarray(np.arcsin(np.clip(np.abs(cross(a, b)), 0.0, 1.0)))


def nearest_partner(
    near: Neighbourhood, state: EndState, limit: float, clear: Callable[[Floats], float]
) -> tuple[Floats, Floats]:
    """Distances (mm) from each open end (k,), inf where there is nothing within the limit.

    First to the nearest end or curve that it may have been meant to meet; then to the nearest that runs along beside
    it, which it was not, unless it is the same line drawn twice.

    clear   given the distances to other ends, beyond which of them an end has no partner among the ends and is to
            be measured to the curves
    """
    open_ends = np.flatnonzero(state.open)
    best, beside = np.full(len(near.ends), np.inf), np.full(len(near.ends), np.inf)
    end, other, distance = end_pairs(near, state, limit)
    out, theirs = leaving(near.curves, end), leaving(near.curves, other)
    way = near.ends[other] - near.ends[end]
    along = dot(out, theirs) > np.cos(_SHALLOW)
    along &= (np.abs(dot(way, out)) < 0.5 * distance) & (distance > near.merge)
    np.minimum.at(best, end[~along], distance[~along])
    np.minimum.at(beside, end[along], np.abs(cross(way, out))[along])
    left = open_ends[best[open_ends] > clear(best[open_ends])]
    row, piece, distance, share = inside_candidates(near, left, np.minimum(best[left], limit))
    running = near.curves.take(piece).tangents_at(share)
    along = np.abs(cross(leaving(near.curves, left[row]), running)) < np.sin(_SHALLOW)
    np.minimum.at(best, left[row[~along]], distance[~along])
    np.minimum.at(beside, left[row[along]], distance[along])
    return best[open_ends], beside[open_ends]


def find_joints(near: Neighbourhood, state: EndState, gap: float) -> Joints:
    """All joints within the gap tolerance (mm)."""
    whole = sound(near, state)
    of_ends = _sparing_sound(near, _drawn_on(near, state, _end_joints(near, state, gap), gap), whole)
    alone = state.open.copy()
    alone[of_ends.ends] = False
    left = np.flatnonzero(alone)
    inside = _sparing_sound(near, _inside_joints(near, left, gap), whole)
    alone[inside.ends] = False
    joints = Joints.joined([of_ends, inside])
    return measured(near, Joints.joined([joints, _bridges(near, np.flatnonzero(alone), joints, gap)]))


def _sparing_sound(near: Neighbourhood, joints: Joints, whole: Bools) -> Joints:
    """The joints without those that would move or bend what was sound: what lies beside it may come to it, no more."""
    if not len(joints):
        return joints
    sizes = np.diff(joints.first)
    away = norm(near.ends[joints.ends] - np.repeat(joints.place, sizes, axis=0))
    moves = np.logical_or.reduceat(whole[joints.ends // 2] & (away > _ON), joints.first[:-1])
    met = np.flatnonzero(joints.inside >= 0)
    target = joints.inside[met]
    moves[met] |= whole[target] & (near.curves.take(target).distances_to(joints.place[met]) > _ON)
    return joints.take(np.flatnonzero(~moves)) if moves.any() else joints


def measured(near: Neighbourhood, joints: Joints) -> Joints:
    """The joints with how far each takes anything sideways and along."""
    if not len(joints):
        return joints
    sizes = np.diff(joints.first)
    places = np.repeat(joints.place, sizes, axis=0)
    side, along = _travel(near.curves, joints.ends, places)
    stays = np.repeat(joints.bridge, sizes)
    side, along = np.where(stays, 0.0, side), np.where(stays, 0.0, np.abs(along))
    first = joints.first[:-1]
    sideways, lengthened = np.maximum.reduceat(side, first), np.maximum.reduceat(along, first)
    met = np.flatnonzero(joints.inside >= 0)
    bent = near.curves.take(joints.inside[met]).distances_to(joints.place[met])
    sideways[met] = np.maximum(sideways[met], np.where(bent <= _ON, 0.0, bent))
    # What is left of an exact crossing is rounding.
    return replace(joints, side=np.where(sideways <= _ON, 0.0, sideways), along=lengthened)


def _travel(curves: CurveArray, ends: Ints, places: Floats) -> tuple[Floats, Floats]:
    """How far ends (k,) go to places (k, 2): (off their carrier, along it), mm; along is below 0 where it shortens."""
    own = curves.take(ends // 2)
    share = own.parameters_of(places)
    along = np.where(ends % 2 == 1, share - 1, -share) * own.lengths()
    chord = own.end - own.start
    off_line = np.abs(cross(places - own.start, chord)) / np.maximum(norm(chord), NOUGHT)
    side = np.where(own.is_arc, np.abs(norm(places - own.centre) - own.radius), off_line)
    # Off a small circle, a step is not as long as the arc that it spans from the centre.
    straight = np.sqrt(np.maximum(norm(places - _end_of(curves, ends)) ** 2 - side**2, 0.0))
    shorter = own.is_arc & (side > _TANGENT) & (np.abs(along) > straight)
    return side, np.where(shorter, np.copysign(straight, along), along)


def sound(near: Neighbourhood, state: EndState) -> Bools:
    """Which pieces hang together, end to end, with nothing that has an open end or a tail, (n,)."""
    label = near.end_labels
    count, group = linked(label[0::2], label[1::2], int(label.max(initial=-1)) + 1)
    broken = np.zeros(count, dtype=bool)
    broken[group[label[~state.settled]]] = True
    return np.asarray(~broken[group[label[0::2]]])


def _may_go(curves: CurveArray, ends: Ints, places: Floats, gap: float) -> Bools:
    """Which ends (k,) may be taken to places (k, 2)."""
    side, along = _travel(curves, ends, places)
    not_too_short = along >= -_SHORTER * curves.take(ends // 2).lengths()
    return np.asarray((side <= gap / 2 + _SLACK) & (np.abs(along) <= gap + _SLACK) & not_too_short)


def end_pairs(near: Neighbourhood, state: EndState, limit: float) -> tuple[Ints, Ints, Floats]:
    """Pairs (open end, other end, distance) within the limit; two open ends are told both ways."""
    end, other, distance = pairs_within(near.ends, np.flatnonzero(state.open), limit + _SLACK)
    good = np.flatnonzero((end // 2 != other // 2) | (near.lengths[end // 2] > 4 * limit))
    return end[good], other[good], distance[good]


# ------------------------------------------------------------------ ends with ends


def _end_joints(near: Neighbourhood, state: EndState, gap: float) -> Joints:
    """Joints of open ends with other ends: plain couples all at once, larger crowds nearest first."""
    end, other, distance = end_pairs(near, state, gap)
    node = _nodes(near, state)
    a, b = node[end], node[other]
    count = len(node)
    met = np.zeros(count, dtype=bool)
    met[a], met[b] = True, True
    number = np.cumsum(met) - 1
    _, crowd = linked(number[a], number[b], int(met.sum()))
    members = _Members(node)
    couple = np.bincount(crowd)[crowd[number[a]]] == 2
    couples = distinct(np.minimum(a, b)[couple] * count + np.maximum(a, b)[couple])
    large = np.flatnonzero(~couple)
    groups = _crowded(near, end[large], other[large], distance[large], node, members, gap)
    return Joints.joined(
        [
            _coupled(near, state, np.stack([couples // count, couples % count], axis=1), members, gap),
            _gathered(near, state, groups, gap),
        ]
    )


def _nodes(near: Neighbourhood, state: EndState) -> Ints:
    """The node of each end, named by its first end: settled ends at one place share one."""
    node = np.arange(len(near.ends))
    first = np.full(len(node), len(node))
    settled = np.flatnonzero(state.settled)
    np.minimum.at(first, near.end_labels[settled], settled)
    node[settled] = first[near.end_labels[settled]]
    return node


class _Members:
    """The ends of each node."""

    def __init__(self, node: Ints) -> None:
        self._first, self._ends = grouped(node, len(node))

    def of(self, nodes: Ints) -> tuple[Ints, Ints]:
        """(number of ends, (k,); all ends one after the other) of k nodes."""
        first, at = picked(self._first, nodes)
        return np.diff(first), self._ends[at]


def _coupled(near: Neighbourhood, state: EndState, couples: Ints, members: _Members, gap: float) -> Joints:
    """Joints of two nodes each, (k, 2): at the settled one, where the carriers meet, or in the middle."""
    a, b = couples.T
    ends = near.ends
    here, there = ends[a], ends[b]
    place = (here + there) / 2
    both = np.flatnonzero(~state.settled[a] & ~state.settled[b])
    place[both] = _met(near.curves, a[both], b[both], gap)
    for fixed, settled, other in ((here, state.settled[a], b), (there, state.settled[b], a)):
        stays = np.flatnonzero(settled & ~state.settled[other])
        stays = stays[_may_go(near.curves, other[stays], fixed[stays], gap)]
        place[stays] = fixed[stays]
    for fixed, settled in ((here, state.settled[a]), (there, state.settled[b])):
        stays = state.settled[a] & state.settled[b] & settled & (norm(here - there) <= gap / 2 + _SLACK)
        place[stays] = fixed[stays]
    sizes, all_ends = members.of(couples.ravel())
    first = np.concatenate([[0], np.cumsum(sizes.reshape(-1, 2).sum(axis=1))]).astype(np.int64)
    return _joints(near, first, all_ends, place)


def _met(curves: CurveArray, a: Ints, b: Ints, gap: float) -> Floats:
    """Where two open ends meet, (k, 2).

    Where they run on into each other, there where their carriers touch; else where their carriers cross; each if both
    ends may go there. Else in the middle.
    """
    i, j = a // 2, b // 2
    here, there = _end_of(curves, a), _end_of(curves, b)
    place = _on_shared_circle(curves, i, j, (here + there) / 2)
    best = np.full(len(i), np.inf)
    out, back = leaving(curves, a), leaving(curves, b)
    flat = np.abs(cross(out, back)) < _FLAT
    for crossing in carrier_crossings(curves, i, j, _TANGENT):
        where = np.where(np.isnan(crossing), np.inf, crossing)
        away = np.maximum(norm(where - here), norm(where - there))
        good = np.flatnonzero((away < best) & (i != j) & (away <= np.where(flat, gap / 2, gap) + _SLACK))
        good = good[_may_go(curves, a[good], where[good], gap) & _may_go(curves, b[good], where[good], gap)]
        place[good], best[good] = where[good], away[good]
    on = np.flatnonzero((dot(out, back) < -np.cos(_SHALLOW)) & (i != j))
    touch = _touching_places(curves, i[on], j[on])
    known = np.flatnonzero(~np.isnan(touch[:, 0]))
    on, touch = on[known], touch[known]
    good = np.flatnonzero(_may_go(curves, a[on], touch, gap) & _may_go(curves, b[on], touch, gap))
    place[on[good]] = touch[good]
    return place


def _end_of(curves: CurveArray, ends: Ints) -> Floats:
    """Where ends (k,) are, (k, 2)."""
    return np.where((ends % 2 == 1)[:, None], curves.end[ends // 2], curves.start[ends // 2])


def leaving(curves: CurveArray, ends: Ints) -> Floats:
    """Directions in which pieces run on beyond their ends (k,), (k, 2)."""
    last = (ends % 2 == 1).astype(np.float64)
    return np.asarray(curves.take(ends // 2).tangents_at(last) * (2 * last - 1)[:, None])


def _touching_places(curves: CurveArray, i: Ints, j: Ints) -> Floats:
    """Where a line and a circle, or two circles, touch or miss it by a little, half way between the two, (k, 2).

    nan for two lines, for circles about one centre and where one is an arc of no other curvature than its partner.
    """
    place = np.full((len(i), 2), np.nan)
    arc_i, arc_j = curves.is_arc[i], curves.is_arc[j]
    for mask, line, arc in ((~arc_i & arc_j, i, j), (arc_i & ~arc_j, j, i)):
        some = np.flatnonzero(mask)
        start, centre = curves.start[line[some]], curves.centre[arc[some]]
        way = curves.end[line[some]] - start
        unit = way / np.maximum(norm(way), NOUGHT)[:, None]
        foot = start + unit * dot(centre - start, unit)[:, None]
        spoke = foot - centre
        far = norm(spoke)
        with np.errstate(invalid="ignore", divide="ignore"):
            on_circle = centre + spoke * (curves.radius[arc[some]] / far)[:, None]
        place[some] = np.where((far > 0)[:, None], (foot + on_circle) / 2, np.nan)
    some = np.flatnonzero(arc_i & arc_j)
    one, two = curves.centre[i[some]], curves.centre[j[some]]
    r, s = curves.radius[i[some]], curves.radius[j[some]]
    between = two - one
    apart = norm(between)
    with np.errstate(invalid="ignore", divide="ignore"):
        unit = between / apart[:, None]
    # On the line of centres: circles beside each other touch between, one in the other beyond the smaller.
    beside = np.abs(apart - (r + s)) < np.abs(apart - np.abs(r - s))
    at_one = np.where(beside | (r > s), r, -r)
    at_two = np.where(beside, apart - s, np.where(r > s, apart + s, apart - s))
    met = one + unit * ((at_one + at_two) / 2)[:, None]
    place[some] = np.where((apart > 1e-3 * np.minimum(r, s))[:, None], met, np.nan)
    return place


def _on_shared_circle(curves: CurveArray, i: Ints, j: Ints, places: Floats) -> Floats:
    """The places (k, 2), drawn onto the circle that both pieces lie on where they do."""
    one, two = curves.take(i), curves.take(j)
    same = one.is_arc & two.is_arc & (np.abs(one.radius - two.radius) <= 1e-7)
    same &= norm(one.centre - two.centre) <= 1e-7
    return np.where(same[:, None], one.points_at(one.parameters_of(places)), places)


def _joints(near: Neighbourhood, first: Ints, all_ends: Ints, place: Floats) -> Joints:
    """Joints of ends at places; the gap is how far they lie from the first of them at the most."""
    count = len(place)
    sizes = np.diff(first)
    points = near.ends[all_ends]
    foremost = points[first[:-1]] if count else np.empty((0, 2))
    wide = norm(points - np.repeat(foremost, sizes, axis=0))
    width = np.maximum.reduceat(wide, first[:-1]) if count else np.empty(0)
    none, nothing = np.full(count, -1, dtype=np.int64), np.zeros(count)
    return Joints(first, all_ends, place, width, nothing, nothing, none, nothing, nothing.astype(bool), nothing)


def _crowded(
    near: Neighbourhood, end: Ints, other: Ints, distance: Floats, node: Ints, members: _Members, gap: float
) -> list[list[int]]:
    """Ends grouped nearest first, no group wider than the gap tolerance allows."""
    where = near.ends
    # Where distances are alike it must not matter in which order the curves came.
    a, b = where.take(end, axis=0), where.take(other, axis=0)
    order = np.lexsort((a[:, 0] + a[:, 1], np.maximum(np.abs(a[:, 0] - b[:, 0]), np.abs(a[:, 1] - b[:, 1])), distance))
    names = distinct(np.concatenate([node[end], node[other]]))
    sizes, ends = members.of(names)
    parts = np.split(ends, np.cumsum(sizes)[:-1]) if len(names) else []
    group = {name: part.tolist() for name, part in zip(names.tolist(), parts, strict=True)}
    inside = {name: [name] for name in group}
    place = {e: Point(*p) for e, p in zip(ends.tolist(), where.take(ends, axis=0).tolist(), strict=True)}
    grown: set[int] = set()
    for one, two in zip(node[end[order]].tolist(), node[other[order]].tolist(), strict=True):
        mine, theirs = group[one], group[two]
        if mine is theirs:
            continue
        union = [*mine, *theirs]
        _, radius = smallest_circle(list({place[e]: None for e in union}))
        if radius <= gap / 2 + _SLACK:
            both = inside[one] + inside[two]
            grown.update(both)
            for name in both:
                group[name], inside[name] = union, both
    unique = {id(group[name]): group[name] for name in sorted(grown)}
    return list(unique.values())


def _gathered(near: Neighbourhood, state: EndState, groups: list[list[int]], gap: float) -> Joints:
    """Joints of crowds: at a settled end if all can reach it, else in the middle of them all."""
    first = np.concatenate([[0], np.cumsum([len(g) for g in groups])]).astype(np.int64)
    ends = np.array([e for g in groups for e in g], dtype=np.int64)
    places = np.empty((len(groups), 2))
    free = np.zeros(len(groups), dtype=bool)
    settled = state.settled.tolist()
    for k, group in enumerate(groups):
        points = [Point(*p) for p in near.ends[group].tolist()]
        fixed = next((p for p, e in zip(points, group, strict=True) if settled[e]), None)
        free[k] = fixed is None or not _all_may_come(near, group, settled, fixed, gap)
        places[k] = [*(smallest_circle(list(dict.fromkeys(points)))[0] if free[k] or fixed is None else fixed)]
    if len(groups):
        drawn = _on_one_circle(near.curves, first, ends, places)
        places = np.where(free[:, None], drawn, places)
    return _joints(near, first, ends, places)


def _all_may_come(near: Neighbourhood, group: list[int], settled: list[bool], to: Point, gap: float) -> bool:
    """Whether all ends of a group may be taken to the place of a settled one."""
    ends = np.array(group, dtype=np.int64)
    places = np.broadcast_to(np.array([[*to]]), (len(ends), 2))
    away = norm(near.ends[ends] - places)
    open_ends = np.array([not settled[e] for e in group])
    good = (away <= gap / 2 + _SLACK) | (open_ends & _may_go(near.curves, ends, places, gap))
    return bool(good.all())


def _on_one_circle(curves: CurveArray, first: Ints, ends: Ints, places: Floats) -> Floats:
    """The places (k, 2), drawn onto the circle that all pieces of their joint lie on where they do."""
    lead = ends[first[:-1]] // 2
    of_lead, own = curves.take(np.repeat(lead, np.diff(first))), curves.take(ends // 2)
    same = own.is_arc & of_lead.is_arc & (np.abs(own.radius - of_lead.radius) <= 1e-7)
    same &= norm(own.centre - of_lead.centre) <= 1e-7
    drawn = _on_shared_circle(curves, lead, lead, places)
    return np.where(np.minimum.reduceat(same, first[:-1])[:, None], drawn, places)


# ------------------------------------------------------------------ ends with curves


def inside_candidates(near: Neighbourhood, ends: Ints, limit: Floats) -> tuple[Ints, Ints, Floats, Floats]:
    """(row of the ends, piece, distance, share): pieces that pass an end (k,) within its limit, between their ends."""
    points = near.ends[ends]
    reach = limit + _SLACK
    row, piece = near.boxes.around(np.hstack([points - reach[:, None], points + reach[:, None]]))
    other = piece != ends[row] // 2
    row, piece = row[other], piece[other]
    target = near.curves.take(piece)
    share = target.parameters_of(points[row])
    inside = np.flatnonzero((share > 0) & (share < 1))
    row, piece, share = row[inside], piece[inside], share[inside]
    gap = points[row] - target.take(inside).points_at(share)
    distance = norm(gap)
    good = distance <= reach[row]
    return row[good], piece[good], distance[good], share[good]


def _inside_joints(near: Neighbourhood, left: Ints, gap: float) -> Joints:
    """Joints of open ends with the inside of the nearest curve."""
    row, piece, distance, share = inside_candidates(near, left, np.full(len(left), gap))
    best = _nearest_of(row, distance)
    return _met_inside(near, left[row[best]], piece[best], share[best], distance[best], gap)


def _drawn_on(near: Neighbourhood, state: EndState, joints: Joints, gap: float) -> Joints:
    """The joints, those of ends that all leave one way drawn on to the curve before which they stop, if it is near.

    Two runs of one line that end together have not found what they should meet; only each other.
    """
    loose = _leaving_one_way(near, state, joints)
    lead = joints.ends[joints.first[:-1][loose]]
    row, piece, distance, share = inside_candidates(near, lead, np.full(len(lead), gap))
    count = len(near.curves)
    own = np.repeat(np.arange(len(joints)), np.diff(joints.first)) * count + joints.ends // 2
    good = np.flatnonzero(~np.isin(loose[row] * count + piece, own))
    row, piece, distance, share = row[good], piece[good], distance[good], share[good]
    best = _nearest_of(row, distance)
    row, piece, share = row[best], piece[best], share[best]
    met = _met_inside(near, lead[row], piece, share, distance[best], gap)
    drawn = joints.take(loose[row])
    if not len(drawn):
        return joints
    may = _may_go(near.curves, drawn.ends, np.repeat(met.place, np.diff(drawn.first), axis=0), gap)
    bent = near.curves.take(met.inside).distances_to(met.place)
    reached = np.flatnonzero(np.logical_and.reduceat(may, drawn.first[:-1]) & (bent <= gap / 2 + _SLACK))
    which = loose[row[reached]]
    place, inside, at = joints.place.copy(), joints.inside.copy(), joints.share.copy()
    place[which] = met.place[reached]
    inside[which], at[which] = met.inside[reached], met.share[reached]
    return replace(joints, place=place, inside=inside, share=at)


def _leaving_one_way(near: Neighbourhood, state: EndState, joints: Joints) -> Ints:
    """Joints of ends that are not settled and whose curves all leave in about the same direction."""
    if not len(joints):
        return np.empty(0, dtype=np.int64)
    last = joints.ends % 2 == 1
    leaving = near.curves.take(joints.ends // 2).tangents_at(last.astype(np.float64))
    leaving[last] *= -1.0
    lead = np.repeat(leaving.take(joints.first[:-1], axis=0), np.diff(joints.first), axis=0)
    one_way = (dot(leaving, lead) > np.cos(_SHALLOW)) & ~state.settled[joints.ends]
    return np.flatnonzero(np.logical_and.reduceat(one_way, joints.first[:-1]))


def _nearest_of(row: Ints, distance: Floats) -> Ints:
    """Index of the nearest candidate of each row."""
    order = np.lexsort((distance, row))
    return order[np.unique(row[order], return_index=True)[1]]


def _met_inside(near: Neighbourhood, chosen: Ints, target: Ints, share: Floats, distance: Floats, gap: float) -> Joints:
    """Each end meets its target where it would hit it, else at the foot, else half way there."""
    curves = near.curves
    here = near.ends[chosen]
    across = curves.take(target)
    foot = across.points_at(share)
    # The foot is the nearest place on the target; what lies there straight ahead is reached along the carrier.
    reached = (distance <= gap / 2 + _SLACK) | _may_go(curves, chosen, foot, gap)
    place = np.where(reached[:, None], foot, (here + foot) / 2)
    at = share.copy()
    flat = np.abs(cross(leaving(curves, chosen), across.tangents_at(share))) < _SHALLOW
    best = np.full(len(chosen), np.inf)
    for crossing in carrier_crossings(curves, chosen // 2, target, _TANGENT):
        known = np.where(np.isnan(crossing), np.inf, crossing)
        where = across.parameters_of(np.nan_to_num(crossing))
        away = norm(known - here)
        good = (away < best) & (away <= np.where(flat, gap / 2, gap) + _SLACK) & (where >= 0) & (where <= 1)
        index = np.flatnonzero(good)
        index = index[_may_go(curves, chosen[index], known[index], gap)]
        place[index], at[index], best[index] = known[index], where[index], away[index]
    count = len(chosen)
    nothing = np.zeros(count)
    return Joints(
        np.arange(count + 1), chosen, place, distance, nothing, nothing, target, at, nothing.astype(bool), nothing
    )


def _bridges(near: Neighbourhood, stranded: Ints, joints: Joints, gap: float) -> Joints:
    """Short lines for ends whose partners have already gone elsewhere, from the end to where they went."""
    both = np.concatenate([joints.ends, stranded])
    goal = np.repeat(np.arange(len(joints)), np.diff(joints.first))
    one, two, _ = pairs_within(near.ends.take(both, axis=0), len(goal) + np.arange(len(stranded)), gap + _SLACK)
    good = np.flatnonzero((two < len(goal)) & (both[one] // 2 != both[two] // 2))
    end, joint = both[one[good]], goal[two[good]]
    best = _nearest_of(end, norm(joints.place[joint] - near.ends[end]))
    end, joint = end[best], joint[best]
    place = joints.place[joint]
    count = len(end)
    gaps = norm(place - near.ends[end])
    nothing = np.zeros(count)
    return Joints(
        np.arange(count + 1), end, place, gaps, nothing, nothing, np.full(count, -1), nothing, np.ones(count, bool),
        nothing,
    )  # fmt: skip


def with_choice(near: Neighbourhood, joints: Joints, joint: int, choice: str) -> Joints:
    """One joint of two ends, closed in another way: by a line or an arc tangent at one, or with one held."""
    one = joints.take(np.array([joint]))
    a, b = (int(e) for e in one.ends)
    here, there = near.ends[[a]], near.ends[[b]]
    held = np.zeros(1)
    if choice in ("first", "second"):
        return measured(near, replace(one, place=here if choice == "first" else there))
    if choice in ("arc", "arc-back"):
        end, chord = (a, there - here) if choice == "arc" else (b, here - there)
        last = end % 2
        onward = near.curves.take(np.array([end // 2])).tangents_at(np.array([float(last)])) * (1.0 if last else -1.0)
        held = np.tan(np.arctan2(cross(onward, chord), dot(onward, chord)) / 2)
        # The arc is drawn from the first end to the second: seen from there it bends the other way.
        held = held if choice == "arc" else -held
    first = np.array([0, 1])
    return replace(
        one, first=first, ends=np.array([a]), place=there, side=np.zeros(1), along=np.zeros(1), bridge=np.ones(1, bool),
        bulge=held,
    )  # fmt: skip


def sparing(near: Neighbourhood, joints: Joints, held: Bools) -> Joints:
    """The joints that leave held pieces (n,) where they are: others are drawn to them, whatever the way."""
    pulls = np.repeat(~joints.bridge, np.diff(joints.first)) & held[joints.ends // 2]
    which = np.repeat(np.arange(len(joints)), np.diff(joints.first))
    on_held = (joints.inside >= 0) & held[np.maximum(joints.inside, 0)]
    concerned = np.union1d(which[pulls], np.flatnonzero(on_held))
    if not len(concerned):
        return joints
    place = joints.place.copy()
    stay = np.ones(len(joints), dtype=bool)
    for k in concerned.tolist():
        own = joints.ends[joints.first[k] : joints.first[k + 1]]
        points = near.ends[own]
        fixed = points[held[own // 2]]
        target = int(joints.inside[k])
        if len(fixed):
            place[k] = fixed[0]
            stay[k] = bool((np.abs(fixed - fixed[0]).max() <= _SLACK) and not (target >= 0 and len(fixed) == len(own)))
        if target >= 0 and held[target]:
            piece = near.curves.take(np.array([target]))
            foot = piece.points_at(np.clip(piece.parameters_of(place[[k]]), 0.0, 1.0))
            stay[k] &= not len(fixed)
            place[k] = foot[0]
    return measured(near, replace(joints, place=place).take(np.flatnonzero(stay)))
