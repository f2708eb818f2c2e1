"""A step that is tried for good: done at once, and taken back where the ledger says that it could not be."""

from __future__ import annotations

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from syntaxa.app.session.session import Session
from syntaxa.drawing.step import Step


class Attempt(QObject):
    """Does steps for a panel."""

    #: A step could not be done, in a sentence; it is taken back.
    refused = pyqtSignal(str)
    #: A step was done.
    done = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        #: The steps that were asked for last, until it is known whether they can be.
        self._asked: tuple[Step, ...] = ()
        session.evaluated.connect(self._judge)

    def do(self, *steps: Step) -> None:
        """Does a step; several are one change, to be taken back together."""
        self._asked = steps
        job = self._session.job
        if len(steps) == 1 or job is None:
            self._session.do(steps[0])
            return
        name = job.title_of(steps[-1])
        for step in steps:
            job = job.with_step(step)
        self._session.change(job, name)

    def _judge(self) -> None:
        asked, evaluation, job = self._asked, self._session.evaluation, self._session.job
        if not asked or evaluation is None or job is None or not job.steps:
            return
        # Of steps that are alike, the last is the one that was asked for.
        numbers = [next((s.number for s in reversed(job.steps) if s.step == one), None) for one in asked]
        rows = [r for r in evaluation.ledger if r.number in numbers]
        if numbers[-1] not in [r.number for r in rows]:
            return
        self._asked = ()
        failed = next((r.failed for r in rows if r.failed), "")
        if failed:
            # Not while others are still being told of the evaluation.
            QTimer.singleShot(0, lambda: self._take_back(failed))
        else:
            self.done.emit()

    def _take_back(self, why: str) -> None:
        self._session.undo()
        self.refused.emit(why)
