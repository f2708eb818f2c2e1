"""The worker's own side: takes orders as lines, does them, and answers with lines; a line "stop" ends what is done.

What libraries print goes where errors go: the answers have the output to themselves.
"""

from __future__ import annotations

import contextlib
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
from syntaxa.job.worker import Word, WorkOrder
from syntaxa.watching import watched


class _Server:
    """Does one order after the other."""

    def __init__(self, orders: BinaryIO, answers: BinaryIO) -> None:
        self._orders, self._answers = orders, answers
        self._queue: queue.Queue[WorkOrder | None] = queue.Queue()
        self._stop = threading.Event()

    def run(self) -> None:
        """Until no more orders come."""
        threading.Thread(target=self._read, daemon=True).start()
        while (order := self._queue.get()) is not None:
            self._stop.clear()
            with watched(self._check):
                self._answer(order)

    def _read(self) -> None:
        for line in self._orders:
            if line == b"stop\n":
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
        try:
            word = Word("done", parcel=str(put(self._work(order))))
        except Cancelled:
            word = Word("stopped")
        except SyntaxaError as error:
            word = Word("failed", parcel=str(put(error)))
        except (MemoryError, RecursionError):
            word = Word("failed", parcel=str(put(WorkerError("This takes more memory than it may."))))
        self._say(word)

    def _work(self, order: WorkOrder) -> Any:
        given = take(Path(order.parcel))
        function = reduce(getattr, order.name.split("."), import_module(order.module))
        return function(*given, progress=self._progress)  # type: ignore[operator]

    def _say(self, word: Word) -> None:
        self._answers.write(msgspec.json.encode(word) + b"\n")
        self._answers.flush()


def main(memory: int) -> None:
    """Works until its input ends."""
    # Ctrl-C is for whoever gives the orders.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    with contextlib.suppress(ValueError, OSError):
        resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
    answers = os.fdopen(os.dup(1), "wb")
    os.dup2(2, 1)
    _Server(sys.stdin.buffer, answers).run()


if __name__ == "__main__":
    main(int(sys.argv[1]))
