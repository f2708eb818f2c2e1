"""Constructions of drawing: arcs through points, tangent arcs, fillets, chamfers, trims, extensions, offsets.

Shapes here are lines, arcs and circles; a construction that cannot be made gives None, and the caller says why.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence

import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.intersect import carrier_crossings
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Shape
from syntaxa.geometry.tolerances import HAIR, NOUGHT, ROUNDING

Simple = Line | Arc | Circle

#: mm; places nearer than this are one.
_SAME = 1e-9

#: Radians; an arc that turns by less than this short of a full turn would be larger than any drawing.
_BEHIND = 1e-6


def arc_through(a: Point, b: Point, c: Point) -> Arc | None:
    """The arc from a to c that passes through b; None where the three lie on a line."""
    u, v = b - a, c - a
    double = 2 * u.cross(v)
    if abs(double) <= HAIR * max(u.dot(u), v.dot(v)):
        return None
    uu, vv = u.dot(u), v.dot(v)
    centre = Point(a.x + (v.y * uu - u.y * vv) / double, a.y + (u.x * vv - v.x * uu) / double)
    first, last = (a - centre).angle, (c - centre).angle
    sweep = (last - first) % TURN if double > 0 else -((first - last) % TURN)
    return Arc(centre, centre.distance_to(a), first, sweep)


def arc_from(start: Point, direction: Vector, end: Point) -> Line | Arc | None:
    """The arc that leaves a point in a direction and ends at another; a line where that is straight on.

    None where the other point lies straight behind, or where the first does: no arc leads there.
    """
    chord = end - start
    turn = 2 * math.atan2(direction.cross(chord), direction.dot(chord))
    if TURN - abs(turn) < _BEHIND or chord.length <= _SAME:
        return None
    if abs(turn) < ROUNDING:
        return Line(start, end)
    return Arc.from_bulge(start, end, math.tan(turn / 4))


def circle_on(a: Point, b: Point) -> Circle:
    """The circle that has two points as the ends of a diameter."""
    return Circle(a.toward(b, 0.5), a.distance_to(b) / 2)


def crossings(one: Simple, two: Simple) -> list[Point]:
    """Where the carriers of two shapes meet."""
    both = _array([one, two])
    second = int(np.searchsorted(both.owner, 1))
    found = carrier_crossings(both, np.array([0]), np.array([second]), ROUNDING)
    return [Point(*p[0].tolist()) for p in found if not math.isnan(p[0, 0])]


def parameter_of(shape: Simple, point: Point) -> float:
    """Share of the length at which the carrier comes nearest to a point; beyond 0..1 past an end."""
    if isinstance(shape, Line):
        way = shape.end - shape.start
        return (point - shape.start).dot(way) / max(way.dot(way), NOUGHT)
    angle = (point - shape.centre).angle
    if isinstance(shape, Circle):
        return (angle % TURN) / TURN
    turned = (angle - shape.start_angle) * math.copysign(1, shape.sweep) % TURN
    size = abs(shape.sweep)
    return (turned - TURN if turned > math.pi + size / 2 else turned) / size


def part_of(shape: Simple, low: float, high: float) -> Line | Arc:
    """The part of a shape between two shares; shares beyond 0..1 extend it."""
    if isinstance(shape, Line):
        return Line(shape.start.toward(shape.end, low), shape.start.toward(shape.end, high))
    first, sweep = (shape.start_angle, shape.sweep) if isinstance(shape, Arc) else (0.0, TURN)
    return Arc(shape.centre, shape.radius, first + sweep * low, sweep * (high - low))


def stops_on(shape: Simple, others: Iterable[Shape]) -> list[float]:
    """Shares at which other shapes meet a shape between its ends, rising."""
    own = _array([shape])
    found: set[float] = set()
    for other in others:
        pieces = _array([other])
        both = CurveArray.joined([own, pieces])
        count = len(own)
        i = np.repeat(np.arange(count), len(pieces))
        j = np.tile(np.arange(len(pieces)), count) + count
        for points in carrier_crossings(both, i, j, ROUNDING):
            for k in np.flatnonzero(~np.isnan(points[:, 0])).tolist():
                at = float(both.take(j[[k]]).parameters_of(points[[k]])[0])
                share = parameter_of(shape, Point(*points[k].tolist()))
                if -ROUNDING <= at <= 1 + ROUNDING and ROUNDING < share < 1 - ROUNDING:
                    found.add(round(share, 12))
    return sorted(found)


def trimmed(shape: Simple, others: Iterable[Shape], at: Point) -> list[Line | Arc] | None:
    """What is left of a shape when the part at a point, between the nearest shapes that meet it, is taken out."""
    stops = stops_on(shape, others)
    here = parameter_of(shape, at)
    if isinstance(shape, Circle):
        if len(stops) < 2:
            return None
        after = next((s for s in stops if s > here), stops[0] + 1)
        before = next((s for s in reversed(stops) if s <= here), stops[-1] - 1)
        return [part_of(shape, after, before + 1)] if before + 1 > after else [part_of(shape, after - 1, before)]
    low = max((s for s in stops if s < here), default=None)
    high = min((s for s in stops if s >= here), default=None)
    if low is None and high is None:
        return None
    left = [] if low is None else [part_of(shape, 0.0, low)]
    return left + ([] if high is None else [part_of(shape, high, 1.0)])


def extended(shape: Line | Arc, others: Iterable[Shape], at: Point) -> Line | Arc | None:
    """The shape drawn on beyond the end nearer to a point, to the first other shape that it meets."""
    last = at.distance_to(shape.end) <= at.distance_to(shape.start)
    reach = 1e6 / max(shape.length, ROUNDING) if isinstance(shape, Line) else (TURN - 1e-6) / abs(shape.sweep)
    longer = part_of(shape, 0.0, reach) if last else part_of(shape, 1 - reach, 1.0)
    shares = [parameter_of(shape, _at(longer, s)) for s in stops_on(longer, others)]
    if isinstance(shape, Arc):
        # Once round the circle a place before the start lies beyond the end as well.
        turn = TURN / abs(shape.sweep)
        shares = [s if (s > 1) == last or 0 <= s <= 1 else s + (turn if last else -turn) for s in shares]
    ahead = [s for s in shares if s > 1 + ROUNDING] if last else [s for s in shares if s < -ROUNDING]
    if not ahead:
        return None
    return part_of(shape, 0.0, min(ahead)) if last else part_of(shape, max(ahead), 1.0)


def filleted(one: Line | Arc, two: Line | Arc, radius: float) -> tuple[Line | Arc, Arc, Line | Arc] | None:
    """Both shapes cut back and the arc of that radius tangent to both, at the corner where they come nearest."""
    corner = _corner(one, two)
    best: tuple[float, Line | Arc, Arc, Line | Arc] | None = None
    for first in (-radius, radius):
        for second in (-radius, radius):
            a, b = _beside(one, first), _beside(two, second)
            for centre in crossings(a, b) if a is not None and b is not None else ():
                touch_a, touch_b = _foot(one, centre), _foot(two, centre)
                kept_a, kept_b = _kept(one, touch_a, corner), _kept(two, touch_b, corner)
                if kept_a is None or kept_b is None or touch_a.distance_to(touch_b) <= _SAME:
                    continue
                off = touch_a.distance_to(corner) + touch_b.distance_to(corner)
                if best is None or off < best[0]:
                    best = off, kept_a, _short_arc(centre, radius, touch_a, touch_b), kept_b
    return best[1:] if best else None


def chamfered(one: Line | Arc, two: Line | Arc, setback: float) -> tuple[Line | Arc, Line, Line | Arc] | None:
    """Both shapes cut back by a length (mm) from their corner, and the line between."""
    corner = _corner(one, two)
    parts, ends = [], []
    for shape in (one, two):
        at = parameter_of(shape, corner)
        back = setback / max(shape.length, NOUGHT)
        share = at - back if at > 0.5 else at + back
        if not 0 < share < 1:
            return None
        parts.append(part_of(shape, 0.0, share) if at > 0.5 else part_of(shape, share, 1.0))
        ends.append(_at(shape, share))
    return parts[0], Line(ends[0], ends[1]), parts[1]


def offset_run(
    rows: Sequence[tuple[float, float, float, float, float]], closed: bool, distance: float
) -> list[tuple[float, float, float, float, float]] | None:
    """A run of rows (x0, y0, x1, y1, bulge) at a distance (mm), to the left where it is positive.

    Corners stay sharp: pieces are drawn on or cut back to where their carriers meet. None where the distance leaves
    nothing of a piece, or two pieces do not meet any more.
    """
    shapes = [
        Arc.from_bulge(Point(*r[:2]), Point(*r[2:4]), r[4]) if r[4] else Line(Point(*r[:2]), Point(*r[2:4]))
        for r in rows
    ]
    moved = [_beside(s, distance) for s in shapes]
    if any(m is None for m in moved):
        return None
    beside = [m for m in moved if m is not None]
    count = len(beside)
    starts, ends = [s.start for s in beside], [s.end for s in beside]
    for k in range(count if closed else count - 1):
        follow = (k + 1) % count
        if ends[k].distance_to(starts[follow]) <= ROUNDING * max(1.0, abs(distance)):
            continue
        old = shapes[k].end
        met = crossings(beside[k], beside[follow]) if count > 1 else []
        if not met:
            return None
        place = min(met, key=old.distance_to)
        ends[k] = starts[follow] = place
    result = []
    for shape, source, a, b in zip(beside, shapes, starts, ends, strict=True):
        low, high = parameter_of(shape, a), parameter_of(shape, b)
        if high - low <= ROUNDING:
            return None
        bulge = math.tan(shape.sweep * (high - low) / 4) if isinstance(shape, Arc) else 0.0
        del source
        result.append((*a, *b, bulge))
    return result


def _array(shapes: Sequence[Shape]) -> CurveArray:
    rows = [(row, k) for k, s in enumerate(shapes) for row in rows_of(s, 1e-4)]
    return CurveArray.from_rows([row for row, _ in rows], [k for _, k in rows])


def _at(shape: Line | Arc, share: float) -> Point:
    return part_of(shape, 0.0, share).end


def _corner(one: Line | Arc, two: Line | Arc) -> Point:
    """Where two shapes come nearest: a crossing of their carriers beside their ends, else between their ends."""
    pairs = [(a, b) for a in (one.start, one.end) for b in (two.start, two.end)]
    a, b = min(pairs, key=lambda pair: pair[0].distance_to(pair[1]))
    middle = a.toward(b, 0.5)
    return min(crossings(one, two), key=middle.distance_to, default=middle)


def _beside(shape: Line | Arc, distance: float) -> Line | Arc | None:
    """The shape at a distance to its left; None where nothing is left of an arc."""
    if isinstance(shape, Line):
        way = shape.end - shape.start
        step = Vector(-way.y, way.x) * (distance / max(way.length, NOUGHT))
        return Line(shape.start + step, shape.end + step)
    radius = shape.radius - math.copysign(distance, distance * shape.sweep)
    return Arc(shape.centre, radius, shape.start_angle, shape.sweep) if radius > _SAME else None


def _foot(shape: Line | Arc, point: Point) -> Point:
    return _at(shape, parameter_of(shape, point))


def _kept(shape: Line | Arc, touch: Point, corner: Point) -> Line | Arc | None:
    """The shape from its end away from the corner to a place on it; None where that is not on it."""
    at, turn = parameter_of(shape, touch), parameter_of(shape, corner)
    if turn > 0.5:
        return part_of(shape, 0.0, at) if ROUNDING < at <= max(turn, 1.0) + ROUNDING else None
    return part_of(shape, at, 1.0) if min(turn, 0.0) - ROUNDING <= at < 1 - ROUNDING else None


def _short_arc(centre: Point, radius: float, a: Point, b: Point) -> Arc:
    first = (a - centre).angle
    turn = ((b - centre).angle - first + math.pi) % TURN - math.pi
    return Arc(centre, radius, first, turn)
