"""How the time grows from n to 4n, for every piece of work that once grew faster: at most five times.

Each is measured in one process, the best of a few rounds, so that the ratio does not depend on the machine. Run it with
`make bench`.
"""

from __future__ import annotations

import io
import math
import sys
import time
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))

import ezdxf
import numpy as np

from syntaxa.cut.library import shipped_tools
from syntaxa.cut.model import Operation, Settings
from syntaxa.cut.part import Planned
from syntaxa.cut.proving import proven
from syntaxa.drawing.model import Curve, extents_of
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.measuring import enclosed_area, least_distance
from syntaxa.geometry.points import Point, polar
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.intake.registry import read
from syntaxa.memory import uncollected
from syntaxa.mend.by_hand import MapCurves
from syntaxa.mend.deviation import deviation
from syntaxa.mend.steps import survey_state
from syntaxa.mend.survey import survey
from syntaxa.mend.tolerance import with_gap

#: Times the time may grow by where the work grows by four.
MOST = 5.0


def svg(body):
    size = 'width="900mm" height="900mm" viewBox="0 0 900 900"'
    return f'<svg xmlns="http://www.w3.org/2000/svg" {size}>{body}</svg>'.encode()


def sub_paths(n):
    data = svg('<path id="p" stroke="red" d="' + "".join(f"M{k % 900} {k // 900}h.5 " for k in range(n)) + '"/>')
    return lambda: read("x.svg", data)


def uses(n):
    data = svg('<path id="p" stroke="red" d="M0 0h1"/>' + "".join(f'<use href="#p" x="{k % 900}"/>' for k in range(n)))
    return lambda: read("x.svg", data)


def rules(n):
    sheet = "".join(f".c{k} {{stroke: #{k % 4096:03x}}}" for k in range(n))
    data = svg(f"<style>{sheet}</style>" + "".join(f'<path class="c{k}" d="M0 {k % 900}h9"/>' for k in range(n)))
    return lambda: read("x.svg", data)


def no_handles(n):
    lines = "".join(f"0\nLINE\n8\n0\n10\n{k}\n20\n0\n11\n{k}\n21\n5\n" for k in range(n))
    data = f"0\nSECTION\n2\nENTITIES\n{lines}0\nENDSEC\n0\nEOF\n".encode()
    return lambda: read("x.dxf", data)


def blocks(n):
    document = ezdxf.new()
    document.blocks.new("B").add_circle((0, 0), 1)
    for k in range(n):
        document.modelspace().add_blockref("B", (3 * k, 0))
    text = io.StringIO()
    document.write(text)
    data = text.getvalue().encode()
    return lambda: read("x.dxf", data)


def copies(n):
    curve = Curve("c", Line(Point(0, 0), Point(1, 0)), "0")
    state = State(sketches=(Sketch("0", 0, (curve,)),))
    return lambda: MapCurves(("c",), (1, 0, 0, 1, 2.0, 0), "Array", n).apply(state)


def spokes(n):
    """All of them miss one place by a little."""
    drawn = []
    for k in range(n):
        angle = 2 * math.pi * k / n
        inner = polar(Point(0, 0), 0.01 + 0.004 * math.sin(7 * k), angle + 0.3)
        drawn.append(Curve(f"c{k}", Line(inner, polar(Point(0, 0), 50, angle)), "0"))
    return lambda: survey(drawn, "0", with_gap(Tolerances(), 0.05), 3.0)


def hatch_lines(n):
    """Slanted lines side by side: the boxes of all of them overlap."""
    along, across = polar(Point(0, 0), 300, 0.5), polar(Point(0, 0), 300, 0.5 + math.pi / 2)
    feet = [Point(across.x * k / n, across.y * k / n) for k in range(n)]
    return [Curve(f"c{k}", Line(p, Point(p.x + along.x, p.y + along.y)), "0") for k, p in enumerate(feet)]


def hatch(n):
    drawn = hatch_lines(n)
    return lambda: survey(drawn, "0", with_gap(Tolerances(), 0.01), 3.0)


def keeping(n):
    """The slanted lines of a hatch, as received and as a result in which a few are gone."""
    drawn = hatch_lines(n)
    return lambda: deviation(drawn, drawn[::7] + drawn[1::7] + drawn[3::7])


def extents(n):
    kinds = (Line(Point(0, 0), Point(1, 2)), Arc(Point(3, 4), 2, 0.3, 2), Circle(Point(5, 5), 1))
    drawn = [Curve(str(k), kinds[k % 3], "0") for k in range(n)]
    return lambda: extents_of(drawn)


def wave(n, up=0.0):
    points = tuple(Point(0.1 * k, up + math.sin(0.3 * k)) for k in range(n))
    return Polyline(points, (0.0,) * n, False)


def distance(n):
    one, other = wave(n), wave(n, 3.0)
    return lambda: least_distance(one, other)


def ordering(n):
    chance = np.random.default_rng(1)
    stops = [polar(Point(0, 0), 100, 2 * math.pi * k / n) for k in range(n)]
    sides = [Line(stops[k], stops[(k + 1) % n]) for k in range(n)]
    mixed = [sides[k] for k in chance.permutation(n)]
    return lambda: enclosed_area(mixed)


def snapping(n):
    from syntaxa.app.canvas.scene import Scene
    from syntaxa.app.canvas.snapping import snapped

    scene = Scene.of([(0, [Curve("w", wave(n), "0")])])
    scene.prepare()
    return lambda: [snapped(scene, 0.1 * k, 0.0, 0.2) for k in range(20)]


def retraced(n):
    """Polylines that run over each other again and again, as maps and plotters' files have them."""
    chance = np.random.default_rng(2)
    stops = [Point(float(x), float(y)) for x, y in chance.uniform(0, 300, (40, 2))]
    drawn = []
    for k in range(n // 40):
        order = chance.permutation(40)
        drawn.append(Curve(f"p{k}", Polyline(tuple(stops[i] for i in sorted(order[:20])), (0.0,) * 20, False), "0"))
    return lambda: survey(drawn, "0", with_gap(Tolerances(), 0.01), 3.0)


def long_lines(n):
    """A few polylines of very many pieces that cross themselves (coast lines)."""
    chance = np.random.default_rng(3)
    drawn = []
    for k in range(4):
        way = np.cumsum(chance.normal(0, 1, (n // 4, 2)), axis=0) + 500 * k
        drawn.append(Curve(f"m{k}", Polyline(tuple(Point(*p) for p in way.tolist()), (0.0,) * len(way), False), "0"))
    state = State(sketches=(Sketch("0", 0, tuple(drawn)),))
    return lambda: survey_state(state, 1e-4)


def cutting(n):
    return cut(Curve(f"c{k}", Circle(Point(8.0 * (k % 50), 8.0 * (k // 50)), 3.0), "0") for k in range(n))


def rings(n):
    return cut(Curve(f"c{k}", Circle(Point(0.0, 0.0), 3.0 * k), "0") for k in range(1, n + 1))


def cut(circles):
    tool = next(t for t in shipped_tools() if t.kind == "beam")
    operation = Operation("Cut", settings=Settings(tool=tool.name))
    state = State(sketches=(Sketch("S", 0, tuple(circles)),)).with_part(Planned(tools=(tool,), operations=(operation,)))
    return lambda: proven(state)


WORK = (
    ("sub-paths of one path", sub_paths, 4000),
    ("use of one shape", uses, 4000),
    ("rules of a style sheet", rules, 500),
    ("DXF lines without handles", no_handles, 10_000),
    ("insertions of a block", blocks, 2000),
    ("copies of a curve", copies, 2000),
    ("spokes that miss one place", spokes, 48),
    ("lines of a hatch", hatch, 1000),
    ("how far a hatch lies off another", keeping, 1000),
    ("extents of curves", extents, 50_000),
    ("least distance of two runs", distance, 5000),
    ("ordering a closed run", ordering, 2000),
    ("snapping on one polyline", snapping, 5000),
    ("polylines over each other", retraced, 1200),
    ("long polylines across themselves", long_lines, 4000),
    ("a program, written and judged", cutting, 250),
    ("rings in rings, written and judged", rings, 20),
)


def seconds(work, rounds=3):
    best = math.inf
    for _ in range(rounds):
        with uncollected():
            began = time.perf_counter()
            work()
            best = min(best, time.perf_counter() - began)
    return best


def main() -> int:
    chosen = sys.argv[1:]
    missed = []
    print(f"{'':<36}{'n':>8}{'s':>9}{'4n: s':>9}{'grows':>7}")
    for name, make, n in WORK:
        if chosen and not any(word in name for word in chosen):
            continue
        one, four = seconds(make(n)), seconds(make(4 * n))
        grows = four / max(one, 1e-4)
        print(f"{name:<36}{n:>8}{one:>9.3f}{four:>9.3f}{grows:>7.1f}", flush=True)
        missed += [name] if grows > MOST else []
    print(f"missed: {', '.join(missed)}" if missed else "nothing missed")
    return 1 if missed else 0


if __name__ == "__main__":
    sys.exit(main())
