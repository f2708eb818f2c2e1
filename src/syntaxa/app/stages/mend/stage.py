"""Mend: what is wrong, with its size and its fix, and the closed regions that come of it."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, cast

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.comparing import BandsLayer, Versus, VersusLayer
from syntaxa.app.canvas.layers.findings import FindingsLayer
from syntaxa.app.canvas.layers.regions import RegionsLayer
from syntaxa.app.session.surveyed import faults, findings, surveyed
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.mend.commands import commands
from syntaxa.app.stages.mend.compare_page import ComparePage
from syntaxa.app.stages.mend.findings_page import FindingsPage
from syntaxa.app.stages.mend.fixing import fix
from syntaxa.app.stages.mend.panel import MendPanel
from syntaxa.app.stages.mend.reshape_page import ReshapePage
from syntaxa.app.stages.mend.sweep_page import SweepPage
from syntaxa.app.stages.mend.trials_page import TrialsPage
from syntaxa.app.words import counted, tr
from syntaxa.mend.model import Finding, Region

#: mm shown round a finding at least, and times its size, so that its place can be told.
_CONTEXT_MM, _CONTEXT_TIMES = 4.0, 14.0

#: mm shown round a place that is gone to.
_ROUND_A_PLACE = 30.0


class MendStage(Stage):
    """Goes through findings, and shows what its pages lay over the drawing."""

    name, title, icon = "mend", tr("Mend"), "mend"
    purpose = tr("Choose a finding to see it; fix it, or all of them. Each fix says how far it moves anything.")

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.regions = RegionsLayer()
        self.glyphs = FindingsLayer(shell.canvas.selection, self._clicked)
        self.versus = VersusLayer()
        self._bands = BandsLayer(self.versus)

    def pages(self) -> Sequence[tuple[Any, ...]]:
        own = self.shell.session
        return (FindingsPage, own), (SweepPage, own), (TrialsPage, own), (ComparePage, own), (ReshapePage, own)

    def make_panel(self) -> MendPanel:
        made = MendPanel(self.shell.session, self.ready)
        made.findings.finding_chosen.connect(self._show_finding)
        made.region_chosen.connect(self._show_region)
        made.compare.place_wanted.connect(self._show_place)
        made.versus_wanted.connect(self._show_versus)
        return made

    @property
    def own_panel(self) -> MendPanel:
        """The panel, as what it is."""
        return cast(MendPanel, self.panel)

    def commands(self) -> Sequence[Command]:
        return commands(self)

    def layers(self) -> Sequence[Layer]:
        return (self.regions, self._bands, self.versus, self.glyphs)

    def entered(self) -> None:
        self.own_panel.tell_versus()

    def left(self) -> None:
        self.shell.want_beneath("finding", False)

    def refresh(self) -> None:
        found = surveyed(self.shell.session)
        self.regions.show(found.survey.regions if found is not None else ())
        self.glyphs.show(findings(self.shell.session))
        # What was chosen may be fixed by now.
        self._mark(self.own_panel.findings.chosen)

    def open_matters(self) -> int:
        return len(faults(self.shell.session))

    def status(self) -> str:
        if self.shell.session.evaluation is None or surveyed(self.shell.session) is None:
            return ""
        count = len(faults(self.shell.session))
        return tr("{0} open", counted(count, "finding")) if count else tr("no findings")

    def has_findings(self) -> bool:
        """Whether there is anything to go through."""
        return bool(findings(self.shell.session))

    def has_chosen(self) -> bool:
        """Whether a finding is chosen that can be fixed."""
        finding = self.own_panel.findings.chosen if self.has_panel else None
        return finding is not None and bool(finding.remedy)

    def walk(self) -> Sequence[WalkStep]:
        panel = self.own_panel
        return (
            ("4-mend-found", lambda: None),
            ("5-mend-one", lambda: panel.step(1)),
            ("5-mend-sweep", self._sweep_and_fit),
            ("", panel.try_treatments),
            ("", self._fix_all_and_fit),
            ("6-mend-compare", self._compare),
            ("", self._reshape),
        )

    def _sweep_and_fit(self) -> None:
        self.own_panel.try_tolerances()
        self.shell.canvas.fit()

    def _fix_all_and_fit(self) -> None:
        self.own_panel.show_findings()
        fix(self.shell.session, None)
        self.shell.fit_next()

    def _compare(self) -> None:
        """What was received on the left, the result on the right, and in bands how far it is off."""
        page = self.own_panel.compare
        self.own_panel.show_compare()
        page.way.setCurrentIndex(page.way.findData("swipe"))
        page.heat.setChecked(True)

    def _reshape(self) -> None:
        """What squaring up would do."""
        self.own_panel.show_reshape()
        page = self.own_panel.reshape
        page.kind.setCurrentText(tr("Square up"))
        page.look_first()

    # ------------------------------------------------------------------ showing

    def show(self) -> MendPanel:
        """Goes to this stage."""
        self.shell.show_stage(self)
        return self.own_panel

    def flicker(self) -> None:
        """Shows the chosen finding before and after its fix, by turns, or stops."""
        self.show().findings.flicker.toggle()

    def _clicked(self, key: str) -> None:
        self.own_panel.choose_key(key)

    def _mark(self, finding: Finding | None) -> None:
        self.glyphs.choose(finding)
        # While a finding is looked at, what was received is always there.
        self.shell.want_beneath("finding", finding is not None)

    def _show_finding(self, finding: Finding | None) -> None:
        self._mark(finding)
        self.shell.refreshed.emit()
        if finding is not None:
            times = _CONTEXT_TIMES if finding.kind in ("gap", "overrun", "speck") else 2.0
            reach = max(_CONTEXT_MM, times * finding.size) / 2
            x, y = finding.place
            self.shell.canvas.fit_box((x - reach, y - reach, x + reach, y + reach))

    def _show_versus(self, versus: Versus | None) -> None:
        self.versus.show(versus)
        self.glyphs.marks_curves = versus is None

    def _show_region(self, region: Region) -> None:
        self.regions.choose(region.id)
        self.shell.canvas.fit_box(region.box, margin=0.18)

    def _show_place(self, x: float, y: float) -> None:
        r = _ROUND_A_PLACE
        self.shell.canvas.fit_box((x - r, y - r, x + r, y + r))
