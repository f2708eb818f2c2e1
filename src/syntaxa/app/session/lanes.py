"""Long work off the interface thread: progress, cancel, and stale results dropped."""

from __future__ import annotations

import logging
import threading
import time
from collections.abc import Callable
from contextlib import nullcontext
from functools import partial
from typing import Any

from PyQt6.QtCore import QObject, QRunnable, QThreadPool, pyqtSignal

from syntaxa.app.words import tr
from syntaxa.errors import Cancelled, Progress, SyntaxaError
from syntaxa.memory import uncollected
from syntaxa.watching import watched

_LOG = logging.getLogger(__name__)

Work = Callable[[Progress], Any]

#: Seconds between a search for cycles that took as long, and so held the window, and what is told, which may hold it as
#: well.
_BREATH = 0.005


class _Signals(QObject):
    progress = pyqtSignal(float)
    done = pyqtSignal(object)
    failed = pyqtSignal(str)
    stopped = pyqtSignal(str)
    ended = pyqtSignal()


class _Task(QRunnable):
    """A pure piece of work on an immutable snapshot."""

    def __init__(self, work: Work, makes_many: bool) -> None:
        super().__init__()
        self.setAutoDelete(False)
        self._makes_many = makes_many
        self.signals = _Signals()
        self.stop = threading.Event()
        self._work = work

    def _check(self) -> None:
        if self.stop.is_set():
            raise Cancelled

    def _progress(self, fraction: float) -> None:
        self._check()
        self.signals.progress.emit(fraction)

    def run(self) -> None:
        with uncollected() if self._makes_many else nullcontext(), watched(self._check):
            tell = self._worked()
            ended = time.perf_counter()
        if time.perf_counter() - ended > _BREATH:
            time.sleep(_BREATH)
        tell()
        self.signals.ended.emit()

    def _worked(self) -> Callable[[], None]:
        """Does the work; what then tells how it ended."""
        try:
            result = self._work(self._progress)
        except Cancelled as error:
            return partial(self.signals.stopped.emit, str(error))
        except SyntaxaError as error:
            return partial(self.signals.failed.emit, str(error))
        except Exception:  # noqa: BLE001  the outermost layer of a thread: nothing may pass unseen
            _LOG.exception("A background task failed")
            sentence = tr("A fault in the program stopped this; the job is as it was. The log has the details.")
            return partial(self.signals.failed.emit, sentence)
        return partial(self.signals.done.emit, result)


class Lane(QObject):
    """Runs one piece of work at a time; a new one makes the old one stale.

    makes_many   whether curves may be made in it by the hundred thousand
    """

    progress = pyqtSignal(str, float)
    changed = pyqtSignal()

    def __init__(self, parent: QObject, makes_many: bool = True) -> None:
        super().__init__(parent)
        self._makes_many = makes_many
        self._running: list[_Task] = []
        self._newest: _Task | None = None
        self.title = ""

    @property
    def busy(self) -> bool:
        """Whether the newest work is still going on."""
        return self._newest is not None

    def run(
        self,
        title: str,
        work: Work,
        done: Callable[[Any], None],
        failed: Callable[[str], None],
        stopped: Callable[[str], None] | None = None,
    ) -> None:
        """Starts work; `done`, `failed` or `stopped` is called on the interface thread, unless newer work was started.

        Without `stopped`, being stopped is told as a failure.
        """
        self.give_up()
        task = _Task(work, self._makes_many)
        self._newest, self.title = task, title
        self._running.append(task)
        task.signals.progress.connect(lambda share: self.progress.emit(title, share) if task is self._newest else None)
        task.signals.done.connect(lambda result: self._finish(task, lambda: done(result)))
        task.signals.failed.connect(lambda sentence: self._finish(task, lambda: failed(sentence)))
        task.signals.stopped.connect(lambda sentence: self._finish(task, lambda: (stopped or failed)(sentence)))
        task.signals.ended.connect(lambda: self._running.remove(task))
        pool = QThreadPool.globalInstance()
        assert pool is not None, "Qt has a thread pool as long as there is an application"
        pool.start(task)
        self.changed.emit()

    def cancel(self) -> None:
        """Asks the newest work to stop; it then fails with a sentence that says so."""
        if self._newest is not None:
            self._newest.stop.set()

    def stop_all(self) -> None:
        """Stops everything, for the end of the program."""
        self._newest = None
        for task in self._running:
            task.stop.set()

    def give_up(self) -> None:
        """Nobody waits for the newest work any more."""
        if self._newest is not None:
            self._newest.stop.set()
            self._newest = None

    def _finish(self, task: _Task, then: Callable[[], None]) -> None:
        if task is self._newest:
            self._newest = None
            then()
            self.changed.emit()
