"""What holds in a sketch: the list, what picked curves can have besides, and letting go."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QSizePolicy, QVBoxLayout, QWidget

from syntaxa.app.stages.define.lists import keep_chosen
from syntaxa.app.widgets.labels import button, label, narrow, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.define.holding import Constrain, LetGo, SwitchConstraint
from syntaxa.define.model import Constraint, Measure
from syntaxa.define.part import Defined, next_name
from syntaxa.define.steps import AddDimensions

#: Pixels of height of the list.
_HEIGHT = 126


class ConstraintsView(QWidget):
    """The list, and what can be done to it."""

    #: A step that is wanted; and what the chosen row is about.
    wanted = pyqtSignal(object)
    about = pyqtSignal(object)
    #: The key of the chosen constraint, empty for none.
    chosen = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._part = Defined()
        self._possible: tuple[Constraint | Measure, ...] = ()
        self.table = RowsView(
            tr("What holds in the chosen sketch"),
            (
                Column(tr("Constraint, and of what"), _shown, figure=False, tip=_shown),
                Column("", lambda c: "off" if c.off else "", figure=False),
            ),
        )
        self.table.setFixedHeight(_HEIGHT)
        self.let_go = button(tr("Let go"), tr("Let the chosen constraint go"))
        self.let_go.clicked.connect(self._let_go)
        self.switch = button(tr("Switch off"), tr("Let the chosen constraint rest, or hold again"))
        self.switch.clicked.connect(self._switch)
        self.possible = narrow(QComboBox())
        self.possible.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.possible.setAccessibleName(tr("What the selected curves can have"))
        self.add = button(tr("Add"), tr("Add this to the selected curves"))
        self.add.clicked.connect(self._add)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("What holds"), "heading"))
        column.addWidget(self.table)
        column.addLayout(row_of(self.possible, self.add))
        column.addLayout(row_of(self.switch, self.let_go, None))
        self.table.selection().selectionChanged.connect(lambda *_: self._chosen())
        self.show_possible(())

    def show_part(self, part: Defined, sketch: str) -> None:
        """Shows what holds in a sketch."""
        self._part = part
        rows = [c for c in part.constraints if c.sketch == sketch]
        keep_chosen(self.table, rows, lambda c: c.key)
        self._show_chosen()

    def show_possible(self, rows: Sequence[Constraint | Measure]) -> None:
        """What the selected curves can have."""
        self._possible = tuple(rows)
        self.possible.clear()
        self.possible.addItems([_offer(r) for r in rows] or [tr("Select 1 to 3 curves to add more")])
        self.possible.setEnabled(bool(rows))
        self.add.setEnabled(bool(rows))

    def _one(self) -> Constraint | None:
        at, rows = self.table.chosen_row(), self.table.model_.rows
        found: Constraint | None = rows[at] if 0 <= at < len(rows) else None
        return found

    def choose(self, key: str) -> None:
        """Chooses the row of a constraint."""
        for k, one in enumerate(self.table.model_.rows):
            if one.key == key:
                self.table.selectRow(k)

    def _chosen(self) -> None:
        one = self._one()
        self._show_chosen()
        self.about.emit(one.things if one is not None else ())
        self.chosen.emit(one.key if one is not None else "")

    def _show_chosen(self) -> None:
        one = self._one()
        self.let_go.setEnabled(one is not None)
        self.switch.setEnabled(one is not None)
        self.switch.setText(tr("Switch on") if one is not None and one.off else tr("Switch off"))

    def _switch(self) -> None:
        one = self._one()
        if one is not None:
            self.wanted.emit(SwitchConstraint(one.sketch, one.key, one.off))

    def _let_go(self) -> None:
        one = self._one()
        if one is not None:
            self.wanted.emit(LetGo(one.sketch, (one.key,)))

    def _add(self) -> None:
        at = self.possible.currentIndex()
        if not 0 <= at < len(self._possible):
            return
        one = self._possible[at]
        if isinstance(one, Constraint):
            self.wanted.emit(Constrain(one))
        else:
            self.wanted.emit(AddDimensions((msgspec.structs.replace(one, name=next_name(self._part)),)))


def _offer(one: Constraint | Measure) -> str:
    return tr("hold {0}", tr(one.kind)) if isinstance(one, Constraint) else tr("measure {0}", tr(one.kind))


def _shown(one: Constraint) -> str:
    """A constraint as the list has it: its kind, and what it is about."""
    return f"{tr(one.kind)}: {', '.join(map(str, one.things))}"
