"""What is connected, what closes a loop, what is alike, and what words mean."""

from __future__ import annotations

import math

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import State
from syntaxa.errors import MeasureError, RouteError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line
from syntaxa.route.model import Appearances
from syntaxa.route.picking import alike, chains, connected, inverted, loop, matching


def line(name, a, b, layer="0"):
    return Curve(name, Line(Point(*a), Point(*b)), layer)


#: Two squares that share a side, a tail, and a line apart.
CURVES = [
    line("a", (0, 0), (1, 0)),
    line("b", (1, 0), (1, 1)),
    line("c", (1, 1), (0, 1)),
    line("d", (0, 1), (0, 0)),
    line("e", (1, 0), (3, 0)),
    line("f", (3, 0), (3, 1)),
    line("g", (3, 1), (1, 1)),
    line("tail", (3, 1), (5, 5)),
    line("apart", (9, 9), (9, 8), "NOTES"),
    Curve("small", Circle(Point(7, 7), 1), "HOLES"),
    Curve("large", Circle(Point(7, 7), 4), "HOLES"),
    Curve("arc", Arc(Point(20, 0), 4, 0, math.pi), "HOLES"),
]


def looks():
    return Appearances(State.of(Drawing(tuple(CURVES), (Layer("0"), Layer("NOTES", 5), Layer("HOLES", 9)))))


def test_a_chain_is_all_that_can_be_reached():
    assert connected(CURVES, {"a"}, 1e-6) == {"a", "b", "c", "d", "e", "f", "g", "tail"}
    assert connected(CURVES, {"apart", "small"}, 1e-6) == {"apart", "small"}
    assert connected([line("p", (0, 0), (1, 0)), line("q", (1.2, 0), (2, 0))], {"p"}, 0.25) == {"p", "q"}
    assert connected([], {"p"}, 1.0) == set()


def test_a_loop_is_the_shortest_way_round():
    assert loop(CURVES, {"a"}, 1e-6) == {"a", "b", "c", "d"}
    assert loop(CURVES, {"f"}, 1e-6) == {"b", "e", "f", "g"}
    assert loop(CURVES, {"tail"}, 1e-6) == {"tail"}
    assert loop(CURVES, {"small"}, 1e-6) == {"small"}


@given(st.lists(st.tuples(st.integers(0, 4), st.integers(0, 4), st.integers(0, 4), st.integers(0, 4)), max_size=25))
def test_chains_are_the_pieces_that_shapely_sees(ends):
    curves = [line(f"{k}", (a, b), (c, d)) for k, (a, b, c, d) in enumerate(ends) if (a, b) != (c, d)]
    found = chains(curves, 1e-6)
    assert sorted(c.id for chain in found for c in chain) == sorted(c.id for c in curves)
    # Independent: ends merged one by one.
    home = {}
    for curve in curves:
        at = {(*curve.shape.start,), (*curve.shape.end,)}
        merged = at.union(*(v for v in {id(s): s for s in home.values()}.values() if v & at))
        home.update(dict.fromkeys(merged, merged))
    assert len(found) == len({id(s) for s in home.values()})


@given(st.integers(3, 40), st.integers(0, 39))
def test_a_polygon_is_one_loop_from_any_of_its_sides(sides, pick):
    ring = shapely.Point(0, 0).buffer(10, quad_segs=8).exterior.coords[:-1]
    corners = [ring[k * len(ring) // sides] for k in range(sides)] if sides <= len(ring) else ring
    count = len(corners)
    curves = [line(f"{k}", corners[k], corners[(k + 1) % count]) for k in range(count)]
    assert len(loop(curves, {f"{pick % count}"}, 1e-6)) == count


def test_curves_that_are_alike():
    assert alike(CURVES, {"apart"}, "layer", looks()) == {"apart"}
    assert alike(CURVES, {"small"}, "kind", looks()) == {"small", "large"}
    assert alike(CURVES, {"large"}, "radius", looks()) == {"large", "arc"}
    assert alike(CURVES, {"a"}, "length", looks()) >= {"a", "b", "f"}
    assert alike(CURVES, {"a"}, "radius", looks()) == set()
    assert inverted(CURVES, {c.id for c in CURVES} - {"a"}) == {"a"}


@pytest.mark.parametrize(
    ("words", "unit", "meant"),
    [
        ("circles under 3 mm", "in", {"small"}),
        ("circles over 3", "mm", {"large"}),
        ("circle of 2mm", "mm", {"small"}),
        ("arcs radius 4", "mm", {"arc"}),
        ("radius between 1 and 4 mm", "mm", {"small", "large", "arc"}),
        ("lines on notes", "mm", {"apart"}),
        ("on H*", "mm", {"small", "large", "arc"}),
        ("lines over 4 mm", "mm", {"tail"}),
        ("lines under 1/16in on NOTES", "mm", {"apart"}),
        ("closed", "mm", {"small", "large"}),
    ],
)
def test_words_pick_what_they_mean(words, unit, meant):
    assert matching(CURVES, words, unit, looks()) == meant


@pytest.mark.parametrize("words", ["", "all the good ones", "circles beneath 3", "circles under"])
def test_words_that_mean_nothing_are_refused(words):
    with pytest.raises((RouteError, MeasureError)):
        matching(CURVES, words, "mm", looks())
