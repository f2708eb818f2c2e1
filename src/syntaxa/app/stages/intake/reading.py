"""How the bytes of each format are read: the fields that a format has, and no others."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QLabel, QLineEdit, QWidget

from syntaxa.app.widgets.labels import label, narrow
from syntaxa.app.widgets.length_field import LengthField, NumberField
from syntaxa.app.words import tr
from syntaxa.intake.model import PLAIN, ReadOptions


@dataclass(frozen=True, slots=True)
class _Field:
    """A field: which option it sets, its label, the formats that have it, and its kind.

    kind     "check", "text", "number", "length" (mm, any unit can be typed) or "one of"
    choices  value and words of each, for "one of"
    empty    what an empty number means
    """

    option: str
    says: str
    formats: tuple[str, ...]
    kind: str = "one of"
    tip: str = ""
    choices: tuple[tuple[Any, str], ...] = ()
    empty: str = ""


_FIELDS = (
    _Field(
        "density",
        tr("Pixels to the inch"),
        ("svg",),
        choices=((96.0, tr("96, the standard")), (90.0, "90"), (72.0, "72")),
    ),
    _Field(
        "grouping",
        tr("Layers are"),
        ("svg", "pdf"),
        choices=(
            ("auto", tr("groups, else colours")),
            ("groups", tr("groups")),
            ("colour", tr("colours")),
            ("one", tr("one for all")),
        ),
    ),
    _Field(
        "fills", tr("Filled areas become"), ("pdf",), choices=(("outlines", tr("outlines")), ("hatches", tr("hatches")))
    ),
    _Field(
        "clip", tr("Cut at clip paths"), ("svg", "pdf"), "check", tr("Cuts curves where the page does not show them")
    ),
    _Field(
        "join_dashes",
        tr("Join dashes drawn one by one"),
        ("pdf",),
        "check",
        tr("Rows of equal strokes become one line"),
    ),
    _Field(
        "flatten",
        tr("Lay tilted curves flat"),
        ("dxf", "dwg"),
        "check",
        tr("Instead of leaving out what is off the plane"),
    ),
    _Field("width_mm", tr("Width in mm"), ("image",), "length", empty=tr("as the file says, or by height")),
    _Field("height_mm", tr("Height in mm"), ("image",), "length", empty=tr("as the file says, or by width")),
    _Field("up", tr("Up is"), ("stl",), choices=(("z", "z"), ("y", "y"), ("x", "x"))),
    _Field(
        "section",
        tr("Cut at height"),
        ("stl", "dxf mesh"),
        "number",
        tr("In the file's numbers"),
        empty=tr("half the height"),
    ),
    _Field(
        "least_area",
        tr("Skip triangles up to"),
        ("stl", "dxf mesh"),
        "number",
        tr("In the file's numbers, squared"),
        empty=tr("none"),
    ),
    _Field("mesh_name", tr("Call the solid"), ("stl",), "text", tr("Empty for the name that the file gives")),
)


class ReadingFields(QWidget):
    """The fields of one format; tells the options when one is changed."""

    chosen = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self._options = PLAIN
        self._rows: list[tuple[_Field, QLabel | None, QWidget, Callable[[Any], None]]] = []
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setVerticalSpacing(6)
        grid.setColumnStretch(1, 1)
        for k, field in enumerate(_FIELDS):
            widget, show = self._made(field)
            widget.setToolTip(field.tip)
            caption = None
            if field.kind == "check":
                grid.addWidget(widget, k, 0, 1, 2)
            else:
                caption = label(field.says, "dim")
                caption.setBuddy(widget)
                grid.addWidget(caption, k, 0)
                grid.addWidget(widget, k, 1)
            self._rows.append((field, caption, widget, show))

    def show_for(self, form: str, options: ReadOptions) -> None:
        """Shows the fields of a format ("dxf mesh" for a DXF with triangles) with their values."""
        self._options = options
        for field, caption, widget, show in self._rows:
            there = form in field.formats or form.split()[0] in field.formats
            for part in (caption, widget):
                if part is not None:
                    part.setVisible(there)
            widget.blockSignals(True)
            show(getattr(options, field.option))
            widget.blockSignals(False)
        self.setVisible(any(form in f.formats or form.split()[0] in f.formats for f, *_ in self._rows))

    def _set(self, option: str, value: Any) -> None:
        changed = msgspec.structs.replace(self._options, **{option: value})
        if changed != self._options:
            self._options = changed
            self.chosen.emit(changed)

    def _made(self, field: _Field) -> tuple[QWidget, Callable[[Any], None]]:
        name = field.option
        if field.kind == "check":
            box = QCheckBox(field.says)
            box.toggled.connect(lambda on: self._set(name, on))
            return box, box.setChecked
        if field.kind == "text":
            line = QLineEdit()
            line.setAccessibleName(field.says)
            line.editingFinished.connect(lambda: self._set(name, line.text().strip()))
            return line, line.setText
        if field.kind in ("number", "length"):
            return self._number(field)
        combo = narrow(QComboBox())
        combo.setAccessibleName(field.says)
        for value, words in field.choices:
            combo.addItem(words, value)
        combo.activated.connect(lambda _k: self._set(name, combo.currentData()))
        return combo, lambda value: combo.setCurrentIndex(max(0, combo.findData(value)))

    def _number(self, field: _Field) -> tuple[QWidget, Callable[[Any], None]]:
        # Left empty, a field takes what the option is without it.
        least = -1e12 if field.option == "section" else -1e-300
        number = LengthField(field.says, least) if field.kind == "length" else NumberField(field.says, least)
        number.setPlaceholderText(field.empty)
        plain = getattr(PLAIN, field.option)
        number.editingFinished.connect(lambda: None if number.text().strip() else self._set(field.option, plain))
        number.entered.connect(lambda value: self._set(field.option, value))

        def show(value: float | None) -> None:
            if value is None or value == plain:
                number.clear()
            else:
                number.show_value(value)

        return number, show
