"""The worker's own side: takes orders as lines, does them, and answers with lines; a line "stop" ends what is done.

What libraries print goes where errors go: the answers have the output to themselves. A host loads a module and forks
the process that works; when that dies the host says so, leaves what it had not read, and forks another.
"""

from __future__ import annotations

import contextlib
import ctypes
import gc
import os
import queue
import resource
import signal
import sys
import threading
from functools import reduce
from importlib import import_module
from pathlib import Path
from typing import Any, BinaryIO

import msgspec

from syntaxa.errors import Cancelled, SyntaxaError, WorkerError
from syntaxa.job.parcels import put, take
from syntaxa.job.worker import NEXT, STOP, Word, WorkOrder
from syntaxa.watching import watched

#: What prctl calls "send me this signal when my parent dies" (linux/prctl.h).
_WITH_PARENT = 1


class _Server:
    """Does one order after the other."""

    def __init__(self, orders: BinaryIO, answers: BinaryIO) -> None:
        self._orders, self._answers = orders, answers
        self._order = 0
        self._queue: queue.Queue[WorkOrder | None] = queue.Queue()
        self._stop = threading.Event()

    def run(self) -> None:
        """Until no more orders come."""
        threading.Thread(target=self._read, daemon=True).start()
        while (order := self._queue.get()) is not None:
            self._stop.clear()
            self._order = order.number
            with watched(self._check):
                self._answer(order)

    def _read(self) -> None:
        for line in self._orders:
            if line == STOP:
                self._stop.set()
            else:
                self._queue.put(msgspec.json.decode(line, type=WorkOrder))
        # Whoever gave the orders is gone; nobody waits for what is being done.
        os._exit(0)

    def _check(self) -> None:
        if self._stop.is_set():
            raise Cancelled

    def _progress(self, share: float) -> None:
        self._check()
        self._say(Word("progress", share))

    def _answer(self, order: WorkOrder) -> None:
        given = take(Path(order.parcel))
        try:
            word = Word("done", parcel=str(put(self._work(order, given))))
        except Cancelled:
            word = Word("stopped")
        except SyntaxaError as error:
            word = Word("failed", parcel=str(put(error)))
        except (MemoryError, RecursionError):
            word = Word("failed", parcel=str(put(WorkerError("This takes more memory than it may."))))
        self._say(word)

    def _work(self, order: WorkOrder, given: Any) -> Any:
        function = reduce(getattr, order.name.split("."), import_module(order.module))
        return function(*given, progress=self._progress)  # type: ignore[operator]

    def _say(self, word: Word) -> None:
        word.order = self._order
        _say(self._answers, word)


def _say(answers: BinaryIO, word: Word) -> None:
    answers.write(msgspec.json.encode(word) + b"\n")
    answers.flush()


def _host(preload: str, answers: BinaryIO) -> None:
    """Loads a module and forks; returns in the process that is to work, and ends with it otherwise."""
    import_module(preload)
    # What both have is not to be copied because its counts change.
    gc.collect()
    gc.freeze()
    while (process := os.fork()) != 0:
        _say(answers, Word("ready", process=process))
        _, status = os.waitpid(process, 0)
        if status == 0:
            os._exit(0)
        _say(answers, Word("died"))
        _pass_over(sys.stdin.fileno())
    # Native code that never comes back is not to outlive who asked for it.
    ctypes.CDLL(None).prctl(_WITH_PARENT, signal.SIGKILL)


def _pass_over(orders: int) -> None:
    """Reads what was meant for a process that has died: nothing beyond it, for the next one reads on from there."""
    line = b""
    while line != NEXT:
        byte = os.read(orders, 1)
        if not byte:
            os._exit(0)
        line = byte if line.endswith(b"\n") else line + byte


def main(memory: int, preload: str = "") -> None:
    """Works until its input ends."""
    # Ctrl-C is for whoever gives the orders.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    answers = os.fdopen(os.dup(1), "wb")
    os.dup2(2, 1)
    if preload:
        _host(preload, answers)
    with contextlib.suppress(ValueError, OSError):
        resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
        resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    _Server(sys.stdin.buffer, answers).run()


if __name__ == "__main__":
    main(int(sys.argv[1]), sys.argv[2])
