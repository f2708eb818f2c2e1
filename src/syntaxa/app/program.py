"""Starts the window, and the walk through the demo."""

from __future__ import annotations

import logging
import sys
from collections.abc import Sequence
from pathlib import Path
from types import TracebackType
from typing import TYPE_CHECKING

from PyQt6.QtCore import QThreadPool
from PyQt6.QtWidgets import QApplication

from syntaxa.app.settings import Settings, recovery_folder
from syntaxa.app.words import speak, tr
from syntaxa.memory import settled

if TYPE_CHECKING:
    from syntaxa.app.shell.shell import DemoMaker
    from syntaxa.app.shell.window import MainWindow

_LOG = logging.getLogger(__name__)

#: Milliseconds that background work is given to stop when the program ends.
_PATIENCE = 5000

_HAND_BACK = 0.0005


def open_window(files: Sequence[str], make_demo: DemoMaker) -> int:
    """The window, on the first of the files."""
    application, window = start(make_demo)
    window.show()
    window.shell.begin([Path(f) for f in files])
    return application.exec()


def open_demo(make_demo: DemoMaker, walk: str | None) -> int:
    """The window on the demo; with a folder, a walk through its stages that leaves pictures there."""
    application, window = start(make_demo, Settings(Path(walk) / "settings.json") if walk else None)
    window.show()
    window.shell.commands["open_demo"].run()
    if walk is not None:
        # The walk is loaded where somebody wants it.
        from syntaxa.app.walk import walk_demo

        return walk_demo(window, Path(walk))
    return application.exec()


def start(make_demo: DemoMaker, settings: Settings | None = None) -> tuple[QApplication, MainWindow]:
    """The application and its window, not yet shown."""
    # Background work hands the interpreter back this often (seconds); by default the window would wait ten times as
    # long for it, many times over in one repaint.
    sys.setswitchinterval(_HAND_BACK)
    application = QApplication(sys.argv[:1])
    application.setApplicationName("Syntaxa")
    application.setDesktopFileName("syntaxa")
    settings = settings or Settings()
    speak(application, settings.values.language)
    # What has words of its own is loaded once the language is known.
    from syntaxa.app.shell.choosers import Choosers
    from syntaxa.app.shell.window import MainWindow

    window = MainWindow(settings, recovery_folder(), Choosers(), make_demo)
    sys.excepthook = lambda kind, error, trace: _report(window, kind, error, trace)
    application.aboutToQuit.connect(lambda: end_work(window))
    settled()
    return application, window


def end_work(window: MainWindow) -> None:
    """Stops background work: quitting while it runs would abort the process."""
    window.shell.stop_all()
    pool = QThreadPool.globalInstance()
    if pool is not None:
        pool.waitForDone(_PATIENCE)


def _report(window: MainWindow, kind: type[BaseException], error: BaseException, trace: TracebackType | None) -> None:
    """A fault in a slot is logged and told; without this it would end the process."""
    if issubclass(kind, KeyboardInterrupt):
        sys.__excepthook__(kind, error, trace)
        return
    _LOG.error("A fault in the window", exc_info=(kind, error, trace))
    window.shell.complain(tr("A fault in the program: {0}. The job is as it was; save it under another name.", error))
