"""Drawings and features for the tests of Form."""

from __future__ import annotations

import math

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Plane, Sketch, State
from syntaxa.drawing.step import QUIET
from syntaxa.form.part import Formed
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline


def P(x, y):
    return Point(float(x), float(y))


def curves(*shapes, layer="0"):
    return tuple(Curve(f"c{k}", shape, layer) for k, shape in enumerate(shapes))


def outline(*points, bulges=None):
    return Polyline(tuple(P(*p) for p in points), tuple(bulges or [0.0] * len(points)), True)


def box(x, y, w, h):
    return outline((x, y), (x + w, y), (x + w, y + h), (x, y + h))


def four_lines(w, h, names="abcd"):
    """A rectangle of single lines, named from the lower one on counter-clockwise."""
    p = [P(0, 0), P(w, 0), P(w, h), P(0, h)]
    return tuple(Curve(n, Line(p[k], p[(k + 1) % 4]), "0") for k, n in enumerate(names))


def rounded(w, h, r):
    b = math.tan(math.pi / 8)
    points = [(r, 0), (w - r, 0), (w, r), (w, h - r), (w - r, h), (r, h), (0, h - r), (0, r)]
    return outline(*points, bulges=[0, b, 0, b, 0, b, 0, b])


def half_disc(r):
    """The right half of a disc, closed by a line on the axis."""
    return Arc(P(0, 0), float(r), -math.pi / 2, math.pi), Line(P(0, r), P(0, -r))


def state(*sketches):
    return State(sketches=sketches)


def sketch(name, *shapes, plane=None, **more):
    own = tuple(s if isinstance(s, Curve) else Curve(f"{name}{k}", s, "0") for k, s in enumerate(shapes))
    return Sketch(name, 0, own, plane=plane or Plane(), **more)


def done(state, *steps, context=QUIET):
    """The state after some steps, and what was told of the last."""
    entry = None
    for step in steps:
        state, entry = step.apply(state, context)
    return state, entry


def bodies(state):
    return {b.name: b for b in state.part(Formed).bodies}


def only(state):
    (body,) = state.part(Formed).bodies
    return body


def circle(x, y, r):
    return Circle(P(x, y), float(r))


def step_figures(path):
    """What a STEP file holds: each body by its name, its figures and the names of its faces."""
    from syntaxa.form.kernel.exchange import read_step
    from syntaxa.form.kernel.measuring import figures_of

    return [
        (name, figures_of(named.shape, len(named.true_edges)), tuple(named.face_names.values()))
        for name, named in read_step(str(path))
    ]
