"""Measure: unit, scale, turning and origin, with the true size before and after."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout

from syntaxa.app.lengths import DISPLAY_UNITS
from syntaxa.app.session.session import Session
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.app.stages.measure.disagree_view import DisagreeView
from syntaxa.app.stages.measure.placing import Placing
from syntaxa.app.stages.measure.source_place import SourcePlace
from syntaxa.app.stages.measure.unit_view import UnitView
from syntaxa.app.widgets.labels import label
from syntaxa.app.words import tr
from syntaxa.measure.views import FIRST_SIZE, SIZE


class MeasurePanel(StagePanel):
    """The unit by its witnesses, dimensions that disagree, scale, turning, origin, and the display unit."""

    display_unit_chosen = pyqtSignal(str)
    #: The box (mm) that a change would give while it is typed, or None.
    would_be = pyqtSignal(object)

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        self._before, self._after = label("", "figure"), label("", "figure")
        self._would = label("", "figure")
        sizes = QGridLayout()
        sizes.setHorizontalSpacing(10)
        sizes.setVerticalSpacing(3)
        for k, (text, figure) in enumerate(((tr("Size as received"), self._before), (tr("Size now"), self._after))):
            sizes.addWidget(label(text, "dim"), k, 0)
            sizes.addWidget(figure, k, 1)
        sizes.addWidget(self._would, 2, 1)
        sizes.setColumnStretch(1, 1)
        self._would.hide()
        self.body.addLayout(sizes)
        self.units = ready.take(UnitView)
        self.disagree = ready.take(DisagreeView)
        self.placing = ready.take(Placing)
        self.placing.would_be.connect(self._show_would_be)
        self.source_place = SourcePlace(session)
        for part in (self.units, self.disagree, self.placing, self.source_place):
            self.body.addWidget(part)
        self.body.addWidget(label(tr("Show lengths in"), "heading"))
        self._display = QComboBox()
        self._display.setAccessibleName(tr("Display unit"))
        self._display.addItems(DISPLAY_UNITS)
        self._display.textActivated.connect(self.display_unit_chosen)
        row = QHBoxLayout()
        row.addWidget(self._display)
        row.addWidget(label(tr("Changes what you read, never the geometry."), "dim", wrap=True), 1)
        self.body.addLayout(row)
        self.body.addStretch(1)

    def refresh(self) -> None:
        there = self.session.evaluation is not None
        self.setEnabled(there)
        self._display.setCurrentText(self.lengths.unit)
        if not there:
            self.disagree.hide()
            self.source_place.hide()
            return
        before, after = self.session.view(FIRST_SIZE), self.session.view(SIZE)
        self._before.setText(self.lengths.size(before[0]) if before else "…")
        self._after.setText(self.lengths.size(after[0]) if after else "…")
        self._show_would_be(None)
        self.units.refresh(self.lengths)
        self.disagree.refresh(self.lengths)
        self.placing.refresh(self.lengths)
        self.source_place.refresh(self.lengths)

    def _show_would_be(self, box: tuple[float, float, float, float] | None) -> None:
        self._would.setVisible(box is not None)
        if box is not None:
            self._would.setText(tr("would be {0}", self.lengths.size(box)))
        self.would_be.emit(box)
