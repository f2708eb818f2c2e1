"""What is looked at before anything is changed: each is worked out in the background and kept until the job changes."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from typing import TYPE_CHECKING, Any

from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtGui import QImage

from syntaxa.app.canvas.comparing import Heat, heat_of
from syntaxa.app.canvas.picture import picture_of_curves
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.tasks import Lane
from syntaxa.app.theme.tokens import Tokens
from syntaxa.drawing.state import Entry
from syntaxa.drawing.step import Step
from syntaxa.errors import Progress
from syntaxa.job.kinds import BY_HAND
from syntaxa.job.model import place_in_order
from syntaxa.job.trials import Trial, run_trials, treatments_for
from syntaxa.mend.deviation import Deviation, deviation
from syntaxa.mend.steps import MendFindings, sweep_state
from syntaxa.mend.sweep import Sweep

if TYPE_CHECKING:
    from syntaxa.app.session import Session

#: Pixels of the small picture of a trial.
PICTURE = (296, 168)


class Trying(QObject):
    """Holds what was looked for: a step, the sweep, the deviation, the trials, one fix."""

    changed = pyqtSignal()
    #: The whole drawing with one finding fixed, for a look at it: a scene.
    fix_shown = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._session = session
        self.lane = Lane(self)
        self.forget()

    def forget(self) -> None:
        """The job has changed: what was looked for holds no more."""
        #: A step and what it would do, once it was looked for.
        self.step: tuple[Step, Entry] | None = None
        #: What every tolerance would come to.
        self.sweep: Sweep | None = None
        #: How far the result lies from what was received, that drawing, and the bands.
        self.deviation: Deviation | None = None
        self.received: Scene | None = None
        self.heat: Heat | None = None
        #: What each treatment comes to, with its small picture.
        self.trials: list[tuple[Trial, QImage]] = []

    def _look(self, title: str, work: Callable[[Progress], Any], keep: Callable[[Any], None]) -> None:
        def done(found: Any) -> None:
            keep(found)
            self.changed.emit()

        self.lane.run(title, work, done, self._session.failed.emit)

    def look_at(self, step: Step) -> None:
        """Finds out what a step would do, without doing it."""
        state = self._session.state
        if state is None:
            return
        self.step = None

        def keep(entry: Entry) -> None:
            self.step = step, entry

        self._look("Looking what that would do", lambda _progress: step.apply(state)[1], keep)

    def look_for_plateau(self) -> None:
        """Finds out what every tolerance would come to."""
        state, surveyed = self._session.state, self._session.surveyed_state
        if state is None or surveyed is None:
            return
        proposed = surveyed.proposal.gap

        def keep(found: Sweep) -> None:
            self.sweep = found

        self._look("Trying every tolerance", lambda progress: sweep_state(state, proposed, progress), keep)

    def compare(self) -> None:
        """Measures how far the result lies from what was received."""
        session = self._session
        job, state, surveyed = session.job, session.state, session.surveyed_state
        if job is None or state is None or surveyed is None or session.shown is None:
            return
        gap, scene = surveyed.gap, session.shown.scene
        placed = replace(job, steps=tuple(s for s in job.steps if place_in_order(s.step) < BY_HAND))

        def look(progress: Progress) -> tuple[Deviation, Scene, Heat]:
            before = session.evaluator.evaluate(placed).state
            progress(0.3)
            found = deviation(before.made_curves(), state.made_curves(), gap)
            return found, Scene.of([(s.colour, s.curves) for s in before.profiles()]), heat_of(scene, found)

        def keep(found: tuple[Deviation, Scene, Heat]) -> None:
            self.deviation, self.received, self.heat = found

        self._look("Comparing with what was received", look, keep)

    def run_trials(self, tokens: Tokens) -> None:
        """Tries several treatments, each on a copy."""
        session = self._session
        job = session.job
        if job is None:
            return

        def look(progress: Progress) -> list[tuple[Trial, QImage]]:
            trials = run_trials(session.evaluator, job, treatments_for(session.evaluator, job), progress)
            return [(trial, picture_of_curves(trial.curves, *PICTURE, tokens)) for trial in trials]

        def keep(found: list[tuple[Trial, QImage]]) -> None:
            self.trials = found

        self._look("Trying treatments", look, keep)

    def show_fix(self, key: str, choice: str) -> None:
        """Makes the drawing as it would be with one finding fixed."""
        state, surveyed = self._session.state, self._session.surveyed_state
        if state is None or surveyed is None:
            return
        step = MendFindings(surveyed.gap, self._session.dead_end, (key,), ((key, choice),) if choice else ())

        def look(_progress: Progress) -> Scene:
            return Scene.of([(s.colour, s.curves) for s in step.apply(state)[0].sketches])

        self.lane.run("Showing the fix", look, self.fix_shown.emit, self._session.failed.emit)
