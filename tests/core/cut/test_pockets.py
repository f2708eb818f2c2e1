"""Pockets: nothing that could be reached is left, nothing is gouged, one plunge a room; judged by facets."""

from __future__ import annotations

import numpy as np
import pytest
import shapely
from regions import as_polygon, box, circle, comb, rounded, star

import syntaxa.cut.paths.pockets as making
from syntaxa.cut.offsets.chains import area_of, length_of
from syntaxa.cut.offsets.offsetting import offset_region
from syntaxa.cut.paths.pockets import rings_of, tours_of
from syntaxa.errors import CutError
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows


def pockets():
    rng = np.random.default_rng(4)
    yield [rounded(0, 0, 50, 30, 4)] + [reversed_rows(circle(x, y, 2.5)) for x in (10, 25, 40) for y in (9, 21)]
    yield [comb(3, 4.0, 3.0, 9.0, True)]
    yield [box(0, 0, 30, 20)]
    yield [star(rng, 17, 0.3, 0.1, 20.0), reversed_rows(circle(1, 2, 3)), reversed_rows(circle(-8, -5, 1.5))]
    yield [circle(0, 0, 12), reversed_rows(circle(3, 0, 4))]


def cut_by(tours, radius):
    """What a tool sweeps along tours, by facets."""
    parts = []
    for rows in tours:
        points = [rows[0, :2]]
        pieces = pieces_of_rows(rows, False)
        for k in range(len(pieces)):
            n = 1 if not pieces.is_arc[k] else 2 + int(abs(pieces.sweep[k]) / np.sqrt(8e-4 / pieces.radius[k]))
            points += list(pieces.take(np.full(n, k)).points_at((np.arange(n) + 1) / n))
        parts.append(shapely.LineString(points).buffer(radius, quad_segs=120))
    return shapely.union_all(parts)


@pytest.mark.parametrize("step", [0.6, 1.0, 1.5, 1.8])
@pytest.mark.parametrize("loops", list(pockets()), ids=["islands", "comb", "box", "star", "ring"])
def test_nothing_is_left_and_nothing_gouged(loops, step):
    radius = 1.5
    rings = rings_of(loops, radius, step * radius)
    tours = tours_of(rings, loops, radius, step * radius)
    cut, wanted = cut_by(tours, radius), as_polygon(loops)
    reachable = wanted.buffer(-radius, quad_segs=200).buffer(radius, quad_segs=200)
    assert cut.difference(wanted.buffer(0.002)).area < 0.01
    assert reachable.buffer(-0.004).difference(cut).area < 0.01
    # One plunge for each room that hangs together.
    rooms = wanted.buffer(-radius + 1e-6, quad_segs=200)
    assert len(tours) == len(getattr(rooms, "geoms", [rooms]))
    for rows in tours:
        assert rows[0, :2] == pytest.approx(rows[-1, :2], abs=1e-9)


def test_wide_steps_are_shorter():
    """Length times radius over area: at most 0.70 with steps of 1.5 radii (measured; a bound of our own)."""
    loops = [box(0, 0, 60, 45)]
    shares = []
    for step in (1.0, 1.5):
        tours = tours_of(rings_of(loops, 1.5, step * 1.5), loops, 1.5, step * 1.5)
        shares.append(sum(length_of(t, False) for t in tours) * 1.5 / sum(map(area_of, loops)))
    assert shares[1] < shares[0]
    assert shares[1] < 0.70


def test_an_allowance_stays_on_the_wall():
    loops = [box(0, 0, 30, 20)]
    rings = rings_of(loops, 2.0, 2.0, allowance=0.3)
    outer = max((r.rows for r in rings), key=area_of)
    assert area_of(outer) == pytest.approx(area_of(offset_region(loops, 2.3).loops[0]))


def test_a_tool_that_is_too_small_is_refused(monkeypatch):
    with pytest.raises(CutError, match="too large for so small a tool"):
        rings_of([box(0, 0, 3000, 3000)], 0.02, 0.02)
    # Where that cannot be seen before, when it turns out.
    monkeypatch.setattr(making, "_MOST_RINGS", 60)
    island = reversed_rows(box(40, 40, 60, 60))
    with pytest.raises(CutError, match="too large for so small a tool"):
        rings_of([box(0, 0, 100, 100), island], 0.5, 0.5)
