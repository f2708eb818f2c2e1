"""Intake: what is in the drawing, and what could not be read."""

from __future__ import annotations

from collections import Counter
from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QListWidget, QListWidgetItem

from syntaxa.app.session import Session
from syntaxa.app.stages.base import StagePanel
from syntaxa.app.widgets.labels import button, cell, label, table
from syntaxa.intake.model import ImportReport

_KIND_NAMES = {
    "line": "Lines",
    "arc": "Arcs",
    "circle": "Circles",
    "ellipse": "Ellipses",
    "spline": "Splines",
    "polyline": "Polylines",
}

_ANNOTATION_NAMES = {
    "text": "Texts",
    "dimension": "Dimensions",
    "hatch": "Hatches",
    "point": "Points",
    "image": "Images",
}


class IntakePanel(StagePanel):
    """The import report, and the drawings opened lately."""

    title = "Intake"
    icon = "intake"
    purpose = "What the file holds, and what could not be read from it."

    open_wanted = pyqtSignal()
    path_wanted = pyqtSignal(Path)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        row = QHBoxLayout()
        opening = button("Open a drawing…", primary=True)
        opening.clicked.connect(self.open_wanted)
        row.addWidget(opening)
        row.addStretch()
        self.body.addLayout(row)
        self._file = label("", "heading", wrap=True)
        self._facts = label("", "dim", wrap=True)
        self._what = table("What is in the file", ("What", "Count"), 0)
        self._trouble = label("", "warning", wrap=True)
        self._recent_title = label("Opened lately", "heading")
        self._recent = QListWidget()
        self._recent.setAccessibleName("Drawings opened lately")
        self._recent.itemActivated.connect(lambda item: self.path_wanted.emit(Path(item.toolTip())))
        for part in (self._file, self._facts, self._trouble, self._what, self._recent_title, self._recent):
            self.body.addWidget(part)
        self.body.setStretchFactor(self._what, 3)
        self.body.setStretchFactor(self._recent, 2)
        self.body.addStretch(1)

    def show_recent(self, paths: list[Path]) -> None:
        """Lists the drawings opened lately."""
        self._recent.clear()
        for path in paths:
            item = QListWidgetItem(path.name)
            item.setToolTip(str(path))
            self._recent.addItem(item)
        self._recent_title.setVisible(bool(paths))
        self._recent.setVisible(bool(paths))

    def open_matters(self) -> int:
        report = self._report()
        return sum(n.count for n in report.not_read) + len(report.notes) if report else 0

    def _report(self) -> ImportReport | None:
        return self.session.shown.evaluation.received.report if self.session.shown else None

    def refresh(self) -> None:
        report, job = self._report(), self.session.job
        there = report is not None and job is not None
        for part in (self._file, self._facts, self._what):
            part.setVisible(there)
        self._trouble.setVisible(there and self.open_matters() > 0)
        if report is None or job is None or self.session.shown is None:
            return
        drawing = self.session.shown.evaluation.received.drawing
        self._file.setText(job.source.name)
        size = f"{len(job.source.data) / 1024:,.0f} kB"
        blocks = f", {drawing.blocks} block insertions taken apart" if drawing.blocks else ""
        self._facts.setText(f"{report.format.upper()} {report.version}, {size}, {len(drawing.layers)} layers{blocks}")
        self._fill(Counter(c.shape.kind for c in drawing.curves), drawing.annotations)
        lines = [f"{n.count} {n.type} not read. {n.why}" for n in report.not_read]
        self._trouble.setText("\n".join([*report.notes, *lines]))

    def _fill(self, kinds: Counter[str], annotations: dict[str, int]) -> None:
        rows = [(name, kinds[kind], "") for kind, name in _KIND_NAMES.items() if kinds[kind]]
        rows += [
            (f"{name} (kept in the source, not part of the profiles)", annotations[kind], name)
            for kind, name in _ANNOTATION_NAMES.items()
            if annotations.get(kind)
        ]
        self._what.setRowCount(len(rows))
        for k, (name, count, short) in enumerate(rows):
            self._what.setItem(k, 0, cell(short or name, tip=name))
            self._what.setItem(k, 1, cell(str(count), figure=True))
        self._what.setFixedHeight(34 + 28 * max(1, len(rows)))
