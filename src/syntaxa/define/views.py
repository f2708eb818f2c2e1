"""What can be computed of what is defined: how much is free, where, and what is missing."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

import numpy as np

from syntaxa.define.base import DefineStep
from syntaxa.define.binding import disagrees
from syntaxa.define.freedom import Freedom
from syntaxa.define.model import Constraint
from syntaxa.define.part import Defined
from syntaxa.define.proposals import Missing, missing
from syntaxa.define.settling import Stated, free_in
from syntaxa.define.sketching import Model, is_large
from syntaxa.define.spans import Span, span_of
from syntaxa.define.stating import Statements, open_sketches, stated_of
from syntaxa.define.unknowns import Round, Spot, Thing
from syntaxa.define.values import driving
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import DefineError, Progress, no_progress
from syntaxa.geometry.points import Point, Vector, polar
from syntaxa.geometry.shapes import Shape
from syntaxa.watching import still_wanted

#: mm a mm; a move that is seen in no point of a part is none of it.
_SEEN = 1e-6


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
    kinds     how many constraints of each kind
    gone      what is said of curves that are no longer there, in sentences
    proposed  what the missing dimensions would span; middle that of the sketch
    parts     in how many ways each part can move whose curves hang together by their ends, the freest first
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
    proposed: tuple[Span, ...] = ()
    middle: Point = Point(0.0, 0.0)  # noqa: RUF009  frozen, so one for all is right
    parts: tuple[int, ...] = ()

    @property
    def is_defined(self) -> bool:
        """Whether nothing of it can move."""
        return self.held or self.freedom == 0


@dataclass(frozen=True)
class Definition:
    """All sketches as they are defined.

    measured     what each dimension measures (mm or radians)
    spans        what each dimension spans, and the middle of its sketch
    disagreeing  names of those that are written otherwise than drawn
    """

    sketches: tuple[SketchFreedom, ...] = ()
    measured: dict[str, float] = field(default_factory=dict)
    spans: dict[str, tuple[Span, Point]] = field(default_factory=dict)
    disagreeing: tuple[str, ...] = ()

    @property
    def freedom(self) -> int:
        """Degrees of freedom of all sketches in which they were counted."""
        return sum(s.freedom or 0 for s in self.sketches)

    @property
    def counted(self) -> bool:
        """Whether they were counted in all sketches: none of them is too large."""
        return all(s.freedom is not None for s in self.sketches)


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
    spans = {n: s for stated in said.stated.values() for n, s in _spans(stated)}
    return Definition(tuple(found), dict(said.measured), spans, apart)


def spans_of(state: State) -> tuple[dict[str, float], dict[str, Span]]:
    """What each dimension measures (mm or radians) and spans, without a look at how free anything is."""
    said = Statements.of(state, state.part(Defined))
    return dict(said.measured), {n: span for one in said.stated.values() for n, (span, _) in _spans(one)}


def _spans(stated: Stated) -> Iterator[tuple[str, tuple[Span, Point]]]:
    """What each dimension spans, and the middle of the sketch."""
    middle = _middle(stated.bare)
    for measure in stated.measures:
        yield measure.name, (span_of(stated.bare, measure), middle)


def _by_part(model: Model, free: Freedom) -> tuple[int, ...]:
    """In how many ways each part can move; circles that share a centre are one."""
    parent = {spot: spot for spot in model.system.spots}

    def root(spot: Spot) -> Spot:
        while parent[spot] != spot:
            parent[spot] = parent[parent[spot]]
            spot = parent[spot]
        return spot

    own: dict[Spot, list[int]] = {}
    for thing in model.things:
        if thing is None:
            continue
        mine = [p for p in (thing.a, thing.b, thing.c if isinstance(thing, Round) else None) if p is not None]
        for p in mine[1:]:
            parent[root(p)] = root(mine[0])
    for thing in model.things:
        if thing is not None:
            spot = next(p for p in (thing.a, thing.c if isinstance(thing, Round) else None) if p is not None)
            own.setdefault(root(spot), []).extend([thing.r] if isinstance(thing, Round) else [])
    for spot in model.system.spots:
        own.setdefault(root(spot), []).extend(spot)
    ranks = [int(np.linalg.matrix_rank(free.basis[rows], tol=_SEEN)) if free.count else 0 for rows in own.values()]
    return tuple(sorted(ranks, reverse=True))


def _middle(model: Model) -> Point:
    """The middle of the points of a sketch (mm)."""
    s = model.system
    xs, ys = [s.x[p.x] for p in s.spots], [s.x[p.y] for p in s.spots]
    return Point((min(xs) + max(xs)) / 2, (min(ys) + max(ys)) / 2) if xs else Point(0.0, 0.0)


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
    wanted = missing(name, model, free, stated.constraints)
    points, curves = len(model.system.spots), len(stated.curves)
    movable = _movable(model, free) if wanted.place is None else _movable_but_for(wanted.place, stated, values)
    proposed = tuple(span_of(model, m) for m in wanted.measures)
    return SketchFreedom(
        name, points, curves, free.count, False, kinds, movable, wanted, stated.gone, proposed, _middle(model),
        _by_part(model, free),
    )  # fmt: skip


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


@dataclass(frozen=True)
class Tried:
    """What a step of Define would do that is not done.

    shapes   the curves that it would change, as they would be
    part     what would be said of the sketches
    entry    what would be told; refused why it cannot be done, empty where it can
    """

    shapes: tuple[Shape, ...] = ()
    part: Defined = Defined()  # noqa: RUF009  frozen, so one for all is right
    entry: Entry = Entry(0)  # noqa: RUF009  frozen, so one for all is right
    refused: str = ""


def _tried(standing: Standing, step: DefineStep, *, progress: Progress) -> Tried:
    state = standing.state
    try:
        after, entry = step.apply(state, standing.context(progress))
    except DefineError as error:
        return Tried(refused=str(error))
    before = {c.id: c for c in state.curves()}
    shapes = tuple(c.shape for c in after.curves() if before.get(c.id) is not c)
    return Tried(shapes, after.part(Defined), entry)


def _view(standing: Standing, *, progress: Progress) -> Definition:
    return defined(standing.state, progress=progress)


#: How everything is defined.
DEFINITION: View[Definition] = View("Freedom", on_state, _view)

#: What a step would do that is being thought of. Given the step.
TRIED: View[Tried] = View("Trying", on_state, _tried, lambda tried: 1000 + 420 * len(tried.shapes))
