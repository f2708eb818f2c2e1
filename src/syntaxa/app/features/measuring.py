"""Measuring on the drawing, in every stage."""

from __future__ import annotations

from collections.abc import Sequence

from syntaxa.app.features.measure_strip import MeasureStrip
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import tr
from syntaxa.geometry.points import Point
from syntaxa.measure.readings import Reading, along, angle_at, between, of_curves


class Measuring(Feature):
    """Distances, angles, ways, and what is selected."""

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.strip: MeasureStrip = MeasureStrip()
        self.strip.closed.connect(lambda: shell.picking.way.show(()))
        shell.picking.keeps_way = self.strip.isVisible
        shell.dress.changed.connect(lambda: self.strip.show_in(shell.dress.lengths))
        self.strip.show_in(shell.dress.lengths)

    def commands(self) -> Sequence[Command]:
        selection = self.shell.canvas.selection
        return (
            Command(
                "measure_distance",
                tr("Distance of two points"),
                "Measure/take",
                self.measure_distance,
                "M",
                "measure",
                self._has_job,
            ),
            Command(
                "measure_angle",
                tr("Angle over three points"),
                "Measure/take",
                self.measure_angle,
                "A",
                "",
                self._has_job,
            ),
            Command(
                "measure_way", tr("Way over many points"), "Measure/take", self.measure_way, "W", "", self._has_job
            ),
            Command(
                "measure_selected",
                tr("Measure what is selected"),
                "Measure/take",
                self.measure_selected,
                "Shift+M",
                "",
                lambda: bool(selection.rows),
            ),
            Command(
                "copy_measured",
                tr("Copy the measured value"),
                "Measure/result",
                self.strip.copy_value,
                "Ctrl+Shift+C",
                "",
                self.strip.isVisible,
            ),
        )

    def _has_job(self) -> bool:
        return self.shell.session.job is not None

    def measure_distance(self) -> None:
        """Measures between two points."""
        says = tr("Click two points.")
        self.shell.picking.points((tr("From"), tr("To")), says, lambda p: self._measured(p, between(p[0], p[1])))

    def measure_angle(self) -> None:
        """Measures the angle at the second of three points."""
        says = tr("Click a point, the corner, and a point on the other side.")
        self.shell.picking.points(
            (tr("From"), tr("Corner"), tr("To")), says, lambda p: self._measured(p, angle_at(p[0], p[1], p[2]))
        )

    def measure_way(self) -> None:
        """Measures along as many points as are clicked, until Escape."""
        picked: list[Point] = []
        picking = self.shell.picking

        def got(x: float, y: float) -> None:
            picked.append(Point(x, y))
            self._measured(picked, along(picked))
            picking.point(tr("Next point"), tr("Click on; Escape ends the way."), got)

        self.shell.show_canvas()
        picking.point(tr("First point"), tr("Click the points of a way."), got)

    def measure_selected(self) -> None:
        """Measures what is selected: radius, angle, least distance, size, length, area."""
        curves = self.shell.canvas.selection.curves()
        if curves:
            self.shell.picking.way.show(())
            self._show(of_curves(curves))

    def _measured(self, points: Sequence[Point], readings: tuple[Reading, ...]) -> None:
        self.shell.picking.way.show(points)
        self._show(readings)

    def _show(self, readings: tuple[Reading, ...]) -> None:
        self.strip.show_readings(readings)
        self.shell.refreshed.emit()
