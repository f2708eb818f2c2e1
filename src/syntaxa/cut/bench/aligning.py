"""Where a program's zero lies on a drawing that it should cut, when nobody says so: the shift that most arcs agree on.

Arcs about a centre are cut about the same centre, whatever the tool's radius; so are the corners of outlines. Where a
program has no arcs, the middles of both extents are laid on each other.
"""

from __future__ import annotations

import numpy as np

from syntaxa.cut.bench.moves import Played
from syntaxa.cut.contours import Contours
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.types import Floats

#: Centres of each that are compared, and mm within which shifts are one.
_MOST, _SAME = 400, 0.02


def zero_on(played: Played, contours: Contours) -> tuple[float, float]:
    """The place on the drawing (mm) at which the program has its zero."""
    cuts = [m for m in played.moves if m.cuts]
    own = np.array([m.centre for m in cuts if m.centre is not None]).reshape(-1, 2)
    pieces = CurveArray.joined([c.pieces for c in contours.contours]) if contours.contours else CurveArray.none()
    # A path turns about the ends of lines, too: about corners that stand out.
    drawn = np.vstack([pieces.centre[pieces.is_arc], pieces.start])
    shift = _voted(_distinct(own), _distinct(drawn))
    if shift is not None:
        return float(shift[0]), float(shift[1])
    box = contours.box
    places = np.array([p for m in cuts for p in (m.start[:2], m.end[:2])]).reshape(-1, 2)
    if box is None or not len(places):
        return 0.0, 0.0
    middle = (places.min(axis=0) + places.max(axis=0)) / 2
    return (box[0] + box[2]) / 2 - float(middle[0]), (box[1] + box[3]) / 2 - float(middle[1])


def _distinct(points: Floats) -> Floats:
    """Points that are one count once; where each lies exactly is kept."""
    _, first = np.unique(np.round(points / _SAME), axis=0, return_index=True)
    return np.asarray(points[first])


def _voted(own: Floats, drawn: Floats) -> Floats | None:
    """The shift that most pairs agree on; none where fewer than two do, unless there is but one."""
    own, drawn = own[:: max(1, len(own) // _MOST)], drawn[:: max(1, len(drawn) // _MOST)]
    if not len(own) or not len(drawn):
        return None
    shifts = (drawn[None, :, :] - own[:, None, :]).reshape(-1, 2)
    cells, votes = np.unique(np.round(shifts / (2 * _SAME)), axis=0, return_counts=True)
    best = int(votes.argmax())
    if votes[best] < 2 and len(shifts) > 1:
        return None
    near = np.abs(shifts - cells[best] * 2 * _SAME).max(axis=1) <= 2 * _SAME
    return np.asarray(np.median(shifts[near], axis=0))
