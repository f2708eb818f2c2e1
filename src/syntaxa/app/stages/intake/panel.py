"""Intake: drawings are seen before they are taken in, and what was taken in is accounted for."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QListWidget, QListWidgetItem

from syntaxa.app.session.session import Session
from syntaxa.app.shell.panel import StagePanel
from syntaxa.app.stages.intake.choices import Choices
from syntaxa.app.stages.intake.look import Viewing
from syntaxa.app.stages.intake.taken import SourcesPage
from syntaxa.app.widgets.labels import button, label
from syntaxa.app.words import tr


class IntakePanel(StagePanel):
    """The choices while a drawing is looked at; else the sources of the job, and drawings opened lately."""

    open_wanted = pyqtSignal()
    browse_wanted = pyqtSignal()
    path_wanted = pyqtSignal(Path)

    def __init__(self, session: Session, look: Viewing, looking: Callable[[], bool]) -> None:
        super().__init__(session)
        self._looking = looking
        self._row = [button(tr("Open a drawing…"), primary=True), button(tr("Look through a folder…"))]
        self._row[0].clicked.connect(self.open_wanted)
        self._row[1].clicked.connect(self.browse_wanted)
        row = QHBoxLayout()
        for made in self._row:
            row.addWidget(made)
        row.addStretch()
        self.body.addLayout(row)
        self.choices = Choices(look)
        self.taken = SourcesPage(session)
        self._recent_title = label(tr("Opened lately"), "heading")
        self._recent = QListWidget()
        self._recent.setAccessibleName(tr("Drawings opened lately"))
        self._recent.itemActivated.connect(lambda item: self.path_wanted.emit(Path(item.toolTip())))
        self._has_recent = False
        for part in (self.choices, self.taken, self._recent_title, self._recent):
            self.body.addWidget(part)
        self.body.addStretch(1)

    def show_recent(self, paths: list[Path]) -> None:
        """Lists the drawings opened lately."""
        self._recent.clear()
        names = Counter(p.name for p in paths)
        for path in paths:
            where = f"  ({path.parent.name or path.parent})" if names[path.name] > 1 else ""
            item = QListWidgetItem(f"{path.name}{where}")
            item.setToolTip(str(path))
            self._recent.addItem(item)
        self._recent.setFixedHeight(10 + 24 * min(len(paths), 6))
        self._has_recent = bool(paths)

    def refresh(self) -> None:
        there, looking = self.session.evaluation is not None, self._looking()
        self.choices.setVisible(looking)
        self.taken.setVisible(there and not looking)
        for made in self._row:
            made.setVisible(not looking)
        for part in (self._recent_title, self._recent):
            part.setVisible(self._has_recent and not looking)
        if there:
            self.taken.refresh()
