"""Immutable affine maps of the plane."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.types import Floats


@dataclass(frozen=True, slots=True)
class Transform:
    """Maps (x, y) to (a x + c y + e, b x + d y + f), the order of SVG's matrix()."""

    a: float = 1.0
    b: float = 0.0
    c: float = 0.0
    d: float = 1.0
    e: float = 0.0
    f: float = 0.0

    @classmethod
    def moving(cls, step: Vector) -> Transform:
        """A displacement."""
        return cls(e=step.x, f=step.y)

    @classmethod
    def scaling(cls, factor_x: float, factor_y: float | None = None) -> Transform:
        """A scaling about the origin; a negative factor mirrors."""
        return cls(a=factor_x, d=factor_x if factor_y is None else factor_y)

    @classmethod
    def rotating(cls, angle: float) -> Transform:
        """A rotation about the origin, counter-clockwise, in radians."""
        cosine, sine = math.cos(angle), math.sin(angle)
        return cls(cosine, sine, -sine, cosine)

    def then(self, other: Transform) -> Transform:
        """This map first, the other after it."""
        return Transform(
            other.a * self.a + other.c * self.b,
            other.b * self.a + other.d * self.b,
            other.a * self.c + other.c * self.d,
            other.b * self.c + other.d * self.d,
            other.a * self.e + other.c * self.f + other.e,
            other.b * self.e + other.d * self.f + other.f,
        )

    def inverse(self) -> Transform:
        """The map back; raises ZeroDivisionError where the plane was flattened."""
        det = self.determinant
        a, b, c, d = self.d / det, -self.b / det, -self.c / det, self.a / det
        return Transform(a, b, c, d, -(a * self.e + c * self.f), -(b * self.e + d * self.f))

    def point(self, p: Point) -> Point:
        """The image of a point."""
        return Point(self.a * p.x + self.c * p.y + self.e, self.b * p.x + self.d * p.y + self.f)

    def vector(self, v: Vector) -> Vector:
        """The image of a displacement (the translation has no effect)."""
        return Vector(self.a * v.x + self.c * v.y, self.b * v.x + self.d * v.y)

    def points(self, xy: Floats) -> Floats:
        """The images of points, (n, 2) float to (n, 2) float."""
        return np.asarray(xy @ np.array([[self.a, self.b], [self.c, self.d]]) + np.array([self.e, self.f]))

    @property
    def determinant(self) -> float:
        """Signed factor by which areas grow; negative for a mirroring map."""
        return self.a * self.d - self.b * self.c

    @property
    def mirrors(self) -> bool:
        """Whether the map turns counter-clockwise into clockwise."""
        return self.determinant < 0

    @property
    def scale(self) -> float:
        """Factor by which lengths grow, exact where the map is a similarity."""
        return math.sqrt(abs(self.determinant))

    @property
    def is_similarity(self) -> bool:
        """Whether circles stay circles (to 1e-12 of the scale)."""
        sign = -1.0 if self.mirrors else 1.0
        slack = HAIR * max(abs(self.a), abs(self.b), abs(self.c), abs(self.d))
        return abs(self.a - sign * self.d) <= slack and abs(self.b + sign * self.c) <= slack
