"""The kernel's process: killed, hanging or stopped, it is a sentence, and the next try works."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import threading
import time
from pathlib import Path

import pytest
import working
from making import box, done, sketch, state

from syntaxa.drawing.step import Context
from syntaxa.errors import Cancelled, WorkerError
from syntaxa.form.asking import SHOP
from syntaxa.form.part import Formed
from syntaxa.form.raising import RaiseRegions
from syntaxa.job.worker import Worker
from syntaxa.watching import watched

WAIT = 60.0


@pytest.fixture(scope="module")
def solids():
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("PYTHONPATH", str(Path(working.__file__).parent))
        worker = Worker(preload=SHOP)
        yield worker
        worker.close()


def step():
    return RaiseRegions("R", "S", high="5")


def volume(solids):
    after, _ = done(state(sketch("S", box(0, 0, 20, 10))), step(), context=Context(solids=solids))
    return after.part(Formed).volume


def until(true):
    end = time.monotonic() + WAIT
    while not true():
        assert time.monotonic() < end
        time.sleep(0.01)


def test_what_it_makes_is_what_is_made_here(solids):
    one, _ = done(state(sketch("S", box(0, 0, 20, 10))), step(), context=Context(solids=solids))
    other, _ = done(state(sketch("S", box(0, 0, 20, 10))), step())
    assert one == other


def test_killed_in_the_middle_it_is_a_sentence_and_the_next_try_works(solids):
    assert volume(solids) == pytest.approx(1000.0)
    host, forked = solids.number, solids.forked
    threading.Timer(0.3, os.kill, (forked, signal.SIGKILL)).start()
    with pytest.raises(WorkerError, match="took its process down; nothing else was touched"):
        solids.call(working.deaf, about="“R”")
    assert volume(solids) == pytest.approx(1000.0)
    assert solids.number == host
    assert solids.forked != forked


@pytest.mark.parametrize("work", [working.torn, working.ended])
def test_a_crash_of_native_code_is_a_sentence(solids, work):
    with pytest.raises(WorkerError, match="took its process down"):
        solids.call(work, about="“R”")
    assert volume(solids) == pytest.approx(1000.0)


def test_what_takes_too_long_is_ended(solids):
    volume(solids)
    with pytest.raises(WorkerError, match="took longer than it may"):
        solids.call(working.deaf, seconds=0.2, about="“R”")
    assert volume(solids) == pytest.approx(1000.0)


def test_stopped_it_ends_without_waiting_for_native_code(solids):
    volume(solids)
    stop = threading.Event()

    def check():
        if stop.is_set():
            raise Cancelled

    threading.Timer(0.2, stop.set).start()
    with watched(check), pytest.raises(Cancelled):
        solids.call(working.deaf, about="“R”")
    assert volume(solids) == pytest.approx(1000.0)


def test_closed_it_leaves_no_process_behind():
    worker = Worker(preload=SHOP)
    volume(worker)
    host, forked = worker.number, worker.forked
    worker.close()
    until(lambda: not _runs(host) and not _runs(forked))


def test_nothing_of_the_program_loads_the_kernel_by_itself():
    code = (
        "import sys, syntaxa.job.kinds, syntaxa.form.part, syntaxa.deliver.solids, syntaxa.cli.form\n"
        "print([m for m in sys.modules if m.split('.')[0] == 'OCP' or m.startswith('syntaxa.form.kernel')])"
    )
    ran = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert ran.stdout.strip() == "[]"


def _runs(process):
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    # A process that ended and was not waited for is no longer running.
    with open(f"/proc/{process}/stat") as file:
        return file.read().rsplit(")", 1)[1].split()[0] != "Z"
