"""Ways into and out of a closed contour, over the waste: every place of one keeps the radius from all parts.

A lead is as large as asked for where there is room, else smaller, else straight; where nothing is clear there is
none, and the contour is begun on itself. All contours are tried together, one wish after the other, so that each test
is one
call.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.cut.model import LeadKind
from syntaxa.cut.paths.along import Along
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.nearest import nearest_within
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.types import Bools, Floats

#: Shares of the wanted size that are tried, and how many places of a contour.
_SIZES = (1.0, 0.7, 0.5, 0.35, 0.25, 0.15)
_PLACES = 8

#: Bulge of a quarter circle.
_QUARTER = math.tan(math.pi / 8)

#: mm by which a lead may come nearer than the radius: what rounding leaves.
SLACK = 1e-6


@dataclass(frozen=True, slots=True, eq=False)
class Lead:
    """Where a contour is begun (mm along it), and the rows of the way in that ends there; None where there is none."""

    at: float
    rows: Floats | None
    kind: LeadKind
    size: float


def way_in(along: Along, at: float, kind: LeadKind, size: float, side: float = 1.0) -> Floats:
    """Rows (2, 3) of a way onto a contour: a quarter circle that comes to it along its direction, or a line across.

    side  1 where the waste is on the left of the contour, -1 on the right
    """
    place, way = along.place(at), along.way(at)
    waste = side * np.array([-way[1], way[0]])
    if kind == "line":
        return np.array([[*(place + size * waste), 0.0], [*place, 0.0]])
    return np.array([[*(place + size * waste - size * way), side * _QUARTER], [*place, 0.0]])


def way_out(along: Along, at: float, kind: LeadKind, size: float, side: float = 1.0) -> Floats:
    """The same the other way: rows from the contour into the waste."""
    place, way = along.place(at), along.way(at)
    waste = side * np.array([-way[1], way[0]])
    if kind == "line":
        return np.array([[*place, 0.0], [*(place + size * waste), 0.0]])
    return np.array([[*place, side * _QUARTER], [*(place + size * waste + size * way), 0.0]])


def starts_of(along: Along) -> list[float]:
    """Places where a contour may be begun, best first: middles of its longest pieces, then its corners."""
    order = np.argsort(-along.lengths, kind="stable")
    middles = along.middles()[order].tolist()
    corners = along.begins[:-1].tolist()
    return [*middles[:_PLACES], *corners[: _PLACES // 2]]


def clear_leads(
    contours: Sequence[Along],
    profiles: CurveArray,
    radius: float,
    wishes: Sequence[tuple[LeadKind, float]],
    asked: Sequence[float | None],
    side: float = 1.0,
    most: int = 4,
) -> list[list[Lead]]:
    """For each contour up to so many clear ways in, the best sizes only; a plain start where there is none.

    wishes  kind and size (mm) for each; asked  the place (mm along) where it is to be begun, None for the best
    """
    found: list[list[Lead]] = [[] for _ in contours]
    places = [starts_of(a) if s is None else [s] for a, s in zip(contours, asked, strict=True)]
    for share in _SIZES:
        for kinds in (("arc", "line"), ("line", "line")):
            waiting = [k for k in range(len(contours)) if not found[k] and wishes[k][0] != "none" and wishes[k][1] > 0]
            lot: list[tuple[int, float, LeadKind, float, Floats]] = []
            for k in waiting:
                kind: LeadKind = "arc" if wishes[k][0] == kinds[0] == "arc" else "line"
                size = wishes[k][1] * share
                lot += [(k, s, kind, size, way_in(contours[k], s, kind, size, side)) for s in places[k]]
            for (k, s, kind, size, rows), fine in zip(
                lot, are_clear([x[4] for x in lot], profiles, radius), strict=True
            ):
                if fine and len(found[k]) < most:
                    found[k].append(Lead(s, rows, kind, size))
    for k, leads in enumerate(found):
        if not leads:
            leads += [Lead(s, None, "none", 0.0) for s in places[k][:most]]
    return found


def are_clear(runs: Sequence[Floats], profiles: CurveArray, radius: float) -> Bools:
    """Which open runs keep the radius (mm) from all profiles, (n,) bool; exact."""
    if not runs:
        return np.zeros(0, dtype=bool)
    pieces = [pieces_of_rows(rows, False) for rows in runs]
    of = np.repeat(np.arange(len(runs)), [len(p) for p in pieces])
    if not len(profiles):
        return np.ones(len(runs), dtype=bool)
    apart = nearest_within(CurveArray.joined(pieces), profiles, radius)
    near = np.bincount(of[apart < radius - SLACK], minlength=len(runs))
    return np.asarray(near == 0)
