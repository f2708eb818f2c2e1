"""Stacks of lines and arcs against the union of intervals worked out on the side."""

from __future__ import annotations

import itertools
import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from specimens import heal_all

from syntaxa.deliver.profiles import profiles_of
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line
from syntaxa.geometry.tolerances import Tolerances

intervals = st.lists(
    st.tuples(st.floats(0, 90), st.floats(1, 30)).map(lambda t: (t[0], t[0] + t[1])), min_size=1, max_size=8
)


def union(spans):
    """Total length of the union of intervals, and how many pieces it has."""
    merged = []
    for a, b in sorted(spans):
        if merged and a <= merged[-1][1]:
            merged[-1][1] = max(merged[-1][1], b)
        else:
            merged.append([a, b])
    return sum(b - a for a, b in merged), len(merged)


def clear(spans):
    """Whether no two ends lie so near to one another that touching and missing cannot be told apart."""
    ends = sorted(e for span in spans for e in span)
    return all(b - a > 1e-3 for a, b in itertools.pairwise(ends))


@given(intervals, st.floats(0, TURN), st.booleans())
def test_lines_on_a_line_become_their_union(spans, angle, turned):
    assume(clear(spans))
    along = Vector(math.cos(angle), math.sin(angle))
    ends = [(Point(5, 7) + along * a, Point(5, 7) + along * b) for a, b in spans]
    curves = [Curve(f"c{k}", Line(b, a) if turned and k % 2 else Line(a, b), "0") for k, (a, b) in enumerate(ends)]
    after, _, _ = heal_all(curves, 1e-4)
    length, count = union(spans)
    assert sum(c.shape.length for c in after) == pytest.approx(length)
    assert len(after) == count


@given(st.lists(st.tuples(st.floats(0, TURN), st.floats(0.2, 2.5)), min_size=1, max_size=7), st.booleans())
def test_arcs_on_a_circle_become_their_union(spans, turned):
    lapped = [(a + lap, a + s + lap) for a, s in spans for lap in (-TURN, 0.0, TURN)]
    assume(clear([(a, a + s) for a, s in spans]))
    assume(all(abs(x - y) > 1e-3 for k, p in enumerate(lapped) for q in lapped[:k] for x in p for y in q))
    curves = [
        Curve(f"a{k}", Arc(Point(1, 2), 20, a + s, -s) if turned and k % 2 else Arc(Point(1, 2), 20, a, s), "0")
        for k, (a, s) in enumerate(spans)
    ]
    after, _, regions = heal_all(curves, 1e-4)
    # The union over one turn, read off the middle one of three laps.
    inside = [(max(a, 0.0), min(b, TURN)) for a, b in lapped if b > 0 and a < TURN]
    length, _ = union(inside)
    assert sum(c.shape.length for c in after) == pytest.approx(20 * length, rel=1e-9)
    assert bool(regions) == (length >= TURN - 1e-9)


def test_parallel_lines_and_concentric_arcs_are_left_alone():
    curves = [
        Curve("a", Line(Point(0, 0), Point(10, 0)), "0"),
        Curve("b", Line(Point(0, 0.2), Point(10, 0.2)), "0"),
        Curve("c", Circle(Point(50, 0), 5), "0"),
        Curve("d", Circle(Point(50, 0), 5.2), "0"),
    ]
    after, findings, _ = heal_all(curves, 0.05)
    assert after == curves
    assert {f.kind for f in findings} == {"stray"}


def test_pieces_that_only_touch_end_to_end_are_not_stacked():
    curves = [
        Curve("a", Line(Point(0, 0), Point(5, 0)), "0"),
        Curve("b", Line(Point(5, 0), Point(10, 0)), "0"),
    ]
    after, findings, _ = heal_all(curves, 0.05)
    assert after == curves
    assert not [f for f in findings if f.kind in ("overlap", "duplicate")]


def test_the_other_layer_of_a_duplicate_is_another_sketch():
    """Healing works sketch by sketch: what lies doubled on two layers may be meant on both."""
    circle = Circle(Point(0, 0), 3)
    for layer in ("CUT", "ENGRAVE"):
        after, findings, _ = heal_all([Curve("c", circle, layer)], 0.05)
        assert (len(after), findings) == (1, ())


def test_profiles_keep_the_whole_length_and_touching_outlines_apart():
    curves = [
        *[Curve(f"l{k}", Circle(Point(10 * k, 0), 5), "0") for k in range(3)],
        Curve("e", EllipseArc(Point(0, 40), Vector(9, 0), 0.5, 0.0, TURN), "0"),
    ]
    shapes = profiles_of(Sketch("0", 0, tuple(curves)), Tolerances()).shapes
    assert sum(s.length for s in shapes) == pytest.approx(3 * 10 * math.pi + curves[3].shape.length, rel=1e-9)
    assert all(s.is_closed for s in shapes)
    assert sorted(type(s).__name__ for s in shapes) == ["Circle", "Circle", "Circle", "EllipseArc"]
