"""Arrangements and regions against independent oracles: Euler's formula, and GEOS on the same lines."""

from __future__ import annotations

import math

import numpy as np
import pytest
import shapely
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from specimens import lines, regions_at, square

from syntaxa.drawing.model import Curve
from syntaxa.geometry.inside import contains
from syntaxa.geometry.points import Point
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.shapes import Arc, Circle, Line
from syntaxa.mend.arrangement import Cycles, bridges, split_at_contacts
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.regions import regions_of

corners = st.tuples(st.integers(0, 40), st.integers(0, 40))
segments = st.lists(st.tuples(corners, corners), min_size=3, max_size=14, unique=True)


def arranged(curves):
    pieces = pieces_of(curves, 0.001)
    return split_at_contacts(Neighbourhood(pieces.curves, 1e-6))[0], pieces


def distinct(pairs):
    """Lines of some length, no two of them along one another."""
    kept = []
    for a, b in pairs:
        if a == b:
            continue
        one = shapely.LineString([a, b])
        if all(one.intersection(shapely.LineString(k)).length == 0 for k in kept):
            kept.append((a, b))
    return kept


@settings(max_examples=60)
@given(segments)
def test_the_number_of_faces_is_eulers(pairs):
    """Bounded faces = edges - vertices + components (Euler's formula for plane graphs)."""
    kept = distinct(pairs)
    assume(kept)
    edges, pieces = arranged(lines(*kept))
    used = np.unique(np.concatenate([edges.tail, edges.head]))
    components = _components(edges, used)
    assert len(regions_of(edges, pieces.ids, "0")) == len(edges) - len(used) + components


def _components(edges, used):
    parent = {int(v): int(v) for v in used}

    def root(v):
        while parent[v] != v:
            v = parent[v]
        return v

    for a, b in zip(edges.tail.tolist(), edges.head.tolist(), strict=True):
        parent[root(a)] = root(b)
    return len({root(v) for v in parent})


@settings(max_examples=60)
@given(segments)
def test_faces_of_lines_are_those_of_geos(pairs):
    kept = distinct(pairs)
    assume(kept)
    edges, pieces = arranged(lines(*kept))
    ours = sorted(r.area for r in regions_of(edges, pieces.ids, "0"))
    noded = shapely.unary_union(shapely.multilinestrings([list(k) for k in kept]))
    theirs = sorted(p.area for p in shapely.get_parts(shapely.polygonize(shapely.get_parts(noded))))
    assert ours == pytest.approx(theirs, rel=1e-7, abs=1e-7)


@settings(max_examples=60)
@given(segments)
def test_bridges_are_the_edges_whose_loss_parts_the_graph(pairs):
    kept = distinct(pairs)
    assume(kept)
    edges, _ = arranged(lines(*kept))
    used = np.unique(np.concatenate([edges.tail, edges.head]))
    whole = _components(edges, used)
    parts = [_components(edges.take(np.arange(len(edges)) != k), used) > whole for k in range(len(edges))]
    assert bridges(edges).tolist() == parts


@given(
    st.lists(st.tuples(st.floats(0.3, 1.0), st.floats(-0.9, 0.9)), min_size=3, max_size=9),
    st.floats(-15, 15),
    st.floats(-15, 15),
)
def test_a_loop_of_arcs_holds_what_its_facets_hold(spokes, x, y):
    angles = 2 * math.pi * np.arange(len(spokes)) / len(spokes)
    rows = np.array(
        [(10 * r * math.cos(a), 10 * r * math.sin(a), b * 0.3) for a, (r, b) in zip(angles, spokes, strict=True)]
    )
    loop = pieces_of_rows(rows, True)
    share = np.linspace(0, 1, 200)
    facets = np.concatenate([loop.take(np.full(200, k)).points_at(share)[:-1] for k in range(len(loop))])
    polygon = shapely.Polygon(facets)
    assume(polygon.is_valid)
    assume(polygon.boundary.distance(shapely.Point(x, y)) > 0.01)
    assert contains(loop, np.array([x, y])) == polygon.contains(shapely.Point(x, y))


def test_a_point_between_a_large_arc_and_its_chord_is_inside():
    # Three quarters of a circle, closed by its chord.
    bulge = math.tan(1.5 * math.pi / 4)
    loop = pieces_of_rows(np.array([[10, 0, bulge], [0, -10, 0.0]]), True)
    for point, inside in (((-9, 0), True), ((0, 9.9), True), ((5, -5.5), False), ((4, -4), True), ((11, 0), False)):
        assert contains(loop, np.array(point)) == inside


def test_nested_circles_count_their_depth():
    curves = [Curve(f"c{k}", Circle(Point(0, 0), 10 - k), "0") for k in range(6)]
    regions = sorted(regions_at(curves), key=lambda r: r.box)
    assert [r.depth for r in regions] == list(range(6))
    for k, region in enumerate(regions):
        inner = 0 if k == 5 else (9 - k) ** 2
        assert region.area == pytest.approx(math.pi * ((10 - k) ** 2 - inner), rel=1e-12)


def test_loops_that_touch_in_a_point_are_two_regions():
    curves = lines(square(5), [(5, 5), (10, 5), (10, 10), (5, 10), (5, 5)])
    assert sorted(r.area for r in regions_at(curves)) == [pytest.approx(25), pytest.approx(25)]


def test_a_hole_linked_to_its_outline_is_still_a_hole():
    """A bridge bounds nothing: with it or without, the regions are the same."""
    curves = [*lines(square(20)), Curve("hole", Circle(Point(10, 10), 4), "0")]
    linked = [*curves, Curve("link", Line(Point(0, 10), Point(6, 10)), "0")]
    areas = [r.area for r in regions_at(curves)]
    assert [r.area for r in regions_at(linked)] == pytest.approx(areas)


def test_tangent_arcs_leave_a_vertex_in_the_right_order():
    """Two arcs and a line leave one point in one direction; only their curvature tells them apart."""
    curves = [
        Curve("flat", Line(Point(0, 0), Point(10, 0)), "0"),
        Curve("wide", Arc(Point(0, 20), 20, -math.pi / 2, 0.4), "0"),
        Curve("tight", Arc(Point(0, 8), 8, -math.pi / 2, 0.9), "0"),
    ]
    ends = [c.shape.end for c in curves]
    closing = [Curve(f"x{k}", Line(ends[k], ends[k + 1]), "0") for k in range(2)]
    regions = regions_at([*curves, *closing])
    assert len(regions) == 2
    whole = sum(r.area for r in regions)
    edges, _ = arranged([*curves, *closing])
    outside = Cycles(edges)
    assert whole == pytest.approx(-outside.area.min(), rel=1e-12)
