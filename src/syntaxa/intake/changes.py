"""What changed between two drawings, curve by curve and layer by layer.

Curves are matched in four rounds, each taking what the one before left: the same shape in the same place on the same
layer; the same shape in the same place on another layer; the same handle; the same shape elsewhere, nearest first.
Directions do not count. Cost: n log n.
"""

from __future__ import annotations

import itertools
import math
from collections import defaultdict
from collections.abc import Callable, Hashable, Iterable, Sequence
from dataclasses import dataclass

from syntaxa.drawing.model import Curve, Drawing
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import ROUNDING


@dataclass(frozen=True, slots=True)
class Moved:
    """A curve that is there in both, changed: moved, given another shape, or put on another layer."""

    before: Curve
    after: Curve
    distance: float

    @property
    def relayered(self) -> bool:
        """Whether it only changed its layer."""
        return self.distance == 0.0 and self.before.layer != self.after.layer


@dataclass(frozen=True, slots=True)
class LayerChanges:
    """How many curves of a layer were added, removed, moved, and stayed as they were."""

    layer: str
    added: int
    removed: int
    moved: int
    same: int


@dataclass(frozen=True, slots=True)
class Changes:
    """All that changed."""

    added: tuple[Curve, ...]
    removed: tuple[Curve, ...]
    moved: tuple[Moved, ...]
    same: int
    layers: tuple[LayerChanges, ...]

    def __bool__(self) -> bool:
        return bool(self.added or self.removed or self.moved)

    def sentence(self) -> str:
        """All of it in a few words."""
        parts = [(len(self.added), "added"), (len(self.removed), "removed"), (len(self.moved), "moved or changed")]
        said = ", ".join(f"{count} {what}" for count, what in parts if count)
        return f"{said}; {self.same} as before" if said else "No curve changed"


def compare(old: Drawing, new: Drawing) -> Changes:
    """What changed from one drawing to the other."""
    digits = _digits(old, new)
    left_old, left_new = list(old.curves), list(new.curves)
    kept: list[tuple[Curve, Curve]] = []
    moved: list[Moved] = []

    def place_of(curve: Curve) -> Hashable:
        return _place(curve.shape, digits)

    pairs, left_old, left_new = _matched(left_old, left_new, lambda c: (c.layer, place_of(c)))
    kept += pairs
    pairs, left_old, left_new = _matched(left_old, left_new, place_of)
    moved += [Moved(a, b, 0.0) for a, b in pairs]
    pairs, left_old, left_new = _matched(
        left_old, left_new, lambda c: (c.handle, c.layer, c.shape.kind) if c.handle else None
    )
    moved += [Moved(a, b, _distance(a.shape, b.shape)) for a, b in pairs]
    pairs, left_old, left_new = _elsewhere(left_old, left_new, digits)
    moved += [Moved(a, b, _distance(a.shape, b.shape)) for a, b in pairs]
    return Changes(
        tuple(left_new), tuple(left_old), tuple(moved), len(kept), _by_layer(kept, moved, left_old, left_new)
    )


def _digits(old: Drawing, new: Drawing) -> int:
    """Places after the point that count: a billionth of the size of the drawings."""
    boxes = [b for b in (old.extents(), new.extents()) if b is not None]
    size = max((abs(v) for b in boxes for v in b), default=1.0)
    return 8 - math.ceil(math.log10(max(size, ROUNDING)))


def _matched(
    old: Sequence[Curve], new: Sequence[Curve], key: Callable[[Curve], Hashable]
) -> tuple[list[tuple[Curve, Curve]], list[Curve], list[Curve]]:
    """Pairs with one key, in order, and what is left of both; None is no key."""
    waiting: dict[Hashable, list[Curve]] = defaultdict(list)
    for curve in reversed(old):
        waiting[key(curve)].append(curve)
    pairs, left = [], []
    used = set()
    for curve in new:
        own = key(curve)
        if own is not None and waiting.get(own):
            partner = waiting[own].pop()
            used.add(partner.id)
            pairs.append((partner, curve))
        else:
            left.append(curve)
    return pairs, [c for c in old if c.id not in used], left


def _elsewhere(
    old: Sequence[Curve], new: Sequence[Curve], digits: int
) -> tuple[list[tuple[Curve, Curve]], list[Curve], list[Curve]]:
    """Pairs of one form on one layer, the nearest of each first."""
    groups: dict[Hashable, tuple[list[Curve], list[Curve]]] = defaultdict(lambda: ([], []))
    for side, curves in enumerate((old, new)):
        for curve in curves:
            groups[curve.layer, _form(curve.shape, digits)][side].append(curve)
    pairs = []
    for before, after in groups.values():
        if len(before) * len(after) > 250_000:
            # Hundreds of one form: which is which cannot be told, so they go in order.
            pairs += list(zip(before, after, strict=False))
            continue
        ranked = sorted(
            ((_distance(a.shape, b.shape), i, j) for i, a in enumerate(before) for j, b in enumerate(after))
        )
        used_before, used_after = set(), set()
        for _, i, j in ranked:
            if i not in used_before and j not in used_after:
                used_before.add(i)
                used_after.add(j)
                pairs.append((before[i], after[j]))
    gone, come = {a.id for a, _ in pairs}, {b.id for _, b in pairs}
    return pairs, [c for c in old if c.id not in gone], [c for c in new if c.id not in come]


def _by_layer(
    kept: Iterable[tuple[Curve, Curve]], moved: Iterable[Moved], removed: Iterable[Curve], added: Iterable[Curve]
) -> tuple[LayerChanges, ...]:
    count: dict[str, list[int]] = defaultdict(lambda: [0, 0, 0, 0])
    for column, layers in enumerate(
        (
            [c.layer for c in added],
            [c.layer for c in removed],
            [m.after.layer for m in moved],
            [b.layer for _, b in kept],
        )
    ):
        for layer in layers:
            count[layer][column] += 1
    return tuple(LayerChanges(layer, *numbers) for layer, numbers in count.items())


def _middle(shape: Shape) -> Point:
    if isinstance(shape, Circle | Arc | EllipseArc):
        return shape.centre
    points = _defining(shape)
    return Point(sum(p.x for p in points) / len(points), sum(p.y for p in points) / len(points))


def _distance(a: Shape, b: Shape) -> float:
    return _middle(a).distance_to(_middle(b))


def _defining(shape: Line | Polyline | Spline) -> Sequence[Point]:
    if isinstance(shape, Line):
        return (shape.start, shape.end)
    return shape.vertices if isinstance(shape, Polyline) else shape.control_points


def _rounded(value: float, digits: int) -> float:
    # Adding nought makes minus nought plain.
    return round(value, digits) + 0.0


def _place(shape: Shape, digits: int) -> Hashable:
    """Where and what a shape is, whatever its direction."""

    def at(p: Point) -> tuple[float, float]:
        return _rounded(p.x, digits), _rounded(p.y, digits)

    if isinstance(shape, Circle):
        return "circle", at(shape.centre), _rounded(shape.radius, digits)
    if isinstance(shape, Arc):
        first = shape.start_angle if shape.sweep > 0 else shape.start_angle + shape.sweep
        turned = _rounded(first % TURN, 8) % round(TURN, 8)
        return "arc", at(shape.centre), _rounded(shape.radius, digits), turned, _rounded(abs(shape.sweep), 8)
    if isinstance(shape, EllipseArc):
        ends = sorted((at(shape.start), at(shape.end)))
        return "ellipse", at(shape.centre), _rounded(shape.major.length, digits), _rounded(shape.ratio, 8), *ends
    points = [at(p) for p in _defining(shape)]
    more: tuple[float, ...] = ()
    if isinstance(shape, Polyline):
        bulges = [_rounded(b, 8) for b in shape.bulges]
        closed = shape.closed
        backward = [-b + 0.0 for b in reversed(bulges if closed else bulges[:-1])]
        if closed:
            backward = [*backward[1:], backward[0]]
        forward = bulges if closed else bulges[:-1]
        return "polyline", closed, min((tuple(points), tuple(forward)), (tuple(points[::-1]), tuple(backward)))
    if isinstance(shape, Spline):
        more = tuple(_rounded(w, 8) for w in shape.weights)
    return shape.kind, min((tuple(points), more), (tuple(points[::-1]), more[::-1]))


def _form(shape: Shape, digits: int) -> Hashable:
    """What a shape is, wherever it lies and however it is turned."""
    digits = digits - 1
    if isinstance(shape, Circle):
        return "circle", _rounded(shape.radius, digits)
    if isinstance(shape, Arc):
        return "arc", _rounded(shape.radius, digits), _rounded(abs(shape.sweep), 7)
    if isinstance(shape, EllipseArc):
        return "ellipse", _rounded(shape.major.length, digits), _rounded(shape.ratio, 7), _rounded(abs(shape.sweep), 7)
    points = _defining(shape)
    steps = [_rounded(a.distance_to(b), digits) for a, b in itertools.pairwise(points)]
    return shape.kind, tuple(min(steps, steps[::-1]))
