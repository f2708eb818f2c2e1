"""Fewer segments: vertices of straight runs left out within a deviation, or every second; arcs of one circle joined.

Only vertices between two straight pieces go, and of lines only where nothing else ends; arcs and corners to arcs stay.
What a run of facets is off afterwards is the largest distance of a vertex that went from the piece that took its place;
it holds both ways, for the run leads from one end of that piece to the other. Within a deviation the vertices that stay
are those of Ramer, Douglas and Peucker (1972/73), so the cost is n log n for all but odd runs.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.clusters import cluster_labels, linked
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Polyline
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.types import Floats
from syntaxa.geometry.vectors import cross, norm
from syntaxa.mend.facets import can_be_one, line_chains, points_of

#: Radians; a way that turns further goes back on itself.
_TURNS_BACK = 3.1

#: Which vertices (n, 2) of a run stay: rising indices with the first and the last.
Chooser = Callable[[Floats], list[int]]


@dataclass(frozen=True, slots=True)
class Fewer:
    """What simplifying does.

    anew  curves that come anew, by id; gone  ids that go; before, after  vertices; deviation  the greatest, mm
    """

    anew: dict[str, Curve]
    gone: frozenset[str]
    before: int
    after: int
    deviation: float


def simplified(curves: Sequence[Curve], choose: Chooser, merge: float) -> Fewer:
    """All straight runs of a sketch with fewer vertices."""
    anew: dict[str, Curve] = {}
    gone: set[str] = set()
    before = after = 0
    worst = 0.0
    for curve in curves:
        if isinstance(curve.shape, Polyline) and not curve.locked:
            shape, off = _fewer_vertices(curve.shape, choose)
            before, after = before + len(curve.shape.vertices), after + len(shape.vertices)
            worst = max(worst, off)
            if len(shape.vertices) < len(curve.shape.vertices):
                anew[curve.id] = replace(curve, shape=shape)
    for chain, closed in line_chains(curves, merge, -1.0, _TURNS_BACK):
        points = points_of(chain, closed)
        kept = _chosen(points, closed, choose)
        before, after = before + len(points), after + len(kept)
        worst = max(worst, _off(points, kept, closed))
        ends = [*kept[1:], *([kept[0] + len(points)] if closed else [])]
        for begin, end in zip(kept, ends, strict=False):
            if end - begin < 2:
                continue
            first, *others = (chain[k % len(chain)][0] for k in range(begin, end))
            line = Line(*(Point(*points[k % len(points)].tolist()) for k in (begin, end)))
            anew[first.id] = replace(first, shape=line)
            gone.update(c.id for c in others)
    for group in _arcs_of_one(curves, merge):
        before, after = before + len(group), after + 1
        anew[group[0].id] = replace(group[0], shape=_whole(group))
        gone.update(c.id for c in group[1:])
    return Fewer(anew, frozenset(gone), before, after, worst)


def _arcs_of_one(curves: Sequence[Curve], merge: float) -> list[list[Curve]]:
    """Arcs of one circle, end to end where nothing else meets, in the order of the curves."""
    if not any(isinstance(c.shape, Arc) for c in curves):
        return []
    ends = np.array([[*p] for c in curves for p in (c.shape.start, c.shape.end)])
    count, label = cluster_labels(ends, 2 * merge)
    first, at = grouped(label, count)
    two = np.flatnonzero(np.diff(first) == 2)
    one, other = at[first[two]], at[first[two] + 1]
    pairs = [
        (a, b)
        for a, b in zip((one // 2).tolist(), (other // 2).tolist(), strict=True)
        if a != b and _on_one_circle(curves[a], curves[b], merge)
    ]
    index = np.array(pairs, dtype=np.int64).reshape(-1, 2)
    _, group = linked(index[:, 0], index[:, 1], len(curves))
    begins, members = grouped(group, int(group.max(initial=-1)) + 1)
    large = np.flatnonzero(np.diff(begins) > 1).tolist()
    return [[curves[k] for k in members[begins[g] : begins[g + 1]].tolist()] for g in large]


def _on_one_circle(one: Curve, two: Curve, merge: float) -> bool:
    a, b = one.shape, two.shape
    if not (isinstance(a, Arc) and isinstance(b, Arc)) or not can_be_one(one, two):
        return False
    return a.centre.distance_to(b.centre) <= merge and abs(a.radius - b.radius) <= merge


def _whole(arcs: list[Curve]) -> Arc | Circle:
    """The arc or circle that arcs of one circle make, end to end; counter-clockwise if they do not all run one way."""
    shapes = [c.shape for c in arcs if isinstance(c.shape, Arc)]
    lead = shapes[0]
    total = sum(abs(s.sweep) for s in shapes)
    if total >= TURN - 1e-6:
        return Circle(lead.centre, lead.radius)
    starts = [s.start_angle if s.sweep > 0 else s.start_angle + s.sweep for s in shapes]
    ends = [a + abs(s.sweep) for a, s in zip(starts, shapes, strict=True)]
    # The first is the one behind which none of the others ends.
    first = max(starts, key=lambda a: min(abs(math.remainder(a - end, TURN)) for end in ends))
    if all(s.sweep < 0 for s in shapes):
        return Arc(lead.centre, lead.radius, first + total, -total)
    return Arc(lead.centre, lead.radius, first, total)


def within(deviation: float) -> Chooser:
    """Leaves out what lies no further off than that (mm)."""
    return lambda points: _farthest_first(points, deviation)


def every_second(points: Floats) -> list[int]:
    """Leaves out every second vertex."""
    last = len(points) - 1
    return [*range(0, last, 2), last]


def _farthest_first(points: Floats, limit: float) -> list[int]:
    kept = [0, len(points) - 1]
    spans = [(0, len(points) - 1)]
    while spans:
        begin, end = spans.pop()
        if end - begin < 2:
            continue
        away = _distances(points[begin + 1 : end], points[begin], points[end])
        far = int(np.argmax(away))
        if away[far] > limit:
            middle = begin + 1 + far
            kept.append(middle)
            spans += [(begin, middle), (middle, end)]
    return sorted(kept)


def _distances(points: Floats, start: Floats, end: Floats) -> Floats:
    """Distance of points from the piece between two others, (n,) mm."""
    way = end - start
    length = float(np.hypot(*way))
    if length < HAIR:
        return norm(points - start)
    share = np.clip((points - start) @ way / length**2, 0.0, 1.0)
    inside = np.abs(cross(points - start, np.broadcast_to(way, points.shape))) / length
    beyond = norm(points - (start + share[:, None] * way))
    return np.asarray(np.where((share > 0) & (share < 1), inside, beyond))


def _chosen(points: Floats, closed: bool, choose: Chooser) -> list[int]:
    """Which vertices of a run stay; of a closed one the vertex farthest from the first stays as well."""
    if not closed:
        return choose(points)
    far = int(np.argmax(norm(points - points[0])))
    back = np.vstack([points[far:], points[:1]])
    one, two = choose(points[: far + 1]), choose(back)
    kept = [*one, *(k + far for k in two[1:-1])]
    # Three vertices are the fewest that hold an area.
    return kept if len(kept) >= 3 else sorted({*kept, int(np.argmax(_distances(points, points[0], points[far])))})


def _off(points: Floats, kept: list[int], closed: bool) -> float:
    worst = 0.0
    around = np.vstack([points, points[:1]]) if closed else points
    for begin, end in zip(kept, [*kept[1:], len(points)] if closed else kept[1:], strict=False):
        if end - begin > 1:
            worst = max(worst, float(_distances(around[begin + 1 : end], around[begin], around[end]).max()))
    return worst


def _fewer_vertices(shape: Polyline, choose: Chooser) -> tuple[Polyline, float]:
    """A polyline with fewer vertices in its straight runs, and how far it is off (mm)."""
    points = np.array([[*p] for p in shape.vertices])
    if not any(shape.bulges):
        kept = _chosen(points, shape.closed, choose)
        if len(kept) == len(points):
            return shape, 0.0
        vertices = tuple(shape.vertices[k] for k in kept)
        return Polyline(vertices, (0.0,) * len(kept), shape.closed), _off(points, kept, shape.closed)
    worst = 0.0
    rows: list[tuple[Point, float]] = []
    for run, bulge in _straight_runs(shape):
        some = np.array([[*shape.vertices[k]] for k in run])
        kept = choose(some) if len(run) > 2 else [0, 1]
        worst = max(worst, _off(some, kept, False)) if len(run) > 2 else worst
        rows += [(shape.vertices[run[k]], bulge) for k in kept[:-1]]
    if not shape.closed:
        rows.append((shape.vertices[-1], 0.0))
    return Polyline(tuple(p for p, _ in rows), tuple(b for _, b in rows), shape.closed), worst


def _straight_runs(shape: Polyline) -> Iterator[tuple[list[int], float]]:
    """The runs of straight pieces of a polyline as their vertices, and each arc as its first vertex with its bulge."""
    count = len(shape.vertices)
    pieces = count if shape.closed else count - 1
    here = 0
    while here < pieces:
        if shape.bulges[here]:
            yield [here], shape.bulges[here]
            here += 1
            continue
        end = here
        while end < pieces and not shape.bulges[end]:
            end += 1
        yield [k % count for k in range(here, end + 1)], 0.0
        here = end
