"""Trials: several treatments side by side as small pictures with their figures; one is taken."""

from __future__ import annotations

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtGui import QIcon, QImage, QPixmap
from PyQt6.QtWidgets import QListView, QListWidget, QListWidgetItem

from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.stages.mend.page import SidePage
from syntaxa.app.stages.mend.views import PICTURE, TRIALS
from syntaxa.app.widgets.labels import button
from syntaxa.app.words import counted, tr
from syntaxa.job.trials import Trial


class TrialsPage(SidePage):
    """A picture a treatment."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Trials"))
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
        self.run = button(tr("Try treatments"), tr("Try several treatments, each on a copy"))
        self.run.clicked.connect(self.begin)
        self.take = button(tr("Take this one"), tr("Take the chosen trial"), primary=True)
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
        title = said(trial.treatment.says)
        return tr(
            "{0}{1}\n{2}, {3} open\n{4}, {5} left\noff {6}, {7:.1f} s",
            title[:1].upper(),
            title[1:],
            counted(trial.regions, "region"),
            trial.open_ends,
            counted(trial.fixes, "fix", "fixes"),
            counted(trial.faults, "fault"),
            self.lengths.small(trial.deviation),
            trial.seconds,
        )

    def _show_choice(self) -> None:
        chosen = self.list.currentRow() if self.list.selectedItems() else -1
        self.take.setEnabled(chosen >= 0)
        if not self.trials:
            says = tr(
                "Tries the proposed tolerance and others, bridges, arcs for facets, each on a copy; nothing is changed."
            )
        elif chosen < 0:
            says = tr("Choose one to take it. Figures are of the whole job after each treatment.")
        else:
            says = tr(
                "Takes: {0}. It replaces the steps that mend everything now.",
                said(self.trials[chosen][0].treatment.says),
            )
        self.says.setText(says)

    def _take(self) -> None:
        row = self.list.currentRow()
        if 0 <= row < len(self.trials):
            trial = self.trials[row][0]
            self.session.change(trial.job, tr("Take the trial: {0}", trial.treatment.says))
