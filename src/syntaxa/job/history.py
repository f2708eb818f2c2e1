"""Undo and redo: every state of the job, nothing forgotten until something else is done."""

from __future__ import annotations

from syntaxa.job.model import Job

#: Steps of a job from a file that can be taken back one by one.
_MOST_BACK = 200


class History:
    """The jobs before and after the present one, each with the name of what led to it."""

    def __init__(self, job: Job) -> None:
        self._jobs: list[tuple[Job, str]] = [(job, "")]
        self._at = 0

    @classmethod
    def reopened(cls, job: Job) -> History:
        """The history of a job from a file: its steps can be taken back in the order in which they were made.

        What was changed about a step later is not known any more; taken back, it is gone.
        """
        history = cls(job)
        made = sorted(job.steps, key=lambda s: s.number)[-_MOST_BACK:]
        earlier: list[tuple[Job, str]] = []
        for step in reversed(made):
            earlier.append((job, step.step.title))
            job = job.without_step(step.number)
        history._jobs = [(job, ""), *reversed(earlier)]
        history._at = len(history._jobs) - 1
        return history

    @property
    def job(self) -> Job:
        """The present job."""
        return self._jobs[self._at][0]

    def do(self, job: Job, name: str) -> None:
        """Makes the job the present one; what was undone before is given up."""
        del self._jobs[self._at + 1 :]
        self._jobs.append((job, name))
        self._at += 1

    @property
    def undo_name(self) -> str:
        """What undo would take back; empty where there is nothing."""
        return self._jobs[self._at][1] if self._at else ""

    @property
    def redo_name(self) -> str:
        """What redo would do again; empty where there is nothing."""
        return self._jobs[self._at + 1][1] if self._at + 1 < len(self._jobs) else ""

    def back_to(self, job: Job) -> None:
        """Makes a job of before the present one again; what was done on top of it and never came about is forgotten."""
        places = [k for k, (known, _) in enumerate(self._jobs) if known is job]
        if not places:
            return
        if places[0] < self._at == len(self._jobs) - 1:
            del self._jobs[places[0] + 1 :]
        self._at = places[0]

    def undo(self) -> Job:
        """Goes back one; stays at the first."""
        self._at = max(0, self._at - 1)
        return self.job

    def redo(self) -> Job:
        """Goes forward one; stays at the last."""
        self._at = min(len(self._jobs) - 1, self._at + 1)
        return self.job
