"""Healing against what a user would otherwise call: union of facets, then polygonize. Also how the cost grows.

Run it with `make bench`. On the suite `all` the healing must be faster than GEOS on the same curves as facets.
"""

from __future__ import annotations

import resource
import sys
import time
from pathlib import Path

import numpy as np
import shapely

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))
from specimens import damage, damaged, polygon

from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.heal import heal
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.regions import regions_of
from syntaxa.mend.telling import everything
from syntaxa.mend.tolerance import auto_tolerances

SUITES = (
    ("all", 40), ("all", 160), ("all", 500), ("gap.05", 500), ("facet", 500), ("coarse", 200), ("dangle", 200)
)  # fmt: skip


SUITES = (("all", 40), ("all", 160), ("all", 500), ("gap.05", 500), ("facet", 500), ("coarse", 200), ("dangle", 200))


def ours(curves):
    pieces = pieces_of(curves, 0.001)
    healed = heal(pieces, auto_tolerances(pieces, Tolerances()), 3.0, everything)
    return regions_of(healed.edges, pieces.ids, "0")


def theirs(curves):
    facets = [c.shape.flattened(1e-3) for c in curves]
    counts = [len(f) for f in facets]
    lines = shapely.linestrings(np.concatenate(facets), indices=np.repeat(np.arange(len(facets)), counts))
    return shapely.get_parts(shapely.polygonize(shapely.get_parts(shapely.unary_union(lines))))


def timed(work, curves):
    began = time.perf_counter()
    result = work(curves)
    return time.perf_counter() - began, result


def main() -> int:
    missed = 0
    heads = f"{'suite':<10}{'curves':>8}{'true':>6}{'ours right/false/sliver':>26}{'s':>8}"
    print(f"{heads}{'GEOS right':>12}{'s':>8}{'ratio':>7}")
    for suite, loops in SUITES:
        truth, curves = damaged(suite, 1, loops)
        seconds, regions = timed(ours, curves)
        their_seconds, polygons = timed(theirs, curves)
        score = damage.score(truth, [polygon(r) for r in regions])
        their_score = damage.score(truth, list(polygons))
        right = f"{score['ok']}/{score['spurious']}/{score['slivers']}"
        ratio = seconds / their_seconds
        print(
            f"{suite:<10}{len(curves):>8}{score['true']:>6}{right:>26}{seconds:>8.2f}{their_score['ok']:>12}"
            f"{their_seconds:>8.2f}{ratio:>7.2f}"
        )
        missed += suite == "all" and loops == 500 and ratio >= 1
    print(f"peak memory {resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024:.0f} MB")
    return 1 if missed else 0


if __name__ == "__main__":
    sys.exit(main())
