"""Route: layers become sketches."""

from __future__ import annotations

from collections import Counter

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QColor, QIcon, QPainter, QPixmap
from PyQt6.QtWidgets import QHBoxLayout, QHeaderView, QTableWidgetItem

from syntaxa.app.session import Session
from syntaxa.app.stages.base import StagePanel
from syntaxa.app.theme.tokens import readable_on
from syntaxa.app.widgets.labels import button, cell, label, table
from syntaxa.intake.report import CURVE_KINDS
from syntaxa.route.sketches import hidden_layers
from syntaxa.route.steps import ChooseLayers


class RoutePanel(StagePanel):
    """The layers with colour and curve count, to be taken or left out."""

    title = "Route"
    icon = "route"
    purpose = "Each layer that is taken becomes a sketch of its own. Leave out what is not to be made."
    scrolls = False

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        row = QHBoxLayout()
        for text, name, run in (
            ("All", "Take all layers", lambda: self._leave_out(set())),
            ("None", "Leave all layers out", lambda: self._leave_out({layer.name for layer in self.session.layers})),
            ("As in the file", "Take the layers that the file shows", self._as_in_file),
        ):
            made = button(text, name)
            made.clicked.connect(run)
            row.addWidget(made)
        row.addStretch()
        self.body.addLayout(row)
        self._table = table("Layers", ("Layer", "Curves", "In the file"), 0)
        columns = self._table.horizontalHeader()
        assert columns is not None, "a table has a header"
        columns.setSectionResizeMode(0, QHeaderView.ResizeMode.Stretch)
        self._table.itemChanged.connect(self._switched)
        self.body.addWidget(self._table, 1)
        self._sum = label("", "dim", wrap=True)
        self.body.addWidget(self._sum)

    def refresh(self) -> None:
        shown = self.session.shown
        self.setEnabled(shown is not None)
        if shown is None:
            return
        by_layers = {t.number for t in shown.evaluation.first.taken if not t.into}
        count: Counter[str] = Counter()
        for source, record in zip(shown.evaluation.sources, shown.records, strict=True):
            if source.number in by_layers:
                for one in record.layers:
                    count[one.name] += sum(n for kind, n in one.counts.items() if kind in CURVE_KINDS)
        left_out = self._left_out()
        self._table.blockSignals(True)
        layers = [layer for layer in self.session.layers if count[layer.name]]
        self._table.setRowCount(len(layers))
        for k, layer in enumerate(layers):
            item = QTableWidgetItem(layer.name)
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            taken = layer.name not in left_out
            item.setCheckState(Qt.CheckState.Checked if taken else Qt.CheckState.Unchecked)
            item.setIcon(_swatch(readable_on(layer.colour, self.tokens.canvas), taken))
            self._table.setItem(k, 0, item)
            self._table.setItem(k, 1, cell(str(count[layer.name]), figure=True))
            self._table.setItem(k, 2, cell("shown" if layer.shown else "frozen" if layer.frozen else "off"))
        self._table.blockSignals(False)
        state = shown.evaluation.state
        taken_curves = sum(count[layer.name] for layer in layers if layer.name not in left_out)
        self._sum.setText(f"{len(state.sketches)} sketches from {taken_curves} of {sum(count.values())} curves.")

    def _left_out(self) -> set[str]:
        job, shown = self.session.job, self.session.shown
        if job is None or shown is None:
            return set()
        step = job.step_of(ChooseLayers)
        if isinstance(step, ChooseLayers):
            if step.only is not None:
                return {layer.name for layer in self.session.layers} - set(step.only)
            return set(step.left_out)
        return set(hidden_layers(shown.evaluation.first))

    def _switched(self, item: QTableWidgetItem) -> None:
        if item.column() == 0:
            left_out = self._left_out()
            if item.checkState() == Qt.CheckState.Checked:
                left_out.discard(item.text())
            else:
                left_out.add(item.text())
            self._leave_out(left_out)

    def _leave_out(self, names: set[str]) -> None:
        self.session.do(ChooseLayers(left_out=tuple(sorted(names))))

    def _as_in_file(self) -> None:
        if self.session.shown is not None:
            self._leave_out(set(hidden_layers(self.session.shown.evaluation.first)))


def _swatch(colour: int, taken: bool) -> QIcon:
    pixmap = QPixmap(28, 28)
    pixmap.setDevicePixelRatio(2)
    pixmap.fill(Qt.GlobalColor.transparent)
    painter = QPainter(pixmap)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(QColor(colour))
    painter.setBrush(QColor(colour) if taken else Qt.BrushStyle.NoBrush)
    painter.drawRoundedRect(1, 1, 11, 11, 3, 3)
    painter.end()
    return QIcon(pixmap)
