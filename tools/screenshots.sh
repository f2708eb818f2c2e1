#!/usr/bin/env bash
# The pictures of the README, made from the demo in both looks.
set -eu
cd "$(dirname "$0")/.."
rm -rf build/screenshots  # what an earlier run remembered stays out of it
mkdir -p build/screenshots docs/screenshots
QT_QPA_PLATFORM=xcb timeout 300 xvfb-run -a -s "-screen 0 1440x900x24" .venv/bin/python tools/screenshots.py build/screenshots
cp build/screenshots/*.png docs/screenshots/
