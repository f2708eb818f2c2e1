"""What came in, grouped: what is taken, where it goes, and what is no geometry."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QHeaderView,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QPushButton,
    QStackedWidget,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.stages.route.rules import Rules
from syntaxa.app.theme.tokens import PAPER, Tokens, readable_on
from syntaxa.app.widgets.labels import button, cell, label, narrow, table
from syntaxa.app.widgets.swatch import swatch
from syntaxa.app.words import counted, tr
from syntaxa.route.edits import ExcludeCurves
from syntaxa.route.leave_out import LeaveOut, not_geometry
from syntaxa.route.model import GROUPINGS, Appearances, CurveGroup, Rule
from syntaxa.route.sketches import hidden_layers
from syntaxa.route.steps import ChooseLayers
from syntaxa.route.views import GROUPS, GroupBy


class CameIn(QWidget):
    """The table of groups, and ready-made routes."""

    #: Ids of curves to select, or to hide for now (roots: the pieces go along).
    select_wanted = pyqtSignal(object)
    hide_wanted = pyqtSignal(object)

    def __init__(self, session: Session, rules: Rules) -> None:
        super().__init__()
        self._session, self._rules = session, rules
        self._lengths, self._tokens = LengthFormat("mm"), PAPER
        self._groups: list[CurveGroup] = []
        self._hidden: set[str] = set()
        self._offers: list[LeaveOut] = []
        self._pages = QStackedWidget()
        self._pages.addWidget(self._main_page())
        self._pages.addWidget(self._leave_out_page())
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.addWidget(self._pages)

    # ------------------------------------------------------------------ making

    def _main_page(self) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        top = QHBoxLayout()
        self._grouping = narrow(QComboBox())
        self._grouping.setAccessibleName(tr("Group curves by"))
        for grouping in GROUPINGS:
            self._grouping.addItem(tr("by {0}", tr(grouping)), grouping)
        self._grouping.activated.connect(lambda _index: self._session.choose(GroupBy(self._grouping.currentData())))
        self._search = QLineEdit()
        self._search.setPlaceholderText(tr("Search"))
        self._search.setAccessibleName(tr("Search in the groups"))
        self._search.textChanged.connect(lambda _text: self._fill())
        top.addWidget(self._grouping)
        top.addWidget(self._search, 1)
        column.addLayout(top)
        self.table = table(tr("Groups of curves"), (tr("Taken"), tr("Curves"), tr("Length"), tr("Goes to")), 0)
        self.table.itemChanged.connect(self._switched)
        heads = self.table.horizontalHeader()
        if heads is not None:
            heads.setSectionResizeMode(3, QHeaderView.ResizeMode.Interactive)
        self.table.setColumnWidth(3, 66)
        column.addWidget(self.table, 1)
        column.addLayout(self._view_row())
        column.addLayout(self._ready_row())
        self._sum = label("", "dim", wrap=True)
        column.addWidget(self._sum)
        return page

    def _view_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        for text, name, run in (
            (tr("Select"), tr("Select the curves of this group"), self._select_group),
            (tr("Hide"), tr("Hide the curves of this group for now"), self._hide_group),
            (tr("Solo"), tr("Show only the curves of this group"), self._solo_group),
            (tr("Show all"), tr("Show everything again"), self.show_everything),
        ):
            row.addWidget(self._made(text, name, run))
        row.addStretch()
        return row

    def _ready_row(self) -> QGridLayout:
        grid = QGridLayout()
        grid.setHorizontalSpacing(6)
        ready = (
            (tr("a layer"), tr("Make a sketch of each layer"), lambda: self._route_all("{layer}")),
            (tr("a colour"), tr("Make a sketch of each colour"), lambda: self._route_all("{colour}")),
            (tr("all in one"), tr("Put everything into one sketch"), lambda: self._route_all(tr("All"))),
        )
        grid.addWidget(label(tr("A sketch"), "dim"), 0, 0)
        for k, (text, name, run) in enumerate(ready):
            grid.addWidget(self._made(text, name, run), 0, k + 1)
        clean = self._made(tr("What is no geometry…"), tr("Leave out what is not geometry"), self.offer_leave_out)
        grid.addWidget(label(tr("Leave out"), "dim"), 1, 0)
        grid.addWidget(clean, 1, 1, 1, 2)
        grid.addWidget(self._made(tr("as in file"), tr("Take the layers that the file shows"), self._as_in_file), 1, 3)
        return grid

    def _leave_out_page(self) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        self._offer_says = label("", wrap=True)
        self.offers = QListWidget()
        self.offers.setAccessibleName(tr("What is not geometry, with the reason"))
        self.offers.setWordWrap(True)
        self.offers.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.offers.setResizeMode(QListWidget.ResizeMode.Adjust)
        self.offers.itemChanged.connect(lambda _item: self._select_offered())
        column.addWidget(self._offer_says)
        column.addWidget(self.offers, 1)
        row = QHBoxLayout()
        row.addWidget(self._made(tr("Cancel"), tr("Leave everything as it is"), self._close_offer))
        row.addStretch()
        self.accept = button(tr("Leave these out"), primary=True)
        self.accept.clicked.connect(self.accept_leave_out)
        row.addWidget(self.accept)
        column.addLayout(row)
        return page

    def _made(self, text: str, name: str, run: Callable[[], None]) -> QPushButton:
        made = button(text, name)
        made.clicked.connect(lambda _checked: run())
        return made

    # ------------------------------------------------------------------ doing

    def _switched(self, item: QTableWidgetItem) -> None:
        if item.column() != 0:
            return
        group = self._groups[item.data(256)]
        taken = item.checkState() == Qt.CheckState.Checked
        if group.grouping == "layer":
            left_out = self.left_out()
            (left_out.discard if taken else left_out.add)(group.name)
            self._session.do(ChooseLayers(left_out=tuple(sorted(left_out))))
            return
        out = group.rule("", "out")
        rules = [r for r in self._rules.rules() if r != out]
        self._rules.use(rules if taken else [out, *rules])

    def left_out(self) -> set[str]:
        """Layers that are left out as a whole."""
        job, evaluation = self._session.job, self._session.evaluation
        if job is None or evaluation is None:
            return set()
        step = job.step_of(ChooseLayers)
        if not isinstance(step, ChooseLayers):
            return set(hidden_layers(evaluation.first))
        if step.only is not None:
            return set(evaluation.first.layers()) - set(step.only)
        return set(step.left_out)

    def _route_all(self, to: str) -> None:
        out = [r for r in self._rules.rules() if r.goes == "out"]
        self._rules.use([*out, Rule(to)])

    def _as_in_file(self) -> None:
        evaluation = self._session.evaluation
        if evaluation is not None:
            self._session.do(ChooseLayers(left_out=tuple(sorted(hidden_layers(evaluation.first)))))

    # ------------------------------------------------------------------ leaving out

    def offer_leave_out(self) -> None:
        """Shows what is not geometry, and why, before anything is done."""
        state = self._session.state
        if state is None:
            return
        self._offers = not_geometry(state)
        self.offers.blockSignals(True)
        self.offers.clear()
        for offer in self._offers:
            item = QListWidgetItem(f"{counted(offer.count, 'curve')}: {said(offer.why)}")
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            item.setCheckState(Qt.CheckState.Checked)
            self.offers.addItem(item)
        self.offers.blockSignals(False)
        total = sum(o.count for o in self._offers)
        self._offer_says.setText(
            tr("{0} are no geometry that is to be made. They are selected in the drawing.", counted(total, "curve"))
            if self._offers
            else tr("Everything that is taken looks like geometry.")
        )
        self.accept.setEnabled(bool(self._offers))
        self._pages.setCurrentIndex(1)
        self._select_offered()

    def accept_leave_out(self) -> None:
        """Leaves out what is ticked."""
        ticked = [
            o
            for k, o in enumerate(self._offers)
            if (i := self.offers.item(k)) and i.checkState() == Qt.CheckState.Checked
        ]
        rules = [o.rule for o in ticked if o.rule is not None]
        ids = tuple(name for o in ticked for name in o.ids)
        self._close_offer()
        if rules:
            self._rules.use([*rules, *(r for r in self._rules.rules() if r not in rules)])
        if ids:
            self._session.do(ExcludeCurves(ids, tr("the border of the sheet")))

    def _close_offer(self) -> None:
        self._pages.setCurrentIndex(0)
        self.select_wanted.emit(set())

    def _select_offered(self) -> None:
        state = self._session.state
        if state is None:
            return
        looks = Appearances(state)
        ids: set[str] = set()
        for k, offer in enumerate(self._offers):
            item = self.offers.item(k)
            if item is None or item.checkState() != Qt.CheckState.Checked:
                continue
            ids |= set(offer.ids)
            if offer.rule is not None:
                ids |= {c.id for c in state.curves() if offer.rule.fits(looks.of(c))}
        self.select_wanted.emit(ids)

    # ------------------------------------------------------------------ seeing

    def _select_group(self) -> None:
        group = self._chosen_group()
        if group is not None:
            self.select_wanted.emit(set(group.ids))

    def _hide_group(self) -> None:
        group = self._chosen_group()
        if group is not None:
            self._hidden |= set(group.ids)
            self.hide_wanted.emit(self._hidden)

    def _solo_group(self) -> None:
        group = self._chosen_group()
        if group is not None:
            mine = set(group.ids)
            self._hidden = {name for g in self._groups for name in g.ids} - mine
            self.hide_wanted.emit(self._hidden)

    def show_everything(self) -> None:
        """Shows what was hidden for now."""
        self._hidden = set()
        self.hide_wanted.emit(set())

    def _chosen_group(self) -> CurveGroup | None:
        row = self.table.currentRow()
        item = self.table.item(row, 0) if row >= 0 else None
        return self._groups[item.data(256)] if item is not None else None

    # ------------------------------------------------------------------ showing

    def refresh(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Shows what the session holds now."""
        self._lengths, self._tokens = lengths, tokens
        evaluation, state = self._session.evaluation, self._session.state
        if evaluation is None or state is None:
            return
        self._fill()
        taken = sum(len(s.curves) for s in state.sketches)
        total = sum(len(t.drawing.curves) for t in evaluation.first.taken)
        sketches = len(state.sketches)
        count = tr("1 sketch") if sketches == 1 else tr("{0} sketches", sketches)
        self._sum.setText(tr("{0} with {1} of {2} curves.", count, taken, total))

    def _fill(self) -> None:
        grouping, chosen = self._session.chosen(GroupBy).grouping, self._chosen_group()
        self._grouping.setCurrentIndex(self._grouping.findData(grouping))
        groups = self._session.view(GROUPS, grouping)
        if groups is None:
            return
        self._groups = list(groups)
        words = self._search.text().strip().lower()
        rows = [k for k, g in enumerate(self._groups) if words in g.name.lower()]
        left_out = self.left_out() if grouping == "layer" else set()
        self.table.blockSignals(True)
        self.table.setRowCount(len(rows))
        for row, k in enumerate(rows):
            self._fill_row(row, k, self._groups[k], self._groups[k].name not in left_out)
            if chosen is not None and self._groups[k].name == chosen.name:
                self.table.selectRow(row)
        self.table.blockSignals(False)

    def _fill_row(self, row: int, k: int, group: CurveGroup, wanted: bool) -> None:
        taken = bool(group.goes_to) and wanted
        item = QTableWidgetItem(group.name)
        item.setData(256, k)
        item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
        item.setCheckState(Qt.CheckState.Checked if taken else Qt.CheckState.Unchecked)
        item.setIcon(swatch(readable_on(group.look.colour, self._tokens.canvas), taken))
        where = "" if group.shown else tr(", hidden by its author")
        item.setToolTip(f"{group.name}: {counted(group.count, 'curve')}, {self._lengths.text(group.length)}{where}")
        self.table.setItem(row, 0, item)
        self.table.setItem(row, 1, cell(str(group.count), figure=True))
        self.table.setItem(row, 2, cell(self._lengths.rounded(group.length), figure=True))
        goes = ", ".join(group.goes_to) or tr("out")
        own = group.goes_to == (group.name,)
        self.table.setItem(row, 3, cell(tr("its own") if own else goes, tip=tr("Goes to {0}", goes)))
