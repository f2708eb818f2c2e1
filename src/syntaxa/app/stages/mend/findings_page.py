"""The list of findings: which are listed, the one that is chosen, and what is decided about it."""

from __future__ import annotations

from collections import Counter

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QIcon
from PyQt6.QtWidgets import QCheckBox, QComboBox, QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import findings, surveyed
from syntaxa.app.stages.mend.fixing import fix, fix_these
from syntaxa.app.theme.glyphs import glyph_icon
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.widgets.labels import button, label
from syntaxa.app.widgets.length_field import LengthField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import tr
from syntaxa.mend.model import CHOICES, FINDING_KINDS, Finding
from syntaxa.mend.steps import LeaveFindings


class FindingsPage(QWidget):
    """Listed by kind, sketch and how far their fix moves anything; one is chosen, fixed or left."""

    finding_chosen = pyqtSignal(object)
    #: Whether the chosen finding is to be shown before and after its fix, by turns.
    flicker_wanted = pyqtSignal(bool)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.lengths, self.tokens = LengthFormat("mm"), PAPER
        self._rows: list[Finding] = []
        self._chosen = ""
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        self._add_filters(column)
        self._add_table(column)
        self._add_decision(column)
        self._add_buttons(column)

    def _add_filters(self, column: QVBoxLayout) -> None:
        row = QHBoxLayout()
        self._kind = QComboBox()
        self._kind.setAccessibleName(tr("Kind of finding to list"))
        self._kind.activated.connect(lambda _index: self._fill())
        row.addWidget(self._kind, 3)
        self._back, self._next = button(tr("Back"), tr("Previous finding")), button(tr("Next"), tr("Next finding"))
        self._back.clicked.connect(lambda: self.step(-1))
        self._next.clicked.connect(lambda: self.step(1))
        self._sketch = QComboBox()
        self._sketch.setAccessibleName(tr("Sketch whose findings are listed"))
        self._sketch.activated.connect(lambda _index: self._fill())
        for box in (self._kind, self._sketch):
            box.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
            box.setMinimumContentsLength(8)
        row.addWidget(self._sketch, 2)
        column.addLayout(row)
        limit = QHBoxLayout()
        most = label(tr("At most"), "dim")
        self.most = LengthField(tr("List fixes that move at most"), least=0.0)
        self.most.setPlaceholderText(tr("any move"))
        self.most.setMaximumWidth(96)
        most.setBuddy(self.most)
        self.most.textChanged.connect(lambda _text: self._fill())
        self.left_too = QCheckBox(tr("Left ones"))
        self.left_too.setToolTip(tr("List what was left as it is, too"))
        self.left_too.toggled.connect(lambda _on: self._fill())
        limit.addWidget(most)
        limit.addWidget(self.most)
        limit.addWidget(self.left_too)
        limit.addStretch()
        limit.addWidget(self._back)
        limit.addWidget(self._next)
        column.addLayout(limit)

    def _add_table(self, column: QVBoxLayout) -> None:
        self.table = RowsView(
            tr("Findings"),
            (
                Column(
                    tr("Finding"),
                    lambda f: tr(str(f.kind).capitalize()),
                    False,
                    self._glyph,
                    lambda f: said(FINDING_KINDS[f.kind]),
                ),
                Column(tr("Size"), lambda f: self.lengths.small(f.size)),
                Column(tr("Moves"), lambda f: self.lengths.small(max(f.cost, f.along)) if f.remedy else "–"),
            ),
        )
        self.table.selection().selectionChanged.connect(lambda *_: self._choose())
        column.addWidget(self.table, 1)
        self._detail = label("", "dim", wrap=True)
        column.addWidget(self._detail)

    def _add_decision(self, column: QVBoxLayout) -> None:
        self._decision = QWidget()
        others = QHBoxLayout(self._decision)
        others.setContentsMargins(0, 0, 0, 0)
        self.way = QComboBox()
        self.way.setAccessibleName(tr("How the chosen finding is fixed"))
        self.way.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        self.way.setMinimumContentsLength(18)
        others.addWidget(self.way, 1)
        self.note = QLineEdit()
        self.note.setAccessibleName(tr("Why the finding is left"))
        self.note.setPlaceholderText(tr("why it is meant"))
        others.addWidget(self.note, 1)
        self.leave = button(tr("Leave"), tr("Leave the chosen finding as it is, with the note"))
        self.leave.clicked.connect(self.leave_chosen)
        others.addWidget(self.leave)
        column.addWidget(self._decision)

    def _add_buttons(self, column: QVBoxLayout) -> None:
        buttons = QHBoxLayout()
        self.fix_one = button(tr("Fix this one"), tr("Fix the chosen finding"))
        self.fix_one.clicked.connect(self.fix_chosen)
        self.fix_every = button(tr("Fix all"), tr("Fix all findings"), primary=True)
        self.fix_every.clicked.connect(self.fix_listed)
        self.flicker = button(tr("Flicker"), tr("Show the chosen finding before and after its fix, by turns"))
        self.flicker.setCheckable(True)
        self.flicker.toggled.connect(self.flicker_wanted)
        buttons.addWidget(self.fix_one)
        buttons.addWidget(self.flicker)
        buttons.addStretch()
        buttons.addWidget(self.fix_every)
        column.addLayout(buttons)

    # ------------------------------------------------------------------ showing

    def show_with(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Takes a display unit and a look, and shows what was found."""
        self.lengths, self.tokens = lengths, tokens
        self._fill_kinds()
        self._fill_sketches()
        self._fill()

    @property
    def chosen(self) -> Finding | None:
        """The finding that is chosen in the list."""
        return next((f for f in self._rows if f.key == self._chosen), None) if self._chosen else None

    def _fill_kinds(self) -> None:
        chosen = self._kind.currentData()
        count = Counter(f.kind for f in findings(self.session))
        self._kind.clear()
        self._kind.addItem(tr("All kinds ({0})", sum(count.values())), "")
        for kind in FINDING_KINDS:
            if count[kind]:
                self._kind.addItem(glyph_icon(kind, self.tokens), f"{tr(kind.capitalize())} ({count[kind]})", kind)
        self._kind.setCurrentIndex(max(0, self._kind.findData(chosen)))

    def _fill_sketches(self) -> None:
        state = self.session.state
        names = [s.name for s in state.profiles()] if state is not None else []
        chosen = self._sketch.currentData()
        self._sketch.clear()
        self._sketch.addItem(tr("All sketches"), "")
        for name in names:
            self._sketch.addItem(name, name)
        self._sketch.setCurrentIndex(max(0, self._sketch.findData(chosen)))
        self._sketch.setEnabled(len(names) > 1)

    def _own_curves(self) -> set[str] | None:
        """The curves of the sketch whose findings are listed; None for those of all."""
        state, name = self.session.state, self._sketch.currentData()
        sketch = state.sketch(name) if state is not None and name else None
        return None if sketch is None else {c.id for c in sketch.curves}

    def _fill(self) -> None:
        kind, own = self._kind.currentData(), self._own_curves()
        most = self.most.number() if self.most.text().strip() else None
        listed = [*findings(self.session), *(self._left() if self.left_too.isChecked() else ())]
        listed = [f for f in listed if own is None or own & set(f.curves)]
        near = (f for f in listed if most is None or max(f.cost, f.along) <= most)
        self._rows = [f for f in near if not kind or f.kind == kind]
        self.table.model_.show_rows(self._rows)
        row = next((k for k, f in enumerate(self._rows) if f.key == self._chosen), -1)
        if row < 0:
            self._chosen = ""
        else:
            self._select_quietly(row)
        self._show_detail()

    def _left(self) -> list[Finding]:
        """What was found and is left as it is."""
        found = surveyed(self.session)
        return [f for f in found.survey.findings if f.note is not None] if found is not None else []

    def _select_quietly(self, row: int) -> None:
        """The finding that was chosen before is chosen still: nobody is told."""
        selection = self.table.selection()
        selection.blockSignals(True)
        self.table.selectRow(row)
        selection.blockSignals(False)

    def _glyph(self, finding: Finding) -> QIcon:
        return glyph_icon(finding.kind, self.tokens, settled=not finding.remedy)

    def _show_detail(self) -> None:
        finding = self.chosen
        can = finding is not None and bool(finding.remedy) and finding.note is None
        self.fix_one.setEnabled(can)
        self.flicker.setEnabled(can)
        self._decision.setVisible(finding is not None)
        self.leave.setText(tr("Leave") if finding is None or finding.note is None else tr("Take up"))
        self._show_ways(finding)
        listed = self._listed()
        self.fix_every.setText(tr("Fix all") if self._lists_all else tr("Fix these {0}", len(listed)))
        self.fix_every.setEnabled(bool(listed))
        for step in (self._back, self._next):
            step.setEnabled(bool(self._rows))
        if finding is None:
            self._detail.setText(tr("No finding chosen."))
            return
        place = f"{self.lengths.number(finding.place.x)}, {self.lengths.text(finding.place.y)}"
        if finding.note is not None:
            self._detail.setText(
                tr("{0} Left as it is. {1}\nAt {2}", said(FINDING_KINDS[finding.kind]), finding.note, place)
            )
            return
        remedy = (
            tr(" Fix ({0:.0%} sure): {1}{2}.", finding.confidence, *_begun_small(said(finding.remedy)))
            if finding.remedy
            else tr(" No fix on offer.")
        )
        curves = ", ".join(f"#{c}" for c in finding.curves[:4]) + (" …" if len(finding.curves) > 4 else "")
        self._detail.setText(tr("{0}{1}\nAt {2}; curves {3}", said(FINDING_KINDS[finding.kind]), remedy, place, curves))

    def _choose(self) -> None:
        row = self.table.chosen_row()
        self._chosen = self._rows[row].key if row >= 0 else ""
        self.flicker_wanted.emit(self.flicker.isChecked())
        self._show_detail()
        self.finding_chosen.emit(self.chosen)

    def choose_key(self, key: str) -> None:
        """Chooses a finding by its key, whatever kinds are listed."""
        if not any(f.key == key for f in self._rows):
            self._kind.setCurrentIndex(0)
            self._fill()
        for k, finding in enumerate(self._rows):
            if finding.key == key:
                self.table.selectRow(k)

    def step(self, by: int) -> None:
        """Goes to the next or previous finding in the list."""
        if not self._rows:
            return
        at = next((k for k, f in enumerate(self._rows) if f.key == self._chosen), -1 if by > 0 else 0)
        self.table.selectRow((at + by) % len(self._rows))

    @property
    def _lists_all(self) -> bool:
        """Whether everything that can be fixed is listed."""
        return not (self._kind.currentData() or self._sketch.currentData() or self.most.text().strip())

    def _listed(self) -> list[Finding]:
        """What is listed and can be fixed; what wants a choice of its own only where its kind alone is listed."""
        one_kind = bool(self._kind.currentData())
        return [f for f in self._rows if f.remedy and (one_kind or not f.by_choice) and f.note is None]

    def _show_ways(self, finding: Finding | None) -> None:
        chosen = self.way.currentData()
        self.way.clear()
        self.way.addItem(said(finding.remedy) if finding is not None and finding.remedy else tr("No fix on offer"), "")
        for choice in finding.choices if finding is not None else ():
            self.way.addItem(said(CHOICES[choice]), choice)
        self.way.setCurrentIndex(max(0, self.way.findData(chosen)))
        self.way.setEnabled(self.way.count() > 1)

    def fix_listed(self) -> None:
        """Fixes all that is listed: everything, one kind, or what moves little enough."""
        listed = self._listed()
        if self._lists_all:
            fix(self.session, None)
        elif listed:
            fix_these(self.session, tuple(f.key for f in listed))

    def leave_chosen(self) -> None:
        """Leaves the chosen finding as it is, or takes it up again."""
        finding = self.chosen
        if finding is not None:
            self.session.do(LeaveFindings((finding.key,), self.note.text().strip(), back=finding.note is not None))
            self.note.clear()

    def fix_chosen(self) -> None:
        """Fixes the chosen finding; the next one takes its place."""
        finding = self.chosen
        if finding is None or not finding.remedy:
            return
        at = self._rows.index(finding)
        following = self._rows[(at + 1) % len(self._rows)]
        self._chosen = following.key if following is not finding else ""
        fix(self.session, finding.key, self.way.currentData() or "")


def _begun_small(words: str) -> tuple[str, str]:
    """The first letter small, and the rest."""
    return words[:1].lower(), words[1:]
