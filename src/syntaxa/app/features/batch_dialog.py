"""A recipe on many drawings, from the window: what to run, how far it is, and what became of each."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QComboBox, QDialog, QGridLayout, QHBoxLayout, QProgressBar, QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.session.lanes import Lane
from syntaxa.app.settings import Settings
from syntaxa.app.shell.choosers import Choosers
from syntaxa.app.widgets.labels import ElidedLabel, button, cell, label, set_role, table
from syntaxa.app.words import counted, tr
from syntaxa.errors import Progress
from syntaxa.job.batch import Outcome, Summary, run_many
from syntaxa.job.recipe import load_recipe


class BatchDialog(QDialog):
    """Recipe, drawings, folder; then a row for each drawing."""

    def __init__(self, parent: QWidget, choosers: Choosers, settings: Settings, lane: Lane) -> None:
        super().__init__(parent)
        self.setWindowTitle(tr("Run a recipe on many drawings"))
        self.resize(820, 520)
        self._choosers, self._settings, self._lane = choosers, settings, lane
        self._recipe: Path | None = None
        self._files: list[Path] = []
        self._folder: Path | None = None
        self.summary: Summary | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(18, 16, 18, 16)
        column.setSpacing(9)
        column.addWidget(label(tr("Run a recipe on many drawings"), "title"))
        column.addLayout(self._choices())
        self.table = table(
            tr("Drawings"),
            (tr("Drawing"), "", tr("Unit"), tr("Regions"), tr("Open ends"), tr("Left"), tr("Seconds")),
            0,
        )
        column.addWidget(self.table, 1)
        self._bar = QProgressBar()
        self._bar.setAccessibleName(tr("Drawings that are done"))
        self._bar.setTextVisible(False)
        column.addWidget(self._bar)
        self.says = label("", "dim", wrap=True)
        column.addWidget(self.says)
        row = QHBoxLayout()
        row.addStretch()
        self._close = button(tr("Close"))
        self._close.clicked.connect(self.close)
        self.run_button = button(tr("Run the recipe"), primary=True)
        self.run_button.clicked.connect(self.run)
        row.addWidget(self._close)
        row.addWidget(self.run_button)
        column.addLayout(row)
        lane.progress.connect(self._progressed)
        self._refresh()

    def _choices(self) -> QGridLayout:
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        grid.setColumnStretch(1, 1)
        self._recipe_name, self._files_name, self._folder_name = ElidedLabel(), ElidedLabel(), ElidedLabel()
        for k, (text, shown, name, ask) in enumerate(
            (
                (tr("Recipe"), self._recipe_name, tr("Choose the recipe"), self.ask_recipe),
                (tr("Drawings"), self._files_name, tr("Choose the drawings"), self.ask_files),
                (tr("Results go to"), self._folder_name, tr("Choose the folder for the results"), self.ask_folder),
            )
        ):
            choose = button(tr("Choose…"), name)
            choose.clicked.connect(lambda _checked, run=ask: run())
            grid.addWidget(label(text, "dim"), k, 0)
            grid.addWidget(shown, k, 1)
            grid.addWidget(choose, k, 2)
        self._jobs = QComboBox()
        self._jobs.setAccessibleName(tr("Drawings that are worked on at a time"))
        for count in (1, 2, 4, 8, 16):
            self._jobs.addItem(str(count), count)
        self._jobs.setCurrentIndex(1)
        grid.addWidget(label(tr("At a time"), "dim"), 3, 0)
        side = QHBoxLayout()
        side.addWidget(self._jobs)
        side.addStretch()
        grid.addLayout(side, 3, 1)
        return grid

    # ------------------------------------------------------------------ choosing

    def ask_recipe(self) -> None:
        """Asks for the recipe."""
        self._recipe = self._choosers.open_recipe(self, self._settings.values.folder) or self._recipe
        self._refresh()

    def ask_files(self) -> None:
        """Asks for the drawings."""
        self._files = self._choosers.open_drawings(self, self._settings.values.folder) or self._files
        self._refresh()

    def ask_folder(self) -> None:
        """Asks for the folder."""
        self._folder = self._choosers.open_folder(self, self._settings.values.folder) or self._folder
        self._refresh()

    # ------------------------------------------------------------------ running

    def run(self) -> None:
        """Runs in the background; a second press stops it."""
        if self._lane.busy:
            self._lane.cancel()
            self._refresh()
            return
        recipe_path, files, folder, jobs = self._recipe, tuple(self._files), self._folder, int(self._jobs.currentData())
        if recipe_path is None or folder is None:
            return
        self.table.setRowCount(0)
        self.summary = None

        def work(progress: Progress) -> Summary:
            recipe = load_recipe(recipe_path)
            return run_many(recipe, files, folder, jobs, told=lambda done, _o: progress(done / len(files)))

        self._lane.run(tr("Running the recipe"), work, self._done, self._failed)
        self._refresh()

    def _done(self, summary: Summary) -> None:
        self.summary = summary
        self.table.setRowCount(len(summary.outcomes))
        for k, outcome in enumerate(summary.outcomes):
            self._fill(k, outcome)
        failed = summary.failed
        done = len(summary.outcomes) - failed
        notes = sum(bool(o.notes) for o in summary.outcomes)
        told = tr("{0} written to {1}, with summary.csv and summary.json.", counted(done, "drawing"), self._folder)
        told += tr(" {0} failed; hover over the rows to see why.", failed) if failed else ""
        told += tr(" {0} have notes; hover over the rows to read them.", notes) if notes else ""
        self.says.setText(told)
        set_role(self.says, "warning" if failed or notes else "good")
        self._refresh()

    def _fill(self, row: int, outcome: Outcome) -> None:
        tip = "\n".join(filter(None, (said(outcome.says), *map(said, outcome.notes)))) or tr("No notes.")
        texts = (
            outcome.file,
            f"{'✕ failed' if outcome.status == 'failed' else '! notes' if outcome.notes else '✓ done'}",
            outcome.unit,
            str(outcome.regions),
            str(outcome.open_ends),
            str(outcome.findings_left),
            f"{outcome.seconds:.2f}",
        )
        for column, text in enumerate(texts):
            self.table.setItem(row, column, cell(text, figure=column > 2, tip=tip))

    def _failed(self, sentence: str) -> None:
        self.says.setText(sentence)
        set_role(self.says, "warning")
        self._refresh()

    def _progressed(self, _title: str, share: float) -> None:
        self._bar.setValue(round(100 * share))

    def _refresh(self) -> None:
        self._recipe_name.setText(str(self._recipe or tr("none yet")))
        count = len(self._files)
        names = ", ".join(p.name for p in self._files[:6])
        self._files_name.setText(f"{count}: {names}{'…' if count > 6 else ''}" if count else tr("none yet"))
        self._folder_name.setText(str(self._folder or tr("none yet")))
        ready = self._recipe is not None and bool(self._files) and self._folder is not None
        busy = self._lane.busy
        self.run_button.setEnabled(ready or busy)
        self.run_button.setText(tr("Stop") if busy else tr("Run the recipe"))
        if not busy:
            self._bar.setValue(100 if self.summary else 0)
