"""The page of the bodies: what they weigh, their names, and what is done with whole ones."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QColor
from PyQt6.QtWidgets import QColorDialog, QComboBox, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.shell.panel import Filling
from syntaxa.app.stages.form.make_page import free_feature, refill
from syntaxa.app.widgets.labels import button, label, lines_kept, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.widgets.value_field import ValueField
from syntaxa.app.words import counted, tr
from syntaxa.form.base import FormStep
from syntaxa.form.bodies import AxisName, CombineBodies, DescribeBody, DropBodies, PlaceBody, ScaleBody
from syntaxa.form.materials import DENSITIES
from syntaxa.form.part import Body, Formed

_ABOUT: tuple[AxisName, ...] = ("z", "x", "y")
_ALONG: tuple[AxisName, ...] = ("x", "y", "z")

_COMBINE = ((tr("joined with"), "add"), (tr("without"), "cut"), (tr("in common with"), "common"))


class BodiesPage(QWidget):
    """The list, and what can be done to the chosen one."""

    wanted = pyqtSignal(object)
    #: What was typed makes no sense, and why.
    refused = pyqtSignal(str)
    write_wanted = pyqtSignal()
    #: The name of the chosen body; empty for none.
    chosen = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._part, self._lengths = Formed(), LengthFormat("mm")
        column = Filling(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.table = RowsView(
            tr("Bodies"),
            (
                Column(
                    tr("Body"),
                    lambda b: tr("{0} (hidden)", b.name) if b.hidden else b.name,
                    figure=False,
                    tip=self._about,
                ),
                Column(tr("Volume cm³"), lambda b: f"{b.figures.volume / 1000:,.3f}", tip=self._about),
                Column(tr("Mass kg"), lambda b: "" if b.mass is None else f"{b.mass:.4g}", tip=self._about),
            ),
        )
        self.table.selection().selectionChanged.connect(lambda *_: self._chosen())
        self.box = lines_kept(label("", "dim", wrap=True), 2)
        column.addWidget(self.table, 1)
        column.addWidget(self.box)
        self._add_naming(column)
        self._add_placing(column)
        self._add_combining(column)
        self.write = button(tr("Write the bodies…"), tr("Write STEP, STL or 3MF"), primary=True)
        self.write.clicked.connect(self.write_wanted)
        column.addLayout(row_of(None, self.write))

    def _add_naming(self, column: QVBoxLayout) -> None:
        self.called = QLineEdit()
        self.called.setAccessibleName(tr("Name of the chosen body"))
        self.called.returnPressed.connect(self._rename)
        self.material = roomy(QComboBox())
        self.material.setEditable(True)
        self.material.setAccessibleName(tr("Material, or density in kg/m³"))
        self.material.addItems(["", *(d.name for d in DENSITIES)])
        self.material.setToolTip(tr("A material that is known, or a density in kg/m³"))
        self.material.activated.connect(lambda _index: self._weigh())
        line = self.material.lineEdit()
        if line is not None:
            line.setPlaceholderText(tr("material or kg/m³"))
            line.returnPressed.connect(self._weigh)
        self.colour, self.hide_, self.drop = (
            button(tr("Colour…"), tr("Colour of the body")),
            button(tr("Hide")),
            button(tr("Take away")),
        )
        self.colour.clicked.connect(self.ask_colour)
        self.hide_.clicked.connect(self._hide)
        self.drop.clicked.connect(lambda: self._with(lambda b: DropBodies((b.name,))))
        column.addLayout(row_of(self.called, self.material))
        column.addLayout(row_of(None, self.colour, self.hide_, self.drop))

    def _add_placing(self, column: QVBoxLayout) -> None:
        self.ways = [ValueField(tr("Move along {0}", axis)) for axis in "xyz"]
        self.turn, self.copies = ValueField(tr("Turn, in degrees")), ValueField(tr("Copies; 0 for the body itself"))
        for field in (*self.ways, self.turn, self.copies):
            field.show_value("0", 0.0, "")
            field.setMinimumWidth(46)
        self.about = QComboBox()
        self.about.setAccessibleName(tr("Axis to turn about"))
        self.about.addItems([tr("about {0}", axis) for axis in _ABOUT])
        self.place = button(tr("Place"), tr("Move and turn the chosen body, or leave copies on the way"))
        self.place.clicked.connect(self._place)
        self.along = QComboBox()
        self.along.setAccessibleName(tr("Direction of the wanted size"))
        self.along.addItems([tr("along {0}", axis) for axis in _ALONG])
        self.extent = ValueField(tr("Wanted size"))
        self.scale = button(tr("Scale"), tr("Scale the chosen body to the wanted size, all directions alike"))
        self.scale.clicked.connect(self._scale)
        column.addLayout(row_of(label(tr("Move"), "dim"), *self.ways))
        column.addLayout(row_of(label(tr("Turn"), "dim"), self.turn, label("°", "dim"), self.about, None))
        column.addLayout(row_of(label(tr("Copies"), "dim"), self.copies, None, self.place))
        column.addLayout(row_of(label(tr("Size"), "dim"), self.extent, self.along, None, self.scale))

    def _add_combining(self, column: QVBoxLayout) -> None:
        self.how, self.other = QComboBox(), roomy(QComboBox())
        self.how.setAccessibleName(tr("How the bodies are combined"))
        for words, use in _COMBINE:
            self.how.addItem(words, use)
        self.other.setAccessibleName(tr("The other body"))
        self.combine = button(tr("Combine"), tr("Combine the chosen body with the other one, which is used up"))
        self.combine.clicked.connect(self._combine)
        column.addLayout(row_of(self.how, self.other))
        column.addLayout(row_of(None, self.combine))

    # ------------------------------------------------------------------ showing

    def show_parts(self, part: Formed, lengths: LengthFormat) -> None:
        """Shows what there is."""
        self._part, self._lengths = part, lengths
        at = self.table.chosen_row()
        name = self.table.model_.rows[at].name if 0 <= at < len(self.table.model_.rows) else ""
        selection = self.table.selection()
        selection.blockSignals(True)
        self.table.model_.show_rows(part.bodies)
        row = next((k for k, b in enumerate(part.bodies) if b.name == name), 0 if part.bodies else -1)
        if row >= 0:
            self.table.selectRow(row)
        selection.blockSignals(False)
        self._chosen()

    def choose(self, name: str) -> None:
        """Chooses the row of a body."""
        for k, body in enumerate(self._part.bodies):
            if body.name == name:
                self.table.selectRow(k)

    def body(self) -> Body | None:
        """The body whose row is chosen."""
        at = self.table.chosen_row()
        return self._part.bodies[at] if 0 <= at < len(self._part.bodies) else None

    def _about(self, body: Body) -> str:
        f = body.figures
        size = " x ".join(self._lengths.number(f.box[k + 3] - f.box[k]) for k in range(3))
        faces = ", ".join(_counted_faces(kind, n) for kind, n in f.faces)
        density = f" {body.density}." if body.density is not None else ""
        source = tr(" After {0}.", body.density.source) if body.density is not None and body.density.source else ""
        return tr(
            "{0} {1}; area {2:,.2f} cm²; faces: {3}.{4}{5}",
            size,
            self._lengths.unit,
            f.area / 100,
            faces,
            density,
            source,
        )

    def _chosen(self) -> None:
        body = self.body()
        widgets: tuple[QWidget, ...] = (
            self.called, self.material, self.colour, self.hide_, self.drop, self.place, self.scale, *self.ways,
            self.turn, self.copies, self.about, self.along, self.extent,
        )  # fmt: skip
        for widget in widgets:
            widget.setEnabled(body is not None)
        self.write.setEnabled(any(not b.hidden for b in self._part.bodies))
        others = [b.name for b in self._part.bodies if body is not None and b.name != body.name]
        refill(self.other, others)
        for part in (self.how, self.other, self.combine):
            part.setEnabled(bool(others))
        self.box.setText(self._about(body) if body is not None else tr("There is no body yet: raise a region first."))
        if body is not None:
            if not (self.called.hasFocus() and self.called.isModified()):
                self.called.setText(body.name)
            self.hide_.setText(tr("Show") if body.hidden else tr("Hide"))
            density = body.density
            self.material.setCurrentText("" if density is None else density.name or f"{density.kg_per_m3:g}")
        self.chosen.emit(body.name if body is not None else "")

    # ------------------------------------------------------------------ doing

    def _with(self, make: Callable[[Body], FormStep]) -> None:
        body = self.body()
        if body is not None:
            self.wanted.emit(make(body))

    def _rename(self) -> None:
        name = self.called.text().strip()
        self.called.setModified(False)
        self._with(lambda b: DescribeBody(b.name, name=name))

    def _weigh(self) -> None:
        self._with(lambda b: DescribeBody(b.name, material=self.material.currentText().strip()))

    def ask_colour(self) -> None:
        """Asks for another colour of the chosen body."""
        body = self.body()
        colour = QColorDialog.getColor(QColor(body.colour), self, tr("Colour of {0}", body.name)) if body else QColor()
        if colour.isValid():
            self._with(lambda b: DescribeBody(b.name, colour=colour.rgb() & 0xFFFFFF))

    def _hide(self) -> None:
        self._with(lambda b: DescribeBody(b.name, hidden=not b.hidden))

    def _place(self) -> None:
        text = self.copies.text().strip() or "0"
        if not text.isdecimal():
            self.refused.emit(tr("“{0}” is no number of copies. Give a whole one, or 0 for the body itself.", text))
            return
        copies = int(text)
        x, y, z = (field.text().strip() or "0" for field in self.ways)
        axis, turn = _ABOUT[self.about.currentIndex()], self.turn.text().strip() or "0"
        kind = tr("Copy") if copies else tr("Place")
        self._with(lambda b: PlaceBody(self._free(kind), b.name, (x, y, z), axis, turn, copies))

    def _scale(self) -> None:
        axis = _ALONG[self.along.currentIndex()]
        size = self.extent.text().strip() or "0"
        self._with(lambda b: ScaleBody(self._free(tr("Scale")), b.name, axis, size))

    def _combine(self) -> None:
        other, how = self.other.currentText(), self.how.currentData()
        if other:
            self._with(lambda b: CombineBodies(self._free(tr("Combine")), b.name, (other,), how))

    def _free(self, kind: str) -> str:
        return free_feature(kind, frozenset(f.name for f in self._part.features))


def _counted_faces(kind: str, count: int) -> str:
    """So many faces of a kind."""
    known = {
        "plane": counted(count, "plane"), "cylinder": counted(count, "cylinder"), "cone": counted(count, "cone"),
        "sphere": counted(count, "sphere"), "torus": counted(count, "torus", "tori"),
    }  # fmt: skip
    return known.get(kind) or counted(count, "other face")
