"""How deep what is seen in each region of a view lies, read from the other views.

A depth is possible where another view has lines at that level all along the region. Regions that touch differ in depth,
and between them the other view shows the wall. All regions of a view are settled together: iterated conditional modes
(J. Besag, "On the statistical analysis of dirty pictures", J. R. Statist. Soc. B 48 (1986)), begun several times.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from syntaxa.form.folding.laying import covered, drawn_along
from syntaxa.form.folding.model import ROLES, Depth, Folded, Seen, Slope, View
from syntaxa.form.model import Profile, Span
from syntaxa.form.profiles import profiles_of
from syntaxa.geometry.shapes import Line
from syntaxa.geometry.types import Floats, Ints

#: mm2; what is smaller is a sliver between lines that should be one.
_SLIVER = 1e-2

#: Costs: a level that is not drawn, distance from the eye, nothing at all where the silhouette is, a round or sloping
#: face, two regions that touch at one depth, and one of them round.
_UNDRAWN, _FAR, _EMPTY, _ROUND, _SAME, _BESIDE_ROUND = 4.0, 0.15, 6.0, 0.9, 3.0, 0.4

#: Beginnings, rounds of each, and how much worse a label may be to be drawn by lot at a beginning.
_BEGINNINGS, _ROUNDS, _SLACK = 6, 12, 1.0

#: Share of a region's extent along which a level must be drawn to be believed, and to be tried.
_DRAWN, _SURE, _MAYBE = 0.97, 0.5, 0.9

#: Other depths of a region that are tried at most.
_MOST_OTHERS = 4

_LEAST = 1e-9


def regions_of(view: View, with_hidden: bool) -> list[Profile]:
    """The regions of a view."""
    return [p for p in profiles_of(view.curves(with_hidden), view.role) if p.region.area > _SLIVER]


def seen_in(laid: Folded, view: View, tolerance: float) -> Iterator[Seen]:
    """For each visible region the depth of what is seen there."""
    regions, others = regions_of(view, with_hidden=False), _others(laid, view)
    axis, high_eye = ROLES[view.role][2], ROLES[view.role][3]
    levels = laid.levels.get(axis, np.zeros(0))
    if not len(levels) or not others or not regions:
        return
    size = laid.size[axis]
    far = 0.0 if high_eye else size
    field = _Labels(laid, view, regions, levels, others, tolerance)
    best = field.settled()
    for i, profile in enumerate(regions):
        wide = field.cover[i]
        order = [k for k in np.argsort(field.unary[i], kind="stable").tolist() if k != best[i]]
        tried: list[Depth] = []
        tried += [None if k == len(levels) else float(levels[k]) for k in order if k == len(levels) or wide[k] > _MAYBE]
        del tried[_MOST_OTHERS:]
        if best[i] == len(levels):
            slopes = _slopes(profile, view, others, tolerance)
            if slopes:
                yield Seen(view.role, profile, slopes[0], 0.9, "on a slope", (*slopes[1:], None, *tried))
            else:
                yield Seen(view.role, profile, None, 0.0, "round or sloping", tuple(tried))
            continue
        level, sure = float(levels[best[i]]), float(wide[best[i]])
        through = abs(level - far) <= tolerance
        if sure < _SURE and not through:
            yield Seen(view.role, profile, None, 0.0, "not found in the other views", tuple(tried))
            continue
        yield Seen(view.role, profile, level, sure, "through" if through else f"seen at {level:.6g} mm", tuple(tried))


def hidden_in(laid: Folded, view: View, tolerance: float) -> Iterator[Seen]:
    """Regions with a hidden side that are open to the far side of the part: as seen from behind."""
    axis, high_eye = ROLES[view.role][2], ROLES[view.role][3]
    far = 0.0 if high_eye else laid.size[axis]
    hidden = {str(n) for n, h in zip(view.numbers, view.hidden, strict=True) if h}
    alone = [c for c, h in zip(view.curves(True), view.hidden, strict=True) if h]
    groups = [regions_of(view, with_hidden=True)]
    groups.append([p for p in profiles_of(alone, view.role) if p.region.area > _SLIVER] if alone else [])
    known = set()
    for profile in (p for group in groups for p in group):
        key = (*(round(x, 2) for x in profile.region.box), round(profile.region.area, 1))
        if key in known or not any(_number(s) in hidden for loop in profile.loops for s in loop):
            continue
        known.add(key)
        best, sure = 0.0, 0.0
        for level in laid.levels.get(axis, np.zeros(0)).tolist():
            share = _walled(laid, view, profile, level, far, tolerance) if abs(level - far) > tolerance else 0.0
            if share > sure + 0.01:
                best, sure = level, share
        if sure > _MAYBE:
            yield Seen(view.role, profile, best, sure, f"hidden, from behind to {best:.6g} mm")


def _walled(laid: Folded, view: View, profile: Profile, level: float, far: float, tolerance: float) -> float:
    """Share of the floor and the walls of a pocket from behind that the other views show."""
    axis, share = ROLES[view.role][2], 1.0
    for common, other in _others(laid, view):
        low, high = _extent(view, profile, common)
        share = min(share, covered(drawn_along(other, common, level, tolerance / 2), low, high))
        for end in (low, high):
            share = min(share, covered(drawn_along(other, axis, end, tolerance / 2), *sorted((level, far))))
    return share


def _others(laid: Folded, view: View) -> list[tuple[int, View]]:
    """The views that show the depth of this one, each with the axis that both have."""
    u, v, axis, _ = ROLES[view.role]
    found = []
    for other in laid.views:
        own = ROLES[other.role][:2]
        if other is not view and axis in own:
            common = own[0] if own[1] == axis else own[1]
            if common in (u, v):
                found.append((common, other))
    return found


def _extent(view: View, profile: Profile, axis: int) -> tuple[float, float]:
    k = 0 if ROLES[view.role][0] == axis else 1
    return profile.region.box[k], profile.region.box[k + 2]


def _number(span: Span) -> str:
    """The number of the curve that a span is of."""
    return span.name.split("[", 1)[0].split("/", 1)[0]


@dataclass(frozen=True)
class _Border:
    """What two regions have in common: its share of the smaller one's outline, and what walls there cost by labels."""

    share: float
    walls: Floats


class _Labels:
    """A label for each region: a level, or (the last one) something round or sloping."""

    def __init__(
        self, laid: Folded, view: View, regions: list[Profile], levels: Floats, others: list[tuple[int, View]],
        tolerance: float,
    ) -> None:  # fmt: skip
        axis, high_eye = ROLES[view.role][2], ROLES[view.role][3]
        size = laid.size[axis]
        near, far = (size, 0.0) if high_eye else (0.0, size)
        self._count = len(levels)
        self.cover = np.ones((len(regions), self._count))
        for common, other in others:
            for j, level in enumerate(levels.tolist()):
                runs = drawn_along(other, common, level, tolerance / 2)
                for i, profile in enumerate(regions):
                    share = covered(runs, *_extent(view, profile, common))
                    self.cover[i, j] = min(self.cover[i, j], share)
        missing = np.where(self.cover > _DRAWN, 0.0, np.minimum(1.0, 1.5 * (1 - self.cover)))
        unary = _UNDRAWN * missing + _FAR * np.abs(levels - near)[None, :] / max(size, _LEAST)
        # Nothing at all can only be inside: what touches the silhouette is part of the thing.
        unary[sorted(_outermost(regions)), int(np.abs(levels - far).argmin())] += _EMPTY
        self.unary = np.column_stack([unary, np.full(len(regions), _ROUND)])
        self._borders = {
            pair: _Border(share, _walls(view, spans, levels, others, tolerance))
            for pair, (share, spans) in _touching(regions).items()
        }

    def settled(self) -> Ints:
        """The labels that cost least."""
        first = self.unary.argmin(axis=1)
        best, least = first, self._cost(first)
        drawn = np.random.default_rng(0)
        for beginning in range(_BEGINNINGS):
            label = first.copy()
            if beginning:
                label = np.array([drawn.choice(np.flatnonzero(u <= u.min() + _SLACK)) for u in self.unary])
            self._settle(label)
            cost = self._cost(label)
            if cost < least - 1e-9:
                best, least = label, cost
        return np.asarray(best)

    def _settle(self, label: Ints) -> None:
        for _ in range(_ROUNDS):
            changed = False
            # Small ones first: holes give way, not what is round them.
            for i in range(len(label) - 1, -1, -1):
                cost = self.unary[i] + sum(
                    (self._beside(pair, border, i, label) for pair, border in self._borders.items() if i in pair),
                    np.zeros(self._count + 1),
                )
                k = int(cost.argmin())
                changed |= k != label[i]
                label[i] = k
            if not changed:
                return

    def _beside(self, pair: tuple[int, int], border: _Border, i: int, label: Ints) -> Floats:
        """What each label of a region costs beside that of another one."""
        other = label[pair[1] if pair[0] == i else pair[0]]
        cost = border.share * (border.walls[:, other] if pair[0] == i else border.walls[other, :])
        if other < self._count:
            cost[other] = _SAME * border.share
        return cost

    def _cost(self, label: Ints) -> float:
        total = float(self.unary[np.arange(len(label)), label].sum())
        for (i, j), border in self._borders.items():
            a, b = int(label[i]), int(label[j])
            total += border.share * (_SAME if a == b < self._count else float(border.walls[a, b]))
        return total


def _slopes(profile: Profile, view: View, others: list[tuple[int, View]], tolerance: float) -> list[Slope]:
    """Sloping lines of other views that run along the whole of a region."""
    found = []
    for common, other in others:
        first = ROLES[other.role][0] == common
        low, high = _extent(view, profile, common)
        for shape in other.shapes:
            if not isinstance(shape, Line):
                continue
            ends = sorted((p.x, p.y) if first else (p.y, p.x) for p in (shape.start, shape.end))
            (a0, w0), (a1, w1) = ends
            if min(a1 - a0, abs(w1 - w0)) > tolerance and a0 <= low + tolerance and a1 >= high - tolerance:
                found.append(Slope(common, a0, w0, a1, w1))
    return found


def _stretches(regions: list[Profile]) -> dict[tuple[str, ...], list[tuple[int, Span]]]:
    """Which regions each stretch of a curve bounds."""
    at: dict[tuple[str, ...], list[tuple[int, Span]]] = {}
    for i, profile in enumerate(regions):
        for loop in profile.loops:
            for span in loop:
                key = (span.name,) if span.kind == "circle" else (span.name, *sorted((span.tail, span.head)))
                at.setdefault(key, []).append((i, span))
    return at


def _outermost(regions: list[Profile]) -> set[int]:
    """Regions with a stretch that no other region has: they reach the silhouette."""
    return {own[0][0] for own in _stretches(regions).values() if len(own) == 1}


def _touching(regions: list[Profile]) -> dict[tuple[int, int], tuple[float, list[Span]]]:
    """Pairs of regions with something in common: its share of the smaller one's outline, and the stretches."""
    total = [sum(_length(s) for loop in p.loops for s in loop) for p in regions]
    common: dict[tuple[int, int], list[Span]] = {}
    for own in _stretches(regions).values():
        if len(own) == 2 and own[0][0] != own[1][0]:
            i, j = sorted((own[0][0], own[1][0]))
            common.setdefault((i, j), []).append(own[0][1])
    return {
        (i, j): (sum(map(_length, spans)) / max(min(total[i], total[j]), _LEAST), spans)
        for (i, j), spans in common.items()
    }


def _length(span: Span) -> float:
    if span.kind in ("arc", "circle"):
        return float(abs(span.data[4]) * span.data[2])
    return math.hypot(span.end[0] - span.start[0], span.end[1] - span.start[1])


def _walls(view: View, spans: list[Span], levels: Floats, others: list[tuple[int, View]], tolerance: float) -> Floats:
    """What a wall between two levels costs, (levels + 1, levels + 1): twice the share that other views do not show."""
    axis, count = ROLES[view.role][2], len(levels)
    cost, walls = np.zeros((count, count)), 0
    for common, other in others:
        k = 0 if ROLES[view.role][0] == common else 1
        for place in sorted({round(p, 4) for s in spans for p in _places(s, k, tolerance)}):
            runs = drawn_along(other, axis, place, tolerance / 2)
            steps = [covered(runs, a, b) * (b - a) for a, b in pairwise(levels.tolist())]
            up_to = np.concatenate([[0.0], np.cumsum(steps)])
            span = np.abs(levels[:, None] - levels[None, :])
            shown = np.abs(up_to[:, None] - up_to[None, :]) / np.maximum(span, _LEAST)
            cost += 2.0 * (1 - np.minimum(shown, 1.0))
            walls += 1
    out = np.full((count + 1, count + 1), _BESIDE_ROUND)
    out[:count, :count] = cost / walls if walls else cost
    return out


def _places(span: Span, k: int, tolerance: float) -> Iterator[float]:
    """Where a wall over a stretch would be seen from the side: the line itself, or the ends of a round."""
    if span.kind == "line":
        if abs(span.start[k] - span.end[k]) <= tolerance / 2:
            yield (span.start[k] + span.end[k]) / 2
    elif span.kind in ("arc", "circle"):
        middle, radius = span.data[k], span.data[2]
        angles = np.linspace(span.data[3], span.data[3] + span.data[4], 33)
        along = middle + radius * (np.cos(angles) if k == 0 else np.sin(angles))
        for end in (middle - radius, middle + radius):
            if along.min() - 1e-2 <= end <= along.max() + 1e-2:
                yield end
