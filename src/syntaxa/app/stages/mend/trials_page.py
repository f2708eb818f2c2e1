"""Trials: several treatments side by side as small pictures with their figures; one is taken."""

from __future__ import annotations

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtGui import QIcon, QImage, QPixmap
from PyQt6.QtWidgets import QListView, QListWidget, QListWidgetItem

from syntaxa.app.session.session import Session
from syntaxa.app.stages.mend.page import SidePage
from syntaxa.app.stages.mend.views import PICTURE, TRIALS
from syntaxa.app.widgets.labels import button, counted
from syntaxa.job.trials import Trial


class TrialsPage(SidePage):
    """A picture a treatment."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.list = QListWidget()
        self.list.setAccessibleName("Trials")
        self.list.setViewMode(QListView.ViewMode.IconMode)
        self.list.setResizeMode(QListView.ResizeMode.Adjust)
        self.list.setMovement(QListView.Movement.Static)
        self.list.setIconSize(QSize(PICTURE[0] // 2, PICTURE[1] // 2))
        self.list.setGridSize(QSize(PICTURE[0] // 2 + 24, PICTURE[1] // 2 + 92))
        self.list.setWordWrap(True)
        self.list.setUniformItemSizes(True)
        self.list.itemSelectionChanged.connect(self._show_choice)
        self.list.itemActivated.connect(lambda _item: self._take())
        self.column.addWidget(self.list, 1)
        self.run = button("Try treatments", "Try several treatments, each on a copy")
        self.run.clicked.connect(self.begin)
        self.take = button("Take this one", "Take the chosen trial", primary=True)
        self.take.clicked.connect(self._take)
        self.add_buttons(self.run, right=self.take)

    @property
    def trials(self) -> tuple[tuple[Trial, QImage], ...]:
        """What each treatment comes to, with its small picture; none before somebody asked."""
        return self.session.view(TRIALS, self.tokens.name) or () if self.asked else ()

    def refresh(self) -> None:
        row = self.list.currentRow()
        self.list.clear()
        for trial, picture in self.trials:
            item = QListWidgetItem(QIcon(QPixmap.fromImage(picture)), self._figures(trial))
            item.setTextAlignment(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignTop)
            item.setToolTip(f"{trial.seconds:.2f} s")
            self.list.addItem(item)
        if 0 <= row < self.list.count():
            self.list.setCurrentRow(row)
        self._show_choice()

    def _figures(self, trial: Trial) -> str:
        title = trial.treatment.says
        return (
            f"{title[:1].upper()}{title[1:]}\n"
            f"{counted(trial.regions, 'region')}, {trial.open_ends} open\n"
            f"{counted(trial.fixes, 'fix', 'fixes')}, {counted(trial.faults, 'fault')} left\n"
            f"off {self.lengths.small(trial.deviation)}, {trial.seconds:.1f} s"
        )

    def _show_choice(self) -> None:
        chosen = self.list.currentRow() if self.list.selectedItems() else -1
        self.take.setEnabled(chosen >= 0)
        if not self.trials:
            says = (
                "Tries the proposed tolerance and others, bridges, arcs for facets, each on a copy; nothing is changed."
            )
        elif chosen < 0:
            says = "Choose one to take it. Figures are of the whole job after each treatment."
        else:
            says = f"Takes: {self.trials[chosen][0].treatment.says}. It replaces the steps that mend everything now."
        self.says.setText(says)

    def _take(self) -> None:
        row = self.list.currentRow()
        if 0 <= row < len(self.trials):
            trial = self.trials[row][0]
            self.session.change(trial.job, f"Take the trial: {trial.treatment.says}")
