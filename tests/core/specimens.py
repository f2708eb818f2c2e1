"""Curves and drawings that several tests use, made up here."""

from __future__ import annotations

import io
import math
import sys
from functools import cache
from pathlib import Path

import ezdxf
import numpy as np
import shapely
from hypothesis import strategies as st

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.heal import heal
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.regions import regions_of
from syntaxa.mend.steps import mended
from syntaxa.mend.telling import everything
from syntaxa.mend.tolerance import with_gap

sys.path.insert(0, str(Path(__file__).parent / "corpus"))
import itertools

import damage

coordinates = st.floats(-1000, 1000, allow_nan=False)
points = st.builds(Point, coordinates, coordinates)
angles = st.floats(-math.pi, math.pi)
arcs = st.builds(
    Arc, points, st.floats(0.1, 500), angles, st.floats(0.05, 6.2).flatmap(lambda s: st.sampled_from([s, -s]))
)


#: mm; how far facets may leave arcs where faces are compared by their area to 0.05 mm of their outline.
FACETS = 1.6e-2


def lines(*runs):
    """Line curves from runs of (x, y), ids in order."""
    pieces = [(a, b) for run in runs for a, b in itertools.pairwise(run)]
    return [Curve(f"c{k}", Line(Point(*a), Point(*b)), "0") for k, (a, b) in enumerate(pieces)]


def square(size=10.0, x=0.0, y=0.0):
    return [(x, y), (x + size, y), (x + size, y + size), (x, y + size), (x, y)]


def heal_all(curves, gap):
    """Mended curves, findings, and the regions of the mended curves."""
    after, findings = mended(Sketch("0", 0, tuple(curves)), with_gap(Tolerances(), gap), 3.0)
    return after, findings, regions_at(after)


def regions_at(curves, gap=1e-4):
    pieces = pieces_of(curves, 0.001)
    healed = heal(Prepared(pieces, 1e-6), with_gap(Tolerances(), gap), 3.0, everything)
    return regions_of(healed.edges, pieces.ids, "0")


@cache
def _truth(seed, loops, wall):
    truth = damage.make_truth(seed, loops, min_wall=wall)
    # Scoring takes most of the time; what it forgives is three times as much as these facets.
    polygons = truth.polygons(FACETS)
    truth.polygons = lambda: polygons
    return truth


def damaged(suite, seed, loops, **changes):
    """Truth and damaged curves of the corpus."""
    truth = _truth(seed, loops, 0.6 if suite == "coarse" else 0.2)
    entities = damage.corrupt(truth, seed + 1, **{**damage.SUITES[suite], **changes})
    return truth, [Curve(f"{k:x}", _shape(e), "0") for k, e in enumerate(entities)]


def _shape(entity):
    if entity["kind"] == "line":
        return Line(Point(*map(float, entity["p0"])), Point(*map(float, entity["p1"])))
    if entity["kind"] == "arc":
        return Arc(Point(*entity["c"]), entity["r"], entity["a0"], entity["sweep"])
    if entity["kind"] == "circle":
        return Circle(Point(*entity["c"]), entity["r"])
    return Polyline(tuple(Point(*map(float, p)) for p in entity["pts"]), (0.0,) * len(entity["pts"]), False)


def polygon(region):
    """A region as a polygon, for scoring."""
    rings = []
    for loop in region.loops:
        following = np.roll(loop, -1, axis=0).tolist()
        rows = zip(loop.tolist(), following, strict=True)
        ring = [p for (x, y, b), (u, v, _) in rows for p in damage.seg_points((x, y, u, v, b), FACETS)[:-1]]
        rings.append(np.array(ring))
    return shapely.Polygon(rings[0], rings[1:])


def dxf_of(build, release="R2010", **header):
    """Bytes of a DXF that `build(modelspace, document)` fills."""
    document = ezdxf.new(release)
    for name, value in header.items():
        document.header[f"${name}"] = value
    build(document.modelspace(), document)
    text = io.StringIO()
    document.write(text)
    return text.getvalue().encode()


def contact_rows(found):
    """(first piece, second piece, end of the first or -1) of contacts in one order, crossings either way round."""
    rows = zip(found.first.tolist(), found.second.tolist(), found.end.tolist(), strict=True)
    return sorted((*sorted((i, j)), end) if end < 0 else (i, j, end) for i, j, end in rows)
