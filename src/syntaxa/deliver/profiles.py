"""The curves of a sketch as profiles: closed contours first, then what stays open; each piece goes out once.

The outline of every connected group becomes one closed contour; what divides its inside goes out as open runs
(or closed ones, where they close). A free-standing ellipse or closed spline stays what it is.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch
from syntaxa.geometry.chaining import walks
from syntaxa.geometry.rows import merged_rows, shape_of_rows
from syntaxa.geometry.shapes import EllipseArc, Shape, Spline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Floats
from syntaxa.mend.arrangement import Cycles, Edges, bridges, rows_along, split_at_contacts
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.pieces import pieces_of


@dataclass(frozen=True, slots=True)
class Mark:
    """A role, and which pieces of a shape have it (the first is 0)."""

    role: str
    pieces: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Profiles:
    """Shapes of one sketch that are ready to be written.

    layer      name of the layer; weight in mm, None for the default; line_type empty for a continuous line
    marks      for each shape the roles of its pieces; empty where there are none
    sketch     that they are from
    bent       how many ellipses and splines went into contours as tangent arcs
    """

    name: str
    colour: int
    shapes: tuple[Shape, ...]
    layer: str = ""
    weight: float | None = None
    line_type: str = ""
    marks: tuple[tuple[Mark, ...], ...] = ()
    sketch: str = ""
    bent: int = 0


def profiles_of(sketch: Sketch, tolerances: Tolerances) -> Profiles:
    """The profiles of a sketch; nothing is moved."""
    pieces = pieces_of(sketch.curves, tolerances.fit)
    edges, _ = split_at_contacts(Neighbourhood(pieces.curves, tolerances.merge))
    whole = _left_whole(sketch.curves, edges)
    shapes: list[Shape] = [sketch.curves[k].shape for k in whole]
    if whole:
        edges = edges.take(~np.isin(edges.curves.owner, whole))
    runs = [*_outlines(edges)]
    used = {e for run, _ in runs for e in run}
    rest = edges.take(np.array([k for k in range(len(edges)) if k not in used], dtype=np.int64))
    rows = [rows for _, rows in runs]
    shapes += [shape_of_rows(_tidy(r, True, tolerances), True) for r in rows]
    shapes += [shape_of_rows(_tidy(r, closed, tolerances), closed) for r, closed in _chains(rest)]
    bent = sum(isinstance(c.shape, EllipseArc | Spline) for c in sketch.curves) - len(whole)
    return Profiles(sketch.name, sketch.colour, tuple(shapes), sketch=sketch.name, bent=bent)


def _tidy(rows: Floats, closed: bool, tolerances: Tolerances) -> Floats:
    return merged_rows(rows, closed, tolerances.merge, tolerances.angle)


def _left_whole(curves: Sequence[Curve], edges: Edges) -> list[int]:
    """Indices of ellipses and splines that touch nothing else."""
    candidates = [k for k, c in enumerate(curves) if isinstance(c.shape, EllipseArc | Spline)]
    found = []
    for k in candidates:
        own = edges.curves.owner == k
        mine = np.unique(np.concatenate([edges.tail[own], edges.head[own]]))
        if not np.isin(np.concatenate([edges.tail[~own], edges.head[~own]]), mine).any():
            found.append(k)
    return found


def _outlines(edges: Edges) -> list[tuple[list[int], Floats]]:
    """The outer contour of each connected group: its edges and its rows, cut where it touches itself."""
    if not len(edges):
        return []
    index = np.flatnonzero(~bridges(edges))
    if not len(index):
        return []
    cycles = Cycles(edges.take(index))
    found = []
    for cycle in np.flatnonzero(cycles.area < 0).tolist():
        # Outside cycles run clockwise; contours go out counter-clockwise.
        walk = [half ^ 1 for half in reversed(cycles.walk(cycle).tolist())]
        loops = _simple_loops(cycles, walk)
        found += [([int(index[half // 2]) for half in loop], rows_along(cycles, np.array(loop))) for loop in loops]
    return found


def _simple_loops(cycles: Cycles, walk: list[int]) -> list[list[int]]:
    loops: list[list[int]] = []
    trail: list[int] = []
    at: dict[int, int] = {}
    for half in walk:
        origin = int(cycles.origin[half])
        if origin in at:
            cut = at[origin]
            loops.append(trail[cut:])
            for gone in trail[cut:]:
                at.pop(int(cycles.origin[gone]), None)
            del trail[cut:]
        at[origin] = len(trail)
        trail.append(half)
    return [*loops, trail] if trail else loops


def _chains(edges: Edges) -> list[tuple[Floats, bool]]:
    """What is left as runs through its vertices of degree two."""
    if not len(edges):
        return []
    places = np.stack([edges.tail, edges.head], axis=1).reshape(-1).tolist()
    return [_run_of(edges, walk, closed) for walk, closed in walks(places)]


def _run_of(edges: Edges, walk: list[int], closed: bool) -> tuple[Floats, bool]:
    """The rows along a walk."""
    rows: list[list[float]] = []
    for end in walk:
        edge, backward = end // 2, end % 2
        begin = int((edges.head if backward else edges.tail)[edge])
        rows.append([*edges.vertices[begin].tolist(), float(edges.curves.bulge[edge]) * (-1 if backward else 1)])
    if not closed:
        edge, backward = walk[-1] // 2, walk[-1] % 2
        stop = int((edges.tail if backward else edges.head)[edge])
        rows.append([*edges.vertices[stop].tolist(), 0.0])
    return np.array(rows), closed
