"""What Form works with: planes in space, regions as loops of true curves, bodies, and names of edges and faces.

A *span* is a stretch of one curve along a loop. A *profile* is a region as loops of spans. A *name* says what a face
or edge came from: (feature, part, curve or vertex); it holds whatever the numbers become. A *body* is one solid.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Any

import numpy as np

from syntaxa.drawing.state import Plane
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.model import Region

#: (feature, part, curve or vertex); parts of it may be names themselves, where an edge was rounded.
Name = tuple[Any, ...]

Space = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class Frame:
    """A plane in space (mm): its origin, and the directions of x and y on it, of unit length and square."""

    origin: Space = (0.0, 0.0, 0.0)
    x: Space = (1.0, 0.0, 0.0)
    y: Space = (0.0, 1.0, 0.0)

    @classmethod
    def of(cls, plane: Plane) -> Frame:
        """The plane that a sketch lies on."""
        zero, right, up = (np.array(plane.in_space(Point(*p))) for p in ((0.0, 0.0), (1.0, 0.0), (0.0, 1.0)))
        return cls(_space(zero), _space(right - zero), _space(up - zero))

    @property
    def normal(self) -> Space:
        """The direction that it looks in, of unit length."""
        return _space(np.cross(self.x, self.y))

    def point(self, x: float, y: float, height: float = 0.0) -> Space:
        """A place on it, or so high above it, in space."""
        at = np.array(self.origin) + x * np.array(self.x) + y * np.array(self.y) + height * np.array(self.normal)
        return _space(at)

    def height(self, at: Space) -> float:
        """How high above it a place lies (mm)."""
        return float((np.array(at) - self.origin) @ np.array(self.normal))

    def flat(self, at: Space) -> tuple[float, float]:
        """Where a place lies on it, seen along its normal."""
        off = np.array(at) - self.origin
        return float(off @ np.array(self.x)), float(off @ np.array(self.y))

    def moved(self, along: float) -> Frame:
        """The same moved along its normal (mm)."""
        return replace(self, origin=self.point(0.0, 0.0, along))

    def lifted(self, points: Floats, height: float | Floats = 0.0) -> Floats:
        """Places on it, (n, 2), in space, (n, 3)."""
        flat = np.outer(points[:, 0], self.x) + np.outer(points[:, 1], self.y)
        return np.asarray(np.array(self.origin) + flat + np.outer(np.broadcast_to(height, len(points)), self.normal))


def _space(at: Floats) -> Space:
    x, y, z = at.tolist()
    # A nought with a sign is none that anybody wants to read.
    return x + 0.0, y + 0.0, z + 0.0


@dataclass(frozen=True, slots=True)
class Span:
    """A stretch of a curve along a loop, in its direction.

    kind   line | arc | circle | ellipse | spline
    data   line (); arc, circle (cx, cy, radius, start angle, sweep);
           ellipse (cx, cy, major x, major y, ratio, start, sweep);
           spline (degree, points, knots, weights, first, last), first > last where it runs backwards
    name   of the stretch: the root of its curve, and what it runs between where the curve was cut
    tail, head   keys of the vertices at both ends: the roots of the curves that meet there
    """

    kind: str
    start: tuple[float, float]
    end: tuple[float, float]
    data: tuple[Any, ...]
    name: str
    tail: str
    head: str


Loop = tuple[Span, ...]


@dataclass(frozen=True, slots=True)
class Profile:
    """A region as loops: the outer one counter-clockwise, holes clockwise; with the layer and roles of its outline."""

    region: Region
    loops: tuple[Loop, ...]
    layer: str = ""
    roles: frozenset[str] = frozenset()

    @property
    def sketch(self) -> str:
        """The sketch that it lies in."""
        return self.region.sketch

    @property
    def curves(self) -> tuple[str, ...]:
        """Ids of the curves that bound it."""
        return self.region.curves

    @property
    def inside(self) -> tuple[float, float]:
        """A point in it."""
        return self.region.inside

    def contains(self, x: float, y: float) -> bool:
        """Whether a point lies in it."""
        return self.region.contains(x, y)

    @property
    def filled(self) -> Profile:
        """The same with its holes filled."""
        return replace(self, loops=self.loops[:1])


@dataclass(frozen=True, slots=True)
class EdgeKey:
    """An edge named so that it is found again, whatever the numbers become.

    origin   what it was raised from; empty for none
    faces    names of the faces beside it
    ends     names of the faces that touch its two ends
    place    share of its middle in the box of the body, for the choice between equals
    """

    origin: Name
    faces: tuple[Name, ...]
    ends: tuple[tuple[Name, ...], ...]
    place: Space

    @property
    def plain(self) -> EdgeKey:
        """The same as it was before it went through a file, which knows lists only."""
        ends = tuple(as_tuples(e) for e in self.ends)
        return EdgeKey(as_tuples(self.origin), as_tuples(self.faces), ends, as_tuples(self.place))


def as_tuples(value: Any) -> Any:
    """Lists made tuples again, all the way down."""
    return tuple(as_tuples(v) for v in value) if isinstance(value, list | tuple) else value


@dataclass(frozen=True, slots=True)
class Figures:
    """What is known of a solid.

    volume mm3, area mm2, centroid mm, box mm (low x, y, z, high x, y, z), inertia mm5 about the centroid, (3, 3)
    faces  how many of each kind: plane, cylinder, cone, torus, sphere, other; edges those between two faces
    lumps  pieces that it is in
    """

    volume: float
    area: float
    centroid: Space
    box: tuple[float, float, float, float, float, float]
    inertia: tuple[Space, Space, Space]
    faces: tuple[tuple[str, int], ...]
    edges: int
    valid: bool
    lumps: int = 1


@dataclass(frozen=True, slots=True)
class Solid:
    """A solid with its names, as bytes; the digest tells solids apart."""

    digest: str
    data: bytes = field(repr=False)


@dataclass(frozen=True)
class Mesh:
    """A solid as triangles and lines for pictures, mm.

    points, normals  (n, 3) f8 and f4; triangles (m, 3) i4 and face (m,) i4, the number of the face that each is of
    lines            (k, 2, 3) f8 and edge (k,) i4, the number of the edge that each is of
    """

    points: Floats
    normals: Floats
    triangles: Ints
    face: Ints
    lines: Floats
    edge: Ints

    @property
    def size(self) -> int:
        """Bytes, roughly."""
        return sum(a.nbytes for a in (self.points, self.normals, self.triangles, self.face, self.lines, self.edge))


@dataclass(frozen=True, slots=True)
class Lift:
    """A profile to be raised from one height over a plane to another (mm), its sides leaning by an angle (radians)."""

    profile: Profile
    frame: Frame
    low: float
    high: float
    draft: float = 0.0


@dataclass(frozen=True, slots=True)
class Spin:
    """A profile to be turned about the line between two points of its plane, from one angle to another (radians)."""

    profile: Profile
    frame: Frame
    axis: tuple[tuple[float, float], tuple[float, float]]
    sweep: tuple[float, float]


@dataclass(frozen=True, slots=True)
class Made:
    """What came of a piece of work: solids with their figures, what is told, and what could not be done and why.

    of  the number of the part that each solid was made of, where each is a body of its own
    """

    solids: tuple[tuple[Solid, Figures], ...]
    says: tuple[str, ...] = ()
    failed: tuple[tuple[str, str], ...] = ()
    of: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class FaceDetail:
    """A face that can be picked: area mm2, frame of a flat one, axis (place, direction) and radius of a round one."""

    name: Name
    kind: str
    area: float
    frame: Frame | None = None
    axis: tuple[Space, Space] | None = None
    radius: float = 0.0


@dataclass(frozen=True, slots=True)
class EdgeDetail:
    """An edge that can be picked: kind line, circle or other; length and radius mm; its ends or centre in space.

    bend  1 where the body lies within the angle of its faces, -1 where it lies around it, 0 where they are tangent
    """

    key: EdgeKey
    kind: str
    length: float
    ends: tuple[Space, Space]
    bend: int
    radius: float = 0.0
    centre: Space | None = None
    says: str = ""


@dataclass(frozen=True, slots=True)
class Details:
    """The faces and edges of a solid by their numbers; None for edges that are none, such as seams."""

    faces: tuple[FaceDetail, ...]
    edges: tuple[EdgeDetail | None, ...]
