"""In which unit lengths, hole diameters and radii are round numbers.

Designers choose sizes from a grid: whole and half millimetres, or halves, quarters, down to sixty-fourths of an inch.
Under a hypothesis the values of a drawing are multiples of one grid, within the precision that the file was written
with. Which grid and which precision are not known; all are tried and added up, so that a coarse grid that fits speaks
louder than a fine one, by just as much as it would fit less often by chance. What is drawn in pixels is often round in
pixels, and says nothing then about what it is in the world.
"""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from syntaxa.geometry.types import Floats
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import MM, UNITS, Clue, named, over_sizes

#: Share of a grid below which noise is not told apart.
_FINEST = 1e-12

#: Grids (mm) and how often each is used for parts (a judgement; no published source). Sixteenths of an inch and their
#: kin: drill and stock sizes go by them (common practice).
_METRIC = {
    100.0: 0.02, 50.0: 0.03, 10.0: 0.07, 5.0: 0.16, 2.0: 0.05, 1.0: 0.34, 0.5: 0.21, 0.25: 0.03, 0.1: 0.08, 0.01: 0.01,
}  # fmt: skip
_INCHES = {
    12.0: 0.05, 6.0: 0.03, 3.0: 0.02, 1.0: 0.13, 1 / 2: 0.12, 1 / 4: 0.15, 1 / 8: 0.17, 1 / 16: 0.15, 1 / 32: 0.05,
    1 / 64: 0.02, 0.1: 0.04, 0.05: 0.04, 0.01: 0.02, 0.001: 0.01,
}  # fmt: skip
_IMPERIAL = {25.4 * size: share for size, share in _INCHES.items()}

#: The same for structures, which are set out in coarser steps.
_METRIC_LARGE = {1000.0: 0.04, 500.0: 0.08, 250.0: 0.08, 100.0: 0.24, 50.0: 0.22, 10.0: 0.2, 5.0: 0.07, 1.0: 0.07}
_INCHES_LARGE = {
    120.0: 0.03, 60.0: 0.04, 24.0: 0.05, 12.0: 0.27, 6.0: 0.23, 3.0: 0.1, 1.0: 0.18, 1 / 2: 0.06, 1 / 4: 0.04,
}  # fmt: skip
_IMPERIAL_LARGE = {25.4 * size: share for size, share in _INCHES_LARGE.items()}

#: How often each unit is used with metric sizes.
_USES_METRIC = {"mm": 0.95, "cm": 0.97, "m": 0.97, "in": 0.05, "ft": 0.03, "px": 0.7, "px90": 0.7, "pt": 0.65}

#: How often what is drawn in pixels or points is round in just these, whatever it is in the world, and on which grids.
_ROUND_IN_PIXELS = 0.3
_PIXELS = {100.0: 0.05, 50.0: 0.05, 10.0: 0.25, 5.0: 0.15, 1.0: 0.4, 0.5: 0.1}

#: Precisions to which numbers are written, as shares of the overall size.
_PRECISIONS = (3e-7, 3e-6, 3e-5)

#: Share of values on the drawing's own grid, and on any other of its family; the rest are slants, intersections, and
#: what was drawn by eye.
_OWN_GRID, _OTHER_GRID, _NO_GRID = 0.62, 0.26, 0.12

#: Values of one drawing count as at most so many independent ones.
_HEARD = 7.0


def roundness(seen: Evidence) -> Iterator[Clue]:
    """How well the values of the drawing lie on the grids of each hypothesis."""
    values = np.concatenate([seen.spans, seen.diameters, 2 * seen.radii])
    if seen.box is None or not len(values):
        return
    size = max(seen.box[2] - seen.box[0], seen.box[3] - seen.box[1])
    metric = np.array([_USES_METRIC[u] for u in UNITS])[:, None]
    kinds = [
        np.logaddexp(_fit(values, size, one) + np.log(metric), _fit(values, size, other) + np.log(1 - metric))
        for one, other in ((_METRIC, _IMPERIAL), (_METRIC_LARGE, _IMPERIAL_LARGE))
    ]
    drawn = np.array([u in ("px", "px90", "pt") for u in UNITS])[:, None, None]
    own = np.log(_ROUND_IN_PIXELS) + _fit(values, size, _PIXELS, np.ones((1, 1)))[:, :, None]
    sized = np.stack(kinds, axis=-1)
    likely = np.where(drawn, np.logaddexp(sized + np.log(1 - _ROUND_IN_PIXELS), own), sized)
    likely = np.maximum(likely, likely.max() - 14.0)
    if np.ptp(likely[:, 0]) < 0.1:
        return

    def says(unit: int, scale: int) -> str:
        count = _told(values, MM[unit, scale], size)
        if drawn[unit]:
            count = max(count, _on_grid(values, 1.0, 3e-6 * size))
        name, at = named(unit, scale)
        if at:
            return f"As {name} at {at}, round sizes: {count} of {len(values)}."
        return f"As {name}, round sizes: {count} of {len(values)}."

    yield Clue("roundness", over_sizes(likely), says)


def _fit(values: Floats, size: float, grids: dict[float, float], per: Floats = MM) -> Floats:
    """Log-likelihood of all values, in the shape of `per` (what one number is on the grids): summed over all ways."""
    heard = min(1.0, _HEARD / len(values))
    mm = values[:, None, None] * per[None]
    total = np.full(per.shape, -np.inf)
    shares = np.array(list(grids.values())) / sum(grids.values())
    for precision in _PRECISIONS:
        noise = precision * size * per
        gains = np.stack([_gain(mm, grid, noise) for grid in grids])
        other = _OTHER_GRID * np.tensordot(shares, gains, axes=1) + _NO_GRID
        each = np.log(_OWN_GRID * gains + other).sum(axis=1)
        weight = np.log(shares / len(_PRECISIONS))[:, None, None]
        total = np.logaddexp(total, np.logaddexp.reduce(weight + heard * each, axis=0))
    return total


def _gain(mm: Floats, grid: float, noise: Floats) -> Floats:
    """How much likelier values lie on a grid (mm) than anywhere, (values, units, scales): 0 where they are off it."""
    off = np.abs(mm - grid * np.round(mm / grid))
    on = (off <= noise[None]) & (mm > 0.5 * grid)
    # What is finer than any length is read counts no more than that: the share of a grid is never beyond all numbers.
    return np.where(on, (grid / (2 * np.clip(noise, _FINEST * grid, grid / 2)))[None], 0.0)


def _told(values: Floats, mm: float, size: float) -> int:
    """How many values are multiples of half a millimetre or of a sixteenth of an inch, whichever are more."""
    lengths, noise = values * mm, 3e-6 * size * mm
    return max(_on_grid(lengths, grid, noise) for grid in (0.5, 25.4 / 16))


def _on_grid(lengths: Floats, grid: float, noise: float) -> int:
    return int((np.abs(lengths - grid * np.round(lengths / grid)) <= noise).sum())
