#!/usr/bin/env bash
# All benchmarks; each prints its figures and fails where one is missed.
set -u
cd "$(dirname "$0")/.."
status=0
# As the program does itself; here the library may be loaded before it.
export OPENBLAS_NUM_THREADS=1
QT_QPA_PLATFORM=offscreen .venv/bin/python benchmarks/canvas.py || status=1
.venv/bin/python benchmarks/start.py || status=1
QT_QPA_PLATFORM=offscreen .venv/bin/python benchmarks/window.py || status=1
QT_QPA_PLATFORM=offscreen .venv/bin/python benchmarks/window.py 20000 || status=1
QT_QPA_PLATFORM=offscreen .venv/bin/python benchmarks/intake.py || status=1
QT_QPA_PLATFORM=offscreen .venv/bin/python benchmarks/growth.py || status=1
.venv/bin/python benchmarks/units.py || status=1
.venv/bin/python benchmarks/healing.py || status=1
.venv/bin/python benchmarks/define.py || status=1
.venv/bin/python benchmarks/mend.py || status=1
.venv/bin/python benchmarks/form.py || status=1
.venv/bin/python benchmarks/cut.py || status=1
exit $status
