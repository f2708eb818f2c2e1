"""Made-up regions of lines and arcs: loops of rows (x, y, bulge), outer ones counter-clockwise, holes clockwise."""

from __future__ import annotations

import math

import numpy as np
import shapely
from specimens import damage

from syntaxa.cut.offsets.chains import Chains
from syntaxa.cut.offsets.raw import raw_parallels
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.inside import crossed_edges
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows

QUARTER = math.tan(math.pi / 8)


def rows(*points):
    return np.array([(*p, 0.0) if len(p) == 2 else p for p in points], float)


def box(x, y, w, h):
    return rows((x, y), (x + w, y), (x + w, y + h), (x, y + h))


def circle(x, y, r):
    return rows((x + r, y, 1.0), (x - r, y, 1.0))


def stadium(x, y, length, across):
    """Two half circles of a diameter `across`, their middles a length apart."""
    r = across / 2
    return rows((x, y - r), (x + length, y - r, 1.0), (x + length, y + r), (x, y + r, 1.0))


def rounded(x, y, w, h, r):
    right, top = x + w, y + h
    return rows(
        (x + r, y), (right - r, y, QUARTER), (right, y + r), (right, top - r, QUARTER),
        (right - r, top), (x + r, top, QUARTER), (x, top - r), (x, y + r, QUARTER),
    )  # fmt: skip


def polygon(n, radius):
    angle = 2 * np.pi * np.arange(n) / n
    return np.column_stack([radius * np.cos(angle), radius * np.sin(angle), np.zeros(n)])


def star(rng, n, spread, bent, size=10.0):
    angle = 2 * np.pi * (np.arange(n) + rng.uniform(-0.3, 0.3, n)) / n
    away = size * (1 + spread * rng.uniform(-1, 1, n))
    bulge = rng.uniform(-bent, bent, n) * (rng.random(n) < 0.6)
    return np.column_stack([away * np.cos(angle), away * np.sin(angle), bulge])


def comb(teeth, gap, wall, depth, round_ends):
    width = teeth * (gap + wall) + wall
    out = [(0.0, -3.0), (width, -3.0), (width, depth)]
    x = width - wall
    for _ in range(teeth):
        out += [(x, depth), (x, 0.0, -1.0 if round_ends else 0.0), (x - gap, 0.0), (x - gap, depth)]
        x -= gap + wall
    return rows(*out, (0.0, depth))


def neck(width, length, chamber=4.0):
    """Two chambers joined by a channel of a width."""
    h, a = width / 2, chamber
    return rows(
        (0, -a), (5, -a), (5, -h), (5 + length, -h), (5 + length, -a), (10 + length, -a),
        (10 + length, a), (5 + length, a), (5 + length, h), (5, h), (5, a), (0, a),
    )  # fmt: skip


def nearly(rng):
    """Nothing, or very little of either sign."""
    return 0.0 if rng.random() < 0.3 else float(rng.choice([-1, 1]) * 10.0 ** rng.uniform(-12, -2))


def turned(loop, angle, move=(0.0, 0.0)):
    c, s = math.cos(angle), math.sin(angle)
    out = loop.copy()
    out[:, 0], out[:, 1] = c * loop[:, 0] - s * loop[:, 1] + move[0], s * loop[:, 0] + c * loop[:, 1] + move[1]
    return out


def hard_region(seed):
    """(loops, distance) of a case that is hard for offsets: widths of two distances, radii of one, all but exactly."""
    rng = np.random.default_rng([seed, 3])
    d = float(10 ** rng.uniform(-2, 0.6))
    kind = seed % 7
    if kind == 0:
        loops = [star(rng, int(rng.integers(8, 30)), 0.35, 0.12)]
        loops += [
            reversed_rows(circle(3.0, 0.5, rng.uniform(0.3, 1.5))),
            reversed_rows(circle(-3, -1, rng.uniform(0.3, 1.5))),
        ]
    elif kind == 1:
        gap, wall = rng.uniform(0.5, 3, 2)
        loops = [comb(int(rng.integers(1, 7)), gap, wall, rng.uniform(2, 8), rng.random() < 0.5)]
        d = wall / 2 + nearly(rng) if rng.random() < 0.5 else d
    elif kind == 2:
        r = float(10 ** rng.uniform(-1, 0.5))
        loops = [rounded(0, 0, *(rng.uniform(2.2, 6, 2) * r + 1), r)]
        d = r + nearly(rng)
    elif kind == 3:
        width = float(10 ** rng.uniform(-0.5, 0.4))
        loops, d = [neck(width, rng.uniform(0.3, 8))], max(width / 2 + nearly(rng), 1e-3)
    elif kind == 4:
        noise = 10.0 ** rng.uniform(-12, -3)
        loops = [rounded(0, 0, 12, 8, rng.uniform(0.5, 2))]
        loops[0][:, :2] += rng.uniform(-noise, noise, (8, 2))
        loops.append(reversed_rows(polygon(int(rng.integers(8, 40)), 2.0) + np.array([6.0, 4.0, 0.0])))
    elif kind == 5:
        loops = [box(-9, -9, 24, 20), reversed_rows(rounded(0, 0, 6, 4, 1.0))]
        d = -(1.0 + nearly(rng)) if rng.random() < 0.5 else d
    else:
        n = 2 * int(rng.integers(4, 20))
        angle, bulge = 2 * np.pi * np.arange(n) / n, rng.uniform(0.05, 0.6)
        loops = [np.column_stack([12 * np.cos(angle), 12 * np.sin(angle), np.where(np.arange(n) % 2, bulge, -bulge)])]
    move = (0.0, 0.0) if rng.random() < 0.6 else tuple(rng.uniform(-2000, 2000, 2))
    turn = rng.uniform(0, 6.28) if rng.random() < 0.7 else 0.0
    sign = 1 if d < 0 or rng.random() < 0.5 else -1
    return [turned(loop, turn, move) for loop in loops], sign * d


def inside(loops, points):
    """Whether points lie in a region: a ray crosses its outline an odd number of times."""
    if not loops:
        return np.zeros(len(points), bool)
    row, _ = crossed_edges(CurveArray.joined([pieces_of_rows(r, True) for r in loops]), points)
    return np.bincount(row, minlength=len(points)) % 2 == 1


def flat(loop, tolerance):
    """The vertices of a loop whose arcs are chords."""
    out = []
    for a, b in zip(loop.tolist(), np.roll(loop, -1, axis=0).tolist(), strict=True):
        out += damage.seg_points((*a[:2], *b[:2], a[2]), tolerance)[:-1]
    return np.array(out)


def as_polygon(loops, tolerance=1e-4):
    """A region for shapely, by facets."""
    made = shapely.Polygon()
    for loop in sorted(loops, key=lambda r: -abs(shapely.Polygon(flat(r, 0.01)).area)):
        made = made.symmetric_difference(shapely.Polygon(flat(loop, tolerance)))
    return made


def is_simple(loops):
    """Whether no loop crosses itself or another: by facets so fine that arcs which just cross do so, too."""
    fine = 2e-5
    return all(shapely.Polygon(flat(r, fine)).is_valid for r in loops) and as_polygon(loops, fine).is_valid


def wrong_places(loops, d, found):
    """(how many places beside the raw parallels an offset has on the wrong side, how many were judged): a place is kept
    where it lies in the region and as far from its outline as the distance; outside and within it where d < 0.
    """
    source = loops if d > 0 else [reversed_rows(r) for r in loops]
    raw = raw_parallels(Chains.of(source), abs(d), 1e-7)
    middle = raw.pieces.points_at(np.full(len(raw.pieces), 0.5))
    way = raw.pieces.tangents_at(np.full(len(raw.pieces), 0.5))
    normal = np.column_stack([-way[:, 1], way[:, 0]])
    points = np.vstack([middle + 1e-5 * normal, middle - 1e-5 * normal])
    outline = CurveArray.joined([pieces_of_rows(r, True) for r in loops])
    away = np.array([outline.distances_to(np.tile(p, (len(outline), 1))).min() for p in points])
    own = inside(loops, points)
    wanted = own & (away >= d) if d > 0 else own | (away <= -d)
    sure = np.abs(away - abs(d)) > 2e-7
    return int((wanted != inside(found, points))[sure].sum()), int(sure.sum())
