"""Seeded damage with known truth: every face found, none invented, no sliver, arcs still arcs.

The corpus is made by `corpus/damage.py`, with the exact area of every face by Green's theorem, independent of
the code under test. The gap tolerance is read off each drawing; nothing is told to the healing.
"""

from __future__ import annotations

import math

import numpy as np
import pytest
from specimens import damage, damaged, polygon

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.heal import heal
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.regions import regions_of
from syntaxa.mend.telling import everything
from syntaxa.mend.tolerance import auto_tolerances

SUITES = ("clean", "split", "gap.001", "gap.01", "gap.05", "dups", "overlap", "stray", "overshoot")


@pytest.mark.parametrize("seed", [1, 2, 3, 4, 5])
@pytest.mark.parametrize("suite", SUITES)
def test_every_true_face_and_nothing_else(suite, seed):
    truth, curves = damaged(suite, seed, 200)
    pieces = pieces_of(curves, 0.001)
    received = Prepared(pieces, 1e-6)
    tolerances = auto_tolerances(received, Tolerances())
    healed = heal(received, tolerances, 3.0, everything)
    regions = regions_of(healed.edges, pieces.ids, "0")
    score = damage.score(truth, [polygon(r) for r in regions], far=False)
    assert (score["ok"], score["missing"], score["spurious"], score["slivers"]) == (score["true"], 0, 0, 0)
    _assert_arcs_kept(truth, regions)
    _assert_moves_are_small(pieces, healed, tolerances.gap)


def _assert_arcs_kept(truth, regions):
    """The true faces' arcs come back as as much turning of arcs, to the damage done."""
    true_turn = sum(abs(4 * math.atan(s[4])) for f in truth.faces for loop in (f.outer, *f.holes) for s in loop)
    turn = sum(np.abs(4 * np.arctan(loop[:, 2])).sum() for r in regions for loop in r.loops)
    assert turn == pytest.approx(true_turn, rel=0.02)


def _assert_moves_are_small(pieces, healed, gap):
    """Every vertex lies within half the gap of a received line or circle, drawn on by no more than the gap."""
    joints = [f for f in healed.findings if f.fixed and f.kind == "gap"]
    assert max((f.cost for f in joints), default=0.0) <= gap / 2 + 1e-9
    assert max((f.along for f in joints), default=0.0) <= gap + 1e-9
    vertices = np.unique(np.concatenate([healed.edges.curves.start, healed.edges.curves.end]), axis=0)
    from shapely import STRtree, box
    from shapely import points as to_points

    longer = _drawn_on(pieces.curves, gap)
    tree = STRtree(box(*longer.bounds().T))
    row, piece = tree.query(to_points(vertices), predicate="dwithin", distance=gap)
    away = np.full(len(vertices), np.inf)
    np.minimum.at(away, row, longer.take(piece).distances_to(vertices[row]))
    assert away.max() <= gap / 2 + 1e-6


def _drawn_on(curves, gap):
    """All pieces longer by the gap at both ends, on their own lines and circles; no arc goes round more than once."""
    share = gap / curves.lengths()
    share = np.where(
        curves.is_arc, np.minimum(share, (2 * np.pi / np.maximum(np.abs(curves.sweep), 1e-9) - 1) / 2.01), share
    )
    bulge = np.tan(np.clip(curves.sweep * (1 + 2 * share), -6.2, 6.2) / 4)
    return CurveArray.from_bulges(curves.points_at(-share), curves.points_at(1 + share), bulge, curves.owner)


@pytest.mark.parametrize("suite", ["split", "gap.05", "overshoot"])
def test_areas_are_those_of_the_truth(suite):
    """Areas differ by no more than the damage: half the gap all round."""
    truth, curves = damaged(suite, 7, 60)
    pieces = pieces_of(curves, 0.001)
    received = Prepared(pieces, 1e-6)
    tolerances = auto_tolerances(received, Tolerances())
    regions = regions_of(heal(received, tolerances, 3.0, everything).edges, pieces.ids, "0")
    true = sorted(f.area for f in truth.faces)
    found = sorted(r.area for r in regions)
    slack = 1e-9 if suite != "gap.05" else 0.025
    for ours, theirs in zip(found, true, strict=True):
        assert ours == pytest.approx(theirs, rel=1e-9, abs=slack * max(r.perimeter for r in regions))


def test_facets_close_too():
    truth, curves = damaged("facet", 3, 60)
    pieces = pieces_of(curves, 0.001)
    regions = regions_of(heal(Prepared(pieces, 1e-6), Tolerances(gap=1e-4), 3.0, everything).edges, pieces.ids, "0")
    assert len(regions) == len(truth.faces)
