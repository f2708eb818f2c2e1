"""Dimensions that say something else than what is drawn: seen, gone to, and judged."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.widgets.labels import button, label
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import counted, tr
from syntaxa.measure.disagreements import Disagreement
from syntaxa.measure.steps import JudgeDimension, Verdict
from syntaxa.measure.views import DISAGREEMENTS


class DisagreeView(QWidget):
    """The list, and what can be said about the one that is chosen."""

    place_wanted = pyqtSignal(float, float)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._lengths = LengthFormat("mm")
        self._says = label("", "dim", wrap=True)
        self.table = RowsView(
            tr("Dimensions that disagree with the drawing"),
            (
                Column(tr("Text"), lambda d: d.text, figure=False),
                Column(tr("Says"), lambda d: self._shown(d, d.stated)),
                Column(tr("Drawn"), lambda d: self._shown(d, d.drawn)),
                Column(tr("Judged"), lambda d: d.verdict or "open", figure=False),
            ),
        )
        self.table.setFixedHeight(126)
        selection = self.table.selectionModel()
        if selection is not None:
            selection.selectionChanged.connect(lambda *_: self._go())
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("Dimensions that disagree"), "heading"))
        column.addWidget(self._says)
        column.addWidget(self.table)
        row = QHBoxLayout()
        for text, name, verdict in (
            (tr("Wrong text"), tr("The text of this dimension is wrong"), tr("wrong text")),
            (tr("Not to scale"), tr("This dimension is not to scale"), tr("not to scale")),
            (tr("Open again"), tr("Take the mark off this dimension"), ""),
        ):
            made = button(text, name)
            made.clicked.connect(lambda _checked, said=verdict: self._judge(said))
            row.addWidget(made)
        row.addStretch()
        self._buttons = row
        column.addLayout(row)

    def _rows(self) -> tuple[Disagreement, ...]:
        return self._session.view(DISAGREEMENTS) or ()

    def open_matters(self) -> int:
        """How many nobody judged yet."""
        return sum(not d.verdict for d in self._rows())

    def refresh(self, lengths: LengthFormat) -> None:
        """Shows those of the drawing as it is placed now."""
        self._lengths = lengths
        rows = self._rows()
        self.setVisible(bool(rows))
        self._says.setText(
            tr(
                "{0} something else than what is drawn. Nothing moves when they are judged: what is drawn counts.",
                counted(len(rows), "dimension says", "dimensions say"),
            )
        )
        self.table.model_.show_rows(rows)

    def _shown(self, one: Disagreement, value: float) -> str:
        return f"{value:.4g}°" if one.angular else self._lengths.small(value)

    def _chosen(self) -> Disagreement | None:
        rows, at = self._rows(), self.table.chosen_row()
        return rows[at] if 0 <= at < len(rows) else None

    def _go(self) -> None:
        one = self._chosen()
        if one is not None:
            self.place_wanted.emit(one.place.x, one.place.y)

    def _judge(self, verdict: Verdict | str) -> None:
        one = self._chosen()
        if one is not None and one.verdict != verdict:
            self._session.do(JudgeDimension((one.id,), verdict))  # type: ignore[arg-type]
