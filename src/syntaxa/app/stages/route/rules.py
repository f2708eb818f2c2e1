"""The rules that send groups of curves to sketches: the first that fits a curve counts."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QListWidget, QVBoxLayout, QWidget

from syntaxa.app.session.session import Session
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.words import tr
from syntaxa.route.model import GROUPINGS, CurveGroup, Destination, Grouping, Rule
from syntaxa.route.steps import RouteBy
from syntaxa.route.views import GROUPS, GroupBy

_GOES: tuple[tuple[str, Destination], ...] = (
    (tr("to be made"), "profile"),
    (tr("as construction"), "construction"),
    (tr("as reference"), "reference"),
    (tr("left out"), "out"),
)


class Rules(QWidget):
    """The list, in the order in which they are tried, and a line to add one."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        says = tr("The first rule that fits a curve counts. In names * and ? stand for what may differ.")
        column.addWidget(label(says, "dim", wrap=True))
        column.addLayout(self._editor())
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Rules, the first that fits counts"))
        column.addWidget(self.list, 1)
        row = QHBoxLayout()
        for text, name, run in (
            (tr("Up"), tr("Try the rule earlier"), lambda: self.move_by(-1)),
            (tr("Down"), tr("Try the rule later"), lambda: self.move_by(1)),
            (tr("Remove"), tr("Remove the chosen rule"), self.remove),
            (tr("Remove all"), tr("Remove all rules"), lambda: self.use(())),
        ):
            made = button(text, name)
            made.clicked.connect(lambda _checked, do=run: do())
            row.addWidget(made)
        row.addStretch()
        column.addLayout(row)

    def _editor(self) -> QGridLayout:
        self._by, self.name = narrow(QComboBox()), narrow(QComboBox())
        self._by.setAccessibleName(tr("Property that the rule looks at"))
        for grouping in GROUPINGS:
            self._by.addItem(tr(grouping).capitalize(), grouping)
        self._by.activated.connect(lambda _index: self._session.choose(GroupBy(self._by.currentData())))
        self.name.setEditable(True)
        self.name.setAccessibleName(tr("Which curves are meant"))
        self.to, self.goes = narrow(QComboBox()), narrow(QComboBox())
        self.to.setEditable(True)
        self.to.setAccessibleName(tr("Sketch that they go to"))
        self.to.setToolTip(
            tr("A name, or {layer}, {colour}, {line type}, {weight}, {block} or {kind} for one of each.")
        )
        self.goes.setAccessibleName(tr("What they go as"))
        for text, goes in _GOES:
            self.goes.addItem(text, goes)
        self.goes.activated.connect(lambda _index: self.to.setEnabled(self.goes.currentData() != "out"))
        add = button(tr("Add rule"), tr("Add this rule"))
        add.clicked.connect(self.add)
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.addWidget(self._by, 0, 0)
        grid.addWidget(self.name, 0, 1, 1, 2)
        grid.addWidget(label(tr("goes to"), "dim"), 1, 0)
        grid.addWidget(self.to, 1, 1, 1, 2)
        grid.addWidget(label(tr("as"), "dim"), 2, 0)
        grid.addWidget(self.goes, 2, 1)
        grid.addWidget(add, 2, 2)
        grid.setColumnStretch(1, 1)
        return grid

    # ------------------------------------------------------------------ doing

    def rules(self) -> list[Rule]:
        """The rules in force."""
        job = self._session.job
        step = job.step_of(RouteBy) if job else None
        return list(step.rules) if isinstance(step, RouteBy) else []

    def use(self, rules: Sequence[Rule]) -> None:
        """Takes other rules."""
        self._session.do(RouteBy(tuple(rules)))

    def add(self) -> None:
        """Adds the rule that is typed; it is tried first."""
        name, to = self.name.currentText().strip(), self.to.currentText().strip()
        goes: Destination = self.goes.currentData()
        if not name or (goes != "out" and not to):
            self._session.told.emit(tr("Say which curves are meant, and to which sketch they go."))
            return
        known = next((g for g in self._groups() if g.name == name), None)
        rule = known.rule(to, goes) if known else self._typed(name, to, goes)
        if rule is None:
            self._session.told.emit(tr("No curve has “{0}”; choose one of the list.", name))
            return
        self.use([rule, *(r for r in self.rules() if r != rule)])

    def _typed(self, name: str, to: str, goes: Destination) -> Rule | None:
        """A rule for a name with wildcards; colours and weights must be ones that are there."""
        grouping: Grouping = self._by.currentData()
        match grouping:
            case "layer":
                return Rule(to, goes, layer=name)
            case "line type":
                return Rule(to, goes, line_type=name)
            case "block":
                return Rule(to, goes, block=name)
            case "kind":
                return Rule(to, goes, kind=name)
            case _:
                return None

    def remove(self) -> None:
        """Takes the chosen rule out."""
        rules, at = self.rules(), self.list.currentRow()
        if 0 <= at < len(rules):
            del rules[at]
            self.use(rules)

    def move_by(self, step: int) -> None:
        """Moves the chosen rule."""
        rules, at = self.rules(), self.list.currentRow()
        if 0 <= at < len(rules) and 0 <= at + step < len(rules):
            rules[at], rules[at + step] = rules[at + step], rules[at]
            self.use(rules)
            self.list.setCurrentRow(at + step)

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        """Shows what the session holds now."""
        state = self._session.state
        if state is None:
            return
        kept = self.to.currentText()
        self.to.clear()
        self.to.addItems([*(s.name for s in state.sketches), "{layer}", "{colour}", "{line type}"])
        self.to.setCurrentText(kept)
        row = self.list.currentRow()
        self.list.clear()
        for rule in self.rules():
            where = tr("left out") if rule.goes == "out" else rule.to
            what = "" if rule.goes in ("out", "profile") else tr(", as {0}", tr(rule.goes))
            self.list.addItem(f"{rule.meant}  →  {where}{what}")
        self.list.setCurrentRow(min(max(row, 0), self.list.count() - 1))
        self._list_names()

    def _groups(self) -> list[CurveGroup]:
        return list(self._session.view(GROUPS, self._by.currentData()) or ())

    def _list_names(self) -> None:
        self._by.setCurrentIndex(self._by.findData(self._session.chosen(GroupBy).grouping))
        kept = self.name.currentText()
        self.name.clear()
        self.name.addItems([g.name for g in self._groups()])
        self.name.setCurrentText(kept)
