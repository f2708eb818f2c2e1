"""Measure: unit, scale, turning and origin, with the true size before and after."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.hand import GhostLayer
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.measure.disagree_view import DisagreeView
from syntaxa.app.stages.measure.panel import MeasurePanel
from syntaxa.app.stages.measure.placing import Placing
from syntaxa.app.stages.measure.unit_view import UnitView
from syntaxa.app.words import tr
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc
from syntaxa.job.evaluate import in_doubt
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin
from syntaxa.measure.views import DISAGREEMENTS

#: mm shown round a place that is gone to.
_CONTEXT_MM = 30.0


class MeasureStage(Stage):
    """Settles the size and the place of everything."""

    name, title, icon = "measure", tr("Measure"), "measure"
    purpose = tr("Settle the unit, and the true size follows. Every clue says what it speaks for.")
    notes = "all"

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        #: The box that a change would give while it is typed.
        self.ghost = GhostLayer()
        shell.session.evaluated.connect(lambda: self.ghost.show(None))

    def pages(self) -> Sequence[tuple[Any, ...]]:
        own = self.shell.session
        return (UnitView, own), (DisagreeView, own), (Placing, own)

    def make_panel(self) -> MeasurePanel:
        made = MeasurePanel(self.shell.session, self.ready)
        made.placing.pick_with(self.shell.picking.points)
        made.source_place.pick = self.shell.picking.points
        made.placing.origin.circle_wanted.connect(lambda: self._pick_circle(made))
        made.would_be.connect(self.ghost.show)
        made.disagree.place_wanted.connect(self._show_place)
        made.display_unit_chosen.connect(self.shell.dress.set_unit)
        return made

    def layers(self) -> Sequence[Layer]:
        return (self.ghost,)

    def open_matters(self) -> int:
        """Sources whose unit is in doubt, and dimensions that disagree and nobody judged."""
        session = self.shell.session
        if session.evaluation is None or session.job is None:
            return 0
        disagree = session.view(DISAGREEMENTS) or ()
        return len(in_doubt(session.job, session.evaluation)) + sum(not d.verdict for d in disagree)

    def walk(self) -> Sequence[WalkStep]:
        session = self.shell.session
        return (
            ("", lambda: session.do(ChooseUnit("in"))),
            ("2-measure", lambda: session.do(PlaceOrigin("lower-left"))),
        )

    def _pick_circle(self, panel: MeasurePanel) -> None:
        canvas = self.shell.canvas

        def got(x: float, y: float) -> None:
            here = Point(x, y)
            centred = [c for c in canvas.selection.scene.curves if _has_centre(c, here)]
            chosen = centred[0] if centred else canvas.curve_at(x, y, _has_centre)
            if chosen is None:
                self.shell.tell(tr("There is no circle or arc; click on one, or on its centre."))
            else:
                panel.placing.origin.place_at_curve(chosen.id)

        self.shell.show_canvas()
        says = tr("Click the circle or arc whose centre becomes the origin.")
        self.shell.picking.point(tr("Circle or arc"), says, got)

    def _show_place(self, x: float, y: float) -> None:
        self.shell.canvas.fit_box((x - _CONTEXT_MM, y - _CONTEXT_MM, x + _CONTEXT_MM, y + _CONTEXT_MM))


def _has_centre(curve: Curve, at: Point | None = None) -> bool:
    """Whether a curve has a centre, or has it at a place."""
    shape = curve.shape
    return isinstance(shape, Arc | Circle | EllipseArc) and (at is None or shape.centre.distance_to(at) <= 1e-9)
