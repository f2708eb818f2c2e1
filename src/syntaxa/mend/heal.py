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

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np
from scipy.spatial import cKDTree

from syntaxa.geometry.arrays import CurveArray, Ints
from syntaxa.geometry.points import Point
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.arrangement import Crossing, Edges, bridges, split_at_contacts
from syntaxa.mend.joints import Joint, apply_joints, end_states, find_joints
from syntaxa.mend.model import Finding, Pieces
from syntaxa.mend.overlaps import Stack, stacks
from syntaxa.mend.slivers import Twin, without_slivers

Accept = Callable[[Finding], bool]

_MOST_JOIN_ROUNDS = 6


@dataclass(frozen=True, slots=True)
class Healed:
    """The arrangement that is left, the pieces that its edges are parts of, and what was found on the way.

    aside   indices of curves with pieces that were put aside: found to be superfluous, but not to be dropped
    """

    pieces: Pieces
    edges: Edges
    findings: tuple[Finding, ...]
    aside: frozenset[int]


def heal(pieces: Pieces, tolerances: Tolerances, dead_end: float, accept: Accept) -> Healed:
    """All passes.

    dead_end   mm, a dead end up to this long is dropped, a longer one is told as an open end
    accept     is asked for each finding with a fix
    """
    work = _Pass(accept)
    pieces = work.clean(pieces, tolerances)
    pieces = work.join(pieces, tolerances)
    edges, crossings = split_at_contacts(pieces, tolerances.merge)
    edges = work.close_slivers(pieces, edges, tolerances.gap)
    edges = work.drop_dead_ends(pieces, edges, tolerances, dead_end)
    work.tell_crossings(pieces, edges, crossings)
    edges = work.drop_strays(pieces, edges)
    return Healed(pieces, edges, tuple(work.findings), frozenset(work.aside))


def prepared(pieces: Pieces, tolerances: Tolerances, accept: Accept) -> Pieces:
    """The pieces after the first two passes: nothing lies twice, no crumbs."""
    return _Pass(accept).clean(pieces, tolerances)


def everything(finding: Finding) -> bool:
    """Accepts every fix that does not want a choice of its own."""
    return not finding.by_choice


class _Pass:
    """Collects findings while the passes run."""

    def __init__(self, accept: Accept) -> None:
        self._accept = accept
        self.findings: list[Finding] = []
        self.aside: set[int] = set()
        self._keys: dict[str, int] = {}

    def _decide(self, finding: Finding) -> bool:
        """Notes the finding; True if its fix is to be done."""
        seen = self._keys.get(finding.key, 0)
        self._keys[finding.key] = seen + 1
        if seen:
            finding = replace(finding, key=f"{finding.key}#{seen + 1}")
        fixed = bool(finding.remedy) and self._accept(finding)
        self.findings.append(replace(finding, fixed=fixed))
        return fixed

    def clean(self, pieces: Pieces, tolerances: Tolerances) -> Pieces:
        """Stacks and specks."""
        return self.drop_specks(self.unstack(pieces, tolerances.merge), tolerances)

    # ------------------------------------------------------------------ stacks

    def unstack(self, pieces: Pieces, merge: float) -> Pieces:
        """Duplicates and overlaps on one carrier become one piece."""
        lengths = pieces.curves.lengths()
        gone: list[int] = []
        stretched: list[tuple[int, CurveArray]] = []
        for stack in stacks(pieces, merge):
            gone += stack.others
            if not self._decide(_stack_finding(pieces, stack, lengths)):
                self._put_aside(pieces, stack.others)
                continue
            union = _stretched(pieces.curves, stack)
            if union is not None:
                gone.append(stack.keeper)
                stretched.append((stack.keeper, union))
        if not gone:
            return pieces
        keep = np.setdiff1d(np.arange(len(pieces)), np.array(gone))
        return _with_replaced(pieces, keep, stretched)

    def _put_aside(self, pieces: Pieces, index: tuple[int, ...]) -> None:
        self.aside |= {int(pieces.curves.owner[k]) for k in index}

    # ------------------------------------------------------------------ specks

    def drop_specks(self, pieces: Pieces, tolerances: Tolerances) -> Pieces:
        """Whole curves that are shorter than a speck and touch no other end."""
        if not len(pieces):
            return pieces
        owner, lengths = pieces.curves.owner, pieces.curves.lengths()
        total = np.bincount(owner, weights=lengths, minlength=len(pieces.ids))
        small = total[owner] <= tolerances.speck
        if not small.any():
            return pieces
        settled = end_states(pieces.curves, tolerances.merge, 0.0).settled.reshape(-1, 2)
        count = np.bincount(owner, minlength=len(pieces.ids))[owner]
        loose = small & np.where(count == 1, ~settled.any(axis=1), lengths <= tolerances.speck)
        gone = np.flatnonzero(loose).tolist()
        for k in gone:
            if not self._decide(_speck_finding(pieces, k, float(total[owner[k]]))):
                self._put_aside(pieces, (k,))
        return pieces.take(np.setdiff1d(np.arange(len(pieces)), np.array(gone, dtype=np.int64)))

    # ------------------------------------------------------------------ joints

    def join(self, pieces: Pieces, tolerances: Tolerances) -> Pieces:
        """Ends that belong together are drawn to one place."""
        if not len(pieces):
            return pieces
        # Drawing ends together can take a curve away from under an end that had just reached it.
        for _ in range(_MOST_JOIN_ROUNDS):
            state = end_states(pieces.curves, tolerances.merge, 2 * max(tolerances.gap, tolerances.speck))
            joints = find_joints(pieces, state, tolerances.gap)
            accepted = [joint for joint in joints if self._decide(_gap_finding(pieces, joint))]
            if not accepted:
                break
            pieces = apply_joints(pieces, accepted)
        return pieces

    # ------------------------------------------------------------------ arrangement

    def tell_crossings(self, pieces: Pieces, edges: Edges, crossings: list[Crossing]) -> None:
        """Curves that pass through each other, to be cut there."""
        if not crossings or not len(edges):
            return
        _, vertex = cKDTree(edges.vertices).query([(c.x, c.y) for c in crossings])
        # Where a tail was trimmed, what is left is a corner.
        still = edges.degrees()[vertex] >= 4
        for crossing in (c for c, crosses in zip(crossings, still, strict=True) if crosses):
            ids = tuple(sorted({pieces.id_of(crossing.first), pieces.id_of(crossing.second)}))
            place = Point(crossing.x, crossing.y)
            self._decide(Finding("crossing", f"crossing:{'+'.join(ids)}", place, 0.0, ids, "Cut both there"))

    def close_slivers(self, pieces: Pieces, edges: Edges, gap: float) -> Edges:
        """Runs of the same line drawn twice and not quite alike become one."""
        if not len(edges):
            return edges
        totals = np.bincount(pieces.curves.owner, weights=pieces.curves.lengths(), minlength=len(pieces.ids))
        rank = np.argsort(np.argsort(totals, kind="stable"), kind="stable")

        def weight(core: Edges) -> Ints:
            return np.asarray(rank[core.curves.owner], dtype=np.int64)

        def accept(core: Edges, twin: Twin) -> bool:
            return self._decide(_twin_finding(pieces, core, twin))

        return without_slivers(edges, gap, weight, accept)

    def drop_dead_ends(self, pieces: Pieces, edges: Edges, tolerances: Tolerances, dead_end: float) -> Edges:
        """Chains that hang on a profile by one end are dropped, if they are short enough."""
        while len(edges):
            doomed: list[int] = []
            lengths = edges.curves.lengths()
            for chain, loose in _hanging_chains(edges):
                length = float(lengths[chain].sum())
                if length > dead_end:
                    continue
                if self._decide(_dead_end_finding(pieces, edges, chain, loose, length, tolerances)):
                    doomed += chain
            if not doomed:
                break
            edges = edges.take(np.setdiff1d(np.arange(len(edges)), np.array(doomed)))
        return edges

    def drop_strays(self, pieces: Pieces, edges: Edges) -> Edges:
        """What stays open: free-standing chains, which are dropped if they are chosen, and ends with no partner."""
        if not len(edges):
            return edges
        dropped: list[int] = []
        degree = edges.degrees()
        lengths = edges.curves.lengths()
        for component in _open_components(edges):
            ids = tuple(sorted({pieces.ids[k] for k in edges.curves.owner[component].tolist()}))
            loose = [v for e in component for v in (int(edges.tail[e]), int(edges.head[e])) if degree[v] == 1]
            if len(loose) >= 2 and _stands_free(edges, component):
                place = Point(*edges.vertices[loose[0]].tolist())
                length = float(lengths[component].sum())
                key = f"stray:{'+'.join(ids)}"
                stray = Finding("stray", key, place, length, ids, "Drop it", dropped=length, by_choice=True)
                dropped += component if self._decide(stray) else []
                continue
            for vertex in loose:
                place = Point(*edges.vertices[vertex].tolist())
                nearest = _nearest_other_end(edges, degree, vertex)
                self._decide(Finding("open end", f"open:{'+'.join(ids)}", place, nearest, ids))
        return edges.take(np.setdiff1d(np.arange(len(edges)), np.array(dropped, dtype=np.int64)))


def _stack_finding(pieces: Pieces, stack: Stack, lengths: np.ndarray) -> Finding:
    others = [pieces.id_of(k) for k in stack.others]
    keeper = pieces.id_of(stack.keeper)
    same = stack.span is not None and stack.span[0] >= -1e-9 and stack.span[1] <= 1 + 1e-9
    size = float(lengths[list(stack.others)].sum())
    place = pieces.curves.take(np.array([stack.others[0]])).points_at(np.array([0.5]))[0]
    ids = tuple(dict.fromkeys([*others, keeper]))
    twins = same and all(abs(lengths[k] - lengths[stack.keeper]) <= 1e-6 * max(1.0, lengths[k]) for k in stack.others)
    kind = "duplicate" if twins else "overlap"
    names = "+".join(sorted(f"{pieces.id_of(k)}@{pieces.order[k]:g}" for k in (stack.keeper, *stack.others)))
    remedy = "Keep one of them" if twins else "Make one curve of them"
    return Finding(kind, f"{kind}:{names}", Point(*place.tolist()), size, ids, remedy)


def _stretched(curves: CurveArray, stack: Stack) -> CurveArray | None:
    """The keeper grown over all of its stack, as one or two pieces; None where it covers it already."""
    if stack.span is None:
        stops = np.array([0.0, 0.5, 1.0]) * (2 * np.pi / abs(float(curves.sweep[stack.keeper])))
    else:
        low, high = min(stack.span[0], 0.0), max(stack.span[1], 1.0)
        length = float(curves.take(np.array([stack.keeper])).lengths()[0])
        if (high - low - 1) * length <= 1e-9:
            return None
        halves = abs(float(curves.sweep[stack.keeper])) * (high - low) > np.pi + 1e-9
        stops = np.linspace(low, high, 3 if halves else 2)
    source = curves.take(np.full(len(stops), stack.keeper))
    points = source.points_at(stops)
    if stack.span is None:
        points[-1] = points[0]
    bulge = np.tan(source.sweep[:-1] * np.diff(stops) / 4)
    return CurveArray.from_bulges(points[:-1], points[1:], bulge, source.owner[:-1])


def _with_replaced(pieces: Pieces, keep: Ints, replaced: list[tuple[int, CurveArray]]) -> Pieces:
    parts = [pieces.curves.take(keep), *(union for _, union in replaced)]
    joined = CurveArray.joined(parts)
    orders = [pieces.order[keep]]
    orders += [pieces.order[piece] + np.arange(len(union)) / 1024 for piece, union in replaced]
    return Pieces(joined, np.concatenate(orders), pieces.ids)


def _speck_finding(pieces: Pieces, piece: int, length: float) -> Finding:
    place = Point(*pieces.curves.start[piece].tolist())
    name = pieces.id_of(piece)
    return Finding("speck", f"speck:{name}@{pieces.order[piece]:g}", place, length, (name,), "Drop it", 0.0, length)


def _gap_finding(pieces: Pieces, joint: Joint) -> Finding:
    ids = [pieces.id_of(e // 2) for e in joint.ends]
    names = sorted(pieces.name_of_end(e) for e in joint.ends)
    if joint.inside >= 0:
        ids.append(pieces.id_of(joint.inside))
        remedy = "Extend to the curve"
    elif joint.bridge:
        remedy = "Bridge with a line"
    else:
        remedy = "Draw the ends together"
    key = f"gap:{'+'.join(names)}"
    return Finding("gap", key, joint.place, joint.gap, tuple(dict.fromkeys(ids)), remedy, joint.move)


def _twin_finding(pieces: Pieces, core: Edges, twin: Twin) -> Finding:
    ids = tuple(dict.fromkeys(pieces.ids[int(core.curves.owner[k])] for k in (twin.edge, *twin.beside)))
    place = core.curves.take(np.array([twin.edge])).points_at(np.array([0.5]))[0]
    piece = int(core.piece[twin.edge])
    key = f"overlap:{pieces.id_of(piece)}@{pieces.order[piece]:g}/{core.low[twin.edge]:.6f}"
    return Finding("overlap", key, Point(*place.tolist()), twin.width, ids, "Keep one of them", twin.width)


def _dead_end_finding(
    pieces: Pieces, edges: Edges, chain: list[int], loose: int, length: float, tolerances: Tolerances
) -> Finding:
    kind = "overrun" if length <= max(2 * tolerances.gap, tolerances.speck) else "dead end"
    place = Point(*edges.vertices[loose].tolist())
    ids = tuple(dict.fromkeys(pieces.ids[int(edges.curves.owner[e])] for e in chain))
    piece = int(edges.piece[chain[-1]])
    key = f"{kind}:{pieces.id_of(piece)}@{pieces.order[piece]:g}/{edges.low[chain[-1]]:.6f}"
    return Finding(kind, key, place, length, ids, "Trim it", 0.0, length)


def _hanging_chains(edges: Edges) -> list[tuple[list[int], int]]:
    """Runs of edges from a branching to a free end, with the vertex of that end; free-standing ones are left alone."""
    degree = edges.degrees()
    at: dict[int, list[int]] = {}
    for e, (a, b) in enumerate(zip(edges.tail.tolist(), edges.head.tolist(), strict=True)):
        at.setdefault(a, []).append(e)
        at.setdefault(b, []).append(e)
    chains: list[tuple[list[int], int]] = []
    used: set[int] = set()
    for vertex in np.flatnonzero(degree == 1).tolist():
        chain: list[int] = []
        here = vertex
        while True:
            onward = [e for e in at[here] if e not in chain]
            if len(onward) != 1 or (chain and degree[here] != 2):
                break
            chain.append(onward[0])
            here = int(edges.head[onward[0]]) if int(edges.tail[onward[0]]) == here else int(edges.tail[onward[0]])
        if degree[here] >= 3 and not used & set(chain):
            used |= set(chain)
            chains.append((chain[::-1], vertex))
    return chains


def _open_components(edges: Edges) -> list[list[int]]:
    """Connected groups of edges that bound nothing."""
    loose = np.flatnonzero(bridges(edges))
    parent: dict[int, int] = {}

    def root(v: int) -> int:
        while parent.setdefault(v, v) != v:
            parent[v] = parent[parent[v]]
            v = parent[v]
        return v

    for e in loose.tolist():
        parent[root(int(edges.tail[e]))] = root(int(edges.head[e]))
    groups: dict[int, list[int]] = {}
    for e in loose.tolist():
        groups.setdefault(root(int(edges.tail[e])), []).append(e)
    return list(groups.values())


def _stands_free(edges: Edges, component: list[int]) -> bool:
    """Whether nothing but the component itself touches it."""
    mine = set(component)
    vertices = {int(v) for e in component for v in (edges.tail[e], edges.head[e])}
    touching = np.flatnonzero(np.isin(edges.tail, list(vertices)) | np.isin(edges.head, list(vertices)))
    return set(touching.tolist()) <= mine


def _nearest_other_end(edges: Edges, degree: Ints, vertex: int) -> float:
    """Distance (mm) from a free end to the nearest other free end; 0 where there is none."""
    others = np.flatnonzero(degree == 1)
    others = others[others != vertex]
    if not len(others):
        return 0.0
    return float(np.hypot(*(edges.vertices[others] - edges.vertices[vertex]).T).min())
