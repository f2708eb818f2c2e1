"""Small pictures of drawings, made one after the other in a process of their own and kept in a cache."""

from __future__ import annotations

import contextlib
import hashlib
import sys
from collections import OrderedDict
from pathlib import Path

import msgspec
from PyQt6.QtCore import QObject, QProcess, QProcessEnvironment, QTimer, pyqtSignal

from syntaxa.app.stages.intake.picture_worker import Answer, Order
from syntaxa.app.words import tr

#: Milliseconds that one picture may take.
_PATIENCE = 60_000

#: Pictures that the cache keeps; the oldest go first.
_MOST_KEPT = 3000

#: Goes up when pictures of the same drawing come out otherwise.
_STYLE = "1"


class Thumbnails(QObject):
    """Tells when the picture of a file is there, or why there is none."""

    ready = pyqtSignal(str, str)
    failed = pyqtSignal(str, str)

    def __init__(self, folder: Path, parent: QObject) -> None:
        super().__init__(parent)
        self._folder = folder
        self._waiting: OrderedDict[str, Path] = OrderedDict()
        self._now = ""
        self._look = "paper"
        self._process: QProcess | None = None
        self._clock = QTimer(self)
        self._clock.setSingleShot(True)
        self._clock.setInterval(_PATIENCE)
        self._clock.timeout.connect(self._too_slow)

    def want(self, paths: list[Path], look: str) -> None:
        """Makes pictures of these files, in order, and of no others."""
        self._look = look
        self._waiting = OrderedDict((str(p), p) for p in paths)
        for name, path in list(self._waiting.items()):
            if self._kept(path).is_file():
                del self._waiting[name]
                self.ready.emit(name, str(self._kept(path)))
        self._next()

    @property
    def busy(self) -> bool:
        """Whether a picture is still to come."""
        return bool(self._now or self._waiting)

    def stop(self) -> None:
        """Ends the process."""
        self._waiting.clear()
        self._now = ""
        self._clock.stop()
        process, self._process = self._process, None
        if process is not None:
            process.blockSignals(True)
            process.kill()
            process.waitForFinished(3000)

    def _kept(self, path: Path) -> Path:
        try:
            status = path.stat()
            mark = f"{status.st_mtime_ns}-{status.st_size}"
        except OSError:
            mark = "gone"
        key = hashlib.sha256(f"{path.resolve()}|{mark}|{self._look}|{_STYLE}".encode()).hexdigest()
        return self._folder / f"{key[:32]}.png"

    def _next(self) -> None:
        if self._now or not self._waiting:
            return
        name, path = self._waiting.popitem(last=False)
        self._now = name
        self._tidy()
        if self._process is None:
            self._process = self._started()
        order = Order(str(path.resolve()), str(self._kept(path)), self._look)
        self._process.write(msgspec.json.encode(order) + b"\n")
        self._clock.start()

    def _started(self) -> QProcess:
        process = QProcess(self)
        environment = QProcessEnvironment.systemEnvironment()
        environment.insert("QT_QPA_PLATFORM", "offscreen")
        process.setProcessEnvironment(environment)
        process.setStandardErrorFile(QProcess.nullDevice())
        process.readyReadStandardOutput.connect(self._read)
        process.finished.connect(lambda *_: self._ended())
        process.start(sys.executable, ["-m", "syntaxa.app.stages.intake.picture_worker"])
        return process

    def _read(self) -> None:
        process = self._process
        while process is not None and process.canReadLine():
            try:
                answer = msgspec.json.decode(bytes(process.readLine().data()), type=Answer)
            except msgspec.MsgspecError:
                continue
            self._answered(answer.says)

    def _answered(self, says: str) -> None:
        name, self._now = self._now, ""
        self._clock.stop()
        if name and says:
            self.failed.emit(name, says)
        elif name:
            self.ready.emit(name, str(self._kept(Path(name))))
        self._next()

    def _ended(self) -> None:
        """The process died on a file: that one has no picture, the next has a new process."""
        self._process = None
        if self._now:
            self._answered(tr("No picture could be made of it."))

    def _too_slow(self) -> None:
        if self._process is not None:
            self._process.kill()

    def _tidy(self) -> None:
        with contextlib.suppress(OSError):
            self._folder.mkdir(parents=True, exist_ok=True)
            kept = sorted(self._folder.glob("*.png"), key=lambda p: p.stat().st_mtime)
            for path in kept[: max(0, len(kept) - _MOST_KEPT)]:
                path.unlink(missing_ok=True)
