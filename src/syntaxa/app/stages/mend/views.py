"""Views that Mend alone shows: how far the result is off, and trials with small pictures."""

from __future__ import annotations

from dataclasses import dataclass

from PyQt6.QtGui import QImage

from syntaxa.app.canvas.layers.comparing import Heat, heat_of
from syntaxa.app.canvas.picture import picture_of_curves
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.views import SCENE, scene_bytes
from syntaxa.app.theme.tokens import LOOKS
from syntaxa.drawing.step import Step
from syntaxa.drawing.view import View, on_state
from syntaxa.errors import Progress
from syntaxa.job.evaluate import Evaluation
from syntaxa.job.kinds import BY_HAND, place_of
from syntaxa.job.trials import Trial, run_trials, treatments_for
from syntaxa.mend.deviation import Deviation, deviation

#: Pixels of the small picture of a trial.
PICTURE = (296, 168)


@dataclass(frozen=True)
class Compared:
    """How far the result lies from what was received, that drawing, the bands, and the names of all that is left."""

    deviation: Deviation
    received: Scene
    heat: Heat
    there: frozenset[str]


def _compared(standing: Evaluation, *, progress: Progress) -> Compared:
    before = standing.without(_is_by_hand).state
    progress(0.3)
    curves = standing.state.made_curves()
    found = deviation(before.made_curves(), curves)
    progress(0.8)
    scene = SCENE.make(standing, progress=lambda _share: None)
    received = Scene.of([(s.colour, s.curves) for s in before.profiles()])
    return Compared(found, received, heat_of(scene, found), frozenset(n for c in curves for n in c.names))


def _is_by_hand(step: Step) -> bool:
    return place_of(type(step)) >= BY_HAND


def _trials(standing: Evaluation, look: str, *, progress: Progress) -> tuple[tuple[Trial, QImage], ...]:
    evaluator, job = standing.evaluator, standing.job
    tokens = LOOKS["night" if look == "night" else "paper"]
    trials = run_trials(evaluator, job, treatments_for(evaluator, job), progress)
    return tuple((trial, picture_of_curves(trial.curves, *PICTURE, tokens)) for trial in trials)


COMPARED: View[Compared] = View(
    "Comparing with what was received", on_state, _compared, lambda made: 2 * scene_bytes(made.received)
)

#: Given the look of the pictures.
TRIALS: View[tuple[tuple[Trial, QImage], ...]] = View(
    "Trying treatments",
    on_state,
    _trials,
    lambda made: sum(420 * len(t.curves) for t, _ in made),
)
