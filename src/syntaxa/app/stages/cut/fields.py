"""The settings of operations as fields: several operations at once, where a blank leaves each as it is."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QLineEdit, QWidget

from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import label, roomy
from syntaxa.app.words import figures, tr
from syntaxa.cut.model import Operation, OperationKind, Settings

#: Kinds that go along outlines, and those that go down into material.
_SIDES: tuple[OperationKind, ...] = ("profile", "outside", "inside")
_AREAS: tuple[OperationKind, ...] = ("pocket", "bore")


@dataclass(frozen=True, slots=True)
class Field:
    """A setting: its name, what it is called, its unit or choices, what it means, and for which kinds it is there.

    flat  whether a beam has it, too
    """

    name: str
    title: str
    unit: str = ""
    choices: tuple[tuple[str, Any], ...] = ()
    tip: str = ""
    kinds: tuple[OperationKind, ...] = ()
    flat: bool = False

    @property
    def is_text(self) -> bool:
        """Whether it is a formula."""
        return self.unit == "formula"


_LEADS = ((tr("none"), "none"), (tr("line"), "line"), (tr("arc"), "arc"))

FIELDS: tuple[Field, ...] = (
    Field(
        "depth",
        tr("Depth"),
        "formula",
        tip=tr("How deep below the top: 5, thickness of a parameter, d1 / 2. Empty goes through."),
    ),
    Field("top", tr("Begins below"), "formula", tip=tr("How far below the top of the stock the material begins here.")),
    Field("step_down", tr("Step down"), "mm", tip=tr("Depth of a pass; 0 for one pass.")),
    Field("finish_down", tr("Last pass"), "mm", tip=tr("Depth of a last pass of its own.")),
    Field(
        "step_over",
        tr("Step over"),
        "radii",
        tip=tr("How far paths lie apart, in radii of the tool; above 1 what stands between is cleaned up."),
        kinds=("pocket", "face", "bore"),
    ),
    Field(
        "allowance",
        tr("Leave on the wall"),
        "mm",
        flat=True,
        kinds=(*_SIDES, *_AREAS),
        tip=tr("What stays for another operation or the file; less than 0 cuts into the line."),
    ),
    Field(
        "finish",
        tr("Pass at the wall"),
        "mm",
        kinds=(*_SIDES, "pocket"),
        tip=tr("What is left for a pass of its own at the wall, at full depth."),
    ),
    Field(
        "direction",
        tr("Direction"),
        choices=((tr("climb"), "climb"), (tr("conventional"), "conventional")),
        flat=True,
        tip=tr("Climb: the edge goes against the feed."),
    ),
    Field("feed", tr("Feed"), "mm/min", flat=True),
    Field("plunge", tr("Plunge feed"), "mm/min"),
    Field("speed", tr("Speed"), "1/min"),
    Field(
        "entry",
        tr("Way down"),
        choices=((tr("plunge"), "plunge"), (tr("ramp"), "ramp"), (tr("helix"), "helix")),
        kinds=(*_SIDES, *_AREAS),
        tip=tr("How the tool comes to its depth."),
    ),
    Field("entry_angle", tr("Ramp angle"), "°", kinds=(*_SIDES, *_AREAS)),
    Field(
        "lead",
        tr("Lead in"),
        choices=_LEADS,
        flat=True,
        kinds=_SIDES,
        tip=tr("How the outline is come to: over the waste, never into a neighbour. A ramp has none."),
    ),
    Field("lead_size", tr("Lead size"), "mm", flat=True, kinds=_SIDES),
    Field("lead_out", tr("Lead out"), choices=_LEADS, flat=True, kinds=_SIDES),
    Field(
        "overcut",
        tr("Overcut"),
        "mm",
        flat=True,
        kinds=(*_SIDES, "follow"),
        tip=tr("How far a closed outline is cut beyond its start."),
    ),
    Field(
        "corners",
        tr("Corners"),
        choices=((tr("round"), "round"), (tr("loop"), "loop"), (tr("relief"), "relief")),
        flat=True,
        kinds=_SIDES,
        tip=tr(
            "Loop: outer corners are left straight on, and come back to. "
            "Relief: inner ones are cut out, so that a square part goes in."
        ),
    ),
    Field("tabs", tr("Tabs"), "", flat=True, kinds=_SIDES, tip=tr("How many tabs each outline has.")),
    Field("tab_every", tr("A tab every"), "mm", flat=True, kinds=_SIDES),
    Field("tab_width", tr("Tab width"), "mm", flat=True, kinds=_SIDES),
    Field("tab_height", tr("Tab height"), "mm", kinds=_SIDES),
    Field(
        "common",
        tr("Shared lines"),
        choices=((tr("twice"), False), (tr("once"), True)),
        flat=True,
        kinds=_SIDES,
        tip=tr("Lines of neighbours that lie on each other are cut once or twice."),
    ),
    Field("pierce", tr("Pierce"), "s", flat=True, tip=tr("How long the beam stands before it moves.")),
    Field("peck", tr("Peck"), "mm", kinds=("drill",), tip=tr("How deep a peck is; 0 for none.")),
    Field("dwell", tr("Dwell"), "s", kinds=("drill",)),
    Field("width", tr("Chamfer"), "mm", kinds=("chamfer",)),
)

#: What the fields of a beam are besides.
_BEAM_ONLY = {"pierce"}


class SettingsForm(QWidget):
    """A grid of fields for what is chosen; tells what was changed, and what was cleared."""

    #: Settings that were given, and names of those that are to be as the tool has them.
    changed = pyqtSignal(object, object)
    refused = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        self._rows: dict[str, tuple[QWidget, QWidget]] = {}
        for row, field in enumerate(FIELDS):
            title = label(field.title if not field.unit or field.is_text else f"{field.title}, {field.unit}", "dim")
            widget = self._widget(field)
            title.setBuddy(widget)
            widget.setAccessibleName(field.title)
            widget.setToolTip(field.tip or tr("{0}. Empty: as the tool has it.", field.title))
            grid.addWidget(title, row, 0)
            grid.addWidget(widget, row, 1)
            self._rows[field.name] = title, widget
        grid.setColumnStretch(1, 1)

    def _widget(self, field: Field) -> QWidget:
        if field.choices:
            combo = roomy(QComboBox())
            combo.addItem("")
            for text, value in field.choices:
                combo.addItem(text, value)
            combo.activated.connect(lambda index: self._chose(field, combo, index))
            return combo
        line = QLineEdit()
        line.setFont(figure_font())
        line.editingFinished.connect(lambda: self._typed(field, line))
        return line

    # ------------------------------------------------------------------ showing

    def show_operations(self, chosen: Sequence[Operation], flat: bool) -> None:
        """The settings that the chosen operations have; a field in which they differ is blank and says so."""
        kinds = {o.kind for o in chosen}
        for field in FIELDS:
            title, widget = self._rows[field.name]
            fits = any(not field.kinds or k in field.kinds for k in kinds)
            shown = bool(chosen) and fits and (field.flat or not flat) and (flat or field.name not in _BEAM_ONLY)
            title.setVisible(shown)
            widget.setVisible(shown)
            if shown:
                self._show(widget, field, [getattr(o.settings, field.name) for o in chosen])

    def _show(self, widget: QWidget, field: Field, values: list[Any]) -> None:
        same = all(v == values[0] for v in values)
        if isinstance(widget, QComboBox):
            widget.setItemText(0, "" if same else tr("(differ)"))
            values_of = [None, *(v for _, v in field.choices)]
            widget.setCurrentIndex(values_of.index(values[0]) if same and values[0] in values_of else 0)
        elif isinstance(widget, QLineEdit) and not (widget.hasFocus() and widget.isModified()):
            value = values[0] if same else None
            widget.setText("" if value is None else value if isinstance(value, str) else figures(f"{value:g}"))
            widget.setPlaceholderText(
                tr("differ") if not same else tr("through") if field.name == "depth" else tr("as the tool has it")
            )
            widget.setModified(False)

    # ------------------------------------------------------------------ telling

    def _chose(self, field: Field, combo: QComboBox, index: int) -> None:
        if index == 0:
            self.changed.emit(Settings(), (field.name,))
        else:
            self.changed.emit(given(field.name, combo.itemData(index)), ())

    def _typed(self, field: Field, line: QLineEdit) -> None:
        if not line.isModified():
            return
        line.setModified(False)
        text = line.text().strip()
        if not text:
            self.changed.emit(Settings(), (field.name,))
        elif field.is_text:
            self.changed.emit(given(field.name, text), ())
        else:
            self._number(field, text)

    def _number(self, field: Field, text: str) -> None:
        try:
            value = int(text) if field.name == "tabs" else float(text.replace(",", "."))
        except ValueError:
            self.refused.emit(tr("{0}: “{1}” is no number.", field.title, text))
            return
        least = -1e3 if field.name == "allowance" else 0.0
        if not least <= value < 1e6:
            self.refused.emit(tr("{0}: {1} is out of all bounds.", field.title, text))
            return
        self.changed.emit(given(field.name, value), ())


def given(name: str, value: Any) -> Settings:
    """Settings of which one is set."""
    return msgspec.structs.replace(Settings(), **{name: value})


def as_text(value: Any) -> str:
    """A setting in a cell of the table."""
    if value is None:
        return ""
    if isinstance(value, bool):
        return "once" if value else "twice"
    return f"{value:g}" if isinstance(value, int | float) else str(value)
