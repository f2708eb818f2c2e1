"""The proposed tolerance knows what is meant to be apart; what was sound, and marks of centres, are not touched."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from specimens import lines, square

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.points import Point
from syntaxa.geometry.refit import RefitLimits, refit
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.transform import Transform
from syntaxa.mend.centre_marks import centre_marks
from syntaxa.mend.steps import MendFindings, proposed_gap


def sketch(*curves):
    return Sketch("0", 0, tuple(curves))


def mended(*curves, gap=None):
    after, entry = MendFindings(gap).apply(State(sketches=(sketch(*curves),)))
    return {c.id: c.shape for c in after.curves()}, entry


def ruled(spacing, count=40, length=60.0):
    return [Curve(f"r{k}", Line(Point(0, k * spacing), Point(length, k * spacing)), "0") for k in range(count)]


def broken_square(gap, size=40.0, x=100.0, word="q"):
    """Four sides, each short of its corner by the gap along itself."""
    corners = square(size, x)
    sides = []
    for (ax, ay), (bx, by) in itertools.pairwise(corners):
        share = 1 - gap / size
        sides.append(Line(Point(ax, ay), Point(ax + (bx - ax) * share, ay + (by - ay) * share)))
    return [Curve(f"{word}{k}", s, "0") for k, s in enumerate(sides)]


# ---------------------------------------------------------------------- what is meant to be apart


@pytest.mark.parametrize("spacing", [0.43, 0.63, 2.0])
def test_ruled_lines_are_no_gaps(spacing):
    """It proposed 0.43 and 0.63 mm, and merged neighbouring lines."""
    found = proposed_gap([sketch(*ruled(spacing))])
    assert found.gap < spacing / 2
    after, entry = mended(*ruled(spacing))
    assert after == {c.id: c.shape for c in ruled(spacing)}
    assert entry.changed == 0


@given(st.floats(0.01, 0.15), st.floats(0.45, 3.0))
def test_gaps_are_closed_beside_ruled_lines_and_the_lines_stay(gap, spacing):
    drawn = [*ruled(spacing), *broken_square(gap), *broken_square(gap, x=160.0, word="p")]
    found = proposed_gap([sketch(*drawn)])
    assert gap <= found.gap < spacing / 2
    after, _ = mended(*drawn)
    assert {name: s for name, s in after.items() if name.startswith("r")} == {c.id: c.shape for c in ruled(spacing)}
    assert all(s.length == pytest.approx(40.0) for name, s in after.items() if not name.startswith("r"))


def filled(spacing, turn, size=40.0):
    """Lines side by side that end at the sides of a square, as a laser fills an area; no crumbs in its corners."""
    along, across = np.array([math.cos(turn), math.sin(turn)]), np.array([-math.sin(turn), math.cos(turn)])
    feet = size / 2 + (np.arange(-size, size, spacing) + 0.31 * spacing)[:, None] * across
    whole = shapely.linestrings(np.stack([feet - 2 * size * along, feet + 2 * size * along], axis=1))
    cut = [np.array(c.coords) for c in shapely.intersection(whole, shapely.box(0, 0, size, size)) if c.length > spacing]
    return [Curve(f"f{k}", Line(Point(*a), Point(*b)), "0") for k, (a, b) in enumerate(cut)]


@given(st.floats(0.08, 2.0), st.floats(0.0, math.pi))
@settings(max_examples=25, deadline=None)
def test_lines_that_fill_an_area_are_no_gaps_at_its_edge(spacing, turn):
    """Slanted, their ends lie farther apart along the edge than the lines do: one end was taken for the other's."""
    drawn = filled(spacing, turn)
    gap = spacing / 5
    found = proposed_gap([sketch(*drawn)])
    assert found.gap < spacing / 2
    broken = [c for k in range(8) for c in broken_square(gap, x=100.0 + 50 * k, word=f"q{k}-")]
    after, _ = mended(*drawn, *broken)
    assert {name: s for name, s in after.items() if name.startswith("f")} == {c.id: c.shape for c in drawn}


@pytest.mark.parametrize("turn", [0.0, 0.6])
@pytest.mark.parametrize("over", [0.6, 1.0, 1.3])
def test_lines_of_a_lattice_that_run_past_each_other_by_a_spacing_stay(turn, over):
    """It proposed 1.25 mm, took lines beside each other for one drawn twice, and made few of many."""
    by = Transform.rotating(turn)
    rows = [Line(Point(-over, k), Point(29 + over, k)) for k in range(30)]
    columns = [Line(Point(k, -over), Point(k, 29 + over)) for k in range(30)]
    drawn = [Curve(f"l{k}", s.transformed(by), "0") for k, s in enumerate([*rows, *columns])]
    assert proposed_gap([sketch(*drawn)]).gap < 0.5
    after, _ = mended(*drawn)
    lying = [s for s in after.values() if abs(math.sin((s.end - s.start).angle - turn)) < 0.5]
    assert sum(s.length for s in lying) == pytest.approx(30 * 29), "all of it but what ran past"


def test_where_gaps_are_as_wide_as_features_the_safe_side_is_taken_and_told():
    drawn = [*ruled(0.5), *(c for k in range(9) for c in broken_square(0.32, x=100.0 + 50 * k, word=f"q{k}-"))]
    found = proposed_gap([sketch(*drawn)])
    assert found.gap < 0.25
    assert found.apart == pytest.approx(0.5)
    assert found.doubtful == 72
    assert "72 open ends have their nearest partner about as far away as things that are meant" in found.says
    assert "apart (0.5 mm)" in found.says


def test_short_edges_of_what_is_sound_bound_it():
    notched = [(0, 0), (40, 0), (40, 0.2), (39.8, 0.2), (39.8, 20), (0, 20), (0, 0)]
    drawn = [*lines(notched), *broken_square(0.3)]
    assert proposed_gap([sketch(*drawn)]).gap < 0.1


def test_small_circles_with_marks_propose_nothing_large():
    """Circles of 10 mm with crosses: it proposed 2.21 mm and dented one."""
    drawn = []
    for k in range(12):
        x = 14.0 * k
        drawn.append(Curve(f"c{k}", Circle(Point(x, 0), 5), "0"))
        drawn.append(Curve(f"h{k}", Line(Point(x - 2.8, 0), Point(x + 2.8, 0)), "0"))
        drawn.append(Curve(f"v{k}", Line(Point(x, -2.8), Point(x, 2.8)), "0"))
    assert proposed_gap([sketch(*drawn)]).gap < 0.01
    after, entry = mended(*drawn)
    assert after == {c.id: c.shape for c in drawn}
    assert entry.changed == 0


# ---------------------------------------------------------------------- what was sound


@given(st.floats(0.3, 2.0), st.floats(0, 2 * math.pi), st.floats(-0.9, 0.9))
def test_a_sound_circle_is_never_touched(gap, angle, off):
    """Whatever ends near it, from inside or outside: it may come to the circle, or stay open."""
    circle = Curve("c", Circle(Point(0, 0), 5), "0")
    far = 5 + off * gap
    end = Point(far * math.cos(angle), far * math.sin(angle))
    beyond = Point(30 * math.cos(angle + 0.4), 30 * math.sin(angle + 0.4))
    after, _ = mended(circle, Curve("l", Line(beyond, end), "0"), gap=gap)
    arcs = [s for name, s in after.items() if name.startswith("c")]
    for shape in arcs:
        pieces = [shape] if isinstance(shape, Circle | Arc) else list(shape.segments())
        assert all(p.centre.distance_to(Point(0, 0)) < 1e-6 and abs(p.radius - 5) < 1e-6 for p in pieces)
    assert sum(s.length for s in arcs) == pytest.approx(10 * math.pi, rel=1e-9)


@given(
    st.floats(0.2, 1.5),
    st.floats(5, 175).flatmap(lambda a: st.sampled_from([a, -a])),
    st.floats(-1, 1),
    st.floats(1, 39),
)
def test_a_sound_profile_is_never_touched(gap, turn, off, at):
    plate = Curve("p", Polyline(tuple(Point(*p) for p in square(40.0)[:-1]), (0.0,) * 4, True), "0")
    end = Point(at, off * gap)
    far = Point(at + 50 * math.cos(math.radians(turn)), off * gap + 50 * math.sin(math.radians(turn)))
    after, _ = mended(plate, Curve("l", Line(far, end), "0"), gap=gap)
    kept = [s for name, s in after.items() if name.startswith("p")]
    corners = {(round(p.x, 6), round(p.y, 6)) for s in kept for p in getattr(s, "vertices", (s.start, s.end))}
    assert {(0, 0), (40, 0), (40, 40), (0, 40)} <= corners
    assert all(min(abs(x), abs(x - 40), abs(y), abs(y - 40)) < 1e-6 for x, y in corners)
    assert sum(s.length for s in kept) == pytest.approx(160)


# ---------------------------------------------------------------------- marks of centres


def cross(x, y, arm, word, turn=0.0):
    ways = [(math.cos(turn + k * math.pi / 2), math.sin(turn + k * math.pi / 2)) for k in (0, 1)]
    return [
        Curve(f"{word}{k}", Line(Point(x - arm * u, y - arm * v), Point(x + arm * u, y + arm * v)), "0")
        for k, (u, v) in enumerate(ways)
    ]


@pytest.mark.parametrize("arm", [0.4, 1.3, 2.9])
@pytest.mark.parametrize("turn", [0.0, 0.6])
def test_a_small_cross_in_a_circle_is_a_mark_and_stays(arm, turn):
    """Its arms were dropped as dead ends."""
    drawn = [Curve("c", Circle(Point(0, 0), 8), "0"), *cross(0.1, 0, arm, "m", turn), *broken_square(0.1)]
    after, _ = mended(*drawn, gap=0.2)
    assert {name: after[name] for name in ("c", "m0", "m1")} == {c.id: c.shape for c in drawn[:3]}


def test_four_arms_are_a_mark_too():
    arms = [Curve(f"a{k}", Line(Point(0, 0), Point(1.3 * u, 1.3 * v)), "0")
            for k, (u, v) in enumerate([(1, 0), (0, 1), (-1, 0), (0, -1)])]  # fmt: skip
    drawn = [Curve("c", Circle(Point(0, 0), 8), "0"), *arms]
    assert centre_marks(drawn) == {"a0", "a1", "a2", "a3"}
    assert mended(*drawn, gap=0.2)[0] == {c.id: c.shape for c in drawn}


@pytest.mark.parametrize(
    "drawn",
    [
        cross(0, 0, 1.3, "m"),
        [Curve("c", Circle(Point(0, 0), 8), "0"), *cross(4, 0, 1.3, "m")],
        [Curve("c", Circle(Point(0, 0), 8), "0"), *cross(0, 0, 9.0, "m")],
        [Curve("c", Circle(Point(0, 0), 8), "0"), cross(0, 0, 1.3, "m")[0]],
        [Curve("c", Circle(Point(0, 0), 8), "0"), cross(0, 0, 1.3, "m")[0], cross(0, 0, 2.0, "n")[1]],
    ],
)
def test_other_crosses_are_no_marks(drawn):
    assert centre_marks(drawn) == set()


# ---------------------------------------------------------------------- facets


def test_a_straight_way_that_doubles_back_is_neither_line_nor_arc():
    """It divided by zero, and took inspect and mend down."""
    import numpy as np

    way = np.array([(10, 10), (20, 10), (15, 10), (25, 10), (17, 10), (30, 10), (22, 10), (40, 10)], dtype=float)
    stops, bulges = refit(way, False, RefitLimits(0.001, 0.05))
    assert stops == list(range(8))
    assert not any(bulges)


@given(st.lists(st.integers(0, 50), min_size=2, max_size=12), st.booleans())
def test_no_straight_run_becomes_an_arc(places, closed):
    import numpy as np

    kept = [p for k, p in enumerate(places) if not k or p != places[k - 1]]
    if closed and kept[0] == kept[-1]:
        kept.pop()
    way = np.array([(p, 2.0 * p) for p in kept], dtype=float).reshape(-1, 2)
    if len(way) > 1:
        assert not any(refit(way, closed, RefitLimits(0.001, 0.05))[1])
