"""The job's file: saving, and quitting."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from syntaxa.app.session.recovery import orphans
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import moment, tr


class Files(Feature):
    """The commands of the File menu that are about the job itself."""

    def commands(self) -> Sequence[Command]:
        leaving = self.shell.leaving
        return (
            Command("save", tr("Save the job"), "File/save", leaving.save, "Ctrl+S", "save", self._has_job),
            Command("save_as", tr("Save the job as…"), "File/save", leaving.save_as, "Ctrl+Shift+S", "", self._has_job),
            Command("close", tr("Quit"), "File/end", self.shell.window.close, "Ctrl+Q", "close"),
        )

    def _has_job(self) -> bool:
        return self.shell.session.job is not None

    def begin(self, files: Sequence[Path]) -> bool:
        if not files:
            self.offer_recovery()
        return False

    def offer_recovery(self) -> None:
        """Tells of work that was not saved before the program last ended."""
        left = orphans(self.shell.recovery)
        if not left:
            return
        newest = left[0]
        when = moment(newest.copy.stat().st_mtime)
        more = tr(" {0} more wait behind it.", len(left) - 1) if len(left) > 1 else ""

        def drop() -> None:
            newest.drop()
            self.offer_recovery()

        def take() -> None:
            self.shell.leaving.before(lambda: self.shell.session.files.open_recovered(newest))

        self.shell.banner.tell(
            tr(
                "“{0}” was not saved when the program ended. There is a copy from {1}.{2}",
                newest.about.name,
                when,
                more,
            ),
            ((tr("Open the copy"), take), (tr("Discard it"), drop)),
        )
