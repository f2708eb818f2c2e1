"""Where a click is meant: the nearest end, middle, centre, quadrant or crossing , or seen from the point before."""

from __future__ import annotations

from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter, QPolygonF

from syntaxa.app.canvas.scene import Scene
from syntaxa.geometry.places import PlaceKind, meeting_places, nearest_on, pieces_near, places_from, places_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Bools

#: Curves, and pieces of curves, that are looked at.
_MOST = 200

#: Near curves beyond which meeting_places are not looked for.
_MOST_CROSSED = 14

#: Kinds that win over others at the same distance come first.
_ORDER: tuple[PlaceKind, ...] = ("end", "crossing", "centre", "middle", "quadrant", "tangent", "perpendicular")


@dataclass(frozen=True, slots=True)
class Snap:
    """A place (mm) and what it is; kind is empty where nothing is near."""

    x: float
    y: float
    kind: PlaceKind | str = ""


def snapped(
    scene: Scene, x: float, y: float, reach: float, shown: Bools | None = None, base: Point | None = None
) -> Snap:
    """The place that is meant by a click at x, y (mm), else just there; only curves that are shown count.

    base   the point that was picked before: places square to it, and where a line from it touches, count as well
    """
    here = Point(x, y)
    box = (x - reach, y - reach, x + reach, y + reach)
    near = scene.within(box, touching=True)
    if shown is not None:
        near = [k for k in near if shown[k]]
    # Only what is near of them: a polyline can have thousands of pieces.
    shapes = [piece for k in near[:_MOST] for piece in pieces_near(scene.curves[k].shape, box)][:_MOST]
    found: list[tuple[PlaceKind, Point]] = [place for shape in shapes for place in places_of(shape)]
    if 2 <= len(shapes) <= _MOST_CROSSED:
        found += [("crossing", p) for p in meeting_places(shapes)]
    found += [("centre", p) for p in scene.centres_near(x, y, reach, shown)]
    if base is not None:
        found += [place for shape in shapes for place in places_from(shape, base)]
    close = [(p.distance_to(here), _ORDER.index(kind), kind, p) for kind, p in found if p.distance_to(here) <= reach]
    if not close:
        # Nothing that has a name: just on the curve, where there is one.
        on = min((nearest_on(shape, here) for shape in shapes), key=here.distance_to, default=None)
        if on is None or on.distance_to(here) > reach / 2:
            return Snap(x, y)
        return Snap(on.x, on.y, "nearest")
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
    elif kind == "perpendicular":
        painter.drawPolyline(QPolygonF([QPointF(x - 6, y - 6), QPointF(x - 6, y + 6), QPointF(x + 6, y + 6)]))
        painter.drawPolyline(QPolygonF([QPointF(x - 6, y), QPointF(x, y), QPointF(x, y + 6)]))
    elif kind == "tangent":
        painter.drawEllipse(QPointF(x, y + 1), 5, 5)
        painter.drawLine(QPointF(x - 7, y - 5), QPointF(x + 7, y - 5))
    elif kind == "nearest":
        painter.drawPolyline(QPolygonF([QPointF(x - 5, y - 6), QPointF(x, y), QPointF(x + 5, y - 6)]))
        painter.drawLine(QPointF(x - 7, y), QPointF(x + 7, y))
    else:
        painter.drawLine(QPointF(x - 7, y), QPointF(x + 7, y))
        painter.drawLine(QPointF(x, y - 7), QPointF(x, y + 7))
