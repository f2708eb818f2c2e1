"""Every kind of damage of the corpus, seeds 1 to 10, 500 loops: what must come out, and what does.

For each suite the healing is given the gap of the damage, and once more reads it off the drawing. Every true face
must be found, none invented, no sliver left, no end moved by more than half of the gap, and arcs must be arcs
still; facets must be the true segments again. Run it with `make bench`; a suite or seeds can be named:
`benchmarks/healing.py all,facet 1-3`, and `given` behind them leaves out reading the gap off.
"""

from __future__ import annotations

import math
import sys
import time
from pathlib import Path

import numpy as np

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))
from specimens import damage, damaged, polygon

from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.rows import merged_rows
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.heal import heal
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.regions import regions_of
from syntaxa.mend.steps import MendFindings, RefitFacets, survey_state
from syntaxa.mend.telling import everything
from syntaxa.mend.tolerance import SMALLEST, auto_tolerances, with_gap

LOOPS = 500

#: Share of the true faces that must be found; loose ends can truly cut a neighbour.
MUST = {"coarse": 0.98, "dangle": 0.99}

#: The same where the gap is read off: gaps and what is meant to be apart overlap in size there, so the safe side is
#: taken, and what stays open is told.
READ_OFF = {**MUST, "coarse": 0.5}


def healed(curves, gap):
    received = Prepared(pieces_of(curves, 0.001), 1e-6)
    tolerances = auto_tolerances(received, Tolerances()) if gap is None else with_gap(Tolerances(), gap)
    result = heal(received, tolerances, 3.0, everything)
    return tolerances.gap, result, regions_of(result.edges, received.pieces.ids, "0")


def turning(loops):
    """How far all arcs of some loops turn together, radians."""
    return sum(float(np.abs(4 * np.arctan([s[-1] for s in loop])).sum()) for loop in loops)


def farthest_move(result):
    """Beyond what is allowed: half the gap sideways, the whole gap along; both as half of the gap."""
    joints = [f for f in result.findings if f.fixed and f.kind == "gap"]
    return max((max(f.cost, f.along / 2) for f in joints), default=0.0)


def judged(suite, seed, gap):
    """(true, right, false, slivers, greatest move, gap used, arcs kept)."""
    truth, curves = damaged(suite, seed, LOOPS)
    used, result, regions = healed(curves, gap)
    score = damage.score(truth, [polygon(r) for r in regions])
    true_turn = turning(loop for f in truth.faces for loop in (f.outer, *f.holes))
    kept = suite in ("facet", "all", "coarse", "dangle") or math.isclose(
        turning(loop for r in regions for loop in r.loops), true_turn, rel_tol=0.02
    )
    return score["true"], score["ok"], score["spurious"], score["slivers"], farthest_move(result), used, kept


def segments_again(seed):
    """(loops, loops with their true number of segments) of the faceted suite."""
    truth, curves = damaged("facet", seed, LOOPS)
    mended, _ = MendFindings().apply(State((), sketches=(Sketch("0", 0, tuple(curves)),)))
    refitted, _ = RefitFacets(0.001, 0.012).apply(mended)
    loops = [np.array(r.loops[0]) for r in survey_state(refitted, None).regions]
    starts = np.array([loop[:, :2].min(axis=0) for loop in loops])
    right = 0
    for face in truth.faces:
        lows = np.array([s[:2] for s in face.outer]).min(axis=0)
        near = np.argsort(np.abs(starts - lows).max(axis=1))[:4]
        right += any(abs(_area(loops[k]) - damage.loop_area(face.outer)) < 0.5 and _count(loops[k], face) for k in near)
    return len(truth.faces), right


def _area(rows):
    following = np.roll(rows, -1, axis=0)
    return sum(damage.seg_area((*a[:2], *b[:2], a[2])) for a, b in zip(rows.tolist(), following.tolist(), strict=True))


def _count(rows, face):
    merged = merged_rows(rows, True, 1e-5, 1e-4)
    if len(face.outer) == 2 and all(s[4] for s in face.outer):
        # A circle has two halves in the truth, wherever it was cut.
        return len(merged) <= 3 and bool((merged[:, 2] != 0).all())
    return len(merged) == len(face.outer)


def main() -> int:
    suites = sys.argv[1].split(",") if len(sys.argv) > 1 else list(damage.SUITES)
    low, high = map(int, sys.argv[2].split("-")) if len(sys.argv) > 2 else (1, 10)
    missed = []
    print(f"{'suite':<11}{'gap':>8}{'true':>7}{'right':>7}{'false':>7}{'sliver':>7}{'moved':>9}{'arcs':>6}{'s':>7}")
    for suite in suites:
        gap = max(float(damage.SUITES[suite]["gap"]), SMALLEST)
        for given in (gap, None) if len(sys.argv) < 4 else (None,) if sys.argv[3] == "read" else (gap,):
            began = time.perf_counter()
            rows = [judged(suite, seed, given) for seed in range(low, high + 1)]
            true, right, false, slivers = (sum(r[k] for r in rows) for k in range(4))
            moved = max(r[4] - r[5] / 2 for r in rows)
            arcs = all(r[6] for r in rows)
            shown = f"{gap:g}" if given else "read off"
            print(
                f"{suite:<11}{shown:>8}{true:>7}{right:>7}{false:>7}{slivers:>7}{moved:>9.1e}{arcs!s:>6}"
                f"{time.perf_counter() - began:>7.0f}",
                flush=True,
            )
            must = (MUST if given else READ_OFF).get(suite, 1.0)
            good = right >= must * true and moved <= 1e-9 and arcs and (must < 1 or false + slivers == 0)
            missed += [] if good else [(suite, shown)]
    if "facet" in suites:
        counts = [segments_again(seed) for seed in range(low, high + 1)]
        loops, right = (sum(c[k] for c in counts) for k in (0, 1))
        print(f"facets back to their true segments: {right} of {loops} loops")
        missed += [] if right == loops else [("facet", "segments")]
    print(f"missed: {missed}" if missed else "nothing missed")
    return 1 if missed else 0


if __name__ == "__main__":
    sys.exit(main())
