"""The views of a pairing laid on their planes in space, with levels that the views agree on.

Drawings are off by a little: a width is drawn a hair larger in one view than in the other. Numbers of all views that
mean one coordinate of space are grouped, and everything is moved to the common ones, round things by both their ends.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence

import numpy as np

from syntaxa.form.folding.model import ROLES, SEEN, Cluster, Folded, Method, Misfit, Pairing, Role, View
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline, Shape
from syntaxa.geometry.types import Floats

#: Slope below which a line runs square to an axis, and mm within which curves are followed by points.
_SQUARE, _FINE = 0.02, 0.01

#: In tolerances: two levels that are so near, and not one, contradict each other; what is farther apart is two things.
_NEAR_MISS = 8.0

#: mm; what is shorter vanishes in moving.
_GONE = 1e-6


def folded(
    pairing: Pairing,
    shapes: Sequence[Shape],
    hidden: Sequence[bool],
    method: Method,
    tolerance: float,
    mirrored: bool = False,
) -> Folded:
    """The views on their planes; the one beside the front view turned over where `mirrored` says so."""
    placed: tuple[tuple[Cluster | None, Role], ...] = (
        (pairing.front, "front"), (pairing.upright, SEEN.get((method, pairing.upright_side), "top")),
        (pairing.beside, SEEN.get((method, pairing.beside_side), "right")),
    )  # fmt: skip
    views = []
    for cluster, role in placed:
        if cluster is None:
            continue
        flips = (role == "left", role == "bottom")
        if mirrored and cluster is pairing.beside:
            flips = (not flips[0], flips[1])
        to = _corner(cluster.box, flips)
        own = [_image(shapes[k], to, flips[0] != flips[1]) for k in cluster.curves]
        views.append(View(role, own, [hidden[k] for k in cluster.curves], list(cluster.curves)))
    return _agreed(Folded(method, views, mirrored=mirrored), tolerance)


def _corner(box: tuple[float, float, float, float], flips: tuple[bool, bool]) -> Callable[[Point], Point]:
    x0, y0, x1, y1 = box
    return lambda p: Point(x1 - p.x if flips[0] else p.x - x0, y1 - p.y if flips[1] else p.y - y0)


def _image(shape: Shape, to: Callable[[Point], Point], mirrors: bool) -> Shape:
    if isinstance(shape, Line):
        return Line(to(shape.start), to(shape.end))
    if isinstance(shape, Circle):
        return Circle(to(shape.centre), shape.radius)
    if isinstance(shape, Arc):
        return Arc.from_bulge(to(shape.start), to(shape.end), -shape.bulge if mirrors else shape.bulge)
    points = tuple(to(Point(*p)) for p in shape.flattened(_FINE).tolist())
    return Polyline(points, (0.0,) * len(points), False)


# ---------------------------------------------------------------------- levels


def levels_of(view: View, which: int) -> Floats:
    """Coordinates (0 for u, 1 for v) at which lines run square to it, and where things end, sorted."""
    out: list[float] = []
    for shape in view.shapes:
        if isinstance(shape, Line):
            ends = np.array([[*shape.start], [*shape.end]])
            along, across = np.abs(ends[0] - ends[1])[[which, 1 - which]].tolist()
            own = ends[:, which].tolist()
            out += [sum(own) / 2, *own] if along <= _SQUARE * across else own
            continue
        run = shape.flattened(_FINE / 10)[:, which]
        if not isinstance(shape, Circle):
            out += [float(run[0]), float(run[-1])]
        out += (
            _round_ends(shape, run, which) if isinstance(shape, Circle | Arc) else [float(run.min()), float(run.max())]
        )
    return np.array(sorted(out))


def _round_ends(shape: Circle | Arc, run: Floats, which: int) -> list[float]:
    """Where a round curve ends along a coordinate, as far as it gets there."""
    middle = [*shape.centre][which]
    ends = (middle - shape.radius, middle + shape.radius)
    return [e for e in ends if run.min() - 1e-3 <= e <= run.max() + 1e-3]


def grouped(values: Floats, tolerance: float) -> Floats:
    """The means of values that follow each other within a tolerance."""
    if not len(values):
        return values
    ordered = np.sort(values)
    return np.array([part.mean() for part in np.split(ordered, np.flatnonzero(np.diff(ordered) > tolerance) + 1)])


def _agreed(laid: Folded, tolerance: float) -> Folded:
    """Every view on the levels that are common to all, those of round things exact."""
    maps: dict[tuple[int, int], tuple[Floats, Floats]] = {}
    for axis in range(3):
        shared = [
            (k, which, grouped(levels_of(view, which), tolerance))
            for k, view in enumerate(laid.views)
            for which in (0, 1)
            if ROLES[view.role][which] == axis
        ]
        shared = [s for s in shared if len(s[2]) and s[2][-1] > 0]
        if not shared:
            continue
        size = float(np.mean([own[-1] for _, _, own in shared]))
        # Each view is stretched to the common size first, so that a slip in its scale does no harm.
        stretched = [own * (size / own[-1]) for _, _, own in shared]
        common = grouped(np.concatenate(stretched), tolerance)
        laid.size[axis], laid.levels[axis] = size, common
        for (k, which, own), wide in zip(shared, stretched, strict=True):
            maps[k, which] = own, common[np.abs(common[None, :] - wide[:, None]).argmin(axis=1)]
        if len(stretched) == 2:
            roles = [laid.views[k].role for k, _, _ in shared]
            laid.misfits += _misfits(axis, (roles[0], stretched[0]), (roles[1], stretched[1]), tolerance)
            if axis == 1:
                laid.agree = _agreement(stretched[0], stretched[1], tolerance)
    for k, view in enumerate(laid.views):
        if (k, 0) in maps and (k, 1) in maps:
            _move(view, (_Snap(*maps[k, 0], tolerance), _Snap(*maps[k, 1], tolerance)), tolerance)
    _rounds_win(laid, tolerance)
    for view in laid.views:
        _onto_curves(view, tolerance)
    return laid


def _agreement(one: Floats, other: Floats, tolerance: float) -> float:
    """Share of the levels of two views that the other has as well."""
    off = np.abs(one[:, None] - other[None, :])
    return float((off.min(axis=1) <= tolerance).mean() + (off.min(axis=0) <= tolerance).mean()) / 2


def _misfits(axis: int, one: tuple[Role, Floats], other: tuple[Role, Floats], tolerance: float) -> Iterator[Misfit]:
    """Levels of two views that are nearest to each other, and too far apart to be one."""
    off = np.abs(one[1][:, None] - other[1][None, :])
    for i, j in enumerate(off.argmin(axis=1).tolist()):
        if tolerance < off[i, j] <= _NEAR_MISS * tolerance and off[:, j].argmin() == i:
            yield Misfit(axis, one[0], float(one[1][i]), other[0], float(other[1][j]))


class _Snap:
    """Moves numbers to the levels that they are near, and others in between along with them."""

    def __init__(self, own: Floats, to: Floats, tolerance: float) -> None:
        self._own, self._to, self._tolerance = own, to, tolerance

    def __call__(self, x: float) -> float:
        k = int(np.abs(self._own - x).argmin())
        if abs(self._own[k] - x) <= self._tolerance:
            return float(self._to[k])
        return float(np.interp(x, self._own, self._to))


def _move(view: View, snaps: tuple[_Snap, _Snap], tolerance: float) -> None:
    """Every shape of a view moved to its levels; what vanishes is left out."""

    def place(p: Point) -> Point:
        return Point(snaps[0](p.x), snaps[1](p.y))

    moved: list[Shape | None] = []
    for shape in view.shapes:
        if isinstance(shape, Line):
            moved.append(_straightened(shape, place, tolerance))
        elif isinstance(shape, Circle):
            m, r = shape.centre, shape.radius
            x0, x1, y0, y1 = snaps[0](m.x - r), snaps[0](m.x + r), snaps[1](m.y - r), snaps[1](m.y + r)
            moved.append(Circle(Point((x0 + x1) / 2, (y0 + y1) / 2), (x1 - x0 + y1 - y0) / 4))
        elif isinstance(shape, Arc):
            a, b = place(shape.start), place(shape.end)
            moved.append(Arc.from_bulge(a, b, shape.bulge) if a.distance_to(b) > _GONE else None)
        else:
            points = tuple(map(place, shape.vertices)) if isinstance(shape, Polyline) else ()
            moved.append(Polyline(points, (0.0,) * len(points), False) if points else None)
    kept = [k for k, s in enumerate(moved) if s is not None]
    view.redraw([s for s in moved if s is not None])
    view.hidden, view.numbers = [view.hidden[k] for k in kept], [view.numbers[k] for k in kept]


def _straightened(line: Line, place: Callable[[Point], Point], tolerance: float) -> Line | None:
    a, b = place(line.start), place(line.end)
    if abs(line.start.x - line.end.x) <= tolerance / 2:
        b = Point(a.x, b.y)
    if abs(line.start.y - line.end.y) <= tolerance / 2:
        b = Point(b.x, a.y)
    return Line(a, b) if a.distance_to(b) > _GONE else None


def _rounds_win(laid: Folded, tolerance: float) -> None:
    """Levels at the ends of round things moved to where these end: else slivers stay between round and straight."""
    wanted: dict[int, dict[float, list[float]]] = {0: {}, 1: {}, 2: {}}
    for view in laid.views:
        for shape in view.shapes:
            if not isinstance(shape, Circle | Arc):
                continue
            run = shape.flattened(_FINE / 10)
            for which in (0, 1):
                axis = ROLES[view.role][which]
                for end in _round_ends(shape, run[:, which], which):
                    levels = laid.levels.get(axis, np.zeros(0))
                    near = levels[np.abs(levels - end) <= tolerance]
                    if len(near):
                        at = float(near[np.abs(near - end).argmin()])
                        wanted[axis].setdefault(at, []).append(end)
    moved = {axis: {at: float(np.mean(ends)) for at, ends in own.items()} for axis, own in wanted.items()}
    for axis, levels in laid.levels.items():
        laid.levels[axis] = np.array(sorted(moved[axis].get(x, x) for x in levels.tolist()))
        laid.size[axis] = float(laid.levels[axis][-1])
    for view in laid.views:
        to = moved[ROLES[view.role][0]], moved[ROLES[view.role][1]]
        view.redraw([_through(s, *to) if isinstance(s, Line) else s for s in view.shapes])


def _through(line: Line, moved_u: dict[float, float], moved_v: dict[float, float]) -> Line:
    """A line whose ends lie at other levels, where these have moved."""

    def found(x: float, moved: dict[float, float]) -> float:
        return next((to for at, to in moved.items() if abs(at - x) < 1e-9), x)

    return Line(*(Point(found(p.x, moved_u), found(p.y, moved_v)) for p in (line.start, line.end)))


def _onto_curves(view: View, tolerance: float) -> None:
    """Ends of lines that stop a hair before or behind a round or sloping curve moved onto it, along their own line."""
    rounds = [s for s in view.shapes if isinstance(s, Circle | Arc)]
    sloping = [
        s for s in view.shapes
        if isinstance(s, Line) and min(abs(s.start.x - s.end.x), abs(s.start.y - s.end.y)) > tolerance
    ]  # fmt: skip

    def ended(line: Line) -> Line:
        ends = [line.start, line.end]
        for e in (0, 1):
            ends[e] = _on_slope(ends[e], ends[1 - e], [s for s in sloping if s is not line], tolerance)
            ends[e] = _on_round(ends[e], ends[1 - e], rounds, tolerance)
        return Line(*ends)

    view.redraw([ended(s) if isinstance(s, Line) else s for s in view.shapes])


def _on_slope(p: Point, q: Point, sloping: Sequence[Line], tolerance: float) -> Point:
    way = p - q
    for line in sloping:
        w = line.end - line.start
        cross = way.cross(w)
        off, along = abs(w.cross(p - line.start)) / w.length, w.dot(p - line.start) / w.dot(w)
        if not 1e-9 < off <= tolerance or not -1e-6 <= along <= 1 + 1e-6 or abs(cross) < 1e-3 * way.length * w.length:
            continue
        t = (line.start - q).cross(w) / cross
        return q + way * t
    return p


def _on_round(p: Point, q: Point, rounds: Sequence[Circle | Arc], tolerance: float) -> Point:
    way = p - q
    if way.length < 1e-9:
        return p
    u = way * (1 / way.length)
    for shape in rounds:
        off = abs(p.distance_to(shape.centre) - shape.radius)
        to = shape.centre - q
        across = to.cross(u)
        if not 1e-9 < off <= tolerance or abs(across) > shape.radius:
            continue
        half = math.sqrt(shape.radius**2 - across**2)
        t = min((to.dot(u) - half, to.dot(u) + half), key=lambda t: abs(t - way.length))
        if t > 0 and abs(t - way.length) <= 2 * tolerance:
            return q + u * t
    return p


# ---------------------------------------------------------------------- what is drawn where


def drawn_along(view: View, axis: int, level: float, tolerance: float) -> list[tuple[float, float]]:
    """Stretches along an axis of space that lines of a view cover at a level of its other axis."""
    which = 0 if ROLES[view.role][0] == axis else 1
    level_there = (np.abs(view.straight[:, :, 1 - which] - level) <= tolerance).all(axis=1)
    along = np.sort(view.straight[level_there][:, :, which], axis=1).tolist()
    return [(low, high) for low, high in along if high - low > 1e-9]


def covered(stretches: Sequence[tuple[float, float]], low: float, high: float) -> float:
    """Share of low to high that stretches cover."""
    if high - low <= 1e-9:
        return 1.0
    total, at = 0.0, low
    for a, b in sorted(stretches):
        a, b = max(a, at), min(b, high)
        if b > a:
            total, at = total + b - a, b
    return total / (high - low)
