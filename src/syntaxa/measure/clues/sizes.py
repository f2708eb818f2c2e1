"""How large things would be: the whole, its holes and its rounded corners.

Two kinds of thing are weighed: parts that are cut and machined, and structures such as frames, sheds and yards. The
typical sizes below are common practice without a published source, except that holes follow the clearance holes of
ISO 273 for M3 to M24 (3.4 mm to 26 mm).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from syntaxa.geometry.types import Floats
from syntaxa.measure.evidence import Evidence
from syntaxa.measure.hypotheses import MM, Clue, named, over_sizes

Groups = tuple[tuple[float, float, float], ...]


@dataclass(frozen=True, slots=True)
class _Thing:
    """Sizes of a kind of thing: groups of middle (mm), spread (of the logarithm) and share."""

    whole: Groups
    holes: Groups
    corners: Groups


#: In the order of `KINDS`.
_THINGS = (
    # Bolt holes and bores.
    _Thing(((220.0, 1.05, 1.0),), ((9.0, 0.65, 0.65), (45.0, 0.9, 0.35)), ((6.0, 0.95, 1.0),)),
    # Posts and pipes; tanks and wells.
    _Thing(((9000.0, 0.9, 1.0),), ((90.0, 0.65, 0.65), (1500.0, 0.9, 0.35)), ((150.0, 1.2, 1.0),)),
)

#: Values of one drawing are like each other: together they count as at most this many.
_HEARD = 4.0


def sizes(seen: Evidence) -> Iterator[Clue]:
    """How plausible the sizes are that each hypothesis gives."""
    if seen.box is None:
        return
    size = max(seen.box[2] - seen.box[0], seen.box[3] - seen.box[1])
    if size <= 0:
        return
    whole = np.array([size])
    likely = np.stack(
        [
            _log_density(whole, t.whole) + _log_density(seen.diameters, t.holes) + _log_density(seen.radii, t.corners)
            for t in _THINGS
        ],
        axis=-1,
    )

    def says(unit: int, scale: int) -> str:
        mm = size * MM[unit, scale]
        across = f"{mm / 1000:.4g} m" if mm >= 2000 else f"{mm:.4g} mm"
        holes = f", with holes of {np.median(seen.diameters) * MM[unit, scale]:.3g} mm" if len(seen.diameters) else ""
        name, at = named(unit, scale)
        if at:
            return f"As {name} at {at}, it is {across} across{holes}: a likely size."
        return f"As {name}, it is {across} across{holes}: a likely size."

    yield Clue("overall size", over_sizes(np.maximum(likely, likely.max() - 12.0)), says)


def _log_density(values: Floats, groups: Groups) -> Floats:
    """Log-density of the logarithms of values (in the file's numbers) under each hypothesis, (units, scales)."""
    if not len(values):
        return np.zeros(MM.shape)
    logs = np.log(values[:, None, None] * MM[None])
    each = np.full(logs.shape, -np.inf)
    for middle, spread, share in groups:
        away = (logs - np.log(middle)) / spread
        # Heavier tails than the bell curve: a Student distribution with twelve degrees of freedom.
        each = np.logaddexp(each, np.log(share / spread) - 6.5 * np.log1p(away**2 / 12.0))
    return np.asarray(each.sum(axis=0) * min(1.0, _HEARD / len(values)))
