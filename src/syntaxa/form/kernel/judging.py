"""How well a solid explains drawn views: its own views are drawn again and compared with them, place by place."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from typing import Any

import numpy as np

from syntaxa.form.folding.model import Folded, Role, View
from syntaxa.form.kernel.hidden import lines_of_view
from syntaxa.form.kernel.names import Named
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.types import Floats
from syntaxa.later import Later

spatial = Later("scipy.spatial")

#: mm between the places at which views are compared, and within which curves are followed.
_STEP, _FINE = 0.4, 0.02

#: How much hidden lines count beside seen ones, and where none were drawn.
_HIDDEN, _UNDRAWN = 1.0 / 3.0, 0.05


class _Places:
    """Places along curves, (n, 2), about equally far apart, and which are near others."""

    def __init__(self, places: Floats) -> None:
        self.places = places

    @cached_property
    def _tree(self) -> Any:
        return spatial.cKDTree(self.places)

    def share_near(self, others: _Places, near: float) -> float:
        """Share of these places that lie near others; all where there are none."""
        if not len(self.places):
            return 1.0
        if not len(others.places):
            return 0.0
        off, _ = others._tree.query(self.places, distance_upper_bound=near)
        return float((off <= near).mean())


class _Drawn:
    """What was drawn in a view: what is seen, what is hidden, and both."""

    def __init__(self, view: View) -> None:
        self.role: Role = view.role
        seen, dashes = (
            sampled([s for s, h in zip(view.shapes, view.hidden, strict=True) if h is want]) for want in (False, True)
        )
        self.seen, self.dashes, self.both = map(_Places, (seen, dashes, np.concatenate([dashes, seen])))
        self.weight = 1.0 + (_HIDDEN if len(dashes) else _UNDRAWN)

    def score(self, body: Named, near: float, exact: bool) -> float:
        """How far a solid's view is this one, from 0 to the weight of the view."""
        drawn = lines_of_view(body.shape, self.role, exact)
        # What the kernel calls right and up is so for whoever looks from there.
        sides = np.array([-1.0 if self.role == "left" else 1.0, -1.0 if self.role == "bottom" else 1.0])
        seen, unseen = (sampled([d.shape for d in drawn if d.visible is want]) * sides for want in (True, False))
        visible, hidden = _Places(seen), _Places(unseen)
        found = _mean(self.seen.share_near(visible, near), visible.share_near(self.seen, near))
        if len(self.dashes.places):
            every = _Places(np.concatenate([unseen, seen]))
            return found + _HIDDEN * _mean(self.dashes.share_near(every, near), hidden.share_near(self.both, near))
        # Hidden lines were left out, or there are none: a reading that has none is a little likelier.
        return found + _UNDRAWN * hidden.share_near(self.seen, near)


class Judge:
    """Says how well solids explain folded views, 0 to 1: lines found, and no others."""

    def __init__(self, laid: Folded, tolerance: float) -> None:
        self._near = max(0.6 * tolerance, 0.3)
        self._views = [_Drawn(v) for v in laid.views]

    def score(self, body: Named, *, exact: bool, least: float = 0.0) -> float:
        """The score of a solid; of one that cannot reach the least that is wanted, a value between the two, sooner."""
        whole = left = sum(v.weight for v in self._views)
        total = 0.0
        for view in self._views:
            total += view.score(body, self._near, exact)
            left -= view.weight
            if total + left < least * whole:
                break
        return (total + left) / whole


def _mean(a: float, b: float) -> float:
    """The harmonic mean of what is drawn and was made, and of what was made and is drawn."""
    return 2 * a * b / max(a + b, 1e-9)


def sampled(shapes: Sequence[Shape]) -> Floats:
    """Places along shapes, (n, 2), in the middle of pieces that are about equally long."""
    runs = [shape.flattened(_FINE) for shape in shapes]
    if not runs:
        return np.zeros((0, 2))
    starts = np.concatenate([run[:-1] for run in runs])
    along = np.concatenate([np.diff(run, axis=0) for run in runs])
    counts = np.maximum(1, np.ceil(np.hypot(*along.T) / _STEP)).astype(int)
    which = np.repeat(np.arange(len(counts)), counts)
    rank = np.arange(len(which)) - np.repeat(np.cumsum(counts) - counts, counts)
    out: Floats = starts[which] + along[which] * ((rank + 0.5) / counts[which])[:, None]
    return out
