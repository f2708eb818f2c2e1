#!/usr/bin/env bash
# The demo in a window; with no display, the same window on a virtual screen, walked through its stages.
set -eu
cd "$(dirname "$0")/.."
if [ -n "${DISPLAY:-}${WAYLAND_DISPLAY:-}" ]; then
    exec .venv/bin/syntaxa demo
fi
mkdir -p build/demo
QT_QPA_PLATFORM=xcb timeout 300 xvfb-run -a -s "-screen 0 1280x800x24" .venv/bin/syntaxa demo --walk build/demo
