"""Deliver: the clean profiles go out."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QHBoxLayout

from syntaxa.app.session import Session
from syntaxa.app.stages.base import StagePanel
from syntaxa.app.widgets.labels import button, cell, counted, label, set_role, table
from syntaxa.deliver.plan import RolesAs
from syntaxa.deliver.write import FileUnit, Output
from syntaxa.job.evaluate import in_doubt

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


class DeliverPanel(StagePanel):
    """Format, unit, what goes out, and what is still open."""

    title = "Deliver"
    icon = "deliver"
    purpose = "Closed contours with true arcs, one layer a sketch, at true size with the unit in the header."
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
        self._construction.clicked.connect(lambda _on: self.refresh())
        self._size = label("", "figure")
        grid.addWidget(label("Roles", "dim"), 2, 0)
        grid.addWidget(self._roles, 2, 1)
        grid.addWidget(self._construction, 3, 1)
        grid.addWidget(label("Overall size", "dim"), 4, 0)
        grid.addWidget(self._size, 4, 1)
        self.body.addLayout(grid)
        self._what = table("What goes out", ("Sketch", "Regions", "Curves"), 0)
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

    def tell_written(self, path: Path, shapes: int) -> None:
        """Says what was written."""
        self._result.setText(f"Wrote {shapes} profiles to {path}.")
        self._result.show()

    def refresh(self) -> None:
        shown, state, surveyed = self.session.shown, self.session.state, self.session.surveyed_state
        self.setEnabled(state is not None)
        self._unit.setEnabled(self.ending == ".dxf")
        if state is None or shown is None:
            self._state.hide()
            return
        self._size.setText(self.lengths.size(shown.box))
        regions = surveyed.survey.regions if surveyed else ()
        purposes = ("profile", "construction") if self._construction.isChecked() else ("profile",)
        going = [s for s in state.sketches if s.purpose in purposes]
        self._what.setRowCount(len(going))
        for k, sketch in enumerate(going):
            self._what.setItem(k, 0, cell(sketch.name))
            count = sum(r.sketch == sketch.name for r in regions)
            self._what.setItem(k, 1, cell(str(count) if surveyed else "…", figure=True))
            self._what.setItem(k, 2, cell(str(len(sketch.curves)), figure=True))
        self.write.setEnabled(bool(going))
        self._state.setVisible(surveyed is not None)
        if surveyed is not None:
            left = len(self.session.findings)
            text = "No finding is open: every contour is closed."
            if left:
                text = f"{counted(left, 'finding')} still open; see Mend."
            if left and all(not f.remedy or f.by_choice for f in self.session.findings):
                text = f"{counted(left, 'piece')} in no closed contour: what is open goes out as open lines."
            doubt = self._unit_in_doubt()
            if doubt:
                text = f"The unit is in doubt; see Measure. {text}"
            self._state.setText(text)
            set_role(self._state, "warning" if left or doubt else "good")

    def _unit_in_doubt(self) -> bool:
        shown, job = self.session.shown, self.session.job
        return shown is not None and job is not None and bool(in_doubt(job, shown.evaluation))

    def forget_result(self) -> None:
        """What was written no longer is what is shown."""
        self._result.hide()
