"""The strip under the drawing with what was measured: value, running total, copy."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QApplication, QFrame, QHBoxLayout

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.widgets.labels import ElidedLabel, button, label
from syntaxa.app.words import figures, tr
from syntaxa.measure.readings import Reading


class MeasureStrip(QFrame):
    """Hidden until something is measured; stays in every stage until it is closed."""

    closed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("strip")
        self.setAccessibleName(tr("What was measured"))
        self._lengths = LengthFormat("mm")
        self._readings: tuple[Reading, ...] = ()
        self._summed: list[Reading] = []
        self._says = ElidedLabel("figure")
        self._total = label("", "figure")
        self._add, self._clear = (
            button(tr("Add"), tr("Add the value to the running total")),
            button(tr("Clear"), tr("Clear the running total")),
        )
        copy = button(tr("Copy"), tr("Copy the value"))
        close = button(tr("Close"), tr("Close the measuring strip"))
        self._add.clicked.connect(self.add_to_total)
        self._clear.clicked.connect(self.clear_total)
        copy.clicked.connect(self.copy_value)
        close.clicked.connect(self.close_strip)
        row = QHBoxLayout(self)
        row.setContentsMargins(12, 6, 8, 6)
        row.addWidget(self._says, 1)
        for part in (self._total, self._add, self._clear, copy, close):
            row.addWidget(part)
        self.hide()

    @property
    def text(self) -> str:
        """What it says."""
        return self._says.text()

    @property
    def total(self) -> str:
        """The running total in words; empty for none."""
        return self._total.text()

    def show_readings(self, readings: tuple[Reading, ...]) -> None:
        """Shows values; the first is the one that is added and copied."""
        self._readings = readings
        self._refresh()
        self.show()

    def show_in(self, lengths: LengthFormat) -> None:
        """Takes another display unit."""
        self._lengths = lengths
        self._refresh()

    def add_to_total(self) -> None:
        """Adds the first value, if it is of the kind that was added before."""
        if not self._readings:
            return
        first = self._readings[0]
        if self._summed and self._summed[0].quantity != first.quantity:
            self._summed.clear()
        self._summed.append(first)
        self._refresh()

    def clear_total(self) -> None:
        """Begins at nothing again."""
        self._summed.clear()
        self._refresh()

    def copy_value(self) -> None:
        """Puts the total on the clipboard, or the value where there is none."""
        clipboard = QApplication.clipboard()
        if clipboard is not None and (self._summed or self._readings):
            clipboard.setText(self._shown(self._sum()) if self._summed else self._shown(self._readings[0]))

    def close_strip(self) -> None:
        """Hides it and forgets what was measured."""
        self._readings = ()
        self._summed.clear()
        self.hide()
        self.closed.emit()

    def _sum(self) -> Reading:
        first = self._summed[0]
        return Reading(first.name, sum(r.value for r in self._summed), first.quantity)

    def _refresh(self) -> None:
        self._says.setText("    ".join(f"{r.name} {self._shown(r)}" for r in self._readings))
        self._total.setText(
            tr("Total of {0}: {1}", len(self._summed), self._shown(self._sum())) if self._summed else ""
        )
        self._clear.setEnabled(bool(self._summed))
        self._add.setEnabled(bool(self._readings))

    def _shown(self, reading: Reading) -> str:
        if reading.quantity == "length":
            return self._lengths.text(reading.value)
        if reading.quantity == "area":
            return self._lengths.area(reading.value)
        return figures(f"{reading.value:.6g}") + "°" if reading.quantity == "angle" else f"{reading.value:g}"
