"""The fewest dimensions that are missing: those that a draughtsman would think of first, each holding one freedom more.

A place is held first: the lowest point at the left, else everything could be moved. Then radii, lengths, how wide
rings and rows of holes are, how far mirrored points lie apart, and where centres and ends lie from that point; angles
last.
"""

from __future__ import annotations

import itertools
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.define.freedom import Freedom, fewest
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.relations import drawn
from syntaxa.define.sketching import Model, point_names
from syntaxa.define.unknowns import Round, Spot, Straight
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats

#: What holds where a distance along an axis is nought.
_IN_LINE = {"distance x": "upright points", "distance y": "level points"}


@dataclass(frozen=True)
class Missing:
    """What would define a sketch: constraints, dimensions (without names yet), and what they measure now.

    constraints  a place that is held first, where one is wanted; then points in line, for that is no distance
    left         freedoms that none of them holds
    """

    constraints: tuple[Constraint, ...]
    measures: tuple[Measure, ...]
    values: tuple[float, ...]
    left: int

    @property
    def place(self) -> Constraint | None:
        """The place that is to be held."""
        return next((c for c in self.constraints if c.kind == "fixed"), None)


def missing(sketch: str, model: Model, free: Freedom, holds: Sequence[Constraint] = ()) -> Missing:
    """What would define a sketch in which everything of `holds` holds, and of which it is known what is free."""
    x = np.array(model.system.x)
    anchor = _anchor(model, free)
    rows: list[tuple[Measure | None, dict[int, float]]] = []
    if anchor is not None:
        spot = _spot(model, anchor)
        rows += [(None, {spot.x: 1.0}), (None, {spot.y: 1.0})]
    rows += [(m, _slopes(model, m, x)) for m in _natural(sketch, model, anchor, holds)]
    chosen = fewest(free, [slopes for _, slopes in rows])
    held = sum(rows[k][0] is None for k in chosen)
    found = [m for k in chosen if (m := rows[k][0]) is not None]
    constraints = [Constraint(sketch, "fixed", (anchor,))] if anchor is not None and held else []
    measures: list[Measure] = []
    values_now: list[float] = []
    for m in found:
        worth = drawn(model.system, m.kind, [model.thing(n) for n in m.things], m.angle)
        if m.kind.startswith("distance") and worth <= ROUNDING:
            constraints.append(Constraint(sketch, _IN_LINE[m.kind], m.things))
        else:
            measures.append(m)
            values_now.append(worth)
    return Missing(tuple(constraints), tuple(measures), tuple(values_now), free.count - len(chosen))


def _spot(model: Model, name: Named) -> Spot:
    found = model.thing(name)
    if not isinstance(found, Spot):
        raise TypeError(f"{name} is no point.")
    return found


def _anchor(model: Model, free: Freedom) -> Named | None:
    """The lowest point at the left, an end before a centre, where it can move at all."""
    x = model.system.x
    rank = dict(zip(model.system.spots, free.rank.tolist(), strict=True))
    rows = [(n.place == "centre", round(x[s.x] + x[s.y], 6), n) for n, s in point_names(model) if rank[s]]
    return min(rows)[2] if rows else None


def _natural(sketch: str, model: Model, anchor: Named | None, holds: Sequence[Constraint]) -> Iterator[Measure]:
    """Dimensions that a draughtsman would think of, the likeliest first."""
    pairs = [(p.name, t) for p, t in zip(model.pieces, model.things, strict=True) if t is not None]
    lines = [(n, t) for n, t in pairs if isinstance(t, Straight)]
    for name, thing in pairs:
        if isinstance(thing, Round):
            yield Measure("", sketch, "diameter" if thing.a is None else "radius", (name,))
    for name, _ in lines:
        yield Measure("", sketch, "length", (name,))
    for held in holds:
        yield from _of_pattern(sketch, model, held)
    if anchor is not None:
        for name, spot in point_names(model):
            if spot != _spot(model, anchor):
                yield Measure("", sketch, "distance x", (anchor, name))
                yield Measure("", sketch, "distance y", (anchor, name))
    for (one, _), (two, _) in itertools.pairwise(lines):
        yield Measure("", sketch, "angle", (one, two))


def _of_pattern(sketch: str, model: Model, one: Constraint) -> Iterator[Measure]:
    """How wide a ring is, how far the holes of a row lie apart, and mirrored points."""
    if one.kind == "ring":
        yield Measure("", sketch, "distance", (one.things[-1], one.things[0]))
    elif one.kind in ("row", "symmetric"):
        pair = one.things[:2]
        a, b = (_spot(model, n) for n in pair)
        x = model.system.x
        for axis, kind in ((0, "distance x"), (1, "distance y")):
            if abs(x[a[1 - axis]] - x[b[1 - axis]]) <= ROUNDING:
                yield Measure("", sketch, kind, pair)
                return
        yield Measure("", sketch, "distance", pair)


def _slopes(model: Model, measure: Measure, x: Floats) -> dict[int, float]:
    """How a dimension grows with the unknowns."""
    things = [model.thing(n) for n in measure.things]
    one, two = things[0], things[-1]
    if isinstance(one, Round):
        return {one.r: 1.0}
    if isinstance(one, Spot) and isinstance(two, Spot):
        if measure.kind == "distance":
            way = float(np.arctan2(x[two.y] - x[one.y], x[two.x] - x[one.x]))
            c, s = float(np.cos(way)), float(np.sin(way))
            return {two.x: c, one.x: -c, two.y: s, one.y: -s}
        axis = int(measure.kind.endswith("y"))
        return {two[axis]: 1.0, one[axis]: -1.0}
    if isinstance(one, Straight) and isinstance(two, Straight):
        if measure.kind == "angle":
            return {two.t: 1.0, one.t: -1.0}
        c, s = float(np.cos(x[one.t])), float(np.sin(x[one.t]))
        return {one.a.x: -c, one.a.y: -s, one.b.x: c, one.b.y: s}
    raise TypeError(f"{measure.kind} is nothing that is proposed.")
