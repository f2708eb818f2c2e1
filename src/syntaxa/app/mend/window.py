"""What the main window does for Mend: going through findings, and showing what its pages lay over the drawing."""

from __future__ import annotations

from syntaxa.app.canvas.comparing import Versus
from syntaxa.app.route.window import RouteWindow
from syntaxa.app.stages.mend import MendPanel
from syntaxa.mend.model import Finding, Region

#: mm shown round a finding at least, and times its size, so that its place can be told.
_CONTEXT_MM, _CONTEXT_TIMES = 4.0, 14.0


class MendWindow(RouteWindow):
    """The methods behind the Mend panel and the Mend menu; the main window makes the parts."""

    mend: MendPanel

    def _connect_mend(self) -> None:
        self.canvas.finding_clicked.connect(self.mend.choose_key)
        self.mend.finding_chosen.connect(self._show_finding)
        self.mend.region_chosen.connect(self._show_region)
        self.mend.compare.place_wanted.connect(self._show_place)
        self.mend.versus_wanted.connect(self._show_versus)
        self.stack.currentChanged.connect(lambda _index: self.mend.tell_versus())
        self.stack.currentChanged.connect(lambda _index: self.toggle_beneath())

    # ------------------------------------------------------------------ commands

    def show_mend(self) -> None:
        """Goes to Mend."""
        self.show_stage(self.stack.indexOf(self.mend))

    def next_finding(self) -> None:
        """Goes to the next finding."""
        self.show_mend()
        self.mend.step(1)

    def previous_finding(self) -> None:
        """Goes to the previous finding."""
        self.show_mend()
        self.mend.step(-1)

    def fix_chosen(self) -> None:
        """Fixes the chosen finding."""
        self.mend.fix_chosen()

    def fix_all(self) -> None:
        """Fixes all findings."""
        self.session.fix(None)

    def flicker(self) -> None:
        """Shows the chosen finding before and after its fix, by turns, or stops."""
        self.show_mend()
        self.mend.flicker.toggle()

    def try_tolerances(self) -> None:
        """Tries every tolerance."""
        self.show_mend()
        self.mend.try_tolerances()

    def try_treatments(self) -> None:
        """Tries several treatments."""
        self.show_mend()
        self.mend.try_treatments()

    def compare_received(self) -> None:
        """Measures how far the result is off what was received."""
        self.show_mend()
        self.mend.show_compare()

    def reshape(self) -> None:
        """Shows what can be reshaped."""
        self.show_mend()
        self.mend.show_reshape()

    # ------------------------------------------------------------------ showing

    def toggle_beneath(self) -> None:
        """Shows or hides the received drawing beneath the result; while a finding is looked at it is always there."""
        wanted = self.actions_.by_method["toggle_beneath"].isChecked()
        looking = self.stack.currentWidget() is self.mend and self.mend.chosen is not None
        self.canvas.set_beneath(wanted or looking)

    def _show_finding(self, finding: Finding | None) -> None:
        self.canvas.choose_finding(finding)
        self.toggle_beneath()
        self._enable()
        if finding is not None:
            times = _CONTEXT_TIMES if finding.kind in ("gap", "overrun", "speck") else 2.0
            reach = max(_CONTEXT_MM, times * finding.size) / 2
            x, y = finding.place
            self.canvas.fit_box((x - reach, y - reach, x + reach, y + reach))

    def _show_versus(self, versus: Versus | None) -> None:
        """Only Mend lays anything over the result."""
        self.canvas.set_versus(versus if self.stack.currentWidget() is self.mend else None)

    def _show_region(self, region: Region) -> None:
        self.canvas.choose_region(region.id)
        self.canvas.fit_box(region.box, margin=0.18)
