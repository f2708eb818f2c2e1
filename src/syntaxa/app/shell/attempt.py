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
        #: The step that was asked for last, until it is known whether it can be.
        self._asked: Step | None = None
        session.evaluated.connect(self._judge)

    def do(self, *steps: Step) -> None:
        """Does a step; several are one change, to be taken back together."""
        self._asked = steps[-1]
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
        if asked is None or evaluation is None or job is None or not job.steps:
            return
        mine = next((s.number for s in reversed(job.steps) if s.step == asked), None)
        row = next((r for r in evaluation.ledger if r.number == mine), None)
        if row is None:
            return
        self._asked = None
        if row.failed:
            self.refused.emit(row.failed)
            # Not while others are still being told of the evaluation.
            QTimer.singleShot(0, self._session.undo)
        else:
            self.done.emit()
