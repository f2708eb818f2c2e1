"""What nearly meets in a sketch: ends, ends and centres on curves and amid lines, and what is mirrored in a free line.

Every point is compared with every curve, as arrays: sketches in which anything is read off have no more than
`sketching.MOST_PIECES` of them.
"""

from __future__ import annotations

import math

import numpy as np

from syntaxa.define.guesses import REACH, Guess, Looking
from syntaxa.define.model import Named
from syntaxa.define.unknowns import Round, Spot, Straight
from syntaxa.geometry.types import Bools, Floats
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: mm that noise of a mm moves a point off the middle of a line by, and two mirrored ones apart.
_AMID, _MIRRORED = math.sqrt(1.5), math.sqrt(2.0)

#: Lines that may be axes: those that stand free, the longest first.
_MOST_AXES = 12


def coincident(look: Looking, within: float) -> list[Guess]:
    """Ends of different curves that nearly fall together; where a drawing was mended they are one already."""
    rows: list[tuple[Named, Spot, int]] = []
    seen: set[Spot] = set()
    for k, (piece, thing) in enumerate(zip(look.model.pieces, look.model.things, strict=True)):
        for place, spot in (("start", thing.a), ("end", thing.b)) if thing is not None and piece.ends else ():
            if spot is not None and spot not in seen:
                seen.add(spot)
                rows.append((piece.name.at(place), spot, k))  # type: ignore[arg-type]
    if not rows:
        return []
    places = np.array([[look.x[p.x], look.x[p.y]] for _, p, _ in rows])
    pairs = sorted(spatial.cKDTree(places).query_pairs(2 * within))
    return [
        Guess("coincident", (rows[a][0], rows[b][0]), float(np.hypot(*(places[a] - places[b]))) / 2)
        for a, b in pairs
        if rows[a][2] != rows[b][2]
    ]


def midpoints(look: Looking, within: float) -> list[Guess]:
    """Centres of circles, and ends that nothing else meets, in the middle of lines."""
    names, spots, places = _points(look)
    if not look.lines or not len(names):
        return []
    ends = np.array([[[look.x[k] for k in p] for p in (t.a, t.b)] for _, t in look.lines])
    tree = spatial.cKDTree(places)
    made: list[Guess] = []
    for (line, thing), middle in zip(look.lines, ends.mean(axis=1), strict=True):
        for k in tree.query_ball_point(middle, within * _AMID):
            if spots[k] not in (thing.a, thing.b) and look.size[line] > 2 * REACH:
                off = float(np.hypot(*(places[k] - middle))) / _AMID
                made.append(Guess("midpoint", (names[k], line), off))
    return made


def on_curves(look: Looking, within: float) -> list[Guess]:
    """Ends that nothing else meets, and centres of circles, on lines, arcs and circles between their ends."""
    names, spots, places = _points(look)
    made: list[Guess] = []
    carriers: list[tuple[Named, Straight | Round]] = [*look.lines, *look.rounds]
    for name, thing in carriers if names else ():
        off, inside = _off_line(look, thing, places) if isinstance(thing, Straight) else _off_round(look, thing, places)
        own = {thing.a, thing.b, thing.c if isinstance(thing, Round) else None}
        near = np.flatnonzero(inside & (off <= within)).tolist()
        made += [Guess("on", (names[k], name), float(off[k])) for k in near if spots[k] not in own]
    return made


def mirrored(look: Looking, within: float) -> list[Guess]:
    """Equal circles, and ends, that lie alike on either side of a line that stands free."""
    alone = _free_ends(look)
    axes = [(n, t) for n, t in look.lines if t.a in alone and t.b in alone]
    axes = sorted(axes, key=lambda item: -look.size[item[0]])[:_MOST_AXES]
    rows: list[tuple[Named, Spot, float]] = [(n.at("centre"), t.c, float(look.x[t.r])) for n, t in look.circles]
    seen: set[Spot] = set()
    for name, line in look.lines:
        for place, spot in (("start", line.a), ("end", line.b)):
            if spot not in seen:
                seen.add(spot)
                rows.append((name.at(place), spot, -1.0))  # type: ignore[arg-type]
    if not axes or not rows:
        return []
    places = np.array([[look.x[p.x], look.x[p.y]] for _, p, _ in rows])
    size = np.array([r for *_, r in rows])
    tree = spatial.cKDTree(places)
    made: list[Guess] = []
    for axis, line in axes:
        start = np.array([look.x[line.a.x], look.x[line.a.y]])
        across = np.array([-math.sin(look.x[line.t]), math.cos(look.x[line.t])])
        side = (places - start) @ across
        away, other = tree.query(places - 2 * side[:, None] * across)
        for k in np.flatnonzero((side > REACH) & (away <= within * _MIRRORED)).tolist():
            m = int(other[k])
            if abs(size[k] - size[m]) <= 3 * within and rows[k][1] not in (line.a, line.b):
                made.append(Guess("symmetric", (rows[k][0], rows[m][0], axis), float(away[k]) / _MIRRORED))
    return made


# ---------------------------------------------------------------------- points


def _free_ends(look: Looking) -> set[Spot]:
    """Ends that no other curve shares."""
    ends = [p for t in look.model.things if t is not None for p in (t.a, t.b) if p is not None]
    count: dict[Spot, int] = {}
    for spot in ends:
        count[spot] = count.get(spot, 0) + 1
    return {spot for spot, n in count.items() if n == 1}


def _points(look: Looking) -> tuple[list[Named], list[Spot], Floats]:
    """Centres of circles, and ends that nothing else meets: names, spots, places (n, 2)."""
    alone = _free_ends(look)
    rows: list[tuple[Named, Spot]] = [(n.at("centre"), t.c) for n, t in look.circles]
    for piece, thing in zip(look.model.pieces, look.model.things, strict=True):
        if thing is not None and thing.a in alone:
            rows.append((piece.name.at("start"), thing.a))
        if thing is not None and thing.b in alone:
            rows.append((piece.name.at("end"), thing.b))
    places = np.array([[look.x[p.x], look.x[p.y]] for _, p in rows]).reshape(-1, 2)
    return [n for n, _ in rows], [p for _, p in rows], places


def _off_line(look: Looking, line: Straight, places: Floats) -> tuple[Floats, Bools]:
    """(mm off the line, whether between its ends) of places (n, 2)."""
    c, s = math.cos(look.x[line.t]), math.sin(look.x[line.t])
    step = places - (look.x[line.a.x], look.x[line.a.y])
    along, size = step @ (c, s), look.apart(line.a, line.b)
    return np.abs(step @ (-s, c)), (along > REACH) & (along < size - REACH)


def _off_round(look: Looking, thing: Round, places: Floats) -> tuple[Floats, Bools]:
    """(mm off the rim, whether between its ends) of places (n, 2)."""
    step = places - (look.x[thing.c.x], look.x[thing.c.y])
    off = np.abs(np.hypot(*step.T) - look.x[thing.r])
    if thing.a is None:
        return off, np.ones(len(places), dtype=bool)
    turn = (np.arctan2(step[:, 1], step[:, 0]) - look.x[thing.ta]) * thing.turn % math.tau
    margin = REACH / max(float(look.x[thing.r]), REACH)
    return off, (turn > margin) & (turn < abs(look.x[thing.tb] - look.x[thing.ta]) - margin)
