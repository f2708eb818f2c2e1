"""What one step of a job did to the curves, to be shown on the drawing as it is now."""

from __future__ import annotations

from dataclasses import dataclass, replace

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import State
from syntaxa.drawing.view import View, on_state
from syntaxa.errors import Progress
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.transform import Transform
from syntaxa.job.evaluate import Evaluation


@dataclass(frozen=True, slots=True)
class StepChanges:
    """Shapes (mm, as the drawing is placed now): what came, what went, what changed, and pieces of what was cut.

    placed   whether the step moved or scaled everything; nothing is listed then
    """

    added: tuple[Shape, ...] = ()
    removed: tuple[Shape, ...] = ()
    changed: tuple[tuple[Shape, Shape], ...] = ()
    cut: tuple[Shape, ...] = ()
    placed: bool = False

    @property
    def count(self) -> int:
        """How many curves are concerned."""
        return len(self.added) + len(self.removed) + len(self.changed) + len(self.cut)


def _changes(standing: Evaluation, number: int, *, progress: Progress) -> StepChanges:
    job, evaluator = standing.job, standing.evaluator
    at = next((k for k, s in enumerate(job.steps) if s.number == number), -1)
    if at < 0 or not job.steps[at].enabled:
        return StepChanges()
    before = evaluator.evaluate(replace(job, steps=job.steps[:at])).state
    progress(0.4)
    after = evaluator.evaluate(replace(job, steps=job.steps[: at + 1])).state
    progress(0.8)
    if _placing(before) != _placing(after):
        return StepChanges(placed=True)
    if before.by != standing.state.by:
        # What was done before everything was scaled or turned cannot be told from where things are now.
        return StepChanges(placed=True)
    now, then = standing.state.shift, after.shift
    return between(before, after, Transform.moving(replace(now, x=now.x - then.x, y=now.y - then.y)))


def between(before: State, after: State, to_now: Transform) -> StepChanges:
    """What differs between two states, curve by curve."""
    old = {c.id: c for c in before.curves()}
    new = {c.id: c for c in after.curves()}
    # Where everything was moved by the origin alone, only what differs beside that counts.
    settle = Transform.moving(replace(after.shift, x=after.shift.x - before.shift.x, y=after.shift.y - before.shift.y))

    def was(curve: Curve) -> Shape:
        same = before.shift == after.shift
        return curve.shape if same else curve.shape.transformed(settle)

    pieces = [c for c in new.values() if c.id not in old and not old.keys().isdisjoint(c.descent)]
    cut_from = {name for c in pieces for name in c.descent}
    piece_ids = {c.id for c in pieces}
    return StepChanges(
        tuple(c.shape.transformed(to_now) for c in new.values() if c.id not in old and c.id not in piece_ids),
        tuple(was(c).transformed(to_now) for c in old.values() if c.id not in new and c.id not in cut_from),
        tuple(
            (was(old[name]).transformed(to_now), c.shape.transformed(to_now))
            for name, c in new.items()
            if name in old and was(old[name]) != c.shape
        ),
        tuple(c.shape.transformed(to_now) for c in pieces),
    )


def _placing(state: State) -> object:
    return state.by, tuple((t.number, t.unit, t.page_scale) for t in state.taken)


#: Given the number of the step.
STEP_CHANGES: View[StepChanges] = View(
    "Looking what a step did", on_state, _changes, lambda made: 1000 + 420 * made.count
)
