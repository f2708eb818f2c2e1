"""What is computed of the job in the background: the job itself, and the views that somebody looks at.

Views are made one after the other in the order in which they were asked for; when the job changes, those that wait are
dropped and the one that is being made is stopped. One that failed or was stopped is not begun again by itself.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import Any, TypeVar

from PyQt6.QtCore import QObject, pyqtSignal

from syntaxa.app.session.lanes import Lane, Work
from syntaxa.app.words import tr
from syntaxa.drawing.step import Context
from syntaxa.drawing.view import View
from syntaxa.errors import Progress
from syntaxa.form.asking import SHOP, asked
from syntaxa.intake.registry import load_native
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job
from syntaxa.job.views import Views
from syntaxa.job.worker import Worker

Made = TypeVar("Made")

_Wish = tuple[View[Any], tuple[Hashable, ...]]


def _forget(_anything: object) -> None:
    """Whatever came of it: nobody asked for it."""


class Computing(QObject):
    """Runs evaluations and views, and tells when they are there."""

    #: A view that somebody asked for is there.
    viewed = pyqtSignal(object)
    #: A view cannot be made, or was stopped: what it is called, and why; empty for stopped.
    view_failed = pyqtSignal(str, str)

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self.worker = Worker()
        #: Where the solid kernel lives; it starts when it is first wanted.
        self.solids = Worker(preload=SHOP)
        self.evaluator = Evaluator(worker=self.worker, solids=self.solids)
        self.views = Views()
        self.work = Lane(self)
        self.looking = Lane(self)
        #: Views that are made together with the job, so that its picture is never behind it.
        self.at_once: tuple[View[Any], ...] = ()
        self.evaluation: Evaluation | None = None
        self._waiting: list[_Wish] = []
        self._now: _Wish | None = None
        self._given_up: set[_Wish] = set()
        self._ended = False
        self._warm, self._warming = False, Lane(self)

    @property
    def busy(self) -> bool:
        """Whether anything is being computed."""
        return self.work.busy or self.looking.busy

    def warm_up(self) -> None:
        """Starts the worker while nobody waits, so that the first file that wants it is not kept waiting."""
        if not self._warm:
            self._warm = True
            self._warming.run(tr("Getting ready"), lambda _progress: self.worker.call(load_native), _forget, _forget)

    def warm_solids(self) -> None:
        """Starts the solid kernel while nobody waits."""
        if not self.solids.number:
            here = Context(solids=self.solids)
            self._warming.run(
                tr("Getting ready"), lambda _progress: asked(here, "ready", about=tr("Getting ready")), _forget, _forget
            )

    def evaluate(self, job: Job, progress: Progress) -> Evaluation:
        """What a job comes to, with the views that belong to its picture; for any thread."""
        evaluation = self.evaluator.evaluate(job, lambda share: progress(0.8 * share))
        for k, view in enumerate(self.at_once):
            progress(0.8 + 0.2 * k / len(self.at_once))
            self.views.make(view, evaluation)
        progress(1.0)
        return evaluation

    def run(self, title: str, work: Work, done: Callable[[Any], None], failed: Callable[[str], None]) -> None:
        """Work that gives another job: what was looked at is stopped, for it will be stale."""
        self.drop_views()
        self.work.run(title, work, done, failed, lambda _sentence: None)

    def settle(self, evaluation: Evaluation) -> None:
        """From now on views are of this."""
        self.drop_views()
        self.evaluation = evaluation
        self.evaluator.keep_broken(evaluation)

    # ------------------------------------------------------------------ views

    def peek(self, view: View[Made], *given: Hashable) -> Made | None:
        """A view if it is there; nothing is computed."""
        return None if self.evaluation is None else self.views.peek(view, self.evaluation, *given)

    def view(self, view: View[Made], *given: Hashable) -> Made | None:
        """A view if it is there; else it is computed, and `viewed` tells when it is."""
        found = self.peek(view, *given)
        wish = view, given
        if found is None and self.evaluation is not None and wish not in self._given_up and not self._ended:
            if wish != self._now and wish not in self._waiting:
                self._waiting.append(wish)
            self._next()
        return found

    def was_given_up(self, view: View[Any], *given: Hashable) -> bool:
        """Whether a view failed or was stopped, and will not come by itself."""
        return (view, given) in self._given_up

    @property
    def stopped(self) -> bool:
        """Whether anything failed or was stopped that could be begun again."""
        return bool(self._given_up)

    def look_again(self) -> None:
        """What failed or was stopped may be begun again."""
        self._given_up.clear()

    def drop_views(self) -> None:
        """Nobody waits for any view any more."""
        self._waiting.clear()
        self._given_up.clear()
        if self._now is not None:
            self._now = None
            self.looking.give_up()

    def cancel_views(self) -> None:
        """The user has stopped what is being made."""
        self._given_up.update(self._waiting)
        self._waiting.clear()
        self.looking.cancel()

    def _next(self) -> None:
        if self._now is not None or not self._waiting or self.evaluation is None or self.work.busy:
            return
        wish = self._now = self._waiting.pop(0)
        view, given = wish
        evaluation = self.evaluation

        def make(progress: Progress) -> None:
            self.views.make(view, evaluation, *given, progress=progress)

        def done(_nothing: None) -> None:
            self._now = None
            self._next()
            self.viewed.emit(view)

        def failed(sentence: str) -> None:
            self._now = None
            self._given_up.add(wish)
            self._next()
            self.view_failed.emit(view.name, sentence)

        self.looking.run(view.name, make, done, failed, lambda _sentence: failed(""))

    def stop_all(self) -> None:
        """Stops everything, for the end of the program."""
        self._ended = True
        self._waiting.clear()
        self.work.stop_all()
        self.looking.stop_all()
        self._warming.stop_all()
        self.worker.close()
        self.solids.close()
