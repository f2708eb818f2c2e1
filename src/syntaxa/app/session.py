"""The open job and everything that is computed from it, for the window to listen to."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from pathlib import Path

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from syntaxa.app.canvas.scene import Scene
from syntaxa.app.mend.trying import Trying
from syntaxa.app.recovery import Lock, Orphan, RecoveryCopy, job_lock
from syntaxa.app.tasks import Lane
from syntaxa.app.watcher import Watcher
from syntaxa.deliver.figures import Figures, figures_of
from syntaxa.deliver.plan import RolesAs, plan_of
from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.model import Drawing, Layer, extents_of
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Step
from syntaxa.errors import PasswordNeeded, Progress, SyntaxaError
from syntaxa.geometry.types import Box
from syntaxa.intake.model import ReadOptions, Received
from syntaxa.intake.registry import digest_of, load_bytes
from syntaxa.intake.report import IntakeRecord, record_of
from syntaxa.intake.steps import TakeIn
from syntaxa.job.account import Accounted, account_of
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.history import History
from syntaxa.job.model import Job, Source
from syntaxa.job.passwords import PASSWORDS
from syntaxa.job.recipe import Recipe, with_recipe
from syntaxa.job.revise import Revision, accepted, changed_on_disk, revision, with_added, with_layer_replaced
from syntaxa.job.store import ENDING, load_job, save_job
from syntaxa.job.trials import Trial
from syntaxa.measure.disagreements import Disagreement, disagreements
from syntaxa.mend.model import HARMLESS_KINDS, Finding, is_fault
from syntaxa.mend.steps import DEAD_END, MendFindings, proposed_gap, survey_state, with_needed
from syntaxa.mend.survey import Survey
from syntaxa.mend.tolerance import ProposedGap
from syntaxa.route.model import CurveGroup, Grouping, groups_of
from syntaxa.route.steps import ChooseLayers

#: Milliseconds after a change before the recovery copy is written.
_RECOVERY_DELAY = 1500


@dataclass(frozen=True, slots=True)
class Shown:
    """An evaluation with all that the window shows made ready: scenes and notes (mm), reports, and the extents (mm)."""

    evaluation: Evaluation
    scene: Scene
    beneath: Scene
    aside: Scene
    disagreements: tuple[Disagreement, ...]
    groups: tuple[CurveGroup, ...]
    notes: tuple[Annotation, ...]
    records: tuple[IntakeRecord, ...]
    #: Extents of each source by its number, in its own numbers, without what its author had hidden.
    source_boxes: dict[int, Box | None]
    first_box: tuple[float, float, float, float] | None
    box: tuple[float, float, float, float] | None


@dataclass(frozen=True, slots=True)
class Surveyed:
    """What is wrong at which tolerance, and the tolerance that the drawing itself suggests."""

    survey: Survey
    gap: float
    proposal: ProposedGap


class Session(QObject):
    """Holds the job with its history; evaluates and surveys it in the background after each change."""

    opened = pyqtSignal()
    #: Somebody has changed the job; what comes of it is not known yet.
    changing = pyqtSignal()
    evaluated = pyqtSignal()
    surveyed = pyqtSignal()
    grouped = pyqtSignal()
    counted = pyqtSignal()
    history_changed = pyqtSignal()
    failed = pyqtSignal(str)
    told = pyqtSignal(str)
    #: A source is locked: what to say, the digest of its file, and what to call once its password is known.
    locked = pyqtSignal(str, str, object)
    #: A linked source changed on disk, and what that would change is ready to be looked at.
    revised = pyqtSignal()

    def __init__(self, recovery_folder: Path, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.evaluator = Evaluator()
        self._history: History | None = None
        self._saved: Job | None = None
        self._recovery_folder = recovery_folder
        self._copy = RecoveryCopy(recovery_folder)
        #: The copy of an earlier run that this job was opened from, until it is saved.
        self._adopted: Orphan | None = None
        self._open_lock: Lock | None = None
        #: The job file as it was opened or saved last, and as it was when its change was told.
        self._on_disk, self._told_changed = "", ""
        #: The job that is shown; what is being worked out may be another.
        self._settled: Job | None = None
        self.path: Path | None = None
        self.shown: Shown | None = None
        self._listed: tuple[Surveyed | None, tuple[Finding, ...]] = (None, ())
        self.surveyed_state: Surveyed | None = None
        self.gap: float | None = None
        self.dead_end = DEAD_END
        #: mm; how far anything may be off what was received, where somebody has said so.
        self.budget: float | None = None
        #: By what Route groups the curves that came in.
        self.grouping: Grouping = "layer"
        self.work = Lane(self)
        self.survey_work = Lane(self)
        self.watch_work = Lane(self)
        self.counting = Lane(self)
        #: What a file would hold if it were written now, with the choices that it was counted for.
        self.figures: tuple[Figures, ...] | None = None
        self._figures_of: tuple[State, RolesAs, bool] | None = None
        #: What is looked at before it is done.
        self.trying = Trying(self)
        #: What a changed file would change, until it is accepted or left; what was left is not offered again.
        self.revision: Revision | None = None
        self._declined: set[str] = set()
        self.watcher = Watcher(self)
        self.watcher.changed.connect(self.look_for_changes)
        self._recovery = QTimer(self)
        self._recovery.setSingleShot(True)
        self._recovery.setInterval(_RECOVERY_DELAY)
        self._recovery.timeout.connect(self._write_recovery)

    # ------------------------------------------------------------------ what is there

    @property
    def job(self) -> Job | None:
        """The present job; None before anything was opened."""
        return self._history.job if self._history else None

    @property
    def history(self) -> History | None:
        """Undo and redo of the job."""
        return self._history

    @property
    def state(self) -> State | None:
        """What the steps have made of the drawing."""
        return self.shown.evaluation.state if self.shown else None

    @property
    def findings(self) -> tuple[Finding, ...]:
        """What is wrong and still open, and then what is worth a look; without what is harmless."""
        surveyed, listed = self._listed
        if surveyed is not self.surveyed_state:
            listed = _open_findings(self.surveyed_state)
            self._listed = self.surveyed_state, listed
        return listed

    @property
    def faults(self) -> tuple[Finding, ...]:
        """What is wrong and still open."""
        return tuple(f for f in self.findings if is_fault(f.kind))

    @property
    def left_findings(self) -> tuple[Finding, ...]:
        """What was found and is left as it is."""
        found = self.surveyed_state.survey.findings if self.surveyed_state is not None else ()
        return tuple(f for f in found if f.note is not None)

    @property
    def layers(self) -> tuple[Layer, ...]:
        """Layers of all sources, as far as they were taken in; a name that several have stands once."""
        if self.shown is None:
            return ()
        layers: dict[str, Layer] = {}
        for taken in self.shown.evaluation.first.taken:
            for layer in taken.drawing.layers:
                layers.setdefault(layer.name, layer)
        return tuple(layers.values())

    @property
    def notes(self) -> tuple[Annotation, ...]:
        """Texts, dimensions and the like, placed in mm, without those of layers that are left out."""
        if self.shown is None or self.job is None:
            return ()
        step = self.job.step_of(ChooseLayers)
        if not isinstance(step, ChooseLayers):
            return self.shown.notes
        only, left_out = step.only, frozenset(step.left_out)
        return tuple(n for n in self.shown.notes if n.layer not in left_out and (only is None or n.layer in only))

    @property
    def unsaved(self) -> bool:
        """Whether the job differs from its file."""
        return self.job is not None and self.job is not self._saved

    @property
    def busy(self) -> bool:
        """Whether anything is being computed."""
        return any(lane.busy for lane in self._lanes)

    @property
    def _lanes(self) -> tuple[Lane, ...]:
        return self.work, self.survey_work, self.watch_work, self.counting, self.trying.lane

    @property
    def name(self) -> str:
        """What the window's title calls the job."""
        if self.path is not None:
            return self.path.stem
        if self._adopted is not None and self._adopted.about.name:
            return self._adopted.about.name
        return Path(self.job.source.name).stem if self.job else ""

    # ------------------------------------------------------------------ opening and saving

    def open_path(self, path: Path, choice: TakeIn | None = None) -> None:
        """Opens a drawing, taken in as chosen, or a job, in the background; on failure the present job stays."""

        def read(progress: Progress) -> tuple[Job, Shown]:
            is_job = path.suffix.lower() == ENDING
            job = load_job(path) if is_job else _new_job(path, choice)
            return job, self._compute(job, progress)

        self._open(path, read)

    def open_recovered(self, orphan: Orphan) -> None:
        """Opens a recovery copy as what it is: the unsaved job of the file that it was made of."""

        def read(progress: Progress) -> tuple[Job, Shown]:
            job = load_job(orphan.copy)
            return job, self._compute(job, progress)

        self._open(orphan.copy, read, orphan)

    def open_several(self, chosen: Sequence[tuple[Path, TakeIn]]) -> None:
        """Opens several drawings as one job; all but the first go to a sketch of their own."""
        first = chosen[0][0]

        def read(progress: Progress) -> tuple[Job, Shown]:
            job = _with_all(_new_job(*chosen[0]), chosen[1:])
            return job, self._compute(job, progress)

        self._open(first, read)

    def _open(self, path: Path, read: Callable[[Progress], tuple[Job, Shown]], orphan: Orphan | None = None) -> None:
        def done(result: tuple[Job, Shown]) -> None:
            job, shown = result
            is_job = path.suffix.lower() == ENDING and orphan is None
            self._drop_recovery()
            self._adopted = orphan
            self._history = History.reopened(job)
            self._saved = job if is_job else None
            self._settled = job
            told = self._hold(path if is_job else orphan.path if orphan is not None else None)
            self.gap = None
            self.revision = None
            self._declined.clear()
            self._take(shown)
            self.opened.emit()
            self._after_change()
            if told:
                self.failed.emit(told)
            if is_job:
                self.look_for_changes()

        def asked(progress: Progress) -> tuple[Job, Shown] | PasswordNeeded:
            try:
                return read(progress)
            except PasswordNeeded as error:
                return error

        def opened(result: tuple[Job, Shown] | PasswordNeeded) -> None:
            if isinstance(result, PasswordNeeded):
                self.locked.emit(str(result), result.digest, lambda: self._open(path, read, orphan))
            else:
                done(result)

        self.work.run(f"Opening {path.name}", asked, opened, self.failed.emit, self.told.emit)

    def _hold(self, path: Path | None) -> str:
        """This is the file of the job from now on; what is to be told where another window has it open."""
        if self._open_lock is not None:
            self._open_lock.release()
            self._open_lock = None
        self.path = path
        self._on_disk, self._told_changed = _digest_on_disk(path), ""
        if path is not None:
            lock = job_lock(self._recovery_folder, path)
            if lock.take():
                self._open_lock = lock
            else:
                return f"{path.name} is open in another window as well. Save one of the two under another name."
        return ""

    # ------------------------------------------------------------------ sources

    def read_source(self, source: Source, options: ReadOptions, progress: Progress) -> Received:
        """A source as a drawing, remembered for when it is taken in; may be called from any thread."""
        return self.evaluator.read_source(source, options, progress)

    def add_sources(self, chosen: Sequence[tuple[Path, TakeIn]]) -> None:
        """Adds drawings to the job, placed at the same origin."""
        before = self.job
        if before is None:
            return

        def read(progress: Progress) -> tuple[Job, Shown]:
            job = _with_all(before, chosen)
            return job, self._compute(job, progress)

        name = chosen[0][0].name if len(chosen) == 1 else f"{len(chosen)} drawings"
        self._change_with(f"Add {name}", read)

    def replace_layer(self, number: int, layer: str, path: Path) -> None:
        """Takes one layer from a revised file instead."""
        before = self.job
        if before is None:
            return

        def read(progress: Progress) -> tuple[Job, Shown]:
            source = _linked(path)
            drawing = self.evaluator.read_source(source, before.reading(number), progress).drawing
            job = with_layer_replaced(before, number, layer, source, drawing)
            return job, self._compute(job, progress)

        self._change_with(f"Replace layer {layer} from {path.name}", read)

    def remove_source(self, number: int) -> None:
        """Takes a source out of the job."""
        if self.job is not None:
            self._change(self.job.without_source(number), "Remove a source")

    def set_source(self, source: Source, name: str) -> None:
        """Changes how a source is linked."""
        if self.job is not None:
            self._change(self.job.with_changed(source), name)
            self.look_for_changes()

    def look_for_changes(self) -> None:
        """Looks whether a linked file changed, and what that would change."""
        job = self.job
        if job is None or self.revision is not None:
            return

        def look(progress: Progress) -> Revision | None:
            for source in job.sources:
                data = changed_on_disk(source)
                if data is not None:
                    found = revision(job, source.number, data, self.evaluator, progress)
                    if found.new.digest not in self._declined:
                        return found
            return None

        def done(found: Revision | None) -> None:
            if found is not None and self.revision is None:
                self.revision = found
                self.revised.emit()

        # A file that is being written reads badly for a moment; the next change is looked at again.
        self.watch_work.run("Looking for changes", look, done, self.told.emit)

    def accept_revision(self) -> None:
        """Takes the changed file over; all steps are done again."""
        if self.job is not None and self.revision is not None:
            revised, self.revision = self.revision, None
            self._change(accepted(self.job, revised), f"Take over the new {revised.new.name}")
            self.look_for_changes()

    def decline_revision(self) -> None:
        """Stays with what the job has; this revision is not offered again."""
        if self.revision is not None:
            self._declined.add(self.revision.new.digest)
            self.revision = None
            self.evaluated.emit()
            self.look_for_changes()

    def _change_with(self, name: str, read: Callable[[Progress], tuple[Job, Shown]]) -> None:
        """A change that is found by reading; where that fails, the job stays as it is."""

        def done(result: tuple[Job, Shown]) -> None:
            job, shown = result
            if self._history is not None:
                self._history.do(job, name)
                self._settled = job
                self._recovery.start()
                self._evaluated(shown)

        self.work.run(name, read, done, self.failed.emit, self.told.emit)

    def save(self, path: Path, preview: bytes = b"") -> bool:
        """Saves the job; False where it could not be, and says why."""
        if self.job is None:
            return False
        if self.path is not None and path.resolve() == self.path.resolve() and self._changed_meanwhile(path):
            return False
        try:
            save_job(self.job, path, preview)
        except SyntaxaError as error:
            self.failed.emit(str(error))
            return False
        for source in self.job.sources:
            PASSWORDS.keep(source.digest)
        self._saved = self.job
        told = ""
        if path == self.path:
            self._on_disk = _digest_on_disk(path)
        else:
            told = self._hold(path)
        self._drop_recovery()
        self.history_changed.emit()
        self.told.emit(f"Saved {path.name}.")
        if told:
            self.failed.emit(told)
        return True

    def _changed_meanwhile(self, path: Path) -> bool:
        """Whether the file is no longer what was opened or saved here: that is told once, and not written over."""
        now = _digest_on_disk(path)
        if now in ("", self._on_disk, self._told_changed):
            return False
        self._told_changed = now
        self.failed.emit(
            f"{path.name} was changed by another program or window since it was opened; nothing was saved. "
            "Save under another name, or save again to replace it."
        )
        return True

    # ------------------------------------------------------------------ changing

    def do(self, step: Step) -> None:
        """Adds a step, or gives the one of its kind new parameters."""
        if self.job is None:
            return
        if all(s.step != step or not s.enabled or not step.takes_place_of(s.step) for s in self.job.steps):
            self._change(self.job.with_step(step), self.job.title_of(step))

    def account(self, progress: Progress) -> Accounted:
        """The account of the mending of the job as it is; may be called from any thread."""
        if self.job is None:
            raise SyntaxaError("There is no job to account for.")
        return account_of(self.job, self.name, self.evaluator, self.budget, progress)

    def take_trial(self, trial: Trial) -> None:
        """Takes the job that a trial has made of this one, as one change."""
        self._change(trial.job, f"Take the trial: {trial.treatment.says}")

    def use_recipe(self, recipe: Recipe) -> None:
        """Does all steps of a recipe in this job, as one change."""
        if self.job is not None:
            self._change(with_recipe(self.job, recipe), f"Use the recipe {recipe.name}")

    def switch(self, number: int, enabled: bool) -> None:
        """Switches a step on or off."""
        if self.job is not None:
            self._change(self.job.switched(number, enabled), "Switch a step on" if enabled else "Switch a step off")

    def remove(self, number: int) -> None:
        """Takes a step out."""
        if self.job is not None:
            self._change(self.job.without_step(number), "Remove a step")

    def fix_these(self, keys: tuple[str, ...]) -> None:
        """Fixes some findings, with what lies doubled under them."""
        if self.surveyed_state is not None:
            found = self.surveyed_state.survey.findings
            needed = dict.fromkeys(k for key in keys for k in with_needed(found, key))
            self.do(MendFindings(self.surveyed_state.gap, self.dead_end, tuple(needed)))

    def fix(self, key: str | None, choice: str = "") -> None:
        """Fixes one finding, with what lies doubled under it, or all; one in another way than proposed, if chosen."""
        if self.surveyed_state is not None:
            keys = None if key is None else with_needed(self.surveyed_state.survey.findings, key)
            choices = ((key, choice),) if key is not None and choice else ()
            self.do(MendFindings(self.surveyed_state.gap, self.dead_end, keys, choices))

    def set_gap(self, gap: float | None) -> None:
        """Looks for findings at another tolerance (mm); None for the proposed one."""
        self.gap = gap
        self._survey()

    def group_by(self, grouping: Grouping) -> None:
        """Groups the curves that came in by another property."""
        self.grouping = grouping
        shown = self.shown
        if shown is None:
            return

        def look(_progress: Progress) -> tuple[CurveGroup, ...]:
            return tuple(groups_of(shown.evaluation.first, shown.evaluation.state, grouping))

        def done(groups: tuple[CurveGroup, ...]) -> None:
            if self.shown is shown:
                self.shown = replace(shown, groups=groups)
                self.grouped.emit()

        self.work.run("Grouping", look, done, self.failed.emit)

    def count_outgoing(self, roles: RolesAs, construction: bool) -> None:
        """Counts what a file would hold; tells when that is known, and does nothing where it is."""
        state = self.state
        if state is None:
            return
        known = self._figures_of
        if known is not None and known[0] is state and known[1:] == (roles, construction):
            return
        self._figures_of, self.figures = (state, roles, construction), None

        def count(progress: Progress) -> tuple[Figures, ...]:
            progress(0.1)
            return figures_of(plan_of(state, roles, construction))

        def done(figures: tuple[Figures, ...]) -> None:
            self.figures = figures
            self.counted.emit()

        self.counting.run("Counting what goes out", count, done, self.failed.emit)

    def undo(self) -> None:
        """Takes the last change back."""
        if self._history is not None and self._history.undo_name:
            self._history.undo()
            self._reevaluate()

    def redo(self) -> None:
        """Does again what was undone."""
        if self._history is not None and self._history.redo_name:
            self._history.redo()
            self._reevaluate()

    def cancel(self) -> None:
        """Stops what is being computed; a change that it was computed for is taken back at once."""
        if self.work.busy and self._history is not None and self._settled is not None:
            pending = self._history.job
            if pending is not self._settled:
                self._history.back_to(self._settled)
                self.history_changed.emit()
                self.told.emit("Stopped; the job is as it was before.")
        for lane in self._lanes:
            lane.cancel()

    def close(self) -> None:
        """Stops all work and forgets the recovery copy: the user has decided."""
        self.stop_all()
        self._recovery.stop()
        self._drop_recovery()
        if self._open_lock is not None:
            self._open_lock.release()
            self._open_lock = None

    def stop_all(self) -> None:
        """Stops all work for good."""
        self.watcher.watch(())
        for lane in self._lanes:
            lane.stop_all()

    # ------------------------------------------------------------------ computing

    def _change(self, job: Job, name: str) -> None:
        if self._history is not None:
            self._history.do(job, name)
            self.changing.emit()
            self._reevaluate()

    def _reevaluate(self) -> None:
        job = self.job
        assert job is not None, "only a job that is there changes"
        self._recovery.start()
        self.history_changed.emit()

        def done(shown: Shown) -> None:
            self._settled = job
            self._evaluated(shown)

        def stopped(sentence: str) -> None:
            # The step was taken back when Stop was pressed.
            del sentence

        self.work.run("Computing", lambda progress: self._compute(job, progress), done, self._not_computed, stopped)

    def _not_computed(self, sentence: str) -> None:
        """A change that could not be worked out is no change: job and picture must not drift apart."""
        if self._history is not None and self._settled is not None:
            self._history.back_to(self._settled)
            self.history_changed.emit()
        self.failed.emit(sentence)

    def _evaluated(self, shown: Shown) -> None:
        self._take(shown)
        self._after_change()

    def _take(self, shown: Shown) -> None:
        self.shown, self.surveyed_state = shown, None
        self.trying.forget()

    def _after_change(self) -> None:
        job = self.job
        self.watcher.watch([s.path for s in job.sources if s.link == "linked"] if job else ())
        self.history_changed.emit()
        self.evaluated.emit()
        self._survey()

    def _compute(self, job: Job, progress: Progress) -> Shown:
        evaluation = self.evaluator.evaluate(job, lambda share: progress(0.8 * share))
        state = evaluation.state
        scene = Scene.of([(s.colour, s.curves) for s in state.sketches])
        progress(0.9)
        if self.shown and _same_place(self.shown, evaluation):
            beneath, notes = self.shown.beneath, self.shown.notes
        else:
            beneath, notes = _beneath(state)
        same = self.shown is not None and _same_drawings(self.shown.evaluation, evaluation)
        if self.shown is not None and same:
            records, source_boxes = self.shown.records, self.shown.source_boxes
        else:
            records = _records(evaluation)
            source_boxes = {t.number: _shown_box(t.drawing) for t in evaluation.first.taken}
        scene.prepare()
        aside = Scene.of([(0, [x.curve for x in state.excluded])])
        aside.prepare()
        disagree, groups = tuple(disagreements(state)), tuple(groups_of(evaluation.first, state, self.grouping))
        boxes = extents_of(evaluation.first.curves()), extents_of(state.curves())
        progress(1.0)
        return Shown(evaluation, scene, beneath, aside, disagree, groups, notes, records, source_boxes, *boxes)

    def _survey(self) -> None:
        job, state = self.job, self.state
        if job is None or state is None:
            return
        gap, dead_end = self.gap, self.dead_end
        # The tolerance is read off the drawing as it was before any mending.
        unmended = replace(job, steps=tuple(s for s in job.steps if not isinstance(s.step, MendFindings)))

        def look(progress: Progress) -> Surveyed:
            proposal = proposed_gap(self.evaluator.evaluate(unmended).state.sketches)
            progress(0.4)
            chosen = proposal.gap if gap is None else gap
            survey = survey_state(state, chosen, dead_end)
            progress(1.0)
            return Surveyed(survey, chosen, proposal)

        self.survey_work.run("Looking for faults", look, self._surveyed, self.failed.emit)

    def _surveyed(self, surveyed: Surveyed) -> None:
        self.surveyed_state = surveyed
        self.surveyed.emit()

    # ------------------------------------------------------------------ recovery

    def _write_recovery(self) -> None:
        if self.job is None or not self.unsaved:
            return
        try:
            self._copy.write(self.job, self.name, self.path)
        except (SyntaxaError, OSError):
            self.told.emit("The recovery copy could not be written.")

    def _drop_recovery(self) -> None:
        self._copy.drop()
        if self._adopted is not None:
            self._adopted.drop()
            self._adopted = None


def _open_findings(surveyed: Surveyed | None) -> tuple[Finding, ...]:
    if surveyed is None:
        return ()
    listed = (f for f in surveyed.survey.findings if f.kind not in HARMLESS_KINDS and f.note is None)
    return tuple(sorted(listed, key=lambda f: not is_fault(f.kind)))


def _same_place(shown: Shown, evaluation: Evaluation) -> bool:
    before, after = shown.evaluation.state, evaluation.state
    units = [(t.unit, t.page_scale) for t in before.taken] == [(t.unit, t.page_scale) for t in after.taken]
    same = units and _same_drawings(shown.evaluation, evaluation)
    return same and (before.by, before.shift) == (after.by, after.shift)


def _same_drawings(one: Evaluation, other: Evaluation) -> bool:
    """Whether the same was taken in of the same sources."""
    before, after = one.first.taken, other.first.taken
    return len(before) == len(after) and all(a.drawing is b.drawing for a, b in zip(before, after, strict=True))


def _records(evaluation: Evaluation) -> tuple[IntakeRecord, ...]:
    """The import report of each source, of what was taken of it."""
    drawings = {t.number: t.drawing for t in evaluation.first.taken}
    return tuple(record_of(s.name, Received(drawings[s.number], s.received.report)) for s in evaluation.sources)


def _shown_box(drawing: Drawing) -> Box | None:
    """Extents of what the author of a drawing had showing, in its own numbers."""
    hidden = {layer.name for layer in drawing.layers if not layer.shown}
    return extents_of(c for c in drawing.curves if c.layer not in hidden) or drawing.full_extents()


def _beneath(state: State) -> tuple[Scene, tuple[Annotation, ...]]:
    """The drawings as received, placed, without what their authors had hidden."""
    placed = state.received()
    hidden = {layer.name for layer in placed.layers if not layer.shown}
    scene = Scene.of([(0, [c for c in placed.curves if c.layer not in hidden])])
    return scene, tuple(n for n in placed.annotations if n.layer not in hidden)


def _digest_on_disk(path: Path | None) -> str:
    """What a job file holds now; empty where there is none."""
    try:
        return "" if path is None else digest_of(path.read_bytes())
    except OSError:
        return ""


def _with_all(job: Job, chosen: Sequence[tuple[Path, TakeIn]]) -> Job:
    """The job with more drawings, each taken in as chosen."""
    for path, choice in chosen:
        job, _ = with_added(job, _linked(path), choice)
    return job


def _linked(path: Path) -> Source:
    return Source.of(path.name, load_bytes(path), str(path.resolve()))


def _new_job(path: Path, choice: TakeIn | None) -> Job:
    job = Job.of(_linked(path))
    return job if choice is None or choice == TakeIn() else job.with_step(choice)
