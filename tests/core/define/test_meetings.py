"""What is read off where curves meet: each by a small drawing with a known answer, noisy, moved and turned."""

from __future__ import annotations

import math
import random

import pytest

from syntaxa.define.model import Constraint, Named
from syntaxa.define.reading_off import read_off
from syntaxa.define.settling import Stated, free_in, idle_in, settled
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line
from syntaxa.geometry.transform import Transform

NOISE = 0.008


def plate(turn_deg: float = 0.0, seed: int = 1) -> list[Curve]:
    """A frame with a rib, a hole amid its right edge, and four holes mirrored in a line that stands free beside it."""
    dice = random.Random(seed)
    turn = Transform.rotating(math.radians(turn_deg))

    def off(x: float, y: float) -> Point:
        return turn.point(Point(x + dice.gauss(0, NOISE), y + dice.gauss(0, NOISE)))

    p = [off(0, 0), off(80, 0), off(80, 50), off(0, 50)]
    curves = [Curve(f"e{k}", Line(p[k], p[(k + 1) % 4]), "0") for k in range(4)]
    curves.append(Curve("rib", Line(off(30, 0), off(30, 50)), "0"))
    curves.append(Curve("amid", Circle(off(80, 25), 4), "0"))
    curves.append(Curve("axis", Line(off(120, -10), off(120, 60)), "0"))
    for k, (x, y) in enumerate(((105, 10), (135, 10), (97, 43), (143, 43))):
        curves.append(Curve(f"h{k}", Circle(off(x, y), 3 + k // 2 + dice.gauss(0, NOISE)), "0"))
    return curves


def keys(kept, kind):
    return {frozenset(str(n) for n in c.things) for c in kept if c.kind == kind}


@pytest.mark.parametrize("turn_deg", [0.0, 33.0])
@pytest.mark.parametrize("seed", [1, 2, 3])
def test_ends_and_centres_on_lines_amid_them_and_mirrored_are_read_off(turn_deg, seed):
    kept = read_off("s", plate(turn_deg, seed)).kept
    assert keys(kept, "midpoint") == {frozenset(("centre of #amid", "#e1"))}
    assert keys(kept, "on") == {frozenset(("start of #rib", "#e0")), frozenset(("end of #rib", "#e2"))}
    assert keys(kept, "symmetric") == {
        frozenset(("centre of #h0", "centre of #h1", "#axis")),
        frozenset(("centre of #h2", "centre of #h3", "#axis")),
    }


def test_each_of_them_says_something_new():
    curves = tuple(plate())
    kept = read_off("s", curves).kept
    made = settled(Stated.of(curves, kept, ()), {}).curves
    whole = free_in(Stated.of(made, kept, ()), {})[1].count
    assert idle_in(Stated.of(made, kept, ()), {}) == ()
    for one in kept:
        less = Stated.of(made, [c for c in kept if c != one], ())
        assert free_in(less, {})[1].count > whole, one.key


def test_what_a_mirror_implies_is_told_though_its_row_is_nought_but_for_rounding():
    # In an upright axis, mirrored centres lie level: to say that again says nothing.
    curves = tuple(c for c in plate() if c.id in ("axis", "h0", "h1"))
    holds = [
        Constraint("s", "upright", (Named("axis"),)),
        Constraint("s", "symmetric", (*(Named(f"h{k}", place="centre") for k in (0, 1)), Named("axis"))),
        Constraint("s", "level points", tuple(Named(f"h{k}", place="centre") for k in (0, 1))),
    ]
    made = settled(Stated.of(curves, holds, ()), {}).curves
    assert idle_in(Stated.of(made, holds, ()), {}) == (holds[2].key,)


def test_a_line_in_a_profile_is_no_axis_and_an_end_in_a_corner_is_on_nothing():
    kept = read_off("s", plate()).kept
    assert all("axis" in c.things[2].root for c in kept if c.kind == "symmetric")
    assert all(c.things[0].root == "rib" for c in kept if c.kind == "on")


def test_corners_that_nobody_mended_are_held_together_and_closed():
    p = [Point(0, 0), Point(60, 0), Point(60, 40), Point(0, 40)]
    apart = [Point(0.01, 0), Point(60, 0.02), Point(59.98, 40), Point(0, 40.01)]
    curves = tuple(Curve(f"e{k}", Line(apart[k], p[(k + 1) % 4]), "0") for k in range(4))
    kept = read_off("s", curves).kept
    assert len(keys(kept, "coincident")) == 4
    made = settled(Stated.of(curves, kept, ()), {}).curves
    for k in range(4):
        assert made[k].shape.end.distance_to(made[(k + 1) % 4].shape.start) <= 1e-9
    # Six freedoms of a rectangle less its two directions: place, width and height are left.
    assert free_in(Stated.of(made, kept, ()), {})[1].count == 4
