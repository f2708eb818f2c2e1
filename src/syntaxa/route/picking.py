"""Which curves belong with those that were picked: connected ones, closed loops, and ones that are alike.

Glossary: a *chain* is all that can be reached from end to end; a *loop* is the shortest closed way along a curve.
Cost: n log n for the ends (a k-d tree), then linear.
"""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Collection, Iterable, Sequence
from typing import Literal

import numpy as np
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components, dijkstra

from syntaxa.drawing.model import Curve
from syntaxa.drawing.quantities import length_in
from syntaxa.errors import RouteError
from syntaxa.geometry.shapes import Arc, Circle
from syntaxa.geometry.tolerances import HAIR, ROUNDING
from syntaxa.geometry.types import Floats, Ints
from syntaxa.later import Later
from syntaxa.route.model import Appearance, Appearances

spatial = Later("scipy.spatial")

Alike = Literal["layer", "colour", "kind", "radius", "length"]

#: How much two radii or lengths may differ and still be the same, as a share.
_SAME = 1e-6


def chains(curves: Sequence[Curve], reach: float) -> list[list[Curve]]:
    """Curves that hang together over ends no more than `reach` (mm) apart, a list for each chain."""
    if not curves:
        return []
    label = _vertices(curves, reach)
    first, last = label[: len(curves)], label[len(curves) :]
    count = int(label.max()) + 1
    graph = coo_matrix((np.ones(len(curves)), (first, last)), shape=(count, count))
    _, part = connected_components(graph, directed=False)
    found: dict[int, list[Curve]] = {}
    for curve, vertex in zip(curves, first.tolist(), strict=True):
        found.setdefault(int(part[vertex]), []).append(curve)
    return list(found.values())


def connected(curves: Sequence[Curve], picked: Collection[str], reach: float) -> set[str]:
    """Ids of all curves that can be reached from those picked over ends no more than `reach` (mm) apart."""
    return {c.id for chain in chains(curves, reach) if any(c.id in picked for c in chain) for c in chain}


def loop(curves: Sequence[Curve], picked: Collection[str], reach: float) -> set[str]:
    """Ids of the shortest closed loop through each curve that was picked; only itself where it is in none."""
    if not curves:
        return set()
    label = _vertices(curves, reach)
    first, last = label[: len(curves)], label[len(curves) :]
    lengths = np.array([max(c.shape.length, HAIR) for c in curves])
    found = set(picked)
    for k, curve in enumerate(curves):
        if curve.id in picked and not curve.shape.is_closed and first[k] != last[k]:
            found |= {curves[e].id for e in _way_back(first, last, lengths, k)}
    return found


def alike(curves: Sequence[Curve], picked: Collection[str], by: Alike, looks: Appearances) -> set[str]:
    """Ids of all curves with the layer, colour, kind, radius or length of any that was picked."""
    value = _VALUES[by]
    seen = {value(c, looks.of(c)) for c in curves if c.id in picked} - {None}
    numbers = [v for v in seen if isinstance(v, float)]

    def same(v: object) -> bool:
        if isinstance(v, float):
            return any(math.isclose(v, n, rel_tol=_SAME) for n in numbers)
        return v in seen

    return {c.id for c in curves if same(value(c, looks.of(c)))}


def inverted(curves: Iterable[Curve], picked: Collection[str]) -> set[str]:
    """Ids of all that were not picked."""
    return {c.id for c in curves} - set(picked)


def matching(curves: Sequence[Curve], words: str, unit: str, looks: Appearances) -> set[str]:
    """Ids of the curves that a filter means, such as "circles under 3 mm" or "lines over 2in on NOTES".

    The words, each of which can be left out: a kind (lines, arcs, circles, ellipses, splines, polylines, closed, open),
    a bound (under, over, of, with a length, or "between 2 and 5 mm"), and "on" with the name of a layer, * and ?
    allowed. The bound is on the diameter of circles, on "radius" where that is said, else on the length. Numbers
    without a unit are in the given one. Raises RouteError.
    """
    found = _FILTER.fullmatch(words.strip())
    if found is None or not any(found.groups()):
        raise RouteError(
            f"“{words.strip()}” is no filter.",
            suggestion="Try “circles under 3 mm”, “arcs radius 5” or “lines on NOTES”.",
        )
    within = _bound(found, unit)
    kind, layer = (found["kind"] or "").lower().rstrip("s"), found["layer"]
    rule = re.compile(_pattern(layer), re.IGNORECASE) if layer else None
    return {
        c.id
        for c in curves
        if _is_kind(c, kind)
        and (rule is None or rule.fullmatch(looks.of(c).layer))
        and within(_measure(c, bool(found["radius"])))
    }


_FILTER = re.compile(
    r"(?P<kind>lines?|arcs?|circles?|ellipses?|splines?|polylines?|closed|open)?\s*(?:curves?)?\s*"
    r"(?P<radius>(?:with\s+)?radius)?\s*"
    r"(?:(?P<how>under|below|over|above|of|=|<|>)?\s*(?P<bound>[\d.,/'\"″′ ]+[a-zµ\"']*)|"
    r"between\s+(?P<low>[\d.,/'\" ]+?[a-zµ\"']*)\s+and\s+(?P<high>[\d.,/'\" ]+[a-zµ\"']*))?"
    r"\s*(?:on\s+(?:layer\s+)?(?P<layer>.+))?",
    re.IGNORECASE,
)


def _bound(found: re.Match[str], unit: str) -> Callable[[float], bool]:
    if found["low"]:
        low, high = length_in(found["low"], unit), length_in(found["high"], unit)
        return lambda value: low <= value <= high
    if not found["bound"]:
        return lambda _value: True
    limit = length_in(found["bound"], unit)
    how = (found["how"] or "of").lower()
    if how in ("under", "below", "<"):
        return lambda value: value < limit * (1 - ROUNDING)
    if how in ("over", "above", ">"):
        return lambda value: value > limit * (1 + ROUNDING)
    return lambda value: math.isclose(value, limit, rel_tol=1e-6, abs_tol=ROUNDING)


def _pattern(name: str) -> str:
    return "".join(".*" if c == "*" else "." if c == "?" else re.escape(c) for c in name.strip())


def _is_kind(curve: Curve, kind: str) -> bool:
    if kind in ("closed", "open"):
        return curve.shape.is_closed == (kind == "closed")
    return not kind or curve.shape.kind == kind


def _measure(curve: Curve, radius: bool) -> float:
    shape = curve.shape
    if radius:
        return shape.radius if isinstance(shape, Arc | Circle) else math.nan
    return 2 * shape.radius if isinstance(shape, Circle) else shape.length


_VALUES: dict[Alike, Callable[[Curve, Appearance], object]] = {
    "layer": lambda _c, look: look.layer,
    "colour": lambda _c, look: look.colour,
    "kind": lambda _c, look: look.kind,
    "radius": lambda c, _look: c.shape.radius if isinstance(c.shape, Arc | Circle) else None,
    "length": lambda c, _look: c.shape.length,
}


def _vertices(curves: Sequence[Curve], reach: float) -> Ints:
    """Which vertex each start, and then each end, belongs to, (2 n,)."""
    ends = np.array([[*c.shape.start] for c in curves] + [[*c.shape.end] for c in curves])
    pairs = spatial.cKDTree(ends).query_pairs(max(reach, ROUNDING), output_type="ndarray")
    graph = coo_matrix((np.ones(len(pairs)), (pairs[:, 0], pairs[:, 1])), shape=(len(ends), len(ends)))
    _, label = connected_components(graph, directed=False)
    return np.asarray(label, dtype=np.int64)


def _way_back(first: Ints, last: Ints, lengths: Floats, k: int) -> list[int]:
    """Curves of the shortest way from one end of curve k to the other without it, with itself; empty for none."""
    count = int(max(first.max(), last.max())) + 1
    others = [e for e in range(len(first)) if e != k and first[e] != last[e]]
    shortest: dict[tuple[int, int], int] = {}
    for e in others:
        ends = (min(int(first[e]), int(last[e])), max(int(first[e]), int(last[e])))
        if ends not in shortest or lengths[e] < lengths[shortest[ends]]:
            shortest[ends] = e
    rows = np.array([*shortest], dtype=np.int64).reshape(-1, 2)
    weight = np.array([lengths[e] for e in shortest.values()])
    graph = coo_matrix((weight, (rows[:, 0], rows[:, 1])), shape=(count, count)).tocsr()
    away, before = dijkstra(graph, directed=False, indices=int(last[k]), return_predecessors=True)
    here, way = int(first[k]), [k]
    if not np.isfinite(away[here]):
        return []
    while here != int(last[k]):
        nearer = int(before[here])
        way.append(shortest[min(here, nearer), max(here, nearer)])
        here = nearer
    return way
