"""Facets that lie on the smooth curve that they stand for: a spline, ellipse, circle or arc, drawn once more in lines.

Lines and straight polylines count as facets of a smooth curve where all their vertices lie on it and no facet leaves it
by more than a stated sagitta; at least three of them, over at least half of its length, or a chord would be one.
Cost: n log n.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.nearest import points_beside
from syntaxa.geometry.points import Point
from syntaxa.geometry.ragged import grouped
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Ints
from syntaxa.mend.model import Finding, Pieces

#: mm; how far a facet may leave the smooth curve.
_SAGITTA = 0.1

_FEWEST = 3
_LEAST_COVER = 0.5


@dataclass(frozen=True, slots=True)
class Faceted:
    """A smooth curve and the facets that lie on it (ids), with the finding that tells it."""

    smooth: str
    facets: tuple[str, ...]
    finding: Finding


def faceted_twins(curves: Sequence[Curve], pieces: Pieces, tolerances: Tolerances) -> list[Faceted]:
    """All smooth curves of a sketch that lie there once more as facets."""
    smooth = np.array([isinstance(c.shape, Spline | EllipseArc | Circle | Arc) for c in curves], dtype=bool)
    straight = np.array([_is_straight(c) for c in curves], dtype=bool)
    if not smooth.any() or np.count_nonzero(straight) < 1:
        return []
    owner = pieces.curves.owner
    target, facet = np.flatnonzero(smooth[owner]), np.flatnonzero(straight[owner])
    on = 2 * tolerances.fit + tolerances.merge
    smooth_ones = pieces.curves.take(target)
    holds = np.empty(0, dtype=np.int64)
    for share, limit in ((0.0, on), (1.0, on), (0.5, _SAGITTA)):
        points = pieces.curves.take(facet).points_at(np.full(len(facet), share))
        row, piece, _ = points_beside(smooth_ones, points, limit)
        both = np.unique(smooth_ones.owner[piece] * len(facet) + row)
        holds = np.intersect1d(holds, both, assume_unique=True) if share else both
        if not len(holds):
            return []
    which, row = np.divmod(holds, len(facet))
    return _told(curves, pieces, which, facet[row])


def _is_straight(curve: Curve) -> bool:
    shape = curve.shape
    return isinstance(shape, Line) or (isinstance(shape, Polyline) and not any(shape.bulges))


def _told(curves: Sequence[Curve], pieces: Pieces, which: Ints, facet: Ints) -> list[Faceted]:
    """The smooth curves of which enough lies under facets; a polyline counts if all of it lies there."""
    owner = pieces.curves.owner
    lengths = pieces.curves.lengths()
    parts, sizes = np.bincount(owner, minlength=len(curves)), np.bincount(owner, lengths, minlength=len(curves))
    first, at = grouped(which, len(curves))
    found: list[Faceted] = []
    used = np.zeros(len(curves), dtype=bool)
    for smooth in np.unique(which).tolist():
        own = facet[at[first[smooth] : first[smooth + 1]]]
        of, count = np.unique(owner[own], return_counts=True)
        whole = of[count == parts[of]]
        own = own[np.isin(owner[own], whole)]
        own = own[~used[owner[own]]]
        total = float(lengths[own].sum())
        if len(own) < _FEWEST or total < _LEAST_COVER * float(sizes[smooth]):
            continue
        gone = np.unique(owner[own])
        used[gone] = True
        ids = tuple(curves[k].id for k in gone.tolist())
        name = curves[smooth].id
        place = Point(*pieces.curves.take(own[:1]).points_at(np.array([0.5]))[0].tolist())
        finding = Finding(
            "duplicate",
            f"duplicate:{name}~{'+'.join(ids)}",
            place,
            total,
            (*ids, name),
            "Keep the smooth curve, drop its facets",
            confidence=0.9,
            choices=("other",),
        )
        found.append(Faceted(name, ids, finding))
    return found
