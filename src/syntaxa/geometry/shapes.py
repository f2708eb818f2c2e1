"""The kinds of curve: line, arc, circle, elliptical arc, spline and polyline with bulges.

All are frozen and in millimetres and radians. Sweeps are signed: positive is counter-clockwise. A bulge is
the tangent of a quarter of the sweep, as in the DXF reference: 0 for a line, 1 for a half circle.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import cache, lru_cache
from typing import TYPE_CHECKING

import numpy as np

from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.tolerances import HAIR, NOUGHT, ROUNDING
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Floats

if TYPE_CHECKING:
    from scipy.interpolate import BSpline

TURN = 2 * math.pi


@dataclass(frozen=True, slots=True)
class Line:
    """A straight piece."""

    start: Point
    end: Point

    kind = "line"

    @property
    def length(self) -> float:
        """Length in mm."""
        return self.start.distance_to(self.end)

    @property
    def is_closed(self) -> bool:
        """A line never closes."""
        return False

    def transformed(self, by: Transform) -> Line:
        """The image under an affine map."""
        return Line(by.point(self.start), by.point(self.end))

    def flattened(self, tolerance: float) -> Floats:
        """Vertices, (2, 2) float."""
        del tolerance
        return np.array([[*self.start], [*self.end]])


@dataclass(frozen=True, slots=True)
class Arc:
    """A circular arc from start_angle over a signed sweep, at most a full turn."""

    centre: Point
    radius: float
    start_angle: float
    sweep: float

    kind = "arc"

    @classmethod
    def from_bulge(cls, start: Point, end: Point, bulge: float) -> Arc:
        """The arc between two distinct points with the given non-zero bulge."""
        chord = end - start
        lift = (1 - bulge * bulge) / (4 * bulge)
        middle = start.toward(end, 0.5)
        centre = Point(middle.x - chord.y * lift, middle.y + chord.x * lift)
        return cls(centre, centre.distance_to(start), (start - centre).angle, 4 * math.atan(bulge))

    @property
    def start(self) -> Point:
        """First point."""
        return polar(self.centre, self.radius, self.start_angle)

    @property
    def end(self) -> Point:
        """Last point."""
        return polar(self.centre, self.radius, self.start_angle + self.sweep)

    @property
    def bulge(self) -> float:
        """Tangent of a quarter of the sweep."""
        return math.tan(self.sweep / 4)

    @property
    def length(self) -> float:
        """Length in mm."""
        return self.radius * abs(self.sweep)

    @property
    def is_closed(self) -> bool:
        """Whether it goes all the way round."""
        return abs(self.sweep) >= TURN - HAIR

    def transformed(self, by: Transform) -> Arc | EllipseArc:
        """The image; an elliptical arc where the map does not keep circles."""
        if not by.is_similarity:
            return EllipseArc(self.centre, Vector(self.radius, 0.0), 1.0, self.start_angle, self.sweep).transformed(by)
        spoke = by.vector(Vector(math.cos(self.start_angle), math.sin(self.start_angle)))
        sweep = -self.sweep if by.mirrors else self.sweep
        return Arc(by.point(self.centre), self.radius * by.scale, spoke.angle, sweep)

    def flattened(self, tolerance: float) -> Floats:
        """Vertices, (n, 2) float, whose chords leave the arc by at most the tolerance."""
        return _arc_points(self.centre, self.radius, self.start_angle, self.sweep, tolerance)


@dataclass(frozen=True, slots=True)
class Circle:
    """A full circle."""

    centre: Point
    radius: float

    kind = "circle"

    @property
    def start(self) -> Point:
        """Its rightmost point, where it starts and ends."""
        return Point(self.centre.x + self.radius, self.centre.y)

    @property
    def end(self) -> Point:
        """Same as the start."""
        return self.start

    @property
    def length(self) -> float:
        """Circumference in mm."""
        return TURN * self.radius

    @property
    def is_closed(self) -> bool:
        """Always."""
        return True

    def transformed(self, by: Transform) -> Circle | EllipseArc:
        """The image; an ellipse where the map does not keep circles."""
        if by.is_similarity:
            return Circle(by.point(self.centre), self.radius * by.scale)
        return EllipseArc(self.centre, Vector(self.radius, 0.0), 1.0, 0.0, TURN).transformed(by)

    def flattened(self, tolerance: float) -> Floats:
        """Vertices, (n, 2) float, first and last the same."""
        return _arc_points(self.centre, self.radius, 0.0, TURN, tolerance)


@dataclass(frozen=True, slots=True)
class EllipseArc:
    """Part of an ellipse: centre + cos(t) major + sin(t) minor, the minor axis a left turn of ratio * major."""

    centre: Point
    major: Vector
    ratio: float
    start_parameter: float
    sweep: float

    kind = "ellipse"

    @property
    def minor(self) -> Vector:
        """The second half axis."""
        return Vector(-self.major.y * self.ratio, self.major.x * self.ratio)

    def points(self, parameters: Floats) -> Floats:
        """Points at parameters, (n,) to (n, 2) float."""
        return (
            np.array([*self.centre])
            + np.outer(np.cos(parameters), [*self.major])
            + np.outer(np.sin(parameters), [*self.minor])
        )

    def derivatives(self, parameters: Floats) -> Floats:
        """First derivatives at parameters, (n,) to (n, 2) float."""
        return -np.outer(np.sin(parameters), [*self.major]) + np.outer(np.cos(parameters), [*self.minor])

    @property
    def start(self) -> Point:
        """First point."""
        return Point(*self.points(np.array([self.start_parameter]))[0].tolist())

    @property
    def end(self) -> Point:
        """Last point."""
        return Point(*self.points(np.array([self.start_parameter + self.sweep]))[0].tolist())

    @property
    def length(self) -> float:
        """Length in mm (to about 1e-9 of it)."""
        return _length_by_quadrature(
            self.derivatives, np.linspace(self.start_parameter, self.start_parameter + self.sweep, 33)
        )

    @property
    def is_closed(self) -> bool:
        """Whether it goes all the way round."""
        return abs(self.sweep) >= TURN - ROUNDING

    def transformed(self, by: Transform) -> EllipseArc:
        """The image, with its axes found again (Rytz's construction by conjugate half diameters)."""
        return ellipse_from_conjugates(
            by.point(self.centre), by.vector(self.major), by.vector(self.minor), self.start_parameter, self.sweep
        )

    def flattened(self, tolerance: float) -> Floats:
        """Vertices, (n, 2) float, whose chords leave the curve by at most the tolerance."""
        step = 2 * math.acos(max(0.0, 1 - min(tolerance / max(self.major.length, NOUGHT), 1.0)))
        count = max(8, math.ceil(abs(self.sweep) / max(step, 1e-4)))
        return self.points(self.start_parameter + self.sweep * np.arange(count + 1) / count)


@dataclass(frozen=True, slots=True)
class Spline:
    """A NURBS curve; weights is empty where all are equal."""

    degree: int
    control_points: tuple[Point, ...]
    knots: tuple[float, ...]
    weights: tuple[float, ...] = ()

    kind = "spline"

    def homogeneous(self) -> BSpline:
        """The curve in three dimensions, (x w, y w, w), of which it is the view from the origin."""
        return _homogeneous_of(self)

    @property
    def domain(self) -> tuple[float, float]:
        """First and last parameter."""
        return self.knots[self.degree], self.knots[-self.degree - 1]

    @property
    def breaks(self) -> Floats:
        """The distinct knots within the domain."""
        first, last = self.domain
        knots = np.array(self.knots)
        return np.unique(np.clip(knots, first, last))

    def points(self, parameters: Floats) -> Floats:
        """Points at parameters, (n,) to (n, 2) float."""
        value = self.homogeneous()(parameters)
        return np.asarray(value[:, :2] / value[:, 2:], dtype=np.float64)

    def derivatives(self, parameters: Floats) -> Floats:
        """First derivatives at parameters, (n,) to (n, 2) float."""
        spline = self.homogeneous()
        value, slope = spline(parameters), spline.derivative()(parameters)
        point = value[:, :2] / value[:, 2:]
        return np.asarray((slope[:, :2] - point * slope[:, 2:]) / value[:, 2:], dtype=np.float64)

    @property
    def start(self) -> Point:
        """First point."""
        return Point(*self.points(np.array([self.domain[0]]))[0].tolist())

    @property
    def end(self) -> Point:
        """Last point."""
        return Point(*self.points(np.array([self.domain[1]]))[0].tolist())

    @property
    def length(self) -> float:
        """Length in mm (to about 1e-6 of it)."""
        breaks = self.breaks
        parts = breaks[:-1, None] + np.diff(breaks)[:, None] * (np.arange(4) / 4)
        return _length_by_quadrature(self.derivatives, np.append(parts.ravel(), breaks[-1]))

    @property
    def is_closed(self) -> bool:
        """Whether it ends where it starts (to 1e-9 mm)."""
        return self.start.distance_to(self.end) <= ROUNDING

    def transformed(self, by: Transform) -> Spline:
        """The image: the control points mapped (NURBS are invariant under affine maps)."""
        return Spline(self.degree, tuple(by.point(p) for p in self.control_points), self.knots, self.weights)

    def flattened(self, tolerance: float) -> Floats:
        """Vertices, (n, 2) float, whose chords leave the curve by about the tolerance."""
        breaks = self.breaks
        return self.points(_halved_until_flat(self.points, breaks, tolerance))


@lru_cache(maxsize=4096)
def _homogeneous_of(spline: Spline) -> BSpline:
    # Asked for again and again.
    # The library takes its time to load, and most drawings have no spline.
    from scipy.interpolate import BSpline

    points = np.array([[*p] for p in spline.control_points])
    weights = np.array(spline.weights) if spline.weights else np.ones(len(points))
    return BSpline(np.array(spline.knots), np.column_stack([points * weights[:, None], weights]), spline.degree)


@dataclass(frozen=True, slots=True)
class Polyline:
    """Lines and arcs end to end: vertices (n, 2) and the bulge of the piece that leaves each."""

    vertices: tuple[Point, ...]
    bulges: tuple[float, ...]
    closed: bool

    kind = "polyline"

    @property
    def start(self) -> Point:
        """First vertex."""
        return self.vertices[0]

    @property
    def end(self) -> Point:
        """Last vertex; the first where it is closed."""
        return self.vertices[0] if self.closed else self.vertices[-1]

    def spans(self) -> Iterator[tuple[Point, Point, float]]:
        """(start, end, bulge) of its pieces in order, 0 for lines; pieces without length are left out."""
        following = self.vertices[1:] + self.vertices[:1]
        count = len(self.vertices) - (0 if self.closed else 1)
        for a, b, bulge in zip(self.vertices[:count], following, self.bulges, strict=False):
            if a.x != b.x or a.y != b.y:
                yield a, b, bulge if abs(bulge) > HAIR else 0.0

    def segments(self) -> Iterator[Line | Arc]:
        """Its pieces in order, as curves."""
        for a, b, bulge in self.spans():
            yield Arc.from_bulge(a, b, bulge) if bulge else Line(a, b)

    @property
    def length(self) -> float:
        """Length in mm."""
        return sum(segment.length for segment in self.segments())

    @property
    def is_closed(self) -> bool:
        """Whether it is closed."""
        return self.closed

    def transformed(self, by: Transform) -> Polyline | Spline:
        """The image; where the map does not keep circles and there are arcs, the same way as a spline, exactly.

        See `images.images_of` for its pieces as lines and elliptical arcs.
        """
        if not by.is_similarity and any(self.bulges):
            return spline_of(self).transformed(by)
        sign = -1.0 if by.mirrors else 1.0
        return Polyline(tuple(by.point(p) for p in self.vertices), tuple(sign * b for b in self.bulges), self.closed)

    def flattened(self, tolerance: float) -> Floats:
        """Vertices, (n, 2) float; a closed one ends with its first."""
        parts = [segment.flattened(tolerance) for segment in self.segments()]
        if not parts:
            return np.array([[*self.start]])
        return np.concatenate([parts[0][:1], *(part[1:] for part in parts)])


Shape = Line | Arc | Circle | EllipseArc | Spline | Polyline


def ellipse_from_conjugates(centre: Point, u: Vector, v: Vector, start: float, sweep: float) -> EllipseArc:
    """The ellipse arc centre + cos(t) u + sin(t) v for t from start over sweep, u and v conjugate half diameters."""
    turn = 0.5 * math.atan2(2 * u.dot(v), u.dot(u) - v.dot(v))
    major = u * math.cos(turn) + v * math.sin(turn)
    minor = v * math.cos(turn) + u * -math.sin(turn)
    if minor.length > major.length:
        major, minor, turn = minor, -major, turn + math.pi / 2
    first = start - turn
    if major.cross(minor) < 0:
        first, sweep = -first, -sweep
    return EllipseArc(centre, major, minor.length / major.length if major.length else 0.0, first, sweep)


def spline_of(shape: Polyline) -> Spline:
    """The way of a polyline as a rational spline of the second degree, exactly; its corners are triple knots.

    An arc of less than half a turn is a rational quadratic whose middle control point is where its tangents meet, with
    the cosine of half its sweep as weight (Piegl and Tiller, The NURBS Book, section 7.3).
    """
    points, weights = [shape.start], [1.0]
    for segment in shape.segments():
        for middle, weight, end in _quadratics(segment):
            points += [middle, end]
            weights += [weight, 1.0]
    spans = (len(points) - 1) // 2
    if shape.closed:
        points[-1] = points[0]
    knots = [0.0, *(float(k) for k in range(spans + 1) for _ in range(2)), float(spans)]
    return Spline(2, tuple(points), tuple(knots), tuple(weights))


def _quadratics(segment: Line | Arc) -> Iterator[tuple[Point, float, Point]]:
    """(middle control point, its weight, end) of each quadratic span of a piece."""
    if isinstance(segment, Line):
        yield segment.start.toward(segment.end, 0.5), 1.0, segment.end
        return
    count = max(1, math.ceil(abs(segment.sweep) / (math.pi / 2) - ROUNDING))
    half = segment.sweep / count / 2
    for k in range(count):
        first = segment.start_angle + 2 * k * half
        middle = polar(segment.centre, segment.radius / math.cos(half), first + half)
        yield middle, math.cos(half), polar(segment.centre, segment.radius, first + 2 * half)


def _arc_points(centre: Point, radius: float, start: float, sweep: float, tolerance: float) -> Floats:
    step = 2 * math.acos(max(0.0, 1 - min(tolerance / max(radius, NOUGHT), 1.0)))
    count = max(2, math.ceil(abs(sweep) / max(step, 1e-4)))
    angles = start + sweep * np.arange(count + 1) / count
    return np.column_stack([centre.x + radius * np.cos(angles), centre.y + radius * np.sin(angles)])


@cache
def _gauss_nodes() -> tuple[Floats, Floats]:
    nodes, weights = np.polynomial.legendre.leggauss(16)
    return np.asarray(nodes, dtype=np.float64), np.asarray(weights, dtype=np.float64)


def _length_by_quadrature(derivatives: Callable[[Floats], Floats], breaks: Floats) -> float:
    """Gauss-Legendre quadrature of the speed over each interval between breaks."""
    nodes, weights = _gauss_nodes()
    half = np.diff(breaks) / 2
    parameters = (breaks[:-1] + half)[:, None] + half[:, None] * nodes
    speed = np.hypot(*derivatives(parameters.ravel()).T).reshape(parameters.shape)
    return float(abs((speed @ weights) @ half))


def _halved_until_flat(points: Callable[[Floats], Floats], breaks: Floats, tolerance: float) -> Floats:
    """Parameters between which the curve leaves its chord by at most the tolerance, all intervals at once."""
    parameters = np.unique(np.concatenate([breaks, (breaks[1:] + breaks[:-1]) / 2]))
    for _ in range(16):
        middles = (parameters[1:] + parameters[:-1]) / 2
        ends, middle_points = points(parameters), points(middles)
        sag = np.hypot(*((ends[1:] + ends[:-1]) / 2 - middle_points).T)
        if not (bad := sag > tolerance).any():
            break
        parameters = np.sort(np.concatenate([parameters, middles[bad]]))
    return parameters
