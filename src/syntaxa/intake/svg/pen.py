"""Path data of SVG, told to a pen and put down where it belongs. The method names are those of the parser's pens."""

from __future__ import annotations

import math

from syntaxa.geometry.points import Point
from syntaxa.geometry.transform import Transform
from syntaxa.intake.outlines import Run, ellipse_piece


class PathPen:
    """Gathers runs, mapped to where they belong."""

    def __init__(self, to: Transform) -> None:
        self.runs: list[Run] = []
        self._to = to
        self._at = Point(0.0, 0.0)

    def moveTo(self, point: tuple[float, float]) -> None:
        self._at = Point(*point)
        self.runs.append(Run(self._to.point(self._at)))

    def lineTo(self, point: tuple[float, float]) -> None:
        self._at = Point(*point)
        self.runs[-1].line_to(self._to.point(self._at))

    def curveTo(self, *points: tuple[float, float]) -> None:
        a, b, c = (Point(*p) for p in points)
        self._at = c
        self.runs[-1].curve_to(self._to.point(a), self._to.point(b), self._to.point(c))

    def qCurveTo(self, *points: tuple[float, float]) -> None:
        a, b = (Point(*p) for p in points)
        self._at = b
        self.runs[-1].quadratic_to(self._to.point(a), self._to.point(b))

    def arcTo(self, rx: float, ry: float, turn: float, large: bool, sweep: bool, end: tuple[float, float]) -> None:
        target = Point(*end)
        piece = ellipse_piece(self._at, target, rx, ry, math.radians(turn), bool(large), bool(sweep))
        if piece is not None:
            self.runs[-1].add(piece.transformed(self._to), self._to.point(target))
        self._at = target

    def closePath(self) -> None:
        run = self.runs[-1]
        run.close()

    def endPath(self) -> None:
        """An open path needs no ending."""
