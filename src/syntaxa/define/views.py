"""What can be computed of what is defined: how much is free, where, and what is missing."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

from syntaxa.define.binding import disagrees
from syntaxa.define.freedom import Freedom
from syntaxa.define.model import Constraint
from syntaxa.define.part import Defined
from syntaxa.define.proposals import Missing, missing
from syntaxa.define.settling import Stated, free_in
from syntaxa.define.sketching import Model, is_large
from syntaxa.define.steps import Statements, open_sketches, stated_of
from syntaxa.define.unknowns import Round, Spot, Thing
from syntaxa.define.values import driving
from syntaxa.drawing.state import Sketch, State
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress, no_progress
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.watching import still_wanted


@dataclass(frozen=True)
class Movable:
    """A point that can still move: where it is (mm), the way that it can go (a unit vector), and whether any way.

    Where a sketch can be moved as a whole, that is shown at one point alone.
    """

    place: Point
    way: Vector
    any_way: bool


@dataclass(frozen=True)
class SketchFreedom:
    """A sketch as it is defined.

    points, freedom   None where it is too large to count them; freedom is 0 where it is held whole
    kinds    how many constraints of each kind
    gone     what is said of curves that are no longer there, in sentences
    """

    name: str
    points: int | None
    curves: int
    freedom: int | None
    held: bool
    kinds: dict[str, int]
    movable: tuple[Movable, ...]
    missing: Missing
    gone: tuple[str, ...]

    @property
    def is_defined(self) -> bool:
        """Whether nothing of it can move."""
        return self.held or self.freedom == 0


@dataclass(frozen=True)
class Definition:
    """All sketches as they are defined.

    measured     what each dimension measures (mm or radians); places where it is (mm)
    disagreeing  names of those that are written otherwise than drawn
    """

    sketches: tuple[SketchFreedom, ...] = ()
    measured: dict[str, float] = field(default_factory=dict)
    places: dict[str, Point] = field(default_factory=dict)
    disagreeing: tuple[str, ...] = ()

    @property
    def freedom(self) -> int:
        """Degrees of freedom of all sketches in which they were counted."""
        return sum(s.freedom or 0 for s in self.sketches)


def defined(state: State, *, progress: Progress = no_progress) -> Definition:
    """How the sketches of a state are defined."""
    part = state.part(Defined)
    said = Statements.of(state, part)
    found = []
    values = driving(part, said.measured)
    sketches = list(open_sketches(state))
    for k, sketch in enumerate(sketches):
        progress(k / len(sketches))
        still_wanted()
        stated, held = said.stated.get(sketch.name), sketch.name in part.held
        if held or is_large(sketch.curves):
            found.append(_not_counted(sketch, stated, held=held))
        else:
            found.append(_counted(sketch.name, stated or stated_of(part, sketch), values))
    apart = tuple(
        m.name for m in part.measures
        if m.use == "measured" and m.name in said.measured and disagrees(m, said.measured[m.name])
    )  # fmt: skip
    places = {n: p for stated in said.stated.values() for n, p in _places(stated)}
    return Definition(tuple(found), dict(said.measured), places, apart)


def _places(stated: Stated) -> Iterator[tuple[str, Point]]:
    """Where each dimension is: amid what it is of, or on the rim of a round."""
    model = stated.bare
    x = model.system.x
    for measure in stated.measures:
        points = [p for name in measure.things for p in _points_of(model.thing(name), x)]
        yield measure.name, Point(sum(p.x for p in points) / len(points), sum(p.y for p in points) / len(points))


def _points_of(thing: Thing, x: Sequence[float]) -> list[Point]:
    if isinstance(thing, Spot):
        return [Point(x[thing.x], x[thing.y])]
    if isinstance(thing, Round):
        amid = math.pi / 4 if thing.a is None else (x[thing.ta] + x[thing.tb]) / 2
        return [polar(Point(x[thing.c.x], x[thing.c.y]), x[thing.r], amid)]
    return [Point(x[p.x], x[p.y]) for p in (thing.a, thing.b)]


def _not_counted(sketch: Sketch, stated: Stated | None, *, held: bool) -> SketchFreedom:
    """One that is held whole, or too large."""
    kinds = dict(Counter(c.kind for c in stated.constraints)) if stated is not None else {}
    gone = stated.gone if stated is not None else ()
    free = 0 if held else None
    return SketchFreedom(sketch.name, None, len(sketch.curves), free, held, kinds, (), Missing((), (), (), 0), gone)


def _counted(name: str, stated: Stated, values: dict[str, float]) -> SketchFreedom:
    kinds = dict(Counter(c.kind for c in stated.constraints))
    model, free = free_in(stated, values)
    wanted = missing(name, model, free)
    points, curves = len(model.system.spots), len(stated.curves)
    movable = _movable(model, free) if wanted.place is None else _movable_but_for(wanted.place, stated, values)
    return SketchFreedom(name, points, curves, free.count, False, kinds, movable, wanted, stated.gone)


def _movable(model: Model, free: Freedom) -> tuple[Movable, ...]:
    """The points that can move."""
    s = model.system
    return tuple(
        Movable(Point(s.x[p.x], s.x[p.y]), Vector(*way), rank == 2)
        for p, way, rank in zip(s.spots, free.ways.tolist(), free.rank.tolist(), strict=True)
        if rank
    )


def _movable_but_for(place: Constraint, stated: Stated, values: dict[str, float]) -> tuple[Movable, ...]:
    """The points that could still move if the place were held that is to be held; and that place."""
    model, free = free_in(replace(stated, constraints=(*stated.constraints, place)), values)
    here = _points_of(model.thing(place.things[0]), model.system.x)
    return (*_movable(model, free), *(Movable(p, Vector(1.0, 0.0), True) for p in here))


def _view(standing: Standing, *, progress: Progress) -> Definition:
    return defined(standing.state, progress=progress)


#: How everything is defined.
DEFINITION: View[Definition] = View("Freedom", on_state, _view)
