"""Healing against what a user would otherwise call: union of facets, then polygonize. Also how the cost grows.

Run it with `make bench`. On the suite `all` healing must be faster than GEOS on the same curves as facets, both from
arrays in memory, at about 100, 1,000, 10,000 and 100,000 curves; and its time for a curve may grow with log n.
"""

from __future__ import annotations

import subprocess
import sys
import time
from functools import partial
from pathlib import Path

import numpy as np
import shapely

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))
from specimens import damage, damaged, polygon

from syntaxa.geometry.tolerances import Tolerances
from syntaxa.memory import uncollected
from syntaxa.mend.heal import heal
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.regions import regions_of
from syntaxa.mend.telling import everything
from syntaxa.mend.tolerance import auto_tolerances, with_gap

GAP = 0.05
SUITES = (("all", 1), ("all", 2), ("all", 24), ("all", 240), ("all", 2400), ("gap.05", 500), ("facet", 500))

#: Loops of `all` that come to about 1,000, 10,000 and 100,000 curves.
GROWTH = (24, 240, 2400)


def ours(pieces, gap=GAP):
    received = Prepared(pieces, 1e-6)
    tolerances = auto_tolerances(received, Tolerances()) if gap is None else with_gap(Tolerances(), gap)
    healed = heal(received, tolerances, 3.0, everything)
    return healed, regions_of(healed.edges, pieces.ids, "0")


def theirs(lines):
    return shapely.get_parts(shapely.polygonize(shapely.get_parts(shapely.unary_union(lines))))


def facets_of(curves):
    facets = [c.shape.flattened(1e-3) for c in curves]
    counts = [len(f) for f in facets]
    return shapely.linestrings(np.concatenate(facets), indices=np.repeat(np.arange(len(facets)), counts))


def timed(work, *given, rounds=3):
    """(seconds of the best round, result); without the search for reference cycles, as the program itself works."""
    best, result = np.inf, None
    for _ in range(rounds):
        with uncollected():
            began = time.perf_counter()
            result = work(*given)
            best = min(best, time.perf_counter() - began)
    return best, result


def side_by_side(one, other, rounds):
    """Best seconds of both and what the first gave; by turns, so that what else the machine does falls on both."""
    best, result = [np.inf, np.inf], None
    with uncollected():
        for _ in range(rounds):
            for k, work in enumerate((one, other)):
                began = time.perf_counter()
                made = work()
                best[k] = min(best[k], time.perf_counter() - began)
                result = made if k == 0 else result
    return *best, result


def against_geos() -> int:
    missed = 0
    print(f"{'':<18}{'':>6}{'ours':>16}{'heal':>7}{'+gap':>8}{'+words':>8}{'GEOS':>10}{'':>8}{'':>7}")
    print(
        f"{'suite':<10}{'curves':>8}{'true':>6}{'right/false/thin':>17}{'s':>7}{'s':>8}{'s':>8}{'right':>10}{'s':>8}{'ratio':>7}"
    )
    for suite, loops in SUITES:
        truth, curves = damaged(suite, 1, loops)
        pieces = pieces_of(curves, 0.001)
        gap = max(damage.SUITES[suite]["gap"], 1e-4)
        facets = facets_of(curves)
        # What takes milliseconds is told from noise by more rounds.
        rounds = 5 if len(curves) > 5000 else 100
        seconds, their_seconds, (healed, regions) = side_by_side(
            partial(ours, pieces, gap), partial(theirs, facets), rounds
        )
        reading, _ = timed(ours, pieces, None)
        telling, _ = timed(lambda h: h.told.findings(), healed, rounds=1)
        polygons = theirs(facets)
        score = damage.score(truth, [polygon(r) for r in regions])
        their_score = damage.score(truth, list(polygons))
        right = f"{score['ok']}/{score['spurious']}/{score['slivers']}"
        ratio = seconds / their_seconds
        print(
            f"{suite:<10}{len(curves):>8}{score['true']:>6}{right:>17}{seconds:>7.3f}{reading:>8.3f}"
            f"{reading + telling:>8.3f}{their_score['ok']:>10}{their_seconds:>8.4f}{ratio:>7.2f}",
            flush=True,
        )
        missed += suite == "all" and ratio >= 1
    return missed


def growth() -> int:
    print(f"{'curves':>8}{'s':>8}{'us a curve':>12}{'peak MB':>9}")
    each = []
    for loops in GROWTH:
        # Each in a process of its own, so that the peak is its own.
        done = subprocess.run(
            [sys.executable, __file__, str(loops)], capture_output=True, text=True, check=True
        ).stdout.split()
        count, seconds, peak = int(done[0]), float(done[1]), float(done[2])
        each.append(1e6 * seconds / count)
        print(f"{count:>8}{seconds:>8.2f}{each[-1]:>12.1f}{peak:>9.0f}", flush=True)
    # From 10,000 to 100,000 curves log n grows by a quarter; caches take their share.
    return int(each[2] > 2 * each[1])


def one(loops: int) -> None:
    _, curves = damaged("all", 1, loops)
    pieces = pieces_of(curves, 0.001)
    seconds, _ = timed(ours, pieces, GAP, rounds=1)
    print(len(curves), seconds, peak_memory())


def peak_memory() -> float:
    """MB that this process has held at most; getrusage counts what its parent held as well."""
    status = Path("/proc/self/status").read_text(encoding="ascii")
    return int(status.split("VmHWM:")[1].split()[0]) / 1024


def main() -> int:
    if len(sys.argv) > 1:
        one(int(sys.argv[1]))
        return 0
    return 1 if against_geos() + growth() else 0


if __name__ == "__main__":
    sys.exit(main())
