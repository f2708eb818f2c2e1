"""The page of files: format, choices, what would be in the file, and what is still open."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.widgets.labels import button, cell, label, roomy, row_of, set_role, table
from syntaxa.app.words import counted, figures, tr
from syntaxa.deliver.figures import Figures, total
from syntaxa.deliver.formats import FORMATS, Format, Written
from syntaxa.deliver.pages.model import InkChoice
from syntaxa.deliver.plan import RolesAs
from syntaxa.deliver.views import FIGURES, TABLE
from syntaxa.deliver.write import FileUnit, Output
from syntaxa.drawing.state import State
from syntaxa.form.part import Formed
from syntaxa.job.evaluate import in_doubt
from syntaxa.measure.views import SIZE

_UNITS: tuple[FileUnit, ...] = ("mm", "cm", "m", "in", "ft")

#: How roles can go out.
ROLES: tuple[tuple[str, RolesAs], ...] = (
    (tr("as layers of their own"), "layers"),
    (tr("as data of the contours"), "data"),
    (tr("not at all"), "none"),
)

_INKS: tuple[tuple[str, InkChoice], ...] = (
    (tr("in colour"), "colour"),
    (tr("in grey"), "grey"),
    (tr("in black"), "black"),
)

#: Dots to the inch that a picture has at the least and at the most.
_LEAST, _MOST = 10.0, 2400.0


class FilesPage(QWidget):
    """The choices for one file."""

    deliver_wanted = pyqtSignal()
    #: The account of all changes is to be saved.
    account_wanted = pyqtSignal()
    changed = pyqtSignal()
    refused = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self.lengths = LengthFormat("mm")
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self._format, self._unit, self._roles, self._ink = (roomy(QComboBox()) for _ in range(4))
        self._format.addItems([said(f.title) for f in FORMATS])
        self._unit.addItems(_UNITS)
        for text, roles in ROLES:
            self._roles.addItem(text, roles)
        for text, ink in _INKS:
            self._ink.addItem(text, ink)
        self._dots = QLineEdit("150")
        self._dots.editingFinished.connect(self._dots_typed)
        self._font = QLineEdit()
        self._font.setPlaceholderText(tr("as received"))
        self._font.setToolTip(tr("A font file such as isocp.shx or arial.ttf, for all texts and dimensions"))
        self._construction = QCheckBox(tr("Construction sketches go out, too"))
        self._beside = QCheckBox(tr("Dimensions, texts and hatches go out, too"))
        self._beside.setToolTip(tr("As true dimensions and texts of the DXF"))
        self._archive = QCheckBox(tr("For archives (PDF/A-2b)"))
        self._by_colour = QCheckBox(tr("A file for each colour"))
        self._size = label("", "figure")
        self._rows: dict[str, tuple[QWidget | None, QWidget]] = {}
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        named: tuple[tuple[str, str, str, QWidget], ...] = (
            ("format", tr("Format"), tr("Format"), self._format),
            ("unit", tr("Unit"), tr("Unit of the file"), self._unit),
            ("roles", tr("Roles"), tr("How roles go out"), self._roles),
            ("ink", tr("Ink"), tr("Ink of the file"), self._ink),
            ("dots", tr("Dots to the inch"), tr("Dots to the inch"), self._dots),
            ("font", tr("Font of texts"), tr("Font of texts"), self._font),
        )
        for k, (key, text, name, widget) in enumerate(named):
            title = label(text, "dim")
            title.setBuddy(widget)
            widget.setAccessibleName(name)
            grid.addWidget(title, k, 0)
            grid.addWidget(widget, k, 1)
            self._rows[key] = title, widget
        boxes = (
            ("construction", self._construction),
            ("beside", self._beside),
            ("archive", self._archive),
            ("by_colour", self._by_colour),
        )
        for k, (key, box) in enumerate(boxes, len(named)):
            grid.addWidget(box, k, 1)
            box.clicked.connect(lambda _on: self.changed.emit())
            self._rows[key] = None, box
        for combo in (self._format, self._roles, self._ink, self._unit):
            combo.currentIndexChanged.connect(lambda _index: self.changed.emit())
        row = len(named) + len(boxes)
        grid.addWidget(label(tr("Overall size"), "dim"), row, 0)
        grid.addWidget(self._size, row, 1)
        grid.setColumnStretch(1, 1)
        column.addLayout(grid)
        self._what = table(tr("What goes out"), (tr("Sketch"), tr("Profiles"), tr("Holes"), tr("Open")), 0)
        column.addWidget(self._what, 1)
        self._state = label("", "warning", wrap=True)
        column.addWidget(self._state)
        self._result = label("", "good", wrap=True)
        self._result.hide()
        column.addWidget(self._result)
        self.write = button(tr("Write the file…"), primary=True)
        self.write.clicked.connect(self.deliver_wanted)
        account = button(tr("Account…"), tr("The account of all changes, as a page, a PDF or figures"))
        account.clicked.connect(self.account_wanted)
        column.addLayout(row_of(account, None, self.write))

    # ------------------------------------------------------------------ what is chosen

    @property
    def format(self) -> Format:
        """The chosen format."""
        return FORMATS[self._format.currentIndex()]

    @property
    def output(self) -> Output:
        """The choices for the writer; what does not count for the format is as it is where nothing is said."""
        counts = self.format.choices
        return Output(
            _UNITS[self._unit.currentIndex()],
            self.format.release,
            ROLES[self._roles.currentIndex()][1],
            self._construction.isChecked(),
            "beside" in counts and self._beside.isChecked(),
            self._ink.currentData(),
            "archive" in counts and self._archive.isChecked(),
            self._number() or 150.0,
            "by_colour" in counts and self._by_colour.isChecked(),
            self._font.text().strip() if "font" in counts else "",
        )

    def choose(self, ending: str, output: Output) -> None:
        """Takes choices that were saved."""
        formats = [k for k, f in enumerate(FORMATS) if f.ending == ending and f.holds == "profiles"]
        exact = [k for k in formats if ending != ".dxf" or FORMATS[k].release == output.release]
        self._format.setCurrentIndex((exact or formats or [0])[0])
        self._unit.setCurrentIndex(_UNITS.index(output.unit))
        self._roles.setCurrentIndex(self._roles.findData(output.roles))
        self._ink.setCurrentIndex(self._ink.findData(output.ink))
        for box, on in (
            (self._construction, output.construction), (self._beside, output.beside), (self._archive, output.archive),
            (self._by_colour, output.by_colour),
        ):  # fmt: skip
            box.setChecked(on)
        self._dots.setText(figures(f"{output.dots:g}"))
        self._font.setText(output.font)

    def _number(self) -> float | None:
        try:
            value = float(self._dots.text().replace(",", "."))
        except ValueError:
            return None
        return value if _LEAST <= value <= _MOST else None

    def _dots_typed(self) -> None:
        if self._number() is None:
            self.refused.emit(
                tr("Dots to the inch: “{0}” is no number from {1:g} to {2:g}.", self._dots.text(), _LEAST, _MOST)
            )
            self._dots.setText("150")

    # ------------------------------------------------------------------ showing

    def tell_written(self, done: Written) -> None:
        """Says what was written, and what the format could not hold as it was."""
        names = ", ".join(str(p) if k == 0 else p.name for k, p in enumerate(done.files))
        self._result.setText(" ".join([tr("Wrote {0} to {1}.", said(done.says), names), *map(said, done.notes)]))
        self._result.show()

    def forget_result(self) -> None:
        """What was written no longer is what is shown."""
        self._result.hide()

    def show_state(self, state: State) -> None:
        """What would go out."""
        for key, (title, widget) in self._rows.items():
            shown = key == "format" or key in self.format.choices
            widget.setVisible(shown)
            if title is not None:
                title.setVisible(shown)
        size = self._session.view(SIZE)
        self._size.setText(self.lengths.size(size[0]) if size else "…")
        if self.format.holds == "bodies":
            self._show_bodies(state)
        elif self.format.holds == "table":
            self._show_table()
        else:
            self._show_profiles(state)

    def _fill(self, heads: tuple[str, ...], rows: list[tuple[str, ...]]) -> None:
        self._what.setColumnCount(len(heads))
        self._what.setHorizontalHeaderLabels(heads)
        self._what.setRowCount(len(rows))
        for k, row in enumerate(rows):
            for column, text in enumerate(row):
                self._what.setItem(k, column, cell(text, figure=column > 0))

    def _show_bodies(self, state: State) -> None:
        bodies = [b for b in state.part(Formed).bodies if not b.hidden]
        self._fill((tr("Body"), tr("Volume, mm³"), tr("Mass, kg")), [
            (b.name, f"{b.figures.volume:,.1f}", "" if b.mass is None else f"{b.mass:.4g}") for b in bodies
        ])  # fmt: skip
        self.write.setEnabled(bool(bodies))
        self._say(tr("{0} would be written.", counted(len(bodies), 'body', 'bodies')) if bodies
                  else tr("There is no body: raise a region in Form, or show the bodies."), bool(bodies))  # fmt: skip

    def _show_table(self) -> None:
        made = self._session.view(TABLE, self.format.table)
        self.write.setEnabled(made is not None and bool(made.rows))
        if made is None:
            self._fill(("…",), [])
            self._say(tr("Making the table…"), True)
            return
        self._fill(tuple(said(h) for h in made.heads), [tuple(row) for row in made.rows[:500]])
        self._say(tr("{0} would be written.", counted(len(made.rows), 'row')) if made.rows
                  else tr("There is nothing for a table of {0}.", self.format.table), bool(made.rows))  # fmt: skip

    def _show_profiles(self, state: State) -> None:
        output = self.output
        figures = self._session.view(FIGURES, output.roles, output.construction)
        found = surveyed(self._session)
        by_sketch = {f.sketch: f for f in figures or ()}
        purposes = ("profile", "construction") if output.construction else ("profile",)
        going = [s for s in state.sketches if s.purpose in purposes]
        rows = []
        for sketch in going:
            own = by_sketch.get(sketch.name, Figures(sketch.name))
            counts = (own.profiles, own.holes, own.open_runs)
            rows.append((sketch.name, *("…" if figures is None else str(count) for count in counts)))
        self._fill((tr("Sketch"), tr("Profiles"), tr("Holes"), tr("Open")), rows)
        self.write.setEnabled(bool(going))
        self._state.setVisible(found is not None and figures is not None)
        if found is None or figures is None:
            return
        whole = total(figures)
        text = tr("{0} would be written.", said(str(whole)))
        left = [f for f in found.faults if f.remedy and not f.by_choice]
        if left:
            text += tr(" {0} can still be fixed; see Mend.", counted(len(left), "finding"))
        doubt = self._unit_in_doubt()
        if doubt:
            text = tr("The unit is in doubt; see Measure. {0}", text)
        self._say(text, not (left or doubt or whole.open_runs))

    def _say(self, text: str, good: bool) -> None:
        self._state.setVisible(True)
        self._state.setText(text)
        set_role(self._state, "good" if good else "warning")

    def _unit_in_doubt(self) -> bool:
        evaluation, job = self._session.evaluation, self._session.job
        return evaluation is not None and job is not None and bool(in_doubt(job, evaluation))
