"""What holds of any part: volumes by another library, closed meshes, what is joined and common, names that stay."""

from __future__ import annotations

import math

import numpy as np
import pytest
import shapely
import trimesh
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from making import bodies, circle, done, only, outline, sketch, state

from syntaxa.form.bodies import CombineBodies, PlaceBody
from syntaxa.form.choosing import profiles_in
from syntaxa.form.flats import flat_of
from syntaxa.form.kernel.meshing import mesh_of
from syntaxa.form.kernel.packing import unpacked
from syntaxa.form.kernel.shop import details
from syntaxa.form.model import Frame
from syntaxa.form.raising import RaiseRegions

FEW = settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.too_slow])


@st.composite
def stars(draw):
    """Corners round a middle, so that the outline never meets itself."""
    count = draw(st.integers(3, 12))
    radii = draw(st.lists(st.integers(30, 60), min_size=count, max_size=count))
    angles = [math.tau * k / count for k in range(count)]
    return [(100 + r * math.cos(a), 100 + r * math.sin(a)) for r, a in zip(radii, angles, strict=True)]


@st.composite
def plates(draw):
    """An outline with holes well inside of it, apart from each other: (corners, [(x, y, r)], depth)."""
    corners = draw(stars())
    inner = shapely.Polygon(corners).buffer(-1)
    cells = draw(st.lists(st.tuples(st.integers(-3, 3), st.integers(-3, 3)), max_size=8, unique=True))
    holes = [(100.0 + 8 * i, 100.0 + 8 * j, draw(st.floats(0.5, 3.5))) for i, j in cells]
    holes = [h for h in holes if inner.contains(shapely.Point(h[:2]).buffer(h[2]))]
    return corners, holes, draw(st.floats(0.2, 80.0))


def raised(plate):
    corners, holes, depth = plate
    after, _ = done(
        state(sketch("S", outline(*corners), *(circle(*h) for h in holes))), RaiseRegions("R", "S", high=repr(depth))
    )
    return after


def area_of(plate):
    corners, holes, _ = plate
    return shapely.Polygon(corners).area - sum(math.pi * r * r for _, _, r in holes)


@FEW
@given(plates())
def test_the_volume_is_that_of_another_library(plate):
    figures = only(raised(plate)).figures
    assert figures.volume == pytest.approx(area_of(plate) * plate[2], rel=1e-9)
    assert figures.valid
    assert dict(figures.faces) == {"plane": len(plate[0]) + 2} | ({"cylinder": len(plate[1])} if plate[1] else {})


@FEW
@given(plates(), st.sampled_from([0.5, 0.05]))
def test_its_mesh_is_closed_looks_outwards_and_keeps_to_its_tolerance(plate, deflection):
    body = only(raised(plate))
    made = mesh_of(unpacked(body.solid), deflection, 0.5)
    mesh = trimesh.Trimesh(made.points, made.triangles, process=False)
    mesh.merge_vertices()
    assert mesh.is_watertight
    assert mesh.is_winding_consistent
    assert abs(mesh.volume - body.figures.volume) <= deflection * body.figures.area
    middles = made.points[made.triangles].mean(axis=1)
    ways = np.cross(*(made.points[made.triangles[:, k]] - made.points[made.triangles[:, 0]] for k in (1, 2)))
    assert ((ways * made.normals[made.triangles[:, 0]]).sum(axis=1) > -1e-9).all()
    # The triangles of a face that is flat and level lie at its height.
    level = np.abs(ways[:, 2]) > 0.999 * np.linalg.norm(ways, axis=1)
    assert np.allclose(np.minimum(np.abs(middles[level, 2]), np.abs(middles[level, 2] - plate[2])), 0, atol=1e-9)


@FEW
@given(plates())
def test_regions_in_space_are_covered_by_their_own_triangles(plate):
    corners, holes, _ = plate
    one = sketch("S", outline(*corners), *(circle(*h) for h in holes))
    profiles = profiles_in(one)
    flat = flat_of(one, Frame(), profiles, 120.0)
    assert len(flat.regions) == 1 + len(holes)
    for k, (region, profile) in enumerate(zip(flat.regions, profiles, strict=True)):
        own = flat.triangles[flat.region[flat.triangles[:, 0]] == k]
        a, b, c = (flat.points[own[:, j], :2] for j in range(3))
        sizes = np.abs((b - a)[:, 0] * (c - a)[:, 1] - (b - a)[:, 1] * (c - a)[:, 0]) / 2
        # Round lines are followed within a two-thousandth of the size of the sketch.
        assert abs(sizes.sum() - region.area) <= 120 / 2000 * profile.region.perimeter
        assert (flat.region[own] == k).all()
        assert region.is_hole == (k > 0)


@FEW
@given(stars(), stars(), st.integers(-40, 40), st.integers(2, 30), st.integers(2, 30))
def test_what_is_joined_and_what_is_common_make_up_the_two(one, other, moved, high, low):
    base, _ = done(
        state(sketch("A", outline(*one)), sketch("B", outline(*((x + moved, y) for x, y in other)))),
        RaiseRegions("R", "A", high=str(high)),
        RaiseRegions("Q", "B", high=str(low)),
    )
    whole = sum(b.figures.volume for b in bodies(base).values())
    shared = shapely.Polygon(one).intersection(shapely.Polygon([(x + moved, y) for x, y in other])).area
    joined = only(done(base, CombineBodies("J", "A", ("B",), "add"))[0]).figures.volume
    common = only(done(base, CombineBodies("C", "A", ("B",), "common"))[0]).figures.volume
    assert joined + common == pytest.approx(whole, rel=1e-9)
    assert common == pytest.approx(shared * min(high, low), rel=1e-7)


@FEW
@given(plates(), st.tuples(*[st.integers(-500, 500)] * 3), st.integers(-360, 360))
def test_what_is_placed_keeps_its_form_and_goes_where_it_should(plate, way, turn):
    base = raised(plate)
    before = only(base).figures
    step = PlaceBody("P", "S", tuple(map(str, way)), "z", str(turn))
    after = only(done(base, step)[0]).figures
    assert after.volume == pytest.approx(before.volume, rel=1e-9)
    assert after.area == pytest.approx(before.area, rel=1e-9)
    middle = np.array(before.box).reshape(2, 3).mean(axis=0)
    angle = math.radians(turn)
    spun = np.array([[math.cos(angle), -math.sin(angle), 0], [math.sin(angle), math.cos(angle), 0], [0, 0, 1]])
    wanted = middle + spun @ (np.array(before.centroid) - middle) + np.array(way)
    assert np.allclose(after.centroid, wanted, atol=1e-6)


@FEW
@given(plates())
def test_one_hole_more_leaves_the_names_of_all_other_edges(plate):
    corners, holes, depth = plate
    if not holes:
        return
    fewer = only(raised((corners, holes[:-1], depth)))
    more = unpacked(only(raised(plate)).solid)
    there = details(only(raised(plate)).solid).edges
    for edge in details(fewer.solid).edges:
        if edge is not None:
            (found,), _ = more.find(edge.key)
            assert there[found].key.origin == edge.key.origin
            assert there[found].length == pytest.approx(edge.length)
