"""What edits: undo and redo, selecting, and stopping what is computed."""

from __future__ import annotations

from collections.abc import Sequence

from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import tr


class Editing(Feature):
    """The plain commands of the Edit menu."""

    def commands(self) -> Sequence[Command]:
        session, selection = self.shell.session, self.shell.canvas.selection
        undo, redo, computing, has_job = self._undo_name, self._redo_name, session.computing, self._has_job
        return (
            Command("undo", tr("Undo"), "Edit/undo", session.undo, "Ctrl+Z", "undo", lambda: bool(undo()), undo),
            Command("redo", tr("Redo"), "Edit/undo", session.redo, "Ctrl+Shift+Z", "redo", lambda: bool(redo()), redo),
            Command("select_all", tr("Select all curves"), "Edit/select", selection.choose_all, "Ctrl+A", "", has_job),
            Command("clear_selection", tr("Select nothing"), "Edit/select", selection.clear, "Ctrl+D", "", has_job),
            Command("cancel_work", tr("Stop computing"), "Edit/stop", self.shell.cancel_work, "Ctrl+.", "close",
                    self._busy),
            Command(
                "look_again", tr("Begin again what was stopped"), "Edit/stop", self._look_again, "Shift+F5", "",
                lambda: computing.stopped,
            ),
        )  # fmt: skip

    def _has_job(self) -> bool:
        return self.shell.session.job is not None

    def _busy(self) -> bool:
        return any(lane.busy for lane in self.shell.lanes)

    def _undo_name(self) -> str:
        history = self.shell.session.history
        return history.undo_name if history is not None else ""

    def _redo_name(self) -> str:
        history = self.shell.session.history
        return history.redo_name if history is not None else ""

    def _look_again(self) -> None:
        self.shell.session.computing.look_again()
        self.shell.refresh()
