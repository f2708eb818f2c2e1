"""The worker: one process, started when it is first needed and kept, for what is long or native.

What goes wrong in it stays in it. It is ended when it takes more time or memory than it may, or when nobody waits any
more and it does not stop by itself; the next piece of work finds a new one.

Where what it does needs a library that takes seconds to load, the process is a *host*: it loads the library once and
forks the worker proper, which may be ended at any moment, for another stands there a few milliseconds later.
"""

from __future__ import annotations

import contextlib
import os
import select
import signal
import subprocess
import sys
import threading
import time
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path
from typing import IO, Any

import msgspec

from syntaxa.errors import Progress, SyntaxaError, WorkerError, no_progress
from syntaxa.job.parcels import drop, put, sweep, take
from syntaxa.watching import still_wanted

#: Bytes of address space that the process may use.
MEMORY = 12 << 30

#: What is said to the process besides orders: to stop what it does; and, to a host whose process has died, that the
#: orders before this have been answered, so that another may be forked for those after it.
STOP, NEXT = b"stop\n", b"next\n"

#: Seconds between two looks at whether the work is still wanted, and that it is given to stop by itself.
_LOOK, _GRACE = 0.05, 1.5


class WorkOrder(msgspec.Struct):
    """What is to be done: a function by its module and name, and the parcel with what it is given."""

    module: str
    name: str
    parcel: str
    number: int = 0


class Word(msgspec.Struct):
    """What the process says: how far it is, or how it ended.

    kind   "progress", "done" with a parcel, "failed" with one that holds the error, or "stopped"; a host says "ready"
           with the number of the process that it forked, and "died" when that has ended
    order  number of the order that it answers
    """

    kind: str
    share: float = 0.0
    parcel: str = ""
    order: int = 0
    process: int = 0


@dataclass(frozen=True, slots=True)
class _Running:
    """A process that runs, with the pipes to it."""

    process: subprocess.Popen[bytes]
    orders: IO[bytes]
    answers: IO[bytes]


@dataclass(frozen=True, slots=True)
class _Case:
    """What a piece of work is about, for the sentence where it fails, and what to do then."""

    about: str = "The work"
    advice: str = "Try again."


class Worker:
    """Runs one piece of work after the other; safe to use from several threads.

    preload  a module that a host loads before it forks; empty for a process of its own
    """

    def __init__(self, memory: int = MEMORY, preload: str = "") -> None:
        self._memory = memory
        self._preload = preload
        self._forked = 0
        self._orders = 0
        self._running: _Running | None = None
        self._turn = threading.Lock()
        self._unread = b""

    @property
    def number(self) -> int:
        """The number of the process; 0 where none runs."""
        running = self._running
        return running.process.pid if running is not None and running.process.poll() is None else 0

    @property
    def forked(self) -> int:
        """The number of the process that a host has forked to do the work; 0 where there is none."""
        return self._forked

    def call(
        self,
        work: Callable[..., Any],
        *given: Any,
        progress: Progress = no_progress,
        seconds: float | None = None,
        about: str = "The work",
        advice: str = "Try again.",
    ) -> Any:
        """The result of a function of a module; it is given `progress` by that name.

        about, advice   what the work is, and what to do, for the sentence where it fails
        Raises whatever SyntaxaError the function raises, Cancelled, or WorkerError where the process ends.
        """
        case = _Case(about, advice)
        while not self._turn.acquire(timeout=_LOOK):
            still_wanted()
        try:
            self._orders += 1
            order = WorkOrder(work.__module__, work.__qualname__, str(put(given)), self._orders)
            return self._done(order, progress, seconds, case)
        except OSError as error:
            self._end()
            raise WorkerError(f"{about} could not be handed over ({error.strerror}).", suggestion=advice) from error
        finally:
            self._turn.release()

    def close(self) -> None:
        """Ends the process; another is started when it is needed. Work that is being done there ends with it."""
        running = self._running
        if running is not None:
            running.process.kill()
        # Whoever waits for it tidies up behind it.
        if self._turn.acquire(blocking=False):
            self._end()
            self._turn.release()

    def _done(self, order: WorkOrder, progress: Progress, seconds: float | None, case: _Case) -> Any:
        running = self._running if self._running is not None and self.number else self._started()
        until = None if seconds is None else time.monotonic() + seconds
        try:
            # A process that died while it had nothing to do is no matter of this order.
            while (word := self._word(running, wait=0.0)) is not None:
                _leave(word)
            running.orders.write(msgspec.json.encode(order) + b"\n")
            running.orders.flush()
            return self._listen(running, order, progress, until, case)
        except (BrokenPipeError, EOFError):
            raise self._died(running, case) from None
        finally:
            drop(Path(order.parcel))

    def _listen(self, running: _Running, order: WorkOrder, progress: Progress, until: float | None, case: _Case) -> Any:
        while True:
            try:
                still_wanted()
            except SyntaxaError:
                self._stop(running)
                raise
            if until is not None and time.monotonic() > until:
                self._cut_short(running)
                raise WorkerError(f"{case.about} took longer than it may.", suggestion=case.advice)
            word = self._word(running)
            if word is None:
                continue
            if word.kind == "died":
                raise _death(case)
            if word.order != order.number:
                _leave(word)
                continue
            if word.kind == "progress":
                progress(word.share)
            elif word.kind == "done":
                return take(Path(word.parcel))
            elif word.kind == "stopped":
                raise _death(case)
            elif word.kind == "failed":
                raise take(Path(word.parcel))

    def _word(self, running: _Running, wait: float = _LOOK) -> Word | None:
        """The next word, or None where none has come for a while; raises EOFError where the process ended."""
        if b"\n" not in self._unread:
            if not select.select([running.answers], [], [], wait)[0]:
                return None
            more = os.read(running.answers.fileno(), 65536)
            if not more:
                raise EOFError
            self._unread += more
            if b"\n" not in self._unread:
                return None
        line, _, self._unread = self._unread.partition(b"\n")
        word = msgspec.json.decode(line, type=Word)
        if word.kind in ("ready", "died"):
            self._forked = word.process
        if word.kind == "died":
            # Whoever had given it an order is told now, so the next process is not to do what it had not read yet.
            running.orders.write(NEXT)
            running.orders.flush()
        return word

    def _cut_short(self, running: _Running) -> None:
        """Ends what is being done, at once: that of a host alone, else the process."""
        if not self._forked:
            self._end()
            return
        with contextlib.suppress(ProcessLookupError):
            os.kill(self._forked, signal.SIGKILL)
        try:
            while (word := self._word(running)) is None or word.kind != "died":
                if word is not None:
                    _leave(word)
        except (OSError, EOFError):
            self._end()

    def _stop(self, running: _Running) -> None:
        """Asks it to stop; where it does not, it is ended. What a host has forked is ended without asking."""
        if self._forked:
            self._cut_short(running)
            return
        end = time.monotonic() + _GRACE
        try:
            running.orders.write(STOP)
            running.orders.flush()
            while time.monotonic() < end:
                word = self._word(running)
                if word is not None and word.kind in ("done", "failed", "stopped"):
                    _leave(word)
                    return
        except (OSError, EOFError):
            pass
        self._end()

    def _started(self) -> _Running:
        self._end()
        sweep()
        process = subprocess.Popen(  # noqa: S603  this program itself
            [sys.executable, "-m", "syntaxa.job.worker_process", str(self._memory), self._preload],
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
        )
        if process.stdin is None or process.stdout is None:
            raise WorkerError("The worker process has no pipes.", suggestion="Start the program again.")
        self._running = _Running(process, process.stdin, process.stdout)
        return self._running

    def _end(self) -> None:
        running, self._running, self._unread, self._forked = self._running, None, b"", 0
        if running is None:
            return
        running.process.kill()
        running.process.wait()
        for pipe in (running.orders, running.answers):
            # What was not written yet has nobody to read it.
            with contextlib.suppress(OSError):
                pipe.close()

    def _died(self, running: _Running, case: _Case) -> WorkerError:
        """The sentence for a process that ended by itself."""
        with contextlib.suppress(subprocess.TimeoutExpired):
            running.process.wait(1.0)
        self._end()
        return _death(case)


def _leave(word: Word) -> None:
    """What nobody waits for any more."""
    if word.parcel:
        drop(Path(word.parcel))


def _death(case: _Case) -> WorkerError:
    return WorkerError(f"{case.about} took its process down; nothing else was touched.", suggestion=case.advice)
