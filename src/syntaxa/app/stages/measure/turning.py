"""Turning and mirroring: by an angle, by two points and the angle that they should have, or flipped."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from syntaxa.app.canvas.views import SCENE
from syntaxa.app.session.session import Session
from syntaxa.app.stages.measure.picking import PickPoints
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.widgets.length_field import AngleField
from syntaxa.app.words import tr
from syntaxa.geometry.points import Point
from syntaxa.measure.steps import About, Mirror, Turn, about, turning

_ABOUT: tuple[tuple[About, str], ...] = (("origin", tr("origin")), ("centre", tr("centre")))


class Turning(QWidget):
    """The fields; emits `would_be` with the box (mm) that an angle would give while it is typed, or None."""

    would_be = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self.pick: PickPoints | None = None
        self._turned: float | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("Turn and mirror"), "heading"))
        self._add_fields(column)

    def _add_fields(self, column: QVBoxLayout) -> None:
        self._angle = AngleField(tr("Angle to turn by, in degrees"))
        self._angle.setPlaceholderText("0°")
        self._angle.typing.connect(self._preview)
        self._angle.entered.connect(lambda value: self._session.do(Turn(value, self._about_now())))
        self._about = narrow(QComboBox())
        self._about.setAccessibleName(tr("What is turned and mirrored about"))
        for place, text in _ABOUT:
            self._about.addItem(text, place)
        self._about.activated.connect(lambda _index: self._turn_about())
        row = QHBoxLayout()
        for text, widget in ((tr("Turn by"), self._angle), (tr("about"), self._about)):
            row.addWidget(label(text, "dim"))
            row.addWidget(widget, 1)
        column.addLayout(row)
        points = QHBoxLayout()
        two = button(tr("By two points…"), tr("Turn by two points and the angle that they should have"))
        two.clicked.connect(self.pick_angle)
        points.addWidget(two)
        points.addStretch()
        column.addLayout(points)
        buttons = QHBoxLayout()
        self._flips: dict[str, QPushButton] = {}
        for axis, text, name in (
            ("left-right", tr("Flip left–right"), tr("Mirror left and right")),
            ("top-bottom", tr("Flip top–bottom"), tr("Mirror top and bottom")),
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
        self._angle_should = AngleField(tr("Angle that the two points should have, in degrees"))
        self._angle_should.entered.connect(self._turn_by_reference)
        inside.addWidget(self._angle_now)
        inside.addWidget(label(tr("should be"), "dim"))
        inside.addWidget(self._angle_should, 1)
        self._angle_row.hide()
        column.addWidget(self._angle_row)

    # ------------------------------------------------------------------ doing

    def pick_angle(self) -> None:
        """Asks for two points of a known direction."""
        if self.pick is not None:
            self.pick(
                (tr("First point"), tr("Second point")),
                tr("Click two points whose direction you know."),
                self._got_angle,
            )

    def _got_angle(self, points: list[Point]) -> None:
        self._turned = math.degrees((points[1] - points[0]).angle)
        self._angle_now.setText(tr("They point to {0:.4f}°,", self._turned))
        self._angle_row.show()
        self._angle_should.setFocus()

    def _turn_by_reference(self, wanted: float) -> None:
        job = self._session.job
        if self._turned is None or job is None:
            return
        old = job.step_of(Turn)
        angle = wanted - self._turned + (old.angle_deg if isinstance(old, Turn) else 0.0)
        because = tr("{0:.6g}° should be {1:.6g}°", self._turned, wanted)
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

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        """Shows what the steps say."""
        job = self._session.job
        turn, mirror = (job.step_of(Turn), job.step_of(Mirror)) if job else (None, None)
        self._angle.show_value(turn.angle_deg if isinstance(turn, Turn) else 0.0)
        now = turn.about if isinstance(turn, Turn) else mirror.about if isinstance(mirror, Mirror) else "origin"
        self._about.setCurrentIndex(self._about.findData(now))
        for axis, flip in self._flips.items():
            flip.setChecked(isinstance(mirror, Mirror) and mirror.axis == axis)

    def _preview(self, angle: float) -> None:
        """The box that the typed angle would give."""
        scene, state, job = self._session.peek(SCENE), self._session.state, self._session.job
        if scene is None or state is None or job is None or math.isnan(angle):
            self.would_be.emit(None)
            return
        old = job.step_of(Turn)
        more = turning(angle - (old.angle_deg if isinstance(old, Turn) else 0.0))
        self.would_be.emit(scene.extents_under(about(state, self._about_now(), more), state.shift))
