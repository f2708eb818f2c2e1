"""Opening drawings and jobs, and the demo; what would be lost is asked about first."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path
from typing import TYPE_CHECKING

from syntaxa.app.words import tr
from syntaxa.errors import Progress, SyntaxaError, reason_of
from syntaxa.intake.steps import TakeIn
from syntaxa.job.store import ENDING

if TYPE_CHECKING:
    from syntaxa.app.stages.intake.stage import IntakeStage


class Opening:
    """Remembers what is being opened, to list it among the drawings opened lately."""

    def __init__(self, stage: IntakeStage) -> None:
        self._stage, self._shell = stage, stage.shell
        self.opening: Path | None = None

    def opened(self) -> None:
        """It is open now; the demo is no drawing of the user's."""
        if self.opening is not None and self.opening.parent != self._demo_folder:
            self._shell.settings.add_recent(self.opening)
        self.opening = None

    def ask_open(self) -> None:
        """Asks for a job and opens it, or for a drawing and shows it; a preset for every file takes it at once."""
        path = self._shell.choosers.open_file(self._shell.window, self._shell.settings.values.folder)
        if path is not None and self._stage.look.kept.always:
            self.open_path(path)
        elif path is not None:
            self._stage.look_at_recent(path)

    def open_path(self, path: Path) -> None:
        """Opens a drawing at once, or a job, after asking about unsaved work.

        A drawing is taken in as it was last time, or by the preset that is used for every file.
        """

        def go_on() -> None:
            self.opening = path
            self._shell.session.files.open_path(path, self._stage.look.kept.offered(path.resolve(), "")[0])

        self._shell.leaving.before(go_on)

    def open_paths(self, paths: Sequence[Path]) -> None:
        """Opens files as they were named: one of them, or several drawings as one job. A job is opened alone."""
        jobs = [p for p in paths if p.suffix.lower() == ENDING]
        if len(paths) == 1 or jobs:
            self.open_path((jobs or list(paths))[0])
            if len(paths) > 1:
                self._shell.complain(
                    tr("{0} is a job and was opened alone; add the others to it one by one.", jobs[0].name)
                )
            return

        def go_on() -> None:
            self.opening = paths[0]
            others = [(p, TakeIn(into=p.stem)) for p in paths[1:]]
            first = paths[0], self._stage.look.kept.offered(paths[0].resolve(), "")[0]
            self._shell.session.files.open_several([first, *others])

        self._shell.leaving.before(go_on)

    def open_demo(self) -> None:
        """Opens the demo drawing, made anew."""
        self._with_demo(self.open_path)

    def browse_demo(self) -> None:
        """Shows the demo's drawings of all formats on the shelf, made anew."""
        self._with_demo(lambda path: self._stage.browse(path.parent))

    def _with_demo(self, then: Callable[[Path], None]) -> None:
        folder = self._demo_folder

        def make(_progress: Progress) -> Path:
            try:
                folder.mkdir(parents=True, exist_ok=True)
                return self._shell.make_demo(folder)
            except OSError as error:
                raise SyntaxaError(tr("The demo cannot be written to {0}: {1}.", folder, reason_of(error))) from error

        self._shell.run(tr("Making the demo drawings"), make, then)

    @property
    def _demo_folder(self) -> Path:
        return self._shell.recovery.parent / "demo"
