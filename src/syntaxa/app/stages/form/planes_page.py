"""The page on which sketches are laid on planes."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QWidget

from syntaxa.app.shell.panel import Filling
from syntaxa.app.stages.form.make_page import refill
from syntaxa.app.stages.form.picked import Picked
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.widgets.value_field import ValueField
from syntaxa.app.words import tr
from syntaxa.drawing.state import PlaneView
from syntaxa.form.choosing import Axis
from syntaxa.form.model import Frame
from syntaxa.form.planes import LayOnFace, LaySketch
from syntaxa.form.raising import Reach
from syntaxa.form.views import Space

_VIEWS: tuple[PlaneView, ...] = ("top", "front", "side")


class PlanesPage(QWidget):
    """Where each sketch lies, and where it is to lie."""

    wanted = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self._picked, self._frames = Picked(), dict[str, Frame]()
        self._face: Reach | None = None
        column = Filling(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.sketch, self.view = roomy(QComboBox()), QComboBox()
        self.sketch.setAccessibleName(tr("Sketch that is laid on a plane"))
        self.sketch.currentIndexChanged.connect(lambda _index: self._show())
        self.view.setAccessibleName(tr("Plane"))
        self.view.addItems([tr("{0} plane", tr(v)) for v in _VIEWS])
        self.offset, self.turn, self.tilt = (
            ValueField(tr("How far along its normal")), ValueField(tr("Turn in itself, in degrees")),
            ValueField(tr("Tilt about the line, in degrees")),
        )  # fmt: skip
        for field, text in ((self.offset, "0"), (self.turn, "0"), (self.tilt, "90")):
            field.show_value(text, float(text), "")
            field.setMaximumWidth(92)
        self.lay = button(tr("Lay it there"), tr("Lay the sketch on that plane"), primary=True)
        self.through = button(tr("Through the chosen line"), tr("Lay the sketch on a plane through the chosen line"))
        self.on_face = button(tr("On the chosen face"), tr("Lay the sketch on the flat face that is chosen"))
        self.lay.clicked.connect(self._lay)
        self.through.clicked.connect(self._lay_through)
        self.on_face.clicked.connect(self._lay_on_face)
        self.says = label("", "dim", wrap=True)
        column.addLayout(row_of(label(tr("Sketch"), "dim"), self.sketch))
        column.addWidget(self.says)
        column.addLayout(row_of(label(tr("On the"), "dim"), self.view, None))
        column.addLayout(
            row_of(
                label(tr("Moved"), "dim"),
                self.offset,
                label(tr("mm, turned"), "dim"),
                self.turn,
                label("°", "dim"),
                None,
            )
        )
        column.addLayout(row_of(None, self.lay))
        column.addLayout(row_of(label(tr("Tilt"), "dim"), self.tilt, label("°", "dim"), None, self.through))
        column.addLayout(row_of(None, self.on_face))
        column.addStretch(1)

    def show_parts(self, space: Space | None, picked: Picked) -> None:
        """Shows what there is, None while it is looked for, and what is chosen."""
        flats = space.flats if space is not None else ()
        self._picked, self._frames = picked, {f.name: f.frame for f in flats}
        refill(self.sketch, [f.name for f in flats])
        self._show()

    def show_face(self, face: Reach | None) -> None:
        """The flat face that is chosen."""
        self._face = face
        self._show()

    def _show(self) -> None:
        name = self.sketch.currentText()
        frame = self._frames.get(name)
        lines = [t for t in self._picked.of_kind("line") if t.owner != name]
        self.lay.setEnabled(frame is not None)
        self.through.setEnabled(frame is not None and bool(lines))
        self.on_face.setEnabled(frame is not None and self._face is not None)
        if frame is None:
            self.says.setText(tr("There is no sketch."))
            return
        origin = ", ".join(f"{c:.6g}" for c in frame.origin)
        normal = ", ".join(f"{c:.3g}" for c in frame.normal)
        self.says.setText(tr("Its origin lies at {0} mm, and it looks along {1}.", origin, normal))

    def _lay(self) -> None:
        self.wanted.emit(
            LaySketch(
                self.sketch.currentText(), _VIEWS[self.view.currentIndex()], self.offset.text().strip() or "0",
                self.turn.text().strip() or "0",
            )
        )  # fmt: skip

    def _lay_through(self) -> None:
        lines = [t for t in self._picked.of_kind("line") if t.owner != self.sketch.currentText()]
        if lines:
            self.wanted.emit(
                LaySketch(
                    self.sketch.currentText(), offset=self.offset.text().strip() or "0", hinge_of=lines[-1].owner,
                    hinge=Axis(lines[-1].root), tilt=self.tilt.text().strip() or "0",
                )
            )  # fmt: skip

    def _lay_on_face(self) -> None:
        face = self._face
        if face is not None:
            self.wanted.emit(LayOnFace(self.sketch.currentText(), face.body, face.face))
