"""Dragging: what holds keeps holding, nothing flips, and there and back is where it was."""

from __future__ import annotations

import math
import random

import numpy as np
import pytest

from syntaxa.define.dragging import dragged
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.settling import Stated
from syntaxa.define.solving import solved
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line

PLATE = [(10, 0), (90, 0), (100, 10), (100, 50), (90, 60), (10, 60), (0, 50), (0, 10)]


def plate() -> Stated:
    bulge = math.tan(math.pi / 8)
    p = [Point(*xy) for xy in PLATE]
    curves = tuple(
        Curve(f"c{k}", Line(p[k], p[(k + 1) % 8]) if k % 2 == 0 else Arc.from_bulge(p[k], p[(k + 1) % 8], bulge), "0")
        for k in range(8)
    )
    curves += (Curve("hole", Circle(Point(30, 30), 5), "0"),)
    holds = [
        Constraint("s", kind, (Named(f"c{k}"),))
        for k, kind in ((0, "level"), (2, "upright"), (4, "level"), (6, "upright"))
    ]
    holds += [Constraint("s", "tangent", (Named(f"c{k}"), Named(f"c{(k + 1) % 8}"))) for k in range(8)]
    holds += [Constraint("s", "equal radius", (Named("c1"), Named(f"c{k}"))) for k in (3, 5, 7)]
    return Stated.of(curves, holds, ())


def off(stated: Stated, x: np.ndarray, values: dict[str, float] | None = None) -> float:
    """By how much anything that holds does not hold at x (mm): how far solving would still move it."""
    done = solved(stated.model(values or {}, x).system)
    return float(np.abs(done.x[: len(x)] - x).max())


def test_everything_that_holds_keeps_holding_and_nothing_flips() -> None:
    stated = plate()
    dice = random.Random(4)
    names = [n for k in range(8) for n in (Named(f"c{k}", place="start"),)] + [Named("hole", place="centre")]
    for _ in range(60):
        name = dice.choice(names)
        to = Point(dice.uniform(-80, 180), dice.uniform(-80, 140))
        x = dragged(stated, {}, name, to)
        assert off(stated, x) < 1e-7
        s = stated.bare.system
        for line in s.lines:
            dx, dy = x[line.b.x] - x[line.a.x], x[line.b.y] - x[line.a.y]
            assert dx * math.cos(s.x[line.t]) + dy * math.sin(s.x[line.t]) > 0
        for r in s.rounds:
            assert x[r.r] > 0
            assert r.a is None or 0 < (x[r.tb] - x[r.ta]) * r.turn < math.tau


def test_a_free_point_comes_to_the_hand_and_a_held_one_stays() -> None:
    stated = plate()
    x = dragged(stated, {}, Named("hole", place="centre"), Point(60, 20))
    spot = stated.bare.thing(Named("hole", place="centre"))
    assert (x[spot.x], x[spot.y]) == pytest.approx((60, 20), abs=1e-2)
    fixed = Stated.of(
        stated.curves, (*stated.constraints, Constraint("s", "fixed", (Named("hole", place="centre"),))), ()
    )
    x = dragged(fixed, {}, Named("hole", place="centre"), Point(60, 20))
    assert (x[spot.x], x[spot.y]) == pytest.approx((30, 30), abs=1e-9)


def test_there_and_back_in_a_defined_way_is_where_it_was() -> None:
    curves = (Curve("a", Line(Point(0, 0), Point(40, 0)), "0"), Curve("b", Line(Point(40, 0), Point(40, 30)), "0"))
    holds = [Constraint("s", "fixed", (Named("a", place="start"),)), Constraint("s", "level", (Named("a"),)),
             Constraint("s", "upright", (Named("b"),))]  # fmt: skip
    tall = Measure("d1", "s", "length", (Named("b"),), expression="30", use="live")
    stated = Stated.of(curves, holds, (tall,))
    end = Named("a", place="end")
    x = dragged(stated, {"d1": 30.0}, end, Point(70, 12))
    spot = stated.bare.thing(end)
    assert (x[spot.x], x[spot.y]) == pytest.approx((70, 0), abs=1e-6)
    back = dragged(stated, {"d1": 30.0}, end, Point(40, 0), x)
    assert back == pytest.approx(np.array(stated.bare.system.x), abs=1e-6)


def test_a_crank_can_be_dragged_through_a_whole_turn() -> None:
    # A slider-crank of 20 and 65: where the crank is, the slider is known in closed form.
    curves = (Curve("crank", Line(Point(0, 0), Point(20, 0)), "0"), Curve("rod", Line(Point(20, 0), Point(85, 0)), "0"),
              Curve("rail", Line(Point(0, 0), Point(200, 0)), "0"))  # fmt: skip
    ends = [Named("crank", place="start"), Named("rail", place="end")]
    holds = [*(Constraint("s", "fixed", (n,)) for n in ends),
             Constraint("s", "on", (Named("rod", place="end"), Named("rail")))]  # fmt: skip
    measures = [Measure("d1", "s", "length", (Named("crank"),), use="live", expression="20"),
                Measure("d2", "s", "length", (Named("rod"),), use="live", expression="65")]  # fmt: skip
    stated = Stated.of(curves, holds, measures)
    values, x = {"d1": 20.0, "d2": 65.0}, None
    pin, slider = (stated.bare.thing(Named(n, place="end")) for n in ("crank", "rod"))
    for k in range(1, 25):
        t = k * math.tau / 24
        x = dragged(stated, values, Named("crank", place="end"), Point(20 * math.cos(t), 20 * math.sin(t)), x)
        a = math.atan2(x[pin.y], x[pin.x])
        assert math.remainder(a - t, math.tau) == pytest.approx(0.0, abs=0.02)
        reach = 20 * math.cos(a) + math.sqrt(65**2 - (20 * math.sin(a)) ** 2)
        assert (x[slider.x], x[slider.y]) == pytest.approx((reach, 0.0), abs=1e-7)


def test_both_sides_of_the_middle_go_alike() -> None:
    stated = plate()
    before = np.array(stated.bare.system.x)
    corner = stated.bare.thing(Named("c2", place="start"))
    x = dragged(stated, {}, Named("c2", place="start"), Point(before[corner.x] + 7, before[corner.y]), both=True)
    p = [stated.bare.thing(Named(f"c{k}", place="start")) for k in range(8)]
    for one, other in ((0, 1), (7, 2), (6, 3), (5, 4)):
        assert x[p[one].x] + x[p[other].x] == pytest.approx(before[p[one].x] + before[p[other].x], abs=1e-6)
        assert x[p[one].y] == pytest.approx(x[p[other].y], abs=1e-6)
    assert x[corner.x] == pytest.approx(before[corner.x] + 7, abs=1e-6)
    assert off(stated, x) < 1e-7


def test_a_curve_is_led_by_its_ends_and_a_circle_by_its_centre() -> None:
    stated = plate()
    before = np.array(stated.bare.system.x)
    line = stated.bare.thing(Named("c2"))
    x = dragged(stated, {}, Named("c2"), Point(before[line.a.x] + 7, before[line.a.y]))
    for spot in (line.a, line.b):
        assert (x[spot.x], x[spot.y]) == pytest.approx((before[spot.x] + 7, before[spot.y]), abs=1e-4)
    assert off(stated, x) < 1e-7
    hole = stated.bare.thing(Named("hole"))
    x = dragged(stated, {}, Named("hole"), Point(44, 21))
    assert (x[hole.c.x], x[hole.c.y]) == pytest.approx((44, 21), abs=1e-6)
    assert x[hole.r] == before[hole.r]
