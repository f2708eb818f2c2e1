"""The stock at a slant: sizes in closed form, and each pixel against a ray that is walked through the cells."""

from __future__ import annotations

import math

import numpy as np
import pytest

from syntaxa.cut.bench.heights import HeightMap
from syntaxa.cut.bench.relief import NOTHING, SIDE, TOP, Laid, Slant, fitting, relief

BOX = (0.0, 0.0, 30.0, 20.0)


def stock(seed=None):
    made = HeightMap(BOX, 0.0, -8.0)
    if seed is not None:
        random = np.random.default_rng(seed)
        levels = random.choice([0.0, -2.0, -5.0, -8.0], (4, 6), p=[0.4, 0.2, 0.2, 0.2])
        rows, columns = made.heights.shape
        made.heights = levels[np.arange(rows)[:, None] * 4 // rows, np.arange(columns) * 6 // columns].astype(
            np.float32
        )
    return made


@pytest.mark.parametrize("rise", [0.4, 0.8, 1.3])
def test_a_block_is_seen_in_its_true_size(rise):
    slant = Slant(0.0, rise, 10.0, 500, 400)
    _, face = relief(stock(), Laid(stock(), slant))
    assert (face == TOP).sum() == pytest.approx(300 * 200 * math.sin(rise), rel=0.02)
    assert (face == SIDE).sum() == pytest.approx(300 * 80 * math.cos(rise), rel=0.03)
    # A quarter of a turn shows the other side of it.
    _, turned = relief(stock(), Laid(stock(), Slant(math.pi / 2, rise, 10.0, 500, 400)))
    assert (turned == SIDE).sum() == pytest.approx(200 * 80 * math.cos(rise), rel=0.03)


@pytest.mark.parametrize("seed", range(4))
def test_what_is_seen_is_what_a_ray_meets(seed):
    made = stock(seed)
    slant = fitting(made, 0.5 + seed, 0.7, 160, 120)
    cell, face = relief(made, Laid(made, slant))
    assert set(np.unique(face)) == {NOTHING, TOP, SIDE}
    random = np.random.default_rng(seed)
    agree = 0
    for _ in range(400):
        u, v = int(random.integers(160)), int(random.integers(120))
        agree += met(made, slant, u, v) == (face[v, u] != NOTHING, made.heights.ravel()[cell[v, u]])
    # At edges a pixel is one or the other.
    assert agree >= 380


def met(made, slant, u, v):
    """(whether a ray through the middle of a pixel meets anything, the height of the cell where it first does)."""
    up, along = (slant.height / 2 - v - 0.5) / slant.scale, (u + 0.5 - slant.width / 2) / slant.scale
    cos, sin = math.cos(slant.turn), math.sin(slant.turn)
    rows, columns = made.heights.shape
    for z in np.arange(made.top, made.bottom, -0.02):
        away = (up - (z - made.bottom) * math.cos(slant.rise)) / math.sin(slant.rise)
        x, y = 15 + along * cos - away * sin, 10 + along * sin + away * cos
        i, j = math.floor(y / made.cell), math.floor(x / made.cell)
        if 0 <= i < rows and 0 <= j < columns and made.heights[i, j] > made.bottom and z <= made.heights[i, j]:
            return True, made.heights[i, j]
    return False, made.heights.ravel()[-1]


def test_what_is_not_kept_is_not_seen():
    made = stock()
    kept = np.zeros(made.heights.shape, dtype=bool)
    kept[:, : kept.shape[1] // 2] = True
    laid = Laid(made, Slant(0.0, 0.8, 10.0, 500, 400))
    _, all_of_it = relief(made, laid)
    _, half = relief(made, laid, kept)
    assert (half == TOP).sum() == pytest.approx((all_of_it == TOP).sum() / 2, rel=0.02)
    assert relief(made, laid, ~kept & kept)[1].sum() == 0
