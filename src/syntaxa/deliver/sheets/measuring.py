"""Dimensions that are drawn in a view of a sheet: what picked things mean, and what is written of them.

A dimension names curves, so that it follows them. Cost: linear in the curves of the roots that it names.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from functools import cached_property
from itertools import pairwise

import numpy as np
import shapely

from syntaxa.define.model import Measure, Named
from syntaxa.define.picking import measure_of
from syntaxa.define.relations import drawn
from syntaxa.define.sketching import Model, model_of, point_names
from syntaxa.define.spans import Straightly, span_of
from syntaxa.define.unknowns import Round, Spot, Straight, Thing
from syntaxa.deliver.sheets.contents import Dimensioned, Pointed
from syntaxa.deliver.sheets.model import SheetDimension
from syntaxa.deliver.sheets.values import plain, value_text
from syntaxa.drawing.model import Curve
from syntaxa.errors import DeliverError
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.measuring import least_distance, point_distance
from syntaxa.geometry.places import nearest_on
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.tolerances import ROUNDING

#: Kinds of several points, and that of two curves where they come nearest, beside those of Define.
MANY = ("chain", "base lines", "coordinates")
SMALLEST = "smallest"

#: Things that one dimension names at the most.
MOST = 60

#: Places behind the point of a length.
_PLACES = 2


class Measurable:
    """The curves of a view, and what of them can be picked."""

    def __init__(self, curves: Sequence[Curve], left_out: str = "") -> None:
        """left_out  the layer of what cannot be picked, as it is not seen"""
        self.curves = tuple(curves)
        self._left_out = left_out

    @cached_property
    def model(self) -> Model:
        """The system of all of them."""
        return model_of(self.curves)

    @cached_property
    def _pickable(self) -> list[int]:
        """Numbers of the pieces that have a length and are seen."""
        return [
            k for k, (piece, thing) in enumerate(zip(self.model.pieces, self.model.things, strict=True))
            if thing is not None and (not self._left_out or self.curves[piece.curve].layer != self._left_out)
        ]  # fmt: skip

    @cached_property
    def _tree(self) -> shapely.STRtree:
        return shapely.STRtree([shapely.box(*bounds(self.model.pieces[k].shape)) for k in self._pickable])

    @cached_property
    def _points(self) -> tuple[list[Named], np.ndarray]:
        seen = {self.model.pieces[k].name for k in self._pickable}
        x = self.model.system.x
        rows = [(n, (x[s.x], x[s.y])) for n, s in point_names(self.model) if n.at("") in seen]
        return [n for n, _ in rows], np.array([p for _, p in rows], dtype=np.float64).reshape(-1, 2)

    def made(self) -> Measurable:
        """The same with all that is looked up ready: for large drawings that takes a while."""
        _ = self._points, self._tree
        return self

    def thing_at(self, place: Point, reach: float) -> Named | None:
        """The nearest point, or else the nearest piece, within a reach (mm)."""
        names, places = self._points
        if names:
            away = np.hypot(*(places - (place.x, place.y)).T)
            if away.min() <= reach:
                return names[int(away.argmin())]
        near = self._tree.query(shapely.box(place.x - reach, place.y - reach, place.x + reach, place.y + reach))
        pieces = [self.model.pieces[self._pickable[k]] for k in near.tolist()]
        found = min(((nearest_on(p.shape, place).distance_to(place), p.name) for p in pieces), default=None)
        return None if found is None or found[0] > reach else found[1]

    def place_of(self, name: Named) -> Point | None:
        """Where a point is; None for a piece."""
        thing = self.model.thing(name)
        return _at(self.model, thing) if isinstance(thing, Spot) else None

    def shape_of(self, name: Named) -> Shape:
        """The piece that a name is about."""
        return _piece(self.model, name)


def meanings(model: Model, picks: Sequence[Named]) -> tuple[str, ...]:
    """What picked things can have, the likeliest first."""
    things = [model.thing(n) for n in picks]
    pointed = all(isinstance(t, Spot | Round) for t in things)
    if len(things) == 1:
        if isinstance(things[0], Round):
            return ("diameter", "radius") if things[0].a is None else ("radius", "diameter")
        return ("length",) if isinstance(things[0], Straight) else ()
    if len(things) == 2:
        usual = measure_of(model, "", picks, Point(0.0, 0.0))
        kind = () if usual is None else ("angle",) if usual.kind == "angle" else ("distance",)
        spots = all(isinstance(t, Spot) for t in things)
        return (*kind, *(() if spots else (SMALLEST,)), *(MANY[1:] if pointed else ()))
    return MANY if pointed and len(things) <= MOST else ()


def dimension_at(model: Model, picks: Sequence[Named], meaning: str, place: Point) -> SheetDimension | None:
    """The dimension of picked things with a meaning, its text at a place (mm of the thing), if there is one."""
    at = place.x, place.y
    if meaning in ("diameter", "radius"):
        return SheetDimension(meaning, tuple(picks), 0.0, at)
    if meaning == SMALLEST:
        apart, a, b = _smallest(model, picks[0], picks[1])
        return SheetDimension(meaning, tuple(picks), 0.0, at) if apart > ROUNDING and a != b else None
    if meaning in MANY:
        points = [_point(model, n) for n in picks]
        return SheetDimension(meaning, tuple(picks), _way(points, place), None if meaning == MANY[2] else at)
    made = measure_of(model, "", picks, place) if 1 <= len(picks) <= 2 else None
    return None if made is None else SheetDimension(made.kind, made.things, made.angle, at)


def dimensioned(
    curves: Sequence[Curve], one: SheetDimension, name: str, row: float
) -> list[Dimensioned]:  # fmt: skip
    """What a dimension spans as the curves are now; raises GoneError where one is no longer there.

    name  what it is called; row  how far base lines lie from each other (mm of the thing)
    """
    roots = {n.root for n in one.things}
    model = model_of([c for c in curves if c.root in roots])
    place = None if one.place is None else Point(*one.place)
    if one.kind in MANY:
        return list(_of_many(model, one, name, place, row))
    if one.kind == SMALLEST:
        apart, a, b = _smallest(model, one.things[0], one.things[1])
        return [Dimensioned(name, Straightly(a, b, (b - a).angle), plain(apart, _PLACES), place)]
    measure = Measure(name, "", one.kind, one.things, one.angle)
    value = drawn(model.system, one.kind, [model.thing(n) for n in one.things], one.angle)
    return [Dimensioned(name, span_of(model, measure), value_text(measure, value), place)]


def check_dimension(one: SheetDimension) -> None:
    """Raises DeliverError where a dimension makes no sense."""
    wanted = {"length": (1, 1), "diameter": (1, 1), "radius": (1, 1)}
    wanted |= dict.fromkeys(("distance", "distance x", "distance y", "offset", "angle", SMALLEST), (2, 2))
    wanted |= {MANY[0]: (2, MOST), MANY[1]: (2, MOST), MANY[2]: (2, MOST)}
    least, most = wanted.get(one.kind, (1, 0))
    numbers = (one.angle, *(one.place or ()))
    if not least <= len(one.things) <= most or not all(math.isfinite(v) for v in numbers):
        raise DeliverError(f"“{one.kind}” of {len(one.things)} things is no dimension.", suggestion="Draw it again.")


# ---------------------------------------------------------------------- several points


def _of_many(
    model: Model, one: SheetDimension, name: str, place: Point | None, row: float
) -> Iterator[Dimensioned]:  # fmt: skip
    points = [_point(model, n) for n in one.things]
    if one.kind == MANY[2]:
        origin = points[0]
        for k, p in enumerate(points):
            text = f"x {plain(p.x - origin.x, _PLACES)} y {plain(p.y - origin.y, _PLACES)}"
            yield Dimensioned(f"{name}.{k}", Pointed(p), text)
        return
    along = Vector(math.cos(one.angle), math.sin(one.angle))
    off = Vector(-along.y, along.x)

    def far(p: Point) -> float:
        return p.x * along.x + p.y * along.y

    first, rest = points[0], sorted(points[1:], key=lambda p: abs(far(p) - far(points[0])))
    if one.kind == MANY[0]:
        ordered = sorted(points, key=far)
        pairs = list(pairwise(ordered))
    else:
        pairs = [(first, p) for p in rest]
    outward = 1.0 if place is None or (place - first).dot(off) >= 0 else -1.0
    number = 0
    for a, b in pairs:
        apart = abs(far(b) - far(a))
        if apart <= ROUNDING:
            continue
        spot = None
        if place is not None:
            amid = a.toward(b, 0.5)
            level = (place - amid).dot(off) + (outward * number * row if one.kind == MANY[1] else 0.0)
            spot = amid + off * level
        yield Dimensioned(f"{name}.{number}", Straightly(a, b, one.angle), plain(apart, _PLACES), spot)
        number += 1


def _way(points: Sequence[Point], place: Point) -> float:
    """The direction of a chain whose text stands at a place: level above or below its points, upright beside them."""
    xs, ys = [p.x for p in points], [p.y for p in points]
    beside = max(min(xs) - place.x, place.x - max(xs), 0.0)
    above = max(min(ys) - place.y, place.y - max(ys), 0.0)
    if beside == above:
        return 0.0 if max(xs) - min(xs) >= max(ys) - min(ys) else math.pi / 2
    return 0.0 if above > beside else math.pi / 2


# ---------------------------------------------------------------------- things


def _at(model: Model, spot: Spot) -> Point:
    return Point(model.system.x[spot.x], model.system.x[spot.y])


def _point(model: Model, name: Named) -> Point:
    """A point, or the centre of what is round."""
    thing: Thing = model.thing(name)
    spot = thing.c if isinstance(thing, Round) else thing
    if not isinstance(spot, Spot):
        raise DeliverError(f"{str(name)[:1].upper()}{str(name)[1:]} is no point.", suggestion="Pick points or circles.")
    return _at(model, spot)


def _piece(model: Model, name: Named) -> Shape:
    model.thing(name)
    return next(p.shape for p in model.pieces if p.name == name.at(""))


def _smallest(model: Model, one: Named, two: Named) -> tuple[float, Point, Point]:
    """How near two things come to each other (mm), and where."""
    a, b = model.thing(one), model.thing(two)
    if isinstance(a, Spot) and isinstance(b, Spot):
        p, q = _at(model, a), _at(model, b)
        return p.distance_to(q), p, q
    if isinstance(a, Spot):
        apart, q = point_distance(_at(model, a), _piece(model, two))
        return apart, _at(model, a), q
    if isinstance(b, Spot):
        apart, p = point_distance(_at(model, b), _piece(model, one))
        return apart, p, _at(model, b)
    return least_distance(_piece(model, one), _piece(model, two))
