"""What the main window does for Measure: picking points, and the measuring tools, which work in every stage."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from syntaxa.app.intake.window import IntakeWindow
from syntaxa.app.measure.strip import MeasureStrip
from syntaxa.app.stages.measure import MeasurePanel
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc
from syntaxa.measure.readings import Reading, along, angle_at, between, of_curves

#: mm shown round a place that is gone to.
_CONTEXT_MM = 30.0


class MeasureWindow(IntakeWindow):
    """The methods behind the Measure panel and the Measure menu; the main window makes the parts."""

    measure: MeasurePanel
    strip: MeasureStrip

    def _connect_measure(self) -> None:
        self.measure.placing.pick = self.pick_points
        self.measure.placing.circle_wanted.connect(self._pick_circle)
        self.measure.would_be.connect(self.canvas.show_ghost)
        self.measure.disagree.place_wanted.connect(self._show_place)
        self.strip.closed.connect(lambda: self.canvas.show_way(()))
        self.canvas.pick_ended.connect(self._pick_ended)

    # ------------------------------------------------------------------ picking

    def pick_points(self, prompts: Sequence[str], says: str, goal: Callable[[list[Point]], None]) -> None:
        """Asks for points one after the other, drawn as a way meanwhile."""
        picked: list[Point] = []

        def got(x: float, y: float) -> None:
            picked.append(Point(x, y))
            self.canvas.show_way(picked if len(prompts) > 1 else ())
            if len(picked) < len(prompts):
                self._pick(prompts[len(picked)], says, got)
            else:
                goal(picked)

        self._show_canvas()
        self._pick(prompts[0], says, got)

    def _pick_circle(self) -> None:
        def got(x: float, y: float) -> None:
            here = Point(x, y)
            centred = [c for c in self.canvas.content.scene.curves if _has_centre(c, here)]
            chosen = centred[0] if centred else self.canvas.curve_at(x, y, _has_centre)
            if chosen is None:
                self.status.tell("There is no circle or arc; click on one, or on its centre.")
            else:
                self.measure.placing.place_at_curve(chosen.id)

        self._show_canvas()
        self._pick("Circle or arc", "Click the circle or arc whose centre becomes the origin.", got)

    def _show_canvas(self) -> None:
        """Points are picked on the drawing, not on the shelf."""
        if self.intake.looking:
            self.leave_shelf()

    def _pick_ended(self) -> None:
        if not self.strip.isVisible():
            self.canvas.show_way(())

    def _show_place(self, x: float, y: float) -> None:
        self.canvas.fit_box((x - _CONTEXT_MM, y - _CONTEXT_MM, x + _CONTEXT_MM, y + _CONTEXT_MM))

    # ------------------------------------------------------------------ commands: measuring

    def measure_distance(self) -> None:
        """Measures between two points."""
        self.pick_points(
            ("From", "To"),
            "Click two points.",
            lambda points: self._measured(points, between(points[0], points[1])),
        )

    def measure_angle(self) -> None:
        """Measures the angle at the second of three points."""
        self.pick_points(
            ("From", "Corner", "To"),
            "Click a point, the corner, and a point on the other side.",
            lambda points: self._measured(points, angle_at(points[0], points[1], points[2])),
        )

    def measure_way(self) -> None:
        """Measures along as many points as are clicked, until Escape."""
        picked: list[Point] = []

        def got(x: float, y: float) -> None:
            picked.append(Point(x, y))
            self._measured(picked, along(picked))
            self._pick("Next point", "Click on; Escape ends the way.", got)

        self._show_canvas()
        self._pick("First point", "Click the points of a way.", got)

    def measure_selected(self) -> None:
        """Measures what is selected: radius, angle, least distance, size, length, area."""
        curves = self.canvas.selected_curves()
        if curves:
            self.canvas.show_way(())
            self.strip.show_readings(of_curves(curves))

    def copy_measured(self) -> None:
        """Copies the total, or the value."""
        self.strip.copy_value()

    def _measured(self, points: Sequence[Point], readings: tuple[Reading, ...]) -> None:
        self.canvas.show_way(points)
        self.strip.show_readings(readings)


def _has_centre(curve: Curve, at: Point | None = None) -> bool:
    """Whether a curve has a centre, or has it at a place."""
    shape = curve.shape
    return isinstance(shape, Arc | Circle | EllipseArc) and (at is None or shape.centre.distance_to(at) <= 1e-9)
