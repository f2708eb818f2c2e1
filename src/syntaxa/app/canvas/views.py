"""Views of a job for the canvas: its curves, what was put aside, and what was received, as scenes."""

from __future__ import annotations

from syntaxa.app.canvas.scene import Scene
from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.view import Standing, View, on_placing, on_state
from syntaxa.errors import Progress

#: Bytes of a curve in a scene, and of a note, roughly.
_OF_CURVE, _OF_NOTE = 1100, 600


def scene_bytes(scene: Scene) -> int:
    """About how much memory a scene takes beside its curves."""
    return _OF_CURVE * len(scene)


def _scene(standing: Standing, *, progress: Progress) -> Scene:
    made = Scene.of([(s.colour, s.curves) for s in standing.state.sketches])
    progress(0.6)
    made.prepare()
    return made


def _aside(standing: Standing, *, progress: Progress) -> Scene:
    made = Scene.of([(0, [x.curve for x in standing.state.excluded])])
    progress(0.6)
    made.prepare()
    return made


def _beneath(standing: Standing, *, progress: Progress) -> tuple[Scene, tuple[Annotation, ...]]:
    placed = standing.state.received()
    progress(0.4)
    hidden = {layer.name for layer in placed.layers if not layer.shown}
    scene = Scene.of([(0, [c for c in placed.curves if c.layer not in hidden])])
    return scene, tuple(n for n in placed.annotations if n.layer not in hidden)


#: All sketches.
SCENE: View[Scene] = View("Drawing", on_state, _scene, scene_bytes)

#: What was put aside.
ASIDE: View[Scene] = View("Drawing what is aside", on_state, _aside, scene_bytes)

#: What was received, placed, without what its authors had hidden: its curves, and what is written beside them.
RECEIVED: View[tuple[Scene, tuple[Annotation, ...]]] = View(
    "Drawing what was received", on_placing, _beneath, lambda made: scene_bytes(made[0]) + _OF_NOTE * len(made[1])
)
