"""The worker: what it gives back, and how it ends when the work goes wrong, takes too long or is not wanted."""

from __future__ import annotations

import os
import signal
import threading
import time
from pathlib import Path

import numpy as np
import pytest
import working
from hypothesis import given
from hypothesis import strategies as st
from hypothesis.extra import numpy as arrays

from syntaxa.demo.drawing import demo_bytes
from syntaxa.demo.formats import write_drawings
from syntaxa.errors import Cancelled, IntakeError, WorkerError
from syntaxa.job import parcels
from syntaxa.job import worker as working_order
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.job.worker import Worker
from syntaxa.mend.steps import MendFindings, RefitFacets
from syntaxa.watching import watched


@pytest.fixture
def worker(monkeypatch):
    monkeypatch.setenv("PYTHONPATH", str(Path(working.__file__).parent))
    made = Worker()
    yield made
    made.close()


def left_behind(worker):
    return [p for n in (os.getpid(), worker.number) for p in Path("/dev/shm").glob(f"syntaxa-{n}-*")]


def test_one_process_does_one_thing_after_the_other_and_arrays_come_back(worker):
    array = np.arange(200_000, dtype=np.float64).reshape(-1, 2)
    shares = []
    first, number = worker.call(working.doubled, array, progress=shares.append)
    second, again = worker.call(working.doubled, first)
    assert np.array_equal(second, 4 * array)
    assert number == again == worker.number
    assert shares == [0.5]
    # What came back can be written to, as if it had been made here.
    second[0, 0] = 7.0
    assert left_behind(worker) == []


@given(arrays.arrays(np.float64, arrays.array_shapes(max_dims=3, max_side=20), elements=st.floats(-1e9, 1e9)))
def test_a_parcel_holds_what_was_put_into_it(array):
    name, back = parcels.take(parcels.put(("x" * len(array), array)))
    assert name == "x" * len(array)
    assert np.array_equal(back, array)


def test_what_a_process_left_that_is_no_more_is_swept_away():
    orphan = Path("/dev/shm/syntaxa-999999999-x")
    mine = parcels.put(1)
    orphan.write_bytes(b"x")
    parcels.sweep()
    assert not orphan.exists()
    assert parcels.take(mine) == 1


def test_an_error_of_the_work_is_that_error_with_its_sentence(worker):
    with pytest.raises(IntakeError, match=r"^a\.pdf is empty\. Ask again\.$") as caught:
        worker.call(working.refused, "a.pdf")
    assert caught.value.file == "a.pdf"
    assert worker.number


@pytest.mark.parametrize("work", [working.torn, working.ended, working.broken])
def test_a_process_that_dies_is_a_sentence_and_the_next_work_finds_another(worker, work):
    with pytest.raises(WorkerError, match=r"Reading a\.pdf took its process down"):
        worker.call(work, about="Reading a.pdf")
    assert worker.call(working.doubled, np.ones(3))[0].tolist() == [2.0, 2.0, 2.0]
    assert left_behind(worker) == []


def test_more_memory_than_it_may_is_told(monkeypatch):
    monkeypatch.setenv("PYTHONPATH", str(Path(working.__file__).parent))
    small = Worker(memory=4 << 30)
    with pytest.raises(WorkerError, match="more memory than it may"):
        small.call(working.greedy)
    assert small.number
    small.close()


def test_longer_than_it_may_ends_it(worker):
    with pytest.raises(WorkerError, match="longer than it may"):
        worker.call(working.deaf, seconds=0.2)
    assert worker.number == 0


@pytest.mark.parametrize(("work", "stays"), [(working.patient, True), (working.deaf, False)])
def test_work_that_nobody_wants_is_stopped_or_ended(worker, work, stays):
    worker.call(working.doubled, np.ones(1))
    stop = threading.Event()

    def check():
        if stop.is_set():
            raise Cancelled

    threading.Timer(0.2, stop.set).start()
    began = time.monotonic()
    with watched(check), pytest.raises(Cancelled):
        worker.call(work)
    assert time.monotonic() - began < 20
    assert bool(worker.number) == stays
    assert worker.call(working.doubled, np.ones(1))[0].tolist() == [2.0]


@pytest.fixture
def host(monkeypatch):
    monkeypatch.setenv("PYTHONPATH", str(Path(working.__file__).parent))
    made = Worker(preload="working")
    yield made
    made.close()


def in_background(host, work):
    """The work begun in a thread, and the list that its error comes into."""
    failed = []

    def run():
        try:
            host.call(work, about="“Raise 2”")
        except WorkerError as error:
            failed.append(str(error))

    thread = threading.Thread(target=run)
    thread.start()
    return thread, failed


def test_work_that_was_told_to_have_failed_is_not_done_by_the_next_process(host, monkeypatch):
    """It had not begun when its process died, and the next one stands there before anybody can take it back."""

    def slow(path):
        time.sleep(0.5)
        parcels.drop(path)

    assert host.call(working.doubled, 2)[0] == 4
    monkeypatch.setattr(working_order, "drop", slow)
    first = host.forked
    os.kill(first, signal.SIGSTOP)
    thread, failed = in_background(host, working.deaf)
    time.sleep(0.2)
    os.kill(first, signal.SIGKILL)
    thread.join(20)
    assert failed == ["“Raise 2” took its process down; nothing else was touched. Try again."]
    assert host.call(working.doubled, 3, seconds=10)[0] == 6
    assert host.forked != first


def test_a_host_works_on_after_work_that_was_stopped_or_took_too_long(host):
    for _ in range(2):
        with pytest.raises(WorkerError, match="longer"):
            host.call(working.deaf, seconds=0.3)
        result, process = host.call(working.doubled, 3, seconds=10)
        assert (result, process) == (6, host.forked)
    number = host.number
    with pytest.raises(WorkerError, match="took its process down"):
        host.call(working.torn)
    assert host.call(working.doubled, 4, seconds=10)[0] == 8
    assert host.number == number


def test_a_process_that_died_with_nothing_to_do_is_no_matter_of_what_comes_next(host):
    assert host.call(working.doubled, 2)[0] == 4
    os.kill(host.forked, signal.SIGKILL)
    time.sleep(0.3)
    assert host.call(working.doubled, 3, seconds=10)[0] == 6


def test_what_libraries_print_is_no_answer(worker):
    assert worker.call(working.chatty) == "heard"


def test_what_cannot_be_handed_over_is_a_sentence(worker, monkeypatch):
    def full(thing):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr("syntaxa.job.worker.put", full)
    with pytest.raises(WorkerError, match="No space left on device"):
        worker.call(working.doubled, np.ones(1))


# ---------------------------------------------------------------------- what a job does with it


def test_a_pdf_is_read_the_same_here_and_there_and_a_crash_is_a_sentence(worker, tmp_path, monkeypatch):
    write_drawings(tmp_path)
    path = tmp_path / "pump-cover.pdf"
    job = Job.of(Source.of(path.name, path.read_bytes()))
    there, here = (Evaluator(worker=w).evaluate(job) for w in (worker, None))
    assert worker.number
    assert there.state == here.state
    assert there.received.report == here.received.report
    monkeypatch.setattr("syntaxa.job.evaluate.read_apart", working.ended)
    with pytest.raises(WorkerError, match=r"Reading pump-cover\.pdf took its process down.*another format"):
        Evaluator(worker=worker).evaluate(job)


def test_an_error_of_reading_is_told_as_ever(worker):
    job = Job.of(Source.of("torn.pdf", b"%PDF-1.4 and nothing else"))
    with pytest.raises(IntakeError) as here:
        Evaluator().evaluate(job)
    with pytest.raises(IntakeError) as there:
        Evaluator(worker=worker).evaluate(job)
    assert str(there.value) == str(here.value)


def test_a_large_sketch_is_mended_the_same_here_and_there(worker, monkeypatch):
    job = Job.of(Source.of("panels.dxf", demo_bytes())).with_step(MendFindings())
    here = Evaluator().evaluate(job)
    monkeypatch.setattr("syntaxa.mend.steps._APART", 1)
    there = Evaluator(worker=worker).evaluate(job)
    assert worker.number
    assert there.state == here.state
    assert [r.entry for r in there.ledger] == [r.entry for r in here.ledger]


def test_a_mending_that_takes_its_process_down_is_a_row_and_the_job_is_as_it_was(worker, monkeypatch):
    job = Job.of(Source.of("panels.dxf", demo_bytes()))
    plain = Evaluator().evaluate(job)
    monkeypatch.setattr("syntaxa.mend.steps._APART", 1)
    monkeypatch.setattr("syntaxa.mend.steps.mended_by", working.ended)
    done = Evaluator(worker=worker).evaluate(job.with_step(MendFindings()))
    assert "took its process down; nothing else was touched" in done.ledger[0].failed
    assert done.state == plain.state


def test_a_step_that_broke_off_is_tried_anew_when_it_comes_back_and_not_before(worker, monkeypatch):
    """It need not break off twice: the system may only have been short of memory."""
    plain = Job.of(Source.of("panels.dxf", demo_bytes()))
    mended = plain.with_step(MendFindings())
    beyond = mended.with_step(RefitFacets())
    monkeypatch.setattr("syntaxa.mend.steps._APART", 1)
    evaluator = Evaluator(worker=worker)

    def evaluated(job):
        evaluation = evaluator.evaluate(job)
        evaluator.keep_broken(evaluation)
        return evaluation

    with monkeypatch.context() as broken:
        broken.setattr("syntaxa.mend.steps.mended_by", working.ended)
        lost = evaluated(mended)
        assert lost.ledger[0].failed
    # As long as it stands there, it is not begun again with every other change.
    assert evaluated(beyond).ledger[0].failed == lost.ledger[0].failed
    assert evaluated(plain).state == lost.state
    again = evaluated(beyond)
    assert [r.failed for r in again.ledger] == ["", ""]
    assert again.state == Evaluator().evaluate(beyond).state
    assert again.state != lost.state
