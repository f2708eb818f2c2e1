"""The ledger: every step with what it did, to be switched off and on or taken out."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QTableWidgetItem, QVBoxLayout

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session import Session
from syntaxa.app.widgets.labels import button, cell, counted, label, table
from syntaxa.job.evaluate import Row

_NUMBER = 256


class LedgerView(QFrame):
    """A row a step: a tick box, what it is, how much it changed and how far it moved anything."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.setObjectName("ledger")
        self._session = session
        self._lengths = LengthFormat("mm")
        column = QVBoxLayout(self)
        column.setContentsMargins(16, 8, 16, 10)
        column.setSpacing(5)
        head = QHBoxLayout()
        head.addWidget(label("Ledger", "heading"))
        self._sum = label("", "dim")
        head.addWidget(self._sum, 1)
        self._remove = button("Remove", "Remove the chosen step")
        self._remove.clicked.connect(self._remove_chosen)
        head.addWidget(self._remove)
        column.addLayout(head)
        self.table = table("Ledger of steps", ("Step", "Changed", "Sideways", "Along"), 0)
        self.table.itemChanged.connect(self._switched)
        self.table.itemSelectionChanged.connect(self._selected)
        self.table.setMinimumHeight(62)
        column.addWidget(self.table, 1)
        self._says = label("", "dim", wrap=True)
        column.addWidget(self._says)

    def show_in(self, lengths: LengthFormat) -> None:
        """Shows lengths in another unit."""
        self._lengths = lengths
        self.refresh()

    def refresh(self) -> None:
        """Shows the ledger as it is now."""
        rows = self._session.shown.evaluation.ledger if self._session.shown else ()
        self.table.blockSignals(True)
        self.table.setRowCount(len(rows))
        for k, row in enumerate(rows):
            self._fill(k, row)
        self.table.blockSignals(False)
        self._sum.setText(counted(len(rows), "step") if rows else "Nothing was changed yet.")
        self._selected()

    def _fill(self, k: int, row: Row) -> None:
        warned = "⚠ " if row.failed or row.entry.missing else ""
        item = QTableWidgetItem(warned + self._lengths.sentence(row.title))
        if row.is_record:
            item.setFlags(item.flags() & ~Qt.ItemFlag.ItemIsUserCheckable)
        else:
            item.setCheckState(Qt.CheckState.Checked if row.enabled else Qt.CheckState.Unchecked)
        item.setData(_NUMBER, row.number)
        item.setToolTip(self._said(row))
        self.table.setItem(k, 0, item)
        self.table.setItem(k, 1, cell(str(row.entry.changed) if row.enabled else "off", figure=True))
        told = "Farthest that anything was moved off the line or circle that it was on"
        self.table.setItem(k, 2, cell(self._far(row, row.entry.max_mm), figure=True, tip=told))
        told = "Most by which anything was drawn on or cut back on its own line or circle"
        self.table.setItem(k, 3, cell(self._far(row, row.entry.along_mm), figure=True, tip=told))

    def _said(self, row: Row) -> str:
        return self._lengths.sentence(_says(row))

    def _far(self, row: Row, far: float) -> str:
        return self._lengths.small(far) if row.enabled and far else "–"

    def _chosen(self) -> Row | None:
        items = self.table.selectedItems()
        if not items or self._session.shown is None:
            return None
        number = self.table.item(items[0].row(), 0)
        rows = self._session.shown.evaluation.ledger
        return next((r for r in rows if number is not None and r.number == number.data(_NUMBER)), None)

    def _selected(self) -> None:
        row = self._chosen()
        self._remove.setEnabled(row is not None and not row.is_record)
        self._says.setText(self._said(row) if row is not None else "")
        self._says.setVisible(row is not None)

    def _switched(self, item: QTableWidgetItem) -> None:
        if item.column() == 0:
            self._session.switch(int(item.data(_NUMBER)), item.checkState() == Qt.CheckState.Checked)

    def _remove_chosen(self) -> None:
        row = self._chosen()
        if row is not None and not row.is_record:
            self._session.remove(row.number)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Delete:
            self._remove_chosen()
        else:
            super().keyPressEvent(event)


def _says(row: Row) -> str:
    if not row.enabled:
        return "This step is switched off."
    if row.failed:
        return f"Skipped: {row.failed}"
    parts = [row.entry.says]
    if row.entry.dropped_mm:
        parts.append(f"{row.entry.dropped_mm:.4g} mm of curve dropped.")
    if row.entry.missing:
        parts.append(
            f"Not found any more: {', '.join(row.entry.missing[:3])}{' …' if len(row.entry.missing) > 3 else ''}."
        )
    parts.append(f"Took {row.seconds:.2f} s.")
    return " ".join(parts)
