"""Notices that files changed on disk, also where a program puts a new file in the place of the old."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path

from PyQt6.QtCore import QFileSystemWatcher, QObject, QTimer, pyqtSignal

#: Milliseconds without a further change before it is told: a file is often written in several goes.
_QUIET = 400


class Watcher(QObject):
    """Watches files and the folders that they are in."""

    changed = pyqtSignal()

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self._system = QFileSystemWatcher(self)
        self._wanted: dict[str, tuple[int, int] | None] = {}
        self._quiet = QTimer(self)
        self._quiet.setSingleShot(True)
        self._quiet.setInterval(_QUIET)
        self._quiet.timeout.connect(self._settled)
        self._system.fileChanged.connect(lambda _path: self._quiet.start())
        self._system.directoryChanged.connect(lambda _path: self._quiet.start())

    def watch(self, paths: Iterable[str]) -> None:
        """Watches these files and no others."""
        wanted = {p: self._wanted.get(p, _mark(p)) for p in paths if p}
        if wanted.keys() == self._wanted.keys():
            return
        self._wanted = wanted
        self._attach()

    def _attach(self) -> None:
        watched = [*self._system.files(), *self._system.directories()]
        if watched:
            self._system.removePaths(watched)
        there = [p for p in self._wanted if Path(p).exists()]
        folders = sorted({str(Path(p).parent) for p in self._wanted if Path(p).parent.is_dir()})
        if there or folders:
            self._system.addPaths([*there, *folders])

    def _settled(self) -> None:
        # A new file in the place of the old one is another file to the system: it has to be watched anew.
        self._attach()
        marks = {p: _mark(p) for p in self._wanted}
        if marks != self._wanted:
            self._wanted = marks
            self.changed.emit()


def _mark(path: str) -> tuple[int, int] | None:
    """What tells a changed file from an unchanged one at a glance."""
    try:
        status = Path(path).stat()
    except OSError:
        return None
    return status.st_mtime_ns, status.st_size
