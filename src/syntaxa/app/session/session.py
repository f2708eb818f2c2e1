"""The open job with its history: the only thing that changes it, and tells what comes of it."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from pathlib import Path
from typing import Any, TypeVar

from PyQt6.QtCore import QObject, pyqtSignal

from syntaxa.app.session.computing import Computing
from syntaxa.app.session.files import Files
from syntaxa.app.session.sources import Sources
from syntaxa.app.words import tr
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Step
from syntaxa.drawing.view import View
from syntaxa.errors import Progress
from syntaxa.job.evaluate import Evaluation
from syntaxa.job.history import History
from syntaxa.job.model import Job

Made = TypeVar("Made")
Choice = TypeVar("Choice")


class Session(QObject):
    """Holds the job with its history; evaluates it in the background after each change."""

    opened = pyqtSignal()
    #: Somebody has changed the job; what comes of it is not known yet.
    changing = pyqtSignal()
    #: What the job comes to is known.
    evaluated = pyqtSignal()
    #: A view that somebody asked for is there, or somebody looks at it in another way.
    viewed = pyqtSignal(object)
    history_changed = pyqtSignal()
    failed = pyqtSignal(str)
    told = pyqtSignal(str)

    def __init__(self, recovery_folder: Path, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self._history: History | None = None
        #: The job that is shown; what is being worked out may be another.
        self._settled: Job | None = None
        self._choices: dict[type, Any] = {}
        self.computing = Computing(self)
        self.computing.viewed.connect(self.viewed)
        self.computing.view_failed.connect(self._view_failed)
        self.files = Files(self, recovery_folder)
        self.sources = Sources(self)

    # ------------------------------------------------------------------ what is there

    @property
    def job(self) -> Job | None:
        """The present job; None before anything was opened."""
        return self._history.job if self._history else None

    @property
    def history(self) -> History | None:
        """Undo and redo of the job."""
        return self._history

    @property
    def evaluation(self) -> Evaluation | None:
        """What the job that is shown has come to."""
        return self.computing.evaluation

    @property
    def state(self) -> State | None:
        """What the steps have made of the drawing."""
        evaluation = self.computing.evaluation
        return evaluation.state if evaluation else None

    @property
    def stale(self) -> bool:
        """Whether what is shown is not yet what the job is."""
        return self.job is not self._settled

    @property
    def busy(self) -> bool:
        """Whether anything is being computed, read or saved."""
        return self.computing.busy or self.files.saving.busy or self.sources.watching.busy

    # ------------------------------------------------------------------ views

    def view(self, view: View[Made], *given: Hashable) -> Made | None:
        """What can be computed of what is shown, if it is there; else it is computed and `viewed` tells."""
        return self.computing.view(view, *given)

    def peek(self, view: View[Made], *given: Hashable) -> Made | None:
        """The same, and nothing is computed."""
        return self.computing.peek(view, *given)

    def chosen(self, kind: type[Choice]) -> Choice:
        """How something is looked at, by the type that says so; plain where nobody has chosen."""
        found: Choice = self._choices.get(kind) or kind()
        return found

    def choose(self, choice: object) -> None:
        """Looks at something in another way; the job does not change."""
        self._choices[type(choice)] = choice
        self.viewed.emit(choice)

    def keep(self, choice: object) -> None:
        """Remembers a choice that changes nothing that is computed."""
        self._choices[type(choice)] = choice

    def _view_failed(self, name: str, sentence: str) -> None:
        if sentence:
            self.failed.emit(sentence)
        else:
            self.told.emit(tr("Stopped: {0}. Shift+F5 begins again.", name.lower()))
        self.viewed.emit(None)

    # ------------------------------------------------------------------ changing

    def do(self, step: Step) -> None:
        """Adds a step, or gives the one of its kind new parameters."""
        if self.job is None:
            return
        if all(s.step != step or not s.enabled or not step.takes_place_of(s.step) for s in self.job.steps):
            self.change(self.job.with_step(step), self.job.title_of(step))

    def switch(self, number: int, enabled: bool) -> None:
        """Switches a step on or off."""
        if self.job is not None:
            self.change(
                self.job.switched(number, enabled), tr("Switch a step on") if enabled else tr("Switch a step off")
            )

    def remove(self, number: int) -> None:
        """Takes a step out."""
        if self.job is not None:
            self.change(self.job.without_step(number), tr("Remove a step"))

    def undo(self) -> None:
        """Takes the last change back."""
        if self._history is not None and self._history.undo_name:
            self._history.undo()
            self._reevaluate()

    def redo(self) -> None:
        """Does again what was undone."""
        if self._history is not None and self._history.redo_name:
            self._history.redo()
            self._reevaluate()

    def change(self, job: Job, name: str) -> None:
        """Another job, as one change that can be taken back."""
        if self._history is not None:
            self._history.do(job, name)
            self.changing.emit()
            self._reevaluate()

    def change_with(self, name: str, make: Callable[[Progress], Job]) -> None:
        """A change that is found by reading; where that fails, the job stays as it is."""

        def work(progress: Progress) -> tuple[Job, Evaluation]:
            job = make(progress)
            return job, self.computing.evaluate(job, progress)

        def done(result: tuple[Job, Evaluation]) -> None:
            job, evaluation = result
            if self._history is not None:
                self._history.do(job, name)
                self._settled = job
                self._take(evaluation)

        self.computing.run(name, work, done, self.failed.emit)

    def start(self, job: Job, evaluation: Evaluation) -> None:
        """Another job altogether, with what it comes to."""
        self._history = History.reopened(job)
        self._settled = job
        self._choices.clear()
        self.computing.settle(evaluation)
        self.opened.emit()
        self._tell()

    def cancel(self) -> None:
        """Stops what is being computed; a change that it was computed for is taken back at once."""
        if self.computing.work.busy and self._history is not None and self._settled is not None and self.stale:
            self._history.back_to(self._settled)
            self.history_changed.emit()
            self.told.emit(tr("Stopped; the job is as it was before."))
        elif self.computing.work.busy:
            self.told.emit(tr("Stopped before it was done; nothing was changed."))
        self.computing.work.cancel()
        self.computing.cancel_views()
        self.sources.watching.cancel()

    def _reevaluate(self) -> None:
        job = self.job
        assert job is not None, "only a job that is there changes"
        self.history_changed.emit()

        def done(evaluation: Evaluation) -> None:
            self._settled = job
            self._take(evaluation)

        self.computing.run(
            tr("Computing"), lambda progress: self.computing.evaluate(job, progress), done, self._not_computed
        )

    def _not_computed(self, sentence: str) -> None:
        """A change that could not be worked out is no change: job and picture must not drift apart."""
        if self._history is not None and self._settled is not None:
            self._history.back_to(self._settled)
            self.history_changed.emit()
        self.failed.emit(sentence)

    def _take(self, evaluation: Evaluation) -> None:
        self.computing.settle(evaluation)
        self._tell()

    def _tell(self) -> None:
        self.history_changed.emit()
        self.evaluated.emit()

    # ------------------------------------------------------------------ the end

    def close(self) -> None:
        """Stops all work and forgets the recovery copy: the user has decided."""
        self.stop_all()
        self.files.close()

    def stop_all(self) -> None:
        """Stops all work for good."""
        self.computing.stop_all()
        self.files.saving.stop_all()
        self.sources.stop_all()
