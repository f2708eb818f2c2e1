"""From where bodies are seen, where planes lie that they are cut through at, and what is a part of something."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import TypeGuard, get_args

from syntaxa.deliver.sheets.model import BodyView
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Box

Way = tuple[int, int, int]

#: Directions to the eye, to the right and up, of each view along an axis.
AXES: Mapping[str, tuple[Way, Way, Way]] = {
    "front": ((0, -1, 0), (1, 0, 0), (0, 0, 1)), "back": ((0, 1, 0), (-1, 0, 0), (0, 0, 1)),
    "top": ((0, 0, 1), (1, 0, 0), (0, 1, 0)), "bottom": ((0, 0, -1), (1, 0, 0), (0, -1, 0)),
    "right": ((1, 0, 0), (0, 1, 0), (0, 0, 1)), "left": ((-1, 0, 0), (0, -1, 0), (0, 0, 1)),
}  # fmt: skip

#: mm; farther off nothing is cut.
_FARTHEST = 1e6


@dataclass(frozen=True, slots=True)
class Section:
    """Bodies seen from a side, cut at a place (mm along x, y or z, whichever the view looks along)."""

    view: BodyView
    place: float

    @property
    def axis(self) -> int:
        """Which axis it looks along: 0 for x."""
        eye = AXES[self.view][0]
        return next(k for k in range(3) if eye[k])

    @property
    def depth(self) -> float:
        """mm towards the eye, where the plane lies."""
        return self.place * AXES[self.view][0][self.axis]

    def line_in(self, view: str) -> tuple[bool, float, float] | None:
        """How the plane is seen in another view: (whether upright, where it lies there in mm, which way is looked:
        1 or -1 along the other direction); None where it is not seen edge on.
        """
        if view not in AXES:
            return None
        eye, (_, right, up) = AXES[self.view][0], AXES[view]
        for upright, way in ((True, right), (False, up)):
            along = sum(a * b for a, b in zip(eye, way, strict=True))
            if along:
                return upright, self.depth * along, -float(along)
        return None


def section_in(shows: str) -> Section | None:
    """The section that a view shows, as in "section:front:25"; None where it is none. Raises DeliverError."""
    kind, _, rest = shows.partition(":")
    if kind != "section":
        return None
    view, _, text = rest.partition(":")
    try:
        place = float(text)
    except ValueError:
        place = float("nan")
    if not _is_view(view) or view not in AXES or not abs(place) <= _FARTHEST:
        raise DeliverError(
            f"“{shows}” is no section.", suggestion=f"Write section:VIEW:MM with one of {', '.join(AXES)}."
        )
    return Section(view, place)


@dataclass(frozen=True, slots=True)
class Detail:
    """What another view shows within a circle: which view, and the circle in mm of what it shows."""

    base: str
    centre: Point
    radius: float


def detail_in(shows: str) -> Detail | None:
    """The detail that a view shows, as in "detail:front:12,30,8"; None where it is none. Raises DeliverError."""
    kind, _, rest = shows.partition(":")
    if kind != "detail":
        return None
    base, _, numbers = rest.rpartition(":")
    x, y, radius = found = _numbers(numbers, 3)
    if not base or base.startswith("detail:") or not all(abs(v) <= _FARTHEST for v in found) or radius <= 0:
        raise DeliverError(f"“{shows}” is no detail.", suggestion="Write detail:VIEW:X,Y,RADIUS in mm.")
    return Detail(base, Point(x, y), radius)


def window_in(shows: str) -> Box | None:
    """The box (mm) of a part of the received drawing, as in "window:0,0,120,80"; None where it is none.

    Raises DeliverError.
    """
    kind, _, rest = shows.partition(":")
    if kind != "window":
        return None
    x, y, u, v = found = _numbers(rest, 4)
    box = min(x, u), min(y, v), max(x, u), max(y, v)
    if not all(abs(n) <= _FARTHEST for n in found) or box[0] >= box[2] or box[1] >= box[3]:
        raise DeliverError(f"“{shows}” is no part of a drawing.", suggestion="Write window:X0,Y0,X1,Y1 in mm.")
    return box


def _numbers(text: str, count: int) -> list[float]:
    """So many numbers between commas; what is none is not a number."""
    found = []
    for part in text.split(","):
        try:
            found.append(float(part))
        except ValueError:
            found.append(math.nan)
    return found if len(found) == count else [math.nan] * count


def _is_view(text: str) -> TypeGuard[BodyView]:
    return text in get_args(BodyView)
