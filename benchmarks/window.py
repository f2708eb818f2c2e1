"""How long the interface is held while a large drawing is opened, looked over and healed.

A timer ticks all the while; the longest time between two ticks is how long a click had to wait. Over 100 ms is
a fault. What is done comes as a click does, in a turn of its own, and the event loop is the program's: a loop for
tests sleeps between turns. Run it with `make bench`; with a count, a drawing of so many curves is the first thing
after the start. What the host of a virtual machine took of its processors meanwhile, and how fast it was before and
after, is told beside: a wait may be the host's.
"""

from __future__ import annotations

import sys
import tempfile
import time
from pathlib import Path

import ezdxf
from machine import pace, stolen
from PyQt6.QtCore import QEventLoop, QTimer

from syntaxa.app.program import end_work, start
from syntaxa.app.settings import Settings
from syntaxa.app.walk import is_settled
from syntaxa.demo.formats import write_drawings
from syntaxa.measure.steps import ScaleBy

WAIT_MS = 100.0
COUNTS = (1_000, 5_000, 20_000)


class Ticks:
    """The longest wait since it was last asked."""

    def __init__(self) -> None:
        self._last = time.perf_counter()
        self._worst = 0.0
        self._timer = QTimer()
        self._timer.setInterval(2)
        self._timer.timeout.connect(self._tick)
        self._timer.start()

    def _tick(self) -> None:
        now = time.perf_counter()
        self._worst = max(self._worst, 1e3 * (now - self._last))
        self._last = now

    def worst(self) -> float:
        """Milliseconds; starts anew."""
        pause(20)
        worst, self._worst = self._worst, 0.0
        return worst


def pause(ms: int) -> None:
    """The program runs on for a while."""
    loop = QEventLoop()
    QTimer.singleShot(ms, loop.quit)
    loop.exec()


def settle(window) -> None:
    """The program runs on until everything is computed and painted."""
    pause(100)
    while not is_settled(window):
        pause(20)


def large_drawing(path: Path, count: int) -> None:
    """Squares with open corners and a round hole each, of `count` curves in all."""
    document = ezdxf.new("R12")
    space = document.modelspace()
    across = int((count / 5) ** 0.5) + 1
    for k in range(count // 5):
        x, y = 30.0 * (k % across), 30.0 * (k // across)
        corners = [(x, y), (x + 20, y), (x + 20, y + 20), (x, y + 20)]
        for i, (u, v) in enumerate(corners):
            s, t = corners[(i + 1) % 4]
            space.add_line((u, v), (s + 0.02 * (i == 1), t), {"layer": f"L{k % 4}"})
        space.add_circle((x + 10, y + 10), 4, {"layer": f"L{k % 4}"})
    document.saveas(path)


def _parts(window, path: Path, saved: Path):
    """What is done with a drawing, each with its name."""
    shell, go = window.shell, window.shell.commands
    return (
        ("open", lambda: shell.session.files.open_path(path)),
        ("stages", lambda: _visit(shell)),
        ("scale", lambda: shell.session.do(ScaleBy(2.0))),
        ("fix all", go["fix_all"].run),
        ("select", go["select_all"].run),
        ("ledger", lambda: _look_at_the_ledger(window)),
        ("look", go["switch_look"].run),
        ("save", lambda: shell.session.files.save(saved)),
        ("undo", go["undo"].run),
    )


def _visit(shell) -> None:
    """Goes from stage to stage in a hurry."""
    for stage in (*shell.stages, shell.stages[3]):
        QTimer.singleShot(0, lambda stage=stage: shell.go_to(stage))
        pause(50)


def _look_at_the_ledger(window) -> None:
    """Opens it over the panel, with what the last step did."""
    window.show_ledger(True)
    window.ledger.list.setCurrentRow(window.ledger.list.count() - 1)
    settle(window)
    window.show_ledger(False)


def main() -> int:
    """Prints the longest wait in each part; 1 where one is too long."""
    missed = 0
    print(f"A million numbers are added in {pace():.0f} ms before,")
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        _application, window = start(write_drawings, Settings(folder / "settings.json"))
        window.resize(1280, 800)
        window.show()
        ticks = Ticks()
        for count in [int(text) for text in sys.argv[1:]] or COUNTS:
            path = folder / f"{count}.dxf"
            large_drawing(path, count)
            ticks.worst()
            for part, run in _parts(window, path, folder / f"{count}.sxj"):
                began, taken = time.perf_counter(), stolen()
                QTimer.singleShot(0, run)
                settle(window)
                seconds = time.perf_counter() - began
                worst = ticks.worst()
                missed += worst > WAIT_MS
                held = stolen() - taken
                told = f"longest wait {worst:6.1f} ms   stolen {held:5.0f} ms"
                print(f"{count:>7} curves  {part:<8} {seconds:6.2f} s   {told}")
        window.shell.session.files.save(folder / "done.sxj")
        settle(window)
        window.close()
        end_work(window)
    print(f"and in {pace():.0f} ms after.")
    return 1 if missed else 0


if __name__ == "__main__":
    sys.exit(main())
