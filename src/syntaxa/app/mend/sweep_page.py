"""The sweep: what every tolerance would come to, as a plot to take one from."""

from __future__ import annotations

from syntaxa.app.mend.page import SidePage
from syntaxa.app.session import Session
from syntaxa.app.widgets.labels import button, counted, label
from syntaxa.app.widgets.sweep_plot import SweepPlot


class SweepPage(SidePage):
    """The plot with what it says about the tolerance that is set."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.plot = SweepPlot()
        self.plot.chosen.connect(session.set_gap)
        self.column.addWidget(self.plot, 1)
        key = "Solid: regions closed.  Dashed: open ends.  Dotted: curves no larger than the tolerance."
        self.column.addWidget(label(key, "dim", wrap=True))
        self.try_all = button("Try every tolerance", "Heal a copy at every tolerance and count", primary=True)
        self.try_all.clicked.connect(self.trying.look_for_plateau)
        self.add_buttons(right=self.try_all)

    def refresh(self) -> None:
        surveyed, found = self.session.surveyed_state, self.trying.sweep
        if surveyed is None:
            return
        self.plot.show_sweep(found, surveyed.gap, self.tokens, self.lengths)
        if found is None:
            says = "A copy is healed at every tolerance up to 5 mm; nothing is changed. Click in the plot to take one."
        else:
            swallowed = int(found.swallowed[found.nearest(surveyed.gap)])
            small = counted(swallowed, "curve") if swallowed else "No curve"
            says = f"{found.says(surveyed.gap)} {small} would be no larger than that."
        self.says.setText(self.lengths.sentence(says))
