#!/usr/bin/env bash
# All tests: the core with Qt out of reach, the window without a screen, the real program on a virtual screen.
set -eu
cd "$(dirname "$0")/.."
# Settings and caches of whoever runs this stay out of it.
scratch=$(mktemp -d)
export HOME="$scratch" XDG_CONFIG_HOME="$scratch/config" XDG_DATA_HOME="$scratch/data" XDG_STATE_HOME="$scratch/state"
# Another order every time; a failure is had again with the number that the run tells.
export SYNTAXA_TEST_ORDER="${SYNTAXA_TEST_ORDER:-$RANDOM}"
echo "== order of the tests: SYNTAXA_TEST_ORDER=$SYNTAXA_TEST_ORDER"
# Programs that tests start would compile all of this one each time.
unset PYTHONDONTWRITEBYTECODE
python=.venv/bin/python

# Seconds of its processors that the host of a virtual machine has given to others, which no test is to blame for.
stolen() { awk -v ticks="$(getconf CLK_TCK)" '/^cpu /{printf "%d", $9 / ticks}' /proc/stat; }
before=$(stolen)
trap 'echo "== ${SECONDS} s; the host gave $(($(stolen) - before)) s of the processors to others"; rm -rf "$scratch"' EXIT
echo "== core, without Qt; types, beside it"
make -s types >"$scratch/types.log" 2>&1 &
types=$!
# What a module makes for all of its tests is made once: a module goes to one process.
# No log capture: what damaged files make libraries log cannot always be passed from one process to another.
status=0
SYNTAXA_WITHOUT_QT=1 $python -m pytest tests/core -p no:pytest-qt -p no:logging -n 2 --dist loadfile || status=$?
wait $types || status=$?
cat "$scratch/types.log"
[ $status = 0 ] || exit $status
echo "== window, offscreen"
QT_QPA_PLATFORM=offscreen $python -m pytest tests/app -n 2
echo "== program, on a virtual screen; package, in a clean root, beside it"
$python -m pytest tests/package -p no:pytest-qt >"$scratch/package.log" 2>&1 &
package=$!
QT_QPA_PLATFORM=xcb xvfb-run -a -s "-screen 0 1400x900x24" $python -m pytest tests/window || status=$?
wait $package || status=$?
cat "$scratch/package.log"
exit $status
