"""What can be said of some picked curves: constraints that can hold between them, and dimensions of them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.relations import shared_end
from syntaxa.define.sketching import is_large, model_of
from syntaxa.define.unknowns import Element, Round, Straight, Whole
from syntaxa.drawing.state import Sketch

#: Pieces that can be picked for one constraint.
MOST_PICKED = 3


def possible(sketch: Sketch, ids: Sequence[str]) -> list[Constraint | Measure]:
    """Constraints, then dimensions without names yet, that picked curves of a sketch can have.

    Nothing where a picked curve has several pieces, or where there are more than three.
    """
    picked = [c for c in sketch.curves if c.id in set(ids)]
    if not 0 < len(picked) <= MOST_PICKED or len(picked) < len(ids) or is_large(sketch.curves):
        return []
    model = model_of(sketch.curves)
    found: list[tuple[Named, Element]] = []
    for number, curve in enumerate(sketch.curves):
        if curve in picked:
            mine = [(p.name, t) for p, t in zip(model.pieces, model.things, strict=True) if p.curve == number]
            if len(mine) != 1 or mine[0][1] is None:
                return []
            found.append((mine[0][0], mine[0][1]))
    rows = list(_holding(found))
    return [
        *(Constraint(sketch.name, kind, things) for kind, things in rows),
        *(Measure("", sketch.name, kind, things, angle, use="live") for kind, things, angle in _measuring(found)),
    ]


def _holding(picked: Sequence[tuple[Named, Element]]) -> Iterator[tuple[str, tuple[Named, ...]]]:
    names = tuple(n for n, _ in picked)
    things = [t for _, t in picked]
    lines = [isinstance(t, Straight) for t in things]
    rounds = [isinstance(t, Round) for t in things]
    if lines == [True]:
        yield from (("level", names), ("upright", names))
    elif len(things) == 2 and all(lines):
        yield from ((kind, names) for kind in ("parallel", "perpendicular", "equal length", "collinear"))
    elif len(things) == 2 and all(rounds):
        yield from ((kind, names) for kind in ("concentric", "equal radius", "tangent"))
        centres = tuple(n.at("centre") for n in names)
        yield from ((kind, centres) for kind in ("level points", "upright points"))
    elif len(things) == 2 and _can_touch(things[0], things[1]):
        yield "tangent", names
    elif len(things) == 3 and lines.count(True) == 1 and rounds.count(True) == 2:
        axis = names[lines.index(True)]
        yield "symmetric", (*(n.at("centre") for n, r in zip(names, rounds, strict=True) if r), axis)


def _can_touch(one: Element, two: Element) -> bool:
    """Whether they can be tangent: what keeps its form only at an end that it shares."""
    return not any(isinstance(t, Whole) for t in (one, two)) or shared_end(one, two) is not None


def _measuring(picked: Sequence[tuple[Named, Element]]) -> Iterator[tuple[str, tuple[Named, ...], float]]:
    names = tuple(n for n, _ in picked)
    things = [t for _, t in picked]
    if len(things) == 1 and isinstance(things[0], Straight):
        yield "length", names, 0.0
    elif len(things) == 1 and isinstance(things[0], Round):
        yield ("diameter" if things[0].a is None else "radius"), names, 0.0
    elif len(things) == 2 and all(isinstance(t, Straight) for t in things):
        yield "angle", names, 0.0
        yield "offset", (names[1].at("start"), names[0]), 0.0
    elif len(things) == 2 and all(isinstance(t, Round) for t in things):
        centres = tuple(n.at("centre") for n in names)
        yield from ((kind, centres, 0.0) for kind in ("distance", "distance x", "distance y"))
    elif (
        len(things) == 2 and any(isinstance(t, Round) for t in things) and any(isinstance(t, Straight) for t in things)
    ):
        line, round_ = sorted(picked, key=lambda p: isinstance(p[1], Round))
        yield "offset", (round_[0].at("centre"), line[0]), 0.0
