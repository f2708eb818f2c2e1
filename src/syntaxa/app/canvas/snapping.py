"""Where a click is meant: the nearest end, middle, centre, quadrant or crossing within reach. Decided by the core."""

from __future__ import annotations

from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter, QPolygonF

from syntaxa.app.canvas.scene import Bools, Scene
from syntaxa.geometry.places import PlaceKind, crossings, places_of
from syntaxa.geometry.points import Point

#: Near curves beyond which crossings are not looked for.
_MOST_CROSSED = 14

#: Kinds that win over others at the same distance come first.
_ORDER: tuple[PlaceKind, ...] = ("end", "crossing", "centre", "middle", "quadrant")


@dataclass(frozen=True, slots=True)
class Snap:
    """A place (mm) and what it is; kind is empty where nothing is near."""

    x: float
    y: float
    kind: PlaceKind | str = ""


def snapped(scene: Scene, x: float, y: float, reach: float, shown: Bools | None = None) -> Snap:
    """The place that is meant by a click at x, y (mm), else just there; only curves that are shown count."""
    here = Point(x, y)
    near = scene.within((x - reach, y - reach, x + reach, y + reach), touching=True)
    if shown is not None:
        near = [k for k in near if shown[k]]
    shapes = [scene.curves[k].shape for k in near[:200]]
    found: list[tuple[PlaceKind, Point]] = [place for shape in shapes for place in places_of(shape)]
    if 2 <= len(shapes) <= _MOST_CROSSED:
        found += [("crossing", p) for p in crossings(shapes)]
    found += [("centre", p) for p in scene.centres_near(x, y, reach, shown)]
    close = [(p.distance_to(here), _ORDER.index(kind), kind, p) for kind, p in found if p.distance_to(here) <= reach]
    if not close:
        return Snap(x, y)
    # What lies within a third of the reach of the nearest is as good as it: then the better kind wins.
    nearest = min(c[0] for c in close)
    _, _, kind, place = min((c for c in close if c[0] <= nearest + reach / 3), key=lambda c: (c[1], c[0]))
    return Snap(place.x, place.y, kind)


def draw_snap(painter: QPainter, at: QPointF, kind: str) -> None:
    """The sign of a place, one shape for each kind: told apart without colour."""
    x, y = at.x(), at.y()
    if kind == "end":
        painter.drawRect(QRectF(x - 5, y - 5, 10, 10))
    elif kind == "middle":
        painter.drawPolygon(QPolygonF([QPointF(x, y - 6), QPointF(x + 6, y + 5), QPointF(x - 6, y + 5)]))
    elif kind == "centre":
        painter.drawEllipse(at, 6, 6)
        painter.drawPoint(at)
    elif kind == "quadrant":
        painter.drawPolygon(QPolygonF([QPointF(x, y - 6), QPointF(x + 6, y), QPointF(x, y + 6), QPointF(x - 6, y)]))
    elif kind == "crossing":
        painter.drawLine(QPointF(x - 6, y - 6), QPointF(x + 6, y + 6))
        painter.drawLine(QPointF(x - 6, y + 6), QPointF(x + 6, y - 6))
    else:
        painter.drawLine(QPointF(x - 7, y), QPointF(x + 7, y))
        painter.drawLine(QPointF(x, y - 7), QPointF(x, y + 7))
