"""Cut: offsets, pockets, the order, times and programs, each against something that does not know it.

    offsets   0 wrong places on hard regions (by the definition of an offset), and no more than twice the time that
              polygon offsetting by facets of 0.001 mm takes (pyclipr, in the same run)
    pockets   length of the path times the radius over the area at most 0.70
    order     1,000 points at most 5 % above the Held-Karp bound (M. Held and R. M. Karp, 1970), which is worked out
              here by subgradients on shortest spanning trees
    programs  a part of a metre with one line 0.01 mm off is told, a good one is not; read back within 0.001 mm

Run it with `make bench`; how many hard regions are tried can be given: `benchmarks/cut.py 10000`.
"""

from __future__ import annotations

import math
import re
import sys
import time
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))
sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core" / "cut"))

import numpy as np
import pyclipr
import shapely
from cutting import beamed, closed, drawing, prove
from regions import box, circle, flat, hard_region, is_simple, turned, wrong_places
from scipy.sparse.csgraph import minimum_spanning_tree
from scipy.spatial.distance import cdist

from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.bench.judging import judge
from syntaxa.cut.offsets.chains import area_of, reversed_rows
from syntaxa.cut.offsets.offsetting import offset_region
from syntaxa.cut.paths.ordering import Item, arranged
from syntaxa.cut.paths.pockets import rings_of, tours_of
from syntaxa.geometry.rows import pieces_of_rows

REGIONS = int(sys.argv[1]) if len(sys.argv) > 1 else 1400


def told(name, good, says):
    print(f"{'ok' if good else 'MISSED':7} {name}: {says}", flush=True)
    return good


def timed(work, rounds=2):
    best, found = math.inf, None
    for _ in range(rounds):
        begun = time.process_time()
        found = work()
        best = min(best, time.process_time() - begun)
    return best, found


def hard_regions():
    wrong, judged, tried = 0, 0, 0
    for seed in range(REGIONS):
        loops, d = hard_region(seed)
        if is_simple(loops):
            bad, places = wrong_places(loops, d, offset_region(loops, d).loops)
            wrong, judged, tried = wrong + bad, judged + places, tried + 1
    return told("hard regions", wrong == 0, f"{wrong} of {judged:,} places of {tried:,} regions are wrong")


def toothed(n):
    """One outline of n lines and arcs with teeth of about 1 mm."""
    rng = np.random.default_rng(1)
    angle = 2 * np.pi * np.arange(n) / n
    r = n / (2 * math.pi) + np.where(np.arange(n) % 4 < 2, 1.0, -1.0) * rng.uniform(0.3, 1.5, n)
    bulges = np.where(np.arange(n) % 2, 0.0, rng.choice([0.0, 0.15, -0.15, 0.1], n))
    return [np.column_stack([r * np.cos(angle), r * np.sin(angle), bulges])]


def perforated(n):
    """A plate full of round holes and slots: about n segments."""
    k = int(math.sqrt(n / 3))
    rng = np.random.default_rng(1)
    slot = np.array([(-2.0, -1, 0), (2, -1, 1), (2, 1, 0), (-2, 1, 1)])
    made = [box(-5, -5, 10 * k + 5, 10 * k + 5)]
    for x in range(k):
        for y in range(k):
            one = circle(0, 0, rng.uniform(1, 3.9)) if rng.random() < 0.5 else slot
            made.append(reversed_rows(turned(one, rng.uniform(0, 3), (10.0 * x, 10.0 * y))))
    return made


def by_facets(loops, d, tolerance=1e-3):
    facets = [flat(r, tolerance) for r in loops]

    def work():
        made = pyclipr.ClipperOffset()
        made.scaleFactor = int(1e6)
        made.arcTolerance = tolerance * 1e6
        made.addPaths(facets, pyclipr.JoinType.Round, pyclipr.EndType.Polygon)
        return made.execute(-d)

    return work


def sizes():
    good = True
    for name, make in (("toothed outline", toothed), ("perforated plate", perforated)):
        loops = make(10_000)
        segments = sum(map(len, loops))
        for d in (0.2, -0.2, 1.0, -1.0, 5.0):
            own, _ = timed(lambda loops=loops, d=d: offset_region(loops, d))
            other, _ = timed(by_facets(loops, d))
            good &= told(
                f"{name}, {segments:,} segments by {d:g}", own <= 2 * other,
                f"{own / segments * 1e6:.1f} us a segment, {own / other:.2f} times facets",
            )  # fmt: skip
    return good


def pockets():
    loops = [box(0, 0, 60, 45), reversed_rows(circle(20, 20, 6))]
    radius, step = 1.5, 1.7 * 1.5
    took, tours = timed(lambda: tours_of(rings_of(loops, radius, step), loops, radius, step))
    length = sum(float(pieces_of_rows(t, False).lengths().sum()) for t in tours)
    share = length * radius / sum(map(area_of, loops))
    return told("pocket", share <= 0.70, f"length x radius / area {share:.3f}, {len(tours)} plunge, {took:.2f} s")


def held_karp(points, rounds=80):
    """A bound from below of the shortest way from the first point through all others.

    A way is a tree in which every point between has two neighbours; prices on points make the shortest tree one nearly,
    and never dearer than the shortest way. A point that costs nothing to reach closes the way at both ends.
    """
    ways = cdist(points, points)
    prices, best, step = np.zeros(len(points)), 0.0, 0.02 * ways.max()
    for _ in range(rounds):
        tree = minimum_spanning_tree(ways + prices[:, None] + prices[None, :] + 1e6).tocoo()
        last = 1 + int(prices[1:].argmin())
        total = float(tree.data.sum()) - 1e6 * (len(points) - 1) + prices[0] + prices[last] - 2 * prices.sum()
        best = max(best, total)
        degrees = np.bincount(np.concatenate([tree.row, tree.col]), minlength=len(points)).astype(float)
        degrees[[0, last]] += 1
        prices = prices + step * (degrees - 2)
        step *= 0.96
    return best


def order():
    worst, slowest = 0.0, 0.0
    for seed in range(2):
        points = np.random.default_rng(seed).uniform(0, 1000, (1000, 2))
        items = [Item(p[None], p[None]) for p in points]
        took, (_, _, travel) = timed(lambda items=items: arranged(items, (0.0, 0.0)), 1)
        bound = held_karp(np.vstack([[0.0, 0.0], points]))
        worst, slowest = max(worst, travel / bound - 1), max(slowest, took)
    return told("order of 1,000 points", worst <= 0.05, f"{worst:.1%} above the bound, {slowest:.2f} s")


def programs():
    corners = [(0, 0), (1000, 0), (1000, 600), (700, 600), (650, 450), (300, 600), (0, 600)]
    begun = time.process_time()
    done = prove(beamed(drawing(closed("PLATE", corners, [0, 0, 0.3, 0, 0.2, 0, 0])), decimals=4))
    took = time.process_time() - begun
    good = told(
        "a plate of a metre", not done.verdict.wrong and done.verdict.deviation <= 1e-3,
        f"off by {done.verdict.deviation:.1e} mm, {took:.2f} s, nothing wrong",
    )  # fmt: skip
    caught, tried, way = 0, 0, cut_along(done.played)
    for place in re.finditer(r"(?<=[XY])-?\d+(\.\d+)?", done.text):
        text = f"{done.text[: place.start()]}{float(place.group()) + 0.01:.4f}{done.text[place.end() :]}"
        other = played(text)
        if shapely.hausdorff_distance(way, cut_along(other)) < 2e-3:
            # It moves an end along its own line: what is cut is the same.
            continue
        verdict = judge(other, dict(done.tools), done.machine, done.target)
        tried += 1
        caught += bool(verdict.wrong)
    return good & told("words that take the cut 0.01 mm aside", caught == tried > 10, f"{caught} of {tried} are told")


def cut_along(program):
    """Where a program cuts, by facets."""
    shares = np.linspace(0.0, 1.0, 1000)
    ways = [
        [m.at(k)[:2] for k in (shares if m.centre else (0.0, 1.0))] for m in program.moves if m.kind == "feed" and m.on
    ]
    # The first one is the lead, which lies in the waste.
    return shapely.MultiLineString(ways[1:])


def main():
    results = [hard_regions(), sizes(), pockets(), order(), programs()]
    return 0 if all(results) else 1


if __name__ == "__main__":
    sys.exit(main())
