"""What stands in the canvas's place in Form: the view in space, with a row of views over it and a line under it."""

from __future__ import annotations

import numpy as np
from PyQt6.QtCore import QPointF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QResizeEvent
from PyQt6.QtWidgets import QBoxLayout, QComboBox, QSlider, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.stages.form.space.camera import Camera, ViewName
from syntaxa.app.stages.form.space.notes import DimensionNotes
from syntaxa.app.stages.form.space.view import SpaceView
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.widgets.labels import ElidedLabel, button, label, row_of
from syntaxa.app.words import tr

#: The views, in the order in which they stand.
VIEW_NAMES: tuple[ViewName, ...] = ("isometric", "top", "front", "right", "left", "back", "bottom")

#: Which axis a cut stands square to.
_CUTS = (tr("no cut"), tr("cut across x"), tr("cut across y"), tr("cut across z"))

#: What the mouse does, for whoever has nothing under the cursor.
HABITS = tr("Drag turns, the middle button pans, the wheel zooms. Click chooses, Ctrl adds.")

#: Pixels that a list has at the least.
_SHORT = 84

#: Pixels between two parts of a row, and at its ends.
_APART, _MARGIN = 7, 12

#: Steps of the slider of the cut.
_STEPS = 200


class SpaceFront(QWidget):
    """The view in space with what belongs to it."""

    plan_wanted = pyqtSignal()
    #: A dimension was clicked, by its name.
    dimension_clicked = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("spaceFront")
        self.view, self.notes = SpaceView(), DimensionNotes()
        self.view.overlays.append(self._draw_notes)
        self.view.takes_click = self._take_click
        self.setFocusProxy(self.view)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addLayout(self._bar())
        column.addWidget(self.view, 1)
        self.says = ElidedLabel("dim")
        self.says.setText(HABITS)
        foot = row_of(self.says)
        foot.setContentsMargins(12, 4, 12, 4)
        column.addLayout(foot)

    def _bar(self) -> QVBoxLayout:
        self.looks = QComboBox()
        self.looks.setAccessibleName(tr("View"))
        self.looks.addItems([tr(name).capitalize() for name in VIEW_NAMES])
        self.looks.activated.connect(lambda index: self.view.look(VIEW_NAMES[index]))
        fit = button(tr("Fit"), tr("Show everything (F)"))
        fit.clicked.connect(self.view.fit)
        self.through = button(tr("See through"), tr("See through the bodies"))
        self.through.setCheckable(True)
        self.through.toggled.connect(self.view.set_see_through)
        self.cut = QComboBox()
        self.cut.setAccessibleName(tr("Cut"))
        self.cut.addItems(_CUTS)
        self.cut.currentIndexChanged.connect(lambda _index: self._cut())
        self.where = QSlider(Qt.Orientation.Horizontal)
        self.where.setAccessibleName(tr("Where the cut is"))
        self.where.setRange(0, _STEPS)
        self.where.setValue(_STEPS // 2)
        self.where.setMinimumWidth(90)
        self.where.valueChanged.connect(lambda _value: self._cut())
        self.over = button(tr("Other side"), tr("Show what lies on the other side of the cut"))
        self.over.setCheckable(True)
        self.over.toggled.connect(lambda _on: self._cut())
        plan = button(tr("Plan"), tr("The drawing in its plane, to pick or draw there"))
        plan.clicked.connect(self.plan_wanted)
        for combo in (self.looks, self.cut):
            # In a small window they are what gives way.
            combo.setMinimumWidth(_SHORT)
        looking, cutting_through = row_of(self.looks, fit, self.through, None), row_of(self.cut, None, plan)
        #: Both beside each other, or below each other where the window has no room for that.
        self._line = QBoxLayout(QBoxLayout.Direction.LeftToRight)
        self._line.addLayout(looking)
        self._line.addLayout(cutting_through, 1)
        self._in_line = (self.looks, fit, self.through, self.cut, plan)
        # In a row of its own, for which a small window has no room beside the others.
        self._cutting = QWidget()
        cutting = row_of(label(tr("Where the cut is"), "dim"), self.where, self.over)
        self._cutting.setLayout(cutting)
        self._cutting.hide()
        bar = QVBoxLayout()
        bar.setContentsMargins(_MARGIN, 6, _MARGIN, 6)
        bar.setSpacing(6)
        bar.addLayout(self._line)
        bar.addWidget(self._cutting)
        for line in (self._line, looking, cutting_through, cutting):
            line.setContentsMargins(0, 0, 0, 0)
            line.setSpacing(_APART)
        return bar

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        wanted = sum(part.sizeHint().width() + _APART for part in self._in_line) + 2 * _MARGIN
        way = QBoxLayout.Direction.LeftToRight if self.width() >= wanted else QBoxLayout.Direction.TopToBottom
        if self._line.direction() != way:
            self._line.setDirection(way)

    def dress(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Takes a display unit and a look."""
        del lengths
        self.view.dress(tokens)

    def _cut(self) -> None:
        axis = self.cut.currentIndex() - 1
        self._cutting.setVisible(axis >= 0)
        if axis < 0:
            self.view.cut(None)
            return
        scene = self.view.scene
        low, high = float(scene.low[axis]), float(scene.high[axis])
        at = low + (high - low) * self.where.value() / _STEPS
        way = np.zeros(3)
        # What lies towards the eye of the isometric view goes first: in front, to the right, and above.
        way[axis] = (-1.0, 1.0, -1.0)[axis] * (-1.0 if self.over.isChecked() else 1.0)
        x, y, z = way.tolist()
        self.view.cut((x, y, z, -at * float(way[axis])))

    def _draw_notes(self, painter: QPainter, camera: Camera, tokens: Tokens) -> None:
        self.notes.draw(painter, camera, tokens)

    def _take_click(self, place: QPointF) -> bool:
        name = self.notes.at(place)
        if name:
            self.dimension_clicked.emit(name)
        return bool(name)
