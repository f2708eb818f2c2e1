"""G41 and G42 on the bench machine: small cases with known answers, Steiner's formula, and shapely's distances."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from syntaxa.cut.bench.interpreter import played

HEAD = "G21 G90 G17 G40\nT1 M6\nS1000 M3\nF500\n"


def run(text, radius=2.0):
    return played(HEAD + text + "M30\n", radii={1: radius})


def ways(read):
    return [m for m in read.moves if m.kind in ("rapid", "feed")]


def points_of(moves):
    found = [moves[0].start[:2]]
    for move in moves:
        count = 400 if move.centre is not None else 1
        found += [move.at(k / count)[:2] for k in range(1, count + 1)]
    return np.array(found)


def joined(moves):
    return all(math.dist(a.end, b.start) < 1e-9 for a, b in itertools.pairwise(moves))


def test_a_square_on_the_left_is_gone_round_outside_clockwise_with_arcs_at_its_corners():
    # Clockwise with the tool on the left is outside (ISO 6983: G41 is left, seen along the way).
    read = run("G0 X-10 Y-10\nG41 G1 X0 Y0\nY20\nX20\nY0\nX0\nG40 G1 X-10 Y-10\n")
    moves = ways(read)
    assert not read.problems
    assert not read.not_understood
    assert joined(moves)
    assert moves[1].end == pytest.approx((-2, 0, 0))
    assert [m.sweep for m in moves if m.centre] == pytest.approx([-math.pi / 2] * 3)
    assert moves[-2].end == pytest.approx((0, -2, 0))
    assert moves[-1].end == pytest.approx((-10, -10, 0))
    inside = sum(m.length for m in moves[2:-1])
    assert inside == pytest.approx(80 + 3 * math.pi)


def test_inside_corners_end_where_the_parallels_meet():
    read = run("G0 X10 Y5\nG41 G1 X10 Y0\nX20\nY20\nX0\nY0\nX10\nG40 G1 X10 Y5\n")
    moves = ways(read)
    assert joined(moves)
    assert not read.problems
    assert [m.end[:2] for m in moves[2:6]] == [pytest.approx(p) for p in ((18, 2), (18, 18), (2, 18), (2, 2))]


def test_arcs_grow_and_shrink_by_the_radius():
    for side, radius in (("G41", 8.0), ("G42", 12.0)):
        read = run(f"G0 X0 Y0\n{side} G1 X10 Y0\nG3 X10 Y0 I-10 J0\nG40 G1 X0 Y0\n")
        arc = next(m for m in ways(read) if m.centre)
        assert math.dist(arc.start[:2], (0, 0)) == pytest.approx(radius)
        assert arc.sweep == pytest.approx(math.tau)


def test_a_line_and_an_arc_that_meet_in_an_inner_corner_meet_beside_it():
    # Up the y axis, then counter-clockwise about (-10, 10): both parallels at 2 mm to the left, in closed form.
    read = run("G0 X0 Y-10\nG41 G1 X0 Y0\nY10\nX-10 Y10\nG40 X-20 Y20\n")
    assert ways(read)[2].end[:2] == pytest.approx((-2, 8))
    read = run("G0 X0 Y-10\nG41 G1 X0 Y0\nG1 Y10\nG3 X-10 Y20 I-20 J0\nG40 X-20 Y40\n", 1.0)
    assert joined(ways(read))


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("G41 G1 X10 Y0\nG3 X10 Y0 I-1.5 J0\nG40 G1 X0 Y0\n", "too large for an arc"),
        ("G41 G1 X10 Y0\nX20\nY1\nX0\nY-20\nG40 G1 X0 Y-30\n", "too large between"),
        ("G18 G41 G1 X10\n", "plane of G17"),
    ],
)
def test_what_the_tool_is_too_large_for_is_told(text, says):
    read = run(text)
    assert any(says in p.says for p in read.problems)
    assert len(read.problems) < 5


def test_without_a_radius_it_is_not_understood_and_the_place_is_the_programmed_one():
    read = played(HEAD + "G41 G1 X10 Y0\nX20\nG40\nM30\n")
    assert [w for _, w in read.not_understood] == ["G41"]
    assert ways(read)[-1].end == (20, 0, 0)


def test_a_d_word_names_the_radius_and_a_plunge_stays_where_it_is():
    text = HEAD + "G0 X0 Y0 Z5\nG41 D2 G1 X10 Y0\nG1 Z-3\nY10\nG40 X0 Y20\nM30\n"
    read = played(text, radii={1: 1.0, 2: 4.0})
    moves = ways(read)
    assert moves[1].end == pytest.approx((6, 0, 5))
    assert (moves[2].start[:2], moves[2].end) == (moves[2].end[:2], pytest.approx((6, 0, -3)))


@settings(max_examples=60, deadline=None)
@given(st.integers(0, 10_000), st.floats(0.2, 6.0), st.booleans())
def test_round_a_convex_shape_it_keeps_the_radius_everywhere(seed, radius, left):
    random = np.random.default_rng(seed)
    hull = shapely.MultiPoint(random.uniform(0, 100, (12, 2))).convex_hull
    corners = np.array(hull.exterior.coords)[:-1]
    ccw = shapely.LinearRing(corners).is_ccw
    # Outside on the left is clockwise.
    corners = corners if ccw != left else corners[::-1]
    middle = (corners[0] + corners[1]) / 2
    line = [middle, *corners[1:], corners[0], middle]
    away = middle + (middle - corners.mean(axis=0)) / np.linalg.norm(middle - corners.mean(axis=0)) * 20
    places = "".join(f"X{x:.9f} Y{y:.9f}\n" for x, y in line)
    read = run(f"G0 X{away[0]:.6f} Y{away[1]:.6f}\n{'G41' if left else 'G42'} G1 {places}G40 X{away[0]:.6f}\n", radius)
    moves = ways(read)
    assert joined(moves)
    assert not read.problems
    # Steiner's formula for the length of a parallel, and every place of it as far off as it should be.
    assert sum(m.length for m in moves[2:-1]) == pytest.approx(hull.exterior.length + math.tau * radius)
    places = shapely.points(points_of(moves[2:-1]))
    assert np.allclose(shapely.distance(hull, places), radius, atol=1e-6)
