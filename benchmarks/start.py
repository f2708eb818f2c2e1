"""How long the program takes to start: its help on the command line, and the window until it can be used.

The limits are processor time for the help and time by the clock for the window, best of some runs. Run it with
`make bench`.
"""

from __future__ import annotations

import os
import resource
import subprocess
import sys
import tempfile
import time

RUNS = 5

#: Seconds.
HELP_LIMIT, WINDOW_LIMIT = 0.25, 1.5

_WINDOW = """
import os, sys, time
from pathlib import Path
from syntaxa.app.program import start
from syntaxa.app.settings import Settings
_, window = start(lambda folder: folder, Settings(Path(sys.argv[1]) / "settings.json"))
window.show()
from PyQt6.QtWidgets import QApplication
QApplication.processEvents()
while window.shell.canvas.painting:
    QApplication.processEvents()
print(time.time())
sys.stdout.flush()
os._exit(0)
"""


def help_seconds() -> float:
    """Processor time of `syntaxa --help`."""
    before = resource.getrusage(resource.RUSAGE_CHILDREN)
    subprocess.run([sys.executable, "-m", "syntaxa", "--help"], stdout=subprocess.DEVNULL, check=True)
    after = resource.getrusage(resource.RUSAGE_CHILDREN)
    return after.ru_utime + after.ru_stime - before.ru_utime - before.ru_stime


def window_seconds() -> float:
    """Time by the clock until an empty window is painted and takes clicks."""
    environment = {**os.environ, "QT_QPA_PLATFORM": os.environ.get("QT_QPA_PLATFORM", "offscreen")}
    with tempfile.TemporaryDirectory() as folder:
        began = time.time()
        ran = subprocess.run(
            [sys.executable, "-c", _WINDOW, folder], env=environment, capture_output=True, text=True, check=True
        )
        return float(ran.stdout) - began


def main() -> int:
    """Prints both; 1 where one is too long."""
    missed = 0
    for what, measure, limit in (("--help", help_seconds, HELP_LIMIT), ("the window", window_seconds, WINDOW_LIMIT)):
        best = min(measure() for _ in range(RUNS))
        missed += best > limit
        print(f"{what:<12} {best:6.3f} s   limit {limit:.2f} s")
    return 1 if missed else 0


if __name__ == "__main__":
    sys.exit(main())
