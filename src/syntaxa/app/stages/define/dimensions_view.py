"""The dimensions: the list, a value for the chosen one, which of its sides stays, and what to do where it disagrees."""

from __future__ import annotations

import math

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.stages.define.dimension_layer import Mark
from syntaxa.app.stages.define.lists import keep_chosen
from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.widgets.value_field import ValueField
from syntaxa.app.words import tr
from syntaxa.define.model import Measure, Named
from syntaxa.define.part import Defined
from syntaxa.define.stating import shown
from syntaxa.define.steps import Rename, SetDimension
from syntaxa.define.views import Definition
from syntaxa.geometry.points import Point

#: Pixels of height of the list.
_HEIGHT = 140

#: Signs before a value (ISO 129-1).
_SIGNS = {"diameter": "Ø", "radius": "R"}


class DimensionsView(QWidget):
    """The list, and what can be done to it."""

    #: A step that is wanted.
    wanted = pyqtSignal(object)
    #: Names of the pieces that the chosen one is about, none for nothing.
    about = pyqtSignal(object)
    #: The name of the chosen one, empty for none, and which of its sides stays.
    chosen = pyqtSignal(str, int)
    #: An expression that is being typed for the chosen one; empty where nothing is.
    tried = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._part, self._definition, self._lengths = Defined(), Definition(), LengthFormat("mm")
        self._side = 0
        #: The name of a dimension that is being added, to be chosen as soon as it is there.
        self._coming = ""
        self.table = RowsView(
            tr("Dimensions and their values"),
            (
                Column(tr("Name"), lambda m: m.name, figure=False),
                Column(tr("Of"), lambda m: tr(m.kind), figure=False),
                Column(tr("Value"), self._value_of),
                Column(tr("Use"), self._use_of, figure=False, tip=lambda m: m.expression or m.text),
            ),
        )
        self.table.setFixedHeight(_HEIGHT)
        self.called = QLineEdit()
        self.called.setAccessibleName(tr("Name of the chosen dimension"))
        self.called.setToolTip(tr("The name by which formulas call it; Return gives it another, wherever it is used."))
        self.called.setMaximumWidth(84)
        self.called.setFont(figure_font())
        self.called.returnPressed.connect(self._rename)
        self.value = ValueField(tr("Value of the chosen dimension"))
        self.value.returnPressed.connect(self.set_value)
        self.value.tried.connect(self.tried)
        self.set = button(tr("Set"), tr("Give the chosen dimension this value"))
        self.set.clicked.connect(self.set_value)
        self.bind = button(tr("Bind the dimensions"), tr("Bind the dimensions of the drawing to what they measure"))
        self.other_side = button(tr("Other end"), tr("Let the other end of the chosen dimension stay when it changes"))
        self.other_side.setCheckable(True)
        self.other_side.clicked.connect(lambda on: self.stay(int(on)))
        self.written = button(tr("As written"), tr("Take the value that the drawing writes"))
        self.drawn = button(tr("As drawn"), tr("Take the value that is drawn"))
        self.words = button(tr("As text"), tr("Leave this dimension as text"))
        for made, what in ((self.written, "written"), (self.drawn, "drawn"), (self.words, "text")):
            made.clicked.connect(lambda _checked, what=what: self._take(what))
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addLayout(row_of(label(tr("Dimensions"), "heading"), None, self.bind))
        column.addWidget(self.table)
        column.addLayout(row_of(self.called, self.value, self.set))
        column.addLayout(row_of(self.written, self.drawn, self.words, None, self.other_side))
        self.table.selection().selectionChanged.connect(lambda *_: self._row_chosen())
        # Who clicks a dimension means to type.
        self.table.clicked.connect(lambda _index: self._type())

    # ------------------------------------------------------------------ showing

    def show_parts(self, part: Defined, definition: Definition, lengths: LengthFormat) -> None:
        """Shows what there is."""
        self._part, self._definition, self._lengths = part, definition, lengths
        keep_chosen(self.table, part.measures, lambda m: m.name)
        self._show_chosen()
        if self._coming and part.measure(self._coming) is not None and self._coming in definition.measured:
            name, self._coming = self._coming, ""
            self.choose(name)

    def choose(self, name: str) -> None:
        """Chooses a dimension and puts the cursor into its value."""
        for k, one in enumerate(self._part.measures):
            if one.name == name:
                self.table.selectRow(k)
                self._type()

    def _type(self) -> None:
        self.value.setFocus()
        self.value.selectAll()

    def choose_when_there(self, name: str) -> None:
        """Chooses a dimension that is just being added."""
        self._coming = name

    def stay(self, side: int) -> None:
        """Which side of the chosen one stays where it changes: 0 for the first, 1 for the second."""
        self._side = side
        self._show_chosen()
        if self.value.isModified():
            self.tried.emit(self.value.text())

    @property
    def staying(self) -> tuple[Named, ...]:
        """What of the chosen one is not to move."""
        one = self.one()
        return one.sides[self._side : self._side + 1] if one is not None else ()

    def one(self) -> Measure | None:
        """The dimension whose row is chosen."""
        at = self.table.chosen_row()
        return self._part.measures[at] if 0 <= at < len(self._part.measures) else None

    def marks(self) -> tuple[Mark, ...]:
        """The dimensions as they stand on the canvas."""
        found = self._definition
        return tuple(
            Mark(m.name, self._text_of(m), *found.spans[m.name],
                 None if m.place is None else Point(*m.place), m.name in found.disagreeing)
            for m in self._part.measures
            if m.name in found.spans and m.use != "text"
        )  # fmt: skip

    def _text_of(self, one: Measure) -> str:
        """As a draughtsman writes it: what is only measured in brackets, tolerances behind; the chosen one by name."""
        text = self.signed_text(one, self._definition.measured.get(one.name))
        if one.plus is not None and one.plus == one.minus:
            text += f" ±{self.value_text(one, one.plus)}"
        elif one.plus is not None or one.minus is not None:
            text += f" +{self.value_text(one, one.plus or 0.0)} -{self.value_text(one, one.minus or 0.0)}"
        if one.name in self._definition.disagreeing:
            text += tr(", says {0}", self.value_text(one, one.written))
        elif one.use == "measured":
            text = f"({text})"
        mine = self.one()
        return f"{one.name} = {text}" if mine is not None and mine.name == one.name else text

    def signed_text(self, one: Measure, value: float | None) -> str:
        """A value with the sign of its kind before it."""
        return f"{_SIGNS.get(one.kind, '')}{self.value_text(one, value)}"

    def value_text(self, one: Measure, value: float | None) -> str:
        """A value of its kind, in few figures."""
        if value is None:
            return "gone"
        return f"{math.degrees(value):.6g}°" if one.is_angle else self._lengths.short(value)

    def _value_of(self, one: Measure) -> str:
        value = self._definition.measured.get(one.name)
        if value is None:
            return "gone"
        return f"{math.degrees(value):.4g}°" if one.is_angle else self._lengths.number(value)

    def _use_of(self, one: Measure) -> str:
        if one.name in self._definition.disagreeing:
            return tr("says {0}", self.value_text(one, one.written or 0.0))
        return {"live": tr("drives"), "measured": tr("measured"), "text": tr("text")}[one.use]

    def _row_chosen(self) -> None:
        one = self.one()
        self._side = 0
        self.value.setModified(False)
        self.tried.emit("")
        self._show_chosen()
        self.about.emit(one.things if one is not None else ())

    def _show_chosen(self) -> None:
        one = self.one()
        for widget in (self.called, self.value, self.set, self.drawn, self.words):
            widget.setEnabled(one is not None)
        if not (self.called.hasFocus() and self.called.isModified()):
            self.called.setText(one.name if one is not None else "")
        self.written.setEnabled(one is not None and one.written is not None)
        self.other_side.setEnabled(one is not None and bool(one.sides))
        self.other_side.setChecked(self._side == 1)
        if one is not None:
            value = self._definition.measured.get(one.name)
            text = one.expression or ("" if value is None else shown(value, is_angle=one.is_angle))
            now = math.nan if value is None else math.degrees(value) if one.is_angle else value
            if not self.value.isModified():
                self.value.show_value(text, now, "deg" if one.is_angle else "")
        self.chosen.emit(one.name if one is not None else "", self._side)

    # ------------------------------------------------------------------ doing

    def set_value(self) -> None:
        """The chosen dimension gets what was typed."""
        one, text = self.one(), self.value.text().strip()
        if one is not None and text and (text != one.expression or one.use != "live"):
            self.value.setModified(False)
            self.tried.emit("")
            self.wanted.emit(SetDimension(one.name, text, stays=self.staying if self._side else ()))

    def _rename(self) -> None:
        one, name = self.one(), self.called.text().strip()
        if one is not None and name and name != one.name:
            self.called.setModified(False)
            # Another one of that name keeps it, and is not chosen instead.
            self._coming = name if self._part.measure(name) is None else ""
            self.wanted.emit(Rename(one.name, name))

    def leave(self) -> None:
        """What is typed is not wanted."""
        if not self.value.isModified():
            return
        self.value.setModified(False)
        self.tried.emit("")
        self._show_chosen()

    def _take(self, what: str) -> None:
        one = self.one()
        if one is None:
            return
        if what == "text":
            self.wanted.emit(SetDimension(one.name, use="text"))
            return
        value = one.written if what == "written" else self._definition.measured.get(one.name)
        if value is not None:
            self.wanted.emit(SetDimension(one.name, shown(value, is_angle=one.is_angle)))
