"""SymPy as judge of small systems: the same rows written as symbols, their exact rank and their solutions by Newton.

Sources: SymPy 1.14 (`Matrix.rank` over the rationals, `nsolve`), the rows by hand from coordinate geometry.
"""

from __future__ import annotations

import math

import pytest
import sympy as sp

from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.settling import Stated, free_in, settled
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line

#: A triangle, and a circle beside it.
CURVES = (
    Curve("a", Line(Point(0, 0), Point(40, 3)), "0"),
    Curve("b", Line(Point(40, 3), Point(15, 30)), "0"),
    Curve("c", Line(Point(15, 30), Point(0, 0)), "0"),
    Curve("o", Circle(Point(70, 20), 9), "0"),
)

X = sp.symbols("x0:8")
R = sp.Symbol("r")
PLACES = [(X[0], X[1]), (X[2], X[3]), (X[4], X[5]), (X[6], X[7])]
START = [0, 0, 40, 3, 15, 30, 70, 20, 9]
ENDS = {"a": (0, 1), "b": (1, 2), "c": (2, 0)}


def way(name):
    p, q = (PLACES[k] for k in ENDS[name])
    return q[0] - p[0], q[1] - p[1]


def length(name):
    return sp.sqrt(sum(d**2 for d in way(name)))


def across(name, k):
    """Signed distance of a place from the line, to its left."""
    (dx, dy), p, q = way(name), PLACES[ENDS[name][0]], PLACES[k]
    return ((q[1] - p[1]) * dx - (q[0] - p[0]) * dy) / length(name)


#: What is said of the triangle, and the same as an expression that is to be nought.
ROWS = {
    "level": (Constraint("s", "level", (Named("a"),)), way("a")[1]),
    "perpendicular": (Constraint("s", "perpendicular", (Named("a"), Named("b"))),
                      way("a")[0] * way("b")[0] + way("a")[1] * way("b")[1]),
    "equal length": (Constraint("s", "equal length", (Named("a"), Named("b"))), length("a") - length("b")),
    "tangent": (Constraint("s", "tangent", (Named("b"), Named("o"))), -across("b", 3) - R),
    "on": (Constraint("s", "on", (Named("o", place="centre"), Named("a"))), across("a", 3)),
    "length": (Measure("d1", "s", "length", (Named("c"),), expression="35", use="live"), length("c") - 35),
    "radius": (Measure("d2", "s", "radius", (Named("o"),), expression="7", use="live"), R - 7),
    "distance": (Measure("d3", "s", "distance", (Named("o", place="centre"), Named("a", place="end")),
                         expression="33", use="live"),
                 sp.sqrt((X[6] - X[2]) ** 2 + (X[7] - X[3]) ** 2) - 33),
    "distance x": (Measure("d4", "s", "distance x", (Named("a", place="start"), Named("o", place="centre")),
                           expression="66", use="live"), X[6] - X[0] - 66),
}  # fmt: skip

VALUES = {"d1": 35.0, "d2": 7.0, "d3": 33.0, "d4": 66.0}

SETS = (
    ("level",), ("level", "perpendicular"), ("level", "perpendicular", "equal length", "length"),
    ("tangent", "radius"), ("on", "distance", "radius", "level"), ("distance", "distance x", "tangent", "equal length"),
    ("level", "perpendicular", "length", "on", "distance", "radius"),
)  # fmt: skip


def stated(names) -> tuple[Stated, dict[str, float]]:
    said = [ROWS[n][0] for n in names]
    measures = [m for m in said if isinstance(m, Measure)]
    return (
        Stated.of(CURVES, [c for c in said if isinstance(c, Constraint)], measures),
        {m.name: VALUES[m.name] for m in measures},
    )


def unknowns_of(curves) -> list[float]:
    points = [p for c in curves[:3] for p in c.shape.start]
    circle = curves[3].shape
    return [*points, circle.centre.x, circle.centre.y, circle.radius]


@pytest.mark.parametrize("names", SETS, ids="+".join)
def test_what_is_found_holds_by_symbols_and_nothing_nearer_does(names):
    one, values = stated(names)
    found = unknowns_of(settled(one, values).curves)
    at = dict(zip((*X, R), found, strict=True))
    for name in names:
        assert abs(float(ROWS[name][1].subs(at))) <= 1e-8, name
    # At the nearest place the way from the start is a sum of the slopes of what holds (Lagrange): no part lies along
    # what is free. Circles' radii and coordinates cost the same, so this is plain geometry.
    rows = sp.Matrix([ROWS[n][1] for n in names])
    slopes = sp.Matrix(rows.jacobian([*X, R]).subs(at)).evalf(30)
    step = sp.Matrix([a - b for a, b in zip(found, START, strict=True)])
    rest = step - slopes.T * (slopes * slopes.T).LUsolve(slopes * step)
    assert float(rest.norm()) <= 0.15 * max(float(step.norm()), 1.0)


@pytest.mark.parametrize("names", SETS, ids="+".join)
def test_freedom_is_what_the_exact_rank_leaves(names):
    one, values = stated(names)
    made = settled(one, values).curves
    again = Stated.of(made, one.constraints, one.measures)
    # The rank at a place of small whole numbers, which is as good as any and exact.
    rows = sp.Matrix([ROWS[n][1] for n in names])
    some = dict(zip((*X, R), (0, 0, 4, 3, -5, 15, 21, 20, 2), strict=True))
    rank = sp.Matrix(rows.jacobian([*X, R]).subs(some)).rank()
    assert free_in(again, values)[1].count == 9 - rank


def test_where_all_is_said_newton_by_symbols_comes_to_the_same_place():
    fixed = Constraint("s", "fixed", (Named("a", place="start"),))
    names = ("level", "perpendicular", "equal length", "length", "on", "distance", "radius")
    one, values = stated(names)
    one = Stated.of(CURVES, (*one.constraints, fixed), one.measures)
    found = unknowns_of(settled(one, values).curves)
    rows = [X[0], X[1], *(ROWS[n][1] for n in names)]
    exact = sp.nsolve(rows, (*X, R), [float(v) for v in found], prec=40)
    assert max(abs(float(a) - b) for a, b in zip(exact, found, strict=True)) <= 1e-9
    assert float(exact[4]) == pytest.approx(float(exact[2]), abs=1e-9)
    assert math.hypot(found[4], found[5]) == pytest.approx(35.0, abs=1e-9)
