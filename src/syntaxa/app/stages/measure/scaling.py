"""Scale: by a factor, to a wanted size, or by two points and the length that they should have."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.stages.measure.picking import PickPoints, size_now
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.widgets.length_field import LengthField, NumberField
from syntaxa.app.words import tr
from syntaxa.geometry.points import Point
from syntaxa.measure.steps import ScaleBy


class Scaling(QWidget):
    """The fields; emits `would_be` with the box (mm) that a change would give while it is typed, or None."""

    would_be = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._lengths = LengthFormat("mm")
        self.pick: PickPoints | None = None
        self._reference: tuple[Point, Point] | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("Scale"), "heading"))
        self._add_fields(column)

    def _add_fields(self, column: QVBoxLayout) -> None:
        self._x, self._y = (
            NumberField(tr("Factor in X"), least=0.0),
            NumberField(tr("Factor in Y, if another"), least=0.0),
        )
        self._x.setPlaceholderText("40/96")
        self._y.setPlaceholderText(tr("as in X"))
        self._wide, self._high = LengthField(tr("Wanted width"), least=0.0), LengthField(tr("Wanted height"), least=0.0)
        self._wide.setPlaceholderText(tr("wanted"))
        self._high.setPlaceholderText(tr("wanted"))
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        fields: tuple[tuple[str, NumberField], ...] = (
            (tr("Factor"), self._x),
            ("Y", self._y),
            (tr("Width"), self._wide),
            (tr("Height"), self._high),
        )
        for k, (text, field) in enumerate(fields):
            name = label(text, "dim")
            name.setBuddy(field)
            grid.addWidget(name, k // 2, 2 * (k % 2))
            grid.addWidget(field, k // 2, 2 * (k % 2) + 1)
        column.addLayout(grid)
        self._x.entered.connect(lambda _value: self._scale())
        self._y.entered.connect(lambda _value: self._scale())
        self._wide.entered.connect(lambda value: self._session.do(ScaleBy(width=value)))
        self._high.entered.connect(lambda value: self._session.do(ScaleBy(height=value)))
        for _, field in fields:
            field.typing.connect(lambda _value: self._preview())
        row = QHBoxLayout()
        two = button(tr("By two points…"), tr("Scale by two points and the length that they should have"))
        two.clicked.connect(self.pick_reference)
        row.addWidget(two)
        row.addStretch()
        self._no_scale = button(tr("No scaling"), tr("Take the scaling back"))
        self._no_scale.clicked.connect(lambda: self._session.do(ScaleBy()))
        row.addWidget(self._no_scale)
        column.addLayout(row)
        self._reference_row = QWidget()
        inside = QGridLayout(self._reference_row)
        inside.setContentsMargins(0, 0, 0, 0)
        self._measured = label("", "dim")
        self._should = LengthField(tr("Length that the two points should have"), least=0.0)
        self._should.entered.connect(lambda value: self._scale_by_reference(value))
        self._axis = narrow(QComboBox())
        self._axis.setAccessibleName(tr("What is scaled by the two points"))
        for text, axis in ((tr("both ways"), "both"), (tr("X alone"), "x"), (tr("Y alone"), "y")):
            self._axis.addItem(text, axis)
        self._axis.activated.connect(lambda _index: self._tell_reference())
        inside.addWidget(self._measured, 0, 0, 1, 3)
        inside.addWidget(label(tr("should be"), "dim"), 1, 0)
        inside.addWidget(self._should, 1, 1)
        inside.addWidget(self._axis, 1, 2)
        self._reference_row.hide()
        column.addWidget(self._reference_row)

    # ------------------------------------------------------------------ doing

    def pick_reference(self) -> None:
        """Asks for the two points of a known length."""
        if self.pick is not None:
            self.pick(
                (tr("First point"), tr("Second point")),
                tr("Click two points whose distance you know."),
                self._got_reference,
            )

    def _scale(self) -> None:
        across, up = self._x.number(), self._y.number()
        if across is not None:
            self._session.do(ScaleBy(across, up))

    def _got_reference(self, points: list[Point]) -> None:
        self._reference = points[0], points[1]
        self._reference_row.show()
        self._tell_reference()
        self._should.setFocus()

    def _tell_reference(self) -> None:
        self._measured.setText(tr("The two points are {0} apart and", self._lengths.text(self._reference_length())))

    def _reference_length(self) -> float:
        if self._reference is None:
            return 0.0
        step = self._reference[1] - self._reference[0]
        return {"x": abs(step.x), "y": abs(step.y)}.get(self._axis.currentData(), step.length)

    def _scale_by_reference(self, wanted: float) -> None:
        measured, now = self._reference_length(), self._factors_now()
        if measured <= 0:
            self._session.told.emit(tr("The two points have no distance that way; pick two others."))
            return
        factor, axis = wanted / measured, self._axis.currentData()
        across = now[0] * (factor if axis in ("both", "x") else 1.0)
        up = now[1] * (factor if axis in ("both", "y") else 1.0)
        because = tr("{0} should be {1}", self._lengths.text(measured), self._lengths.text(wanted))
        self._reference_row.hide()
        self._reference = None
        self._should.show_nothing()
        self._session.do(ScaleBy(across, None if across == up else up, because=because))

    def _factors_now(self) -> tuple[float, float]:
        """The factors of X and Y in force, whichever way they were given."""
        state, job = self._session.state, self._session.job
        step = job.step_of(ScaleBy) if job else None
        if state is None or not isinstance(step, ScaleBy):
            return 1.0, 1.0
        across = math.hypot(state.by.a, state.by.b)
        up = math.hypot(state.by.c, state.by.d)
        return across, up

    # ------------------------------------------------------------------ showing

    def refresh(self, lengths: LengthFormat) -> None:
        """Shows what the step says."""
        self._lengths = lengths
        for field in (self._wide, self._high, self._should):
            field.show_in(lengths.single)
        self._show(self._session.job.step_of(ScaleBy) if self._session.job else None)

    def _show(self, step: object) -> None:
        for field in (self._x, self._y, self._wide, self._high):
            field.show_nothing()
        self._no_scale.setEnabled(isinstance(step, ScaleBy) and step != ScaleBy())
        if not isinstance(step, ScaleBy) or step.width or step.height:
            if isinstance(step, ScaleBy):
                for field, value in ((self._wide, step.width), (self._high, step.height)):
                    if value:
                        field.show_length(value)
            return
        self._x.show_value(step.factor)
        if step.factor_y is not None:
            self._y.show_value(step.factor_y)

    def _preview(self) -> None:
        """The box that the typed scale would give, about the origin as drawn."""
        box, state = size_now(self._session), self._session.state
        if box is None or state is None:
            return
        now = self._factors_now()
        width, height = box[2] - box[0], box[3] - box[1]
        x, y = self._x.number(), self._y.number()
        wide, high = self._wide.number(), self._high.number()
        if self._wide.isModified() and wide and width:
            across = up = wide / width
        elif self._high.isModified() and high and height:
            across = up = high / height
        elif (self._x.isModified() or self._y.isModified()) and x:
            across, up = x / now[0], (y or x) / now[1]
        else:
            self.would_be.emit(None)
            return
        zero = state.shift
        self.would_be.emit(
            (
                zero.x + (box[0] - zero.x) * across,
                zero.y + (box[1] - zero.y) * up,
                zero.x + (box[2] - zero.x) * across,
                zero.y + (box[3] - zero.y) * up,
            )
        )
