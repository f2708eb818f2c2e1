"""Runs of short straight curves, or of straight pieces of a polyline, that were one arc or circle once.

Only whole curves of one layer, style and role are taken together, and only through ends that nothing else touches: what
meets a run in between keeps it from becoming one. No vertex at which a run begins or ends is moved.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.chaining import walks
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.refit import SIDE_OF_A_POLYGON, RefitLimits, refit
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline, Shape
from syntaxa.geometry.types import Floats, Ints
from syntaxa.geometry.vectors import cross, dot

#: Radians; a way that turns less goes straight on.
_STRAIGHT = 1e-6

#: Whether a chain of lines goes on over a vertex from one line to another.
Passes = Callable[[int, int, int], bool]


@dataclass(frozen=True, slots=True)
class FacetRun:
    """Facets that were one arc: the curves that go, what comes for them, how many they are, how far it is off (mm)."""

    gone: tuple[str, ...]
    curve: Curve
    facets: int
    deviation: float


def facet_runs(curves: Sequence[Curve], limits: RefitLimits, merge: float) -> list[FacetRun]:
    """All runs of a sketch; ends closer than `merge` (mm) are one."""
    bent = [c for c in curves if isinstance(c.shape, Polyline) and not c.locked]
    found = [run for c in bent if (run := _in_polyline(c, limits)) is not None]
    for chain, closed in line_chains(curves, merge):
        found += _in_chain(chain, closed, limits)
    return found


def without_facets(curves: Sequence[Curve], runs: Sequence[FacetRun]) -> list[Curve]:
    """The curves with the runs in the places of their first curves."""
    first = {run.gone[0]: run.curve for run in runs}
    gone = {name for run in runs for name in run.gone}
    return [first.get(c.id, c) for c in curves if c.id in first or c.id not in gone]


# ---------------------------------------------------------------------- polylines


def _in_polyline(curve: Curve, limits: RefitLimits) -> FacetRun | None:
    """A polyline whose straight runs become arcs; None where none does."""
    shape = curve.shape
    if not isinstance(shape, Polyline) or len(shape.vertices) < 4:
        return None
    points = np.array([[*p] for p in shape.vertices])
    if not any(shape.bulges):
        stops, bulges = refit(points, shape.closed, limits)
        return _polyline_run(curve, points, stops, bulges, shape.closed)
    stops, bulges = _between_arcs(points, shape, limits)
    return _polyline_run(curve, points, stops, bulges, shape.closed)


def _between_arcs(points: Floats, shape: Polyline, limits: RefitLimits) -> tuple[list[int], list[float]]:
    """Straight runs between the arcs that a polyline has already; its own arcs stay what they are."""
    count = len(points)
    pieces = count if shape.closed else count - 1
    stops: list[int] = []
    bulges: list[float] = []
    here = 0
    while here < pieces:
        if shape.bulges[here]:
            stops.append(here)
            bulges.append(shape.bulges[here])
            here += 1
            continue
        end = here
        while end < pieces and not shape.bulges[end]:
            end += 1
        index = np.arange(here, end + 1) % count
        some, own = refit(points[index], False, limits)
        stops += [int(index[k]) for k in some[:-1]]
        bulges += own[:-1]
        here = end
    if not shape.closed:
        stops.append(count - 1)
        bulges.append(0.0)
    return stops, bulges


def _polyline_run(curve: Curve, points: Floats, stops: list[int], bulges: list[float], closed: bool) -> FacetRun | None:
    new = sum(bool(b) for b in bulges) - sum(bool(b) for b in curve.shape.bulges)  # type: ignore[union-attr]
    if new <= 0:
        return None
    deviation = _deviation(points, stops, bulges, closed)
    if closed and len(stops) == 2 and all(bulges):
        shape: Shape = _circle(points)
    else:
        # Corners that only bend are kept: nothing but arcs is made here.
        kept, own = _with_straight_vertices(len(points), stops, bulges, closed)
        shape = Polyline(tuple(Point(*points[k].tolist()) for k in kept), tuple(own), closed)
    return FacetRun((curve.id,), replace(curve, shape=shape), len(points) - len(stops), deviation)


def _with_straight_vertices(
    count: int, stops: list[int], bulges: list[float], closed: bool
) -> tuple[list[int], list[float]]:
    """The stops with the vertices that a straight piece runs over."""
    kept: list[int] = []
    own: list[float] = []
    ends = [*stops[1:], stops[0] + count if closed else stops[-1]]
    for begin, end, bulge in zip(stops, ends, bulges, strict=True):
        inner = range(begin + 1, end) if not bulge else ()
        kept += [begin, *(k % count for k in inner)]
        own += [bulge, *(0.0 for _ in inner)]
    return kept, own


# ---------------------------------------------------------------------- chains of lines


def _in_chain(chain: list[tuple[Curve, bool]], closed: bool, limits: RefitLimits) -> Iterator[FacetRun]:
    points = points_of(chain, closed)
    stops, bulges = refit(points, closed, limits)
    if closed and len(stops) == 2 and all(bulges):
        deviation = _deviation(points, stops, bulges, True)
        ids = tuple(c.id for c, _ in chain)
        yield FacetRun(ids, replace(chain[0][0], shape=_circle(points)), len(ids), deviation)
        return
    ends = [*stops[1:], stops[0] + len(points)] if closed else stops[1:]
    for begin, end, bulge in zip(stops, ends, bulges, strict=False):
        if not bulge:
            continue
        run = [chain[k % len(chain)] for k in range(begin, end)]
        a, b = (Point(*points[k % len(points)].tolist()) for k in (begin, end))
        index = np.arange(begin, end + 1) % len(points)
        deviation = _deviation(points[index], [0, len(index) - 1], [bulge, 0.0], False)
        shape = Arc.from_bulge(a, b, bulge)
        yield FacetRun(tuple(c.id for c, _ in run), replace(run[0][0], shape=shape), len(run), deviation)


def line_chains(
    curves: Sequence[Curve], merge: float, least: float = _STRAIGHT, most: float = SIDE_OF_A_POLYGON
) -> Iterator[tuple[list[tuple[Curve, bool]], bool]]:
    """Lines end to end where nothing else ends, each with whether it is walked forward; and whether they close.

    most   radians, a chain ends where the way turns further; only chains that turn more than the least somewhere count
    """
    lines = [k for k, c in enumerate(curves) if isinstance(c.shape, Line)]
    if len(lines) < 2:
        return
    ends = np.array([[*p] for c in curves for p in (c.shape.start, c.shape.end)])
    _, label = cluster_labels(ends, 2 * merge)
    turn = _turns(ends, label, np.array(lines))
    smooth = (turn < most).tolist()
    bends = (turn < most) & (turn > least)

    def passes(vertex: int, one: int, other: int) -> bool:
        return smooth[vertex] and can_be_one(curves[one], curves[other])

    bending = [k for k in lines if bends[label[2 * k]] or bends[label[2 * k + 1]]]
    for walk, closed in walks(label.tolist(), passes, bending):
        if len(walk) >= 2:
            yield [(curves[end // 2], end % 2 == 0) for end in walk], closed


def points_of(chain: list[tuple[Curve, bool]], closed: bool) -> Floats:
    """The vertices of a chain of lines, (n, 2) mm; of a closed one without the first again."""
    points = [[*(c.shape.start if forward else c.shape.end)] for c, forward in chain]
    if not closed:
        last, forward = chain[-1]
        points.append([*(last.shape.end if forward else last.shape.start)])
    return np.array(points)


def _turns(ends: Floats, label: Ints, lines: Ints) -> Floats:
    """How far the way turns at each place (radians) where just two lines meet, inf elsewhere."""
    count = int(label.max()) + 1
    first, at = grouped(label, count)
    of_line = np.zeros(len(label), dtype=bool)
    of_line[np.concatenate([2 * lines, 2 * lines + 1])] = True
    two = np.flatnonzero(np.diff(first) == 2)
    one, other = at[first[two]], at[first[two] + 1]
    both = of_line[one] & of_line[other]
    two, one, other = two[both], one[both], other[both]
    a, b = ends[one] - ends[one ^ 1], ends[other ^ 1] - ends[other]
    turn = np.full(count, np.inf)
    turn[two] = np.abs(np.arctan2(cross(a, b), dot(a, b)))
    return turn


def can_be_one(one: Curve, other: Curve) -> bool:
    """Whether two curves can be made one: of one layer, style, role, group and block, and neither of them locked."""
    if one.locked or other.locked:
        return False
    return (one.layer, one.style, one.roles, one.group, one.block) == (
        other.layer,
        other.style,
        other.roles,
        other.group,
        other.block,
    )


# ---------------------------------------------------------------------- measures


def _deviation(points: Floats, stops: list[int], bulges: list[float], closed: bool) -> float:
    """The greatest distance (mm) between facets and what comes for them, both ways: at vertices and middles."""
    count, worst = len(points), 0.0
    ends = [*stops[1:], stops[0] + count if closed else stops[-1]]
    for begin, end, bulge in zip(stops, ends, bulges, strict=True):
        if bulge and end > begin:
            run = points[np.arange(begin, end + 1) % count]
            arc = Arc.from_bulge(Point(*run[0].tolist()), Point(*run[-1].tolist()), bulge)
            middle = (run[1:] + run[:-1]) / 2
            for some in (run, middle):
                away = np.abs(np.hypot(some[:, 0] - arc.centre.x, some[:, 1] - arc.centre.y) - arc.radius)
                worst = max(worst, float(away.max()))
    return worst


def _circle(points: Floats) -> Circle:
    """The circle through vertices that lie on one: least squares, linear in the centre."""
    middle = points.mean(axis=0)
    x, y = (points - middle).T
    table = np.column_stack([2 * x, 2 * y, np.ones(len(x))])
    (cx, cy, rest), *_ = np.linalg.lstsq(table, x * x + y * y, rcond=None)
    radius = float(np.sqrt(rest + cx * cx + cy * cy))
    return Circle(Point(float(cx + middle[0]), float(cy + middle[1])), radius)
