"""The page of the setup: machine, stock, zero, clamps, and the library of tools."""

from __future__ import annotations

from collections.abc import Sequence
from typing import get_args

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.stages.cut.nest_form import NestForm
from syntaxa.app.stages.cut.tool_form import ToolForm
from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import figures, tr
from syntaxa.cut.library import Machine
from syntaxa.cut.model import KeepOut, Origin, Stock, Tool
from syntaxa.cut.part import Planned
from syntaxa.cut.steps import SetMachine, SetStock
from syntaxa.drawing.state import State
from syntaxa.geometry.types import Box

_ORIGINS: dict[Origin, str] = {
    "lower-left": tr("lower left of the stock"),
    "lower-right": tr("lower right of the stock"),
    "upper-left": tr("upper left of the stock"),
    "upper-right": tr("upper right of the stock"),
    "centre": tr("middle of the stock"),
    "as-drawn": tr("origin of the drawing"),
    "picked": tr("a point that is picked"),
}

#: How high a new clamp stands over the stock (mm), and pixels of height of their list.
_CLAMP, _HEIGHT = 20.0, 98


class SetupPage(QWidget):
    """The fields; each change is a step."""

    wanted = pyqtSignal(object)
    refused = pyqtSignal(str)
    zero_wanted = pyqtSignal()
    clamp_wanted = pyqtSignal()
    machine_wanted = pyqtSignal()
    tools_wanted = pyqtSignal()
    tools_out_wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._stock = Stock()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.machine = roomy(QComboBox())
        self.machine.setAccessibleName(tr("Machine"))
        self.machine.activated.connect(lambda k: self.wanted.emit((SetMachine(self.machine.itemData(k)),)))
        own = button(tr("From a file…"), tr("A machine that is described in a .toml file"))
        own.clicked.connect(self.machine_wanted)
        column.addWidget(label(tr("Machine"), "heading"))
        column.addLayout(row_of(self.machine, own))
        self.says = label("", "dim", wrap=True)
        column.addWidget(self.says)
        column.addWidget(label(tr("Stock"), "heading"))
        column.addLayout(self._fields())
        column.addWidget(label(tr("Keep out of"), "heading"))
        self.clamps = RowsView(
            tr("Clamps and places to keep out of"),
            (
                Column(tr("Name"), lambda k: k.name, figure=False),
                Column(tr("Where, mm"), lambda k: f"{k.box[0]:.1f}, {k.box[1]:.1f}"),
                Column(tr("Size, mm"), lambda k: f"{k.box[2] - k.box[0]:.1f} x {k.box[3] - k.box[1]:.1f}"),
                Column(tr("High, mm"), lambda k: figures(f"{k.height:g}")),
            ),
        )
        self.clamps.setFixedHeight(_HEIGHT)
        column.addWidget(self.clamps)
        draw, drop = (
            button(tr("Draw a clamp…"), tr("The next drag on the drawing is a clamp")),
            button(tr("Remove"), tr("Remove the chosen clamp")),
        )
        draw.clicked.connect(self.clamp_wanted)
        drop.clicked.connect(self._drop_clamp)
        self.clamp_height = _line(tr("Height of the clamp over the stock in mm"))
        self.clamp_height.editingFinished.connect(self._raise_clamp)
        column.addLayout(row_of(draw, drop, label(tr("High"), "dim"), self.clamp_height))
        self.clamps.selection().selectionChanged.connect(lambda *_: self._show_clamp())
        column.addWidget(label(tr("Stock sheets"), "heading"))
        self.nesting = NestForm()
        self.nesting.wanted.connect(self.wanted)
        self.nesting.refused.connect(self.refused)
        column.addWidget(self.nesting)
        column.addWidget(label(tr("Tools"), "heading"))
        take, write = (
            button(tr("Take tools from a table…"), tr("Tools from a .csv file")),
            button(tr("Write them…"), tr("All tools as a .csv file")),
        )
        take.clicked.connect(self.tools_wanted)
        write.clicked.connect(self.tools_out_wanted)
        self.tools = ToolForm()
        self.tools.wanted.connect(self.wanted)
        self.tools.refused.connect(self.refused)
        column.addWidget(self.tools)
        column.addLayout(row_of(take, write, None))
        column.addStretch(1)

    def _fields(self) -> QGridLayout:
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        self.thickness, self.margin = _line(tr("Thickness of the stock")), _line(tr("Margin round the parts in mm"))
        self.stock_width, self.stock_height = (
            _line(tr("Width of the stock in mm")),
            _line(tr("Height of the stock in mm")),
        )
        self.material = QLineEdit()
        self.material.setAccessibleName(tr("Material"))
        self.stock_width.setPlaceholderText(tr("round the parts"))
        self.stock_height.setPlaceholderText(tr("round the parts"))
        self.thickness.setPlaceholderText(tr("3, or a formula"))
        for line in (self.thickness, self.margin, self.stock_width, self.stock_height, self.material):
            line.editingFinished.connect(self._typed)
        self.origin, self.zero_z, self.sketch = roomy(QComboBox()), roomy(QComboBox()), roomy(QComboBox())
        for value in get_args(Origin):
            self.origin.addItem(_ORIGINS[value], value)
        for text, side in ((tr("top of the stock"), "top"), (tr("bottom of the stock"), "bottom")):
            self.zero_z.addItem(text, side)
        self.origin.activated.connect(self._origin_chosen)
        self.zero_z.activated.connect(lambda k: self._set(zero_z=self.zero_z.itemData(k)))
        self.sketch.activated.connect(lambda k: self._set(sketch=self.sketch.itemText(k) if k else ""))
        named: tuple[tuple[str, str, QWidget], ...] = (
            (tr("Thickness"), "", self.thickness),
            (tr("Margin, mm"), "", self.margin),
            (tr("Outline"), tr("Sketch that is the stock"), self.sketch),
            (tr("x, y are 0 at"), tr("Where the program's x and y are 0"), self.origin),
            (tr("z is 0 at"), tr("Where the program's z is 0"), self.zero_z),
            (tr("Material"), "", self.material),
        )
        for k, (text, name, widget) in enumerate(named):
            if name:
                widget.setAccessibleName(name)
            grid.addWidget(label(text, "dim"), k, 0)
            grid.addWidget(widget, k, 1)
        grid.addWidget(label(tr("Size, mm"), "dim"), len(named), 0)
        grid.addLayout(row_of(self.stock_width, label("x", "dim"), self.stock_height), len(named), 1)
        grid.setColumnStretch(1, 1)
        return grid

    # ------------------------------------------------------------------ showing

    def show_plan(self, state: State, plan: Planned, machines: Sequence[Machine], tools: Sequence[Tool]) -> None:
        """What the job says, and what there is to choose from."""
        self._stock = stock = plan.stock
        machine = plan.chosen_machine
        known = [m for m in machines if m.name != machine.name]
        self.machine.clear()
        for one in (machine, *known):
            self.machine.addItem(one.name, one)
        self.machine.setCurrentIndex(0)
        self.says.setText(machine.says)
        size = stock.size
        for line, text in (
            (self.thickness, stock.thickness),
            (self.margin, figures(f"{stock.margin:g}")),
            (self.material, stock.material),
            (self.stock_width, "" if size is None else figures(f"{size[0]:g}")),
            (self.stock_height, "" if size is None else figures(f"{size[1]:g}")),
        ):
            if not (line.hasFocus() and line.isModified()):
                line.setText(text)
                line.setModified(False)
        self.sketch.clear()
        self.sketch.addItems([tr("a box"), *(s.name for s in state.sketches if s.curves)])
        self.nesting.show_plan(plan)
        outline = plan.sheet or stock.sketch
        self.sketch.setCurrentIndex(max(self.sketch.findText(outline), 0) if outline else 0)
        self.origin.setCurrentIndex(self.origin.findData(stock.origin))
        self.zero_z.setCurrentIndex(self.zero_z.findData(stock.zero_z))
        at = self.clamps.chosen_row()
        self.clamps.model_.show_rows(stock.keep_out)
        if 0 <= at < len(stock.keep_out):
            self.clamps.selectRow(at)
        self._show_clamp()
        self.tools.show_tools(plan, tools)

    def _show_clamp(self) -> None:
        at = self.clamps.chosen_row()
        chosen = self._stock.keep_out[at] if 0 <= at < len(self._stock.keep_out) else None
        self.clamp_height.setEnabled(chosen is not None)
        if not (self.clamp_height.hasFocus() and self.clamp_height.isModified()):
            self.clamp_height.setText("" if chosen is None else figures(f"{chosen.height:g}"))
            self.clamp_height.setModified(False)

    # ------------------------------------------------------------------ doing

    def _set(self, **changes: object) -> None:
        stock = msgspec.structs.replace(self._stock, **changes)
        if stock != self._stock:
            self.wanted.emit((SetStock(stock),))

    def _typed(self) -> None:
        margin, width, depth = (self._number(x) for x in (self.margin, self.stock_width, self.stock_height))
        size = (width, depth) if width and depth else None
        if (width is None) != (depth is None) and (self.stock_width.hasFocus() or self.stock_height.hasFocus()):
            return
        margin = self._stock.margin if margin is None else margin
        self._set(
            thickness=self.thickness.text().strip() or "3",
            margin=margin,
            size=size,
            material=self.material.text().strip(),
        )

    def _number(self, line: QLineEdit) -> float | None:
        text = line.text().strip().replace(",", ".")
        if not text:
            return None
        try:
            value = float(text)
        except ValueError:
            value = -1.0
        if not 0 <= value < 1e6:
            self.refused.emit(tr("{0}: “{1}” is no length.", line.accessibleName(), text))
            line.setText("")
            return None
        return value

    def _origin_chosen(self, index: int) -> None:
        if self.origin.itemData(index) == "picked":
            self.zero_wanted.emit()
        else:
            self._set(origin=self.origin.itemData(index))

    def pick_zero(self, x: float, y: float) -> None:
        """The program's zero is at a place on the drawing (mm)."""
        self._set(origin="picked", picked=(x, y))

    def add_clamp(self, box: Box) -> None:
        """A clamp stands on a box on the drawing (mm)."""
        name = f"clamp {len(self._stock.keep_out) + 1}"
        self._set(keep_out=(*self._stock.keep_out, KeepOut(box, _CLAMP, name)))

    def _drop_clamp(self) -> None:
        at = self.clamps.chosen_row()
        if at >= 0:
            self._set(keep_out=tuple(k for n, k in enumerate(self._stock.keep_out) if n != at))

    def _raise_clamp(self) -> None:
        at, high = self.clamps.chosen_row(), self._number(self.clamp_height)
        if at >= 0 and high is not None and self.clamp_height.isModified():
            self.clamp_height.setModified(False)
            kept = self._stock.keep_out
            self._set(keep_out=(*kept[:at], msgspec.structs.replace(kept[at], height=high), *kept[at + 1 :]))


def _line(name: str) -> QLineEdit:
    line = QLineEdit()
    line.setAccessibleName(name)
    line.setFont(figure_font())
    return line
