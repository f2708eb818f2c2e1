"""The page of the order: what goes first, and an order that is made by hand and kept."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import TYPE_CHECKING, get_args

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QVBoxLayout, QWidget

from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.cut.model import Ordering
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.planning import Cutting
from syntaxa.cut.steps import OrderCuts

if TYPE_CHECKING:
    from syntaxa.cut.contours import Contour
    from syntaxa.cut.proving import Proven

_SAYS: dict[Ordering, str] = {
    "by tool": tr("As few changes of tools as can be, then little travel"),
    "part by part": tr("One part after the other"),
    "as listed": tr("The operations as they are listed"),
}


class OrderPage(QWidget):
    """The rule, and the cuts in their order."""

    wanted = pyqtSignal(object)
    #: Number of the contour of the chosen cut.
    about = pyqtSignal(int)

    def __init__(self) -> None:
        super().__init__()
        self._plan = Planned()
        self._cuts: Sequence[Cutting] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.rule = roomy(QComboBox())
        self.rule.setAccessibleName(tr("What goes first"))
        for rule in get_args(Ordering):
            self.rule.addItem(_SAYS[rule], rule)
        self.rule.activated.connect(lambda k: self.wanted.emit((OrderCuts(self.rule.itemData(k), self._plan.locked),)))
        column.addWidget(self.rule)
        column.addWidget(
            label(tr("What lies inside is cut before what holds it, whatever the rule."), "dim", wrap=True)
        )
        self.cuts = RowsView(
            tr("Cuts in their order"),
            (
                Column(tr("Cut"), lambda r: r[1], figure=False),
                Column("", lambda r: str(r[0])),
                Column(tr("Tool"), lambda r: r[2], figure=False),
            ),
        )
        self.cuts.selection().selectionChanged.connect(lambda *_: self._chosen())
        column.addWidget(self.cuts, 1)
        up, down = (
            button(tr("Earlier"), tr("The chosen cut goes earlier; the order is kept then")),
            button(tr("Later"), tr("The chosen cut goes later; the order is kept then")),
        )
        self.lock = button(tr("Keep this order"), tr("Whatever changes, the cuts stay in this order"))
        self.free = button(tr("Let it go"), tr("The order is found anew at every change"))
        up.clicked.connect(lambda: self._move(-1))
        down.clicked.connect(lambda: self._move(1))
        self.lock.clicked.connect(lambda: self._keep(self._keys()))
        self.free.clicked.connect(lambda: self._keep(()))
        column.addLayout(row_of(up, down, self.lock, self.free, None))
        self.says = label("", "dim", wrap=True)
        column.addWidget(self.says)

    def show_plan(self, plan: Planned, made: Proven | None) -> None:
        """The order that the cuts have."""
        self._plan = plan
        self.rule.setCurrentIndex(self.rule.findData(plan.ordering))
        self._cuts = made.work.cuttings if made is not None else ()
        at = self.cuts.chosen_row()
        names = {c.key: c for c in made.work.contours.contours} if made is not None else {}
        rows = [(n, self._title(c, names), c.doing.tool.name) for n, c in enumerate(self._cuts, 1)]
        self.cuts.model_.show_rows(rows)
        if 0 <= at < len(rows):
            self.cuts.selectRow(at)
        self.free.setEnabled(bool(plan.locked))
        kept = tr("This order is kept. ") if plan.locked else ""
        travel = tr("{0:,.0f} mm of travel.", made.work.travel) if made is not None else ""
        self.says.setText(f"{kept}{travel}")

    def _title(self, cutting: Cutting, names: Mapping[str, Contour]) -> str:
        contour = names.get(cutting.run.contour)
        return f"{cutting.doing.operation.name}: {contour.sketch if contour is not None else 'stock'}"

    def _keys(self) -> tuple[tuple[str, str], ...]:
        return tuple(dict.fromkeys((c.doing.operation.name, c.run.contour) for c in self._cuts))

    def _chosen(self) -> None:
        at = self.cuts.chosen_row()
        if 0 <= at < len(self._cuts):
            self.about.emit(self._cuts[at].run.number)

    def _move(self, by: int) -> None:
        at = self.cuts.chosen_row()
        if not 0 <= at < len(self._cuts):
            return
        keys = list(self._keys())
        mine = (self._cuts[at].doing.operation.name, self._cuts[at].run.contour)
        k = keys.index(mine)
        if 0 <= k + by < len(keys):
            keys[k], keys[k + by] = keys[k + by], keys[k]
            self.cuts.selectRow(max(min(at + by, len(self._cuts) - 1), 0))
            self._keep(tuple(keys))

    def _keep(self, keys: tuple[tuple[str, str], ...]) -> None:
        self.wanted.emit((OrderCuts(self._plan.ordering, keys),))
