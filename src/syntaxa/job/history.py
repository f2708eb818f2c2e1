"""Undo and redo: every state of the job, nothing forgotten until something else is done."""

from __future__ import annotations

from syntaxa.job.model import Job


class History:
    """The jobs before and after the present one, each with the name of what led to it."""

    def __init__(self, job: Job) -> None:
        self._jobs: list[tuple[Job, str]] = [(job, "")]
        self._at = 0

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

    def undo(self) -> Job:
        """Goes back one; stays at the first."""
        self._at = max(0, self._at - 1)
        return self.job

    def redo(self) -> Job:
        """Goes forward one; stays at the last."""
        self._at = min(len(self._jobs) - 1, self._at + 1)
        return self.job
