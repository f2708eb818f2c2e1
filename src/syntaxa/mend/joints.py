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

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.ragged import picked
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.geometry.vectors import cross, dot
from syntaxa.mend.neighbourhood import Neighbourhood

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
    return EndState(*heart.end_states(near.known, reach))


def specks(near: Neighbourhood, longest: float) -> Ints:
    """Pieces (rising index) of whole curves up to `longest` mm long that touch no other end."""
    return heart.specks(near.known, longest)


def nearest_partner(
    near: Neighbourhood, state: EndState, limit: float, clear: Callable[[Floats], float]
) -> tuple[Floats, Floats, Floats]:
    """Distances (mm) from each open end (k,), inf where there is nothing within the limit.

    First to the nearest end or curve that it may have been meant to meet; then to the nearest that runs along beside
    it on the left, and on the right: which it was not, unless it is the same line drawn twice.

    clear   given the distances to other ends, beyond which of them an end has no partner among the ends and is to
            be measured to the curves
    """
    ends, to_partner, *beside = heart.nearest_ends(near.known, state.settled, state.tail, limit)
    return heart.nearest_curves(near.known, limit, clear(to_partner), ends, to_partner, *beside)


def find_joints(near: Neighbourhood, state: EndState, gap: float) -> Joints:
    """All joints within the gap tolerance (mm)."""
    return Joints(*heart.find_joints(near.known, state.settled, state.tail, gap))


def measured(near: Neighbourhood, joints: Joints) -> Joints:
    """The joints with how far each takes anything sideways and along."""
    return Joints(*heart.measured(near.known, joints))


def sound(near: Neighbourhood, state: EndState) -> Bools:
    """Which pieces hang together, end to end, with nothing that has an open end or a tail, (n,)."""
    return heart.sound(near.known, state.settled, state.tail)


def leaving(curves: CurveArray, ends: Ints) -> Floats:
    """Directions in which pieces run on beyond their ends (k,), (k, 2)."""
    last = (ends % 2 == 1).astype(np.float64)
    return np.asarray(curves.take(ends // 2).tangents_at(last) * (2 * last - 1)[:, None])


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
