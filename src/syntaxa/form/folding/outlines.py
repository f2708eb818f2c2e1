"""Figures as profiles: what lies within circles, and within straight sides."""

from __future__ import annotations

from collections.abc import Sequence

from syntaxa.drawing.model import Curve
from syntaxa.form.model import Profile
from syntaxa.form.profiles import profiles_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Polyline


def ring(circle: Circle, sketch: str) -> Profile:
    """The disc within a circle."""
    return profiles_of([Curve("hole", circle, "")], sketch)[0]


def polygon(points: Sequence[tuple[float, float]], sketch: str) -> Profile:
    """What lies within straight sides."""
    outline = Polyline(tuple(Point(*p) for p in points), (0.0,) * len(points), True)
    return profiles_of([Curve("side", outline, "")], sketch)[0]
