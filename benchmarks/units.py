"""The unit of made-up drawings: how often the right one comes first, and whether the probabilities are true.

Prints the table of confusion. With dimensions at least 98 % must be right, without at least 92 %, and of those that are
given 0.9 or more at least 95 %. The drawings are those of `tests/core/corpus/units.py`, from seeds that no test uses.
Run it with `make bench`.
"""

from __future__ import annotations

import math
import sys
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))

from corpus.units import MM, case

from syntaxa.intake.registry import read
from syntaxa.job.evaluate import verdict_of

FIRST, COUNT = 200_000, 2000


def judged(seed):
    """Unit, header, dimensions, what was taken, whether its size is right, and how sure."""
    one = case(seed)
    verdict = verdict_of(read(one.name, one.data))
    best = verdict.candidates[0]
    right = math.isclose(best.mm_per_number, one.mm, rel_tol=1e-6)
    taken = best.unit if best.page_scale == 1 else f"{best.unit} 1:{best.page_scale:g}"
    return seed, one.unit, one.header, one.dimensioned, taken, right, verdict.confidence, one.mm / MM[one.unit]


def main(first=FIRST, count=COUNT, show=False):
    with ProcessPoolExecutor() as pool:
        rows = list(pool.map(judged, range(first, first + count), chunksize=10))
    ok = True
    for dimensioned, must in ((True, 0.98), (False, 0.92)):
        some = [r for r in rows if r[3] == dimensioned]
        share = sum(r[5] for r in some) / len(some)
        sure = [r for r in some if r[6] >= 0.9]
        true = sum(r[5] for r in sure) / max(len(sure), 1)
        ok = ok and share >= must and true >= 0.95
        print(
            f"{'with' if dimensioned else 'without'} dimensions: {len(some)} drawings, right first {share:.1%} "
            f"(must {must:.0%}); {len(sure)} given 0.9 or more, of which right {true:.1%} (must 95%)"
        )
        for header in ("right", "wrong", "none"):
            part = [r for r in some if r[2] == header]
            if part:
                print(f"    header {header}: {sum(r[5] for r in part)} of {len(part)} right")
        units = list(MM)
        count_of = Counter((r[1], r[4] if r[4] in units else "other") for r in some)
        print("    drawn in  taken as " + "".join(f"{u:>7}" for u in (*units, "other")))
        for unit in units:
            print(f"    {unit:>8}           " + "".join(f"{count_of[unit, t] or '.':>7}" for t in (*units, "other")))
    bands = [(0.0, 0.5), (0.5, 0.7), (0.7, 0.9), (0.9, 0.98), (0.98, 1.01)]
    for low, high in bands:
        part = [r for r in rows if low <= r[6] < high]
        if part:
            right = sum(r[5] for r in part) / len(part)
            print(f"given {low:.2f} to {min(high, 1):.2f}: {len(part)} drawings, right {right:.1%}")
    if show:
        for r in rows:
            if not r[5]:
                print(r)
    return 0 if ok else 1


if __name__ == "__main__":
    sys.exit(main(*map(int, sys.argv[1:3]), show=len(sys.argv) > 3))
