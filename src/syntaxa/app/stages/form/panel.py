"""The panel of Form: what is made, edges, bodies and planes, and what is measured of what is chosen."""

from __future__ import annotations

from PyQt6.QtCore import QTimer, pyqtSignal
from PyQt6.QtWidgets import QTabWidget

from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.shell.attempt import Attempt
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.app.stages.form.bodies_page import BodiesPage
from syntaxa.app.stages.form.dimension_row import DimensionRow
from syntaxa.app.stages.form.edges_page import EdgesPage
from syntaxa.app.stages.form.make_page import MakePage
from syntaxa.app.stages.form.picked import Picked
from syntaxa.app.stages.form.planes_page import PlanesPage
from syntaxa.app.stages.form.shown import SHOWN
from syntaxa.app.stages.form.views_page import ViewsPage
from syntaxa.app.widgets.labels import button, label, lines_kept, row_of, set_role
from syntaxa.app.words import tr
from syntaxa.drawing.step import Step
from syntaxa.form.part import Formed
from syntaxa.form.raising import Reach
from syntaxa.form.views import Space

Page = MakePage | EdgesPage | BodiesPage | PlanesPage | ViewsPage

#: Milliseconds after the last change of a value before it is tried.
_PAUSE = 150


class FormPanel(StagePanel):
    """Pages, what was said last, and what is chosen."""

    scrolls = False

    space_wanted = pyqtSignal()
    #: A step that is being thought of, None for none.
    thought_of = pyqtSignal(object)
    #: A step was done.
    done = pyqtSignal()

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        self._refused = ""
        self.space: Space | None = None
        self.picked = Picked()
        self._attempt = Attempt(session)
        self._attempt.refused.connect(self._refuse)
        self._attempt.done.connect(self.done)
        self.make, self.edges = ready.take(MakePage), ready.take(EdgesPage)
        self.bodies, self.planes = ready.take(BodiesPage), ready.take(PlanesPage)
        self.dimension = DimensionRow()
        self.says = lines_kept(label("", "dim", wrap=True), 2)
        self.tabs = QTabWidget()
        self.body.addWidget(self.says)
        self.body.addWidget(self.tabs, 1)
        self.tabs.setAccessibleName(tr("What is made of the sketches"))
        self.views = ready.take(ViewsPage)
        pages: tuple[tuple[str, Page], ...] = (
            (tr("Make"), self.make),
            (tr("Edges"), self.edges),
            (tr("Bodies"), self.bodies),
            (tr("Planes"), self.planes),
            (tr("Views"), self.views),
        )
        for name, page in pages:
            self.add_scrolling(self.tabs, page, name)
            page.wanted.connect(self.do)
        self.dimension.wanted.connect(self.do)
        self.bodies.refused.connect(self._refuse)
        self._pause = QTimer(self)
        self._pause.setSingleShot(True)
        self._pause.setInterval(_PAUSE)
        self._pause.timeout.connect(lambda: self.thought_of.emit(self._thought))
        self._thought: Step | None = None
        self.make.thought_of.connect(self._think)
        self.measured = lines_kept(label("", "figure", wrap=True), 2)
        self.back = button(tr("Back to space"), tr("Show the solids again"), primary=True)
        self.back.clicked.connect(self.space_wanted)
        self.body.addWidget(self.dimension)
        self.body.addWidget(label(tr("Chosen"), "heading"))
        self.body.addWidget(self.measured)
        self.body.addLayout(row_of(None, self.back))

    # ------------------------------------------------------------------ showing

    def begin_again(self) -> None:
        """Forgets what was there of another job."""
        self.space, self.picked, self._refused = None, Picked(), ""
        self.views.begin_again()

    def refresh(self) -> None:
        state = self.session.state
        self.setEnabled(state is not None)
        if state is None:
            return
        shown = self.session.view(SHOWN)
        part = state.part(Formed)
        if shown is not None:
            self.space = shown.space
        self.says.setText(self._refused or self._sentence(part))
        set_role(self.says, "warning" if self._refused else "dim")
        self.make.show_parts(self.space, part, self.picked)
        self.edges.show_parts(part)
        self.bodies.show_parts(part, self.lengths)
        self.planes.show_parts(self.space, self.picked)
        self.views.show_with(self.lengths)

    def _sentence(self, part: Formed) -> str:
        space = self.space
        if space is None:
            return tr("Looking for what is closed…")
        if space.failed:
            return space.failed
        if part.features:
            last = part.features[-1]
            return f"{last.name}: {said(last.says)}"
        return tr("Click a closed region, give a depth, and raise it.")

    def show_picked(self, picked: Picked) -> None:
        """What is chosen in space."""
        self.picked = picked
        self.make.show_parts(self.space, self._part(), picked)
        self.planes.show_parts(self.space, picked)

    def show_face(self, face: Reach | None) -> None:
        """The flat face that is chosen."""
        self.make.show_face(face)
        self.planes.show_face(face)

    def show_measured(self, text: str) -> None:
        """What is measured of what is chosen."""
        self.measured.setText(text or tr("Nothing."))

    def _part(self) -> Formed:
        state = self.session.state
        return state.part(Formed) if state is not None else Formed()

    # ------------------------------------------------------------------ doing

    def do(self, step: Step) -> None:
        """Does a step; one that cannot be is taken back, and why is told."""
        self._refused = ""
        self._pause.stop()
        self.thought_of.emit(None)
        self._attempt.do(step)

    def _refuse(self, sentence: str) -> None:
        self._refused = sentence
        self.refresh()

    def _think(self, step: Step | None) -> None:
        self._thought = step
        self._pause.start()
