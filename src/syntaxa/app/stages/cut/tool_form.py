"""The tools: those of the job and of the library in a list, and every value of the chosen one to be changed.

A tool that is changed is copied into the job; the library stays as it is.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import get_args

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import figures, tr
from syntaxa.cut.library import check_tool
from syntaxa.cut.model import Tool, ToolKind
from syntaxa.cut.part import Planned
from syntaxa.cut.steps import HoldTools
from syntaxa.errors import CutError

#: Pixels of height of the list.
_HEIGHT = 132


@dataclass(frozen=True, slots=True)
class _Field:
    """A value of a tool: its name, what it is called, and for which tools it is there (all, those with a depth or
    the flat ones).
    """

    name: str
    title: str
    depth: bool | None = None
    kinds: tuple[ToolKind, ...] = ()

    def fits(self, tool: Tool) -> bool:
        """Whether a tool has it."""
        return (self.depth is None or self.depth != tool.is_flat) and (not self.kinds or tool.kind in self.kinds)


_FIELDS = (
    _Field("number", tr("Number")),
    _Field("diameter", tr("Diameter, mm"), True),
    _Field("kerf", tr("Kerf, mm"), False),
    _Field("corner_radius", tr("Corner radius, mm"), True, ("end mill",)),
    _Field("angle", tr("Angle of the tip, °"), True, ("cone", "drill")),
    _Field("flutes", tr("Flutes"), True, ("end mill", "ball mill", "cone")),
    _Field("length", tr("Length of the flutes, mm"), True),
    _Field("feed", tr("Feed, mm/min")),
    _Field("plunge", tr("Plunge feed, mm/min"), True),
    _Field("speed", tr("Speed, 1/min"), True),
    _Field("step_down", tr("Step down, mm"), True),
    _Field("step_over", tr("Step over, radii"), True, ("end mill", "ball mill")),
    _Field("pierce", tr("Pierce, s"), False),
    _Field("material", tr("For material")),
)

_WHOLE = ("number", "flutes")


class ToolForm(QWidget):
    """The list and the fields; each change is a step."""

    wanted = pyqtSignal(object)
    refused = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._plan = Planned()
        self._chosen = ""
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        self.list = RowsView(
            tr("Tools of the job and the library"),
            (
                Column(tr("Tool"), lambda t: t.name, figure=False),
                Column(tr("Kind"), lambda t: tr(t.kind), figure=False),
                Column("mm", lambda t: figures(f"{t.width:g}")),
                Column(
                    tr("Held"), lambda t: tr("in the job") if self._plan.tool(t.name) is not None else "", figure=False
                ),
            ),
        )
        self.list.setFixedHeight(_HEIGHT)
        self.list.selection().selectionChanged.connect(lambda *_: self._select())
        column.addWidget(self.list)
        self.kind = roomy(QComboBox())
        self.kind.setAccessibleName(tr("Kind of the tool"))
        for kind in get_args(ToolKind):
            self.kind.addItem(tr(kind), kind)
        self.kind.activated.connect(lambda k: self._set("kind", self.kind.itemData(k)))
        self.centre = QCheckBox(tr("Can go straight down"))
        self.centre.clicked.connect(lambda on: self._set("centre", on))
        self._box = QWidget()
        grid = QGridLayout(self._box)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        grid.addWidget(label(tr("Kind"), "dim"), 0, 0)
        grid.addWidget(self.kind, 0, 1)
        self.fields: dict[str, tuple[QWidget, QLineEdit]] = {}
        for row, field in enumerate(_FIELDS, 1):
            title, line = label(field.title, "dim"), QLineEdit()
            line.setAccessibleName(tr("{0} of the tool", field.title))
            line.setFont(figure_font())
            line.editingFinished.connect(lambda field=field, line=line: self._typed(field, line))
            title.setBuddy(line)
            grid.addWidget(title, row, 0)
            grid.addWidget(line, row, 1)
            self.fields[field.name] = title, line
        grid.addWidget(self.centre, len(_FIELDS) + 1, 1)
        grid.setColumnStretch(1, 1)
        column.addWidget(self._box)
        self.name = QLineEdit()
        self.name.setAccessibleName(tr("Name of a new tool"))
        self.name.setPlaceholderText(tr("name of a new tool"))
        copy = button(tr("Add a copy"), tr("A new tool with the values of the chosen one"))
        copy.clicked.connect(self._copy)
        column.addLayout(row_of(self.name, copy))

    def show_tools(self, plan: Planned, library: Sequence[Tool]) -> None:
        """The tools of a job before those of the library."""
        self._plan = plan
        own = {t.name for t in plan.tools}
        rows = (*plan.tools, *(t for t in library if t.name not in own))
        selection = self.list.selection()
        selection.blockSignals(True)
        self.list.model_.show_rows(rows)
        at = next((k for k, t in enumerate(rows) if t.name == self._chosen), -1)
        if at >= 0:
            self.list.selectRow(at)
        selection.blockSignals(False)
        self._show(rows[at] if at >= 0 else None)

    @property
    def tool(self) -> Tool | None:
        """The chosen tool."""
        at = self.list.chosen_row()
        return self.list.model_.rows[at] if 0 <= at < len(self.list.model_.rows) else None

    def _select(self) -> None:
        tool = self.tool
        self._chosen = tool.name if tool is not None else ""
        self._show(tool)

    def _show(self, tool: Tool | None) -> None:
        self._box.setVisible(tool is not None)
        if tool is None:
            return
        self.kind.setCurrentIndex(self.kind.findData(tool.kind))
        self.centre.setVisible(not tool.is_flat)
        self.centre.setChecked(tool.centre)
        for field in _FIELDS:
            title, line = self.fields[field.name]
            title.setVisible(field.fits(tool))
            line.setVisible(field.fits(tool))
            if not (line.hasFocus() and line.isModified()):
                value = getattr(tool, field.name)
                line.setText(value if isinstance(value, str) else figures(f"{value:g}"))
                line.setModified(False)

    def _typed(self, field: _Field, line: QLineEdit) -> None:
        if not line.isModified():
            return
        line.setModified(False)
        text = line.text().strip()
        if field.name == "material":
            self._set(field.name, text)
            return
        try:
            value = int(text) if field.name in _WHOLE else float(text.replace(",", "."))
        except ValueError:
            self.refused.emit(tr("{0}: “{1}” is no number.", field.title, text))
            self._show(self.tool)
            return
        self._set(field.name, value)

    def _set(self, name: str, value: object) -> None:
        tool = self.tool
        if tool is None or getattr(tool, name) == value:
            return
        changed = msgspec.structs.replace(tool, **{name: value})
        if name == "kind":
            changed = _whole(changed)
        self._hold(changed)

    def _copy(self) -> None:
        tool, name = self.tool, self.name.text().strip()
        if tool is None or not name:
            self.refused.emit(tr("Choose a tool to be copied.") if tool is None else tr("A new tool needs a name."))
        elif any(t.name == name for t in self.list.model_.rows):
            self.refused.emit(tr("There is a tool called “{0}” already.", name))
        elif self._hold(msgspec.structs.replace(tool, name=name)):
            self.name.clear()

    def _hold(self, tool: Tool) -> bool:
        """Takes a tool into the job, if it makes sense."""
        try:
            check_tool(tool)
        except CutError as error:
            self.refused.emit(str(error))
            self._show(self.tool)
            return False
        self._chosen = tool.name
        self.wanted.emit((HoldTools((tool,)),))
        return True


def _whole(tool: Tool) -> Tool:
    """A tool of another kind with what that kind cannot be without."""
    angle = tool.angle or {"cone": 90.0, "drill": 118.0}.get(tool.kind, 0.0)
    kerf, diameter = tool.kerf, tool.diameter
    if tool.is_flat:
        kerf = kerf or diameter
    else:
        diameter = diameter or kerf
    return msgspec.structs.replace(tool, angle=angle, kerf=kerf, diameter=diameter)
