"""Between the curves of a sketch and a system of unknowns: there, and back after it was solved.

Ends that fall together are one point. Lines, arcs, circles and the pieces of polylines are elements with unknowns of
their own; ellipses and splines keep their form and lie as two of their points do. A piece without length stays where
its end is and has no direction.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from syntaxa.define.model import Named
from syntaxa.define.unknowns import TURN, Element, Round, Spot, Straight, System, Thing, Whole
from syntaxa.drawing.model import Curve
from syntaxa.errors import GoneError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Floats
from syntaxa.later import Later

sp = Later("scipy.sparse")
spatial = Later("scipy.spatial")

#: mm; ends that agree so far are one point.
SAME = 1e-6


#: Pieces beyond which freedom is not counted and nothing is read off: ranks cost the cube of what hangs together.
MOST_PIECES = 1000


def is_large(curves: Sequence[Curve]) -> bool:
    """Whether a sketch is too large for ranks."""
    return sum(len(c.shape.bulges) if isinstance(c.shape, Polyline) else 1 for c in curves) > MOST_PIECES


@dataclass(frozen=True)
class Piece:
    """A piece of a curve: which curve of the sketch, its shape, and its name; ends as numbers of points, or None."""

    curve: int
    shape: Shape
    name: Named
    ends: tuple[int, int] | None


@dataclass
class Model:
    """The system of a sketch.

    things  the element of each piece; None for one without length
    """

    pieces: tuple[Piece, ...]
    system: System = field(default_factory=System)
    things: list[Element | None] = field(default_factory=list)

    @cached_property
    def _places(self) -> dict[Named, int]:
        return {p.name: k for k, p in enumerate(self.pieces)}

    def thing(self, name: Named) -> Thing:
        """What a name stands for; raises GoneError where that is no longer there."""
        number = self._places.get(name.at(""))
        thing = None if number is None else self.things[number]
        if thing is None:
            why = "it has no length" if number is not None else "the curve is not there, or was cut otherwise"
            raise GoneError(f"{str(name)[:1].upper()}{str(name)[1:]} cannot be found: {why}.", curve=name.root)
        if not name.place:
            return thing
        if name.place == "centre":
            if isinstance(thing, Round):
                return thing.c
        else:
            end = thing.a if name.place == "start" else thing.b
            if end is not None:
                return end
        raise GoneError(f"{name.at('')} has no {name.place}.", curve=name.root)


def pieces_of(curves: Sequence[Curve]) -> tuple[Piece, ...]:
    """The pieces of the curves of a sketch, with the points that their ends share."""
    raw = [(k, shape) for k, curve in enumerate(curves) for shape in _shapes(curve.shape)]
    open_ = [k for k, (_, s) in enumerate(raw) if _has_ends(s)]
    ends = np.array([[*p] for k in open_ for p in (raw[k][1].start, raw[k][1].end)], dtype=np.float64).reshape(-1, 2)
    label = _merged(ends)
    of_end = {k: (int(label[2 * i]), int(label[2 * i + 1])) for i, k in enumerate(open_)}
    total: dict[str, int] = {}
    for k, _ in raw:
        total[curves[k].root] = total.get(curves[k].root, 0) + 1
    seen: dict[str, int] = {}
    found = []
    for k, (curve, shape) in enumerate(raw):
        root = curves[curve].root
        seen[root] = seen.get(root, -1) + 1
        found.append(Piece(curve, shape, Named(root, seen[root], total[root]), of_end.get(k)))
    return tuple(found)


def model_of(curves: Sequence[Curve], pieces: Sequence[Piece] | None = None, x: Floats | None = None) -> Model:
    """The system of the curves as they lie, or with the first unknowns of another one of the same curves."""
    model = Model(tuple(pieces if pieces is not None else pieces_of(curves)))
    s = model.system
    spots: dict[int, Spot] = {}

    def spot(number: int, p: Point) -> Spot:
        if number not in spots:
            spots[number] = s.point(p.x, p.y)
        return spots[number]

    for piece in model.pieces:
        ends = None
        if piece.ends is not None:
            ends = spot(piece.ends[0], piece.shape.start), spot(piece.ends[1], piece.shape.end)
        first = len(s.x)
        thing = _element(s, piece.shape, ends)
        model.things.append(thing)
        if curves[piece.curve].locked:
            _held(s, thing, range(first, len(s.x)))
    if x is not None:
        s.x[:] = x[: len(s.x)].tolist()
        s.ties[:] = [t._replace(shift=s.x[t.i]) if t.j < 0 else t for t in s.ties]
    return model


def curves_from(curves: Sequence[Curve], model: Model, x: Floats) -> tuple[Curve, ...]:
    """The curves as the unknowns say; those that did not move are the very same."""
    old = np.array(model.system.x)
    by_curve: dict[int, list[int]] = {}
    for k, piece in enumerate(model.pieces):
        by_curve.setdefault(piece.curve, []).append(k)
    changed = list(curves)
    for number, mine in by_curve.items():
        used = [i for k in mine for i in _unknowns(model.things[k])]
        if np.abs(x[used] - old[used]).max(initial=0.0) <= HAIR * max(1.0, np.abs(old[used]).max(initial=0.0)):
            continue
        shape = curves[number].shape
        placed = _polyline(shape, model, mine, x) if isinstance(shape, Polyline) else _placed(shape, model, mine[0], x)
        changed[number] = replace(curves[number], shape=placed)
    return tuple(changed)


def point_names(model: Model) -> Iterator[tuple[Named, Spot]]:
    """Every point by its first name, centres of circles and arcs first."""
    pairs = [(p.name, t) for p, t in zip(model.pieces, model.things, strict=True) if t is not None]
    found: list[tuple[Named, Spot | None]] = [(n.at("centre"), t.c) for n, t in pairs if isinstance(t, Round)]
    for name, thing in pairs:
        found += [(name.at("start"), thing.a), (name.at("end"), thing.b)]
    seen: set[Spot] = set()
    for name, spot in found:
        if spot is not None and spot not in seen:
            seen.add(spot)
            yield name, spot


# ---------------------------------------------------------------------- there


def _shapes(shape: Shape) -> Iterator[Shape]:
    """A curve's pieces; those of a polyline with all their places, so that they keep their numbers."""
    if isinstance(shape, Polyline):
        following = (*shape.vertices[1:], shape.vertices[0])
        count = len(shape.vertices) - (0 if shape.closed else 1)
        for a, b, bulge in zip(shape.vertices[:count], following, shape.bulges, strict=False):
            yield Arc.from_bulge(a, b, bulge) if abs(bulge) > HAIR and a != b else Line(a, b)
    else:
        yield shape


def _has_ends(shape: Shape) -> bool:
    return isinstance(shape, Line) or not shape.is_closed


def _merged(ends: Floats) -> list[int]:
    """A number for each end (n, 2); those that fall together have the same."""
    if not len(ends):
        return []
    pairs = spatial.cKDTree(ends).query_pairs(SAME, output_type="ndarray")
    graph = sp.csr_matrix((np.ones(len(pairs)), (pairs[:, 0], pairs[:, 1])), shape=(len(ends), len(ends)))
    label: list[int] = sp.csgraph.connected_components(graph, directed=False)[1].tolist()
    return label


def _element(s: System, shape: Shape, ends: tuple[Spot, Spot] | None) -> Element | None:
    if isinstance(shape, Circle) or (isinstance(shape, Arc) and shape.is_closed):
        return s.circle(s.point(*shape.centre), shape.radius)
    if ends is not None and ends[0] != ends[1]:
        if isinstance(shape, Line):
            return s.line(*ends)
        if isinstance(shape, Arc):
            return s.arc(s.point(*shape.centre), shape.radius, *ends, shape.sweep)
    if isinstance(shape, EllipseArc | Spline):
        a, b = _handles(shape)
        if ends is not None and ends[0] != ends[1]:
            return s.whole(*ends, *_headings(shape))
        return s.whole(s.point(*a), s.point(*b), 0.0, 0.0)
    return None


def _handles(shape: EllipseArc | Spline) -> tuple[Point, Point]:
    """Two points of a closed curve that lie well apart."""
    if isinstance(shape, EllipseArc):
        return shape.centre, shape.centre + shape.major
    first = shape.control_points[0]
    return first, max(shape.control_points, key=first.distance_to)


def _headings(shape: EllipseArc | Spline) -> tuple[float, float]:
    """The directions in which a curve leaves its start and comes to its end (radians)."""
    if isinstance(shape, EllipseArc):
        where = np.array([shape.start_parameter, shape.start_parameter + shape.sweep])
        way = shape.derivatives(where) * math.copysign(1.0, shape.sweep)
    else:
        way = shape.derivatives(np.array(shape.domain))
    return math.atan2(way[0, 1], way[0, 0]), math.atan2(way[1, 1], way[1, 0])


def _held(s: System, thing: Element | None, made: range) -> None:
    """A locked curve: none of its unknowns moves."""
    ends = [p for p in (thing.a, thing.b) if p is not None] if thing is not None else []
    for k in dict.fromkeys([*made, *(i for p in ends for i in p)]):
        s.tie(k, shift=s.x[k])


# ---------------------------------------------------------------------- back


def _unknowns(thing: Element | None) -> list[int]:
    if thing is None:
        return []
    if isinstance(thing, Round):
        ends = [i for p in (thing.a, thing.b) if p is not None for i in p]
        return [*thing.c, thing.r, *ends, *(t for t in (thing.ta, thing.tb) if t >= 0)]
    return [*thing.a, *thing.b]


def _at(x: Floats, spot: Spot) -> Point:
    return Point(float(x[spot.x]), float(x[spot.y]))


def _placed(shape: Shape, model: Model, number: int, x: Floats) -> Shape:
    thing = model.things[number]
    if isinstance(thing, Straight):
        return Line(_at(x, thing.a), _at(x, thing.b))
    if isinstance(thing, Round):
        centre, radius = _at(x, thing.c), float(x[thing.r])
        if isinstance(shape, Circle):
            return Circle(centre, radius)
        if isinstance(shape, Arc) and thing.a is None:
            return replace(shape, centre=centre, radius=radius)
        return Arc(centre, radius, math.remainder(float(x[thing.ta]), TURN), float(x[thing.tb] - x[thing.ta]))
    if isinstance(thing, Whole):
        old = np.array(model.system.x)
        return shape.transformed(_rigid(_at(old, thing.a), _at(old, thing.b), _at(x, thing.a), _at(x, thing.b)))
    return shape


def _rigid(a: Point, b: Point, to_a: Point, to_b: Point) -> Transform:
    """The turn and move that takes a to to_a and b into the direction of to_b."""
    turn = Transform.rotating((to_b - to_a).angle - (b - a).angle)
    return turn.then(Transform.moving(to_a - turn.point(a)))


def _polyline(shape: Polyline, model: Model, mine: Sequence[int], x: Floats) -> Polyline:
    vertices, bulges = list(shape.vertices), list(shape.bulges)
    count = len(vertices)
    for k, number in enumerate(mine):
        thing = model.things[number]
        if isinstance(thing, Straight):
            vertices[k], vertices[(k + 1) % count] = _at(x, thing.a), _at(x, thing.b)
        elif isinstance(thing, Round) and thing.a is not None and thing.b is not None:
            vertices[k], vertices[(k + 1) % count] = _at(x, thing.a), _at(x, thing.b)
            bulges[k] = math.tan(float(x[thing.tb] - x[thing.ta]) / 4)
    for k, number in enumerate(mine):
        if model.things[number] is None:
            vertices[(k + 1) % count] = vertices[k]
    return Polyline(tuple(vertices), tuple(bulges), shape.closed)
