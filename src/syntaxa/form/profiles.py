"""The regions of a sketch with the true curves that bound them: what solids are raised from.

The arrangement of Mend knows ellipses and splines as runs of arcs; here every stretch is of the curve itself, and the
vertices at which such curves meet others are moved onto both. Stretches and vertices get names that hold when numbers
change: a stretch is named by the root of its curve, and where that was cut by the vertices between which it runs; a
vertex by the roots that meet there, and several between the same ones by their order along the first of them.

Cost: n log n in the pieces and what they cross.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.form.model import Loop, Profile, Span
from syntaxa.geometry.carriers import Carrier, carrier_of, meeting
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.geometry.tolerances import HAIR, ROUNDING, Tolerances
from syntaxa.geometry.types import Floats, Ints
from syntaxa.mend.arrangement import Edges, rows_along, split_at_contacts
from syntaxa.mend.model import Pieces, Region
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.regions import Faces, faces_of, regions_in

#: How far a vertex may go, in fit tolerances, to lie on the true curve instead of on the run that stood for it.
_REFINED = 10.0


def profiles_of(curves: Sequence[Curve], sketch: str, tolerances: Tolerances | None = None) -> list[Profile]:
    """All bounded regions of a sketch, largest first."""
    arranged = _arranged(curves, tolerances or Tolerances())
    if arranged is None:
        return []
    faces, naming = arranged
    first, cycle = faces.bounds
    found = []
    for f, region in regions_in(faces, naming.ids, sketch):
        walks = [naming.stretches(faces.cycles.walk(c)) for c in cycle[first[f] : first[f + 1]].tolist()]
        layer, roles = naming.meaning(walks[0])
        found.append((region, walks, layer, roles))
    naming.count_stretches()
    return [
        Profile(region, tuple(naming.loop(w) for w in walks), layer, roles) for region, walks, layer, roles in found
    ]


def silhouettes_of(curves: Sequence[Curve], sketch: str, tolerances: Tolerances | None = None) -> list[Profile]:
    """The outermost contours of what hangs together, without anything inside, largest first."""
    arranged = _arranged(curves, tolerances or Tolerances())
    if arranged is None:
        return []
    faces, naming = arranged
    cycles, found = faces.cycles, []
    for outside in faces.outsides[faces.parent < 0].tolist():
        # Round the outside runs clockwise: the outline is the same way back.
        walk = cycles.walk(outside)[::-1] ^ 1
        found.append((outside, walk, naming.stretches(walk)))
    naming.count_stretches()
    out = []
    for outside, walk, stretches in found:
        boxes = cycles.edges.curves.take(walk // 2).bounds()
        area = -float(cycles.area[outside])
        centre = -cycles.moment[outside] / area + cycles.origin_of_moments
        region = Region(
            sketch, area, float(cycles.perimeter[outside]), (float(centre[0]), float(centre[1])),
            (*boxes[:, :2].min(axis=0).tolist(), *boxes[:, 2:].max(axis=0).tolist()), 0,
            tuple(dict.fromkeys(curves[s.curve].id for s in stretches)), (rows_along(cycles, walk),),
        )  # fmt: skip
        out.append(Profile(region, (naming.loop(stretches),), *naming.meaning(stretches)))
    return sorted(out, key=lambda p: -p.region.area)


def _arranged(curves: Sequence[Curve], limits: Tolerances) -> tuple[Faces, _Naming] | None:
    """The faces of what the curves enclose, with the names of their stretches; None where nothing is closed."""
    pieces = pieces_of(curves, limits.fit)
    edges, _ = split_at_contacts(Neighbourhood(pieces.curves, limits.merge))
    faces = faces_of(edges)
    return None if faces is None else (faces, _Naming(faces, pieces, curves, _REFINED * limits.fit))


@dataclass(frozen=True, slots=True)
class _Stretch:
    """Half-edges that follow each other along one curve, and the vertices where they begin and end."""

    halves: tuple[int, ...]
    curve: int
    back: bool
    tail: int
    head: int
    base: str
    whole: bool

    @property
    def identity(self) -> tuple[str, int, int]:
        """The same for both of its sides."""
        if self.whole:
            return self.base, -1, -1
        low, high = (self.head, self.tail) if self.back else (self.tail, self.head)
        return self.base, low, high


class _Naming:
    """Gives the stretches of an arrangement their curves and their names."""

    def __init__(self, faces: Faces, pieces: Pieces, curves: Sequence[Curve], refined: float) -> None:
        self.curves, self.ids, order = curves, pieces.ids, pieces.order
        edges = faces.cycles.edges
        self.owner: list[int] = edges.curves.owner.tolist()
        self.where: list[float] = order[edges.piece].tolist()
        self.total = np.zeros(len(curves))
        np.maximum.at(self.total, edges.curves.owner, order[edges.piece] + 1.0)
        self.at = self._curves_at(edges)
        self.edges = replace(edges, vertices=_refined(edges, curves, self.at, refined))
        self.tail, self.head = edges.tail.tolist(), edges.head.tolist()
        self.low, self.high = edges.low.tolist(), edges.high.tolist()
        self.keys = self._keys()
        self._stretches: set[tuple[str, int, int]] = set()
        self._times: Counter[str] = Counter()

    def _curves_at(self, edges: Edges) -> dict[int, dict[int, int]]:
        """For each vertex the curves that are there, and one edge of each."""
        at: dict[int, dict[int, int]] = {}
        for e, (owner, a, b) in enumerate(
            zip(edges.curves.owner.tolist(), edges.tail.tolist(), edges.head.tolist(), strict=True)
        ):
            at.setdefault(a, {}).setdefault(owner, e)
            at.setdefault(b, {}).setdefault(owner, e)
        return at

    def _keys(self) -> dict[int, str]:
        """The key of each vertex."""
        groups: dict[str, list[int]] = {}
        for v, there in self.at.items():
            groups.setdefault("+".join(sorted({self.curves[k].root for k in there})), []).append(v)
        along: dict[tuple[str, int], tuple[int, float]] = {}
        for e, k in enumerate(self.owner):
            for v, share in ((self.tail[e], self.low[e]), (self.head[e], self.high[e])):
                place = (k, self.where[e] + share)
                name = (self.curves[k].root, v)
                along[name] = min(along.get(name, place), place)
        keys = {}
        for key, group in groups.items():
            if len(group) == 1:
                keys[group[0]] = key
                continue
            first = key.split("+", 1)[0] if key not in {self.curves[k].root for k in self.at[group[0]]} else key
            group.sort(key=lambda v: along.get((first, v), (0, 0.0)))
            keys |= {v: f"{key}~{n}" for n, v in enumerate(group)}
        return keys

    # ------------------------------------------------------------------ stretches

    def stretches(self, walk: Ints) -> list[_Stretch]:
        """A cycle of half-edges, those that go on along one curve together."""
        groups: list[list[int]] = []
        for h in walk.tolist():
            if groups and self._goes_on(groups[-1][-1], h):
                groups[-1].append(h)
            else:
                groups.append([h])
        if len(groups) > 1 and self._goes_on(groups[-1][-1], groups[0][0]):
            groups[0] = groups.pop() + groups[0]
        made = [self._stretch(g) for g in groups]
        self._stretches.update(s.identity for s in made)
        return made

    def _goes_on(self, before: int, after: int) -> bool:
        """Whether one half-edge follows another along the same curve, past a vertex where no other curve is."""
        e, f = before // 2, after // 2
        if self.owner[e] != self.owner[f] or (before ^ after) & 1 or e == f:
            return False
        vertex = self.tail[e] if before & 1 else self.head[e]
        if len(self.at[vertex]) > 1:
            return False
        shape = self.curves[self.owner[e]].shape
        if isinstance(shape, Polyline):
            return bool(self.edges.piece[e] == self.edges.piece[f])
        if isinstance(shape, Spline):
            # A closed one begins anew at its start.
            onward: bool = self.where[f] + self.low[f] > self.where[e] + self.low[e]
            return onward is not bool(before & 1)
        return True

    def _stretch(self, group: list[int]) -> _Stretch:
        first, last, back = group[0] // 2, group[-1] // 2, bool(group[0] & 1)
        k = self.owner[first]
        root = self.curves[k].root
        base = f"{root}/{int(self.where[first])}" if isinstance(self.curves[k].shape, Polyline) else root
        tail = self.head[first] if back else self.tail[first]
        head = self.tail[last] if back else self.head[last]
        whole = tail == head and len(self.at[tail]) == 1
        return _Stretch(tuple(group), k, back, tail, head, base, whole)

    def count_stretches(self) -> None:
        """How many stretches each curve came apart into; to be done once all cycles were walked."""
        self._times = Counter(base for base, _, _ in self._stretches)

    def meaning(self, outline: list[_Stretch]) -> tuple[str, frozenset[str]]:
        """The layer that most of an outline is on, and the roles that all of it has."""
        curves = [self.curves[s.curve] for s in outline]
        layer = Counter(c.layer for c in curves).most_common(1)[0][0]
        return layer, frozenset.intersection(*(frozenset(c.roles) for c in curves))

    # ------------------------------------------------------------------ spans

    def loop(self, stretches: list[_Stretch]) -> Loop:
        """A loop of spans."""
        return tuple(self._span(s) for s in stretches)

    def _span(self, s: _Stretch) -> Span:
        name = s.base
        if self._times[s.base] > 1:
            _, low, high = s.identity
            name = f"{s.base}[{self.keys[low]}..{self.keys[high]}]"
        kind, data = self._data(s)
        a, b = (tuple(self.edges.vertices[v].tolist()) for v in (s.tail, s.head))
        tail, head = (s.base, s.base) if s.whole else (self.keys[s.tail], self.keys[s.head])
        return Span(kind, (a[0], a[1]), (b[0], b[1]), data, name, tail, head)

    def _data(self, s: _Stretch) -> tuple[str, tuple[object, ...]]:
        shape = self.curves[s.curve].shape
        sign = -1.0 if s.back else 1.0
        if isinstance(shape, EllipseArc):
            return "ellipse", _ellipse_data(shape, *self._parameters(s, carrier_of(shape)), sign, s.tail == s.head)
        if isinstance(shape, Spline):
            return "spline", self._spline_data(s, shape)
        arcs, e = self.edges.curves, s.halves[0] // 2
        if not arcs.is_arc[e]:
            return "line", ()
        centre, radius = arcs.centre[e].tolist(), float(arcs.radius[e])
        if isinstance(shape, Arc | Circle):
            centre, radius = [*shape.centre], shape.radius
        start = self.edges.vertices[s.tail] - centre
        begin = math.atan2(start[1], start[0])
        sweep = sign * float(sum(arcs.sweep[h // 2] for h in s.halves))
        if s.tail == s.head:
            return "circle", (*centre, radius, begin, math.copysign(TURN, sweep))
        return "arc", (*centre, radius, begin, sweep)

    def _parameters(self, s: _Stretch, carrier: Carrier) -> tuple[float, float]:
        first, last = (carrier.nearest(self.edges.vertices[v]) for v in (s.tail, s.head))
        return first, last

    def _spline_data(self, s: _Stretch, shape: Spline) -> tuple[object, ...]:
        low, high = shape.domain
        carrier = carrier_of(shape)
        first, last = s.halves[0] // 2, s.halves[-1] // 2
        along = [
            self.where[first] + (self.high if s.back else self.low)[first],
            self.where[last] + (self.low if s.back else self.high)[last],
        ]
        ends = []
        for place, vertex in zip(along, (s.tail, s.head), strict=True):
            if place < ROUNDING:
                ends.append(low)
            elif place > self.total[s.curve] - ROUNDING:
                ends.append(high)
            else:
                ends.append(carrier.nearest(self.edges.vertices[vertex]))
        points = tuple((p.x, p.y) for p in shape.control_points)
        return (shape.degree, points, shape.knots, shape.weights, *ends)


def _ellipse_data(shape: EllipseArc, first: float, last: float, sign: float, whole: bool) -> tuple[float, ...]:
    way = sign * math.copysign(1.0, shape.sweep)
    turn = TURN if whole else ((last - first) * way) % TURN
    return (*shape.centre, *shape.major, shape.ratio, first, way * turn)


def _refined(edges: Edges, curves: Sequence[Curve], at: dict[int, dict[int, int]], within: float) -> Floats:
    """The vertices, those on true ellipses and splines moved from the runs that stood for them onto the curves."""
    bent = {k for k, c in enumerate(curves) if isinstance(c.shape, EllipseArc | Spline)}
    vertices = edges.vertices
    if not bent:
        return vertices
    vertices = vertices.copy()
    carriers: dict[int, Carrier] = {}
    for v, there in at.items():
        mine = [k for k in there if k in bent]
        if not mine:
            continue
        own = carriers.setdefault(mine[0], carrier_of(_smooth(curves[mine[0]])))
        others = [k for k in there if k != mine[0]]
        if not others:
            vertices[v] = own.point(own.nearest(vertices[v]))
            continue
        shape = _smooth(curves[others[0]]) if others[0] in bent else _piece(edges, there[others[0]])
        vertices[v] = meeting(own, carrier_of(shape), vertices[v], within)
    return vertices


def _smooth(curve: Curve) -> EllipseArc | Spline:
    shape = curve.shape
    if not isinstance(shape, EllipseArc | Spline):
        raise TypeError(shape)
    return shape


def _piece(edges: Edges, e: int) -> Line | Arc:
    """An edge as a shape."""
    start, end = (Point(*p[e].tolist()) for p in (edges.curves.start, edges.curves.end))
    bulge = float(edges.curves.bulge[e])
    return Arc.from_bulge(start, end, bulge) if abs(bulge) > HAIR else Line(start, end)
