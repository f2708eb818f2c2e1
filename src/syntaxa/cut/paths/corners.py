"""Corners: what a round tool leaves in inner ones is cut out by a short way in; outer ones may be left by a loop."""

from __future__ import annotations

import math

import numpy as np

from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.types import Floats
from syntaxa.geometry.vectors import norm

#: Radians; a corner that turns by less leaves next to nothing, and gets no relief and no loop.
_LEAST_TURN = math.radians(20)

#: mm within which a vertex of the path belongs to a corner of the profile.
_SAME = 1e-6


def relieved(path: Floats, profile: Floats, radius: float) -> tuple[Floats, list[Floats]]:
    """A path (waste on its left) with a way into each inner corner along its bisector, and where the corners are (2,).

    The tool's edge then just reaches the corner, so that a part with a square corner goes in; walls beside the corner
    are cut into by less than the radius.
    """
    pieces = pieces_of_rows(path, True)
    count = len(path)
    turns = _turns(path)
    out, corners = [], []
    for k in range(count):
        out.append([*path[k]])
        if turns[k] < _LEAST_TURN:
            continue
        here = path[k, :2]
        apart = norm(profile[:, :2] - here)
        j = int(apart.argmin())
        inner = (math.pi - turns[k]) / 2
        if abs(apart[j] - radius / math.sin(inner)) > _SAME * max(1.0, radius):
            continue
        deep = profile[j, :2] + (here - profile[j, :2]) * (radius / apart[j])
        out[-1][2] = 0.0
        out += [[*deep, 0.0], [*here, float(pieces.bulge[k])]]
        corners.append(profile[j, :2].copy())
    return np.array(out), corners


def looped(path: Floats, profile: Floats, radius: float, size: float) -> Floats:
    """A path (waste on its left) that leaves each outer corner straight on, turns outside and comes back: corners
    stay sharp.

    An arc about a corner of the profile becomes: straight on past it by `size` (mm), a loop, and straight in.
    """
    pieces = pieces_of_rows(path, True)
    out: list[list[float]] = []
    for k in range(len(path)):
        row = [*path[k]]
        if (
            pieces.is_arc[k]
            and pieces.sweep[k] < -_LEAST_TURN
            and _about_corner(pieces.centre[k], profile, pieces.radius[k], radius)
        ):
            out += _loop(path[k, :2], path[(k + 1) % len(path), :2], pieces.centre[k], float(pieces.sweep[k]), size)
        else:
            out.append(row)
    return np.array(out)


def _about_corner(centre: Floats, profile: Floats, arc: float, radius: float) -> bool:
    near = abs(arc - radius) < _SAME * max(1.0, radius)
    return bool(near and norm(profile[:, :2] - centre).min() < _SAME * max(1.0, radius))


def _loop(start: Floats, end: Floats, centre: Floats, sweep: float, size: float) -> list[list[float]]:
    """Rows from the start of an arc about a corner to its end, out over the crossing of its tangents and back."""
    radius = math.hypot(*(start - centre))
    side = -1.0 if sweep < 0 else 1.0
    before = side * np.array([-(start - centre)[1], (start - centre)[0]]) / radius
    after = side * np.array([-(end - centre)[1], (end - centre)[0]]) / radius
    turn = abs(sweep)
    reach = radius * math.tan(turn / 2) if turn < math.pi - 1e-3 else 0.0
    # From the crossing of the tangents on, so far out and in again.
    out, back = start + (reach + size) * before, end - (reach + size) * after
    # Round the long way, from going out to coming in: the other way from the corner's turn.
    long_way = -side * (2 * math.pi - turn)
    bulge = math.tan(long_way / 8)
    chord = back - out
    middle = _middle_of_arc(out, chord, long_way)
    return [[*start, 0.0], [*out, bulge], [*middle, bulge], [*back, 0.0]]


def _middle_of_arc(start: Floats, chord: Floats, sweep: float) -> Floats:
    """The place half way along an arc from a point over a chord (2,)."""
    sagitta = math.tan(sweep / 4) / 2
    return np.asarray(start + chord / 2 + sagitta * np.array([chord[1], -chord[0]]))


def _turns(path: Floats) -> Floats:
    """How far a closed path turns to the left at each vertex, (n,) radians."""
    pieces = pieces_of_rows(path, True)
    arriving = np.roll(pieces.tangents_at(np.ones(len(path))), 1, axis=0)
    leaving = pieces.tangents_at(np.zeros(len(path)))
    cross = arriving[:, 0] * leaving[:, 1] - arriving[:, 1] * leaving[:, 0]
    return np.asarray(np.arctan2(cross, (arriving * leaving).sum(axis=1)))
