"""What can be computed of what is defined: how much is free, where, and what is missing."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass, field

from syntaxa.define.binding import disagrees
from syntaxa.define.part import Defined
from syntaxa.define.proposals import Missing, missing
from syntaxa.define.settling import Stated, free_in
from syntaxa.define.sketching import is_large, model_of
from syntaxa.define.steps import Standing
from syntaxa.define.values import drives
from syntaxa.drawing.state import State
from syntaxa.drawing.view import Standing as ViewStanding
from syntaxa.drawing.view import View, on_state
from syntaxa.errors import Progress, no_progress
from syntaxa.geometry.points import Point, Vector
from syntaxa.watching import still_wanted


@dataclass(frozen=True)
class Movable:
    """A point that can still move: where it is (mm), the way that it can go (a unit vector), and whether any way."""

    place: Point
    way: Vector
    any_way: bool


@dataclass(frozen=True)
class SketchFreedom:
    """A sketch as it is defined.

    freedom  degrees of freedom; None where it is too large to count them; held: it is held whole, so it has none
    kinds    how many constraints of each kind
    gone     what is said of curves that are no longer there, in sentences
    """

    name: str
    points: int
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
    """All sketches as they are defined, what each dimension measures (mm or radians), and which of them disagree."""

    sketches: tuple[SketchFreedom, ...] = ()
    measured: dict[str, float] = field(default_factory=dict)
    disagreeing: tuple[str, ...] = ()

    @property
    def freedom(self) -> int:
        """Degrees of freedom of all sketches in which they were counted."""
        return sum(s.freedom or 0 for s in self.sketches)


def defined(state: State, *, progress: Progress = no_progress) -> Definition:
    """How the sketches of a state are defined."""
    part = state.part(Defined)
    standing = Standing.of(state, part)
    found = []
    for k, (name, stated) in enumerate(standing.stated.items()):
        progress(k / len(standing.stated))
        still_wanted()
        values = {n: v for n, v in standing.measured.items() if drives(part, n)}
        found.append(_sketch(name, stated, values, held=name in part.held))
    apart = tuple(
        m.name for m in part.measures
        if m.use == "measured" and m.name in standing.measured and disagrees(m, standing.measured[m.name])
    )  # fmt: skip
    return Definition(tuple(found), dict(standing.measured), apart)


def _sketch(name: str, stated: Stated, values: dict[str, float], *, held: bool) -> SketchFreedom:
    kinds = dict(Counter(c.kind for c in stated.constraints))
    if held or is_large(stated.curves):
        points = len(model_of(stated.curves, stated.pieces).system.spots)
        nothing = Missing(None, (), (), 0)
        return SketchFreedom(
            name, points, len(stated.curves), 0 if held else None, held, kinds, (), nothing, stated.gone
        )
    model, free = free_in(stated, values)
    s = model.system
    movable = tuple(
        Movable(Point(s.x[p.x], s.x[p.y]), Vector(*way), rank == 2)
        for p, way, rank in zip(s.spots, free.ways.tolist(), free.rank.tolist(), strict=True)
        if rank
    )
    wanted = missing(name, stated, values)
    return SketchFreedom(name, len(s.spots), len(stated.curves), free.count, held, kinds, movable, wanted, stated.gone)


def _view(standing: ViewStanding, *, progress: Progress) -> Definition:
    return defined(standing.state, progress=progress)


#: How everything is defined.
DEFINITION: View[Definition] = View("Freedom", on_state, _view)
