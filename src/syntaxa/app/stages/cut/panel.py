"""The panel of Cut: setup, operations, order, and the program as it is played."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QTabWidget

from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.shell.attempt import Attempt
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.app.stages.cut.operations_page import OperationsPage
from syntaxa.app.stages.cut.order_page import OrderPage
from syntaxa.app.stages.cut.place_row import PlaceRow
from syntaxa.app.stages.cut.run_page import RunPage
from syntaxa.app.stages.cut.setup_page import SetupPage
from syntaxa.app.widgets.labels import button, label, lines_kept, row_of, set_role
from syntaxa.app.words import counted, tr
from syntaxa.cut.library import Machine
from syntaxa.cut.model import Tool
from syntaxa.cut.part import Planned
from syntaxa.cut.views import MADE, Made
from syntaxa.drawing.step import Step
from syntaxa.job.evaluate import in_doubt
from syntaxa.job.model import Job

if TYPE_CHECKING:
    from syntaxa.cut.proving import Proven


class CutPanel(StagePanel):
    """Pages, what was said last, the contour that is chosen, and what can be written."""

    scrolls = False

    program_wanted = pyqtSignal()
    sheet_wanted = pyqtSignal()
    drawing_wanted = pyqtSignal()
    page_changed = pyqtSignal()

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        #: What was refused last, and the job of that time: with another one it says nothing any more.
        self._refused = ""
        self._refused_in: Job | None = None
        self.made: Made | None = None
        #: Whether that is of the job as it is now, and not of before the last change.
        self.is_current = False
        self.machines: Sequence[Machine] = ()
        self.tools: Sequence[Tool] = ()
        self._attempt = Attempt(session)
        self._attempt.refused.connect(self.refuse)
        self.setup, self.operations = ready.take(SetupPage), ready.take(OperationsPage)
        self.order, self.run = ready.take(OrderPage), ready.take(RunPage)
        self.place = PlaceRow()
        self.says = lines_kept(label("", "dim", wrap=True), 2)
        self.tabs = QTabWidget()
        self.body.addWidget(self.says)
        self.body.addWidget(self.tabs, 1)
        self.body.addWidget(self.place)
        self.tabs.setAccessibleName(tr("What is cut, and how"))
        for name, page in (
            (tr("Operations"), self.operations),
            (tr("Setup"), self.setup),
            (tr("Order"), self.order),
            (tr("Run"), self.run),
        ):
            self.add_scrolling(self.tabs, page, name)
        self.tabs.currentChanged.connect(lambda _k: self.page_changed.emit())
        for signal in (self.setup.wanted, self.operations.wanted, self.order.wanted, self.place.wanted):
            signal.connect(self.do)
        self.setup.refused.connect(self.refuse)
        self.operations.refused.connect(self.refuse)
        self.write = button(tr("Write the program…"), primary=True)
        sheet, drawing = (
            button(tr("Setup sheet…"), tr("Stock, zero, tools, order and times on a page")),
            button(tr("Drawing…"), tr("The paths as SVG, DXF or PDF, for cutters that take drawings")),
        )
        self.write.clicked.connect(self.program_wanted)
        sheet.clicked.connect(self.sheet_wanted)
        drawing.clicked.connect(self.drawing_wanted)
        self._writing = (self.write, sheet, drawing)
        self.body.addLayout(row_of(sheet, drawing, None, self.write))

    @property
    def runs(self) -> bool:
        """Whether the page is open on which the program is played."""
        return self.tabs.currentIndex() == self.tabs.count() - 1

    @property
    def proven(self) -> Proven | None:
        """The program, where there is one."""
        return self.made.proven if self.made is not None else None

    def begin_again(self) -> None:
        """Forgets what was there of another job."""
        self.made, self._refused = None, ""
        self.place.show_contour(Planned(), "", None)

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        state = self.session.state
        self.setEnabled(state is not None)
        if state is None:
            return
        if self.session.job is not self._refused_in:
            self._refused = ""
        plan = state.part(Planned)
        made = self.session.view(MADE)
        self.is_current = made is not None
        if made is not None:
            self.made = made
        self.says.setText(self._refused or self._sentence(plan, made))
        set_role(self.says, "warning" if self._refused else "dim")
        self.setup.show_plan(state, plan, self.machines, self.tools)
        self.operations.show_plan(state, plan, self.tools, self.made)
        self.order.show_plan(plan, self.proven)
        self.run.show_made(made)
        for widget in self._writing:
            widget.setEnabled(self.proven is not None and bool(self.proven.work.cuttings))

    def _sentence(self, plan: Planned, made: Made | None) -> str:
        if not plan.operations:
            return tr("Choose what is to be done and add it: nesting decides the side, holes go before outlines.")
        if made is None:
            return tr("Cutting…")
        if made.proven is None:
            return said(made.why)
        wrong = made.proven.verdict.wrong_count
        if wrong:
            return tr("{0} wrong with the program; see Run.", counted(wrong, "thing is", "things are"))
        evaluation, job = self.session.evaluation, self.session.job
        if evaluation is not None and job is not None and in_doubt(job, evaluation):
            return tr("The unit of the drawing is in doubt, and so is the size of the part; see Measure.")
        told = [*(f"{n}: {why}" for n, why in made.proven.work.failed), *made.proven.work.told]
        return told[0] if told else tr("✓ The program was played, and nothing is wrong with it.")

    # ------------------------------------------------------------------ doing

    def do(self, steps: tuple[Step, ...]) -> None:
        """Does steps as one change; one that cannot be is taken back, and why is told."""
        self._refused = ""
        self._attempt.do(*steps)

    def refuse(self, sentence: str) -> None:
        """Says why something cannot be."""
        self._refused, self._refused_in = said(sentence), self.session.job
        self.says.setText(said(sentence))
        set_role(self.says, "warning")
