"""The file of the job: opening, saving, the recovery copy and the lock, all off the window's thread."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from syntaxa.app.session.lanes import Lane
from syntaxa.app.session.recovery import Lock, Orphan, RecoveryCopy, job_lock
from syntaxa.app.words import tr
from syntaxa.errors import PasswordNeeded, Progress, SyntaxaError
from syntaxa.intake.registry import digest_of, load_bytes
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluation
from syntaxa.job.model import Job, Source
from syntaxa.job.passwords import PASSWORDS
from syntaxa.job.revise import with_added
from syntaxa.job.store import ENDING, load_job, save_job

if TYPE_CHECKING:
    from syntaxa.app.session.session import Session

#: Milliseconds after a change before the recovery copy is written.
_RECOVERY_DELAY = 1500


class Files(QObject):
    """Knows which file the job is of, and whether it was saved."""

    #: A source is locked: what to say, the digest of its file, and what to call once its password is known.
    locked = pyqtSignal(str, str, object)

    def __init__(self, session: Session, recovery_folder: Path) -> None:
        super().__init__(session)
        self._session = session
        self._folder = recovery_folder
        self._copy = RecoveryCopy(recovery_folder)
        #: The copy of an earlier run that this job was opened from, until it is saved.
        self._adopted: Orphan | None = None
        self._lock: Lock | None = None
        self._saved: Job | None = None
        #: The job as it was opened: there is no work in it yet.
        self._began: Job | None = None
        #: The job file as it was opened or saved last, and as it was when its change was told.
        self._on_disk, self._told_changed = "", ""
        self.path: Path | None = None
        self.saving = Lane(self)
        self._recovering = Lane(self)
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.setInterval(_RECOVERY_DELAY)
        self._timer.timeout.connect(self.write_recovery)
        session.history_changed.connect(self._changed)

    @property
    def unsaved(self) -> bool:
        """Whether the job differs from its file."""
        job = self._session.job
        return job is not None and job is not self._saved

    @property
    def unsaved_work(self) -> bool:
        """Whether anything would be lost: a drawing that was only opened has no work in it."""
        return self.unsaved and bool(self._session.job and self._session.job.steps)

    @property
    def name(self) -> str:
        """What the window's title calls the job."""
        if self.path is not None:
            return self.path.stem
        if self._adopted is not None and self._adopted.about.name:
            return self._adopted.about.name
        job = self._session.job
        return Path(job.source.name).stem if job else ""

    # ------------------------------------------------------------------ opening

    def open_path(self, path: Path, choice: TakeIn | None = None) -> None:
        """Opens a drawing, taken in as chosen, or a job; on failure the present job stays."""
        is_job = path.suffix.lower() == ENDING
        self._open(path, lambda: load_job(path) if is_job else _new_job(path, choice))

    def open_recovered(self, orphan: Orphan) -> None:
        """Opens a recovery copy as what it is: the unsaved job of the file that it was made of."""
        self._open(orphan.copy, lambda: load_job(orphan.copy), orphan)

    def open_several(self, chosen: Sequence[tuple[Path, TakeIn]]) -> None:
        """Opens several drawings as one job; all but the first go to a sketch of their own."""
        self._open(chosen[0][0], lambda: with_all(_new_job(*chosen[0]), chosen[1:]))

    def _open(self, path: Path, made: Callable[[], Job], orphan: Orphan | None = None) -> None:
        computing = self._session.computing

        def work(progress: Progress) -> tuple[Job, Evaluation] | PasswordNeeded:
            try:
                job = made()
                return job, computing.evaluate(job, progress)
            except PasswordNeeded as error:
                return error

        def done(result: tuple[Job, Evaluation] | PasswordNeeded) -> None:
            if isinstance(result, PasswordNeeded):
                self.locked.emit(str(result), result.digest, lambda: self._open(path, made, orphan))
            else:
                self._opened(path, *result, orphan)

        computing.run(tr("Opening {0}", path.name), work, done, self._session.failed.emit)

    def _opened(self, path: Path, job: Job, evaluation: Evaluation, orphan: Orphan | None) -> None:
        is_job = path.suffix.lower() == ENDING and orphan is None
        self._drop_recovery()
        self._adopted = orphan
        self._saved = job if is_job else None
        self._began = job
        told = self._hold(path if is_job else orphan.path if orphan is not None else None)
        self._session.start(job, evaluation)
        if told:
            self._session.failed.emit(told)

    def _hold(self, path: Path | None) -> str:
        """This is the file of the job from now on; what is to be told where another window has it open."""
        if self._lock is not None:
            self._lock.release()
            self._lock = None
        self.path = path
        self._on_disk, self._told_changed = _digest_on_disk(path), ""
        if path is not None:
            lock = job_lock(self._folder, path)
            if lock.take():
                self._lock = lock
            else:
                return tr("{0} is open in another window as well. Save one of the two under another name.", path.name)
        return ""

    # ------------------------------------------------------------------ saving

    def save(self, path: Path, preview: bytes = b"", then: Callable[[], None] | None = None) -> None:
        """Saves the job, and calls `then` where that went well; a failure is told."""
        session, job = self._session, self._session.job
        if job is None:
            return
        own = self.path is not None and path.resolve() == self.path.resolve()

        def work(progress: Progress) -> str | None:
            now = _digest_on_disk(path) if own else ""
            if now not in ("", self._on_disk, self._told_changed):
                return now
            progress(0.1)
            save_job(job, path, preview)
            return None

        def done(changed: str | None) -> None:
            if changed is not None:
                self._told_changed = changed
                session.failed.emit(
                    tr(
                        "{0} was changed by another program or window since it was opened; nothing was saved. "
                        "Save under another name, or save again to replace it.",
                        path.name,
                    )
                )
                return
            self._was_saved(job, path)
            if then is not None:
                then()

        self.saving.run(tr("Saving {0}", path.name), work, done, session.failed.emit)

    def _was_saved(self, job: Job, path: Path) -> None:
        session = self._session
        for source in job.sources:
            PASSWORDS.keep(source.digest)
        self._saved = job
        told = ""
        if path == self.path:
            self._on_disk = _digest_on_disk(path)
        else:
            told = self._hold(path)
        self._drop_recovery()
        session.history_changed.emit()
        session.told.emit(tr("Saved {0}.", path.name))
        if told:
            session.failed.emit(told)

    # ------------------------------------------------------------------ recovery

    def _changed(self) -> None:
        if self.unsaved and self._session.history is not None:
            self._timer.start()

    def write_recovery(self) -> None:
        """Writes the recovery copy, where there is anything to be lost."""
        job = self._session.job
        if job is None or not self.unsaved:
            return
        if job is self._began:
            # Everything was taken back; what a copy of before holds is not wanted any more.
            self._copy.drop()
            return
        name, path = self.name, self.path

        def work(progress: Progress) -> None:
            progress(0.1)
            try:
                self._copy.write(job, name, path)
            except OSError as error:
                raise SyntaxaError(tr("The recovery copy could not be written.")) from error

        def failed(_sentence: str) -> None:
            self._session.told.emit(tr("The recovery copy could not be written."))

        self._recovering.run(tr("Keeping a copy"), work, lambda _done: None, failed)

    def _drop_recovery(self) -> None:
        self._timer.stop()
        self._recovering.give_up()
        self._copy.drop()
        if self._adopted is not None:
            self._adopted.drop()
            self._adopted = None

    def close(self) -> None:
        """Lets the file and the copy go: the user has decided."""
        self._drop_recovery()
        if self._lock is not None:
            self._lock.release()
            self._lock = None


def with_all(job: Job, chosen: Sequence[tuple[Path, TakeIn]]) -> Job:
    """The job with more drawings, each taken in as chosen."""
    for path, choice in chosen:
        job, _ = with_added(job, linked_source(path), choice)
    return job


def linked_source(path: Path) -> Source:
    """A drawing as a source that is linked to its file."""
    return Source.of(path.name, load_bytes(path), str(path.resolve()))


def _new_job(path: Path, choice: TakeIn | None) -> Job:
    job = Job.of(linked_source(path))
    return job if choice is None or choice == TakeIn() else job.with_step(choice)


def _digest_on_disk(path: Path | None) -> str:
    """What a job file holds now; empty where there is none."""
    try:
        return "" if path is None else digest_of(path.read_bytes())
    except OSError:
        return ""
