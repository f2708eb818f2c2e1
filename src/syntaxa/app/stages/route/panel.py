"""Route: what came in goes to sketches."""

from __future__ import annotations

from PyQt6.QtWidgets import QTabWidget

from syntaxa.app.session.session import Session
from syntaxa.app.shell.panel import Ready, StagePanel, scrolling
from syntaxa.app.stages.route.came_in import CameIn
from syntaxa.app.stages.route.picked import Picked
from syntaxa.app.stages.route.rules import Rules
from syntaxa.app.stages.route.sketch_list import SketchList
from syntaxa.app.words import tr


class RoutePanel(StagePanel):
    """What came in and where it goes, the sketches, and what is picked."""

    scrolls = False

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        self.rules, self.sketches = ready.take(Rules), ready.take(SketchList)
        self.came_in = CameIn(session, self.rules)
        self.picked = ready.take(Picked)
        self.tabs = QTabWidget()
        self.body.addWidget(self.tabs, 1)
        self.tabs.setAccessibleName(tr("What came in, rules, sketches, and what is picked"))
        pages = (
            (self.came_in, tr("Came in")),
            (self.rules, tr("Rules")),
            (self.sketches, tr("Sketches")),
            (scrolling(self.picked), tr("Picked")),
        )
        for page, name in pages:
            self.tabs.addTab(page, name)

    def refresh(self) -> None:
        self.setEnabled(self.session.evaluation is not None)
        state = self.session.state
        if state is None:
            return
        self.came_in.refresh(self.lengths, self.tokens)
        self.rules.refresh()
        self.sketches.refresh(self.lengths, self.tokens)
        self.picked.refresh()
        self.tabs.setTabText(2, tr("Sketches ({0})", len(state.sketches)))
