"""What healing must be whatever the drawing: settled once done, blind to order and place, and idle on a sound one."""

from __future__ import annotations

import itertools
import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from specimens import damage, damaged, heal_all

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Line
from syntaxa.geometry.transform import Transform
from syntaxa.mend.steps import MendFindings

DAMAGE = st.sampled_from(["split", "gap.05", "overshoot", "overlap", "dups", "stray", "dangle", "all"])
SEEDS = st.integers(1, 10_000)
LOOPS = 8


def areas(regions):
    return sorted(r.area for r in regions)


def turned_round(curve):
    """The same curve drawn the other way."""
    shape = curve.shape
    if isinstance(shape, Line):
        return replace(curve, shape=Line(shape.end, shape.start))
    if isinstance(shape, Arc):
        return replace(curve, shape=Arc(shape.centre, shape.radius, shape.start_angle + shape.sweep, -shape.sweep))
    return curve


@settings(max_examples=20)
@given(SEEDS, DAMAGE)
def test_what_is_healed_is_left_alone(seed, suite):
    _, curves = damaged(suite, seed, LOOPS)
    once, _, regions = heal_all(curves, 0.05)
    twice, findings, again = heal_all(once, 0.05)
    assert [f for f in findings if f.fixed and f.kind != "crossing"] == []
    assert twice == once
    assert areas(again) == pytest.approx(areas(regions), rel=1e-9)


@settings(max_examples=24)
@given(SEEDS, DAMAGE, st.floats(0, TURN), st.booleans(), st.floats(-500, 500))
def test_healing_commutes_with_moving_turning_and_mirroring(seed, suite, angle, mirrored, shift):
    _, curves = damaged(suite, seed, LOOPS)
    by = Transform.scaling(1, -1 if mirrored else 1).then(Transform.rotating(angle))
    by = by.then(Transform.moving(Vector(shift, -shift)))
    _, findings, regions = heal_all(curves, 0.05)
    _, elsewhere, moved = heal_all([replace(c, shape=c.shape.transformed(by)) for c in curves], 0.05)
    assert areas(moved) == pytest.approx(areas(regions), rel=1e-6)
    assert sorted(f.kind for f in elsewhere) == sorted(f.kind for f in findings)


@settings(max_examples=16)
@given(SEEDS, st.sampled_from(["gap.05", "overshoot", "overlap", "dups"]), st.sampled_from([0.5, 2.0, 8.0]))
def test_healing_commutes_with_scaling(seed, suite, factor):
    """The tolerance grows with the drawing; what is fixed in mm (specks, dead ends) is kept out of it."""
    _, curves = damaged(suite, seed, LOOPS)
    _, _, regions = heal_all(curves, 0.05)
    by = Transform.scaling(factor)
    _, _, grown = heal_all([replace(c, shape=c.shape.transformed(by)) for c in curves], 0.05 * factor)
    assert areas(grown) == pytest.approx([a * factor**2 for a in areas(regions)], rel=1e-6)


@settings(max_examples=24)
@given(SEEDS, DAMAGE, st.randoms(use_true_random=False))
def test_healing_does_not_care_for_order_or_direction(seed, suite, random):
    _, curves = damaged(suite, seed, LOOPS)
    shuffled = [turned_round(c) if random.random() < 0.5 else c for c in curves]
    random.shuffle(shuffled)
    _, _, regions = heal_all(curves, 0.05)
    _, _, others = heal_all(shuffled, 0.05)
    assert areas(others) == pytest.approx(areas(regions), rel=1e-6)


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_a_sound_drawing_comes_out_to_the_bit(seed):
    """Chords end on the inside of outlines here, loops lie within loops, walls are as thin as 0.2 mm: all is right."""
    truth = damage.make_truth(seed, 120)
    curves = tuple(_curve(k, s) for k, (s, _) in enumerate(truth.segments))
    state = State((), sketches=(Sketch("0", 0, curves),))
    for gap in (None, 0.05):
        after, entry = MendFindings(gap=gap).apply(state)
        assert after.sketches[0].curves == curves
        assert entry.changed == 0


def _curve(number, segment):
    a, b = Point(*map(float, segment[:2])), Point(*map(float, segment[2:4]))
    return Curve(f"{number:x}", Arc.from_bulge(a, b, float(segment[4])) if segment[4] else Line(a, b), "0")


@settings(max_examples=16)
@given(SEEDS, st.floats(0.06, 0.19), st.integers(3, 9))
def test_no_feature_wider_than_the_tolerance_is_swallowed(seed, size, count):
    """Holes, notches and short edges just above the tolerance, in a plate with gaps."""
    rng = np.random.default_rng(seed)
    edge = [(0.0, 0.0)]
    for k in range(count):
        x = 5 * (k + 1) + float(rng.uniform(0, 2))
        # A notch as wide and deep as the feature is large.
        edge += [(x, 0.0), (x, size), (x + size, size), (x + size, 0.0)]
    edge += [(60.0, 0.0), (60.0, 40.0), (0.0, 40.0), (0.0, 0.0)]
    curves = [Curve(f"e{k}", Line(Point(*a), Point(*b)), "0") for k, (a, b) in enumerate(itertools.pairwise(edge))]
    holes = [Curve(f"h{k}", Arc(Point(5 + 5 * k, 20), size / 2, 0.0, TURN / 2), "0") for k in range(count)] + [
        Curve(f"g{k}", Arc(Point(5 + 5 * k, 20), size / 2, TURN / 2, TURN / 2), "0") for k in range(count)
    ]
    after, findings, regions = heal_all([*curves, *holes], 0.05)
    assert not [f for f in findings if f.fixed]
    assert after == [*curves, *holes]
    plate = 60 * 40 - count * size**2 - count * math.pi * size**2 / 4
    assert max(r.area for r in regions) == pytest.approx(plate, rel=1e-12)
    assert len(regions) == 1 + count


@settings(max_examples=20)
@given(SEEDS)
def test_layers_and_roles_are_never_lost(seed):
    _, curves = damaged("all", seed, 6)
    layers = ("CUT", "BEND", "MARK")
    dressed = [replace(c, layer=layers[k % 3], roles=("front",) if k % 4 == 0 else ()) for k, c in enumerate(curves)]
    after, findings, _ = heal_all(dressed, 0.05)
    layer_of = {c.id: c.layer for c in dressed}
    assert all(c.layer == layer_of[c.id.split(".")[0]] for c in after)
    roles_of = {c.id: set(c.roles) for c in dressed}
    there = {c.id.split(".")[0] for c in after}
    for finding in findings:
        if finding.fixed and finding.kind == "duplicate":
            # What went into another leaves its role with it.
            gone = set().union(*(roles_of[i] for i in finding.curves if i not in there))
            left = [c for c in after if c.id.split(".")[0] in finding.curves]
            assert not left or all(gone <= set(c.roles) for c in left)
