"""The healing of one sketch: passes over its pieces, each with its findings and fixes.

1. stacks     duplicates and overlaps on one carrier become one piece
2. specks     crumbs that link nothing are dropped
3. joints     ends that belong together are drawn to one place
4. arrange    everything is cut where it meets; faces thinner than the tolerance are closed
5. dead ends  what hangs on a profile and leads nowhere is dropped

A fix that is not accepted is left out, and the passes after it work on what is there. Duplicates and specks
that are to stay are put aside meanwhile, so that every other finding is the same whether they stay or go.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property, partial
from types import MappingProxyType

import msgspec
import numpy as np

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import others
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.later import Later
from syntaxa.mend.arrangement import Crossings, Edges, split_at_contacts
from syntaxa.mend.closing import Closing, closing_of
from syntaxa.mend.hanging import Chains, hanging_chains, hanging_pieces, open_groups
from syntaxa.mend.joining import joined
from syntaxa.mend.joints import EndState, Joints, end_states, find_joints, sparing, specks, with_choice
from syntaxa.mend.model import CHOICES, Finding, Pieces
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.overlaps import Stacks
from syntaxa.mend.prepared import Prepared, Single
from syntaxa.mend.slivers import Twin, without_slivers
from syntaxa.mend.telling import Accept, Telling, everything
from syntaxa.watching import still_wanted

spatial = Later("scipy.spatial")

_MOST_JOIN_ROUNDS = 6
_MOST_PASSES = 5

#: Pieces from which it is worth asking that memory is given back.
_MANY = 20_000


@dataclass(frozen=True)
class Healed:
    """The arrangement that is left, and the pieces that its edges are parts of.

    aside   indices of curves with pieces that were put aside: found to be superfluous, but not to be dropped
    cuts    vertices at which curves that pass through each other are to be cut
    closings  pieces that are to be added, to close what was nearly closed or lacked one
    """

    pieces: Pieces
    edges: Edges
    aside: frozenset[int]
    cuts: frozenset[int]
    closings: tuple[Closing, ...]
    told: Telling

    @cached_property
    def findings(self) -> tuple[Finding, ...]:
        """What was found on the way; put into words when they are asked for."""
        return self.told.findings()


def heal(
    received: Prepared,
    tolerances: Tolerances,
    dead_end: float,
    accept: Accept,
    choices: Mapping[str, str] = MappingProxyType({}),
    held: frozenset[int] = frozenset(),
) -> Healed:
    """All passes.

    dead_end   mm, a dead end up to this long is dropped, a longer one is told as an open end
    accept     is asked for each finding with a fix
    choices    by the keys of findings, the fix that is wanted instead of the proposed one
    held       indices of curves that no joint may move
    """
    work = _Pass(Telling(accept), choices, held)
    single = work.drop_specks(work.unstack(received), tolerances)
    single = work.drop_hanging(work.join(single, tolerances), tolerances, dead_end)
    for _ in range(_MOST_PASSES):
        still_wanted()
        edges, crossings = split_at_contacts(single.near)
        edges = work.close_slivers(single, edges, tolerances.gap)
        edges = work.drop_dead_ends(single.pieces, edges, tolerances, dead_end)
        # Where a twin or a tail was taken away, an end may look for its partner anew.
        left = what_is_left(single, edges)
        again = left if left is single else work.join(left, tolerances)
        if again is left:
            break
        single = work.drop_hanging(again, tolerances, dead_end)
    work.tell_crossings(single.pieces, edges, crossings)
    edges = work.drop_strays(single.pieces, edges)
    if len(received.pieces) > _MANY:
        heart.give_back_memory()
    aside, cuts, closings = frozenset(work.aside), frozenset(work.cuts), tuple(work.closings)
    return Healed(single.pieces, edges, aside, cuts, closings, work.telling)


def prepared(received: Prepared, tolerances: Tolerances) -> Single:
    """The pieces after the first two passes: nothing lies twice, no crumbs."""
    return _Pass(Telling(everything)).drop_specks(received.single, tolerances)


class _Pass:
    """Collects findings while the passes run."""

    def __init__(
        self,
        telling: Telling,
        choices: Mapping[str, str] = MappingProxyType({}),
        held: frozenset[int] = frozenset(),
    ) -> None:
        self.telling = telling
        self._choices = choices
        self._held = np.array(sorted(held), dtype=np.int64)
        self._states: tuple[Neighbourhood, float, EndState] | None = None
        self.aside: set[int] = set()
        self.cuts: set[int] = set()
        self.closings: list[Closing] = []

    # ------------------------------------------------------------------ stacks

    def unstack(self, received: Prepared) -> Single:
        """Duplicates and overlaps on one carrier become one piece."""
        found = received.stacks
        pieces, lengths = received.pieces, received.near.lengths
        accepted = self.telling.decide_all(len(found), lambda: _stack_findings(pieces, lengths, found))
        swapped = [k for k, c in self._chosen(lambda: _stack_findings(pieces, lengths, found)) if c == "other"]
        if swapped:
            kept = np.setdiff1d(np.flatnonzero(accepted), swapped)
            return received.unstacked(kept, np.array([k for k in swapped if accepted[k]], dtype=np.int64))
        if accepted.all():
            return received.single
        for k in np.flatnonzero(~accepted).tolist():
            self._put_aside(received.pieces, found.others(k))
        return received.unstacked(np.flatnonzero(accepted))

    def _chosen(self, words: Callable[[], list[Finding]]) -> list[tuple[int, str]]:
        """(number, choice) of the findings that are to be fixed in another way than proposed."""
        if not self._choices:
            return []
        told = [(k, self._choices.get(finding.key), finding) for k, finding in enumerate(words())]
        return [(k, choice) for k, choice, finding in told if choice in finding.choices and choice is not None]

    def _reworded(self, words: Callable[[], list[Finding]]) -> Callable[[], list[Finding]]:
        """The words, with the fix that was chosen instead of the proposed one and what it costs."""
        if not self._choices:
            return words

        def told(finding: Finding) -> Finding:
            choice = self._choices.get(finding.key, "")
            if choice not in finding.choices:
                return finding
            # Bridges move nothing; with one end held the other goes the whole way, told as if all of it were sideways.
            cost = finding.size if choice in ("first", "second") else 0.0
            return msgspec.structs.replace(finding, remedy=CHOICES[choice], cost=cost, along=0.0)

        return lambda: [told(finding) for finding in words()]

    def _put_aside(self, pieces: Pieces, index: Ints) -> None:
        self.aside |= set(pieces.curves.owner[index].tolist())

    # ------------------------------------------------------------------ specks

    def drop_specks(self, single: Single, tolerances: Tolerances) -> Single:
        """Whole curves that are no longer than a speck and touch no other end."""
        pieces, near = single.pieces, single.near
        loose = specks(near, tolerances.speck)
        if not len(loose):
            return single
        accepted = self.telling.decide_all(len(loose), partial(_speck_findings, pieces, near.lengths, loose))
        self._put_aside(pieces, loose[~accepted])
        keep = others(len(pieces), loose)
        near = near.changed(keep, CurveArray.none())
        return Single(Pieces(near.curves, pieces.order[keep], pieces.ids), near)

    # ------------------------------------------------------------------ joints

    def _state_of(self, near: Neighbourhood, reach: float) -> EndState:
        """What is at each end; the last answer is kept, for one pass often asks what the one before it asked."""
        if self._states is None or self._states[0] is not near or self._states[1] != reach:
            self._states = (near, reach, end_states(near, reach))
        return self._states[2]

    def join(self, single: Single, tolerances: Tolerances) -> Single:
        """Ends that belong together are drawn to one place."""
        pieces, near = single.pieces, single.near
        reach = 2 * max(tolerances.gap, tolerances.speck)
        changed = False
        # Drawing ends together can take a curve away from under an end that had just reached it.
        for _ in range(_MOST_JOIN_ROUNDS if len(pieces) else 0):
            still_wanted()
            joints = find_joints(near, self._state_of(near, reach), tolerances.gap)
            if len(self._held):
                joints = sparing(near, joints, np.isin(pieces.curves.owner, self._held))
            words = self._reworded(partial(_gap_findings, _Met.by(pieces, joints), joints, tolerances.gap))
            accepted = self.telling.decide_all(len(joints), words)
            if not accepted.any():
                break
            pieces, near = joined(pieces, near, self._as_chosen(near, joints, accepted, words))
            changed = True
        return Single(pieces, near) if changed else single

    def _as_chosen(
        self, near: Neighbourhood, joints: Joints, accepted: Bools, words: Callable[[], list[Finding]]
    ) -> Joints:
        """The joints that are accepted, some of them closed in the way that was chosen."""
        chosen = self._chosen(words)
        if accepted.all() and not chosen:
            return joints
        otherwise = [with_choice(near, joints, k, choice) for k, choice in chosen if accepted[k]]
        plain = accepted.copy()
        plain[[k for k, _ in chosen]] = False
        return Joints.joined([joints.take(np.flatnonzero(plain)), *otherwise])

    # ------------------------------------------------------------------ arrangement

    def tell_crossings(self, pieces: Pieces, edges: Edges, crossings: Crossings) -> None:
        """Curves that pass through each other, to be cut there."""
        # Where a tail was trimmed, what is left is a corner.
        if not len(crossings):
            return
        still = edges.degrees()[crossings.vertex] >= 4
        for k in np.flatnonzero(still).tolist():
            ids = tuple(sorted({pieces.id_of(int(crossings.first[k])), pieces.id_of(int(crossings.second[k]))}))
            place = Point(*crossings.points[k].tolist())
            kind, remedy = ("crossing", "Cut both there") if len(ids) == 2 else ("self-crossing", "Cut it there")
            key = f"{kind}:{'+'.join(ids)}"
            if self.telling.decide(Finding(kind, key, place, 0.0, ids, remedy, confidence=0.5)):
                self.cuts.add(int(crossings.vertex[k]))

    def close_slivers(self, single: Single, edges: Edges, gap: float) -> Edges:
        """Runs of the same line drawn twice and not quite alike become one."""
        pieces, near = single.pieces, single.near
        totals = np.asarray(np.bincount(pieces.curves.owner, weights=near.lengths), dtype=np.float64)

        def accept(twin: Twin) -> bool:
            return self.telling.decide(_twin_finding(pieces, edges, twin))

        asked = None if self.telling.takes_all else accept
        left, told = without_slivers(edges, gap, totals, asked)
        self.telling.decide_all(len(told), lambda: [_twin_finding(pieces, edges, twin) for twin in told])
        return left

    def drop_hanging(self, single: Single, tolerances: Tolerances, dead_end: float) -> Single:
        """Short runs of pieces that hang by one end are dropped whole, though they cross others on their way."""
        pieces, near = single.pieces, single.near
        reach = 2 * max(tolerances.gap, tolerances.speck)
        while len(pieces):
            still_wanted()
            chains = hanging_pieces(near, self._state_of(near, reach), dead_end)
            words = partial(_dead_end_findings, _Ran.out_of(pieces, chains.edges, chains), reach)
            accepted = self.telling.decide_all(len(chains), words)
            if not accepted.any():
                break
            keep = others(len(pieces), chains.chosen(accepted).edges)
            near = near.changed(keep, CurveArray.none())
            pieces = Pieces(near.curves, pieces.order[keep], pieces.ids)
        return Single(pieces, near)

    def drop_dead_ends(self, pieces: Pieces, edges: Edges, tolerances: Tolerances, dead_end: float) -> Edges:
        """Chains that hang on a profile by one end are dropped, if they are short enough."""
        overrun = max(2 * tolerances.gap, tolerances.speck)
        while len(edges):
            still_wanted()
            chains = hanging_chains(edges, dead_end)
            ran = _Ran.out_of(pieces, edges.piece[chains.edges], chains, edges.low[chains.edges])
            accepted = self.telling.decide_all(len(chains), partial(_dead_end_findings, ran, overrun))
            if not accepted.any():
                break
            edges = edges.take(others(len(edges), chains.chosen(accepted).edges))
        return edges

    def drop_strays(self, pieces: Pieces, edges: Edges) -> Edges:
        """What stays open: free-standing chains, which are dropped if they are chosen, and ends with no partner."""
        groups = open_groups(edges)
        if not len(groups):
            return edges
        dropped: list[int] = []
        degree = edges.degrees()
        nearest = _nearest_other_ends(edges, degree)
        lengths = edges.curves.lengths()
        for component, free in groups:
            still_wanted()
            ids = tuple(sorted({pieces.ids[k] for k in edges.curves.owner[component].tolist()}))
            ends = np.column_stack([edges.tail[component], edges.head[component]]).ravel()
            loose = ends[degree[ends] == 1].tolist()
            if len(loose) >= 2 and free:
                length = float(lengths[component].sum())
                finding = _stray_finding(ids, Point(*edges.vertices[loose[0]].tolist()), length)
                closing = closing_of(edges, component, loose)
                if closing is not None:
                    finding = _closing_finding(ids, closing)
                if not self.telling.decide(finding):
                    continue
                choice = self._choices.get(finding.key, "")
                if closing is None or choice == "drop":
                    dropped += component.tolist()
                else:
                    self.closings.append(closing.in_way(choice))
                continue
            for vertex in loose:
                place = Point(*edges.vertices[vertex].tolist())
                self.telling.decide(Finding("open end", f"open:{'+'.join(ids)}", place, nearest[vertex], ids))
        return edges.take(np.setdiff1d(np.arange(len(edges)), np.array(dropped))) if dropped else edges


def what_is_left(single: Single, edges: Edges) -> Single:
    """The pieces, cut down to what the edges cover of them; the very same where that is all, or no end is open."""
    left = heart.what_is_left(single.near.known, single.pieces.order, edges)
    if left is None:
        return single
    known, order = left
    near = Neighbourhood.of(known, single.near.merge)
    return Single(Pieces(near.curves, order, single.pieces.ids), near)


def _stack_findings(pieces: Pieces, lengths: Floats, found: Stacks) -> list[Finding]:
    """A finding for each stack."""
    owner, order = pieces.curves.owner.tolist(), pieces.order.tolist()
    names = pieces.ids
    first, members = found.first.tolist(), found.members.tolist()
    alike = found.alike.tolist()
    shown = found.members[found.first[:-1] + 1] if len(found) else found.members
    places = pieces.curves.take(shown).points_at(np.full(len(shown), 0.5)).tolist()
    sizes = lengths.tolist()
    told = []
    for k, place in enumerate(places):
        keeper, *others = members[first[k] : first[k + 1]]
        ids = tuple(dict.fromkeys([*(names[owner[m]] for m in others), names[owner[keeper]]]))
        kind, remedy = ("duplicate", "Keep one of them") if alike[k] else ("overlap", "Make one curve of them")
        key = "+".join(sorted(f"{names[owner[m]]}@{order[m]:g}" for m in (keeper, *others)))
        other = ("other",) if alike[k] and len(others) == 1 else ()
        size = sum(sizes[m] for m in others)
        told.append(Finding(kind, f"{kind}:{key}", Point(*place), size, ids, remedy, confidence=0.99, choices=other))
    return told


def _speck_findings(pieces: Pieces, lengths: Floats, loose: Ints) -> list[Finding]:
    """A finding for each crumb, which is as long as all of its curve."""
    owner = pieces.curves.owner
    total = np.bincount(owner, weights=lengths)
    told = []
    for piece in loose.tolist():
        place, name = Point(*pieces.curves.start[piece].tolist()), pieces.id_of(piece)
        length = float(total[owner[piece]])
        key = f"speck:{name}@{pieces.order[piece]:g}"
        told.append(Finding("speck", key, place, length, (name,), "Drop it", dropped=length, confidence=0.95))
    return told


@dataclass(frozen=True, slots=True)
class _Met:
    """Of which curves the ends of joints are, and where among the pieces of these; of which the pieces met inside."""

    names: tuple[str, ...]
    owner: Ints
    order: Floats
    inside: Ints

    @classmethod
    def by(cls, pieces: Pieces, joints: Joints) -> _Met:
        """What words want to know; the pieces themselves would be kept for as long as nobody asks."""
        piece, owner = joints.ends // 2, pieces.curves.owner
        return cls(pieces.ids, owner[piece], pieces.order[piece], owner[np.maximum(joints.inside, 0)])


def _gap_findings(met: _Met, joints: Joints, gap_tolerance: float) -> list[Finding]:
    """A finding for each joint."""
    owner, order, names = met.owner.tolist(), met.order.tolist(), met.names
    first, ends, across = joints.first.tolist(), joints.ends.tolist(), met.inside.tolist()
    figures = (joints.place, joints.gap, joints.side, joints.along, joints.bridge, joints.inside >= 0)
    rows = zip(*(figure.tolist() for figure in figures), strict=True)
    told = []
    for k, (place, gap, side, along, bridge, inside) in enumerate(rows):
        own = range(first[k], first[k + 1])
        ids = [names[owner[e]] for e in own]
        key = "+".join(sorted([f"{names[owner[e]]}@{order[e]:g}{'>' if ends[e] % 2 else '<'}" for e in own]))
        remedy = "Bridge with a line" if bridge else "Draw the ends together"
        if inside:
            ids.append(names[across[k]])
            remedy = "Extend to the curve"
        plain = len(own) == 2 and not inside and not bridge
        told.append(
            Finding(
                "gap",
                f"gap:{key}",
                Point(*place),
                gap,
                tuple(dict.fromkeys(ids)),
                remedy,
                side,
                along=along,
                confidence=(0.6 if bridge else 1.0) * (1 - 0.5 * min(gap / gap_tolerance, 1.0)),
                choices=("line", "arc", "arc-back", "first", "second") if plain else (),
            )
        )
    return told


def _twin_finding(pieces: Pieces, core: Edges, twin: Twin) -> Finding:
    ids = tuple(dict.fromkeys(pieces.ids[int(core.curves.owner[k])] for k in (twin.edge, *twin.beside.tolist())))
    place = core.curves.take(np.array([twin.edge])).points_at(np.array([0.5]))[0]
    piece = int(core.piece[twin.edge])
    key = f"overlap:{pieces.id_of(piece)}@{pieces.order[piece]:g}/{core.low[twin.edge]:.6f}"
    return Finding(
        "overlap", key, Point(*place.tolist()), twin.width, ids, "Keep one of them", twin.width, confidence=0.9
    )


@dataclass(frozen=True, slots=True)
class _Ran:
    """Of which curves the edges of chains are; which piece of its curve the last is, and where on that it begins."""

    names: tuple[str, ...]
    chains: Chains
    owner: Ints
    order: Floats
    low: Floats

    @classmethod
    def out_of(cls, pieces: Pieces, piece: Ints, chains: Chains, low: Floats | None = None) -> _Ran:
        """What words want to know of edges (k,) that are whole pieces, or parts of them from a share on."""
        last = chains.first[1:] - 1
        begins = np.zeros(len(last)) if low is None else low[last]
        return cls(pieces.ids, chains, pieces.curves.owner[piece], pieces.order[piece[last]], begins)


def _dead_end_findings(ran: _Ran, overrun: float) -> list[Finding]:
    """A finding for each chain; one up to `overrun` mm ran past its corner, a longer one leads nowhere."""
    owner, names, chains = ran.owner.tolist(), ran.names, ran.chains
    first, lengths = chains.first.tolist(), chains.length.tolist()
    order, low = ran.order.tolist(), ran.low.tolist()
    told = []
    for k, place in enumerate(chains.place.tolist()):
        kind = "overrun" if lengths[k] <= overrun else "dead end"
        own = owner[first[k] : first[k + 1]]
        key = f"{kind}:{names[own[-1]]}@{order[k]:g}/{low[k]:.6f}"
        sure = 0.95 if kind == "overrun" else 0.7
        ids = tuple(dict.fromkeys(names[o] for o in own))
        told.append(Finding(kind, key, Point(*place), lengths[k], ids, "Trim it", 0.0, lengths[k], confidence=sure))
    return told


def _stray_finding(ids: tuple[str, ...], place: Point, length: float) -> Finding:
    key = f"stray:{'+'.join(ids)}"
    return Finding("stray", key, place, length, ids, "Drop it", dropped=length, by_choice=True, confidence=0.3)


def _closing_finding(ids: tuple[str, ...], closing: Closing) -> Finding:
    return Finding(
        closing.kind,
        f"{closing.kind}:{'+'.join(ids)}",
        Point(*closing.start).toward(Point(*closing.end), 0.5),
        closing.width,
        ids,
        closing.remedy,
        by_choice=True,
        confidence=0.8 if closing.kind == "near-closed" else 0.5,
        choices=closing.ways,
    )


def _nearest_other_ends(edges: Edges, degree: Ints) -> dict[int, float]:
    """Distance (mm) from each free end to the nearest other free end; 0 where there is none."""
    loose = np.flatnonzero(degree == 1)
    if len(loose) < 2:
        return dict.fromkeys(loose.tolist(), 0.0)
    distance, _ = spatial.cKDTree(edges.vertices[loose]).query(edges.vertices[loose], k=2)
    return dict(zip(loose.tolist(), distance[:, 1].tolist(), strict=True))
