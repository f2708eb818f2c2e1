"""Scale, turning, mirroring and origin: each a step, with the size that it would give while it is typed."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from syntaxa.app.canvas.views import SCENE
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.stages.measure.picking import PickPoints
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.widgets.length_field import AngleField, LengthField, NumberField
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Box
from syntaxa.measure.steps import About, Mirror, OriginMode, PlaceOrigin, ScaleBy, Turn, about, turning
from syntaxa.measure.views import SIZE

_ORIGINS: tuple[tuple[OriginMode, str], ...] = (
    ("as-drawn", "As drawn"),
    ("lower-left", "Lower left of what goes out"),
    ("centre", "Centre of what goes out"),
    ("point", "At a point, as drawn"),
    ("file-point", "At a point, in the file's numbers"),
    ("curve-centre", "Centre of a circle or arc"),
    ("mark", "At a mark on a layer"),
)

_ABOUT: tuple[tuple[About, str], ...] = (("origin", "origin"), ("centre", "centre"))


class Placing(QWidget):
    """The fields; emits `would_be` with the box (mm) that a change would give while it is typed, or None."""

    would_be = pyqtSignal(object)
    circle_wanted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._lengths = LengthFormat("mm")
        self.pick: PickPoints | None = None
        self._reference: tuple[Point, Point] | None = None
        self._turned: float | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label("Scale", "heading"))
        self._add_scale(column)
        column.addWidget(label("Turn and mirror", "heading"))
        self._add_turn(column)
        column.addWidget(label("Origin", "heading"))
        self._add_origin(column)

    # ------------------------------------------------------------------ making

    def _add_scale(self, column: QVBoxLayout) -> None:
        self._x, self._y = NumberField("Factor in X", least=0.0), NumberField("Factor in Y, if another", least=0.0)
        self._x.setPlaceholderText("40/96")
        self._y.setPlaceholderText("as in X")
        self._wide, self._high = LengthField("Wanted width", least=0.0), LengthField("Wanted height", least=0.0)
        self._wide.setPlaceholderText("wanted")
        self._high.setPlaceholderText("wanted")
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        fields: tuple[tuple[str, NumberField], ...] = (
            ("Factor", self._x),
            ("Y", self._y),
            ("Width", self._wide),
            ("Height", self._high),
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
            field.typing.connect(lambda _value: self._preview_scale())
        row = QHBoxLayout()
        two = button("By two points…", "Scale by two points and the length that they should have")
        two.clicked.connect(self.pick_reference)
        row.addWidget(two)
        row.addStretch()
        self._no_scale = button("No scaling", "Take the scaling back")
        self._no_scale.clicked.connect(lambda: self._session.do(ScaleBy()))
        row.addWidget(self._no_scale)
        column.addLayout(row)
        self._reference_row = QWidget()
        inside = QGridLayout(self._reference_row)
        inside.setContentsMargins(0, 0, 0, 0)
        self._measured = label("", "dim")
        self._should = LengthField("Length that the two points should have", least=0.0)
        self._should.entered.connect(lambda value: self._scale_by_reference(value))
        self._axis = narrow(QComboBox())
        self._axis.setAccessibleName("What is scaled by the two points")
        for text, axis in (("both ways", "both"), ("X alone", "x"), ("Y alone", "y")):
            self._axis.addItem(text, axis)
        self._axis.activated.connect(lambda _index: self._tell_reference())
        inside.addWidget(self._measured, 0, 0, 1, 3)
        inside.addWidget(label("should be", "dim"), 1, 0)
        inside.addWidget(self._should, 1, 1)
        inside.addWidget(self._axis, 1, 2)
        self._reference_row.hide()
        column.addWidget(self._reference_row)

    def _add_turn(self, column: QVBoxLayout) -> None:
        self._angle = AngleField("Angle to turn by, in degrees")
        self._angle.setPlaceholderText("0°")
        self._angle.typing.connect(self._preview_turn)
        self._angle.entered.connect(lambda value: self._session.do(Turn(value, self._about_now())))
        self._about = narrow(QComboBox())
        self._about.setAccessibleName("What is turned and mirrored about")
        for place, text in _ABOUT:
            self._about.addItem(text, place)
        self._about.activated.connect(lambda _index: self._turn_about())
        row = QHBoxLayout()
        for text, widget in (("Turn by", self._angle), ("about", self._about)):
            row.addWidget(label(text, "dim"))
            row.addWidget(widget, 1)
        column.addLayout(row)
        points = QHBoxLayout()
        two = button("By two points…", "Turn by two points and the angle that they should have")
        two.clicked.connect(self.pick_angle)
        points.addWidget(two)
        points.addStretch()
        column.addLayout(points)
        buttons = QHBoxLayout()
        self._flips: dict[str, QPushButton] = {}
        for axis, text, name in (
            ("left-right", "Flip left–right", "Mirror left and right"),
            ("top-bottom", "Flip top–bottom", "Mirror top and bottom"),
        ):
            flip = button(text, name)
            flip.setCheckable(True)
            flip.clicked.connect(lambda checked, chosen=axis: self._mirror(chosen, checked))
            self._flips[axis] = flip
            buttons.addWidget(flip)
        buttons.addStretch()
        column.addLayout(buttons)
        self._angle_row = QWidget()
        inside = QHBoxLayout(self._angle_row)
        inside.setContentsMargins(0, 0, 0, 0)
        self._angle_now = label("", "dim")
        self._angle_should = AngleField("Angle that the two points should have, in degrees")
        self._angle_should.entered.connect(self._turn_by_reference)
        inside.addWidget(self._angle_now)
        inside.addWidget(label("should be", "dim"))
        inside.addWidget(self._angle_should, 1)
        self._angle_row.hide()
        column.addWidget(self._angle_row)

    def _add_origin(self, column: QVBoxLayout) -> None:
        self._mode = narrow(QComboBox())
        self._mode.setAccessibleName("Where the origin is")
        for mode, text in _ORIGINS:
            self._mode.addItem(text, mode)
        self._mode.activated.connect(lambda _index: self._mode_chosen())
        self._layer = narrow(QComboBox())
        self._layer.setAccessibleName("Layer that holds the mark")
        self._layer.textActivated.connect(lambda name: self._session.do(PlaceOrigin("mark", layer=name)))
        self._ox, self._oy = LengthField("Origin X"), LengthField("Origin Y")
        self._fx, self._fy = (
            NumberField("Origin X in the file's numbers"),
            NumberField("Origin Y in the file's numbers"),
        )
        for field in (self._ox, self._oy, self._fx, self._fy):
            field.entered.connect(lambda _value: self._place_typed())
        for field in (self._ox, self._oy):
            field.typing.connect(lambda _value: self._preview_origin())
        self._pick_button = button("Pick…", "Pick the origin in the drawing")
        self._pick_button.clicked.connect(self.pick_origin)
        top = QHBoxLayout()
        top.addWidget(self._mode, 1)
        top.addWidget(self._pick_button)
        column.addLayout(top)
        column.addWidget(self._layer)
        row = QHBoxLayout()
        self._xy = [label("X", "dim"), self._ox, self._fx, label("Y", "dim"), self._oy, self._fy]
        for part in self._xy:
            row.addWidget(part)
        column.addLayout(row)

    # ------------------------------------------------------------------ doing

    def pick_reference(self) -> None:
        """Asks for the two points of a known length."""
        if self.pick is not None:
            self.pick(("First point", "Second point"), "Click two points whose distance you know.", self._got_reference)

    def pick_angle(self) -> None:
        """Asks for two points of a known direction."""
        if self.pick is not None:
            self.pick(("First point", "Second point"), "Click two points whose direction you know.", self._got_angle)

    def pick_origin(self) -> None:
        """Asks for the point, or the circle, that becomes the origin."""
        if self._mode.currentData() == "curve-centre":
            self.circle_wanted.emit()
        elif self.pick is not None:
            says = "Click the point that becomes the origin; ends, middles, centres and crossings snap."
            self.pick(("Origin here",), says, lambda points: self.place_at(points[0]))

    def place_at(self, place: Point) -> None:
        """Puts the origin at a point (mm, as things lie now)."""
        state = self._session.state
        if state is not None:
            self._session.do(PlaceOrigin("point", place.x - state.shift.x, place.y - state.shift.y))

    def place_at_curve(self, curve_id: str) -> None:
        """Puts the origin in the centre of a circle or arc."""
        self._session.do(PlaceOrigin("curve-centre", curve=curve_id))

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
        self._measured.setText(f"The two points are {self._lengths.text(self._reference_length())} apart and")

    def _reference_length(self) -> float:
        if self._reference is None:
            return 0.0
        step = self._reference[1] - self._reference[0]
        return {"x": abs(step.x), "y": abs(step.y)}.get(self._axis.currentData(), step.length)

    def _scale_by_reference(self, wanted: float) -> None:
        measured, now = self._reference_length(), self._factors_now()
        if measured <= 0:
            self._session.told.emit("The two points have no distance that way; pick two others.")
            return
        factor, axis = wanted / measured, self._axis.currentData()
        across = now[0] * (factor if axis in ("both", "x") else 1.0)
        up = now[1] * (factor if axis in ("both", "y") else 1.0)
        because = f"{self._lengths.text(measured)} should be {self._lengths.text(wanted)}"
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

    def _got_angle(self, points: list[Point]) -> None:
        self._turned = math.degrees((points[1] - points[0]).angle)
        self._angle_now.setText(f"They point to {self._turned:.4f}°,")
        self._angle_row.show()
        self._angle_should.setFocus()

    def _turn_by_reference(self, wanted: float) -> None:
        job = self._session.job
        if self._turned is None or job is None:
            return
        old = job.step_of(Turn)
        angle = wanted - self._turned + (old.angle_deg if isinstance(old, Turn) else 0.0)
        because = f"{self._turned:.6g}° should be {wanted:.6g}°"
        self._angle_row.hide()
        self._turned = None
        self._angle_should.show_nothing()
        self._session.do(Turn(angle, self._about_now(), because))

    def _about_now(self) -> About:
        return "centre" if self._about.currentData() == "centre" else "origin"

    def _turn_about(self) -> None:
        job = self._session.job
        step = job.step_of(Turn) if job else None
        if isinstance(step, Turn):
            self._session.do(Turn(step.angle_deg, self._about_now()))

    def _mirror(self, axis: str, on: bool) -> None:
        number = next((s.number for s in (self._session.job.steps if self._session.job else ())
                       if isinstance(s.step, Mirror)), None)  # fmt: skip
        if on:
            self._session.do(Mirror("left-right" if axis == "left-right" else "top-bottom", self._about_now()))
        elif number is not None:
            self._session.remove(number)

    def _mode_chosen(self) -> None:
        mode: OriginMode = self._mode.currentData()
        self._show_fields(mode)
        if mode in ("as-drawn", "lower-left", "centre"):
            self._session.do(PlaceOrigin(mode))
        elif mode == "mark" and self._layer.currentText():
            self._session.do(PlaceOrigin("mark", layer=self._layer.currentText()))
        elif mode == "curve-centre":
            self.pick_origin()

    def _place_typed(self) -> None:
        mode: OriginMode = self._mode.currentData()
        fields = (self._ox, self._oy) if mode == "point" else (self._fx, self._fy)
        x, y = (f.number() for f in fields)
        if x is not None and y is not None:
            self._session.do(PlaceOrigin("point" if mode == "point" else "file-point", x, y))

    # ------------------------------------------------------------------ showing

    def refresh(self, lengths: LengthFormat) -> None:
        """Shows what the steps say."""
        self._lengths = lengths
        job = self._session.job
        if job is None or self._session.evaluation is None:
            return
        for field in (self._wide, self._high, self._should, self._ox, self._oy):
            field.show_in(lengths.single)
        self._show_scale(job.step_of(ScaleBy))
        turn, mirror = job.step_of(Turn), job.step_of(Mirror)
        self._angle.show_value(turn.angle_deg if isinstance(turn, Turn) else 0.0)
        now = turn.about if isinstance(turn, Turn) else mirror.about if isinstance(mirror, Mirror) else "origin"
        self._about.setCurrentIndex(self._about.findData(now))
        for axis, flip in self._flips.items():
            flip.setChecked(isinstance(mirror, Mirror) and mirror.axis == axis)
        self._show_origin(job.step_of(PlaceOrigin))

    def _show_scale(self, step: object) -> None:
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

    def _show_origin(self, step: object) -> None:
        mode: OriginMode = step.mode if isinstance(step, PlaceOrigin) else "as-drawn"
        self._mode.setCurrentIndex(self._mode.findData(mode))
        evaluation = self._session.evaluation
        names = list(evaluation.first.layers()) if evaluation else []
        self._layer.clear()
        self._layer.addItems(names)
        if isinstance(step, PlaceOrigin):
            self._layer.setCurrentText(step.layer)
            if step.mode == "point":
                self._ox.show_length(step.x)
                self._oy.show_length(step.y)
            elif step.mode == "file-point":
                self._fx.show_value(step.x)
                self._fy.show_value(step.y)
        self._show_fields(mode)

    def _show_fields(self, mode: OriginMode) -> None:
        for part in self._xy:
            part.setVisible(mode in ("point", "file-point"))
        for part in (self._ox, self._oy):
            part.setVisible(mode == "point")
        for part in (self._fx, self._fy):
            part.setVisible(mode == "file-point")
        self._layer.setVisible(mode == "mark")
        self._pick_button.setVisible(mode in ("point", "curve-centre"))

    def _preview_scale(self) -> None:
        """The box that the typed scale would give, about the origin as drawn."""
        box, state = self._box(), self._session.state
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

    def _box(self) -> Box | None:
        """The size now (mm), where it is known."""
        found = self._session.view(SIZE)
        return found[0] if found is not None else None

    def _preview_turn(self, angle: float) -> None:
        """The box that the typed angle would give."""
        scene, state, job = self._session.peek(SCENE), self._session.state, self._session.job
        if scene is None or state is None or job is None or math.isnan(angle):
            self.would_be.emit(None)
            return
        old = job.step_of(Turn)
        more = turning(angle - (old.angle_deg if isinstance(old, Turn) else 0.0))
        self.would_be.emit(scene.extents_under(about(state, self._about_now(), more), state.shift))

    def _preview_origin(self) -> None:
        """The box as it would lie with the origin at the typed place."""
        box, state = self._box(), self._session.state
        x, y = self._ox.number(), self._oy.number()
        if box is None or state is None or x is None or y is None:
            self.would_be.emit(None)
            return
        dx, dy = -x - state.shift.x, -y - state.shift.y
        self.would_be.emit((box[0] + dx, box[1] + dy, box[2] + dx, box[3] + dy))
