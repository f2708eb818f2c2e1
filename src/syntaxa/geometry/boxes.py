"""Which bounding boxes touch, for many at once, by a packed tree.

Cost: n log n to build it; log n and what is found for each question.
"""

from __future__ import annotations

from syntaxa import heart
from syntaxa.geometry.types import Floats, Ints

Pairs = tuple[Ints, Ints]


class BoxIndex:
    """n boxes (n, 4): xmin, ymin, xmax, ymax, to be asked which of them touch."""

    def __init__(self, boxes: Floats) -> None:
        self._tree = heart.Tree(boxes)

    def around(self, boxes: Floats) -> Pairs:
        """Pairs (row of the boxes (m, 4), own box) that touch."""
        return self._tree.around(boxes)
