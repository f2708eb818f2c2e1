"""Paths of straight pieces, arcs and Bezier curves, as SVG and PDF draw them, to shapes.

Glossary: a *run* is one path from its move to the next, a row of pieces end to end. Cubic pieces that were drawn as
arcs become arcs again, a run that goes round on one circle becomes a Circle, straight pieces and arcs in a row one
Polyline; other cubics in a row become one Spline.

A cubic with its handles along the tangents misses a quarter circle by at most 2.73e-4 of the radius; the error grows
with the sixth power of the sweep (Goldapp, "Approximation of circular arcs by cubic polynomials", CAGD 8, 1991). A
piece counts as an arc only while it is no further off than such an arc would be, so that a shallow free curve is
never taken for one.
"""

from __future__ import annotations

import itertools
import math
from dataclasses import dataclass, field

from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import (
    TURN,
    Arc,
    Circle,
    EllipseArc,
    Line,
    Polyline,
    Shape,
    Spline,
    ellipse_from_conjugates,
)
from syntaxa.geometry.tolerances import HAIR, NOUGHT, ROUNDING
from syntaxa.geometry.transform import Transform

#: Share of the radius by which the usual cubic leaves a quarter circle, with room for other handle lengths in use.
_QUARTER_ERROR = 2.73e-4 * 1.6

#: Length of the handles of the usual quarter of a circle, in radii: 4/3 (sqrt 2 - 1), with room for others in use.
_HANDLE = 4 / 3 * (math.sqrt(2) - 1)

#: Radians; a cubic with a larger sweep is never one arc.
_WIDEST = math.pi * 0.75

#: Samples of a cubic that must lie on the circle.
_SAMPLES = (0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875)


@dataclass(frozen=True, slots=True)
class Cubic:
    """A Bezier piece of degree 3."""

    start: Point
    first: Point
    second: Point
    end: Point

    def at(self, t: float) -> Point:
        """The point at a parameter 0 to 1."""
        s = 1 - t
        a, b, c, d = s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t
        return Point(
            a * self.start.x + b * self.first.x + c * self.second.x + d * self.end.x,
            a * self.start.y + b * self.first.y + c * self.second.y + d * self.end.y,
        )

    def transformed(self, by: Transform) -> Cubic:
        """The image."""
        return Cubic(by.point(self.start), by.point(self.first), by.point(self.second), by.point(self.end))


Piece = Line | Arc | EllipseArc | Cubic


@dataclass
class Run:
    """Pieces end to end, and where the pen is; closed where the path says so or comes back to where it began."""

    begin: Point
    pieces: list[Piece] = field(default_factory=list)
    closed: bool = False

    def __post_init__(self) -> None:
        self.at = self.begin

    def line_to(self, point: Point) -> None:
        """A straight piece; one without length is dropped."""
        if point != self.at:
            self.add(Line(self.at, point), point)

    def curve_to(self, first: Point, second: Point, end: Point) -> None:
        """A cubic piece; one whose points all agree is dropped."""
        if not (self.at == first == second == end):
            self.add(Cubic(self.at, first, second, end), end)

    def quadratic_to(self, handle: Point, end: Point) -> None:
        """A quadratic piece, raised to degree 3."""
        self.curve_to(self.at.toward(handle, 2 / 3), end.toward(handle, 2 / 3), end)

    def mapped(self, by: Transform) -> Run:
        """The same pieces under a map that keeps straight lines."""
        there = Run(by.point(self.begin), [piece.transformed(by) for piece in self.pieces], self.closed)
        there.at = by.point(self.at)
        return there

    def add(self, piece: Piece, end: Point) -> None:
        """Any piece, with the exact point at which it ends."""
        self.pieces.append(piece)
        self.at = end

    def close(self) -> None:
        """Back to the beginning."""
        self.line_to(self.begin)
        self.closed = True


def shapes_of(run: Run, rounding: float) -> list[Shape]:
    """The shapes of a run; `rounding` is how far the writer's rounding may have moved a point."""
    if not run.pieces:
        return []
    closed = run.closed or (len(run.pieces) > 1 and run.at == run.begin)
    if all(type(piece) is Line for piece in run.pieces):
        return [_straight(run, closed)]
    pieces = [_plain(piece, rounding) for piece in run.pieces]
    circle = _whole_circle(pieces, closed, rounding) or (_stretched_circle(run.pieces, rounding) if closed else None)
    if circle is not None:
        return [circle]
    whole = closed and all(isinstance(p, Line | Arc) for p in pieces)
    return [
        _shape_of(group, closed=whole, loop=closed and len(group) == len(pieces), rounding=rounding)
        for group in _groups(pieces)
    ]


def _straight(run: Run, closed: bool) -> Shape:
    """A run of straight pieces only, which most runs are."""
    points = [piece.start for piece in run.pieces]
    if not closed or len(points) == 2:
        points.append(run.at)
    if len(points) == 2:
        return Line(points[0], points[1])
    return Polyline(tuple(points), (0.0,) * len(points), closed and len(points) == len(run.pieces))


def _plain(piece: Piece, rounding: float) -> Piece:
    if isinstance(piece, Cubic):
        return _as_arc(piece, rounding)
    if isinstance(piece, EllipseArc) and abs(piece.ratio - 1) < ROUNDING:
        return Arc(piece.centre, piece.major.length, piece.major.angle + piece.start_parameter, piece.sweep)
    return piece


def _as_arc(cubic: Cubic, rounding: float) -> Piece:
    """The line or arc that a cubic was drawn for, else the cubic itself."""
    chord = cubic.end - cubic.start
    leaving = cubic.first - cubic.start if cubic.first != cubic.start else cubic.second - cubic.start
    arriving = cubic.end - cubic.second if cubic.second != cubic.end else cubic.end - cubic.first
    if chord.length == 0 or leaving.length == 0 or arriving.length == 0:
        return cubic
    turn_in = math.atan2(leaving.cross(chord), leaving.dot(chord))
    turn_out = math.atan2(chord.cross(arriving), chord.dot(arriving))
    if max(abs(turn_in), abs(turn_out)) * chord.length <= rounding:
        lengths_grow = 0 <= leaving.dot(chord) <= chord.dot(chord) and 0 <= arriving.dot(chord) <= chord.dot(chord)
        return Line(cubic.start, cubic.end) if lengths_grow else cubic
    sweep = turn_in + turn_out
    slack = 4 * rounding / min(leaving.length, arriving.length) + 1e-6
    if abs(turn_in - turn_out) > slack or not 1e-4 < abs(sweep) < _WIDEST:
        return cubic
    bulge = math.tan(sweep / 4)
    arc = Arc.from_bulge(cubic.start, cubic.end, bulge)
    allowed = _QUARTER_ERROR * arc.radius * (abs(sweep) / (math.pi / 2)) ** 6 + 2 * rounding
    if any(abs(arc.centre.distance_to(cubic.at(t)) - arc.radius) > allowed for t in _SAMPLES):
        return cubic
    return arc


def _whole_circle(pieces: list[Piece], closed: bool, rounding: float) -> Circle | EllipseArc | None:
    """The circle or ellipse that all pieces together go round once."""
    if not closed:
        return None
    arcs = [p for p in pieces if isinstance(p, Arc)]
    if len(arcs) == len(pieces):
        return _circle_of(arcs, rounding)
    ellipses = [p for p in pieces if isinstance(p, EllipseArc)]
    if len(ellipses) == len(pieces):
        first = ellipses[0]
        slack = 1e-6 * first.major.length
        same = all(
            e.centre.distance_to(first.centre) <= slack
            and abs(e.major.length - first.major.length) <= slack
            and abs(e.ratio - first.ratio) <= 1e-6
            and e.sweep * first.sweep > 0
            for e in ellipses
        )
        if same and abs(abs(sum(e.sweep for e in ellipses)) - TURN) < 1e-6:
            return EllipseArc(first.centre, first.major, first.ratio, first.start_parameter, TURN)
    return None


def _stretched_circle(pieces: list[Piece], rounding: float) -> EllipseArc | None:
    """The ellipse that four cubics stand for: a circle drawn as usual, seen under any map that keeps straight lines."""
    cubics = [p for p in pieces if isinstance(p, Cubic)]
    if len(cubics) != 4 or len(pieces) != 4:
        return None
    joints = [c.start for c in cubics]
    centre = joints[0].toward(joints[2], 0.5)
    spokes = [p - centre for p in joints]
    size = max(s.length for s in spokes)
    slack = 1e-3 * size + 4 * rounding
    u, v = spokes[0], spokes[1]
    if centre.distance_to(joints[1].toward(joints[3], 0.5)) > slack or abs(u.cross(v)) < 1e-6 * size * size:
        return None
    for k, cubic in enumerate(cubics):
        here, there = spokes[k], spokes[(k + 1) % 4]
        first, second = cubic.start + there * _HANDLE, cubic.end + here * _HANDLE
        if first.distance_to(cubic.first) > slack or second.distance_to(cubic.second) > slack:
            return None
    ellipse = ellipse_from_conjugates(centre, u, v, 0.0, TURN)
    return None if ellipse.ratio > 1 - ROUNDING else ellipse


def _circle_of(arcs: list[Arc], rounding: float) -> Circle | None:
    total = sum(a.sweep for a in arcs)
    one_way = all(a.sweep * total > 0 for a in arcs)
    if not one_way or abs(abs(total) - TURN) > 0.02:
        return None
    radius = sum(a.radius * abs(a.sweep) for a in arcs) / abs(total)
    slack = max(1e-3 * radius if len(arcs) > 1 else 0.0, 0.0) + 8 * rounding
    centre = Point(
        sum(a.centre.x * abs(a.sweep) for a in arcs) / abs(total),
        sum(a.centre.y * abs(a.sweep) for a in arcs) / abs(total),
    )
    if any(abs(a.radius - radius) > slack or a.centre.distance_to(centre) > slack for a in arcs):
        return None
    # The joints lie on the circle itself: opposite ones give its middle better than the arcs do.
    joints = [a.start for a in arcs]
    count = len(joints)
    if count % 2 == 0 and all(abs(abs(a.sweep) - TURN / count) < 1e-3 for a in arcs):
        centre = Point(sum(p.x for p in joints) / count, sum(p.y for p in joints) / count)
        radius = sum(p.distance_to(centre) for p in joints) / count
    return Circle(centre, radius)


def _groups(pieces: list[Piece]) -> list[list[Piece]]:
    """Pieces in a row that make one shape: straight ones and arcs, cubics that go on smoothly, ellipses one by one."""
    groups: list[list[Piece]] = []
    for piece in pieces:
        joins = groups and _family(piece) == _family(groups[-1][-1]) and not isinstance(piece, EllipseArc)
        if joins:
            groups[-1].append(piece)
        else:
            groups.append([piece])
    return groups


def _family(piece: Piece) -> str:
    return "round" if isinstance(piece, Line | Arc) else "ellipse" if isinstance(piece, EllipseArc) else "cubic"


def _shape_of(group: list[Piece], closed: bool, loop: bool, rounding: float) -> Shape:
    first = group[0]
    if isinstance(first, EllipseArc):
        return first
    if isinstance(first, Cubic):
        return _spline([p for p in group if isinstance(p, Cubic)], loop)
    if len(group) == 1 and not closed:
        return first
    return _polyline([p for p in group if isinstance(p, Line | Arc)], closed, rounding)


def _polyline(pieces: list[Line | Arc], closed: bool, rounding: float) -> Polyline | Arc:
    """One polyline; arcs that go on along one circle are one piece of it."""
    merged: list[tuple[Point, float]] = []
    sweep = 0.0
    for k, piece in enumerate(pieces):
        before = pieces[k - 1] if k else None
        if (
            isinstance(piece, Arc)
            and isinstance(before, Arc)
            and merged
            and _goes_on(before, piece, rounding)
            and abs(sweep + piece.sweep) <= math.pi + ROUNDING
        ):
            sweep += piece.sweep
            merged[-1] = (merged[-1][0], math.tan(sweep / 4))
            continue
        sweep = piece.sweep if isinstance(piece, Arc) else 0.0
        merged.append((piece.start, math.tan(sweep / 4)))
    end = pieces[-1].end
    if not closed:
        if len(merged) == 1 and merged[0][1]:
            return Arc.from_bulge(merged[0][0], end, merged[0][1])
        merged.append((end, 0.0))
    return Polyline(tuple(p for p, _ in merged), tuple(b for _, b in merged), closed)


def _goes_on(before: Arc, after: Arc, rounding: float) -> bool:
    slack = 1e-3 * min(before.radius, after.radius) * max(abs(before.sweep), abs(after.sweep)) ** 2 + 4 * rounding
    return (
        before.sweep * after.sweep > 0
        and abs(before.radius - after.radius) <= slack
        and before.centre.distance_to(after.centre) <= slack
    )


def _spline(pieces: list[Cubic], loop: bool) -> Spline:
    """Bezier pieces in a row as one B-spline: every joint a threefold knot."""
    points = [pieces[0].start]
    for piece in pieces:
        points += [piece.first, piece.second, piece.end]
    if loop:
        points[-1] = points[0]
    count = len(pieces)
    knots = (
        [0.0] * 4 + list(itertools.chain.from_iterable([float(k)] * 3 for k in range(1, count))) + [float(count)] * 4
    )
    return Spline(3, tuple(points), tuple(knots))


def ellipse_piece(start: Point, end: Point, rx: float, ry: float, turn: float, large: bool, left: bool) -> Piece | None:
    """The elliptical arc of SVG path data, from its end points (SVG 1.1, appendix F.6.5 and F.6.6); y counts down.

    None where start and end agree. Radii that cannot reach are grown, radii of 0 give a line.
    """
    if start == end:
        return None
    rx, ry = abs(rx), abs(ry)
    if rx == 0 or ry == 0:
        return Line(start, end)
    cosine, sine = math.cos(turn), math.sin(turn)
    half = (start - end) * 0.5
    x, y = cosine * half.x + sine * half.y, -sine * half.x + cosine * half.y
    reach = (x / rx) ** 2 + (y / ry) ** 2
    if reach > 1:
        rx, ry = rx * math.sqrt(reach), ry * math.sqrt(reach)
    over = max(0.0, 1 / max(min(reach, 1.0), NOUGHT) - 1)
    factor = math.sqrt(over) * (-1 if large == left else 1)
    cx, cy = factor * rx * y / ry, -factor * ry * x / rx
    middle = start.toward(end, 0.5)
    centre = Point(cosine * cx - sine * cy + middle.x, sine * cx + cosine * cy + middle.y)
    first = math.atan2((y - cy) / ry, (x - cx) / rx)
    last = math.atan2((-y - cy) / ry, (-x - cx) / rx)
    sweep = (last - first) % TURN
    if not left:
        sweep -= TURN
    if abs(rx - ry) <= HAIR * rx:
        return Arc(centre, rx, first + turn, sweep)
    return EllipseArc(centre, Vector(rx * cosine, rx * sine), ry / rx, first, sweep)
