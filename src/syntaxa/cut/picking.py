"""Which contours an operation is about: what its rules let through, and what was named by hand."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

import msgspec
import numpy as np

from syntaxa.cut.contours import Contour, Contours, key_of, numbered_keys
from syntaxa.cut.model import Operation, Pick, Place
from syntaxa.cut.part import Copied, Planned, moved_place
from syntaxa.drawing.descent import RegionRef
from syntaxa.geometry.types import Box

#: Share of the bounds that a region must have in common with the one that was named, to be what became of it.
_ENOUGH = 0.5


class Nested:
    """Where the stock is a sheet of nested parts: what lies on it, and what that was copied from."""

    def __init__(self, plan: Planned) -> None:
        self._sheet = plan.sheet
        self._places = plan.places
        self._from = {c.root: c for c in plan.copied}

    def lets(self, contour: Contour) -> bool:
        """Whether a contour is there to be cut at all."""
        return not self._sheet or contour.sketch == self._sheet

    def sketches(self, contour: Contour) -> set[str]:
        """The sketch of a contour, and that which it was copied from."""
        return {contour.sketch, *(self._from[r].sketch for r in contour.roots if r in self._from)}

    def roots(self, contour: Contour) -> set[str]:
        """The roots of a contour, and those which they were copied from."""
        return {*contour.roots, *(self._from[r].first for r in contour.roots if r in self._from)}

    def firsts(self, contours: Contours) -> dict[str, tuple[str, Copied]]:
        """By the key of each copied contour: the key of the contour that it was copied from, and how it was laid."""
        if not self._from:
            return {}
        rows = [(c, self._from[c.roots[0]]) for c in contours.contours if c.roots and c.roots[0] in self._from]
        # Each copy is numbered as what it was copied from is: by where it lay there.
        by_copy: dict[Copied, list[tuple[Contour, Copied]]] = {}
        for contour, copied in rows:
            alike = Copied("", copied.sketch, "", copied.by)
            by_copy.setdefault(alike, []).append((contour, copied))
        return {key: found for group in by_copy.values() for key, found in self._numbered(group)}

    def _numbered(self, group: list[tuple[Contour, Copied]]) -> Iterator[tuple[str, tuple[str, Copied]]]:
        keys = [key_of(copied.sketch, (self._from[r].first for r in c.roots if r in self._from)) for c, copied in group]
        twice = len(set(keys)) < len(keys)
        ranks = [(c.bounds != "outer", _laid_back(c, copied) if twice else c.box) for c, copied in group]
        for (contour, copied), key in zip(group, numbered_keys(keys, ranks), strict=True):
            yield contour.key, (key, copied)

    def places(self, contours: Contours) -> tuple[Place, ...]:
        """What was set by hand, on copies that have nothing of their own as on what they were copied from."""
        own = {(p.operation, p.contour) for p in self._places}
        by_first: dict[str, list[Place]] = {}
        for place in self._places:
            by_first.setdefault(place.contour, []).append(place)
        more = [
            msgspec.structs.replace(moved_place(place, copied.by), contour=key)
            for key, (first, copied) in self.firsts(contours).items()
            for place in by_first.get(first, ())
            if (place.operation, key) not in own
        ]
        return (*self._places, *more)


def _laid_back(contour: Contour, copied: Copied) -> Box:
    """The box (mm) of a contour where it was copied from."""
    places = copied.by.inverse().points(contour.rows[:, :2])
    return replace(contour, rows=np.column_stack([places, contour.rows[:, 2]])).box


def picked(operation: Operation, contours: Contours, nested: Nested) -> tuple[list[int], list[str]]:
    """(numbers of the contours, what was named and is gone, in sentences)."""
    pick = operation.pick
    found: dict[int, None] = {}
    if not pick.by_hand_only:
        found |= dict.fromkeys(k for k, c in enumerate(contours.contours) if _lets(operation, c, nested))
    gone = []
    for ref in pick.regions:
        part = _part(ref, contours)
        if part is None:
            gone.append(f"A region of {ref.sketch} is no longer there.")
        else:
            found |= dict.fromkeys(contours.parts[part].contours)
    for root in pick.roots:
        mine = [k for k, c in enumerate(contours.contours) if root in nested.roots(c)]
        if not mine:
            gone.append(f"#{root} is no longer there.")
        found |= dict.fromkeys(mine)
    left_out = set(pick.without)
    there = [k for k in sorted(found) if nested.lets(contours.contours[k])]
    if left_out:
        firsts = nested.firsts(contours)
        left_out |= {key for key, (first, _) in firsts.items() if first in left_out}
    return [k for k in there if contours.contours[k].key not in left_out], gone


def _lets(operation: Operation, contour: Contour, nested: Nested) -> bool:
    pick = operation.pick
    if not _fits_kind(operation, contour):
        return False
    if pick.sketches and not nested.sketches(contour) & set(pick.sketches):
        return False
    if pick.layers and not contour.layers & set(pick.layers):
        return False
    if pick.colours and not contour.colours & set(pick.colours):
        return False
    if pick.roles and not contour.roles & set(pick.roles):
        return False
    return _by_size(pick, contour) and _by_nest(pick, contour)


def _fits_kind(operation: Operation, contour: Contour) -> bool:
    """Lines are only followed; drills and bores want circles."""
    if operation.kind in ("drill", "bore"):
        return contour.circle is not None
    return contour.closed or operation.kind == "follow"


def _by_size(pick: Pick, contour: Contour) -> bool:
    if pick.round_from is None and pick.round_to is None:
        return True
    if contour.circle is None:
        return False
    # Received diameters are as good as the drawing's digits.
    across, hair = 2 * contour.circle[2], 1e-3
    low, high = pick.round_from or 0.0, pick.round_to
    return across >= low - hair and (high is None or across <= high + hair)


def _by_nest(pick: Pick, contour: Contour) -> bool:
    if pick.nest == "all":
        return True
    if pick.nest == "outer":
        return contour.bounds == "outer" and contour.depth == 0
    if pick.nest == "inner":
        return contour.bounds == "hole"
    return contour.bounds == "outer" and contour.depth > 0


def _part(ref: RegionRef, contours: Contours) -> int | None:
    """The part that a named region has become: the one with most of its bounds, nearest to its point."""
    wanted = set(ref.bounds)
    best: tuple[float, float, int] | None = None
    for k, part in enumerate(contours.parts):
        mine = set(part.ref.bounds)
        share = len(wanted & mine) / len(wanted | mine) if wanted | mine else 0.0
        if share < _ENOUGH:
            continue
        key = (share, -part.ref.inside.distance_to(ref.inside), k)
        best = key if best is None or key > best else best
    return None if best is None else best[2]
