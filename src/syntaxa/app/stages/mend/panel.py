"""Mend: what is wrong, with its size and its fix, and the closed regions that come of it."""

from __future__ import annotations

from dataclasses import replace

from PyQt6.QtCore import QTimer, pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QTabWidget

from syntaxa.app.canvas.layers.comparing import Versus
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.preview import TRIED_SCENE
from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import faults as faults_of
from syntaxa.app.session.surveyed import findings as found_by
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.app.stages.mend.compare_page import ComparePage
from syntaxa.app.stages.mend.findings_page import FindingsPage
from syntaxa.app.stages.mend.fixing import fixing, set_gap
from syntaxa.app.stages.mend.reshape_page import ReshapePage
from syntaxa.app.stages.mend.sweep_page import SweepPage
from syntaxa.app.stages.mend.trials_page import TrialsPage
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.widgets.labels import button, label, set_role
from syntaxa.app.widgets.length_field import LengthField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import counted, tr
from syntaxa.drawing.quantities import plain_number
from syntaxa.mend.model import Region
from syntaxa.mend.steps import MendFindings
from syntaxa.mend.views import SURVEY, Surveyed, Tuning

#: How long each of two drawings is seen when they take turns.
_TURN_MS = 650


class MendPanel(StagePanel):
    """The tolerance, the list of findings, and the list of regions."""

    scrolls = False

    region_chosen = pyqtSignal(object)
    #: What the canvas lays over the result: a Versus, or None.
    versus_wanted = pyqtSignal(object)

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        self._versus: dict[str, Versus | None] = {}
        #: The fix whose result is shown by turns.
        self._flickers: MendFindings | None = None
        self._seen: tuple[Surveyed, LengthFormat, Tokens] | None = None
        self._add_tolerance()
        self._sum = label("", wrap=True)
        self.body.addWidget(self._sum)
        self._tabs = QTabWidget()
        self.body.addWidget(self._tabs, 1)
        self._tabs.setAccessibleName(tr("Findings and regions"))
        self.findings = ready.take(FindingsPage)
        self.findings.flicker_wanted.connect(self._flicker_on)
        self._tabs.addTab(self.findings, tr("Findings"))
        self.regions = RowsView(
            tr("Closed regions"),
            (
                Column(tr("In sketch"), lambda r: str(r.sketch), figure=False, tip=_about_region),
                Column(tr("Area"), lambda r: self.lengths.area(r.area)),
                Column(tr("Holes"), lambda r: str(r.holes)),
            ),
        )
        self.regions.selection().selectionChanged.connect(lambda *_: self._choose_region())
        self._tabs.addTab(self.regions, tr("Regions"))
        self.sweep, self.trials = ready.take(SweepPage), ready.take(TrialsPage)
        self.compare, self.reshape = ready.take(ComparePage), ready.take(ReshapePage)
        self._pages = {
            tr("Sweep"): self.sweep, tr("Trials"): self.trials, tr("Compare"): self.compare,
            tr("Reshape"): self.reshape,
        }  # fmt: skip
        for name, page in self._pages.items():
            self._tabs.addTab(page, name)
        self._tabs.currentChanged.connect(lambda _index: self.tell_versus())
        self._turns = QTimer(self)
        self._turns.setInterval(_TURN_MS)
        self._turns.timeout.connect(self._take_turns)
        self.compare.versus_wanted.connect(lambda versus: self._lay_over("compare", versus))
        session.evaluated.connect(self._stop_turns)

    def _add_tolerance(self) -> None:
        row = QHBoxLayout()
        name = label(tr("Largest gap"), "dim")
        self._gap = LengthField(tr("Largest gap that is closed"), least=0.0)
        name.setBuddy(self._gap)
        self._gap.setMaximumWidth(110)
        self._gap.entered.connect(lambda gap: set_gap(self.session, gap))
        self._unit = label("mm", "dim")
        self._auto = button(tr("Use proposed"), tr("Use the proposed tolerance"))
        self._auto.clicked.connect(lambda: set_gap(self.session, None))
        for part in (name, self._gap, self._unit, self._auto):
            row.addWidget(part)
        row.addStretch()
        self.body.addLayout(row)
        self._reason = label("", "dim", wrap=True)
        self.body.addWidget(self._reason)

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
        who = "compare" if page is self.compare else "flicker" if page is self.findings else ""
        self.versus_wanted.emit(self._versus.get(who))

    def _flicker_on(self, on: bool) -> None:
        """Asks for the drawing with the chosen finding fixed; or shows things as they are again."""
        finding, way = self.findings.chosen, self.findings.way.currentData() or ""
        step = fixing(self.session, finding.key, way) if finding is not None else None
        if on and finding is not None and finding.remedy:
            self._flickers = step
            self._show_fix()
            return
        self._stop_turns()

    def _stop_turns(self) -> None:
        self._flickers = None
        self._turns.stop()
        self.findings.flicker.setChecked(False)
        self._lay_over("flicker", None)

    def _show_fix(self) -> None:
        """Begins to take turns as soon as it is known what the fix would do."""
        fixed = self.session.view(TRIED_SCENE, self._flickers) if self._flickers is not None else None
        if fixed is not None and not self._turns.isActive():
            self._lay_over("flicker", Versus(fixed, "fade", 1.0, ("fixed", tr("as it is"))))
            self._turns.start()

    def _take_turns(self) -> None:
        versus = self._versus.get("flicker")
        if versus is not None:
            self._lay_over("flicker", replace(versus, share=1.0 - versus.share))

    def refresh(self) -> None:
        there = self.session.evaluation is not None
        self.setEnabled(there)
        found = surveyed(self.session)
        self._show_pages()
        self._show_fix()
        self._unit.setText(self.lengths.single)
        if found is None:
            stopped = self.session.computing.was_given_up(SURVEY, self.session.chosen(Tuning))
            waiting = tr("Stopped; Shift+F5 looks again.") if stopped else tr("Looking for faults…")
            self._say(waiting if there else "", "dim")
            return
        seen = found, self.lengths, self.tokens
        if self._seen is not None and all(a is b for a, b in zip(seen, self._seen, strict=True)):
            return
        self._seen = seen
        self._gap.show_in(self.lengths.single)
        self._gap.show_value(found.gap, plain_number(found.gap / self.lengths.mm_per_unit, 4))
        proposed = self.lengths.small(found.proposal.gap)
        self._auto.setEnabled(self.session.chosen(Tuning).gap is not None)
        self._reason.setText(tr("Proposed: {0}. {1}", proposed, self.lengths.sentence(found.proposal.says)))
        self.findings.show_with(self.lengths, self.tokens)
        self.regions.model_.show_rows(found.survey.regions)
        self._summarise(len(found.survey.regions), found.survey.open_ends)

    def _summarise(self, regions: int, open_ends: int) -> None:
        faults = faults_of(self.session)
        fixable = sum(f.remedy != "" and not f.by_choice for f in faults)
        left = len(faults) - fixable
        advice = len(found_by(self.session)) - len(faults)
        parts = [f"{counted(regions, 'closed region')}, {counted(open_ends, 'open end')}."]
        if fixable:
            parts.append(tr("{0} can be fixed within the tolerance.", counted(fixable, "finding")))
        if left:
            parts.append(tr("{0} needs your eye." if left == 1 else "{0} need your eye.", left))
        if not faults:
            parts.append(tr("Nothing is wrong."))
        if advice:
            parts.append(tr("{0} is worth a look." if advice == 1 else "{0} are worth a look.", advice))
        self._say(" ".join(parts), "warning" if faults else "good")

    def _say(self, text: str, role: str) -> None:
        self._sum.setText(text)
        set_role(self._sum, role)

    # ------------------------------------------------------------------ doing

    def _choose_region(self) -> None:
        row = self.regions.chosen_row()
        if row >= 0:
            self.region_chosen.emit(self.regions.model_.rows[row])

    def choose_key(self, key: str) -> None:
        """Shows the list, and chooses a finding in it by its key."""
        self.show_findings()
        self.findings.choose_key(key)

    def step(self, by: int) -> None:
        """Shows the list, and goes to the next or previous finding in it."""
        self.show_findings()
        self.findings.step(by)

    def try_tolerances(self) -> None:
        """Shows the sweep, and looks for it."""
        self._tabs.setCurrentWidget(self.sweep)
        self.sweep.begin()

    def try_treatments(self) -> None:
        """Shows the trials, and runs them."""
        self._tabs.setCurrentWidget(self.trials)
        self.trials.begin()

    def show_compare(self) -> None:
        """Shows how far the result is off."""
        self._tabs.setCurrentWidget(self.compare)
        self.compare.begin()

    def show_reshape(self) -> None:
        """Shows what can be reshaped."""
        self._tabs.setCurrentWidget(self.reshape)

    def show_findings(self) -> None:
        """Shows the list of findings."""
        self._tabs.setCurrentIndex(0)


def _about_region(region: Region) -> str:
    return tr("{0} curves, depth {1}", len(region.curves), region.depth)
