"""The page on which regions are raised and turned."""

from __future__ import annotations

from typing import Literal

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QStandardItemModel
from PyQt6.QtWidgets import QCheckBox, QComboBox, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.shell.panel import Filling
from syntaxa.app.stages.form.picked import Picked
from syntaxa.app.widgets.labels import button, label, lines_kept, roomy, row_of
from syntaxa.app.widgets.value_field import ValueField
from syntaxa.app.words import counted, tr
from syntaxa.drawing.descent import CurveRef
from syntaxa.form.choosing import Axis
from syntaxa.form.part import Formed
from syntaxa.form.raising import Measured, RaiseBy, RaiseRegions, Reach, TurnRegions, Use
from syntaxa.form.views import Space

USES: tuple[tuple[str, Use], ...] = (
    (tr("as a new body"), "new"),
    (tr("joined to"), "add"),
    (tr("taken away from"), "cut"),
    (tr("what both have with"), "common"),
)

_BY: tuple[Literal["layer", "role"], ...] = ("layer", "role")
_MEASURED: tuple[Measured, ...] = ("inner", "middle", "outer")


class MakePage(QWidget):
    """What is meant, how far it is raised or turned, and what becomes of it."""

    #: A step that is wanted, and one that is being thought of (None for none).
    wanted = pyqtSignal(object)
    thought_of = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self._picked, self._part, self._names = Picked(), Formed(), frozenset[str]()
        self._face: Reach | None = None
        column = Filling(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.what = lines_kept(label("", wrap=True), 2)
        self.sketch = roomy(QComboBox())
        self.sketch.setAccessibleName(tr("Sketch whose regions are meant where none is chosen"))
        column.addLayout(row_of(label(tr("Of sketch"), "dim"), self.sketch))
        column.addWidget(self.what)
        self._add_use(column)
        self._add_raise(column)
        self._add_turn(column)
        self._add_by_layer(column)
        column.addStretch(1)

    def _add_use(self, column: QVBoxLayout) -> None:
        self.use, self.body = QComboBox(), roomy(QComboBox())
        self.use.setAccessibleName(tr("What becomes of it"))
        for words, use in USES:
            self.use.addItem(words, use)
        self.body.setAccessibleName(tr("Body that it changes"))
        self.use.currentIndexChanged.connect(lambda _index: self._use_changed())
        column.addLayout(row_of(self.use, self.body))

    def _add_raise(self, column: QVBoxLayout) -> None:
        self.low, self.high = ValueField(tr("From, over the plane")), ValueField(tr("To, over the plane"))
        self.lean = ValueField(tr("Angle by which the sides lean inwards"))
        self.filled = QCheckBox(tr("Fill holes"))
        self.reach = QCheckBox(tr("Up to the chosen face"))
        self.reach.setToolTip(tr("Raise up to the flat face that is chosen, or level with the chosen line's start"))
        for field, text, now in ((self.low, "0", 0.0), (self.high, "10", 10.0), (self.lean, "0", 0.0)):
            field.show_value(text, now, "")
            field.setMaximumWidth(92)
            field.textEdited.connect(lambda _text: self._think())
            field.tried.connect(lambda _text: self._think())
            field.returnPressed.connect(self.raise_)
        self.filled.toggled.connect(lambda _on: self._think())
        self.raise_button = button(tr("Raise"), tr("Raise the chosen regions"), primary=True)
        self.raise_button.clicked.connect(self.raise_)
        column.addWidget(label(tr("Raise"), "heading"))
        column.addLayout(
            row_of(label(tr("From"), "dim"), self.low, label(tr("to"), "dim"), self.high, label("mm", "dim"), None)
        )
        column.addLayout(row_of(label(tr("Lean"), "dim"), self.lean, label("°", "dim"), self.filled, None))
        column.addLayout(row_of(self.reach, None, self.raise_button))

    def _add_turn(self, column: QVBoxLayout) -> None:
        self.angle, self.ring = ValueField(tr("Angle of the turn")), ValueField(tr("Diameter of the ring"))
        self.angle.show_value("360", 360.0, "")
        self.ring.setPlaceholderText(tr("as drawn"))
        self.measured = QComboBox()
        self.measured.setAccessibleName(tr("Where the ring is measured"))
        self.measured.addItems([tr(m) for m in _MEASURED])
        for field in (self.angle, self.ring):
            field.setMaximumWidth(92)
        self.turn_button = button(tr("Turn"), tr("Turn the regions about the chosen line"))
        self.turn_button.clicked.connect(self.turn)
        self.axis_says = label("", "dim", wrap=True)
        column.addWidget(label(tr("Turn about the chosen line"), "heading"))
        column.addWidget(self.axis_says)
        column.addLayout(row_of(label(tr("By"), "dim"), self.angle, label("°", "dim"), None, self.turn_button))
        column.addLayout(
            row_of(label(tr("Ring of"), "dim"), self.ring, self.measured, label(tr("diameter"), "dim"), None)
        )

    def _add_by_layer(self, column: QVBoxLayout) -> None:
        self.layers = QLineEdit()
        self.layers.setAccessibleName(tr("Thickness of each layer or role"))
        self.layers.setPlaceholderText(tr("PLATE = 6, RIB = 10"))
        self.layers.setToolTip(tr("A thickness for each name, with commas between; regions of others stay flat"))
        self.kind = QComboBox()
        self.kind.setAccessibleName(tr("What thicknesses go by"))
        self.kind.addItems([tr(b) for b in _BY])
        self.by_layer = button(
            tr("Raise all"), tr("Raise every region of the drawing at the thickness of its layer or role")
        )
        self.by_layer.clicked.connect(self.raise_by_layer)
        self.layers.returnPressed.connect(self.raise_by_layer)
        column.addWidget(label(tr("The whole drawing, each region at its thickness"), "heading"))
        column.addLayout(row_of(self.kind, self.layers, self.by_layer))

    # ------------------------------------------------------------------ showing

    def show_parts(self, space: Space | None, part: Formed, picked: Picked) -> None:
        """Shows what there is, None while it is looked for, and what is chosen."""
        self._picked, self._part = picked, part
        flats = space.flats if space is not None else ()
        names = [f.name for f in flats if f.regions]
        refill(self.sketch, names)
        refill(self.body, [b.name for b in reversed(part.bodies)])
        self._names = frozenset(f.name for f in part.features)
        regions = picked.regions()
        all_of = [r.is_hole for f in flats if f.name == self.sketch.currentText() for r in f.regions]
        holes, count = sum(all_of), len(all_of) - sum(all_of)
        if regions:
            self.what.setText(
                " and ".join(tr("{0} of {1}", counted(len(own), "region"), name) for name, own in regions.items())
            )
        elif names:
            left = tr(", its {0} left open", counted(holes, "hole")) if holes else ""
            self.what.setText(
                tr("All of it: {0}{1}. Click regions for others, Ctrl for several.", counted(count, "region"), left)
            )
        else:
            looked = space is not None and not space.failed
            self.what.setText(tr("Nothing in the drawing is closed. Mend it first.") if looked else "")
        lines = picked.of_kind("line")
        axis = (
            tr("Line #{0} of {1}", lines[-1].root, lines[-1].owner)
            if lines
            else tr("Click a line of the sketch; Ctrl adds it.")
        )
        self.axis_says.setText(axis)
        self.raise_button.setEnabled(bool(names))
        self.turn_button.setEnabled(bool(names and lines))
        self.by_layer.setEnabled(bool(names))
        self.reach.setEnabled(self._face is not None or bool(lines))
        self._use_changed()

    def show_face(self, face: Reach | None) -> None:
        """The flat face that is chosen, which something can reach up to."""
        self._face = face
        self.reach.setEnabled(face is not None or bool(self._picked.of_kind("line")))
        if not self.reach.isEnabled():
            self.reach.setChecked(False)

    def _use_changed(self) -> None:
        alone = self.use.currentData() == "new"
        self.body.setVisible(not alone)
        for k in range(1, self.use.count()):
            model = self.use.model()
            assert isinstance(model, QStandardItemModel), "a combo box has such a model"
            item = model.item(k)
            if item is not None:
                item.setEnabled(bool(self._part.bodies))

    def _think(self) -> None:
        steps = self._raising()
        self.thought_of.emit(steps[0] if len(steps) == 1 else None)

    # ------------------------------------------------------------------ doing

    def raise_(self) -> None:
        """Raises what is chosen."""
        for step in self._raising():
            self.wanted.emit(step)

    def _raising(self) -> list[RaiseRegions]:
        meant = self._picked.regions() or ({self.sketch.currentText(): ()} if self.sketch.count() else {})
        to = self._reach() if self.reach.isChecked() else None
        return [
            RaiseRegions(
                self._free_name(tr("Raise"), k), name, regions, self.low.text(), self.high.text() or "0", to,
                self.use.currentData(), self._bodies(), self.lean.text() or "0", self.filled.isChecked(),
            )
            for k, (name, regions) in enumerate(meant.items())
        ]  # fmt: skip

    def _reach(self) -> Reach | None:
        lines = self._picked.of_kind("line")
        if self._face is not None or not lines:
            return self._face
        return Reach(sketch=lines[-1].owner, place=CurveRef(lines[-1].root, "start"))

    def turn(self) -> None:
        """Turns what is chosen about the chosen line."""
        lines = self._picked.of_kind("line")
        if not lines:
            return
        line = lines[-1]
        regions = self._picked.regions().get(line.owner, ())
        self.wanted.emit(
            TurnRegions(
                self._free_name(tr("Turn")), line.owner, Axis(line.root), regions, end=self.angle.text() or "360",
                size=self.ring.text().strip(), measured=_MEASURED[self.measured.currentIndex()],
                use=self.use.currentData(), bodies=self._bodies(),
            )
        )  # fmt: skip

    def raise_by_layer(self) -> None:
        """Raises everything by its layer or role."""
        pairs = [part.partition("=") for part in self.layers.text().split(",") if part.strip()]
        thicknesses = tuple((name.strip(), value.strip() or "0") for name, _, value in pairs)
        if thicknesses:
            self.wanted.emit(RaiseBy(self._free_name(tr("Raise")), _BY[self.kind.currentIndex()], thicknesses))

    def _bodies(self) -> tuple[str, ...]:
        return (self.body.currentText(),) if self.use.currentData() != "new" and self.body.count() else ()

    def _free_name(self, kind: str, after: int = 0) -> str:
        return free_feature(kind, self._names, after)


def free_feature(kind: str, names: frozenset[str], after: int = 0) -> str:
    """A name that no feature has yet, so many after the first that is free."""
    free = (f"{kind} {k}" for k in range(1, len(names) + after + 2))
    return [name for name in free if name not in names][after]


def refill(combo: QComboBox, names: list[str]) -> None:
    """Other entries, with the same one chosen where it is still there; tells nobody."""
    if [combo.itemText(k) for k in range(combo.count())] == names:
        return
    now = combo.currentText()
    combo.blockSignals(True)
    combo.clear()
    combo.addItems(names)
    combo.setCurrentIndex(max(0, names.index(now) if now in names else 0) if names else -1)
    combo.blockSignals(False)
