"""A step tried on what is shown, and not yet done."""

from __future__ import annotations

from typing import Any

from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.views import scene_bytes
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import Step
from syntaxa.drawing.view import View, on_state
from syntaxa.errors import Progress
from syntaxa.job.evaluate import Evaluation


def _tried(standing: Evaluation, step: Step, *, progress: Progress) -> tuple[State, Entry]:
    return step.apply(standing.state, standing.context(progress))


def _seen(standing: Evaluation, step: Step, *, progress: Progress) -> Scene:
    state, _ = _tried(standing, step, progress=progress)
    return Scene.of([(s.colour, s.curves) for s in state.sketches])


def _bytes(tried: tuple[State, Any]) -> int:
    return 420 * sum(len(s.curves) for s in tried[0].sketches)


#: What a step would make of the state, and what it would tell. Given the step.
TRIED: View[tuple[State, Entry]] = View("Looking what that would do", on_state, _tried, _bytes)

#: The drawing as a step would make it. Given the step.
TRIED_SCENE: View[Scene] = View("Showing what that would do", on_state, _seen, scene_bytes)
