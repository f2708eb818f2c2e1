"""Spans of a profile as curves of the kernel, on a plane in space."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Any

import numpy as np
import OCP.collections as kept
from OCP.Geom import Geom_BSplineCurve, Geom_Circle, Geom_Ellipse, Geom_Line
from OCP.gp import gp_Ax2, gp_Ax3, gp_Dir, gp_Pln, gp_Pnt, gp_Vec

from syntaxa.form.model import Frame, Space, Span
from syntaxa.geometry.shapes import TURN
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.types import Floats


def point(at: Space) -> Any:
    """A place in space."""
    return gp_Pnt(*at)


def direction(along: Space) -> Any:
    """A direction in space; its length does not matter."""
    return gp_Dir(*along)


def vector(along: Space, length: float) -> Any:
    """A way of so many mm along a direction of unit length."""
    return gp_Vec(*(c * length for c in along))


def plane(frame: Frame) -> Any:
    """The plane of a frame."""
    return gp_Pln(gp_Ax3(point(frame.origin), direction(frame.normal), direction(frame.x)))


def within(frame: Frame, x: float, y: float) -> Space:
    """A direction on the plane, in space."""
    along = x * np.array(frame.x) + y * np.array(frame.y)
    a, b, c = along.tolist()
    return a, b, c


@dataclass(frozen=True, slots=True)
class Stretched:
    """A curve of the kernel from one parameter to another; `back` where the span runs against it."""

    curve: Any
    low: float
    high: float
    back: bool


def stretched(span: Span, frame: Frame) -> Stretched:
    """The curve of a span."""
    if span.kind == "line":
        (ax, ay), (bx, by) = span.start, span.end
        length = math.hypot(bx - ax, by - ay)
        along = direction(within(frame, (bx - ax) / length, (by - ay) / length))
        return Stretched(Geom_Line(point(frame.point(ax, ay)), along), 0.0, length, False)
    if span.kind in ("arc", "circle"):
        cx, cy, radius, start, sweep = span.data
        axes = _axes(frame, cx, cy, math.cos(start), math.sin(start))
        low, high = (0.0, sweep) if sweep > 0 else (sweep + TURN, TURN)
        return Stretched(Geom_Circle(axes, radius), low, high, sweep < 0)
    if span.kind == "ellipse":
        cx, cy, mx, my, ratio, start, sweep = span.data
        axes, major = _axes(frame, cx, cy, mx, my), math.hypot(mx, my)
        low, high = sorted((start, start + sweep))
        whole_turns = math.floor(low / TURN) * TURN
        return Stretched(Geom_Ellipse(axes, major, major * ratio), low - whole_turns, high - whole_turns, sweep < 0)
    degree, points, knots, weights, first, last = span.data
    curve = _spline(degree, np.array(points), np.array(knots), np.array(weights), frame)
    return Stretched(curve, min(first, last), max(first, last), first > last)


def _axes(frame: Frame, x: float, y: float, along_x: float, along_y: float) -> Any:
    length = math.hypot(along_x, along_y)
    along = direction(within(frame, along_x / length, along_y / length))
    return gp_Ax2(point(frame.point(x, y)), direction(frame.normal), along)


def _spline(degree: int, points: Floats, knots: Floats, weights: Floats, frame: Frame) -> Any:
    """A spline of the kernel, which wants clamped ends and each knot once with how often it counts."""
    weighted = len(weights) > 0
    flat = np.column_stack([points, np.ones(len(points))])
    if weighted:
        flat = np.column_stack([points * weights[:, None], weights])
    flat, knots = clamped(degree, flat, knots)
    starts = np.concatenate([[True], np.diff(knots) > HAIR * max(1.0, float(np.ptp(knots)))])
    counts = np.diff(np.append(np.flatnonzero(starts), len(knots)))
    places, numbers = kept.Array1_gp_Pnt(1, len(flat)), kept.Array1_double(1, int(starts.sum()))
    for k, (x, y, w) in enumerate(flat.tolist()):
        places.SetValue(k + 1, point(frame.point(x / w, y / w)))
    times = kept.Array1_int(1, int(starts.sum()))
    for k, (knot, count) in enumerate(zip(knots[starts].tolist(), counts.tolist(), strict=True)):
        numbers.SetValue(k + 1, knot)
        times.SetValue(k + 1, count)
    if not weighted:
        return Geom_BSplineCurve(places, numbers, times, degree)
    shares = kept.Array1_double(1, len(flat))
    for k, w in enumerate(flat[:, 2].tolist()):
        shares.SetValue(k + 1, w)
    return Geom_BSplineCurve(places, shares, numbers, times, degree)


def clamped(degree: int, flat: Floats, knots: Floats) -> tuple[Floats, Floats]:
    """The same curve (homogeneous control points, (n, 3)) with end knots that count degree + 1 times.

    By knot insertion: W. Boehm, "Inserting new knots into B-spline curves", Computer-Aided Design 12 (1980).
    """
    low, high = float(knots[degree]), float(knots[-degree - 1])
    same = HAIR * max(high - low, HAIR)
    for end in (low, high):
        while int((np.abs(knots - end) <= same).sum()) < degree:
            k = min(int(np.searchsorted(knots, end + same, "right")) - 1, len(flat) - 1)
            anew = []
            for i in range(k - degree + 1, k + 1):
                span = knots[i + degree] - knots[i]
                share = (end - knots[i]) / span if span > 0 else 0.0
                anew.append((1 - share) * flat[i - 1] + share * flat[i])
            flat = np.concatenate([flat[: k - degree + 1], anew, flat[k:]])
            knots = np.insert(knots, k + 1, end)
    inner = knots[(knots > low + same) & (knots < high - same)]
    first = max(int(np.flatnonzero(np.abs(knots - low) <= same)[-1]) - degree, 0)
    ends = np.full(degree + 1, low), np.full(degree + 1, high)
    return flat[first : first + len(inner) + degree + 1], np.concatenate([ends[0], inner, ends[1]])
