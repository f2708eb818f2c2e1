"""The sources of the job: added, taken out, linked to files, and looked after when these change."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QObject, pyqtSignal

from syntaxa.app.session.files import linked_source, with_all
from syntaxa.app.session.lanes import Lane
from syntaxa.app.session.watcher import Watcher
from syntaxa.app.words import tr
from syntaxa.errors import Progress
from syntaxa.intake.model import ReadOptions, Received
from syntaxa.intake.steps import TakeIn
from syntaxa.job.model import Job, Source
from syntaxa.job.revise import Revision, accepted, changed_on_disk, revision, with_layer_replaced

if TYPE_CHECKING:
    from syntaxa.app.session.session import Session


class Sources(QObject):
    """Changes the sources, and watches the files that they are linked to."""

    #: A linked source changed on disk, and what that would change is ready to be looked at.
    revised = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._session = session
        self.watching = Lane(self)
        #: What a changed file would change, until it is accepted or left; what was left is not offered again.
        self.revision: Revision | None = None
        self._declined: set[str] = set()
        self.watcher = Watcher(self)
        self.watcher.changed.connect(self.look_for_changes)
        session.opened.connect(self._opened)
        session.evaluated.connect(self._watch)

    def read(self, source: Source, options: ReadOptions, progress: Progress) -> Received:
        """A source as a drawing, remembered for when it is taken in; may be called from any thread."""
        return self._session.computing.evaluator.read_source(source, options, progress)

    def add(self, chosen: Sequence[tuple[Path, TakeIn]]) -> None:
        """Adds drawings to the job, placed at the same origin."""
        before = self._session.job
        if before is not None:
            name = chosen[0][0].name if len(chosen) == 1 else tr("{0} drawings", len(chosen))
            self._session.change_with(tr("Add {0}", name), lambda _progress: with_all(before, chosen))

    def replace_layer(self, number: int, layer: str, path: Path) -> None:
        """Takes one layer from a revised file instead."""
        before = self._session.job
        if before is None:
            return

        def made(progress: Progress) -> Job:
            source = linked_source(path)
            return with_layer_replaced(
                before, number, layer, source, self.read(source, before.reading(number), progress).drawing
            )

        self._session.change_with(tr("Replace layer {0} from {1}", layer, path.name), made)

    def remove(self, number: int) -> None:
        """Takes a source out of the job."""
        if self._session.job is not None:
            self._session.change(self._session.job.without_source(number), tr("Remove a source"))

    def set(self, source: Source, name: str) -> None:
        """Changes how a source is linked."""
        if self._session.job is not None:
            self._session.change(self._session.job.with_changed(source), name)
            self.look_for_changes()

    # ------------------------------------------------------------------ changed files

    def look_for_changes(self) -> None:
        """Looks whether a linked file changed, and what that would change."""
        job = self._session.job
        if job is None or self.revision is not None:
            return
        evaluator = self._session.computing.evaluator

        def look(progress: Progress) -> Revision | None:
            for source in job.sources:
                data = changed_on_disk(source)
                if data is not None:
                    found = revision(job, source.number, data, evaluator, progress)
                    if found.new.digest not in self._declined:
                        return found
            return None

        def done(found: Revision | None) -> None:
            if found is not None and self.revision is None:
                self.revision = found
                self.revised.emit()

        # A file that is being written reads badly for a moment; the next change is looked at again.
        self.watching.run(tr("Looking for changes"), look, done, self._session.told.emit)

    def accept_revision(self) -> None:
        """Takes the changed file over; all steps are done again."""
        if self._session.job is not None and self.revision is not None:
            revised, self.revision = self.revision, None
            self._session.change(accepted(self._session.job, revised), tr("Take over the new {0}", revised.new.name))
            self.look_for_changes()

    def decline_revision(self) -> None:
        """Stays with what the job has; this revision is not offered again."""
        if self.revision is not None:
            self._declined.add(self.revision.new.digest)
            self.revision = None
            self._session.evaluated.emit()
            self.look_for_changes()

    def _opened(self) -> None:
        self.revision = None
        self._declined.clear()
        if self._session.files.path is not None:
            self.look_for_changes()

    def _watch(self) -> None:
        job = self._session.job
        self.watcher.watch([s.path for s in job.sources if s.link == "linked"] if job else ())

    def stop_all(self) -> None:
        """Watches nothing any more."""
        self.watcher.watch(())
        self.watching.stop_all()
