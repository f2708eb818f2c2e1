"""The page of operations: what is cut, in a table with every value; one or several are changed together."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import msgspec
from PyQt6.QtCore import QItemSelection, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QTableView, QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.shell.panel import Ready
from syntaxa.app.stages.cut.fields import FIELDS, SettingsForm, as_text
from syntaxa.app.stages.cut.picks import PickForm
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.cut.library import fitting, plain_tool
from syntaxa.cut.model import Operation, OperationKind, Pick, Settings, Tool
from syntaxa.cut.part import Planned
from syntaxa.cut.steps import DropOperations, EditOperations, HoldTools, ListOperations, SetOperation, SetPick
from syntaxa.cut.views import Made
from syntaxa.drawing.state import State

#: Kinds with what they are called.
KINDS: tuple[tuple[str, OperationKind, str], ...] = (
    (tr("Outline, by nesting"), "profile", tr("Outline")),
    (tr("Outside"), "outside", tr("Outside")),
    (tr("Inside"), "inside", tr("Inside")),
    (tr("Follow the line"), "follow", tr("Line")),
    (tr("Pocket"), "pocket", tr("Pocket")),
    (tr("Face"), "face", tr("Face")),
    (tr("Drill"), "drill", tr("Drill")),
    (tr("Bore"), "bore", tr("Bore")),
    (tr("Chamfer"), "chamfer", tr("Chamfer")),
)

#: What a beam can do.
_FLAT: tuple[OperationKind, ...] = ("profile", "outside", "inside", "follow")

#: Pixels of height of the table.
_HEIGHT = 170


class OperationsPage(QWidget):
    """The table, what is done with what is chosen in it, and its fields."""

    #: Steps that are wanted (a tuple: one change), a sentence about what was typed, and which operations are chosen.
    wanted = pyqtSignal(object)
    refused = pyqtSignal(str)
    chosen = pyqtSignal()
    picked_wanted = pyqtSignal(bool)
    set_wanted = pyqtSignal()
    keep_wanted = pyqtSignal()
    #: The settings of the chosen operation are to be given to others, that are clicked or in a box on the drawing.
    give_by_picks_wanted = pyqtSignal()
    give_by_box_wanted = pyqtSignal()

    def __init__(self, ready: Ready) -> None:
        super().__init__()
        self._plan, self._tools = Planned(), tuple[Tool, ...]()
        self._seconds: Mapping[str, float] = {}
        self._items: dict[str, int] = {}
        self._offered = ""
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.kind = roomy(QComboBox())
        self.kind.setAccessibleName(tr("Kind of the operation to be added"))
        add = button(tr("Add"), tr("Add an operation of this kind"), primary=True)
        add.clicked.connect(self.add)
        column.addLayout(row_of(self.kind, add))
        column.addWidget(self._make_table())
        column.addLayout(self._make_row())
        self.name = QLineEdit()
        self.name.setAccessibleName(tr("Name of the operation"))
        self.name.editingFinished.connect(self._rename)
        self.tool = roomy(QComboBox())
        self.tool.setAccessibleName(tr("Tool"))
        self.tool.activated.connect(self._tool_chosen)
        column.addLayout(row_of(label(tr("Name"), "dim"), self.name))
        column.addLayout(row_of(label(tr("Tool"), "dim"), self.tool))
        self.picks = ready.take(PickForm)
        self.picks.changed.connect(self._pick)
        self.picks.selected_wanted.connect(self.picked_wanted)
        column.addWidget(self.picks)
        self._how = label(tr("How"), "heading")
        column.addWidget(self._how)
        self.form = ready.take(SettingsForm)
        self.form.changed.connect(self._edit)
        self.form.refused.connect(self.refused)
        column.addWidget(self.form)
        self.source = roomy(QComboBox())
        self.source.setAccessibleName(tr("Operation to copy settings from"))
        self.source.setToolTip(tr("A click on a path chooses its operation"))
        copy = button(tr("Copy"), tr("Give the chosen operations the settings of this one"))
        copy.clicked.connect(self._copy)
        self._copy_row = QWidget()
        self._copy_row.setLayout(row_of(label(tr("Settings of"), "dim"), self.source, copy))
        column.addWidget(self._copy_row)
        picks, box = (
            button(
                tr("Paths that are clicked…"),
                tr("Each path that is clicked: its operation gets the settings of this one"),
            ),
            button(
                tr("Paths in a box…"), tr("All operations that have a whole path in a box get the settings of this one")
            ),
        )
        picks.clicked.connect(self.give_by_picks_wanted)
        box.clicked.connect(self.give_by_box_wanted)
        self._give_row = QWidget()
        self._give_row.setLayout(row_of(label(tr("Give to"), "dim"), picks, box, None))
        column.addWidget(self._give_row)
        column.addWidget(label(tr("Sets"), "heading"))
        use = button(tr("Use a set…"), tr("Operations and tools that were kept, in the place of those that are here"))
        self.keep = button(tr("Keep as a set…"), tr("All operations with their tools, for this material and thickness"))
        use.clicked.connect(self.set_wanted)
        self.keep.clicked.connect(self.keep_wanted)
        column.addLayout(row_of(use, self.keep, None))
        column.addStretch(1)

    def _make_table(self) -> RowsView:
        def value(name: str, operation: Operation) -> str:
            return as_text(getattr(operation.settings, name))

        more = [
            Column(f.title, lambda o, name=f.name: value(name, o))  # type: ignore[misc]
            for f in FIELDS
        ]
        self.table = RowsView(
            tr("Operations"),
            (
                Column(tr("Operation"), lambda o: o.name if o.enabled else tr("{0} (off)", o.name), figure=False),
                Column(tr("Kind"), lambda o: tr(o.kind), figure=False),
                Column(tr("Tool"), lambda o: o.settings.tool or tr("none"), figure=False),
                Column(tr("Items"), lambda o: str(self._items.get(o.name, 0))),
                Column(tr("Time"), lambda o: clock(self._seconds.get(o.name, 0.0))),
                *more,
            ),
        )
        self.table.setSelectionMode(QTableView.SelectionMode.ExtendedSelection)
        head = self.table.horizontalHeader()
        if head is not None:
            head.setSectionResizeMode(0, head.ResizeMode.Interactive)
            self.table.setColumnWidth(0, 120)
        self.table.setFixedHeight(_HEIGHT)
        self.table.selection().selectionChanged.connect(self._selected)
        return self.table

    def _make_row(self) -> QHBoxLayout:
        self.off = button(tr("On / off"), tr("Leave the chosen operations out, or take them in again"))
        up, down = button(tr("Up"), tr("Earlier in the list")), button(tr("Down"), tr("Later in the list"))
        drop = button(tr("Remove"), tr("Remove the chosen operations"))
        self.off.clicked.connect(self._switch)
        up.clicked.connect(lambda: self._shift(-1))
        down.clicked.connect(lambda: self._shift(1))
        drop.clicked.connect(self._drop)
        self._acting = (self.off, up, down, drop)
        return row_of(self.off, up, down, drop, None)

    # ------------------------------------------------------------------ showing

    def show_plan(self, state: State, plan: Planned, tools: Sequence[Tool], made: Made | None) -> None:
        """The operations of a job, the tools that its machine can use, and what has come of them."""
        self._plan, self._tools = plan, tuple(tools)
        self._seconds = made.seconds if made is not None else {}
        self._items = {}
        for cutting in made.proven.work.cuttings if made is not None and made.proven is not None else ():
            name = cutting.doing.operation.name
            self._items[name] = self._items.get(name, 0) + 1
        self._show_kinds(plan.chosen_machine.is_flat)
        self.keep.setEnabled(bool(plan.operations))
        names = self.names or ([plan.operations[-1].name] if plan.operations else [])
        selection = self.table.selection()
        selection.blockSignals(True)
        self.table.model_.show_rows(plan.operations)
        for k, operation in enumerate(plan.operations):
            if operation.name in names:
                flag = selection.SelectionFlag.Select | selection.SelectionFlag.Rows
                selection.select(self.table.model_.index(k, 0), flag)
        selection.blockSignals(False)
        self.picks.show_state(state)
        self._show_chosen()

    def _show_kinds(self, flat: bool) -> None:
        wanted = [(t, k) for t, k, _ in KINDS if not flat or k in _FLAT]
        if self.kind.count() != len(wanted):
            self.kind.clear()
            for text, kind in wanted:
                self.kind.addItem(text, kind)

    @property
    def operations(self) -> list[Operation]:
        """The operations that are chosen."""
        rows = sorted({index.row() for index in self.table.selection().selectedRows()})
        return [self.table.model_.rows[k] for k in rows if k < len(self.table.model_.rows)]

    @property
    def names(self) -> list[str]:
        """Their names."""
        return [o.name for o in self.operations]

    def _selected(self, _new: QItemSelection, _old: QItemSelection) -> None:
        self._show_chosen()
        self.chosen.emit()

    def _show_chosen(self) -> None:
        chosen = self.operations
        one = chosen[0] if len(chosen) == 1 else None
        for widget in (*self._acting, self.tool, self.name):
            widget.setEnabled(bool(chosen))
        self.name.setEnabled(one is not None)
        if not (self.name.hasFocus() and self.name.isModified()):
            self.name.setText(one.name if one is not None else "")
        self._show_tools(chosen)
        self.picks.show_operation(one)
        self.form.show_operations(chosen, self._plan.chosen_machine.is_flat)
        others = [o.name for o in self._plan.operations if o not in chosen]
        self.source.clear()
        self.source.addItems(others)
        if self._offered in others:
            self.source.setCurrentText(self._offered)
        self._copy_row.setVisible(bool(chosen and others))
        self._give_row.setVisible(bool(one is not None and others))
        self._how.setVisible(bool(chosen))

    def offer(self, name: str) -> None:
        """The path of an operation was clicked: its settings are those that would be copied."""
        self._offered = name
        if name and self.source.findText(name) >= 0:
            self.source.setCurrentText(name)

    def _show_tools(self, chosen: Sequence[Operation]) -> None:
        self.tool.clear()
        for tool in self._choice_of_tools():
            self.tool.addItem(said(str(tool)), tool)
        names = {o.settings.tool for o in chosen}
        found = next((k for k, t in enumerate(self._choice_of_tools()) if {t.name} == names), -1)
        self.tool.setCurrentIndex(found)

    def _choice_of_tools(self) -> list[Tool]:
        """Tools of the job before those of the library with the same name, as far as the machine can use them."""
        own = {t.name: t for t in self._plan.tools}
        known = {t.name for t in self._tools}
        every = [*(own.get(t.name, t) for t in self._tools), *(t for t in own.values() if t.name not in known)]
        return fitting(every, self._plan.chosen_machine)

    # ------------------------------------------------------------------ doing

    def add(self) -> None:
        """Adds an operation with a tool that fits it."""
        kind: OperationKind = self.kind.currentData()
        title = next(t for _, k, t in KINDS if k == kind)
        name = self._plan.free_name(title)
        tool = self._fitting_tool(kind)
        pick = Pick(nest="inner") if kind in ("pocket", "bore", "drill") else Pick()
        self.table.clearSelection()
        self.wanted.emit((HoldTools((tool,)), SetOperation(Operation(name, kind, pick, Settings(tool=tool.name)))))

    def _fitting_tool(self, kind: OperationKind) -> Tool:
        wanted = {"drill": ("drill",), "chamfer": ("cone",)}.get(kind, ("end mill", "beam", "knife"))
        tools = [t for t in self._choice_of_tools() if t.kind in wanted]
        used = [t for t in tools if self._plan.tool(t.name) is not None]
        machine = self._plan.chosen_machine
        return next(iter((*used, *tools)), plain_tool(machine, 0.2 if machine.is_flat else 6.0))

    def _edit(self, settings: Settings, cleared: tuple[str, ...]) -> None:
        if self.names:
            self.wanted.emit((EditOperations(tuple(self.names), settings, cleared),))

    def _tool_chosen(self, index: int) -> None:
        tool: Tool = self.tool.itemData(index)
        if self.names:
            self.wanted.emit((HoldTools((tool,)), EditOperations(tuple(self.names), Settings(tool=tool.name))))

    def _pick(self, pick: Pick) -> None:
        if len(self.operations) == 1:
            self.wanted.emit((SetPick(self.names[0], pick),))

    def _rename(self) -> None:
        if not self.name.isModified() or len(self.operations) != 1:
            return
        self.name.setModified(False)
        old, new = self.operations[0], self.name.text().strip()
        if not new or any(o.name == new for o in self._plan.operations):
            self.refused.emit(
                tr("“{0}” is the name of another operation.", new) if new else tr("An operation needs a name.")
            )
            return
        order = [new if o.name == old.name else o.name for o in self._plan.operations]
        steps = SetOperation(msgspec.structs.replace(old, name=new)), DropOperations((old.name,))
        self.table.clearSelection()
        self.wanted.emit((*steps, ListOperations(tuple(order))))

    def _switch(self) -> None:
        on = not all(o.enabled for o in self.operations)
        if self.names:
            self.wanted.emit((EditOperations(tuple(self.names), Settings(), (), on),))

    def _drop(self) -> None:
        if self.names:
            self.wanted.emit((DropOperations(tuple(self.names)),))

    def _shift(self, by: int) -> None:
        names = [o.name for o in self._plan.operations]
        order = list(names)
        for name in self.names if by < 0 else reversed(self.names):
            k = order.index(name)
            if 0 <= k + by < len(order):
                order[k], order[k + by] = order[k + by], order[k]
        if order != names:
            self.wanted.emit((ListOperations(tuple(order)),))

    def _copy(self) -> None:
        source = next((o for o in self._plan.operations if o.name == self.source.currentText()), None)
        if source is not None and self.names:
            self.wanted.emit((_as(source, self.names),))

    @property
    def can_give(self) -> bool:
        """Whether one operation is chosen whose settings others can get."""
        return len(self.operations) == 1

    def give(self, names: Sequence[str]) -> None:
        """Gives other operations the settings of the chosen one."""
        others = [n for n in names if n not in self.names]
        if not others or not self.can_give:
            self.refused.emit(tr("No path of another operation is there."))
            return
        self.wanted.emit((_as(self.operations[0], others),))


def _as(source: Operation, names: Sequence[str]) -> EditOperations:
    """Operations get the settings of another; each keeps its tool, for what is copied is how it is used."""
    settings = msgspec.structs.replace(source.settings, tool=None)
    cleared = tuple(n for n in Settings.__struct_fields__ if getattr(settings, n) is None and n != "tool")
    return EditOperations(tuple(names), settings, cleared)


def clock(seconds: float) -> str:
    """A time to be read at a glance."""
    if not seconds:
        return ""
    minutes, rest = divmod(round(seconds), 60)
    return f"{minutes}:{rest:02d}" if seconds >= 1 else f"{seconds:.1f} s"
