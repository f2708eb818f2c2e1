"""The origin: as drawn, by what goes out, at a point, in the centre of a circle, or at a mark."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.stages.measure.picking import PickPoints, size_now
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.widgets.length_field import LengthField, NumberField
from syntaxa.app.words import tr
from syntaxa.drawing.state import State
from syntaxa.geometry.points import Point
from syntaxa.measure.steps import OriginMode, PlaceOrigin

_ORIGINS: tuple[tuple[OriginMode, str], ...] = (
    ("as-drawn", tr("As drawn")),
    ("lower-left", tr("Lower left of what goes out")),
    ("centre", tr("Centre of what goes out")),
    ("point", tr("At a point, as drawn")),
    ("file-point", tr("At a point, in the file's numbers")),
    ("curve-centre", tr("Centre of a circle or arc")),
    ("mark", tr("At a mark on a layer")),
)


class Origin(QWidget):
    """The fields; emits `would_be` with the box (mm) that a place would give while it is typed, or None."""

    would_be = pyqtSignal(object)
    circle_wanted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self.pick: PickPoints | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("Origin"), "heading"))
        self._add_fields(column)

    def _add_fields(self, column: QVBoxLayout) -> None:
        self._mode = narrow(QComboBox())
        self._mode.setAccessibleName(tr("Where the origin is"))
        for mode, text in _ORIGINS:
            self._mode.addItem(text, mode)
        self._mode.activated.connect(lambda _index: self._mode_chosen())
        #: The state whose layers are offered.
        self._offered: State | None = None
        self._layer = narrow(QComboBox())
        self._layer.setAccessibleName(tr("Layer that holds the mark"))
        self._layer.textActivated.connect(lambda name: self._session.do(PlaceOrigin("mark", layer=name)))
        self._ox, self._oy = LengthField(tr("Origin X")), LengthField(tr("Origin Y"))
        self._fx, self._fy = (
            NumberField(tr("Origin X in the file's numbers")),
            NumberField(tr("Origin Y in the file's numbers")),
        )
        for field in (self._ox, self._oy, self._fx, self._fy):
            field.entered.connect(lambda _value: self._place_typed())
        for field in (self._ox, self._oy):
            field.typing.connect(lambda _value: self._preview())
        self._pick_button = button(tr("Pick…"), tr("Pick the origin in the drawing"))
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

    def pick_origin(self) -> None:
        """Asks for the point, or the circle, that becomes the origin."""
        if self._mode.currentData() == "curve-centre":
            self.circle_wanted.emit()
        elif self.pick is not None:
            says = tr("Click the point that becomes the origin; ends, middles, centres and crossings snap.")
            self.pick((tr("Origin here"),), says, lambda points: self.place_at(points[0]))

    def place_at(self, place: Point) -> None:
        """Puts the origin at a point (mm, as things lie now)."""
        state = self._session.state
        if state is not None:
            self._session.do(PlaceOrigin("point", place.x - state.shift.x, place.y - state.shift.y))

    def place_at_curve(self, curve_id: str) -> None:
        """Puts the origin in the centre of a circle or arc."""
        self._session.do(PlaceOrigin("curve-centre", curve=curve_id))

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
        """Shows what the step says."""
        for field in (self._ox, self._oy):
            field.show_in(lengths.single)
        self._show(self._session.job.step_of(PlaceOrigin) if self._session.job else None)

    def _show(self, step: object) -> None:
        mode: OriginMode = step.mode if isinstance(step, PlaceOrigin) else "as-drawn"
        self._mode.setCurrentIndex(self._mode.findData(mode))
        self._offer_layers()
        if isinstance(step, PlaceOrigin):
            self._layer.setCurrentText(step.layer)
            if step.mode == "point":
                self._ox.show_length(step.x)
                self._oy.show_length(step.y)
            elif step.mode == "file-point":
                self._fx.show_value(step.x)
                self._fy.show_value(step.y)
        self._show_fields(mode)

    def _offer_layers(self) -> None:
        """Those of the drawings as they were taken in; looked for once, for it takes a look at every curve."""
        evaluation = self._session.evaluation
        first = evaluation.first if evaluation else None
        if first is not self._offered:
            self._offered = first
            self._layer.clear()
            self._layer.addItems(list(first.layers()) if first else [])
        self._layer.setCurrentIndex(0)

    def _show_fields(self, mode: OriginMode) -> None:
        for part in self._xy:
            part.setVisible(mode in ("point", "file-point"))
        for part in (self._ox, self._oy):
            part.setVisible(mode == "point")
        for part in (self._fx, self._fy):
            part.setVisible(mode == "file-point")
        self._layer.setVisible(mode == "mark")
        self._pick_button.setVisible(mode in ("point", "curve-centre"))

    def _preview(self) -> None:
        """The box as it would lie with the origin at the typed place."""
        box, state = size_now(self._session), self._session.state
        x, y = self._ox.number(), self._oy.number()
        if box is None or state is None or x is None or y is None:
            self.would_be.emit(None)
            return
        dx, dy = -x - state.shift.x, -y - state.shift.y
        self.would_be.emit((box[0] + dx, box[1] + dy, box[2] + dx, box[3] + dy))
