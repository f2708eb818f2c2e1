"""Mend: what is wrong, with its size and its fix, and the closed regions that come of it."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

from PyQt6.QtCore import QTimer, pyqtSignal
from PyQt6.QtGui import QIcon
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QHBoxLayout,
    QLineEdit,
    QTabWidget,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.canvas.layers.comparing import Versus
from syntaxa.app.session.preview import TRIED_SCENE
from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import faults as faults_of
from syntaxa.app.session.surveyed import findings, surveyed
from syntaxa.app.shell.panel import StagePanel
from syntaxa.app.stages.mend.compare_page import ComparePage
from syntaxa.app.stages.mend.fixing import fix, fix_these, fixing, set_gap
from syntaxa.app.stages.mend.reshape_page import ReshapePage
from syntaxa.app.stages.mend.sweep_page import SweepPage
from syntaxa.app.stages.mend.trials_page import TrialsPage
from syntaxa.app.theme.glyphs import glyph_icon
from syntaxa.app.widgets.labels import button, counted, label, set_role
from syntaxa.app.widgets.length_field import LengthField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.drawing.quantities import plain_number
from syntaxa.mend.model import CHOICES, FINDING_KINDS, Finding, Region
from syntaxa.mend.steps import LeaveFindings, MendFindings
from syntaxa.mend.views import SURVEY, Surveyed, Tuning

#: How long each of two drawings is seen when they take turns.
_TURN_MS = 650


class MendPanel(StagePanel):
    """The tolerance, the list of findings, and the list of regions."""

    scrolls = False

    finding_chosen = pyqtSignal(object)
    region_chosen = pyqtSignal(object)
    #: What the canvas lays over the result: a Versus, or None.
    versus_wanted = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._rows: list[Finding] = []
        self._versus: dict[str, Versus | None] = {}
        self._chosen = ""
        #: The fix whose result is shown by turns.
        self._flickers: MendFindings | None = None
        self._seen: Surveyed | None = None
        self._seen_in: object = None
        self._add_tolerance()
        self._sum = label("", wrap=True)
        self.body.addWidget(self._sum)
        self._tabs = QTabWidget()
        self._tabs.setAccessibleName("Findings and regions")
        self._findings = self._findings_page()
        self._tabs.addTab(self._findings, "Findings")
        self.regions = RowsView(
            "Closed regions",
            (
                Column("In sketch", lambda r: str(r.sketch), figure=False, tip=_about_region),
                Column("Area", lambda r: self.lengths.area(r.area)),
                Column("Holes", lambda r: str(r.holes)),
            ),
        )
        self.regions.selection().selectionChanged.connect(lambda *_: self._choose_region())
        self._tabs.addTab(self.regions, "Regions")
        self.sweep, self.trials = SweepPage(session), TrialsPage(session)
        self.compare, self.reshape = ComparePage(session), ReshapePage(session)
        self._pages = {"Sweep": self.sweep, "Trials": self.trials, "Compare": self.compare, "Reshape": self.reshape}
        for name, page in self._pages.items():
            self._tabs.addTab(page, name)
        self._tabs.currentChanged.connect(lambda _index: self.tell_versus())
        self._turns = QTimer(self)
        self._turns.setInterval(_TURN_MS)
        self._turns.timeout.connect(self._take_turns)
        self.compare.versus_wanted.connect(lambda versus: self._lay_over("compare", versus))
        session.evaluated.connect(self._stop_turns)
        self.body.addWidget(self._tabs, 1)

    def _add_tolerance(self) -> None:
        row = QHBoxLayout()
        name = label("Largest gap", "dim")
        self._gap = LengthField("Largest gap that is closed", least=0.0)
        name.setBuddy(self._gap)
        self._gap.setMaximumWidth(110)
        self._gap.entered.connect(lambda gap: set_gap(self.session, gap))
        self._unit = label("mm", "dim")
        self._auto = button("Use proposed", "Use the proposed tolerance")
        self._auto.clicked.connect(lambda: set_gap(self.session, None))
        for part in (name, self._gap, self._unit, self._auto):
            row.addWidget(part)
        row.addStretch()
        self.body.addLayout(row)
        self._reason = label("", "dim", wrap=True)
        self.body.addWidget(self._reason)

    def _findings_page(self) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 8, 0, 0)
        row = QHBoxLayout()
        self._kind = QComboBox()
        self._kind.setAccessibleName("Kind of finding to list")
        self._kind.activated.connect(lambda _index: self._fill())
        row.addWidget(self._kind, 3)
        self._back, self._next = button("Back", "Previous finding"), button("Next", "Next finding")
        self._back.clicked.connect(lambda: self.step(-1))
        self._next.clicked.connect(lambda: self.step(1))
        self._sketch = QComboBox()
        self._sketch.setAccessibleName("Sketch whose findings are listed")
        self._sketch.activated.connect(lambda _index: self._fill())
        for box in (self._kind, self._sketch):
            box.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
            box.setMinimumContentsLength(8)
        row.addWidget(self._sketch, 2)
        column.addLayout(row)
        limit = QHBoxLayout()
        most = label("At most", "dim")
        self.most = LengthField("List fixes that move at most", least=0.0)
        self.most.setPlaceholderText("any move")
        self.most.setMaximumWidth(96)
        most.setBuddy(self.most)
        self.most.textChanged.connect(lambda _text: self._fill())
        self.left_too = QCheckBox("Left ones")
        self.left_too.setToolTip("List what was left as it is, too")
        self.left_too.toggled.connect(lambda _on: self._fill())
        limit.addWidget(most)
        limit.addWidget(self.most)
        limit.addWidget(self.left_too)
        limit.addStretch()
        limit.addWidget(self._back)
        limit.addWidget(self._next)
        column.addLayout(limit)
        self.table = RowsView(
            "Findings",
            (
                Column(
                    "Finding", lambda f: str(f.kind).capitalize(), False, self._glyph, lambda f: FINDING_KINDS[f.kind]
                ),
                Column("Size", lambda f: self.lengths.small(f.size)),
                Column("Moves", lambda f: self.lengths.small(max(f.cost, f.along)) if f.remedy else "–"),
            ),
        )
        self.table.selection().selectionChanged.connect(lambda *_: self._choose())
        column.addWidget(self.table, 1)
        self._detail = label("", "dim", wrap=True)
        column.addWidget(self._detail)
        self._decision = QWidget()
        others = QHBoxLayout(self._decision)
        others.setContentsMargins(0, 0, 0, 0)
        self.way = QComboBox()
        self.way.setAccessibleName("How the chosen finding is fixed")
        self.way.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        self.way.setMinimumContentsLength(18)
        others.addWidget(self.way, 1)
        self.note = QLineEdit()
        self.note.setAccessibleName("Why the finding is left")
        self.note.setPlaceholderText("why it is meant")
        others.addWidget(self.note, 1)
        self.leave = button("Leave", "Leave the chosen finding as it is, with the note")
        self.leave.clicked.connect(self.leave_chosen)
        others.addWidget(self.leave)
        column.addWidget(self._decision)
        buttons = QHBoxLayout()
        self.fix_one = button("Fix this one", "Fix the chosen finding")
        self.fix_one.clicked.connect(self.fix_chosen)
        self.fix_every = button("Fix all", "Fix all findings", primary=True)
        self.fix_every.clicked.connect(self.fix_listed)
        self.flicker = button("Flicker", "Show the chosen finding before and after its fix, by turns")
        self.flicker.setCheckable(True)
        self.flicker.toggled.connect(self._flicker_on)
        buttons.addWidget(self.fix_one)
        buttons.addWidget(self.flicker)
        buttons.addStretch()
        buttons.addWidget(self.fix_every)
        column.addLayout(buttons)
        return page

    # ------------------------------------------------------------------ showing

    def _show_pages(self) -> None:
        for page in self._pages.values():
            page.show_with(self.lengths, self.tokens)

    def _lay_over(self, who: str, versus: Versus | None) -> None:
        """Keeps what a page lays over the result; it is seen while that page is."""
        self._versus[who] = versus
        self.tell_versus()

    def tell_versus(self) -> None:
        """Tells what is to be laid over the result, by the page that is seen."""
        page = self._tabs.currentWidget()
        who = "compare" if page is self.compare else "flicker" if page is self._findings else ""
        self.versus_wanted.emit(self._versus.get(who))

    def _flicker_on(self, on: bool) -> None:
        """Asks for the drawing with the chosen finding fixed; or shows things as they are again."""
        finding = self.chosen
        step = fixing(self.session, finding.key, self.way.currentData() or "") if finding is not None else None
        if on and finding is not None and finding.remedy:
            self._flickers = step
            self._show_fix()
            return
        self._stop_turns()

    def _stop_turns(self) -> None:
        self._flickers = None
        self._turns.stop()
        self.flicker.setChecked(False)
        self._lay_over("flicker", None)

    def _show_fix(self) -> None:
        """Begins to take turns as soon as it is known what the fix would do."""
        fixed = self.session.view(TRIED_SCENE, self._flickers) if self._flickers is not None else None
        if fixed is not None and not self._turns.isActive():
            self._lay_over("flicker", Versus(fixed, "fade", 1.0, ("fixed", "as it is")))
            self._turns.start()

    def _take_turns(self) -> None:
        versus = self._versus.get("flicker")
        if versus is not None:
            self._lay_over("flicker", replace(versus, share=1.0 - versus.share))

    @property
    def chosen(self) -> Finding | None:
        """The finding that is chosen in the list."""
        return next((f for f in self._rows if f.key == self._chosen), None)

    def refresh(self) -> None:
        there = self.session.evaluation is not None
        self.setEnabled(there)
        found = surveyed(self.session)
        self._show_pages()
        self._show_fix()
        self._unit.setText(self.lengths.single)
        if found is None:
            stopped = self.session.computing.was_given_up(SURVEY, self.session.chosen(Tuning))
            waiting = "Stopped; Shift+F5 looks again." if stopped else "Looking for faults…"
            self._say(waiting if there else "", "dim")
            return
        if found is self._seen and self.lengths is self._seen_in:
            return
        self._seen, self._seen_in = found, self.lengths
        self._gap.show_in(self.lengths.single)
        self._gap.show_value(found.gap, plain_number(found.gap / self.lengths.mm_per_unit, 4))
        proposed = self.lengths.small(found.proposal.gap)
        self._auto.setEnabled(self.session.chosen(Tuning).gap is not None)
        self._reason.setText(f"Proposed: {proposed}. {self.lengths.sentence(found.proposal.says)}")
        self._fill_kinds()
        self._fill_sketches()
        self._fill()
        self.regions.model_.show_rows(found.survey.regions)
        self._summarise(len(found.survey.regions), found.survey.open_ends)

    def _summarise(self, regions: int, open_ends: int) -> None:
        faults = faults_of(self.session)
        fixable = sum(f.remedy != "" and not f.by_choice for f in faults)
        left = len(faults) - fixable
        advice = len(findings(self.session)) - len(faults)
        parts = [f"{counted(regions, 'closed region')}, {counted(open_ends, 'open end')}."]
        if fixable:
            parts.append(f"{counted(fixable, 'finding')} can be fixed within the tolerance.")
        if left:
            parts.append(f"{left} {'needs' if left == 1 else 'need'} your eye.")
        if not faults:
            parts.append("Nothing is wrong.")
        if advice:
            parts.append(f"{advice} {'is' if advice == 1 else 'are'} worth a look.")
        self._say(" ".join(parts), "warning" if faults else "good")

    def _say(self, text: str, role: str) -> None:
        self._sum.setText(text)
        set_role(self._sum, role)

    def _fill_kinds(self) -> None:
        chosen = self._kind.currentData()
        count = Counter(f.kind for f in findings(self.session))
        self._kind.clear()
        self._kind.addItem(f"All kinds ({sum(count.values())})", "")
        for kind in FINDING_KINDS:
            if count[kind]:
                self._kind.addItem(glyph_icon(kind, self.tokens), f"{kind.capitalize()} ({count[kind]})", kind)
        self._kind.setCurrentIndex(max(0, self._kind.findData(chosen)))

    def _fill_sketches(self) -> None:
        state = self.session.state
        names = [s.name for s in state.profiles()] if state is not None else []
        chosen = self._sketch.currentData()
        self._sketch.clear()
        self._sketch.addItem("All sketches", "")
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
        self.leave.setText("Leave" if finding is None or finding.note is None else "Take up")
        self._show_ways(finding)
        listed = self._listed()
        self.fix_every.setText("Fix all" if self._lists_all else f"Fix these {len(listed)}")
        self.fix_every.setEnabled(bool(listed))
        for step in (self._back, self._next):
            step.setEnabled(bool(self._rows))
        if finding is None:
            self._detail.setText("No finding chosen.")
            return
        place = f"{self.lengths.number(finding.place.x)}, {self.lengths.text(finding.place.y)}"
        if finding.note is not None:
            self._detail.setText(f"{FINDING_KINDS[finding.kind]} Left as it is. {finding.note}\nAt {place}")
            return
        remedy = (
            f" Fix ({finding.confidence:.0%} sure): {finding.remedy[:1].lower()}{finding.remedy[1:]}."
            if finding.remedy
            else " No fix on offer."
        )
        curves = ", ".join(f"#{c}" for c in finding.curves[:4]) + (" …" if len(finding.curves) > 4 else "")
        self._detail.setText(f"{FINDING_KINDS[finding.kind]}{remedy}\nAt {place}; curves {curves}")

    # ------------------------------------------------------------------ doing

    def _choose(self) -> None:
        row = self.table.chosen_row()
        self._chosen = self._rows[row].key if row >= 0 else ""
        self._flicker_on(self.flicker.isChecked())
        self._show_detail()
        self.finding_chosen.emit(self.chosen)

    def _choose_region(self) -> None:
        row = self.regions.chosen_row()
        if row >= 0:
            self.region_chosen.emit(self.regions.model_.rows[row])

    def choose_key(self, key: str) -> None:
        """Chooses a finding by its key, whatever kinds are listed."""
        self._tabs.setCurrentIndex(0)
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
        self._tabs.setCurrentIndex(0)
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
        self.way.addItem(finding.remedy if finding is not None and finding.remedy else "No fix on offer", "")
        for choice in finding.choices if finding is not None else ():
            self.way.addItem(CHOICES[choice], choice)
        self.way.setCurrentIndex(max(0, self.way.findData(chosen)))
        self.way.setEnabled(self.way.count() > 1)

    def try_tolerances(self) -> None:
        """Shows the sweep, and looks for it."""
        self._tabs.setCurrentWidget(self.sweep)
        self.sweep.look()

    def try_treatments(self) -> None:
        """Shows the trials, and runs them."""
        self._tabs.setCurrentWidget(self.trials)
        self.trials.look()

    def show_compare(self) -> None:
        """Shows how far the result is off."""
        self._tabs.setCurrentWidget(self.compare)
        self.compare.look()

    def show_reshape(self) -> None:
        """Shows what can be reshaped."""
        self._tabs.setCurrentWidget(self.reshape)

    def show_findings(self) -> None:
        """Shows the list of findings."""
        self._tabs.setCurrentIndex(0)

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


def _about_region(region: Region) -> str:
    return f"{len(region.curves)} curves, depth {region.depth}"
