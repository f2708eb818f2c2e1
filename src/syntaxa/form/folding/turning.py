"""Turned parts: an end view of circles about one centre, and a view that is the same on both sides of its axis."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.form.folding.model import ROLES, Folded, Role, View
from syntaxa.form.model import Frame, Profile, Space
from syntaxa.form.profiles import profiles_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Floats
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: mm2, and share of points that may have no mirror image across the axis.
_SLIVER, _LOPSIDED = 1e-2, 0.15

#: mm within which round outlines are followed.
_FINE = 0.005


@dataclass(frozen=True)
class Lathe:
    """Regions to be turned about x of a frame, and circles of the end view that are holes through the part."""

    profiles: tuple[Profile, ...]
    frame: Frame
    side: Role
    end: Role
    holes: tuple[tuple[Circle, str], ...]
    length: float


def lathe_of(laid: Folded, tolerance: float) -> Lathe | None:
    """How it is turned; None where it is no turned part."""
    for end in laid.views:
        a, b, axis, _ = ROLES[end.role]
        middle = laid.size[a] / 2, laid.size[b] / 2
        circles = [s for s in end.shapes if isinstance(s, Circle)]
        about = [c for c in circles if math.dist(tuple(c.centre), middle) <= 2 * tolerance]
        largest = max((c.radius for c in about), default=0.0)
        if not about or any(abs(2 * largest - laid.size[k]) > 3 * tolerance for k in (a, b)):
            continue
        for side in laid.views:
            if side is not end and axis in ROLES[side.role][:2]:
                found = _from(laid, end, side, about, tolerance)
                if found is not None:
                    return found
    return None


def _from(laid: Folded, end: View, side: View, about: Sequence[Circle], tolerance: float) -> Lathe | None:
    axis = ROLES[end.role][2]
    along = 0 if ROLES[side.role][0] == axis else 1
    centre = laid.size[ROLES[side.role][1 - along]] / 2
    pieces = _pieces(side, along, centre)
    if not pieces or not _is_even(np.array([p for piece in pieces for p in piece[:2]]), tolerance):
        return None
    radii = np.array(sorted({round(c.radius, 3) for c in about}))
    half, hidden = _half(pieces, radii, tolerance)
    half.append(Curve("axis", Line(Point(0.0, 0.0), Point(laid.size[axis], 0.0)), ""))
    limits = Tolerances(merge=max(1e-4, tolerance / 20))
    regions = [p for p in profiles_of(half, side.role, limits) if p.region.area > _SLIVER]
    solid = [p for p in regions if not _is_void(p, hidden, tolerance)]
    if not solid:
        return None
    drawn = {round(abs(s.start[1]), 2) for p in solid for loop in p.loops for s in loop}
    bores: list[tuple[Circle, str]] = []
    if not any(side.hidden):
        bores += [
            (c, "a bore whose depth is not drawn: through")
            for c in about
            if not any(abs(c.radius - r) <= 2 * tolerance for r in drawn)
        ]
    about_ids = {id(c) for c in about}
    bores += [
        (s, "a hole beside the axis: through") for s in end.shapes if isinstance(s, Circle) and id(s) not in about_ids
    ]
    frame = _frame(axis, ROLES[end.role][:2], laid.size)
    return Lathe(tuple(solid), frame, side.role, end.role, tuple(bores), laid.size[axis])


_Piece = tuple[tuple[float, float], tuple[float, float], bool]


def _pieces(side: View, along: int, centre: float) -> list[_Piece]:
    """Straight pieces (along the axis, away from it), and whether they are hidden."""

    def placed(x: float, y: float) -> tuple[float, float]:
        return (x, y - centre) if along == 0 else (y, x - centre)

    out: list[_Piece] = []
    for shape, hidden in zip(side.shapes, side.hidden, strict=True):
        if isinstance(shape, Line | Arc | Polyline):
            run = [placed(x, y) for x, y in shape.flattened(_FINE).tolist()]
            out += [(p, q, hidden) for p, q in pairwise(run)]
    return out


def _is_even(points: Floats, tolerance: float) -> bool:
    """Whether places above the axis have their images below it."""
    up, down = points[points[:, 1] > tolerance], points[points[:, 1] < -tolerance]
    if not len(up) or not len(down):
        return False
    off, _ = spatial.cKDTree(down * [1, -1]).query(up)
    return bool((off > 3 * tolerance).mean() <= _LOPSIDED)


def _half(pieces: Sequence[_Piece], radii: Floats, tolerance: float) -> tuple[list[Curve], set[str]]:
    """What lies above the axis, cut off there, and the names of what is hidden of it."""
    curves: list[Curve] = []
    hidden: set[str] = set()
    for p, q, is_hidden in pieces:
        if max(p[1], q[1]) <= tolerance:
            continue
        level = abs(p[1] - q[1]) < tolerance
        if is_hidden and level and not (len(radii) and np.abs(radii - p[1]).min() <= 2 * tolerance):
            # A hidden line at no circle's radius belongs to something else.
            continue
        a, b = _above(p, q), _above(q, p)
        name = str(len(curves) + 1)
        curves.append(Curve(name, Line(Point(*a), Point(*b)), ""))
        if is_hidden:
            hidden.add(name)
    return curves, hidden


def _above(p: tuple[float, float], q: tuple[float, float]) -> tuple[float, float]:
    """A place, or where the way from it to another one comes up over the axis."""
    if p[1] >= 0:
        return p
    share = -p[1] / (q[1] - p[1])
    return p[0] + share * (q[0] - p[0]), 0.0


def _is_void(profile: Profile, hidden: set[str], tolerance: float) -> bool:
    """Whether the upper side of a region is mostly hidden: it is a bore."""
    top = covered = 0.0
    for loop in profile.loops:
        for span in loop:
            width = span.start[0] - span.end[0]
            if width > 0 and abs(span.start[1] - span.end[1]) < tolerance:
                top += width
                covered += width if span.name.split("[", 1)[0] in hidden else 0.0
    return top > 0 and covered / top > 0.5


def _frame(axis: int, across: tuple[int, int], size: Sequence[float]) -> Frame:
    """A plane with x along the axis of the lathe, through the middle of the end view."""
    origin, x, y = [0.0] * 3, [0.0] * 3, [0.0] * 3
    for k in across:
        origin[k] = size[k] / 2
    x[axis], y[across[1]] = 1.0, 1.0
    return Frame(_space(origin), _space(x), _space(y))


def _space(at: Sequence[float]) -> Space:
    return at[0], at[1], at[2]
