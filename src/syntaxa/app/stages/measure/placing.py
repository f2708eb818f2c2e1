"""Scale, turning, mirroring and origin: each a step, with the size that it would give while it is typed."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.stages.measure.origin import Origin
from syntaxa.app.stages.measure.picking import PickPoints
from syntaxa.app.stages.measure.scaling import Scaling
from syntaxa.app.stages.measure.turning import Turning


class Placing(QWidget):
    """The three, one below the other; emits `would_be` with the box (mm) that a change would give, or None."""

    would_be = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self.scaling, self.turning, self.origin = Scaling(session), Turning(session), Origin(session)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        for part in (self.scaling, self.turning, self.origin):
            part.would_be.connect(self.would_be)
            column.addWidget(part)

    def pick_with(self, pick: PickPoints) -> None:
        """How points are asked for on the canvas."""
        self.scaling.pick = self.turning.pick = self.origin.pick = pick

    def refresh(self, lengths: LengthFormat) -> None:
        """Shows what the steps say."""
        if self._session.job is None or self._session.evaluation is None:
            return
        self.scaling.refresh(lengths)
        self.turning.refresh()
        self.origin.refresh(lengths)
