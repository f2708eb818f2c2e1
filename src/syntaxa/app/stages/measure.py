"""Measure: unit, scale and origin, with the true size before and after."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QButtonGroup, QComboBox, QGridLayout, QHBoxLayout, QRadioButton, QWidget

from syntaxa.app.lengths import DISPLAY_UNITS
from syntaxa.app.session import Session
from syntaxa.app.stages.base import StagePanel
from syntaxa.app.widgets.labels import button, cell, label, table
from syntaxa.app.widgets.length_field import NumberField
from syntaxa.drawing.units import MM_PER_UNIT, UNIT_NAMES
from syntaxa.measure.steps import ChooseUnit, OriginMode, PlaceOrigin, ScaleBy
from syntaxa.measure.witnesses import HYPOTHESES

_ORIGINS: tuple[tuple[OriginMode, str], ...] = (
    ("as-drawn", "As drawn"),
    ("lower-left", "Lower left of what is taken"),
    ("centre", "Centre of what is taken"),
    ("point", "At a point, as drawn"),
)

#: Below this the header and the other clues are not at one.
_SURE = 0.9


class MeasurePanel(StagePanel):
    """Candidate units with their sizes and reasons, the factor, and the origin."""

    title = "Measure"
    icon = "measure"
    purpose = "Which unit the numbers are in decides how large the part is. Choose it by the size that is right."

    pick_wanted = pyqtSignal()
    display_unit_chosen = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._declared = label("", wrap=True)
        self._units = table("Units that the drawing may be in", ("Unit", "Overall size if so"), 1)
        self._units.cellClicked.connect(lambda row, _column: self._choose_row(row))
        self._units.cellActivated.connect(lambda row, _column: self._choose_row(row))
        self._reasons = label("", "dim", wrap=True)
        self._other = QComboBox()
        self._other.setAccessibleName("Unit of the drawing")
        for unit, name in UNIT_NAMES.items():
            self._other.addItem(f"{unit}   {name}", unit)
        self._other.activated.connect(lambda _index: self._choose(self._other.currentData()))
        self._factor = NumberField("Scale factor", least=0.0)
        self._factor.entered.connect(lambda value: self.session.do(ScaleBy(value)))
        self._before, self._after = label("", "figure"), label("", "figure")
        self.body.addWidget(self._declared)
        self.body.addWidget(self._units)
        self.body.addWidget(self._reasons)
        self.body.addLayout(self._form())
        self.body.addWidget(label("Origin", "heading"))
        self._add_origin()
        self.body.addWidget(label("Show lengths in", "heading"))
        self._display = QComboBox()
        self._display.setAccessibleName("Display unit")
        self._display.addItems(DISPLAY_UNITS)
        self._display.textActivated.connect(self.display_unit_chosen)
        row = QHBoxLayout()
        row.addWidget(self._display)
        row.addWidget(label("Changes what you read, never the geometry.", "dim", wrap=True), 1)
        self.body.addLayout(row)
        self.body.addStretch(1)

    def _form(self) -> QGridLayout:
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        grid.setVerticalSpacing(7)
        rows: tuple[tuple[str, QWidget], ...] = (
            ("Unit", self._other),
            ("Scale by", self._factor),
            ("Size as declared", self._before),
            ("Size now", self._after),
        )
        for k, (text, widget) in enumerate(rows):
            name = label(text, "dim")
            name.setBuddy(widget)
            grid.addWidget(name, k, 0)
            grid.addWidget(widget, k, 1)
        grid.setColumnStretch(1, 1)
        return grid

    def _add_origin(self) -> None:
        self._modes = QButtonGroup(self)
        self._radios: dict[str, QRadioButton] = {}
        for mode, text in _ORIGINS:
            radio = QRadioButton(text)
            self._radios[mode] = radio
            self._modes.addButton(radio)
            radio.clicked.connect(lambda _checked, chosen=mode: self._place(chosen))
            self.body.addWidget(radio)
        self._x, self._y = NumberField("Origin X"), NumberField("Origin Y")
        row = QHBoxLayout()
        row.addSpacing(24)
        for name, field in (("X", self._x), ("Y", self._y)):
            row.addWidget(label(name, "dim"))
            row.addWidget(field, 1)
            field.entered.connect(lambda _value: self._place("point"))
        self._pick = button("Pick…", "Pick the origin in the drawing")
        self._pick.clicked.connect(self.pick_wanted)
        row.addWidget(self._pick)
        self.body.addLayout(row)

    # ------------------------------------------------------------------ doing

    def _choose_row(self, row: int) -> None:
        item = self._units.item(row, 0)
        if item is not None:
            self._choose(item.data(256))

    def _choose(self, unit: str) -> None:
        if self.session.state is not None and self.session.state.placement.unit != unit:
            self.session.do(ChooseUnit(unit))
        elif self.session.job is not None and self.session.job.step_of(ChooseUnit) is None:
            # Confirming what the header says is a decision too, and has its row.
            self.session.do(ChooseUnit(unit))

    def _place(self, mode: OriginMode) -> None:
        per = self.lengths.mm_per_unit
        x, y = self._x.number(), self._y.number()
        if mode != "point":
            self.session.do(PlaceOrigin(mode))
        elif x is not None and y is not None:
            self.session.do(PlaceOrigin("point", x * per, y * per))
        else:
            self.pick_wanted.emit()

    def place_at(self, x: float, y: float) -> None:
        """Puts the origin at a picked point (mm, as things lie now)."""
        if self.session.state is not None:
            shift = self.session.state.placement.shift
            self.session.do(PlaceOrigin("point", x - shift.x, y - shift.y))

    # ------------------------------------------------------------------ showing

    def open_matters(self) -> int:
        job, shown = self.session.job, self.session.shown
        if job is None or shown is None or job.step_of(ChooseUnit) is not None:
            return 0
        return int(shown.evaluation.verdict.confidence < _SURE)

    def refresh(self) -> None:
        shown, job = self.session.shown, self.session.job
        self.setEnabled(shown is not None)
        self._display.setCurrentText(self.lengths.unit)
        if shown is None or job is None:
            return
        evaluation = shown.evaluation
        declared = evaluation.received.report.declared
        said = f"The header declares {UNIT_NAMES[declared]}." if declared else "The header declares no unit."
        self._declared.setText(said)
        placement = evaluation.state.placement
        self._fill_units(placement.unit)
        self._other.setCurrentIndex(self._other.findData(placement.unit))
        self._factor.show_value(placement.factor)
        self._before.setText(self.lengths.size(shown.first_box))
        self._after.setText(self.lengths.size(shown.box))
        self._show_origin()

    def _fill_units(self, unit: str) -> None:
        shown = self.session.shown
        assert shown is not None, "filled only when something is shown"
        box = shown.first_box
        per = shown.evaluation.first.placement.mm_per_unit
        units = [*HYPOTHESES, *(u for u in (unit,) if u not in HYPOTHESES)]
        self._units.setRowCount(len(units))
        for k, name in enumerate(units):
            first = cell(f"{'●' if name == unit else '○'}  {UNIT_NAMES[name].split(' (')[0]}")
            first.setData(256, name)
            self._units.setItem(k, 0, first)
            self._units.setItem(k, 1, cell(self.lengths.size(_grown(box, MM_PER_UNIT[name] / per)), figure=True))
            if name == unit:
                self._units.selectRow(k)
        self._units.setFixedHeight(34 + 28 * len(units))
        reasons = [w.says for w in shown.evaluation.verdict.witnesses if w.kind != "overall size"]
        self._reasons.setText(" ".join(dict.fromkeys(reasons[1:] if reasons else ())))
        self._reasons.setVisible(len(reasons) > 1)

    def _show_origin(self) -> None:
        job = self.session.job
        step = job.step_of(PlaceOrigin) if job else None
        mode = step.mode if isinstance(step, PlaceOrigin) else "as-drawn"
        self._radios[mode].setChecked(True)
        per = self.lengths.mm_per_unit
        x, y = (step.x, step.y) if isinstance(step, PlaceOrigin) else (0.0, 0.0)
        for field, value in ((self._x, x / per), (self._y, y / per)):
            field.show_value(value, f"{value:.6g}")


def _grown(box: tuple[float, float, float, float] | None, factor: float) -> tuple[float, float, float, float] | None:
    return None if box is None else (box[0] * factor, box[1] * factor, box[2] * factor, box[3] * factor)
