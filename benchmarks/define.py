"""Define: solving, freedom, reading off and values, as counts and ratios of one run. Run it with `make bench`.

Families are plates of the pump with a known intent: every relation that is meant is known, so that what is read
off can be judged. Ratios are to a plain least squares of the same rows by scipy, in the same run.
"""

from __future__ import annotations

import io
import math
import random
import sys
import time
from collections.abc import Callable
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core" / "define"))

import ezdxf
import numpy as np
from random_sketches import random_sketch
from scipy.optimize import least_squares

from syntaxa.define.binding import bind, disagrees
from syntaxa.define.conflicts import can_hold, to_blame
from syntaxa.define.dragging import Dragging
from syntaxa.define.equations import Equations
from syntaxa.define.freedom import freedom
from syntaxa.define.model import Constraint, Named
from syntaxa.define.reading_off import Limits, read_off
from syntaxa.define.relations import add
from syntaxa.define.settling import Stated
from syntaxa.define.sketching import model_of, point_names
from syntaxa.define.solving import solved
from syntaxa.define.unknowns import System
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ChooseUnit
from syntaxa.memory import uncollected

#: Figures of DESIGN that this run is judged by.
RECALL, PRECISION, SKETCHES = 0.99, 0.995, 1000

BULGE = math.tan(math.pi / 8)


def plate(noise: float, seed: int) -> tuple[list[Curve], dict[str, tuple[float, ...]]]:
    """A plate with round corners, a hub, a ring and a row of holes; and its true sizes and directions by curve."""
    dice = random.Random(seed)
    wide, high, corner = dice.uniform(80, 160), dice.uniform(50, 90), dice.uniform(6, 12)

    def off(x: float, y: float) -> Point:
        return Point(x + dice.gauss(0, noise), y + dice.gauss(0, noise))

    far, top = wide - corner, high - corner
    ends = [(corner, 0), (far, 0), (wide, corner), (wide, top), (far, high), (corner, high), (0, top), (0, corner)]
    placed = [off(*p) for p in ends]
    curves, truth = [], {}
    for k in range(8):
        a, b = placed[k], placed[(k + 1) % 8]
        curves.append(Curve(f"o{k}", Line(a, b) if k % 2 == 0 else Arc.from_bulge(a, b, BULGE), "0"))
        truth[f"o{k}"] = (corner,) if k % 2 else (0.0 if k % 4 == 0 else 90.0,)
    hub, ring, hole = dice.uniform(8, 12), dice.uniform(16, 20), dice.uniform(2, 3)
    curves.append(Curve("hub", Circle(off(wide / 2, high / 2), hub + dice.gauss(0, noise)), "0"))
    truth["hub"] = (hub,)
    for k in range(6):
        t = k * math.pi / 3 + 0.2
        centre = off(wide / 2 + ring * math.cos(t), high / 2 + ring * math.sin(t))
        curves.append(Curve(f"r{k}", Circle(centre, hole + dice.gauss(0, noise)), "0"))
        truth[f"r{k}"] = (hole,)
    return curves, truth


def judged(noise: float) -> tuple[int, int, int, int]:
    """(meant and found, meant, found and true within 2.5 times the noise, found) over twenty plates."""
    hit = meant = right = found = 0
    for seed in range(20):
        curves, truth = plate(noise, seed)
        kept = read_off("s", curves, Limits(max(0.05, 5 * noise))).kept
        kinds = [c.kind for c in kept]
        meant += 2 + 2 + 8 + 1 + 3
        hit += kinds.count("level") + kinds.count("upright") + kinds.count("tangent") + kinds.count("ring")
        hit += sum(c.kind == "equal radius" and all(n.root[0] == "o" for n in c.things) for c in kept)
        for c in kept:
            found += 1
            right += _is_true(c.kind, [n.root for n in c.things], truth, noise)
    return hit, meant, right, found


def _is_true(kind: str, roots: list[str], truth: dict[str, tuple[float, ...]], noise: float) -> bool:
    if kind == "equal radius":
        return abs(truth[roots[0]][0] - truth[roots[1]][0]) <= 2.5 * noise + 1e-9
    if kind in ("level", "upright"):
        return truth[roots[0]][0] == (0.0 if kind == "level" else 90.0)
    if kind in ("centred x", "centred y"):
        return roots[0] == "hub" or roots[0][0] == roots[1][0] == "r"
    if kind in ("level points", "upright points"):
        return False
    return kind in ("tangent", "ring")


def many(count: int, noise: float = 0.01) -> list[Curve]:
    """Plates side by side."""
    made = []
    for k in range(count):
        for curve in plate(noise, k)[0]:
            shape = curve.shape
            move = 200.0 * k
            made.append(Curve(f"{curve.id}-{k}", _moved(shape, move), "0"))
    return made


def _moved(shape: Line | Arc | Circle, by: float) -> Line | Arc | Circle:
    if isinstance(shape, Line):
        return Line(Point(shape.start.x + by, shape.start.y), Point(shape.end.x + by, shape.end.y))
    centre = Point(shape.centre.x + by, shape.centre.y)
    if isinstance(shape, Circle):
        return Circle(centre, shape.radius)
    return Arc(centre, shape.radius, shape.start_angle, shape.sweep)


def best(work: Callable[[], object], rounds: int = 5) -> float:
    """Seconds of the quickest round; without the search for reference cycles, as the program itself works."""
    found = math.inf
    for _ in range(rounds):
        with uncollected():
            began = time.perf_counter()
            work()
            found = min(found, time.perf_counter() - began)
    return found


def against_least_squares() -> float:
    """Time of solving a plate with what was read off, as a share of scipy's least squares on the same rows."""
    curves, _ = plate(0.01, 3)
    kept = read_off("s", curves).kept
    model = model_of(curves)
    for k, c in enumerate(kept):
        add(model.system, k, c.kind, [model.thing(n) for n in c.things])
    equations = Equations(model.system, through=False)
    start = equations.start(np.array(model.system.x))

    def rows(y: np.ndarray) -> np.ndarray:
        return np.concatenate([b.residual(y[b.columns]) for b in equations.blocks])

    plain = best(lambda: least_squares(rows, start, xtol=1e-12, ftol=1e-12, gtol=1e-12), 2)
    return best(lambda: solved(model.system)) / plain


def contradiction(points: int) -> tuple[float, bool]:
    """(seconds to the fewest to blame, whether none can be left out) in a chain of squares of so many points."""
    s = System()
    spots = [s.point(10.0 * (k // 2), 10.0 * (k % 2)) for k in range(points)]
    number = 0
    for k in range(0, points - 3, 2):
        for a, b in ((k, k + 1), (k, k + 2), (k + 1, k + 3), (k, k + 3)):
            add(s, number, "distance", [spots[a], spots[b]], s.apart(spots[a], spots[b]))
            number += 1
    add(s, number, "distance", [spots[0], spots[3]], 40.0)
    began = time.perf_counter()
    blame = to_blame(s, number)
    seconds = time.perf_counter() - began
    return seconds, all(can_hold(s, [k for k in blame if k != one]) for one in blame)


def strip(points: int) -> Stated:
    """Rhombi in a zigzag, all sides of one length that nothing else holds: all hangs together, and much can move.

    Squares in a straight row are a special place: their first frames take four times as long.
    """
    curves = []
    rows = [[Point(9.6 * k + 2.8 * up, 2.8 * (k % 2) + 9.6 * up) for up in (0, 1)] for k in range(points // 2)]
    for k, (low, high) in enumerate(rows):
        curves.append(Curve(f"v{k}", Line(low, high), "0"))
        if k + 1 < len(rows):
            curves.append(Curve(f"a{k}", Line(low, rows[k + 1][0]), "0"))
            curves.append(Curve(f"b{k}", Line(high, rows[k + 1][1]), "0"))
    holds = [Constraint("s", "equal length", (Named("v0"), Named(c.id))) for c in curves[1:]]
    return Stated.of(tuple(curves), [*holds, Constraint("s", "fixed", (Named("v0", place="start"),))], ())


def frames(stated: Stated, name: Named) -> float:
    """Milliseconds of a frame, the 95th of 100, while a point is led round."""
    hand = Dragging(stated, {}, name)
    spot, x = stated.bare.thing(name), stated.bare.system.x
    took = []
    with uncollected():
        for k in range(40):
            began = time.perf_counter()
            hand.to(Point(x[spot.x] + 8 * math.sin(k / 6), x[spot.y] + 5 * (1 - math.cos(k / 6))))
            took.append(1e3 * (time.perf_counter() - began))
    return sorted(took)[37]


def flips(count: int) -> tuple[int, float]:
    """(drags of plates that turned something over, mm by which anything held no more at the worst)."""
    wrong, worst, dice = 0, 0.0, random.Random(5)
    for seed in range(count // 20):
        curves, _ = plate(0.01, seed)
        stated = Stated.of(tuple(curves), read_off("s", curves).kept, ())
        names = [n for n, _ in point_names(stated.bare)]
        for _ in range(20):
            name = dice.choice(names)
            spot, bare = stated.bare.thing(name), np.array(stated.bare.system.x)
            to = Point(bare[spot.x] + dice.uniform(-40, 40), bare[spot.y] + dice.uniform(-40, 40))
            hand = Dragging(stated, {}, name)
            x = hand.to(to)
            wrong += not _kept_its_ways(stated, x)
            worst = max(worst, solved(stated.model({}, x).system).off)
    return wrong, worst


def _kept_its_ways(stated: Stated, x: np.ndarray) -> bool:
    s = stated.bare.system
    lines = all(
        (x[q.b.x] - x[q.a.x]) * math.cos(s.x[q.t]) + (x[q.b.y] - x[q.a.y]) * math.sin(s.x[q.t]) > 0 for q in s.lines
    )
    return lines and all(x[r.r] > 0 and (r.a is None or 0 < (x[r.tb] - x[r.ta]) * r.turn < math.tau) for r in s.rounds)


def bound(across: int) -> tuple[int, int, int, int, int]:
    """(dimensions, bound to what they measure, to something else, with a false text, of these found) of a grid."""
    dice, document = random.Random(9), ezdxf.new("R2010", setup=True)
    document.units, space = 4, document.modelspace()
    look = {"override": {"dimlfac": 1.0}, "dimstyle": "EZDXF"}
    truth: list[tuple[str, float, bool]] = []
    for i in range(across):
        for k in range(across):
            x, y, r = 40.0 * i, 40.0 * k, 3 + dice.uniform(0, 6)
            space.add_circle((x, y), r)
            space.add_line((x + 15, y), (x + 15 + r, y + r))
            for kind, value in (("diameter", 2 * r), ("length", r * math.sqrt(2)), ("distance x", 15.0)):
                false = dice.random() < 0.1
                text = f"{value + 1.5:.3f}" if false else "<>"
                truth.append((kind, value, false))
                if kind == "diameter":
                    made = space.add_diameter_dim((x, y), radius=r, angle=20, text=text, override=look["override"],
                                                  dimstyle="EZ_RADIUS")  # fmt: skip
                elif kind == "length":
                    made = space.add_aligned_dim((x + 15, y), (x + 15 + r, y + r), 3, text=text, **look)
                else:
                    made = space.add_linear_dim((x, y - 9), (x, y), (x + 15, y), text=text, **look)
                made.render()
    out = io.StringIO()
    document.write(out)
    job = Job.of(Source.of("grid.dxf", out.getvalue().encode())).with_step(ChooseUnit("mm"))
    state = Evaluator().evaluate(job).state
    measures = {m.name: m for m in bind(state).measures}
    sketch = next(iter(state.profiles()))
    values = Stated.of(sketch.curves, (), measures.values()).measured()
    right = wrong = found = 0
    for number, (kind, value, false) in enumerate(truth, 1):
        one = measures.get(f"d{number}")
        if one is not None:
            good = one.kind == kind and abs(values[one.name] - value) <= 1e-6
            right, wrong = right + good, wrong + (not good)
            found += false and disagrees(one, values[one.name])
    return len(truth), right, wrong, sum(false for *_, false in truth), found


def main() -> int:
    """Prints every figure; 1 where one is missed."""
    missed = []
    wrong = 0
    for seed in range(SKETCHES):
        both = random_sketch(seed)
        wrong += freedom(both.system, np.array(both.system.x)).count != both.freedom()
    print(f"freedom against brute force: {SKETCHES - wrong} of {SKETCHES} (must be all)")
    missed += ["freedom"] * (wrong > 0)
    for noise in (0.0, 0.001, 0.01, 0.05):
        hit, meant, right, found = judged(noise)
        print(f"reading off, noise {noise} mm: recall {hit / meant:.3%} (99), precision {right / found:.3%} (99.5)")
        missed += ["reading off"] * (hit < RECALL * meant or right < PRECISION * found)
    few, lots = many(13), many(52)
    one, four = best(lambda: read_off("s", few), 2), best(lambda: read_off("s", lots), 2)
    print(f"reading off 195 curves: {one:.2f} s; four times as many: {four / one:.1f} times as long (ranks are cubic)")
    share = against_least_squares()
    print(f"solving against scipy's least squares: {share:.3f} of the time (must be below 0.2)")
    missed += ["solving"] * (share >= 0.2)
    seconds, least = contradiction(500)
    print(f"contradiction at 500 points: {seconds:.2f} s, none can be left out: {least}")
    missed += ["contradictions"] * (not least)
    dimensions, right, wrong, false, told = bound(19)
    print(f"binding {dimensions} dimensions: {right / dimensions:.2%} right (99), {wrong} to something else (0), "
          f"{told} of {false} false texts found (all)")  # fmt: skip
    missed += ["binding"] * (right < 0.99 * dimensions or wrong > 0 or told < false)
    for points, limit in ((50, 16), (500, 100), (2000, 250)):
        took = frames(strip(points), Named(f"v{points // 4}", place="end"))
        print(f"dragging {points} points that hang together: {took:.1f} ms a frame at the 95th of 100 ({limit})")
        missed += ["dragging"] * (took > limit)
    wrong, worst = flips(SKETCHES)
    print(f"{SKETCHES} drags of plates: {wrong} turned something over (0), all held within {worst:.1e} mm")
    missed += ["flips"] * (wrong > 0)
    print("missed: " + ", ".join(dict.fromkeys(missed)) if missed else "all figures met")
    return 1 if missed else 0


if __name__ == "__main__":
    sys.exit(main())
