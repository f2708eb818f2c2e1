"""Form: names, folding, work and pictures, as counts and ratios of one run. Run it with `make bench`.

`benchmarks/form.py folding 100` tries so many made-up parts in both methods. Times are judged as ratios to a plain
piece of work of the same run where DESIGN gives none in seconds; those that it gives in seconds are printed beside it.
"""

from __future__ import annotations

import os
import random
import signal
import statistics
import sys
import tempfile
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from pathlib import Path
from types import SimpleNamespace

sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core" / "form"))
sys.path.insert(0, str(Path(__file__).parents[1] / "tests" / "core"))
os.environ["PYTHONPATH"] = str(Path(__file__).parents[1] / "tests" / "core")
os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

import numpy as np
import working
from making import box, circle, four_lines, only, sketch, state, step_figures
from parts import drawn, lathed, milled, overlap, to_zero

from syntaxa.drawing.model import Curve
from syntaxa.drawing.step import Context
from syntaxa.errors import WorkerError
from syntaxa.form.asking import SHOP
from syntaxa.form.kernel.hidden import lines_of_view
from syntaxa.form.kernel.packing import unpacked
from syntaxa.form.kernel.reading import Wishes, read_views
from syntaxa.form.kernel.shop import details, step_bytes
from syntaxa.form.part import Formed
from syntaxa.form.raising import RaiseRegions
from syntaxa.form.views import SPACE
from syntaxa.job.worker import Worker

#: Figures of DESIGN: names, methods and parts right; and the intersection over union of a part that is not misread.
NAMES, METHODS, PARTS, READ = 0.99, 0.98, 0.95, 0.98

#: Drawings (noise, shift, intersection over union wanted): as they are as a rule, and the roughest.
PLAIN, ROUGH = (0.02, 0.2, 0.98), (0.08, 2.0, 0.995)

#: Milliseconds: a plate of sixty holes, 543 regions on the screen, four views of it, a frame, a hover, a crash told.
PLATE, REGIONS, VIEWS, FRAME, HOVER, CRASH = 100, 1000, 600, 30, 15, 100


def told(what: str, value: float, limit: float, unit: str, *, at_least: bool = False) -> bool:
    good = value >= limit if at_least else value <= limit
    bound = f"{'at least' if at_least else 'at most'} {limit:g}"
    print(f"{'ok  ' if good else 'MISS'} {what}: {value:.4g} {unit} ({bound})")
    return good


def milliseconds(work: Callable[[], object], times: int = 5) -> float:
    taken = []
    for _ in range(times):
        began = time.perf_counter()
        work()
        taken.append(time.perf_counter() - began)
    return 1000 * statistics.median(taken)


def names() -> bool:
    """All numbers of plates changed by up to 30 %: every edge found by its name, judged by what it was raised from."""
    right = wrong = total = 0
    for seed in range(40):
        dice = random.Random(seed)

        def plate(by: Callable[[float], float]) -> object:
            # What changes must stay a plate with four holes, or there is nothing to be found.
            wide, high = by(1.0), by(1.0)
            holes = [Curve(f"h{k}", circle((25 + 22 * k) * wide, 30 * high, by(6)), "0") for k in range(4)]
            step = RaiseRegions("R", "S", high=f"{by(8):.6f}")
            after, _ = step.apply(state(sketch("S", *four_lines(120 * wide, 60 * high), *holes)))
            return only(after).solid

        old, new = plate(lambda n: n), plate(lambda n, dice=dice: n * dice.uniform(0.75, 1.25))
        named = unpacked(new)
        there = details(new).edges
        for edge in details(old).edges:
            if edge is None:
                continue
            total += 1
            found, how = named.find(edge.key)
            same = [there[k].key.origin == edge.key.origin for k in found]
            right += len(found) == 1 and all(same)
            wrong += bool(found) and not all(same) and how in ("origin", "faces", "ends")
    good = told("edges found after a change of all numbers", right / total, NAMES, "", at_least=True)
    return told("wrong and unsaid", wrong, 0, "edges") and good


def folding(count: int, noise: float, shift: float, close: float) -> bool:
    """Made-up parts drawn in both methods, a frame beside, every level off by noise and every view by a shift (mm).

    close  the intersection over union from which on a part is as right as DESIGN wants it
    """
    parts = exact = methods = total = told_of = 0
    times = []
    for k in range(count):
        for kind in (milled, lathed):
            for method in ("third", "first"):
                dice = random.Random(7919 * k + (kind is lathed))
                body = to_zero(kind(dice))
                sheet = drawn(body, dice, method, noise=noise, shift=shift, frame=True)
                began = time.perf_counter()
                reading = read_views(sheet.shapes, sheet.hidden, Wishes(0.25))
                times.append(time.perf_counter() - began)
                total += 1
                shared = overlap(unpacked(reading.solid), body)
                parts += shared > READ
                exact += shared > close
                told_of += shared <= READ and (reading.doubtful or reading.undecided)
                methods += reading.method == method or reading.undecided
    print(f"     {total} drawings, noise {noise} mm, shift {shift} mm: {total - parts} misread, {told_of} told; "
          f"median {statistics.median(times):.2f} s, longest {max(times):.1f} s")  # fmt: skip
    good = told("misread and not told as in doubt", total - parts - told_of, 0, "drawings")
    good &= told("methods right, or told as undecided", methods / total, METHODS, "", at_least=True)
    return told(f"intersection over union above {close}", exact / total, PARTS, "", at_least=True) and good


def holes(count: int, wide: int) -> tuple[object, ...]:
    rings = [circle(15 + 30 * (k % wide), 20 + 32 * (k // wide), 4) for k in range(count)]
    return (box(0, 0, 30 * wide, 32 * (count // wide) + 10), *rings)


def work() -> bool:
    solids = Worker(preload=SHOP)
    context = Context(solids=solids)
    plain = state(sketch("S", *holes(60, 10)))
    RaiseRegions("R", "S", high="5").apply(plain, context)
    good = told("a plate of 60 holes again", milliseconds(
        lambda: RaiseRegions("R", "S", high="5").apply(plain, context)), PLATE, "ms")  # fmt: skip
    many = state(sketch("S", *holes(542, 30)))

    seen = SimpleNamespace(
        state=RaiseRegions("R", "S", high="5").apply(many, context)[0], context=lambda _progress: context
    )
    good &= told("543 regions on the screen", milliseconds(
        lambda: SPACE.make(seen, progress=lambda _f: None), 3), REGIONS, "ms")  # fmt: skip
    pins = state(sketch("S", *holes(542, 30)[1:]))
    began = time.perf_counter()
    raised, _ = RaiseRegions("R", "S", high="5").apply(pins, context)
    took = 1000 * (time.perf_counter() - began)
    apart = SimpleNamespace(state=raised, context=lambda _progress: context)
    seen_in = milliseconds(lambda: SPACE.make(apart, progress=lambda _f: None), 1)
    print(f"     542 regions as bodies of their own: raised in {took:.0f} ms, seen in {seen_in:.0f} ms more")
    body = unpacked(RaiseRegions("R", "S", high="5").apply(plain)[0].part(Formed).bodies[0].solid)
    four = milliseconds(lambda: [lines_of_view(body.shape, v) for v in ("front", "top", "right", "isometric")], 3)
    good &= told("four views of 60 holes", four, VIEWS, "ms")
    good &= crash(solids)
    solid = RaiseRegions("R", "S", high="5").apply(plain)[0].part(Formed).bodies[0]
    data, _ = step_bytes((("A", solid.solid, 0),), "mm", "AP242")
    with tempfile.NamedTemporaryFile(suffix=".step") as file:
        Path(file.name).write_bytes(data)
        ((_, figures, _),) = step_figures(Path(file.name))
    good &= told("STEP there and back", abs(figures.volume / solid.figures.volume - 1), 1e-12, "of the volume")
    solids.close()
    return good


def crash(solids: Worker) -> bool:
    """From the death of the process to the sentence."""
    killed = 0.0

    def kill() -> None:
        nonlocal killed
        killed = time.perf_counter()
        os.kill(solids.forked, signal.SIGKILL)

    threading.Timer(0.2, kill).start()
    with suppress(WorkerError):
        solids.call(working.deaf)
    return told("a crash told", 1000 * (time.perf_counter() - killed), CRASH, "ms")


def pictures() -> bool:
    from PyQt6.QtCore import QPointF
    from PyQt6.QtWidgets import QApplication

    from syntaxa.app.stages.form.space.scene import part_of_body
    from syntaxa.app.stages.form.space.view import SpaceView
    from syntaxa.form.model import Mesh

    application = QApplication([])
    sys.setswitchinterval(0.0005)
    view = SpaceView()
    view.resize(900, 700)
    view.show()
    n = 224
    x, y = np.meshgrid(np.linspace(0, 100, n), np.linspace(0, 100, n))
    points = np.column_stack([x.ravel(), y.ravel(), 8 * np.sin(x.ravel() / 9) * np.cos(y.ravel() / 7)])
    k = (np.arange(n - 1)[:, None] * n + np.arange(n - 1)).ravel()
    triangles = np.concatenate([np.column_stack([k, k + 1, k + n]), np.column_stack([k + 1, k + n + 1, k + n])])
    mesh = Mesh(points, np.tile([0, 0, 1.0], (len(points), 1)), triangles, np.zeros(len(triangles), int),
                np.zeros((0, 2, 3)), np.zeros(0, int))  # fmt: skip
    body = only(RaiseRegions("R", "S", high="5").apply(state(sketch("S", box(0, 0, 9, 9))))[0])
    view.show_parts((part_of_body(body, mesh),))
    view.pictures.come_to_rest()

    def frame() -> None:
        view.camera = view.camera.orbited(3, 1)
        view._changed(moving=True)
        view.grab()
        while view.pictures.are_coming:
            application.processEvents()
            # As in the program, where the window waits for what comes instead of asking.
            time.sleep(0.0005)
        view.grab()

    for _ in range(4):
        frame()
    good = told(f"a frame of {len(triangles)} triangles while moving", milliseconds(frame, 15), FRAME, "ms")
    view.pictures.come_to_rest()
    good &= told("a hover", milliseconds(lambda: view.at(QPointF(440, 340)), 15), HOVER, "ms")
    application.quit()
    return good


def main() -> int:
    if sys.argv[1:2] == ["folding"]:
        plain = folding(int(sys.argv[2]), *PLAIN)
        return 0 if folding(int(sys.argv[2]), *ROUGH) and plain else 1
    good = names()
    good &= folding(10, *PLAIN)
    good &= folding(10, *ROUGH)
    good &= work()
    good &= pictures()
    return 0 if good else 1


if __name__ == "__main__":
    sys.exit(main())
