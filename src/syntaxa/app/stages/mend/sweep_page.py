"""The sweep: what every tolerance would come to, as a plot to take one from."""

from __future__ import annotations

from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.stages.mend.fixing import set_gap
from syntaxa.app.stages.mend.page import SidePage
from syntaxa.app.widgets.labels import button, label
from syntaxa.app.widgets.sweep_plot import SweepPlot
from syntaxa.app.words import tr
from syntaxa.mend.views import SWEEP


class SweepPage(SidePage):
    """The plot with what it says about the tolerance that is set."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.plot = SweepPlot()
        self.plot.chosen.connect(lambda gap: set_gap(session, gap))
        self.column.addWidget(self.plot, 1)
        key = tr("Solid: regions closed.  Dashed: open ends.  Dotted: curves that would be lost, for they are smaller.")
        self.column.addWidget(label(key, "dim", wrap=True))
        self.try_all = button(tr("Try every tolerance"), tr("Heal a copy at every tolerance and count"), primary=True)
        self.try_all.clicked.connect(self.begin)
        self.add_buttons(right=self.try_all)

    def refresh(self) -> None:
        known = surveyed(self.session)
        if known is None:
            return
        found = self.session.view(SWEEP, known.proposal.gap) if self.asked else None
        self.plot.show_sweep(found, known.gap, self.tokens, self.lengths)
        if found is None:
            says = tr(
                "A copy is healed at every tolerance up to 5 mm; nothing is changed. Click in the plot to take one."
            )
        else:
            swallowed = int(found.swallowed[found.nearest(known.gap)])
            lost = tr("1 curve is") if swallowed == 1 else tr("{0} curves are", swallowed)
            small = (
                tr("{0} smaller than this tolerance and would be lost.", lost)
                if swallowed
                else tr("No curve would be lost.")
            )
            says = f"{found.says(known.gap)} {small}"
        self.says.setText(self.lengths.sentence(says))
