"""Which views a drawing has, and how they belong together.

What touches, and what lies in the box of something, is one picture. A frame with its title block, and pictures that
share no extents with others (an isometric view), are set aside. The front view shares its width with a view over or
under it and its height with one beside it; these two share the depth.

Cost: n log n in the curves; pictures are compared pair by pair, and there are few.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from syntaxa.errors import FormError
from syntaxa.form.folding.model import SEEN, Cluster, Pairing, Role, Side
from syntaxa.geometry.clusters import linked
from syntaxa.geometry.extents import boxes_of
from syntaxa.geometry.shapes import Line, Shape
from syntaxa.geometry.types import Box, Floats, Ints
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: Share of the size of the drawing within which curves touch; and how many places of one stretch are looked at at most.
_REACH, _MOST_PLACES = 0.002, 400

#: Sides of ISO 216 sheets are as 1 to this.
_SHEET = math.sqrt(2.0)

#: Share of their size by which views in line may be out of line.
_IN_LINE = 0.1

#: Neighbours of each picture that are considered.
_FEW = 3


def clusters_of(shapes: Sequence[Shape]) -> tuple[list[Cluster], tuple[int, ...]]:
    """The pictures, largest first, and the numbers of the curves of a frame."""
    boxes = boxes_of(shapes)
    size = float(np.hypot(*(boxes[:, 2:].max(axis=0) - boxes[:, :2].min(axis=0))))
    reach = max(_REACH * size, 1e-9)
    label = _touching(shapes, reach)
    made = [_cluster(np.flatnonzero(label == k), boxes) for k in range(int(label.max()) + 1)]
    frame = _frame(made, shapes)
    if frame is None:
        return _nested(made, reach), ()
    return _nested([c for c in made if c is not frame], reach), frame.curves


def _cluster(own: Ints, boxes: Floats) -> Cluster:
    low, high = boxes[own, :2].min(axis=0), boxes[own, 2:].max(axis=0)
    return Cluster(tuple(own.tolist()), (*low.tolist(), *high.tolist()))


def _touching(shapes: Sequence[Shape], reach: float) -> Ints:
    """The group of each curve: those that come nearer than the reach to one another are of one."""
    places, owner = [], []
    for k, shape in enumerate(shapes):
        run = shape.flattened(max(reach, 1e-3))
        steps = np.maximum(np.ceil(np.hypot(*np.diff(run, axis=0).T) / (2 * reach)), 1).astype(int)
        for a, b, count in zip(run[:-1], run[1:], np.minimum(steps, _MOST_PLACES).tolist(), strict=True):
            places.append(a + (b - a) * np.linspace(0, 1, count + 1)[:, None])
            owner.append(np.full(count + 1, k))
    of = np.concatenate(owner)
    pairs = spatial.cKDTree(np.concatenate(places)).query_pairs(1.5 * reach, output_type="ndarray")
    return linked(of[pairs[:, 0]], of[pairs[:, 1]], len(shapes))[1]


def _frame(made: list[Cluster], shapes: Sequence[Shape]) -> Cluster | None:
    """Level and upright lines round several pictures that do not lie in one another, and about as a sheet is."""
    largest = max(made, key=lambda c: c.width * c.height)
    if len(largest.curves) < 4 or not all(_is_straight(shapes[k]) for k in largest.curves):
        return None
    inside = [c for c in made if c is not largest and _holds(largest.box, c.box)]
    span = max(largest.width, largest.height)
    big = [c for c in _nested(inside, 0.0) if max(c.width, c.height) > 0.04 * span]
    if len(big) < 2 or len(inside) < 0.9 * (len(made) - 1):
        return None
    aligned = any(_alike(a, b, axis) for k, a in enumerate(big) for b in big[k + 1 :] for axis in (0, 1))
    ratio = span / max(min(largest.width, largest.height), 1e-9)
    roomy = sum(c.width * c.height for c in big) < 0.8 * largest.width * largest.height
    as_sheet = abs(ratio - _SHEET) < 0.03
    return largest if aligned and (as_sheet or (roomy and len(largest.curves) > 4)) else None


def _is_straight(shape: Shape) -> bool:
    if not isinstance(shape, Line):
        return False
    way = shape.end - shape.start
    return min(abs(way.x), abs(way.y)) < 1e-6 * max(abs(way.x), abs(way.y), 1e-9)


def _alike(one: Cluster, other: Cluster, axis: int) -> bool:
    size = max(one.box[axis + 2] - one.box[axis], 1e-9)
    return all(abs(one.box[axis + k] - other.box[axis + k]) < _IN_LINE * size for k in (0, 2))


def _holds(outer: Box, inner: Box) -> bool:
    return (
        outer[0] <= inner[0] + 1e-6 and outer[1] <= inner[1] + 1e-6
        and outer[2] >= inner[2] - 1e-6 and outer[3] >= inner[3] - 1e-6
    )  # fmt: skip


def _nested(made: list[Cluster], reach: float) -> list[Cluster]:
    """Pictures whose boxes overlap made one, until none do; largest first."""
    left = sorted(made, key=lambda c: -c.width * c.height)
    k = 0
    while k < len(left):
        a = left[k].box
        own = [
            c for c in left[k + 1 :]
            if a[0] <= c.box[2] + reach and c.box[0] <= a[2] + reach
            and a[1] <= c.box[3] + reach and c.box[1] <= a[3] + reach
        ]  # fmt: skip
        if not own:
            k += 1
            continue
        boxes = np.array([a, *(c.box for c in own)])
        box = (*boxes[:, :2].min(axis=0).tolist(), *boxes[:, 2:].max(axis=0).tolist())
        left[k] = Cluster(tuple(n for c in (left[k], *own) for n in c.curves), box)
        left = [c for c in left if c not in own]
        k = 0
    return sorted(left, key=lambda c: -c.width * c.height)


def pairings_of(clusters: Sequence[Cluster], tolerance: float) -> list[Pairing]:
    """All ways in which pictures can be views of one thing, best first; equal extents may differ by so many mm."""
    found = []
    for front in clusters:
        over = _candidates(front, clusters, 0, tolerance)
        beside = _candidates(front, clusters, 1, tolerance)
        for u in (*over, None):
            for b in (*beside, None):
                if (u is None and b is None) or (u is not None and b is not None and u[1] is b[1]):
                    continue
                found.append(_paired(front, u, b, tolerance))
    return sorted(found, key=lambda p: -p.score)


def _candidates(
    front: Cluster, clusters: Sequence[Cluster], axis: int, tolerance: float
) -> list[tuple[float, Cluster]]:
    scored = [(_fits(front, c, axis, tolerance), c) for c in clusters if c is not front]
    return sorted((s for s in scored if s[0] > 0.05), key=lambda s: -s[0])[:_FEW]


def _fits(one: Cluster, other: Cluster, axis: int, tolerance: float) -> float:
    """How well one picture stands over or beside another one, 0 to 1."""
    apart = max(one.box[1 - axis] - other.box[3 - axis], other.box[1 - axis] - one.box[3 - axis])
    if apart <= 0:
        return 0.0
    size = one.box[axis + 2] - one.box[axis]
    grown = size - (other.box[axis + 2] - other.box[axis])
    moved = (one.box[axis] + one.box[axis + 2] - other.box[axis] - other.box[axis + 2]) / 2
    place = 6 * tolerance + 0.1 * max(size, 1e-9)
    return math.exp(-((grown / (3 * tolerance)) ** 2) - (moved / place) ** 2)


def _paired(
    front: Cluster, over: tuple[float, Cluster] | None, beside: tuple[float, Cluster] | None, tolerance: float
) -> Pairing:
    score = 0.0
    over_side: Side = ""
    beside_side: Side = ""
    if over is not None:
        score += over[0]
        over_side = "above" if over[1].box[1] > front.box[1] else "below"
    if beside is not None:
        score += beside[0]
        beside_side = "right" if beside[1].box[0] > front.box[0] else "left"
    if over is not None and beside is not None:
        off = (over[1].height - beside[1].width) / (3 * tolerance)
        score += math.exp(-off * off) - 0.5
    found = over[1] if over else None, beside[1] if beside else None
    return Pairing(front, found[0], over_side, found[1], beside_side, score)


def named_clusters(shapes: Sequence[Shape], boxes: Sequence[tuple[Role, Box]]) -> list[tuple[Role, Cluster]]:
    """What lies in boxes that somebody drew, each with its role; raises FormError where one is empty."""
    own, found = boxes_of(shapes), []
    for role, (x0, y0, x1, y1) in boxes:
        inside = np.flatnonzero((own[:, 0] >= x0) & (own[:, 1] >= y0) & (own[:, 2] <= x1) & (own[:, 3] <= y1))
        if not len(inside):
            raise FormError(f"Nothing lies in the box of the {role} view.", suggestion="Draw it round the whole view.")
        found.append((role, _cluster(inside, own)))
    return found


def pairing_named(clusters: Sequence[tuple[Role, Cluster]]) -> Pairing:
    """The views as they were named: in third angle, where each is called by where it stands; raises FormError."""
    by_role = dict(clusters)
    if "front" not in by_role or len(by_role) < 2:
        raise FormError("A front view and at least one other are needed.", suggestion="Name them by boxes.")
    places: dict[Role, Side] = {role: side for (method, side), role in SEEN.items() if method == "third"}
    upright = next((r for r in ("top", "bottom") if r in by_role), None)
    beside = next((r for r in ("right", "left") if r in by_role), None)
    return Pairing(
        by_role["front"],
        by_role[upright] if upright else None,
        places[upright] if upright else "",
        by_role[beside] if beside else None,
        places[beside] if beside else "",
        1.0,
    )
