"""What stages and features are given: the session, the canvas, and ways to tell, to ask, to pick and to work."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtWidgets import QStackedWidget, QWidget

from syntaxa.app.canvas.canvas import Canvas
from syntaxa.app.canvas.layers.drawing import StaleLayer
from syntaxa.app.canvas.views import RECEIVED, SCENE
from syntaxa.app.sentences import said
from syntaxa.app.session.lanes import Lane, Work
from syntaxa.app.session.session import Session
from syntaxa.app.settings import Settings
from syntaxa.app.shell.choosers import Choosers
from syntaxa.app.shell.commands import CommandTable
from syntaxa.app.shell.dress import BREATH, Dress
from syntaxa.app.shell.leaving import Leaving
from syntaxa.app.shell.picking import Picking
from syntaxa.app.shell.stage import Feature, Stage, panels_away
from syntaxa.app.shell.status import StatusLine
from syntaxa.app.widgets.banner import Banner
from syntaxa.app.words import tr
from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.state import State
from syntaxa.geometry.points import Vector
from syntaxa.job.passwords import PASSWORDS
from syntaxa.route.steps import ChooseLayers

#: Milliseconds after a change before the picture is said to be of before it.
_STALE_AFTER = 250

DemoMaker = Callable[[Path], Path]


class Shell(QObject):
    """The common ground of one window."""

    #: Which stage is open has changed.
    stage_changed = pyqtSignal()
    #: What stands in the canvas's place may have changed.
    front_changed = pyqtSignal()
    #: Somebody went to a stage, be it the one that is open.
    arrived = pyqtSignal()
    #: What can be had, is open or is to be told may have changed.
    refreshed = pyqtSignal()

    def __init__(
        self, window: QWidget, settings: Settings, recovery: Path, choosers: Choosers, make_demo: DemoMaker
    ) -> None:
        super().__init__(window)
        self.window, self.settings, self.choosers, self.make_demo = window, settings, choosers, make_demo
        self.recovery = recovery
        self.dress = Dress(settings, window, lambda: panels_away(self.stages, self._open), self)
        self.session = Session(recovery, self)
        self.session.computing.at_once = (SCENE, RECEIVED)
        self.canvas = Canvas()
        self.banner, self.status = Banner(), StatusLine()
        #: Where the panels of the stages lie.
        self.home = QStackedWidget()
        self.work = Lane(self)
        self.lanes: list[Lane] = []
        self.leaving, self.picking = Leaving(self), Picking(self)
        self.commands = CommandTable()
        self.stages: tuple[Stage, ...] = ()
        self.features: tuple[Feature, ...] = ()
        self._open: Stage | None = None
        #: The stage that was asked for, while its panel is being made.
        self._coming: Stage | None = None
        self._beneath: set[str] = set()
        self._fit_next, self._notes_shown = False, True
        self._state_shown: State | None = None
        self._stale = StaleLayer()
        self.canvas.add(self._stale)
        self._stale_timer = QTimer(self)
        self._stale_timer.setSingleShot(True)
        self._stale_timer.setInterval(_STALE_AFTER)
        self._stale_timer.timeout.connect(self._show_stale)
        self._connect()

    def _connect(self) -> None:
        session = self.session
        session.opened.connect(self._opened)
        session.evaluated.connect(self._evaluated)
        session.viewed.connect(lambda _view: self.refresh())
        session.changing.connect(lambda: self.banner.settle("complaint"))
        session.history_changed.connect(self._history_changed)
        session.failed.connect(self.complain)
        session.told.connect(self.tell)
        session.files.locked.connect(self._ask_password)
        self.canvas.selection.changed.connect(self._selection_changed)
        for lane in (session.computing.work, session.computing.looking, session.files.saving,
                     session.sources.watching, self.work):  # fmt: skip
            self.add_lane(lane)

    # ------------------------------------------------------------------ stages

    def put_up(self, stages: tuple[Stage, ...], features: tuple[Feature, ...]) -> None:
        """Takes the stages and features, with their commands and lasting layers."""
        self.stages, self.features = stages, features
        for part in (*features[:3], *stages, *features[3:]):
            self.commands.add(part.commands())
            self.canvas.add(*part.lasting_layers())

    @property
    def is_coming(self) -> bool:
        """Whether a stage is being made for somebody who waits for it."""
        return self._coming is not None

    @property
    def open_stage(self) -> Stage | None:
        """The stage that is open; None before the window is."""
        return self._open

    @property
    def stage(self) -> Stage:
        """The stage that is open."""
        assert self._open is not None, "a stage is open as soon as the window is"
        return self._open

    def go_to(self, stage: Stage) -> None:
        """Goes to a stage for whoever clicked, a step at a time: a panel that must be made first is made page by page,
        then it is entered, then it shows what there is.
        """
        self._coming = stage
        if stage.has_panel:
            self._arrive()
        else:
            QTimer.singleShot(BREATH, self._arrive)

    def _arrive(self) -> None:
        """The next step to the stage that was asked for last, unless somebody went elsewhere."""
        stage = self._coming
        if stage is None:
            return
        if self._open is stage:
            self._present(stage)
            return
        if stage.has_panel:
            self._enter(stage)
            # Nobody sees what it showed when it was left.
            stage.panel.setUpdatesEnabled(False)
        else:
            stage.make_next()
        QTimer.singleShot(BREATH, self._arrive)

    def show_stage(self, stage: Stage | str) -> None:
        """Goes to a stage at once, also by its name."""
        wanted = next(s for s in self.stages if stage in (s, s.name))
        if self._open is not wanted:
            self._enter(wanted)
        self._present(wanted)

    def _enter(self, wanted: Stage) -> None:
        """Leaves the stage that is open for another."""
        self.dress.finish()
        old = self._open
        if old is not None:
            self.canvas.drop(*old.layers())
            old.left()
            old.panel.setUpdatesEnabled(True)
        self._open = wanted
        self.canvas.add(*wanted.layers())
        self.canvas.give_up()
        self.stage_changed.emit()
        self._show_notes()
        wanted.panel.dress(self.dress.lengths, self.dress.tokens)
        wanted.entered()

    def _present(self, stage: Stage) -> None:
        """Shows what the stage that is open has."""
        self._coming = None
        self.dress.finish()
        self.front_changed.emit()
        self.arrived.emit()
        self.refresh()
        stage.panel.setUpdatesEnabled(True)
        # Keys are for the drawing, not for whichever field comes first in the panel.
        (stage.front() or self.canvas).setFocus()

    def begin(self, files: Sequence[Path]) -> None:
        """The program has begun with these files, or with none: whoever can makes something of it."""
        any(part.begin(files) for part in (*self.features, *self.stages))

    def show_canvas(self) -> None:
        """Points are picked on the drawing, whatever stands in its place."""
        self.stage.leave_front()

    def refresh(self) -> None:
        """Shows what the session holds now."""
        if self._open is not None:
            self._open.panel.refresh()
            self._open.refresh()
        for feature in self.features:
            feature.refresh()
        self.refreshed.emit()

    # ------------------------------------------------------------------ telling, asking, working

    def tell(self, sentence: str) -> None:
        """Says something for a while."""
        self.status.tell(said(sentence))

    def complain(self, sentence: str) -> None:
        """Tells what went wrong, over the drawing, until it is dismissed."""
        self.banner.tell(said(sentence))

    def run(self, title: str, work: Work, done: Callable[[Any], None]) -> None:
        """Work of its own in the background, such as writing; a failure is told."""
        self.work.run(title, work, done, self.complain)

    def add_lane(self, lane: Lane) -> None:
        """Shows what is computed in a lane, and can stop it."""
        self.lanes.append(lane)
        lane.progress.connect(self.status.show_progress)
        lane.changed.connect(self._work_changed)

    def cancel_work(self) -> None:
        """Stops what is being computed."""
        self.session.cancel()
        for lane in self.lanes[2:]:
            lane.cancel()

    def stop_all(self) -> None:
        """Stops all background work, for the end of the program."""
        self.session.stop_all()
        for part in (*self.stages, *self.features):
            part.stop()
        for lane in self.lanes:
            lane.stop_all()

    # ------------------------------------------------------------------ the canvas

    def fit_next(self) -> None:
        """What comes next is shown whole."""
        self._fit_next = True

    def want_beneath(self, who: str, wanted: bool) -> None:
        """Shows what was received beneath the result while anybody wants it."""
        (self._beneath.add if wanted else self._beneath.discard)(who)
        self.canvas.beneath.set_shown(bool(self._beneath))

    def show_notes(self, shown: bool) -> None:
        """Shows or hides what is written beside the drawing."""
        self._notes_shown = shown
        self._show_notes()

    def _notes(self) -> tuple[Annotation, ...]:
        received, job = self.session.peek(RECEIVED), self.session.job
        if received is None or job is None or not self._notes_shown:
            return ()
        step = job.step_of(ChooseLayers)
        takes = step.takes if isinstance(step, ChooseLayers) else None
        pictures = self._open is not None and self._open.notes == "pictures"
        return tuple(
            n for n in received[1] if (takes is None or takes(n.layer)) and (not pictures or n.kind == "image")
        )

    def _show_notes(self) -> None:
        if self.session.evaluation is not None:
            self.canvas.show_drawing(self.canvas.selection.scene, self._notes())

    # ------------------------------------------------------------------ following the session

    def _opened(self) -> None:
        self.banner.hide()
        self._fit_next = True
        self._state_shown = None

    def _evaluated(self) -> None:
        scene, received, state = self.session.peek(SCENE), self.session.peek(RECEIVED), self.session.state
        if scene is None or received is None or state is None:
            return
        before, self._state_shown = self._state_shown, state
        moved = self.canvas.beneath.scene is not received[0]
        if before is not None and before.shift != state.shift and _only_shifted(before, state):
            self.canvas.follow(Vector(state.shift.x - before.shift.x, state.shift.y - before.shift.y))
            moved = False
        self.canvas.beneath.show(received[0])
        self.canvas.show_drawing(scene, self._notes(), fit=self._fit_next or moved)
        self._fit_next = False
        self.refresh()

    def _history_changed(self) -> None:
        if self.session.stale:
            self._stale_timer.start()
        else:
            self._stale_timer.stop()
            self._stale.show("")
        self.refreshed.emit()

    def _show_stale(self) -> None:
        if self.session.stale:
            self._stale.show(tr("Working: this is how it was before the last change"))

    def _selection_changed(self) -> None:
        self.status.show_selection(self.canvas.selection, self.dress.lengths)
        if self._open is not None:
            self._open.selection_changed()
        self.refreshed.emit()

    def _work_changed(self) -> None:
        lane = next((x for x in self.lanes if x.busy), None)
        self.status.show_work(lane.title if lane else "")
        self.refreshed.emit()

    def _ask_password(self, says: str, digest: str, again: Callable[[], None]) -> None:
        """A source of a job is locked, and its password is in no key ring."""
        password = self.choosers.ask_password(self.window, says)
        if password is None:
            self.complain(says)
            return
        PASSWORDS.remember(digest, password)
        again()


def _only_shifted(before: State, after: State) -> bool:
    """Whether two states hold the same drawings in the same size and turn, wherever their origin is."""
    one, other = ([(t.drawing.curves, t.unit, t.page_scale) for t in s.taken] for s in (before, after))
    same = len(one) == len(other) and all(a[0] is b[0] and a[1:] == b[1:] for a, b in zip(one, other, strict=True))
    return same and before.by == after.by
