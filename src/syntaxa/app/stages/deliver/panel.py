"""Deliver: the clean profiles go out."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QHBoxLayout

from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.shell.panel import StagePanel
from syntaxa.app.widgets.labels import button, cell, counted, label, set_role, table
from syntaxa.deliver.figures import Figures, figures_of, total
from syntaxa.deliver.plan import RolesAs
from syntaxa.deliver.views import FIGURES
from syntaxa.deliver.write import Delivered, FileUnit, Output
from syntaxa.job.evaluate import in_doubt
from syntaxa.measure.views import SIZE

#: What can be written: title, ending, release.
FORMATS: tuple[tuple[str, str, str], ...] = (
    ("DXF R2018", ".dxf", "R2018"),
    ("DXF R12", ".dxf", "R12"),
    ("SVG, in millimetres", ".svg", "R2018"),
)

_UNITS: tuple[FileUnit, ...] = ("mm", "cm", "m", "in", "ft")

#: How roles can go out.
ROLES: tuple[tuple[str, RolesAs], ...] = (
    ("as layers of their own", "layers"),
    ("as data of the contours", "data"),
    ("not at all", "none"),
)


def _held(whole: Figures) -> str:
    """What a file holds, in words."""
    parts = [counted(whole.contours, "closed contour")]
    if whole.holes:
        parts[0] += f" ({counted(whole.profiles, 'profile')}, {counted(whole.holes, 'hole')})"
    if whole.open_runs:
        parts.append(counted(whole.open_runs, "open line"))
    return " and ".join(parts)


class DeliverPanel(StagePanel):
    """Format, unit, what goes out, and what is still open."""

    scrolls = False

    deliver_wanted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._format, self._unit = QComboBox(), QComboBox()
        self._format.setAccessibleName("Format")
        self._format.addItems([title for title, _, _ in FORMATS])
        self._format.currentIndexChanged.connect(lambda _index: self.refresh())
        self._unit.setAccessibleName("Unit of the file")
        self._unit.addItems(_UNITS)
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        for k, (text, widget) in enumerate((("Format", self._format), ("Unit", self._unit))):
            name = label(text, "dim")
            name.setBuddy(widget)
            grid.addWidget(name, k, 0)
            grid.addWidget(widget, k, 1)
        grid.setColumnStretch(1, 1)
        self._roles = QComboBox()
        self._roles.setAccessibleName("How roles go out")
        for text, roles in ROLES:
            self._roles.addItem(text, roles)
        self._construction = QCheckBox("Construction sketches go out, too")
        self._roles.currentIndexChanged.connect(lambda _index: self.refresh())
        self._construction.clicked.connect(lambda _on: self.refresh())
        self._size = label("", "figure")
        grid.addWidget(label("Roles", "dim"), 2, 0)
        grid.addWidget(self._roles, 2, 1)
        grid.addWidget(self._construction, 3, 1)
        grid.addWidget(label("Overall size", "dim"), 4, 0)
        grid.addWidget(self._size, 4, 1)
        self.body.addLayout(grid)
        self._what = table("What goes out", ("Sketch", "Profiles", "Holes", "Open"), 0)
        self.body.addWidget(self._what, 1)
        self._state = label("", "warning", wrap=True)
        self.body.addWidget(self._state)
        self._result = label("", "good", wrap=True)
        self._result.hide()
        self.body.addWidget(self._result)
        row = QHBoxLayout()
        row.addStretch()
        self.write = button("Write the file…", primary=True)
        self.write.clicked.connect(self.deliver_wanted)
        row.addWidget(self.write)
        self.body.addLayout(row)

    @property
    def ending(self) -> str:
        """Ending of the chosen format."""
        return FORMATS[self._format.currentIndex()][1]

    @property
    def output(self) -> Output:
        """The choices for the writer."""
        release = FORMATS[self._format.currentIndex()][2]
        return Output(
            _UNITS[self._unit.currentIndex()],
            "R12" if release == "R12" else "R2018",
            ROLES[self._roles.currentIndex()][1],
            self._construction.isChecked(),
        )

    def tell_written(self, path: Path, done: Delivered) -> None:
        """Says what was written, and what the format could not hold as it was."""
        whole = total(figures_of(done.plan))
        self._result.setText(" ".join([f"Wrote {_held(whole)} to {path}.", *done.notes]))
        self._result.show()

    def refresh(self) -> None:
        state = self.session.state
        self.setEnabled(state is not None)
        self._unit.setEnabled(self.ending == ".dxf")
        if state is None:
            self._state.hide()
            return
        size = self.session.view(SIZE)
        self._size.setText(self.lengths.size(size[0]) if size else "…")
        output = self.output
        figures = self.session.view(FIGURES, output.roles, output.construction)
        found = surveyed(self.session)
        by_sketch = {f.sketch: f for f in figures or ()}
        purposes = ("profile", "construction") if output.construction else ("profile",)
        going = [s for s in state.sketches if s.purpose in purposes]
        self._what.setRowCount(len(going))
        for k, sketch in enumerate(going):
            own = by_sketch.get(sketch.name, Figures(sketch.name))
            self._what.setItem(k, 0, cell(sketch.name))
            for column, count in enumerate((own.profiles, own.holes, own.open_runs), start=1):
                self._what.setItem(k, column, cell("…" if figures is None else str(count), figure=True))
        self.write.setEnabled(bool(going))
        self._state.setVisible(found is not None and figures is not None)
        if found is not None and figures is not None:
            whole = total(figures)
            text = f"{_held(whole)} would be written."
            left = [f for f in found.faults if f.remedy and not f.by_choice]
            if left:
                text += f" {counted(len(left), 'finding')} can still be fixed; see Mend."
            doubt = self._unit_in_doubt()
            if doubt:
                text = f"The unit is in doubt; see Measure. {text}"
            self._state.setText(text)
            set_role(self._state, "warning" if left or doubt or whole.open_runs else "good")

    def _unit_in_doubt(self) -> bool:
        evaluation, job = self.session.evaluation, self.session.job
        return evaluation is not None and job is not None and bool(in_doubt(job, evaluation))

    def forget_result(self) -> None:
        """What was written no longer is what is shown."""
        self._result.hide()
