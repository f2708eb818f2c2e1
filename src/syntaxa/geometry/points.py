"""Points and vectors in the plane, in millimetres; the two are not interchangeable."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Vector:
    """A displacement (x, y) in mm."""

    x: float
    y: float

    def __iter__(self) -> Iterator[float]:
        yield self.x
        yield self.y

    def __add__(self, other: Vector) -> Vector:
        return Vector(self.x + other.x, self.y + other.y)

    def __neg__(self) -> Vector:
        return Vector(-self.x, -self.y)

    def __mul__(self, factor: float) -> Vector:
        return Vector(self.x * factor, self.y * factor)

    def dot(self, other: Vector) -> float:
        """Scalar product."""
        return self.x * other.x + self.y * other.y

    def cross(self, other: Vector) -> float:
        """Signed area of the parallelogram that the two span."""
        return self.x * other.y - self.y * other.x

    @property
    def length(self) -> float:
        """Euclidean length in mm."""
        return math.hypot(self.x, self.y)

    @property
    def angle(self) -> float:
        """Direction in radians, -pi to pi; 0 for the zero vector."""
        return math.atan2(self.y, self.x)


@dataclass(frozen=True, slots=True)
class Point:
    """A place (x, y) in mm."""

    x: float
    y: float

    def __iter__(self) -> Iterator[float]:
        yield self.x
        yield self.y

    def __add__(self, step: Vector) -> Point:
        return Point(self.x + step.x, self.y + step.y)

    def __sub__(self, other: Point) -> Vector:
        return Vector(self.x - other.x, self.y - other.y)

    def distance_to(self, other: Point) -> float:
        """Euclidean distance in mm."""
        return math.hypot(self.x - other.x, self.y - other.y)

    def toward(self, other: Point, share: float) -> Point:
        """The point a share (0 to 1) of the way to the other."""
        return Point(self.x + (other.x - self.x) * share, self.y + (other.y - self.y) * share)


def polar(centre: Point, radius: float, angle: float) -> Point:
    """The point at a radius (mm) and angle (radians) about a centre."""
    return Point(centre.x + radius * math.cos(angle), centre.y + radius * math.sin(angle))
